/** The words of a text as numbers: found, put into small letters and hashed in one pass, for all that compares texts. */

/** Bounds for very long pages. */
const MOST_WORDS = 20_000;
const MOST_TEXT = 400_000;

export interface WordHashes {
    /** The text in small letters; the places below are places in it. */
    text: string;
    /** Words found, at most 20,000. The columns below are good until the next text is hashed. */
    count: number;
    /** FNV-1a (Fowler, Noll and Vo) of the code units of each word. */
    hashes: Uint32Array;
    /** 1 for words of digits and other numbers alone. */
    isNumber: Uint8Array;
    from: Uint32Array;
    to: Uint32Array;
}

/** Classes of UTF-16 code units, looked up once for each that is met. */
const UNKNOWN = 0;
const OTHER = 1;
const LETTER = 2;
const NUMBER = 3;
/** The first half of a pair: what it is, both together say. */
const PAIR = 4;
const KINDS = new Uint8Array(0x10000).fill(PAIR, 0xd800, 0xdc00);

const kindOf = (char: string): number => (/\p{L}/u.test(char) ? LETTER : /\p{N}/u.test(char) ? NUMBER : OTHER);

const hashes = new Uint32Array(MOST_WORDS);
const isNumber = new Uint8Array(MOST_WORDS);
const starts = new Uint32Array(MOST_WORDS);
const ends = new Uint32Array(MOST_WORDS);

/** Words are runs of letters and numbers (Unicode L and N); case makes no difference. O(characters). */
export function hashWords(whole: string): WordHashes {
    const text = whole.slice(0, MOST_TEXT).toLowerCase();
    const { length } = text;
    let count = 0;
    let hash = 0;
    let from = -1;
    let numbers = true;
    for (let at = 0; at < length && count < MOST_WORDS; at++) {
        const code = text.charCodeAt(at);
        let kind = KINDS[code]!;
        let units = 1;
        if (kind === UNKNOWN) KINDS[code] = kind = kindOf(text[at]!);
        else if (kind === PAIR) {
            const point = text.codePointAt(at)!;
            if (point > 0xffff) units = 2;
            kind = kindOf(String.fromCodePoint(point));
        }
        if (kind !== OTHER) {
            if (from === -1) {
                from = at;
                hash = 0x811c9dc5;
                numbers = true;
            }
            if (kind === LETTER) numbers = false;
            hash = Math.imul(hash ^ code, 0x01000193);
            if (units === 2) hash = Math.imul(hash ^ text.charCodeAt(at + 1), 0x01000193);
        } else if (from !== -1) {
            hashes[count] = hash;
            isNumber[count] = numbers ? 1 : 0;
            starts[count] = from;
            ends[count++] = at;
            from = -1;
        }
        at += units - 1;
    }
    if (from !== -1 && count < MOST_WORDS) {
        hashes[count] = hash;
        isNumber[count] = numbers ? 1 : 0;
        starts[count] = from;
        ends[count++] = length;
    }
    return { text, count, hashes, isNumber, from: starts, to: ends };
}
