import type { SetTroubleAt } from '$lib/server/current-set.ts';
import type { RequestContext } from '$lib/server/request-context.ts';

declare global {
    namespace App {
        interface Locals extends RequestContext {
            /** What was asked for went while it was looked at. */
            isGone?: boolean;
        }
        interface Error {
            message: string;
            /** What is wrong with a set, and where in its line. */
            trouble?: SetTroubleAt;
            /** It was not done, and is done when asked for once more with `anyway`. */
            doubt?: boolean;
        }
    }
}
