/** The language of a text, as far as stems and stop words need it. */

/** Languages that have stems and stop words here, by their ISO 639-1 code. */
export const LANGUAGES = [
    'ar',
    'ca',
    'cs',
    'da',
    'de',
    'en',
    'es',
    'eu',
    'fi',
    'fr',
    'ga',
    'hu',
    'it',
    'nl',
    'no',
    'pt',
    'ro',
    'ru',
    'sl',
    'sv',
    'tr',
] as const;
export type TextLanguage = (typeof LANGUAGES)[number];

/** Codes that mean a language above. */
const SAME: Record<string, TextLanguage> = { nb: 'no', nn: 'no' };

/** @param tag as a page says it (BCP 47): `en-GB`, `de_AT`; null where its words are taken as they are */
export function languageOf(tag: string): TextLanguage | null {
    const base = tag.trim().toLowerCase().split(/[-_]/, 1)[0]!;
    return LANGUAGES.find((language) => language === base) ?? SAME[base] ?? null;
}
