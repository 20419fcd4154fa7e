import { describe, expect, it } from 'vitest';
import { DEFAULT_SETTINGS } from '../../core/survey/default-settings.ts';
import type { CheckRow } from '../../core/survey/survey-rows.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import { TargetChecks } from './target-checks.ts';

const URLS = ['https://www.site.example/own.png', 'https://other.example/page', 'https://other.example/style.css'];

/** Checks with a client that answers all, and robots rules that close all. */
async function check(
    change: Partial<SurveySettings>,
    add: [number, CheckRow['kind']][],
    done: number[] = [],
    closed = true,
): Promise<{ asked: string[]; rows: CheckRow[] }> {
    const asked: string[] = [];
    const rows: CheckRow[] = [];
    const checks = new TargetChecks({
        settings: { ...DEFAULT_SETTINGS, start: 'https://www.site.example/', ...change },
        client: {
            fetchStatus: (url: string) => {
                asked.push(url);
                return Promise.resolve({
                    ok: true,
                    status: 200,
                    headers: new Map(),
                    sentType: 'text/html',
                    body: new Uint8Array(0),
                    bodyRead: 'none',
                    bodyTrouble: '',
                    milliseconds: 1,
                });
            },
        },
        robots: { verdict: () => Promise.resolve({ allowed: !closed, rule: 'Disallow: /', noAnswer: null }) },
        rows: { urlOf: (id: number) => URLS[id]!, addCheck: (row: CheckRow) => rows.push(row), address: () => 9 },
        belongs: (url: string) => url.startsWith('https://www.site.example'),
        done: new Set(done),
    } as never);
    for (const [target, kind] of add) checks.add(target, kind);
    await checks.run(new AbortController().signal, () => Promise.resolve(true));
    return { asked, rows };
}
const ALL: [number, CheckRow['kind']][] = [
    [0, 'resource'],
    [1, 'external'],
    [2, 'resource'],
];

describe('TargetChecks', () => {
    it('asks for the kinds the settings name, and for nothing where they leave both alone', async () => {
        const externals = await check({ externals: 'check' }, ALL, [], false);
        expect(externals.asked).toEqual([URLS[1]]);
        const resources = await check({ resources: 'check' }, ALL, [], false);
        expect(resources.asked).toEqual([URLS[0], URLS[2]]);
        expect((await check({}, ALL, [], false)).asked).toEqual([]);
    });

    it('asks for no target twice, nor for one an earlier run had', async () => {
        const both = { externals: 'check', resources: 'check' } as const;
        expect((await check(both, [...ALL, ...ALL], [2], false)).asked).toEqual([URLS[0], URLS[1]]);
    });

    it('obeys the robots.txt of other hosts also where the one of the site is only recorded', async () => {
        const { asked, rows } = await check({ externals: 'check', resources: 'check', robots: 'record' }, ALL);
        expect(asked).toEqual([URLS[0]]);
        expect(rows.map(({ address, notRead }) => [address, notRead]).sort()).toEqual([
            [0, ''],
            [1, 'robots'],
            [2, 'robots'],
        ]);
        expect((await check({ externals: 'check', resources: 'check', robots: 'obey' }, ALL)).asked).toEqual([]);
    });
});
