/** What the rules of a robots.txt do to known URLs: where each decides, where it fits and another wins. */
import { fits, prepareRules, type PathForms, type PreparedRule } from './decide.ts';
import type { RobotsRule } from './read-robots.ts';

/** Most bytes that are remembered, over all patterns; and what each takes beside its places. */
const MOST_REMEMBERED = 32 * 1024 * 1024;
const PER_PATTERN = 256;

/**
 * Many URLs that many rules are asked about. Which URLs a pattern fits is remembered, so that a file of which one line is
 * edited costs one pattern, not all.
 */
export class UrlMatcher {
    readonly urls: readonly PathForms[];
    readonly #known = new Map<string, Uint32Array<ArrayBuffer>>();
    readonly #onKept: (bytes: number) => void;
    #remembered = 0;

    /** @param onKept told of the bytes that come to what is remembered; negative where it is let go */
    constructor(urls: readonly PathForms[], onKept: (bytes: number) => void = () => undefined) {
        this.urls = urls;
        this.#onKept = onKept;
    }

    /** Places of the URLs that a rule fits, ascending. O(URLs) for a pattern that is met first. */
    matching(rule: PreparedRule): Uint32Array<ArrayBuffer> {
        const { pattern } = rule.rule;
        let found = this.#known.get(pattern);
        if (found === undefined) {
            const { urls } = this;
            const places: number[] = [];
            for (let place = 0; place < urls.length; place++) if (fits(rule, urls[place]!)) places.push(place);
            found = Uint32Array.from(places);
            const bytes = found.byteLength + PER_PATTERN;
            if (this.#remembered + bytes > MOST_REMEMBERED) {
                this.#known.clear();
                this.#onKept(-this.#remembered);
                this.#remembered = 0;
            }
            this.#known.set(pattern, found);
            this.#remembered += bytes;
            this.#onKept(bytes);
        }
        return found;
    }
}

export interface RuleEffect {
    rule: RobotsRule;
    /** URLs it decides. */
    decides: number;
    /** URLs it fits, and another decides. */
    loses: number;
    /** Line of the rule that decides most of those; null where it loses nothing. */
    hiddenBy: number | null;
}

export interface RobotsEffects {
    /** One a rule, in the order of the file. */
    rules: RuleEffect[];
    /** Of each URL the place of the rule that decides, in `rules`; -1 where none fits. */
    decidedBy: Int32Array<ArrayBuffer>;
}

/** O(URLs · patterns not met before + URLs that rules fit). */
export function robotsEffects(rules: readonly RobotsRule[], urls: UrlMatcher): RobotsEffects {
    const places = new Map(rules.map((rule, place) => [rule, place]));
    const decides = new Uint32Array(rules.length);
    const loses = new Uint32Array(rules.length);
    /** Of a rule that loses, how often it loses to which. */
    const winners = rules.map(() => new Map<number, number>());
    const decidedBy = new Int32Array(urls.urls.length).fill(-1);
    // In the order in which they decide: the first that fits a URL has it.
    for (const item of prepareRules(rules)) {
        const place = places.get(item.rule)!;
        const lost = winners[place]!;
        for (const url of urls.matching(item)) {
            const winner = decidedBy[url]!;
            if (winner === -1) {
                decidedBy[url] = place;
                decides[place]!++;
            } else {
                loses[place]!++;
                lost.set(winner, (lost.get(winner) ?? 0) + 1);
            }
        }
    }
    const most = (counts: Map<number, number>): number | null => {
        const [first] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
        return first === undefined ? null : rules[first[0]]!.line;
    };
    return {
        rules: rules.map((rule, place) => ({
            rule,
            decides: decides[place]!,
            loses: loses[place]!,
            hiddenBy: most(winners[place]!),
        })),
        decidedBy,
    };
}

/** Of each URL, 1 where it is closed. */
export function closedUrls(rules: readonly RobotsRule[], urls: UrlMatcher): Uint8Array<ArrayBuffer> {
    const { decidedBy } = robotsEffects(rules, urls);
    return Uint8Array.from(decidedBy, (place) => (place === -1 || rules[place]!.allow ? 0 : 1));
}
