/** What is known of a site beside a survey of it, for the checks. */
import { NOTHING_BESIDE, type Beside, type DoorForm } from '../core/checks/beside.ts';
import type { DoorVariant } from '../core/door/door-report.ts';
import { hostOf } from '../core/address/address.ts';
import { subjectsByUrl } from '../core/areas/said-subjects.ts';
import { externalHosts } from '../core/areas/external-hosts.ts';
import { baselineOf, type Surveys } from './baseline.ts';
import { knocksIn } from './knocks.ts';
import { log } from './process/log.ts';
import { anchorFits } from './proposals/anchor-fits.ts';
import { progressIn } from './progress.ts';
import { askedOnce } from './request-memo.ts';
import type { Database } from './store/connect.ts';
import { listIntended } from './store/intended-store.ts';
import { GenericWords } from '../core/text/generic-words.ts';
import { listGenericWords } from './store/generic-word-store.ts';
import { listSubjects } from './store/subject-store.ts';
import type { Survey } from './store/survey-store.ts';

/** Hosts that surveys link to, by survey and revision: small, where the survey is not. */
const hosts = new Map<string, ReadonlySet<string>>();
const MOST_KEPT = 50;

async function hostsOf({ open }: Surveys, survey: Survey): Promise<ReadonlySet<string>> {
    const key = `${survey.id}.${survey.revision}`;
    const known = hosts.get(key);
    if (known) return known;
    const own = new Set(externalHosts(await open(survey, ['core', 'text', 'links'])).map(({ host }) => host));
    if (hosts.size >= MOST_KEPT) hosts.clear();
    hosts.set(key, own);
    return own;
}

/** Null where the survey before cannot be opened: what only it knows is not known, and all else is told. */
async function hostsBefore(surveys: Surveys, before: Survey): Promise<ReadonlySet<string> | null> {
    try {
        return await hostsOf(surveys, before);
    } catch (error) {
        log.warn('the survey before cannot be opened: hosts that are new are not told', { survey: before.id, error });
        return null;
    }
}

const formOf = ({ origin, hops, lands }: DoorVariant): DoorForm => ({
    origin,
    status: hops.at(-1)?.status ?? null,
    lands,
});

const bareHost = (url: string): string => hostOf(url).replace(/^www\./, '');

/**
 * How the forms of the site's host answered at its door when a survey was made: at the last knock until it ended, else at
 * the first after it. Null where nobody knocked.
 */
export async function doorFor(
    db: Database,
    { siteId, settings, endedAt }: Pick<Survey, 'siteId' | 'settings' | 'endedAt'>,
): Promise<{ at: number; forms: DoorForm[] } | null> {
    // A site's knocks may be at its neighbours. The newest stands first.
    const knocks = (await knocksIn(db, siteId)).filter(({ url }) => bareHost(url) === bareHost(settings.start));
    const knock = knocks.find(({ at }) => endedAt === null || at <= endedAt) ?? knocks.at(-1);
    return knock ? { at: knock.at, forms: knock.report.facts.variants.map(formOf) } : null;
}

/** How the anchors of a survey stand to their targets, by what was said of subjects. */
async function anchorsOf(
    { db, open, words: wordsOf }: Surveys,
    survey: Survey,
): Promise<Pick<Beside, 'anchorFits' | 'subjectsSaid' | 'generic'>> {
    const packed = await open(survey, ['core', 'text', 'links']);
    const [words, said, listed] = await Promise.all([
        wordsOf(survey, packed),
        askedOnce(`subjects ${survey.siteId}`, () => listSubjects(db, survey.siteId)),
        askedOnce(`generic words ${survey.siteId}`, () => listGenericWords(db, survey.siteId)),
    ]);
    const generic = new GenericWords(listed);
    if (words === null) return { anchorFits: null, subjectsSaid: '', generic };
    return {
        generic,
        // In another survey than this nothing is known of words.
        anchorFits: (of) =>
            of === packed ? anchorFits(of, words, subjectsByUrl(of, said), generic) : new Uint8Array(0),
        subjectsSaid: said.length === 0 ? '' : JSON.stringify(said),
    };
}

export async function besideOf(surveys: Surveys, survey: Survey): Promise<Beside> {
    const { db } = surveys;
    const [{ progress }, intended, door, before] = await Promise.all([
        progressIn(db, survey.id),
        askedOnce(`intended ${survey.siteId}`, () => listIntended(db, survey.siteId)),
        doorFor(db, survey),
        baselineOf(db, survey),
    ]);
    const families = (progress?.families ?? []).filter(({ state }) => state === 'closed');
    return {
        ...NOTHING_BESIDE,
        families: families.map(({ pattern, example, read, reason, byHand }) => ({
            pattern,
            example,
            read,
            reason,
            byHand,
        })),
        intended,
        hostForms: door?.forms ?? [],
        hostsBefore: before === null ? null : await hostsBefore(surveys, before),
        ...(await anchorsOf(surveys, survey)),
    };
}
