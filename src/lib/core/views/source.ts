/** What the source of a page shows beside its lines. */

/** A distinct link of the page, at the line where it stands first. */
export interface SourceLink {
    line: number;
    /** Its words; empty for none. */
    anchor: string;
    target: string;
    /** As columns name kinds of links. */
    kind: string;
}
