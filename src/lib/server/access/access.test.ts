import { describe, expect, it } from 'vitest';
import { formOf, settingsOfForm } from './forms.ts';
import { isOwnHost, isOwnOrigin } from './guard.ts';
import { nameOfSite, readSettings } from './settings.ts';

describe('readSettings', () => {
    it('fills in what was not said', () => {
        expect(readSettings({ start: 'www.site.example' })).toMatchObject({
            ok: true,
            secrets: { headers: [], cookies: [], signIn: null },
            settings: {
                start: 'https://www.site.example/',
                pins: [],
                maxPages: 50_000,
                maxDepth: null,
                concurrency: 4,
                robots: 'obey',
                allowPrivate: false,
                delay: 0,
                externals: 'leave',
                resources: 'leave',
                familyLimit: 200,
                maxBytes: 20_971_520,
                sends: [],
                token: 'edgemap',
                trailingSlash: 'keep',
                spot: null,
            },
        });
    });

    it('takes numbers as typed', () => {
        const read = readSettings({
            start: 'http://127.0.0.1:8801/',
            maxPages: '20',
            maxDepth: '0',
            concurrency: '1',
            robots: 'record',
        });
        expect(read.ok && read.settings).toMatchObject({
            start: 'http://127.0.0.1:8801/',
            maxPages: 20,
            maxDepth: 0,
            concurrency: 1,
            robots: 'record',
        });
    });

    it.each([
        [{ start: '' }, 'start'],
        [{ start: 'ftp://site.example/' }, 'start'],
        [{ start: 'http://' }, 'start'],
        [{ start: 'two words' }, 'start'],
        [{ start: 'site.example', maxPages: '0' }, 'maxPages'],
        [{ start: 'site.example', maxPages: 'many' }, 'maxPages'],
        [{ start: 'site.example', maxDepth: '-1' }, 'maxDepth'],
        [{ start: 'site.example', maxDepth: '1.5' }, 'maxDepth'],
        [{ start: 'site.example', concurrency: '1000' }, 'concurrency'],
        [{ start: 'site.example', robots: 'ignore' }, 'robots'],
        [{ start: 'site.example', pins: ['nonsense'] }, 'pins'],
    ])('%j has one trouble, at its field, in a sentence', (input, field) => {
        const read = readSettings(input);
        expect(read.ok).toBe(false);
        if (read.ok) return;
        expect(read.troubles.map((item) => item.field)).toEqual([field]);
        expect(read.troubles[0]?.say).toMatch(/^[A-Z"].*\.$/);
    });

    it('goes through a form and back', () => {
        const read = readSettings({ start: 'https://site.example/', pins: ['site.example=127.0.0.1:80'], maxDepth: 3 });
        if (!read.ok) throw new Error('not read');
        expect(settingsOfForm(formOf(read.settings))).toEqual(read);
    });

    it('names a site by its host', () => {
        expect(nameOfSite('https://www.site.example/')).toBe('site.example');
    });
});

describe('guard', () => {
    it('answers to our own names on our own port only', () => {
        for (const host of ['127.0.0.1:4300', 'localhost:4300', 'LOCALHOST:4300', '[::1]:4300'])
            expect(isOwnHost(host, 4300), host).toBe(true);
        for (const host of [
            undefined,
            '',
            'localhost',
            '127.0.0.1:4301',
            'evil.example:4300',
            'localhost.evil.example:4300',
        ])
            expect(isOwnHost(host, 4300), String(host)).toBe(false);
    });

    it('takes changes from our own pages only', () => {
        expect(isOwnOrigin('http://127.0.0.1:4300', '127.0.0.1:4300')).toBe(true);
        expect(isOwnOrigin(null, '127.0.0.1:4300')).toBe(true);
        for (const origin of ['https://evil.example', 'http://127.0.0.1:4301', 'null', 'https://127.0.0.1:4300'])
            expect(isOwnOrigin(origin, '127.0.0.1:4300'), origin).toBe(false);
    });
});
