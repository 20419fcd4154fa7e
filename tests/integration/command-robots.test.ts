/** `edgemap robots`: a file of the disk and one of a site, judged without a survey. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runCommand } from '../support/command.ts';

const FILE = `User-agent: *
Disallow: /members/
Allow: /members/join/
Dissallow: /typo/
Disallow: early

User-agent: Otter
Disallow: /
`;

let folder: string;
let server: Server;
let answer: { status: number; body: string };

beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'edgemap-robots-'));
    writeFileSync(join(folder, 'robots.txt'), FILE);
    server = createServer((_, response) => {
        response.writeHead(answer.status, { 'content-type': 'text/plain' });
        response.end(answer.body);
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
});

afterAll(async () => {
    rmSync(folder, { recursive: true, force: true });
    await new Promise((done) => server.close(done));
});

const urls = (...paths: string[]): string[] => paths.flatMap((path) => ['--url', path]);

describe('a file', () => {
    it('is judged URL by URL in the order given, with the rule and line that decide', async () => {
        const asked = ['/members/join/now', '/members/', 'https://www.any.example/members/a', '/early', '/members/'];
        const result = await runCommand(['robots', join(folder, 'robots.txt'), ...urls(...asked), '--json']);
        expect(result.code).toBe(0);
        const report = JSON.parse(result.out) as Record<string, unknown>;
        expect(report).toMatchObject({ agent: 'edgemap', group: ['*'], rules: 3 });
        const closed = { allowed: false, rule: 'Disallow: /members/', line: 2 };
        expect(report.urls).toEqual([
            { url: asked[0], allowed: true, rule: 'Allow: /members/join/', line: 3 },
            { url: asked[1], ...closed },
            { url: asked[2], ...closed },
            { url: asked[3], allowed: true, rule: '', line: null },
            { url: asked[4], ...closed },
        ]);
        expect(report.remarks).toMatchObject([{ line: 4 }, { line: 5 }]);
    });

    it('is judged for the agent that is asked for, in words', async () => {
        const result = await runCommand(['robots', join(folder, 'robots.txt'), '--agent', 'OTTER', ...urls('/a')]);
        expect(result.out).toContain('for otter: group for otter, 1 rule\n');
        expect(result.out).toContain('closed  /a  Disallow: / (line 8)');
        expect(result.out).toContain('line 4: no parser takes it: Dissallow: /typo/');
    });

    it('that is not there, and words that are wrong, are told in a sentence', async () => {
        const absent = await runCommand(['robots', join(folder, 'none.txt')]);
        expect(absent).toMatchObject({ code: 1, out: '' });
        expect(absent.err).toMatch(/^The file .*none\.txt cannot be read/);
        const token = await runCommand(['robots', join(folder, 'robots.txt'), '--agent', '123']);
        expect(token).toMatchObject({ code: 2 });
        expect(token.err).toContain('is no product token');
        expect((await runCommand(['robots'])).code).toBe(2);
        const url = await runCommand(['robots', join(folder, 'robots.txt'), '--url', 'mailto:a@b.example']);
        expect(url.code).toBe(2);
    });
});

describe('a site', () => {
    const site = (): string[] => {
        const { port } = server.address() as AddressInfo;
        return ['robots', `http://any.example:${port}/robots.txt`, '--pin', `any.example:${port}=127.0.0.1:${port}`];
    };

    it('is asked for its file', async () => {
        answer = { status: 200, body: FILE };
        const result = await runCommand([...site(), ...urls('/members/')]);
        expect(result.out).toContain('closed  /members/  Disallow: /members/ (line 2)');
    });

    it('closes everything where the file cannot be had, and nothing where there is none', async () => {
        answer = { status: 503, body: '' };
        const down = await runCommand([...site(), ...urls('/a')]);
        expect(down.out).toMatch(/closed {2}\/a {2}.*answered 503/);
        answer = { status: 404, body: FILE };
        const none = await runCommand([...site(), ...urls('/members/')]);
        expect(none.out).toContain('open    /members/  no rule fits');
    });
});
