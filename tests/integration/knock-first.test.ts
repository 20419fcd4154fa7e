/** A survey that knocks at the door before it begins, on a real server and the real database. */
import { originOf } from '$lib/core/address/address.ts';
import { judgeDoor } from '$lib/core/door/judge-door.ts';
import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
import { doorFor } from '$lib/server/beside.ts';
import { doorFacts } from '../support/door.ts';
import { doorSentence } from '$lib/core/words/door.ts';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { SurveySettings } from '$lib/core/survey/settings.ts';
import { doSurveyJob } from '$lib/server/jobs/survey-job.ts';
import { ownerName } from '$lib/server/jobs/worker-loop.ts';
import { addKnock, listKnocks } from '$lib/server/store/door-store.ts';
import { readProgress } from '$lib/server/store/job-store.ts';
import { jobs } from '$lib/server/store/schema.ts';
import { addSite } from '$lib/server/store/site-store.ts';
import { createSurvey } from '$lib/server/store/survey-store.ts';
import { startStandIn, type LoggedRequest, type StandIn } from '../../demo/stand-in.ts';
import { openInstance, type Instance } from '../support/instance.ts';
import { settingsFor, tableSite } from '../support/survey.ts';

const AGENT = 'Mapper-of-oaks';
const PAGES = {
    '/': '<title>Start</title><p>Words.</p><a href="/a">a</a><a href="/b">b</a><a href="/shut/c">c</a>',
    '/a': '<title>A</title><p>Words.</p>',
    '/b': '<title>B</title><p>Words.</p>',
    '/shut/c': '<title>C</title><p>Words.</p>',
    '/robots.txt': { headers: { 'content-type': 'text/plain' }, body: 'User-agent: *\nDisallow: /shut/\n' },
};

let instance: Instance;
let standIn: StandIn;

beforeAll(async () => {
    instance = await openInstance();
    standIn = await startStandIn(tableSite(PAGES));
});

afterAll(async () => {
    await standIn.close();
    await instance.close();
});

async function newSite(change: Partial<SurveySettings> = {}): Promise<{ id: number; settings: SurveySettings }> {
    const settings = settingsFor(standIn.port, { agent: AGENT, ...change });
    const { id } = await addSite(instance.store.db, 'test', settings);
    return { id, settings };
}

async function survey(site: { id: number; settings: SurveySettings }, knock: boolean): Promise<string[]> {
    const { db } = instance.store;
    const lease = { owner: ownerName(), leaseUntil: Date.now() + 60_000 };
    const { id } = await createSurvey(db, site.id, site.settings, { ...lease, knock });
    await db.update(jobs).set({ state: 'running' }).where(eq(jobs.surveyId, id));
    expect((await readProgress(db, id)).isKnocking).toBe(knock);
    const lines: string[] = [];
    await doSurveyJob({
        store: instance.store,
        folder: instance.folder.path,
        surveyId: id,
        owner: ownerName(),
        stop: new AbortController().signal,
        log: (line) => lines.push(line),
    });
    expect((await readProgress(db, id)).isKnocking).toBe(false);
    return lines;
}

const isOurs = ({ agent }: LoggedRequest): boolean => agent.startsWith(AGENT);
const path = ({ url }: LoggedRequest): string => new URL(url).pathname;

/** Paths asked for since a place in the log, by the agent that asked. */
function asked(from: number): { ours: string[]; others: string[] } {
    const since = standIn.log.slice(from);
    return { ours: since.filter(isOurs).map(path), others: since.filter((item) => !isOurs(item)).map(path) };
}

describe('knocking first', () => {
    it('keeps what the door said and then reads the site, asking for nothing that is closed', async () => {
        const site = await newSite();
        const from = standIn.log.length;
        const lines = await survey(site, true);
        const [knock, ...more] = await listKnocks(instance.store.db, site.id);
        expect(more).toEqual([]);
        expect(knock?.report.verdict.state).toBe('open');
        expect(lines).toEqual([`the door: ${doorSentence(knock!.report)}`]);
        const { ours, others } = asked(from);
        expect(others).toContain('/');
        expect([...ours, ...others]).not.toContain('/shut/c');
        // The survey itself came after the last request of the other agent.
        const last = standIn.log.findLastIndex((item) => !isOurs(item));
        const after = standIn.log.slice(last + 1).map(path);
        for (const page of ['/', '/a', '/b']) expect(after.filter((item) => item === page)).toHaveLength(1);
    });

    it('does not knock again within minutes, nor where it was not asked to', async () => {
        const site = await newSite();
        await survey(site, true);
        const from = standIn.log.length;
        const lines = await survey(site, true);
        expect(asked(from).others).toEqual([]);
        expect(asked(from).ours.filter((page) => page === '/')).toHaveLength(1);
        expect(lines).toHaveLength(1);
        expect(await listKnocks(instance.store.db, site.id)).toHaveLength(1);

        const quiet = await newSite();
        const then = standIn.log.length;
        expect(await survey(quiet, false)).toEqual([]);
        expect(asked(then).others).toEqual([]);
        expect(await listKnocks(instance.store.db, quiet.id)).toEqual([]);
    });

    it('knocks again when the start page is another one', async () => {
        const site = await newSite();
        await survey(site, true);
        await survey({ ...site, settings: { ...site.settings, start: 'https://www.site.example/a' } }, true);
        expect((await listKnocks(instance.store.db, site.id)).map((knock) => knock.url)).toEqual([
            'https://www.site.example/a',
            'https://www.site.example/',
        ]);
    });
});

describe('the door check beside a survey', () => {
    const DAY = 86_400_000;
    const knockAt = async (siteId: number, url: string, at: number, status: number): Promise<void> => {
        const form = { origin: originOf(url), lands: originOf(url), canonical: '', certificate: null };
        const hops = [{ url, status, to: '', by: '' as const, failure: '' as const }];
        const facts = doorFacts({ url, at, variants: [{ ...form, hops }] });
        await addKnock(instance.store.db, siteId, { facts, verdict: judgeDoor(facts) });
    };
    const OWN = 'https://www.site.example/';

    it('is the last one until the survey ended, else the first after it, and never one at a neighbour', async () => {
        const { db } = instance.store;
        const settings = { ...DEFAULT_SETTINGS, start: OWN };
        const door = async (endedAt: number | null) => {
            const found = await doorFor(db, { siteId: 900, settings, endedAt });
            return found && [found.at / DAY, found.forms[0]!.status];
        };
        expect(await door(5 * DAY)).toBeNull();
        await knockAt(900, 'https://shop.site.example/', 1 * DAY, 500);
        expect(await door(5 * DAY)).toBeNull();
        await knockAt(900, OWN, 2 * DAY, 200);
        await knockAt(900, 'https://site.example/', 4 * DAY, 301);
        await knockAt(900, OWN, 6 * DAY, 503);
        expect(await door(5 * DAY)).toEqual([4, 301]);
        expect(await door(1 * DAY)).toEqual([2, 200]);
        expect(await door(null)).toEqual([6, 503]);
    });
});
