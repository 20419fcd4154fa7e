/** What do sitemaps say? The files as they were received (protocol 0.9), and what they list. */
import { hostOf, originOf, pathOf } from '../address/address.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { once } from '../kept.ts';
import { UNREACHED } from '../graph/depth.ts';
import type { PackedFile, PackedSurvey } from '../packed/packed-survey.ts';
import { readProblems, type Problem } from '../problems/problem.ts';
import { robotsLines } from '../robots/robots-lines.ts';
import { readAlternates } from '../sitemap/alternates.ts';
import { isW3cDate } from '../sitemap/w3c-date.ts';
import { alternatesOf } from './languages.ts';
import { defineCheck, when, type Check, type CheckView, type ToldOfFile } from './check.ts';
import { isListed, orphanRoot } from './roots.ts';
import { siteUrl } from './site-url.ts';

/** Lines told of one file by one check: more of the same says nothing new. */
const MOST_LINES = 100;
/** Entries with one and the same date from which on the date is no date. */
const MANY_ALIKE = 20;
const DAY = 86_400_000;

const UNREADABLE: readonly string[] = ['html', 'sitemap-closed', 'answered', 'not-a-sitemap'];
const MALFORMED: readonly string[] = [
    'not-xml',
    'namespace',
    'encoding',
    'broken-text',
    'gzip-broken',
    'bare-ampersand',
    'empty',
    'doctype',
];
const INVALID_ENTRY: readonly string[] = [
    'bad-address',
    'relative',
    'blank',
    'two-locs',
    'no-loc',
    'too-long',
    'with-fragment',
];

interface Noted {
    file: PackedFile;
    notes: Problem[];
}

/** Sitemaps that were asked for, with what was found of each. A site may have thousands: read once for each survey. */
const sitemapsOf = ({ survey }: CheckView): readonly Noted[] => [...notedByUrl(survey).values()].flat();

function notedByUrl(survey: PackedSurvey): ReadonlyMap<string, readonly Noted[]> {
    return once(survey, 'sitemap notes', [], () => {
        const noted = new Map<string, Noted[]>();
        for (const file of survey.head.files) {
            if (file.kind !== 'sitemap') continue;
            const own = noted.get(file.url) ?? [];
            own.push({ file, notes: readProblems(file.note) });
            noted.set(file.url, own);
        }
        return noted;
    });
}

/** Could be read, as a list or as an index. */
const isRead = ({ file, notes }: Noted): boolean =>
    file.entries !== null || notes.some(({ code }) => code === 'sitemap-index');

/** Addresses on Sitemap lines of robots.txt files, as written, with the file and the line. */
function announced({ robots }: CheckView): { url: string; file: string; line: number }[] {
    return robots.flatMap(({ url: file, text }) =>
        robotsLines(text).flatMap(({ kind, value, line }) => (kind === 'sitemap' ? [{ url: value, file, line }] : [])),
    );
}

/** Nobody names it: it was asked for because sitemaps often stand there. */
const isGuess = (view: CheckView, { file }: Noted): boolean =>
    /^https?:\/\/[^/]+\/sitemap(?:_index)?\.xml$/.test(file.url) &&
    !announced(view).some(({ url }) => url === file.url);

/** One finding for each note of some codes. */
function ofNotes(view: CheckView, codes: readonly string[]): ToldOfFile<{ why: Problem }>[] {
    return sitemapsOf(view).flatMap((noted) =>
        noted.notes
            .filter(({ code }) => codes.includes(code))
            .map((why) => ({ params: { why }, file: noted.file.url, line: why.line ?? null })),
    );
}

/** An entry of a sitemap, as it was read. */
interface Entry {
    node: number;
    line: number;
    lastmod: string;
}

/** Entries of each sitemap that are URLs of the site, in the order of their lines. O(evidence), once for each survey. */
function entriesOf(survey: PackedSurvey): ReadonlyMap<string, readonly Entry[]> {
    return once(survey, 'sitemap entries', [], () => {
        const [start, line, kind, source, lastmod] = [
            survey.numbers('evidence_row_start'),
            survey.numbers('evidence_row_line'),
            survey.numbers('evidence_row_kind'),
            survey.numbers('evidence_row_source'),
            survey.numbers('evidence_row_lastmod'),
        ];
        const sitemap = survey.texts('evidence_row_kind_words').all().indexOf('sitemap');
        const [files, dates] = [survey.texts('evidence_row_source_words'), survey.texts('evidence_row_lastmod_words')];
        const bySource = new Map<number, Entry[]>();
        for (let node = 0; node < survey.count; node++) {
            for (let row = start[node]!; row < start[node + 1]!; row++) {
                if (kind[row] !== sitemap) continue;
                const entry = { node, line: line[row]!, lastmod: dates.at(lastmod[row]!) };
                const own = bySource.get(source[row]!);
                if (own) own.push(entry);
                else bySource.set(source[row]!, [entry]);
            }
        }
        for (const own of bySource.values()) own.sort((a, b) => a.line - b.line);
        return new Map([...bySource].map(([code, own]) => [files.at(code), own]));
    });
}

/** One finding for each entry of which something is so, file by file. */
function ofEntries<P>(
    view: CheckView,
    ready: (file: string, entries: readonly Entry[]) => (entry: Entry) => Omit<ToldOfFile<P>, 'file' | 'line'> | null,
): ToldOfFile<P>[] {
    return [...entriesOf(view.survey)].flatMap(([file, entries]) => {
        const told = ready(file, entries);
        const found: ToldOfFile<P>[] = [];
        for (const entry of entries) {
            const own = found.length < MOST_LINES ? told(entry) : null;
            if (own !== null) found.push({ ...own, file, line: entry.line });
        }
        return found;
    });
}

/** Where a file answers: the end of its redirects. */
const endOf = (view: CheckView, url: string): string => {
    const way = notedByUrl(view.survey)
        .get(url)?.[0]
        ?.notes.find(({ code }) => code === 'sitemap-redirects');
    return way?.code === 'sitemap-redirects' ? way.params.to : url;
};

/** The last moment at which the survey read anything; now, where nothing says so. */
function readUntil(survey: PackedSurvey): number {
    let last = 0;
    for (const at of survey.numbers('read_at')) if (at > last) last = at;
    return last === 0 ? Date.now() : last;
}

export const SITEMAP_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'sitemap-none',
        severity: 'remark',
        looks: 'file',
        name: 'No sitemap',
        fires: 'A site of which no sitemap could be read, by robots.txt or at the usual places.',
        quiet: 'Sitemaps that were read, whatever is wrong with them.',
        why: 'What no link leads to is found by nobody, and new pages are found late.',
        advice: 'List the indexable pages in a sitemap, and name it in robots.txt.',
        example: '/sitemap.xml answers 404, and robots.txt names none',
        ofFiles: (view) => {
            const { head } = view.survey;
            if (head.hasSitemap || sitemapsOf(view).some(isRead)) return [];
            return [{ params: {}, file: `${originOf(head.start)}/sitemap.xml`, line: null }];
        },
    }),
    defineCheck({
        id: 'sitemap-not-announced',
        severity: 'remark',
        looks: 'file',
        name: 'Sitemap that robots.txt does not name',
        fires: 'Sitemaps that were found at usual places, where no robots.txt names one.',
        quiet: 'Sites whose robots.txt names a sitemap: it may be an index of the others.',
        why: 'Who does not guess its place does not find it.',
        advice: 'Name it in robots.txt on a Sitemap line, with its whole address.',
        example: '/sitemap.xml answers 200, and robots.txt has no `Sitemap:`',
        ofFiles: (view) =>
            view.robots.length === 0 || announced(view).length > 0
                ? []
                : sitemapsOf(view)
                      .filter((noted) => isRead(noted) && isGuess({ ...view, robots: [] }, noted))
                      .map(({ file }) => ({ params: {}, file: file.url, line: null })),
    }),
    defineCheck({
        id: 'sitemap-unreadable',
        severity: 'fault',
        looks: 'file',
        name: 'Sitemap that cannot be read',
        fires: 'A sitemap that something names, and that answers with an error or not at all, is closed to robots, or holds HTML or something else in its place.',
        quiet: 'Usual places at which none is, where nothing names them.',
        why: 'What it would list is not listed.',
        advice: 'Let it answer 200 with a sitemap, or take away what names it.',
        example: 'an index names /sitemap-2019.xml, which answers 404',
        ofFiles: (view) =>
            sitemapsOf(view).flatMap((noted) => {
                const why = noted.notes.find(({ code }) => UNREADABLE.includes(code)) ?? noted.notes[0];
                if (isRead(noted) || isGuess(view, noted) || why === undefined) return [];
                if (MALFORMED.includes(why.code) || why.code === 'sitemap-elsewhere' || why.code === 'sitemaps-left')
                    return [];
                return [{ params: { why }, file: noted.file.url, line: null }];
            }),
    }),
    defineCheck({
        id: 'sitemap-malformed',
        severity: 'fault',
        looks: 'file',
        name: 'Malformed sitemap',
        fires: 'A sitemap that is not well-formed, of a wrong namespace or encoding, damaged, or without an entry.',
        quiet: 'A byte order mark. A document type is a remark.',
        why: 'Strict readers give it up at that place.',
        advice: 'Mend that line, or let it be written by something that knows XML.',
        example: '`<loc>https://site.example/a?b&c</loc>`',
        ofFiles: (view) =>
            ofNotes(view, MALFORMED).map((told) =>
                told.params.why.code === 'doctype' ? { ...told, severity: 'remark' } : told,
            ),
    }),
    defineCheck({
        id: 'sitemap-too-large',
        severity: 'fault',
        looks: 'file',
        name: 'Sitemap too large',
        fires: 'A sitemap of more than 50,000 entries, or of more than 52,428,800 bytes unpacked.',
        quiet: 'One that is exactly that large.',
        why: 'What stands behind that is not read.',
        advice: 'Split it, and name the parts in an index.',
        example: 'a list of 50,001 entries',
        ofFiles: (view) =>
            ofNotes(view, ['too-many', 'cut']).filter(
                ({ params: { why } }) => why.code === 'too-many' || (why.code === 'cut' && why.params.of === 'size'),
            ),
    }),
    defineCheck({
        id: 'sitemap-nested-index',
        severity: 'fault',
        looks: 'file',
        name: 'Index within an index',
        fires: 'A sitemap index that another one names, or that leads back to itself.',
        quiet: 'Lists that an index names.',
        why: 'The protocol has one level: what lies deeper is not read by all.',
        advice: 'Name the lists themselves in one index.',
        example: 'a `sitemapindex` that names another `sitemapindex`',
        ofFiles: (view) => ofNotes(view, ['nested', 'loop']),
    }),
    defineCheck({
        id: 'sitemap-entry-invalid',
        severity: 'fault',
        looks: 'file',
        name: 'Entry that is no address',
        fires: 'An entry without an address or with two, with one that is not absolute, has no http, or has 2,048 characters or more.',
        quiet: 'Blanks around an address.',
        why: 'It lists nothing.',
        advice: 'Write the whole address, escaped, once.',
        example: '`<loc>/guides/saws/</loc>`',
        ofFiles: (view) =>
            ofNotes(view, INVALID_ENTRY).map((told) =>
                told.params.why.code === 'with-fragment' ? { ...told, severity: 'remark' } : told,
            ),
    }),
    defineCheck({
        id: 'sitemap-place',
        severity: 'fault',
        looks: 'file',
        name: 'Entry above its file',
        fires: 'An entry of another host or scheme than its sitemap, or above the folder of it; a remark where the robots.txt of that host names a sitemap by which it may be listed.',
        quiet: 'Entries at or below the folder of their sitemap.',
        why: 'By the protocol such an entry does not count.',
        advice: 'Put the sitemap at the root of the host it lists, or name it in the robots.txt there.',
        example: '/maps/list.xml lists `https://site.example/guides/saws/`',
        ofFiles: (view) => {
            const named = announced(view);
            return ofEntries<{ url: string }>(view, (file) => {
                const at = endOf(view, file);
                const folder = pathOf(at).replace(/[^/]*(?:\?.*)?$/, '');
                const allowed = new Set(named.filter(({ url }) => url === file).map(({ file: by }) => hostOf(by)));
                return ({ node }) => {
                    const url = view.survey.url(node);
                    if (originOf(url) === originOf(at) && pathOf(url).startsWith(folder)) return null;
                    const params = { url: siteUrl(view.survey, node) };
                    return allowed.has(hostOf(url)) ? { params, severity: 'remark' } : { params };
                };
            });
        },
    }),
    defineCheck({
        id: 'sitemap-double',
        severity: 'remark',
        looks: 'file',
        name: 'Listed twice',
        fires: 'An entry whose address stands earlier in the same file, or in another one.',
        quiet: 'Addresses that differ in anything.',
        why: 'Which date counts is anyone’s guess.',
        advice: 'List each address once.',
        example: 'lines 3 and 90 of one file list the same address',
        ofFiles: (view) => {
            const first = new Map<number, { file: string; line: number }>();
            for (const [file, entries] of entriesOf(view.survey)) {
                for (const { node, line } of entries) if (!first.has(node)) first.set(node, { file, line });
            }
            return ofEntries<{ url: string; file: string; line: number }>(view, (file) => ({ node, line }) => {
                const before = first.get(node)!;
                if (before.file === file && before.line === line) return null;
                return { params: { url: siteUrl(view.survey, node), ...before } };
            });
        },
    }),
    defineCheck({
        id: 'sitemap-lastmod',
        severity: 'remark',
        looks: 'file',
        name: 'Date that says nothing',
        fires: `A date that is none (W3C date and time), lies in the future, or is the same on all of ${MANY_ALIKE} entries or more.`,
        quiet: 'Dates of tomorrow: the site may lie in a zone that is ahead. Entries without a date.',
        why: 'Who sees such dates once believes none of them.',
        advice: 'Write the day on which the page last changed, or no date.',
        example: '`<lastmod>2026-02-30</lastmod>`',
        ofFiles: (view) => {
            const until = readUntil(view.survey) + DAY;
            return ofEntries<{ lastmod: string; entries: number }>(view, (_, entries) => {
                const [first] = entries;
                const isAlike =
                    entries.length >= MANY_ALIKE &&
                    first!.lastmod !== '' &&
                    entries.every(({ lastmod }) => lastmod === first!.lastmod);
                return (entry) => {
                    const { lastmod } = entry;
                    if (isAlike) return entry === first ? { params: { lastmod, entries: entries.length } } : null;
                    if (lastmod === '' || (isW3cDate(lastmod) && Date.parse(lastmod) <= until)) return null;
                    return { params: { lastmod, entries: 1 } };
                };
            });
        },
    }),
    defineCheck({
        id: 'sitemap-values',
        severity: 'remark',
        looks: 'file',
        name: 'Value that the protocol does not take',
        fires: 'A `changefreq` that is none of its seven words, or a `priority` that is no number from 0.0 to 1.0.',
        quiet: 'Entries without them; `1`, `0` and `.5`.',
        why: 'Whoever reads the file passes the value over, and strict readers the entry.',
        advice: 'Leave both out, or write what the protocol takes.',
        example: '`<changefreq>often</changefreq>`, `<priority>10</priority>`',
        ofFiles: (view) => ofNotes(view, ['odd-values']),
    }),
    defineCheck({
        id: 'sitemap-alternates',
        severity: 'risk',
        looks: 'file',
        name: 'Languages that the page names otherwise',
        fires: 'An entry that names an alternate for a language, for which its page names another.',
        quiet: 'Languages that only one of the two names; pages without alternates; pages that were not read.',
        why: 'Two answers to one question: neither is believed.',
        advice: 'Name the languages in one of the two places, or write both from one source.',
        example: 'sitemap: `hreflang="fr" href="/fr/frais"`; the page: `hreflang="fr" href="/fr/tarifs"`',
        ofFiles: (view) => {
            const { survey } = view;
            if (view.listed.length === 0) return [];
            const alternates = alternatesOf(survey);
            return view.listed.flatMap(({ url: file, text }) => {
                const found: ToldOfFile<{ url: string; code: string; listed: string; named: string }>[] = [];
                for (const { line, url, alternates: listed } of readAlternates(text)) {
                    const node = survey.nodeOf(url);
                    if (node === -1 || found.length >= MOST_LINES) continue;
                    const named = alternates(node);
                    for (const { code, url: to } of listed) {
                        const own = named.filter((one) => one.code === code).map((one) => survey.addressUrl(one.to));
                        if (own.length === 0 || own.includes(to)) continue;
                        const params = { url: siteUrl(survey, node), code, listed: to, named: own[0]! };
                        found.push({ params, file, line });
                        break;
                    }
                }
                return found;
            });
        },
    }),
    defineCheck({
        id: 'sitemap-lists-orphan',
        severity: 'risk',
        looks: 'page',
        name: 'Listed, and not linked',
        fires: 'An indexable page that a sitemap lists, and that no path of links reaches.',
        quiet: 'A partial survey. Pages that stop at a gate, which are told as such.',
        why: 'It is found by the sitemap alone, and links give it nothing.',
        advice: 'Link to it from the page it belongs below.',
        example: 'a sitemap lists /guides/saws/, and no page links to it',
        needsWhole: true,
        ofPage: ({ survey }) => {
            const [gate, depth] = [survey.numbers('gate'), survey.numbers('depth')];
            return (node) =>
                when(gateOf(gate[node]!) === 'indexable' && depth[node] === UNREACHED && isListed(survey, node), {});
        },
        cause: orphanRoot,
    }),
];
