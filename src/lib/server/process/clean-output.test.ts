import { afterEach, describe, expect, it, vi } from 'vitest';
import { clean, cleanConsole, rewriteLine } from './clean-output.ts';

describe('clean', () => {
    it.each([
        ['\x1b]0;owned\x07', '\\u001b]0;owned\\u0007'],
        ['\x9b2J', '\\u009b2J'],
        ['a\rb', 'a\\u000db'],
        ['\x7f\0\x08', '\\u007f\\u0000\\u0008'],
        ['left \u202eright', 'left \\u202eright'],
    ])('%j can be read, and nothing obeys it', (text, cleaned) => {
        expect(clean(text)).toBe(cleaned);
    });

    it('leaves text as it is, in every language, with its lines and tabs', () => {
        const text = 'Straße\tüñ 😀 سلام\n  日本語 “—”';
        expect(clean(text)).toBe(text);
    });

    it('changes JSON to JSON that means the same', () => {
        const value = { title: 'a\u009bb\u202ec\u007f' };
        expect(JSON.parse(clean(JSON.stringify(value)))).toEqual(value);
    });
});

describe('what is said', () => {
    const { log, info, error, warn } = console;
    afterEach(() => {
        Object.assign(console, { log, info, error, warn });
        vi.restoreAllMocks();
    });

    it('through the console is cleaned, errors and objects too', () => {
        const out = vi.spyOn(process.stdout, 'write').mockReturnValue(true);
        const err = vi.spyOn(process.stderr, 'write').mockReturnValue(true);
        cleanConsole();
        console.log('title:', '\x1b[31m');
        console.error(new Error('bad \x1b[2J'));
        expect(out.mock.calls[0]?.[0]).toBe('title: \\u001b[31m\n');
        expect(String(err.mock.calls[0]?.[0])).toContain('bad \\u001b[2J');
    });

    it('over the line before is cleaned but for our own going back', () => {
        const err = vi.spyOn(process.stderr, 'write').mockReturnValue(true);
        rewriteLine('reading \x1b[31m');
        expect(err.mock.calls).toEqual([['\r\x1b[Kreading \\u001b[31m']]);
    });
});
