import { attributeOf, isElement, type LeanElement } from './lean-tree.ts';
import { hasText } from './white-space.ts';

/** Elements whose text is not text of the page. */
export const NO_TEXT: ReadonlySet<string> = new Set(['script', 'style', 'template', 'noscript']);

/** Elements that do not part words: what stands before and after them can be one word. */
const WITHIN_WORDS = new Set(
    (
        'a abbr acronym b bdi bdo big cite code data del dfn em font i ins kbd label mark nobr q rp rt ruby s samp ' +
        'small span strike strong sub sup time tt u var wbr'
    ).split(' '),
);

/**
 * Visits texts and the edges of elements in document order, leaving out what is no text of the page. Without
 * recursion: a hostile page can nest deeper than the stack.
 */
function walkText(
    root: LeanElement,
    onText: (text: string) => void,
    onEnter: (element: LeanElement) => void,
    onLeave?: (element: LeanElement) => void,
    isEnough?: () => boolean,
): void {
    const elements = [root];
    const next = [0];
    while (elements.length > 0 && !isEnough?.()) {
        const top = elements.length - 1;
        const element = elements[top]!;
        const child = element.children[next[top]!++];
        if (child === undefined) {
            elements.pop();
            next.pop();
            if (top > 0) onLeave?.(element);
        } else if (!isElement(child)) onText(child.text);
        else if (!NO_TEXT.has(child.tag)) {
            onEnter(child);
            elements.push(child);
            next.push(0);
        }
    }
}

/** Text of one element beyond this is not gathered: links nested in links must not cost the square of the page. */
const ENOUGH_TEXT = 50_000;

/** Whether the edges of an element part words: those of blocks and line breaks do, those of inline elements do not. */
export function partsWords(element: LeanElement): boolean {
    return !(element.isHtml && WITHIN_WORDS.has(element.tag));
}

/**
 * Text of an element without script, style, template and noscript, with a space at the edges of blocks and line breaks:
 * "Kit<br>Version" are two words. An image parts nothing.
 * @param imageAlts put the `alt` of each image where the image stands
 */
export function textContent(root: LeanElement, imageAlts = false): string {
    let out = '';
    const edge = (element: LeanElement): void => {
        if (partsWords(element) && !(element.isHtml && element.tag === 'img')) out += ' ';
    };
    walkText(
        root,
        (text) => (out += text),
        (element) => {
            edge(element);
            if (imageAlts && element.isHtml && element.tag === 'img') out += attributeOf(element, 'alt') ?? '';
        },
        edge,
        () => out.length > ENOUGH_TEXT,
    );
    return out;
}

/** A run of text between two edges of blocks, and what it stands in. */
export interface TextPiece<T> {
    /** As written, white space and all. */
    text: string;
    /** What the nearest ancestor that has a place says; null where none has. */
    place: T | null;
}

/**
 * The texts of the body, parted at the edges of blocks (so that a table row is not one word); inline elements part
 * nothing. Pieces of white space alone are left out.
 * @param placeOf what an element says of all that is in it; the outermost that says something counts, null says nothing
 */
export function bodyPieces<T>(body: LeanElement, placeOf: (element: LeanElement) => T | null): TextPiece<T>[] {
    const pieces: TextPiece<T>[] = [];
    let text = '';
    let place: T | null = null;
    let placed: LeanElement | null = null;
    const edge = (): void => {
        if (hasText(text)) pieces.push({ text, place });
        text = '';
    };
    walkText(
        body,
        (found) => (text += found),
        (element) => {
            const parts = partsWords(element);
            if (parts) edge();
            if (placed !== null) return;
            const says = placeOf(element);
            if (says === null) return;
            if (!parts) edge();
            placed = element;
            place = says;
        },
        (element) => {
            const parts = partsWords(element);
            if (parts || element === placed) edge();
            if (element === placed) {
                placed = null;
                place = null;
            }
        },
    );
    edge();
    return pieces;
}
