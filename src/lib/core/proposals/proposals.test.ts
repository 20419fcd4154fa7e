import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { runningText } from '../page/running-text.ts';
import type { PageName } from '../subjects/page-names.ts';
import { GENERIC_WORDS } from '../text/generic-words.ts';
import { WordIndex, WordIndexMaker } from '../text/word-index.ts';
import { wordsOf } from '../text/words.ts';
import { changesSeen, type SoughtChange } from './changes-seen.ts';
import { effectsOf, followedIn } from './effect.ts';
import { hiding } from './hide-link.ts';
import { bestMatch, sought } from './match.ts';
import { pagesCalled } from './name-table.ts';
import { companyOf, nearnessTo } from './neighbours.ts';
import { Proposer } from './proposer.ts';
import { PARTS, scoreOf, type ScoreParts } from './score.ts';
import { sourceText, type SourceText } from './source-text.ts';
import { StemNumbers } from './stem-numbers.ts';
import { needOf, offeredWanted, targetsOf } from './targets.ts';

const stems = new StemNumbers();
const read = (html: string): SourceText => sourceText(runningText(html, `${ORIGIN}/p`), () => false, 'en', stems);
const number = stems.of('en');
const name = (text: string, weight = 1): PageName => ({ text, from: 'title', weight, links: 0 });
const seek = (...names: PageName[]) =>
    sought(
        names,
        (text) => wordsOf(text, 'en').map(({ word }) => number(word)),
        () => 2,
        4,
    );

/** The words of the best match of each sentence; empty for none. */
function matched(html: string, ...names: string[]): string[] {
    const text = read(html);
    const all = seek(...names.map((item) => name(item)));
    return text.sentences.map((sentence) => {
        const match = bestMatch(text, sentence, all);
        if (!match) return '';
        return text.running.passages[sentence.passage]!.text.slice(text.from[match.first], text.to[match.last - 1]);
    });
}

describe('a name in a sentence', () => {
    it('is found in any form and order, with a few words between', () => {
        expect(matched('<p>He ground scythes and then went home.</p>', 'Grinding a scythe')).toEqual(['scythes']);
        expect(matched('<p>A scythe wants grinding twice a year.</p>', 'Grinding a scythe')).toEqual([
            'scythe wants grinding',
        ]);
        expect(matched('<p>We were grinding two old rusty scythes today.</p>', 'Grinding a scythe')).toEqual([
            'grinding',
        ]);
        expect(matched('<p>We were grinding the old scythe again today.</p>', 'Grinding a scythe')).toEqual([
            'grinding the old scythe',
        ]);
    });

    it('does not reach across a link, a quotation or a mark that ends a clause', () => {
        expect(matched('<p>While grinding, the scythe slipped and fell.</p>', 'Grinding a scythe')).toEqual([
            'grinding',
        ]);
        expect(matched('<p>The grinding <a href="/x">of the</a> scythe takes long.</p>', 'Grinding a scythe')).toEqual([
            'grinding',
        ]);
        expect(matched('<p>He said <q>grinding a scythe</q> is for old men.</p>', 'Grinding a scythe')).toEqual(['']);
        expect(
            matched('<p>We wrote of <a href="/x">grinding a scythe</a> last year.</p>', 'Grinding a scythe'),
        ).toEqual(['']);
    });

    it('is the stronger the more of it is there', () => {
        const text = read('<p>The scythe was in the shed. Grinding a scythe was his joy.</p>');
        const all = seek(name('Grinding a scythe'));
        const [some, whole] = text.sentences.map((sentence) => bestMatch(text, sentence, all)!);
        expect(some!.coverage).toBe(0.5);
        expect(whole!.coverage).toBe(1);
        expect(whole!.exact).toBe(2);
        expect(whole!.strength).toBeGreaterThan(some!.strength);
        expect(whole!.strength).toBeLessThanOrEqual(1);
    });

    it('of the same words by two ways is one name', () => {
        expect(
            seek(name('Grinding scythes', 0.5), name('The scythe, grinding of', 0.4), name('grind the scythe', 0.4))
                .names,
        ).toHaveLength(2);
    });
});

describe('a text as a place for links', () => {
    it('has sentences of four words or more, in running text and in cells that say something', () => {
        const html =
            '<h2>A heading of five words here</h2><p>Too short. But this one has enough words.</p><table><td>Three words only</td><td>This cell says something of six words.</td></table>';
        const { sentences, running } = read(html);
        expect(sentences.map(({ passage, from, to }) => running.passages[passage]!.text.slice(from, to))).toEqual([
            'But this one has enough words.',
            'This cell says something of six words.',
        ]);
    });

    it('frees the words of a link that is taken as not there, and takes them again', () => {
        const text = read('<p>We wrote of <a href="/x">grinding a scythe</a> last year.</p>');
        const taken = [...text.isTaken];
        const [link] = text.running.passages[0]!.taken;
        hiding(text, { page: 0, target: 1, link: 0, passage: 0, from: link!.from, to: link!.to }, () => {
            expect([...text.isTaken].every((word) => word === 0)).toBe(true);
        });
        expect([...text.isTaken]).toEqual(taken);
    });
});

describe('the score', () => {
    const parts = (value: number): ScoreParts => ({
        speaks: value,
        rare: value,
        about: value,
        alike: value,
        near: value,
        company: value,
        high: value,
        brief: value,
    });

    it('is 0 for nothing, 1 for everything, and grows with each part', () => {
        expect(scoreOf(parts(0))).toBe(0);
        expect(scoreOf(parts(1))).toBeCloseTo(1);
        for (const part of PARTS) expect(scoreOf({ ...parts(0.5), [part]: 0.6 })).toBeGreaterThan(scoreOf(parts(0.5)));
    });
});

const node = (survey: PackedSurvey, path: string): number => survey.nodeOf(ORIGIN + path);

describe('links a page has and wants', () => {
    const site = new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/a' }, { to: '/b', rel: 'nofollow' }, { to: '/old' }])
        .page('/a', [{ to: '/b' }, { to: '/b' }])
        .page('/b', [{ to: '/b' }])
        .page('/lost', [])
        .known('/lost');
    const survey = packSurvey(site.measure()).survey;

    it('are other pages with a followed link, counted once each', () => {
        const links = followedIn(survey);
        expect(['/a', '/b', '/lost'].map((path) => links[node(survey, path)])).toEqual([1, 1, 0]);
    });

    it('are what a second, plain count finds on random sites', () => {
        for (let seed = 1; seed <= 12; seed++) {
            const { survey: random } = packSurvey(randomSite(seed).measure());
            const links = followedIn(random);
            const graph = random;
            const pages = Array.from({ length: random.count }, () => new Set<number>());
            const [start, blocks, lists] = [
                graph.numbers('page_block_start'),
                graph.numbers('page_block'),
                graph.numbers('block_list'),
            ];
            const [first, to, kind] = [
                graph.numbers('list_start'),
                graph.numbers('link_target'),
                graph.numbers('link_kind'),
            ];
            const end = (at: number): number => {
                const seen = new Set<number>();
                for (let place = at; ; place = graph.numbers('redirect')[place]!) {
                    if (place < 0 || place >= random.count || seen.has(place)) return -1;
                    seen.add(place);
                    if (graph.numbers('redirect')[place] === -1) return place;
                }
            };
            for (let page = 0; page < random.count; page++) {
                if (graph.numbers('page')[page] !== 1 || graph.numbers('nofollow')[page] === 1) continue;
                for (let at = start[page]!; at < start[page + 1]!; at++) {
                    const list = lists[blocks[at]!]!;
                    for (let link = first[list]!; link < first[list + 1]!; link++) {
                        if (kind[link] !== 0 || graph.numbers('link_follow')[link] === 0) continue;
                        if (to[link]! < 0 || to[link]! >= random.count) continue;
                        const landed = end(to[link]!);
                        if (landed !== -1 && landed !== page) pages[landed]!.add(page);
                    }
                }
            }
            expect([...links], `seed ${seed}`).toEqual(pages.map(({ size }) => size));
        }
    });

    it('make a page a target: orphans first, then whoever lacks the larger share', () => {
        const priority = new Uint8Array(survey.count);
        priority[node(survey, '/a')] = 1;
        const wanted = { first: 4, second: null, third: null, others: 2 };
        const targets = targetsOf(survey, null, wanted, priority).map((target) =>
            survey.url(target.node).slice(ORIGIN.length),
        );
        expect(targets).toEqual(['/lost', '/', '/a', '/b']);
        expect(needOf(survey, node(survey, '/a'), wanted, priority)).toMatchObject({
            has: 1,
            wanted: 4,
            isOrphan: false,
            need: 0.9 * 0.75,
        });
        const none = { first: null, second: null, third: null, others: null };
        expect(targetsOf(survey, null, none, priority)).toHaveLength(1);
        expect(offeredWanted(survey, priority)).toEqual({ first: 1, second: null, third: null, others: 1 });
    });

    it('grow with each link that is taken, and an orphan is reached by the first', () => {
        const effects = effectsOf(survey, node(survey, '/lost'), [node(survey, '/b'), node(survey, '/a')]);
        // Depth goes by all links, nofollow ones too: /b is one click away.
        expect(effects.map(({ linksIn, depth, isOrphan }) => [linksIn, depth, isOrphan])).toEqual([
            [[0, 1], [null, 2], true],
            [[1, 2], [2, 2], false],
        ]);
        expect(effects[1]!.standing[0]).toBe(effects[0]!.standing[1]);
    });
});

describe('neighbours', () => {
    it('are pages that lead to what those lead to that link to the target, and those the target leads to', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/x' }, { to: '/far' }])
            .page('/one', [{ to: '/t' }, { to: '/s1' }, { to: '/s2' }])
            .page('/two', [{ to: '/s1' }, { to: '/s2' }])
            .page('/three', [{ to: '/s1' }, { to: '/one' }])
            .page('/far', [{ to: '/x' }])
            .page('/t', [{ to: '/back' }]);
        for (const path of ['/s1', '/s2', '/x', '/back']) site.page(path);
        const survey = packSurvey(site.measure()).survey;
        const { same, led, beside } = nearnessTo(survey, node(survey, '/t'));
        expect(same.get(node(survey, '/two'))!).toBeGreaterThan(same.get(node(survey, '/three'))!);
        expect(same.get(node(survey, '/far')) ?? 0).toBe(0);
        expect(led.has(node(survey, '/back'))).toBe(true);
        expect(beside.get(node(survey, '/three'))!).toBeGreaterThan(0);
        // Without the one page that links there nothing is near.
        expect(nearnessTo(survey, node(survey, '/t'), node(survey, '/one')).same.size).toBe(0);
    });
});

describe('company', () => {
    const site = new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/one' }, { to: '/two' }])
        // Three links before and behind count, the fourth does not; the same page twice counts once.
        .page('/one', [
            { to: '/far' },
            { to: '/a' },
            { to: '/b' },
            { to: '/b', anchor: 'again' },
            { to: '/t' },
            { to: '/c' },
            { to: 'https://other.example/' },
            { to: '/d' },
            { to: '/far' },
        ])
        .page('/two', [{ to: '/t' }, { to: '/c' }]);
    site.page('/t', [], { language: 'en' });
    for (const path of ['/a', '/b', '/c', '/d', '/far']) site.page(path);
    const survey = packSurvey(site.measure()).survey;
    const linkOf = (path: string): number => {
        const at = node(survey, path);
        const list =
            survey.numbers('block_list')[survey.numbers('page_block')[survey.numbers('page_block_start')[at]!]!]!;
        const first = survey.numbers('list_start')[list]!;
        return first + survey.numbers('link_target').subarray(first).indexOf(node(survey, '/t'));
    };

    it('is what stands beside links to a page, by the share of them', () => {
        const company = companyOf(survey, node(survey, '/t'));
        const told = [...company].map(([at, share]): [string, number] => [survey.url(at).slice(ORIGIN.length), share]);
        expect(told.sort()).toEqual([
            ['/a', 0.5],
            ['/b', 0.5],
            ['/c', 1],
            ['/d', 0.5],
        ]);
    });

    it('does without a link that is taken as not there', () => {
        const company = companyOf(survey, node(survey, '/t'), linkOf('/one'));
        expect([...company]).toEqual([[node(survey, '/c'), 1]]);
    });

    it('is looked for in the passage a sentence stands in', () => {
        const proposer = new Proposer(survey, new WordIndex(new WordIndexMaker().done(survey.count)), stems);
        const target = proposer.target(node(survey, '/t'), null, ['scythe']);
        const text = read(
            '<p>See <a href="/a">the a</a> and <a href="/c">the c</a>. Then grind the old scythe.</p>' +
                '<p>See <a href="/far">the far one</a>. Then grind the old scythe.</p>',
        );
        const [beside, alone] = text.sentences.filter(({ first, last }) =>
            text.stem.subarray(first, last).includes(number('scythe')),
        );
        expect(proposer.companions(target, text, beside!)).toEqual([node(survey, '/c'), node(survey, '/a')]);
        expect(proposer.companions(target, text, alone!)).toEqual([]);
        const values = proposer
            .ofPage(target, { node: node(survey, '/'), rank: 0, alike: 0 }, text, 2)
            .map(({ sentence, parts }) => [sentence.passage, parts.company]);
        // The c stands beside both links there, the a beside one of two.
        expect(values).toEqual([
            [0, 1 - Math.exp(-2 * 1.5)],
            [1, 0],
        ]);
    });
});

describe('pages that words could lead to', () => {
    it('are those called by them whole, then those whose names share the most', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [], { title: 'Start' })
            .page('/a', [], { title: 'Hiring a ladder', language: 'en' })
            .page('/b', [], { title: 'Ladders in winter', language: 'en' })
            .page('/c', [], { title: 'Winter', language: 'en' })
            .page('/d', [], { title: 'Hiring a ladder', language: 'en', noindex: true });
        const survey = packSurvey(site.measure()).survey;
        const called = (words: string): string[] =>
            pagesCalled(survey, words, 'en', 5, GENERIC_WORDS).map((at) => survey.url(at).slice(ORIGIN.length));
        expect(called('hire ladders')).toEqual(['/a', '/b']);
        expect(called('the winter')[0]).toBe('/c');
        expect(called('harbour')).toEqual([]);
    });
});

describe('a change that was laid aside', () => {
    const site = new Site()
        .known('/', 'manual')
        .page('/', [
            { to: '/a', anchor: 'here' },
            { to: '/b', anchor: 'Saws' },
        ])
        .page('/a')
        .page('/b');
    const sees = changesSeen(packSurvey(site.measure()).survey);
    const change = (kind: SoughtChange['kind'], more: Partial<SoughtChange>): SoughtChange => ({
        kind,
        page: `${ORIGIN}/`,
        oldAnchor: '',
        newAnchor: '',
        oldTarget: '',
        newTarget: '',
        ...more,
    });

    it.each<[SoughtChange, boolean]>([
        [change('add', { newTarget: `${ORIGIN}/a` }), true],
        [change('add', { newTarget: `${ORIGIN}/c` }), false],
        [change('reword', { oldAnchor: 'click', newAnchor: 'Saws', oldTarget: `${ORIGIN}/b` }), true],
        [change('reword', { oldAnchor: 'here', newAnchor: 'The a', oldTarget: `${ORIGIN}/a` }), false],
        [change('remove', { oldAnchor: 'here', oldTarget: `${ORIGIN}/a` }), false],
        [change('remove', { oldAnchor: 'gone', oldTarget: `${ORIGIN}/a` }), true],
        [change('retarget', { oldAnchor: 'gone', oldTarget: `${ORIGIN}/c`, newTarget: `${ORIGIN}/b` }), true],
        [change('retarget', { oldAnchor: 'here', oldTarget: `${ORIGIN}/a`, newTarget: `${ORIGIN}/b` }), false],
        [change('add', { page: `${ORIGIN}/unread`, newTarget: `${ORIGIN}/a` }), false],
    ])('is seen where its page shows it: %j', (sought, isSeen) => {
        expect(sees(sought)).toBe(isSeen);
    });
});
