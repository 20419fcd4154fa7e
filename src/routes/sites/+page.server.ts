import { showSites } from '$lib/server/views/sites.ts';

export const load = () => showSites();
