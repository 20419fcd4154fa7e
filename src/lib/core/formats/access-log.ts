/**
 * Access logs in Common and Combined Log Format, as a stream of bytes: one entry per target, with hits of people and
 * of robots and when it was last asked for. Lines are read where they lie; only a line cut by the end of a piece is
 * put together. A name of the virtual host before the rest, as many servers write it, is understood.
 *
 *     host ident user [10/Oct/2026:13:55:36 +0200] "GET /path HTTP/1.1" 200 2326 "referrer" "agent"
 */
import type { LineFault } from '../evidence/line-fault.ts';
import { ByteTable } from './byte-table.ts';

/** Counts of one target. */
export interface LogTarget {
    /** As asked for: a path with query, or a whole URL; the escapes of the log undone. */
    target: string;
    /** Virtual host as logged; empty where the log names none. */
    host: string;
    /** GET answered with 200, by people and by robots. */
    hits: number;
    robotHits: number;
    /** Last of those, UTC, milliseconds since 1970. */
    lastSeen: number;
}

/** What one robot asked for, and how it was answered: counts of requests. */
export interface LogVisit {
    /** As the agent field has it. */
    agent: string;
    host: string;
    target: string;
    /** 2xx and 304; other 3xx; 4xx and 5xx. */
    fine: number;
    redirect: number;
    error: number;
}

export interface LogCounts {
    lines: number;
    /** GET with 200. */
    counted: number;
    /** Other methods, other statuses: readable, and no evidence of a page. */
    otherMethod: number;
    otherStatus: number;
    bad: number;
    first: number;
    last: number;
}

export interface BadLine {
    /** From 1. */
    line: number;
    why: LineFault;
    /** The line, cut to a bounded length. */
    text: string;
}

export interface AccessLogOptions {
    /** Whether an agent of that name is a robot. */
    isRobot: (agent: string) => boolean;
    onBad?: (bad: BadLine) => void;
    /** Told of each line that could be read, whatever it says. */
    onGood?: () => void;
    /** Distinct targets beyond this are not kept; reading says so. */
    mostTargets?: number;
    /** Pairs of a robot and what it asked for, beyond which requests are counted alone. */
    mostVisits?: number;
}

/** A line longer than this is no line of a log. */
const LONGEST_LINE = 65_536;
const LONGEST_BAD = 500;
const LF = 10;
const CR = 13;
const SPACE = 32;
const QUOTE = 34;
const BACKSLASH = 92;
const MONTHS = 'JanFebMarAprMayJunJulAugSepOctNovDec';

const decoder = new TextDecoder('utf-8');

export class AccessLogReader {
    readonly counts: LogCounts = {
        lines: 0,
        counted: 0,
        otherMethod: 0,
        otherStatus: 0,
        bad: 0,
        first: Infinity,
        last: -Infinity,
    };
    /** More distinct targets than are kept were met. */
    overflowed = false;
    /** First and last request of a robot, and those that are not kept. */
    readonly robots = { first: Infinity, last: -Infinity, left: 0 };
    readonly #options: AccessLogOptions;
    readonly #most: number;
    readonly #targets = new ByteTable();
    readonly #agents = new ByteTable();
    /** What robots asked for, whatever the answer; and each pair of a robot and a target, with its counts by answer. */
    readonly #asked = new ByteTable();
    readonly #visits = new Map<number, number>();
    #visitCounts = new Float64Array(3 * 1024);
    readonly #mostVisits: number;
    /** By agent number: 0 not asked yet, 1 people, 2 robot. */
    #kindOf = new Uint8Array(1024);
    #hits = new Float64Array(1024);
    #robotHits = new Float64Array(1024);
    #lastSeen = new Float64Array(1024);
    /** Start of a line that the last piece did not end. */
    #rest = new Uint8Array(0);
    #isSkipping = false;
    #key = new Uint8Array(LONGEST_LINE * 2);
    /** The last moment read, its second aside. */
    #lastStamp = new Uint8Array(26);
    #lastMinute = NaN;

    constructor(options: AccessLogOptions) {
        this.#options = options;
        this.#most = options.mostTargets ?? 2_000_000;
        this.#mostVisits = options.mostVisits ?? 1_000_000;
    }

    /** Reads a piece of the file; the pieces may end anywhere. */
    push(piece: Uint8Array): void {
        let at = 0;
        if (this.#isSkipping || this.#rest.length > 0) {
            const end = piece.indexOf(LF);
            const head = end === -1 ? piece : piece.subarray(0, end);
            if (!this.#isSkipping) this.#keepRest(head);
            if (end === -1) return;
            if (this.#isSkipping) this.#tooLong();
            else {
                const line = this.#rest;
                this.#rest = new Uint8Array(0);
                this.#line(line, 0, line.length);
            }
            this.#isSkipping = false;
            at = end + 1;
        }
        while (at < piece.length) {
            const end = piece.indexOf(LF, at);
            if (end === -1) {
                this.#keepRest(piece.subarray(at));
                return;
            }
            this.#line(piece, at, end);
            at = end + 1;
        }
    }

    /** The file has ended. */
    end(): void {
        if (this.#isSkipping) this.#tooLong();
        else if (this.#rest.length > 0) this.#line(this.#rest, 0, this.#rest.length);
        this.#rest = new Uint8Array(0);
        this.#isSkipping = false;
    }

    /** The targets met, in the order of first sight. */
    *targets(): Generator<LogTarget> {
        for (let number = 0; number < this.#targets.size; number++) {
            const bytes = this.#targets.bytesOf(number);
            const space = bytes.indexOf(SPACE);
            yield {
                host: decoder.decode(bytes.subarray(0, space)),
                target: undoEscapes(decoder.decode(bytes.subarray(space + 1))),
                hits: this.#hits[number]!,
                robotHits: this.#robotHits[number]!,
                lastSeen: this.#lastSeen[number]!,
            };
        }
    }

    get targetCount(): number {
        return this.#targets.size;
    }

    #keepRest(piece: Uint8Array): void {
        if (this.#rest.length + piece.length > LONGEST_LINE) {
            this.#isSkipping = true;
            this.#rest = new Uint8Array(0);
            return;
        }
        const joined = new Uint8Array(this.#rest.length + piece.length);
        joined.set(this.#rest);
        joined.set(piece, this.#rest.length);
        this.#rest = joined;
    }

    #tooLong(): void {
        this.counts.lines++;
        this.#bad('line-too-long', new Uint8Array(0), 0, 0);
    }

    #bad(why: LineFault, from: Uint8Array, start: number, end: number): void {
        this.counts.bad++;
        this.#options.onBad?.({
            line: this.counts.lines,
            why,
            text: decoder.decode(from.subarray(start, Math.min(end, start + LONGEST_BAD))),
        });
    }

    #line(from: Uint8Array, start: number, lineEnd: number): void {
        let end = lineEnd;
        if (end > start && from[end - 1] === CR) end--;
        this.counts.lines++;
        if (end === start) {
            // An empty line says nothing; at the end of a file it is usual.
            return;
        }
        if (end - start > LONGEST_LINE) return this.#bad('line-too-long', from, start, end);
        // [time]
        const open = find(from, 91, start, end);
        if (open === -1 || open + 28 > end || from[open + 27] !== 93) {
            return this.#bad('no-time', from, start, end);
        }
        const moment = this.#moment(from, open + 1);
        if (Number.isNaN(moment)) return this.#bad('bad-time', from, start, end);
        // "method target protocol"
        const quote = open + 29;
        if (from[quote] !== QUOTE) return this.#bad('no-request', from, start, end);
        const closing = closingQuote(from, quote + 1, end);
        if (closing === -1) return this.#bad('request-open', from, start, end);
        const afterMethod = find(from, SPACE, quote + 1, closing);
        if (afterMethod === -1) return this.#bad('no-target', from, start, end);
        let afterTarget = closing;
        for (let at = closing - 1; at > afterMethod; at--) {
            if (from[at] === SPACE) {
                afterTarget = at;
                break;
            }
        }
        // status
        const status = closing + 2;
        if (!isDigit(from[status]) || !isDigit(from[status + 1]) || !isDigit(from[status + 2]) || status + 3 > end) {
            return this.#bad('no-status', from, start, end);
        }
        this.#options.onGood?.();
        if (moment < this.counts.first) this.counts.first = moment;
        if (moment > this.counts.last) this.counts.last = moment;
        const isGet =
            afterMethod === quote + 4 && from[quote + 1] === 71 && from[quote + 2] === 69 && from[quote + 3] === 84;
        const agent = this.#agentOf(from, status + 3, end);
        const isRobot = agent !== -1 && this.#isRobot(agent);
        if (isRobot && (isGet || isHead(from, quote + 1, afterMethod))) {
            this.#visit(agent, from, start, open, afterMethod + 1, afterTarget, answerOf(from, status), moment);
        }
        if (!isGet) {
            this.counts.otherMethod++;
            return;
        }
        if (from[status] !== 50 || from[status + 1] !== 48 || from[status + 2] !== 48) {
            this.counts.otherStatus++;
            return;
        }
        this.counts.counted++;
        const target = this.#target(from, start, open, afterMethod + 1, afterTarget);
        if (target === -1) return;
        if (isRobot) this.#robotHits[target]!++;
        else this.#hits[target]!++;
        if (moment > this.#lastSeen[target]!) this.#lastSeen[target] = moment;
    }

    /** Puts "host target" into the key. @returns its length */
    #hostAndTarget(from: Uint8Array, start: number, open: number, targetStart: number, targetEnd: number): number {
        // host ident user [: three words; with a virtual host before them, four.
        let spaces = 0;
        let first = -1;
        for (let at = start; at < open; at++) {
            if (from[at] === SPACE) {
                if (first === -1) first = at;
                spaces++;
            }
        }
        let length = 0;
        const key = this.#key;
        if (spaces === 4 && first !== -1) for (let at = start; at < first; at++) key[length++] = from[at]!;
        key[length++] = SPACE;
        for (let at = targetStart; at < targetEnd; at++) key[length++] = from[at]!;
        return length;
    }

    /** Number of "host target"; -1 where no more are kept. */
    #target(from: Uint8Array, start: number, open: number, targetStart: number, targetEnd: number): number {
        const key = this.#key;
        const length = this.#hostAndTarget(from, start, open, targetStart, targetEnd);
        if (this.#targets.size >= this.#most) {
            this.overflowed = true;
            return -1;
        }
        const number = this.#targets.number(key, 0, length);
        if (number >= this.#hits.length) this.#growTargets();
        return number;
    }

    #growTargets(): void {
        const double = (old: Float64Array<ArrayBuffer>): Float64Array<ArrayBuffer> => {
            const grown = new Float64Array(old.length * 2);
            grown.set(old);
            return grown;
        };
        this.#hits = double(this.#hits);
        this.#robotHits = double(this.#robotHits);
        this.#lastSeen = double(this.#lastSeen);
    }

    /** Counts a request of a robot by what it asked for and how it was answered. */
    #visit(
        agent: number,
        from: Uint8Array,
        start: number,
        open: number,
        targetStart: number,
        targetEnd: number,
        answer: number,
        moment: number,
    ): void {
        const { robots } = this;
        if (moment < robots.first) robots.first = moment;
        if (moment > robots.last) robots.last = moment;
        const length = this.#hostAndTarget(from, start, open, targetStart, targetEnd);
        if (this.#visits.size >= this.#mostVisits) {
            robots.left++;
            return;
        }
        const key = agent * 2 ** 26 + this.#asked.number(this.#key, 0, length);
        let place = this.#visits.get(key);
        if (place === undefined) {
            place = this.#visits.size;
            this.#visits.set(key, place);
            if (place * 3 + 3 > this.#visitCounts.length) {
                const grown = new Float64Array(this.#visitCounts.length * 2);
                grown.set(this.#visitCounts);
                this.#visitCounts = grown;
            }
        }
        this.#visitCounts[place * 3 + answer]!++;
    }

    /** What robots asked for, in the order of first sight. */
    *visits(): Generator<LogVisit> {
        for (const [key, place] of this.#visits) {
            const bytes = this.#asked.bytesOf(key % 2 ** 26);
            const space = bytes.indexOf(SPACE);
            yield {
                agent: undoEscapes(decoder.decode(this.#agents.bytesOf(Math.floor(key / 2 ** 26)))),
                host: decoder.decode(bytes.subarray(0, space)),
                target: undoEscapes(decoder.decode(bytes.subarray(space + 1))),
                fine: this.#visitCounts[place * 3]!,
                redirect: this.#visitCounts[place * 3 + 1]!,
                error: this.#visitCounts[place * 3 + 2]!,
            };
        }
    }

    /** The agent is the last piece in quotes; a common log has none, and nothing is said of who asked: -1. */
    #agentOf(from: Uint8Array, start: number, end: number): number {
        const referrer = find(from, QUOTE, start, end);
        if (referrer === -1) return -1;
        const referrerEnd = closingQuote(from, referrer + 1, end);
        const agent = referrerEnd === -1 ? -1 : find(from, QUOTE, referrerEnd + 1, end);
        if (agent === -1) return -1;
        const agentEnd = closingQuote(from, agent + 1, end);
        return this.#agents.number(from, agent + 1, agentEnd === -1 ? end : agentEnd);
    }

    #isRobot(number: number): boolean {
        if (number >= this.#kindOf.length) {
            const grown = new Uint8Array(this.#kindOf.length * 2);
            grown.set(this.#kindOf);
            this.#kindOf = grown;
        }
        let kind = this.#kindOf[number]!;
        if (kind === 0) {
            kind = this.#options.isRobot(decoder.decode(this.#agents.bytesOf(number))) ? 2 : 1;
            this.#kindOf[number] = kind;
        }
        return kind === 2;
    }

    /** `10/Oct/2026:13:55:36 +0200` as UTC; NaN where it is none. Most lines share all but the second with the last. */
    #moment(from: Uint8Array, at: number): number {
        const stamp = this.#lastStamp;
        let same = true;
        for (let index = 0; index < 26; index++) {
            if (index === 18 || index === 19) continue;
            if (from[at + index] !== stamp[index]) {
                same = false;
                stamp[index] = from[at + index]!;
            }
        }
        if (!same) {
            stamp[18] = 48;
            stamp[19] = 48;
            this.#lastMinute = readMoment(stamp);
        }
        const tens = from[at + 18]! - 48;
        const ones = from[at + 19]! - 48;
        // 60 is a leap second.
        if (tens < 0 || tens > 6 || ones < 0 || ones > 9 || (tens === 6 && ones > 0)) return NaN;
        return this.#lastMinute + (tens * 10 + ones) * 1000;
    }
}

/** @param stamp `10/Oct/2026:13:55:36 +0200`, 26 bytes */
function readMoment(stamp: Uint8Array): number {
    const text = String.fromCharCode(...stamp);
    const match = /^(\d\d)\/([A-Z][a-z]{2})\/(\d{4}):(\d\d):(\d\d):(\d\d) ([+-])(\d\d)(\d\d)$/.exec(text);
    if (!match) return NaN;
    const [, day, name = '', year, hour, minute, second, sign, zoneHour, zoneMinute] = match;
    const month = MONTHS.indexOf(name);
    if (month === -1 || month % 3 !== 0) return NaN;
    const [d, h, m, s] = [Number(day), Number(hour), Number(minute), Number(second)];
    if (d < 1 || d > 31 || h > 23 || m > 59 || s > 60) return NaN;
    const zone = (Number(zoneHour) * 60 + Number(zoneMinute)) * (sign === '-' ? -1 : 1);
    return Date.UTC(Number(year), month / 3, d, h, m, s) - zone * 60_000;
}

/** Place of an answer in `ANSWERS`: what was not changed since is as good as what was sent. */
function answerOf(from: Uint8Array, at: number): number {
    const hundreds = from[at]! - 48;
    if (hundreds >= 4) return 2;
    const isUnchanged = from[at + 1] === 48 && from[at + 2] === 52;
    return hundreds === 3 && !isUnchanged ? 1 : 0;
}

/** `HEAD`, or something else. */
function isHead(from: Uint8Array, start: number, end: number): boolean {
    return (
        end - start === 4 &&
        from[start] === 72 &&
        from[start + 1] === 69 &&
        from[start + 2] === 65 &&
        from[start + 3] === 68
    );
}

function isDigit(byte: number | undefined): boolean {
    return byte !== undefined && byte >= 48 && byte <= 57;
}

/** Place of a byte within a range; -1 where it is not. */
function find(from: Uint8Array, byte: number, start: number, end: number): number {
    for (let at = start; at < end; at++) if (from[at] === byte) return at;
    return -1;
}

/** The quote that ends a quoted piece: one that no backslash stands before. */
function closingQuote(from: Uint8Array, start: number, end: number): number {
    for (let at = start; at < end; at++) {
        const byte = from[at];
        if (byte === BACKSLASH) at++;
        else if (byte === QUOTE) return at;
    }
    return -1;
}

/** Servers write a quote as `\"`, a backslash as `\\` and other bytes as `\xHH`. */
function undoEscapes(text: string): string {
    if (!text.includes('\\')) return text;
    return text.replace(/\\(?:x([0-9a-fA-F]{2})|(.))/g, (whole, hex: string | undefined, plain: string | undefined) => {
        if (hex !== undefined) return `%${hex.toUpperCase()}`;
        return plain === '"' || plain === '\\' ? plain : whole;
    });
}
