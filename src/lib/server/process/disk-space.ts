/** Free space of the disk that holds a folder, and failures that mean it has run out. */
import { statfsSync } from 'node:fs';
import type { SpaceWarning } from '../../core/survey/progress.ts';
import { fullDiskSentences } from '../../core/words/problems.ts';

const MIB = 1024 * 1024;

/**
 * Below this nothing more is stored: a batch of rows, and what the database writes beside it, must still fit, so that a
 * survey can be laid aside in good order.
 */
export const LEAST_FREE = 16 * MIB;
/** Below this a survey says how much is left, whatever it needs. */
const LITTLE_FREE = 256 * MIB;

/** Bytes an ordinary user may still write on the disk of a folder; Infinity where the system does not tell. */
export function freeBytes(folder: string): number {
    try {
        const { bavail, bsize } = statfsSync(folder);
        return bavail * bsize;
    } catch {
        return Infinity;
    }
}

/** Codes of the database and of the system for a disk, a quota or a table that takes no more. */
const FULL = new Set([
    'ENOSPC',
    'EDQUOT',
    'ER_DISK_FULL',
    'ER_RECORD_FILE_FULL',
    'ER_ERROR_ON_WRITE',
    'ER_TEMP_FILE_WRITE_FAILURE',
    // A file of a table, or one for the time being, that could not be made longer.
    'EE_WRITE',
    'EE_CANT_CHSIZE',
    'EE_DISK_FULL',
    'EE_DISK_FULL_WITH_RETRY_MSG',
]);

/** True for a failure that passes when space is freed. */
export function isFull(error: unknown): boolean {
    for (let at: unknown = error, depth = 0; at instanceof Error && depth < 5; at = at.cause, depth++) {
        const { code } = at as { code?: unknown };
        if (at instanceof DiskFull || (typeof code === 'string' && FULL.has(code))) return true;
    }
    return false;
}

/** The disk with the data folder has no room for more. */
export class DiskFull extends Error {
    constructor(folder: string) {
        super(sayFull(folder));
    }
}

/** What is full and what to do, as sentences. */
export function sayFull(folder: string): string {
    const free = freeBytes(folder);
    // What was refused may have been larger than what is left, or was given back since.
    return fullDiskSentences(free < LEAST_FREE, free);
}

/** @throws DiskFull when hardly anything is left on the disk of a folder */
export function mustHaveSpace(folder: string): void {
    if (freeBytes(folder) < LEAST_FREE) throw new DiskFull(folder);
}

/** Watches how fast the disk fills while pages are read, and tells in time that it will not do. */
export class SpaceWatch {
    readonly #folder: string;
    readonly #free: (folder: string) => number;
    readonly #atFirst: number;
    #readAtFirst: number | null = null;

    constructor(folder: string, free = freeBytes) {
        this.#folder = folder;
        this.#free = free;
        this.#atFirst = free(folder);
    }

    /**
     * @param read pages read so far, those of earlier runs included
     * @param open pages known and not read yet
     * @returns null while there is room for what is known
     */
    warning(read: number, open: number): SpaceWarning | null {
        this.#readAtFirst ??= read;
        const free = this.#free(this.#folder);
        const done = read - this.#readAtFirst;
        // A few pages say little: the database grows in steps of megabytes.
        const need = done < 200 ? 0 : Math.max(0, ((this.#atFirst - free) / done) * open);
        if (free - need >= LEAST_FREE && free >= LITTLE_FREE) return null;
        return { free, need: need > 32 * MIB ? need : 0 };
    }
}
