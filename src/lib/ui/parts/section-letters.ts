/** Sections that have a hue; the others are drawn in a neutral one. */
export const HUES = 8;

/** Colour of the section at a place of the site's order. */
export function hueOf(place: number): string {
    return place < HUES ? `var(--s${place + 1})` : 'var(--ink3)';
}

/** What the smaller sections are called together. */
const OTHERS = /^\d+ others$/;

/**
 * The letter that marks each section: the first of its name that no section before it has, so that two marks of one view
 * are told apart without their hues. Names that leave none (over 36 of them, or all alike) share a point.
 * @param sections in the order of their size
 */
export function sectionLetters(sections: readonly string[]): string[] {
    const taken = new Set<string>();
    return sections.map((section) => {
        if (section === '/') return '·';
        if (OTHERS.test(section)) return '+';
        const letters = [...section.toUpperCase()].filter((letter) => /^[\p{L}\p{N}]$/u.test(letter));
        const free = letters.find((letter) => !taken.has(letter));
        if (free === undefined) return '·';
        taken.add(free);
        return free;
    });
}

/** Letter of a section and its place among the hues. */
export interface Mark {
    letter: string;
    place: number;
}

/**
 * Marks of the sections that are shown: a section keeps its own from survey to survey.
 * @param marked sections in the site's order
 * @param shown names; those that are none of the site's sections are "N others" or new
 */
export function sectionMarks(marked: readonly string[], shown: readonly string[]): Mark[] {
    const letters = sectionLetters(marked);
    const known = new Map(marked.map((section, place) => [section, { letter: letters[place]!, place }]));
    return shown.map(
        (section) => known.get(section) ?? { letter: OTHERS.test(section) ? '+' : '·', place: marked.length },
    );
}
