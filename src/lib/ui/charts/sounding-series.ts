/** What the depth sounding draws of each row: what may be indexed, and behind it the rest. */
export interface SoundingRow {
    pages: number;
    indexable: number;
}

/** Filled and open length of each row; together they are its pages. */
export function soundingSeries(rows: readonly SoundingRow[]): { filled: number[]; open: number[] } {
    return {
        filled: rows.map(({ indexable }) => indexable),
        open: rows.map(({ pages, indexable }) => pages - indexable),
    };
}
