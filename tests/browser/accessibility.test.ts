/** Every view, looked at by axe and worked by the keyboard. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import * as answers from '../../demo/answers.ts';
import { startStandIn } from '../../demo/stand-in.ts';
import { VIEWS } from '$lib/core/views/areas.ts';
import type { Application } from '../support/application.ts';
import { openPage, type WatchedPage } from '../support/browser.ts';
import { runCommand } from '../support/command.ts';
import { openScene, type Scene } from '../support/scene.ts';

/** Site 2 is partial, site 3 could not be surveyed. */
async function withOthers(data: string): Promise<void> {
    const html = { 'content-type': 'text/html' };
    const wide = await startStandIn(({ path }) => ({
        status: 200,
        headers: html,
        body: `<title>${path}</title><a href="${path}1">1</a><a href="${path}2">2</a>`,
    }));
    const closed = await startStandIn(() => ({
        status: 200,
        headers: { 'content-type': 'text/plain' },
        body: 'User-agent: *\nDisallow: /',
    }));
    const survey = (port: number, ...words: string[]) =>
        runCommand(['survey', `http://127.0.0.1:${port}/`, '--export', join(data, 'export'), ...words, '--data', data]);
    expect((await survey(wide.port, '--max-pages', '12')).code).toBe(0);
    expect((await survey(closed.port)).code).toBe(1);
    await Promise.all([wide.close(), closed.close()]);
}

/** Lists, sets, notes and priorities: what a site has that is worked with. */
async function fill(address: string): Promise<void> {
    const send = async (path: string, body: unknown, type = 'application/json'): Promise<unknown> => {
        const answer = await fetch(`${address}/api/v1/sites/1/${path}`, {
            method: 'POST',
            headers: { 'content-type': type, origin: address },
            body: typeof body === 'string' ? body : JSON.stringify(body),
        });
        expect(answer.ok, path).toBe(true);
        return answer.json();
    };
    await send('priorities', { by: 'set', subject: 'section is guides', value: 1 });
    await send('notes', { about: 'page', subject: answers.START, text: 'The start page says too much.' });
    await send('sets', { name: 'deep', expression: 'depth > 5' });
    const visits = 'url,visits\n/guides/,40\n/visit/,7\n/guides/oiling-a-whetstone/,12\nnot one,3\n';
    const uploaded = await send('surveys/1/evidence?kind=visits&name=visits.csv', visits, 'application/octet-stream');
    const { upload, preview } = z
        .object({ upload: z.string(), preview: z.looseObject({ separator: z.string(), mapping: z.unknown() }) })
        .parse(uploaded);
    const { separator, mapping } = preview;
    await send(`surveys/1/evidence/${upload}`, { separator, mapping, robotWords: [], anyway: false });
}

let scene: Scene;
let app: Application;
let watched: WatchedPage;
let page: Page;
let browser: Scene['browser'];

beforeAll(async () => {
    scene = await openScene(withOthers);
    ({ app, page, watched, browser } = scene);
    await fill(app.address);
});
afterAll(async () => {
    await scene?.close();
});
afterEach(() => {
    expect(watched.troubles).toEqual([]);
});

describe('accessibility', () => {
    const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
    const Violations = z.array(
        z.object({
            id: z.string(),
            nodes: z.array(z.object({ html: z.string(), failureSummary: z.string().optional() })),
        }),
    );
    const deepPage = (): Promise<string> =>
        page.evaluate(async () => {
            const answer = (await (await fetch('/api/v1/sites/1/surveys/1/pages?set=%22planing-end%22')).json()) as {
                rows: { url: string }[];
            };
            return new URL(answer.rows[0]!.url).pathname;
        });

    /** Every view of the registry, and beside them sheets, sets, and states in which there is little or nothing. */
    const LOOKED_AT = [
        ...VIEWS.map(({ id }) => `/sites/1/1/${id}`),
        '/sites',
        '/sites/new',
        '/sites/1/new-survey',
        '/sites/1/1/brief?set=section+is+guides',
        '/sites/1/1/reach?set=section+is+guides&page=PAGE',
        '/sites/1/1/pages?page=PAGE',
        '/sites/1/1/pages?page=PAGE&pin=/',
        '/sites/1/1/pages?page=/nobody-links/here',
        '/sites/1/1/pages?set=%22nothing-like-this%22',
        '/sites/1/1/pages?set=depht+%3E+3',
        '/sites/1/1/links?set=orphan&side=to',
        '/sites/1/1/source?of=PAGE&line=12',
        '/sites/1/1/map?arrange=branch&hang=hold&shade=words',
        '/sites/1/1/map?arrange=address&page=PAGE&shade=finding+orphan-strict',
        '/sites/1/1/around?of=PAGE&steps=3&to=/guides/planing-end-grain/',
        '/sites/1/1/journey?trail=/+/guides/+/tools/+/guides/+/members/',
        '/sites/1/door',
        '/door',
        ...['brief', 'reach', 'weight'].map((id) => `/sites/2/1/${id}`),
        '/sites/3/1/progress',
    ];
    /** What axe has to say of a page as it stands, and whether something sticks out sideways. */
    async function said(of: Page, rules: string): Promise<string[]> {
        const found = Violations.parse(await of.evaluate(`axe.run(${rules}).then((result) => result.violations)`));
        const isWithin = await of.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth);
        return [
            ...(isWithin ? [] : ['it sticks out sideways']),
            ...found.map(({ id, nodes }) => {
                const where = nodes.slice(0, 3).map(({ html }) => html.slice(0, 160));
                return `${id}: ${where.join(' | ')}`;
            }),
        ];
    }

    /** Opened once: contrast is a matter of the theme, layout one of the width, and each is looked at in two of either. */
    async function look(view: string, widths: readonly number[]): Promise<void> {
        const [first = 1280] = widths;
        const other = await openPage(browser, app.address, 'chart', first);
        await other.page.setBypassCSP(true);
        await other.page.goto(app.address + view.replace('PAGE', deep), { waitUntil: 'networkidle2' });
        await other.page.evaluate(axeSource);
        const found: string[] = [];
        for (const width of widths) {
            await other.page.setViewport({ width, height: 800 });
            // Charts and tables are drawn anew for another width.
            await other.page.evaluate(
                () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
            );
            // Colours are the same at every width, and to measure their contrast takes longer than all else.
            const rules = width === first ? '' : "{ rules: { 'color-contrast': { enabled: false } } }";
            found.push(...(await said(other.page, rules)).map((item) => `at ${width} px: ${item}`));
        }
        await other.page.setViewport({ width: first, height: 800 });
        await other.page.evaluate(() => (document.documentElement.dataset.theme = 'night'));
        await other.page.evaluate(
            () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
        );
        const atNight = await said(other.page, "{ runOnly: ['color-contrast', 'link-in-text-block'] }");
        found.push(...atNight.map((item) => `at night: ${item}`));
        await other.page.close();
        expect(found).toEqual([]);
        expect(other.troubles).toEqual([]);
    }

    let deep = '';
    beforeAll(async () => {
        await page.goto(`${app.address}/sites`);
        deep = await deepPage();
    });
    it.each(LOOKED_AT)('axe has nothing to say of %s, wide, on a phone and at night', (view) =>
        look(view, [1280, 390]),
    );
    it.each(['/sites/1/1/brief', '/sites/1/1/pages?page=PAGE', '/sites/1/1/weight'])(
        'axe has nothing to say with the rail folded: %s',
        (view) => look(view, [1000]),
    );

    it('can be worked with the keyboard alone', async () => {
        await page.goto(`${app.address}/sites/1/1/brief`, { waitUntil: 'networkidle2' });
        const stops: string[] = [];
        for (let step = 0; step < 60; step++) {
            await page.keyboard.press('Tab');
            stops.push(
                await page.evaluate(
                    () =>
                        document.activeElement?.getAttribute('aria-label') ??
                        document.activeElement?.textContent?.trim() ??
                        '',
                ),
            );
        }
        for (const wanted of ['To the content', 'Edge Map, all sites', '9']) expect(stops).toContain(wanted);
        expect(stops.some((stop) => /^9 robots: stopped at this gate$/.test(stop))).toBe(true);
        // How many there are depends on how far the calendar was read while it was open.
        expect(stops.some((stop) => /^\d+ pages at depth 9/.test(stop))).toBe(true);
    });
});
