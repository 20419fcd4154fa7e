/** `--fail-on-new`: a gate for a site with old faults. */
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runCommand, type CommandResult } from '../support/command.ts';

let folder: string;
let server: Server;
/** Body of each page; what is not there answers 404. */
let pages: Record<string, string>;

const MENU = '<nav><a href="/">Start</a> <a href="/a">A</a> <a href="/gone">Gone</a></nav>';
const page = (more = ''): string => `<!doctype html><title>Page</title>${MENU}<main>${more}</main>`;

beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'edgemap-gates-'));
    server = createServer((request, response) => {
        const body = pages[request.url ?? ''];
        response.writeHead(body === undefined ? 404 : 200, { 'content-type': 'text/html' });
        response.end(body ?? 'not here');
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
});

afterAll(async () => {
    rmSync(folder, { recursive: true, force: true });
    await new Promise((done) => server.close(done));
});

function survey(...words: string[]): Promise<CommandResult> {
    const { port } = server.address() as AddressInfo;
    const to = ['--pin', `any.example:${port}=127.0.0.1:${port}`, '--export', join(folder, 'export')];
    return runCommand(['survey', `http://any.example:${port}/`, ...to, '--data', join(folder, 'data'), ...words]);
}

describe('a site with an old fault', () => {
    it('passes while nothing comes to it, and fails by what is new alone', async () => {
        pages = { '/': page(), '/a': page('<a href="/old-fault">Old</a>') };
        const first = await survey('--fail-on', 'link-to-error');
        expect(first.code, first.err).toBe(3);
        expect(first.out).toContain('2 findings: link-to-error');

        const gate = ['--fail-on-new', 'link-to-error', '--fail-on-new', 'fault', '--baseline', '1'];
        const same = await survey(...gate);
        expect(same.code, same.out + same.err).toBe(0);
        expect(same.out).toContain('Nothing found that survey 1 did not have: link-to-error');

        // The menu says more, so it is another block; what it has linked to all along is no news.
        const more = (body: string): string => body.replace('</nav>', ' <a href="/b">B</a></nav>');
        pages = { '/': more(page('<a href="/lost">Lost</a>')), '/a': more(pages['/a']!), '/b': more(page()) };
        const worse = await survey(...gate, '--fail-on-new', 'error');
        expect(worse.code).toBe(3);
        expect(worse.out).toMatch(
            /1 finding that survey 1 did not have: link-to-error\n {2}link-to-error \S+\/: Links to \/lost, which answers 404/,
        );
        expect(worse.out).toMatch(/1 page is in the set that survey 1 did not have: error\n {2}\S+\/lost\n/);
        expect(worse.out).not.toContain('old-fault');
    });

    it('cannot be compared with what is not there, and is told so before anything is surveyed', async () => {
        const none = await survey('--fail-on-new', 'fault', '--baseline', '99');
        expect(none).toMatchObject({ code: 2 });
        expect(none.err).toMatch(/--baseline 99: site \d+ has no survey of that number/);
        expect(none.err).not.toContain('Surveying');
        expect((await survey('--fail-on-new', 'fault')).err).toContain('--fail-on-new needs --baseline N');
        expect((await survey('--baseline', '1')).err).toContain('--baseline is of use with --fail-on-new only');
        expect((await survey('--fail-on-new', 'fault', '--baseline', 'x')).code).toBe(2);
    });
});
