/**
 * Locks between processes. A lock is a row of files `PATH.1`, `PATH.2`, …, each naming a holder, of which the highest
 * counts and is never taken away: it is free once its holder has let go or died, and whoever makes the next one has the
 * lock. Making a file by a name that exists fails, so of many who find the same dead holder exactly one comes after it.
 * (One file that is removed and made anew cannot do that: who was slow to look would remove the lock of the next.)
 */
import {
    closeSync,
    linkSync,
    openSync,
    readdirSync,
    readFileSync,
    renameSync,
    rmSync,
    unlinkSync,
    writeFileSync,
    writeSync,
} from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { identityOf, isAlive, pause, type ProcessIdentity } from './liveness.ts';

function readHolder(path: string): ProcessIdentity | null {
    try {
        const [pid, started] = readFileSync(path, 'utf8').split(' ').map(Number);
        return pid ? { pid, started: started ?? 0 } : null;
    } catch {
        return null;
    }
}

/** Numbers of the files of a lock that are there, ascending. */
function turnsOf(path: string): number[] {
    const start = `${basename(path)}.`;
    return readdirSync(dirname(path))
        .filter((name) => name.startsWith(start))
        .map((name) => name.slice(start.length))
        .filter((rest) => /^\d+$/.test(rest))
        .map(Number)
        .sort((a, b) => a - b);
}

/** Writes our name beside a lock, so that it can appear there whole. */
function writeOurs(path: string): string {
    const me = identityOf(process.pid);
    const mine = `${path}.of-${process.pid}`;
    writeFileSync(mine, `${me.pid} ${me.started}`, { mode: 0o600 });
    return mine;
}

/** Tries once; true when the lock is ours now. */
export function tryLock(path: string): boolean {
    const last = turnsOf(path).at(-1) ?? 0;
    // A version before wrote the one file without a number.
    const holder = readHolder(last === 0 ? path : `${path}.${last}`);
    if (holder && isAlive(holder)) return false;
    const ours = last + 1;
    const mine = writeOurs(path);
    try {
        // A hard link fails when the name exists, so the lock appears with its holder's name in it or not at all.
        linkSync(mine, `${path}.${ours}`);
    } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
        return false;
    } finally {
        unlinkSync(mine);
    }
    const turns = turnsOf(path);
    if (turns.at(-1) !== ours) {
        // Others have had it since we looked, and put ours out of the way: the highest counts.
        rmSync(`${path}.${ours}`, { force: true });
        return false;
    }
    for (const turn of turns) if (turn < ours) rmSync(`${path}.${turn}`, { force: true });
    return true;
}

/** Lets go of a lock, if it is ours. Its file stays, and names nobody. */
export function unlock(path: string): void {
    const last = `${path}.${turnsOf(path).at(-1) ?? 0}`;
    const holder = readHolder(last);
    if (holder?.pid !== process.pid) return;
    const free = `${path}.free-${process.pid}`;
    writeFileSync(free, '', { mode: 0o600 });
    renameSync(free, last);
}

/** Runs something while holding a lock, waiting for it first. */
export async function withLock<T>(path: string, work: () => Promise<T>): Promise<T> {
    while (!tryLock(path)) await pause(50);
    try {
        return await work();
    } finally {
        unlock(path);
    }
}

/** Names this process as one that uses something; `otherHolders` tells whether anyone else does. */
export function hold(run: string, thing: string): () => void {
    const path = join(run, `${thing}.held-by.${process.pid}`);
    const me = identityOf(process.pid);
    const file = openSync(path, 'w', 0o600);
    writeSync(file, `${me.pid} ${me.started}`);
    closeSync(file);
    return () => rmSync(path, { force: true });
}

/** True while another live process holds the thing. */
export function otherHolders(run: string, thing: string): boolean {
    return readdirSync(run)
        .filter((name) => name.startsWith(`${thing}.held-by.`))
        .some((name) => {
            const holder = readHolder(join(run, name));
            if (holder && isAlive(holder)) return holder.pid !== process.pid;
            rmSync(join(run, name), { force: true });
            return false;
        });
}
