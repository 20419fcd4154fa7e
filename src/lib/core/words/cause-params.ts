/** What each kind of cause carries: its words (`causes.ts` here) and its key are made from it. */
import type { VariantKind } from '../address/variants.ts';
import type { Gate } from '../gates/gates.ts';
import type { FileParams, FindingParams } from './finding-params.ts';

/**
 * Which pages an edit is about: nearly all of the site, or of a section, so that what makes them all alike is the place to
 * mend; or some here and there.
 */
export type Spread = { of: 'site' } | { of: 'section'; section: string } | { of: 'some' };

/** An address, or a folder of which several addresses are alike: its URL ends in `/*`. */
export interface AddressOrFolder {
    url: string;
    isFolder: boolean;
}

export interface CauseParams {
    /** What was asked for answers badly, or not at all. `status` 0 for no answer. */
    answers: AddressOrFolder & { status: number };
    /** Links to what has moved. `end` null where several ends are meant; of a folder the host all of it has moved to. */
    moved: AddressOrFolder & { end: string | null };
    /** One template alone holds the links: to errors, or to what has moved. The link itself where it is one. */
    template: { name: string; words: string; to: 'errors' | 'redirects'; link: { url: string; anchor: string } | null };
    /** Single links of which a check finds something, all in one template. */
    'link-in': { check: keyof FindingParams; name: string; words: string };
    /** What lies outside the site, or is no page of it, and does not answer as it should. `status` 0 for no answer. */
    outside: { url: string; status: number };
    /** A rule of a robots.txt. `isWanted`: it closes what a sitemap lists. */
    rule: { file: string; line: number; rule: string; isWanted: boolean };
    /** A file, by what is found of it. */
    file: { file: string; check: keyof FileParams };
    /** Pages that say of themselves that another, or none, is to be indexed, and are listed or linked all the same. */
    stops: { gate: Gate; spread: Spread };
    /** Addresses that are one page written in several ways: how they differ, and what the meant ones have. */
    variants: { by: VariantKind; to: string };
    /** Orphans of a section. */
    'cut-off': { section: string };
    /** Pages that only each other link to; the page that most of them hang from. */
    island: { url: string };
    /** What is found of pages, and is mended at them. */
    pages: { check: keyof FindingParams; spread: Spread };
}
