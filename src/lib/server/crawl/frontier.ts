/**
 * What is read next. Level by level: a level is worked in waves (its links, then the redirect targets met among them,
 * and so on), and nothing of a wave leads onward before the whole wave is settled. So the order depends on the site
 * alone, not on which answer came first, and a survey that is resumed takes the same way again.
 *
 * After the link crawl come the URLs known from other evidence, and what they lead to, all without a level.
 */
export interface Leads {
    /** Targets that cost a click. */
    clicks: number[];
    /** Targets that cost none: redirects, instant refreshes. */
    free: number[];
    /** Targets that are only evidence: sitemap entries, canonicals, alternates, delayed refreshes. */
    others: number[];
}

export class Frontier {
    readonly #maxDepth: number;
    /** Level of everything ever queued in the link crawl; -1 for what came after it. */
    readonly #levelOf = new Map<number, number>();
    readonly #others: number[] = [];
    readonly #beyond = new Set<number>();
    #wave: number[] = [];
    #leads: (Leads | null)[] = [];
    #next = 0;
    #unsettled = 0;
    #nextLevel: number[] = [];
    #afterLinks = false;
    /** Level being read, -1 after the link crawl. */
    level = 0;

    /** @param maxDepth deepest level to read; Infinity for no limit */
    constructor(maxDepth: number) {
        this.#maxDepth = maxDepth;
    }

    /** Queues the start page. */
    start(id: number): void {
        this.#enter([id]);
    }

    /** Adds a URL known from other evidence; read after the link crawl unless links reach it before. */
    addOther(id: number): void {
        if (!this.#levelOf.has(id)) this.#others.push(id);
    }

    /** Whether the depth limit kept anything out. */
    get cutByDepth(): boolean {
        return [...this.#beyond].some((id) => !this.#levelOf.has(id));
    }

    /** Per level of the link crawl: how many were queued, and how many of them are settled. O(known URLs). */
    levels(): { level: number; read: number; seen: number }[] {
        const counts: { level: number; read: number; seen: number }[] = [];
        for (const level of this.#levelOf.values()) {
            if (level < 0) continue;
            const count = (counts[level] ??= { level, read: 0, seen: 0 });
            count.seen++;
            count.read++;
        }
        const current = counts[this.level];
        if (current) current.read -= this.#unsettled;
        return counts.filter((count) => count !== undefined);
    }

    /** The next URL to settle and its level, or null when others must be settled first, or all is done. */
    next(): { id: number; level: number; slot: number } | null {
        for (;;) {
            if (this.#next < this.#wave.length) {
                const slot = this.#next++;
                return { id: this.#wave[slot]!, level: this.level, slot };
            }
            if (this.#unsettled > 0 || !this.#turn()) return null;
        }
    }

    /** Says what a URL led to. Must be called once for each slot that `next` gave out. */
    settle(slot: number, leads: Leads): void {
        this.#leads[slot] = leads;
        this.#unsettled--;
    }

    /** Every id that was queued and not yet settled, or is known and was never queued. */
    unsettled(): number[] {
        const open = new Set<number>();
        this.#wave.forEach((id, slot) => {
            if (!this.#leads[slot]) open.add(id);
        });
        for (const leads of this.#leads) {
            for (const id of [...(leads?.free ?? []), ...(leads?.clicks ?? []), ...(leads?.others ?? [])]) {
                if (!this.#levelOf.has(id)) open.add(id);
            }
        }
        for (const id of this.#nextLevel) if (!this.#levelOf.has(id)) open.add(id);
        for (const id of this.#others) if (!this.#levelOf.has(id)) open.add(id);
        for (const id of this.#beyond) if (!this.#levelOf.has(id)) open.add(id);
        return [...open];
    }

    #enter(ids: number[]): void {
        this.#wave = [];
        this.#leads = [];
        this.#next = 0;
        for (const id of ids) {
            if (this.#levelOf.has(id)) continue;
            this.#levelOf.set(id, this.level);
            this.#wave.push(id);
            this.#leads.push(null);
        }
        this.#unsettled = this.#wave.length;
    }

    /** Goes on to the next wave, level or phase; false when there is none. */
    #turn(): boolean {
        const free: number[] = [];
        for (const leads of this.#leads) {
            if (!leads) continue;
            free.push(...leads.free);
            for (const id of leads.clicks) this.#nextLevel.push(id);
            for (const id of leads.others) this.#others.push(id);
        }
        this.#leads = [];
        if (this.#afterLinks) {
            const more = [...free, ...this.#nextLevel, ...this.#others.splice(0)];
            this.#nextLevel = [];
            this.#enter(more);
            return this.#wave.length > 0;
        }
        this.#enter(free);
        if (this.#wave.length > 0) return true;
        const clicks = this.#nextLevel;
        this.#nextLevel = [];
        if (this.level + 1 <= this.#maxDepth) {
            this.level++;
            this.#enter(clicks);
            if (this.#wave.length > 0) return true;
            this.level--;
        } else for (const id of clicks) if (!this.#levelOf.has(id)) this.#beyond.add(id);
        if (this.cutByDepth) {
            // What lies deeper was not followed, so nothing could be told from reading the rest: it stays unread.
            return false;
        }
        this.#afterLinks = true;
        this.level = -1;
        this.#enter(this.#others.splice(0));
        return this.#wave.length > 0;
    }
}
