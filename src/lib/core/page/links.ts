/** The forms of a link, shared by reading, storing and measuring. */

/** Every kind of link, in the order of their stored numbers: only ever added at the end. */
export const LINK_KINDS = [
    'a',
    'redirect',
    'meta-refresh',
    'canonical',
    'hreflang',
    'alternate',
    'prev',
    'next',
    'iframe',
    'amphtml',
    'sitemap',
    'img',
    'script',
    'style',
    'other',
    'noscript',
] as const;
export type LinkKind = (typeof LINK_KINDS)[number];

/** Where on the page a link stands, in the order of their stored numbers. */
export const REGIONS = ['other', 'header', 'nav', 'main', 'aside', 'footer'] as const;
export type Region = (typeof REGIONS)[number];

/** What is so of the markup of an `a` link, as bits; of other links, and of those that earlier versions read, none is known. */
export const LINK_MARK = {
    /** Its markup was looked at. */
    looked: 1,
    /** It holds a picture: `img`, `svg`, `picture`, `object`, `canvas`, an `input` of type image, the role `img`. */
    picture: 2,
    /** It holds a heading: a whole card is the link. */
    heading: 4,
    /** It stands in markup that `hidden` or an inline style hides from everybody, in no menu. */
    hidden: 8,
    /** Only white space parts it from the `a` link before it, and both lead to the same place. */
    twin: 16,
} as const;

/** One link as it was found, before its target has a number. */
export interface FoundLink {
    kind: LinkKind;
    /** http(s) URL without fragment in our spelling; for kind `other` the text as written, trimmed. */
    target: string;
    /** The target is an http(s) address. */
    isAddress: boolean;
    fragment: string;
    /** Text content with image alts in place, white space folded. */
    anchor: string;
    /** Accessible name where it differs from the anchor, else empty; of kind `hreflang` the language as written. */
    name: string;
    /** `rel` tokens, lower case, space separated, in the order written. */
    rel: string;
    /** What is so of its markup: `LINK_MARK` bits. */
    marks: number;
    /** As written in the source, entities decoded. */
    href: string;
    /** From 1; 0 for links that stand in no markup (HTTP headers). */
    line: number;
    column: number;
}

/** The piece of markup a group of links stands in, on one page. */
export interface FoundBlock {
    region: Region;
    /** Tag names from the body down, ids without digits, roles; no indexes, no classes. */
    place: string;
    links: FoundLink[];
}

const NOT_FOLLOWED = /(?:^| )(?:nofollow|ugc|sponsored)(?: |$)/;

/** A link is followed unless its own `rel` or its page says not to. */
export function isFollowed(rel: string, pageNofollow: boolean): boolean {
    return !pageNofollow && !NOT_FOLLOWED.test(rel);
}
