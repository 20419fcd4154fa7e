/**
 * The subject of a page: the words it is about, each with its weight. Said by the architect, or worked out of title, h1,
 * headings, the last part of its URL and the good links of running text, weighed by place and by how rare the words are
 * on this site (`docs/measures.md`, "Anchors").
 */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { calledBy } from '../text/called.ts';
import { eachContentWord } from '../text/content-words.ts';
import { GENERIC_WORDS, type GenericWords } from '../text/generic-words.ts';
import { rarity, type WordIndex } from '../text/word-index.ts';

import { addressWords } from './page-names.ts';
import { ownParts, siteNames } from './site-names.ts';

export interface SubjectWord {
    stem: string;
    /** As the page writes it. */
    word: string;
    weight: number;
}

export interface Subject {
    /** The heaviest first. */
    words: SubjectWord[];
    /** Of all of them together. */
    total: number;
    from: SubjectOrigin;
}

/** Worked out, or what the architect said of the page, or of a set it is in. */
export const SUBJECT_ORIGINS = ['worked out', 'page', 'set'] as const;
export type SubjectOrigin = (typeof SUBJECT_ORIGINS)[number];

/** Subject words the architect gives, by URL. */
export type SaidSubjects = ReadonlyMap<string, { words: readonly string[]; by: 'page' | 'set' }>;

const PLACES = { title: 3, h1: 3, address: 2, anchor: 1.5, heading: 1 } as const;
const MOST_WORDS = 12;
/** On more pages than this share of those with text, a word tells nothing of any of them. */
const COMMON_SHARE = 0.2;
const FEWEST_PAGES = 3;
/** Links to a page that are looked at. */
const MOST_LINKS = 300;

/** Makes subjects of pages, one after the other. */
export class SubjectMaker {
    readonly #survey: PackedSurvey;
    readonly #words: WordIndex;
    readonly #said: SaidSubjects;
    readonly #generic: GenericWords;
    readonly #common: number;

    constructor(
        survey: PackedSurvey,
        words: WordIndex,
        said: SaidSubjects = new Map(),
        generic: GenericWords = GENERIC_WORDS,
    ) {
        this.#survey = survey;
        this.#words = words;
        this.#said = said;
        this.#generic = generic;
        this.#common = Math.max(FEWEST_PAGES, words.pages * COMMON_SHARE);
    }

    /** O(words of its names + links to it, at most 300). */
    of(node: number): Subject {
        const survey = this.#survey;
        const url = survey.texts('url').all()[node]!;
        const said = this.#said.get(url);
        const tag = survey.word('language', node);
        const found = new Map<string, SubjectWord>();
        const add = (text: string, place: number): void => {
            const seen = new Set<string>();
            eachContentWord(text, tag, (stem, word) => {
                if (seen.has(stem)) return;
                seen.add(stem);
                const known = found.get(stem);
                if (known) known.weight += place;
                else found.set(stem, { stem, word: word.toLowerCase(), weight: place });
            });
        };
        if (said) {
            for (const text of said.words) add(text, 1);
            for (const word of found.values()) word.weight = 1;
            return subjectOf([...found.values()], said.by);
        }
        for (const part of ownParts(survey.texts('title').all()[node]!, siteNames(survey))) add(part, PLACES.title);
        add(survey.texts('h1').all()[node]!, PLACES.h1);
        add(addressWords(url), PLACES.address);
        for (const own of this.#words.headingsOf(node)) {
            const known = found.get(own);
            if (known) known.weight += PLACES.heading;
            else found.set(own, { stem: own, word: own, weight: PLACES.heading });
        }
        const names = new Set(found.keys());
        for (const [text, links] of this.#anchorsOf(node)) {
            // A good one shares a word with what the page calls itself: others would make themselves fit.
            let isGood = false;
            eachContentWord(text, tag, (stem) => (isGood ||= names.has(stem)));
            if (isGood) add(text, PLACES.anchor * Math.min(2, 1 + Math.log2(links) / 4));
        }
        const kept: SubjectWord[] = [];
        for (const word of found.values()) {
            const pages = this.#words.pagesOf(word.stem);
            if (pages > this.#common) continue;
            kept.push({ ...word, weight: word.weight * rarity(this.#words.pages, pages) });
        }
        // Where every word is common, the page is about what its title says all the same.
        return subjectOf(
            kept.length > 0 ? kept : [...found.values()].filter(({ weight }) => weight >= PLACES.title),
            'worked out',
        );
    }

    #anchorsOf(node: number): Map<string, number> {
        const { start, links, pages } = calledBy(this.#survey);
        const anchor = this.#survey.numbers('link_anchor');
        const texts = this.#survey.texts('link_anchor_words').all();
        const found = new Map<string, number>();
        const end = Math.min(start[node + 1]!, start[node]! + MOST_LINKS);
        for (let at = start[node]!; at < end; at++) {
            const text = texts[anchor[links[at]!]!]!;
            if (text === '' || this.#generic.has(text, '')) continue;
            found.set(text, (found.get(text) ?? 0) + pages[at]!);
        }
        return found;
    }
}

function subjectOf(words: SubjectWord[], from: SubjectOrigin): Subject {
    words.sort((a, b) => b.weight - a.weight || (a.stem < b.stem ? -1 : 1));
    const kept = from === 'worked out' ? words.slice(0, MOST_WORDS) : words;
    return { words: kept, total: kept.reduce((sum, { weight }) => sum + weight, 0), from };
}
