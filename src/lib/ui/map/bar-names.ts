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
        told.flatMap((card): [number, string][] =>
            card === null
                ? []
                : [
                      [
                          card.node,
                          card.depth === 0
                              ? 'start page: everything reached hangs behind it'
                              : tailOf(card.url, origin),
                      ],
                  ],
        ),
    );
}
