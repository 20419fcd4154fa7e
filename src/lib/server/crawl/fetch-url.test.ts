import { createServer, type AddressInfo, type Server } from 'node:net';
import { gzipSync } from 'node:zlib';
import { Agent } from 'undici';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connectKey, isPrivateAddress, surveyAgent, type ConnectRules } from './connect.ts';
import { pinsOf } from './pins.ts';
import { fetchUrl, type Answer, type NoAnswer } from './fetch-url.ts';
import { problemWords } from '../../core/words/problems.ts';

/** A server that sends bytes as they are, by the path that is asked for; it counts connections. */
let server: Server;
let port = 0;
let connections = 0;
const answers = new Map<string, Buffer>();

beforeAll(async () => {
    server = createServer((socket) => {
        connections++;
        socket.on('error', () => undefined);
        socket.once('data', (head) => {
            const path = /^\w+ (\S+)/.exec(head.toString('latin1'))?.[1] ?? '';
            socket.end(answers.get(path) ?? '');
        });
    });
    await new Promise<void>((resolve) => server.listen(0, resolve));
    port = (server.address() as AddressInfo).port;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

async function fetched(bytes: string | Buffer, maxBytes = 1_000): Promise<Answer | NoAnswer> {
    const path = `/${answers.size}`;
    answers.set(path, typeof bytes === 'string' ? Buffer.from(bytes, 'latin1') : bytes);
    const dispatcher = new Agent();
    try {
        return await fetchUrl(`http://127.0.0.1:${port}${path}`, {
            dispatcher,
            agent: 'test',
            accept: '*/*',
            headers: {},
            wantsBody: () => 'all',
            maxBytes,
        });
    } finally {
        await dispatcher.destroy();
    }
}

const OK = 'HTTP/1.1 200 OK\r\n';

describe('an answer that is not as HTTP has it', () => {
    it.each([
        [
            'a control character in a header',
            `${OK}X-A: a\x01b\r\nContent-Length: 2\r\n\r\nhi`,
            'a character that may not stand there',
        ],
        [
            'the same behind a length',
            `${OK}Content-Length: 2\r\nX-A: a\x01b\r\n\r\nhi`,
            'a character that may not stand there',
        ],
        ['a NUL in a header', `${OK}X-A: a\0b\r\n\r\nhi`, 'a character that may not stand there'],
        ['status 000', 'HTTP/1.1 000 Nope\r\nContent-Length: 2\r\n\r\nhi', 'its status is none of HTTP'],
        ['status 099', 'HTTP/1.1 099 Nope\r\nContent-Length: 2\r\n\r\nhi', 'its status is none of HTTP'],
        ['a status of four digits', 'HTTP/1.1 1000 Nope\r\n\r\n', 'its status is no number of three digits'],
        ['a length that is no number', `${OK}Content-Length: abc\r\n\r\nhi`, 'its Content-Length is no number'],
        [
            'two lengths',
            `${OK}Content-Length: 2\r\nContent-Length: 3\r\n\r\nhi`,
            'contradict each other about the length',
        ],
        ['no HTTP at all', 'hello there\r\n', 'does not begin as an answer over HTTP does'],
        ['another version', 'HTTP/3.7 200 OK\r\n\r\n', 'its version of HTTP'],
        ['headers without end', `${OK}X: ${'a'.repeat(100_000)}\r\n\r\n`, 'its headers are larger than 16 KB'],
    ])('says so in our words: %s', async (_, bytes, words) => {
        const answer = await fetched(bytes);
        expect(answer).toMatchObject({ ok: false, code: 'broken-reply' });
        const say = answer.ok ? '' : problemWords(answer.problem);
        expect(say).toContain(`the answer of 127.0.0.1:${port} cannot be read: `);
        expect(say).toContain(words);
        expect(say).not.toMatch(/assert|falsy|does not match|protocol \(|\n/);
    });

    it('is a lost connection where it never comes to an end', async () => {
        expect(await fetched('HTTP/1.1 100 Continue\r\n\r\n')).toEqual({
            ok: false,
            code: 'lost',
            problem: { code: 'closed-early', params: { host: `127.0.0.1:${port}` } },
        });
    });
});

describe('a body', () => {
    const body = (size: number): string => `${OK}Content-Length: ${size}\r\n\r\n${'x'.repeat(size)}`;

    it('of exactly the limit is whole, one byte more is cut', async () => {
        expect(await fetched(body(1_000))).toMatchObject({ ok: true, bodyTrouble: null });
        const cut = await fetched(body(1_001));
        expect(cut.ok && cut.bodyTrouble).toEqual({ code: 'body-too-long', params: { limit: 1_000 } });
        expect(cut.ok && cut.body.length).toBe(1_000);
    });

    it('that breaks off keeps what came', async () => {
        const answer = await fetched(`${OK}Content-Length: 20\r\n\r\nhi`);
        expect(answer.ok && Buffer.from(answer.body).toString()).toBe('hi');
        expect(answer.ok && answer.bodyTrouble).toEqual({ code: 'body-broken-off', params: { bytes: 2 } });
    });

    it('packed five times over is unpacked, six times over it is not', async () => {
        const packed = (times: number): Buffer => {
            let bytes = Buffer.from('hello');
            for (let time = 0; time < times; time++) bytes = gzipSync(bytes);
            const codings = Array.from({ length: times }, () => 'gzip').join(', ');
            return Buffer.concat([
                Buffer.from(`${OK}Content-Encoding: ${codings}\r\nContent-Length: ${bytes.length}\r\n\r\n`),
                bytes,
            ]);
        };
        const five = await fetched(packed(5));
        expect(five.ok && [Buffer.from(five.body).toString(), five.bodyTrouble]).toEqual(['hello', null]);
        const six = await fetched(packed(6));
        expect(six.ok && [six.body.length, six.bodyTrouble]).toEqual([
            0,
            { code: 'body-codings', params: { codings: 6, most: 5 } },
        ]);
    });
});

describe('private addresses', () => {
    it.each([
        '127.0.0.1',
        '10.1.2.3',
        '172.16.0.1',
        '192.168.0.1',
        '169.254.1.1',
        '::1',
        '[::1]',
        'fe80::1%eth0',
        '::ffff:127.0.0.1',
        '0.0.0.0',
        'fc00::1',
        '100.64.0.1',
    ])('%s is one', (address) => expect(isPrivateAddress(address)).toBe(true));
    it.each(['93.184.216.34', '2606:2800:220:1::1', 'www.site.example', ''])('%s is none', (address) =>
        expect(isPrivateAddress(address)).toBe(false),
    );

    /** Asks for a URL of ours by the rules, and tells how it ended. */
    async function reach(host: string, change: Partial<ConnectRules>): Promise<string> {
        answers.set('/', Buffer.from(body('hi')));
        const dispatcher = surveyAgent({
            pins: [],
            allowPrivate: false,
            privateOrigin: null,
            concurrency: 1,
            ...change,
        });
        const before = connections;
        const answer = await fetchUrl(`http://${host}:${port}/`, {
            dispatcher,
            agent: 'test',
            accept: '*/*',
            headers: {},
            wantsBody: () => 'all',
            maxBytes: 100,
        });
        await dispatcher.destroy();
        // Refused means that nothing went out, not that the answer was thrown away.
        if (!answer.ok) expect(connections).toBe(before);
        return answer.ok ? 'reached' : answer.code;
    }
    const body = (text: string): string => `${OK}Content-Length: ${text.length}\r\n\r\n${text}`;

    it.each(['127.0.0.1', 'localhost', '[::ffff:127.0.0.1]', '2130706433', '0x7f.1'])(
        '%s is not asked',
        async (host) => {
            expect(await reach(host, {})).toBe('private');
        },
    );

    it('are asked where the start page is one: that origin, and no other', async () => {
        const privateOrigin = connectKey(`http://127.0.0.1:${port}/`);
        expect(await reach('127.0.0.1', { privateOrigin })).toBe('reached');
        expect(await reach('localhost', { privateOrigin })).toBe('private');
        expect(await reach('127.0.0.1', { privateOrigin: `127.0.0.1:${port + 1}` })).toBe('private');
    });

    it('are asked where the settings allow them, and through a pin', async () => {
        expect(await reach('127.0.0.1', { allowPrivate: true })).toBe('reached');
        expect(await reach('localhost', { allowPrivate: true })).toBe('reached');
        const pins = pinsOf([`www.site.example:${port}=127.0.0.1:${port}`]);
        expect(await reach('www.site.example', { pins })).toBe('reached');
    });
});
