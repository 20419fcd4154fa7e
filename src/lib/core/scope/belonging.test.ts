import { describe, expect, it } from 'vitest';
import { belongingOf } from './belonging.ts';
import { sectionOf } from '../address/section.ts';

describe('belongingOf', () => {
    it('takes the bare and the www host over both schemes on default ports', () => {
        const { belongs, alone } = belongingOf('https://www.site.example/start');
        expect(alone).toBe(false);
        for (const origin of [
            'https://www.site.example',
            'http://www.site.example',
            'https://site.example',
            'http://site.example',
        ]) {
            expect(belongs(`${origin}/x`), origin).toBe(true);
        }
        for (const other of [
            'https://shop.site.example/',
            'https://www.site.example:8443/',
            'https://site.example.other.example/',
            'https://wwwsite.example/',
        ]) {
            expect(belongs(other), other).toBe(false);
        }
    });

    it.each([
        'http://127.0.0.1/',
        'http://127.0.0.1:8801/',
        'http://localhost/',
        'http://[::1]:81/',
        'https://site.example:8443/',
    ])('%s stands alone: exactly that origin', (start) => {
        const { belongs, alone } = belongingOf(start);
        expect(alone).toBe(true);
        expect(belongs(`${start}deep/er?x`)).toBe(true);
        expect(belongs(start.replace(/^http:/, 'ftp:').replace(/^https:/, 'http:'))).toBe(false);
        expect(belongs('http://localhost:9/')).toBe(false);
    });

    it('counts a pinned port as a port of its host', () => {
        const { belongs, alone } = belongingOf('https://site.example:8443/', [{ host: 'site.example', port: 8443 }]);
        expect(alone).toBe(false);
        expect(belongs('https://www.site.example/')).toBe(true);
        expect(belongs('http://site.example:8443/a')).toBe(true);
        expect(belongs('https://site.example:9443/')).toBe(false);
    });
});

describe('sectionOf', () => {
    it.each([
        ['https://site.example/', '/'],
        ['https://site.example/about', '/'],
        ['https://site.example/about/', 'about'],
        ['https://site.example/cy/help/x', 'cy'],
        ['https://site.example/Guides/?page=2', 'Guides'],
        ['https://site.example/?x=/a/b/', '/'],
    ])('of %s is %s', (url, section) => {
        expect(sectionOf(url)).toBe(section);
    });
});
