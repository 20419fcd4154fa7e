import { error, json } from '@sveltejs/kit';
import { MOST_SPOT_URLS, startSpot } from '$lib/server/survey-actions.ts';
import { SpotRequest } from '$lib/wire/survey-requests.ts';

/** Reads a page, a folder or the set in the query again, as a survey of its own. */
export async function POST({ request, locals }) {
    const asked = SpotRequest.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, 'Say what is to be read again: a page, a folder or a set.');
    const known = (await locals.packed()).texts('url').all();
    const { data } = asked;
    let urls: string[];
    let what: string;
    if (data.kind === 'page') {
        urls = known.filter((of) => of === data.url);
        what = data.url;
    } else if (data.kind === 'folder') {
        urls = known.filter((of) => of.startsWith(data.url));
        what = `the folder ${data.url}`;
    } else {
        const current = await locals.set();
        if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
        urls = Array.from(current.bits.nodes(), (node) => known[node]!);
        what = `a set of ${urls.length}`;
    }
    if (urls.length === 0) error(400, 'No known URL is in that.');
    if (urls.length > MOST_SPOT_URLS) {
        error(
            400,
            `A spot survey reads at most ${MOST_SPOT_URLS} URLs; this is ${urls.length}. Survey the site again instead.`,
        );
    }
    const survey = await startSpot(locals.survey, what, urls);
    return json({ number: survey.number });
}
