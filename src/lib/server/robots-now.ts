/** The robots.txt of a host as it is now, beside any survey. */
import { readAddress } from '../core/address/address.ts';
import { readProblems } from '../core/problems/problem.ts';
import { noteWords, problemWords } from '../core/words/problems.ts';
import type { RobotsNow } from '../wire/robots-now.ts';
import { withSiteClient } from './site-client.ts';
import { RobotsFiles } from './crawl/robots-files.ts';
import type { Site } from './store/site-store.ts';

/** @param origin scheme and host, as written */
export async function robotsNow(site: Pick<Site, 'settings'>, origin: string): Promise<RobotsNow | { say: string }> {
    const address = readAddress(`${origin.replace(/\/+$/, '')}/`);
    if (!address.ok) return { say: `"${origin}" is no host: it begins with https://` };
    const own = new URL(address.address.url).origin;
    const asked = await withSiteClient(site, `${own}/`, async (client, { token }) => {
        const files = new RobotsFiles(
            (url) => client.fetchFile(url),
            token,
            () => undefined,
        );
        return files.of(own);
    });
    if ('say' in asked) return asked;
    const { row, unreachable } = asked.told;
    return {
        text: unreachable === null ? row.text : null,
        status: row.status,
        note: unreachable === null ? noteWords(readProblems(row.note)) : problemWords(unreachable),
        at: Date.now(),
    };
}
