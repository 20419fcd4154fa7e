import { error, fail, redirect } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { knockAtSite, shownKnock } from '$lib/server/door-actions.ts';
import { getSite, listSites } from '$lib/server/store/site-store.ts';
import { listSurveys } from '$lib/server/store/survey-store.ts';

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
        newest: surveys[0]?.number ?? null,
        ...(await shownKnock(site.id, url.searchParams.get('knock'))),
    };
}

export const actions = {
    default: async ({ request, params }) => {
        const site = await siteOf(params.site);
        const form = await request.formData();
        const at = form.get('at');
        const result = await knockAtSite(site, typeof at === 'string' ? at : '', form.get('keepsOut') !== null);
        if (!result.ok) return fail(400, { troubles: result.troubles });
        redirect(303, `/sites/${site.id}/door?knock=${result.id}`);
    },
};
