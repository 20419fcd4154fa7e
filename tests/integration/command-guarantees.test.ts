/** What the command line promises: a sentence and a code for wrong words and closed folders, nothing that a terminal obeys. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { projectRoot } from '$lib/server/process/data-folder.ts';
import { startStandIn } from '../../demo/stand-in.ts';
import { runCommand } from '../support/command.ts';
import { temporaryFolder } from '../support/instance.ts';
import { tableSite } from '../support/survey.ts';

const folder = temporaryFolder('command');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('wrong words', () => {
    it.each([
        [['start', '--nonsense']],
        [['start', '--port', 'x']],
        [['demo', 'extra', '--wrong']],
        [['survey', 'https://a.example/', '--nonsense']],
        [['survey', '--go-on', 'x', '--export', '/tmp/x']],
        [['survey', 'https://a.example/', '--go-on', '1/1', '--export', '/tmp/x']],
        [['door', '--nonsense']],
        [['bench', '--nonsense']],
        [['bench', 'nothing', '--data', folder]],
        [['bench', '--pages', 'x']],
        [['nonsense']],
    ])('%j end with code 2 and a sentence', async (words) => {
        const { code, err } = await runCommand(words);
        expect(code, err).toBe(2);
        expect(err).toMatch(/[.)]\n?/);
        expect(err).not.toMatch(/\n\s+at /);
    });

    it('name a survey that is not there', async () => {
        const { code, err } = await runCommand([
            'survey',
            '--go-on',
            '1/1',
            '--export',
            join(folder, 'out'),
            '--data',
            join(folder, 'data'),
        ]);
        expect([code, err]).toEqual([2, expect.stringContaining('there is no survey 1/1')]);
    });
});

describe('a folder that takes nothing', () => {
    it.each([
        ['the data folder', ['survey', 'https://a.example/', '--export', join(folder, 'x'), '--data', '/proc/x']],
        [
            'the export folder',
            ['survey', 'https://a.example/', '--export', '/proc/x/y', '--data', join(folder, 'data')],
        ],
        ['the data folder of the application', ['start', '--data', '/proc/x']],
    ])('is told in a sentence: %s', async (_, words) => {
        const { code, err } = await runCommand(words);
        expect(code, err).toBe(1);
        expect(err).toMatch(/^The (?:data|export) folder \/proc\/x.* cannot be (?:used|written): /m);
        expect(err).not.toMatch(/\n\s+at /);
    });

    it('is told where a file stands in its place', async () => {
        const file = join(folder, 'file');
        writeFileSync(file, 'x');
        const { code, err } = await runCommand(['start', '--data', file]);
        expect([code, err]).toEqual([1, expect.stringContaining(`The data folder ${file} cannot be used`)]);
    });

    it('is told by the launcher before anything is installed or built', () => {
        for (const data of ['/proc/x', join(folder, 'file')]) {
            const { status, stderr } = spawnSync(join(projectRoot(), 'edgemap'), ['start', '--data', data], {
                encoding: 'utf8',
            });
            expect([status, stderr]).toEqual([1, expect.stringMatching(/^The data folder .* cannot be (?:made|used)/)]);
        }
    });
});

describe('the launcher', () => {
    it('makes the data folder for its owner alone, and closes one that was open', async () => {
        const open = join(folder, 'open');
        mkdirSync(open, { mode: 0o755 });
        const { code } = await runCommand([
            'survey',
            '--go-on',
            '1/1',
            '--export',
            join(folder, 'out'),
            '--data',
            open,
        ]);
        expect(code).toBe(2);
        expect(statSync(open).mode & 0o777).toBe(0o700);
    });
});

describe('what a site says', () => {
    it('reaches no terminal as it is: titles, rules and addresses', async () => {
        const standIn = await startStandIn(
            tableSite({
                '/': '<title>\u001b]0;owned\u0007 \u009b2J \u202etxt</title><p>Words to read here.</p><a href="/a">a</a>',
                '/a': 'a',
                '/robots.txt': {
                    body: 'User-agent: *\nDisallow: /x\u001b[31m',
                    headers: { 'content-type': 'text/plain' },
                },
            }),
        );
        const { out, err, code } = await runCommand(['door', `http://127.0.0.1:${standIn.port}/`]);
        const json = await runCommand(['door', `http://127.0.0.1:${standIn.port}/`, '--json']);
        await standIn.close();
        expect(code, err).toBe(0);
        expect(out).toContain('\\u001b]0;owned\\u0007');
        for (const said of [out, err, json.out, json.err])
            expect(said).not.toMatch(/[\0-\x08\x0b-\x1f\x7f-\x9f\u202e]/);
        // As JSON it means the same as before.
        expect((JSON.parse(json.out) as { facts: { start: { title: string } } }).facts.start.title).toContain(
            '\u001b]0;owned',
        );
    });
});
