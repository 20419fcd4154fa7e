/** The connection to the database, and bringing its tables to the newest form. */
import { join } from 'node:path';
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { migrate } from 'drizzle-orm/mysql2/migrator';
import { createPool, type Pool } from 'mysql2/promise';
import { projectRoot } from '../process/data-folder.ts';
import type { DatabaseAccess } from '../process/database-process.ts';
import { pause } from '../process/liveness.ts';
import * as schema from './schema.ts';

/** What queries are made on: the pool, or one connection in a transaction. */
export type Executor = MySql2Database<typeof schema>;

export type Database = Executor & { $client: Pool };

export interface Store {
    /** How it is reached: for a thread that opens a connection of its own. */
    access: DatabaseAccess;
    db: Database;
    pool: Pool;
    close(): Promise<void>;
}

let watcher: ((query: string, values: string) => void) | null = null;

/** Has every query told, with its values: for finding those that are asked twice. */
export function watchQueries(told: (query: string, values: string) => void): void {
    watcher = told;
}

export const MIGRATIONS_FOLDER = 'src/lib/server/store/migrations';

export function openStore(access: DatabaseAccess): Store {
    const pool = createPool({
        ...access,
        charset: 'utf8mb4_bin',
        timezone: 'Z',
        connectionLimit: 8,
        supportBigNumbers: true,
    });
    const logger = { logQuery: (query: string, values: unknown[]) => watcher?.(query, JSON.stringify(values)) };
    const db = drizzle(pool, { schema, mode: 'default', logger });
    return { access, db, pool, close: () => pool.end() };
}

/** Runs the migrations that are missing; several processes may ask at once. */
export async function migrateStore(
    access: DatabaseAccess,
    folder = join(projectRoot(), MIGRATIONS_FOLDER),
): Promise<void> {
    const pool = createPool({ ...access, charset: 'utf8mb4_bin', timezone: 'Z', connectionLimit: 2 });
    const connection = await pool.getConnection();
    try {
        await connection.query('SELECT GET_LOCK(?, 60)', ['edgemap-migrate']);
        await migrate(drizzle(connection), { migrationsFolder: folder });
        await connection.query('SELECT RELEASE_LOCK(?)', ['edgemap-migrate']);
    } finally {
        connection.release();
        await pool.end();
    }
}

const LOST = new Set([
    'ECONNREFUSED',
    'ECONNRESET',
    'ENOENT',
    'EPIPE',
    'PROTOCOL_CONNECTION_LOST',
    'ER_SERVER_SHUTDOWN',
    'ER_CON_COUNT_ERROR',
    'ER_LOCK_DEADLOCK',
    'ER_LOCK_WAIT_TIMEOUT',
]);

/** True for a failure that passes when the database is back. */
export function isPassing(error: unknown): boolean {
    for (let at: unknown = error, depth = 0; at instanceof Error && depth < 5; at = at.cause, depth++) {
        const code = (at as { code?: unknown }).code;
        if (typeof code === 'string' && LOST.has(code)) return true;
        // The driver gives a connection that was closed under a query no code.
        // eslint-disable-next-line no-restricted-syntax
        if (/Connection lost|closed state/i.test(at.message)) return true;
    }
    return false;
}

/** The first line of what lies at the bottom of a failure: a failed query tells itself in full, rows and all. */
export function reasonOf(error: unknown): string {
    let at = error;
    for (let depth = 0; at instanceof Error && at.cause instanceof Error && depth < 5; depth++) at = at.cause;
    return (at instanceof Error ? at.message : String(at)).split('\n')[0]!.slice(0, 300);
}

/** Does something again while the database is away, up to a patience in milliseconds. */
export async function whileAway<T>(work: () => Promise<T>, patience = 120_000, isOver?: () => boolean): Promise<T> {
    const until = Date.now() + patience;
    for (;;) {
        try {
            return await work();
        } catch (error) {
            if (!isPassing(error) || Date.now() > until || isOver?.()) throw error;
            await pause(200);
        }
    }
}
