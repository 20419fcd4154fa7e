/** A text that is no page yet, as passages: typed or pasted, parted by empty lines. */
import { foldSpace } from './white-space.ts';
import type { Passage, RunningText } from './running-text.ts';

/** A line that is short and ends like no sentence, with an empty line behind it, is a heading. */
const LONGEST_HEADING = 80;

export function plainText(text: string): RunningText {
    const passages: Passage[] = [];
    let under = -1;
    const parts = /[^\r\n](?:[^\r\n]|\r?\n(?![ \t]*\r?\n))*/g;
    for (let part = parts.exec(text); part; part = parts.exec(text)) {
        const folded = foldSpace(part[0]);
        if (folded === '') continue;
        const isHeading =
            folded.length <= LONGEST_HEADING && !/[.!?:;…]$/u.test(folded) && !part[0].trim().includes('\n');
        if (isHeading) under = passages.length;
        passages.push({
            kind: isHeading ? 'label' : 'prose',
            block: -1,
            text: folded,
            taken: [],
            under: isHeading ? -1 : under,
            places: [0, part.index],
        });
    }
    return {
        passages,
        placeOf: ({ places }, at) => {
            const before = text.slice(0, (places[1] ?? 0) + at);
            const line = before.split('\n').length;
            return { line, column: before.length - before.lastIndexOf('\n') };
        },
    };
}
