/** The rows of a survey -> the packed survey. Made when a survey ends, when evidence is added, and while one runs. */
import { sectionOf, folderDepth } from '../address/section.ts';
import { groupsOf, nearDoubles, NEAR_TEXT } from '../doubles/near-doubles.ts';
import type { Signature } from '../doubles/signature.ts';
import type { EvidenceImport } from '../evidence/imports.ts';
import { GATES, passGates } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import { isReadHtml, ORPHAN } from '../survey/page-kind.ts';
import { NOT_READ_REASONS, type PageRow, type SurveyInfo, type SurveyRows } from '../survey/survey-rows.ts';
import { groupTemplates } from './block-templates.ts';
import { GATE_INDEXABLE, GATE_UNKNOWN, NOT_SETTLED } from './codes.ts';
import { givenColumns } from './given-columns.ts';
import { measureColumns } from './measure-columns.ts';
import { countLinks, linksByNode, numberAddresses, packBlocks, waysFrom, type LinkCounts } from './pack-links.ts';
import { NO_ADDRESS, PackedSurvey, type Part } from './packed-survey.ts';
import { PartMaker } from './part-maker.ts';
import { columnsOf, type RowColumns } from './row-columns.ts';
import type { Sections } from './sections.ts';
import { nodeOfUrl, nodesOf, type SurveyNodes } from './survey-nodes.ts';
import { TextNumbers } from './text-table.ts';

/** What is told of the texts of pages, by address number; pages without text are missing. */
export interface TextFacts {
    /** Hash of the body as received. */
    body: Map<number, string>;
    /** Hash, words and signature of the main text. */
    main: Map<number, { hash: string; words: number; signature: Signature | null }>;
}

export const NO_TEXT_FACTS: TextFacts = { body: new Map(), main: new Map() };

export interface PackedParts {
    survey: PackedSurvey;
    parts: Map<Part, Sections>;
}

/** Packs a survey whose rows are all there. */
export function packSurvey(
    { info, rows }: { info: SurveyInfo; rows: SurveyRows },
    facts: TextFacts = NO_TEXT_FACTS,
    imports: readonly EvidenceImport[] = [],
): PackedParts {
    return packRows(info, columnsOf(rows), facts, imports);
}

/** Packs the rows of a survey into its parts. O(rows + link occurrences), and the measures of `measure-columns.ts`. */
export function packRows(
    info: SurveyInfo,
    rows: RowColumns,
    facts: TextFacts = NO_TEXT_FACTS,
    imports: readonly EvidenceImport[] = [],
): PackedParts {
    const nodes = nodesOf(rows);
    const { count, pages, urls } = nodes;
    const addresses = numberAddresses(rows, nodes);
    const links = linksByNode(rows, nodes, addresses);
    const counts = countLinks(nodes, links);
    const starts = [info.start, ...(info.starts ?? [])]
        .map((url) => nodeOfUrl(nodes, url))
        .filter((node) => node !== -1);
    const ways = waysFrom(starts, nodes, links);
    const complete = info.cut.length === 0 && info.state === 'finished';

    const core = new PartMaker();
    const text = new PartMaker();
    const graphPart = new PartMaker();
    const addressOf = (id: number | null | undefined): number =>
        id === null || id === undefined ? NO_ADDRESS : (addresses.of[id] ?? NO_ADDRESS);
    packPages(core, pages, addressOf);
    packGates(core, rows, nodes);
    core.numbers('page', nodes.isPage);
    core.numbers('evidence', nodes.evidence);
    core.numbers('incoming_links', counts.incomingLinks);
    core.numbers('incoming_followed', counts.incomingFollowed);
    core.numbers('incoming_pages', counts.incomingPages);
    core.numbers('outgoing_links', counts.outgoingLinks);
    core.numbers('block_pages', counts.blockPages);
    core.numbers('orphan', orphans(nodes, counts, ways.depth, complete));
    core.numbers('folder_depth', urls.map(folderDepth));
    core.choices('section', urls.map(sectionOf));
    packDoubles(core, nodes, facts);
    packSitemaps(core, rows, nodes);
    packEvidence(text, rows, nodes);
    core.numbers('address', nodes.addressOf);
    packBlocks(core, graphPart, rows, links, addresses);
    core.numbers('depth', ways.depth);
    core.numbers('parent', ways.parent);
    core.numbers('way_block', ways.wayBlock);
    core.numbers('way_link', ways.wayLink);
    const given = givenColumns(urls, imports);
    given.forEach(({ head, values }) => core.fractions(head.column, values));
    packTexts(text, urls, pages);
    // What canonicals and redirects point at outside the site is needed to show a page; other addresses only with links.
    text.texts('other_url', addresses.others);

    const packed = new PackedSurvey({
        count,
        start: info.start,
        starts,
        state: info.state,
        cut: info.cut,
        complete,
        hasSitemap: rows.files.some((file) => file.kind === 'sitemap' && file.entries !== null),
        files: rows.files.map(({ kind, url, status, note, entries }) => ({ kind, url, status, note, entries })),
        given: given.map(({ head }) => head),
        nearText: NEAR_TEXT,
        templates: [],
        leak: 0,
    });
    packed.add('core', { head: null, columns: core.columns });
    packed.add('text', { head: null, columns: text.columns });
    packed.add('links', { head: null, columns: graphPart.columns });
    const { templates, of } = groupTemplates(packed);
    packed.head.templates.push(...templates);
    core.numbers('block_template', of);
    packed.add('core', { head: null, columns: core.columns });
    for (const [name, column] of measureColumns(packed)) core.columns.set(name, column);
    packed.add('core', { head: null, columns: core.columns });
    const parts = new Map<Part, Sections>([
        ['core', { head: packed.head, columns: core.columns }],
        ['text', { head: null, columns: text.columns }],
        ['links', { head: null, columns: graphPart.columns }],
    ]);
    return { survey: packed, parts };
}

/** What was read of each node, but for its texts. */
function packPages(
    core: PartMaker,
    pages: readonly (PageRow | null)[],
    addressOf: (id: number | null | undefined) => number,
): void {
    const column = (name: string, of: (page: PageRow | null) => number): void => {
        const values = new Float64Array(pages.length);
        for (let node = 0; node < values.length; node++) values[node] = of(pages[node]!);
        core.numbers(name, values);
    };
    column('status', (page) => page?.status ?? 0);
    column('not_read', (page) =>
        page === null ? NOT_SETTLED : page.notRead === '' ? 0 : 1 + NOT_READ_REASONS.indexOf(page.notRead),
    );
    column('redirect', (page) => addressOf(page?.redirectTo));
    column('refresh', (page) => addressOf(page?.instantRefresh));
    column('words', (page) => page?.words ?? -1);
    column('bytes', (page) => page?.bytes ?? -1);
    column('milliseconds', (page) => page?.milliseconds ?? -1);
    core.fractions(
        'read_at',
        Float64Array.from(pages, (page) => page?.readAt ?? NaN),
    );
    column('seq', (page) => page?.seq ?? -1);
    column('noindex', (page) => (page?.noindex ? 1 : 0));
    column('nofollow', (page) => (page?.nofollow ? 1 : 0));
    column('robots_allowed', (page) => (page?.robotsAllowed == null ? -1 : Number(page.robotsAllowed)));
    column('credentials', (page) => page?.credentialsRemoved ?? 0);
    const words = (name: string, of: (page: PageRow) => string): void =>
        core.choices(
            name,
            pages.map((page) => (page === null ? '' : of(page))),
        );
    words('content_type', (page) => (page.status === null ? '' : page.mediaType));
    words('language', (page) => page.language);
    const canonicalStart = [0];
    const canonicals: number[] = [];
    for (const page of pages) {
        for (const id of page?.canonicals ?? []) canonicals.push(addressOf(id));
        canonicalStart.push(canonicals.length);
    }
    core.numbers('canonical_start', canonicalStart);
    core.numbers('canonical', canonicals);
}

function packTexts(text: PartMaker, urls: readonly string[], pages: readonly (PageRow | null)[]): void {
    const words = (of: (page: PageRow) => string): string[] => pages.map((page) => (page === null ? '' : of(page)));
    text.texts('url', urls);
    text.texts(
        'title',
        words((page) => page.title),
    );
    text.texts(
        'h1',
        words((page) => page.h1),
    );
    text.texts(
        'description',
        words((page) => page.description),
    );
    for (const [name, of] of [
        ['meta_robots', (page: PageRow) => page.metaRobots],
        ['x_robots_tag', (page: PageRow) => page.xRobotsTag],
        ['robots_rule', (page: PageRow) => page.robotsRule],
        ['failure', (page: PageRow) => page.failure],
        ['type_note', (page: PageRow) => page.typeNote],
        ['body_trouble', (page: PageRow) => page.bodyTrouble],
        ['noindex_reason', (page: PageRow) => page.noindexReason],
    ] as const) {
        text.choices(name, words(of));
    }
}

/** Where each node stops, and every gate it fails. Reasons are told from the other columns when they are asked for. */
function packGates(core: PartMaker, rows: RowColumns, { count, urls, pages }: SurveyNodes): void {
    const gates = new Uint8Array(count);
    const failedGates = new Uint8Array(count);
    const urlOf = (id: number): string => rows.urls[id] ?? '';
    for (let node = 0; node < count; node++) {
        const page = pages[node] ?? null;
        const { gate, failed } = passGates({
            url: urls[node]!,
            internal: true,
            robotsAllowed: page?.robotsAllowed ?? null,
            robotsRule: page?.robotsRule ?? '',
            status: page?.status ?? null,
            failure: page?.failure ?? '',
            redirectTo: page?.redirectTo == null ? '' : urlOf(page.redirectTo),
            instantRefresh: page?.instantRefresh == null ? '' : urlOf(page.instantRefresh),
            mediaType: page?.mediaType ?? '',
            noindex: page?.noindex ?? false,
            noindexReason: page?.noindexReason ?? '',
            canonicals: (page?.canonicals ?? []).map(urlOf),
        });
        gates[node] = gate === null ? GATE_UNKNOWN : gate === 'indexable' ? GATE_INDEXABLE : GATES.indexOf(gate);
        for (const item of failed) failedGates[node]! |= 1 << GATES.indexOf(item.gate);
    }
    core.numbers('gate', gates);
    core.numbers('failed_gates', failedGates);
}

/** Kind of orphan of each node; unknown where something was left unread because of a limit or a stop. */
function orphans(nodes: SurveyNodes, counts: LinkCounts, depth: Int32Array, complete: boolean): Int8Array {
    const kinds = new Int8Array(nodes.count).fill(complete ? ORPHAN.no : ORPHAN.unknown);
    for (let node = 0; complete && node < nodes.count; node++) {
        if (!isReadHtml(nodes.pages[node] ?? null) || depth[node] !== UNREACHED) continue;
        kinds[node] = counts.incomingPages[node] === 0 ? ORPHAN.strict : ORPHAN.adrift;
    }
    return kinds;
}

function packDoubles(core: PartMaker, { addressOf, isPage, pages }: SurveyNodes, facts: TextFacts): void {
    const ids = [...addressOf];
    const of = (key: (id: number, node: number) => string | undefined): (string | null)[] =>
        ids.map((id, node) => (isPage[node] === 1 ? key(id, node) || null : null));
    core.numbers(
        'main_words',
        ids.map((id) => facts.main.get(id)?.words ?? -1),
    );
    core.numbers('same_body', groupsOf(of((id) => facts.body.get(id))));
    core.numbers('same_text', groupsOf(of((id) => facts.main.get(id)?.hash)));
    core.numbers('same_title', groupsOf(of((_, node) => pages[node]?.title.trim().toLowerCase())));
    core.numbers('same_h1', groupsOf(of((_, node) => pages[node]?.h1.trim().toLowerCase())));
    core.numbers(
        'near_text',
        nearDoubles(ids.map((id, node) => (isPage[node] === 1 ? (facts.main.get(id)?.signature ?? null) : null))),
    );
}

/** Sitemaps that list each page, by number of the file. */
function packSitemaps(core: PartMaker, rows: RowColumns, { count, nodeOf }: SurveyNodes): void {
    const files = new TextNumbers();
    const listed: number[][] = Array.from({ length: count }, () => []);
    for (const row of rows.evidence) {
        if (row.evidence !== 'sitemap') continue;
        const node = nodeOf[row.address] ?? -1;
        const file = files.of(row.source);
        if (node !== -1 && !listed[node]!.includes(file)) listed[node]!.push(file);
    }
    const start = [0];
    const file: number[] = [];
    for (const own of listed) {
        file.push(...own);
        start.push(file.length);
    }
    core.numbers('sitemap_start', start);
    core.numbers('sitemap', file);
    core.texts('sitemap_words', files.texts);
}

/** What each piece of evidence says of a page, for its sheet. */
function packEvidence(text: PartMaker, rows: RowColumns, { count, nodeOf }: SurveyNodes): void {
    const found = rows.evidence
        .map((row) => ({ node: nodeOf[row.address] ?? -1, row }))
        .filter(({ node }) => node !== -1)
        .sort((a, b) => a.node - b.node);
    const start = new Uint32Array(count + 1);
    for (const { node } of found) start[node + 1]!++;
    for (let node = 0; node < count; node++) start[node + 1]! += start[node]!;
    text.numbers('evidence_row_start', start);
    text.choices(
        'evidence_row_kind',
        found.map(({ row }) => row.evidence),
    );
    text.choices(
        'evidence_row_source',
        found.map(({ row }) => row.source),
    );
    text.numbers(
        'evidence_row_line',
        found.map(({ row }) => row.line),
    );
    text.choices(
        'evidence_row_lastmod',
        found.map(({ row }) => row.lastmod),
    );
}
