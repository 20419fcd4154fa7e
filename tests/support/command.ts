/** Runs the command line as a user would, as a process of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import { projectRoot } from '$lib/server/process/data-folder.ts';

export interface CommandResult {
    code: number | null;
    out: string;
    err: string;
}

export interface RunningCommand {
    process: ChildProcess;
    done: Promise<CommandResult>;
    /** Output and errors so far. */
    said: () => string;
}

export function startCommand(words: string[]): RunningCommand {
    const child = spawn(process.execPath, [join(projectRoot(), 'build/node/edgemap.js'), ...words], {
        stdio: ['ignore', 'pipe', 'pipe'],
    });
    let out = '';
    let err = '';
    child.stdout.on('data', (piece: Buffer) => (out += piece.toString()));
    child.stderr.on('data', (piece: Buffer) => (err += piece.toString()));
    const done = new Promise<CommandResult>((resolve) => child.on('close', (code) => resolve({ code, out, err })));
    return { process: child, done, said: () => out + err };
}

export function runCommand(words: string[]): Promise<CommandResult> {
    return startCommand(words).done;
}

/** Waits until a condition holds; fails with what was said so far. */
export async function until<T>(
    what: string,
    condition: () => T | Promise<T>,
    patience = 60_000,
    said: () => string = () => '',
): Promise<NonNullable<T>> {
    const end = Date.now() + patience;
    for (;;) {
        const found = await condition();
        if (found) return found;
        if (Date.now() > end) throw new Error(`${what} did not happen. ${said()}`);
        await new Promise((resolve) => setTimeout(resolve, 60));
    }
}

export type Row = Record<string, string>;

export function readCsv(folder: string, name: string): Row[] {
    return parse(readFileSync(join(folder, name)), { columns: true, relax_column_count: false }) as Row[];
}

export function readSummary(folder: string): Record<string, unknown> {
    return JSON.parse(readFileSync(join(folder, 'summary.json'), 'utf8')) as Record<string, unknown>;
}
