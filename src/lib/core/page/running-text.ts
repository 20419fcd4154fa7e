/**
 * The text of a page as its readers meet it: passage by passage, with the links that stand in each and where every
 * character stands in the received source. Cut from the source of the pages that are asked for; nothing of it is kept
 * with a survey.
 */
import { readAddress, type QueryEncoder } from '../address/address.ts';
import { ContainerFinder } from './blocks.ts';
import {
    attributeOf,
    isElement,
    parsePlaced,
    walkElements,
    type LeanElement,
    type LeanText,
    type TextRun,
} from './lean-tree.ts';
import { lineIndex, type TextPlace } from './line-index.ts';
import { resolveBase } from './read-page.ts';
import { OUTSIDE, textPlaces } from './text-blocks.ts';
import { NO_TEXT, partsWords } from './text.ts';
import { isWhite } from './white-space.ts';

/**
 * What a passage is: running text; a heading or another label (a term, a caption); a quotation marked up as such; code;
 * a cell of a table.
 */
export type PassageKind = 'prose' | 'label' | 'quote' | 'code' | 'cell';

/** A stretch of a passage that is taken: a link, or a short quotation. Characters `from` up to, and without, `to`. */
export interface TakenSpan {
    from: number;
    to: number;
    /** URL a link leads to, without its fragment; empty for what is no link to a page. */
    target: string;
    /** Order among the `a` links of the page; -1 for what is no link. */
    link: number;
}

export interface Passage {
    kind: PassageKind;
    /** Order of the block of links it belongs to; -1 for none. */
    block: number;
    /** White space folded. */
    text: string;
    taken: TakenSpan[];
    /** Index of the heading it stands under; -1 for none. */
    under: number;
    /** Place of the text in the source: pairs of a character's index and its offset, ascending; between them both grow alike. */
    places: number[];
}

export interface RunningText {
    passages: Passage[];
    /** Where a character of a passage stands in the source. */
    placeOf(passage: Passage, at: number): TextPlace;
}

const HEADINGS = new Set(['h1', 'h2', 'h3', 'h4', 'h5', 'h6']);
const LABELS = new Set(['dt', 'caption', 'figcaption', 'legend', 'summary', 'label']);
const CODE = new Set(['pre', 'textarea', 'listing', 'xmp']);
/** What people press or choose from: no text of sentences. */
const CONTROLS = new Set(['button', 'select', 'option', 'datalist', 'object', 'audio', 'video', 'canvas', 'iframe']);

/** Bounds against hostile documents. */
const MAX_PASSAGES = 50_000;
const MAX_CHARACTERS = 2_000_000;
const MAX_LINKS = 50_000;

/** A link of the document: what is clicked, with its address as written. */
function hrefOf(element: LeanElement): string | null {
    if (element.isHtml) return element.tag === 'a' || element.tag === 'area' ? attributeOf(element, 'href') : null;
    if (!element.isSvg || element.tag !== 'a') return null;
    const linked = element.attributes.find((item) => item.prefix === 'xlink' && item.name === 'href')?.value;
    return attributeOf(element, 'href') ?? linked ?? null;
}

function kindAt(element: LeanElement): PassageKind | null {
    if (!element.isHtml) return null;
    const { tag } = element;
    if (HEADINGS.has(tag) || LABELS.has(tag) || attributeOf(element, 'role') === 'heading') return 'label';
    if (CODE.has(tag)) return 'code';
    if (tag === 'blockquote') return 'quote';
    return tag === 'td' || tag === 'th' ? 'cell' : null;
}

/**
 * @param text the received document, decoded
 * @param url its URL, in our spelling
 */
export function runningText(text: string, url: string, encodeQuery?: QueryEncoder): RunningText {
    const document = parsePlaced(text);
    const finder = new ContainerFinder();
    const links: LeanElement[] = [];
    let body: LeanElement | null = null;
    let baseHref: string | null = null;
    walkElements(document, (element) => {
        if (element.isHtml && element.tag === 'body') body ??= element;
        if (element.isHtml && element.tag === 'base') baseHref ??= attributeOf(element, 'href');
        if (links.length < MAX_LINKS && hrefOf(element) !== null) {
            finder.mark(element);
            links.push(element);
        }
    });
    const base = baseHref === null ? url : resolveBase(baseHref, url);
    const keys = new Set<unknown>();
    const orders = new Map<LeanElement, number>();
    for (const link of links) {
        keys.add(finder.find(link, true).key);
        orders.set(link, orders.size);
    }
    const gatherer = new PassageGatherer(text, textPlaces(finder, keys), (element) => {
        const order = orders.get(element);
        if (order === undefined) return element.isHtml && element.tag === 'q' ? { target: '', link: -1 } : null;
        const found = readAddress(hrefOf(element) ?? '', base, encodeQuery);
        return { target: found.ok ? found.address.url : '', link: order };
    });
    if (body) gatherer.walk(body);
    const lines = lineIndex(text);
    return { passages: gatherer.passages, placeOf: (passage, at) => lines(offsetAt(passage, at)) };
}

/** Offset in the source of a character of a passage. O(log places). */
export function offsetAt({ places }: Pick<Passage, 'places'>, at: number): number {
    let low = 0;
    let high = places.length / 2 - 1;
    while (low < high) {
        const middle = (low + high + 1) >> 1;
        if (places[middle * 2]! <= at) low = middle;
        else high = middle - 1;
    }
    return (places[low * 2 + 1] ?? 0) + at - (places[low * 2] ?? 0);
}

/** What an element changes for all that is in it, undone where it ends. */
interface Level {
    element: LeanElement;
    next: number;
    kind: PassageKind;
    block: number | null;
    /** It is the link or quotation that is open. */
    takes: boolean;
}

type Taking = (element: LeanElement) => { target: string; link: number } | null;

class PassageGatherer {
    readonly passages: Passage[] = [];
    readonly #source: string;
    readonly #placeOf: (element: LeanElement) => number | null;
    readonly #taking: Taking;
    #text = '';
    #places: number[] = [];
    #taken: TakenSpan[] = [];
    /** White space was met and not written yet. */
    #gap = false;
    #open: TakenSpan | null = null;
    #under = -1;
    #characters = 0;

    constructor(source: string, placeOf: (element: LeanElement) => number | null, taking: Taking) {
        this.#source = source;
        this.#placeOf = placeOf;
        this.#taking = taking;
    }

    /** Without recursion: a hostile page can nest deeper than the stack. O(text). */
    walk(body: LeanElement): void {
        const levels: Level[] = [{ element: body, next: 0, kind: 'prose', block: null, takes: false }];
        while (levels.length > 0 && this.passages.length < MAX_PASSAGES && this.#characters < MAX_CHARACTERS) {
            const level = levels[levels.length - 1]!;
            const child = level.element.children[level.next++];
            if (child === undefined) {
                levels.pop();
                this.#leave(level, levels[levels.length - 1] ?? level);
            } else if (!isElement(child)) this.#add(child);
            else if (!NO_TEXT.has(child.tag) && !(child.isHtml && CONTROLS.has(child.tag))) {
                levels.push(this.#enter(child, level));
            }
        }
        const last = levels[levels.length - 1];
        if (last) this.#edge(last);
    }

    #enter(element: LeanElement, above: Level): Level {
        const parts = partsWords(element);
        const place = above.block === null ? this.#placeOf(element) : null;
        // Links side by side in a sentence are a run of their own for whoever groups links; the sentence is one all the same.
        const own = parts || place === OUTSIDE ? place : null;
        if (parts || own !== null) this.#edge(above);
        const took = this.#open === null ? this.#taking(element) : null;
        if (took) this.#open = { ...took, from: this.#text.length + (this.#gap ? 1 : 0), to: -1 };
        const kind = kindAt(element);
        // What stands in code or a quotation stays that, whatever it is itself.
        const isKept = above.kind === 'code' || above.kind === 'quote' || above.kind === 'label';
        return {
            element,
            next: 0,
            kind: kind === null || isKept ? above.kind : kind,
            block: above.block ?? own,
            takes: took !== null,
        };
    }

    #leave(level: Level, above: Level): void {
        if (level.takes) this.#close(false);
        if (partsWords(level.element) || (level.block !== null && above.block === null)) this.#edge(level);
        if (level.element.isHtml && HEADINGS.has(level.element.tag)) {
            const last = this.passages.length - 1;
            if (this.passages[last]?.kind === 'label') this.#under = last;
        }
    }

    /** @param goesOn the link goes on in the next passage */
    #close(goesOn: boolean): void {
        const open = this.#open;
        if (!open) return;
        const to = this.#text.length;
        if (to > open.from) this.#taken.push({ ...open, to });
        this.#open = goesOn ? { ...open, from: 0 } : null;
    }

    #add(node: LeanText): void {
        const { text } = node;
        let isLinear = false;
        const offsets = placesIn(node, this.#source);
        for (let at = 0; at < text.length; at++) {
            if (isWhite(text.charCodeAt(at))) {
                this.#gap = this.#text !== '';
                isLinear = false;
                continue;
            }
            if (this.#gap) {
                this.#text += ' ';
                this.#gap = false;
            }
            const offset = offsets(at);
            const { length } = this.#places;
            const goesOn =
                isLinear && this.#places[length - 1]! + this.#text.length - this.#places[length - 2]! === offset;
            if (!goesOn) this.#places.push(this.#text.length, offset);
            isLinear = true;
            this.#text += text[at]!;
        }
    }

    /** Ends a passage at the edge of a block. */
    #edge({ kind, block }: Level): void {
        this.#close(true);
        if (this.#text !== '' && block !== OUTSIDE) {
            this.#characters += this.#text.length;
            this.passages.push({
                kind,
                block: block ?? -1,
                text: this.#text,
                taken: this.#taken,
                under: this.#under,
                places: this.#places,
            });
        }
        this.#text = '';
        this.#places = [];
        this.#taken = [];
        this.#gap = false;
    }
}

/** Where the characters of a text node stand in the source, asked for in ascending order. */
function placesIn({ runs = [] }: LeanText, source: string): (at: number) => number {
    let index = 0;
    let walked: { run: TextRun; at: number; offset: number } | null = null;
    return (at) => {
        while (index + 1 < runs.length && runs[index + 1]!.at <= at) index++;
        const run = runs[index];
        if (!run) return 0;
        if (run.end - run.at === run.to - run.from) return run.from + at - run.at;
        if (walked?.run !== run || walked.at > at) walked = { run, at: run.at, offset: run.from };
        while (walked.at < at && walked.offset < run.to) step(walked, source);
        return Math.min(walked.offset, Math.max(run.from, run.to - 1));
    };
}

const REFERENCE = /&(?:#\d+|#[xX][\da-fA-F]+|[A-Za-z][A-Za-z\d]*);?/y;

/** One character on; what a reference stands for counts as one (the few that mean two are off by one within their run). */
function step(walked: { at: number; offset: number }, source: string): void {
    walked.at++;
    if (source[walked.offset] === '&') {
        REFERENCE.lastIndex = walked.offset;
        const found = REFERENCE.exec(source);
        walked.offset += found ? found[0].length : 1;
    } else walked.offset += source.startsWith('\r\n', walked.offset) ? 2 : 1;
}
