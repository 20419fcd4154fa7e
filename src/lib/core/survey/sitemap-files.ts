/** The sitemaps of a survey, file by file, and how what they list compares with what may be indexed. */
import type { MeasuredSurvey } from './measured-survey.ts';

export interface SitemapCount {
    url: string;
    status: number | null;
    /** What was found, troubles included. */
    note: string;
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

/** Membership is kept per file, so each count is a set. O(evidence + nodes). */
export function sitemapFiles(survey: MeasuredSurvey): SitemapFiles {
    const members = new Map<string, Set<number>>();
    const files = new Map<number, number>();
    for (const { evidence, source, address } of survey.rows.evidence) {
        const node = survey.nodeOf[address] ?? -1;
        if (evidence !== 'sitemap' || node === -1) continue;
        let own = members.get(source);
        if (!own) members.set(source, (own = new Set()));
        if (own.has(node)) continue;
        own.add(node);
        files.set(node, (files.get(node) ?? 0) + 1);
    }
    const isIndexable = (node: number): boolean => survey.gates[node]?.gate === 'indexable';
    const counts = survey.rows.files
        .filter((file) => file.kind === 'sitemap')
        .map(({ url, status, note, entries }): SitemapCount => {
            const own = [...(members.get(url) ?? [])];
            return {
                url,
                status,
                note,
                entries,
                members: own.length,
                indexable: own.filter(isIndexable).length,
                only: own.filter((node) => files.get(node) === 1).length,
            };
        });
    let listedNotIndexable = 0;
    let indexableNotListed = 0;
    for (let node = 0; node < survey.count; node++) {
        if (files.has(node)) {
            const gate = survey.gates[node]?.gate ?? null;
            if (gate !== null && gate !== 'indexable') listedNotIndexable++;
        } else if (isIndexable(node)) indexableNotListed++;
    }
    return { files: counts, listed: files.size, listedNotIndexable, indexableNotListed };
}
