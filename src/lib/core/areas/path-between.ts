/** The shortest way by links from one page to another, whatever the start page of the site. */
import { modelOf } from '../packed/model-of.ts';
import { LINK_KINDS, REGIONS } from '../page/links.ts';
import { depths, pathTo } from '../graph/depth.ts';
import { depthGraph } from '../model/way-graph.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { LinkPlace } from './page-sheet.ts';
import { wayEnds, type WayEnds } from './way-ends.ts';

export interface PathStep {
    url: string;
    title: string;
    by: 'start' | 'link' | 'redirect' | 'refresh';
    anchor: string;
    region: string;
    place: LinkPlace | null;
}

const A = LINK_KINDS.indexOf('a');

/** @returns null where no way leads. O(nodes + links) */
export function pathBetween(
    survey: PackedSurvey,
    from: number,
    to: number,
): (WayEnds<PathStep> & { clicks: number }) | null {
    const { clicks, free } = depthGraph(modelOf(survey));
    const found = depths(clicks, free, [from]);
    const path = pathTo(found, to);
    if (path.length === 0) return null;
    const tell = (index: number): PathStep => {
        const node = path[index]!;
        const step: PathStep = {
            url: survey.url(node),
            title: survey.texts('title').at(node),
            by: 'start',
            anchor: '',
            region: '',
            place: null,
        };
        const before = path[index - 1];
        if (before === undefined) return step;
        if (found.depth[before] === found.depth[node]) {
            step.by = survey.numbers('redirect')[before] === node ? 'redirect' : 'refresh';
            return step;
        }
        return { ...step, by: 'link', ...firstLink(survey, before, node) };
    };
    return { ...wayEnds(path.length, tell), clicks: found.depth[to]! };
}

/** The first link of a page to another, as it stands on the page. */
function firstLink(survey: PackedSurvey, from: number, to: number): Pick<PathStep, 'anchor' | 'region' | 'place'> {
    const { pageStart, pageBlocks, blockList, blockRegion, listStart, target, kind } = linkGraphOf(survey);
    for (let pageBlock = pageStart[from]!; pageBlock < pageStart[from + 1]!; pageBlock++) {
        const block = pageBlocks[pageBlock]!;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (target[link] !== to || kind[link] !== A) continue;
            return {
                anchor: survey.texts('link_anchor_words').at(survey.numbers('link_anchor')[link]!),
                region: REGIONS[blockRegion[block]!] ?? 'other',
                place: { pageBlock, at: link - listStart[list]! },
            };
        }
    }
    return { anchor: '', region: '', place: null };
}
