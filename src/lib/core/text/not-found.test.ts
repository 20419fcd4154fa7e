import { describe, expect, it } from 'vitest';
import { notFoundPhrase } from './not-found.ts';

describe('what says that nothing is here', () => {
    it.each([
        ['Page not found', 'en', 'not found'],
        ['404 – Harbour Row', 'en', '404'],
        ['Error 404', 'fr', 'error 404'],
        ['Seite nicht gefunden', 'de', 'nicht gefunden'],
        ['Page Not Found', 'de', 'not found'],
        ['Page introuvable', '', 'introuvable'],
        // Words of another language than the page's are no sign of it.
        ['Was introuvable heißt', 'de', null],
        ['Saw 4040 with 404 teeth', 'en', null],
        ['Lost tools', 'en', null],
        ['', '', null],
    ])('%s (%s): %s', (text, language, phrase) => {
        expect(notFoundPhrase(text, language)).toBe(phrase);
    });
});
