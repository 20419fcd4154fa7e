import { error } from '@sveltejs/kit';
import { graphmlOf } from '$lib/core/formats/graphml.ts';
import { findRoute } from '$lib/server/app.ts';
import { columnsNamed, evaluateLine } from '$lib/server/current-set.ts';
import { textAnswer } from '$lib/server/export/downloads.ts';

/** The pages of a set and the distinct links among them, as GraphML; `columns=a,b` chooses what is said of pages. */
export async function GET({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, url.searchParams.get('set') ?? '');
    if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
    const columns = columnsNamed(current, url.searchParams.get('columns') ?? GRAPH_COLUMNS);
    return textAnswer(
        `${found.site.name}-survey-${found.survey.number}.graphml`,
        'application/graphml+xml',
        graphmlOf(current.survey, current.bits, columns),
    );
}

const GRAPH_COLUMNS = 'url,status,depth,gate,standing,section,title,incoming_pages,load';
