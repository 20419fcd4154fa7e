/** Whether a process that wrote its number down is still the same one: numbers are used again, start times are not. */
import { readFileSync } from 'node:fs';

/** A process, told apart from a later one with the same number. */
export interface ProcessIdentity {
    pid: number;
    /** Start time in clock ticks since boot, field 22 of /proc/PID/stat; 0 where that cannot be read. */
    started: number;
}

/**
 * Start time of a process that goes on, from its /proc/PID/stat (proc(5)); null for one that has ended. The first thread
 * of a killed process is a zombie before the others have ended, and until then its ports and files are not free.
 */
export function startIn(stat: string): number | null {
    // The command name may hold spaces and brackets; the fields after it start behind the last ")".
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    const threads = Number(fields[17]);
    return fields[0] === 'Z' && !(threads > 1) ? null : Number(fields[19]);
}

function startOf(pid: number): number | null {
    try {
        return startIn(readFileSync(`/proc/${pid}/stat`, 'utf8'));
    } catch {
        return null;
    }
}

export function identityOf(pid: number): ProcessIdentity {
    return { pid, started: startOf(pid) ?? 0 };
}

/** True while that very process lives (a zombie does not). */
export function isAlive(identity: ProcessIdentity): boolean {
    const started = startOf(identity.pid);
    return started !== null && (identity.started === 0 || started === identity.started);
}

/** Asks a process to end, waits, then ends it. Resolves once it is gone. */
export async function endProcess(identity: ProcessIdentity, graceMilliseconds: number): Promise<void> {
    if (!isAlive(identity)) return;
    signal(identity.pid, 'SIGTERM');
    const until = Date.now() + graceMilliseconds;
    while (isAlive(identity) && Date.now() < until) await pause(50);
    if (isAlive(identity)) signal(identity.pid, 'SIGKILL');
    while (isAlive(identity)) await pause(20);
}

function signal(pid: number, name: NodeJS.Signals): void {
    try {
        process.kill(pid, name);
    } catch (error) {
        // Gone between the look and the signal: that is what was wanted.
        if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error;
    }
}

export function pause(milliseconds: number): Promise<void> {
    return new Promise((resolve) => setTimeout(resolve, milliseconds));
}
