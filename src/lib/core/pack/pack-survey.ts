/** The rows of a survey -> the packed survey. Made when a survey ends, when evidence is added, and while one runs. */
import type { Part } from '../columns/column.ts';
import { FACT_COLUMNS } from '../columns/fact-columns.ts';
import { NO_TEXT_FACTS, type SurveyFacts, type TextFacts, type TextTraits } from '../columns/survey-facts.ts';
import { originOf } from '../address/address.ts';
import { readSignature } from '../doubles/signature.ts';
import { NEAR_TEXT } from '../doubles/near-doubles.ts';
import type { EvidenceList } from '../evidence/evidence-lists.ts';
import { isLost } from '../page/fragments.ts';
import { NO_ADDRESS } from '../model/graph-model.ts';
import { FACTS_VERSION, PackedSurvey } from '../packed/packed-survey.ts';
import type { Sections } from '../packed/sections.ts';
import { TextNumbers } from '../packed/text-table.ts';
import type { FileRow, SurveyInfo, SurveyRows } from '../survey/survey-rows.ts';
import { givenColumns } from './given-columns.ts';
import { measureSurvey } from './measure-survey.ts';
import { linksByNode, numberAddresses, packBlocks, type NodeLinks } from './pack-links.ts';
import { PartMaker } from './part-maker.ts';
import { columnsOf, type RowColumns } from './row-columns.ts';
import { nodeOfUrl, nodesOf, type SurveyNodes } from './survey-nodes.ts';

export interface PackedParts {
    survey: PackedSurvey;
    parts: Map<Part, Sections>;
}

/** Packs a survey whose rows are all there. */
export function packSurvey(
    { info, rows }: { info: SurveyInfo; rows: SurveyRows },
    textFacts: TextFacts = NO_TEXT_FACTS,
    imports: readonly EvidenceList[] = [],
): PackedParts {
    return packRows(info, columnsOf(rows), textFacts, imports);
}

/** Packs the rows of a survey into its parts. O(rows + link occurrences), and the measures (`measure-survey.ts`). */
export function packRows(...from: Parameters<typeof packFacts>): PackedParts {
    return withMeasures(packFacts(...from));
}

/** The same with the measures still to be made: whoever has many rows lets go of them first. */
export function withMeasures({ survey, parts }: PackedParts): PackedParts {
    return { survey, parts: new Map(parts).set('measures', measureSurvey(survey)) };
}

/** The parts of a survey that are facts. O(rows + link occurrences). */
export function packFacts(
    info: SurveyInfo,
    rows: RowColumns,
    textFacts: TextFacts = NO_TEXT_FACTS,
    imports: readonly EvidenceList[] = [],
): PackedParts {
    const nodes = nodesOf(rows);
    const { count, pages, urls } = nodes;
    const addresses = numberAddresses(rows, nodes);
    const links = linksByNode(rows, nodes, addresses);
    const starts = [info.start, ...(info.starts ?? [])]
        .map((url) => nodeOfUrl(nodes, url))
        .filter((node) => node !== -1);

    const core = new PartMaker();
    const text = new PartMaker();
    const graphPart = new PartMaker();
    const facts: SurveyFacts = {
        urls,
        pages,
        isPage: nodes.isPage,
        evidence: nodes.evidence,
        addressIds: nodes.addressOf,
        addressOf: (id) => (id === null || id === undefined ? NO_ADDRESS : (addresses.of[id] ?? NO_ADDRESS)),
        urlOf: (id) => rows.urls[id] ?? '',
        texts: textFacts,
        madeUp: madeUpTexts(rows.files),
    };
    for (const column of FACT_COLUMNS) (column.part === 'core' ? core : text).fact(column, facts);
    packCanonicals(core, facts);
    packSitemaps(core, rows, nodes);
    packEvidence(text, rows, nodes);
    packBlocks(core, graphPart, rows, links, addresses);
    packFragments(graphPart, rows, links, facts);
    const given = givenColumns(urls, imports);
    given.forEach(({ head, values }) => core.fractions(head.column, values));
    // What canonicals and redirects point at outside the site is needed to show a page; other addresses only with links.
    text.texts('other_url', addresses.others);

    const survey = new PackedSurvey({
        facts: FACTS_VERSION,
        count,
        start: info.start,
        starts,
        state: info.state,
        cut: info.cut,
        complete: info.cut.length === 0 && info.state === 'finished',
        hasSitemap: rows.files.some((file) => file.kind === 'sitemap' && file.entries !== null),
        files: rows.files.map(({ kind, url, status, note, entries }) => ({ kind, url, status, note, entries })),
        given: given.map(({ head }) => head),
        nearText: NEAR_TEXT,
    });
    const parts = new Map<Part, Sections>([
        ['core', { head: survey.head, columns: core.columns }],
        ['text', { head: null, columns: text.columns }],
        ['links', { head: null, columns: graphPart.columns }],
    ]);
    survey.add('core', parts.get('core')!);
    survey.add('text', parts.get('text')!);
    survey.add('links', parts.get('links')!);
    return { survey, parts };
}

function madeUpTexts(files: readonly FileRow[]): Map<string, TextTraits> {
    const texts = new Map<string, TextTraits>();
    for (const { kind, url, text } of files) {
        const [hash = '', signature = ''] = text.split(' ');
        if (kind === 'made-up' && hash !== '') texts.set(originOf(url), { hash, signature: readSignature(signature) });
    }
    return texts;
}

/** 1 for each link whose fragment its target has nothing for, of targets that were read whole. */
function packFragments(
    links: PartMaker,
    rows: RowColumns,
    { target }: NodeLinks,
    { pages, ...facts }: SurveyFacts,
): void {
    const fragment = rows.linkFragment.values();
    const { addressIds, isPage, texts } = facts;
    const lost = Uint8Array.from(target, (to, link) => {
        const written = rows.fragments.texts[fragment[link]!]!;
        if (written === '' || to < 0 || to >= pages.length || isPage[to] !== 1 || pages[to]?.bodyTrouble !== '')
            return 0;
        const ids = texts.ids?.get(addressIds[to]!);
        return ids !== undefined && isLost(written, ids) ? 1 : 0;
    });
    links.numbers('link_fragment_lost', lost);
}

/** Canonicals of each page, as addresses. */
function packCanonicals(core: PartMaker, { pages, addressOf }: SurveyFacts): void {
    const start = [0];
    const canonicals: number[] = [];
    for (const page of pages) {
        for (const id of page?.canonicals ?? []) canonicals.push(addressOf(id));
        start.push(canonicals.length);
    }
    core.numbers('canonical_start', start);
    core.numbers('canonical', canonicals);
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
