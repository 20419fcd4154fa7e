/** A link taken as if it were not there, for measuring how well proposals find its place again. */
import type { SourceText } from './source-text.ts';

export interface HidableLink {
    page: number;
    target: number;
    /** Its number among the links of the survey. */
    link: number;
    /** Where it stands in the text of its page. */
    passage: number;
    from: number;
    to: number;
}

/** Runs something while the words of a link are free. */
export function hiding(text: SourceText, { passage, from, to }: HidableLink, run: () => void): void {
    const freed: number[] = [];
    for (const sentence of text.sentences) {
        if (sentence.passage !== passage) continue;
        for (let at = sentence.first; at < sentence.last; at++) {
            if (text.from[at]! >= from && text.to[at]! <= to && text.isTaken[at] === 1) freed.push(at);
        }
    }
    for (const at of freed) text.isTaken[at] = 0;
    run();
    for (const at of freed) text.isTaken[at] = 1;
}
