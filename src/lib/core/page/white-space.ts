/** White space as Unicode has it (property White_Space), by UTF-16 code unit: none of it lies beyond U+3000. */

const LAST = 0x3000;
const IS_WHITE = Uint8Array.from({ length: LAST + 1 }, (_, code) =>
    /\p{White_Space}/u.test(String.fromCharCode(code)) ? 1 : 0,
);
const SPACE = 32;

export const isWhite = (code: number): boolean => code <= LAST && IS_WHITE[code] === 1;

/** Whether a text holds anything but white space. */
export function hasText(text: string): boolean {
    for (let at = 0; at < text.length; at++) if (!isWhite(text.charCodeAt(at))) return true;
    return false;
}

/** Runs of white space become one space; none at the ends. */
export function foldSpace(text: string): string {
    const { length } = text;
    /** What is done with, and where the part begins that is taken over as it is. */
    let out = '';
    let from = 0;
    for (let at = 0; at < length; at++) {
        if (!isWhite(text.charCodeAt(at))) continue;
        let to = at + 1;
        while (to < length && isWhite(text.charCodeAt(to))) to++;
        const isOneSpace = to === at + 1 && text.charCodeAt(at) === SPACE;
        // Most white space is one space between two words, and stays.
        if (!isOneSpace || at === 0 || to === length) {
            out += text.slice(from, at);
            if (out !== '' && to < length) out += ' ';
            from = to;
        }
        at = to;
    }
    return from === 0 ? text : out + text.slice(from);
}
