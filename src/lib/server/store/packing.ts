/** Link lists and layouts as packed bytes: columns of JSON. */
import { z } from 'zod';
import { LINK_KINDS } from '../../core/page/links.ts';
import type { LayoutRow, ListedLink } from '../../core/survey/survey-rows.ts';
import { packJson, unpackJson } from '../packed-json.ts';

const PackedLinks = z.tuple([
    z.array(
        z
            .number()
            .int()
            .min(0)
            .max(LINK_KINDS.length - 1),
    ),
    z.array(z.number().int().nullable()),
    z.array(z.string()),
    z.array(z.string()),
    z.array(z.string()),
    z.array(z.string()),
    z.array(z.string()),
]);

export function packLinks(links: ListedLink[]): Buffer {
    return packJson([
        links.map((link) => LINK_KINDS.indexOf(link.kind)),
        links.map((link) => link.target),
        links.map((link) => link.text),
        links.map((link) => link.fragment),
        links.map((link) => link.anchor),
        links.map((link) => link.name),
        links.map((link) => link.rel),
    ]);
}

export function unpackLinks(bytes: Buffer): ListedLink[] {
    const [kinds, targets, texts, fragments, anchors, names, rels] = PackedLinks.parse(unpackJson(bytes));
    return kinds.map((kind, index) => ({
        kind: LINK_KINDS[kind] ?? 'other',
        target: targets[index] ?? null,
        text: texts[index] ?? '',
        fragment: fragments[index] ?? '',
        anchor: anchors[index] ?? '',
        name: names[index] ?? '',
        rel: rels[index] ?? '',
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
