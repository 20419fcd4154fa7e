/** The form of a written page: paragraphs parted by blank lines, links as [words](path). */
export interface ProsePage {
    /** Last part of its path. */
    slug: string;
    title: string;
    /** One sentence for lists and the description meta. */
    lead: string;
    text: string;
}
