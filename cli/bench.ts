/** `edgemap bench`: measures on this machine, in a process of its own so that its memory can be told. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';
import { EXIT } from './usage.ts';

export async function benchCommand(words: string[]): Promise<number> {
    const child = spawn(
        process.execPath,
        ['--expose-gc', '--enable-source-maps', join(projectRoot(), 'build/node/bench.js'), ...words],
        { stdio: 'inherit' },
    );
    return new Promise((resolve) => child.on('exit', (code) => resolve(code ?? EXIT.noSurvey)));
}
