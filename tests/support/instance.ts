/** A database of its own for tests: another folder, another server, gone afterwards. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDataFolder, type DataFolder } from '$lib/server/process/data-folder.ts';
import { holdDatabase, type DatabaseHold } from '$lib/server/process/database-process.ts';
import { migrateStore, openStore, type Store } from '$lib/server/store/connect.ts';

export interface Instance {
    folder: DataFolder;
    hold: DatabaseHold;
    store: Store;
    close(): Promise<void>;
}

export function temporaryFolder(name: string): string {
    return mkdtempSync(join(tmpdir(), `edgemap-${name}-`));
}

export async function openInstance(): Promise<Instance> {
    const path = temporaryFolder('instance');
    const folder = openDataFolder(path);
    const hold = await holdDatabase(folder);
    await migrateStore(hold.access);
    const store = openStore(hold.access);
    return {
        folder,
        hold,
        store,
        async close() {
            await store.close();
            await hold.release();
            rmSync(path, { recursive: true, force: true });
        },
    };
}
