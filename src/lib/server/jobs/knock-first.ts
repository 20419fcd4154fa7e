/** Knocks at the door of a survey that is about to begin, so that what shuts it is said before the first page is read. */
import { doorSentence } from '../../core/words/door.ts';
import type { SurveySecrets } from '../../core/survey/settings.ts';
import { checkDoor, KNOCK_PATIENCE, OTHER_AGENT } from '../crawl/door-check.ts';
import { addKnock, listKnocks } from '../store/door-store.ts';
import { isToKnock, knocked } from '../store/job-store.ts';
import type { Store } from '../store/connect.ts';
import type { Survey } from '../store/survey-store.ts';

/** A knock at the same start page within this needs no other. */
const STILL_FRESH = 10 * 60_000;

export interface KnockFirst {
    survey: Survey;
    secrets: SurveySecrets;
    stop: AbortSignal;
    /** Told the sentence on top, or what went wrong: the survey goes on all the same. */
    say: (line: string) => void;
}

/** Does nothing where nobody asked for it, and when it was done already. What is closed to the survey is not asked for. */
export async function knockFirst({ db }: Store, { survey, secrets, stop, say }: KnockFirst): Promise<void> {
    if (!(await isToKnock(db, survey.id))) return;
    const { settings } = survey;
    const [last] = await listKnocks(db, survey.siteId, 1);
    const isFresh = last?.url === settings.start && last.at > Date.now() - STILL_FRESH;
    if (isFresh) say(doorSentence(last.report));
    else {
        try {
            const report = await checkDoor({
                settings,
                secrets,
                keepsOut: settings.robots === 'obey',
                otherAgent: OTHER_AGENT,
                stop: AbortSignal.any([stop, AbortSignal.timeout(KNOCK_PATIENCE)]),
            });
            // Told to stop in the middle of it: half a knock says nothing.
            if (!stop.aborted) {
                await addKnock(db, survey.siteId, report);
                say(doorSentence(report));
            }
        } catch (error) {
            say(`the door could not be knocked at: ${(error as Error).message}`);
        }
    }
    await knocked(db, survey.id);
}
