/**
 * The tables. Text is utf8mb4 with a binary, unpadded collation (set for the whole database), URLs are bytes. Rows of
 * a survey carry its number first in their primary key and have no other index: a second one makes loading 1.7 times
 * dearer, and everything is read survey by survey.
 */
import {
    bigint,
    boolean,
    customType,
    double,
    index,
    int,
    json,
    mediumtext,
    mysqlTable,
    primaryKey,
    smallint,
    text,
    tinyint,
    uniqueIndex,
    varchar,
} from 'drizzle-orm/mysql-core';
import type { ProblemText } from '../../core/problems/problem.ts';

/*
 * What went wrong is kept as `ProblemText` (`core/problems/problem.ts`): a code with parameters, never a sentence.
 */

/** A URL: bytes, so that no collation ever merges two of them. */
const address = customType<{ data: string; driverData: Buffer | string }>({
    dataType: () => 'varbinary(4096)',
    fromDriver: (value) => (typeof value === 'string' ? value : value.toString('utf8')),
    toDriver: (value) => Buffer.from(value, 'utf8'),
});

/** Packed bytes. */
const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'mediumblob' });

/** Bytes of a bounded length. */
const shortBytes = (name: string, most: number) =>
    customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => `varbinary(${most})` })(name);

/** UTC, milliseconds since 1970. */
const moment = (name: string) => bigint(name, { mode: 'number' });

export const sites = mysqlTable('site', {
    id: int('id').primaryKey().autoincrement(),
    name: varchar('name', { length: 200 }).notNull(),
    start: address('start').notNull(),
    /** Pins and limits, as `server/access/settings.ts` defines them. */
    settings: json('settings').notNull(),
    /** Headers, cookies and sign-in last used, sealed by `access/secret-box.ts`; null when there are none. */
    secrets: bytes('secrets'),
    /** Deepest depth the architect wants, for all pages and for those of priority 1 to 3 (`DepthGoals`); null for none. */
    depthGoals: json('depth_goals'),
    /** Checks that are off, and thresholds of its own (`StoredCheckSettings`); null for the register's. */
    checkSettings: json('check_settings'),
    /** Followed incoming pages that pages of priority 1 to 3, and of none, should have (`WantedLinks`); null for none. */
    wantedLinks: json('wanted_links'),
    createdAt: moment('created_at').notNull(),
});

export const surveys = mysqlTable(
    'survey',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** Number within its site, from 1. */
        number: int('number').notNull(),
        state: varchar('state', { length: 16 }).notNull(),
        /** Why it is partial: reasons, space separated. */
        cut: varchar('cut', { length: 100 }).notNull().default(''),
        /** Why it failed or was laid aside, empty otherwise. */
        trouble: text('trouble').$type<ProblemText>().notNull(),
        settings: json('settings').notNull(),
        /** Sealed like those of the site. */
        secrets: bytes('secrets'),
        /** What the user decided about families of URLs (`SurveyDecisions`); null for nothing. */
        decisions: json('decisions'),
        /** Milliseconds of reading so far, over all runs. */
        readMilliseconds: bigint('read_milliseconds', { mode: 'number' }).notNull().default(0),
        /** Deleted for the user; its rows are swept behind. */
        isDeleted: boolean('is_deleted').notNull().default(false),
        /** Date in a story the survey stands for (the demo's), `YYYY-MM-DD`; empty for none. */
        asOf: varchar('as_of', { length: 10 }).notNull().default(''),
        createdAt: moment('created_at').notNull(),
        startedAt: moment('started_at'),
        endedAt: moment('ended_at'),
        /** Batches stored; a batch is stored together with this number, so a retry can tell whether it arrived. */
        batches: int('batches').notNull().default(0),
        /** 0 while it grows, 1 once closed. */
        revision: int('revision').notNull().default(0),
    },
    (table) => [uniqueIndex('survey_number').on(table.siteId, table.number)],
);

export const addresses = mysqlTable(
    'address',
    {
        surveyId: int('survey_id').notNull(),
        id: int('id').notNull(),
        internal: boolean('internal').notNull(),
        url: address('url').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.id] })],
);

export const pages = mysqlTable(
    'page',
    {
        surveyId: int('survey_id').notNull(),
        address: int('address').notNull(),
        orderRead: int('order_read').notNull(),
        status: smallint('status'),
        notRead: varchar('not_read', { length: 16 }).notNull(),
        failure: varchar('failure', { length: 1000 }).$type<ProblemText>().notNull(),
        contentType: varchar('content_type', { length: 200 }).notNull(),
        typeNote: varchar('type_note', { length: 1000 }).$type<ProblemText>().notNull().default(''),
        bodyTrouble: varchar('body_trouble', { length: 1000 }).$type<ProblemText>().notNull().default(''),
        /** Null in rows of a version that did not look. */
        markup: text('markup').$type<ProblemText>(),
        redirectTo: int('redirect_to'),
        instantRefresh: int('instant_refresh'),
        title: text('title').notNull(),
        h1: text('h1').notNull(),
        description: text('description').notNull(),
        language: varchar('language', { length: 100 }).notNull(),
        words: int('words'),
        metaRobots: text('meta_robots').notNull(),
        xRobotsTag: text('x_robots_tag').notNull(),
        noindex: boolean('noindex').notNull(),
        noindexReason: varchar('noindex_reason', { length: 1000 }).$type<ProblemText>().notNull(),
        nofollow: boolean('nofollow').notNull(),
        /** Address numbers, space separated. */
        canonicals: text('canonicals').notNull(),
        robotsAllowed: boolean('robots_allowed'),
        robotsRule: text('robots_rule').$type<ProblemText>().notNull(),
        credentialsRemoved: int('credentials_removed').notNull().default(0),
        changedAt: moment('changed_at'),
        lastModified: moment('last_modified'),
        bytes: int('bytes'),
        milliseconds: int('milliseconds'),
        readAt: moment('read_at'),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.address] })],
);

/** Facts and text of a page, packed (`core/survey/page-details.ts`); read page by page. */
export const pageDetails = mysqlTable(
    'page_detail',
    {
        surveyId: int('survey_id').notNull(),
        page: int('page').notNull(),
        facts: bytes('facts').notNull(),
        text: bytes('text').notNull(),
        bodyHash: shortBytes('body_hash', 8).notNull(),
        signature: shortBytes('signature', 128).notNull(),
        /** Null where the answer was no document, and in rows of a version that made none. */
        sketch: shortBytes('sketch', 128),
        /** Hashes of the ids a fragment can point at; null where they are not known. */
        ids: bytes('ids'),
        /** `TextOutline` of `core/page/main-text.ts`; empty without text, and in rows from before there was one. */
        outline: bytes('outline').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.page] })],
);

/** The received source of a page, unpacked by its content codings and packed again. */
export const pageSources = mysqlTable(
    'page_source',
    {
        surveyId: int('survey_id').notNull(),
        page: int('page').notNull(),
        source: bytes('source').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.page] })],
);

/** What is known of a page's main text once it is known which blocks are shared: made when a survey ends. */
export const pageMains = mysqlTable(
    'page_main',
    {
        surveyId: int('survey_id').notNull(),
        page: int('page').notNull(),
        /** First 8 bytes of the SHA-256 of the text, white space folded, pieces joined by line feeds. */
        hash: shortBytes('hash', 8).notNull(),
        words: int('words').notNull(),
        signature: shortBytes('signature', 128).notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.page] })],
);

/** Targets that are no pages of the site, asked for their status. */
export const targetChecks = mysqlTable(
    'target_check',
    {
        surveyId: int('survey_id').notNull(),
        address: int('address').notNull(),
        kind: varchar('kind', { length: 16 }).notNull(),
        status: smallint('status'),
        notRead: varchar('not_read', { length: 16 }).notNull(),
        failure: varchar('failure', { length: 1000 }).$type<ProblemText>().notNull(),
        contentType: varchar('content_type', { length: 200 }).notNull(),
        redirectTo: int('redirect_to'),
        milliseconds: int('milliseconds'),
        readAt: moment('read_at').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.address] })],
);

export const linkLists = mysqlTable(
    'link_list',
    {
        surveyId: int('survey_id').notNull(),
        id: int('id').notNull(),
        /** Links in order, packed by `store/packing.ts`. */
        links: bytes('links').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.id] })],
);

export const layouts = mysqlTable(
    'layout',
    {
        surveyId: int('survey_id').notNull(),
        id: int('id').notNull(),
        /** Line offsets, columns and hrefs, packed by `store/packing.ts`. */
        places: bytes('places').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.id] })],
);

export const blocks = mysqlTable(
    'block',
    {
        surveyId: int('survey_id').notNull(),
        id: int('id').notNull(),
        region: tinyint('region').notNull(),
        place: varchar('place', { length: 512 }).notNull(),
        list: int('list').notNull(),
        name: varchar('name', { length: 16 }).notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.id] })],
);

export const pageBlocks = mysqlTable(
    'page_block',
    {
        surveyId: int('survey_id').notNull(),
        page: int('page').notNull(),
        ordinal: int('ordinal').notNull(),
        block: int('block').notNull(),
        layout: int('layout').notNull(),
        line: int('line').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.page, table.ordinal] })],
);

export const evidence = mysqlTable(
    'evidence',
    {
        surveyId: int('survey_id').notNull(),
        id: int('id').notNull(),
        address: int('address').notNull(),
        evidence: varchar('evidence', { length: 16 }).notNull(),
        source: address('source').notNull(),
        line: int('line').notNull(),
        lastmod: varchar('lastmod', { length: 64 }).notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.id] })],
);

export const files = mysqlTable(
    'file',
    {
        surveyId: int('survey_id').notNull(),
        id: int('id').notNull(),
        kind: varchar('kind', { length: 16 }).notNull(),
        url: address('url').notNull(),
        status: smallint('status'),
        /** Problems, one in a line. */
        note: text('note').$type<ProblemText>().notNull(),
        entries: int('entries'),
        text: mediumtext('text').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.id] })],
);

/** A list of URLs from elsewhere, given to a survey: an access log, visits, what a search index lists, links of others. */
export const lists = mysqlTable(
    'evidence_list',
    {
        id: int('id').primaryKey().autoincrement(),
        surveyId: int('survey_id').notNull(),
        kind: varchar('kind', { length: 16 }).notNull(),
        /** File name, or what a person called it. */
        name: varchar('name', { length: 255 }).notNull(),
        at: moment('at').notNull(),
        /** How it was read and what came of it (`ListOutcome` of `core/evidence/import-outcome.ts`). */
        outcome: json('outcome').notNull(),
        /** Lines that could not be read, packed; bounded. */
        badLines: bytes('bad_lines').notNull(),
        /** What robots asked for (`RobotVisits`), packed; null where it is not told. */
        robots: bytes('robots'),
        /** Revision of the survey that has it; 1 where it was given before the survey ended. */
        revision: int('revision').notNull(),
    },
    (table) => [index('evidence_list_survey').on(table.surveyId)],
);

/** One URL of a list, or one link of another site. */
export const listRows = mysqlTable(
    'evidence_list_row',
    {
        surveyId: int('survey_id').notNull(),
        listId: int('list_id').notNull(),
        n: int('n').notNull(),
        url: address('url').notNull(),
        /** The page that links here, for links of other sites; else empty. */
        source: address('source').notNull(),
        /** Values of the list's columns, a JSON array. */
        cells: text('cells').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.listId, table.n] })],
);

/** What a survey said at each of its revisions, so that earlier ones can be cited. */
export const revisions = mysqlTable(
    'revision',
    {
        surveyId: int('survey_id').notNull(),
        number: int('number').notNull(),
        at: moment('at').notNull(),
        why: varchar('why', { length: 1000 }).notNull(),
        /** The summary as exported (`summary.json`) at that revision. */
        summary: json('summary').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.number] })],
);

/** The packed survey (`docs/formats.md`) of a survey, one row for each of its parts; made from the rows, and made again at will. */
export const packedParts = mysqlTable(
    'packed_part',
    {
        surveyId: int('survey_id').notNull(),
        part: varchar('part', { length: 16 }).notNull(),
        /** Revision of the survey it was made from. */
        revision: int('revision').notNull(),
        /** Version of the packed form. */
        format: int('format').notNull(),
        /** Bytes of the part when unpacked. */
        size: bigint('size', { mode: 'number' }).notNull(),
        chunks: int('chunks').notNull(),
        madeAt: moment('made_at').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.revision, table.part] })],
);

/** Its bytes, in deflated pieces. */
export const packedChunks = mysqlTable(
    'packed_chunk',
    {
        surveyId: int('survey_id').notNull(),
        revision: int('revision').notNull(),
        part: varchar('part', { length: 16 }).notNull(),
        n: int('n').notNull(),
        bytes: bytes('bytes').notNull(),
    },
    (table) => [primaryKey({ columns: [table.surveyId, table.revision, table.part, table.n] })],
);

/** Sets a site keeps by name. */
export const savedSets = mysqlTable(
    'saved_set',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        name: varchar('name', { length: 100 }).notNull(),
        /** In the set language. */
        expression: text('expression').notNull(),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [uniqueIndex('saved_set_name').on(table.siteId, table.name)],
);

/** How much pages matter to the architect: by hand, by set, or by a column of a list. Of the site, not of a survey. */
export const priorities = mysqlTable(
    'priority',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** `page`, `set` or `column`. */
        by: varchar('by_what', { length: 16 }).notNull(),
        /** A URL, an expression of the set language, or the name of a column. */
        subject: text('subject').notNull(),
        /** 1 (most) to 3; 0 where the column itself tells. */
        value: tinyint('value').notNull(),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [index('priority_site').on(table.siteId)],
);

/** What the architect wrote down about a page, a set or a section. Of the site, not of a survey. */
export const notes = mysqlTable(
    'note',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** `page`, `set` or `section`. */
        about: varchar('about', { length: 16 }).notNull(),
        /** A URL, an expression of the set language, or the name of a section. */
        subject: text('subject').notNull(),
        text: text('text').notNull(),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [index('note_site').on(table.siteId)],
);

/** What the architect lives with: a cause, or what one check finds of one page or of links to it. */
export const acceptances = mysqlTable(
    'acceptance',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** Id of the check; empty for a whole cause. */
        check: varchar('check_id', { length: 64 }).notNull(),
        /** A URL, or the key of a cause. */
        subject: text('subject').notNull(),
        note: text('note').notNull(),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [index('acceptance_site').on(table.siteId)],
);

/** A robots.txt that is proposed for a host of a site: one each, until it is live or thrown away. */
export const robotsProposals = mysqlTable(
    'robots_proposal',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        origin: varchar('origin', { length: 300 }).notNull(),
        text: mediumtext('text').notNull(),
        note: text('note').notNull(),
        updatedAt: moment('updated_at').notNull(),
    },
    (table) => [uniqueIndex('robots_proposal_host').on(table.siteId, table.origin)],
);

/** What pages are about, as the architect says it. Of the site, not of a survey. */
export const subjects = mysqlTable(
    'subject',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** `page` or `set`. */
        by: varchar('said_by', { length: 8 }).notNull(),
        /** A URL, or a line of the set language. */
        subject: text('subject').notNull(),
        /** Words and phrases, one to a line. */
        words: text('words').notNull(),
        updatedAt: moment('updated_at').notNull(),
    },
    (table) => [index('subject_site').on(table.siteId)],
);

/** Words of links that say nothing on a site beside those of our lists, or something after all. */
export const genericWords = mysqlTable(
    'generic_word',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** First subtag; empty for any language. */
        language: varchar('language', { length: 16 }).notNull(),
        /** As lists have it. */
        text: varchar('text', { length: 80 }).notNull(),
        isGeneric: boolean('is_generic').notNull(),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [index('generic_word_site').on(table.siteId)],
);

/** Proposals looked for, for all targets of a set: taken by one worker at a time under a lease, as surveys are. */
export const proposalRuns = mysqlTable(
    'proposal_run',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        surveyId: int('survey_id').notNull(),
        revision: int('revision').notNull(),
        /** The set, in the set language. */
        line: text('line').notNull(),
        /** `waiting`, `running`, `done`, `stopped` or `failed`. */
        state: varchar('state', { length: 8 }).notNull(),
        /** Why it failed, as a problem; empty where it did not. */
        trouble: text('trouble').notNull(),
        targets: int('targets').notNull(),
        owner: varchar('owner', { length: 64 }).notNull(),
        leaseUntil: moment('lease_until').notNull(),
        attempts: int('attempts').notNull(),
        createdAt: moment('created_at').notNull(),
        endedAt: moment('ended_at'),
    },
    (table) => [index('proposal_run_site').on(table.siteId), index('proposal_run_state').on(table.state)],
);

/** The targets of such a run, in their order, and what was found for each. */
export const proposalRunTargets = mysqlTable(
    'proposal_run_target',
    {
        runId: int('run_id').notNull(),
        place: int('place').notNull(),
        target: address('target').notNull(),
        /** Sentences that speak of it; null until it was looked at. */
        sentences: int('sentences'),
        /** Of the best, 0 to 1. */
        score: double('score'),
        /** The best of them, as `wire/proposal-run.ts` has them. */
        best: json('best'),
    },
    (table) => [primaryKey({ columns: [table.runId, table.place] })],
);

/** Changes to links that are laid aside until a draft takes them over: data, as `wire/laid-change.ts` has them. */
export const laidChanges = mysqlTable(
    'laid_change',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** Number of the survey it was laid aside at. */
        survey: int('survey').notNull(),
        /** `add`, `reword`, `retarget` or `remove`. */
        kind: varchar('kind', { length: 16 }).notNull(),
        page: address('page').notNull(),
        /** Line in the received source, from 1; 0 where it is not known. */
        line: int('line').notNull(),
        /** The block of links it stands in, as templates are named; empty for running text. */
        block: text('block').notNull(),
        oldAnchor: text('old_anchor').notNull(),
        newAnchor: text('new_anchor').notNull(),
        oldTarget: address('old_target').notNull(),
        newTarget: address('new_target').notNull(),
        sentence: text('sentence').notNull(),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [index('laid_change_site').on(table.siteId)],
);

/** Proposals that were refused, for good, or put off. Those that were taken are laid-aside changes. */
export const proposalAnswers = mysqlTable(
    'proposal_answer',
    {
        id: int('id').primaryKey().autoincrement(),
        siteId: int('site_id').notNull(),
        /** `refused` or `later`. */
        answer: varchar('answer', { length: 8 }).notNull(),
        source: address('source').notNull(),
        target: address('target').notNull(),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [index('proposal_answer_site').on(table.siteId)],
);

/** The structure the architect intends: pages in the order of the list, each below another. */
export const intendedPages = mysqlTable(
    'intended_page',
    {
        siteId: int('site_id').notNull(),
        ordinal: int('ordinal').notNull(),
        /** Title, path or URL, as it was written. */
        label: text('label').notNull(),
        /** Ordinal of the page above it; null at the top. */
        parent: int('parent'),
        /** 1 to 3; null for none. */
        priority: tinyint('priority'),
    },
    (table) => [primaryKey({ columns: [table.siteId, table.ordinal] })],
);

/** A door check as it was found. */
export const doorChecks = mysqlTable(
    'door_check',
    {
        id: int('id').primaryKey().autoincrement(),
        /** The site it was made for; null for an address typed in. */
        siteId: int('site_id'),
        url: address('url').notNull(),
        at: moment('at').notNull(),
        /** `{ facts }`: the `DoorFacts` of `core/door/door-report.ts`. */
        report: json('report').notNull(),
    },
    (table) => [index('door_check_site').on(table.siteId)],
);

export const jobs = mysqlTable(
    'job',
    {
        id: int('id').primaryKey().autoincrement(),
        surveyId: int('survey_id').notNull(),
        state: varchar('state', { length: 16 }).notNull(),
        /** Who works on it: process number and its start, so that a dead one is known as dead. */
        owner: varchar('owner', { length: 64 }).notNull().default(''),
        leaseUntil: moment('lease_until').notNull().default(0),
        stopAsked: boolean('stop_asked').notNull().default(false),
        pauseAsked: boolean('pause_asked').notNull().default(false),
        attempts: int('attempts').notNull().default(0),
        /** The door is still to be knocked at before it begins. */
        knock: boolean('knock').notNull().default(false),
        /** Last progress, as `core/survey/progress.ts` defines it. */
        progress: json('progress'),
        createdAt: moment('created_at').notNull(),
    },
    (table) => [index('job_state').on(table.state)],
);
