/**
 * The languages a sitemap names for its entries (`xhtml:link rel="alternate" hreflang`), and the text in which they are
 * kept with the file: a line an entry, its line and URL, then each language and URL. None of them holds a blank.
 */

/** Languages of one entry, as the sitemap has them. */
export interface EntryAlternates {
    line: number;
    /** URL of the entry. */
    url: string;
    /** The language in small letters, and the URL in our spelling. */
    alternates: { code: string; url: string }[];
}

/** As many as fit; O(alternates). */
export function alternatesText(entries: readonly EntryAlternates[], mostCharacters: number): string {
    const lines: string[] = [];
    let left = mostCharacters;
    for (const { line, url, alternates } of entries) {
        const text = [line, url, ...alternates.flatMap(({ code, url: to }) => [code, to])].join(' ');
        left -= text.length + 1;
        if (left < 0) break;
        lines.push(text);
    }
    return lines.join('\n');
}

export function readAlternates(text: string): EntryAlternates[] {
    if (text === '') return [];
    return text.split('\n').flatMap((row) => {
        const [line, url, ...rest] = row.split(' ');
        if (url === undefined || !/^\d+$/.test(line!)) return [];
        const alternates = Array.from({ length: rest.length >> 1 }, (_, at) => ({
            code: rest[2 * at]!,
            url: rest[2 * at + 1]!,
        }));
        return [{ line: Number(line), url, alternates }];
    });
}
