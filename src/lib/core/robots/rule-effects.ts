/** What each rule of a robots.txt does to known URLs: where it decides, where it fits and another wins. */
import { fits, prepareRules, type PathForms } from './decide.ts';
import type { RobotsRule } from './read-robots.ts';

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

/** O(URLs · rules). */
export function robotsEffects(rules: readonly RobotsRule[], urls: readonly PathForms[]): RobotsEffects {
    const prepared = prepareRules(rules);
    const places = new Map(rules.map((rule, place) => [rule, place]));
    const placeOf = prepared.map(({ rule }) => places.get(rule)!);
    const decides = new Uint32Array(rules.length);
    const loses = new Uint32Array(rules.length);
    /** Of a rule that loses, how often it loses to which. */
    const winners = rules.map(() => new Map<number, number>());
    const decidedBy = new Int32Array(urls.length).fill(-1);
    for (let url = 0; url < urls.length; url++) {
        let winner = -1;
        for (let at = 0; at < prepared.length; at++) {
            if (!fits(prepared[at]!, urls[url]!)) continue;
            const place = placeOf[at]!;
            if (winner === -1) {
                winner = place;
                decides[place]!++;
            } else {
                loses[place]!++;
                winners[place]!.set(winner, (winners[place]!.get(winner) ?? 0) + 1);
            }
        }
        decidedBy[url] = winner;
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

/** Of each URL the rule that decides; null where none fits. The first that fits does, so it costs less than all effects. */
export function decidingRules(rules: readonly RobotsRule[], urls: readonly PathForms[]): (RobotsRule | null)[] {
    const prepared = prepareRules(rules);
    return urls.map((forms) => {
        for (const item of prepared) if (fits(item, forms)) return item.rule;
        return null;
    });
}

/** Of each URL, 1 where it is closed. */
export function closedUrls(rules: readonly RobotsRule[], urls: readonly PathForms[]): Uint8Array<ArrayBuffer> {
    return Uint8Array.from(decidingRules(rules, urls), (rule) => (rule === null || rule.allow ? 0 : 1));
}
