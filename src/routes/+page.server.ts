import { redirect } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { listSites } from '$lib/server/store/site-store.ts';

/** The front door: the newest site, or the form for the first one. */
export async function load() {
    const [newest] = await listSites(appStore().db);
    redirect(303, newest ? `/sites/${newest.id}` : '/sites/new');
}
