import { describe, expect, it } from 'vitest';
import { isLanguageTag, languageOfTag } from './language-tag.ts';

/** RFC 5646, appendix A, and codes as they are got wrong. */
describe('a language tag', () => {
    it.each([
        'de',
        'fr',
        'ja',
        'zh-Hant',
        'zh-Hans',
        'sr-Cyrl',
        'zh-cmn-Hans-CN',
        'sr-Latn-RS',
        'sl-nedis',
        'de-CH-1901',
        'de-DE',
        'en-US',
        'es-419',
        'EN-gb',
        'i-klingon',
        'iw',
        'cy',
    ])('is %s', (tag) => {
        expect(isLanguageTag(tag)).toBe(true);
    });

    it.each(['english', 'en_GB', 'en-UK', 'xx', 'en-', '', 'a-DE', 'GB', 'de-419-DE', 'eeee-'.repeat(500)])(
        'is not %s',
        (tag) => {
            expect(isLanguageTag(tag)).toBe(false);
        },
    );

    it('has a language apart from its region', () => {
        expect(['EN-gb', 'en_US', ' fr ', ''].map(languageOfTag)).toEqual(['en', 'en', 'fr', '']);
    });
});
