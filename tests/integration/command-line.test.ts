/** `edgemap survey` as a user runs it: exports, exit codes, and a clear sentence for every kind of bad input. */
import { FINDING_COLUMNS } from '$lib/server/export/findings.ts';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { LINK_COLUMNS } from '$lib/core/survey/link-records.ts';
import { PAGE_FILE_COLUMNS } from '$lib/core/sets/page-columns.ts';
import { projectRoot } from '$lib/server/process/data-folder.ts';
import { fernhollow } from '../../demo/fernhollow/site.ts';
import * as answers from '../../demo/answers.ts';
import { startStandIn, type StandIn, type StandInSite } from '../../demo/stand-in.ts';
import { readCsv, readSummary, runCommand, startCommand, until, type CommandResult } from '../support/command.ts';
import { temporaryFolder } from '../support/instance.ts';
import { redirectTo, tableSite } from '../support/survey.ts';
import { lives } from '../support/application.ts';

let data: string;
let work: string;
beforeAll(() => {
    data = temporaryFolder('cli-data');
    work = temporaryFolder('cli-work');
});
afterAll(() => {
    for (const path of [data, work]) rmSync(path, { recursive: true, force: true });
});

let folders = 0;
const exportFolder = (): string => join(work, `export-${folders++}`);

/** Surveys a site that a stand-in serves under www.site.example. */
async function surveyOf(
    site: StandInSite,
    words: string[] = [],
    start = 'https://www.site.example/',
): Promise<CommandResult & { folder: string }> {
    const standIn = await startStandIn(site);
    try {
        const folder = exportFolder();
        const pin = `www.site.example=127.0.0.1:${standIn.port}`;
        return {
            ...(await runCommand(['survey', start, '--pin', pin, '--export', folder, '--data', data, ...words])),
            folder,
        };
    } finally {
        await standIn.close();
    }
}

describe('a good survey', () => {
    let standIn: StandIn;
    let result: CommandResult;
    let folder: string;
    beforeAll(async () => {
        standIn = await startStandIn(fernhollow());
        folder = exportFolder();
        const pins = ['www.fernhollow-tools.example', 'fernhollow-tools.example'].flatMap((host) => [
            '--pin',
            `${host}=127.0.0.1:${standIn.port}`,
        ]);
        result = await runCommand(['survey', answers.START, ...pins, '--export', folder, '--data', data]);
    });
    afterAll(() => standIn.close());

    it('ends with 0 and a summary', () => {
        expect(result.code, result.err).toBe(0);
        expect(result.out).toContain('9 orphans: 3 strict, 6 adrift');
    });

    it('writes the columns as documented', () => {
        const first = (name: string): string => readFileSync(join(folder, name), 'utf8').split('\r\n', 1)[0]!;
        expect(first('pages.csv')).toBe(PAGE_FILE_COLUMNS.join(','));
        expect(first('links.csv')).toBe(LINK_COLUMNS.join(','));
        const formats = readFileSync(join(import.meta.dirname, '../../docs/formats.md'), 'utf8');
        expect(first('findings.csv')).toBe(FINDING_COLUMNS.join(','));
        for (const column of [...PAGE_FILE_COLUMNS, ...LINK_COLUMNS, ...FINDING_COLUMNS])
            expect(formats, column).toContain(`\`${column}\``);
    });

    it('finds what the pages and links it writes say by themselves', () => {
        const pages = readCsv(folder, 'pages.csv');
        const findings = readCsv(folder, 'findings.csv');
        const urlsOf = (check: string): string[] =>
            findings.filter((row) => row.check === check).map(({ url }) => url!);
        const urlsWhere = (isSo: (page: Record<string, string>) => boolean): string[] =>
            pages.filter((page) => isSo(page as Record<string, string>)).map(({ url }) => url!);
        const isPage = ({ status, content_type: type }: Record<string, string>): boolean =>
            status === '200' && type === 'text/html';
        expect(urlsOf('sitemap-lacks')).toEqual(
            urlsWhere(({ gate, evidence }) => gate === 'indexable' && !evidence!.split(' ').includes('sitemap')),
        );
        expect(urlsOf('title-missing')).toEqual(urlsWhere((page) => isPage(page) && page.title === ''));
        expect(urlsOf('dead-end')).toEqual(urlsWhere((page) => isPage(page) && page.outgoing_links === '0'));
        expect(urlsOf('orphan-strict')).toEqual(answers.ORPHAN_GUIDES.map((path) => answers.START.slice(0, -1) + path));

        // The planted link of a menu: told once, of its template, at a line where it stands.
        const { target, pages: carriers } = answers.BROKEN_MENU_LINK;
        const [menu, ...more] = findings.filter(
            ({ check, other_url: to }) => check === 'link-to-error' && to?.endsWith(target),
        );
        expect(more).toEqual([]);
        expect(menu).toMatchObject({ severity: 'fault', pages: `${carriers}` });
        const links = readCsv(folder, 'links.csv').filter((link) => link.target === menu!.other_url);
        expect(new Set(links.map(({ source }) => source)).size).toBe(carriers);
        expect(links.map(({ source, line, block }) => [source, line, block])).toContainEqual([
            menu!.url,
            menu!.line,
            menu!.block,
        ]);
        for (const { reason } of findings) expect(reason).toMatch(/^(?:[A-Z]|“).*\.$/);
        // The rule that closes more than was meant: a finding of the file, at its line.
        expect(findings).toContainEqual(
            expect.objectContaining({
                check: 'robots-closes-wanted',
                reason: expect.stringContaining(`“${answers.CLOSED_TOO_MUCH.rule}” closes`),
                url: `${answers.START}robots.txt`,
                line: '4',
                pages: '0',
            }),
        );
    });

    it('writes three files that agree with each other', () => {
        const pages = readCsv(folder, 'pages.csv');
        const links = readCsv(folder, 'links.csv');
        const summary = readSummary(folder);
        expect(summary).toMatchObject({
            complete: true,
            reasons: [],
            pages: pages.length,
            urls: pages.length,
            pages_read: pages.filter(({ status, content_type }) => status === '200' && content_type === 'text/html')
                .length,
            links: links.length,
            orphans: pages.filter((page) => page.orphan === 'true').length,
        });
        for (const part of ['by_status', 'by_gate', 'by_depth', 'by_evidence']) {
            expect(
                Object.values(summary[part] as Record<string, number>).reduce((a, b) => a + b, 0),
                part,
            ).toBe(pages.length);
        }
        // Incoming links, counted again from the links file by the definition.
        const read = new Set(pages.filter((page) => page.status === '200').map((page) => page.url));
        for (const page of pages) {
            const incoming = links.filter(
                (link) =>
                    link.kind === 'a' &&
                    link.target === page.url &&
                    link.source !== page.url &&
                    read.has(link.source ?? ''),
            );
            expect(
                incoming.reduce((sum, link) => sum + Number(link.occurrences), 0),
                page.url,
            ).toBe(Number(page.incoming_links));
            expect(new Set(incoming.map((link) => link.source)).size, page.url).toBe(Number(page.incoming_pages));
        }
    });

    it('names for each link a line of the source where its href stands', async () => {
        const site = fernhollow();
        const links = readCsv(folder, 'links.csv').filter((link) => link.line !== '' && link.kind !== 'other');
        expect(links.length).toBeGreaterThan(1000);
        for (const link of links) {
            const url = new URL(link.source!);
            const { body } = site({
                scheme: url.protocol === 'http:' ? 'http' : 'https',
                host: url.hostname,
                path: url.pathname + url.search,
            });
            const lines = String(body)
                .split('\n')
                .slice(Number(link.line) - 1, Number(link.line) + 1)
                .join('\n');
            expect(lines, `${link.source} line ${link.line}`).toContain(link.href!.replaceAll('&', '&amp;'));
        }
    });

    it('leaves no database behind', () => {
        const { pid } = JSON.parse(readFileSync(join(data, 'run/database.json'), 'utf8')) as { pid: number };
        expect(lives(pid)).toBe(false);
    });
});

describe('limits', () => {
    it('ends with 0 when a limit of the user cut it, and says that it is partial', async () => {
        const { code, out, folder } = await surveyOf(
            tableSite({ '/': '<a href=/a>a</a>', '/a': '<a href=/b>b</a>', '/b': 'b' }),
            ['--max-depth', '1'],
        );
        expect(code).toBe(0);
        expect(out).toContain('partial (max-depth)');
        expect(readSummary(folder)).toMatchObject({ complete: false, reasons: ['max-depth'], orphans: null });
        expect(readCsv(folder, 'pages.csv').map((page) => [page.status, page.not_read, page.orphan])).toEqual([
            ['200', '', ''],
            ['200', '', ''],
            ['', 'limit', ''],
        ]);
    });
});

describe('wrong usage ends with 2 and names what is wrong', () => {
    it.each([
        [['survey'], /Say which site/],
        [['survey', 'https://site.example/'], /--export/],
        [['survey', 'https://site.example/', 'https://other.example/', '--export', '/tmp/x'], /one too many/],
        [['survey', 'ftp://site.example/', '--export', '/tmp/x'], /URL: .*http/],
        [
            ['survey', 'https://site.example/', '--export', '/tmp/x', '--max-pages', 'all'],
            /--max-pages: .*whole number/,
        ],
        [['survey', 'https://site.example/', '--export', '/tmp/x', '--max-depth', '-1'], /--max-depth/],
        [['survey', 'https://site.example/', '--export', '/tmp/x', '--concurrency', '0'], /--concurrency/],
        [['survey', 'https://site.example/', '--export', '/tmp/x', '--robots', 'ignore'], /--robots/],
        [['survey', 'https://site.example/', '--export', '/tmp/x', '--pin', 'nonsense'], /--pin: .*nonsense/],
        [['survey', 'https://site.example/', '--export', '/tmp/x', '--fast'], /fast/],
        [['start', '--port', '70000'], /--port/],
        [['fly'], /no command "fly"/],
    ])('%j', async (words, said) => {
        const { code, err } = await runCommand(words);
        expect(err).toMatch(said);
        expect(code).toBe(2);
    });
});

describe('what cannot be surveyed ends with 1, named, with what is known kept', () => {
    const page = (path: string, folder: string) => readCsv(folder, 'pages.csv').find((row) => row.url?.endsWith(path));

    it('no such host', async () => {
        const folder = exportFolder();
        const { code, err } = await runCommand([
            'survey',
            'https://no-such-host.invalid/',
            '--export',
            folder,
            '--data',
            data,
        ]);
        expect(err).toMatch(/Could not survey https:\/\/no-such-host\.invalid\/.*no such host: no-such-host\.invalid/s);
        expect(code).toBe(1);
        expect(readSummary(folder)).toMatchObject({ complete: false, pages: 1 });
        expect(page('/', folder)).toMatchObject({ status: '', not_read: 'no-such-host' });
    });

    it('a refused connection', async () => {
        const standIn = await startStandIn(tableSite({}));
        await standIn.close();
        const { code, err } = await runCommand([
            'survey',
            `http://127.0.0.1:${standIn.port}/`,
            '--export',
            exportFolder(),
            '--data',
            data,
        ]);
        expect(err).toMatch(/refused the connection/);
        expect(code).toBe(1);
    });

    it('a TLS error', async () => {
        const standIn = await startStandIn(tableSite({ '/': 'x' }));
        const { code, err } = await runCommand([
            'survey',
            `https://127.0.0.1:${standIn.port}/`,
            '--export',
            exportFolder(),
            '--data',
            data,
        ]);
        await standIn.close();
        expect(err).toMatch(/TLS failed with 127\.0\.0\.1/);
        expect(code).toBe(1);
    });

    it('a start page that redirects to another host', async () => {
        const { code, err, folder } = await surveyOf(tableSite({ '/': redirectTo('https://other.example/') }));
        expect(err).toMatch(/redirects to https:\/\/other\.example\/, which does not belong to this site/);
        expect(code).toBe(1);
        expect(page('/', folder)).toMatchObject({
            status: '301',
            redirect_to: 'https://other.example/',
            gate: 'redirect',
        });
    });

    it('robots.txt that closes the start page, with the rule and its line', async () => {
        const { code, err, folder } = await surveyOf(
            tableSite({ '/robots.txt': 'User-agent: *\n\nDisallow: /', '/': 'x' }),
        );
        expect(err).toMatch(
            /robots\.txt closes .* for EdgeMap: Disallow: \/ \(https:\/\/www\.site\.example\/robots\.txt, line 3\)/,
        );
        expect(code).toBe(1);
        expect(page('/', folder)).toMatchObject({
            status: '',
            robots_allowed: 'false',
            gate: 'robots',
            not_read: 'robots',
        });
    });

    it('a start page that answers 404', async () => {
        const { code, err, folder } = await surveyOf(tableSite({}));
        expect(err).toMatch(/answered 404/);
        expect(code).toBe(1);
        expect(page('/', folder)).toMatchObject({ status: '404', gate: 'response' });
    });

    it('a start page that is no HTML', async () => {
        const { code, err } = await surveyOf(
            tableSite({ '/': { body: '{}', headers: { 'content-type': 'application/json' } } }),
        );
        expect(err).toMatch(/is application\/json, not HTML/);
        expect(code).toBe(1);
    });

    it('an export folder that cannot be written, before anything is asked', async () => {
        const file = join(work, 'a-file');
        writeFileSync(file, '');
        const standIn = await startStandIn(tableSite({ '/': 'x' }));
        const { code, err } = await runCommand([
            'survey',
            `http://127.0.0.1:${standIn.port}/`,
            '--export',
            join(file, 'sub'),
            '--data',
            data,
        ]);
        await standIn.close();
        expect(err).toMatch(/export folder .*a-file.* cannot be written/);
        expect(code).toBe(1);
        expect(standIn.log).toEqual([]);
    });

    it('but a malformed sitemap is told, and the survey goes on', async () => {
        const { code, out } = await surveyOf(
            tableSite({ '/': 'x', '/sitemap.xml': '<urlset><url><loc>https://www.site.example/</loc></url><oops' }),
        );
        expect(out).toMatch(/sitemap\.xml: 1 address\..*XML is broken/s);
        expect(code).toBe(0);
    });
});

describe('interrupted', () => {
    const slow: StandInSite = ({ path }) => {
        const n = Number(path.slice(1));
        const isPage = /^\/\d*$/.test(path);
        return {
            status: isPage ? 200 : 404,
            headers: { 'content-type': 'text/html' },
            body: `<a href="/${n * 2 + 1}">l</a><a href="/${n * 2 + 2}">r</a>`,
            delay: 15,
        };
    };

    it('by Ctrl-C it stops, keeps and exports what was read', async () => {
        const standIn = await startStandIn(slow);
        const folder = exportFolder();
        const running = startCommand([
            'survey',
            `http://127.0.0.1:${standIn.port}/`,
            '--max-pages',
            '5000',
            '--export',
            folder,
            '--data',
            data,
        ]);
        await until('reading', () => standIn.log.length > 60, 60_000, running.said);
        running.process.kill('SIGINT');
        const { code, err } = await running.done;
        await standIn.close();
        expect(code, err).toBe(130);
        expect(readSummary(folder)).toMatchObject({ complete: false, reasons: ['stopped'] });
        expect(readCsv(folder, 'pages.csv').filter((row) => row.status === '200').length).toBeGreaterThan(20);
    });

    it('by SIGTERM it ends with 4', async () => {
        const standIn = await startStandIn(slow);
        const running = startCommand([
            'survey',
            `http://127.0.0.1:${standIn.port}/`,
            '--max-pages',
            '5000',
            '--export',
            exportFolder(),
            '--data',
            data,
        ]);
        await until('reading', () => standIn.log.length > 40, 60_000, running.said);
        running.process.kill('SIGTERM');
        const { code } = await running.done;
        await standIn.close();
        expect(code).toBe(4);
    });

    it('by a killed database it goes on with the one started again, and loses nothing', async () => {
        const standIn = await startStandIn(slow);
        const folder = exportFolder();
        const running = startCommand([
            'survey',
            `http://127.0.0.1:${standIn.port}/`,
            '--max-pages',
            '600',
            '--export',
            folder,
            '--data',
            data,
        ]);
        await until('reading', () => standIn.log.length > 100, 60_000, running.said);
        const { pid } = JSON.parse(readFileSync(join(data, 'run/database.json'), 'utf8')) as { pid: number };
        process.kill(pid, 'SIGKILL');
        const { code, err } = await running.done;
        await standIn.close();
        expect(code, err).toBe(0);
        expect(err).toContain('The database had ended; it is up again');
        const pages = readCsv(folder, 'pages.csv').filter((row) => row.status !== '');
        expect(pages).toHaveLength(600);
        const asked = standIn.log.map((entry) => entry.url);
        expect(new Set(asked).size).toBe(asked.length);
        for (const row of pages) expect(asked).toContain(row.url);
    });
});

it('makes the export folder where it is missing', async () => {
    mkdirSync(work, { recursive: true });
    const { code, folder } = await surveyOf(tableSite({ '/': 'x' }));
    expect(code).toBe(0);
    expect(existsSync(join(folder, 'summary.json'))).toBe(true);
});

describe('a gate in a build pipeline', () => {
    const SITE = tableSite({
        '/': '<title>Home</title><a href="/a">a</a><a href="/lost">lost</a>',
        '/a': '<title>A</title><a href="/">home</a><a href="/lost">lost</a>',
    });

    it('ends with 3 and names the pages that are in the set', async () => {
        const result = await surveyOf(SITE, ['--fail-on', 'links to (error)', '--fail-on', 'depth > 5']);
        expect(result.code, result.err).toBe(3);
        expect(result.out).toContain('2 pages are in the set: links to (error)');
        expect(result.out).toContain('  https://www.site.example/\n  https://www.site.example/a\n');
        expect(result.out).toContain('No page is in the set: depth > 5');
        const standing = readCsv(result.folder, 'pages.csv').map((row) => Number(row.standing));
        // Two pages that link to each other: each has the average standing, an error has none.
        expect(standing).toEqual([1, 1, 0]);
    });

    it('ends with 0 when no page is in it, and compares with the survey before', async () => {
        const result = await surveyOf(SITE, ['--fail-on', 'new', '--fail-on', 'gone']);
        expect(result.code, result.out + result.err).toBe(0);
        expect(result.out).toContain('No page is in the set: new');
    });

    it('ends with 3 where a check finds something, or anything of a severity, and says what is not known', async () => {
        const set = 'has finding "link-to-error" and has fault';
        const result = await surveyOf(SITE, ['--fail-on', 'link-to-error', '--fail-on', 'fault', '--fail-on', set]);
        expect(result.out).toContain(`2 pages are in the set: ${set}`);
        expect(result.code, result.err).toBe(3);
        expect(result.out).toMatch(/^\d+ findings?: link-to-error$/m);
        expect(result.out).toMatch(/^ {2}link-to-error http\S+: Links to \S+, which answers \d+\.$/m);
        expect(result.out).toMatch(/^\d+ findings?: severity fault$/m);
        const partial = await surveyOf(SITE, ['--fail-on', 'orphan-strict', '--max-pages', '1']);
        expect(partial.out).toContain('Not known of this survey: orphan-strict');
        expect(partial.code).toBe(0);
    });

    it('lists the checks without a site', async () => {
        const { code, out } = await runCommand(['survey', '--checks', 'list']);
        expect(code).toBe(0);
        const docs = readFileSync(join(projectRoot(), 'docs/checks.md'), 'utf8');
        for (const line of out.trim().split('\n')) {
            const [, id, severity] = /^(\S+) +(fault|risk|remark) +\S/.exec(line)!;
            expect(docs, line).toContain(`\`${id}\``);
            expect(severity).toBeTruthy();
        }
    });

    it('refuses a set it cannot read before anything is surveyed', async () => {
        const result = await surveyOf(SITE, ['--fail-on', 'depth > ']);
        expect(result.code).toBe(2);
        expect(result.err).toContain("--fail-on 'depth > ': Here a number is expected.");
        expect(existsSync(result.folder)).toBe(false);
    });
});

describe('the launcher', () => {
    it('hands every command that the help names over, and refuses others', () => {
        const launcher = readFileSync(join(projectRoot(), 'edgemap'), 'utf8');
        const known = /^(demo \|.*)\) ;;$/m.exec(launcher)![1]!.split(' | ');
        const help = readFileSync(join(projectRoot(), 'cli/help.txt'), 'utf8');
        const named = new Set([...help.matchAll(/^ {2}\.\/edgemap ([\w-]+)/gm)].map((found) => found[1]!));
        named.delete('help');
        expect(new Set(known)).toEqual(named);
        const refused = spawnSync('sh', [join(projectRoot(), 'edgemap'), 'polish'], { encoding: 'utf8' });
        expect(refused.status).toBe(2);
        expect(refused.stderr).toContain('There is no command "polish".');
    });
});
