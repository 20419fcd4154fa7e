/**
 * What earlier runs of a survey left, as far as going on needs it: which numbers are given, how each URL was settled
 * and where it leads. The store puts the rows in one after the other, each table in the order of its numbers; nothing
 * of them is kept but a few bytes for each URL and each link of a distinct list.
 */
import type { TextTraces } from '../../core/traps/families.ts';
import { LINK_KINDS, type LinkKind } from '../../core/page/links.ts';
import { readProblems } from '../../core/problems/problem.ts';
import type { SitemapEntry } from '../../core/sitemap/read-sitemap.ts';
import type {
    AddressRow,
    BlockRow,
    EvidenceRow,
    FileRow,
    LayoutRow,
    LinkListRow,
    PageRow,
} from '../../core/survey/survey-rows.ts';
import { linksContent, placesContent } from '../stored-content.ts';
import { blockKey, evidenceKey } from './content-keys.ts';
import { FingerprintTable } from './fingerprint-table.ts';

/** How a URL was settled, as far as its leads depend on it. */
export type SettledPage = Pick<
    PageRow,
    | 'address'
    | 'status'
    | 'notRead'
    | 'failure'
    | 'contentType'
    | 'redirectTo'
    | 'instantRefresh'
    | 'robotsAllowed'
    | 'robotsRule'
    | 'readAt'
>;

/** Where a link leads, without its words. */
export interface LinkLead {
    kind: LinkKind;
    target: number | null;
}

/** A whole numbers column that grows. */
class Column {
    #values = new Int32Array(1024);
    size = 0;

    push(value: number): void {
        if (this.size === this.#values.length) {
            const grown = new Int32Array(this.size * 2);
            grown.set(this.#values);
            this.#values = grown;
        }
        this.#values[this.size++] = value;
    }

    at(index: number): number {
        return index < this.size ? this.#values[index]! : 0;
    }
}

export class EarlierRun {
    /** URLs by number, with those that are internal. */
    readonly urls: string[] = [];
    readonly internal: boolean[] = [];
    readonly lists = new FingerprintTable();
    readonly layouts = new FingerprintTable();
    readonly blocks = new FingerprintTable();
    readonly evidence = new FingerprintTable();
    /** Files asked for, by URL. */
    readonly files = new Map<string, FileRow>();
    /** Addresses that were checked for their status only. */
    readonly checked = new Set<number>();
    /** Entries of a sitemap that was read whole, in order; the store fetches them when they are asked for. */
    sitemapEntries: (url: string) => Promise<SitemapEntry[]> = async () => [];

    readonly #pages = new Map<number, SettledPage>();
    readonly #traces = new Map<number, TextTraces>();
    /** Leads of all lists in a row: kind and target of each; list n starts at `#listStarts[n]`. */
    readonly #kinds = new Column();
    readonly #targets = new Column();
    readonly #listStarts = new Column();
    readonly #listOfBlock = new Column();
    /** Blocks of all pages in a row, and where those of a page start. */
    readonly #pageBlocks = new Column();
    readonly #blocksOf = new Map<number, { from: number; to: number }>();
    /** Texts that many rows share, kept once. */
    readonly #texts = new Map<string, string>();

    addAddress({ url, internal }: AddressRow): void {
        this.urls.push(url);
        this.internal.push(internal);
    }

    addList({ id, links }: LinkListRow): void {
        this.lists.restore(linksContent(links), id);
        this.#listStarts.push(this.#targets.size);
        for (const link of links) {
            if (link.target === null) continue;
            this.#kinds.push(LINK_KINDS.indexOf(link.kind));
            this.#targets.push(link.target);
        }
    }

    addLayout(layout: LayoutRow): void {
        this.layouts.restore(placesContent(layout), layout.id);
    }

    addBlock(block: BlockRow): void {
        this.blocks.restore(blockKey(block), block.id);
        this.#listOfBlock.push(block.list);
    }

    /** Blocks of pages, page by page, in the order they stand on each. */
    addPageBlock(page: number, block: number): void {
        const range = this.#blocksOf.get(page);
        if (!range) this.#blocksOf.set(page, { from: this.#pageBlocks.size, to: this.#pageBlocks.size + 1 });
        else if (range.to !== this.#pageBlocks.size) throw new Error(`blocks of page ${page} stand apart`);
        else range.to++;
        this.#pageBlocks.push(block);
    }

    addPage(page: SettledPage): void {
        this.#pages.set(page.address, {
            address: page.address,
            status: page.status,
            notRead: page.notRead,
            failure: page.failure,
            contentType: this.#shared(page.contentType),
            redirectTo: page.redirectTo,
            instantRefresh: page.instantRefresh,
            robotsAllowed: page.robotsAllowed,
            robotsRule: this.#shared(page.robotsRule),
            readAt: page.readAt,
        });
    }

    addTraces(page: number, traces: TextTraces): void {
        this.#traces.set(page, traces);
    }

    addEvidence(row: EvidenceRow): void {
        this.evidence.number(evidenceKey(row));
    }

    isSettled(address: number): boolean {
        return this.#pages.has(address);
    }

    /** How a URL was settled and where it leads; undefined where no earlier run did. */
    settled(address: number): { page: SettledPage; links: LinkLead[]; traces: TextTraces | null } | undefined {
        const page = this.#pages.get(address);
        return page && { page, links: this.#linksOf(address), traces: this.#traces.get(address) ?? null };
    }

    #linksOf(page: number): LinkLead[] {
        const links: LinkLead[] = [];
        const range = this.#blocksOf.get(page);
        if (!range) return links;
        for (let index = range.from; index < range.to; index++) {
            const list = this.#listOfBlock.at(this.#pageBlocks.at(index));
            const to = list + 1 < this.#listStarts.size ? this.#listStarts.at(list + 1) : this.#targets.size;
            for (let at = this.#listStarts.at(list); at < to; at++) {
                links.push({ kind: LINK_KINDS[this.#kinds.at(at)] ?? 'other', target: this.#targets.at(at) });
            }
        }
        return links;
    }

    #shared<T extends string>(text: T): T {
        const known = this.#texts.get(text) as T | undefined;
        if (known !== undefined) return known;
        this.#texts.set(text, text);
        return text;
    }
}

/** True of a sitemap that names sitemaps. */
export function isIndex(file: FileRow): boolean {
    return readProblems(file.note).some(({ code }) => code === 'sitemap-index');
}

/** True of a sitemap whose entries are stored; an index is known by the list of its files. */
export function isReadSitemap(file: FileRow): boolean {
    return file.kind === 'sitemap' && !isIndex(file);
}

/** The files an index names, as kept in its row: one `line URL` in a line. */
export function filesOfIndex(file: FileRow): { url: string; line: number }[] {
    // The text of a list are the languages it names.
    if (file.entries !== null) return [];
    return file.text
        .split('\n')
        .map((text) => /^(\d+) (.+)$/.exec(text))
        .filter((match) => match !== null)
        .map((match) => ({ line: Number(match[1]), url: match[2] ?? '' }));
}

export function indexText(entries: readonly Pick<SitemapEntry, 'url' | 'line'>[]): string {
    return entries.map((entry) => `${entry.line} ${entry.url}`).join('\n');
}
