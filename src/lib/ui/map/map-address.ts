/** What of the map stands in the address, so that it can be sent to somebody or kept. */
import { GROUPINGS } from '../../core/map/address-tree.ts';
import type { IntendedPage } from '../../core/compare/intended.ts';
import type { Arrangement } from '../../workers/map-answers.ts';

interface Params {
    get(name: string): string | null;
}

/** @param intended the structure that is meant for the site; empty for none */
export function arrangementOf(params: Params, intended: readonly IntendedPage[]): Arrangement {
    const at = params.get('in');
    switch (params.get('arrange')) {
        case 'branch':
            return { by: 'branch', hang: params.get('hang') === 'hold' ? 'hold' : 'way', at };
        case 'address':
            if (params.get('group') === 'intended' && intended.length > 0) {
                return { by: 'address', group: 'intended', intended, at };
            }
            return { by: 'address', group: GROUPINGS.find((own) => own === params.get('group')) ?? 'folders', at };
        default:
            return { by: 'depth', order: params.get('order') === 'url' ? 'url' : 'standing' };
    }
}

/** How many times as large as the window, for its longer side. */
export const SIZES = {
    least: 1,
    most: 16,
    of(params: Params): number {
        const asked = Number(params.get('size') ?? '1');
        return Number.isFinite(asked) ? Math.min(SIZES.most, Math.max(SIZES.least, asked)) : SIZES.least;
    },
    /** @returns the parameter for so many times the size there is; null for the whole */
    param(now: number, by: number | 'whole'): string | null {
        const next = by === 'whole' ? SIZES.least : Math.min(SIZES.most, Math.max(SIZES.least, now * by));
        const told = Math.round(next * 100) / 100;
        return told === SIZES.least ? null : String(told);
    },
} as const;

/** Which links are drawn: of the page that is pointed at or open, of the current set, from section to section. */
export const SHOWN_LINKS = ['page', 'set', 'sections', 'none'] as const;
export type ShownLinks = (typeof SHOWN_LINKS)[number];

export const shownLinksOf = (params: Params): ShownLinks =>
    SHOWN_LINKS.find((own) => own === params.get('links')) ?? 'page';
