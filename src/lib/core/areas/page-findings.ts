/** What is found wrong, risky or odd about one page: each with its reason, and the line where it stands if it stands in one. */
import type { NumberName } from '../packed/column-names.ts';
import { UNREACHED } from '../graph/depth.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { evidenceRows } from '../packed/page-sheet.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { lostUrls } from '../packed/model-of.ts';
import { once } from '../kept.ts';
import { ORPHAN } from '../measures/orphans.ts';
import { pathOf, type Severity } from './jobs.ts';

export interface Finding {
    severity: Severity;
    say: string;
    /** Where the link stands that it is about: its place in the page; null for what is no link. */
    place: { pageBlock: number; at: number } | null;
}

const MOST_LINKS = 6;
const FEW_WORDS = 50;

/** @param goal depth goal of the page; null for none. Needs all parts. O(links of the page). */
export function pageFindings(survey: PackedSurvey, node: number, goal: number | null): Finding[] {
    const found: Finding[] = [];
    const add = (severity: Severity, say: string, place: Finding['place'] = null): void => {
        found.push({ severity, say, place });
    };
    const of = (name: NumberName): number => survey.numbers(name)[node]!;
    const gate = gateOf(of('gate'));
    const listed = evidenceRows(survey, node).some(({ kind }) => kind === 'sitemap');
    const orphan = of('orphan');
    const isPage = of('page') === 1;

    if (listed && gate !== null && gate !== 'indexable') add('fault', `Listed in a sitemap, and stops at ${gate}.`);
    if (of('robots_allowed') === 0 && of('noindex') === 1)
        add('fault', 'Closed by robots.txt and marked noindex: while it is closed, nobody reads the noindex.');
    if (orphan === ORPHAN.strict) add('fault', 'No other page that was read links here.');
    if (orphan === ORPHAN.adrift) add('fault', 'Only pages that links do not reach link here.');
    if (isPage && of('thin') === 1) add('risk', 'One reached page alone links here with a followed link.');
    if (of('decline_only') === 1) add('risk', 'Reached by links that say nofollow only.');
    if (of('listing_only') === 1) add('remark', 'Linked from paginated lists and archives only.');
    if (goal !== null && isPage && of('depth') !== UNREACHED && of('depth') > goal)
        add('risk', `Lies ${of('depth')} clicks deep; the goal is ${goal}.`);
    if (survey.head.hasSitemap && gate === 'indexable' && !listed) add('risk', 'Indexable, and in no sitemap.');

    if (isPage) {
        brokenAndMoved(survey, node, add);
        if (of('outgoing_links') === 0) add('risk', 'Has no links: whoever comes here has to go back.');
        if (survey.texts('title').at(node) === '') add('fault', 'Has no title.');
        else if (of('same_title') !== -1) add('remark', 'Another page has the same title.');
        if (survey.texts('h1').at(node) === '') add('remark', 'Has no h1.');
        const words = of('main_words');
        if (words !== -1 && words < FEW_WORDS) add('remark', `Its main text has ${words} words.`);
        if (of('same_body') !== -1) add('risk', 'Another page has the very same body.');
        else if (of('same_text') !== -1) add('risk', 'Another page has the same main text.');
    }
    const order = { fault: 0, risk: 1, remark: 2 };
    return found.sort((a, b) => order[a.severity] - order[b.severity]);
}

type Add = (severity: Severity, say: string, place?: Finding['place']) => void;

/** Links of the page to errors, to closed pages and to redirects, each target once. */
function brokenAndMoved(survey: PackedSurvey, node: number, add: Add): void {
    const { pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const status = survey.numbers('status');
    const allowed = survey.numbers('robots_allowed');
    const lost = once(survey, 'lost urls', [], () => lostUrls(survey));
    const seen = new Set<number>();
    let told = 0;
    let untold = 0;
    for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
        const list = blockList[pageBlocks[at]!]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            const to = target[link]!;
            if (kind[link] !== 0 || to < 0 || to >= survey.count || to === node || seen.has(to)) continue;
            const isMoved = status[to]! >= 300 && status[to]! < 400;
            if (lost[to] === 0 && !isMoved) continue;
            seen.add(to);
            if (told >= MOST_LINKS) {
                untold++;
                continue;
            }
            told++;
            const place = { pageBlock: at, at: link - listStart[list]! };
            const url = pathOf(survey, to);
            if (allowed[to] === 0) add('remark', `Links to ${url}, which robots.txt closes.`, place);
            else if (isMoved) add('remark', `Links to ${url}, which redirects.`, place);
            else
                add(
                    'fault',
                    `Links to ${url}, which ${status[to] === 0 ? 'does not answer' : `answers ${status[to]}`}.`,
                    place,
                );
        }
    }
    if (untold > 0) add('remark', `${untold} more of its links lead to errors, redirects or closed pages.`);
}
