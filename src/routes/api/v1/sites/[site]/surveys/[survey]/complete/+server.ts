import { error, json } from '@sveltejs/kit';
import { completeSet } from '$lib/core/sets/complete-set.ts';
import { appStore, findRoute, openPacked } from '$lib/server/app.ts';
import { listSavedSets } from '$lib/server/store/set-store.ts';
import { listSurveys } from '$lib/server/store/survey-store.ts';

/** What may stand at the `cursor` of the line `text` of the set language. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { db } = appStore();
    const text = url.searchParams.get('text') ?? '';
    const cursor = Number(url.searchParams.get('cursor') ?? text.length);
    const [survey, saved, surveys] = await Promise.all([
        openPacked(found.survey),
        listSavedSets(db, found.site.id),
        listSurveys(db, found.site.id),
    ]);
    return json(
        completeSet(text, Number.isInteger(cursor) && cursor >= 0 ? cursor : text.length, {
            survey,
            saved: saved.map(({ name }) => name),
            surveys: surveys.map(({ number }) => number).filter((number) => number !== found.survey.number),
        }),
    );
}
