/** Makes the word index of a survey from the stored texts, and keeps it as a part of its packed form. */
import { fitsOf } from '../../core/subjects/anchor-fit.ts';
import { WORDS_VERSION, WordIndex, WordIndexMaker, type WordsHead } from '../../core/text/word-index.ts';
import type { Sections } from '../../core/packed/sections.ts';
import { addPart, openPacked } from '../../wire/packed-head.ts';
import type { Database } from '../store/connect.ts';
import { mainTexts } from '../store/main-text-store.ts';
import { loadPacked, savePart, whilePacking } from '../store/packed-store.ts';
import type { Survey } from '../store/survey-store.ts';

/** Takes in the words of all main texts; the survey has to have ended, it need not be packed. O(text of the survey) */
export async function gatherWords(db: Database, surveyId: number): Promise<WordIndexMaker> {
    const maker = new WordIndexMaker();
    for await (const { page, text, language, headings } of mainTexts(db, surveyId)) {
        maker.add(page, text, language, headings);
    }
    return maker;
}

/**
 * The index as it is kept, or made anew where it is not there or another one.
 * @param gathered its words, where they were taken in already
 * @throws Error with a sentence part where the survey it belongs to is not packed
 */
export async function makeAndSaveWords(db: Database, survey: Survey, gathered?: WordIndexMaker): Promise<Sections> {
    return whilePacking(db.$client, survey.id, () => wordsOf(db, survey, gathered));
}

async function wordsOf(db: Database, { id, revision }: Survey, gathered?: WordIndexMaker): Promise<Sections> {
    const kept = await loadPacked(db, id, revision, 'words');
    if (kept.ok && (kept.sections.head as Partial<WordsHead>).words === WORDS_VERSION) return kept.sections;
    const core = await loadPacked(db, id, revision, 'core');
    const survey = core.ok ? openPacked(core.sections) : null;
    if (!survey) throw new Error('the survey is not packed');
    for (const part of ['measures', 'text', 'links'] as const) {
        const loaded = await loadPacked(db, id, revision, part);
        if (!loaded.ok || !addPart(survey, part, loaded.sections)) throw new Error('the survey is not packed');
    }
    const nodeOf = new Map<number, number>();
    survey.numbers('address').forEach((address, node) => nodeOf.set(address, node));
    const maker = gathered ?? (await gatherWords(db, id));
    const words = maker.done(survey.count, (page) => nodeOf.get(page));
    words.columns.set('fit', fitsOf(survey, new WordIndex(words)));
    await savePart(db, id, revision, 'words', words);
    return words;
}
