/** The application as processes: started, refused twice, killed in every part, and safe by default. */
import { createServer } from 'node:net';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { numbers } from '../../demo/big-site.ts';
import { startStandIn, type LoggedRequest, type StandInSite } from '../../demo/stand-in.ts';
import { lives, startApplication, type Application } from '../support/application.ts';
import { ask } from '../support/ask.ts';
import { runCommand, until } from '../support/command.ts';
import { temporaryFolder } from '../support/instance.ts';

/** A tree of pages, two links each, slow enough to be killed in the middle. */
const TREE: StandInSite = ({ path }) => {
    const n = Number(path.slice(1));
    const isPage = /^\/\d*$/.test(path) && n < 400;
    return {
        status: isPage ? 200 : 404,
        headers: { 'content-type': 'text/html' },
        body: `<title>${n}</title><a href="/${n * 2 + 1}">l</a><a href="/${n * 2 + 2}">r</a>`,
        delay: 12,
    };
};
const TREE_PAGES = 400;

const FORM = { 'content-type': 'application/x-www-form-urlencoded' };

/** Adds a site through the form and starts its survey; gives back the address of its data. */
async function addAndSurvey(app: Application, start: string): Promise<string> {
    const answer = await ask(app.address, '/sites/new', {
        method: 'POST',
        headers: { ...FORM, origin: app.address, accept: 'text/html' },
        body: new URLSearchParams({
            start,
            maxPages: '5000',
            concurrency: '4',
            robots: 'obey',
            then: 'survey',
        }).toString(),
    });
    expect(answer.status, answer.body.slice(0, 300)).toBe(303);
    const match = /\/sites\/(\d+)\/(\d+)\/progress/.exec(String(answer.headers.location));
    return `/api/v1/sites/${match?.[1]}/surveys/${match?.[2]}`;
}

const Window = z.object({
    total: z.number(),
    rows: z.array(
        z.object({
            record: z.object({ url: z.string(), status: z.number().nullable(), not_read: z.string().nullable() }),
        }),
    ),
});
const Summary = z.object({
    complete: z.boolean(),
    ended: z.string().nullable(),
    pages: z.number(),
    by_status: z.record(z.string(), z.number()),
});

async function summaryOf(app: Application, api: string): Promise<z.infer<typeof Summary>> {
    return Summary.parse(JSON.parse((await ask(app.address, `${api}/summary.json`)).body));
}

async function readUrls(app: Application, api: string): Promise<string[]> {
    const { rows } = Window.parse(JSON.parse((await ask(app.address, `${api}/pages?count=500`)).body));
    return rows.filter((row) => row.record.status !== null).map((row) => row.record.url);
}

/** How often each URL was asked for. */
function times(log: LoggedRequest[]): Map<string, number> {
    const counts = new Map<string, number>();
    for (const { url } of log) counts.set(url, (counts.get(url) ?? 0) + 1);
    return counts;
}

describe('starting and stopping', () => {
    it('steps over a taken port, keeps it, refuses a second start, and ends everything on Ctrl-C', async () => {
        const blocker = createServer();
        const taken = await new Promise<number>((resolve) =>
            blocker.listen(0, '127.0.0.1', () => resolve((blocker.address() as { port: number }).port)),
        );
        const app = await startApplication(['start', '--port', String(taken)]);
        blocker.close();
        expect(new URL(app.address).hostname).toBe('127.0.0.1');
        expect(Number(new URL(app.address).port)).toBeGreaterThan(taken);

        const second = await runCommand(['start', '--data', app.data]);
        expect(second.code).toBe(1);
        expect(second.err).toContain(app.address);

        const pids = ['web', 'worker', 'database', 'supervisor'].map((duty) => app.pidOf(duty));
        expect(pids.every(lives)).toBe(true);
        expect(await app.stop()).toBe(0);
        expect(pids.filter(lives)).toEqual([]);

        const again = await startApplication(['start'], app.data);
        expect(again.address).toBe(app.address);
        await again.close();
    });

    it('finds a port for each of two that start at the same moment with the same wish', async () => {
        const both = await Promise.all([1, 2].map(() => startApplication(['start', '--port', '29990'])));
        const ports = both.map((app) => Number(new URL(app.address).port));
        expect(new Set(ports).size).toBe(2);
        for (const app of both) {
            expect((await ask(app.address, '/sites')).status).toBe(200);
            expect(readFileSync(join(app.data, 'port'), 'utf8').trim()).toBe(new URL(app.address).port);
        }
        await Promise.all(both.map((app) => app.close()));
    });

    it('moves on when its port is taken while the web process is away, and says so', async () => {
        const app = await startApplication(['start', '--port', '29970'], temporaryFolder('application'), true);
        const { port } = new URL(app.address);
        // The supervisor looks away while its web process ends and somebody else comes.
        app.command.process.kill('SIGSTOP');
        const web = app.pidOf('web');
        process.kill(web, 'SIGKILL');
        await until('the end of the web process', () => !lives(web));
        const other = createServer((socket) => socket.destroy());
        await new Promise<void>((resolve, reject) => {
            other.once('error', reject);
            other.listen(Number(port), '127.0.0.1', resolve);
        });
        app.command.process.kill('SIGCONT');
        const told = await until(
            'the new address',
            () => /taken by another program\. Edge Map is at (\S+)/.exec(app.command.said())?.[1],
            60_000,
            app.command.said,
        );
        await until('an answer', async () => (await ask(told, '/sites').catch(() => null))?.status === 200);
        await new Promise((resolve) => other.close(resolve));
        await app.close();
    });

    it.each([
        ['', false],
        [' and its folder was deleted', true],
    ])('leaves nothing running when the supervisor was killed%s and nobody starts it again', async (_, deleted) => {
        const app = await startApplication(['start'], temporaryFolder('application'), true);
        const pids = ['web', 'worker', 'database'].map((duty) => app.pidOf(duty));
        // Stopped meanwhile, so that none of them can end before the folder is gone.
        for (const pid of pids) process.kill(pid, 'SIGSTOP');
        app.command.process.kill('SIGKILL');
        await app.command.done;
        if (deleted) rmSync(app.data, { recursive: true, force: true });
        for (const pid of pids) process.kill(pid, 'SIGCONT');
        await until('their end', () => !pids.some(lives), 90_000);
        await app.close();
    });
});

describe('killed in the middle of a survey', () => {
    let app: Application;
    beforeAll(async () => {
        app = await startApplication(['start'], temporaryFolder('application'), true);
    });
    afterAll(() => app.close());

    /** Surveys the tree, does something in the middle, and checks what is there before and at the end. */
    async function interrupted(harm: () => Promise<void>): Promise<void> {
        const standIn = await startStandIn(TREE);
        try {
            const api = await addAndSurvey(app, `http://127.0.0.1:${standIn.port}/`);
            await until('some reading', () => standIn.log.length > 90, 60_000, app.command.said);
            await until('some storing', async () => (await readUrls(app, api).catch(() => [])).length > 20, 60_000);
            const stored = await readUrls(app, api);
            const asked = times(standIn.log);
            for (const url of stored)
                expect(asked.get(url), `${url} is shown and was asked for`).toBeGreaterThanOrEqual(1);
            await harm();
            const summary = await until(
                'the end of the survey',
                async () => {
                    const now = await summaryOf(app, api).catch(() => null);
                    return now?.ended ? now : null;
                },
                90_000,
                app.command.said,
            );
            expect(summary).toMatchObject({ complete: true });
            expect(summary.by_status['200']).toBe(TREE_PAGES);
            const after = times(standIn.log);
            // What was stored before is not read again; of what was under way, each at most once more. How much
            // that is goes by how long a batch takes to be stored, which is the machine's matter.
            for (const url of stored) expect(after.get(url), url).toBe(asked.get(url));
            const twice = [...after].filter(([url, count]) => count > 1 && !/robots\.txt|sitemap/.test(url));
            expect(twice.filter(([, count]) => count > 2)).toEqual([]);
        } finally {
            await standIn.close();
        }
    }

    it('the worker: another one goes on', async () => {
        const before = app.pidOf('worker');
        await interrupted(async () => {
            process.kill(before, 'SIGKILL');
            await until('a new worker', () => app.pidOf('worker') !== before);
        });
    });

    it('the database: it is started again and nothing is lost', async () => {
        const before = app.pidOf('database');
        await interrupted(async () => {
            process.kill(before, 'SIGKILL');
            await until('a new database', () => app.pidOf('database') !== before);
        });
    });

    it('the web process: it is started again at the same address', async () => {
        const before = app.pidOf('web');
        process.kill(before, 'SIGKILL');
        await until('a new web process', () => app.pidOf('web') !== before);
        await until('an answer', async () => (await ask(app.address, '/sites').catch(() => null))?.status === 200);
    });

    it('the supervisor: the next start ends what it left, and goes on', async () => {
        await interrupted(async () => {
            const left = ['web', 'worker'].map((duty) => app.pidOf(duty));
            app.command.process.kill('SIGKILL');
            await app.command.done;
            const { address } = app;
            app = await startApplication(['start'], app.data, true);
            expect(app.address).toBe(address);
            expect(left.filter(lives)).toEqual([]);
        });
    });

    it('each of them again and again, at moments nobody chose: the same survey comes of it', async () => {
        const next = numbers(20_261_123);
        const moments = (): number => next() / 2 ** 32;
        const standIn = await startStandIn(TREE);
        try {
            const api = await addAndSurvey(app, `http://127.0.0.1:${standIn.port}/`);
            const kills: string[] = [];
            const plan = [40, 110, 190, 260, 330].map((at) => ({
                at: at + moments() * 40,
                duty: moments() < 0.6 ? ('worker' as const) : ('database' as const),
            }));
            for (const { at, duty } of plan) {
                await until(`${at} requests`, () => standIn.log.length > at, 60_000, app.command.said);
                const pid = app.pidOf(duty);
                kills.push(duty);
                process.kill(pid, 'SIGKILL');
                await until(`a new ${duty}`, () => app.pidOf(duty) !== pid, 60_000, app.command.said);
            }
            expect(new Set(kills).size).toBe(2);
            const summary = await until(
                'the end of the survey',
                async () => {
                    const now = await summaryOf(app, api).catch(() => null);
                    return now?.ended ? now : null;
                },
                120_000,
                app.command.said,
            );
            expect(summary).toMatchObject({ complete: true });
            expect(summary.by_status).toEqual({ '200': TREE_PAGES, '404': TREE_PAGES + 1 });
            // A kill costs at most what was under way: each may have a URL asked for once more, and no more than once.
            const most = Math.max(
                ...[...times(standIn.log)].filter(([url]) => !/robots|sitemap/.test(url)).map((x) => x[1]),
            );
            expect(most).toBeLessThanOrEqual(1 + kills.length);
        } finally {
            await standIn.close();
        }
    });

    it('shares its database with a survey from the command line', async () => {
        const standIn = await startStandIn(TREE);
        const folder = temporaryFolder('export');
        const { code, err } = await runCommand([
            'survey',
            `http://127.0.0.1:${standIn.port}/`,
            '--max-pages',
            '20',
            '--export',
            folder,
            '--data',
            app.data,
        ]);
        await standIn.close();
        expect(code, err).toBe(0);
        expect(lives(app.pidOf('database'))).toBe(true);
        expect((await ask(app.address, '/sites')).body).toContain(`127.0.0.1:${standIn.port}`);
        rmSync(folder, { recursive: true, force: true });
    });
});

describe('safe by default', () => {
    let app: Application;
    beforeAll(async () => {
        app = await startApplication();
    });
    afterAll(() => app.close());

    it('answers only to its own host names', async () => {
        const port = new URL(app.address).port;
        for (const host of [`evil.example:${port}`, `127.0.0.1:1`, 'localhost'])
            expect((await ask(app.address, '/sites', { headers: { host } })).status, host).toBe(421);
        for (const host of [`127.0.0.1:${port}`, `localhost:${port}`])
            expect((await ask(app.address, '/sites', { headers: { host } })).status, host).toBe(200);
        // Static files are behind the same door.
        expect((await ask(app.address, '/mark.svg', { headers: { host: 'evil.example' } })).status).toBe(421);
    });

    it('takes no change from another site', async () => {
        const body = new URLSearchParams({ start: 'https://site.example/' }).toString();
        for (const origin of ['https://evil.example', 'null']) {
            expect(
                (await ask(app.address, '/sites/new', { method: 'POST', headers: { ...FORM, origin }, body })).status,
                origin,
            ).toBe(403);
        }
        expect(
            (
                await ask(app.address, '/api/v1/sites/1/surveys/1/stop', {
                    method: 'POST',
                    headers: { origin: 'https://evil.example' },
                })
            ).status,
        ).toBe(403);
        expect((await ask(app.address, '/sites')).body).not.toContain('site.example');
    });

    it('sends a strict policy and loads nothing from elsewhere', async () => {
        const answer = await ask(app.address, '/sites/new');
        const policy = String(answer.headers['content-security-policy']);
        expect(policy).toContain("default-src 'none'");
        expect(policy).toMatch(/script-src 'self' 'nonce-[^']+'(?:;|$)/);
        expect(policy).not.toMatch(/script-src[^;]*unsafe|https?:/);
        expect(answer.headers).toMatchObject({ 'x-content-type-options': 'nosniff', 'x-frame-options': 'DENY' });
        expect(answer.body.match(/(?:src|href)="https?:\/\/[^"]*"/g) ?? []).toEqual([]);
    });

    it('says in place what is wrong with a form, and keeps what was typed', async () => {
        const answer = await ask(app.address, '/sites/new', {
            method: 'POST',
            headers: { ...FORM, origin: app.address, accept: 'text/html' },
            body: new URLSearchParams({
                start: 'ftp://site.example/',
                maxPages: 'lots',
                pins: 'nonsense',
                concurrency: '2',
                robots: 'obey',
            }).toString(),
        });
        expect(answer.status).toBe(400);
        for (const part of [
            'only http and https can be surveyed',
            'whole number from 1 to 1,000,000',
            'is no pin',
            'value="lots"',
            'value="ftp://site.example/"',
        ])
            expect(answer.body).toContain(part);
    });

    it.each(['/sites/99', '/sites/x', '/sites/99/1/brief', '/api/v1/sites/1/surveys/99/pages', '/nowhere'])(
        '%s is a plain 404',
        async (path) => {
            const answer = await ask(app.address, path, { headers: { accept: 'text/html' } });
            expect(answer.status).toBe(404);
            expect(answer.body).not.toMatch(/at \w+ \(|node_modules/);
        },
    );
});
