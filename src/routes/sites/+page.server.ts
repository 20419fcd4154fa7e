import { appStore } from '$lib/server/app.ts';
import { listSites } from '$lib/server/store/site-store.ts';
import { listSurveys } from '$lib/server/store/survey-store.ts';

export async function load() {
    const { db } = appStore();
    const sites = await listSites(db);
    return {
        sites: await Promise.all(
            sites.map(async (site) => {
                const surveys = await listSurveys(db, site.id);
                const [last] = surveys;
                return {
                    id: site.id,
                    name: site.name,
                    start: site.start,
                    surveys: surveys.length,
                    last: last
                        ? { number: last.number, state: last.state, createdAt: last.createdAt, trouble: last.trouble }
                        : null,
                };
            }),
        ),
    };
}
