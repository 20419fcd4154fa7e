import { json } from '@sveltejs/kit';
import { FINDING_CHECKS } from '$lib/core/checks/register.ts';
import { completeSet } from '$lib/core/sets/complete-set.ts';
import { appStore } from '$lib/server/app.ts';
import { listAcceptances } from '$lib/server/store/check-store.ts';
import { listSavedSets } from '$lib/server/store/set-store.ts';
import { listSurveys } from '$lib/server/store/survey-store.ts';

/** What may stand at the `cursor` of the line `text` of the set language. */
export async function GET({ url, locals }) {
    const { db } = appStore();
    const text = url.searchParams.get('text') ?? '';
    const cursor = Number(url.searchParams.get('cursor') ?? text.length);
    const [survey, saved, surveys, accepted] = await Promise.all([
        locals.packed(),
        listSavedSets(db, locals.site.id),
        listSurveys(db, locals.site.id),
        listAcceptances(db, locals.site.id),
    ]);
    return json(
        completeSet(text, Number.isInteger(cursor) && cursor >= 0 ? cursor : text.length, {
            survey,
            saved: saved.map(({ name }) => name),
            checks: FINDING_CHECKS,
            accepted: accepted.filter(({ check }) => check === '').map(({ subject }) => subject),
            surveys: surveys.map(({ number }) => number).filter((number) => number !== locals.survey.number),
        }),
    );
}
