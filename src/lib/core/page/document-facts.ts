/** The facts of a document beside its links: headings, social tags, structured data, dates, ids, what stands misplaced. */
import { headOf } from './cut-text.ts';
import { attributeOf, isElement, type LeanElement } from './lean-tree.ts';
import { noscriptLinks } from './noscript.ts';
import { textContent } from './text.ts';
import { foldSpace } from './white-space.ts';

export interface Heading {
    /** 1 to 6. */
    level: number;
    text: string;
}

export interface StructuredData {
    syntax: 'json-ld' | 'microdata' | 'rdfa';
    /** Types as written, in order, each once. */
    types: string[];
    /** Why it cannot be read, or that it says nothing of what it describes; empty when it is in order. */
    error: string;
    /** It can be read, and has no type. */
    isUntyped?: boolean;
    /** Line of the element, from 1. */
    line: number;
}

export interface PageDate {
    /** Where it stands. */
    from: 'time' | 'structured data' | 'meta' | 'header' | 'sitemap';
    /** What it says it is, for example `datePublished`; empty where it says nothing. */
    what: string;
    /** As written. */
    value: string;
}

export interface DocumentFacts {
    headings: Heading[];
    /** `og:`, `article:`, `twitter:` metas and their like: name and content. */
    social: { name: string; content: string }[];
    structured: StructuredData[];
    dates: PageDate[];
    /** What a fragment can point at: ids, and names of `a` elements, each once, in order. */
    ids: string[];
    /** Links inside `noscript`: not counted as links, said as a remark. */
    noscriptLinks: number;
    /** Robots metas outside the head, where they do not count. */
    robotsInBody: string[];
    /** Canonicals outside the head, where they do not count, as written. */
    canonicalsInBody: string[];
}

/** Bounds against hostile documents. */
const MOST = { headings: 2_000, social: 200, structured: 200, dates: 200, ids: 20_000, types: 100 } as const;
const LONGEST = 1_000;
const LONGEST_JSON = 2_000_000;

const SOCIAL = /^(?:og|article|book|profile|product|music|video|fb|twitter|al):/;
const DATE_METAS =
    /^(?:article:(?:published|modified|expiration)_time|og:updated_time|date|last-modified|dc(?:terms)?\.(?:date|created|modified|issued)|pubdate|revised)$/i;
const DATE_PROPERTIES = new Set([
    'datePublished',
    'dateModified',
    'dateCreated',
    'uploadDate',
    'startDate',
    'endDate',
    'validThrough',
]);

const cut = (text: string): string => headOf(text, LONGEST);

export class DocumentFactsFinder {
    readonly #facts: DocumentFacts = {
        headings: [],
        social: [],
        structured: [],
        dates: [],
        ids: [],
        noscriptLinks: 0,
        robotsInBody: [],
        canonicalsInBody: [],
    };
    readonly #ids = new Set<string>();
    readonly #lineOf: (offset: number) => number;
    readonly #isInHead: (element: LeanElement) => boolean;
    readonly #microdata = new Set<string>();
    #microdataLine = 0;
    readonly #rdfa = new Set<string>();
    #rdfaLine = 0;

    /**
     * @param lineOf line of an offset in the text
     * @param isInHead whether an element stands in the head; asked only where it matters, for it costs a walk
     */
    constructor(lineOf: (offset: number) => number, isInHead: (element: LeanElement) => boolean) {
        this.#lineOf = lineOf;
        this.#isInHead = isInHead;
    }

    /** Looks at one HTML element; call for each in document order. */
    visit(element: LeanElement): void {
        const facts = this.#facts;
        for (const { name, value } of element.attributes) {
            if (name === 'id') this.#addId(value);
            else if (name === 'itemtype') {
                this.#microdataLine ||= this.#lineAt(element);
                addTypes(this.#microdata, value);
            } else if (name === 'typeof') {
                this.#rdfaLine ||= this.#lineAt(element);
                addTypes(this.#rdfa, value);
            }
        }
        switch (element.tag) {
            case 'h1':
            case 'h2':
            case 'h3':
            case 'h4':
            case 'h5':
            case 'h6':
                if (facts.headings.length < MOST.headings) {
                    const level = Number(element.tag[1]);
                    facts.headings.push({ level, text: cut(foldSpace(textContent(element, true))) });
                }
                break;
            case 'a': {
                const name = attributeOf(element, 'name');
                if (name) this.#addId(name);
                break;
            }
            case 'time': {
                const written = attributeOf(element, 'datetime') ?? foldSpace(textContent(element));
                this.#addDate('time', attributeOf(element, 'itemprop') ?? '', written);
                break;
            }
            case 'meta':
                this.#visitMeta(element);
                break;
            case 'link': {
                const rels = (attributeOf(element, 'rel') ?? '').toLowerCase().split(/\s+/);
                const href = attributeOf(element, 'href');
                if (rels.includes('canonical') && href !== null && !this.#isInHead(element)) {
                    if (facts.canonicalsInBody.length < 20) facts.canonicalsInBody.push(cut(href));
                }
                break;
            }
            case 'script':
                if (/^application\/ld\+json\b/i.test((attributeOf(element, 'type') ?? '').trim()))
                    this.#readJson(element);
                break;
            case 'noscript':
                facts.noscriptLinks += noscriptLinks(element).length;
                break;
        }
    }

    done(): DocumentFacts {
        const facts = this.#facts;
        if (this.#microdata.size > 0) {
            facts.structured.push({
                syntax: 'microdata',
                types: [...this.#microdata],
                error: '',
                line: this.#microdataLine,
            });
        }
        if (this.#rdfa.size > 0) {
            facts.structured.push({ syntax: 'rdfa', types: [...this.#rdfa], error: '', line: this.#rdfaLine });
        }
        facts.ids = [...this.#ids];
        return facts;
    }

    #lineAt(element: LeanElement): number {
        return element.offset >= 0 ? this.#lineOf(element.offset) : 0;
    }

    #addId(id: string): void {
        if (id !== '' && this.#ids.size < MOST.ids) this.#ids.add(cut(id));
    }

    #addDate(from: PageDate['from'], what: string, value: string): void {
        if (value.trim() === '' || this.#facts.dates.length >= MOST.dates) return;
        this.#facts.dates.push({ from, what: what.slice(0, 100), value: value.trim().slice(0, 100) });
    }

    #visitMeta(element: LeanElement): void {
        const content = attributeOf(element, 'content');
        if (content === null) return;
        const name = (attributeOf(element, 'property') ?? attributeOf(element, 'name') ?? '').trim();
        const lower = name.toLowerCase();
        if (SOCIAL.test(lower) && this.#facts.social.length < MOST.social) {
            this.#facts.social.push({ name: cut(lower), content: cut(foldSpace(content)) });
        }
        if (DATE_METAS.test(lower)) this.#addDate('meta', lower, content);
        const itemprop = attributeOf(element, 'itemprop');
        if (itemprop !== null && DATE_PROPERTIES.has(itemprop)) this.#addDate('structured data', itemprop, content);
        if (lower === 'robots' && !this.#isInHead(element) && this.#facts.robotsInBody.length < 20) {
            this.#facts.robotsInBody.push(cut(foldSpace(content)));
        }
    }

    #readJson(element: LeanElement): void {
        if (this.#facts.structured.length >= MOST.structured) return;
        const text = element.children.map((child) => (isElement(child) ? '' : child.text)).join('');
        const found: StructuredData = { syntax: 'json-ld', types: [], error: '', line: this.#lineAt(element) };
        this.#facts.structured.push(found);
        if (text.length > LONGEST_JSON) {
            found.error = 'longer than 2 MB; not read';
            return;
        }
        let data: unknown;
        try {
            data = JSON.parse(text);
        } catch (error) {
            found.error = cut((error as Error).message);
            return;
        }
        const types = new Set<string>();
        // Without recursion: a hostile document can nest deeper than the stack.
        const open: unknown[] = [data];
        for (let steps = 0; open.length > 0 && steps < 100_000; steps++) {
            const item = open.pop();
            if (Array.isArray(item)) {
                for (let index = item.length - 1; index >= 0; index--) open.push(item[index]);
            } else if (typeof item === 'object' && item !== null) {
                for (const [key, value] of Object.entries(item).reverse()) {
                    if (key === '@type') {
                        for (const type of Array.isArray(value) ? value : [value]) {
                            if (typeof type === 'string' && types.size < MOST.types) types.add(cut(type));
                        }
                    } else if (DATE_PROPERTIES.has(key) && typeof value === 'string') {
                        this.#addDate('structured data', key, value);
                    } else if (typeof value === 'object') open.push(value);
                }
            }
        }
        found.types = [...types];
        if (found.types.length === 0) Object.assign(found, { error: 'no @type', isUntyped: true });
    }
}

function addTypes(into: Set<string>, written: string): void {
    for (const type of written.split(/\s+/)) if (type !== '' && into.size < MOST.types) into.add(cut(type));
}
