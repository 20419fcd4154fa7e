/**
 * What processes tell of themselves. A service (web, worker, stand-in) writes lines of JSON into its file of the log
 * folder, with level and time, bounded in size; a command writes plain lines to the terminal. `EDGEMAP_LOG` sets the
 * level: `debug`, `info` (where nothing is said), `warn` or `error`.
 */
import { join } from 'node:path';
import pino, { type Logger } from 'pino';
import { clean } from './clean-output.ts';
import type { DataFolder } from './data-folder.ts';
import { RotatingFile } from './rotating-file.ts';

const LEVELS = ['debug', 'info', 'warn', 'error'] as const;
type Level = (typeof LEVELS)[number];

/** Fields beside the message. An error is told by its kind, code, first line and places, and so is what caused it. */
export type LogFields = { error?: unknown } & Record<string, unknown>;

/** Names under which secrets travel; none of it is ever written. */
const SECRETS = ['authorization', 'cookie', 'cookies', 'headers', 'secrets', 'signIn', 'password', 'set-cookie'];
const BOUNDS = { most: 5_000_000, kept: 3 };
const LONGEST = 500;
const MOST_PLACES = 12;
const MOST_CAUSES = 5;

/** A query that failed tells its parameters, which are rows: the line with them is left out. */
function firstLine(text: string): string {
    return withoutSignIn(text.split('\n', 1)[0] ?? '').slice(0, LONGEST);
}

/** A user and a password in an address are nobody's business. */
function withoutSignIn(text: string): string {
    return text.replace(/(\b[a-z][a-z\d+.-]*:\/\/)[^\s/@]*@/gi, '$1…@');
}

export interface ToldError {
    kind: string;
    say: string;
    code?: string;
    places?: string[];
    cause?: ToldError;
}

export function toldError(error: unknown, depth = 0): ToldError {
    if (!(error instanceof Error)) return { kind: typeof error, say: firstLine(String(error)) };
    const { code } = error as { code?: unknown };
    const places = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
    return {
        kind: error.name,
        say: firstLine(error.message),
        ...(typeof code === 'string' ? { code } : {}),
        ...(places.length > 0 ? { places: places.slice(0, MOST_PLACES).map((line) => line.trim()) } : {}),
        ...(error.cause === undefined || depth >= MOST_CAUSES ? {} : { cause: toldError(error.cause, depth + 1) }),
    };
}

function levelOf(wish: string | undefined): Level {
    return LEVELS.find((level) => level === wish) ?? 'info';
}

/** A logger that writes lines of JSON. @param name of the process, told in each line */
export function jsonLog(name: string, write: (line: string) => void, wish = process.env.EDGEMAP_LOG): Logger {
    return pino(
        {
            name,
            level: levelOf(wish),
            base: { name, pid: process.pid },
            timestamp: pino.stdTimeFunctions.isoTime,
            formatters: { level: (label) => ({ level: label }) },
            serializers: { error: (error: unknown) => toldError(error) },
            redact: { paths: SECRETS.flatMap((key) => [`["${key}"]`, `*["${key}"]`]), censor: '…' },
        },
        { write: (line) => write(`${clean(withoutSignIn(line.trimEnd()))}\n`) },
    );
}

/**
 * The logger of this process. It is kept with the process and not with this module, which is built into more than one
 * bundle.
 */
const KEY = Symbol.for('edgemap.log');
const held = globalThis as { [KEY]?: Logger };

/** From here on this process logs into its file. Called first thing by every service. */
export function logInto(folder: DataFolder, name: string): void {
    const file = new RotatingFile(join(folder.log, `${name}.log`), BOUNDS);
    held[KEY] = jsonLog(name, (line) => file.write(line));
}

function tell(level: Level, message: string, fields: LogFields): void {
    const logger = held[KEY];
    if (logger) logger[level](fields, withoutSignIn(message));
    else if (level === 'warn' || level === 'error') {
        const because = fields.error === undefined ? '' : `: ${toldError(fields.error).say}`;
        process.stderr.write(`${clean(withoutSignIn(`${message}${because}`))}\n`);
    }
}

export const log = {
    debug: (message: string, fields: LogFields = {}): void => tell('debug', message, fields),
    info: (message: string, fields: LogFields = {}): void => tell('info', message, fields),
    warn: (message: string, fields: LogFields = {}): void => tell('warn', message, fields),
    error: (message: string, fields: LogFields = {}): void => tell('error', message, fields),
};
