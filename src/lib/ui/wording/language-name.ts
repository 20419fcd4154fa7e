/** What a language is called in English; its tag where it has no name. */
const names = new Intl.DisplayNames('en', { type: 'language', fallback: 'code' });

/** @param tag first subtag; empty for any language */
export const languageName = (tag: string): string => (tag === '' ? 'any language' : (names.of(tag) ?? tag));
