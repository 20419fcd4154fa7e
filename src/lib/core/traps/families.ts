/**
 * Crawl traps: families of URLs that breed as fast as they are read. A family closes when it has been read as often as
 * the limit says, still yields about one new member for each page read, *and* something shows that this has no end.
 * A flat folder of distinct pages never closes. Everything is counted in the order of the frontier, so that the same
 * site closes the same families at the same page.
 */
import { familyPatterns, type FamilyPattern, type FamilyShape } from './patterns.ts';
import { likeness, type Signature } from '../doubles/signature.ts';
import { RecentWords, SKETCH_SIZE, type Sketch } from '../doubles/sketch.ts';

/** Why a family has no end, for the sentence that tells it. */
export type FamilyReason =
    'combinations' | 'counter' | 'repeat' | 'session' | 'near-doubles' | 'nothing-new' | 'number' | 'hand';

/** One family as it is told to people. */
export interface Family {
    pattern: string;
    shape: FamilyShape;
    /** A member that was read, else one that was seen. */
    example: string;
    /** Members read. */
    read: number;
    /** Members known. */
    seen: number;
    state: 'open' | 'closed';
    /** Why it is closed; empty while it is open. */
    reason: FamilyReason | '';
    /** The user opened or closed it. */
    byHand: boolean;
}

/** Decisions of the user, by pattern. */
export interface FamilyDecisions {
    opened: string[];
    closed: string[];
}

/** What is watched of a family once it is large enough to matter. */
interface Watch {
    /** The last settled members: new members each brought, and whether it led to something new outside the family. */
    bred: number[];
    fruitful: boolean[];
    recent: Signature[];
    /** Settled members with a text to compare, how many of them were nearly equal to one shortly before, or much alike. */
    compared: number;
    doubles: number;
    alike: number;
    /** Words of the last members with a text. */
    words: RecentWords;
    /** The last settled members at length: new members each brought, and whether it had hardly a word of its own. */
    grown: { bred: number; isBarren: boolean }[];
    /** Subtrees: the folder below it in which each of the last members lies. */
    below: string[];
    /** Query families: the values of each parameter, as far as they are kept. */
    parameters: Map<string, Set<string>>;
    /** Members found on the page of a member, and how many of those stand next to it in number. */
    bredInAll: number;
    steps: number;
}

interface Tracked {
    pattern: string;
    shape: FamilyShape;
    example: string;
    hasReadExample: boolean;
    handedOut: number;
    seen: number;
    settled: number;
    state: 'open' | 'closed';
    reason: FamilyReason | '';
    byHand: boolean;
    watch: Watch | null;
}

/** Members known before a family is watched closely: most stay below, and cost little memory. */
const WATCHED_FROM = 16;
/** "Still yields": looked at over this many settled members. */
const WINDOW = 50;
/** Pages compared with each new one: near-doubles stand close together. */
const COMPARED = 24;
const NEAR_DOUBLE = 0.9;
/** Months of a calendar differ in more words than near-doubles, chapters of a book in nearly all. */
const ALIKE = 0.5;
const DOUBLES_SHARE = 0.8;
/** "About one new member per page read". */
const BREEDS = 0.9;
/** A counter's pages lead to nothing else: to this share of them at most. */
const FRUITFUL_SHARE = 0.1;
const VALUES_KEPT = 2_000;
/** A page with so few words of its own, or so small a share of a long text, says nothing new: a month's name, a date. */
const FEW_OWN_WORDS = 2;
const OWN_SHARE = 0.05;
/** A calendar of months with all their days shows some months among so many pages. */
const FEWEST_BREEDERS = 5;
/** "Growing", for what no rule understands: nearly each of so many members brought another. */
const GROWTH_WINDOW = 200;
const GROWS = 0.95;
/** A subtree is not the family where nearly all that grows lies in one folder of it, and enough else beside that. */
const ONE_FOLDER = 0.8;
const ENOUGH_BESIDE = 10;

/** What is told of the text of a page. */
export interface TextTraces {
    /** Null where there are too few words. */
    signature: Signature | null;
    /** Null where none was made. */
    sketch: Sketch | null;
}

export class Families {
    readonly #limit: number;
    readonly #growthLimit: number;
    readonly #decisions: FamilyDecisions;
    readonly #families = new Map<string, Tracked>();

    /**
     * @param limit members read before a family may close; 0 for never
     * @param growthLimit members read before one that keeps growing closes whatever it is; 0 for never
     */
    constructor(limit: number, decisions: FamilyDecisions = { opened: [], closed: [] }, growthLimit = 0) {
        this.#limit = limit;
        this.#growthLimit = growthLimit;
        this.#decisions = decisions;
    }

    /** A URL became known otherwise than on a page: from a sitemap, or as a start. It is none that a page bred. */
    seen(url: string): void {
        if (this.#limit === 0) return;
        for (const found of familyPatterns(url)) this.#count(found, url);
    }

    /**
     * Whether a URL may be read; counts it as handed out when it may.
     * @returns the family that is closed, or null
     */
    take(url: string): Family | null {
        if (this.#limit === 0) return null;
        const families = familyPatterns(url).map((found) => this.#of(found, url));
        // What the user opened is read, whatever other patterns its members have as well.
        if (!families.some((family) => family.byHand && family.state === 'open')) {
            const before = families.find(isClosed);
            if (before) return told(before);
            // The narrowest that shows it closes; a wider one stays open for what else is in it.
            for (const family of families) {
                this.#judge(family);
                if (!isClosed(family)) continue;
                // What made the wider ones grow grows no more: they are judged by what comes from here on.
                for (const wider of families) if (wider !== family && wider.watch) wider.watch = newWatch(wider.watch);
                return told(family);
            }
        }
        for (const family of families) family.handedOut++;
        return null;
    }

    /**
     * A URL was read and settled.
     * @param fresh URLs that became known through it
     * @param traces of its text; null where it has none, because it is no document
     */
    settled(url: string, fresh: readonly string[], traces: TextTraces | null): void {
        if (this.#limit === 0) return;
        const own = familyPatterns(url);
        const freshPatterns = fresh.map((item) => familyPatterns(item));
        // Members of a closed family that were under way when it closed say nothing of the wider ones.
        const isOfClosed = own.some((found) => isClosed(this.#of(found, url)));
        for (const found of own) {
            const family = this.#of(found, url);
            family.settled++;
            if (!family.hasReadExample) {
                family.example = url;
                family.hasReadExample = true;
            }
            if (!family.watch || isOfClosed) continue;
            let bred = 0;
            let isFruitful = false;
            for (const patterns of freshPatterns) {
                const member = patterns.find((other) => other.pattern === family.pattern);
                if (!member) {
                    isFruitful = true;
                    continue;
                }
                bred++;
                family.watch.bredInAll++;
                if (isNextTo(found.values, member.values)) family.watch.steps++;
            }
            keepLast(family.watch.bred, bred, WINDOW);
            keepLast(family.watch.fruitful, isFruitful, WINDOW);
            if (found.shape === 'subtree') keepLast(family.watch.below, found.values[0] ?? '', WINDOW);
            const sketch = traces?.sketch ?? null;
            const isBarren = sketch !== null && family.watch.words.pages > 0 && addsNothing(family.watch.words, sketch);
            keepLast(family.watch.grown, { bred, isBarren }, GROWTH_WINDOW);
            if (sketch !== null) family.watch.words.add(sketch);
            const signature = traces?.signature ?? null;
            if (signature !== null) {
                if (family.watch.recent.length > 0) {
                    family.watch.compared++;
                    const most = Math.max(...family.watch.recent.map((other) => likeness(other, signature)));
                    if (most >= NEAR_DOUBLE) family.watch.doubles++;
                    if (most >= ALIKE) family.watch.alike++;
                }
                keepLast(family.watch.recent, signature, COMPARED);
            }
        }
        fresh.forEach((item, index) => {
            for (const found of freshPatterns[index]!) this.#count(found, item);
        });
    }

    /** Families worth telling of: closed ones, those decided by hand, and the largest that are growing. */
    list(most = 200): Family[] {
        const worth = [...this.#families.values()].filter(
            (family) =>
                family.state === 'closed' ||
                family.byHand ||
                (family.shape !== 'folder' &&
                    family.shape !== 'subtree' &&
                    family.watch !== null &&
                    family.watch.bredInAll > 0),
        );
        const order = (family: Tracked): number => (family.state === 'closed' ? 1e9 : 0) + family.seen;
        return worth
            .sort((a, b) => order(b) - order(a) || (a.pattern < b.pattern ? -1 : 1))
            .slice(0, most)
            .map(told);
    }

    #of(found: FamilyPattern, url: string): Tracked {
        let family = this.#families.get(found.pattern);
        if (!family) {
            const opened = this.#decisions.opened.includes(found.pattern);
            const closed = this.#decisions.closed.includes(found.pattern);
            family = {
                pattern: found.pattern,
                shape: found.shape,
                example: url,
                hasReadExample: false,
                handedOut: 0,
                seen: 0,
                settled: 0,
                state: closed ? 'closed' : 'open',
                reason: closed ? 'hand' : '',
                byHand: opened || closed,
                watch: null,
            };
            this.#families.set(found.pattern, family);
        }
        return family;
    }

    #count(found: FamilyPattern, url: string): void {
        const family = this.#of(found, url);
        if (++family.seen < Math.min(WATCHED_FROM, this.#limit / 4)) return;
        family.watch ??= newWatch();
        if (found.shape !== 'query') return;
        for (const piece of found.values) {
            const name = piece.split('=', 1)[0] ?? '';
            let values = family.watch.parameters.get(name);
            if (!values) family.watch.parameters.set(name, (values = new Set()));
            if (values.size < VALUES_KEPT) values.add(piece);
        }
    }

    /**
     * A subtree of which nearly all that grows lies in one folder: that folder is the family, and what stands beside it
     * stays open. Where hardly anything stands beside it, as in a path that only goes on, the upper one is.
     */
    #isOneFolder(family: Tracked, { below }: Watch): boolean {
        const counts = new Map<string, number>();
        for (const name of below) counts.set(name, (counts.get(name) ?? 0) + 1);
        for (const [name, count] of counts) {
            if (count < below.length * ONE_FOLDER) continue;
            const inner = this.#families.get(family.pattern.replace(/\{below\}$/, `${name}/{below}`));
            return inner !== undefined && family.handedOut - inner.handedOut >= ENOUGH_BESIDE;
        }
        return false;
    }

    /** Worst case: nobody knows why, but nearly each page of it leads to another that nothing else names. */
    #growsOn({ shape, handedOut }: Tracked, { grown }: Watch): boolean {
        return (
            this.#growthLimit > 0 &&
            handedOut >= this.#growthLimit &&
            (shape === 'subtree' || shape === 'query') &&
            grown.length >= Math.min(GROWTH_WINDOW, this.#growthLimit / 2) &&
            grown.filter(({ bred }) => bred > 0).length >= grown.length * GROWS
        );
    }

    #judge(family: Tracked): void {
        const { watch } = family;
        if (family.byHand || family.state === 'closed' || !watch) return;
        if (family.handedOut < this.#limit || watch.bred.length < Math.min(this.#limit / 3, WINDOW)) return;
        if (sum(watch.bred) < watch.bred.length * BREEDS) return;
        if (family.shape === 'subtree' && this.#isOneFolder(family, watch)) return;
        const reason = endless(family, watch) || (this.#growsOn(family, watch) ? 'number' : '');
        if (reason === '') return;
        family.state = 'closed';
        family.reason = reason;
    }
}

/** @param before whose parameters stay known */
function newWatch(before?: Watch): Watch {
    return {
        bred: [],
        fruitful: [],
        recent: [],
        compared: 0,
        doubles: 0,
        alike: 0,
        words: new RecentWords(COMPARED),
        grown: [],
        below: [],
        parameters: before?.parameters ?? new Map(),
        bredInAll: 0,
        steps: 0,
    };
}

/** A text in which hardly a word is its own. */
function addsNothing(recent: RecentWords, sketch: Sketch): boolean {
    const { own, known } = recent.ownOf(sketch);
    return sketch.length < SKETCH_SIZE ? own <= FEW_OWN_WORDS : known > 0 && own <= known * OWN_SHARE;
}

/** What shows that a family has no end; empty when nothing does. */
function endless(family: Tracked, watch: Watch): FamilyReason | '' {
    if (family.shape === 'repeat') return 'repeat';
    if (family.shape === 'session') return 'session';
    if (family.shape === 'query' && isCombination(family, watch)) return 'combinations';
    if ((family.shape === 'query' || family.shape === 'number') && isCounter(watch)) return 'counter';
    if (family.shape !== 'subtree' && watch.compared >= watch.bred.length / 2) {
        if (watch.doubles >= watch.compared * DOUBLES_SHARE) return 'near-doubles';
    }
    if ((family.shape === 'query' || family.shape === 'subtree') && saysNothingNew(watch)) return 'nothing-new';
    return '';
}

/**
 * Pages that hold nothing of their own bring about a new one each, and lead nowhere else. An index of thousands of short
 * pages has much of its own to say, and those lead on to nothing; a paginated archive leads to its entries.
 */
function saysNothingNew({ grown, fruitful }: Watch): boolean {
    let breeders = 0;
    let byBarren = 0;
    let inAll = 0;
    for (const { bred, isBarren } of grown) {
        inAll += bred;
        if (bred === 0 || !isBarren) continue;
        breeders++;
        byBarren += bred;
    }
    return (
        breeders >= FEWEST_BREEDERS &&
        byBarren >= grown.length * BREEDS &&
        byBarren >= inAll * DOUBLES_SHARE &&
        fruitful.filter(Boolean).length <= fruitful.length * FRUITFUL_SHARE
    );
}

/**
 * Two parameters or more, none of which names the member by itself: its values are few against the members. A list of
 * distinct things (`?f=3&t=1234`, t different for each) is none.
 */
function isCombination(family: Tracked, watch: Watch): boolean {
    if (watch.parameters.size < 2) return false;
    for (const values of watch.parameters.values()) if (values.size * 2 > family.seen) return false;
    return true;
}

/**
 * Members found mostly a step from their neighbour, on pages that are much alike (or say too little to tell) and lead
 * to nothing else that is new. Numbered chapters with a text of their own are none.
 */
function isCounter(watch: Watch): boolean {
    if (watch.alike < watch.compared * DOUBLES_SHARE) return false;
    const fruitful = watch.fruitful.filter(Boolean).length;
    return watch.steps >= watch.bredInAll * 0.8 && fruitful <= watch.fruitful.length * FRUITFUL_SHARE;
}

/** A step from one member to the next: a calendar shows a year of months, a list a dozen pages of itself. */
const LARGEST_STEP = 12;

/** True when the first number that differs differs by a step (what follows it may start over). */
function isNextTo(from: string[], to: string[]): boolean {
    const numbers = (values: string[]): number[] => values.join(' ').match(/\d+/g)?.map(Number) ?? [];
    const a = numbers(from);
    const b = numbers(to);
    if (a.length !== b.length) return false;
    const changed = a.findIndex((value, index) => value !== b[index]);
    return changed !== -1 && Math.abs(a[changed]! - b[changed]!) <= LARGEST_STEP;
}

function keepLast<T>(list: T[], item: T, most: number): void {
    list.push(item);
    if (list.length > most) list.shift();
}

function sum(numbers: number[]): number {
    let total = 0;
    for (const number of numbers) total += number;
    return total;
}

function isClosed({ state }: Tracked): boolean {
    return state === 'closed';
}

function told(family: Tracked): Family {
    const { pattern, shape, example, settled, seen, state, reason, byHand } = family;
    return { pattern, shape, example, read: settled, seen, state, reason, byHand };
}
