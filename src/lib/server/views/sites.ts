/** The list of sites: where each stands by its last whole survey, and what is under way. */
import { log } from '../process/log.ts';
import { siteStanding, type SiteStanding } from '../../core/views/site-standing.ts';
import { appStore, isEnded, openPacked } from '../app.ts';
import { readProgress } from '../store/job-store.ts';
import { listSites } from '../store/site-store.ts';
import { listSurveys, type Survey } from '../store/survey-store.ts';

/** Sites of which the standing is worked out; each takes a survey opened. */
const MOST_TOLD = 24;

export async function showSites() {
    const { db } = appStore();
    const sites = await listSites(db);
    const listed = await Promise.all(
        sites.map(async ({ id, name, start }) => ({ id, name, start, all: await listSurveys(db, id) })),
    );
    return {
        sites: await Promise.all(
            listed.map(async ({ all, ...site }, place) => {
                const whole = all.filter(({ settings }) => settings.spot === null);
                const told = whole.find(
                    (survey) => isEnded(survey) && survey.state !== 'paused' && survey.state !== 'failed',
                );
                const [newest] = whole;
                const later = newest && newest !== told ? newest : null;
                return {
                    ...site,
                    surveys: all.length,
                    told: told ? listedSurvey(told) : null,
                    later: later && {
                        ...listedSurvey(later),
                        read: (await readProgress(db, later.id)).progress?.read ?? null,
                    },
                    // Not waited for: the list is there at once, and each site when it is known.
                    standing: told && place < MOST_TOLD ? standingOf(told) : Promise.resolve(null),
                };
            }),
        ),
    };
}

function listedSurvey({ number, state, cut, createdAt, asOf }: Survey) {
    return { number, state, isPartial: cut.length > 0, createdAt, asOf };
}

/** Null where the survey cannot be opened: the list is no place to say why. */
async function standingOf(survey: Survey): Promise<SiteStanding | null> {
    try {
        return siteStanding(await openPacked(survey));
    } catch (error) {
        log.error('a survey of the list of sites could not be opened', { error, survey: survey.id });
        return null;
    }
}
