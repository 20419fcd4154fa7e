import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { alternatesOf } from '../checks/languages.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { Bits } from '../sets/bits.ts';
import { entriesJudged } from './entries-judged.ts';
import { entriesToList } from './sitemap-plan.ts';

const site = new Site()
    .known('/', 'manual')
    .page(
        '/',
        [
            { to: '/fr/', kind: 'hreflang', name: 'FR' },
            { to: '/', kind: 'hreflang', name: 'en' },
            { to: 'https://other.example/de/', kind: 'hreflang', name: 'de' },
            { to: '/gone' },
            { to: '/later' },
        ],
        { changedAt: Date.UTC(2026, 2, 1), lastModified: Date.UTC(2026, 2, 2, 3, 4, 5) },
    )
    .page('/fr/', [{ to: '/fr/', kind: 'hreflang', name: '' }])
    .page('/gone', [], { status: 410, words: null })
    .page('/later', [], { status: null, notRead: 'limit', words: null });
site.rows.evidence.push({
    address: site.id('/fr/'),
    evidence: 'sitemap',
    source: `${ORIGIN}/sitemap.xml`,
    line: 3,
    lastmod: '2026-01-01',
});
const { survey } = packSurvey(site.measure());
const pages = Bits.of(
    survey.count,
    ['/', '/fr/'].map((path) => survey.nodeOf(ORIGIN + path)),
);

describe('entries of a sitemap to be built', () => {
    it.each([
        ['pages', ['2026-03-01', '']],
        ['headers', ['2026-03-02T03:04:05Z', '']],
        ['sitemaps', ['', '2026-01-01']],
        ['none', ['', '']],
    ] as const)('have their dates from %s', (dates, wanted) => {
        expect(entriesToList(survey, pages, dates).map(({ lastmod }) => lastmod)).toEqual(wanted);
    });

    it('name the languages that pages name, those without a code aside', () => {
        const [home, french] = entriesToList(survey, pages, 'none', alternatesOf(survey));
        expect(home!.alternates).toEqual([
            { code: 'fr', url: `${ORIGIN}/fr/` },
            { code: 'en', url: `${ORIGIN}/` },
            { code: 'de', url: 'https://other.example/de/' },
        ]);
        expect(french!.alternates).toEqual([]);
    });
});

describe('entries of another sitemap', () => {
    it('are told by what the survey knows of them, each once', () => {
        const entries = ['/', '/', '/gone', '/later', '/never', '/nor'].map((path, at) => ({
            url: ORIGIN + path,
            line: at + 3,
        }));
        expect(entriesJudged(survey, entries)).toEqual({
            entries: 5,
            indexable: 1,
            stopped: [{ gate: 'response', entries: 1, first: { url: `${ORIGIN}/gone`, line: 5 } }],
            notRead: 1,
            unheard: { entries: 2, first: { url: `${ORIGIN}/never`, line: 7 } },
            lacking: 1,
        });
    });
});
