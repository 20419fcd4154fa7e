/** What is kept of a page beside its columns: read page by page, for its sheet. */
import type { DocumentFacts, PageDate } from '../page/document-facts.ts';

export interface PageFactsRecord {
    document: DocumentFacts | null;
    /** Content-Type as sent, with its parameters. */
    sentType: string;
    charset: string;
    /** Where the charset was found: `bom`, `header`, `meta`, or `fallback`. */
    charsetFrom: string;
    /** Response headers: names in lower case, values cut; the values of cookies never. */
    headers: [name: string, value: string][];
    cookieNames: string[];
}

/** The same as the page sheet shows it, with what else is known of the page's text. */
export interface SheetDetails {
    document: DocumentFacts | null;
    /** Dates from everywhere: page, headers, sitemap. */
    dates: PageDate[];
    charset: string;
    charsetFrom: string;
    sentType: string;
    headers: [name: string, value: string][];
    cookieNames: string[];
    /** Words of the main text without shared blocks; null before the survey has ended. */
    mainWords: number | null;
    /** Nodes of other pages with the same main text. */
    sameText: string[];
    hasSource: boolean;
    /** The survey keeps sources. */
    keepsSource: boolean;
}
