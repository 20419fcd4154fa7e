/** Words that say nothing of what a text is about, by language. */
import {
    ara,
    cat,
    ces,
    dan,
    deu,
    eng,
    spa,
    eus,
    fin,
    fra,
    gle,
    hun,
    ita,
    nld,
    nob,
    por,
    ron,
    rus,
    slv,
    swe,
    tur,
} from 'stopword';
import type { TextLanguage } from './language.ts';

const STOP_WORDS: Record<TextLanguage, readonly string[]> = {
    ar: ara,
    ca: cat,
    cs: ces,
    da: dan,
    de: deu,
    en: eng,
    es: spa,
    eu: eus,
    fi: fin,
    fr: fra,
    ga: gle,
    hu: hun,
    it: ita,
    nl: nld,
    no: nob,
    pt: por,
    ro: ron,
    ru: rus,
    sl: slv,
    sv: swe,
    tr: tur,
};

const sets = new Map<TextLanguage, ReadonlySet<string>>();
const NONE: ReadonlySet<string> = new Set();

/** In small letters; empty for a language that is not known. */
export function stopWordsOf(language: TextLanguage | null): ReadonlySet<string> {
    if (language === null) return NONE;
    let known = sets.get(language);
    if (!known) {
        known = new Set(STOP_WORDS[language]);
        sets.set(language, known);
    }
    return known;
}
