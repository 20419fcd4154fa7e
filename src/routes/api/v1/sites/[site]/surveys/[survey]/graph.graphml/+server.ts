import { error } from '@sveltejs/kit';
import { graphmlOf } from '$lib/core/formats/graphml.ts';
import { columnsNamed } from '$lib/server/current-set.ts';
import { textAnswer } from '$lib/server/export/downloads.ts';

/** The pages of a set and the distinct links among them, as GraphML; `columns=a,b` chooses what is said of pages. */
export async function GET({ url, locals }) {
    const current = await locals.set();
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    const columns = columnsNamed(current, url.searchParams.get('columns') ?? GRAPH_COLUMNS);
    return textAnswer(
        `${locals.site.name}-survey-${locals.survey.number}.graphml`,
        'application/graphml+xml',
        graphmlOf(current.survey, current.bits, columns),
    );
}

const GRAPH_COLUMNS = 'url,status,depth,gate,standing,section,title,incoming_pages,load';
