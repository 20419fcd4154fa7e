/** URLs that are known by other evidence than links: what sitemaps list, and what lists know. */
import { readAddress } from '../../core/address/address.ts';
import { MAX_SITEMAP_BYTES, type SitemapEntry } from '../../core/sitemap/read-sitemap.ts';
import type { EvidenceRow, FileRow } from '../../core/survey/survey-rows.ts';
import { isIndex, isReadSitemap } from './earlier-run.ts';
import { NO_RULE } from './robots-files.ts';
import type { RowFlow } from './row-flow.ts';
import type { RunParts } from './run-parts.ts';
import { readSitemaps, USUAL_PLACES, type SitemapAccess, type SitemapSource } from './sitemap-files.ts';

/** A URL that is known from elsewhere, and where it is named. */
export type KnownUrl = Pick<EvidenceRow, 'evidence' | 'source' | 'line'> & { url: string };

/** A sitemap as robots.txt names it. */
export interface NamedSitemap {
    href: string;
    line: number;
    /** URL of the robots.txt. */
    namedBy: string;
}

export class OtherEvidence {
    readonly #parts: RunParts;
    readonly #flow: RowFlow;
    readonly #knownFiles: Set<string>;

    constructor(parts: RunParts, flow: RowFlow) {
        this.#parts = parts;
        this.#flow = flow;
        this.#knownFiles = new Set(parts.earlier.files.keys());
    }

    /** Adds the row of a file, once. */
    addFile(row: FileRow): void {
        if (this.#knownFiles.has(row.url)) return;
        this.#knownFiles.add(row.url);
        this.#parts.rows.addFile(row);
    }

    /** Reads the sitemaps that robots.txt names, and those at the usual places. */
    async readSitemaps(named: readonly NamedSitemap[]): Promise<void> {
        const { settings, belonging, rows, families, frontier, sitemapAnswers } = this.#parts;
        const fromRobots = named.flatMap(({ href, line, namedBy }) => this.#source(href, namedBy, line));
        for (const { url, namedBy, line } of fromRobots) {
            if (belonging.isInternal(url)) frontier.addOther(this.#addEvidence(url, 'robots', namedBy, line));
        }
        const usual = USUAL_PLACES.flatMap((place) => this.#source(place, '', 0));
        const leadsOn = settings.onward.includes('sitemap');
        for await (const file of readSitemaps([...fromRobots, ...usual], this.#access())) {
            if (this.#isStopped) return;
            if ((file.answer || file.row.status !== null) && belonging.isInternal(file.row.url)) {
                sitemapAnswers.set(rows.address(file.row.url), file.answer);
            }
            for (const { url, line, lastmod } of file.entries) {
                if (!belonging.isInternal(url)) continue;
                const address = this.#addEvidence(url, 'sitemap', file.row.url, line, lastmod);
                if (!leadsOn) continue;
                families.seen(rows.urlOf(address));
                frontier.addOther(address);
            }
            // After its entries: a file that is stored has all its entries stored, and need not be read again.
            this.addFile(file.row);
            await this.#flow.sendIfDue();
        }
    }

    /** Takes in what lists know: read after the link crawl, unless links reach it before. */
    async take(known: AsyncIterable<KnownUrl>): Promise<void> {
        const { belonging, rows, families, frontier } = this.#parts;
        for await (const { url, evidence, source, line } of known) {
            if (this.#isStopped) return;
            if (!belonging.isInternal(url)) continue;
            const address = this.#addEvidence(url, evidence, source, line);
            families.seen(rows.urlOf(address));
            frontier.addOther(address);
            await this.#flow.sendIfDue();
        }
    }

    get #isStopped(): boolean {
        return this.#parts.end.signal.aborted;
    }

    #source(href: string, namedBy: string, line: number): SitemapSource[] {
        const target = readAddress(href, this.#parts.settings.start);
        return target.ok ? [{ url: target.address.url, namedBy, line }] : [];
    }

    #addEvidence(url: string, evidence: EvidenceRow['evidence'], source: string, line: number, lastmod = ''): number {
        const address = this.#parts.rows.address(url);
        this.#parts.rows.addEvidence({ address, evidence, source, line, lastmod });
        return address;
    }

    #access(): SitemapAccess {
        const { client, belonging, settings, robots } = this.#parts;
        return {
            fetch: (url) => client.fetchFile(url, MAX_SITEMAP_BYTES),
            belongs: (url) => belonging.belongs(url),
            closed: async (url) => {
                if (settings.robots === 'record') return null;
                const verdict = await robots.verdict(url);
                return verdict.allowed ? null : (verdict.rule ?? NO_RULE);
            },
            stopped: () => this.#isStopped,
            stored: (url) => this.#stored(url),
        };
    }

    /** What an earlier run stored of a sitemap: its row and entries; null when it is to be asked for. */
    async #stored(url: string): Promise<{ row: FileRow; entries: SitemapEntry[] } | null> {
        const { earlier } = this.#parts;
        const row = earlier.files.get(url);
        // Surveys of an older version kept no list of an index's files.
        if (row?.kind !== 'sitemap' || (isIndex(row) && row.text === '')) return null;
        return { row, entries: isReadSitemap(row) ? await earlier.sitemapEntries(url) : [] };
    }
}
