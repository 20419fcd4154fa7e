/**
 * How the words of a link stand to the page it leads to: they fit its subject, are loose, are off it, or say nothing.
 * Links of running text only; menus and shared blocks are judged nowhere.
 */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { calledBy } from '../text/called.ts';
import { eachContentWord } from '../text/content-words.ts';
import { GENERIC_WORDS, genericForm, type GenericWords } from '../text/generic-words.ts';
import { languageOf } from '../text/language.ts';
import { listPlaces } from '../text/link-words.ts';
import type { WordIndex } from '../text/word-index.ts';
import { SubjectMaker, type SaidSubjects, type Subject } from './subject.ts';

/** In the order of their stored numbers. `unknown`: the target has no subject, or another language than its page. */
export const FITS = ['unjudged', 'fits', 'loose', 'off', 'nothing', 'unknown'] as const;
export type Fit = (typeof FITS)[number];
export const FIT = { unjudged: 0, fits: 1, loose: 2, off: 3, nothing: 4, unknown: 5 } as const satisfies Record<
    Fit,
    number
>;

/** An anchor fits when what it shares with the subject weighs at least this share of it. */
const FITTING_SHARE = 0.1;
export interface FitTold {
    fit: Fit;
    /** Words of the subject that the anchor has, as the page writes them. */
    shared: string[];
    /** Words of the anchor that are in the text of the target and not in its subject. */
    inText: string[];
}

interface AnchorWord {
    stem: string;
    word: string;
}

/** Anchors whose words are remembered; a site uses few again and again. */
const MOST_ANCHORS = 100_000;

/** Words of anchors that say something, by the language of their target: each once. */
export class AnchorWords {
    readonly #known = new Map<string, readonly AnchorWord[]>();

    of(anchor: string, tag: string): readonly AnchorWord[] {
        const key = `${tag} ${anchor}`;
        let words = this.#known.get(key);
        if (!words) {
            if (this.#known.size >= MOST_ANCHORS) this.#known.clear();
            this.#known.set(key, (words = read(anchor, tag)));
        }
        return words;
    }
}

function read(anchor: string, tag: string): AnchorWord[] {
    const found = new Map<string, AnchorWord>();
    eachContentWord(anchor, tag, (stem, word) => {
        if (!found.has(stem)) found.set(stem, { stem, word: word.toLowerCase() });
    });
    return [...found.values()];
}

/** Judges anchors against one page. */
export class FitJudge {
    readonly #anchors: AnchorWords;
    readonly #generic: GenericWords;
    readonly #words: WordIndex;
    readonly #node: number;
    readonly #subject: Subject;
    readonly #byStem: ReadonlyMap<string, { word: string; weight: number }>;
    readonly #tag: string;
    readonly #told = new Map<string, FitTold>();

    /** @param anchors shared by those who judge many pages */
    constructor(
        survey: PackedSurvey,
        words: WordIndex,
        node: number,
        subject: Subject,
        generic: GenericWords = GENERIC_WORDS,
        anchors = new AnchorWords(),
    ) {
        this.#generic = generic;
        this.#anchors = anchors;
        this.#words = words;
        this.#node = node;
        this.#subject = subject;
        this.#byStem = new Map(subject.words.map((word) => [word.stem, word]));
        this.#tag = survey.word('language', node);
    }

    /** @param language first subtag of the language of the page the link stands on */
    of(anchor: string, language: string): FitTold {
        const key = `${language} ${anchor}`;
        let told = this.#told.get(key);
        if (!told) this.#told.set(key, (told = this.#judge(anchor, language)));
        return told;
    }

    #judge(anchor: string, language: string): FitTold {
        const none = (fit: Fit): FitTold => ({ fit, shared: [], inText: [] });
        if (anchor === '' || this.#generic.has(anchor, language)) return none('nothing');
        const own = languageOf(this.#tag);
        const spoken = languageOf(language);
        if (this.#subject.words.length === 0 || (own !== spoken && own !== null && spoken !== null))
            return none('unknown');
        const shared: string[] = [];
        const inText: string[] = [];
        let weight = 0;
        const content = this.#anchors.of(anchor, this.#tag);
        for (const { stem, word } of content) {
            const known = this.#byStem.get(stem);
            if (known) {
                shared.push(known.word);
                weight += known.weight;
            } else if (this.#words.isOn(stem, this.#node)) inText.push(word);
        }
        if (content.length === 0) return none('unknown');
        const fit =
            weight > 0 && weight >= FITTING_SHARE * this.#subject.total
                ? 'fits'
                : shared.length + inText.length > 0
                  ? 'loose'
                  : 'off';
        return { fit, shared, inText };
    }
}

/** The fit of one link, as its number; where the words of the survey are not known, only that it says nothing is. */
export const fitOfLink = (fits: ArrayLike<number> | null, link: number, isEmpty: boolean): number =>
    fits ? fits[link]! : isEmpty ? FIT.nothing : FIT.unknown;

/**
 * Of every link how its words stand to its target, as numbers of `FITS`. O(links of running text), each different
 * anchor of a target judged once.
 * @param only judges links to these targets alone, others stay as `before` has them
 */
export function fitsOf(
    survey: PackedSurvey,
    words: WordIndex,
    said: SaidSubjects = new Map(),
    generic: GenericWords = GENERIC_WORDS,
    only: { targets: ReadonlySet<number>; before: ArrayLike<number> } | null = null,
): Uint8Array {
    const { start, links, lists } = calledBy(survey);
    const { language, languages } = listPlaces(survey);
    const anchors = survey.texts('link_anchor_words').all();
    const anchor = survey.numbers('link_anchor');
    const isPage = survey.numbers('page');
    const fits = only ? Uint8Array.from(only.before) : new Uint8Array(anchor.length);
    const subjects = new SubjectMaker(survey, words, said, generic);
    const read = new AnchorWords();
    for (let node = 0; node < survey.count; node++) {
        const [from, to] = [start[node]!, start[node + 1]!];
        if (from === to || isPage[node] !== 1 || (only && !only.targets.has(node))) continue;
        const judge = new FitJudge(survey, words, node, subjects.of(node), generic, read);
        for (let at = from; at < to; at++) {
            const link = links[at]!;
            fits[link] = FIT[judge.of(anchors[anchor[link]!]!, languages[language[lists[at]!]!]!).fit];
        }
    }
    return fits;
}

/** Pages that links of running text call by words of which a site says other than our lists do. O(links of running text) */
export function calledOtherwise(survey: PackedSurvey, generic: GenericWords): Set<number> {
    const targets = new Set<number>();
    if (generic.said.length === 0) return targets;
    const said = new Set(generic.said.map(({ text }) => text));
    const isSaid = Uint8Array.from(survey.texts('link_anchor_words').all(), (text) =>
        said.has(genericForm(text)) ? 1 : 0,
    );
    const anchor = survey.numbers('link_anchor');
    const { start, links } = calledBy(survey);
    for (let node = 0; node < survey.count; node++) {
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            if (isSaid[anchor[links[at]!]!] !== 1) continue;
            targets.add(node);
            break;
        }
    }
    return targets;
}
