import { describe, expect, it } from 'vitest';
import { queryOf, typedUrl, withParams, withSheet } from './address.ts';

const AT = new URL('http://127.0.0.1:4300/sites/1/2/pages?set=depth+%3D+2&page=/a');

describe('addresses of views', () => {
    it('keep what is looked at, change what is asked, and leave paths readable', () => {
        expect(withParams(AT, { order: 'depth.desc' })).toBe(
            '/sites/1/2/pages?set=depth+%3D+2&page=/a&order=depth.desc',
        );
        expect(withParams(AT, { page: null, set: null })).toBe('/sites/1/2/pages');
        expect(withSheet(AT, 'https://site.example/tools/', 'https://site.example/')).toBe(
            '/sites/1/2/pages?set=depth+%3D+2&page=/tools/',
        );
    });

    it('read back as they were meant, whatever a URL holds', () => {
        for (const url of [
            'https://site.example/a?b=1&c=/d#e',
            'https://site.example/%2F%3Fx+y',
            'http://other.example:8080//x',
            'https://site.example/ä ö?%26=%23',
        ]) {
            const href = withSheet(AT, url, 'https://site.example/');
            const read = new URL(href, AT).searchParams;
            expect(url.endsWith(read.get('page')!)).toBe(true);
            expect(read.get('set')).toBe('depth = 2');
        }
        expect(queryOf(new URLSearchParams())).toBe('');
    });

    it('of what was typed are URLs as they are, and paths of the site', () => {
        const of = (typed: string): string | null => typedUrl(typed, 'https://site.example');
        expect(of(' /tools/?page=2 ')).toBe('https://site.example/tools/?page=2');
        expect(of('tools/')).toBe('https://site.example/tools/');
        expect(of('HTTPS://else.example/a')).toBe('HTTPS://else.example/a');
        expect(of('javascript:alert(1)')).toBe('https://site.example/javascript:alert(1)');
        expect(of('  ')).toBeNull();
    });
});
