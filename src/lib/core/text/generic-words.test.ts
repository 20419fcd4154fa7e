import { describe, expect, it } from 'vitest';
import { GENERIC_WORDS, GenericWords } from './generic-words.ts';

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
        expect(GENERIC_WORDS.has(words, language)).toBe(wanted);
    });
});

describe('what a site says of them', () => {
    const own = new GenericWords([
        { language: 'en', text: ' “Our Shop” ', isGeneric: true },
        { language: 'en', text: 'more', isGeneric: false },
        { language: '', text: 'klick', isGeneric: true },
        { language: '', text: 'plus', isGeneric: false },
        { language: 'cy', text: 'siop', isGeneric: true },
    ]);

    it.each([
        ['our shop', 'en', true],
        ['our shop', 'de', false],
        ['More', 'en', false],
        // Of the other wordings, and of the other languages, our lists still hold.
        ['read more', 'en', true],
        ['mehr', 'de', true],
        // Said of any language.
        ['klick', 'en', true],
        ['klick', 'ja', true],
        ['plus', 'fr', false],
        ['siop', 'cy', true],
        ['siop', 'en', false],
    ])('%s in %s: %s', (words, language, wanted) => {
        expect(own.has(words, language)).toBe(wanted);
    });

    it('is told by the list of a language: ours, added, dropped', () => {
        const told = new Map(own.list('en').map(({ text, from }) => [text, from]));
        expect([told.get('our shop'), told.get('more'), told.get('here')]).toEqual(['added', 'dropped', 'ours']);
        expect(own.list('')).toEqual([
            { text: 'klick', from: 'added' },
            { text: 'plus', from: 'dropped' },
        ]);
    });

    it('is the same lists by the same key, and none without anything said', () => {
        expect(new GenericWords([]).key).toBe(GENERIC_WORDS.key);
        expect(own.key).not.toBe(GENERIC_WORDS.key);
        expect(new GenericWords(own.said).key).toBe(own.key);
    });
});
