/** What was read of each page, column by column. How one is declared: `column.ts`. */
import { folderDepth, sectionOf } from '../address/section.ts';
import { evidenceBit } from '../evidence/evidence.ts';
import { GATES } from '../gates/gates.ts';
import { NOT_READ_REASONS, type PageRow } from '../survey/survey-rows.ts';
import { factColumn, marked, present } from './column.ts';
import { canonicalLikeness, madeUpLikeness, nearText, sameBy, sameText, sameVariant } from './double-facts.ts';
import { GATE_INDEXABLE, gateOf, gatesOf } from './gate-facts.ts';
import { NOT_SETTLED, reasonCode, reasonOf } from './reason-codes.ts';
import { each } from './survey-facts.ts';

/** A text of what was settled; empty while it waits. */
const text = <T extends string>(of: (page: PageRow) => T) => each((page): T | '' => (page === null ? '' : of(page)));

export const FACT_COLUMNS = [
    factColumn({
        id: 'url',
        part: 'text',
        form: 'texts',
        from: ({ urls }) => urls,
        field: { kind: 'text', isUrl: true, name: 'url', what: 'The whole address.', csv: 1 },
    }),
    factColumn({
        id: 'section',
        part: 'core',
        form: 'choices',
        from: ({ urls }) => urls.map(sectionOf),
        field: {
            kind: 'choice',
            name: 'section',
            what: 'First folder of the path, / for pages at the root.',
            csv: 12,
        },
    }),
    factColumn({
        id: 'title',
        part: 'text',
        form: 'texts',
        from: text((page) => page.title),
        field: { kind: 'text', ofDocuments: true, name: 'title', what: 'Text of the title element.', csv: 13 },
    }),
    factColumn({
        id: 'h1',
        part: 'text',
        form: 'texts',
        from: text((page) => page.h1),
        field: { kind: 'text', ofDocuments: true, name: 'h1', what: 'Text of the first h1.', csv: 14 },
    }),
    factColumn({
        id: 'description',
        part: 'text',
        form: 'texts',
        from: text((page) => page.description),
        field: {
            kind: 'text',
            ofDocuments: true,
            name: 'description',
            what: 'Text of the meta description.',
            csv: 27,
        },
    }),
    factColumn({
        id: 'status',
        part: 'core',
        form: 'numbers',
        from: each((page) => page?.status ?? 0),
        field: {
            kind: 'number',
            unknown: 0,
            name: 'status',
            what: 'Status code; unknown for what was not read.',
            csv: 2,
        },
        flags: [
            { name: 'read', what: 'Has a status.', isSo: (status) => status !== 0 },
            { name: 'redirect', what: 'Answered with a redirect.', isSo: (status) => status >= 300 && status < 400 },
            { name: 'error', what: 'Answered with an error status, 400 or above.', isSo: (status) => status >= 400 },
        ],
    }),
    factColumn({
        id: 'content_type',
        part: 'core',
        form: 'choices',
        from: text((page) => (page.status === null ? '' : page.contentType)),
        field: { kind: 'choice', name: 'content type', what: 'Media type after sniffing.', csv: 3 },
    }),
    factColumn({
        id: 'gate',
        part: 'core',
        form: 'numbers',
        from: (facts) => gatesOf(facts).gate,
        field: {
            kind: 'choice',
            words: ['', ...GATES, 'indexable'],
            wordOf: (code) => gateOf(code) ?? '',
            name: 'gate',
            what: 'The gate a URL stops at, or indexable.',
            csv: 6,
        },
        flags: [
            { name: 'indexable', what: 'Passes all seven gates.', isSo: (gate) => gate === GATE_INDEXABLE },
            { name: 'stopped', what: 'Stops at some gate.', isSo: (gate) => gate < GATES.length },
        ],
    }),
    factColumn({ id: 'failed_gates', part: 'core', form: 'numbers', from: (facts) => gatesOf(facts).failed }),
    factColumn({
        id: 'page',
        part: 'core',
        form: 'numbers',
        from: ({ isPage }) => isPage,
        flags: [marked('page', 'Answered 200 with HTML.')],
    }),
    factColumn({
        id: 'words',
        part: 'core',
        form: 'numbers',
        from: each((page) => page?.words ?? -1),
        field: { kind: 'number', unknown: -1, name: 'words', what: 'Words of the body text.', csv: 21 },
    }),
    factColumn({
        id: 'main_words',
        part: 'core',
        form: 'numbers',
        from: ({ addressIds, texts }) => Array.from(addressIds, (id) => texts.main.get(id)?.words ?? -1),
        field: {
            kind: 'number',
            unknown: -1,
            name: 'main words',
            what: 'Words of the main text, without shared blocks.',
            csv: 36,
        },
    }),
    factColumn({
        id: 'folder_depth',
        part: 'core',
        form: 'numbers',
        from: ({ urls }) => urls.map(folderDepth),
        field: { kind: 'number', unknown: -1, name: 'folder depth', what: 'Folders the address lies in.', csv: 29 },
    }),
    factColumn({
        id: 'bytes',
        part: 'core',
        form: 'numbers',
        from: each((page) => page?.bytes ?? -1),
        field: { kind: 'number', unknown: -1, name: 'bytes', what: 'Size of the body, unpacked.', csv: 30 },
    }),
    factColumn({
        id: 'milliseconds',
        part: 'core',
        form: 'numbers',
        from: each((page) => page?.milliseconds ?? -1),
        field: {
            kind: 'number',
            unknown: -1,
            name: 'milliseconds',
            what: 'From asking to the last byte.',
            csv: 31,
        },
    }),
    factColumn({
        id: 'seq',
        publicId: 'order_read',
        part: 'core',
        form: 'numbers',
        from: each((page) => page?.orderRead ?? -1),
        field: { kind: 'number', unknown: -1, name: 'order read', what: 'Place in the order of asking, from 0.' },
    }),
    factColumn({
        id: 'read_at',
        part: 'core',
        form: 'fractions',
        from: each((page) => page?.readAt ?? NaN),
        field: { kind: 'date', unknown: NaN, name: 'read at', what: 'When it was read: a day, as 2026-03-31.' },
    }),
    factColumn({
        id: 'language',
        part: 'core',
        form: 'choices',
        from: text((page) => page.language),
        field: { kind: 'choice', name: 'language', what: 'Language the page says it is in.', csv: 28 },
    }),
    factColumn({
        id: 'not_read',
        part: 'core',
        form: 'numbers',
        from: each(reasonCode),
        field: {
            kind: 'choice',
            words: ['', ...NOT_READ_REASONS, 'waiting'],
            wordOf: (code) => (code === NOT_SETTLED ? 'waiting' : (reasonOf(code) ?? '')),
            name: 'reason',
            what: 'Why there is no status.',
            csv: 24,
        },
    }),
    factColumn({
        id: 'evidence',
        part: 'core',
        form: 'numbers',
        from: ({ evidence }) => evidence,
        flags: [
            { name: 'in sitemap', what: 'A sitemap lists it.', isSo: (mask) => (mask & evidenceBit('sitemap')) !== 0 },
        ],
    }),
    factColumn({
        id: 'redirect',
        publicId: 'redirect_to',
        part: 'core',
        form: 'numbers',
        from: ({ pages, addressOf }) => pages.map((page) => addressOf(page?.redirectTo)),
        field: { kind: 'address', name: 'redirect to', what: 'Where it redirects, the next hop.', csv: 4 },
    }),
    factColumn({
        id: 'refresh',
        part: 'core',
        form: 'numbers',
        from: ({ pages, addressOf }) => pages.map((page) => addressOf(page?.instantRefresh)),
    }),
    factColumn({
        id: 'meta_robots',
        part: 'text',
        form: 'choices',
        from: text((page) => page.metaRobots),
        field: { kind: 'text', name: 'meta robots', what: 'Content of the robots metas in the head.', csv: 16 },
    }),
    factColumn({
        id: 'x_robots_tag',
        part: 'text',
        form: 'choices',
        from: text((page) => page.xRobotsTag),
        field: {
            kind: 'text',
            name: 'x robots tag',
            what: 'Directives of X-Robots-Tag headers that concern our agent.',
            csv: 26,
        },
    }),
    factColumn({
        id: 'robots_rule',
        part: 'text',
        form: 'problems',
        from: text((page) => page.robotsRule),
        field: { kind: 'text', name: 'robots rule', what: 'The rule of robots.txt that decides.' },
    }),
    factColumn({
        id: 'failure',
        part: 'text',
        form: 'problems',
        from: text((page) => page.failure),
        field: { kind: 'text', name: 'failure', what: 'Why asking gave no answer.' },
    }),
    factColumn({
        id: 'type_note',
        part: 'text',
        form: 'problems',
        from: text((page) => page.typeNote),
        field: { kind: 'text', name: 'type note', what: 'What is odd about the content type as sent.', csv: 32 },
    }),
    factColumn({
        id: 'body_trouble',
        part: 'text',
        form: 'problems',
        from: text((page) => page.bodyTrouble),
        field: { kind: 'text', name: 'body trouble', what: 'Why the body is not whole.', csv: 33 },
    }),
    factColumn({
        id: 'markup',
        part: 'text',
        form: 'problems',
        from: text((page) => page.markup ?? ''),
        isKnown: ({ pages, isPage }) => pages.some((page, node) => isPage[node] === 1 && page?.markup !== null),
    }),
    /** How much of its main text is that of the page its canonical names, in hundredths; -1 where it is not known. */
    factColumn({ id: 'canonical_likeness', part: 'core', form: 'numbers', from: canonicalLikeness }),
    /** How much of its text is what its host answers for what is not there, in hundredths; -1 where it is not known. */
    factColumn({ id: 'made_up_likeness', part: 'core', form: 'numbers', from: madeUpLikeness }),
    factColumn({
        id: 'noindex_reason',
        part: 'text',
        form: 'problems',
        from: text((page) => page.noindexReason),
    }),
    factColumn({
        id: 'noindex',
        part: 'core',
        form: 'numbers',
        from: each((page) => Number(page?.noindex ?? false)),
        flags: [marked('noindex', 'Says noindex to our agent.')],
    }),
    factColumn({
        id: 'nofollow',
        part: 'core',
        form: 'numbers',
        from: each((page) => Number(page?.nofollow ?? false)),
        flags: [marked('nofollow', 'Says nofollow of all its links.')],
    }),
    factColumn({
        id: 'robots_allowed',
        part: 'core',
        form: 'numbers',
        from: each((page) => (page?.robotsAllowed == null ? -1 : Number(page.robotsAllowed))),
        flags: [
            { name: 'closed by robots', what: 'robots.txt closes it to our agent.', isSo: (allowed) => allowed === 0 },
        ],
    }),
    factColumn({
        id: 'credentials',
        part: 'core',
        form: 'numbers',
        from: each((page) => page?.credentialsRemoved ?? 0),
    }),
    factColumn({
        id: 'same_body',
        part: 'core',
        form: 'numbers',
        from: (facts) => sameBy(facts, (id) => facts.texts.body.get(id)),
        flags: [present('same body', 'Another page has the very same body.')],
    }),
    factColumn({
        id: 'same_text',
        part: 'core',
        form: 'numbers',
        from: (facts) => sameBy(facts, (id) => facts.texts.main.get(id)?.hash),
        flags: [present('same text', 'Another page has the same main text.')],
    }),
    /** Group of pages that are variants of each other with one text; -1 for none. */
    factColumn({ id: 'same_variant', part: 'core', form: 'numbers', from: sameVariant }),
    factColumn({
        id: 'near_text',
        part: 'core',
        form: 'numbers',
        from: nearText,
        flags: [present('near text', 'Another page has nearly the same main text.')],
    }),
    factColumn({
        id: 'same_title',
        part: 'core',
        form: 'numbers',
        from: (facts) => sameText(facts, (page) => page.title),
        flags: [present('same title', 'Another page has the same title.')],
    }),
    factColumn({
        id: 'same_h1',
        part: 'core',
        form: 'numbers',
        from: (facts) => sameText(facts, (page) => page.h1),
        flags: [present('same h1', 'Another page has the same h1.')],
    }),
    /** Number of its address in the rows. */
    factColumn({ id: 'address', part: 'core', form: 'numbers', from: ({ addressIds }) => addressIds }),
] as const;
