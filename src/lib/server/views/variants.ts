/** *Variants*, for a request: what the survey tells, and what the last door check found of the forms of the host. */
import { variantsView } from '../../core/views/variants.ts';
import { appStore } from '../app.ts';
import { hostFormsOf } from '../beside.ts';
import type { RequestContext } from '../request-context.ts';

export async function showVariants(request: RequestContext) {
    const [packed, knocked] = await Promise.all([
        request.packed(['text', 'links']),
        hostFormsOf(appStore().db, request.site.id, request.survey.settings.start),
    ]);
    return { view: variantsView(packed, knocked) };
}
