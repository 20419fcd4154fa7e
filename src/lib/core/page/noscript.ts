/** Links in `noscript`: with scripting on, which is how a document is read, its content is text and no markup. */
import { attributeOf, isElement, parseLean, type LeanElement } from './lean-tree.ts';

/** Characters of one `noscript` that are read: a bound against hostile pages. */
const MOST_CHARACTERS = 100_000;

export interface NoscriptLink {
    href: string;
    rel: string;
    /** Place of the link behind the start of the content of the `noscript`. */
    offset: number;
}

/** `a` links in the content of a `noscript`. O(characters). */
export function noscriptLinks(noscript: LeanElement): NoscriptLink[] {
    const content = noscript.children.map((child) => (isElement(child) ? '' : child.text)).join('');
    if (!/<a[\s/]/i.test(content)) return [];
    const links: NoscriptLink[] = [];
    const open: LeanElement[] = [parseLean(content.slice(0, MOST_CHARACTERS))];
    for (let element = open.pop(); element; element = open.pop()) {
        const href = element.isHtml && element.tag === 'a' ? attributeOf(element, 'href') : null;
        if (href !== null) links.push({ href, rel: attributeOf(element, 'rel') ?? '', offset: element.offset });
        for (let index = element.children.length - 1; index >= 0; index--) {
            const child = element.children[index]!;
            if (isElement(child)) open.push(child);
        }
    }
    return links;
}
