/** The sitemaps of a survey, file by file, and how what they list compares with what may be indexed. */
import { GATE_INDEXABLE, GATE_UNKNOWN } from '../columns/gate-facts.ts';
import { readProblems, type Problem } from '../problems/problem.ts';
import { noteWords } from '../words/problems.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export interface SitemapCount {
    url: string;
    status: number | null;
    /** What was found, troubles included: in words, and as what they are. */
    note: string;
    problems: Problem[];
    /** Addresses it lists; null where it could not be read, or is an index. */
    entries: number | null;
    /** Of them, known URLs of the site. */
    members: number;
    /** Of those, indexable. */
    indexable: number;
    /** Members that no other file lists. */
    only: number;
}

export interface SitemapFiles {
    files: SitemapCount[];
    /** Distinct URLs of the site over all files. */
    listed: number;
    /** Listed and not indexable, as far as known. */
    listedNotIndexable: number;
    /** Indexable and in no file. */
    indexableNotListed: number;
}

/** Membership is kept per file, so each count is a set. Needs `core`. O(entries + nodes). */
export function sitemapFiles(survey: PackedSurvey): SitemapFiles {
    const start = survey.numbers('sitemap_start');
    const file = survey.numbers('sitemap');
    const gate = survey.numbers('gate');
    const names = survey.texts('sitemap_words').all();
    const none = { members: 0, indexable: 0, only: 0 };
    const byFile = names.map(() => ({ ...none }));
    let listed = 0;
    let listedNotIndexable = 0;
    let indexableNotListed = 0;
    for (let node = 0; node < survey.count; node++) {
        const isIndexable = gate[node] === GATE_INDEXABLE;
        const [from, to] = [start[node]!, start[node + 1]!];
        if (from === to) {
            if (isIndexable) indexableNotListed++;
            continue;
        }
        listed++;
        if (!isIndexable && gate[node] !== GATE_UNKNOWN) listedNotIndexable++;
        for (let at = from; at < to; at++) {
            const own = byFile[file[at]!]!;
            own.members++;
            if (isIndexable) own.indexable++;
            if (to - from === 1) own.only++;
        }
    }
    const files = survey.head.files
        .filter(({ kind }) => kind === 'sitemap')
        .map(({ url, status, note, entries }): SitemapCount => {
            const own = byFile[names.indexOf(url)] ?? none;
            const problems = readProblems(note);
            return { url, status, note: noteWords(problems), problems, entries, ...own };
        });
    return { files, listed, listedNotIndexable, indexableNotListed };
}
