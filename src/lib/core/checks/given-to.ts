/** What links give to URLs that have no standing of their own. */
import { eachEnds } from '../measures/link-ends.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { once } from '../kept.ts';
import { FOLLOWED } from './check.ts';
import { eachLinkedPair } from './linked-pairs.ts';

/**
 * Standing that followed links send by way of each URL that is not ranked itself (a redirect), in average pages: a page
 * gives to each of its ends alike. O(link occurrences), once for each survey.
 */
export function givenTo(survey: PackedSurvey): ReadonlyMap<number, number> {
    return once(survey, 'given to', [], () => {
        const standing = survey.numbers('standing');
        const ends = new Uint32Array(survey.count);
        eachEnds(modelOf(survey), (node, own) => void (ends[node] = own.length));
        const marked = Uint8Array.from(standing, (value) => (Number.isNaN(value) ? 1 : 0));
        const given = new Map<number, number>();
        eachLinkedPair(survey, { marked, links: FOLLOWED }, (node, target) => {
            if (ends[node] === 0 || !(standing[node]! > 0)) return;
            given.set(target, (given.get(target) ?? 0) + standing[node]! / ends[node]!);
        });
        return given;
    });
}
