/**
 * The private MariaDB: made on first use, reached through a socket in the data folder only, shared by every process
 * of ours on that folder, ended by the last one that leaves.
 */
import { log } from './log.ts';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, openSync, closeSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import { userInfo } from 'node:os';
import { basename, join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { databaseSecret, register, registered, UserError, writeWhole, type DataFolder } from './data-folder.ts';
import { endProcess, identityOf, isAlive, pause, type ProcessIdentity } from './liveness.ts';
import { hold, otherHolders, withLock } from './locks.ts';

/** How to reach the database. */
export interface DatabaseAccess {
    socketPath: string;
    user: string;
    password: string;
    database: string;
}

const NAME = 'edgemap';
/** The database makes its files and folders for nobody but their owner. */
const PRIVATE_FILES = { UMASK: '0600', UMASK_DIR: '0700' };
const START_PATIENCE = 60_000;
const END_PATIENCE = 60_000;

/** Where Debian puts server programs, which a user's PATH may lack. */
function findProgram(name: string): string {
    for (const folder of [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin']) {
        const path = join(folder, name);
        if (folder !== '' && existsSync(path)) return path;
    }
    throw new UserError(
        `${name} is not installed. Install it with: apt-get install mariadb-server-core mariadb-client`,
    );
}

export function databaseAccess(folder: DataFolder): DatabaseAccess {
    return { socketPath: folder.socket, user: NAME, password: databaseSecret(folder), database: NAME };
}

/**
 * Where a database puts what it needs for a moment. Its own: a server that starts takes away whatever is left of such
 * files in the folder, and in one that several share those would be another's, still in use.
 */
function temporaryFolder(folder: DataFolder): string {
    const path = join(folder.run, 'database-temporary');
    mkdirSync(path, { recursive: true, mode: 0o700 });
    return path;
}

/** Makes the database files in a folder beside, then moves them into place: never half a database. */
function install(folder: DataFolder): void {
    if (existsSync(folder.database)) return;
    const fresh = `${folder.database}.new`;
    rmSync(fresh, { recursive: true, force: true });
    mkdirSync(fresh, { mode: 0o700 });
    const done = spawnSync(
        findProgram('mariadb-install-db'),
        [
            '--no-defaults',
            // Relative, because that script does not quote its paths and a folder's name may hold a space.
            `--datadir=./${basename(fresh)}`,
            `--user=${userInfo().username}`,
            '--auth-root-authentication-method=normal',
            '--skip-test-db',
            '--skip-name-resolve',
        ],
        {
            encoding: 'utf8',
            cwd: folder.path,
            env: { ...process.env, ...PRIVATE_FILES, TMPDIR: temporaryFolder(folder) },
        },
    );
    if (done.status !== 0) {
        rmSync(fresh, { recursive: true, force: true });
        throw new UserError(
            `The database could not be made: ${(done.stderr || done.stdout || String(done.error)).trim().slice(-500)}`,
        );
    }
    renameSync(fresh, folder.database);
}

/** Run by the server at every start: our database and account exist, no other account can be used. */
function writeInitFile(folder: DataFolder): string {
    const secret = databaseSecret(folder);
    const path = join(folder.run, 'init.sql');
    writeWhole(
        path,
        [
            // One account: the installation makes others, for root under every name of the machine, without a password.
            `DELETE FROM mysql.global_priv WHERE User NOT IN ('mariadb.sys', '${NAME}') OR (User = '${NAME}' AND Host <> 'localhost');`,
            'FLUSH PRIVILEGES;',
            `CREATE DATABASE IF NOT EXISTS ${NAME} CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;`,
            `CREATE USER IF NOT EXISTS '${NAME}'@'localhost';`,
            `ALTER USER '${NAME}'@'localhost' IDENTIFIED BY '${secret}';`,
            `GRANT ALL ON ${NAME}.* TO '${NAME}'@'localhost';`,
            '',
        ].join('\n'),
    );
    return path;
}

async function answers(folder: DataFolder): Promise<boolean> {
    try {
        const connection = await createConnection({ ...databaseAccess(folder), connectTimeout: 2_000 });
        await connection.query('SELECT 1');
        await connection.end();
        return true;
    } catch {
        return false;
    }
}

/** Keeps a log from growing without end: past the bound it is set aside once. */
export function openLog(path: string): number {
    if (existsSync(path) && statSync(path).size > 10_000_000) renameSync(path, `${path}.old`);
    return openSync(path, 'a', 0o600);
}

async function startServer(folder: DataFolder): Promise<ProcessIdentity> {
    install(folder);
    const logPath = join(folder.log, 'database.log');
    const log = openLog(logPath);
    rmSync(folder.socket, { force: true });
    const child = spawn(
        findProgram('mariadbd'),
        [
            '--no-defaults',
            `--user=${userInfo().username}`,
            `--datadir=${folder.database}`,
            `--socket=${folder.socket}`,
            `--pid-file=${join(folder.run, 'mariadbd.pid')}`,
            `--tmpdir=${temporaryFolder(folder)}`,
            `--init-file=${writeInitFile(folder)}`,
            '--skip-networking',
            '--skip-log-bin',
            '--skip-name-resolve',
            '--character-set-server=utf8mb4',
            '--collation-server=utf8mb4_nopad_bin',
            '--default-time-zone=+00:00',
            '--innodb-flush-log-at-trx-commit=1',
            '--innodb-buffer-pool-size=256M',
            '--innodb-log-file-size=96M',
            '--max-allowed-packet=64M',
            '--sql-mode=STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION',
            '--performance-schema=OFF',
        ],
        // A group of its own: Ctrl-C in the terminal reaches us, and we end the server when its users have left.
        { detached: true, stdio: ['ignore', log, log], env: { ...process.env, ...PRIVATE_FILES } },
    );
    closeSync(log);
    let failed = '';
    child.on('error', (error) => (failed = error.message));
    child.on('exit', (code, name) => (failed = `it ended with ${name ?? `code ${code}`}`));
    child.unref();
    if (child.pid === undefined) throw new UserError('The database server could not be started.');
    const identity = identityOf(child.pid);
    register(folder, 'database', identity);
    for (const until = Date.now() + START_PATIENCE; Date.now() < until; await pause(60)) {
        if (failed !== '') break;
        if (existsSync(folder.socket) && (await answers(folder))) return identity;
    }
    if (failed === '') await endProcess(identity, 5_000);
    const tail = readFileSync(logPath, 'utf8').trim().split('\n').slice(-4).join('\n');
    throw new UserError(
        `The database did not start (${failed || 'no answer in a minute'}). The end of ${logPath}:\n${tail}`,
    );
}

/** Brings the database up, or finds it up. */
async function ensureServer(folder: DataFolder): Promise<ProcessIdentity> {
    return withLock(join(folder.run, 'database.lock'), async () => {
        const running = registered(folder, 'database');
        if (running) {
            for (const until = Date.now() + START_PATIENCE; Date.now() < until; await pause(100)) {
                if (!isAlive(running)) break;
                if (await answers(folder)) return running;
            }
            await endProcess(running, 30_000);
        }
        return startServer(folder);
    });
}

/** A process's hold on the database: while it lasts, the database is kept up. */
export interface DatabaseHold {
    access: DatabaseAccess;
    /** Lets go; the last to let go ends the database cleanly. */
    release(): Promise<void>;
}

/** @param onRestart told when a database that died was started again */
export async function holdDatabase(folder: DataFolder, onRestart?: () => void): Promise<DatabaseHold> {
    const letGo = hold(folder.run, 'database');
    let server: ProcessIdentity;
    try {
        server = await ensureServer(folder);
    } catch (error) {
        letGo();
        throw error;
    }
    let released = false;
    let reviving = false;
    const timer = setInterval(() => {
        if (released || reviving || isAlive(server)) return;
        reviving = true;
        ensureServer(folder)
            .then((revived) => {
                server = revived;
                onRestart?.();
            })
            .catch((error: unknown) => log.error('the database is down', { error }))
            .finally(() => (reviving = false));
    }, 250);
    timer.unref();
    return {
        access: databaseAccess(folder),
        async release() {
            if (released) return;
            released = true;
            clearInterval(timer);
            while (reviving) await pause(50);
            await withLock(join(folder.run, 'database.lock'), async () => {
                const others = otherHolders(folder.run, 'database');
                letGo();
                if (!others) await endProcess(server, END_PATIENCE);
            });
        },
    };
}

/**
 * Ends a database whose supervisor died, unless somebody else still holds it.
 *
 * @param known the database as it was when the caller began, for a data folder that was deleted in the meantime
 */
export async function endAbandonedDatabase(folder: DataFolder, known: ProcessIdentity | null): Promise<void> {
    if (!existsSync(folder.run)) {
        // Nobody can come to a database whose folder is gone; it would stay for ever.
        if (known) await endProcess(known, END_PATIENCE);
        return;
    }
    await withLock(join(folder.run, 'database.lock'), async () => {
        const server = registered(folder, 'database');
        if (server && !otherHolders(folder.run, 'database')) await endProcess(server, END_PATIENCE);
    });
}
