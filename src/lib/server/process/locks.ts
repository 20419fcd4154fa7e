/** Locks between processes: a file made exclusively, naming its holder; a dead holder's lock is taken over. */
import { closeSync, openSync, readdirSync, readFileSync, rmSync, writeSync, linkSync, unlinkSync } from 'node:fs';
import { join } from 'node:path';
import { identityOf, isAlive, pause, type ProcessIdentity } from './liveness.ts';

function readHolder(path: string): ProcessIdentity | null {
    try {
        const [pid, started] = readFileSync(path, 'utf8').split(' ').map(Number);
        return pid ? { pid, started: started ?? 0 } : null;
    } catch {
        return null;
    }
}

/** Tries once; true when the lock is ours now. */
export function tryLock(path: string): boolean {
    const me = identityOf(process.pid);
    const mine = `${path}.${process.pid}`;
    const file = openSync(mine, 'w', 0o600);
    writeSync(file, `${me.pid} ${me.started}`);
    closeSync(file);
    try {
        // A hard link fails when the name exists, so the lock appears with its holder's name in it or not at all.
        linkSync(mine, path);
        return true;
    } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
        const holder = readHolder(path);
        if (holder && isAlive(holder)) return false;
        rmSync(path, { force: true });
        try {
            linkSync(mine, path);
            return true;
        } catch {
            return false;
        }
    } finally {
        unlinkSync(mine);
    }
}

export function unlock(path: string): void {
    if (readHolder(path)?.pid === process.pid) rmSync(path, { force: true });
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
