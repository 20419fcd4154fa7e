import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { CHECKS } from '../src/lib/core/checks/register.ts';
import { MADE_PAGES, MADE_PIECES, withPieces } from './made-docs.ts';

const root = join(import.meta.dirname, '..');

/** `npm run docs` writes what these compare. */
describe('docs that are made from declarations', () => {
    it.each(Object.keys(MADE_PAGES))('%s is current', async (page) => {
        await expect(MADE_PAGES[page]!()).toMatchFileSnapshot(join(root, page));
    });

    it.each(Object.keys(MADE_PIECES))('the lists of %s are current', async (page) => {
        const file = join(root, page);
        await expect(withPieces(page, readFileSync(file, 'utf8'))).toMatchFileSnapshot(file);
    });

    it('name every check, and say of each when it is quiet, why it matters and what to do', () => {
        const text = MADE_PAGES['docs/checks.md']!();
        for (const { id, quiet, why, advice, example } of CHECKS) {
            for (const words of [`\`${id}\``, quiet, why, advice, example]) expect(text).toContain(words);
        }
    });

    it('refuse a page that has lost its marks', () => {
        expect(() => withPieces('docs/set-language.md', 'no marks')).toThrow('has no marks <!-- made: fields -->');
    });
});
