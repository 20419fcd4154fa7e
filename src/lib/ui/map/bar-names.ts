/** What the bars of the map are called: the pages that hold most. */
import type { DepthLayout } from '../../core/map/depth-layout.ts';
import type { BrowserSurvey } from '../frame/browser-survey.ts';
import { tailOf } from './map-sets.ts';

/** By node; those of the revision that is drawn. */
export async function barNames(
    survey: BrowserSurvey,
    { bars }: DepthLayout,
    origin: string,
): Promise<ReadonlyMap<number, string>> {
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
