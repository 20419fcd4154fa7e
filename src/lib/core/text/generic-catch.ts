/** What the words that say nothing catch on a site, or would catch if they were on a list. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { GENERIC_LANGUAGES, genericForm, type GenericWords } from './generic-words.ts';
import { listPlaces } from './link-words.ts';

export interface Caught {
    /** Links, page by page. */
    links: number;
    /** Different places they lead to. */
    targets: number;
}

const A = 0;
const NOTHING_CAUGHT: Caught = { links: 0, targets: 0 };

/** Of one wording, by the language of the pages its links stand on. */
type ByLanguage = Map<string, { links: number; targets: Set<number> }>;

/** Links of all pages by their wording, as lists have it. */
export class WordingCounts {
    readonly #byForm = new Map<string, ByLanguage>();

    /**
     * O(page blocks + links).
     * @param isSought wordings that are counted
     */
    constructor(survey: PackedSurvey, isSought: (form: string) => boolean) {
        const { isPage, pageStart, pageBlocks, blockList, listStart, kind, target } = linkGraphOf(survey);
        const { language, languages } = listPlaces(survey);
        const anchor = survey.numbers('link_anchor');
        const forms = survey
            .texts('link_anchor_words')
            .all()
            .map((text) => {
                const form = genericForm(text);
                return form !== '' && isSought(form) ? form : '';
            });
        const pages = new Uint32Array(listStart.length);
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] !== 1) continue;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) pages[blockList[pageBlocks[at]!]!]!++;
        }
        for (let list = 0; list + 1 < listStart.length; list++) {
            if (pages[list] === 0) continue;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const form = forms[anchor[link]!]!;
                if (form === '' || kind[link] !== A) continue;
                this.#count(form, languages[language[list]!]!, pages[list]!, target[link]!);
            }
        }
    }

    #count(form: string, language: string, pages: number, target: number): void {
        const own: ByLanguage = this.#byForm.get(form) ?? new Map<string, { links: number; targets: Set<number> }>();
        this.#byForm.set(form, own);
        const known = own.get(language) ?? { links: 0, targets: new Set<number>() };
        own.set(language, known);
        known.links += pages;
        known.targets.add(target);
    }

    /** Links a wording catches on the list of a language: of its pages, and of those whose language has no list of ours. */
    of(form: string, list: string): Caught {
        const own = this.#byForm.get(form);
        if (!own) return NOTHING_CAUGHT;
        const targets = new Set<number>();
        let links = 0;
        for (const [language, counted] of own) {
            if (list !== '' && language !== list && GENERIC_LANGUAGES.includes(language)) continue;
            links += counted.links;
            for (const target of counted.targets) targets.add(target);
        }
        return { links, targets: targets.size };
    }
}

/** What one wording catches, or would catch, on the list of a language. O(page blocks + links) */
export function caughtBy(survey: PackedSurvey, wording: string, list: string): Caught {
    const form = genericForm(wording);
    return form === '' ? NOTHING_CAUGHT : new WordingCounts(survey, (other) => other === form).of(form, list);
}

/** The wordings of all lists, theirs and ours. */
export function listedForms(generic: GenericWords): Set<string> {
    const languages = new Set([...GENERIC_LANGUAGES, ...generic.said.map(({ language }) => language)]);
    return new Set([...languages].flatMap((language) => generic.list(language).map(({ text }) => text)));
}
