/**
 * What leaves for a terminal or a log, cleaned at one place: a title or a robots rule of a site may hold characters
 * that a terminal obeys (ECMA-48) or that turn the text around (Unicode bidirectional controls).
 */
import { format } from 'node:util';

/** Control characters but tab and line end, and those that change the direction of what follows. */
const OBEYED = /[\0-\x08\x0b-\x1f\x7f-\x9f\u200e\u200f\u202a-\u202e\u2066-\u2069]/g;

/** The text with such characters written out as `\u001b`, which in JSON means the same. */
export function clean(text: string): string {
    return text.replace(OBEYED, (char) => `\\u${char.charCodeAt(0).toString(16).padStart(4, '0')}`);
}

/** From here on everything this process says through the console is cleaned. Called first thing by every process. */
export function cleanConsole(): void {
    console.log = console.info = (...items: unknown[]) => void process.stdout.write(`${clean(format(...items))}\n`);
    console.error = console.warn = (...items: unknown[]) => void process.stderr.write(`${clean(format(...items))}\n`);
}

/** Writes over the line before on a terminal; an empty text takes it away. */
export function rewriteLine(text: string): void {
    process.stderr.write(`\r\x1b[K${clean(text)}`);
}
