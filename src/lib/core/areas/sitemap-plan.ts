/** A sitemap of a set of pages: what it would list, and how that differs from what the site's sitemaps list today. */
import { evidenceBit } from '../evidence/evidence.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import type { EntryToList } from '../sitemap/build-sitemap.ts';
import { isW3cDate } from '../sitemap/w3c-date.ts';

/** What stands on an entry as its date: what sitemaps say today, or nothing. */
export type DatesFrom = 'sitemaps' | 'none';

/** Entries for the pages of a set; of several dates of one page the latest. Needs `text`. O(nodes + evidence). */
export function entriesToList(survey: PackedSurvey, set: Bits, dates: DatesFrom): EntryToList[] {
    const start = survey.numbers('evidence_row_start');
    return [...set.nodes()].map((node) => {
        let lastmod = '';
        for (let row = start[node]!; dates === 'sitemaps' && row < start[node + 1]!; row++) {
            const own = survey.word('evidence_row_lastmod', row);
            if (isW3cDate(own) && (lastmod === '' || Date.parse(own) > Date.parse(lastmod))) lastmod = own;
        }
        return { url: survey.url(node), lastmod };
    });
}

/** Pages of the set that no sitemap lists, and URLs of the site that one lists and that are not in the set. */
export function againstListed(survey: PackedSurvey, set: Bits): { added: number; gone: number } {
    const evidence = survey.numbers('evidence');
    const bit = evidenceBit('sitemap');
    let [added, gone] = [0, 0];
    for (let node = 0; node < survey.count; node++) {
        const isListed = (evidence[node]! & bit) !== 0;
        if (set.has(node) && !isListed) added++;
        if (!set.has(node) && isListed) gone++;
    }
    return { added, gone };
}
