/** Whether a process that wrote its number down is still the same one: numbers are used again, start times are not. */
import { readFileSync } from 'node:fs';

/** A process, told apart from a later one with the same number. */
export interface ProcessIdentity {
    pid: number;
    /** Start time in clock ticks since boot, field 22 of /proc/PID/stat; 0 where that cannot be read. */
    started: number;
}

function startOf(pid: number): number | null {
    try {
        const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
        // The command name may hold spaces and brackets; the fields after it start behind the last ")".
        const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
        return fields[0] === 'Z' ? null : Number(fields[19]);
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
