/** Texts that are cut short, between characters: half of one (a surrogate of UTF-16 alone) is no text. */

const isLow = (unit: number): boolean => unit >= 0xdc00 && unit <= 0xdfff;
const isHigh = (unit: number): boolean => unit >= 0xd800 && unit <= 0xdbff;

/** Whether both halves of one character stand around a place. */
const isWithin = (text: string, at: number): boolean => isHigh(text.charCodeAt(at - 1)) && isLow(text.charCodeAt(at));

/** The beginning of a text, of at most so many UTF-16 units. */
export function headOf(text: string, most: number): string {
    if (text.length <= most) return text;
    return text.slice(0, isWithin(text, most) ? most - 1 : most);
}

/** The end of a text, of at most so many UTF-16 units. */
export function tailOf(text: string, most: number): string {
    const from = text.length - most;
    if (from <= 0) return text;
    return text.slice(isWithin(text, from) ? from + 1 : from);
}
