/** What a parse thread tells of itself in shared memory, and how much computing it has done. */
import { readFileSync } from 'node:fs';

/** Places in the shared memory: the thread's number in the system, and the document it is reading. */
export const THREAD = 0;
export const READING = 1;
export const NOTHING_READ = -1;

/** Shared memory for one thread. */
export function toldByThread(): Int32Array {
    return new Int32Array(new SharedArrayBuffer(8)).fill(NOTHING_READ);
}

/** Linux counts processor time in hundredths of a second (USER_HZ), whatever the machine. */
const MILLISECONDS_PER_TICK = 10;

/**
 * Processor time a thread of this process has used so far, milliseconds: fields 14 and 15 of its `stat` (proc(5)).
 * Null where there is no such thread.
 */
export function processorTime(thread: number): number | null {
    if (thread < 0) return null;
    try {
        const stat = readFileSync(`/proc/self/task/${thread}/stat`, 'utf8');
        // The name in brackets may hold spaces; field 3 stands behind it.
        const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
        return (Number(fields[11]) + Number(fields[12])) * MILLISECONDS_PER_TICK;
    } catch {
        return null;
    }
}
