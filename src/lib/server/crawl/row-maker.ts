/**
 * Makes rows of what was read, giving numbers to addresses, lists, layouts and blocks. Equal lists, layouts and blocks
 * get one number: they are compared in full.
 */
import { createHash } from 'node:crypto';
import type { Belonging } from '../../core/address/belonging.ts';
import type { FoundBlock } from '../../core/page/links.ts';
import {
    emptyRows,
    type BlockRow,
    type EvidenceRow,
    type FileRow,
    type ListedLink,
    type PageRow,
    type SurveyBatch,
    type SurveyRows,
} from '../../core/survey/survey-rows.ts';

export class RowMaker {
    readonly #belonging: Belonging;
    readonly #addresses = new Map<string, number>();
    readonly #urls: string[] = [];
    readonly #internal: boolean[] = [];
    readonly #lists = new Map<string, number>();
    readonly #layouts = new Map<string, number>();
    readonly #blocks = new Map<string, number>();
    readonly #evidence = new Set<string>();
    #batch = emptyRows();
    /** Rows waiting to be taken. */
    size = 0;

    /** @param stored rows of a survey that is resumed: their numbers are used on */
    constructor(belonging: Belonging, stored: SurveyRows) {
        this.#belonging = belonging;
        for (const row of [...stored.addresses].sort((a, b) => a.id - b.id)) {
            this.#addresses.set(row.url, row.id);
            this.#urls[row.id] = row.url;
            this.#internal[row.id] = row.internal;
        }
        for (const row of stored.lists) this.#lists.set(JSON.stringify(row.links), row.id);
        for (const row of stored.layouts)
            this.#layouts.set(JSON.stringify([row.lines, row.columns, row.hrefs]), row.id);
        for (const row of stored.blocks) this.#blocks.set(`${row.region} ${row.list} ${row.place}`, row.id);
        for (const row of stored.evidence) this.#evidence.add(`${row.evidence} ${row.address} ${row.source}`);
    }

    /** Number of an address, given on first sight. */
    address(url: string): number {
        const known = this.#addresses.get(url);
        if (known !== undefined) return known;
        const id = this.#urls.length;
        const internal = this.#belonging.belongs(url);
        this.#addresses.set(url, id);
        this.#urls.push(url);
        this.#internal.push(internal);
        this.#batch.addresses.push({ id, url, internal });
        this.size++;
        return id;
    }

    urlOf(id: number): string {
        return this.#urls[id] ?? '';
    }

    isInternal(id: number): boolean {
        return this.#internal[id] ?? false;
    }

    addPage(page: PageRow): void {
        this.#batch.pages.push(page);
        this.size++;
    }

    addFile(file: FileRow): void {
        this.#batch.files.push(file);
        this.size++;
    }

    addEvidence(row: EvidenceRow): void {
        const key = `${row.evidence} ${row.address} ${row.source}`;
        if (this.#evidence.has(key)) return;
        this.#evidence.add(key);
        this.#batch.evidence.push(row);
        this.size++;
    }

    /** Adds the blocks of a page and gives back its links with numbered targets, in the order of the blocks. */
    addBlocks(page: number, found: FoundBlock[]): ListedLink[] {
        const all: ListedLink[] = [];
        found.forEach((block, ordinal) => {
            const links = block.links.map((link): ListedLink => ({
                kind: link.kind,
                target: link.isAddress ? this.address(link.target) : null,
                text: link.isAddress ? '' : link.target,
                fragment: link.fragment,
                anchor: link.anchor,
                name: link.name,
                rel: link.rel,
            }));
            all.push(...links);
            const line = block.links[0]?.line ?? 0;
            const lines = block.links.map((link) => link.line - line);
            const columns = block.links.map((link) => link.column);
            const hrefs = block.links.map((link) => link.href);
            this.#batch.pageBlocks.push({
                page,
                ordinal,
                block: this.#block(block, links),
                layout: this.#numbered(this.#layouts, JSON.stringify([lines, columns, hrefs]), (id) =>
                    this.#batch.layouts.push({ id, lines, columns, hrefs }),
                ),
                line,
            });
            this.size++;
        });
        return all;
    }

    #block(block: FoundBlock, links: ListedLink[]): number {
        const { region, place } = block;
        const list = this.#numbered(this.#lists, JSON.stringify(links), (id) => this.#batch.lists.push({ id, links }));
        return this.#numbered(this.#blocks, `${region} ${list} ${place}`, (id) => {
            const row: BlockRow = { id, region, place, list, name: this.#blockName(region, place, links) };
            this.#batch.blocks.push(row);
        });
    }

    /** Hash of the content with URLs in place of numbers, so that it is equal between surveys. */
    #blockName(region: string, place: string, links: ListedLink[]): string {
        const content = links.map((link) => [
            link.kind,
            link.target === null ? link.text : this.urlOf(link.target),
            link.fragment,
            link.anchor,
            link.name,
            link.rel,
        ]);
        return createHash('sha256')
            .update(JSON.stringify([region, place, content]))
            .digest('hex')
            .slice(0, 12);
    }

    #numbered(known: Map<string, number>, key: string, make: (id: number) => void): number {
        let id = known.get(key);
        if (id === undefined) {
            id = known.size;
            known.set(key, id);
            make(id);
            this.size++;
        }
        return id;
    }

    /** Takes the rows made since the last time. */
    take(): SurveyBatch {
        const batch = this.#batch;
        this.#batch = emptyRows();
        this.size = 0;
        return batch;
    }
}
