/** Seeds the demo: adds the demo site once and surveys it for real. Nothing on screen is pre-baked. */
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import type { SurveySettings } from '../src/lib/core/survey/settings.ts';
import { pause } from '../src/lib/server/process/liveness.ts';
import { whileAway, type Store } from '../src/lib/server/store/connect.ts';
import { readProgress } from '../src/lib/server/store/job-store.ts';
import { addSite, listSites, saveSiteSettings } from '../src/lib/server/store/site-store.ts';
import { createSurvey, getSurvey, listSurveys } from '../src/lib/server/store/survey-store.ts';

export const DEMO_HOST = 'www.fernhollow-tools.example';
export const DEMO_START = `https://${DEMO_HOST}/`;
const DEMO_NAME = 'Fernhollow Tool Library';

/** Settings that reach the demo site on a stand-in at that port. */
export function demoSettings(port: number): SurveySettings {
    return {
        ...DEFAULT_SETTINGS,
        start: DEMO_START,
        pins: [`${DEMO_HOST}=127.0.0.1:${port}`, `fernhollow-tools.example=127.0.0.1:${port}`],
    };
}

/** Waits until the demo site has a survey that ended. */
export async function seedDemo(
    store: Store,
    port: number,
    log: (line: string) => void,
    isOver: () => boolean,
): Promise<void> {
    const { db } = store;
    const settings = demoSettings(port);
    const known = (await listSites(db)).find((site) => site.start === DEMO_START);
    const site = known ?? (await addSite(db, DEMO_NAME, settings));
    // The stand-in may have had to step to another port since the last time.
    if (known) await saveSiteSettings(db, site.id, settings);
    const surveys = await listSurveys(db, site.id);
    if (surveys.some((survey) => survey.state === 'finished')) return;
    const open = surveys.find((survey) => survey.state === 'waiting' || survey.state === 'running');
    const survey = open ?? (await createSurvey(db, site.id, settings));
    log(`Surveying the demo site ${DEMO_START}`);
    for (let told = 0; !isOver(); await pause(250)) {
        const now = await whileAway(() => getSurvey(db, survey.id));
        if (!now || (now.state !== 'waiting' && now.state !== 'running')) {
            if (now?.trouble) log(`The demo survey ended: ${now.trouble}`);
            return;
        }
        const { progress } = await whileAway(() => readProgress(db, survey.id));
        if (progress && Date.now() - told > 2_000) {
            told = Date.now();
            log(`  ${progress.read} read of ${progress.found} found`);
        }
    }
}
