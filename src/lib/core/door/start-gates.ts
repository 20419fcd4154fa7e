/** The gates as a knock sees them: what it knows of the start page, asked as a survey asks of any page. */
import { passGates, type Gate } from '../gates/gates.ts';
import type { DoorPage } from './door-report.ts';

/** The gates that the start page does not pass, in their order; empty where it may be indexed. */
export function startGates(start: DoorPage): Gate[] {
    const { failed } = passGates({
        url: start.hops.at(-1)?.url ?? start.url,
        internal: true,
        robotsAllowed: start.closedBy === '',
        robotsRule: start.closedBy,
        status: start.status,
        failure: start.failure,
        redirectTo: start.hops.at(-1)?.to ?? '',
        instantRefresh: '',
        contentType: start.contentType,
        noindex: start.noindex !== null,
        noindexReason: '',
        canonicals: start.canonical ? [start.canonical.say] : [],
    });
    return failed.map(({ gate }) => gate);
}
