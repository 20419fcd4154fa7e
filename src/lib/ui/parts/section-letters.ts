/** Sections that have a hue; the others are drawn in a neutral one. */
export const HUES = 8;

/** Colour of the section at a place of the site's order. */
export function hueOf(place: number): string {
    return place < HUES ? `var(--s${place + 1})` : 'var(--ink3)';
}

/**
 * The letter that marks each section: the first of its name that no section before it has, so that two marks of one view
 * are told apart without their hues. Names that leave none (over 36 of them, or all alike) share a point.
 * @param sections in the order of their size
 */
export function sectionLetters(sections: readonly string[]): string[] {
    const taken = new Set<string>();
    return sections.map((section) => {
        if (section === '/') return '·';
        if (/^\d+ others$/.test(section)) return '+';
        const letters = [...section.toUpperCase()].filter((letter) => /^[\p{L}\p{N}]$/u.test(letter));
        const free = letters.find((letter) => !taken.has(letter));
        if (free === undefined) return '·';
        taken.add(free);
        return free;
    });
}
