/** The calling thread as the system knows it. */
import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { basename } from 'node:path';

/** Number of the calling thread in the system; -1 where that cannot be told. */
export function ownThread(): number {
    try {
        return Number(basename(readlinkSync('/proc/thread-self')));
    } catch {
        return -1;
    }
}

/** Niceness of work nobody looks at while it is done: about a third of the share of who waits for a page. */
const BEHIND = 5;

/**
 * Lets those go first who wait for a page: the calling thread, and what threads it starts from now on, get less of the
 * processor where there is not enough of it, and as much as before where there is. setpriority(2): Linux counts
 * niceness by thread, and anybody may raise it.
 */
export function stayBehind(): void {
    const thread = ownThread();
    if (thread < 0) return;
    try {
        setPriority(thread, BEHIND);
    } catch {
        // Refused by a sandbox: everything works, the readers wait a little longer.
    }
}
