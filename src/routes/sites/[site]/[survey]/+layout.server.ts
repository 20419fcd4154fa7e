import { error } from '@sveltejs/kit';
import { filterFromParams, filterPages } from '$lib/core/sets/page-filter.ts';
import { placeInSet } from '$lib/core/sets/page-window.ts';
import { pageSheet } from '$lib/core/survey/page-sheet.ts';
import { appStore, findRoute, isEnded, openSurvey } from '$lib/server/app.ts';
import { givenOf } from '$lib/server/evidence-actions.ts';
import { sheetDetails } from '$lib/server/sheet-details.ts';
import { listSites } from '$lib/server/store/site-store.ts';
import { listSurveys, type Survey } from '$lib/server/store/survey-store.ts';

function railSurvey(survey: Survey) {
    return {
        number: survey.number,
        state: survey.state,
        isPartial: survey.cut.length > 0,
        createdAt: survey.createdAt,
        asOf: survey.asOf,
        isSpot: survey.settings.spot !== null,
    };
}

/** What every area shows: pickers, current set, and the page sheet when one is open. */
export async function load({ params, url, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { site, survey } = found;
    const { db } = appStore();
    const [sites, surveys] = await Promise.all([listSites(db), listSurveys(db, site.id)]);
    const { measured } = await openSurvey(survey);
    const filter = filterFromParams(url.searchParams);
    const node = Number(url.searchParams.get('page') ?? NaN);
    const isOpen = Number.isInteger(node) && node >= 0 && node < measured.count;
    return {
        site: { id: site.id, name: site.name, start: site.start },
        sites: sites.map(({ id, name }) => ({ id, name })),
        survey: {
            ...railSurvey(survey),
            trouble: survey.trouble,
            cut: survey.cut,
            settings: survey.settings,
            startedAt: survey.startedAt,
            endedAt: survey.endedAt,
            revision: survey.revision,
            isEnded: isEnded(survey),
        },
        surveys: surveys.map(railSurvey),
        origin: new URL(site.start).origin,
        filter,
        setSize: filterPages(measured, filter).length,
        known: measured.count,
        sheet: isOpen ? pageSheet(measured, node) : null,
        details: isOpen ? await sheetDetails(survey, measured, node) : null,
        given: isOpen ? await givenOf(survey, measured.urls[node] ?? '') : [],
        place: isOpen ? placeInSet(measured, url.searchParams, node) : null,
    };
}
