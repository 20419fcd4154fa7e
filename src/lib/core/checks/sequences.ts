/** Do sequences hold together? Pages that name the next and the previous one by `link` elements or headers (HTML 4.6.7). */
import { gateOf, GATE_INDEXABLE } from '../columns/gate-facts.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { headLinksOf } from '../packed/head-links.ts';
import { acceptedOf } from './canonicals.ts';
import { defineCheck, type Check } from './check.ts';
import { siteUrl } from './site-url.ts';

export interface Sequence {
    /** The page of the site that each names as next, and as previous; -1 for none, or one that is none. */
    next: Int32Array;
    previous: Int32Array;
    /** The first page of the sequence that it belongs to. */
    first: Int32Array;
}

/** Once for each survey. O(page blocks + links of lists). */
export function sequencesOf(survey: PackedSurvey): Sequence {
    return once(survey, 'sequences', [], () => {
        const named = (kind: 'next' | 'prev'): Int32Array => {
            const { start, link } = headLinksOf(survey, kind);
            const target = survey.numbers('link_target');
            return Int32Array.from({ length: survey.count }, (_, node) => {
                // Of several the first counts; a page that names itself goes nowhere.
                const to = start[node] === start[node + 1] ? -1 : target[link[start[node]!]!]!;
                return to >= 0 && to < survey.count && to !== node ? to : -1;
            });
        };
        const previous = named('prev');
        return { next: named('next'), previous, first: firstOfEach(previous) };
    });
}

/** The first page of the sequence each page belongs to: itself for a first one, and for all of a circle. O(nodes) */
function firstOfEach(previous: Int32Array): Int32Array {
    const first = new Int32Array(previous.length).fill(-1);
    for (let node = 0; node < previous.length; node++) {
        const way: number[] = [];
        let at = node;
        while (at !== -1 && first[at] === -1) {
            // Marked as passed: who comes here again on the same way is in a circle.
            first[at] = PASSED;
            way.push(at);
            at = previous[at]!;
        }
        const isCircle = at !== -1 && first[at] === PASSED;
        const end = at === -1 ? way.at(-1)! : first[at]!;
        for (const own of way) first[own] = isCircle ? own : end;
    }
    return first;
}

const PASSED = -2;

export const SEQUENCE_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'sequence-one-way',
        severity: 'risk',
        looks: 'page',
        name: 'Sequence that runs one way',
        fires: 'A page that names a next one which does not name it as the previous, or the other way round.',
        quiet: 'Pages that were not read, and ends of a sequence.',
        why: 'Whoever follows the sequence loses it, or takes it for two.',
        advice: 'Let both name each other.',
        example: '/list/2 says `rel="next"` of /list/3, which says `rel="prev"` of /list/1',
        ofPage: ({ survey }) => {
            const { next, previous } = sequencesOf(survey);
            const page = survey.numbers('page');
            return (node) => {
                const [on, back] = [next[node]!, previous[node]!];
                if (on !== -1 && page[on] === 1 && previous[on] !== node) {
                    return { params: { url: siteUrl(survey, on), as: 'next' } };
                }
                if (back !== -1 && page[back] === 1 && next[back] !== node) {
                    return { params: { url: siteUrl(survey, back), as: 'previous' } };
                }
                return null;
            };
        },
    }),
    defineCheck({
        id: 'sequence-broken',
        severity: 'risk',
        looks: 'page',
        name: 'Sequence that breaks off',
        fires: 'A page that names as next or previous one that stops at a gate.',
        quiet: 'Pages whose gates are not known.',
        why: 'The pages behind it are cut off from those before.',
        advice: 'Name the page that takes its place, or mend what stops it.',
        example: '/list/2 says `rel="next"` of /list/3, which answers 404',
        ofPage: ({ survey }) => {
            const { next, previous } = sequencesOf(survey);
            const gate = survey.numbers('gate');
            return (node) => {
                const stopped = [next[node]!, previous[node]!].find((to) => to !== -1 && gate[to]! < GATE_INDEXABLE);
                if (stopped === undefined) return null;
                const at = gateOf(gate[stopped]!);
                return at === null || at === 'indexable'
                    ? null
                    : { params: { url: siteUrl(survey, stopped), gate: at } };
            };
        },
    }),
    defineCheck({
        id: 'canonical-of-sequence',
        severity: 'risk',
        looks: 'page',
        name: 'Sequence that gives itself up',
        fires: 'A second or later page of a sequence whose canonical is the first.',
        quiet: 'Pages that name themselves, and those that say nothing of a previous one.',
        why: 'What only the later pages list is found by nobody: they say that they are the first.',
        advice: 'Let each page of the sequence name itself.',
        example: '/list/3 says `rel="prev"` of /list/2, and names /list/1 as its canonical',
        ofPage: ({ survey }) => {
            const [{ first }, accepted] = [sequencesOf(survey), acceptedOf(survey)];
            return (node) => {
                const to = accepted(node);
                // A first page names none, and so is its own first.
                if (to < 0 || first[node] !== to) return null;
                return { params: { url: siteUrl(survey, to) } };
            };
        },
    }),
];
