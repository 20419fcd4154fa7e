import { error, fail, redirect } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { formOf, readForm, settingsOfForm } from '$lib/server/access/forms.ts';
import { getSite, listSites, saveSiteSettings } from '$lib/server/store/site-store.ts';
import { createSurvey } from '$lib/server/store/survey-store.ts';

async function siteOf(id: string) {
    const site = Number.isInteger(Number(id)) ? await getSite(appStore().db, Number(id)) : null;
    if (!site) error(404, 'There is no such site.');
    return site;
}

export async function load({ params }) {
    const site = await siteOf(params.site);
    const sites = await listSites(appStore().db);
    return {
        site: { id: site.id, name: site.name, start: site.start },
        sites: sites.map(({ id, name }) => ({ id, name })),
        values: formOf(site.settings),
    };
}

export const actions = {
    default: async ({ request, params }) => {
        const site = await siteOf(params.site);
        const values = readForm(await request.formData());
        const read = settingsOfForm(values);
        if (!read.ok) return fail(400, { values, troubles: read.troubles });
        const { db } = appStore();
        await saveSiteSettings(db, site.id, read.settings);
        const survey = await createSurvey(db, site.id, read.settings);
        redirect(303, `/sites/${site.id}/${survey.number}/progress`);
    },
};
