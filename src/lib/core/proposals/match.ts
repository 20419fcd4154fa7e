/** How well the words of a sentence speak of a page: its names, looked for among words that no link holds yet. */
import type { PageName } from '../subjects/page-names.ts';
import type { SourceSentence, SourceText } from './source-text.ts';
import { NOTHING } from './stem-numbers.ts';

/** A name of the target, ready to be looked for. */
export interface SoughtName extends PageName {
    /** Its stems, in order, each once. */
    stems: number[];
    /** Rarity of each. */
    rarity: number[];
    /** Of all together. */
    total: number;
}

export interface Sought {
    names: SoughtName[];
    /** Of each stem the names that have it. */
    byStem: ReadonlyMap<number, number[]>;
    /** Rarity of a stem that no page has: the most there can be. */
    most: number;
}

/** @param rarityOf of a stem, at most `most` */
export function sought(
    names: readonly PageName[],
    stemsOf: (text: string) => number[],
    rarityOf: (stem: number) => number,
    most: number,
): Sought {
    const found: SoughtName[] = [];
    const byStem = new Map<number, number[]>();
    const seen = new Map<string, number>();
    for (const name of names) {
        const stems = [...new Set(stemsOf(name.text))].filter((stem) => stem !== NOTHING);
        if (stems.length === 0) continue;
        const rarity = stems.map(rarityOf);
        const total = rarity.reduce((sum, value) => sum + value, 0);
        const key = stems.join(' ');
        const before = seen.get(key);
        // The same words by another way: one name, with the weight of the heavier and a little of the other.
        if (before !== undefined) {
            const known = found[before]!;
            known.links += name.links;
            known.weight = Math.min(
                1,
                Math.max(known.weight, name.weight) + 0.25 * Math.min(known.weight, name.weight),
            );
            continue;
        }
        seen.set(key, found.length);
        for (const stem of stems) {
            const list = byStem.get(stem);
            if (list) list.push(found.length);
            else byStem.set(stem, [found.length]);
        }
        found.push({ ...name, stems, rarity, total });
    }
    return { names: found, byStem, most };
}

export interface Match {
    /** Index of the name. */
    name: number;
    /** Words of the text: from `first` up to, and without, `last`. */
    first: number;
    last: number;
    /** 0 to 1. */
    strength: number;
    /** Share of the name's words that are there, by rarity. */
    coverage: number;
    /** How rare they are, 0 to 1. */
    rarity: number;
    /** The words of the name as they are written, 1 in any case, 2 letter for letter. */
    exact: 0 | 1 | 2;
}

/** Between two words of a name stand at most this many others, of which so many say something. */
const MOST_BETWEEN = 4;
const MOST_SAYING = 1;
export const MOST_WORDS = 8;
/** What ends a run of words: a link does not reach across it. */
const PARTING = /[.!?;:()[\]{}“”"«»,—–|]/u;

/** The strongest place of a sentence for a link to what is sought; null where it does not speak of it. O(words · names). */
export function bestMatch(text: SourceText, sentence: SourceSentence, { names, byStem, most }: Sought): Match | null {
    const places = new Map<number, number[]>();
    for (let at = sentence.first; at < sentence.last; at++) {
        if (text.isTaken[at] === 1) continue;
        for (const name of byStem.get(text.stem[at]!) ?? []) {
            const list = places.get(name);
            if (list) list.push(at);
            else places.set(name, [at]);
        }
    }
    let best: Match | null = null;
    for (const [index, list] of places) {
        const name = names[index]!;
        for (let from = 0; from < list.length;) {
            let to = from + 1;
            while (
                to < list.length &&
                list[to]! - list[to - 1]! <= MOST_BETWEEN + 1 &&
                list[to]! - list[from]! < MOST_WORDS &&
                isOneRun(text, sentence, list[to - 1]!, list[to]!)
            ) {
                to++;
            }
            const match = matchOf(text, sentence, name, index, list.slice(from, to), most);
            if (best === null || match.strength > best.strength) best = match;
            from = to;
        }
    }
    return best;
}

function isOneRun(text: SourceText, { passage }: SourceSentence, one: number, other: number): boolean {
    let saying = 0;
    for (let at = one + 1; at < other; at++) {
        if (text.isTaken[at] === 1) return false;
        if (text.stem[at] !== NOTHING && ++saying > MOST_SAYING) return false;
    }
    const between = text.running.passages[passage]!.text.slice(text.to[one], text.from[other]);
    return !PARTING.test(between);
}

function matchOf(
    text: SourceText,
    { passage }: SourceSentence,
    name: SoughtName,
    index: number,
    places: readonly number[],
    most: number,
): Match {
    const met = new Set<number>();
    let rare = 0;
    let ordered = 0;
    let before = -1;
    for (const at of places) {
        const order = name.stems.indexOf(text.stem[at]!);
        if (order > before) ordered++;
        before = order;
        if (met.has(order)) continue;
        met.add(order);
        rare += name.rarity[order]!;
    }
    const first = places[0]!;
    const last = places[places.length - 1]! + 1;
    const coverage = name.total === 0 ? 0 : rare / name.total;
    const rarity = Math.min(1, rare / most);
    const nearness = met.size / (last - first);
    const order = 0.75 + 0.25 * (ordered / places.length);
    const exact = coverage < 1 ? 0 : exactness(text.running.passages[passage]!.text, text.from[first]!, name.text);
    const strength =
        name.weight * coverage ** 1.5 * (0.3 + 0.7 * rarity) * (0.6 + 0.4 * nearness) * order * (1 + 0.15 * exact);
    return { name: index, first, last, strength: Math.min(1, strength / 1.3), coverage, rarity, exact };
}

/** Whether a name stands in a text at or right before a place, as it is written. */
function exactness(text: string, at: number, name: string): 0 | 1 | 2 {
    // Marks before its first word belong to the name: "__init__", "#define".
    for (let from = Math.max(0, at - 3); from <= at; from++) {
        const there = text.slice(from, from + name.length);
        if (there === name) return 2;
        if (there.toLowerCase() === name.toLowerCase()) return 1;
    }
    return 0;
}
