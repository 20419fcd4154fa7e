import { fail, redirect } from '@sveltejs/kit';
import { DEFAULT_SETTINGS } from '$lib/core/survey/settings.ts';
import { appStore } from '$lib/server/app.ts';
import { formOf, readForm, settingsOfForm } from '$lib/server/access/forms.ts';
import { nameOfSite } from '$lib/server/access/settings.ts';
import { addSite, listSites } from '$lib/server/store/site-store.ts';
import { createSurvey } from '$lib/server/store/survey-store.ts';

export async function load() {
    const sites = await listSites(appStore().db);
    return { sites: sites.map(({ id, name }) => ({ id, name })), values: formOf(DEFAULT_SETTINGS) };
}

export const actions = {
    default: async ({ request }) => {
        const form = await request.formData();
        const values = readForm(form);
        const read = settingsOfForm(values);
        if (!read.ok)
            return fail(400, { values, troubles: read.troubles, name: String(form.get('name') ?? '').slice(0, 200) });
        const { db } = appStore();
        const typed = form.get('name');
        const name =
            typeof typed === 'string' && typed.trim() !== ''
                ? typed.trim().slice(0, 200)
                : nameOfSite(read.settings.start);
        const site = await addSite(db, name, read.settings);
        if (form.get('then') === 'survey') {
            const survey = await createSurvey(db, site.id, read.settings);
            redirect(303, `/sites/${site.id}/${survey.number}/progress`);
        }
        redirect(303, `/sites/${site.id}`);
    },
};
