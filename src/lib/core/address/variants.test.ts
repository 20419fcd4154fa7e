import { describe, expect, it } from 'vitest';
import { variantKey, variantKind } from './variants.ts';

const HOME = 'https://site.example';

describe('variants of a URL', () => {
    it.each([
        ['http://site.example/a', `${HOME}/a`, 'scheme'],
        ['https://www.site.example/a', `${HOME}/a`, 'host'],
        [`${HOME}/a/index.html`, `${HOME}/a/`, 'index'],
        [`${HOME}/a/Index.html`, `${HOME}/a`, 'index'],
        [`${HOME}/a`, `${HOME}/a/`, 'slash'],
        [`${HOME}//a//b`, `${HOME}/a/b`, 'slashes'],
        [`${HOME}/A`, `${HOME}/a`, 'case'],
        [`${HOME}/a?y=2&x=1`, `${HOME}/a?x=1&y=2`, 'order'],
        ['http://www.site.example/A', `${HOME}/a/`, 'scheme'],
        [`${HOME}/a`, `${HOME}/a`, null],
    ])('%s differs from %s by %s', (url, of, kind) => {
        expect(variantKey(url)).toBe(variantKey(of));
        expect(variantKind(url, of)).toBe(kind);
    });
});
