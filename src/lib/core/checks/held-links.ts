/** The links that checks of single links are asked about: those that stand on a page whose links count. */
import { LINK_KINDS } from '../page/links.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Check, CheckView, LinkSort } from './check.ts';
import { sourceOf } from './linked-pairs.ts';

const ANCHOR = LINK_KINDS.indexOf('a');

export class HeldLinks {
    readonly #survey: PackedSurvey;
    /** 1 for each list that stands on a page, by the pages that are asked about. */
    readonly #held = new Map<LinkSort['from'], Uint8Array>();
    #others: Uint32Array | null = null;

    constructor(survey: PackedSurvey) {
        this.#survey = survey;
    }

    /** In the order of their numbers. O(links of the kinds the check means), once lists are known. */
    each(view: CheckView, { links, meant }: Pick<Check, 'links' | 'meant'>, tell: (link: number) => void): void {
        const { listStart, kind, target } = linkGraphOf(this.#survey);
        const kinds = Uint8Array.from(LINK_KINDS, (own) => (meant === null || meant.kinds.includes(own) ? 1 : 0));
        const isMeant = this.#addressesMeant(view, meant?.to);
        const held = this.#heldFrom(links.from);
        const isAsked = (link: number): boolean =>
            kinds[kind[link]!] === 1 && (!isMeant || target[link]! < 0 || isMeant[target[link]!] === 1);
        if (kinds[ANCHOR] !== 1) {
            let list = 0;
            for (const link of (this.#others ??= this.#otherLinks())) {
                while (listStart[list + 1]! <= link) list++;
                if (held[list] === 1 && isAsked(link)) tell(link);
            }
            return;
        }
        for (let list = 0; list + 1 < listStart.length; list++) {
            if (held[list] !== 1) continue;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) if (isAsked(link)) tell(link);
        }
    }

    /** Of each address whether links to it are asked about; null for all. */
    #addressesMeant(view: CheckView, to: NonNullable<Check['meant']>['to']): Uint8Array | null {
        const leads = to?.(view);
        if (!leads) return null;
        const addresses = this.#survey.count + this.#survey.numbers('other_internal').length;
        return Uint8Array.from({ length: addresses }, (_, address) => (leads(address) ? 1 : 0));
    }

    #heldFrom(from: LinkSort['from']): Uint8Array {
        const known = this.#held.get(from);
        if (known) return known;
        const { isPage, pageStart, pageBlocks, blockList, listStart } = linkGraphOf(this.#survey);
        const isAsked = sourceOf(this.#survey, from);
        const held = new Uint8Array(listStart.length);
        for (let node = 0; node < this.#survey.count; node++) {
            if (isPage[node] !== 1 || !isAsked(node)) continue;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) held[blockList[pageBlocks[at]!]!] = 1;
        }
        this.#held.set(from, held);
        return held;
    }

    /** All that are no `a` links: few. */
    #otherLinks(): Uint32Array {
        const { kind } = linkGraphOf(this.#survey);
        const links: number[] = [];
        for (let link = 0; link < kind.length; link++) if (kind[link] !== ANCHOR) links.push(link);
        return Uint32Array.from(links);
    }
}
