/** Seeds the demo: adds the demo site once and surveys its three editions for real. Nothing on screen is pre-baked. */
import { join } from 'node:path';
import { storedWords } from '../src/lib/core/words/problems.ts';
import { DEFAULT_ROBOT_WORDS } from '../src/lib/core/evidence/robot-agents.ts';
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import { NO_SECRETS, type SurveySettings } from '../src/lib/core/survey/settings.ts';
import { checkDoor, OTHER_AGENT } from '../src/lib/server/crawl/door-check.ts';
import { listContext, makeList } from '../src/lib/server/evidence/make-list.ts';
import { readListFile } from '../src/lib/server/evidence/read-list.ts';
import { ownerName } from '../src/lib/server/jobs/worker-loop.ts';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';
import { pause } from '../src/lib/server/process/liveness.ts';
import { whileAway, type Store } from '../src/lib/server/store/connect.ts';
import { addKnock } from '../src/lib/server/store/door-store.ts';
import { giveList } from '../src/lib/server/store/evidence-store.ts';
import { readProgress, releaseJob } from '../src/lib/server/store/job-store.ts';
import { addSite, listSites, saveSiteSettings } from '../src/lib/server/store/site-store.ts';
import { createSurvey, getSurvey, listSurveys, type Survey } from '../src/lib/server/store/survey-store.ts';
import { EDITION_DATES, EDITIONS, type Edition } from './fernhollow/editions.ts';
import { EVIDENCE_FILES } from './make-evidence.ts';

export const DEMO_HOST = 'www.fernhollow-tools.example';
export const DEMO_START = `https://${DEMO_HOST}/`;
const DEMO_NAME = 'Fernhollow Tool Library';
/** Members of a family read before it may close: a site of this size needs no 200 to show that it has no end. */
const FAMILY_LIMIT = 60;

/** Each edition answers at a loopback address of its own, on one port. */
export const EDITION_ADDRESS: Record<Edition, string> = {
    march: '127.0.0.3',
    june: '127.0.0.2',
    september: '127.0.0.1',
};

/** Settings that reach an edition of the demo site on a stand-in at that port. */
export function demoSettings(port: number, edition: Edition): SurveySettings {
    const address = `${EDITION_ADDRESS[edition]}:${port}`;
    return {
        ...DEFAULT_SETTINGS,
        start: DEMO_START,
        pins: [`${DEMO_HOST}=${address}`, `fernhollow-tools.example=${address}`],
        familyLimit: FAMILY_LIMIT,
    };
}

/** Waits until the demo site has a survey of each edition that ended. */
export async function seedDemo(
    store: Store,
    port: number,
    log: (line: string) => void,
    isOver: () => boolean,
): Promise<void> {
    const { db } = store;
    const settings = demoSettings(port, 'september');
    const known = (await listSites(db)).find((site) => site.start === DEMO_START);
    const site = known ?? (await addSite(db, DEMO_NAME, settings));
    // The stand-in may have had to step to another port since the last time.
    if (known) await saveSiteSettings(db, site.id, { ...known.settings, pins: settings.pins }, known.secrets);
    for (const edition of EDITIONS) {
        const asOf = EDITION_DATES[edition];
        const surveys = (await listSurveys(db, site.id)).filter((survey) => survey.asOf === asOf);
        if (surveys.some((survey) => survey.state === 'finished')) continue;
        const open = surveys.find((survey) => survey.state === 'waiting' || survey.state === 'running');
        const survey = open ?? (await surveyWithEvidence(store, site.id, port, edition));
        if (!open) await knockFirst(store, site.id, demoSettings(port, edition));
        log(`Surveying the demo site as of ${asOf}`);
        for (let told = 0; !isOver(); await pause(200)) {
            const now = await whileAway(() => getSurvey(db, survey.id));
            if (!now || (now.state !== 'waiting' && now.state !== 'running')) {
                if (now?.trouble) log(`The demo survey ended: ${storedWords(now.trouble)}`);
                break;
            }
            const { progress } = await whileAway(() => readProgress(db, survey.id));
            if (progress && Date.now() - told > 2_000) {
                told = Date.now();
                log(`  ${progress.read} read of ${progress.found} found`);
            }
        }
        if (isOver()) return;
    }
}

/** What an architect does first; the three knocks are then there to be laid side by side. */
async function knockFirst(store: Store, siteId: number, settings: SurveySettings): Promise<void> {
    const report = await checkDoor({
        settings,
        secrets: NO_SECRETS,
        keepsOut: false,
        otherAgent: OTHER_AGENT,
        stop: AbortSignal.timeout(60_000),
    });
    await whileAway(() => addKnock(store.db, siteId, report));
}

/** A survey of an edition with the lists its owner would have; no worker takes it before they are there. */
async function surveyWithEvidence(store: Store, siteId: number, port: number, edition: Edition): Promise<Survey> {
    const { db } = store;
    const settings = demoSettings(port, edition);
    const owner = ownerName();
    const survey = await createSurvey(db, siteId, settings, {
        owner,
        leaseUntil: Date.now() + 60_000,
        asOf: EDITION_DATES[edition],
    });
    const context = listContext(settings);
    for (const kind of ['log', 'visits', 'search', 'external'] as const) {
        const name = EVIDENCE_FILES[kind];
        const path = join(projectRoot(), 'demo/evidence', edition, name);
        const read = await readListFile(path, kind, context, DEFAULT_ROBOT_WORDS);
        if (!read.ok) throw new Error(read.say);
        await giveList(db, survey.id, makeList(kind, name, read.read));
    }
    await releaseJob(db, survey.id, owner);
    return survey;
}
