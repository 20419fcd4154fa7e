/** Stems of words: what the forms of a word have in common, by the Snowball stemmer of their language. */
import snowball from 'snowball-stemmers';
import type { TextLanguage } from './language.ts';

/** What Snowball calls each language. */
const ALGORITHMS: Record<TextLanguage, string> = {
    ar: 'arabic',
    ca: 'catalan',
    cs: 'czech',
    da: 'danish',
    de: 'german',
    en: 'english',
    es: 'spanish',
    eu: 'basque',
    fi: 'finnish',
    fr: 'french',
    ga: 'irish',
    hu: 'hungarian',
    it: 'italian',
    nl: 'dutch',
    no: 'norwegian',
    pt: 'portuguese',
    ro: 'romanian',
    ru: 'russian',
    sl: 'slovene',
    sv: 'swedish',
    tr: 'turkish',
};

/** Words beyond this are no words: chains of letters and digits that nobody looks for. */
const LONGEST_WORD = 64;
/** Stems remembered of one language; texts use few words again and again. */
const MOST_REMEMBERED = 200_000;

/**
 * Makes the stem of a word; a word of a language without a stemmer is its own stem. Forms that differ by case or by how
 * Unicode writes them (NFKC) have one stem.
 * @returns for a language the function; empty for what is no word to be looked for
 */
export function stemmerOf(language: TextLanguage | null): (word: string) => string {
    let stem = stemmers.get(language);
    if (!stem) stemmers.set(language, (stem = makeStemmer(language)));
    return stem;
}

/** One for each language, so that what it remembers serves all who ask. */
const stemmers = new Map<TextLanguage | null, (word: string) => string>();

function makeStemmer(language: TextLanguage | null): (word: string) => string {
    const known = new Map<string, string>();
    const stemmer = language === null ? null : snowball.newStemmer(ALGORITHMS[language]);
    return (word) => {
        const before = known.get(word);
        if (before !== undefined) return before;
        const plain = word.normalize('NFKC').toLowerCase();
        const made = plain.length > LONGEST_WORD ? '' : stemmer === null ? plain : stemmer.stem(plain) || plain;
        if (known.size < MOST_REMEMBERED) known.set(word, made);
        return made;
    };
}
