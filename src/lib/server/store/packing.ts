/** Link lists and layouts as packed bytes: columns of JSON. */
import { z } from 'zod';
import { LINK_KINDS } from '../../core/page/links.ts';
import type { LayoutRow, ListedLink } from '../../core/survey/survey-rows.ts';
import { packJson, unpackJson } from '../packed-json.ts';

/** Kinds, targets, texts, fragments, anchors, names, rels and marks of the links of a list. */
type PackedLinks = [number[], (number | null)[], string[], string[], string[], string[], string[], number[]?];

const isTexts = (value: unknown): boolean => Array.isArray(value) && value.every((text) => typeof text === 'string');

/** By hand: a million lists are read when a survey is packed, and a parser copies each. */
function isPackedLinks(value: unknown): value is PackedLinks {
    // Earlier versions kept no marks.
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

export function packLinks(links: ListedLink[]): Buffer {
    return packJson([
        links.map((link) => LINK_KINDS.indexOf(link.kind)),
        links.map((link) => link.target),
        links.map((link) => link.text),
        links.map((link) => link.fragment),
        links.map((link) => link.anchor),
        links.map((link) => link.name),
        links.map((link) => link.rel),
        links.map((link) => link.marks),
    ]);
}

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

export function packPlaces(layout: LayoutRow): Buffer {
    return packJson([layout.lines, layout.columns, layout.hrefs]);
}

export function unpackPlaces(id: number, bytes: Buffer): LayoutRow {
    const [lines, columns, hrefs] = PackedPlaces.parse(unpackJson(bytes));
    return { id, lines, columns, hrefs };
}
