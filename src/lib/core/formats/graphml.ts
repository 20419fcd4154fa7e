/** GraphML (Brandes et al. 2002, graphml.graphdrawing.org): pages of a set and the distinct links among them. */
import { modelOf } from '../packed/model-of.ts';
import { pageLinks } from '../model/page-links.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import type { PageColumn } from '../sets/page-columns.ts';

const TYPES: Record<PageColumn['kind'], string> = {
    number: 'double',
    date: 'string',
    text: 'string',
    choice: 'string',
    yes: 'boolean',
};

/** Text fit for XML 1.0: what may not stand in a document at all becomes a question mark. */
export function xmlText(text: string): string {
    return text
        .replace(/[&<>"]/g, (character) => ENTITIES[character]!)
        .replace(/[^\t\n\r\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]/gu, '?');
}

const ENTITIES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** In pieces, page by page. What is not known of a page is left out. O(pages + links). */
export function* graphmlOf(survey: PackedSurvey, set: Bits, columns: readonly PageColumn[]): Generator<string> {
    yield '<?xml version="1.0" encoding="UTF-8"?>\n<graphml xmlns="http://graphml.graphdrawing.org/xmlns">\n';
    for (const { id, kind } of columns) {
        yield `<key id="${xmlText(id)}" for="node" attr.name="${xmlText(id)}" attr.type="${TYPES[kind]}"/>\n`;
    }
    yield '<key id="followed" for="edge" attr.name="followed" attr.type="boolean"/>\n<graph edgedefault="directed">\n';
    const nodes = set.nodes();
    for (const node of nodes) {
        const data = columns.map(({ id, kind, value }) => {
            const own = value(node);
            if (own === null || own === '') return '';
            const text = kind === 'date' ? new Date(Number(own)).toISOString() : String(own);
            return `<data key="${xmlText(id)}">${xmlText(text)}</data>`;
        });
        yield `<node id="n${node}">${data.join('')}</node>\n`;
    }
    const from = (node: number): boolean => set.has(node);
    const model = modelOf(survey);
    const all = pageLinks(model, { from });
    const followed = pageLinks(model, { from, followed: true });
    for (const node of nodes) {
        const isFollowed = new Set(followed.targets.subarray(followed.start[node]!, followed.start[node + 1]!));
        for (let slot = all.start[node]!; slot < all.start[node + 1]!; slot++) {
            const target = all.targets[slot]!;
            if (!set.has(target)) continue;
            yield `<edge source="n${node}" target="n${target}"><data key="followed">${isFollowed.has(target)}</data></edge>\n`;
        }
    }
    yield '</graph>\n</graphml>\n';
}
