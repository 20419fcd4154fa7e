/**
 * What is wrong with the markup of a document: what stands more than once, what stands where it does not count, and what
 * cannot be read. Kept with the page as problems, of which the register of checks tells (`core/checks/markup.ts`).
 */
import { problem, type Problem } from '../problems/problem.ts';
import { agentDirectives, isAgentMeta } from './agent-directives.ts';
import { tokensForAgent, tokensOf, type RobotsMeta } from './directives.ts';
import type { Heading, StructuredData } from './document-facts.ts';
import { attributeOf, type LeanElement } from './lean-tree.ts';
import type { FoundLink } from './links.ts';
import { foldSpace } from './white-space.ts';

/** Problems of one kind that are kept of a page: bounds against hostile documents. */
const MOST_OF_A_KIND = 3;
const MOST_MISPLACED = 100;

/**
 * What robots may be told of a page. Beside `index`, `follow` and what denies them (HTML 4.01, appendix B.4.1) those that
 * those who keep indexes take in common; each takes more of its own, which is why an unknown one is a remark only.
 */
const KNOWN_DIRECTIVES = new Set([
    'all',
    'none',
    'index',
    'noindex',
    'follow',
    'nofollow',
    'archive',
    'noarchive',
    'nocache',
    'snippet',
    'nosnippet',
    'noimageindex',
    'notranslate',
    'indexifembedded',
    'noodp',
    'noydir',
]);
/** A word of letters and strokes; what has a colon takes a value, and pieces of dates are no words. */
const DIRECTIVE = /^[a-z][a-z_-]*$/;

/** Elements that belong into the head and say something of the page. */
function isOfHead(element: LeanElement): boolean {
    if (element.tag === 'title') return true;
    if (element.tag === 'link') return relsOf(element).includes('canonical');
    if (element.tag !== 'meta') return false;
    const name = nameOf(element);
    return name === 'robots' || name === 'description';
}

const nameOf = (element: LeanElement): string => (attributeOf(element, 'name') ?? '').trim().toLowerCase();
const relsOf = (element: LeanElement): string[] => (attributeOf(element, 'rel') ?? '').toLowerCase().split(/\s+/);

/** What is known of a document beside its elements once it has been read. */
export interface MarkupSeen {
    headings: readonly Pick<Heading, 'level'>[];
    structured: readonly StructuredData[];
    /** Robots metas of the head for our agent. */
    metas: readonly RobotsMeta[];
    xRobotsTag: readonly string[];
    token: string;
    /** Links that name a canonical where it counts, whether they can be read or not. */
    canonicals: readonly FoundLink[];
}

export class MarkupFinder {
    readonly #text: string;
    readonly #lineOf: (offset: number) => number;
    readonly #isInHead: (element: LeanElement) => boolean;
    #titles = 0;
    #firstInBody: LeanElement | null = null;
    /** What belongs into the head, and stands in the body. */
    readonly #misplaced: LeanElement[] = [];
    /** Metas of the head that speak to robots, whatever their name. */
    readonly #toAgents: RobotsMeta[] = [];

    /**
     * @param text the document as it was parsed
     * @param lineOf line of an offset in it
     * @param isInHead whether an element stands in the head; asked only where it matters, for it costs a walk
     */
    constructor(text: string, lineOf: (offset: number) => number, isInHead: (element: LeanElement) => boolean) {
        this.#text = text;
        this.#lineOf = lineOf;
        this.#isInHead = isInHead;
    }

    /** Looks at one element; call for each in document order. */
    visit(element: LeanElement): void {
        if (this.#firstInBody === null && element.parent?.tag === 'body' && element.parent.isHtml) {
            this.#firstInBody = element;
        }
        if (element.isHtml && element.tag === 'meta') this.#agentMeta(element);
        if (!element.isHtml || !isOfHead(element)) return;
        if (!this.#isInHead(element)) {
            if (this.#misplaced.length < MOST_MISPLACED) this.#misplaced.push(element);
        } else if (element.tag === 'title') this.#titles++;
    }

    #agentMeta(element: LeanElement): void {
        const [name, content] = [nameOf(element), foldSpace(attributeOf(element, 'content') ?? '')];
        if (name !== 'robots' && !isAgentMeta(name, content)) return;
        if (this.#toAgents.length < MOST_MISPLACED && this.#isInHead(element)) this.#toAgents.push({ name, content });
    }

    /** In a fixed order of kinds, each kind in the order of the document. */
    done({ headings, structured, metas, xRobotsTag, token, canonicals }: MarkupSeen): Problem[] {
        const h1s = headings.filter(({ level }) => level === 1).length;
        const metaTokens = metas.flatMap(({ content, line }) =>
            unknownTokens(tokensOf(content)).map((found) => problem('directive-unknown', { token: found }, line)),
        );
        const headerTokens = xRobotsTag.flatMap((line) =>
            unknownTokens(tokensForAgent(line, token)).map((found) => problem('directive-unknown', { token: found })),
        );
        return [
            ...(this.#titles > 1 ? [problem('titles', { titles: this.#titles })] : []),
            ...(h1s > 1 ? [problem('h1s', { h1s })] : []),
            ...this.#headClosed(),
            ...this.#inBody(),
            ...canonicals
                .filter(({ isAddress }) => !isAddress)
                .map(unreadable)
                .slice(0, MOST_OF_A_KIND),
            ...canonicals
                .filter(({ isAddress, fragment }) => isAddress && fragment !== '')
                .map(({ href, line }) => problem('canonical-fragment', { written: href }, line))
                .slice(0, MOST_OF_A_KIND),
            ...[...metaTokens, ...headerTokens].slice(0, MOST_OF_A_KIND),
            ...agentDirectives(this.#toAgents, xRobotsTag),
            ...structured
                .filter(({ error }) => error !== '')
                .map(({ isUntyped, error, line }) =>
                    isUntyped ? problem('data-untyped', {}, line) : problem('data-broken', { cause: error }, line),
                )
                .slice(0, MOST_OF_A_KIND),
        ];
    }

    /**
     * Something that belongs into the body closes the head (HTML 13.2.6.4.4), and what the author put into the head
     * behind it has landed in the body: so where the end tag of the head comes later.
     */
    #headClosed(): Problem[] {
        const first = this.#firstInBody;
        if (first === null || first.offset < 0 || this.#misplaced.length === 0) return [];
        const end = /<\/head[\s>]/gi;
        end.lastIndex = first.offset;
        const found = end.exec(this.#text);
        if (!found) return [];
        const behind = this.#misplaced.filter(({ offset }) => offset > first.offset && offset < found.index);
        if (behind.length === 0) return [];
        return [problem('head-closed', { tag: first.tag, lost: behind[0]!.tag }, this.#lineOf(first.offset))];
    }

    #inBody(): Problem[] {
        const told = (
            isSo: (element: LeanElement) => boolean,
            one: (element: LeanElement, line: number) => Problem,
        ): Problem[] =>
            this.#misplaced
                .filter(isSo)
                .slice(0, MOST_OF_A_KIND)
                .map((element) => one(element, element.offset < 0 ? 0 : this.#lineOf(element.offset)));
        const says = (element: LeanElement, attribute: string): string =>
            foldSpace(attributeOf(element, attribute) ?? '');
        return [
            ...told(
                (element) => nameOf(element) === 'robots',
                (element, line) => problem('robots-in-body', { says: says(element, 'content') }, line),
            ),
            ...told(
                ({ tag }) => tag === 'link',
                (element, line) => problem('canonical-in-body', { written: says(element, 'href') }, line),
            ),
        ];
    }
}

const unreadable = ({ href, line }: FoundLink): Problem => problem('canonical-unreadable', { written: href }, line);

function unknownTokens(tokens: readonly string[]): string[] {
    return tokens.filter((token) => DIRECTIVE.test(token) && !KNOWN_DIRECTIVES.has(token));
}
