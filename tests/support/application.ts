/** The whole application as a user starts it, on a data folder of its own. */
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { startCommand, until, type RunningCommand } from './command.ts';
import { temporaryFolder } from './instance.ts';

export interface Application {
    address: string;
    data: string;
    command: RunningCommand;
    /** Process number of a duty: `web`, `worker`, `database`, `supervisor`. */
    pidOf(duty: string): number;
    /** Ends it as Ctrl-C does. */
    stop(): Promise<number | null>;
    /** Ends it and removes its data. */
    close(): Promise<void>;
}

/** @param mayFail a test takes away what the web process needs, and so may let it log failures */
export async function startApplication(
    words: string[] = ['start'],
    data = temporaryFolder('application'),
    mayFail = false,
): Promise<Application> {
    const command = startCommand([...words, ...ownPort(words, data), '--data', data]);
    const address = await until(
        'the address',
        () => {
            if (command.process.exitCode !== null) throw new Error(`It ended: ${command.said()}`);
            return /Edge Map is at (\S+)/.exec(command.said())?.[1];
        },
        120_000,
        command.said,
    );
    const stop = async (): Promise<number | null> => {
        if (command.process.exitCode === null && command.process.signalCode === null) command.process.kill('SIGINT');
        return (await command.done).code;
    };
    return {
        address: address.replace(/\/$/, ''),
        data,
        command,
        pidOf: (duty) => (JSON.parse(readFileSync(join(data, `run/${duty}.json`), 'utf8')) as { pid: number }).pid,
        stop,
        async close() {
            await stop();
            // What the web process said of its own: nothing, unless something failed that no test has seen.
            const log = join(data, 'log/web.log');
            const said = (existsSync(log) ? readFileSync(log, 'utf8') : '')
                .split('\n')
                .filter((line) => !/^\{"level":"(?:debug|info)"/.test(line))
                .join('\n')
                .trim();
            rmSync(data, { recursive: true, force: true });
            if (said !== '' && !mayFail) throw new Error(`The web process logged: ${said.slice(0, 4_000)}`);
        },
    };
}

/** Test files run beside each other: each process of them looks for a free port in a place of its own. */
function ownPort(words: readonly string[], data: string): string[] {
    if (words.includes('--port') || existsSync(join(data, 'port'))) return [];
    return ['--port', String(20_000 + ((process.pid * 20) % 10_000))];
}

export function lives(pid: number): boolean {
    try {
        const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
        const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
        // A zombie of which other threads are still ending keeps its ports.
        return fields[0] !== 'Z' || Number(fields[17]) > 1;
    } catch {
        return false;
    }
}
