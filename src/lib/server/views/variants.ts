/** *Variants*, for a request: what the survey tells, and what the door check beside it found of the forms of the host. */
import { variantsView } from '../../core/views/variants.ts';
import { appStore } from '../app.ts';
import { doorFor } from '../beside.ts';
import type { RequestContext } from '../request-context.ts';

export async function showVariants(request: RequestContext) {
    const [packed, door] = await Promise.all([
        request.packed(['text', 'links']),
        doorFor(appStore().db, request.survey),
    ]);
    return { view: variantsView(packed, door?.forms), knockedAt: door?.at ?? null };
}
