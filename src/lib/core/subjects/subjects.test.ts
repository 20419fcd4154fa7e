import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { GENERIC_WORDS, GenericWords } from '../text/generic-words.ts';
import { WordIndex, WordIndexMaker } from '../text/word-index.ts';
import { calledOtherwise, FIT, FITS, FitJudge, fitsOf } from './anchor-fit.ts';
import { addressWords, anchorNames, namesOf } from './page-names.ts';
import { ownParts, siteNames } from './site-names.ts';
import { SubjectMaker } from './subject.ts';

interface Told {
    text?: string;
    headings?: string[];
}

function indexOf(survey: PackedSurvey, texts: Record<string, Told>): WordIndex {
    const maker = new WordIndexMaker();
    for (let node = 0; node < survey.count; node++) {
        const told = texts[survey.url(node).slice(ORIGIN.length)];
        maker.add(node, told?.text ?? 'filler', survey.word('language', node), told?.headings ?? []);
    }
    return new WordIndex(maker.done(survey.count));
}

const english = { language: 'en' };

describe('the name of the site', () => {
    const site = new Site().known('/', 'manual').page('/', [], { title: 'Hire | Fern' });
    for (let n = 0; n < 9; n++) site.page(`/p${n}`, [], { title: `Page: number ${n} | Fern` });
    site.page('/x', [], { title: 'Ladders' });
    const survey = packSurvey(site.measure()).survey;

    it('is what more than a fifth of the titles carry', () => {
        expect([...siteNames(survey)].sort()).toEqual(['fern', 'page']);
    });

    it('is left out of a title, unless nothing else is there', () => {
        const names = siteNames(survey);
        expect(ownParts('Page: number 3 | Fern', names)).toEqual(['number 3']);
        expect(ownParts('Ladders', names)).toEqual(['Ladders']);
        expect(ownParts('Page | Fern', names)).toEqual(['Page | Fern']);
        expect(ownParts('', names)).toEqual(['']);
    });
});

describe('names of a page', () => {
    it.each([
        ['/guides/sharpening-a-chisel.html', 'sharpening a chisel'],
        ['/guides/sharpening_a_chisel/', 'sharpening a chisel'],
        ['/%C3%A9t%C3%A9/', 'été'],
        ['/%E0%A4%A/', '%E0%A4%A'],
        ['/', ''],
    ])('are told by its address %s', (path, words) => {
        expect(addressWords(ORIGIN + path)).toBe(words);
    });

    const site = new Site()
        .known('/', 'manual')
        .page('/', [
            { to: '/a', anchor: 'Rust' },
            { to: '/b', anchor: 'both' },
            { to: '/a', anchor: 'both' },
        ])
        .page('/c', [
            { to: '/a', anchor: 'here' },
            { to: '/a', anchor: 'https://site.example/a' },
        ])
        .page('/a', [], { title: '5.4. Rust, and how to stop it', h1: 'Rust' })
        .page('/b', []);
    const survey = packSurvey(site.measure()).survey;
    const node = survey.nodeOf(`${ORIGIN}/a`);

    it('are its title, with and without its number, what stands before the first comma, and what links call it', () => {
        const names = new Map(namesOf(survey, node, ['Wax']).map(({ text, from, weight }) => [text, [from, weight]]));
        expect(names.get('5.4. Rust, and how to stop it')).toEqual(['title', 1]);
        expect(names.get('Rust, and how to stop it')).toEqual(['title', 0.75]);
        expect(names.get('Rust')).toEqual(['h1', 1]);
        expect(names.get('Wax')).toEqual(['heading', 0.4]);
        expect(names.get('both')).toEqual(['anchor', 0.25]);
        expect(names.has('here')).toBe(false);
        expect(names.has('https://site.example/a')).toBe(false);
    });

    it('by links weigh as much as the share that leads here, and less where one link alone says so', () => {
        const [rust, both] = anchorNames(survey, node);
        expect([rust!.text, rust!.weight, both!.text, both!.weight]).toEqual(['Rust', 0.5, 'both', 0.25]);
    });
});

describe('the subject of a page', () => {
    const site = new Site()
        .known('/', 'manual')
        .page(
            '/',
            [
                { to: '/whet', anchor: 'whetstone care' },
                { to: '/whet', anchor: 'our winter evening' },
            ],
            english,
        )
        .page('/whet', [], { ...english, title: 'Sharpening on a whetstone', h1: 'Sharpening' });
    for (let n = 0; n < 20; n++) site.page(`/p${n}`, [], { ...english, title: `Sharpening ${n}` });
    const survey = packSurvey(site.measure()).survey;
    const texts: Record<string, Told> = {
        '/whet': { text: 'Sharpening with oil and a leather strop.', headings: ['Bevel first'] },
    };
    for (let n = 0; n < 20; n++) texts[`/p${n}`] = { text: 'sharpening' };
    const words = indexOf(survey, texts);
    const node = survey.nodeOf(`${ORIGIN}/whet`);

    it('leaves out what a fifth of the pages say, and takes headings and good links in', () => {
        const subject = new SubjectMaker(survey, words).of(node);
        const told = subject.words.map(({ word }) => word);
        // "whet" is of the address; "care" came with a link that also says whetstone; "winter" with none.
        expect(told).toEqual(expect.arrayContaining(['whetstone', 'whet', 'care', 'bevel']));
        expect(told).not.toContain('sharpening');
        expect(told.join(' ')).not.toContain('winter');
        expect(subject.total).toBeCloseTo(subject.words.reduce((sum, { weight }) => sum + weight, 0));
    });

    it('is what was said of it, each word alike', () => {
        const said = new Map([[survey.url(node), { words: ['honing', 'wet stone'], by: 'page' as const }]]);
        const subject = new SubjectMaker(survey, words, said).of(node);
        expect(subject.words.map(({ word, weight }) => [word, weight]).sort()).toEqual([
            ['honing', 1],
            ['stone', 1],
            ['wet', 1],
        ]);
        expect(subject.from).toBe('page');
    });

    it('of a page whose every word is common is its title all the same', () => {
        const plain = new SubjectMaker(survey, words).of(survey.nodeOf(`${ORIGIN}/p3`));
        expect(plain.words.length).toBeGreaterThan(0);
    });

    it.each([
        ['whetstones', 'en', 'fits'],
        ['an old leather strap and oil', 'en', 'loose'],
        ['the harbour master', 'en', 'off'],
        ['read more', 'en', 'nothing'],
        ['', 'en', 'nothing'],
        ['der Hafenmeister', 'de', 'unknown'],
        ['of the', 'en', 'unknown'],
    ])('is held against an anchor: “%s” (%s) %s', (anchor, language, fit) => {
        const judge = new FitJudge(survey, words, node, new SubjectMaker(survey, words).of(node));
        expect(judge.of(anchor, language).fit).toBe(fit);
    });

    it('is held against all links of running text, the same as one by one', () => {
        const fits = fitsOf(survey, words);
        const anchors = survey.numbers('link_anchor');
        const told = Array.from(fits, (fit, link) => [survey.texts('link_anchor_words').at(anchors[link]!), FITS[fit]]);
        expect(told).toContainEqual(['whetstone care', 'fits']);
        expect(told).toContainEqual(['our winter evening', 'off']);
    });

    it('said otherwise changes the links to that page, and no others', () => {
        const before = fitsOf(survey, words);
        const said = new Map([[survey.url(node), { words: ['winter evening'], by: 'page' as const }]]);
        const only = { targets: new Set([node]), before };
        const after = fitsOf(survey, words, said, GENERIC_WORDS, only);
        expect([...after]).toEqual([...fitsOf(survey, words, said)]);
        expect([...after]).not.toEqual([...before]);
        expect([...after].filter((fit) => fit === FIT.fits)).toHaveLength(1);
    });

    it('said to be empty, a wording says nothing, and is no word of the subject it called: the same as all judged anew', () => {
        const before = fitsOf(survey, words);
        const generic = new GenericWords([{ language: '', text: 'whetstone care', isGeneric: true }]);
        const targets = calledOtherwise(survey, generic);
        expect([...targets]).toEqual([node]);
        const after = fitsOf(survey, words, new Map(), generic, { targets, before });
        expect([...after]).toEqual([...fitsOf(survey, words, new Map(), generic)]);
        const anchors = survey.numbers('link_anchor');
        const link = anchors.findIndex((own) => survey.texts('link_anchor_words').at(own) === 'whetstone care');
        expect([before[link], after[link]]).toEqual([FIT.fits, FIT.nothing]);
        expect(calledOtherwise(survey, GENERIC_WORDS).size).toBe(0);
    });
});
