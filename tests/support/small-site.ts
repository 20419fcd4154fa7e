/** A site small enough to check by hand, as the rows of a survey. */
import { LINK_MARK, type LinkKind, type Region } from '$lib/core/page/links.ts';
import { measureSurvey, type MeasuredSurvey } from './reference/measured-survey.ts';
import {
    emptyRows,
    unreadPage,
    type PageRow,
    type StoredEvidence,
    type SurveyInfo,
    type SurveyRows,
} from '$lib/core/survey/survey-rows.ts';

export const ORIGIN = 'https://site.example';

export interface SmallLink {
    to: string;
    kind?: LinkKind;
    anchor?: string;
    /** Of kind `hreflang` the language. */
    name?: string;
    fragment?: string;
    /** What is written in place of an address. */
    text?: string;
    rel?: string;
    /** `LINK_MARK` bits; looked at, and nothing in it, where none are said. */
    marks?: number;
    line?: number;
}

/** A site small enough to check by hand, built page by page. */
export class Site {
    readonly rows: SurveyRows = emptyRows();
    readonly #ids = new Map<string, number>();

    id(path: string): number {
        const url = path.startsWith('http') ? path : `${ORIGIN}${path}`;
        let id = this.#ids.get(url);
        if (id === undefined) {
            id = this.#ids.size;
            this.#ids.set(url, id);
            this.rows.addresses.push({ id, url, internal: url.startsWith(ORIGIN) });
        }
        return id;
    }

    page(path: string, links: SmallLink[] = [], facts: Partial<PageRow> = {}): this {
        const address = this.id(path);
        this.rows.pages.push({
            ...unreadPage(address),
            orderRead: this.rows.pages.length,
            status: 200,
            contentType: 'text/html',
            title: `Title of ${path}`,
            words: 1,
            robotsAllowed: true,
            ...facts,
        });
        if (links.length > 0) this.#block(address, links, 'main', 10);
        return this;
    }

    /** The same block of links on several pages: a menu. */
    share(paths: string[], links: SmallLink[], region: Region = 'nav'): this {
        const pages = paths.map((path) => this.id(path));
        const id = this.#block(pages[0]!, links, region, 2);
        for (const page of pages.slice(1)) {
            const ordinal = this.rows.pageBlocks.filter((item) => item.page === page).length;
            this.rows.pageBlocks.push({ page, ordinal, block: id, layout: id, line: 2 });
        }
        return this;
    }

    /** @returns the number of block, list and layout */
    #block(page: number, links: SmallLink[], region: Region, line: number): number {
        const id = this.rows.lists.length;
        this.rows.lists.push({
            id,
            links: links.map((link) => ({
                kind: link.kind ?? 'a',
                target: link.text !== undefined || link.to.startsWith('mailto:') ? null : this.id(link.to),
                text: link.text ?? (link.to.startsWith('mailto:') ? link.to : ''),
                fragment: link.fragment ?? '',
                anchor: link.anchor ?? link.to.replace(/^https?:\/\//, ''),
                name: link.name ?? '',
                rel: link.rel ?? '',
                marks: link.marks ?? ((link.kind ?? 'a') === 'a' ? LINK_MARK.looked : 0),
            })),
        });
        this.rows.layouts.push({
            id,
            lines: links.map((link) => (link.line ?? 10) - 10),
            columns: links.map(() => 1),
            hrefs: links.map((link) => link.to),
        });
        this.rows.blocks.push({ id, region, place: region, list: id, name: `block${id}` });
        const ordinal = this.rows.pageBlocks.filter((item) => item.page === page).length;
        this.rows.pageBlocks.push({ page, ordinal, block: id, layout: id, line });
        return id;
    }

    /** @param source the list or the file that names it; the site's own sitemap where none is said */
    known(path: string, evidence: StoredEvidence = 'sitemap', source?: string): this {
        this.rows.evidence.push({
            address: this.id(path),
            evidence,
            source: source ?? (evidence === 'sitemap' ? `${ORIGIN}/sitemap.xml` : ''),
            line: 3,
            lastmod: '',
        });
        return this;
    }

    /** A sitemap was read: that a page is in none is a fact then. */
    sitemap(): this {
        this.rows.files.push({
            kind: 'sitemap',
            url: `${ORIGIN}/sitemap.xml`,
            status: 200,
            note: '',
            entries: this.rows.evidence.filter(({ evidence }) => evidence === 'sitemap').length,
            text: '',
        });
        return this;
    }

    measure(info: Partial<SurveyInfo> = {}): MeasuredSurvey {
        return measureSurvey({ start: `${ORIGIN}/`, state: 'finished', cut: [], ...info }, this.rows);
    }
}
