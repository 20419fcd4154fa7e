/** What the bars of the map are called: the pages that hold most. */
import type { MapAnswer } from '../../workers/map-answers.ts';
import type { BrowserSurvey } from '../frame/browser-survey.ts';
import { tailOf } from './map-sets.ts';

/** By node; those of the revision that is drawn. Other arrangements bring their names. */
export async function barNames(
    survey: BrowserSurvey,
    map: MapAnswer,
    origin: string,
): Promise<ReadonlyMap<number, string>> {
    if (map.by !== 'depth') return new Map();
    const { bars } = map.layout;
    const told = await Promise.all(bars.map(({ node }) => survey.mapCard(node)));
    return new Map(
        bars.flatMap(({ node, isStart }, index): [number, string][] => {
            const url = told[index]?.url;
            return url === undefined
                ? []
                : [[node, isStart ? 'start page, and what hangs behind it' : tailOf(url, origin)]];
        }),
    );
}
