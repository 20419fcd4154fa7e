/** What is so of the markup in and around an `a` link that its words do not tell (`LINK_MARK`). */
import { attributeOf, isElement, type LeanElement, type LeanNode } from './lean-tree.ts';
import { LINK_MARK } from './links.ts';
import { NO_TEXT } from './text.ts';

/** Elements looked at in one link, and nodes between two: bounds against hostile pages. */
const MOST_WITHIN = 2_000;
const MOST_BETWEEN = 200;

const PICTURES: ReadonlySet<string> = new Set(['img', 'picture', 'object', 'canvas', 'video']);
const HEADING = /^h[1-6]$/;
const HIDES = /(?:^|;)\s*(?:display\s*:\s*none|visibility\s*:\s*(?:hidden|collapse))\s*(?:!\s*important\s*)?(?:;|$)/i;
const NOT_WHITE = /\P{White_Space}/u;

function isPicture(element: LeanElement): boolean {
    if ((attributeOf(element, 'role') ?? '').trim().toLowerCase() === 'img') return true;
    if (element.isSvg) return element.tag === 'svg';
    if (!element.isHtml) return false;
    return (
        PICTURES.has(element.tag) ||
        (element.tag === 'input' && (attributeOf(element, 'type') ?? '').trim().toLowerCase() === 'image')
    );
}

/** Whether an element is hidden by itself. `hidden="until-found"` is shown to whoever looks for it. */
export function hidesItself(element: LeanElement): boolean {
    const hidden = attributeOf(element, 'hidden');
    if (hidden !== null && hidden.trim().toLowerCase() !== 'until-found') return true;
    const style = attributeOf(element, 'style');
    return style !== null && HIDES.test(style);
}

/**
 * Marks of one link by what it holds and what holds it; whether it is a twin depends on its neighbour (`isBeside`).
 * @param hiding the elements met so far that hide what is in them
 */
export function linkMarks(link: LeanElement, hiding: ReadonlySet<LeanElement>): number {
    let marks: number = LINK_MARK.looked;
    // The one shape of an `area` is a picture.
    if (isPicture(link) || link.tag === 'area') marks |= LINK_MARK.picture;
    const open: LeanElement[] = [link];
    let seen = 0;
    for (let element = open.pop(); element && seen < MOST_WITHIN; element = open.pop()) {
        for (const child of element.children) {
            if (!isElement(child)) continue;
            seen++;
            if (isPicture(child)) marks |= LINK_MARK.picture;
            else if (child.isHtml && HEADING.test(child.tag)) marks |= LINK_MARK.heading;
            open.push(child);
        }
    }
    for (let up: LeanElement | null = hiding.size === 0 ? null : link; up; up = up.parent) {
        if (!hiding.has(up)) continue;
        marks |= LINK_MARK.hidden;
        break;
    }
    return marks;
}

/** Entries of lists and tables: what stands in two of them is two things, however near. */
const ENTRIES: ReadonlySet<string> = new Set(['li', 'dt', 'dd', 'td', 'th', 'tr', 'option']);

/** True where nothing but white space and tags stands between a link and the `a` before it, in one entry of a list or table. */
export function isBeside(link: LeanElement, before: LeanElement): boolean {
    let at: LeanNode = link;
    for (let steps = 0; steps < MOST_BETWEEN; steps++) {
        const parent: LeanElement | null = at.parent;
        if (parent === null) return false;
        const siblings: readonly LeanNode[] = parent.children;
        let previous: LeanNode | undefined = siblings[siblings.indexOf(at) - 1];
        if (previous === undefined) {
            if (ENTRIES.has(parent.tag)) return false;
            at = parent;
            continue;
        }
        // The last thing in what stands before; a link ends the way.
        while (previous !== before && isElement(previous) && !NO_TEXT.has(previous.tag)) {
            if (ENTRIES.has(previous.tag)) return false;
            const last: LeanNode | undefined = previous.children.at(-1);
            if (last === undefined) break;
            previous = last;
        }
        if (previous === before) return true;
        if (isElement(previous) ? isPicture(previous) : NOT_WHITE.test(previous.text)) return false;
        at = previous;
    }
    return false;
}
