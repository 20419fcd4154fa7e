import { describe, expect, it } from 'vitest';
import { robotFinder } from '../evidence/robot-agents.ts';
import { AccessLogReader, type BadLine, type LogTarget } from './access-log.ts';
import { ByteTable } from './byte-table.ts';

const encoder = new TextEncoder();

function read(
    text: string | Uint8Array,
    pieceLength = 1 << 20,
): { targets: LogTarget[]; bad: BadLine[]; log: AccessLogReader } {
    const bad: BadLine[] = [];
    const log = new AccessLogReader({ isRobot: robotFinder(), onBad: (line) => bad.push(line) });
    const bytes = typeof text === 'string' ? encoder.encode(text) : text;
    for (let at = 0; at < bytes.length; at += pieceLength) log.push(bytes.subarray(at, at + pieceLength));
    log.end();
    return { targets: [...log.targets()], bad, log };
}

const combined = (
    target: string,
    more: { status?: number; agent?: string; time?: string; method?: string } = {},
): string =>
    `203.0.113.9 - - [${more.time ?? '10/Oct/2026:13:55:36 +0200'}] "${more.method ?? 'GET'} ${target} HTTP/1.1" ${more.status ?? 200} 2326 "https://www.site.example/" "${more.agent ?? 'A browser 1.0'}"`;

describe('AccessLogReader', () => {
    it('reads the common format, with its time in UTC', () => {
        const { targets } = read('127.0.0.1 - frank [10/Oct/2000:13:55:36 -0700] "GET /page.html HTTP/1.0" 200 2326\n');
        expect(targets).toEqual([
            { host: '', target: '/page.html', hits: 1, robotHits: 0, lastSeen: Date.UTC(2000, 9, 10, 20, 55, 36) },
        ]);
    });

    it('tells people from robots by the name they give', () => {
        const { targets } = read(
            [
                combined('/a'),
                combined('/a', { agent: 'SomeCrawler/2' }),
                combined('/a', { agent: '-' }),
                combined('/a', { agent: 'Reads (+https://about.example/)' }),
            ].join('\n'),
        );
        expect(targets).toMatchObject([{ target: '/a', hits: 1, robotHits: 3 }]);
        expect(robotFinder(['gizmo'])('The Gizmo 3')).toBe(true);
        expect(robotFinder(['gizmo'])('SomeCrawler/2')).toBe(false);
    });

    it('counts only GET with 200, and says what else there was', () => {
        const { targets, log } = read(
            [
                combined('/a'),
                combined('/a', { status: 304 }),
                combined('/b', { status: 404 }),
                combined('/a', { method: 'POST' }),
            ].join('\n'),
        );
        expect(targets).toMatchObject([{ target: '/a', hits: 1 }]);
        expect(log.counts).toMatchObject({ lines: 4, counted: 1, otherStatus: 2, otherMethod: 1, bad: 0 });
    });

    it('keeps the last time of all zones', () => {
        const { targets } = read(
            [
                combined('/a', { time: '10/Oct/2026:10:00:00 +0000' }),
                combined('/a', { time: '10/Oct/2026:13:00:00 +0200' }),
                combined('/a', { time: '10/Oct/2026:04:30:00 -0530' }),
            ].join('\n'),
        );
        expect(targets[0]?.lastSeen).toBe(Date.UTC(2026, 9, 10, 11));
    });

    it('understands a virtual host, absolute targets, escapes and carriage returns', () => {
        const { targets } = read(
            [
                `www.site.example:443 ${combined('/a')}`,
                combined('http://www.site.example/b'),
                combined('/q?x=\\"y\\"&z=\\xc3\\xa9'),
                combined('/with space'),
            ].join('\r\n'),
        );
        expect(targets.map(({ host, target }) => [host, target])).toEqual([
            ['www.site.example:443', '/a'],
            ['', 'http://www.site.example/b'],
            ['', '/q?x="y"&z=%C3%A9'],
            ['', '/with space'],
        ]);
    });

    it.each([
        ['01/Jan/2026:00:00:00 +0000', Date.UTC(2026, 0, 1)],
        ['31/Dec/2026:23:59:59 +0000', Date.UTC(2026, 11, 31, 23, 59, 59)],
        // A leap second is the first of the next minute.
        ['31/Dec/2016:23:59:60 +0000', Date.UTC(2017, 0, 1)],
        ['31/Dec/2026:24:00:00 +0000', null],
        ['31/Dec/2026:23:60:00 +0000', null],
        ['31/Dec/2026:23:59:61 +0000', null],
        ['31/Dec/2026:23:59:70 +0000', null],
        ['31/Dec/2026:23:59:5: +0000', null],
        ['31/Dec/2026:23:59:/5 +0000', null],
        ['31/Dec/2026:23:59::5 +0000', null],
        ['32/Dec/2026:00:00:00 +0000', null],
        ['00/Dec/2026:00:00:00 +0000', null],
    ])('takes the time %s for what it is, behind others too', (time, moment) => {
        for (const before of [[], [combined('/x', { time: '31/Dec/2026:23:59:01 +0000' })]]) {
            const { targets, bad } = read([...before, combined('/a', { time })].join('\n'));
            const found = targets.find(({ target }) => target === '/a');
            expect(found?.lastSeen ?? null).toBe(moment);
            expect(bad).toHaveLength(moment === null ? 1 : 0);
        }
    });

    it('says of each bad line what is wrong, and goes on', () => {
        const { targets, bad } = read(
            [
                'nothing of a log',
                combined('/a', { time: '99/Oct/2026:13:55:36 +0200' }),
                combined('/a', { time: '10/Okt/2026:13:55:36 +0200' }),
                '203.0.113.9 - - [10/Oct/2026:13:55:36 +0200] GET / 200',
                '203.0.113.9 - - [10/Oct/2026:13:55:36 +0200] "GET /never ends',
                '203.0.113.9 - - [10/Oct/2026:13:55:36 +0200] "-" 400 0',
                '203.0.113.9 - - [10/Oct/2026:13:55:36 +0200] "GET / HTTP/1.1" none 0',
                '2026-10-10T13:55:36Z INFO started',
                combined('/fine'),
                '',
            ].join('\n'),
        );
        expect(bad.map(({ line }) => line)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
        expect(bad[0]).toEqual({
            line: 1,
            why: 'no-time',
            text: 'nothing of a log',
        });
        expect(targets.map(({ target }) => target)).toEqual(['/fine']);
    });

    it('does not hold a line that never ends', () => {
        const long = 'x'.repeat(3_000_000);
        const { targets, bad } = read(`${combined('/a')}\n${long}\n${combined('/b')}\n${long}`, 10_000);
        expect(targets.map(({ target }) => target)).toEqual(['/a', '/b']);
        expect(bad.map(({ line, why, text }) => [line, why, text])).toEqual([
            [2, 'line-too-long', ''],
            [4, 'line-too-long', ''],
        ]);
    });

    it('finds the same however the file is cut into pieces', () => {
        const lines: string[] = [];
        for (let index = 0; index < 400; index++) {
            lines.push(
                index % 17 === 0
                    ? `broken ${index}`
                    : combined(`/p/${index % 37}?q=${index % 3}`, {
                          agent: index % 5 === 0 ? 'abot' : `B${index % 9}`,
                      }),
            );
        }
        const text = lines.join('\n');
        const whole = read(text);
        for (const length of [1, 7, 64, 333, 5_000]) {
            const pieces = read(text, length);
            expect(pieces.targets).toEqual(whole.targets);
            expect(pieces.bad).toEqual(whole.bad);
        }
        // A second, plain way to count: by regular expression, line by line.
        const plain = new Map<string, [number, number]>();
        for (const line of lines) {
            const match = /"GET (\S+) HTTP\/1\.1" 200 .*"([^"]*)"$/.exec(line);
            if (!match) continue;
            const counts = plain.get(match[1]!) ?? [0, 0];
            counts[match[2] === 'abot' ? 1 : 0]++;
            plain.set(match[1]!, counts);
        }
        expect(new Map(whole.targets.map((item) => [item.target, [item.hits, item.robotHits]]))).toEqual(plain);
    });

    it('keeps no more targets than it is told to', () => {
        const log = new AccessLogReader({ isRobot: () => false, mostTargets: 10 });
        for (let index = 0; index < 50; index++) log.push(encoder.encode(`${combined(`/${index}`)}\n`));
        expect(log.targetCount).toBe(10);
        expect(log.overflowed).toBe(true);
    });
});

describe('ByteTable', () => {
    it('gives every content one number, as a map would, whatever its hash', () => {
        const table = new ByteTable();
        const map = new Map<string, number>();
        for (let index = 0; index < 20_000; index++) {
            const text = `x${((index * 7_919) % 6_007).toString(36)}é`;
            const bytes = encoder.encode(`--${text}--`);
            const known = map.get(text) ?? map.size;
            map.set(text, known);
            expect(table.number(bytes, 2, bytes.length - 2)).toBe(known);
        }
        expect(table.size).toBe(map.size);
        for (const [text, number] of map) expect(table.bytesOf(number)).toEqual(encoder.encode(text));
    });
});
