/** What each test of a sitemap tried and saw, in English. */
import { hostOf } from '../address/address.ts';
import type { EntryAt, FirstOf, SitemapFound, SitemapKind, SitemapStep, StepParams } from '../door/door-report.ts';
import { number } from './numbers.ts';
import { placedWords, problemWords, storedWords } from './problems.ts';

interface StepWords {
    tried: string;
    seen: string;
}

/** What a file is. */
export const SITEMAP_KINDS: Record<SitemapKind, string> = {
    urlset: 'a urlset',
    sitemapindex: 'a sitemap index',
    text: 'a plain list of addresses',
    feed: 'a feed',
    unknown: 'no sitemap',
    missing: 'nothing',
};

const whatOf = (kind: SitemapKind): string => (kind === 'sitemapindex' ? 'files' : 'addresses');
const entryWords = ({ line, url }: EntryAt): string => `line ${line}: ${url}`;

/** The first few of a list, and how many there are besides. */
function firstWords<T>({ first, all }: FirstOf<T>, words: (item: T) => string): string[] {
    const more = all - first.length;
    return [...first.map(words), ...(more > 0 ? [`and ${more} more`] : [])];
}

/** How a sitemap was found, as a sentence part. */
export function foundWords(found: SitemapFound): string {
    if (found.by === 'line') return `named in ${found.file}, line ${found.line}`;
    return found.by === 'usual' ? `at a usual place; robots.txt names ${found.others ? 'others' : 'none'}` : found.say;
}

const STEPS: { [T in Exclude<keyof StepParams, 'told'>]: (params: StepParams[T]) => StepWords } = {
    found: ({ how }) => ({ tried: 'looked in robots.txt, then at the usual places', seen: foundWords(how) }),
    host: ({ url }) => ({
        tried: `compared ${hostOf(url)} with the hosts of the site`,
        seen: 'it lies on a host that does not belong to the site, so it was not asked for',
    }),
    robots: ({ closedBy }) => ({
        tried: 'asked robots.txt whether it may be read',
        seen: closedBy === null ? 'open' : `closed by ${problemWords(closedBy)}, so it was not asked for`,
    }),
    answer: ({ url, redirects, at, status, failure }) => {
        const way = redirects > 0 ? ` after ${redirects} ${redirects === 1 ? 'redirect' : 'redirects'}, at ${at}` : '';
        return {
            tried: `asked for ${url}`,
            seen: status === null ? storedWords(failure) || 'no answer' : `${status}${way}`,
        };
    },
    redirect: ({ at }) => ({
        tried: 'looked whether the named address is the real one',
        seen: `the address named redirects; name ${at} itself`,
    }),
    caching: ({ headers }) => ({
        tried: 'read its caching headers',
        seen: `${headers}: whoever reads it may be given an old copy`,
    }),
    body: ({ bytes, trouble }) => ({
        tried: 'read and unpacked the body',
        seen:
            bytes === null && trouble === null
                ? 'there is no body'
                : [
                      bytes === null ? '' : `${number(bytes)} bytes unpacked`,
                      trouble === null ? '' : problemWords(trouble),
                  ]
                      .filter(Boolean)
                      .join(', '),
    }),
    type: ({ sent }) => ({ tried: 'read its Content-Type', seen: `${sent}, where application/xml is due` }),
    form: ({ kind, troubles }) => ({
        tried: 'read it as a sitemap',
        seen: [SITEMAP_KINDS[kind], ...troubles.map((trouble) => placedWords(trouble, 'line'))].join('; '),
    }),
    entries: ({ kind, usable, troubles }) => ({
        tried: `read its ${whatOf(kind)}`,
        seen: [`${number(usable)} usable`, ...firstWords(troubles, (trouble) => placedWords(trouble, 'line'))].join(
            '; ',
        ),
    }),
    place: ({ origin, folder, hosts, schemes, above }) => {
        const of = (list: FirstOf<EntryAt>, say: string): string[] =>
            list.all === 0 ? [] : [`${list.all} ${say} (${firstWords(list, entryWords).join('; ')})`];
        const parts = [
            ...of(hosts, "on another host, which counts only where that host's robots.txt names this file"),
            ...of(schemes, 'with another scheme'),
            ...of(above, `outside ${folder}, which counts only where robots.txt names the file`),
        ];
        return {
            tried: 'compared its entries with its own address',
            seen: parts.length === 0 ? `all on ${origin}, at or below ${folder}` : parts.join('; '),
        };
    },
    doubles: ({ kind, twice }) => ({
        tried: `looked for ${whatOf(kind)} listed twice`,
        seen: firstWords(twice, (entry) => `${entryWords(entry)}, as in line ${entry.before}`).join('; '),
    }),
    dates: ({ odd }) => ({
        tried: 'read lastmod',
        seen: firstWords(odd, ({ line, lastmod, isAhead }) =>
            isAhead
                ? `line ${line}: ${lastmod} lies in the future`
                : `line ${line}: “${lastmod}” is no date as the protocol wants it`,
        ).join('; '),
    }),
    all: () => ({ tried: 'all of the above', seen: 'nothing found on the site’s side' }),
};

/** A step as it is shown and given out. */
export interface ToldStep extends StepWords {
    test: string;
    ok: boolean | null;
}

export function toldStep({ test, params, ok }: SitemapStep): ToldStep {
    if (test === 'told') return { ...params, ok };
    return { test, ...(STEPS[test] as (params: unknown) => StepWords)(params), ok };
}
