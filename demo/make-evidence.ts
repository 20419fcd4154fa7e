/**
 * Makes the lists a real user of the demo site would have: an access log, visited landing pages, what a search index
 * lists, and links of other sites, for each edition. Their texts are always the same; `demo/evidence/` keeps them as
 * plain files, and a test compares the two. Run by hand after the site has changed: `npm run demo-evidence`.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { numbers } from './big-site.ts';
import { EDITION_DATES, type Edition } from './fernhollow/editions.ts';
import { fernhollowPaths, ORIGIN } from './fernhollow/site.ts';
import { UNLISTED_GUIDES } from './fernhollow/unlisted.ts';

export const EVIDENCE_FILES = {
    log: 'access.log',
    visits: 'visits.csv',
    search: 'search-index.csv',
    external: 'external-links.csv',
} as const;

const DAY = 86_400_000;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const PEOPLE = [
    'AnyBrowser/14.2 (desk; en)',
    'AnyBrowser/13.9 (hand; cy)',
    'OtherBrowser/120 (desk; fr)',
    'OtherBrowser/121 (hand; en)',
];
const ROBOTS = [
    'CountyCrawler/3.1 (+https://crawler.example/about)',
    'FeedFetch/1.1',
    'uptime-monitor/2 (watch.example)',
];
const LOG_LINES = 700;

/** Paths people were sent to by other means than links. */
const BY_WORD = UNLISTED_GUIDES.map((guide) => `/guides/${guide.slug}/`);
/** Pages that moved or went, and are still asked for. */
const OLD_PATHS = ['/guides/hire-a-ladder/', '/help/charges/', '/workshops/booking/', '/catalogue.asp?id=12'];
const OLD_SITE = ['/2016/', '/2016/tools.html', '/2016/hours.html'];

export function evidenceOf(edition: Edition): Record<keyof typeof EVIDENCE_FILES, string> {
    const random = numbers(edition.length * 7_919);
    const part = (): number => random() / 2 ** 32;
    const paths = fernhollowPaths(edition);
    const end = Date.parse(EDITION_DATES[edition]);
    // People come to a few pages often and to most hardly ever.
    const visited = paths.filter((path) => !path.includes('?') && !path.includes('/care/'));
    const pick = (): string => {
        const chance = part();
        if (chance < 0.05) return BY_WORD[Math.floor(part() * BY_WORD.length)]!;
        if (chance < 0.08) return OLD_SITE[Math.floor(part() * OLD_SITE.length)]!;
        return visited[Math.floor(visited.length * part() ** 2.5)]!;
    };
    return {
        log: accessLog(part, pick, end, new Set([...paths, ...BY_WORD])),
        visits: visitList(part, visited, end),
        search: searchList(part, paths, end),
        external: externalList(part, visited, end),
    };
}

function stamp(at: number): string {
    const date = new Date(at);
    const two = (value: number): string => String(value).padStart(2, '0');
    return `${two(date.getUTCDate())}/${MONTHS[date.getUTCMonth()]}/${date.getUTCFullYear()}:${two(date.getUTCHours())}:${two(date.getUTCMinutes())}:${two(date.getUTCSeconds())} +0000`;
}

function accessLog(part: () => number, pick: () => string, end: number, known: ReadonlySet<string>): string {
    const lines: string[] = [];
    for (let index = 0; index < LOG_LINES; index++) {
        const at = end - 14 * DAY + Math.floor((index / LOG_LINES) * 14 * DAY);
        const isRobot = part() < 0.3;
        const agents = isRobot ? ROBOTS : PEOPLE;
        const agent = agents[Math.floor(part() * agents.length)]!;
        const old = part() < 0.04 ? OLD_PATHS[Math.floor(part() * OLD_PATHS.length)] : undefined;
        const path = old ?? pick();
        const status =
            old !== undefined
                ? old.includes('asp') || old.includes('booking')
                    ? 404
                    : 301
                : part() < 0.06
                  ? 304
                  : 200;
        const host = `198.51.100.${Math.floor(part() * 250)}`;
        const referrer = part() < 0.5 ? `${ORIGIN}/` : '-';
        if (!known.has(path) && status === 200 && !path.startsWith('/2016')) continue;
        lines.push(
            `${host} - - [${stamp(at)}] "GET ${path} HTTP/1.1" ${status} ${900 + Math.floor(part() * 9_000)} "${referrer}" "${agent}"`,
        );
        if (index % 97 === 0)
            lines.push(`${host} - - [${stamp(at)}] "POST /members/reserve/ HTTP/1.1" 302 0 "-" "${agent}"`);
        // What a full disk once left behind.
        if (index === 333) lines.push(`${host} - - [${stamp(at).slice(0, 14)}`);
    }
    // Each of them was asked for by somebody, whatever chance had to say.
    for (const path of BY_WORD) {
        lines.push(`198.51.100.7 - - [${stamp(end - DAY)}] "GET ${path} HTTP/1.1" 200 4410 "-" "${PEOPLE[0]}"`);
    }
    return `${lines.join('\n')}\n`;
}

function visitList(part: () => number, visited: string[], end: number): string {
    const rows = ['Landing page,Visits,Last visit'];
    const landing = [...visited.filter((_, index) => index % 3 === 0), ...BY_WORD.slice(0, 2), '/2016/'];
    landing.forEach((path, index) => {
        const visits = Math.max(1, Math.round(2_400 / (index + 1) + part() * 12));
        const day = new Date(end - Math.floor(part() * 20) * DAY).toISOString().slice(0, 10);
        rows.push(`${path},${visits > 999 ? `"${visits.toLocaleString('en')}"` : visits},${day}`);
    });
    return `${rows.join('\n')}\n`;
}

function searchList(part: () => number, paths: string[], end: number): string {
    const listed = paths.filter(() => part() < 0.72).map((path) => `${ORIGIN}${path}`);
    listed.push(
        ...OLD_SITE.map((path) => `${ORIGIN}${path}`),
        'http://fernhollow-tools.example/visit/',
        `${ORIGIN}/guides/hire-a-ladder/`,
        `${ORIGIN}/catalogue.asp?id=12`,
        'https://shop.fernhollow-tools.example/',
        'not an address',
    );
    const rows = listed.map(
        (url) => `${url};${new Date(end - Math.floor(part() * 600) * DAY).toISOString().slice(0, 10)}`,
    );
    // As some programs write it: semicolons, a byte order mark, Windows line ends.
    return `\uFEFFURL;Listed since\r\n${rows.join('\r\n')}\r\n`;
}

function externalList(part: () => number, visited: string[], end: number): string {
    const hosts = [
        'hillford-news.example',
        'makers-of-the-vale.example',
        'county-waste.example',
        'repair-map.example',
        'allotments.example',
    ];
    const targets = [
        ...visited.filter((_, index) => index % 9 === 0),
        '/guides/hire-a-ladder/',
        '/help/charges/',
        '/workshops/booking/',
        '/2016/tools.html',
        '/members/',
        BY_WORD[0]!,
    ].map((path) => `${ORIGIN}${path}`);
    targets.push(
        'http://fernhollow-tools.example/visit/',
        'http://www.fernhollow-tools.example/guides/',
        `${ORIGIN}/catalogue.asp?id=12`,
    );
    const rows = ['Linking page,Links to,First seen'];
    targets.forEach((target, index) => {
        const times = 1 + Math.floor(part() * 3);
        for (let link = 0; link < times; link++) {
            const host = hosts[(index + link) % hosts.length];
            const day = new Date(end - Math.floor(part() * 900) * DAY).toISOString().slice(0, 10);
            rows.push(`https://${host}/posts/${index * 3 + link + 11},${target},${day}`);
        }
    });
    return `${rows.join('\n')}\n`;
}

/** Writes the files of all editions. */
export function writeEvidence(folder: string): void {
    for (const edition of ['march', 'june', 'september'] as const) {
        const into = join(folder, edition);
        mkdirSync(into, { recursive: true });
        const texts = evidenceOf(edition);
        for (const kind of ['log', 'visits', 'search', 'external'] as const) {
            writeFileSync(join(into, EVIDENCE_FILES[kind]), texts[kind]);
        }
    }
}
