/** Of which pages something is found: what a set asks for. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { Bits } from '../sets/bits.ts';
import type { Sought } from '../sets/set-expression.ts';
import { isKnown, type Check, type CheckView, type Finding } from './check.ts';
import { CHECKS } from './register.ts';

/**
 * Pages of which a check, or any check of a severity, finds something; of links the pages they stand on. What the survey
 * cannot know is found of none. Needs all parts. O(checks · nodes + link occurrences).
 */
export function pagesFound(view: CheckView, sought: Sought): Bits {
    const { survey } = view;
    const isMeant = (finding: Finding): boolean => sought.kind === 'finding' || finding.severity === sought.severity;
    const isAsked = ({ id }: Check): boolean => sought.kind === 'found' || id === sought.check;
    const found = new Bits(survey.count);
    const targets = new Uint8Array(survey.count);
    for (const check of CHECKS.filter((item) => isAsked(item) && isKnown(item, survey))) {
        const [ofPage, ofTarget] = [check.ofPage?.(view), check.ofTarget?.(view)];
        for (let node = 0; node < survey.count; node++) {
            const [own, linked] = [ofPage?.(node), ofTarget?.(node)];
            if (own && isMeant(own)) found.add(node);
            if (linked && isMeant(linked)) targets[node] = 1;
        }
    }
    if (targets.includes(1)) addPagesLinkingTo(survey, targets, found);
    return found;
}

/** Adds the pages with a link to a marked page other than themselves. */
function addPagesLinkingTo(survey: PackedSurvey, marked: Uint8Array, into: Bits): void {
    const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    /** The one marked target of each list; -1 for none, -2 for several; -3 where nobody has looked yet. */
    const only = new Int32Array(listStart.length).fill(-3);
    const look = (list: number): number => {
        let one = -1;
        for (let link = listStart[list]!; link < listStart[list + 1]! && one !== -2; link++) {
            const to = target[link]!;
            if (kind[link] !== 0 || to < 0 || to >= survey.count || marked[to] !== 1 || to === one) continue;
            one = one === -1 ? to : -2;
        }
        return (only[list] = one);
    };
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            const one = only[list] === -3 ? look(list) : only[list]!;
            // A link of a page to itself is none; of several one leads elsewhere.
            if (one === -1 || one === node) continue;
            into.add(node);
            break;
        }
    }
}
