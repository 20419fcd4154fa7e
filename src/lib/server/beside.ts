/** What is known of a site beside a survey of it, for the checks. */
import { NOTHING_BESIDE, type Beside, type HostForm } from '../core/checks/beside.ts';
import type { DoorVariant } from '../core/door/door-report.ts';
import { hostOf } from '../core/address/address.ts';
import { externalHosts } from '../core/areas/external-hosts.ts';
import { baselineOf, type Surveys } from './baseline.ts';
import { knocksIn } from './knocks.ts';
import { log } from './process/log.ts';
import { progressIn } from './progress.ts';
import { askedOnce } from './request-memo.ts';
import type { Database } from './store/connect.ts';
import { listIntended } from './store/intended-store.ts';
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

const formOf = ({ origin, hops, lands }: DoorVariant): HostForm => ({
    origin,
    status: hops.at(-1)?.status ?? null,
    lands,
});

const bareHost = (url: string): string => hostOf(url).replace(/^www\./, '');

/** How the forms of the site's host answered when its door was last knocked at; empty where it never was. */
export async function hostFormsOf(db: Database, siteId: number, start: string): Promise<HostForm[]> {
    const knocks = await knocksIn(db, siteId);
    // A site's knocks may be at its neighbours.
    const knock = knocks.find(({ url }) => bareHost(url) === bareHost(start));
    return knock?.report.facts.variants.map(formOf) ?? [];
}

export async function besideOf(surveys: Surveys, survey: Survey): Promise<Beside> {
    const { db } = surveys;
    const [{ progress }, intended, hostForms, before] = await Promise.all([
        progressIn(db, survey.id),
        askedOnce(`intended ${survey.siteId}`, () => listIntended(db, survey.siteId)),
        hostFormsOf(db, survey.siteId, survey.settings.start),
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
        hostForms,
        hostsBefore: before === null ? null : await hostsBefore(surveys, before),
    };
}
