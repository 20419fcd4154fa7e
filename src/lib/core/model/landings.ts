/** Where redirects lead in the end. */
import type { GraphModel } from './graph-model.ts';
import { perModel } from './per-model.ts';

/** By node, the first URL that does not redirect; -1 for a loop or a redirect that leads out of the site. O(nodes). */
export const landings = perModel(({ count, redirect }: GraphModel): Int32Array => {
    const landing = new Int32Array(count).fill(-3);
    const way: number[] = [];
    for (let node = 0; node < count; node++) {
        let at = node;
        way.length = 0;
        while (landing[at] === -3) {
            way.push(at);
            // On the way: whoever comes here again has gone round.
            landing[at] = -1;
            const next = redirect[at]!;
            if (next === -1) landing[at] = at;
            else if (next < 0 || next >= count) break;
            else {
                at = next;
                continue;
            }
            break;
        }
        const end = landing[at]!;
        for (const step of way) landing[step] = end;
    }
    return landing;
});
