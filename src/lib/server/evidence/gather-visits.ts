/** What robots asked for, gathered from a log: robots by name, URLs in our spelling. */
import { readAddress } from '../../core/address/address.ts';
import { applyUrlRules } from '../../core/address/url-rules.ts';
import { absolute } from '../../core/evidence/column-mapping.ts';
import { MOST_ROBOTS, OTHER_ROBOTS, robotName, type RobotVisits } from '../../core/evidence/robot-visits.ts';
import type { ListContext } from './read-list.ts';

/** Pairs of a robot and a URL that are kept: those asked for most. */
const MOST_PAIRS = 300_000;

type Counts = [fine: number, redirect: number, error: number];
const sumOf = ([fine, redirect, error]: Counts): number => fine + redirect + error;

export class VisitGatherer {
    readonly #context: ListContext;
    /** By the agent as it was logged. */
    readonly #names = new Map<string, string>();
    /** By robot, then by URL. */
    readonly #counts = new Map<string, Map<string, Counts>>();

    constructor(context: ListContext) {
        this.#context = context;
    }

    add(agent: string, written: string, counts: Counts): void {
        const url = this.#urlOf(written);
        if (url === null) return;
        let name = this.#names.get(agent);
        if (name === undefined) this.#names.set(agent, (name = robotName(agent)));
        let own = this.#counts.get(name);
        if (own === undefined) this.#counts.set(name, (own = new Map()));
        const known = own.get(url);
        if (known) counts.forEach((count, at) => (known[at]! += count));
        else own.set(url, counts);
    }

    #urlOf(written: string): string | null {
        const { start, belongs, rules } = this.#context;
        let read;
        try {
            read = readAddress(absolute(written, start));
        } catch {
            return null;
        }
        if (!read.ok) return null;
        return belongs(read.address.url) ? applyUrlRules(read.address.url, rules) : read.address.url;
    }

    /** Null where no robot asked for anything. */
    done({ first, last, left }: Pick<RobotVisits, 'first' | 'last' | 'left'>): RobotVisits | null {
        if (this.#counts.size === 0) return null;
        const requests = (own: Map<string, Counts>): number => [...own.values()].reduce((sum, c) => sum + sumOf(c), 0);
        const ranked = [...this.#counts].sort(
            ([a, own], [b, other]) => requests(other) - requests(own) || (a < b ? -1 : 1),
        );
        const robots = ranked.slice(0, MOST_ROBOTS).map(([name]) => name);
        if (ranked.length > MOST_ROBOTS) robots.push(OTHER_ROBOTS);
        const numbers = new Map<string, number>();
        const pairs = ranked.flatMap(([, own], place) =>
            [...own].map(([url, counts]) => ({ robot: Math.min(place, MOST_ROBOTS), url, counts })),
        );
        pairs.sort((a, b) => sumOf(b.counts) - sumOf(a.counts));
        const kept = pairs.slice(0, MOST_PAIRS);
        const numberOf = (url: string): number => {
            const known = numbers.get(url);
            if (known !== undefined) return known;
            numbers.set(url, numbers.size);
            return numbers.size - 1;
        };
        const url = kept.map((pair) => numberOf(pair.url));
        return {
            robots,
            urls: [...numbers.keys()],
            robot: kept.map(({ robot }) => robot),
            url,
            fine: kept.map(({ counts }) => counts[0]),
            redirect: kept.map(({ counts }) => counts[1]),
            error: kept.map(({ counts }) => counts[2]),
            first,
            last,
            left: left + pairs.slice(MOST_PAIRS).reduce((sum, { counts }) => sum + sumOf(counts), 0),
        };
    }
}
