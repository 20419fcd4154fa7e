/**
 * Sentences of other pages that speak of a target and could carry a link to it. In two steps: pages are ranked by the
 * word index and the links between them; of the first of them the texts are read, and each gives its best sentence.
 */
import { gateOf } from '../columns/gate-facts.ts';
import { isListing } from '../evidence/listing.ts';
import { UNREACHED } from '../graph/depth.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { namesOf, type HiddenLink, type PageName } from '../subjects/page-names.ts';
import { GENERIC_WORDS, type GenericWords } from '../text/generic-words.ts';
import { languageOf } from '../text/language.ts';
import { termWeight, type WordIndex } from '../text/word-index.ts';
import { wordsOf } from '../text/words.ts';
import { bestMatch, sought, type Match, type Sought, type SoughtName } from './match.ts';
import { companyOf, nearnessTo, textLinks, type Nearness } from './neighbours.ts';
import { scoreOf, type ScoreParts } from './score.ts';
import type { SourceSentence, SourceText } from './source-text.ts';
import { NOTHING, type StemNumbers } from './stem-numbers.ts';

export interface Target {
    node: number;
    /** Its language (BCP 47). */
    tag: string;
    sought: Sought;
    nearness: Nearness;
    /** Of each page the share of the links to it that have a link to that page beside them. */
    company: ReadonlyMap<number, number>;
    /** Its text as a vector: the heaviest stems and their weights, and the length of all of it. */
    stems: ReadonlyMap<number, number>;
    length: number;
    /** Of each stem of its names the heaviest name that has it. */
    subject: ReadonlyMap<number, number>;
}

/** A single word is a name from this weight and rarity on. */
const LEAST_NAME = 0.5;
const LEAST_RARE = 0.3;

/**
 * Whether words name a page nobody asked about: what is sought for every page of a site finds a page for every word, so
 * that a single common one, or one that a page is hardly called by, does not do.
 */
export const namesIt = ({ match, name }: Proposal): boolean =>
    name.weight >= LEAST_NAME && (match.rarity >= LEAST_RARE || name.stems.length > 1);

/** In place of a node for a text that is not on the site yet. */
export const NO_PAGE = -1;

export interface RankedPage {
    node: number;
    rank: number;
    /** Likeness of its text to the target's, 0 to 1. */
    alike: number;
}

export interface Proposal {
    source: number;
    target: number;
    sentence: SourceSentence;
    match: Match;
    name: SoughtName;
    parts: ScoreParts;
    /** 0 to 1. */
    score: number;
}

/** A link that is taken as not there: its number, and the page it stands on. */
export interface LeftOut extends HiddenLink {
    page: number;
}

/** Stems of the target's text that pages are held against: the heaviest. */
const MOST_STEMS = 400;
/** A sentence whose words are less of a name than this does not speak of the target. */
const LEAST_SPEAKS = 0.34;
/** Nor does one that has less than this share of a name, by the rarity of its words. */
const LEAST_COVERAGE = 0.4;

/** Whether a sentence speaks of the target, or has merely some of its words. */
export const speaksOfIt = ({ parts, match }: Proposal): boolean =>
    parts.speaks >= LEAST_SPEAKS && match.coverage >= LEAST_COVERAGE;
/** Rarity of a stem on a fifth of the pages: commoner ones are left out where texts are held against each other. */
const LEAST_TELLING = Math.log(5);
/** Names that pages are looked through for: the heaviest. */
const MOST_NAMES = 150;

export class Proposer {
    readonly #survey: PackedSurvey;
    readonly #words: WordIndex;
    readonly #stems: StemNumbers;
    readonly #rarities: number[] = [];
    readonly #most: number;
    readonly #generic: GenericWords;

    /** @param stems shared with the texts that are given */
    constructor(survey: PackedSurvey, words: WordIndex, stems: StemNumbers, generic: GenericWords = GENERIC_WORDS) {
        this.#generic = generic;
        this.#survey = survey;
        this.#words = words;
        this.#stems = stems;
        this.#most = words.rarityOf('');
    }

    /** How rare a stem is. */
    rarity(stem: number): number {
        return (this.#rarities[stem] ??= this.#words.rarityOf(this.#stems.stemOf(stem)));
    }

    /**
     * @param text of the target; null where none was kept
     * @param said its subject as the architect says it; else its own names
     */
    target(
        node: number,
        text: SourceText | null,
        said: readonly string[] = [],
        leftOut: LeftOut | null = null,
    ): Target {
        const headings = (text?.running.passages ?? [])
            .filter(({ kind, text: heading }) => kind === 'label' && heading.length < 120)
            .map(({ text: heading }) => heading);
        const names: PageName[] = said.map((name) => ({ text: name, from: 'said', weight: 1, links: 0 }));
        names.push(...namesOf(this.#survey, node, headings, leftOut, this.#generic));
        return this.#ready(node, this.#survey.word('language', node), names, text, leftOut);
    }

    #ready(
        node: number,
        tag: string,
        names: readonly PageName[],
        text: SourceText | null,
        leftOut: LeftOut | null,
    ): Target {
        const numberOf = this.#stems.of(languageOf(tag));
        const found = sought(
            names,
            (name) => wordsOf(name, tag).map(({ word }) => numberOf(word)),
            (stem) => this.rarity(stem),
            this.#most,
        );
        const subject = new Map<number, number>();
        for (const name of found.names) {
            for (const stem of name.stems) subject.set(stem, Math.max(subject.get(stem) ?? 0, name.weight));
        }
        const times = new Map<number, number>();
        for (const stem of text?.stem ?? []) if (stem !== NOTHING) times.set(stem, (times.get(stem) ?? 0) + 1);
        const vector = [...times].map(([stem, count]) => [stem, termWeight(count, this.rarity(stem))] as const);
        const length = Math.sqrt(vector.reduce((sum, [, weight]) => sum + weight ** 2, 0)) || 1;
        vector.sort(([a, x], [b, y]) => y - x || a - b);
        return {
            node,
            tag,
            sought: found,
            nearness: nearnessTo(this.#survey, node, leftOut?.page ?? -1),
            company: companyOf(this.#survey, node, leftOut?.link ?? -1),
            stems: new Map(vector),
            length,
            subject,
        };
    }

    /**
     * Pages whose text may hold a place for a link to the target, the likeliest first.
     * @param leads true for pages that lead there already
     * @param most pages that are told
     */
    ranked(target: Target, leads: (node: number) => boolean, most: number): RankedPage[] {
        const { count } = this.#survey;
        const speaks = new Float32Array(count);
        const met = new Float32Array(count);
        const names = [...target.sought.names]
            .sort((a, b) => b.weight * b.total - a.weight * a.total || (a.text < b.text ? -1 : 1))
            .slice(0, MOST_NAMES);
        for (const name of names) {
            const touched: number[] = [];
            name.stems.forEach((stem, index) => {
                for (const node of this.#words.postings(this.#stems.stemOf(stem)).nodes) {
                    if (met[node] === 0) touched.push(node);
                    met[node]! += name.rarity[index]!;
                }
            });
            for (const node of touched) {
                const rare = Math.min(1, met[node]! / target.sought.most);
                const value = name.weight * (met[node]! / name.total) ** 1.5 * (0.3 + 0.7 * rare);
                if (value > speaks[node]!) speaks[node] = value;
                met[node] = 0;
            }
        }
        const dot = met;
        let stems = 0;
        for (const [stem, weight] of target.stems) {
            if (stems++ >= MOST_STEMS) break;
            const rare = this.rarity(stem);
            // What stands on most pages tells none from another, and has most of the postings.
            if (rare < LEAST_TELLING) continue;
            const { nodes, times } = this.#words.postings(this.#stems.stemOf(stem));
            for (let at = 0; at < nodes.length; at++) dot[nodes[at]!]! += weight * termWeight(times[at]!, rare);
        }
        const { lengths } = this.#words;
        const { same, led, beside } = target.nearness;
        const ranks = new Float32Array(count);
        const nodes: number[] = [];
        for (let node = 0; node < count; node++) {
            if (speaks[node] === 0 || node === target.node || leads(node) || !this.isSource(node)) continue;
            const alike = Math.min(1, dot[node]! / ((lengths[node]! || 1) * target.length));
            dot[node] = alike;
            const near = 4.7 * (same.get(node) ?? 0) + (led.has(node) ? 0.8 : 0) + 2.7 * (beside.get(node) ?? 0);
            ranks[node] = 14 * speaks[node]! + 2.4 * alike + near;
            nodes.push(node);
        }
        const least = nthHighest(nodes, ranks, most);
        return nodes
            .filter((node) => ranks[node]! >= least)
            .map((node) => ({ node, alike: dot[node]!, rank: ranks[node]! }))
            .sort((a, b) => b.rank - a.rank || a.node - b.node)
            .slice(0, most);
    }

    /** Pages that have a text. */
    get pages(): number {
        return this.#words.pages;
    }

    /** Pages whose text has a stem. */
    pagesWith(stem: number): number {
        return this.#words.pagesOf(this.#stems.stemOf(stem));
    }

    /** Likeness of a text to the target's, 0 to 1. O(words of the text). */
    likeness(target: Target, text: SourceText): number {
        const times = new Map<number, number>();
        for (const stem of text.stem) if (stem !== NOTHING) times.set(stem, (times.get(stem) ?? 0) + 1);
        let [dot, length] = [0, 0];
        for (const [stem, often] of times) {
            const weight = termWeight(often, this.rarity(stem));
            length += weight ** 2;
            dot += weight * (target.stems.get(stem) ?? 0);
        }
        return length === 0 ? 0 : Math.min(1, dot / (Math.sqrt(length) * target.length));
    }

    /** The heaviest words that a text has in common with the target's, as the text writes them. */
    commonWords(target: Target, { running, sentences, stem, from, to }: SourceText, most: number): string[] {
        const found = new Map<number, string>();
        for (const { passage, first, last } of sentences) {
            for (let at = first; at < last; at++) {
                const own = stem[at]!;
                if (found.has(own) || !target.stems.has(own)) continue;
                found.set(own, running.passages[passage]!.text.slice(from[at], to[at]).toLowerCase());
            }
        }
        return [...found]
            .sort(([a], [b]) => target.stems.get(b)! - target.stems.get(a)! || a - b)
            .slice(0, most)
            .map(([, word]) => word);
    }

    /** A page that may carry links: indexable, reached, no listing. */
    isSource(node: number): boolean {
        const survey = this.#survey;
        return (
            survey.numbers('page')[node] === 1 &&
            survey.numbers('depth')[node] !== UNREACHED &&
            gateOf(survey.numbers('gate')[node]!) === 'indexable' &&
            !isListing(survey.url(node))
        );
    }

    /** The best sentences of a page for a link to the target, best first. */
    ofPage(target: Target, { node, alike }: RankedPage, text: SourceText, most = 1): Proposal[] {
        const found: Proposal[] = [];
        const isSame = languageOf(text.tag) === languageOf(target.tag);
        if (!isSame) return found;
        for (const sentence of text.sentences) {
            const match = bestMatch(text, sentence, target.sought);
            if (match === null) continue;
            const name = target.sought.names[match.name]!;
            const parts: ScoreParts = {
                speaks: this.#speaks(match, name),
                rare: match.rarity,
                about: this.#about(target, text, sentence, match),
                company: this.#company(target, text, sentence),
                ...this.#ofSource(target, node, alike),
            };
            found.push({ source: node, target: target.node, sentence, match, name, parts, score: scoreOf(parts) });
        }
        found.sort((a, b) => b.score - a.score || a.sentence.first - b.sentence.first);
        return found.slice(0, most);
    }

    /** How much the words are a name of the target. */
    #speaks({ strength, exact, coverage, rarity }: Match, { weight, from, links, stems }: SoughtName): number {
        const isOwn = from === 'said' || from === 'anchor' || from === 'title' || from === 'h1';
        let rarest = Infinity;
        for (const stem of stems) {
            rarest = Math.min(rarest, this.#words.pagesOf(this.#stems.stemOf(stem)));
        }
        const linked = Math.min(1, links / Math.max(1, rarest));
        const sum =
            5.2 * strength +
            1.3 * exact +
            1.1 * coverage +
            2.1 * weight +
            (isOwn ? 1.6 : 0) +
            2.2 * coverage * linked +
            coverage * rarity * weight;
        return Math.min(1, sum / 15.8);
    }

    /** How much else of the sentence is about the target. */
    #about(target: Target, text: SourceText, sentence: SourceSentence, { first, last }: Match): number {
        let subject = 0;
        let common = 0;
        let all = 0;
        const seen = new Set<number>();
        for (let at = sentence.first; at < sentence.last; at++) {
            const stem = text.stem[at]!;
            if (stem === NOTHING || seen.has(stem)) continue;
            seen.add(stem);
            const rare = this.rarity(stem);
            all += rare;
            if (target.stems.has(stem)) common += rare;
            if (at < first || at >= last) subject += rare * (target.subject.get(stem) ?? 0);
        }
        const support = 1 - Math.exp(-subject / this.#most);
        return 0.68 * support + 0.32 * (all === 0 ? 0 : common / all);
    }

    #company(target: Target, text: SourceText, sentence: SourceSentence): number {
        let sum = 0;
        for (const node of this.companions(target, text, sentence)) sum += target.company.get(node)!;
        return 1 - Math.exp(-2 * sum);
    }

    /** Pages to which links of the same passage lead, and elsewhere links beside those to the target: the commonest first. */
    companions({ company }: Target, text: SourceText, { passage }: SourceSentence): number[] {
        if (company.size === 0) return [];
        const nodes = new Set<number>();
        for (const { link, target } of text.running.passages[passage]!.taken) {
            const node = link === -1 ? -1 : this.#survey.nodeOf(target);
            if (company.has(node)) nodes.add(node);
        }
        return [...nodes].sort((a, b) => company.get(b)! - company.get(a)! || a - b);
    }

    #ofSource(
        { nearness }: Target,
        node: number,
        alike: number,
    ): Pick<ScoreParts, 'alike' | 'near' | 'high' | 'brief'> {
        // A text that is no page yet stands nowhere.
        if (node === NO_PAGE) return { alike, near: 0, high: 0.5, brief: 1 };
        const { same, led, beside } = nearness;
        const near = 0.57 * (same.get(node) ?? 0) + (led.has(node) ? 0.1 : 0) + 0.33 * (beside.get(node) ?? 0);
        const depth = this.#survey.numbers('depth')[node]!;
        const { start } = textLinks(this.#survey);
        const own = start[node + 1]! - start[node]!;
        return { alike, near, high: 1 / (1 + depth / 3), brief: 1 / (1 + own / 20) };
    }
}

/** The rank that so many of the nodes reach; the lowest there is where they are fewer. */
function nthHighest(nodes: readonly number[], ranks: Float32Array, nth: number): number {
    if (nodes.length <= nth) return -Infinity;
    const sorted = Float32Array.from(nodes, (node) => ranks[node]!).sort();
    return sorted[sorted.length - nth]!;
}

/** For each page whether its links lead to a target. O(links to it): those of menus too. */
export function leadersTo(survey: PackedSurvey, targets: ReadonlySet<number>): Uint8Array {
    const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const lists = new Uint8Array(listStart.length);
    for (let list = 0; list + 1 < listStart.length; list++) {
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] === 0 && targets.has(target[link]!)) {
                lists[list] = 1;
                break;
            }
        }
    }
    const leads = new Uint8Array(survey.count);
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            if (lists[blockList[pageBlocks[at]!]!] === 1) leads[node] = 1;
        }
    }
    return leads;
}
