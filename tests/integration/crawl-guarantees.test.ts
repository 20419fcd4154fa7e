/** What a crawl promises where a mistake would do harm: private targets, actions while signed in, order, time, batches. */
import { setTimeout as wait } from 'node:timers/promises';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NO_DECISIONS } from '$lib/core/survey/survey-rows.ts';
import { NO_SECRETS } from '$lib/core/survey/settings.ts';
import { EarlierRun } from '$lib/server/crawl/earlier-run.ts';
import { runSurvey } from '$lib/server/crawl/survey-run.ts';
import { loadRows } from '$lib/server/store/rows-store.ts';
import { pauseSurvey, resumeSurvey, saveDecisions } from '$lib/server/store/survey-store.ts';
import { startStandIn } from '../../demo/stand-in.ts';
import { until } from '../support/command.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { makeSurvey, openSurvey, settingsFor, tableSite } from '../support/survey.ts';

let instance: Instance;
beforeAll(async () => {
    instance = await openInstance();
});
afterAll(() => instance.close());
const ORIGIN = 'https://www.site.example';

describe('private targets', () => {
    it('are not asked for a site of the public internet, by number or by name, and are told as such', async () => {
        // Whoever is reached here notes it.
        let reached = 0;
        const inside = createServer((socket) => {
            reached++;
            socket.end('HTTP/1.1 200 OK\r\nContent-Length: 0\r\n\r\n');
        });
        await new Promise<void>((resolve) => inside.listen(0, '127.0.0.1', resolve));
        const { port } = inside.address() as AddressInfo;
        const targets = [
            `http://127.0.0.1:${port}/`,
            `http://localhost:${port}/`,
            `http://[::1]:${port}/`,
            'http://10.0.0.7/',
            'http://169.254.169.254/',
        ];
        const site = tableSite({ '/': targets.map((href) => `<a href="${href}">x</a>`).join(' ') });
        const { measured, survey } = await makeSurvey(instance, site, { externals: 'check' });
        await new Promise((resolve) => inside.close(resolve));
        expect(survey.state).toBe('finished');
        expect(reached).toBe(0);
        const { rows } = measured;
        const checks = rows.checks.map((row) => [rows.addresses[row.address]!.url, row.status, row.notRead]);
        expect(checks.sort()).toEqual(targets.map((url) => [url, null, 'private']).sort());
    });

    it('are not reached by a redirect either', async () => {
        let reached = 0;
        const inside = createServer((socket) => {
            reached++;
            socket.destroy();
        });
        await new Promise<void>((resolve) => inside.listen(0, '127.0.0.1', resolve));
        const { port } = inside.address() as AddressInfo;
        const { survey } = await makeSurvey(
            instance,
            tableSite({
                '/': '<a href="/away">x</a>',
                '/away': { status: 302, headers: { location: `http://127.0.0.1:${port}/` } },
                '/robots.txt': { status: 302, headers: { location: `http://127.0.0.1:${port}/robots.txt` } },
            }),
        );
        await new Promise((resolve) => inside.close(resolve));
        expect(reached).toBe(0);
        expect(['finished', 'failed']).toContain(survey.state);
    });
});

describe('actions', () => {
    const site = tableSite({
        '/': '<a href="/account/logout">out</a> <a href="/list?delete=7">delete</a>',
        '/account/logout': 'gone',
        '/list?delete=7': 'gone',
    });
    const actions = [`${ORIGIN}/account/logout`, `${ORIGIN}/list?delete=7`];

    it('opened by hand are asked for, and not while signed in: that would act in somebody’s name', async () => {
        for (const signIn of [null, { user: 'ana', password: 'p' }]) {
            const survey = await openSurvey(instance, site, {}, { ...NO_SECRETS, signIn });
            await saveDecisions(instance.store.db, survey.id, { ...NO_DECISIONS, actions });
            await survey.run();
            const asked = survey.standIn.log.filter(({ url }) => actions.includes(url));
            expect(asked.map(({ url }) => url).sort(), String(signIn?.user)).toEqual(signIn ? [] : actions);
            await survey.close();
        }
    });
});

describe('what was read', () => {
    it('is stored though nothing more is answered', async () => {
        const site = tableSite({
            '/': '<a href="/read">read</a>',
            '/read': '<title>Read</title><a href="/held">held</a>',
            // For as long as the test goes on.
            '/held': { body: 'never', delay: 3_600_000 },
        });
        const survey = await openSurvey(instance, site);
        const stop = new AbortController();
        const run = survey.run(stop.signal);
        const { db } = instance.store;
        await until('the page to be stored', async () =>
            (await loadRows(db, survey.id)).pages.some(({ title }) => title === 'Read'),
        );
        expect(survey.standIn.log.some(({ url }) => url.endsWith('/held'))).toBe(true);
        stop.abort();
        await run;
        await survey.close();
    });
});

describe('the time limit', () => {
    it('counts what earlier runs have used', async () => {
        // A hundred pages of a tenth of a second each: ten seconds one after the other.
        const site = tableSite(
            Object.fromEntries(
                Array.from({ length: 100 }, (_, n) => [n === 0 ? '/' : `/p${n}`, `<a href="/p${n + 1}">next</a>`]),
            ),
        );
        const survey = await openSurvey(instance, site, { maxMinutes: 1, delay: 100, concurrency: 1 });
        // 59.5 of the 60 seconds are used.
        await pauseSurvey(instance.store.db, survey.id, 59_500);
        await resumeSurvey(instance.store.db, survey.id);
        const { survey: ended, measured } = await survey.run();
        expect(ended).toMatchObject({ state: 'finished', cut: ['max-minutes'] });
        expect(measured.pages.filter((page) => page?.status === 200).length).toBeLessThan(60);
        await survey.close();
    });
});

describe('the order of a wave of more than 256', () => {
    it('closes the same trap at the same page, however answers come in', async () => {
        // 400 pages each lead to two of a family that breeds; the slower half answers late.
        const site =
            (slow: (n: number) => boolean) =>
            ({ path }: { path: string }) => {
                const page = /^\/p(\d+)$/.exec(path)?.[1];
                const day = /^\/days\?n=(\d+)$/.exec(path)?.[1];
                const body =
                    path === '/'
                        ? Array.from({ length: 400 }, (_, n) => `<a href="/p${n}">p</a>`).join('')
                        : page !== undefined
                          ? `<p>Words of page ${'abcdefghij'[Number(page) % 10]}${page} alone</p><a href="/days?n=${Number(page) * 3}">d</a>`
                          : `<p>Nothing is on.</p><a href="/days?n=${Number(day) + 1}">next</a>`;
                const isKnown = path === '/' || page !== undefined || day !== undefined;
                return {
                    status: isKnown ? 200 : 404,
                    headers: { 'content-type': 'text/html' },
                    body,
                    delay: page !== undefined && slow(Number(page)) ? 12 : 0,
                };
            };
        const read = async (slow: (n: number) => boolean): Promise<string[]> => {
            const { log } = await makeSurvey(instance, site(slow), { familyLimit: 30, concurrency: 12 });
            return log
                .map(({ url }) => url)
                .filter((url) => url.includes('/days'))
                .sort();
        };
        const first = await read((n) => n % 2 === 0);
        expect(first.length).toBeGreaterThan(0);
        expect(await read((n) => n % 3 !== 0)).toEqual(first);
    });
});

describe('batches', () => {
    // Sixty pages, and one that the last of them leads to and that is not there.
    it('are handed over one after the other, all of them before the run ends', async () => {
        const site = tableSite(
            Object.fromEntries(
                Array.from({ length: 60 }, (_, n) => [n === 0 ? '/' : `/p${n}`, `<a href="/p${n + 1}">next</a>`]),
            ),
        );
        const standIn = await startStandIn(site);
        const settings = settingsFor(standIn.port, { delay: 10 });
        let under = 0;
        let most = 0;
        let stored = 0;
        const outcome = await runSurvey({
            settings,
            secrets: NO_SECRETS,
            decisions: NO_DECISIONS,
            earlier: new EarlierRun(),
            known: async function* () {},
            elapsed: 0,
            stop: new AbortController().signal,
            onBatch: async ({ pages }) => {
                most = Math.max(most, ++under);
                // Slower than batches are made.
                await wait(400);
                stored += pages.length;
                under--;
            },
            onProgress: () => undefined,
        });
        expect(outcome.result).toBe('finished');
        expect({ most, under, stored }).toEqual({ most: 1, under: 0, stored: 61 });
        await standIn.close();
    });
});

describe('families', () => {
    it('are all told of at the end, however many closed', async () => {
        const letters = 'abcdefghij';
        const names = Array.from({ length: 70 }, (_, n) => `shop${letters[n % 10]}${letters[Math.floor(n / 10)]}`);
        const site = tableSite(
            Object.fromEntries([
                ['/', names.map((name) => `<a href="/${name}/?a=1">a</a> <a href="/${name}/?b=1">b</a>`).join(' ')],
                ...names.flatMap((name) => ['?a=1', '?b=1'].map((query) => [`/${name}/${query}`, `<p>${name}`])),
            ]),
        );
        const standIn = await startStandIn(site);
        const closed = names.map((name) => `www.site.example/${name}/?{query}`);
        let last = 0;
        let most = 0;
        await runSurvey({
            settings: settingsFor(standIn.port),
            secrets: NO_SECRETS,
            decisions: { ...NO_DECISIONS, closed },
            earlier: new EarlierRun(),
            known: async function* () {},
            elapsed: 0,
            stop: new AbortController().signal,
            onBatch: () => Promise.resolve(),
            onProgress: ({ doing, families }) => {
                last = families.filter(({ state }) => state === 'closed').length;
                if (doing !== 'done') most = Math.max(most, families.length);
            },
        });
        expect(last).toBe(70);
        expect(most).toBeLessThanOrEqual(50);
        await standIn.close();
    });
});
