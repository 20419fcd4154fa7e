/** What can be asked for from the frame around a view: of the site, and of the page whose sheet is open. */
import { ask, siteApi, surveyApi, tell, type Asked } from '../../wire/client.ts';
import { CausesAnswer, type CauseFound } from '../../wire/checks.ts';
import { CompletionAnswer, PageWindowAnswer } from '../../wire/sets.ts';
import { SpotAnswer } from '../../wire/survey-requests.ts';
import type { SheetActs } from '../sheet/open-sheet.ts';

export interface SurveyActs extends SheetActs {
    saveSet: (name: string, expression: string) => Promise<string>;
    forgetSet: (name: string) => Promise<string>;
    /** What may stand at a place of a line; null where nothing can be told. */
    complete: (text: string, cursor: number, signal: AbortSignal) => Promise<CompletionAnswer | null>;
    /** Pages whose address or title has the text. */
    findPages: (text: string, signal: AbortSignal) => Promise<{ url: string; title: string }[]>;
    /** Causes of findings that have the words. */
    findCauses: (words: string, signal: AbortSignal) => Promise<CauseFound[]>;
}

/** Pages that the box that finds shows. */
const MOST_FOUND = 8;

/**
 * @param site number of the site
 * @param survey number of the survey, or number and revision
 * @param onChanged something of the site changed: the view is looked at again
 * @param onStarted a survey was started, or goes on: its number
 */
export function surveyActs(
    site: number,
    survey: string,
    onChanged: () => Promise<void>,
    onStarted: (number: number | null) => Promise<void>,
): SurveyActs {
    const api = surveyApi(site, survey);

    async function change(path: string, asked: Asked): Promise<string> {
        const refusal = await tell(`${siteApi(site)}/${path}`, asked);
        if (refusal === '') await onChanged();
        return refusal;
    }

    return {
        saveSet: (name, expression) => change('sets', { method: 'POST', body: { name, expression } }),
        forgetSet: (name) => change(`sets?${new URLSearchParams({ name })}`, { method: 'DELETE' }),
        setPriority: (subject, value) => change('priorities', { method: 'POST', body: { by: 'page', subject, value } }),
        setSubject: (subject, words) =>
            change('subjects', { method: 'PUT', body: { subjects: [{ by: 'page', subject, words }] } }),
        writeNote: (subject, text) => change('notes', { method: 'POST', body: { about: 'page', subject, text } }),
        forgetNote: (id) => change(`notes?id=${id}`, { method: 'DELETE' }),
        accept: (body) => change('acceptances', { method: 'POST', body }),
        withdraw: (id) => change(`acceptances?id=${id}`, { method: 'DELETE' }),
        readAgain: async (body) => {
            const made = await ask(SpotAnswer, `${api}/spot`, { method: 'POST', body });
            if (!made.ok) return made.say;
            await onStarted(made.data.number);
            return '';
        },
        askAllTheSame: async (url) => {
            const body = { kind: 'action', of: url, state: 'open' };
            const refusal = await tell(`${api}/decisions`, { method: 'POST', body });
            if (refusal === '') await onStarted(null);
            return refusal;
        },
        complete: async (text, cursor, signal) => {
            const asked = new URLSearchParams({ text, cursor: String(cursor) });
            const answer = await ask(CompletionAnswer, `${api}/complete?${asked}`, { signal });
            return answer.ok ? answer.data : null;
        },
        findCauses: async (words, signal) => {
            const answer = await ask(CausesAnswer, `${api}/causes?${new URLSearchParams({ words })}`, { signal });
            if (!answer.ok) throw new Error(answer.say);
            return answer.data.causes.slice(0, MOST_FOUND);
        },
        findPages: async (text, signal) => {
            const count = String(MOST_FOUND);
            const asked = new URLSearchParams({ set: JSON.stringify(text), count, columns: 'url,title' });
            const answer = await ask(PageWindowAnswer, `${api}/pages?${asked}`, { signal });
            if (!answer.ok) throw new Error(answer.say);
            return answer.data.rows.map(({ url, record }) => ({ url, title: String(record.title ?? '') }));
        },
    };
}
