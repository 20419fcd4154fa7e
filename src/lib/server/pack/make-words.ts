/** Makes the word index of a survey from the stored texts, and keeps it as a part of its packed form. */
import { fitsOf } from '../../core/subjects/anchor-fit.ts';
import { WORDS_VERSION, WordIndex, WordIndexMaker, type WordsHead } from '../../core/text/word-index.ts';
import type { Sections } from '../../core/packed/sections.ts';
import { addPart, openPacked } from '../../wire/packed-head.ts';
import type { Database } from '../store/connect.ts';
import { mainTexts } from '../store/main-text-store.ts';
import { loadPacked, savePart, whilePacking } from '../store/packed-store.ts';
import type { Survey } from '../store/survey-store.ts';

/**
 * The index as it is kept, or made anew where it is not there or another one.
 * @throws Error with a sentence part where the survey it belongs to is not packed
 */
export async function makeAndSaveWords(db: Database, survey: Survey): Promise<Sections> {
    return whilePacking(db.$client, survey.id, () => wordsOf(db, survey));
}

async function wordsOf(db: Database, { id, revision }: Survey): Promise<Sections> {
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
    const maker = new WordIndexMaker(survey.count);
    for await (const { page, text, headings } of mainTexts(db, id)) {
        const node = nodeOf.get(page);
        if (node !== undefined) maker.add(node, text, survey.word('language', node), headings);
    }
    const words = maker.done();
    words.columns.set('fit', fitsOf(survey, new WordIndex(words)));
    await savePart(db, id, revision, 'words', words);
    return words;
}
