/** A survey's rows, measured -> the packed survey. Made when a survey ends, when evidence is added, and while one runs. */
import { sectionOf, folderDepth } from '../address/section.ts';
import { groupsOf, nearDoubles, NEAR_TEXT } from '../doubles/near-doubles.ts';
import type { Signature } from '../doubles/signature.ts';
import type { EvidenceImport } from '../evidence/imports.ts';
import { GATES } from '../gates/gates.ts';
import { isFollowed, LINK_KINDS, REGIONS } from '../page/links.ts';
import { isReadHtml, type MeasuredSurvey } from '../survey/measured-survey.ts';
import { NOT_READ_REASONS, SELF } from '../survey/survey-rows.ts';
import { templatesOf } from '../survey/templates.ts';
import { GATE_INDEXABLE, GATE_UNKNOWN, NOT_SETTLED } from './codes.ts';
import { givenColumns } from './given-columns.ts';
import { measureColumns } from './measure-columns.ts';
import { NO_ADDRESS, PackedSurvey, TO_SELF, type Part } from './packed-survey.ts';
import { narrowed, type NumberColumn, type Sections } from './sections.ts';
import { packTexts, TextNumbers } from './text-table.ts';

/** What is told of the texts of pages, by address number; pages without text are missing. */
export interface TextFacts {
    /** Hash of the body as received. */
    body: Map<number, string>;
    /** Hash, words and signature of the main text. */
    main: Map<number, { hash: string; words: number; signature: Signature | null }>;
}

export const NO_TEXT_FACTS: TextFacts = { body: new Map(), main: new Map() };

/** A growing part. */
class PartMaker {
    readonly columns = new Map<string, NumberColumn>();

    numbers(name: string, values: ArrayLike<number>): void {
        this.columns.set(name, narrowed(values));
    }

    /** Fractions, or numbers that may be missing (NaN). */
    fractions(name: string, values: Float64Array): void {
        this.columns.set(name, values);
    }

    texts(name: string, values: readonly string[]): void {
        const { bytes, ends } = packTexts(values);
        this.columns.set(`${name}:bytes`, bytes);
        this.columns.set(`${name}:ends`, narrowed(ends));
    }

    /** Texts of which many are the same: their number per entry, and each once. */
    choices(name: string, values: readonly string[]): void {
        const numbers = new TextNumbers();
        this.numbers(
            name,
            values.map((value) => numbers.of(value)),
        );
        this.texts(`${name}_words`, numbers.texts);
    }
}

/** Packs a measured survey into its parts. O(rows + link occurrences), and the measures of `measure-columns.ts`. */
export function packSurvey(
    survey: MeasuredSurvey,
    facts: TextFacts = NO_TEXT_FACTS,
    imports: readonly EvidenceImport[] = [],
): { survey: PackedSurvey; parts: Map<Part, Sections> } {
    const { count, pages, urls } = survey;
    const addresses = numberAddresses(survey);
    const core = new PartMaker();
    const text = new PartMaker();
    const links = new PartMaker();
    const each = (of: (page: MeasuredSurvey['pages'][number], node: number) => number): number[] =>
        pages.map((page, node) => of(page, node));
    const words = (of: (page: NonNullable<MeasuredSurvey['pages'][number]>) => string): string[] =>
        pages.map((page) => (page === null ? '' : of(page)));
    const addressOf = (id: number | null | undefined): number =>
        id === null || id === undefined ? NO_ADDRESS : (addresses.of.get(id) ?? NO_ADDRESS);

    core.numbers(
        'status',
        each((page) => page?.status ?? 0),
    );
    core.numbers(
        'not_read',
        each((page) =>
            page === null ? NOT_SETTLED : page.notRead === '' ? 0 : 1 + NOT_READ_REASONS.indexOf(page.notRead),
        ),
    );
    core.numbers(
        'page',
        each((page) => (isReadHtml(page) ? 1 : 0)),
    );
    core.numbers(
        'redirect',
        each((page) => addressOf(page?.redirectTo)),
    );
    core.numbers(
        'refresh',
        each((page) => addressOf(page?.instantRefresh)),
    );
    core.numbers(
        'words',
        each((page) => page?.words ?? -1),
    );
    core.numbers(
        'bytes',
        each((page) => page?.bytes ?? -1),
    );
    core.numbers(
        'milliseconds',
        each((page) => page?.milliseconds ?? -1),
    );
    core.fractions('read_at', Float64Array.from(each((page) => page?.readAt ?? NaN)));
    core.numbers(
        'seq',
        each((page) => page?.seq ?? -1),
    );
    core.numbers(
        'noindex',
        each((page) => (page?.noindex ? 1 : 0)),
    );
    core.numbers(
        'nofollow',
        each((page) => (page?.nofollow ? 1 : 0)),
    );
    core.numbers(
        'robots_allowed',
        each((page) => (page?.robotsAllowed == null ? -1 : Number(page.robotsAllowed))),
    );
    core.numbers(
        'credentials',
        each((page) => page?.credentialsRemoved ?? 0),
    );
    core.numbers(
        'gate',
        survey.gates.map(({ gate }) =>
            gate === null ? GATE_UNKNOWN : gate === 'indexable' ? GATE_INDEXABLE : GATES.indexOf(gate),
        ),
    );
    core.numbers(
        'failed_gates',
        survey.gates.map(({ failed }) => failed.reduce((mask, { gate }) => mask | (1 << GATES.indexOf(gate)), 0)),
    );
    core.numbers('evidence', survey.evidence);
    core.numbers('incoming_links', survey.incomingLinks);
    core.numbers('incoming_followed', survey.incomingFollowed);
    core.numbers('incoming_pages', survey.incomingPages);
    core.numbers('outgoing_links', survey.outgoingLinks);
    core.numbers('orphan', survey.orphan);
    core.numbers('folder_depth', urls.map(folderDepth));
    core.choices('section', urls.map(sectionOf));
    core.choices(
        'content_type',
        words((page) => (page.status === null ? '' : page.mediaType)),
    );
    core.choices(
        'language',
        words((page) => page.language),
    );
    const canonicalStart = [0];
    const canonicals: number[] = [];
    for (const page of pages) {
        for (const id of page?.canonicals ?? []) canonicals.push(addressOf(id));
        canonicalStart.push(canonicals.length);
    }
    core.numbers('canonical_start', canonicalStart);
    core.numbers('canonical', canonicals);
    addDoubles(core, survey, facts);
    addSitemaps(core, survey);
    addEvidence(text, survey);
    core.numbers('address', survey.addressOf);
    packLinksByBlock(core, links, survey, addresses);
    const given = givenColumns(urls, imports);
    given.forEach(({ head, values }) => core.fractions(head.column, values));

    text.texts('url', urls);
    for (const [name, of] of [
        ['title', (page: { title: string }) => page.title],
        ['h1', (page: { h1: string }) => page.h1],
        ['description', (page: { description: string }) => page.description],
    ] as const) {
        text.texts(name, words(of));
    }
    for (const [name, of] of [
        ['meta_robots', (page: { metaRobots: string }) => page.metaRobots],
        ['x_robots_tag', (page: { xRobotsTag: string }) => page.xRobotsTag],
        ['robots_rule', (page: { robotsRule: string }) => page.robotsRule],
        ['failure', (page: { failure: string }) => page.failure],
        ['type_note', (page: { typeNote: string }) => page.typeNote],
        ['body_trouble', (page: { bodyTrouble: string }) => page.bodyTrouble],
        ['noindex_reason', (page: { noindexReason: string }) => page.noindexReason],
    ] as const) {
        text.choices(name, words(of));
    }
    // What canonicals and redirects point at outside the site is needed to show a page; other addresses only with links.
    text.texts('other_url', addresses.others);

    const packed = new PackedSurvey({
        count,
        start: survey.info.start,
        starts: [survey.info.start, ...(survey.info.starts ?? [])]
            .map((url) => urls.indexOf(url))
            .filter((node) => node !== -1),
        state: survey.info.state,
        cut: survey.info.cut,
        complete: survey.complete,
        hasSitemap: survey.hasSitemap,
        given: given.map(({ head }) => head),
        nearText: NEAR_TEXT,
        templates: [],
        leak: 0,
    });
    addTemplates(core, packed, survey);
    packed.add('core', { head: null, columns: core.columns });
    packed.add('text', { head: null, columns: text.columns });
    packed.add('links', { head: null, columns: links.columns });
    for (const [name, column] of measureColumns(packed)) core.columns.set(name, column);
    packed.add('core', { head: null, columns: core.columns });
    const parts = new Map<Part, Sections>([
        ['core', { head: packed.head, columns: core.columns }],
        ['text', { head: null, columns: text.columns }],
        ['links', { head: null, columns: links.columns }],
    ]);
    return { survey: packed, parts };
}

interface Addresses {
    /** Address number of the rows -> address of the packed survey. */
    of: Map<number, number>;
    /** URLs behind the pages. */
    others: string[];
    /** Address numbers of the rows of those. */
    otherIds: number[];
}

/** Pages first, in their order; then every other address that something points at. */
function numberAddresses(survey: MeasuredSurvey): Addresses {
    const of = new Map<number, number>();
    survey.addressOf.forEach((id, node) => of.set(id, node));
    const others: string[] = [];
    const otherIds: number[] = [];
    for (const { id, url } of survey.rows.addresses) {
        if (of.has(id)) continue;
        of.set(id, survey.count + others.length);
        others.push(url);
        otherIds.push(id);
    }
    return { of, others, otherIds };
}

function addDoubles(core: PartMaker, survey: MeasuredSurvey, facts: TextFacts): void {
    const ids = [...survey.addressOf];
    const isPage = ids.map((_, node) => isReadHtml(survey.pages[node] ?? null));
    const of = (key: (id: number, node: number) => string | undefined): (string | null)[] =>
        ids.map((id, node) => (isPage[node] ? key(id, node) || null : null));
    core.numbers(
        'main_words',
        ids.map((id) => facts.main.get(id)?.words ?? -1),
    );
    core.numbers('same_body', groupsOf(of((id) => facts.body.get(id))));
    core.numbers('same_text', groupsOf(of((id) => facts.main.get(id)?.hash)));
    core.numbers('same_title', groupsOf(of((_, node) => survey.pages[node]?.title.trim().toLowerCase())));
    core.numbers('same_h1', groupsOf(of((_, node) => survey.pages[node]?.h1.trim().toLowerCase())));
    core.numbers(
        'near_text',
        nearDoubles(ids.map((id, node) => (isPage[node] ? (facts.main.get(id)?.signature ?? null) : null))),
    );
}

/** Sitemaps that list each page, by number of the file. */
function addSitemaps(core: PartMaker, survey: MeasuredSurvey): void {
    const files = new TextNumbers();
    const listed: number[][] = Array.from({ length: survey.count }, () => []);
    for (const row of survey.rows.evidence) {
        if (row.evidence !== 'sitemap') continue;
        const node = survey.nodeOf[row.address] ?? -1;
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
function addEvidence(text: PartMaker, survey: MeasuredSurvey): void {
    const rows = survey.rows.evidence
        .map((row) => ({ node: survey.nodeOf[row.address] ?? -1, row }))
        .filter(({ node }) => node !== -1)
        .sort((a, b) => a.node - b.node);
    const start = new Uint32Array(survey.count + 1);
    for (const { node } of rows) start[node + 1]!++;
    for (let node = 0; node < survey.count; node++) start[node + 1]! += start[node]!;
    text.numbers('evidence_row_start', start);
    text.choices(
        'evidence_row_kind',
        rows.map(({ row }) => row.evidence),
    );
    text.choices(
        'evidence_row_source',
        rows.map(({ row }) => row.source),
    );
    text.numbers(
        'evidence_row_line',
        rows.map(({ row }) => row.line),
    );
    text.choices(
        'evidence_row_lastmod',
        rows.map(({ row }) => row.lastmod),
    );
}

function packLinksByBlock(core: PartMaker, links: PartMaker, survey: MeasuredSurvey, addresses: Addresses): void {
    const { rows, count, pages, nodeOf } = survey;
    const blockNumber = new Map<number, number>();
    const listNumber = new Map<number, number>();
    rows.blocks.forEach(({ id }, index) => blockNumber.set(id, index));
    rows.lists.forEach(({ id }, index) => listNumber.set(id, index));

    const start = [0];
    const block: number[] = [];
    const layout: number[] = [];
    const line: number[] = [];
    const blockPages = new Uint32Array(rows.blocks.length);
    const lastPage = new Int32Array(rows.blocks.length).fill(-1);
    for (let node = 0; node < count; node++) {
        const address = survey.addressOf[node]!;
        const counts = isReadHtml(pages[node] ?? null);
        for (let at = survey.firstBlock[node]!; rows.pageBlocks[at]?.page === address; at++) {
            const item = rows.pageBlocks[at]!;
            const number = blockNumber.get(item.block);
            if (number === undefined) continue;
            block.push(number);
            layout.push(item.layout);
            line.push(item.line);
            if (counts && lastPage[number] !== node) {
                lastPage[number] = node;
                blockPages[number]!++;
            }
        }
        start.push(block.length);
    }
    core.numbers('page_block_start', start);
    core.numbers('page_block', block);
    links.numbers('page_block_layout', layout);
    links.numbers('page_block_line', line);
    core.numbers('block_pages', blockPages);
    core.numbers(
        'block_region',
        rows.blocks.map(({ region }) => REGIONS.indexOf(region)),
    );
    core.numbers(
        'block_list',
        rows.blocks.map(({ list }) => listNumber.get(list) ?? 0),
    );
    links.choices(
        'block_place',
        rows.blocks.map(({ place }) => place),
    );
    links.texts(
        'block_name',
        rows.blocks.map(({ name }) => name),
    );

    const listStart = [0];
    const target: number[] = [];
    const kind: number[] = [];
    const follow: number[] = [];
    const anchor: string[] = [];
    const name: string[] = [];
    const rel: string[] = [];
    const fragment: string[] = [];
    const written: string[] = [];
    for (const list of rows.lists) {
        for (const link of list.links) {
            target.push(
                link.target === null
                    ? NO_ADDRESS
                    : link.target === SELF
                      ? TO_SELF
                      : (addresses.of.get(link.target) ?? NO_ADDRESS),
            );
            kind.push(LINK_KINDS.indexOf(link.kind));
            follow.push(isFollowed(link.rel, false) ? 1 : 0);
            anchor.push(link.anchor);
            name.push(link.name);
            rel.push(link.rel);
            fragment.push(link.fragment);
            written.push(link.text);
        }
        listStart.push(target.length);
    }
    core.numbers('list_start', listStart);
    core.numbers('link_target', target);
    core.numbers('link_kind', kind);
    core.numbers('link_follow', follow);
    links.choices('link_anchor', anchor);
    links.choices('link_name', name);
    links.choices('link_rel', rel);
    links.choices('link_fragment', fragment);
    links.choices('link_text', written);
    links.numbers(
        'other_internal',
        addresses.otherIds.map((id) => (survey.internalById.get(id) ? 1 : 0)),
    );
    links.numbers(
        'other_status',
        addresses.otherIds.map((id) => survey.checkById.get(id)?.status ?? 0),
    );
    // How the shortest path enters each page: which of its parent's blocks, and which link of the block's list.
    const wayBlock = new Int32Array(count).fill(-1);
    const wayLink = new Int32Array(count).fill(-1);
    for (let node = 0; node < count; node++) {
        const parent = survey.depths.parent[node]!;
        const edge = survey.depths.enteredBy[node]!;
        if (parent === -1 || edge === -1 || survey.depths.depth[parent] === survey.depths.depth[node]) continue;
        const row = survey.edges.pageBlock[edge]!;
        const at = start[nodeOf[rows.pageBlocks[row]!.page]!]! + (row - survey.firstBlock[parent]!);
        wayBlock[node] = at;
        wayLink[node] = survey.edges.link[edge]!;
    }
    core.numbers('depth', survey.depths.depth);
    core.numbers('parent', survey.depths.parent);
    core.numbers('way_block', wayBlock);
    core.numbers('way_link', wayLink);
}

/** The template of each block, and the head's list of them. */
function addTemplates(core: PartMaker, packed: PackedSurvey, survey: MeasuredSurvey): void {
    const blockNumber = new Map(survey.rows.blocks.map(({ id }, index) => [id, index]));
    const template = new Int32Array(survey.rows.blocks.length).fill(-1);
    for (const { name, region, place, pages, blocks } of templatesOf(survey)) {
        for (const block of blocks) template[blockNumber.get(block)!] = packed.head.templates.length;
        packed.head.templates.push({ name, region, place, pages: pages.length, holds: 0 });
    }
    core.numbers('block_template', template);
}
