/** The demo site surveyed for real, against the answers typed by hand. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { MeasuredSurvey } from '../support/reference/measured-survey.ts';
import { countSurvey } from '../support/reference/count-survey.ts';
import * as answers from '../../demo/answers.ts';
import { ALL_FAULTS, EDITIONS, FAULTS, faultsOf } from '../../demo/fernhollow/editions.ts';
import { fernhollow } from '../../demo/fernhollow/site.ts';
import { CHECKS, LATER_CHECKS } from '../support/demo-checks.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { makeSurvey, type MadeSurvey } from '../support/survey.ts';

const SETTINGS = {
    start: answers.START,
    pins: ['www.fernhollow-tools.example=127.0.0.1:PORT', 'fernhollow-tools.example=127.0.0.1:PORT'],
    familyLimit: answers.FAMILY_LIMIT,
};

let instance: Instance;
let made: MadeSurvey;
let survey: MeasuredSurvey;

beforeAll(async () => {
    instance = await openInstance();
    made = await makeSurvey(instance, fernhollow(), SETTINGS);
    survey = made.measured;
});

afterAll(() => instance.close());

describe('the demo survey', () => {
    it('is complete and finds all pages', () => {
        expect(made.survey).toMatchObject({ state: 'finished', cut: [], trouble: '', number: 1, revision: 1 });
        const counts = countSurvey(survey);
        expect(counts.pages).toBe(answers.PAGES);
        expect(counts.orphans).toMatchObject({
            all: answers.ORPHAN_GUIDES.length + answers.OLD_SECTION.length,
            strict: answers.ORPHAN_GUIDES.length,
        });
        expect(counts.depths.at(-1)).toMatchObject({ depth: 9, pages: answers.NINE_CLICKS_DEEP.length });
        // Nothing is unknown but what was left alone on purpose: closed families and actions.
        expect(counts.gateUnknown).toBe((counts.byNotRead.trap ?? 0) + (counts.byNotRead.action ?? 0));
    });

    it('shows nothing that was not asked for, and asked for nothing closed and nothing twice', () => {
        const asked = made.log.map((entry) => entry.url);
        expect(new Set(asked).size).toBe(asked.length);
        survey.pages.forEach((page, node) => {
            if (page?.status != null) {
                const entry = made.log.find((item) => item.url === survey.urls[node]);
                expect(entry?.status, survey.urls[node]).toBe(page.status);
            }
        });
        expect(asked.filter((url) => new URL(url).pathname.startsWith('/members/'))).toEqual([]);
        expect(made.log.every((entry) => entry.agent.startsWith('EdgeMap/'))).toBe(true);
    });

    it('reads the compressed sitemap of the index', () => {
        expect(
            survey.rows.files.filter((file) => file.entries !== null).map((file) => new URL(file.url).pathname),
        ).toEqual(['/sitemap-guides.xml', '/sitemap-rest.xml.gz']);
    });

    it.each(FAULTS)('finds the planted fault %s', (fault) => {
        CHECKS[fault](survey);
    });
});

describe('with some faults taken away, their checks fail and the others pass', () => {
    const GROUPS = 5;
    it.each(Array.from({ length: GROUPS }, (_, group) => FAULTS.filter((_, index) => index % GROUPS === group)))(
        '%s, %s, %s, %s and what follows',
        async (...mended) => {
            const { measured } = await makeSurvey(instance, fernhollow('march', mended), SETTINGS);
            for (const fault of FAULTS) {
                if (mended.includes(fault)) expect(() => CHECKS[fault](measured), fault).toThrow();
                else CHECKS[fault](measured);
            }
        },
        60_000,
    );
});

describe('the editions after March', () => {
    it.each(EDITIONS.slice(1))('%s has exactly its own faults', async (edition) => {
        const { measured, survey: ended } = await makeSurvey(instance, fernhollow(edition), SETTINGS);
        expect(ended).toMatchObject({ state: 'finished', cut: [] });
        const planted = faultsOf(edition);
        const checks = { ...CHECKS, ...LATER_CHECKS };
        for (const fault of ALL_FAULTS) {
            if (planted.includes(fault)) checks[fault](measured);
            else expect(() => checks[fault](measured), fault).toThrow();
        }
    });
});

describe('the four host variants of the demo', () => {
    it.each([
        ['https', 'www.fernhollow-tools.example', 200],
        ['http', 'www.fernhollow-tools.example', 301],
        ['https', 'fernhollow-tools.example', 200],
        ['http', 'fernhollow-tools.example', 200],
    ] as const)('%s://%s/ answers %i', (scheme, host, status) => {
        expect(fernhollow()({ scheme, host, path: '/' }).status).toBe(status);
    });
});
