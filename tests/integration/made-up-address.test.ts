/** One address that nobody made: how a host answers for what is not there, and which pages answer likewise. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fileFindings } from '$lib/core/checks/file-findings.ts';
import { pageFindings } from '$lib/core/checks/page-findings.ts';
import { isKnown } from '$lib/core/checks/check.ts';
import { CHECKS } from '$lib/core/checks/register.ts';
import { makePacked } from '$lib/server/pack/pack-survey.ts';
import { resumeSurvey } from '$lib/server/store/survey-store.ts';
import type { StandInSite } from '../../demo/stand-in.ts';
import { checkView } from '../support/checks.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { makeSurvey, openSurvey, tableSite, type MadeSurvey } from '../support/survey.ts';

let instance: Instance;
beforeAll(async () => {
    instance = await openInstance();
});
afterAll(() => instance.close());

const ORIGIN = 'https://www.site.example';
const MADE_UP = /^https:\/\/[a-z.]+\/[0-9a-f]{24}$/;
const LOST = 'Sorry, we looked on every shelf and in every drawer, and what you asked for is nowhere to be had today. ';
const FEES =
    'A saw costs two pounds a week, a plane three, and whoever brings a tool back late pays a pound for the day. ';

const asked = ({ log }: MadeSurvey): string[] => log.map(({ url }) => url).filter((url) => MADE_UP.test(url));
const kept = ({ measured }: MadeSurvey) => measured.rows.files.filter(({ kind }) => kind === 'made-up');

/** `/fees` is a page; `/gone` answers 200 with what stands for everything that is not there. */
const site =
    (lostStatus: number): StandInSite =>
    ({ path }) => {
        const known: Record<string, string> = {
            '/': `<title>Start</title><a href="/fees">f</a><a href="/gone">g</a><p>${FEES}`,
            '/fees': `<title>Fees</title><p>${FEES}${FEES}`,
            '/gone': `<title>Harbour Row</title><p>${LOST}`,
        };
        const body = known[path];
        const headers = { 'content-type': 'text/html' };
        if (path.endsWith('.txt') || path.endsWith('.xml')) return { status: 404, headers, body: '' };
        return body === undefined
            ? { status: lostStatus, headers, body: `<title>Harbour Row</title><p>${LOST}` }
            : { status: 200, headers, body };
    };

async function told(made: MadeSurvey, path: string): Promise<string[]> {
    const { survey } = await makePacked(instance.store.db, made.survey);
    const { findings } = pageFindings(checkView(survey), survey.nodeOf(ORIGIN + path));
    return findings.map(({ finding }) => finding.check);
}

describe('a made-up address', () => {
    it('is asked for once, is kept with its answer, and is no page', async () => {
        const made = await makeSurvey(instance, site(404), { madeUp: true });
        expect(asked(made)).toHaveLength(1);
        const [url] = asked(made);
        expect(kept(made)).toMatchObject([
            { url, status: 404, note: '', text: expect.stringMatching(/^[0-9a-f]{16} [0-9a-f]{256}$/) },
        ]);
        expect(made.measured.rows.addresses.map((row) => row.url)).not.toContain(url);
        expect(made.measured.rows.pages).toHaveLength(3);
    });

    it('tells which pages answer as what is not there does, and no other', async () => {
        const made = await makeSurvey(instance, site(404), { madeUp: true });
        expect(await told(made, '/gone')).toContain('soft-404');
        expect(await told(made, '/fees')).not.toContain('soft-404');
        const without = await makeSurvey(instance, site(404), { madeUp: false });
        expect(asked(without)).toEqual([]);
        expect(await told(without, '/gone')).not.toContain('soft-404');
    });

    it.each([
        [200, 1],
        [404, 0],
        [410, 0],
    ])('of a host that answers %i for anything gives %i findings', async (status, count) => {
        const made = await makeSurvey(instance, site(status), { madeUp: true });
        const { survey } = await makePacked(instance.store.db, made.survey);
        const found = fileFindings(checkView(survey)).filter(({ check }) => check === 'errors-answer-200');
        expect(found).toHaveLength(count);
        for (const { file } of found) expect(file).toMatch(MADE_UP);
    });

    it('is not known where none was asked for', async () => {
        const made = await makeSurvey(instance, site(200), { madeUp: false });
        const { survey } = await makePacked(instance.store.db, made.survey);
        const check = CHECKS.find(({ id }) => id === 'errors-answer-200')!;
        expect(isKnown(check, survey)).toBe(false);
        expect(fileFindings(checkView(survey)).map((finding) => finding.check)).not.toContain('errors-answer-200');
    });

    it('is not asked for where robots.txt closes it, outside the paths of the survey, or in a survey of single pages', async () => {
        const closed = tableSite({
            '/robots.txt': {
                body: 'User-agent: *\nDisallow: /\nAllow: /$\nAllow: /fees',
                headers: { 'content-type': 'text/plain' },
            },
            '/': '<a href="/fees">f</a>',
            '/fees': FEES,
        });
        expect(asked(await makeSurvey(instance, closed, { madeUp: true }))).toEqual([]);
        const part = { start: `${ORIGIN}/fees`, only: ['/fees'], madeUp: true };
        expect(asked(await makeSurvey(instance, site(404), part))).toEqual([]);
        const spot = { parent: 1, what: 'one page', urls: [`${ORIGIN}/fees`] };
        expect(asked(await makeSurvey(instance, site(404), { spot, madeUp: true }))).toEqual([]);
    });

    it('that redirects is told with where to, and no page is like it', async () => {
        const away: StandInSite = (request) => {
            const answer = site(404)(request);
            return answer.status === 404 && !request.path.includes('.')
                ? { status: 302, headers: { location: '/' }, body: '' }
                : answer;
        };
        const made = await makeSurvey(instance, away, { madeUp: true });
        expect(kept(made)).toMatchObject([{ status: 302, text: '' }]);
        expect(kept(made)[0]!.note).toContain(`"to":"${ORIGIN}/"`);
        expect(await told(made, '/')).not.toContain('soft-404');
    });

    it('is asked for once, however often a survey is gone on with', async () => {
        const standing = await openSurvey(instance, site(404), { madeUp: true });
        await standing.run();
        await resumeSurvey(instance.store.db, standing.id);
        const made = await standing.run();
        expect(asked(made)).toHaveLength(1);
        expect(kept(made)).toHaveLength(1);
        await standing.close();
    });
});
