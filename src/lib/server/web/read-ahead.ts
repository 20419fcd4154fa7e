/** Modules of the views, read before the first visitor asks for one. */
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';

/** Between two modules, so that the scripts of a page that is being opened are not held up. */
const PAUSE_MILLISECONDS = 20;

/**
 * Loads every module below the given folders, one at a time, so that a request in between waits for one module at most.
 * A view's first visitor waited a third of a second for them, fifty at once on the second thread once more.
 *
 * @returns how many were loaded; one that cannot be is left for whoever asks for it, with the error it has
 */
export async function readAhead(folders: readonly string[]): Promise<number> {
    let loaded = 0;
    for (const folder of folders) {
        const names = await readdir(folder, { recursive: true }).catch((): string[] => []);
        for (const name of names.filter((each) => each.endsWith('.js')).sort()) {
            await wait(PAUSE_MILLISECONDS);
            try {
                await import(/* @vite-ignore */ pathToFileURL(join(folder, name)).href);
                loaded++;
            } catch {
                // Told to whoever opens the view.
            }
        }
    }
    return loaded;
}
