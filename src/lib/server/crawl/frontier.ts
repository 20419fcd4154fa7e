/**
 * What is read next. Level by level: a level is worked in waves (its links, then the redirect targets met among them,
 * and so on), and nothing of a wave leads onward before the whole wave is settled. So the order depends on the site
 * alone, not on which answer came first, and a survey that is resumed takes the same way again.
 *
 * After the link crawl come the URLs known from other evidence, and what they lead to, all without a level.
 *
 * What a settled URL leads to is absorbed in the order of the wave, and always exactly `LAG` places behind the URL
 * that is given out next. So whoever judges a URL when it is given out (crawl traps) has seen the same in every run.
 *
 * Memory: a few bytes for each known id in typed columns; leads are kept only until they are absorbed.
 */
import { levelRanges, type LevelRange } from '../../core/survey/level-ranges.ts';

export interface Leads {
    /** Targets that cost a click. */
    clicks: number[];
    /** Targets that cost none: redirects, instant refreshes. */
    free: number[];
    /** Targets that are only evidence: sitemap entries, canonicals, alternates, delayed refreshes. */
    others: number[];
}

/** How far absorbing stays behind giving out; more than can ever be under way at once. */
const LAG = 256;

/** Bits of a known id. */
const SEEN = 1;
const SETTLED = 2;
/** Waiting in the list of the next level, of free targets, of others. */
const IN_CLICKS = 4;
const IN_FREE = 8;
const IN_OTHERS = 16;

/** Levels of ids: 0 not queued yet, -1 queued after the link crawl, n queued at level n - 1. */
const NOT_QUEUED = 0;
const AFTER_LINKS = -1;

class IdColumn<T extends Uint8Array | Int32Array> {
    values: T;
    readonly #make: (size: number) => T;

    constructor(make: (size: number) => T) {
        this.#make = make;
        this.values = make(1024);
    }

    reach(id: number): void {
        if (id < this.values.length) return;
        const grown = this.#make(Math.max(id + 1, this.values.length * 2));
        grown.set(this.values as never);
        this.values = grown;
    }
}

export class Frontier {
    readonly #maxDepth: number;
    readonly #onAbsorbed: (id: number, fresh: number[]) => void;
    readonly #bits = new IdColumn<Uint8Array>((size) => new Uint8Array(size));
    readonly #levels = new IdColumn<Int32Array>((size) => new Int32Array(size));
    #highest = -1;
    #wave: number[] = [];
    #leads: (Leads | null)[] = [];
    #next = 0;
    #absorbed = 0;
    #unsettled = 0;
    #clicks: number[] = [];
    #free: number[] = [];
    #others: number[] = [];
    #isCut = false;
    #afterLinks = false;
    readonly #seenAt: number[] = [];
    readonly #readAt: number[] = [];
    /** Level being read, -1 after the link crawl. */
    level = 0;
    /** Ids that are known. */
    known = 0;

    /**
     * @param maxDepth deepest level to read; Infinity for no limit
     * @param onAbsorbed told of each settled URL in order, with the ids that became known through it
     */
    constructor(maxDepth: number, onAbsorbed: (id: number, fresh: number[]) => void = () => undefined) {
        this.#maxDepth = maxDepth;
        this.#onAbsorbed = onAbsorbed;
    }

    /** Queues the start pages. */
    start(...ids: number[]): void {
        for (const id of ids) this.#see(id);
        this.#enter(ids);
    }

    /** Adds a URL known from other evidence; read after the link crawl unless links reach it before. */
    addOther(id: number): void {
        this.#see(id);
        this.#wait(id, IN_OTHERS, this.#others);
    }

    /** Whether the depth limit kept anything out. */
    get cutByDepth(): boolean {
        return this.#isCut;
    }

    /** By level of the link crawl: how many were queued, and how many of them were read. */
    levels(): LevelRange[] {
        return levelRanges(this.#seenAt, this.#readAt);
    }

    /** The next URL to settle and its level, or null when others must be settled first, or all is done. */
    next(): { id: number; level: number; slot: number } | null {
        for (;;) {
            if (this.#next < this.#wave.length) {
                if (!this.#absorb(this.#next - LAG)) return null;
                const slot = this.#next++;
                return { id: this.#wave[slot]!, level: this.level, slot };
            }
            if (this.#unsettled > 0 || !this.#turn()) return null;
        }
    }

    /**
     * Says what a URL led to. Must be called once for each slot that `next` gave out.
     * @param wasRead false for what was left alone (closed, an action, a trap) and for what gave no answer
     */
    settle(slot: number, leads: Leads, wasRead = true): void {
        this.#leads[slot] = leads;
        this.#unsettled--;
        this.#bits.values[this.#wave[slot]!]! |= SETTLED;
        if (wasRead && this.level >= 0) this.#readAt[this.level] = (this.#readAt[this.level] ?? 0) + 1;
    }

    /** Every id that is known and was not settled. O(known). */
    unsettled(): number[] {
        for (let slot = this.#absorbed; slot < this.#leads.length; slot++) {
            const leads = this.#leads[slot];
            if (leads)
                for (const list of [leads.free, leads.clicks, leads.others]) for (const id of list) this.#see(id);
        }
        const open: number[] = [];
        for (let id = 0; id <= this.#highest; id++) {
            const bits = this.#bits.values[id]!;
            if (bits & SEEN && !(bits & SETTLED)) open.push(id);
        }
        return open;
    }

    /** @returns whether it is new */
    #see(id: number): boolean {
        this.#bits.reach(id);
        this.#levels.reach(id);
        if (id > this.#highest) this.#highest = id;
        if (this.#bits.values[id]! & SEEN) return false;
        this.#bits.values[id]! |= SEEN;
        this.known++;
        return true;
    }

    #wait(id: number, bit: number, list: number[]): void {
        if (this.#levels.values[id] !== NOT_QUEUED || this.#bits.values[id]! & bit) return;
        this.#bits.values[id]! |= bit;
        list.push(id);
    }

    /** Absorbs the wave up to a slot, that included; false when it is not settled that far. */
    #absorb(last: number): boolean {
        while (this.#absorbed <= last) {
            const leads = this.#leads[this.#absorbed];
            if (!leads) return false;
            const fresh: number[] = [];
            for (const id of leads.free) {
                if (this.#see(id)) fresh.push(id);
                this.#wait(id, IN_FREE, this.#free);
            }
            for (const id of leads.clicks) {
                if (this.#see(id)) fresh.push(id);
                this.#wait(id, IN_CLICKS, this.#clicks);
            }
            for (const id of leads.others) {
                if (this.#see(id)) fresh.push(id);
                this.#wait(id, IN_OTHERS, this.#others);
            }
            this.#onAbsorbed(this.#wave[this.#absorbed]!, fresh);
            this.#leads[this.#absorbed] = null;
            this.#absorbed++;
        }
        return true;
    }

    #enter(ids: number[]): void {
        this.#wave = [];
        this.#leads = [];
        this.#next = 0;
        this.#absorbed = 0;
        for (const id of ids) {
            if (this.#levels.values[id] !== NOT_QUEUED) continue;
            this.#levels.values[id] = this.level < 0 ? AFTER_LINKS : this.level + 1;
            this.#wave.push(id);
        }
        this.#unsettled = this.#wave.length;
        if (this.level >= 0 && this.#wave.length > 0) {
            this.#seenAt[this.level] = (this.#seenAt[this.level] ?? 0) + this.#wave.length;
        }
    }

    /** Takes a waiting list, so that its ids can wait in it again. */
    #take(list: number[], bit: number): number[] {
        for (const id of list) this.#bits.values[id]! &= ~bit;
        return list;
    }

    #takeFree(): number[] {
        const list = this.#take(this.#free, IN_FREE);
        this.#free = [];
        return list;
    }

    #takeClicks(): number[] {
        const list = this.#take(this.#clicks, IN_CLICKS);
        this.#clicks = [];
        return list;
    }

    #takeOthers(): number[] {
        const list = this.#take(this.#others, IN_OTHERS);
        this.#others = [];
        return list;
    }

    /** Goes on to the next wave, level or phase; false when there is none. */
    #turn(): boolean {
        this.#absorb(this.#wave.length - 1);
        if (this.#afterLinks) {
            this.#enter([...this.#takeFree(), ...this.#takeClicks(), ...this.#takeOthers()]);
            return this.#wave.length > 0;
        }
        this.#enter(this.#takeFree());
        if (this.#wave.length > 0) return true;
        const clicks = this.#takeClicks();
        if (this.level + 1 <= this.#maxDepth) {
            this.level++;
            this.#enter(clicks);
            if (this.#wave.length > 0) return true;
            this.level--;
        } else if (clicks.some((id) => this.#levels.values[id] === NOT_QUEUED)) this.#isCut = true;
        if (this.#isCut) {
            // What lies deeper was not followed, so nothing could be told from reading the rest: it stays unread.
            return false;
        }
        this.#afterLinks = true;
        this.level = -1;
        this.#enter(this.#takeOthers());
        return this.#wave.length > 0;
    }
}
