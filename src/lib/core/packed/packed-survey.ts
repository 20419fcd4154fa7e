/**
 * The packed survey: every number of a survey in columns, one entry per known internal URL in the order of URLs, and its
 * links by block. Sets, measures, tables and drafts run on it, with the same code on the server and in a browser. Three
 * parts, each had on its own: `core` (numbers and links), `text` (URLs, titles and other texts of pages), `links`
 * (anchors and what else is said of single links).
 */
import { countKept, keptBytes } from '../kept.ts';
import type { CutReason, FileRow, SurveyState } from '../survey/survey-rows.ts';
import type { NumberColumn, Sections } from './sections.ts';
import { TextTable } from './text-table.ts';

export const PARTS = ['core', 'text', 'links'] as const;
export type Part = (typeof PARTS)[number];

/** A column that an import brought: visits of a list, hits of a log. */
export interface GivenColumn {
    /** How the set language calls it: "visits", "log hits", "visits 2 visits" where several lists are of one kind. */
    name: string;
    /** Name of the list. */
    list: string;
    type: 'number' | 'date';
    /** Name of the column of numbers in the part. */
    column: string;
}

/** A robots.txt or sitemap that was asked for; its text is in the rows. */
export type PackedFile = Omit<FileRow, 'text'>;

export interface PackedHead {
    /** Known internal URLs. */
    count: number;
    start: string;
    /** Nodes of the start pages. */
    starts: number[];
    state: SurveyState;
    cut: CutReason[];
    /** Nothing was left unread because of a limit or a stop: orphans are a fact. */
    complete: boolean;
    /** Some sitemap could be read, so "not in the sitemap" is a fact. */
    hasSitemap: boolean;
    /** robots.txt files and sitemaps that were asked for, in the order of asking. */
    files: PackedFile[];
    given: GivenColumn[];
    /** Likeness from which two main texts count as near-doubles. */
    nearText: number;
    templates: PackedTemplate[];
    /** Share of all standing that leaks away. */
    leak: number;
}

/** A template as far as sets and lists need it. */
export interface PackedTemplate {
    /** Name of its largest block. */
    name: string;
    region: string;
    place: string;
    /** Pages it stands on. */
    pages: number;
    /** Reached pages that would not be without it. */
    holds: number;
}

/** Address of a canonical to the page itself. */
export const TO_SELF = -2;
/** No address. */
export const NO_ADDRESS = -1;

export class PackedSurvey {
    readonly head: PackedHead;
    readonly count: number;
    readonly #columns = new Map<string, NumberColumn>();
    readonly #texts = new Map<string, TextTable>();
    readonly #parts = new Set<Part>();
    #columnBytes = 0;

    constructor(head: PackedHead) {
        this.head = head;
        this.count = head.count;
    }

    /** Bytes it takes in memory: its columns, and all that was decoded or worked out of it and is kept. */
    get bytes(): number {
        return this.#columnBytes + keptBytes(this);
    }

    has(part: Part): boolean {
        return this.#parts.has(part);
    }

    add(part: Part, sections: Sections): void {
        for (const [name, column] of sections.columns) {
            this.#columns.set(name, column);
            this.#columnBytes += column.byteLength;
        }
        this.#parts.add(part);
    }

    /** A column of numbers. @throws when its part is not there: whoever asks has to bring it first */
    numbers(name: string): NumberColumn {
        const column = this.#columns.get(name);
        if (!column) throw new Error(`the packed survey has no column ${name}; parts: ${[...this.#parts].join(', ')}`);
        return column;
    }

    texts(name: string): TextTable {
        let table = this.#texts.get(name);
        if (!table) {
            const bytes = this.numbers(`${name}:bytes`);
            if (!(bytes instanceof Uint8Array)) throw new Error(`${name} is no text`);
            table = new TextTable(bytes, this.numbers(`${name}:ends`), (kept) => countKept(this, kept));
            this.#texts.set(name, table);
        }
        return table;
    }

    url(node: number): string {
        return this.texts('url').at(node);
    }

    /** URL of an address: pages of the site first, in their order, then all others. */
    addressUrl(address: number): string {
        return address < this.count ? this.url(address) : this.texts('other_url').at(address - this.count);
    }

    /** Node of a URL, or -1; URLs are in the order of their code units. O(log n). */
    nodeOf(url: string): number {
        const urls = this.texts('url');
        let low = 0;
        let high = this.count - 1;
        while (low <= high) {
            const middle = (low + high) >> 1;
            const at = urls.at(middle);
            if (at === url) return middle;
            if (at < url) low = middle + 1;
            else high = middle - 1;
        }
        return -1;
    }
}
