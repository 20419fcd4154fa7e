/** Long work in pieces, so that whatever else the same thread does gets its turn. */
import { setImmediate as turn } from 'node:timers/promises';

/** Work goes on for so long before others get their turn, milliseconds. */
const ONE_BREATH = 8;
/** The clock is looked at once in so many calls: the look costs more than the work of one. */
const CALLS_BETWEEN_LOOKS = 16;

/** Gives a function to be awaited between pieces of work: it waits one turn of the event loop when it is time. */
export function breather(milliseconds = ONE_BREATH): () => Promise<void> | undefined {
    let until = performance.now() + milliseconds;
    let calls = 0;
    return () => {
        if (++calls % CALLS_BETWEEN_LOOKS !== 0 || performance.now() < until) return undefined;
        return turn().then(() => {
            until = performance.now() + milliseconds;
        });
    };
}
