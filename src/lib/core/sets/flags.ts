/** What is either so or not of a page: flags of the set language. */
import { evidenceBit } from '../evidence/evidence.ts';
import { GATES } from '../gates/gates.ts';
import { GATE_INDEXABLE } from '../packed/codes.ts';
import { refreshTargets } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { once } from '../kept.ts';
import { ORPHAN } from '../survey/page-kind.ts';
import { UNREACHED } from '../graph/depth.ts';

export interface Flag {
    name: string;
    what: string;
    /** Makes the test for a survey: numbers in, yes or no. */
    test: (survey: PackedSurvey) => (node: number) => boolean;
}

const is = (name: string, what: string, test: Flag['test']): Flag => ({ name, what, test });
/** So where a column says 1. */
const marked = (name: string, what: string, column: string): Flag =>
    is(name, what, (survey) => {
        const values = survey.numbers(column);
        return (node) => values[node] === 1;
    });
/** So where a column has a group. */
const grouped = (name: string, what: string, column: string): Flag =>
    is(name, what, (survey) => {
        const values = survey.numbers(column);
        return (node) => values[node] !== -1;
    });

export const FLAGS: readonly Flag[] = [
    marked('page', 'Answered 200 with HTML.', 'page'),
    is('read', 'Has a status.', (survey) => {
        const status = survey.numbers('status');
        return (node) => status[node] !== 0;
    }),
    is('indexable', 'Passes all seven gates.', (survey) => {
        const gate = survey.numbers('gate');
        return (node) => gate[node] === GATE_INDEXABLE;
    }),
    is('stopped', 'Stops at some gate.', (survey) => {
        const gate = survey.numbers('gate');
        return (node) => gate[node]! < GATES.length;
    }),
    is('reached', 'Links lead there from the start page.', (survey) => {
        const depth = survey.numbers('depth');
        return (node) => depth[node] !== UNREACHED;
    }),
    is('orphan', 'Was read and is not reached, strict or adrift.', (survey) => {
        const orphan = survey.numbers('orphan');
        return (node) => orphan[node] === ORPHAN.strict || orphan[node] === ORPHAN.adrift;
    }),
    is('strict orphan', 'No page read links to it.', (survey) => {
        const orphan = survey.numbers('orphan');
        return (node) => orphan[node] === ORPHAN.strict;
    }),
    is('adrift', 'Only pages that are not reached link to it.', (survey) => {
        const orphan = survey.numbers('orphan');
        return (node) => orphan[node] === ORPHAN.adrift;
    }),
    grouped('in an island', 'In a group of two or more orphans that links hold together.', 'island'),
    marked('thin hold', 'Reached, and one reached page alone links to it with a followed link.', 'thin'),
    marked('listing only', 'Reached by paginated lists and archives only.', 'listing_only'),
    marked('decline only', 'Reached by nofollow links only.', 'decline_only'),
    is('behind a refresh', 'An orphan to which a page leads on by itself, after a delay.', (survey) => {
        const orphan = survey.numbers('orphan');
        const led = once(survey, 'delayed refreshes', [], () => refreshTargets(survey));
        return (node) => led[node] === 1 && (orphan[node] === ORPHAN.strict || orphan[node] === ORPHAN.adrift);
    }),
    is('choke point', 'Some pages are reached through this one only; the start page is none.', (survey) => {
        const load = survey.numbers('load');
        const starts = new Set(survey.head.starts);
        return (node) => load[node]! > 0 && !starts.has(node);
    }),
    grouped('held by one link', 'Without one single link it would not be reached.', 'held_by'),
    marked('noindex', 'Says noindex to our agent.', 'noindex'),
    marked('nofollow', 'Says nofollow of all its links.', 'nofollow'),
    is('closed by robots', 'robots.txt closes it to our agent.', (survey) => {
        const allowed = survey.numbers('robots_allowed');
        return (node) => allowed[node] === 0;
    }),
    is('redirect', 'Answered with a redirect.', (survey) => {
        const status = survey.numbers('status');
        return (node) => status[node]! >= 300 && status[node]! < 400;
    }),
    is('error', 'Answered with an error status, 400 or above.', (survey) => {
        const status = survey.numbers('status');
        return (node) => status[node]! >= 400;
    }),
    is('in sitemap', 'A sitemap lists it.', (survey) => {
        const evidence = survey.numbers('evidence');
        return (node) => (evidence[node]! & evidenceBit('sitemap')) !== 0;
    }),
    grouped('same body', 'Another page has the very same body.', 'same_body'),
    grouped('same text', 'Another page has the same main text.', 'same_text'),
    grouped('near text', 'Another page has nearly the same main text.', 'near_text'),
    grouped('same title', 'Another page has the same title.', 'same_title'),
    grouped('same h1', 'Another page has the same h1.', 'same_h1'),
];

export function flagNamed(name: string): Flag | undefined {
    return FLAGS.find((flag) => flag.name === name);
}

/** Flags that need more than the survey: another survey, priorities, or the intended structure. */
export const OUTER_FLAGS = [
    { name: 'new', what: 'The baseline does not know the URL.' },
    { name: 'gone', what: 'A page of the baseline that no longer answers 200 with HTML.' },
    { name: 'starved', what: 'Has a priority, and more than half of the pages that matter less stand higher.' },
    { name: 'overfed', what: 'Priority 3 or none, and stands higher than more than half of the pages of priority 1.' },
    { name: 'misfit', what: 'Starved or overfed.' },
    { name: 'intended', what: 'The intended structure names it.' },
    { name: 'intended but not reached', what: 'Named by the intended structure, and links do not reach it.' },
    { name: 'intended but not linked', what: 'The page it is intended to lie below does not link to it.' },
    { name: 'intended but deeper', what: 'Deeper than the intended structure has it.' },
] as const;
export type OuterFlag = (typeof OUTER_FLAGS)[number]['name'];
