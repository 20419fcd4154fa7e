import { describe, expect, it } from 'vitest';
import { belongingOf } from './belonging.ts';
import { scopeOf, scopePatternTrouble } from './scope.ts';

const at = (path: string): string => `https://a.example${path}`;

describe('scopeOf', () => {
    it('has everything in without patterns', () => {
        expect(scopeOf([], [])(at('/x'))).toBe(true);
    });

    it.each([
        [['/guides/'], [], '/guides/saw', true],
        [['/guides/'], [], '/tools/', false],
        [['/guides/'], [], '/', false],
        [[], ['/archive/'], '/archive/1', false],
        [[], ['/archive/'], '/', true],
        [['/guides/'], ['/guides/old/'], '/guides/old/x', false],
        [['/guides/', '/guides/old/best'], ['/guides/old/'], '/guides/old/best', true],
        [[], ['/*.pdf$'], '/a/b.pdf', false],
        [[], ['/*.pdf$'], '/a/b.pdf?x', true],
        [['/a'], ['/a'], '/a', true],
    ])('only %j, not %j: %s is in: %s', (only, not, path, isIn) => {
        expect(scopeOf(only, not)(at(path))).toBe(isIn);
    });
});

it('says what a scope pattern looks like', () => {
    expect(scopePatternTrouble('/guides/')).toBe('');
    expect(scopePatternTrouble('*.pdf$')).toBe('');
    expect(scopePatternTrouble('guides')).toContain('starts with / or *');
    expect(scopePatternTrouble('/a b')).not.toBe('');
});

describe('belonging with settings', () => {
    const rules = { hosts: [], subdomains: false, only: [], not: [] };

    it('takes in further hosts on both schemes, with their port where one is named', () => {
        const { belongs } = belongingOf('https://a.example/', [], { ...rules, hosts: ['b.example', 'c.example:8080'] });
        expect(belongs('http://b.example/x')).toBe(true);
        expect(belongs('https://www.b.example/')).toBe(false);
        expect(belongs('http://c.example:8080/')).toBe(true);
        expect(belongs('http://c.example/')).toBe(false);
    });

    it('takes in every subdomain, and nothing that only looks like one', () => {
        const { belongs } = belongingOf('https://www.a.example/', [], { ...rules, subdomains: true });
        expect(belongs('https://shop.a.example/')).toBe(true);
        expect(belongs('http://x.y.a.example/')).toBe(true);
        expect(belongs('https://nota.example/')).toBe(false);
        expect(belongs('https://a.example.evil.example/')).toBe(false);
        expect(belongs('https://shop.a.example:444/')).toBe(false);
    });

    it('has no subdomains of an address', () => {
        const { belongs } = belongingOf('http://127.0.0.1:80/', [], { ...rules, subdomains: true });
        expect(belongs('http://1.127.0.0.1/')).toBe(false);
    });

    it('tells what belongs from what is in scope', () => {
        const { belongs, isInternal } = belongingOf('https://a.example/', [], { ...rules, not: ['/x/'] });
        expect(belongs('https://a.example/x/1')).toBe(true);
        expect(isInternal('https://a.example/x/1')).toBe(false);
        expect(isInternal('https://a.example/y')).toBe(true);
    });
});
