/**
 * The packed survey: every number of a survey in columns, one entry per known internal URL in the order of URLs, and its
 * links by block. Sets, tables and drafts run on it, with the same code on the server and in a browser. Four parts, each
 * had on its own: `core` (numbers and links), `text` (URLs, titles and other texts of pages) and `links` (anchors and
 * what else is said of single links) are facts, read from the rows and kept as they are; `measures` is worked out of them
 * and made again when measures change.
 */
import type { FactColumn, Part } from '../columns/column.ts';
import { FACT_COLUMNS } from '../columns/fact-columns.ts';
import { countKept, keptBytes } from '../kept.ts';
import type { NumberColumn } from '../number-column.ts';
import type { CutReason, FileRow, SurveyState } from '../survey/survey-rows.ts';
import type { FactName, InnerName, NumberName, TextName } from './column-names.ts';
import type { Sections } from './sections.ts';
import { TextTable } from './text-table.ts';

export const PARTS: readonly Part[] = ['core', 'measures', 'text', 'links'];

/** Raised when facts are read that were not before: a survey whose rows are there is packed anew. */
export const FACTS_VERSION = 4;
/** Raised when a measure is added, or means something else: measures are made again from kept facts, of any age. */
export const MEASURES_VERSION = 3;

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

/** What is said of the facts. */
export interface PackedHead {
    /** `FACTS_VERSION` when it was packed: columns that came later are not known in it. */
    facts: number;
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
}

/** What is said of the measures. */
export interface MeasuresHead {
    /** `MEASURES_VERSION` when they were made. */
    measures: number;
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

export class PackedSurvey {
    readonly head: PackedHead;
    readonly count: number;
    #measured: MeasuresHead | null = null;
    readonly #columns = new Map<string, NumberColumn>();
    readonly #texts = new Map<string, TextTable>();
    /** Of columns of which many are the same, their words and codes: looked up by one name. */
    readonly #words = new Map<string, { table: TextTable; codes: NumberColumn }>();
    readonly #parts = new Set<Part>();
    /** Facts that were not read when it was packed. */
    readonly #missing = new Set<string>();
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

    /** Adds facts. Columns that came after it was packed are filled with "not known". */
    add(part: Exclude<Part, 'measures'>, sections: Sections): void {
        this.#add(part, sections.columns);
        for (const column of FACT_COLUMNS) {
            const name = column.form === 'texts' ? `${column.id}:bytes` : column.id;
            if (column.part !== part || sections.columns.has(name)) continue;
            this.#missing.add(column.id);
            this.#add(part, notKnown(column, this.count));
        }
        if (part === 'links' && !sections.columns.has('link_marks')) {
            this.#add(part, new Map([['link_marks', new Uint8Array(this.numbers('link_kind').length)]]));
        }
    }

    /** Adds what was worked out. */
    addMeasures(columns: ReadonlyMap<string, NumberColumn>, head: MeasuresHead): void {
        this.#add('measures', columns);
        this.#measured = head;
    }

    #add(part: Part, columns: ReadonlyMap<string, NumberColumn>): void {
        this.#words.clear();
        for (const [name, column] of columns) {
            this.#columnBytes += column.byteLength - (this.#columns.get(name)?.byteLength ?? 0);
            this.#columns.set(name, column);
        }
        this.#parts.add(part);
    }

    /** What is said of the measures. @throws when they are not there */
    get measured(): MeasuresHead {
        if (this.#measured === null) throw new Error('the packed survey has no measures');
        return this.#measured;
    }

    /** A column of numbers. @throws when its part is not there: whoever asks has to bring it first */
    numbers(name: NumberName): NumberColumn {
        return this.#column(name);
    }

    /** A column that a list from elsewhere brought, as `head.given` calls it. */
    given(column: string): NumberColumn {
        return this.#column(column);
    }

    /** True for a fact that was not read when it was packed: nothing is known of it. */
    lacks(fact: FactName): boolean {
        return this.#missing.has(fact);
    }

    #column(name: string): NumberColumn {
        const column = this.#columns.get(name);
        if (!column) throw new Error(`the packed survey has no column ${name}; parts: ${[...this.#parts].join(', ')}`);
        return column;
    }

    texts(name: TextName): TextTable {
        let table = this.#texts.get(name);
        if (!table) {
            const bytes = this.#column(`${name}:bytes`);
            if (!(bytes instanceof Uint8Array)) throw new Error(`${name} is no text`);
            table = new TextTable(bytes, this.#column(`${name}:ends`), (kept) => countKept(this, kept));
            this.#texts.set(name, table);
        }
        return table;
    }

    /** The word of an entry of a column of texts of which many are the same. */
    word(name: FactName | InnerName, entry: number): string {
        let words = this.#words.get(name);
        if (!words) {
            words = { table: this.texts(`${name}_words`), codes: this.numbers(name) };
            this.#words.set(name, words);
        }
        return words.table.at(words.codes[entry]!);
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

/** A column of which nothing is known, for a survey that was packed before it was read. */
function notKnown({ id, form, field }: FactColumn, count: number): Map<string, NumberColumn> {
    const empty = (name: string, texts: number): [string, NumberColumn][] => [
        [`${name}:bytes`, new Uint8Array(0)],
        [`${name}:ends`, new Uint8Array(texts)],
    ];
    switch (form) {
        case 'texts':
            return new Map(empty(id, count));
        case 'choices':
        case 'problems':
            return new Map([[id, new Uint8Array(count)], ...empty(`${id}_words`, 1)]);
        case 'fractions':
            return new Map([[id, new Float64Array(count).fill(NaN)]]);
        case 'numbers':
            return new Map([[id, new Int16Array(count).fill(field && 'unknown' in field ? field.unknown : -1)]]);
    }
}
