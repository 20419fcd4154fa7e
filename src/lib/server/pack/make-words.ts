/** Makes the word index of a survey from the stored texts, and keeps it as a part of its packed form. */
import { WORDS_VERSION, WordIndexMaker, type WordsHead } from '../../core/text/word-index.ts';
import type { Sections } from '../../core/packed/sections.ts';
import { openPacked } from '../../wire/packed-head.ts';
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
    const nodeOf = new Map<number, number>();
    survey.numbers('address').forEach((address, node) => nodeOf.set(address, node));
    const maker = new WordIndexMaker(survey.count);
    for await (const { page, text } of mainTexts(db, id)) {
        const node = nodeOf.get(page);
        if (node !== undefined) maker.add(node, text, survey.word('language', node));
    }
    const words = maker.done();
    await savePart(db, id, revision, 'words', words);
    return words;
}
