import { error } from '@sveltejs/kit';
import { pageSheet } from '$lib/core/packed/page-sheet.ts';
import { appStore, findRoute, isEnded } from '$lib/server/app.ts';
import { evaluateLine, placeInSet } from '$lib/server/current-set.ts';
import { givenOf } from '$lib/server/evidence-actions.ts';
import { sheetDetails, tellLines } from '$lib/server/sheet-details.ts';
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
    const node = Number(url.searchParams.get('page') ?? NaN);
    const wantsSheet = Number.isInteger(node) && node >= 0;
    const current = await evaluateLine(survey, url.searchParams.get('set') ?? '', wantsSheet ? ['links'] : []);
    const { survey: packed } = current;
    const sheet = wantsSheet && node < packed.count ? pageSheet(packed, node, current) : null;
    if (sheet) await tellLines(survey, packed, sheet);
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
        set: { text: current.text, size: current.bits.count(), trouble: current.trouble },
        saved: current.saved.map(({ name, expression }) => ({ name, expression })),
        givenColumns: packed.head.given.map(({ name, type }) => ({ name, type })),
        known: packed.count,
        sheet,
        details: sheet ? await sheetDetails(survey, packed, node) : null,
        given: sheet ? await givenOf(survey, packed.url(node)) : [],
        place: sheet ? placeInSet(current, url.searchParams, node) : null,
    };
}
