import { describe, expect, it } from 'vitest';
import { DiskFull, freeBytes, isFull, LEAST_FREE, mustHaveSpace, sayFull, SpaceWatch } from './disk-space.ts';
import type { SpaceWarning } from '../../core/survey/progress.ts';
import { megabytes } from '../../core/words/numbers.ts';

const MIB = 1024 * 1024;

function failure(code: string, cause?: Error): Error {
    return Object.assign(new Error('it failed', { cause }), { code });
}

describe('isFull', () => {
    it.each([
        'ENOSPC',
        'EDQUOT',
        'ER_DISK_FULL',
        'ER_RECORD_FILE_FULL',
        'ER_ERROR_ON_WRITE',
        'EE_WRITE',
        'EE_CANT_CHSIZE',
        'EE_DISK_FULL',
    ])('knows %s', (code) => {
        expect(isFull(failure(code))).toBe(true);
        expect(isFull(new Error('wrapped', { cause: failure(code) }))).toBe(true);
    });

    it.each([failure('ER_DUP_ENTRY'), failure('ENOENT'), new Error('full'), 'ENOSPC', null])(
        '%s is another',
        (error) => {
            expect(isFull(error)).toBe(false);
        },
    );
});

describe('free space', () => {
    it('is told of a folder, and unknown space is no reason to stop', () => {
        expect(freeBytes('/')).toBeGreaterThan(0);
        expect(freeBytes('/nowhere/at/all')).toBe(Infinity);
        expect(() => mustHaveSpace('/nowhere/at/all')).not.toThrow();
    });

    it('says what is full, how much is left and what to do', () => {
        // Files of the kernel take no more: a file system without a free block.
        expect(freeBytes('/proc')).toBe(0);
        expect(() => mustHaveSpace('/proc')).toThrow(DiskFull);
        expect(() => mustHaveSpace('/proc')).toThrow(
            'The disk with the data folder is full: 0 MB free. Free some space, then go on.',
        );
    });

    it('does not say that a disk is full which has room, for less than was wanted', () => {
        expect(freeBytes('/')).toBeGreaterThan(LEAST_FREE);
        expect(sayFull('/')).toMatch(
            /^The disk with the data folder has no room for this: [\d,]+ [MG]B free\. Free some space, then go on\.$/,
        );
    });

    it.each([
        [0, '0 MB'],
        [MIB - 1, '0 MB'],
        [2_048.5 * MIB, '2,048 MB'],
        [20 * 1024 * MIB, '20 GB'],
    ])('%d bytes are %s', (bytes, text) => {
        expect(megabytes(bytes)).toBe(text);
    });
});

describe('SpaceWatch', () => {
    /** A disk from which each page read takes so much. */
    function watch(free: number, perPage: number): (read: number, open: number) => SpaceWarning | null {
        let taken = 0;
        const space = new SpaceWatch('/data', () => free - taken);
        return (read, open) => {
            taken = read * perPage;
            return space.warning(read, open);
        };
    }

    it('says nothing while there is room for all that is known', () => {
        const warning = watch(4_096 * MIB, MIB / 10);
        expect(warning(0, 10)).toBeNull();
        expect(warning(1_000, 10_000)).toBeNull();
    });

    it('warns before it is too late: 1,000 pages took 100 MB, 50,000 more would take 5,000 MB', () => {
        const warning = watch(4_096 * MIB, MIB / 10);
        warning(0, 10);
        expect(warning(1_000, 50_000)).toEqual({ free: 3_996 * MIB, need: 5_000 * MIB });
    });

    it('draws no conclusion from the first few pages', () => {
        const warning = watch(4_096 * MIB, 10 * MIB);
        warning(0, 10);
        expect(warning(10, 50_000)).toBeNull();
    });

    it('tells of little space whatever is needed', () => {
        expect(watch(200 * MIB, 0)(0, 0)).toEqual({ free: 200 * MIB, need: 0 });
        expect(watch(256 * MIB, 0)(0, 0)).toBeNull();
        expect(LEAST_FREE).toBeLessThan(200 * MIB);
    });
});
