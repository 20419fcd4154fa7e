/** Ten doors, each shut in a way of its own, and what the door check says of them. */
import { foundWords, toldStep } from '$lib/core/words/sitemap-steps.ts';
import { toldVerdict, type ToldVerdict } from '$lib/core/words/door.ts';
import { describe, expect, it } from 'vitest';
import type { DoorFacts } from '$lib/core/door/door-report.ts';
import { realOrigin } from '$lib/core/door/judge-door.ts';
import { NO_SECRETS, type SurveySettings } from '$lib/core/survey/settings.ts';
import { checkDoor, OTHER_AGENT } from '$lib/server/crawl/door-check.ts';
import { startStandIn, type LoggedRequest, type SiteAnswer, type StandInSite } from '../../demo/stand-in.ts';
import { settingsFor } from '../support/survey.ts';
import { storedWords } from '$lib/core/words/problems.ts';

const HTML = { 'content-type': 'text/html; charset=utf-8' };
const START = `<!doctype html><html lang="en"><head>
<title>Start</title>
</head><body><main><h1>Start</h1><p>Words to read here.</p>
<a href="/a/one">one</a> <a href="/a/two">two</a> <a href="/b/three">three</a> <a href="/four">four</a></main></body></html>`;

type Change = Record<string, Partial<SiteAnswer> | string>;

/** A plain open site with the main host at https://www; the other ways to write it lead there. */
function site(change: Change = {}): StandInSite {
    return (request): SiteAnswer => {
        const { path, scheme, host } = request;
        const found = change[path];
        if (typeof found === 'object')
            return { status: 200, body: '', ...found, headers: { ...HTML, ...found.headers } };
        if (typeof found === 'string') return { status: 200, headers: HTML, body: found };
        if (scheme === 'http' || !host.startsWith('www.')) {
            return { status: 301, headers: { location: `https://www.site.example${path}` }, body: '' };
        }
        if (path === '/') return { status: 200, headers: HTML, body: START };
        if (/^\/(?:a\/|b\/|four)/.test(path)) {
            return { status: 200, headers: HTML, body: `<title>${path}</title><p>A page of its own.</p>` };
        }
        return { status: 404, headers: HTML, body: 'not here' };
    };
}

async function knock(
    stand: StandInSite,
    change: Partial<SurveySettings> = {},
    keepsOut = false,
): Promise<{ facts: DoorFacts; verdict: ToldVerdict; log: LoggedRequest[] }> {
    const standIn = await startStandIn(stand);
    try {
        const settings = settingsFor(standIn.port, change);
        settings.start = settings.start.replace('PORT', String(standIn.port));
        const report = await checkDoor({
            settings,
            secrets: NO_SECRETS,
            keepsOut,
            otherAgent: OTHER_AGENT,
            stop: new AbortController().signal,
        });
        return { facts: report.facts, verdict: toldVerdict(report), log: standIn.log };
    } finally {
        await standIn.close();
    }
}

const ROBOTS_CLOSED = {
    body: '# left from the build\nUser-agent: *\nDisallow: /\n',
    headers: { 'content-type': 'text/plain' },
};
const NOINDEXED = START.replace('<title>', '<meta name="robots" content="noindex, nofollow">\n<title>');

describe('the door', () => {
    it('is open: all four ways lead to one, pages behind it answer, a missing robots.txt is no fault', async () => {
        const { facts, verdict, log } = await knock(site());
        expect(verdict).toMatchObject({ state: 'open', bolts: [] });
        expect(verdict.say).toBe(
            'The door is open: https://www.site.example/ answers 200 and may be indexed, so do the 4 pages tried behind it.',
        );
        expect(facts.variants.map(({ origin, lands }) => [origin, lands])).toEqual(
            ['https://site.example', 'http://site.example', 'https://www.site.example', 'http://www.site.example'].map(
                (origin) => [origin, 'https://www.site.example'],
            ),
        );
        expect(realOrigin(facts)).toBe('https://www.site.example');
        expect(verdict.remarks).toContain(
            'There is no robots.txt (it answers 404): everything is open, which is no fault.',
        );
        expect(verdict.remarks).toContain('All 4 ways to write the host lead to https://www.site.example.');
        expect(facts.start).toMatchObject({ title: 'Start', language: 'en', links: 4 });
        expect(facts.differences).toEqual([]);
        // A short look: each page once as ours and once as another agent, of the other variants only their start pages.
        const real = 'https://www.site.example';
        const askedBy = (url: string): string[] =>
            log.filter((request) => request.url === url).map(({ agent }) => (agent === OTHER_AGENT ? 'other' : 'ours'));
        for (const path of ['/a/one', '/a/two', '/b/three', '/four'])
            expect(askedBy(`${real}${path}`), path).toEqual(['ours', 'other']);
        expect(askedBy(`${real}/sitemap.xml`)).toEqual(['ours']);
        // Its own, and where those of the three others lead.
        expect(askedBy(`${real}/robots.txt`)).toEqual(['ours', 'ours', 'ours', 'ours']);
        for (const { origin } of facts.variants.filter((variant) => variant.origin !== real))
            expect(askedBy(`${origin}/`), origin).toEqual(['ours']);
        // Once as each, and where the three others lead.
        expect(askedBy(`${real}/`).filter((agent) => agent === 'other')).toHaveLength(1);
        expect(askedBy(`${real}/`).length).toBeLessThanOrEqual(5);
        const paths = [
            '/',
            '/a/one',
            '/a/two',
            '/b/three',
            '/four',
            '/robots.txt',
            '/sitemap.xml',
            '/sitemap_index.xml',
        ];
        expect(log.filter(({ url }) => !paths.includes(new URL(url).pathname))).toEqual([]);
        // The certificate of a pinned host is looked at, and its trouble told, without shutting anything.
        expect(facts.variants[0]?.certificate).toMatchObject({ isTrusted: false, isPinned: true });
    });

    it('closed by robots: the rule, its line and its group, and no page behind it is asked for', async () => {
        const { verdict, log } = await knock(site({ '/robots.txt': ROBOTS_CLOSED }));
        expect(verdict.state).toBe('shut');
        expect(verdict.say).toBe('The door is shut by robots.txt: “Disallow: /” closes the whole site for EdgeMap.');
        expect(verdict.bolts[0]).toMatchObject({
            kind: 'robots',
            where: 'https://www.site.example/robots.txt, line 3, in the group for every agent',
        });
        expect(verdict.bolts[0]?.opens).toContain('Take line 3 out');
        const asked = [...new Set(log.map((entry) => new URL(entry.url).pathname))].sort();
        expect(asked).toEqual(['/', '/robots.txt']);
    });

    it('closed by robots and told to keep out: not even the start page is asked for', async () => {
        const { verdict, facts, log } = await knock(site({ '/robots.txt': ROBOTS_CLOSED, '/': NOINDEXED }), {}, true);
        expect(verdict.bolts.map((bolt) => bolt.kind)).toEqual(['robots']);
        expect(facts.start.isLeft).toBe(true);
        expect(new Set(log.map((entry) => new URL(entry.url).pathname))).toEqual(new Set(['/robots.txt']));
        expect(verdict.remarks).toContain(
            'What stands behind was not looked at, because the check was told to keep out.',
        );
    });

    it('closed for our agent only, in a group that names it', async () => {
        const { verdict } = await knock(
            site({ '/robots.txt': { body: 'User-agent: *\nAllow: /\n\nUser-agent: edgemap\nDisallow: /\n' } }),
        );
        expect(verdict.bolts[0]?.where).toBe('https://www.site.example/robots.txt, line 5, in the group for EdgeMap');
    });

    it('closed by a noindex in a meta: the tag and its line', async () => {
        const pages = ['/', '/a/one', '/a/two', '/b/three', '/four'].map((path) => [path, NOINDEXED] as const);
        const { verdict } = await knock(site(Object.fromEntries(pages)));
        expect(verdict.state).toBe('shut');
        expect(verdict.say).toMatch(/^The door is shut by noindex: the start page must not be indexed: /);
        expect(verdict.bolts[0]).toMatchObject({
            kind: 'noindex',
            where: '<meta name="robots" content="noindex, nofollow">, line 2',
        });
    });

    it('closed by a noindex in a header: the header', async () => {
        const { verdict } = await knock(site({ '/': { body: START, headers: { 'x-robots-tag': 'noindex' } } }));
        expect(verdict.bolts[0]?.where).toBe('header X-Robots-Tag: noindex');
        // The pages behind it are open: the start page alone is kept out.
        expect(verdict.state).toBe('half');
        expect(verdict.say).toMatch(/^The door is half open: .*, but 4 of 4 pages behind it may be indexed\.$/);
    });

    it('closed twice: robots hides the noindex behind it', async () => {
        const { verdict } = await knock(site({ '/robots.txt': ROBOTS_CLOSED, '/': NOINDEXED }));
        expect(verdict.bolts.map(({ kind, isHidden }) => [kind, isHidden])).toEqual([
            ['robots', false],
            ['noindex', true],
        ]);
        expect(verdict.say).toBe(
            'The door is shut twice: by robots.txt, and behind that by noindex, which nobody who keeps to robots.txt will ever see.',
        );
    });

    it('closed by a sign-in', async () => {
        const { verdict } = await knock(
            site({ '/': { status: 401, headers: { 'www-authenticate': 'Basic realm="x"' } } }),
        );
        expect(verdict).toMatchObject({ state: 'shut', bolts: [{ kind: 'sign-in' }] });
        expect(verdict.say).toBe(
            'The door is shut by a sign-in: the start page asks for a user name and a password (401).',
        );
    });

    it('closed by a redirect to another host: the header, and what to survey instead', async () => {
        const { verdict, log } = await knock(
            site({ '/': { status: 302, headers: { location: 'https://other.example/x' } } }),
        );
        expect(verdict.bolts[0]).toMatchObject({
            kind: 'elsewhere',
            where: 'Location header of https://www.site.example/, status 302',
        });
        expect(verdict.bolts[0]?.opens).toContain('Survey https://other.example/x');
        expect(log.some((entry) => entry.url.includes('other.example'))).toBe(false);
    });

    it('closed by TLS: what is wrong with the certificate', async () => {
        const { verdict, facts } = await knock(site(), { start: 'https://127.0.0.1:PORT/', pins: [] });
        expect(verdict).toMatchObject({ state: 'shut', bolts: [{ kind: 'tls' }] });
        expect(verdict.say).toContain('no safe connection can be made');
        const certificate = facts.variants[0]!.certificate!;
        expect(certificate).toMatchObject({ isTrusted: false, isPinned: false });
        expect(storedWords(certificate.trouble)).toBe('it is signed by itself, not by an authority');
    });

    it('closed by a 500', async () => {
        const { verdict } = await knock(site({ '/': { status: 500, body: 'oh' } }));
        expect(verdict.say).toBe('The door is shut by status 500: the start page answers 500.');
        expect(verdict.bolts[0]?.opens).toContain('log of the server');
    });

    it('closed by a robots.txt that answers 500', async () => {
        const { verdict } = await knock(site({ '/robots.txt': { status: 500, body: '' } }));
        expect(verdict.bolts[0]).toMatchObject({ kind: 'robots', by: 'a robots.txt that cannot be had' });
    });

    it('closed by an empty page that a script is to fill', async () => {
        const { verdict } = await knock(
            site({ '/': '<!doctype html><title>App</title><div id="app"></div><script src="/app.js"></script>' }),
        );
        expect(verdict).toMatchObject({ state: 'shut', bolts: [{ kind: 'empty' }] });
        expect(verdict.say).toContain('a script may fill it in a browser');
    });

    it('closed to our agent, open to another', async () => {
        const plain = site();
        const { verdict, facts } = await knock((request) =>
            /EdgeMap/.test(String(request.headers?.['user-agent'])) && request.path !== '/robots.txt'
                ? { status: 403, headers: HTML, body: 'no' }
                : plain(request),
        );
        expect(verdict).toMatchObject({ state: 'shut', bolts: [{ kind: 'agent' }] });
        expect(verdict.say).toContain('turns EdgeMap away (answered 403)');
        expect(facts.differences.find((item) => item.what === 'status')).toMatchObject({ ours: '403', other: '200' });
    });

    it('closed by nobody being there', async () => {
        const { verdict } = await knock(site(), { start: 'http://127.0.0.1:1/', pins: [] });
        expect(verdict).toMatchObject({ state: 'shut', bolts: [{ kind: 'no-answer' }] });
        expect(verdict.say).toBe('The door is shut: nobody answers, 127.0.0.1:1 refused the connection.');
    });

    it('leads in a circle', async () => {
        const { verdict, facts } = await knock(
            site({
                '/': { status: 301, headers: { location: '/x' } },
                '/x': { status: 301, headers: { location: '/' } },
            }),
        );
        expect(storedWords(facts.start.failure)).toBe('it redirects in a circle, back to https://www.site.example/');
        expect(verdict.say).toBe(
            'The door is shut by its own redirects: the start page is never reached: it redirects in a circle, back to https://www.site.example/.',
        );
    });

    it('hands itself over to another page by its canonical', async () => {
        const { verdict } = await knock(
            site({ '/': START.replace('<title>', '<link rel="canonical" href="/home">\n<title>') }),
        );
        expect(verdict).toMatchObject({
            state: 'half',
            bolts: [{ kind: 'canonical', where: '<link rel="canonical">, line 2' }],
        });
    });

    it('lists what another agent is answered otherwise', async () => {
        const plain = site();
        const { facts, verdict } = await knock((request) => {
            const isOther = !/EdgeMap/.test(String(request.headers?.['user-agent']));
            return isOther && request.path === '/a/two'
                ? { status: 200, headers: { ...HTML, 'x-robots-tag': 'noindex' }, body: '<title>Another title</title>' }
                : plain(request);
        });
        expect(verdict.state).toBe('open');
        expect(
            facts.differences.map(({ url, what, ours, other }) => [new URL(url).pathname, what, ours === other]),
        ).toEqual([
            ['/a/two', 'noindex', false],
            ['/a/two', 'title', false],
        ]);
    });

    it('says when the host variants do not agree', async () => {
        const { facts, verdict } = await knock(({ path }) =>
            path === '/' ? { status: 200, headers: HTML, body: START } : { status: 404, headers: HTML, body: '' },
        );
        expect(realOrigin(facts)).toBe('');
        expect(verdict.remarks.find((say) => say.startsWith('4 ways'))).toContain('nothing they say settles');
    });
});

describe('sitemaps at the door', () => {
    const xml = (body: string): Partial<SiteAnswer> => ({ body, headers: { 'content-type': 'application/xml' } });
    const urlset = (entries: string): string =>
        `<?xml version="1.0"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${entries}</urlset>`;
    const at = (path: string, more = ''): string => `<url><loc>https://www.site.example${path}</loc>${more}</url>\n`;

    it('are counted over indexes, and each tells how it was found', async () => {
        const { facts } = await knock(
            site({
                '/robots.txt': { body: 'Sitemap: https://www.site.example/index.xml\n' },
                '/index.xml': xml(
                    `<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><sitemap><loc>https://www.site.example/one.xml</loc></sitemap></sitemapindex>`,
                ),
                '/one.xml': xml(urlset(at('/a/one') + at('/a/two') + at('/only-here'))),
            }),
        );
        expect(facts.expected).toBe(3);
        expect(
            facts.sitemaps.map(({ url, kind, entries, found }) => [
                new URL(url).pathname,
                kind,
                entries,
                foundWords(found),
            ]),
        ).toEqual([
            ['/index.xml', 'sitemapindex', 1, 'named in https://www.site.example/robots.txt, line 1'],
            ['/one.xml', 'urlset', 3, 'named in https://www.site.example/index.xml, line 1'],
        ]);
        expect(facts.sitemaps[1]?.steps.at(-1)).toEqual({ test: 'all', params: {}, ok: true });
        expect(facts.samples.map((page) => new URL(page.url).pathname)).toContain('/only-here');
    });

    it.each<[string, Change, string, RegExp]>([
        ['is missing', {}, 'answer', /^404$/],
        [
            'is closed by robots',
            { '/robots.txt': { body: 'User-agent: *\nDisallow: /map\nSitemap: /map.xml\n' } },
            'robots',
            /Disallow: \/map/,
        ],
        ['is an HTML page', { '/map.xml': '<!doctype html><title>x</title>' }, 'form', /HTML page/],
        [
            'is broken XML',
            { '/map.xml': xml(`${urlset(at('/a')).replace('</urlset>', '')}<url><loc>`) },
            'form',
            /broken at line/,
        ],
        [
            'lies about its hosts',
            { '/map.xml': xml(urlset(at('/a') + '<url><loc>https://other.example/b</loc></url>\n')) },
            'place',
            /1 on another host.*line 4/,
        ],
        [
            'has broken gzip',
            {
                '/map.xml': {
                    body: Buffer.from([0x1f, 0x8b, 8, 0, 1, 2]),
                    headers: { 'content-type': 'application/gzip' },
                },
            },
            'body',
            /gzip/,
        ],
        [
            'redirects elsewhere',
            { '/map.xml': { status: 302, headers: { location: 'https://other.example/' } } },
            'answer',
            /does not belong/,
        ],
    ])('%s', async (_name, change, test, seen) => {
        const robots = { '/robots.txt': { body: 'Sitemap: https://www.site.example/map.xml\n' } };
        const { facts } = await knock(site({ ...robots, ...change }));
        const steps = (facts.sitemaps[0]?.steps ?? []).map(toldStep);
        const step = steps.find((item) => item.test === test);
        expect(step?.ok, JSON.stringify(steps)).toBe(false);
        expect(step?.seen).toMatch(seen);
    });
});
