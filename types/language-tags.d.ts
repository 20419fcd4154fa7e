/** Language tags held against the IANA registry (BCP 47). */
declare module 'language-tags' {
    export interface TagError {
        /** One of the numbers of `Tag.ERR_…`. */
        code: number;
    }
    /** A tag taken apart; its errors are those of form, order and registry. */
    export function tags(tag: string): { errors(): TagError[] };
}
