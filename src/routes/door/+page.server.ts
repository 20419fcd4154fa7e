import { fail, redirect } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { knockAnywhere, shownKnock } from '$lib/server/door-actions.ts';
import { listSites } from '$lib/server/store/site-store.ts';

export async function load({ url }) {
    const sites = await listSites(appStore().db);
    return {
        sites: sites.map(({ id, name }) => ({ id, name })),
        ...(await shownKnock(null, url.searchParams.get('knock'))),
    };
}

export const actions = {
    default: async ({ request }) => {
        const form = await request.formData();
        const text = (name: string): string => {
            const value = form.get(name);
            return typeof value === 'string' ? value.trim().slice(0, 10_000) : '';
        };
        const at = text('at');
        const typed = { url: at || text('url'), pins: text('pins') };
        const result = await knockAnywhere({ ...typed, keepsOut: form.get('keepsOut') !== null });
        if (!result.ok) return fail(400, { troubles: result.troubles, ...typed });
        redirect(303, `/door?knock=${result.id}`);
    },
};
