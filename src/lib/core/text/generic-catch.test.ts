import { describe, expect, it } from 'vitest';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { caughtBy, listedForms, WordingCounts } from './generic-catch.ts';
import { GENERIC_WORDS, GenericWords } from './generic-words.ts';

describe('what a wording catches', () => {
    const site = new Site()
        .known('/', 'manual')
        .page(
            '/',
            [
                { to: '/a', anchor: 'Details »' },
                { to: '/b', anchor: 'details' },
            ],
            { language: 'en' },
        )
        .page(
            '/a',
            [
                { to: '/b', anchor: 'Details' },
                { to: '/b', anchor: 'All the details' },
            ],
            { language: 'de-AT' },
        )
        .page('/b', [{ to: '/a', anchor: 'Details' }], { language: 'tlh' })
        .share(['/', '/b'], [{ to: '/c', anchor: 'Details' }])
        .page('/c');
    const { survey } = packSurvey(site.measure());

    it('is counted page by page, menus too, on the list of a language', () => {
        // Two on the start page, one of the menu on each of its two pages; German stands on a list of its own.
        expect(caughtBy(survey, 'DETAILS', 'en')).toEqual({ links: 5, targets: 3 });
        expect(caughtBy(survey, 'details', 'de')).toEqual({ links: 2, targets: 2 });
        expect(caughtBy(survey, 'details', '')).toEqual({ links: 6, targets: 3 });
    });

    it('is nothing of a wording that no link has, and of none', () => {
        expect(caughtBy(survey, 'harbour', 'en')).toEqual({ links: 0, targets: 0 });
        expect(caughtBy(survey, ' » ', 'en')).toEqual({ links: 0, targets: 0 });
    });

    it('is what a plain walk through the rows counts on random sites', () => {
        for (let seed = 1; seed <= 10; seed++) {
            const random = randomSite(seed);
            const { survey: packed } = packSurvey(random.measure());
            const { pages, lists, blocks, pageBlocks } = random.rows;
            const read = new Set(
                pages
                    .filter(({ status, contentType }) => status === 200 && contentType === 'text/html')
                    .map((page) => page.address),
            );
            let links = 0;
            const targets = new Set<number | null>();
            for (const { page, block } of pageBlocks) {
                if (!read.has(page)) continue;
                const list = blocks.find(({ id }) => id === block)!.list;
                for (const link of lists.find(({ id }) => id === list)!.links) {
                    if (link.kind !== 'a' || link.anchor.toLowerCase() !== 'saw') continue;
                    links++;
                    targets.add(link.target);
                }
            }
            expect(caughtBy(packed, 'saw', ''), `seed ${seed}`).toEqual({ links, targets: targets.size });
        }
    });

    it('is asked of all lists at once, what a site adds too', () => {
        const forms = listedForms(new GenericWords([{ language: '', text: 'Details', isGeneric: true }]));
        expect(forms.has('details') && forms.has('read more') && forms.has('こちら')).toBe(true);
        expect(listedForms(GENERIC_WORDS).has('details')).toBe(false);
        expect(new WordingCounts(survey, (form) => forms.has(form)).of('details', '').links).toBe(6);
    });
});
