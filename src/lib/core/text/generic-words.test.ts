import { describe, expect, it } from 'vitest';
import { isGeneric } from './generic-words.ts';

describe('words of a link that say nothing', () => {
    it.each([
        ['Read more', 'en', true],
        ['READ MORE »', 'en', true],
        ['[more…]', 'en', true],
        ['Read more about saws', 'en', false],
        ['mehr erfahren', 'de', true],
        // What says nothing in one language is a word in another.
        ['More', 'en', true],
        ['More', 'de', false],
        // The name of a page of many sites.
        ['Visit', 'en', false],
        ['plus', 'fr', true],
        ['Plus', 'en', false],
        // A page that does not say its language, or one without a list: any list counts.
        ['cliquez ici', '', true],
        ['cliquez ici', 'xx', true],
        ['こちら', 'ja', true],
        ['', 'en', false],
        ['→', 'en', false],
    ])('%s in %s: %s', (words, language, wanted) => {
        expect(isGeneric(words, language)).toBe(wanted);
    });
});
