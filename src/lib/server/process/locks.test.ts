import { spawn, type ChildProcess } from 'node:child_process';
import * as fs from 'node:fs';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { identityOf } from './liveness.ts';
import { hold, otherHolders, tryLock, unlock } from './locks.ts';

/** Called just before a lock's file is made: what other processes do in that moment. */
let meanwhile: (() => void) | null = null;
vi.mock('node:fs', async (original) => {
    const real = await original<typeof fs>();
    return {
        ...real,
        linkSync: (from: fs.PathLike, to: fs.PathLike): void => {
            const others = meanwhile;
            meanwhile = null;
            others?.();
            real.linkSync(from, to);
        },
    };
});

let folder: string;
let lock: string;
/** A process that lives on beside us. */
let other: ChildProcess;
const DEAD = '4194303 1';

beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'edgemap-locks-'));
    lock = join(folder, 'a.lock');
    other = spawn('sleep', ['600']);
});
afterEach(() => {
    other.kill('SIGKILL');
    rmSync(folder, { recursive: true });
});

/** How another process names itself. */
function otherHolder(): string {
    const { pid, started } = identityOf(other.pid!);
    return `${pid} ${started}`;
}

describe('tryLock', () => {
    it('gives a lock once until it is let go', () => {
        expect(tryLock(lock)).toBe(true);
        expect(tryLock(lock)).toBe(false);
        unlock(lock);
        expect(tryLock(lock)).toBe(true);
        unlock(lock);
    });

    it('takes the lock of a dead holder, and not that of a living one', () => {
        writeFileSync(`${lock}.7`, DEAD);
        expect(tryLock(lock)).toBe(true);
        unlock(lock);
        writeFileSync(`${lock}.9`, otherHolder());
        expect(tryLock(lock)).toBe(false);
        unlock(lock);
        expect(readFileSync(`${lock}.9`, 'utf8')).toBe(otherHolder());
    });

    it('knows the lock of a version before', () => {
        writeFileSync(lock, otherHolder());
        expect(tryLock(lock)).toBe(false);
        writeFileSync(lock, DEAD);
        expect(tryLock(lock)).toBe(true);
    });

    it('does not take what another took in the moment between', () => {
        writeFileSync(`${lock}.7`, DEAD);
        meanwhile = () => writeFileSync(`${lock}.8`, otherHolder());
        expect(tryLock(lock)).toBe(false);
        expect(tryLock(lock)).toBe(false);
        expect(readFileSync(`${lock}.8`, 'utf8')).toBe(otherHolder());
    });

    it('does not take it either where several had it in between, however slow it looked', () => {
        writeFileSync(`${lock}.7`, DEAD);
        meanwhile = () => {
            // One took it as number 8 and let go; another has it as number 9 and took the files before away.
            writeFileSync(`${lock}.9`, otherHolder());
            rmSync(`${lock}.7`);
        };
        expect(tryLock(lock)).toBe(false);
        expect(readdirSync(folder)).toEqual(['a.lock.9']);
        expect(readFileSync(`${lock}.9`, 'utf8')).toBe(otherHolder());
    });

    it('leaves nothing of locks before it', () => {
        for (let turn = 0; turn < 5; turn++) {
            expect(tryLock(lock)).toBe(true);
            unlock(lock);
        }
        expect(readdirSync(folder)).toEqual(['a.lock.5']);
    });
});

describe('hold', () => {
    it('counts living holders other than ourselves', () => {
        const letGo = hold(folder, 'database');
        expect(otherHolders(folder, 'database')).toBe(false);
        writeFileSync(join(folder, `database.held-by.${other.pid}`), otherHolder());
        expect(otherHolders(folder, 'database')).toBe(true);
        writeFileSync(join(folder, `database.held-by.${other.pid}`), DEAD);
        expect(otherHolders(folder, 'database')).toBe(false);
        letGo();
        expect(readdirSync(folder)).toEqual([]);
    });
});
