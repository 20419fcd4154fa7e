/** What *Spent* shows: where robots spend their visits, by the access logs of a survey. */
import { spentOf, type SpentOn } from '../areas/spent.ts';
import { GATES } from '../gates/gates.ts';
import type { RobotVisits } from '../evidence/robot-visits.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { SetOfPages } from './robots.ts';

const MOST_ROBOTS = 25;
const MOST_NEVER = 12;
/** Depths are told one by one up to here; the rest together. */
const DEEP = 8;

const ASKED = 'asked for by robots';
const NEVER = `indexable and not ${ASKED}`;

/** URLs that an answer was spent on are a set where the survey alone tells what they are. */
const setOf = (on: SpentOn): string | null => {
    if (on === 'indexable') return `indexable and ${ASKED}`;
    const isTold = on === 'robots' || on === 'noindex' || on === 'canonical' || on === 'response';
    return isTold && GATES.includes(on) ? `gate is ${on} and ${ASKED}` : null;
};

/** @param logs of the survey that tell what robots asked for @param given access logs in all */
export function spentView(survey: PackedSurvey, logs: readonly RobotVisits[], given: number) {
    const told = { given, logs: logs.length };
    if (logs.length === 0) return { ...told, spent: null };
    const spent = spentOf(survey, logs);
    const { requests, never, byDepth, standingsOf } = { ...spent, standingsOf: survey.numbers('standing') };
    const deep = byDepth.filter(({ depth }) => depth !== null && depth > DEEP);
    const shallow = byDepth.filter(({ depth }) => depth === null || depth <= DEEP);
    const atDepth = (depth: number | null): string =>
        depth === null ? `${NEVER} and not reached` : `${NEVER} and depth = ${depth}`;
    const depthRow = (row: (typeof byDepth)[number], set: string, from: number | null) => ({
        depth: from,
        isAndDeeper: from !== row.depth,
        pages: row.pages,
        requests: row.requests,
        never: { pages: row.never, set: row.never === 0 ? null : set } satisfies SetOfPages,
    });
    const together = deep.reduce(
        (sum, row) => ({
            depth: null,
            pages: sum.pages + row.pages,
            never: sum.never + row.never,
            requests: sum.requests + row.requests,
        }),
        { depth: null, pages: 0, never: 0, requests: 0 },
    );
    const reached = shallow
        .filter(({ depth }) => depth !== null)
        .map((row) => depthRow(row, atDepth(row.depth), row.depth));
    const beyond = deep.length === 0 ? [] : [depthRow(together, `${NEVER} and depth > ${DEEP}`, DEEP + 1)];
    const cutOff = shallow.filter(({ depth }) => depth === null).map((row) => depthRow(row, atDepth(null), null));
    return {
        ...told,
        spent: {
            requests,
            left: spent.left,
            first: spent.first,
            last: spent.last,
            indexable: spent.indexable,
            never: { pages: never.length, set: never.length === 0 ? null : NEVER } satisfies SetOfPages,
            rows: spent.rows.map(({ on, requests: own, urls, most }) => ({
                on,
                requests: own,
                share: requests === 0 ? 0 : own / requests,
                urls: { pages: urls, set: setOf(on) } satisfies SetOfPages,
                most,
                isKnown: survey.nodeOf(most.url) !== -1,
            })),
            robots: spent.robots.slice(0, MOST_ROBOTS),
            moreRobots: Math.max(0, spent.robots.length - MOST_ROBOTS),
            byDepth: [...reached, ...beyond, ...cutOff],
            byStanding: spent.byStanding,
            /** Those never asked for that stand highest. */
            highest: [...never]
                .sort((a, b) => standingsOf[b]! - standingsOf[a]! || a - b)
                .slice(0, MOST_NEVER)
                .map((node) => ({ url: survey.url(node), standing: Math.max(0, standingsOf[node]!) })),
        },
    };
}

export type SpentView = ReturnType<typeof spentView>;
export type SpentTold = NonNullable<SpentView['spent']>;
