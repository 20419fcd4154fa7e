/** The crawl with its settings: where it may go, how gently, as whom, what it leaves alone, paused and gone on with. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { MeasuredSurvey } from '../support/reference/measured-survey.ts';
import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
import { linksOfPage } from '../support/reference/link-records.ts';
import type { PageColumn } from '../support/reference/page-record.ts';
import { pageRecord } from '../support/reference/page-record.ts';
import { NO_DECISIONS } from '$lib/core/survey/survey-rows.ts';
import { askToPause } from '$lib/server/store/job-store.ts';
import { loadPageDetails, loadSource } from '$lib/server/store/rows-store.ts';
import { resumeSurvey } from '$lib/server/store/survey-store.ts';
import { pageMains } from '$lib/server/store/schema.ts';
import { eq } from 'drizzle-orm';
import type { LoggedRequest, SiteAnswer, StandInSite } from '../../demo/stand-in.ts';
import { until } from '../support/command.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { makeSurvey, openSurvey, redirectTo, tableSite } from '../support/survey.ts';
import { storedWords } from '$lib/core/words/problems.ts';

let instance: Instance;
beforeAll(async () => {
    instance = await openInstance();
});
afterAll(() => instance.close());

const ORIGIN = 'https://www.site.example';
const links = (...hrefs: string[]): string => hrefs.map((href) => `<a href="${href}">to ${href}</a>`).join(' ');

function column(measured: MeasuredSurvey, name: PageColumn): Record<string, unknown> {
    const values: Record<string, unknown> = {};
    for (let node = 0; node < measured.count; node++) {
        values[measured.urls[node]!.replace(ORIGIN, '')] = pageRecord(measured, node)[name];
    }
    return values;
}

/** Paths asked for, robots.txt and the usual sitemap places aside. */
function asked(log: LoggedRequest[]): string[] {
    return log
        .map((entry) => entry.url.replace(ORIGIN, ''))
        .filter((url) => !/\/(?:robots\.txt|sitemap(?:_index)?\.xml)$/.test(url));
}

describe('where it may go', () => {
    const site = tableSite({
        '/': links('/guides/', '/archive/1', '/x?utm_source=a&id=1', '/x?id=1', 'https://shop.site.example/'),
        '/guides/': links('/guides/saw', '/'),
        '/guides/saw': 'saw',
        '/archive/1': links('/only-from-archive'),
        '/x?id=1': 'x',
        '/only-from-archive': 'y',
    });

    it('asks for nothing outside the scope, and keeps those links', async () => {
        const { measured, log } = await makeSurvey(instance, site, { not: ['/archive/'] });
        expect(asked(log)).not.toContain('/archive/1');
        expect(column(measured, 'url')).not.toHaveProperty('/only-from-archive');
        const home = linksOfPage(measured, measured.urls.indexOf(`${ORIGIN}/`));
        expect(home.find((link) => link.target === `${ORIGIN}/archive/1`)).toMatchObject({ internal: false });
    });

    it('reads only the paths it is given', async () => {
        const { log } = await makeSurvey(instance, site, { start: `${ORIGIN}/guides/`, only: ['/guides/'] });
        expect(asked(log).sort()).toEqual(['/guides/', '/guides/saw']);
    });

    it('makes one page of what the URL rules merge, and asks for it once', async () => {
        const { measured, log } = await makeSurvey(instance, site, { dropParameters: ['utm_*'] });
        expect(asked(log).filter((path) => path.startsWith('/x'))).toEqual(['/x?id=1']);
        expect(column(measured, 'incoming_links')['/x?id=1']).toBe(2);
    });

    it('counts depth from every start page', async () => {
        const { measured } = await makeSurvey(instance, site, { starts: [`${ORIGIN}/guides/`] });
        expect(column(measured, 'depth')).toMatchObject({ '/': 0, '/guides/': 0, '/guides/saw': 1 });
        expect(column(measured, 'evidence')['/guides/']).toBe('link manual');
    });

    it('has the hosts it is given', async () => {
        const two: StandInSite = (request) =>
            request.host === 'shop.site.example' && request.path === '/'
                ? { status: 200, headers: { 'content-type': 'text/html' }, body: '<title>Shop</title>' }
                : site(request);
        const change = {
            hosts: ['shop.site.example'],
            pins: ['www.site.example', 'site.example', 'shop.site.example'].map((host) => `${host}=127.0.0.1:PORT`),
        };
        const { measured } = await makeSurvey(instance, two, change);
        expect(column(measured, 'title')['https://shop.site.example/']).toBe('Shop');
    });
});

describe('what leads onward', () => {
    const site = tableSite({
        '/': `<link rel=next href=/2><link rel=canonical href=/c>${links('/a')}`,
        '/2': 'two',
        '/c': 'c',
        '/a': 'a',
    });

    it('is chosen kind by kind, and every kind is recorded all the same', async () => {
        const usual = await makeSurvey(instance, site);
        expect(asked(usual.log).sort()).toEqual(['/', '/a', '/c']);
        const other = await makeSurvey(instance, site, { onward: ['a', 'next'] });
        expect(asked(other.log).sort()).toEqual(['/', '/2', '/a']);
        expect(column(other.measured, 'depth')['/2']).toBeNull();
        const kinds = linksOfPage(usual.measured, usual.measured.urls.indexOf(`${ORIGIN}/`)).map((link) => link.kind);
        expect(kinds.sort()).toEqual(['a', 'canonical', 'next']);
    });
});

describe('how gently', () => {
    const chain = tableSite({ '/': links('/1', '/2', '/3'), '/1': 'x', '/2': 'x', '/3': 'x' });

    it('never asks a host faster than the settings, robots.txt and sitemaps included', async () => {
        const { log } = await makeSurvey(instance, chain, { delay: 60, concurrency: 8 });
        const times = log.map((entry) => entry.at).sort((a, b) => a - b);
        expect(times.length).toBe(7);
        // The stand-in notes whole milliseconds.
        for (let index = 1; index < times.length; index++)
            expect(times[index]! - times[index - 1]!).toBeGreaterThan(58);
    });

    it('keeps to a Crawl-delay where it is told to, and says it always', async () => {
        const asking: StandInSite = (request) =>
            request.path === '/robots.txt'
                ? { status: 200, headers: { 'content-type': 'text/plain' }, body: 'User-agent: *\nCrawl-delay: 0.08\n' }
                : chain(request);
        const { log, measured } = await makeSurvey(instance, asking, { useCrawlDelay: true });
        const times = log.slice(1).map((entry) => entry.at);
        for (let index = 1; index < times.length; index++)
            expect(times[index]! - times[index - 1]!).toBeGreaterThan(78);
        expect(storedWords(measured.rows.files.find((file) => file.kind === 'robots')?.note ?? '')).toContain(
            'asks for 0.08 s between requests',
        );
    });
});

describe('as whom', () => {
    const secrets = {
        headers: [['X-Stage', 'letmein-7']] as [string, string][],
        cookies: [['session', 'cookie-8']] as [string, string][],
        signIn: { user: 'ana', password: 'pass-9' },
    };
    const guarded =
        (seen: { url: string; sent: string }[]): StandInSite =>
        ({ host, path, headers = {} }): SiteAnswer => {
            seen.push({
                url: host + path,
                sent: `${String(headers['x-stage'])} ${String(headers.cookie)} ${String(headers.authorization)}`,
            });
            if (host === 'other.example')
                return { status: 200, headers: { 'content-type': 'text/html' }, body: 'other' };
            const basic = `Basic ${Buffer.from('ana:pass-9').toString('base64')}`;
            if (headers.authorization !== basic)
                return { status: 401, headers: { 'www-authenticate': 'Basic' }, body: '' };
            const body = links('/in', '/logout', 'https://other.example/x');
            return {
                status: 200,
                headers: { 'content-type': 'text/html', 'set-cookie': 'token=never-10; Path=/' },
                body,
            };
        };
    const pins = ['www.site.example', 'site.example', 'other.example'].map((host) => `${host}=127.0.0.1:PORT`);

    it('signs in at the hosts of the site and nowhere else, and keeps no secret anywhere', async () => {
        const seen: { url: string; sent: string }[] = [];
        const survey = await openSurvey(
            instance,
            guarded(seen),
            { pins, externals: 'check', followActions: true },
            secrets,
        );
        const { measured, survey: made } = await survey.run();
        await survey.close();
        expect(column(measured, 'status')).toMatchObject({ '/': 200, '/in': 200 });
        const site = seen.filter((item) => item.url.startsWith('www.site.example'));
        expect(site.every((item) => /^letmein-7 session=cookie-8 Basic /.test(item.sent))).toBe(true);
        const elsewhere = seen.filter((item) => item.url.startsWith('other.example'));
        expect(elsewhere.length).toBeGreaterThan(0);
        expect(elsewhere.every((item) => item.sent === 'undefined undefined undefined')).toBe(true);
        // Signed in, actions stay closed even where they are asked for.
        expect(column(measured, 'not_read')['/logout']).toBe('action');
        expect(made.settings.sends).toEqual(['header X-Stage', 'cookie session', 'sign-in ana']);
        const node = measured.urls.indexOf(`${ORIGIN}/`);
        const details = await loadPageDetails(instance.store.db, survey.id, measured.addressOf[node]!);
        expect(details?.facts.cookieNames).toEqual(['token']);
        const everything = JSON.stringify([measured.rows, details, { ...made, secrets: null }]);
        for (const secret of ['letmein-7', 'cookie-8', 'pass-9', 'never-10']) expect(everything).not.toContain(secret);
    });

    it('says that a sign-in is asked for', async () => {
        const { survey } = await makeSurvey(instance, guarded([]), { pins });
        expect(survey).toMatchObject({ state: 'failed' });
        expect(storedWords(survey.trouble)).toContain('answered 401. It asks for a sign-in');
    });

    it('uses the agent name and token it is given, for rules, metas and requests', async () => {
        const own: StandInSite = ({ path }) =>
            path === '/robots.txt'
                ? {
                      status: 200,
                      headers: { 'content-type': 'text/plain' },
                      body: 'User-agent: fernbot\nDisallow: /shut\n',
                  }
                : {
                      status: 200,
                      headers: { 'content-type': 'text/html' },
                      body: `<meta name=fernbot content=noindex>${links('/shut', '/open')}`,
                  };
        const { measured, log } = await makeSurvey(instance, own, { agent: 'FernBot/2.0 (test)', token: 'fernbot' });
        expect(new Set(log.map((entry) => entry.agent))).toEqual(new Set(['FernBot/2.0 (test)']));
        expect(column(measured, 'not_read')['/shut']).toBe('robots');
        expect(column(measured, 'gate')['/open']).toBe('noindex');
    });
});

describe('what is kept', () => {
    it('keeps the received source, its facts and its text, and finds what is shared', async () => {
        const menu = '<ul><li><a href="/">Start here</a></li><li><a href="/b">The other</a></li></ul>';
        const page = (n: number): string =>
            `<title>P${n}</title>\n<main>${menu}<h1>Häuser ${n}</h1><p>One two ${n}</p></main>`;
        const survey = await openSurvey(instance, tableSite({ '/': page(1), '/b': page(2) }));
        const { measured } = await survey.run();
        await survey.close();
        const { db } = instance.store;
        const address = measured.addressOf[measured.urls.indexOf(`${ORIGIN}/b`)]!;
        expect((await loadSource(db, survey.id, address))?.toString('utf8')).toBe(page(2));
        const details = await loadPageDetails(db, survey.id, address);
        expect(details).toMatchObject({
            hasSource: true,
            facts: { charset: 'UTF-8', charsetFrom: 'fallback', sentType: 'text/html' },
        });
        expect(details?.facts.document?.headings).toEqual([{ level: 1, text: 'Häuser 2' }]);
        const mains = await db.select().from(pageMains).where(eq(pageMains.surveyId, survey.id));
        // "Häuser 2", "One two 2": five words, the shared menu left out.
        expect(mains.find((row) => row.page === address)?.words).toBe(5);
        expect(new Set(mains.map((row) => row.hash.toString('hex'))).size).toBe(2);
    });

    it('keeps no source where it is not wanted', async () => {
        const { survey, measured } = await makeSurvey(instance, tableSite({ '/': 'x' }), { keepSource: false });
        expect(await loadSource(instance.store.db, survey.id, measured.addressOf[0]!)).toBeNull();
    });

    it('asks for external targets and resources once, when it is told to, and never for what their robots.txt closes', async () => {
        const site: StandInSite = (request) => {
            if (request.host !== 'other.example') {
                return tableSite({
                    '/': `<img src=/ok.png><img src=/gone.png>${links('https://other.example/a', 'https://other.example/a#x', 'https://other.example/shut/1', 'https://other.example/head')}`,
                    '/ok.png': { body: 'png', headers: { 'content-type': 'image/png' } },
                })(request);
            }
            if (request.path === '/robots.txt')
                return { status: 200, headers: {}, body: 'User-agent: *\nDisallow: /shut/\n' };
            if (request.path === '/head' && request.method === 'HEAD') return { status: 405, headers: {}, body: '' };
            return { status: request.path === '/a' ? 410 : 200, headers: {}, body: 'x' };
        };
        const pins = ['www.site.example', 'site.example', 'other.example'].map((host) => `${host}=127.0.0.1:PORT`);
        const { measured, log } = await makeSurvey(instance, site, { pins, externals: 'check', resources: 'check' });
        const others = log
            .filter((entry) => entry.url.includes('other.example'))
            .map((entry) => `${entry.method} ${entry.url.slice(21)}`);
        expect(others.sort()).toEqual(['GET /head', 'GET /robots.txt', 'HEAD /a', 'HEAD /head']);
        const found = Object.fromEntries(
            measured.rows.checks.map((row) => [
                measured.urlById.get(row.address)!.replace(ORIGIN, ''),
                row.status ?? row.notRead,
            ]),
        );
        expect(found).toEqual({
            '/ok.png': 200,
            '/gone.png': 404,
            'https://other.example/a': 410,
            'https://other.example/shut/1': 'robots',
            'https://other.example/head': 200,
        });
        const home = linksOfPage(measured, measured.urls.indexOf(`${ORIGIN}/`));
        expect(home.find((link) => link.target === 'https://other.example/a')?.target_status).toBe(410);
        expect(measured.count).toBe(1);
    });

    it('leaves both alone otherwise', async () => {
        const { log, measured } = await makeSurvey(instance, tableSite({ '/': '<img src=/x.png>' }));
        expect(asked(log)).toEqual(['/']);
        expect(measured.rows.checks).toEqual([]);
    });
});

/** A page for every path: the calendar goes on without end, other pages are their own. */
const calendar: StandInSite = ({ path }) => {
    const month = /^\/calendar\/(\d+)\/$/.exec(path)?.[1];
    const body =
        month === undefined
            ? links('/calendar/1/', '/about', '/reserve/ladder/')
            : `<h1>Month ${month}</h1><p>Nothing is on in this month, so come back later.</p>${links(`/calendar/${Number(month) + 1}/`, '/')}`;
    const known = month !== undefined || path === '/' || path === '/about' || path.startsWith('/reserve/');
    return { status: known ? 200 : 404, headers: { 'content-type': 'text/html' }, body };
};
const CALENDAR = 'www.site.example/calendar/{n}/';

describe('traps and actions', () => {
    it('closes a trap at its limit, asks for no action, and says both', async () => {
        const { measured, log, survey } = await makeSurvey(instance, calendar, { familyLimit: 30 });
        expect(asked(log).filter((path) => path.startsWith('/calendar/'))).toHaveLength(30);
        expect(asked(log)).not.toContain('/reserve/ladder/');
        const why = column(measured, 'not_read');
        expect(why).toMatchObject({ '/reserve/ladder/': 'action', '/calendar/31/': 'trap', '/calendar/30/': '' });
        expect(column(measured, 'depth')['/calendar/31/']).toBe(31);
        // Families are no limit: what is known of the rest still holds.
        expect(survey).toMatchObject({ state: 'finished', cut: [] });
    });

    it('comes out of four traps on http and https at once, and reads every page beside them', async () => {
        const LIMIT = DEFAULT_SETTINGS.familyLimit;
        const FLAT = 150;
        const day = (n: number): string => new Date(Date.UTC(2027, 0, 1 + n)).toISOString().slice(0, 10);
        const hostile: StandInSite = ({ scheme, path }) => {
            const [route = '', query = ''] = path.split('?');
            const on = new URLSearchParams(query);
            const html = (body: string): SiteAnswer => ({
                status: 200,
                headers: { 'content-type': 'text/html' },
                body,
            });
            // 1. A calendar that goes on day by day.
            const date = /^\/days\/(\d{4}-\d\d-\d\d)$/.exec(route)?.[1];
            if (date !== undefined) {
                const n = Math.round((Date.parse(date) - Date.UTC(2027, 0, 1)) / 86_400_000);
                return html(`<p>Nothing is on this day, look at the next one.</p>${links(`/days/${day(n + 1)}`)}`);
            }
            // 2. Filters that are switched on and off in every combination.
            if (route === '/tools/') {
                const all = ['kind', 'size', 'brand', 'colour', 'age', 'shelf', 'state', 'fee', 'branch'];
                const to = all.map((name) => {
                    const next = new URLSearchParams(on);
                    next.set(name, String(Number(next.get(name) ?? 0) + 1));
                    next.sort();
                    return `/tools/?${next}`;
                });
                return html(`<p>Tools of all kinds, chosen by ${on.size} filters.</p>${links(...to)}`);
            }
            // 3. A link without its slash, answered by a server that takes any path.
            if (/^\/help\/(?:rules\/)*$/.test(route)) return html(`<p>The rules are here.</p>${links('rules/')}`);
            // 4. A session in the URL, new with every answer.
            if (route === '/desk') {
                const held = parseInt(on.get('PHPSESSID') ?? '0', 10);
                return html(`<p>The desk is open from nine.</p>${links(`/desk?PHPSESSID=${held + 1}a7f`)}`);
            }
            const flat = /^\/pages\/(\w+)$/.exec(route)?.[1];
            if (flat !== undefined) return html(`<title>${flat}</title><p>All about ${flat} and ${flat} alone.`);
            if (route !== '/') return { status: 404, headers: {}, body: '' };
            const pages = Array.from({ length: FLAT }, (_, n) => `/pages/${'abcdefghij'[n % 10]}${n}x`);
            const other = scheme === 'https' ? 'http' : 'https';
            return html(
                links(...pages, `/days/${day(0)}`, '/tools/', '/help/', '/desk', `${other}://www.site.example/`),
            );
        };
        const { measured, log, survey } = await makeSurvey(instance, hostile);
        expect(survey).toMatchObject({ state: 'finished', cut: [] });
        const of = (path: string, schemes = ['http', 'https']): number =>
            log.filter(({ url }) => schemes.some((scheme) => url.startsWith(`${scheme}://www.site.example${path}`)))
                .length;
        for (const scheme of ['http', 'https']) expect(of('/pages/', [scheme]), scheme).toBe(FLAT);
        for (const trap of ['/days/', '/tools/', '/help/', '/desk']) {
            // A family is one over both schemes; beside its members stand its entrances, which have no pattern yet.
            expect(of(trap), trap).toBeGreaterThanOrEqual(LIMIT);
            expect(of(trap), trap).toBeLessThanOrEqual(LIMIT + 8);
        }
        const why = Object.values(column(measured, 'not_read'));
        expect(why.filter((reason) => reason === 'trap').length).toBeGreaterThan(4);
    });

    it('goes on where a family is opened by hand, as a new revision, and asks for nothing twice', async () => {
        const survey = await openSurvey(instance, calendar, { familyLimit: 20, maxPages: 60 });
        expect((await survey.run()).survey).toMatchObject({ state: 'finished', revision: 1, cut: [] });
        const decisions = { opened: [CALENDAR], closed: [], actions: [`${ORIGIN}/reserve/ladder/`] };
        expect(await resumeSurvey(instance.store.db, survey.id, { decisions })).toBe(true);
        const { survey: made, measured, log } = await survey.run();
        await survey.close();
        expect(made).toMatchObject({ state: 'finished', revision: 2, cut: ['max-pages'], decisions });
        expect(column(measured, 'status')['/reserve/ladder/']).toBe(200);
        const pages = asked(log);
        expect(pages.length).toBe(60);
        expect(new Set(pages).size).toBe(60);
    });

    it('leaves a family alone that is closed by hand', async () => {
        const survey = await openSurvey(instance, calendar);
        await resumeSurvey(instance.store.db, survey.id);
        const { db } = instance.store;
        const stop = new AbortController();
        stop.abort('pause');
        await survey.run(stop.signal);
        await resumeSurvey(db, survey.id, { decisions: { ...NO_DECISIONS, closed: [CALENDAR] } });
        const { log } = await survey.run();
        await survey.close();
        expect(asked(log).filter((path) => path.startsWith('/calendar/'))).toEqual([]);
    });
});

describe('paused, stopped, out of time', () => {
    const tree: StandInSite = ({ path }) => {
        const n = Number(path.slice(1));
        const isPage = /^\/\d*$/.test(path) && n < 150;
        return {
            status: isPage ? 200 : 404,
            headers: { 'content-type': 'text/html' },
            body: links(`/${n * 2 + 1}`, `/${n * 2 + 2}`),
            delay: 5,
        };
    };
    /** Pages 0 to 149, and the 151 numbers up to 300 they link to that are none. */
    const WHOLE = 301;

    it('pauses with nothing closed, and goes on without asking for a page twice', async () => {
        const survey = await openSurvey(instance, tree);
        const running = survey.run();
        await until(
            'reading',
            () => survey.standIn.log.length > 40,
            20_000,
            () => '',
        );
        await askToPause(instance.store.db, survey.id);
        const paused = await running;
        expect(paused.survey).toMatchObject({ state: 'paused', revision: 0, cut: [], endedAt: null });
        const before = survey.standIn.log.length;
        expect(before).toBeLessThan(WHOLE);
        const stored = new Set(
            paused.measured.pages.flatMap((page, node) => (page?.status == null ? [] : [paused.measured.urls[node]!])),
        );
        await resumeSurvey(instance.store.db, survey.id);
        const { survey: made, measured, log } = await survey.run();
        await survey.close();
        expect(made).toMatchObject({ state: 'finished', revision: 1, cut: [] });
        expect(measured.count).toBe(WHOLE);
        // Only what was under way and not stored may be asked for again.
        const again = log.slice(before).map((entry) => entry.url);
        expect(again.filter((url) => stored.has(url))).toEqual([]);
        const whole = await makeSurvey(instance, tree);
        expect(column(measured, 'depth')).toEqual(column(whole.measured, 'depth'));
    });

    it('goes on after a stop, and after its time was over', async () => {
        const survey = await openSurvey(instance, tree, { maxMinutes: 0.005 });
        const first = await survey.run();
        expect(first.survey).toMatchObject({ state: 'finished', cut: ['max-minutes'] });
        expect(column(first.measured, 'not_read')).toSatisfy((why: Record<string, unknown>) =>
            Object.values(why).includes('limit'),
        );
        await resumeSurvey(instance.store.db, survey.id, { limits: { maxMinutes: null } });
        const { survey: made, measured } = await survey.run();
        await survey.close();
        expect(made).toMatchObject({ state: 'finished', revision: 2, cut: [] });
        expect(measured.count).toBe(WHOLE);
        expect(Object.values(column(measured, 'not_read')).every((why) => why === '')).toBe(true);
    });

    it('goes on deeper where the limit is set wider', async () => {
        const survey = await openSurvey(instance, tree, { maxDepth: 2 });
        expect((await survey.run()).survey.cut).toEqual(['max-depth']);
        await resumeSurvey(instance.store.db, survey.id, { limits: { maxDepth: null } });
        const { survey: made, measured } = await survey.run();
        await survey.close();
        expect(made.cut).toEqual([]);
        expect(measured.count).toBe(WHOLE);
    });

    it('reads a sitemap index and its files once, however often it goes on', async () => {
        const xml = (body: string): { headers: Record<string, string>; body: string } => ({
            headers: { 'content-type': 'application/xml' },
            body: `<?xml version="1.0"?>${body}`,
        });
        const loc = (path: string): string => `<loc>https://www.site.example${path}</loc>`;
        const namespace = 'xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"';
        const files: Record<string, ReturnType<typeof xml>> = {
            '/sitemap.xml': xml(
                `<sitemapindex ${namespace}>${['/one.xml', '/two.xml', '/none.xml']
                    .map((path) => `<sitemap>${loc(path)}</sitemap>`)
                    .join('\n')}</sitemapindex>`,
            ),
            '/one.xml': xml(`<urlset ${namespace}><url>${loc('/5')}</url>\n<url>${loc('/only-here')}</url></urlset>`),
            '/two.xml': xml(`<urlset ${namespace}><url>${loc('/only-here')}</url></urlset>`),
        };
        const site: StandInSite = (request) => {
            const file = files[request.path];
            return file ? { status: 200, ...file } : tree(request);
        };
        const survey = await openSurvey(instance, site);
        const stop = new AbortController();
        const first = survey.run(stop.signal);
        await until(
            'reading',
            () => survey.standIn.log.length > 40,
            20_000,
            () => '',
        );
        stop.abort();
        expect((await first).survey.state).toBe('stopped');
        await resumeSurvey(instance.store.db, survey.id);
        const { measured, log } = await survey.run();
        await survey.close();
        for (const path of [...Object.keys(files), '/none.xml']) {
            expect(log.filter((entry) => new URL(entry.url).pathname === path).length, path).toBe(1);
        }
        const whole = await makeSurvey(instance, site);
        expect(column(measured, 'evidence')).toEqual(column(whole.measured, 'evidence'));
        expect(column(measured, 'evidence')['/only-here']).toBe('sitemap');
    });

    it('does not go on with what is under way', async () => {
        const survey = await openSurvey(instance, tree);
        expect(await resumeSurvey(instance.store.db, survey.id)).toBe(false);
        await survey.close();
    });
});

describe('a spot survey', () => {
    it('reads what it is given and where that redirects to, and nothing else', async () => {
        const site = tableSite({
            '/': links('/a', '/b'),
            '/a': links('/c'),
            '/b': redirectTo('/d'),
            '/c': 'c',
            '/d': links('/c'),
        });
        const spot = { parent: 1, what: 'two pages', urls: [`${ORIGIN}/a`, `${ORIGIN}/b`] };
        const { survey, measured, log } = await makeSurvey(instance, site, { spot });
        expect(log.map((entry) => entry.url.replace(ORIGIN, '')).sort()).toEqual(['/a', '/b', '/d', '/robots.txt']);
        expect(survey).toMatchObject({ state: 'finished', cut: ['spot'] });
        expect(measured.complete).toBe(false);
        expect(column(measured, 'orphan')).toMatchObject({ '/a': null, '/d': null });
    });
});

describe('a canonical to the page itself', () => {
    it('is one list for all pages, and is told with its target and as it was written', async () => {
        const page = (canonical: string): string =>
            `<link rel=canonical href="${canonical}">${links('/a', '/b', '/c')}`;
        const { measured } = await makeSurvey(
            instance,
            tableSite({ '/': page(`${ORIGIN}/`), '/a': page('/a'), '/b': page('b'), '/c': page('/a') }),
        );
        const canonical = (path: string) =>
            linksOfPage(measured, measured.urls.indexOf(ORIGIN + path)).find((link) => link.kind === 'canonical');
        for (const [path, target, href] of [
            ['/', '/', `${ORIGIN}/`],
            ['/a', '/a', '/a'],
            ['/b', '/b', 'b'],
            ['/c', '/a', '/a'],
        ] as const) {
            expect(canonical(path)).toMatchObject({
                target: ORIGIN + target,
                href,
                internal: true,
                target_status: 200,
            });
        }
        expect(column(measured, 'gate')).toMatchObject({
            '/': 'indexable',
            '/a': 'indexable',
            '/b': 'indexable',
            '/c': 'canonical',
        });
        // One list for the three that name themselves, one for the other; and the links of the four pages.
        const lists = measured.rows.lists.filter((list) => list.links[0]?.kind === 'canonical');
        expect(lists).toHaveLength(2);
    });
});

describe('site text of any script and direction', () => {
    const PAGES: Record<string, { bytes: Buffer; type: string }> = {
        '/': {
            type: 'text/html; charset=utf-8',
            bytes: Buffer.from(
                '<html lang="ar" dir="rtl"><title>مكتبة الأدوات</title><h1>أهلا وسهلا</h1>' +
                    '<main><a href="/דף">דף עברי</a> <a href="/工具">工具の一覧</a> <a href="/greek">Ελληνικά</a>' +
                    '<p>\u202eevil\u202c نص</p></main></html>',
            ),
        },
        '/%D7%93%D7%A3': {
            // ISO-8859-8-I, told only by the document: visual order is none of our business, the words are.
            type: 'text/html',
            bytes: Buffer.concat([
                Buffer.from('<meta charset="iso-8859-8-i"><title>'),
                Buffer.from([0xf9, 0xec, 0xe5, 0xed]),
                Buffer.from('</title>'),
            ]),
        },
        '/%E5%B7%A5%E5%85%B7': {
            type: 'text/html; charset=Shift_JIS',
            bytes: Buffer.concat([
                Buffer.from('<title>'),
                Buffer.from([0x93, 0xfa, 0x96, 0x7b, 0x8c, 0xea]),
                Buffer.from('</title>'),
            ]),
        },
        '/greek': {
            type: 'text/html',
            bytes: Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('<title>Καλημέρα</title>', 'utf16le')]),
        },
    };

    it('is read by the charset it says, and kept letter by letter', async () => {
        const { measured } = await makeSurvey(instance, ({ path }) => {
            const page = PAGES[path];
            return page
                ? { status: 200, headers: { 'content-type': page.type }, body: page.bytes }
                : { status: 404, headers: { 'content-type': 'text/plain' }, body: '' };
        });
        const titles = column(measured, 'title');
        const at = (path: string): unknown => titles[path];
        expect(at('/')).toBe('مكتبة الأدوات');
        expect(at('/%D7%93%D7%A3')).toBe('שלום');
        expect(at('/%E5%B7%A5%E5%85%B7')).toBe('日本語');
        expect(at('/greek')).toBe('Καλημέρα');
        expect(column(measured, 'h1')['/']).toBe('أهلا وسهلا');
    });
});
