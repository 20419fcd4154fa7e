/**
 * Lists of links and layouts as texts: columns of JSON. In this form they are stored, and told apart while pages are read:
 * equal contents, and only they, give equal texts.
 */
import { LINK_KINDS } from '../core/page/links.ts';
import type { LayoutRow, ListedLink } from '../core/survey/survey-rows.ts';

/** Kinds, targets, texts, fragments, anchors, names and rels of the links of a list: all that earlier versions kept. */
export type UnmarkedColumns = [number[], (number | null)[], string[], string[], string[], string[], string[]];
/** And their marks. */
type LinkColumns = [...UnmarkedColumns, number[]];

export function linksContent(links: readonly ListedLink[]): string {
    const columns: LinkColumns = [[], [], [], [], [], [], [], []];
    const [kinds, targets, texts, fragments, anchors, names, rels, marks] = columns;
    for (const link of links) {
        kinds.push(LINK_KINDS.indexOf(link.kind));
        targets.push(link.target);
        texts.push(link.text);
        fragments.push(link.fragment);
        anchors.push(link.anchor);
        names.push(link.name);
        rels.push(link.rel);
        marks.push(link.marks);
    }
    return JSON.stringify(columns);
}

export const placesContent = ({ lines, columns, hrefs }: Omit<LayoutRow, 'id'>): string =>
    JSON.stringify([lines, columns, hrefs]);
