/** Starts the made site as a process; and a database in a folder of its own. */
import { fork } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDataFolder, projectRoot } from '../src/lib/server/process/data-folder.ts';
import { holdDatabase } from '../src/lib/server/process/database-process.ts';
import { migrateStore, openStore, type Store } from '../src/lib/server/store/connect.ts';

export interface MadeSite {
    start: string;
    end(): void;
}

export async function startMadeSite(pages: number, bytes: number, menu: number, related: number): Promise<MadeSite> {
    const child = fork(join(projectRoot(), 'build/node/bench-site.js'), [pages, bytes, menu, related].map(String));
    const port = await new Promise<number>((resolve) =>
        child.once('message', (message: { port: number }) => resolve(message.port)),
    );
    return { start: `http://127.0.0.1:${port}/`, end: () => child.disconnect() };
}

export interface BenchStore {
    store: Store;
    folder: string;
    end(): Promise<void>;
}

/** @param stays a data folder that is kept; one of its own, which goes, where there is none */
export async function openBenchStore(stays: string | null = null): Promise<BenchStore> {
    const path = stays ?? mkdtempSync(join(tmpdir(), 'edgemap-bench-'));
    const folder = openDataFolder(path);
    const hold = await holdDatabase(folder);
    await migrateStore(hold.access);
    const store = openStore(hold.access);
    return {
        store,
        folder: path,
        async end() {
            await store.close();
            await hold.release();
            if (stays === null) rmSync(path, { recursive: true, force: true });
        },
    };
}
