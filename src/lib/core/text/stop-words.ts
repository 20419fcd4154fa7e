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

/** Words of English that the list leaves out: what parts and joins, and says nothing of a subject. */
const MORE_ENGLISH = (
    'about above across again against along although among amongst around behind below beside besides between beyond ' +
    'during each either else ever every few further hence however into just may might must neither no nor not off once ' +
    'onto own per shall since so such than their theirs them themselves then thence there thereby therefore these they ' +
    'those though through throughout thus till toward towards under unless until upon us via what whatever when where ' +
    'whereas wherever whether whichever while who whoever whom whose why will within without yet'
).split(' ');

const sets = new Map<TextLanguage, ReadonlySet<string>>();
const NONE: ReadonlySet<string> = new Set();

/** In small letters; empty for a language that is not known. */
export function stopWordsOf(language: TextLanguage | null): ReadonlySet<string> {
    if (language === null) return NONE;
    let known = sets.get(language);
    if (!known) {
        known = new Set([...STOP_WORDS[language], ...(language === 'en' ? MORE_ENGLISH : [])]);
        sets.set(language, known);
    }
    return known;
}
