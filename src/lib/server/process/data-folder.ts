/**
 * The data folder: everything that lasts between runs. Its layout: `format` (a number), `db/` (the database),
 * `secret` (its password, 0600), `run/` (locks, process numbers, socket), `log/`, `port`.
 */
import { randomBytes, createHash } from 'node:crypto';
import {
    accessSync,
    chmodSync,
    constants,
    existsSync,
    mkdirSync,
    readFileSync,
    renameSync,
    statSync,
    writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { isAlive, type ProcessIdentity } from './liveness.ts';

/** Layout of the folder; raised when an older program could no longer use it. */
const FORMAT = 1;

/** A condition the user can mend, worded for them. */
export class UserError extends Error {}

/** The folder that holds package.json. */
export function projectRoot(): string {
    for (let folder = dirname(fileURLToPath(import.meta.url)); ; folder = dirname(folder)) {
        if (existsSync(join(folder, 'package.json')) && existsSync(join(folder, 'edgemap'))) return folder;
        if (folder === dirname(folder))
            throw new UserError('The project folder cannot be found from where this program lies.');
    }
}

/** The data folder to use: the flag, else EDGEMAP_DATA, else `.edgemap` in the project. */
export function dataFolderPath(flag?: string): string {
    return resolve(flag ?? process.env.EDGEMAP_DATA ?? join(projectRoot(), '.edgemap'));
}

export interface DataFolder {
    path: string;
    database: string;
    run: string;
    log: string;
    socket: string;
}

/** Opens (and on first use makes) a data folder; refuses one written by a newer version. */
export function openDataFolder(path: string): DataFolder {
    const folder = {
        path,
        database: join(path, 'db'),
        run: join(path, 'run'),
        log: join(path, 'log'),
        socket: '',
    };
    try {
        for (const part of [path, folder.run, folder.log]) makeFolder(part);
        for (const part of [path, folder.run, folder.log])
            accessSync(part, constants.R_OK | constants.W_OK | constants.X_OK);
        // One made by a version before, or by hand, may be open to others: what lies in it is not for them.
        const { uid, mode } = statSync(path);
        if (uid === process.getuid?.() && (mode & 0o077) !== 0) chmodSync(path, 0o700);
    } catch (error) {
        throw new UserError(
            `The data folder ${path} cannot be used: ${(error as Error).message}. Choose another with --data, or give it to the user who runs Edge Map.`,
        );
    }
    const formatFile = join(path, 'format');
    if (existsSync(formatFile)) {
        const format = Number(readFileSync(formatFile, 'utf8'));
        if (!(format <= FORMAT)) {
            throw new UserError(
                `The data folder ${path} has format ${format}; this version knows ${FORMAT}. Use a newer Edge Map, or another folder with --data.`,
            );
        }
    } else writeWhole(formatFile, `${FORMAT}\n`);
    folder.socket = socketPath(folder.run);
    return folder;
}

/**
 * Makes a folder and those above it that are missing, one after the other; the user's umask applies. (The system's own way goes round for ever
 * where a folder above says that there is nothing and takes nothing either, as /proc does.)
 */
export function makeFolder(path: string, mode = 0o700): void {
    if (existsSync(path)) return;
    const above = dirname(path);
    if (above !== path) makeFolder(above, mode);
    try {
        mkdirSync(path, { mode });
    } catch (error) {
        // Somebody else made it in the meantime.
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
}

/** A socket path has a limit of about 107 bytes; a folder that lies deep gets its socket in a private temporary one. */
function socketPath(run: string): string {
    const near = join(run, 'db.sock');
    if (Buffer.byteLength(near) < 100) return near;
    const name = createHash('sha256').update(run).digest('hex').slice(0, 16);
    const far = join(tmpdir(), `edgemap-${process.getuid?.() ?? 0}-${name}`);
    mkdirSync(far, { recursive: true, mode: 0o700 });
    chmodSync(far, 0o700);
    return join(far, 'db.sock');
}

/** Writes a file so that a reader sees either the old one or the new one, whole. */
export function writeWhole(path: string, text: string, mode = 0o600): void {
    const temporary = `${path}.${process.pid}.tmp`;
    writeFileSync(temporary, text, { mode });
    renameSync(temporary, path);
}

/** The database password, made on first use. */
export function databaseSecret(folder: DataFolder): string {
    const file = join(folder.path, 'secret');
    if (!existsSync(file)) writeWhole(file, `${randomBytes(24).toString('hex')}\n`);
    return readFileSync(file, 'utf8').trim();
}

const Registration = z.object({
    pid: z.number().int().positive(),
    started: z.number(),
    address: z.string().optional(),
});
export type Registration = z.infer<typeof Registration>;

/** Writes down which process does a duty (`web`, `worker`, `database`, …). */
export function register(folder: DataFolder, duty: string, who: ProcessIdentity, address?: string): void {
    writeWhole(join(folder.run, `${duty}.json`), JSON.stringify({ ...who, address }));
}

/** The live process that does a duty, or null. */
export function registered(folder: DataFolder, duty: string): Registration | null {
    let text: string;
    try {
        text = readFileSync(join(folder.run, `${duty}.json`), 'utf8');
    } catch {
        return null;
    }
    try {
        const found = Registration.safeParse(JSON.parse(text));
        return found.success && isAlive(found.data) ? found.data : null;
    } catch {
        return null;
    }
}
