/**
 * Makes rows of what was read, giving numbers to addresses, lists, layouts and blocks. Equal lists, layouts and blocks
 * get one number: they are compared in full.
 */
import { hash } from 'node:crypto';
import { pathOf } from '../../core/address/address.ts';
import type { Belonging } from '../../core/scope/belonging.ts';
import { applyUrlRules, type UrlRules } from '../../core/address/url-rules.ts';
import type { FoundBlock, FoundLink } from '../../core/page/links.ts';
import {
    emptyRows,
    SELF,
    SELF_HREF,
    SELF_PATH_HREF,
    type EvidenceRow,
    type CheckRow,
    type FileRow,
    type LayoutRow,
    type PageDetailRow,
    type ListedLink,
    type PageRow,
    type SurveyBatch,
} from '../../core/survey/survey-rows.ts';
import type { PlacedBlock } from './block-relay.ts';
import { linksContent, placesContent } from '../stored-content.ts';
import { blockKey, evidenceKey } from './content-keys.ts';
import type { EarlierRun } from './earlier-run.ts';
import type { FingerprintTable } from './fingerprint-table.ts';

/** A block with its numbers. */
interface NumberedBlock {
    block: number;
    layout: number;
    links: ListedLink[];
}

export class RowMaker {
    readonly #belonging: Belonging;
    readonly #rules: UrlRules;
    readonly #addresses = new Map<string, number>();
    readonly #urls: string[];
    readonly #internal: boolean[];
    readonly #lists: FingerprintTable;
    readonly #layouts: FingerprintTable;
    readonly #blocks: FingerprintTable;
    readonly #evidence: FingerprintTable;
    /** Blocks that have their numbers, by the object they come as, each time the same (`block-relay.ts`). */
    readonly #numbered = new WeakMap<FoundBlock, NumberedBlock>();
    #batch = emptyRows();
    /** Rows waiting to be taken. */
    size = 0;

    /** @param earlier what earlier runs left: their numbers are used on */
    constructor(belonging: Belonging, rules: UrlRules, earlier: EarlierRun) {
        this.#belonging = belonging;
        this.#rules = rules;
        this.#urls = earlier.urls;
        this.#internal = earlier.internal;
        this.#lists = earlier.lists;
        this.#layouts = earlier.layouts;
        this.#blocks = earlier.blocks;
        this.#evidence = earlier.evidence;
        earlier.urls.forEach((url, id) => this.#addresses.set(url, id));
    }

    /** Number of an address, given on first sight; the site's URL rules decide which URL stands for it. */
    address(written: string): number {
        const known = this.#addresses.get(written);
        if (known !== undefined) return known;
        const belongs = this.#belonging.belongs(written);
        const url = belongs ? applyUrlRules(written, this.#rules) : written;
        if (url !== written) return this.address(url);
        const id = this.#urls.length;
        const internal = belongs && this.#belonging.isInternal(url);
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

    addDetail(row: PageDetailRow): void {
        this.#batch.details.push(row);
        this.size++;
    }

    addCheck(row: CheckRow): void {
        this.#batch.checks.push(row);
        this.size++;
    }

    addFile(file: FileRow): void {
        this.#batch.files.push(file);
        this.size++;
    }

    addEvidence(row: EvidenceRow): void {
        if (!this.#evidence.number(evidenceKey(row)).isNew) return;
        this.#batch.evidence.push(row);
        this.size++;
    }

    /** Adds the blocks of a page and gives back its links with numbered targets, in the order of the blocks. */
    addBlocks(page: number, found: PlacedBlock[]): ListedLink[] {
        const all: ListedLink[] = [];
        found.forEach(({ block: content, line }, ordinal) => {
            let numbered = this.#numbered.get(content);
            if (!numbered) {
                numbered = this.#numberBlock(page, content);
                // A canonical to its own page is kept as such: the same content is another link on another page.
                if (!content.links.some((link) => link.kind === 'canonical')) this.#numbered.set(content, numbered);
            }
            const { block, layout, links } = numbered;
            for (const link of links) all.push(link);
            this.#batch.pageBlocks.push({ page, ordinal, block, layout, line });
            this.size++;
        });
        return all;
    }

    #numberBlock(page: number, content: FoundBlock): NumberedBlock {
        const own = this.urlOf(page);
        const targetOf = (link: FoundLink): number | null => {
            if (!link.isAddress) return null;
            const target = this.address(link.target);
            return link.kind === 'canonical' && target === page ? SELF : target;
        };
        const selfHref = (href: string): string =>
            href === own ? SELF_HREF : href === pathOf(own) ? SELF_PATH_HREF : href;
        const links = content.links.map((link): ListedLink => ({
            kind: link.kind,
            target: targetOf(link),
            text: link.isAddress ? '' : link.target,
            fragment: link.fragment,
            anchor: link.anchor,
            name: link.name,
            rel: link.rel,
            marks: link.marks,
        }));
        const first = content.links[0]?.line ?? 0;
        const lines = content.links.map((link) => link.line - first);
        const columns = content.links.map((link) => link.column);
        const hrefs = content.links.map((link, at) => (links[at]?.target === SELF ? selfHref(link.href) : link.href));
        return { block: this.#block(content, links), layout: this.#layout({ lines, columns, hrefs }), links };
    }

    #layout(layout: Omit<LayoutRow, 'id'>): number {
        const content = placesContent(layout);
        const { id, isNew } = this.#layouts.number(content);
        if (isNew) {
            this.#batch.layouts.push({ id, ...layout, content });
            this.size++;
        }
        return id;
    }

    #block({ region, place }: FoundBlock, links: ListedLink[]): number {
        const content = linksContent(links);
        const list = this.#lists.number(content);
        if (list.isNew) {
            this.#batch.lists.push({ id: list.id, links, content });
            this.size++;
        }
        const block = this.#blocks.number(blockKey({ region, place, list: list.id }));
        if (block.isNew) {
            const name = this.#blockName(region, place, links);
            this.#batch.blocks.push({ id: block.id, region, place, list: list.id, name });
            this.size++;
        }
        return block.id;
    }

    /** Hash of the content with URLs in place of numbers, so that it is equal between surveys. */
    #blockName(region: string, place: string, links: ListedLink[]): string {
        const content = links.map((link) => [
            link.kind,
            link.target === null ? link.text : link.target === SELF ? '' : this.urlOf(link.target),
            link.fragment,
            link.anchor,
            link.name,
            link.rel,
            // Marks say how it looks, not what it is: without them names are those of earlier versions.
        ]);
        return hash('sha256', JSON.stringify([region, place, content]), 'hex').slice(0, 12);
    }

    /** Takes the rows made since the last time. */
    take(): SurveyBatch {
        const batch = this.#batch;
        this.#batch = emptyRows();
        this.size = 0;
        return batch;
    }
}
