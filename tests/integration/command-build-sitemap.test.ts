/** `edgemap build-sitemap`: sitemaps of a list and of a pages.csv, which `edgemap sitemap` finds in order. */
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runCommand, type CommandResult } from '../support/command.ts';

const AT = 'https://www.site.example/';
let folder: string;

beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'edgemap-build-'));
});
afterAll(() => {
    rmSync(folder, { recursive: true, force: true });
});

function file(name: string, content: string): string {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
}
const build = (from: string, out: string, ...words: string[]): Promise<CommandResult> =>
    runCommand(['build-sitemap', from, '--at', AT, '--out', join(folder, out), ...words]);
const locs = (text: string): string[] => [...text.matchAll(/<loc>([^<]*)<\/loc>/g)].map(([, loc]) => loc!);

describe('a list of addresses', () => {
    it('becomes a sitemap that has nothing odd, and says what it could not list', async () => {
        const from = file('list.txt', `# ours\n\n/b?x=1&y=2\n${AT}a\n${AT}a\nhttps://other.example/c\nhttp://[bad\n`);
        const result = await build(from, 'one');
        expect(result.code, result.err).toBe(0);
        expect(result.out).toContain('2 addresses in 1 file');
        expect(result.err).toContain('Line 7 is no address: http://[bad');
        expect(result.err).toContain(
            '1 address of another host or scheme than https://www.site.example/, such as https://other.example/c',
        );
        const path = join(folder, 'one/sitemap.xml');
        expect(locs(readFileSync(path, 'utf8'))).toEqual([`${AT}a`, `${AT}b?x=1&amp;y=2`]);
        const judged = await runCommand(['sitemap', path, '--at', `${AT}sitemap.xml`, '--json']);
        expect(judged.code, judged.out).toBe(0);
        const { steps } = JSON.parse(judged.out) as { steps: { test: string; ok: boolean | null }[] };
        expect(steps.filter(({ ok }) => ok !== true)).toEqual([]);
    });
});

describe('a pages.csv', () => {
    const CSV = `url,status,gate\n${AT}guides/a,200,indexable\n${AT}tools/b,200,noindex\n${AT}tools/c,200,indexable\n${AT}d,404,response\n`;

    it('gives its indexable pages, by section and packed where that is asked for', async () => {
        const result = await build(file('pages.csv', CSV), 'many', '--split', 'section', '--gzip');
        expect(result.code, result.err).toBe(0);
        expect(result.out).toContain('2 addresses in 3 files');
        expect(result.out).toContain('2 rows of other gates or status codes left out');
        expect(readdirSync(join(folder, 'many')).sort()).toEqual([
            'sitemap-guides.xml.gz',
            'sitemap-tools.xml.gz',
            'sitemap.xml.gz',
        ]);
        const read = (name: string): string[] => locs(gunzipSync(readFileSync(join(folder, 'many', name))).toString());
        expect(read('sitemap.xml.gz')).toEqual([`${AT}sitemap-guides.xml.gz`, `${AT}sitemap-tools.xml.gz`]);
        expect(read('sitemap-tools.xml.gz')).toEqual([`${AT}tools/c`]);
    });

    it('gives those at other gates, or with a status code, where that is asked for', async () => {
        await build(file('pages.csv', CSV), 'gates', '--gate', 'noindex', '--gate', 'response');
        expect(locs(readFileSync(join(folder, 'gates/sitemap.xml'), 'utf8'))).toEqual([`${AT}d`, `${AT}tools/b`]);
        await build(file('pages.csv', CSV), 'codes', '--gate', 'any', '--status', '404');
        expect(locs(readFileSync(join(folder, 'codes/sitemap.xml'), 'utf8'))).toEqual([`${AT}d`]);
    });
});

describe('what cannot be built', () => {
    it('is said, and nothing is written', async () => {
        const list = file('some.txt', `${AT}a\n`);
        expect(await runCommand(['build-sitemap', list])).toMatchObject({ code: 2 });
        const at = await runCommand(['build-sitemap', list, '--at', `${AT}file.xml`, '--out', join(folder, 'no')]);
        expect(at.err).toContain('--at is the address of a folder, with a slash at its end');
        expect((await build(join(folder, 'missing.txt'), 'no')).err).toContain('cannot be read');
        expect((await build(file('else.txt', 'https://other.example/\n'), 'no')).err).toContain('can be listed at');
        expect((await build(list, 'no', '--split', 'size-and-more')).code).toBe(2);
        expect(readdirSync(folder)).not.toContain('no');
    });
});
