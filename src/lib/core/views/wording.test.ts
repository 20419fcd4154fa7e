import { describe, expect, it } from 'vitest';
import { ANCHOR_CHECKS } from '../checks/anchors.ts';
import { NOTHING_BESIDE } from '../checks/beside.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { GENERIC_WORDS, GenericWords } from '../text/generic-words.ts';
import { checkView } from '../../../../tests/support/checks.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { emptyWordsView } from './empty-words.ts';
import { wordingChecks } from './wording-checks.ts';

const english = { language: 'en' };
const ALL = ['/', '/a', '/b', '/c', '/d'];
const site = new Site().known('/', 'manual');
for (const [at, path] of ALL.entries()) {
    const links = [{ to: ALL[(at + 1) % 5]!, anchor: 'Our shop' }];
    // Three single links in sentences, and one in a menu of four pages.
    if (at < 3) links.push({ to: '/d', anchor: 'click here' });
    site.page(path, links, english);
}
site.share(ALL.slice(1), [{ to: '/', anchor: 'more' }]);
site.page('/cymru', [{ to: '/', anchor: 'Hafan' }], { language: 'cy-GB' });
site.share(['/', '/cymru'], [{ to: '/cymru', anchor: 'Cymraeg' }]);
const { survey } = packSurvey(site.measure());

describe('the checks of anchors', () => {
    it('stand with what they find first, template before sentences, an example and a right wording each', () => {
        const [first] = wordingChecks(checkView(survey)).filter(({ id }) => id === 'anchor-generic');
        expect(first!.pages).toBe(5);
        const [menu, ...sentences] = first!.places;
        expect([menu!.isTemplate, menu!.pages, menu!.example!.url, menu!.example!.say]).toEqual([
            true,
            4,
            'https://site.example/a',
            'Links to https://site.example/ by “more”.',
        ]);
        expect(sentences.reduce((sum, { pages }) => sum + pages, 0)).toBe(3);
        for (const { example } of sentences) {
            expect(example!.say).toBe('Links to https://site.example/d by “click here”.');
        }
        expect(wordingChecks(checkView(survey))[0]!.pages).toBeGreaterThan(0);
    });

    it('have a wrong and a right example each', () => {
        for (const { id, mended } of ANCHOR_CHECKS) expect([mended, id]).not.toEqual([undefined, id]);
        expect(new Set(ANCHOR_CHECKS.flatMap(({ example, mended }) => [example, mended])).size).toBe(
            2 * ANCHOR_CHECKS.length,
        );
    });

    it('go by the lists of the site', () => {
        const generic = new GenericWords([
            { language: 'en', text: 'our shop', isGeneric: true },
            { language: 'en', text: 'more', isGeneric: false },
        ]);
        const view = checkView(survey, { beside: { ...NOTHING_BESIDE, generic } });
        const found = wordingChecks(view).find(({ id }) => id === 'anchor-generic')!;
        expect([found.pages, found.places.some(({ where }) => where.includes('menu'))]).toEqual([5, false]);
        // Of one survey both are told one after the other.
        expect(wordingChecks(checkView(survey)).find(({ id }) => id === 'anchor-generic')!.places[0]!.pages).toBe(4);
    });
});

describe('the words that say nothing', () => {
    it('are a list a language of the site, with what each catches, the most first', () => {
        const { lists } = emptyWordsView(survey, GENERIC_WORDS);
        expect(lists.map(({ language, pages }) => [language, pages])).toEqual([
            ['en', 5],
            ['cy', 1],
        ]);
        expect(lists[0]!.wordings.slice(0, 3)).toEqual([
            { text: 'more', from: 'ours', links: 4, targets: 1 },
            { text: 'click here', from: 'ours', links: 3, targets: 1 },
            { text: 'back', from: 'ours', links: 0, targets: 0 },
        ]);
    });

    it('are offered where they are short, call many pages, and stand on no list', () => {
        expect(emptyWordsView(survey, GENERIC_WORDS).offered).toEqual([
            { text: 'our shop', language: 'en', links: 5, targets: 5 },
        ]);
        const said = new GenericWords([{ language: 'en', text: 'our shop', isGeneric: true }]);
        const { lists, offered } = emptyWordsView(survey, said);
        expect(offered).toEqual([]);
        expect(lists[0]!.wordings[0]).toEqual({ text: 'our shop', from: 'added', links: 5, targets: 5 });
    });

    it('are those of a site without a language of ours too', () => {
        const none = new Site().known('/', 'manual').page('/', [{ to: '/', anchor: 'x' }], { language: 'tlh' });
        const { lists } = emptyWordsView(packSurvey(none.measure()).survey, GENERIC_WORDS);
        expect(lists.map(({ language }) => language)).toEqual(['en']);
    });
});
