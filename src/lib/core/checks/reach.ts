/** Can it be got to? */
import { UNREACHED } from '../graph/depth.ts';
import { ORPHAN } from '../measures/orphans.ts';
import { GATE_INDEXABLE } from '../columns/gate-facts.ts';
import { defineCheck, thresholdOf, type Check, type Threshold, when } from './check.ts';
import { orphanRoot } from './roots.ts';

const WEAK_LOAD: Threshold = { value: 10, min: 1, max: 1_000_000, unit: 'pages' };

export const REACH_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'orphan-strict',
        severity: 'fault',
        looks: 'page',
        name: 'Orphan',
        fires: 'A page that was read, and that no other page read links to.',
        quiet: 'The start page. A partial survey, in which the link may stand on a page that was not read.',
        why: 'Readers cannot find it, and what follows links does not either.',
        advice: 'Link to it from the page it belongs below, or take it down and redirect it.',
        example: 'a sitemap lists /guides/saws/, and no page that was read links to it',
        needsWhole: true,
        ofPage: ({ survey }) => {
            const orphan = survey.numbers('orphan');
            return (node) => when(orphan[node] === ORPHAN.strict, {});
        },
        cause: orphanRoot,
    }),
    defineCheck({
        id: 'orphan-adrift',
        severity: 'fault',
        looks: 'page',
        name: 'Adrift',
        fires: 'An orphan that only pages which links do not reach either link to.',
        quiet: 'A partial survey.',
        why: 'One link into the island would bring all of it back; without it all of it is lost together.',
        advice: 'Link to the page of the island that the others hang from.',
        example: '/2016/a and /2016/b link to each other, and nothing else to them',
        needsWhole: true,
        ofPage: ({ survey }) => {
            const orphan = survey.numbers('orphan');
            return (node) => when(orphan[node] === ORPHAN.adrift, {});
        },
        cause: orphanRoot,
    }),
    defineCheck({
        id: 'thin-hold',
        severity: 'risk',
        looks: 'page',
        name: 'Thin hold',
        fires: 'A reached page that exactly one reached page links to with a followed link.',
        quiet: 'Start pages.',
        why: 'When that one page is changed or taken down, this one is an orphan.',
        advice: 'Link to it from a second place: a list, a neighbour, the page above.',
        example: '/guides/saws/ is linked from /guides/ alone',
        ofPage: ({ survey }) => {
            const [page, thin] = [survey.numbers('page'), survey.numbers('thin')];
            return (node) => when(page[node] === 1 && thin[node] === 1, {});
        },
    }),
    defineCheck({
        id: 'decline-only',
        severity: 'risk',
        looks: 'page',
        name: 'Declined links only',
        fires: 'A reached page that has no depth when only followed links count.',
        quiet: 'A partial survey.',
        why: 'What does not follow declined links never comes here.',
        advice: 'Take nofollow off one link to it.',
        example: '`<a rel="nofollow" href="/partners/">` on the start page, and no other link',
        needsWhole: true,
        ofPage: ({ survey }) => {
            const marked = survey.numbers('decline_only');
            return (node) => when(marked[node] === 1, {});
        },
    }),
    defineCheck({
        id: 'listing-only',
        severity: 'remark',
        looks: 'page',
        name: 'Listings only',
        fires: 'A reached page to which paginated lists and archives alone link.',
        quiet: 'Listings themselves. A partial survey.',
        why: 'It sinks deeper with every page that is added to the list.',
        advice: 'Link to it from a page that stays.',
        example: '/journal/a-walk/ is linked from /journal/?page=7 alone',
        needsWhole: true,
        ofPage: ({ survey }) => {
            const marked = survey.numbers('listing_only');
            return (node) => when(marked[node] === 1, {});
        },
    }),
    defineCheck({
        id: 'deeper-than-goal',
        severity: 'risk',
        looks: 'page',
        name: 'Deeper than its goal',
        fires: 'A page that lies more clicks from the start page than its depth goal.',
        quiet: 'Sites and priorities without a goal.',
        why: 'Each click loses readers, and deep pages are read late and seldom.',
        advice: 'Bring it, or the page it hangs from, into a menu or a list nearer to the start.',
        example: 'a page nine clicks deep, where the goal is four',
        ofPage: ({ survey, goalOf }) => {
            const [depths, page] = [survey.numbers('depth'), survey.numbers('page')];
            return (node) => {
                const [depth, goal] = [depths[node]!, goalOf(node)];
                const isDeep = goal !== null && page[node] === 1 && depth !== UNREACHED && depth > goal;
                return isDeep ? { params: { depth, goal } } : null;
            };
        },
    }),
    defineCheck({
        id: 'dead-end',
        severity: 'risk',
        looks: 'page',
        name: 'Dead end',
        fires: 'A page without a link to another page.',
        quiet: 'Pages that link out of the site only.',
        why: 'Whoever comes here has to go back.',
        advice: 'Give it the menu of the site, or links to what comes next.',
        example: 'a page without `<a href>`',
        ofPage: ({ survey }) => {
            const [page, links] = [survey.numbers('page'), survey.numbers('outgoing_links')];
            return (node) => when(page[node] === 1 && links[node] === 0, {});
        },
    }),
    defineCheck({
        id: 'weak-choke',
        severity: 'risk',
        looks: 'page',
        name: 'Much hangs from what holds badly',
        fires: `A page that ${WEAK_LOAD.value} others or more are reached through, and that itself has a thin hold, may not be indexed, or lies deeper than its goal.`,
        quiet: 'Start pages, and pages that hold firmly.',
        why: 'When it goes, all that hangs from it is cut off.',
        advice: 'Link to it from a second place, or give what hangs from it another way.',
        example: 'twelve guides hang from /guides/more/, to which one page links',
        threshold: WEAK_LOAD,
        ofPage: (view) => {
            const { survey, goalOf } = view;
            const [load, thin, gate, depth] = [
                survey.numbers('load'),
                survey.numbers('thin'),
                survey.numbers('gate'),
                survey.numbers('depth'),
            ];
            const least = thresholdOf(view, 'weak-choke', WEAK_LOAD);
            const starts = new Set(survey.head.starts);
            return (node) => {
                const pages = load[node]!;
                if (pages < least || starts.has(node) || depth[node] === UNREACHED) return null;
                const goal = goalOf(node);
                const isWeak =
                    thin[node] === 1 || gate[node]! < GATE_INDEXABLE || (goal !== null && depth[node]! > goal);
                return isWeak ? { params: { pages } } : null;
            };
        },
    }),
];
