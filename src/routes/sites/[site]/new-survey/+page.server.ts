import { error, fail, redirect } from '@sveltejs/kit';
import { appKey, appStore } from '$lib/server/app.ts';
import { lastKnock } from '$lib/server/door-actions.ts';
import { formToBegin, readSurveyForm } from '$lib/server/survey-form.ts';
import { getSite, listSites, saveSiteSettings } from '$lib/server/store/site-store.ts';
import { createSurvey, listSurveys } from '$lib/server/store/survey-store.ts';

async function siteOf(id: string) {
    const site = Number.isInteger(Number(id)) ? await getSite(appStore().db, Number(id)) : null;
    if (!site) error(404, 'There is no such site.');
    return site;
}

export async function load({ params, url }) {
    const site = await siteOf(params.site);
    const { db } = appStore();
    const [sites, surveys] = await Promise.all([listSites(db), listSurveys(db, site.id)]);
    return {
        site: { id: site.id, name: site.name, start: site.start },
        sites: sites.map(({ id, name }) => ({ id, name })),
        kept: site.settings.sends,
        hasSurvey: surveys.length > 0,
        lastKnock: await lastKnock(site.id),
        ...formToBegin(site.settings, url.searchParams.get('preset')),
    };
}

export const actions = {
    default: async ({ request, params }) => {
        const site = await siteOf(params.site);
        const form = await request.formData();
        const read = readSurveyForm(form, appKey(), site.secrets);
        if (!read.ok) return fail(400, { values: read.values, troubles: read.troubles });
        const { db } = appStore();
        await saveSiteSettings(db, site.id, read.settings, read.sealed);
        const survey = await createSurvey(db, site.id, read.settings, {
            secrets: read.sealed,
            knock: form.get('knock') !== null,
        });
        redirect(303, `/sites/${site.id}/${survey.number}/progress`);
    },
};
