/** The words of a text that say something: no stop words, each with its stem, in order. */
import { languageOf } from './language.ts';
import { stemmerOf } from './stems.ts';
import { stopWordsOf } from './stop-words.ts';
import { eachWord } from './words.ts';

/**
 * @param tag language (BCP 47), which decides for stems, stop words and where words part
 * @param tell is given the stem, and the word as it is written
 */
export function eachContentWord(text: string, tag: string, tell: (stem: string, word: string) => void): void {
    const language = languageOf(tag);
    const stops = stopWordsOf(language);
    const stem = stemmerOf(language);
    eachWord(text, tag, (word) => {
        const own = stops.has(word.toLowerCase()) ? '' : stem(word);
        if (own !== '') tell(own, word);
    });
}
