/** *Wording*, for a request: the checks of anchors with examples at their lines, and the words that say nothing. */
import { emptyWordsView } from '../../core/views/empty-words.ts';
import { wordingChecks, type WordingCheck } from '../../core/views/wording-checks.ts';
import { appStore } from '../app.ts';
import { checkViewOf } from '../findings.ts';
import { linkMarks } from '../link-marks.ts';
import { genericOf } from '../proposals/said.ts';
import type { RequestContext } from '../request-context.ts';

export async function showWording(request: RequestContext) {
    const view = await checkViewOf(request, 'pages only');
    const checks = wordingChecks(view);
    return {
        checks: await withLines(request, view.survey, checks),
        empty: emptyWordsView(view.survey, await genericOf(request.site.id)),
    };
}

/** The same with the line of each example. */
async function withLines(
    { survey }: RequestContext,
    packed: Parameters<typeof linkMarks>[2],
    checks: readonly WordingCheck[],
) {
    const examples = checks.flatMap(({ places }) => places.flatMap(({ example }) => example?.place ?? []));
    const marks = await linkMarks(appStore().db, survey.id, packed, examples);
    let next = 0;
    return checks.map(({ places, ...check }) => ({
        ...check,
        places: places.map(({ example, ...place }) => ({
            ...place,
            example: example && {
                url: example.url,
                say: example.say,
                line: example.place === null ? null : (marks[next++]?.line ?? null),
            },
        })),
    }));
}
