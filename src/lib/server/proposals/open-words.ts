/** What proposals need of an open survey: its word index, and the texts of its pages. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { countKept } from '../../core/kept.ts';
import type { GenericWords } from '../../core/text/generic-words.ts';
import { WordIndex } from '../../core/text/word-index.ts';
import { isClosed, log, packedWords, RevisionLost, SurveyGone } from '../app.ts';
import type { Survey } from '../store/survey-store.ts';
import { textsOf, type OpenTexts } from './ranked.ts';

const indexes = new WeakMap<PackedSurvey, Promise<WordIndex | null>>();

/**
 * The word index of a survey, kept for as long as the survey is open; null while it runs, and for an earlier revision
 * whose words were not kept.
 */
export function wordIndexOf(survey: Survey, packed: PackedSurvey): Promise<WordIndex | null> {
    if (!isClosed(survey)) return Promise.resolve(null);
    let known = indexes.get(packed);
    if (!known) {
        known = load(survey, packed);
        indexes.set(packed, known);
        known.catch(() => indexes.delete(packed));
    }
    return known;
}

async function load(survey: Survey, packed: PackedSurvey): Promise<WordIndex | null> {
    try {
        const sections = await packedWords(survey);
        if (sections === null) return null;
        let bytes = 0;
        for (const column of sections.columns.values()) bytes += column.byteLength;
        countKept(packed, bytes);
        return new WordIndex(sections);
    } catch (failure) {
        if (failure instanceof RevisionLost) return null;
        if (failure instanceof SurveyGone) throw failure;
        // What needs words is not known then; all else is told.
        log.error('the word index of a survey could not be had', { survey: survey.id, error: failure });
        indexes.delete(packed);
        return null;
    }
}

/** Texts take much: those of this many surveys stay. */
const MOST_SURVEYS = 2;
const open = new Map<PackedSurvey, OpenTexts>();

/** Needs `text` and `links`. Null where there is no word index. */
export async function openTexts(
    survey: Survey,
    packed: PackedSurvey,
    generic: GenericWords,
): Promise<OpenTexts | null> {
    const words = await wordIndexOf(survey, packed);
    if (words === null) return null;
    let known = open.get(packed);
    if (known?.generic !== generic.key) known = textsOf(packed, survey.id, words, generic, known?.texts);
    open.delete(packed);
    open.set(packed, known);
    for (const other of open.keys()) if (open.size > MOST_SURVEYS) open.delete(other);
    return known;
}
