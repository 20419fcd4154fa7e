/** What a site says of the checks, as the checks take it. */
import { CHECKS } from '../core/checks/register.ts';
import type { CheckId } from '../core/checks/check.ts';
import { acceptedKey, type CheckSettings } from '../core/checks/settings.ts';
import { askedOnce } from './request-memo.ts';
import { checkSettingsOf, listAcceptances, type Acceptance } from './store/check-store.ts';
import type { Database } from './store/connect.ts';

/** What is accepted of a site. */
export function acceptancesIn(db: Database, siteId: number): Promise<Acceptance[]> {
    return askedOnce(`acceptances ${siteId}`, () => listAcceptances(db, siteId));
}

/** A check that has gone from the register, or a threshold out of its bounds, says nothing. */
export async function checkSettingsIn(db: Database, siteId: number): Promise<CheckSettings> {
    const [said, accepted] = await Promise.all([
        askedOnce(`check settings ${siteId}`, () => checkSettingsOf(db, siteId)),
        acceptancesIn(db, siteId),
    ]);
    const off = new Set<CheckId>();
    const thresholds = new Map<CheckId, number>();
    for (const { id, threshold } of CHECKS) {
        if (said.off.includes(id)) off.add(id);
        const own = said.thresholds[id];
        if (threshold && own !== undefined && own >= threshold.min && own <= threshold.max) thresholds.set(id, own);
    }
    const isId = (check: string): check is CheckId => CHECKS.some(({ id }) => id === check);
    return {
        off,
        thresholds,
        accepted: {
            causes: new Map(accepted.filter(({ check }) => check === '').map(({ subject, note }) => [subject, note])),
            findings: new Map(
                accepted.flatMap(({ check, subject, note }): [string, string][] =>
                    isId(check) ? [[acceptedKey(check, subject), note]] : [],
                ),
            ),
        },
    };
}
