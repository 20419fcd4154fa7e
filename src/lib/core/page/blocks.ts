/**
 * Regions and blocks: where on the page a link stands, and which piece of markup it shares with others.
 *
 * Container of a link: within its nearest landmark, the outermost list (`ul`, `ol`, `dl`, `table`) or run of
 * same-tag, same-class siblings of which two or more hold links; else the landmark, else the body.
 */
import { attributeOf, isElement, type LeanElement } from './lean-tree.ts';
import type { Region } from './links.ts';

const LANDMARK_ROLES = new Map<string, Region>([
    ['navigation', 'nav'],
    ['main', 'main'],
    ['complementary', 'aside'],
    ['banner', 'header'],
    ['contentinfo', 'footer'],
]);
const LANDMARK_TAGS = new Map<string, Region>([
    ['nav', 'nav'],
    ['main', 'main'],
    ['aside', 'aside'],
]);
/** A header or footer inside one of these belongs to a part of the page, not to the page (HTML-AAM). */
const PART_TAGS = new Set(['article', 'aside', 'main', 'nav', 'section']);
const PART_ROLES = new Set(['article', 'complementary', 'main', 'navigation', 'region']);
/** A bound, not a rule of the definition: tags and ids can be as long as a page likes. */
const MAX_PLACE = 500;
const LIST_TAGS = new Set(['ul', 'ol', 'dl', 'table']);

function roleOf(element: LeanElement): string {
    return (attributeOf(element, 'role') ?? '').trim().toLowerCase().split(/\s+/, 1)[0] ?? '';
}

function isInsidePart(element: LeanElement): boolean {
    for (let up = element.parent; up; up = up.parent) {
        if ((up.isHtml && PART_TAGS.has(up.tag)) || PART_ROLES.has(roleOf(up))) return true;
    }
    return false;
}

/** The region an element opens by itself, or null when it is no landmark. */
export function landmarkOf(element: LeanElement): Region | null {
    const byRole = LANDMARK_ROLES.get(roleOf(element));
    if (byRole) return byRole;
    if (!element.isHtml) return null;
    const byTag = LANDMARK_TAGS.get(element.tag);
    if (byTag) return byTag;
    if ((element.tag === 'header' || element.tag === 'footer') && !isInsidePart(element)) return element.tag;
    return null;
}

/** The container of a link: an element, or a run of the children of one. */
export interface Container {
    region: Region;
    place: string;
    /** Equal for links of one container on this page, different otherwise. */
    key: LeanElement | object;
    /** It is a list or a run, not a landmark or the body. */
    isGroup: boolean;
}

interface Run {
    tag: string;
}

/** Finds the containers of one document; create one per page, after marking every element that holds a link. */
export class ContainerFinder {
    readonly #holdsLink = new Set<LeanElement>();
    readonly #runs = new Map<LeanElement, Map<LeanElement, Run>>();
    readonly #landmarks = new Map<LeanElement, Region | null>();
    /** Containers of what is in an element, of links and of resources. */
    readonly #ofLinks = new Map<LeanElement, Container>();
    readonly #ofResources = new Map<LeanElement, Container>();
    /** Containers by their keys. */
    readonly #containers = new Map<object, Container>();

    /** Marks an `a` link and all that is around it. */
    mark(link: LeanElement): void {
        for (let up: LeanElement | null = link; up && !this.#holdsLink.has(up); up = up.parent) {
            this.#holdsLink.add(up);
        }
    }

    /**
     * Links of one list share their container, and all that is above it is gone through once for them all. Without
     * recursion: a hostile page can nest deeper than the stack.
     * @param grouped false for resources, which belong to their landmark and never to a list
     */
    find(link: LeanElement, grouped: boolean): Container {
        const known = grouped ? this.#ofLinks : this.#ofResources;
        /** What is not known yet, from the link up. */
        const path: LeanElement[] = [];
        let found: Container | null = null;
        for (let up: LeanElement | null = link; up && found === null; up = up.parent) {
            // A link opens no region for itself, though it may for what is in it: then it is met here from below.
            const isAround = up !== link;
            found = (isAround && known.get(up)) || null;
            if (found !== null) break;
            const region = isAround ? this.#landmark(up) : null;
            if (region !== null || isTop(up)) found = this.#container(up, region ?? 'other', up, null, false);
            else path.push(up);
        }
        // Above all of it is nothing: the link stands by itself.
        found ??= this.#container(link, 'other', link, null, false);
        for (let at = path.length - 1; at >= 0; at--) {
            const one = path[at]!;
            if (grouped && !found.isGroup) found = this.#group(one, found);
            if (one !== link) known.set(one, found);
        }
        return found;
    }

    /** The group an element opens in a container that is none yet: the outermost list or run counts. */
    #group(element: LeanElement, within: Container): Container {
        const among = element.parent ? this.#runOf(element, element.parent) : null;
        if (among) return this.#container(among, within.region, element.parent!, among, true);
        const isList = element.isHtml && LIST_TAGS.has(element.tag);
        return isList ? this.#container(element, within.region, element, null, true) : within;
    }

    #container(key: object, region: Region, at: LeanElement, run: Run | null, isGroup: boolean): Container {
        let known = this.#containers.get(key);
        if (!known) {
            const place = run ? `${placeOf(at)}>${run.tag}+`.replace(/^>/, '') : placeOf(at);
            known = { region, place: place === '' ? 'body' : place.slice(0, MAX_PLACE), key, isGroup };
            this.#containers.set(key, known);
        }
        return known;
    }

    /**
     * The keys under which the links in an element may have been grouped, were it their container: the run it is a
     * member of, itself as a list or landmark. `find` gave the same keys.
     */
    keysAt(element: LeanElement): object[] {
        const keys: object[] = [];
        const run = element.parent ? this.#runs.get(element.parent)?.get(element) : undefined;
        if (run) keys.push(run);
        if ((element.isHtml && LIST_TAGS.has(element.tag)) || this.regionAt(element) !== null) keys.push(element);
        return keys;
    }

    /** The region an element opens, or null. */
    regionAt(element: LeanElement): Region | null {
        return this.#landmark(element);
    }

    #landmark(element: LeanElement): Region | null {
        let known = this.#landmarks.get(element);
        if (known === undefined) this.#landmarks.set(element, (known = landmarkOf(element)));
        return known;
    }

    /** The run of siblings a child stands in, or null when it stands in none. */
    #runOf(child: LeanElement, parent: LeanElement): Run | null {
        let runs = this.#runs.get(parent);
        if (!runs) this.#runs.set(parent, (runs = this.#runsOf(parent)));
        return runs.get(child) ?? null;
    }

    #runsOf(parent: LeanElement): Map<LeanElement, Run> {
        const runs = new Map<LeanElement, Run>();
        // A run has two children that hold links: most elements have not.
        if (!this.#mayHoldRun(parent)) return runs;
        let members: LeanElement[] = [];
        let like: LeanElement | null = null;
        let holding = 0;
        const close = (): void => {
            if (holding < 2) return;
            const run: Run = { tag: members[0]!.tag };
            for (const member of members) runs.set(member, run);
        };
        for (const sibling of parent.children) {
            if (!isElement(sibling)) continue;
            if (like === null || !isAlike(sibling, like)) {
                close();
                members = [];
                holding = 0;
                like = sibling;
            }
            members.push(sibling);
            if (this.#holdsLink.has(sibling)) holding++;
        }
        close();
        return runs;
    }

    #mayHoldRun({ children }: LeanElement): boolean {
        let holding = 0;
        for (const child of children) {
            if (isElement(child) && this.#holdsLink.has(child) && ++holding === 2) return true;
        }
        return false;
    }
}

/** Of the same tag and the same classes, in the same order. */
function isAlike(a: LeanElement, b: LeanElement): boolean {
    if (a.tag !== b.tag) return false;
    const [classes, others] = [attributeOf(a, 'class') ?? '', attributeOf(b, 'class') ?? ''];
    return classes === others || folded(classes) === folded(others);
}

const folded = (classes: string): string => classes.trim().split(/\s+/).join(' ');

/** Where the way up ends. */
const isTop = ({ tag }: LeanElement): boolean => tag === 'body' || tag === 'head' || tag === '#document';

/** Tag names from below the body down to the element, with ids (digits removed) and roles. */
function placeOf(element: LeanElement): string {
    const steps: string[] = [];
    for (let up: LeanElement | null = element; up && up.tag !== 'body' && up.tag !== '#document'; up = up.parent) {
        if (up.tag === 'html') continue;
        const id = (attributeOf(up, 'id') ?? '').replace(/[\d\s]+/g, '');
        const role = roleOf(up);
        steps.push(up.tag + (id === '' ? '' : `#${id}`) + (role === '' ? '' : `[${role}]`));
    }
    return steps.reverse().join('>').slice(0, MAX_PLACE);
}
