/** A sitemap of a set of pages: what it would list, and how that differs from what the site's sitemaps list today. */
import { evidenceBit } from '../evidence/evidence.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import type { EntryToList } from '../sitemap/build-sitemap.ts';
import { isW3cDate } from '../sitemap/w3c-date.ts';

/** What stands on an entry as its date: what the page says, the header of its answer, what sitemaps say today, or nothing. */
export type DatesFrom = 'pages' | 'headers' | 'sitemaps' | 'none';

const DAY = 86_400_000;

/** A moment as a W3C date: a day where it is the beginning of one; empty for none. */
function w3cDate(at: number): string {
    if (!(at >= 0 && at < 253_402_300_800_000)) return '';
    const text = new Date(at).toISOString();
    return at % DAY === 0 ? text.slice(0, 10) : `${text.slice(0, 19)}Z`;
}

/**
 * Entries for the pages of a set; of several dates of one page the latest. Needs `text`, and `links` for languages.
 * O(nodes + evidence)
 * @param alternatesOf the languages a page names; left out where none are to be listed
 */
export function entriesToList(
    survey: PackedSurvey,
    set: Bits,
    dates: DatesFrom,
    alternatesOf?: (node: number) => readonly { code: string; to: number }[],
): EntryToList[] {
    const start = survey.numbers('evidence_row_start');
    const moments =
        dates === 'pages' ? survey.numbers('changed_at') : dates === 'headers' ? survey.numbers('last_modified') : null;
    return [...set.nodes()].map((node) => {
        let lastmod = moments === null ? '' : w3cDate(moments[node]!);
        for (let row = start[node]!; dates === 'sitemaps' && row < start[node + 1]!; row++) {
            const own = survey.word('evidence_row_lastmod', row);
            if (isW3cDate(own) && (lastmod === '' || Date.parse(own) > Date.parse(lastmod))) lastmod = own;
        }
        const url = survey.url(node);
        if (!alternatesOf) return { url, lastmod };
        const named = alternatesOf(node).filter(({ code }) => code !== '');
        const alternates = named.map(({ code, to }) => ({ code, url: survey.addressUrl(to) }));
        return { url, lastmod, alternates };
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
