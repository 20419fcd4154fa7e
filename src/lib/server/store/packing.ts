/** Link lists and layouts as packed bytes: columns of JSON. */
import { z } from 'zod';
import { LINK_KINDS } from '../../core/page/links.ts';
import type { LayoutRow, LinkListRow, ListedLink } from '../../core/survey/survey-rows.ts';
import { packText, unpackJson } from '../packed-json.ts';
import { linksContent, placesContent, type UnmarkedColumns } from '../stored-content.ts';

/** Earlier versions kept no marks. */
type PackedLinks = [...UnmarkedColumns, number[]?];

const isTexts = (value: unknown): boolean => Array.isArray(value) && value.every((text) => typeof text === 'string');

/** By hand: a million lists are read when a survey is packed, and a parser copies each. */
function isPackedLinks(value: unknown): value is PackedLinks {
    if (!Array.isArray(value) || (value.length !== 7 && value.length !== 8)) return false;
    const [kinds, targets, ...others] = value as unknown[];
    const [texts, marks] = [others.slice(0, 5), others[5] ?? []];
    return (
        Array.isArray(kinds) &&
        kinds.every((kind) => Number.isInteger(kind) && kind >= 0 && kind < LINK_KINDS.length) &&
        Array.isArray(targets) &&
        targets.every((target) => target === null || Number.isInteger(target)) &&
        texts.every(isTexts) &&
        Array.isArray(marks) &&
        marks.every((own) => Number.isInteger(own) && own >= 0 && own < 256)
    );
}

export const packLinks = ({ links, content }: Omit<LinkListRow, 'id'>): Buffer =>
    packText(content ?? linksContent(links));

/** @throws when the bytes are damaged, or hold no links */
export function unpackLinks(bytes: Buffer): ListedLink[] {
    const packed = unpackJson(bytes);
    if (!isPackedLinks(packed)) throw new Error('a list of links is stored in no form of ours');
    const [kinds, targets, texts, fragments, anchors, names, rels, marks] = packed;
    return kinds.map((kind, index) => ({
        kind: LINK_KINDS[kind] ?? 'other',
        target: targets[index] ?? null,
        text: texts[index] ?? '',
        fragment: fragments[index] ?? '',
        anchor: anchors[index] ?? '',
        name: names[index] ?? '',
        rel: rels[index] ?? '',
        marks: marks?.[index] ?? 0,
    }));
}

const PackedPlaces = z.tuple([z.array(z.number()), z.array(z.number()), z.array(z.string())]);

export const packPlaces = (layout: Omit<LayoutRow, 'id'>): Buffer => packText(layout.content ?? placesContent(layout));

export function unpackPlaces(id: number, bytes: Buffer): LayoutRow {
    const [lines, columns, hrefs] = PackedPlaces.parse(unpackJson(bytes));
    return { id, lines, columns, hrefs };
}
