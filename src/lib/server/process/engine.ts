/** How the engine compiles, and what garbage it keeps, where pages are read. */
import { setFlagsFromString } from 'node:v8';

/** Bytes of bytecode a function runs before the engine looks whether to optimise it; the first is the default of Node 20. */
const USUAL = 67_584;
const LATE = 600_000;

/**
 * To be called before anything else is done in a process that makes one survey; holds for all its threads. A survey
 * often lasts seconds, each of its threads meets all its code anew, and by V8's defaults a third of its computing is the
 * optimising compiler: functions are optimised after nine times as much work.
 */
export function compileLate(): void {
    setFlagsFromString(`--interrupt-budget=${LATE}`);
}

/** To be called when a process turns out to be busy for longer: what it does most is worth optimising at once. */
export function compileAsUsual(): void {
    setFlagsFromString(`--interrupt-budget=${USUAL}`);
}

/** Garbage that is kept, in hundredths of what is alive, before it is looked for. */
const GARBAGE = 60;

/**
 * Memory is given back sooner, in all threads, for a twentieth more computing. By itself the engine lets a heap grow to
 * four times what is alive in it before it collects; rows on their way to the database live just long enough to get out
 * of the new space. Of the most memory a survey took that was a sixth.
 */
export function keepLittleGarbage(): void {
    setFlagsFromString(`--heap-growing-percent=${GARBAGE}`);
}
