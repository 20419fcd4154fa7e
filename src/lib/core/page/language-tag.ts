/** Language tags: well-formed as BCP 47 has them (RFC 5646), of subtags that the IANA registry holds. */
import { tags } from 'language-tags';

/**
 * What is no fault: a tag or subtag the registry no longer prefers, a script that goes without saying, a variant named
 * twice. All of them are understood.
 */
const UNDERSTOOD: ReadonlySet<number> = new Set([1, 8, 10, 11]);
/** Subtags of letters and digits (RFC 5646 2.1); at most eight of them, so that a hostile one is not taken apart. */
const WELL_FORMED = /^[a-z0-9]{1,8}(?:-[a-z0-9]{1,8}){0,7}$/i;

/** True for what names a language, in any case: `en`, `en-GB`, `zh-hant`; not for `english`, `en_GB` or `en-UK`. */
export function isLanguageTag(code: string): boolean {
    return (
        WELL_FORMED.test(code) &&
        tags(code)
            .errors()
            .every((error) => UNDERSTOOD.has(error.code))
    );
}

/** The language of a tag, without script and region, in small letters. */
export const languageOfTag = (tag: string): string => tag.trim().toLowerCase().split(/[-_]/, 1)[0]!;
