/** Where a settled URL leads. */
import { isHtmlType } from '../../core/gates/gates.ts';
import type { LinkKind } from '../../core/page/links.ts';
import { ONWARD_KINDS } from '../../core/survey/setting-fields.ts';
import type { LinkLead, SettledPage } from './earlier-run.ts';
import type { Leads } from './frontier.ts';
import type { RunParts } from './run-parts.ts';

/** Kinds of links that only make their targets known, and give no depth: all but clicks and hops. */
const KNOWN_ONLY: readonly LinkKind[] = ONWARD_KINDS.filter((kind) => kind !== 'a' && kind !== 'redirect');
const RESOURCES: readonly LinkKind[] = ['img', 'script', 'style'];

type Needs = Pick<RunParts, 'settings' | 'rows' | 'checks'>;

/**
 * Only internal targets, and nothing from a page that answered other than 200; targets that are asked for their status
 * alone go to the checks.
 */
export function leadsOf(page: SettledPage, links: readonly LinkLead[], { settings, rows, checks }: Needs): Leads {
    const leads: Leads = { clicks: [], free: [], others: [] };
    const goesOn = (kind: LinkKind): boolean => settings.onward.includes(kind);
    const put = (into: number[], target: number): void => {
        if (target !== page.address && rows.isInternal(target)) into.push(target);
    };
    if (page.redirectTo !== null && goesOn('redirect')) put(leads.free, page.redirectTo);
    if (page.status === 200 && isHtmlType(page.contentType)) {
        if (page.instantRefresh !== null && goesOn('meta-refresh')) put(leads.free, page.instantRefresh);
        for (const link of links) {
            if (link.target === null) continue;
            if (RESOURCES.includes(link.kind)) checks.add(link.target, 'resource');
            else if (!rows.isInternal(link.target)) {
                if (link.kind === 'a') checks.add(link.target, 'external');
            } else if (!goesOn(link.kind)) continue;
            else if (link.kind === 'a') put(leads.clicks, link.target);
            else if (KNOWN_ONLY.includes(link.kind)) put(leads.others, link.target);
        }
    }
    if (settings.spot !== null) {
        leads.clicks = [];
        leads.others = [];
    }
    if (page.robotsAllowed === false) {
        // Read all the same (record): what a closed page links to is known, but is not reached through it.
        leads.others.unshift(...leads.free, ...leads.clicks);
        leads.free = [];
        leads.clicks = [];
    }
    return leads;
}
