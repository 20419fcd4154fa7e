/** `edgemap sitemap`: a file of the disk and one of a site, put to the test without a survey. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runCommand } from '../support/command.ts';

const urlset = (...urls: string[]): string =>
    `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${urls
        .map((url) => `<url><loc>${url}</loc></url>`)
        .join('\n')}\n</urlset>\n`;
const AT = 'https://www.site.example/maps/s.xml';

let folder: string;
let server: Server;

beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'edgemap-sitemap-'));
    server = createServer((request, response) => {
        if (request.url === '/old.xml') response.writeHead(301, { location: '/new.xml' }).end();
        else if (request.url === '/new.xml') {
            response
                .writeHead(200, { 'content-type': 'application/xml' })
                .end(urlset(`http://${request.headers.host}/a`));
        } else response.writeHead(404).end();
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
});

afterAll(async () => {
    rmSync(folder, { recursive: true, force: true });
    await new Promise((done) => server.close(done));
});

function file(name: string, content: string | Uint8Array): string {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
}

describe('a file', () => {
    it('in order fails nothing, packed or not', async () => {
        const text = urlset('https://www.site.example/maps/a', 'https://www.site.example/maps/b');
        for (const path of [file('good.xml', text), file('good.xml.gz', gzipSync(text))]) {
            const result = await runCommand(['sitemap', path, '--at', AT, '--json']);
            expect(result.code, result.err).toBe(0);
            const report = JSON.parse(result.out) as { steps: { test: string; ok: boolean }[] };
            expect(report).toMatchObject({ at: AT, kind: 'a urlset', entries: 2, bytes: Buffer.byteLength(text) });
            expect(report.steps.every(({ ok }) => ok)).toBe(true);
            expect(report.steps.map(({ test }) => test)).toContain('all');
        }
    });

    it('with an entry of another host fails at its address; without one that is not looked at, and said', async () => {
        const path = file('elsewhere.xml', urlset('https://www.site.example/maps/a', 'https://other.example/b'));
        const placed = await runCommand(['sitemap', path, '--at', AT]);
        expect(placed.code).toBe(1);
        expect(placed.out).toMatch(
            /^fails {2}compared its entries .* 1 on another host.*line 4: https:\/\/other\.example\/b/m,
        );
        const bare = await runCommand(['sitemap', path]);
        expect(bare.code).toBe(0);
        expect(bare.out).toContain('Where its entries may lie was not looked at');
        expect(bare.out).not.toContain('compared its entries');
    });

    it('that is no sitemap fails, and one that is not there is told in a sentence', async () => {
        const html = await runCommand(['sitemap', file('page.xml', '<!doctype html><title>Not here</title>')]);
        expect(html.code).toBe(1);
        expect(html.out).toMatch(/^fails {2}read it as a sitemap/m);
        const none = await runCommand(['sitemap', join(folder, 'none.xml')]);
        expect(none).toMatchObject({ code: 1, out: '' });
        expect(none.err).toMatch(/^The file .* cannot be read/);
        expect((await runCommand(['sitemap'])).code).toBe(2);
        expect((await runCommand(['sitemap', 'x', '--at', 'nowhere'])).code).toBe(2);
    });
});

describe('an address', () => {
    const ask = (path: string): ReturnType<typeof runCommand> => {
        const { port } = server.address() as AddressInfo;
        const pin = `any.example:${port}=127.0.0.1:${port}`;
        return runCommand(['sitemap', `http://any.example:${port}${path}`, '--pin', pin]);
    };

    it('that redirects is odd and read where it leads; one that is not there fails', async () => {
        const moved = await ask('/old.xml');
        expect(moved.code, moved.out + moved.err).toBe(0);
        expect(moved.out).toMatch(/^odd {4}looked whether the named address is the real one/m);
        expect(moved.out).toContain('a urlset, 1 usable entry');
        const gone = await ask('/gone.xml');
        expect(gone.code).toBe(1);
        expect(gone.out).toMatch(/^fails {2}asked for .*\/gone\.xml: 404/m);
    });
});
