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
}

interface Run {
    tag: string;
}

/** Finds the containers of one document; create one per page, after marking every element that holds a link. */
export class ContainerFinder {
    readonly #holdsLink = new Set<LeanElement>();
    readonly #runs = new Map<LeanElement, Map<LeanElement, Run>>();
    readonly #landmarks = new Map<LeanElement, Region | null>();

    /** Marks an `a` link and all that is around it. */
    mark(link: LeanElement): void {
        for (let up: LeanElement | null = link; up && !this.#holdsLink.has(up); up = up.parent) {
            this.#holdsLink.add(up);
        }
    }

    /** @param grouped false for resources, which belong to their landmark and never to a list */
    find(link: LeanElement, grouped: boolean): Container {
        let landmark: LeanElement | null = null;
        let region: Region = 'other';
        let outermost: LeanElement | null = null;
        let run: Run | null = null;
        for (let up: LeanElement | null = link; up; up = up.parent) {
            const opened: Region | null = up === link ? null : this.#landmark(up);
            if (opened) {
                region = opened;
                landmark = up;
                break;
            }
            if (up.tag === 'body' || up.tag === 'head' || up.tag === '#document') {
                landmark = up;
                break;
            }
            if (!grouped) continue;
            if (up.isHtml && LIST_TAGS.has(up.tag)) {
                outermost = up;
                run = null;
            }
            const among = up.parent ? this.#runOf(up, up.parent) : null;
            if (among) {
                outermost = up.parent;
                run = among;
            }
        }
        const at = outermost ?? landmark ?? link;
        const place = run ? `${placeOf(at)}>${run.tag}+`.replace(/^>/, '') : placeOf(at);
        return { region, place: place === '' ? 'body' : place.slice(0, MAX_PLACE), key: run ?? at };
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
        if (!runs) {
            runs = new Map();
            let members: LeanElement[] = [];
            let like = '';
            const close = (): void => {
                const run: Run = { tag: members[0]?.tag ?? '' };
                if (members.filter((member) => this.#holdsLink.has(member)).length >= 2) {
                    for (const member of members) runs?.set(member, run);
                }
            };
            for (const sibling of parent.children) {
                if (!isElement(sibling)) continue;
                const shape = `${sibling.tag} ${(attributeOf(sibling, 'class') ?? '').trim().split(/\s+/).join(' ')}`;
                if (shape !== like) {
                    close();
                    members = [];
                    like = shape;
                }
                members.push(sibling);
            }
            close();
            this.#runs.set(parent, runs);
        }
        return runs.get(child) ?? null;
    }
}

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
