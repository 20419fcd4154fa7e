import { describe, expect, it } from 'vitest';
import { applyUrlRules, NO_URL_RULES, previewUrlRules, type UrlRules } from './url-rules.ts';

const O = 'https://a.example';
const apply = (path: string, rules: Partial<UrlRules>): string =>
    applyUrlRules(O + path, { ...NO_URL_RULES, ...rules }).slice(O.length);

describe('applyUrlRules', () => {
    it.each([
        ['/x?utm_source=a&id=1&utm_term=b', '/x?id=1'],
        ['/x?utm_source=a', '/x'],
        ['/x?id=1', '/x?id=1'],
        ['/x?', '/x?'],
        ['/x?UTM_source=a', '/x?UTM_source=a'],
        ['/x?a=utm_source', '/x?a=utm_source'],
        ['/x?my_utm_source=a', '/x?my_utm_source=a'],
        ['/x?utm%5Fsource=a&b', '/x?b'],
    ])('leaves out parameters of %s', (from, to) => {
        expect(apply(from, { dropParameters: ['utm_*'] })).toBe(to);
    });

    it.each([
        ['/x?b=2&a=1', '/x?a=1&b=2'],
        ['/x?b=2&a=9&a=1', '/x?a=9&a=1&b=2'],
        ['/x?a=1', '/x?a=1'],
    ])('sorts parameters by name and keeps the order of equal names: %s', (from, to) => {
        expect(apply(from, { sortParameters: true })).toBe(to);
    });

    it.each([
        ['/a', 'add', '/a/'],
        ['/a/', 'add', '/a/'],
        ['/a.html', 'add', '/a.html'],
        ['/a?q=1', 'add', '/a/?q=1'],
        ['/a/', 'remove', '/a'],
        ['/a//', 'remove', '/a'],
        ['/', 'remove', '/'],
        ['/a/', 'keep', '/a/'],
    ] as const)('%s with the slash "%s" is %s', (from, trailingSlash, to) => {
        expect(apply(from, { trailingSlash })).toBe(to);
    });

    it('lowers letters of the path only, never percent-encoding or query', () => {
        expect(apply('/Tools/%C3%89/X?Q=Y', { lowerCasePath: true })).toBe('/tools/%C3%89/x?Q=Y');
    });

    it('takes index documents for their folder', () => {
        expect(apply('/a/index.html?x', { indexDocuments: ['index.html'] })).toBe('/a/?x');
        expect(apply('/a/Index.html', { indexDocuments: ['index.html'] })).toBe('/a/Index.html');
        expect(apply('/a/Index.html', { indexDocuments: ['index.html'], lowerCasePath: true })).toBe('/a/');
        expect(apply('/a/index.html', { indexDocuments: ['index.html'], trailingSlash: 'remove' })).toBe('/a');
    });

    it('changes nothing the second time', () => {
        const rules: UrlRules = {
            dropParameters: ['s*'],
            sortParameters: true,
            trailingSlash: 'add',
            lowerCasePath: true,
            indexDocuments: ['index.html'],
        };
        const parts = ['', '/A', '/b/', '/index.html', '//', '/c.D', '?s=1', '?b=2&a=1&sx', '?', '/%C3%9C'];
        for (const first of parts) {
            for (const second of parts) {
                const once = applyUrlRules(`${O}/${first}${second}`, rules);
                expect(applyUrlRules(once, rules)).toBe(once);
            }
        }
    });
});

describe('previewUrlRules', () => {
    const known = ['/a', '/a/', '/b?x=1&y=2', '/b?y=2&x=1', '/c'].map((path) => O + path);

    it('says for each rule that is on what it would merge', () => {
        const previews = previewUrlRules(known, { ...NO_URL_RULES, trailingSlash: 'add', sortParameters: true });
        expect(previews.map(({ rule, merged }) => [rule, merged])).toEqual([
            ['sortParameters', 1],
            ['trailingSlash', 1],
            ['all', 2],
        ]);
        expect(previews[1]?.examples).toEqual([{ url: `${O}/a/`, of: [`${O}/a`, `${O}/a/`] }]);
    });

    it('says nothing while all are off', () => {
        expect(previewUrlRules(known, NO_URL_RULES)).toEqual([]);
    });
});
