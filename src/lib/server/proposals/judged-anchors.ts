/** How the anchors of the survey of a request stand to their targets, by what the site says of subjects and words. */
import type { RequestContext } from '../request-context.ts';
import { anchorFits } from './anchor-fits.ts';
import { wordIndexOf } from './open-words.ts';
import { genericOf, saidSubjects } from './said.ts';

/** `fits` is null where the words of the survey are not known. */
export async function judgedAnchors(request: RequestContext) {
    const packed = await request.packed(['text', 'links']);
    const [words, said, generic] = await Promise.all([
        wordIndexOf(request.survey, packed),
        saidSubjects(request.site.id, packed),
        genericOf(request.site.id),
    ]);
    return { packed, words, said, generic, fits: words && anchorFits(packed, words, said, generic) };
}
