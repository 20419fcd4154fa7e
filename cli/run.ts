/**
 * The supervisor: brings database, web and worker up, restarts what dies, and takes all of it down again. After its
 * own sudden death the next start ends what was left behind.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { closeSync, existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import {
    dataFolderPath,
    openDataFolder,
    projectRoot,
    register,
    registered,
    UserError,
    writeWhole,
    type DataFolder,
} from '../src/lib/server/process/data-folder.ts';
import { holdDatabase, openLog } from '../src/lib/server/process/database-process.ts';
import { endProcess, identityOf, pause } from '../src/lib/server/process/liveness.ts';
import { PORT_TAKEN } from '../src/lib/server/process/supervised.ts';
import { tryLock, unlock } from '../src/lib/server/process/locks.ts';
import { migrateStore, openStore } from '../src/lib/server/store/connect.ts';
import { ownAddress } from '../src/lib/server/access/guard.ts';
import { seedDemo } from '../demo/seed.ts';
import { freePort } from './ports.ts';
import { EXIT, UsageError } from './usage.ts';

const DEFAULT_PORT = 4300;
/** Duties in the order in which they are ended. */
const DUTIES = ['web', 'worker', 'stand-in'] as const;
type Duty = (typeof DUTIES)[number];

interface Child {
    duty: Duty;
    process: ChildProcess;
    started: number;
}

export async function runCommand(words: string[], demo: boolean): Promise<number> {
    let values;
    try {
        ({ values } = parseArgs({ args: words, options: { data: { type: 'string' }, port: { type: 'string' } } }));
    } catch (error) {
        throw new UsageError((error as Error).message);
    }
    const wish = values.port === undefined ? null : Number(values.port);
    if (wish !== null && !(Number.isInteger(wish) && wish >= 1 && wish <= 65_535)) {
        throw new UsageError(`--port is a whole number from 1 to 65535, not "${values.port}".`);
    }
    const path = dataFolderPath(values.data);
    const folder = openDataFolder(path);
    process.env.EDGEMAP_DATA = path;

    const lock = join(folder.run, 'supervisor.lock');
    if (!tryLock(lock)) {
        const first = registered(folder, 'supervisor');
        throw new UserError(
            `Edge Map already runs on ${path}${first?.address ? ` at ${first.address}` : ' and is just starting'}. Stop it with Ctrl-C there, or use another folder with --data.`,
        );
    }
    const supervisor = new Supervisor(folder);
    try {
        return await supervisor.run(wish, demo);
    } finally {
        unlock(lock);
    }
}

class Supervisor {
    readonly #folder: DataFolder;
    readonly #children = new Map<Duty, Child>();
    #port = 0;
    #standInPort = 0;
    /** The address was told: from then on a change of it has to be told too. */
    #isTold = false;
    #ending = false;
    #end: () => void = () => undefined;

    constructor(folder: DataFolder) {
        this.#folder = folder;
    }

    async run(wish: number | null, demo: boolean): Promise<number> {
        const ended = new Promise<void>((resolve) => (this.#end = resolve));
        for (const name of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(name, () => this.#end());
        register(this.#folder, 'supervisor', identityOf(process.pid));
        // What an earlier supervisor left when it was killed: ended first, so that ports and jobs are free.
        for (const duty of DUTIES) {
            const left = registered(this.#folder, duty);
            if (left) await endProcess(left, 3_000);
        }
        const hold = await holdDatabase(this.#folder, () =>
            console.log('The database had ended and was started again.'),
        );
        try {
            await migrateStore(hold.access);
            await this.#takePort(wish ?? this.#rememberedPort());
            if (demo) await this.#startStandIn();
            await Promise.all([this.#start('worker'), this.#start('web')]);
            register(this.#folder, 'supervisor', identityOf(process.pid), ownAddress(this.#port));
            if (demo) {
                const store = openStore(hold.access);
                try {
                    await seedDemo(
                        store,
                        this.#standInPort,
                        (line) => console.log(line),
                        () => this.#ending,
                    );
                } finally {
                    await store.close();
                }
            }
            console.log(`Edge Map is at ${ownAddress(this.#port)}`);
            this.#isTold = true;
            console.log(`Data: ${this.#folder.path}. Stop with Ctrl-C.`);
            await ended;
            console.log('Stopping.');
            return EXIT.done;
        } finally {
            this.#ending = true;
            await this.#stop();
            await hold.release();
        }
    }

    #rememberedPort(): number {
        const file = join(this.#folder.path, 'port');
        const port = existsSync(file) ? Number(readFileSync(file, 'utf8')) : NaN;
        return Number.isInteger(port) && port > 0 && port < 65_536 ? port : DEFAULT_PORT;
    }

    async #takePort(wish: number): Promise<void> {
        this.#port = await freePort(wish);
        writeWhole(join(this.#folder.path, 'port'), `${this.#port}\n`);
    }

    async #startStandIn(): Promise<void> {
        const file = join(this.#folder.path, 'stand-in-port');
        const wished = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 4380;
        this.#standInPort = await freePort(wished);
        writeWhole(file, `${this.#standInPort}\n`);
        await this.#start('stand-in');
    }

    /** Starts a duty, and again whenever it dies; resolves once it does its work. */
    async #start(duty: Duty): Promise<void> {
        await Promise.race([new Promise<void>((resolve) => this.#spawn(duty, resolve)), pause(30_000)]);
    }

    /** Starts a duty in a process group of its own. */
    #spawn(duty: Duty, onReady: () => void): void {
        const log = openLog(join(this.#folder.log, `${duty}.log`));
        const child = spawn(process.execPath, ['--enable-source-maps', join(projectRoot(), `build/node/${duty}.js`)], {
            detached: true,
            stdio: ['ignore', log, log, 'ipc'],
            env: {
                ...process.env,
                EDGEMAP_DATA: this.#folder.path,
                EDGEMAP_PORT: String(this.#port),
                EDGEMAP_STAND_IN_PORT: String(this.#standInPort),
            },
        });
        closeSync(log);
        if (child.pid === undefined) throw new UserError(`The ${duty} process could not be started.`);
        register(this.#folder, duty, identityOf(child.pid));
        const started = Date.now();
        this.#children.set(duty, { duty, process: child, started });
        child.once('message', onReady);
        child.on('exit', (code, name) => {
            if (this.#ending) return;
            if (duty === 'web' && code === PORT_TAKEN) {
                this.#moveOn(onReady).catch((error: Error) => {
                    console.error(`Nothing can be looked at: ${error.message}`);
                    this.#end();
                });
                return;
            }
            console.log(`The ${duty} process ended (${name ?? `code ${code}`}); it is started again.`);
            // A process that dies at once is not restarted in a tight circle.
            setTimeout(
                () => {
                    if (!this.#ending) this.#spawn(duty, onReady);
                },
                Date.now() - started < 2_000 ? 1_500 : 50,
            );
        });
    }

    /** Somebody else took the port between our look and our listening, or while the web process was away. */
    async #moveOn(onReady: () => void): Promise<void> {
        await this.#takePort(this.#port + 1);
        if (this.#ending) return;
        this.#spawn('web', onReady);
        if (!this.#isTold) return;
        const address = ownAddress(this.#port);
        register(this.#folder, 'supervisor', identityOf(process.pid), address);
        console.log(`The port was taken by another program. Edge Map is at ${address}`);
    }

    async #stop(): Promise<void> {
        for (const duty of DUTIES) {
            const child = this.#children.get(duty);
            if (
                child?.process.pid !== undefined &&
                child.process.exitCode === null &&
                child.process.signalCode === null
            ) {
                await endProcess(identityOf(child.process.pid), 8_000);
            }
        }
    }
}
