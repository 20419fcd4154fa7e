/** Hosts elsewhere that pages of the site link to, with their totals; neighbours of the site are told apart. */
import { hostOf } from '../address/address.ts';
import { standsAlone } from '../scope/belonging.ts';
import { LINK_KINDS } from '../page/links.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { CHECK } from '../pack/pack-links.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const A = LINK_KINDS.indexOf('a');

export interface ExternalHost {
    host: string;
    /** Occurrences of `a` links on pages read with 200. */
    links: number;
    followed: number;
    /** Different pages of the site that link there. */
    pages: number;
    /** Different URLs linked to. */
    targets: number;
    /** Of these, asked for their status; and how many of those answered with an error or not at all. */
    asked: number;
    broken: number;
    /** Its name lies under the site's own domain, but it does not belong to the site. */
    isNeighbour: boolean;
    /** A page that links there. */
    example: string;
}

/** Hosts elsewhere, most links first. Needs all three parts. O(link occurrences). */
export function externalHosts(survey: PackedSurvey): ExternalHost[] {
    const { pageStart, pageBlocks, blockList, listStart, target, kind, follow, isPage, nofollow } = linkGraphOf(survey);
    const { count } = survey;
    const internal = survey.numbers('other_internal');
    const checks = survey.numbers('other_check');
    const others = survey.texts('other_url').all();
    const hosts: ExternalHost[] = [];
    const numberOf = new Map<string, number>();
    /** Host of each address elsewhere; -1 before a link to it was met. */
    const hostAt = new Int32Array(others.length).fill(-1);
    const lastPage: number[] = [];
    const own = hostOf(survey.head.start)
        .replace(/:\d+$/, '')
        .replace(/^www\./, '');
    const meet = (other: number, node: number): number => {
        const name = hostOf(others[other]!);
        let number = numberOf.get(name);
        if (number === undefined) {
            number = hosts.length;
            numberOf.set(name, number);
            const isNeighbour = !standsAlone(own) && (name === own || name.endsWith(`.${own}`));
            const none = { links: 0, followed: 0, pages: 0, targets: 0, asked: 0, broken: 0 };
            hosts.push({ host: name, ...none, isNeighbour, example: survey.url(node) });
            lastPage.push(-1);
        }
        const host = hosts[number]!;
        host.targets++;
        if (checks[other] === CHECK.fine || checks[other] === CHECK.broken) host.asked++;
        if (checks[other] === CHECK.broken) host.broken++;
        return (hostAt[other] = number);
    };
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const other = target[link]! - count;
                if (kind[link] !== A || other < 0 || internal[other] === 1) continue;
                const number = hostAt[other] === -1 ? meet(other, node) : hostAt[other]!;
                const host = hosts[number]!;
                host.links++;
                if (follow[link] === 1 && nofollow[node] === 0) host.followed++;
                // Page by page, so a new page shows as a change.
                if (lastPage[number] !== node) {
                    lastPage[number] = node;
                    host.pages++;
                }
            }
        }
    }
    return hosts.sort((a, b) => b.links - a.links || (a.host < b.host ? -1 : 1));
}
