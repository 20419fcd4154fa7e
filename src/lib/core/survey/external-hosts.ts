/** Hosts elsewhere that pages of the site link to, with their totals; neighbours of the site are told apart. */
import { hostOf } from '../address/address.ts';
import { standsAlone } from '../address/belonging.ts';
import { isFollowed } from '../page/links.ts';
import { isReadHtml, type MeasuredSurvey } from './measured-survey.ts';

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
    example: number;
}

/** Hosts elsewhere, most links first. O(link occurrences). */
export function externalHosts(survey: MeasuredSurvey): ExternalHost[] {
    const hosts = new Map<string, ExternalHost>();
    const targets = new Map<string, Set<number>>();
    const lastPage = new Map<string, number>();
    const own = hostOf(survey.info.start)
        .replace(/:\d+$/, '')
        .replace(/^www\./, '');
    for (const item of survey.rows.pageBlocks) {
        const node = survey.nodeOf[item.page] ?? -1;
        const page = survey.pages[node] ?? null;
        if (page === null || !isReadHtml(page)) continue;
        const block = survey.blockById.get(item.block);
        for (const link of (block && survey.listById.get(block.list)) ?? []) {
            if (link.kind !== 'a' || link.target === null || survey.internalById.get(link.target)) continue;
            const name = hostOf(survey.urlById.get(link.target) ?? '');
            let host = hosts.get(name);
            if (!host) {
                const isNeighbour = !standsAlone(own) && (name === own || name.endsWith(`.${own}`));
                host = {
                    host: name,
                    links: 0,
                    followed: 0,
                    pages: 0,
                    targets: 0,
                    asked: 0,
                    broken: 0,
                    isNeighbour,
                    example: node,
                };
                hosts.set(name, host);
                targets.set(name, new Set());
            }
            host.links++;
            if (isFollowed(link.rel, page.nofollow)) host.followed++;
            // Blocks lie page by page, so a new page shows as a change.
            if (lastPage.get(name) !== node) {
                lastPage.set(name, node);
                host.pages++;
            }
            targets.get(name)!.add(link.target);
        }
    }
    for (const [name, host] of hosts) {
        for (const target of targets.get(name)!) {
            host.targets++;
            const check = survey.checkById.get(target);
            if (!check || check.notRead === 'robots') continue;
            host.asked++;
            if (check.status === null || check.status >= 400) host.broken++;
        }
    }
    return [...hosts.values()].sort((a, b) => b.links - a.links || (a.host < b.host ? -1 : 1));
}
