/** What one more link does to the page it leads to, as far as that can be told without measuring the site again. */
import { once } from '../kept.ts';
import { landings } from '../model/landings.ts';
import { pageLinks } from '../model/page-links.ts';
import { modelOf } from '../packed/model-of.ts';
import { UNREACHED } from '../graph/depth.ts';
import { DAMPING } from '../graph/page-rank.ts';
import { ORPHAN } from '../measures/orphans.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export interface Effect {
    /** Followed incoming pages, before and after. */
    linksIn: [number, number];
    /** Clicks from the start page; null for not reached. */
    depth: [number | null, number | null];
    /** It was an orphan before. */
    isOrphan: boolean;
    /** Standing; the second is an estimate: what the source gives to each of its links, by what it gives to now. */
    standing: [number, number];
}

/** Other pages with a followed link to each URL, or to what redirects to it. O(nodes + link occurrences), once. */
export function followedIn(survey: PackedSurvey): Uint32Array {
    return once(survey, 'followed in', [], () => {
        const model = modelOf(survey);
        const { targets } = pageLinks(model, { followed: true, landing: landings(model) });
        const links = new Uint32Array(survey.count);
        for (const target of targets) links[target]!++;
        return links;
    });
}

/** Effects of links from sources to a target, one after the other, each with those before it. */
export function effectsOf(survey: PackedSurvey, target: number, sources: readonly number[]): Effect[] {
    const depth = survey.numbers('depth');
    const standing = survey.numbers('standing');
    const linksOut = survey.numbers('outgoing_links');
    const before = depth[target]!;
    let [links, clicks, stands] = [
        followedIn(survey)[target]!,
        before === UNREACHED ? null : before,
        standing[target]!,
    ];
    const orphan = survey.numbers('orphan')[target]!;
    const isOrphan = orphan === ORPHAN.strict || orphan === ORPHAN.adrift;
    return sources.map((source, at) => {
        const from = depth[source]!;
        const next = from === UNREACHED ? null : from + 1;
        const effect: Effect = {
            linksIn: [links, links + 1],
            depth: [clicks, clicks === null ? next : next === null ? clicks : Math.min(clicks, next)],
            isOrphan: isOrphan && at === 0 && clicks === null,
            standing: [stands, stands + (DAMPING * standing[source]!) / (linksOut[source]! + 1)],
        };
        [links, clicks, stands] = [effect.linksIn[1], effect.depth[1], effect.standing[1]];
        return effect;
    });
}
