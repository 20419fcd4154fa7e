import { fail, redirect } from '@sveltejs/kit';
import { appKey, appStore } from '$lib/server/app.ts';
import { knockAtSite } from '$lib/server/door-actions.ts';
import { nameOfSite } from '$lib/server/access/settings.ts';
import { formToBegin, readSurveyForm } from '$lib/server/survey-form.ts';
import { addSite, listSites } from '$lib/server/store/site-store.ts';
import { createSurvey } from '$lib/server/store/survey-store.ts';

export async function load({ url }) {
    const sites = await listSites(appStore().db);
    const begin = formToBegin(null, url.searchParams.get('preset'));
    // From a door that was knocked at: its address is filled in.
    const start = url.searchParams.get('start');
    if (start !== null) begin.values.start = start.slice(0, 2_000);
    return { sites: sites.map(({ id, name }) => ({ id, name })), ...begin };
}

export const actions = {
    default: async ({ request }) => {
        const form = await request.formData();
        const read = readSurveyForm(form, appKey(), null);
        if (!read.ok) {
            const { values, troubles } = read;
            return fail(400, { values, troubles, name: String(form.get('name') ?? '').slice(0, 200) });
        }
        const { db } = appStore();
        const { settings, sealed } = read;
        const typed = form.get('name');
        const name =
            typeof typed === 'string' && typed.trim() !== '' ? typed.trim().slice(0, 200) : nameOfSite(settings.start);
        const site = await addSite(db, name, settings, sealed);
        if (form.get('then') === 'survey') {
            const survey = await createSurvey(db, site.id, settings, {
                secrets: sealed,
                knock: form.get('knock') !== null,
            });
            redirect(303, `/sites/${site.id}/${survey.number}/progress`);
        }
        if (form.get('then') === 'knock') {
            const knocked = await knockAtSite(site, '', false);
            redirect(303, `/sites/${site.id}/door${knocked.ok ? `?knock=${knocked.id}` : ''}`);
        }
        redirect(303, `/sites/${site.id}`);
    },
};
