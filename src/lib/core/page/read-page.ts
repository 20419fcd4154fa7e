/**
 * One HTML document -> facts. Pure: text and response headers in, plain data out. The tree is walked once without
 * recursion; links are resolved at the end, because `base` counts wherever it stands.
 */
import { readAddress, type QueryEncoder } from '../address/address.ts';
import { ContainerFinder } from './blocks.ts';
import { headOf } from './cut-text.ts';
import {
    PRODUCT_TOKEN,
    readDirectives,
    readLinkHeader,
    readRefresh,
    type RobotsDirectives,
    type RobotsMeta,
} from './directives.ts';
import { attributeOf, parseLean, walkElements, type LeanElement } from './lean-tree.ts';
import { lineIndex } from './line-index.ts';
import { LINK_MARK, type FoundBlock, type FoundLink, type LinkKind } from './links.ts';
import { hidesItself, isBeside, linkMarks } from './link-marks.ts';
import { noscriptLinks } from './noscript.ts';
import { OUTSIDE, textPlaces } from './text-blocks.ts';
import { bodyPieces, textContent } from './text.ts';
import { foldSpace } from './white-space.ts';
import { countWords } from './word-breaks.ts';
import { DocumentFactsFinder, type DocumentFacts } from './document-facts.ts';
import { MarkupFinder } from './markup.ts';
import { pageDate } from './page-date.ts';
import type { Problem } from '../problems/problem.ts';
import { signatureOfWords, type Signature } from '../doubles/signature.ts';
import { sketchOfWords, type Sketch } from '../doubles/sketch.ts';
import { hashWords } from '../doubles/word-hashes.ts';

/** The response headers that say something about the page; several lines of one name stay apart. */
export interface PageHeaders {
    link: string[];
    refresh: string;
    xRobotsTag: string[];
    /** Product token the directives are read for. */
    token?: string;
}

export interface PageFacts {
    title: string;
    h1: string;
    description: string;
    /** `lang` of the html element as written. */
    language: string;
    /** Words of the body text by Unicode word boundaries, without script, style, template and noscript. */
    words: number;
    /** Robots metas of the head, named `robots` or our token. */
    metaRobots: RobotsMeta[];
    directives: RobotsDirectives;
    /** Canonical targets declared where they count (head, `Link` header), in order, without fragment. */
    canonicals: string[];
    /** A refresh without delay to another page: its target. */
    instantRefresh: string;
    blocks: FoundBlock[];
    /** User names or passwords stood in links; they were removed. */
    credentialsRemoved: number;
    /** When it was changed, by its own words: UTC, milliseconds since 1970; null where it does not say. */
    changedAt: number | null;
    document: DocumentFacts;
    /** What is wrong with its markup. */
    markup: Problem[];
    /** Text outside header, nav and footer, piece by piece, white space folded. */
    text: PageText[];
    /** Words of it. */
    textWords: number;
    /** Signature of that text, for telling near-doubles while reading; null without words. */
    signature: Signature | null;
    /** Of the same text. */
    sketch: Sketch;
}

/** A piece of text and the block it stands in. */
export interface PageText {
    /** Order of the block on the page; -1 for text in no block of links. */
    block: number;
    text: string;
}

/** Links found before their base is known. */
interface PendingLink {
    kind: LinkKind;
    href: string;
    element: LeanElement | null;
    anchor: string;
    name: string;
    rel: string;
    marks: number;
    /** Place in the source where that is not the element's. */
    offset?: number;
}

/** The most links kept of one page, the longest text of one part and of all anchors: bounds against hostile pages. */
const MAX_LINKS = 50_000;
const MAX_TEXT = 4_000;
const MAX_ANCHOR_TEXT = 4_000_000;
/** Text kept of one page: pieces, and characters of all together. */
const MAX_PIECES = 50_000;
const MAX_KEPT_TEXT = 2_000_000;

const LINK_RELS: readonly [string, LinkKind][] = [
    ['canonical', 'canonical'],
    ['prev', 'prev'],
    ['previous', 'prev'],
    ['next', 'next'],
    ['amphtml', 'amphtml'],
    ['sitemap', 'sitemap'],
    ['stylesheet', 'style'],
    ['icon', 'img'],
    ['apple-touch-icon', 'img'],
];

function kindOfRel(rels: string[], hreflang: string): LinkKind {
    if (rels.includes('stylesheet')) return 'style';
    if (rels.includes('alternate')) return hreflang === '' ? 'alternate' : 'hreflang';
    for (const [rel, kind] of LINK_RELS) if (rels.includes(rel)) return kind;
    return 'other';
}

/** The language a link names, as written; bounded. */
const languageOf = (hreflang: string | null): string => (hreflang ?? '').trim().slice(0, 100);

const relOf = (element: LeanElement): string => relTokens(attributeOf(element, 'rel') ?? '');

function relTokens(written: string): string {
    return written
        .toLowerCase()
        .trim()
        .split(/[\t\n\f\r ]+/)
        .join(' ');
}

const cut = (text: string): string => headOf(text, MAX_TEXT);

/**
 * @param text the document, decoded
 * @param url its URL, in our spelling
 * @param encodeQuery the charset for queries, where the document is not in UTF-8
 */
export function readPage(text: string, url: string, headers: PageHeaders, encodeQuery?: QueryEncoder): PageFacts {
    return readDocument(parseLean(text), text, url, headers, encodeQuery);
}

/** The same from a tree that is there already; its offsets point into `text`. */
export function readDocument(
    document: LeanElement,
    text: string,
    url: string,
    headers: PageHeaders,
    encodeQuery?: QueryEncoder,
): PageFacts {
    const token = headers.token ?? PRODUCT_TOKEN;
    const finder = new ContainerFinder();
    const pending: PendingLink[] = [];
    const byId = new Map<string, LeanElement>();
    const named: { link: PendingLink; element: LeanElement }[] = [];
    const metas: RobotsMeta[] = [];
    const hiding = new Set<LeanElement>();
    let title: LeanElement | null = null;
    let h1: LeanElement | null = null;
    let body: LeanElement | null = null;
    let head: LeanElement | null = null;
    let baseHref: string | null = null;
    let description: string | null = null;
    let language = '';
    let anchorText = 0;
    let refresh: { content: string; element: LeanElement | null } | null = null;

    const add = (kind: LinkKind, href: string, element: LeanElement, anchor = '', rel = ''): PendingLink => {
        const link: PendingLink = { kind, href, element, anchor, name: '', rel, marks: 0 };
        if (pending.length < MAX_LINKS) pending.push(link);
        return link;
    };

    const visit = (element: LeanElement): void => {
        const id = attributeOf(element, 'id');
        if (id && !byId.has(id)) byId.set(id, element);
        if (hidesItself(element)) hiding.add(element);
        if (element.isSvg) {
            if (element.tag === 'a') {
                const href =
                    attributeOf(element, 'href') ??
                    element.attributes.find((item) => item.prefix === 'xlink' && item.name === 'href')?.value;
                if (href !== undefined) anchorLink(element, href);
            }
            return;
        }
        if (!element.isHtml) return;
        switch (element.tag) {
            case 'html':
                language = (attributeOf(element, 'lang') ?? '').trim();
                break;
            case 'head':
                head ??= element;
                break;
            case 'body':
                body ??= element;
                break;
            case 'title':
                title ??= element;
                break;
            case 'h1':
                h1 ??= element;
                break;
            case 'base':
                baseHref ??= attributeOf(element, 'href');
                break;
            case 'a':
            case 'area': {
                const href = attributeOf(element, 'href');
                if (href !== null) anchorLink(element, href);
                break;
            }
            case 'link': {
                const href = attributeOf(element, 'href');
                const rel = relOf(element);
                if (href !== null && rel !== '') {
                    const language = languageOf(attributeOf(element, 'hreflang'));
                    const link = add(kindOfRel(rel.split(' '), language), href, element, '', rel);
                    if (link.kind === 'hreflang') link.name = language;
                }
                break;
            }
            case 'meta':
                visitMeta(element);
                break;
            case 'img': {
                const src = attributeOf(element, 'src');
                if (src) add('img', src, element);
                break;
            }
            case 'script': {
                const src = attributeOf(element, 'src');
                if (src) add('script', src, element);
                break;
            }
            case 'noscript': {
                const from = text.indexOf('>', element.offset) + 1;
                for (const { href, rel, offset } of noscriptLinks(element)) {
                    add('noscript', href, element, '', relTokens(rel)).offset = from + offset;
                }
                break;
            }
            case 'iframe':
            case 'frame': {
                const src = attributeOf(element, 'src');
                if (src) add('iframe', src, element);
                break;
            }
        }
    };

    const anchorLink = (element: LeanElement, href: string): void => {
        const alt = element.tag === 'area' ? attributeOf(element, 'alt') : null;
        const anchor = anchorText < MAX_ANCHOR_TEXT ? (alt ?? textContent(element, true)) : '';
        const folded = anchorText < MAX_ANCHOR_TEXT ? cut(foldSpace(anchor)) : '';
        anchorText += folded.length;
        const link = add('a', href, element, folded, relOf(element));
        link.marks = linkMarks(element, hiding);
        finder.mark(element);
        if (
            attributeOf(element, 'aria-labelledby') !== null ||
            attributeOf(element, 'aria-label') !== null ||
            attributeOf(element, 'title') !== null
        ) {
            named.push({ link, element });
        }
    };

    const visitMeta = (element: LeanElement): void => {
        const content = attributeOf(element, 'content');
        if (content === null) return;
        const name = (attributeOf(element, 'name') ?? '').trim().toLowerCase();
        if ((name === 'robots' || name === token) && isInHead(element)) {
            metas.push({ name, content: foldSpace(content), line: places(element.offset).line });
        } else if (name === 'description') description ??= foldSpace(content);
        if ((attributeOf(element, 'http-equiv') ?? '').trim().toLowerCase() === 'refresh') {
            refresh ??= { content, element };
        }
    };

    const places = lineIndex(text);
    const lineOf = (offset: number): number => places(offset).line;
    const facts = new DocumentFactsFinder(lineOf, isInHead);
    const markup = new MarkupFinder(text, lineOf, isInHead);
    walkElements(document, (element) => {
        visit(element);
        markup.visit(element);
        if (element.isHtml) facts.visit(element);
    });

    if (headers.refresh !== '') refresh = { content: headers.refresh, element: null };
    const documentUrl = url;
    const base = baseHref === null ? documentUrl : resolveBase(baseHref, documentUrl);

    for (const { link, element } of named) {
        const name = cut(accessibleName(element, link.anchor, byId));
        if (name !== link.anchor) link.name = name;
    }

    const blocks = new Map<unknown, FoundBlock>();
    const resourceBlocks = new Map<unknown, FoundBlock>();
    let credentialsRemoved = 0;
    /** Links that name a canonical where it counts. */
    const declared: FoundLink[] = [];

    const resolve = (link: PendingLink, against: string): FoundLink => {
        const found = readAddress(link.href, against, encodeQuery);
        if (found.ok && found.address.hadCredentials) credentialsRemoved++;
        const offset = link.offset ?? link.element?.offset ?? -1;
        const at = offset >= 0 ? places(offset) : { line: 0, column: 0 };
        return {
            kind: found.ok ? link.kind : 'other',
            target: found.ok ? found.address.url : cut(link.href.trim()),
            isAddress: found.ok,
            fragment: found.ok ? cut(found.address.fragment) : '',
            anchor: link.anchor,
            name: link.name,
            rel: link.rel,
            marks: link.marks,
            href: found.ok && found.address.hadCredentials ? found.address.url : cut(link.href),
            line: at.line,
            column: at.column,
        };
    };
    const put = (link: PendingLink, against: string): FoundLink => {
        const found = resolve(link, against);
        const container = link.element
            ? finder.find(link.element, link.kind === 'a')
            : { region: 'other' as const, place: 'http', key: headers };
        if (container.region === 'nav') found.marks &= ~LINK_MARK.hidden;
        const groups = link.kind === 'a' ? blocks : resourceBlocks;
        let block = groups.get(container.key);
        if (!block) {
            block = { region: container.region, place: container.place, links: [] };
            groups.set(container.key, block);
        }
        block.links.push(found);
        if (link.kind === 'canonical' && (link.element === null || isInHead(link.element))) declared.push(found);
        return found;
    };

    /** The last `a` link, with its element. */
    let before: { found: FoundLink; element: LeanElement } | null = null;
    for (const link of pending) {
        const found = put(link, base);
        if (link.kind !== 'a' || link.element === null) continue;
        const isSame =
            before !== null &&
            found.isAddress &&
            before.found.target === found.target &&
            before.found.fragment === found.fragment;
        if (isSame && isBeside(link.element, before!.element)) found.marks |= LINK_MARK.twin;
        before = { found, element: link.element };
    }

    for (const value of headers.link) {
        for (const item of readLinkHeader(value)) {
            if (item.rels.length === 0) continue;
            const language = languageOf(item.hreflang);
            const kind = kindOfRel(item.rels, language);
            const name = kind === 'hreflang' ? language : '';
            put(
                { kind, href: item.href, element: null, anchor: '', name, rel: item.rels.join(' '), marks: 0 },
                documentUrl,
            );
        }
    }

    let instantRefresh = '';
    // The header and the meta are told apart by their element; a browser obeys the first it meets, the header.
    const asked = refresh as { content: string; element: LeanElement | null } | null;
    const parsed = asked && readRefresh(asked.content);
    if (asked && parsed && parsed.href !== '') {
        const link = put(
            {
                kind: 'meta-refresh',
                href: parsed.href,
                element: asked.element,
                anchor: '',
                name: '',
                rel: '',
                marks: 0,
            },
            asked.element ? base : documentUrl,
        );
        if (link.isAddress && parsed.delay === 0 && link.target !== url) instantRefresh = link.target;
    }

    const pieces = body ? bodyPieces(body, textPlaces(finder, blocks.keys())) : [];
    const kept: PageText[] = [];
    let keptText = 0;
    let words = 0;
    let keptWords = 0;
    for (const { place, text: found } of pieces) {
        const own = countWords(found);
        words += own;
        if (place === OUTSIDE || kept.length >= MAX_PIECES || keptText >= MAX_KEPT_TEXT) continue;
        const folded = foldSpace(found);
        keptText += folded.length;
        keptWords += own;
        kept.push({ block: place ?? -1, text: folded });
    }

    const canonicals = new Set(declared.filter(({ isAddress }) => isAddress).map(({ target }) => target));
    const documentFacts = facts.done();
    const hashed = hashWords(kept.map((piece) => piece.text).join('\n'));
    return {
        title: title ? cut(foldSpace(textContent(title))) : '',
        h1: h1 ? cut(foldSpace(textContent(h1))) : '',
        description: cut(description ?? ''),
        language: language.slice(0, 100),
        words,
        metaRobots: metas,
        directives: readDirectives(metas, headers.xRobotsTag, token),
        canonicals: [...canonicals],
        instantRefresh,
        blocks: [...blocks.values(), ...resourceBlocks.values()],
        credentialsRemoved,
        changedAt: pageDate(documentFacts.dates),
        document: documentFacts,
        markup: markup.done({
            ...documentFacts,
            metas,
            xRobotsTag: headers.xRobotsTag,
            token,
            canonicals: declared,
        }),
        text: kept,
        textWords: keptWords,
        signature: signatureOfWords(hashed),
        sketch: sketchOfWords(hashed, url),
    };
}

function isInHead(element: LeanElement): boolean {
    for (let up = element.parent; up; up = up.parent) if (up.isHtml && up.tag === 'head') return true;
    return false;
}

/** The document base URL (HTML 2.4.3): the first `base` with an href, unless that is no usable URL. */
export function resolveBase(href: string, documentUrl: string): string {
    const found = readAddress(href, documentUrl);
    return found.ok ? found.address.url : documentUrl;
}

/** Accessible name in the order aria-labelledby, aria-label, anchor, title; empty answers fall through. */
function accessibleName(element: LeanElement, anchor: string, byId: Map<string, LeanElement>): string {
    const ids = (attributeOf(element, 'aria-labelledby') ?? '').split(/[\t\n\f\r ]+/).filter((id) => id !== '');
    const labelled = foldSpace(
        ids
            .map((id) => byId.get(id))
            .filter((target) => target !== undefined)
            .map((target) => foldSpace(textContent(target, true)))
            .join(' '),
    );
    if (labelled !== '') return labelled;
    const label = foldSpace(attributeOf(element, 'aria-label') ?? '');
    if (label !== '') return label;
    if (anchor !== '') return anchor;
    return foldSpace(attributeOf(element, 'title') ?? '');
}
