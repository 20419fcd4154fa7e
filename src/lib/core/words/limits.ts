/** The sentences of what a survey cannot claim, in English, and the words of the reasons for which URLs were left. */
import type { Limit, LimitCode, LimitParams } from './limit-params.ts';
import { problem } from '../problems/problem.ts';
import { by, counted, listed, number } from './numbers.ts';
import { problemWords } from './problems.ts';

const GIVEN_WORDS: Record<string, string> = {
    log: 'an access log',
    visits: 'a list of visits',
    search: 'what a search index lists',
    external: 'links from other sites',
};

/** Without their full stop: in a file they stand among other reasons. */
const LIMITS: { [C in LimitCode]: (params: LimitParams[C]) => string } = {
    'cut-short': ({ cut, state }) =>
        `it was cut short (${cut.join(', ') || state}), so orphans are not known, and depths and counts hold for what was read only`,
    'closed-by-robots': ({ urls }) =>
        `${counted(urls, 'URL is', 'URLs are')} closed by robots.txt: what ${by(urls, 'it holds and where it links', 'they hold and where they link')} is not known`,
    'families-closed': ({ urls }) =>
        `${number(urls)} URLs of closed families were seen and not read; how many more there are is not known`,
    'actions-left': ({ urls }) =>
        `${counted(urls, 'URL looks', 'URLs look')} like ${by(urls, 'an action', 'actions')} and ${by(urls, 'was', 'were')} not asked for: what only ${by(urls, 'it leads', 'they lead')} to counts as an orphan`,
    'known-later': ({ urls }) =>
        `${counted(urls, 'URL')} became known after the survey; whether ${by(urls, 'it answers', 'they answer')} is not known until ${by(urls, 'it is', 'they are')} read`,
    'no-answer': ({ urls }) => `${counted(urls, 'URL')} gave no answer that could be used`,
    'documents-given-up': ({ documents }) =>
        `${counted(documents, 'document was', 'documents were')} given up, because reading took too long or broke off: links on ${by(documents, 'it', 'them')} are not known`,
    'bodies-cut': ({ bodies }) =>
        `${counted(bodies, 'body', 'bodies')} did not arrive whole, or ${by(bodies, 'was', 'were')} longer than the limit: what stood behind the cut is not known`,
    'sitemaps-left': ({ from, left, most }) =>
        `sitemaps from ${from} on were ${problemWords(problem('sitemaps-left', { left, most }))}`,
    'no-sitemap': () => 'no sitemap could be read, so pages that only a sitemap would know are missing',
    'not-given': ({ evidence }) =>
        `nobody gave it ${listed(
            evidence.map((name) => GIVEN_WORDS[name] ?? name),
            'or',
        )}: pages that only those would know are missing`,
};

/** A limit as a part of a sentence, as `summary.json` has it. */
export function limitWords({ code, params }: Limit): string {
    return (LIMITS[code] as (params: unknown) => string)(params);
}

/** A limit as a sentence. */
export function limitSentence(limit: Limit): string {
    const words = limitWords(limit);
    return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}

const REASON_WORDS: Record<string, string> = {
    robots: 'closed by robots.txt',
    limit: 'beyond a limit',
    stopped: 'left when the survey was stopped',
    trap: 'in a family that was closed as a trap',
    action: 'left because they look like actions',
    later: 'known only since the survey',
};

/** Why URLs were not read, in words that follow "that are". */
export function reasonWords(reason: string): string {
    return REASON_WORDS[reason] ?? `not answered (${reason})`;
}
