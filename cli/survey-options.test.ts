import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { SETTING_FIELDS } from '../src/lib/core/survey/setting-fields.ts';
import { settingOptions, settingsOfCommand } from './survey-options.ts';

let folder: string;
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'edgemap-options-'))));
afterAll(() => rmSync(folder, { recursive: true }));

function settings(words: string[], from: { file?: string; preset?: string; start?: string } = {}) {
    const { values } = parseArgs({ args: words, options: settingOptions() });
    const start = 'start' in from ? from.start : 'https://a.example/';
    return settingsOfCommand({ start, file: from.file, preset: from.preset, options: values });
}

function file(content: string): string {
    const path = join(folder, `${Math.random()}.json`);
    writeFileSync(path, content);
    return path;
}

describe('settings on the command line', () => {
    it('has an option for every field but the start', () => {
        const read = settings([
            ...['--start', 'https://a.example/b', '--host', 'b.example', '--subdomains', '--only', '/', '--not', '/x/'],
            ...['--drop-parameter', 'utm_*', '--drop-parameter', 'sid', '--sort-parameters', '--trailing-slash', 'add'],
            ...['--lower-case-path', '--index-document', 'index.html', '--pin', 'a.example=127.0.0.1:80'],
            ...[
                '--allow-private',
                '--onward',
                'a, redirect',
                '--robots',
                'record',
                '--no-made-up',
                '--action-word',
                'weg',
            ],
            ...['--concurrency', '2', '--delay', '0.25', '--use-crawl-delay', '--agent', 'Bot/1 me', '--token', 'bot'],
            ...['--no-keep-source', '--externals', 'check', '--resources', 'check', '--max-pages', '9'],
            ...['--max-depth', '3', '--max-minutes', '1.5', '--max-size', '0.5', '--family-limit', '0'],
            ...['--growth-limit', '900'],
            ...['--header', 'X-A: b', '--cookie', 'c=d', '--sign-in', 'u:p'],
        ]);
        expect(read.settings).toEqual({
            start: 'https://a.example/',
            starts: ['https://a.example/b'],
            hosts: ['b.example'],
            subdomains: true,
            only: ['/'],
            not: ['/x/'],
            dropParameters: ['utm_*', 'sid'],
            sortParameters: true,
            trailingSlash: 'add',
            lowerCasePath: true,
            indexDocuments: ['index.html'],
            pins: ['a.example=127.0.0.1:80'],
            allowPrivate: true,
            onward: ['a', 'redirect'],
            robots: 'record',
            madeUp: false,
            followActions: false,
            actionWords: ['weg'],
            concurrency: 2,
            delay: 250,
            useCrawlDelay: true,
            agent: 'Bot/1 me',
            token: 'bot',
            sends: ['header X-A', 'cookie c', 'sign-in u'],
            keepSource: false,
            externals: 'check',
            resources: 'check',
            maxPages: 9,
            maxDepth: 3,
            maxMinutes: 1.5,
            maxBytes: 524_288,
            familyLimit: 0,
            growthLimit: 900,
            spot: null,
        });
        expect(read.secrets).toEqual({
            headers: [['X-A', 'b']],
            cookies: [['c', 'd']],
            signIn: { user: 'u', password: 'p' },
        });
    });

    it('lets options win over the file, and the file over the preset', () => {
        const path = file('{"concurrency": 3, "maxPages": 100, "start": "https://file.example/"}');
        const read = settings(['--max-pages', '7'], { file: path, preset: 'careful', start: undefined });
        expect(read.settings).toMatchObject({
            start: 'https://file.example/',
            concurrency: 3,
            maxPages: 7,
            delay: 1_000,
            useCrawlDelay: true,
        });
    });

    it.each([
        [['--delay=-1'], /^--delay: Time between requests is a number from 0/],
        [['--host', 'http://b.example/'], /^--host: "http:\/\/b\.example\/" is no host name/],
        [['--only', 'guides'], /^--only: "guides" is no path pattern/],
        [['--only', '/x/'], /^URL: The start page lies outside the paths/],
        [['--header', 'nothing'], /^--header: A header is written as NAME: VALUE/],
        [['--header', 'Host: b'], /^--header: The header "Host" is written by the survey itself/],
        [['--sign-in', 'nobody'], /^--sign-in: A basic sign-in is written as USER:PASSWORD/],
        [['--onward', 'a,b'], /^--onward: Kinds that can lead onward:/],
        [['--token', 'a b'], /^--token: A product token has letters/],
        [['--agent', 'Other/1'], /^--agent: The agent name must contain the product token "edgemap"/],
        [['--start', 'https://elsewhere.example/'], /^--start: https:\/\/elsewhere\.example\/ does not belong/],
        [['--cookie', 'a=b', '--follow-actions'], /^--follow-actions: Actions stay closed while signed in/],
        [['--max-size', '0'], /^--max-size: Size of a response is a number/],
    ])('names the option for %j', (words, say) => {
        expect(() => settings(words)).toThrow(say);
    });

    it('never repeats a secret in a sentence', () => {
        for (const words of [
            ['--header', 'secret-1'],
            ['--cookie', 'secret 1'],
            ['--sign-in', 'secret-1'],
            ['--header', 'A: secret-1\u0001'],
        ]) {
            let said = '';
            try {
                settings(words);
            } catch (error) {
                said = (error as Error).message;
            }
            expect(said).not.toBe('');
            expect(said).not.toContain('secret');
        }
    });

    it.each([
        ['{', /is no JSON/],
        ['[]', /must hold one object/],
        ['{"maxPage": 3}', /There is no setting called "maxPage"/],
        ['{"maxPages": "lots"}', /maxPages: Page limit is a whole number/],
        ['{"hosts": "b.example"}', /hosts: This is a list of texts/],
        ['{"subdomains": "yes"}', /subdomains: This is true or false/],
    ])('says what is wrong with a file of %s', (content, say) => {
        expect(() => settings([], { file: file(content) })).toThrow(say);
    });

    it('says which file is missing, and which presets there are', () => {
        expect(() => settings([], { file: join(folder, 'none.json') })).toThrow(/none\.json cannot be read/);
        expect(() => settings([], { preset: 'fast' })).toThrow(/There are: usual, careful, own/);
    });
});

describe('the documents of the settings', () => {
    const help = readFileSync(new URL('./help.txt', import.meta.url), 'utf8').replace(/\s+/g, ' ');
    const docs = readFileSync(new URL('../docs/settings.md', import.meta.url), 'utf8');

    it.each(SETTING_FIELDS.map((field) => [field.id, field] as const))('tell of %s, and what it does', (_, field) => {
        expect(docs).toContain(`**${field.label}**: ${field.effect}`);
        expect(docs).toContain(`| \`${field.id === 'maxBytes' ? 'maxSize' : field.id}\``);
        if (field.option === 'URL') return;
        expect(help).toContain(`--${field.option} `);
        expect(help).toContain(field.effect);
    });
});
