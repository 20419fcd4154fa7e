/** What is kept of a page beside its columns: read page by page, for its sheet. */
import type { DocumentFacts } from '../page/document-facts.ts';

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
