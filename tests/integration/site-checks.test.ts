/** What a site says of its checks: what it lives with, what it does not ask, and where its thresholds lie. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startStandIn, type StandIn } from '../../demo/stand-in.ts';
import type { RobotsNow } from '$lib/wire/robots-now.ts';
import { startApplication } from '../support/application.ts';
import { ask as askAt, type HttpAnswer } from '../support/ask.ts';
import { runCommand, type CommandResult } from '../support/command.ts';
import { redirectTo, tableSite } from '../support/survey.ts';

const link = (href: string): string => `<a href="${href}">to ${href}</a>`;
const page = (title: string, ...links: string[]): string =>
    `<!doctype html><html lang="en"><title>${title}</title><meta name="description" content="d"><h1>${title}</h1><p>${links.map(link).join(' ')}`;
const SITE = tableSite({
    '/': page('Start', '/a', '/gone', '/lost'),
    '/a': page('x'.repeat(59), '/', '/gone', '/moved'),
    '/moved': redirectTo('/a'),
});

let data: string;
let standIn: StandIn;
let app: Awaited<ReturnType<typeof startApplication>>;

const survey = (...words: string[]): Promise<CommandResult> =>
    runCommand([
        'survey',
        `http://127.0.0.1:${standIn.port}/`,
        '--export',
        join(data, 'export'),
        '--data',
        data,
        ...words,
    ]);
const ask = (path: string): Promise<HttpAnswer> => askAt(app.address, `/api/v1/sites/1/${path}`);
const say = (method: string, path: string, body?: unknown): Promise<HttpAnswer> =>
    askAt(app.address, `/api/v1/sites/1/${path}`, {
        method,
        headers: { 'content-type': 'application/json', origin: app.address },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
const read = async <T>(path: string): Promise<T> => JSON.parse((await ask(path)).body) as T;

interface Causes {
    causes: {
        key: string;
        severity: string;
        urls: { pages: number } | null;
        follows: { check: string; pages: number }[];
    }[];
    accepted: { key: string; accepted: string }[];
}
const causes = (): Promise<Causes> => read<Causes>('surveys/1/causes');
const sizeOf = async (set: string): Promise<number> =>
    (await read<{ total: number }>(`surveys/1/pages?count=1&set=${encodeURIComponent(set)}`)).total;
const findings = async (): Promise<{ check: string; other_url: string; group: string; accepted: string }[]> =>
    (await ask('surveys/1/findings.ndjson')).body
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line) as { check: string; other_url: string; group: string; accepted: string });

beforeAll(async () => {
    data = mkdtempSync(join(tmpdir(), 'edgemap-checks-'));
    standIn = await startStandIn(SITE);
    const made = await survey('--fail-on', 'link-to-error');
    expect(made.code, made.out + made.err).toBe(3);
    app = await startApplication(['start'], data);
});
afterAll(async () => {
    await app.close();
    await standIn.close();
    rmSync(data, { recursive: true, force: true });
});

describe('a cause', () => {
    it('is told with what follows from it, and is a set', async () => {
        const gone = (await causes()).causes.find(({ key }) => key === '404 /gone')!;
        expect(gone).toMatchObject({
            severity: 'fault',
            urls: { pages: 1 },
            follows: [{ check: 'link-to-error', pages: 2 }],
        });
        expect(await sizeOf('cause "404 /gone"')).toBe(1);
        expect(await sizeOf('has finding "link-to-error" of "404 /gone"')).toBe(2);
        expect(await sizeOf('has finding "link-to-error" of "404 /lost"')).toBe(1);
        const rows = (await findings()).filter(({ check }) => check === 'link-to-error');
        expect(rows.map(({ group, accepted }) => `${group} ${accepted}`).sort()).toEqual([
            '404 /gone no',
            '404 /gone no',
            '404 /lost no',
        ]);
    });
});

describe('a sitemap of a set', () => {
    interface Plan {
        entries: number;
        added: number;
        gone: number;
        files: { name: string; entries: number }[];
        refused: { urls: number }[];
    }
    const plan = (asked: Record<string, string>): Promise<HttpAnswer> =>
        ask(`surveys/1/sitemap-build?${new URLSearchParams(asked)}`);

    it('lists the indexable pages where nothing else is said, all of them new where none was listed', async () => {
        const { entries, added, gone, files, refused } = JSON.parse((await plan({})).body) as Plan;
        expect({ entries, added, gone, refused }).toEqual({ entries: 2, added: 2, gone: 0, refused: [] });
        expect(files).toMatchObject([{ name: 'sitemap.xml', entries: 2 }]);
        const saved = await ask('surveys/1/sitemap-build/files');
        expect(saved.headers['content-disposition']).toBe('attachment; filename="sitemap.xml"');
        expect(saved.body.match(/<loc>/g)).toHaveLength(2);
    });

    it('is an archive where it is several files', async () => {
        const asked = new URLSearchParams({ set: 'all', split: 'section' });
        const { entries, files } = JSON.parse((await plan({ set: 'all' })).body) as Plan;
        expect([entries, files.length]).toEqual([5, 1]);
        const saved = await ask(`surveys/1/sitemap-build/files?${asked}`);
        // One section: one file, whatever was asked.
        expect(saved.headers['content-type']).toContain('application/xml');
    });

    it('takes those of a set that stop at certain gates, and answered with certain codes', async () => {
        interface Parts extends Plan {
            set: string;
            gates: { gate: string; urls: number }[];
            statuses: { status: number; urls: number }[];
        }
        const all = JSON.parse((await plan({ set: 'all' })).body) as Parts;
        const sum = (parts: { urls: number }[]): number => parts.reduce((total, { urls }) => total + urls, 0);
        const known = (JSON.parse((await ask('surveys/1/pages?count=1')).body) as { total: number }).total;
        expect([sum(all.gates), sum(all.statuses)]).toEqual([known, known]);
        const own = async (asked: Record<string, string>) =>
            JSON.parse((await plan({ set: 'all', ...asked })).body) as Parts;
        for (const { gate, urls } of all.gates) expect((await own({ gates: gate })).entries, gate).toBe(urls);
        const two = await own({ gates: `indexable,${all.gates.find(({ gate }) => gate !== 'indexable')!.gate}` });
        expect(two.entries).toBeGreaterThan((await own({ gates: 'indexable' })).entries);
        const answered = all.statuses.filter(({ status }) => status !== 0);
        for (const { status, urls } of answered) expect((await own({ statuses: `${status}` })).entries).toBe(urls);
        // The set it says is those pages.
        const { set, entries } = await own({ gates: 'indexable', statuses: '200' });
        const pages = JSON.parse((await ask(`surveys/1/pages?count=1&set=${encodeURIComponent(set)}`)).body) as {
            total: number;
        };
        expect(pages.total).toBe(entries);
        expect((await plan({ gates: 'garden' })).status).toBe(400);
        expect((await plan({ statuses: '20' })).status).toBe(400);
    });

    it('says what is no plan, and what would not count where it is to stand', async () => {
        expect((await plan({ set: 'depth >' })).status).toBe(400);
        expect((await plan({ split: 'colour' })).body).toContain('no plan');
        expect((await plan({ at: '/maps/list.xml' })).body).toContain('slash at its end');
        const { entries, refused } = JSON.parse((await plan({ at: '/maps/' })).body) as Plan;
        expect([entries, refused]).toMatchObject([0, [{ urls: 2 }]]);
        expect((await ask('surveys/1/sitemap-build/files?at=%2Fmaps%2F')).status).toBe(400);
    });
});

describe('what is accepted', () => {
    it('needs a reason, and something that can be accepted', async () => {
        const without = await say('POST', 'acceptances', { subject: '404 /gone', note: ' ' });
        expect(without.status).toBe(400);
        expect(without.body).toContain('Say why');
        expect((await say('POST', 'acceptances', { check: 'no-such', subject: 'x', note: 'y' })).body).toContain(
            'There is no check \\"no-such\\"',
        );
        expect((await say('DELETE', 'acceptances?id=x')).status).toBe(400);
        expect(await read<unknown[]>('acceptances')).toEqual([]);
    });

    it('leaves sets, exports say so, and it comes back when it is taken back', async () => {
        await say('POST', 'acceptances', { subject: '404 /gone', note: 'first reason' });
        await say('POST', 'acceptances', { subject: '404 /gone', note: 'the archive is closed' });
        const [kept, ...others] = await read<{ id: number; note: string }[]>('acceptances');
        expect([kept!.note, others]).toEqual(['the archive is closed', []]);
        const told = await causes();
        expect(told.causes.map(({ key }) => key)).not.toContain('404 /gone');
        expect(told.accepted).toMatchObject([{ key: '404 /gone', accepted: 'the archive is closed' }]);
        expect(await sizeOf('has finding "link-to-error"')).toBe(1);
        expect(await sizeOf('accepted "404 /gone"')).toBe(2);
        const said = (await findings()).filter(({ check }) => check === 'link-to-error');
        expect(said.map(({ group, accepted }) => `${group} ${accepted}`).sort()).toEqual([
            '404 /gone yes',
            '404 /gone yes',
            '404 /lost no',
        ]);
        await say('DELETE', `acceptances?id=${kept!.id}`);
        expect(await sizeOf('has finding "link-to-error"')).toBe(2);
    });

    it('fails no gate: of a cause, and of one finding; in a survey made later, too', async () => {
        await say('POST', 'acceptances', { subject: '404 /gone', note: 'the archive is closed' });
        const half = await survey('--fail-on', 'link-to-error');
        expect(half.code, half.out).toBe(3);
        expect(half.out).toContain('1 finding: link-to-error');
        const lost = `http://127.0.0.1:${standIn.port}/lost`;
        await say('POST', 'acceptances', { check: 'link-to-error', subject: lost, note: 'soon' });
        const whole = await survey('--fail-on', 'link-to-error');
        expect(whole.code, whole.out + whole.err).toBe(0);
        expect(whole.out).toContain('Nothing found: link-to-error');
        for (const { id } of await read<{ id: number }[]>('acceptances')) await say('DELETE', `acceptances?id=${id}`);
    });
});

describe('a check', () => {
    it('that is switched off is told nowhere, until it is asked again', async () => {
        expect(JSON.parse((await say('PUT', 'checks', { check: 'link-to-error', isOff: true })).body)).toEqual({
            off: ['link-to-error'],
            thresholds: {},
        });
        expect(await sizeOf('has finding "link-to-error"')).toBe(0);
        expect((await findings()).map(({ check }) => check)).not.toContain('link-to-error');
        expect((await causes()).causes.map(({ key }) => key)).not.toContain('404 /gone');
        await say('PUT', 'checks', { check: 'link-to-error', isOff: false });
        expect(await sizeOf('has finding "link-to-error"')).toBe(2);
    });

    it('has a threshold of its own where the site gives it one, within its bounds', async () => {
        expect(await sizeOf('has finding "title-long"')).toBe(0);
        await say('PUT', 'checks', { check: 'title-long', threshold: 58 });
        expect(await sizeOf('has finding "title-long"')).toBe(1);
        await say('PUT', 'checks', { check: 'title-long', threshold: 59 });
        expect(await sizeOf('has finding "title-long"')).toBe(0);
        const far = await say('PUT', 'checks', { check: 'title-long', threshold: 9 });
        expect(far.status).toBe(400);
        expect(far.body).toContain('a number of characters from 10 to 1,000');
        expect((await say('PUT', 'checks', { check: 'link-to-error', threshold: 3 })).body).toContain(
            'has no threshold',
        );
        expect((await say('PUT', 'checks', { check: 'title-long', threshold: 1.5 })).body).toContain('whole number');
        expect((await say('PUT', 'checks', { check: 'nothing' })).body).toContain('There is no check');
        expect(JSON.parse((await say('PUT', 'checks', { check: 'title-long', threshold: null })).body)).toEqual({
            off: [],
            thresholds: {},
        });
    });
});

describe('a robots.txt that is proposed', () => {
    const origin = (): string => `http://127.0.0.1:${standIn.port}`;

    it('is kept for its host, one at a time, until it is thrown away', async () => {
        expect(await read<unknown[]>('robots-proposals')).toEqual([]);
        await say('PUT', 'robots-proposals', { origin: origin(), text: 'User-agent: *\n', note: 'first' });
        await say('PUT', 'robots-proposals', { origin: origin(), text: 'User-agent: *\nDisallow: /a\n' });
        await say('PUT', 'robots-proposals', { origin: 'https://other.example', text: '' });
        const kept = await read<{ origin: string; text: string; note: string }[]>('robots-proposals');
        expect(kept.map(({ origin: own, text, note }) => [own, text, note])).toEqual([
            [origin(), 'User-agent: *\nDisallow: /a\n', ''],
            ['https://other.example', '', ''],
        ]);
        await say('DELETE', `robots-proposals?origin=${encodeURIComponent(origin())}`);
        expect(await read<unknown[]>('robots-proposals')).toHaveLength(1);
    });

    it('says what it cannot take', async () => {
        const of = async (body: object): Promise<[number, string]> => {
            const { status, body: text } = await say('PUT', 'robots-proposals', body);
            return [status, text];
        };
        expect(await of({ origin: 'site.example', text: '' })).toEqual([
            400,
            expect.stringContaining('for which host'),
        ]);
        expect(await of({ origin: origin() })).toEqual([400, expect.stringContaining('the text of the file')]);
        expect(await of({ origin: origin(), text: '#'.repeat(512_001) })).toEqual([
            400,
            expect.stringContaining('500 KiB'),
        ]);
        expect((await say('DELETE', 'robots-proposals')).status).toBe(400);
    });
});

describe('the robots.txt of a host as it is now', () => {
    it('is asked for beside any survey, and nothing is kept', async () => {
        const origin = `http://127.0.0.1:${standIn.port}`;
        const before = await ask('surveys/1/summary.json');
        const told = JSON.parse((await say('POST', 'robots-live', { origin })).body) as RobotsNow;
        const served = await askAt(origin, '/robots.txt');
        expect([told.status, told.text]).toEqual([served.status, served.status === 200 ? served.body : '']);
        expect((await ask('surveys/1/summary.json')).body).toBe(before.body);
    });

    it.each([
        [{}, 400, 'Say of which host'],
        [{ origin: 'mailto:x' }, 422, 'is no host'],
    ])('%j is refused with a sentence', async (body, status, said) => {
        const answer = await say('POST', 'robots-live', body);
        expect([answer.status, answer.body]).toEqual([status, expect.stringContaining(said)]);
    });

    it('of a host that does not answer says so', async () => {
        const told = JSON.parse((await say('POST', 'robots-live', { origin: 'http://127.0.0.1:1' })).body) as RobotsNow;
        // A file that could not be had is no empty one.
        expect([told.status, told.text]).toEqual([null, null]);
        expect(told.note).toMatch(/refused|reached|answer/);
    });
});

describe('a sitemap that is judged beside a survey', () => {
    interface Judged {
        at: string | null;
        kind: string;
        steps: { test: string; ok: boolean | null }[];
        against: { entries: number; indexable: number; lacking: number; unheard: { entries: number } } | null;
    }
    const judge = (body: unknown): Promise<HttpAnswer> => say('POST', 'surveys/1/sitemap-judge', body);
    const own = (path: string): string => `http://127.0.0.1:${standIn.port}${path}`;
    const list = (...urls: string[]): string =>
        `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${urls.map((url) => `<url><loc>${url}</loc></url>`).join('')}</urlset>`;

    it('is told by what is odd about it and by what the survey knows of its entries', async () => {
        const { kind, against, at } = JSON.parse(
            (await judge({ text: list(own('/a'), own('/never')) })).body,
        ) as Judged;
        expect([kind, at]).toEqual(['a urlset', null]);
        expect(against).toMatchObject({ entries: 2, indexable: 1, lacking: 1, unheard: { entries: 1 } });
        const placed = JSON.parse(
            (await judge({ text: list(own('/a')), at: own('/maps/sitemap.xml') })).body,
        ) as Judged;
        expect(placed.steps.find(({ test }) => test === 'place')).toMatchObject({ ok: null });
    });

    it('is taken as a file, packed or not, as large as a sitemap may be', async () => {
        const send = (body: Buffer): Promise<HttpAnswer> =>
            askAt(app.address, '/api/v1/sites/1/surveys/1/sitemap-judge?at=/sitemap.xml', {
                method: 'POST',
                headers: { 'content-type': 'application/octet-stream', origin: app.address },
                body,
            });
        const packed = await send(gzipSync(list(own('/a'))));
        expect(JSON.parse(packed.body)).toMatchObject({ kind: 'a urlset', at: own('/sitemap.xml') });
        // More than a form holds.
        const long = await send(Buffer.from(list(own('/a')).replace('<url>', `<!--${' '.repeat(2_000_000)}--><url>`)));
        expect(JSON.parse(long.body)).toMatchObject({ against: { entries: 1 } });
        expect((await send(Buffer.alloc(0))).status).toBe(422);
    });

    it('is judged by itself where no survey is looked at', async () => {
        const answer = await say('POST', 'sitemap-judge', { text: list(own('/a'), own('/a')) });
        const alone = JSON.parse(answer.body) as Judged;
        const beside = JSON.parse((await judge({ text: list(own('/a'), own('/a')) })).body) as Judged;
        expect(alone).toEqual({ ...beside, against: null });
        expect(beside.against).not.toBeNull();
        expect((await say('POST', 'sitemap-judge', {})).status).toBe(400);
        expect((await say('POST', 'sitemap-judge', { url: 'mailto:x' })).status).toBe(422);
    });

    it('is asked for at an address, and what it answers is told', async () => {
        const judged = JSON.parse((await judge({ url: '/sitemap.xml' })).body) as Judged;
        expect(judged).toMatchObject({ at: own('/sitemap.xml'), kind: 'nothing', against: null });
        expect(judged.steps).toMatchObject([{ test: 'answer', ok: false }]);
        expect((await judge({ url: 'mailto:x' })).status).toBe(422);
        expect((await judge({})).status).toBe(400);
    });
});
