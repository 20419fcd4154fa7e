/** What *Sitemaps* shows: the files as a tree with their state, and what they list against the gates, both ways. */
import { sitemapFiles, type SitemapCount } from '../areas/sitemap-files.ts';
import { SEVERITIES, type CheckView, type FileFinding, type Severity } from '../checks/check.ts';
import { fileFindings, isAcceptedFile } from '../checks/file-findings.ts';
import { GATE_INDEXABLE, GATE_UNKNOWN } from '../columns/gate-facts.ts';
import { GATES, type Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { fileFindingSentence } from '../words/checks.ts';
import type { SetOfPages } from './robots.ts';

/** Findings that are shown; all of them are in findings.csv. */
const MOST_FINDINGS = 60;
/** Files that are shown: indexes, and those of which the worst is found, before others. */
const MOST_FILES = 300;

/** A file below whatever names it. */
export interface SitemapBranch extends Omit<SitemapCount, 'problems'> {
    /** Steps below robots.txt, or the usual places. */
    level: number;
    isIndex: boolean;
    /** The worst that is found of it; null for nothing. */
    worst: Severity | null;
    findings: number;
}

/** URLs that stop at a gate, or at none, by whether a sitemap lists them. */
export interface GateListing {
    gate: Gate | 'indexable' | 'unknown';
    listed: SetOfPages;
    notListed: SetOfPages;
}

/** @param indexes the files that each index names, in its order */
export function sitemapsView(view: CheckView, indexes: ReadonlyMap<string, readonly string[]>) {
    const { survey } = view;
    const { files, ...counts } = sitemapFiles(survey);
    const found = fileFindings(view).filter(
        (finding) => /^(?:robots-)?sitemap-/.test(finding.check) && !isAcceptedFile(view, finding),
    );
    return {
        ...counts,
        ...shownOf(treeOf(files, indexes, found)),
        listing: listingOf(survey),
        findings: found.slice(0, MOST_FINDINGS).map((finding) => ({
            file: finding.file,
            severity: finding.severity,
            say: fileFindingSentence(finding),
            line: finding.line,
        })),
        moreFindings: Math.max(found.length - MOST_FINDINGS, 0),
    };
}

export type SitemapsView = ReturnType<typeof sitemapsView>;

/** Of very many files some, still in the order of the tree. */
function shownOf(tree: readonly SitemapBranch[]): { files: SitemapBranch[]; moreFiles: number } {
    const rank = ({ isIndex, worst }: SitemapBranch): number =>
        isIndex ? -1 : worst === null ? SEVERITIES.length : SEVERITIES.indexOf(worst);
    const shown = tree
        .map((file, place) => ({ file, place }))
        .sort((a, b) => rank(a.file) - rank(b.file) || a.place - b.place)
        .slice(0, MOST_FILES)
        .sort((a, b) => a.place - b.place);
    return { files: shown.map(({ file }) => file), moreFiles: tree.length - shown.length };
}

/** Files that no index names first, in the order of asking, each with those it names below it; a file stands once. */
function treeOf(
    files: readonly SitemapCount[],
    indexes: ReadonlyMap<string, readonly string[]>,
    findings: readonly FileFinding[],
): SitemapBranch[] {
    const byUrl = new Map(files.map((file) => [file.url, file]));
    const named = new Set([...indexes.values()].flat());
    const found = new Map<string, FileFinding[]>();
    for (const finding of findings) {
        const own = found.get(finding.file);
        if (own) own.push(finding);
        else found.set(finding.file, [finding]);
    }
    const placed = new Set<string>();
    const tree: SitemapBranch[] = [];
    const place = (url: string, level: number): void => {
        const file = byUrl.get(url);
        if (!file || placed.has(url)) return;
        placed.add(url);
        const own = found.get(url) ?? [];
        const ranks = own.map(({ severity }) => SEVERITIES.indexOf(severity));
        const { problems, ...counts } = file;
        tree.push({
            ...counts,
            level,
            isIndex: problems.some(({ code }) => code === 'sitemap-index'),
            worst: ranks.length === 0 ? null : SEVERITIES[Math.min(...ranks)]!,
            findings: own.length,
        });
        for (const child of indexes.get(url) ?? []) place(child, level + 1);
    };
    for (const { url } of files) if (!named.has(url)) place(url, 0);
    // Indexes that name each other have no beginning.
    for (const { url } of files) place(url, 0);
    return tree;
}

function listingOf(survey: PackedSurvey): GateListing[] {
    const [gate, start] = [survey.numbers('gate'), survey.numbers('sitemap_start')];
    const listed = new Uint32Array(GATES.length + 2);
    const others = new Uint32Array(GATES.length + 2);
    for (let node = 0; node < survey.count; node++) {
        const isListed = start[node] !== start[node + 1];
        (isListed ? listed : others)[gate[node]!]!++;
    }
    const set = (pages: number, line: string): SetOfPages => ({ pages, set: pages === 0 ? null : line });
    const row = (name: GateListing['gate'], code: number, line: string): GateListing => ({
        gate: name,
        listed: set(listed[code]!, `${line} and in sitemap`),
        notListed: set(others[code]!, `${line} and not in sitemap`),
    });
    return [
        row('indexable', GATE_INDEXABLE, 'indexable'),
        ...GATES.map((name, code) => row(name, code, `gate is ${name}`)),
        row('unknown', GATE_UNKNOWN, 'gate is unknown'),
    ].filter(({ listed: own, notListed }) => own.pages + notListed.pages > 0);
}
