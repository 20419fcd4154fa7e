import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { pageKey, urlOfKey } from './page-key.ts';

const START = 'https://site.example/home?x=1';

describe('the key of a page', () => {
    it.each([
        ['https://site.example/', '/'],
        ['https://site.example/tools/?sort=a&b=/c', '/tools/?sort=a&b=/c'],
        ['https://site.example//twice', '//twice'],
        // Another scheme, host or port is another page.
        ['http://site.example/', 'http://site.example/'],
        ['https://site.example:8443/a', 'https://site.example:8443/a'],
        ['https://site.example.evil.example/a', 'https://site.example.evil.example/a'],
        ['https://www.site.example/', 'https://www.site.example/'],
    ])('%s is %s', (url, key) => {
        expect(pageKey(url, START)).toBe(key);
        expect(urlOfKey(key, START)).toBe(url);
    });

    it('is another one for every URL, and leads back to it, on any start page', () => {
        const next = lehmer(3);
        const some = <T>(from: readonly T[]): T => from[next(from.length)]!;
        for (const start of ['https://a.example/', 'http://a.example:8080/x', 'http://[::1]:3000/']) {
            const urls = new Set(
                Array.from(
                    { length: 300 },
                    () =>
                        `${some(['http', 'https'])}://${some(['a.example', 'b.example', 'a.example:8080', '[::1]:3000'])}/${some(['', '/', 'x', 'x/y'])}${some(['', '?q', '?a=/b'])}`,
                ),
            );
            const keys = new Set([...urls].map((url) => pageKey(url, start)));
            expect(keys.size).toBe(urls.size);
            for (const url of urls) expect(urlOfKey(pageKey(url, start), start)).toBe(url);
        }
    });
});
