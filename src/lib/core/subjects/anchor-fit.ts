/**
 * How the words of a link stand to the page it leads to: they fit its subject, are loose, are off it, or say nothing.
 * Links of running text only; menus and shared blocks are judged nowhere.
 */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isGeneric } from '../text/generic-words.ts';
import { languageOf } from '../text/language.ts';
import { listPlaces } from '../text/link-words.ts';
import { stemmerOf } from '../text/stems.ts';
import { stopWordsOf } from '../text/stop-words.ts';
import type { WordIndex } from '../text/word-index.ts';
import { eachWord } from '../text/words.ts';
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
const A = 0;

export interface FitTold {
    fit: Fit;
    /** Words of the subject that the anchor has, as the page writes them. */
    shared: string[];
    /** Words of the anchor that are in the text of the target and not in its subject. */
    inText: string[];
}

/** Judges anchors against one page. */
export class FitJudge {
    readonly #words: WordIndex;
    readonly #node: number;
    readonly #subject: Subject;
    readonly #byStem: ReadonlyMap<string, { word: string; weight: number }>;
    readonly #tag: string;
    readonly #told = new Map<string, FitTold>();

    constructor(survey: PackedSurvey, words: WordIndex, node: number, subject: Subject) {
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
        if (anchor === '' || isGeneric(anchor, language)) return none('nothing');
        const own = languageOf(this.#tag);
        const spoken = languageOf(language);
        if (this.#subject.words.length === 0 || (own !== spoken && own !== null && spoken !== null))
            return none('unknown');
        const stops = stopWordsOf(own);
        const stem = stemmerOf(own);
        const shared: string[] = [];
        const inText: string[] = [];
        let weight = 0;
        let content = 0;
        const seen = new Set<string>();
        eachWord(anchor, this.#tag, (word) => {
            const lower = word.toLowerCase();
            const form = stops.has(lower) ? '' : stem(word);
            if (form === '' || seen.has(form)) return;
            seen.add(form);
            content++;
            const known = this.#byStem.get(form);
            if (known) {
                shared.push(known.word);
                weight += known.weight;
            } else if (this.#words.isOn(form, this.#node)) inText.push(lower);
        });
        if (content === 0) return none('unknown');
        const fit =
            weight > 0 && weight >= FITTING_SHARE * this.#subject.total
                ? 'fits'
                : shared.length + inText.length > 0
                  ? 'loose'
                  : 'off';
        return { fit, shared, inText };
    }
}

/**
 * Of every link how its words stand to its target, as numbers of `FITS`. O(links of running text), each different
 * anchor of a target judged once.
 * @param only judges links to these targets alone, others stay as `before` has them
 */
export function fitsOf(
    survey: PackedSurvey,
    words: WordIndex,
    said: SaidSubjects = new Map(),
    only: { targets: ReadonlySet<number>; before: ArrayLike<number> } | null = null,
): Uint8Array {
    const { target, kind, listStart } = linkGraphOf(survey);
    const { inText, language, languages, page } = listPlaces(survey);
    const anchors = survey.texts('link_anchor_words').all();
    const anchor = survey.numbers('link_anchor');
    const isPage = survey.numbers('page');
    const fits = only ? Uint8Array.from(only.before) : new Uint8Array(target.length);
    const subjects = new SubjectMaker(survey, words, said);
    const judges = new Map<number, FitJudge>();
    for (let list = 0; list + 1 < listStart.length; list++) {
        if (inText[list] !== 1) continue;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            const to = target[link]!;
            if (kind[link] !== A || to < 0 || to >= survey.count || to === page[list] || isPage[to] !== 1) continue;
            if (only && !only.targets.has(to)) continue;
            let judge = judges.get(to);
            if (!judge) judges.set(to, (judge = new FitJudge(survey, words, to, subjects.of(to))));
            fits[link] = FIT[judge.of(anchors[anchor[link]!]!, languages[language[list]!]!).fit];
        }
    }
    return fits;
}
