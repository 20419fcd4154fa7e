/**
 * Fernhollow, surveyed once for all browser tests: its stand-in stays up while they run, and each file of tests begins with
 * a copy of the data folder, so that none depends on what another did.
 */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import * as answers from '../../demo/answers.ts';
import { fernhollow } from '../../demo/fernhollow/site.ts';
import { startStandIn } from '../../demo/stand-in.ts';
import { runCommand } from './command.ts';
import { temporaryFolder } from './instance.ts';

declare module 'vitest' {
    interface ProvidedContext {
        /** Data folder with site 1, Fernhollow, and its survey 1. */
        madeSite: string;
        /** Port of its stand-in. */
        standIn: number;
    }
}

/** What the first user of `new-user.test.ts` chooses on screen. */
export function settingsWords(port: number): string[] {
    const hosts = ['www.fernhollow-tools.example', 'fernhollow-tools.example'];
    return [
        ...hosts.flatMap((host) => ['--pin', `${host}=127.0.0.1:${port}`]),
        ...['--max-pages', '1000', '--family-limit', String(answers.FAMILY_LIMIT), '--knock'],
    ];
}

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
    const standIn = await startStandIn(fernhollow());
    const folder = temporaryFolder('made-site');
    const data = join(folder, 'data');
    const words = ['survey', answers.START, ...settingsWords(standIn.port), '--export', join(folder, 'export')];
    const { code, err } = await runCommand([...words, '--data', data]);
    if (code !== 0) throw new Error(`Fernhollow could not be surveyed: ${err}`);
    project.provide('madeSite', data);
    project.provide('standIn', standIn.port);
    return async () => {
        await standIn.close();
        rmSync(folder, { recursive: true, force: true });
    };
}
