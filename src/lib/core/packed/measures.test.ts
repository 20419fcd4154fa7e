import { describe, expect, it } from 'vitest';
import { SaxesParser } from 'saxes';
import type { EvidenceList } from '../evidence/evidence-lists.ts';
import { graphmlOf, xmlText } from '../formats/graphml.ts';
import { Bits } from '../sets/bits.ts';
import { pageColumns } from '../sets/page-columns.ts';
import { prioritiesOf } from '../sets/priorities.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from './packed-survey.ts';
import { pathBetween } from '../areas/path-between.ts';
import { siteMeasures } from '../areas/site-measures.ts';
import { landings } from '../model/landings.ts';
import { modelOf } from './model-of.ts';
import { told } from '../../../../tests/support/problems.ts';

const pack = (site: Site): PackedSurvey => packSurvey(site.measure()).survey;
const node = (survey: PackedSurvey, of: string): number => survey.nodeOf(`https://site.example${of}`);

describe('standing', () => {
    it('is that of a graph small enough to solve by hand', () => {
        // Three pages in a ring have the same; a fourth that nobody links to has what a jump gives.
        const survey = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a' }])
                .page('/a', [{ to: '/b' }])
                .page('/b', [{ to: '/' }])
                .page('/lone', [{ to: '/' }])
                .known('/lone'),
        );
        const standing = survey.numbers('standing');
        const lone = 0.15;
        // x = 0.15 + 0.85 (c + lone), a = 0.15 + 0.85 x, c = 0.15 + 0.85 a, in units of the average page.
        const x = (0.15 + 0.85 * (0.15 + 0.85 * 0.15 + lone)) / (1 - 0.85 ** 3);
        const a = 0.15 + 0.85 * x;
        const b = 0.15 + 0.85 * a;
        for (const [of, wanted] of [
            ['/', x],
            ['/a', a],
            ['/b', b],
            ['/lone', lone],
        ] as const) {
            expect(standing[node(survey, of)]).toBeCloseTo(wanted, 8);
        }
    });

    it('follows redirects to where they land, counts repeats once and declined links not at all', () => {
        const site = new Site().known('/', 'manual');
        site.page('/', [
            { to: '/old' },
            { to: '/old' },
            { to: '/new' },
            { to: '/b', rel: 'nofollow' },
            { to: '/shut' },
        ]);
        site.page('/old', [], { status: 301, words: null, redirectTo: site.id('/mid') });
        site.page('/mid', [], { status: 302, words: null, redirectTo: site.id('/new') });
        site.page('/new', [{ to: '/' }]).page('/b', [{ to: '/' }]);
        site.page('/shut', [], { robotsAllowed: false, robotsRule: told('x') });
        const survey = pack(site);
        const [standing, leak] = [survey.numbers('standing'), survey.numbers('leak')];
        const siteLeak = survey.measured.leak;
        // Ranked are /, /new and /b; / gives all it has to /new, for what is shut is no page to rank.
        expect(standing[node(survey, '/b')]).toBeCloseTo(0.15, 8);
        expect(standing[node(survey, '/new')]).toBeCloseTo(0.15 + 0.85 * standing[node(survey, '/')]!, 8);
        for (const of of ['/old', '/mid', '/shut']) expect(standing[node(survey, of)]).toBeNaN();
        // Of two followed targets after landing, /new and /shut, one is closed.
        expect(leak[node(survey, '/')]).toBeCloseTo(standing[node(survey, '/')]! / 2, 8);
        expect(siteLeak).toBeCloseTo(standing[node(survey, '/')]! / 6, 8);
    });

    it('lands nowhere in a loop or outside the site', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/a' }, { to: '/out' }]);
        site.page('/a', [], { status: 301, redirectTo: site.id('/b') });
        site.page('/b', [], { status: 301, redirectTo: site.id('/a') });
        site.page('/out', [], { status: 301, redirectTo: site.id('https://other.example/') });
        const survey = pack(site);
        const landing = landings(modelOf(survey));
        expect(['/', '/a', '/b', '/out'].map((of) => landing[node(survey, of)])).toEqual([0, -1, -1, -1]);
    });

    it('loses to errors only: what goes round or out of the site is no part of the share', () => {
        const site = new Site().known('/', 'manual');
        site.page('/', [{ to: '/loop' }, { to: '/out' }, { to: '/gone' }, { to: '/good' }]);
        site.page('/loop', [], { status: 301, redirectTo: site.id('/loop2') });
        site.page('/loop2', [], { status: 301, redirectTo: site.id('/loop') });
        site.page('/out', [], { status: 301, redirectTo: site.id('https://other.example/') });
        site.page('/gone', [], { status: 404 }).page('/good', [{ to: '/' }]);
        const survey = pack(site);
        const [standing, leak] = [survey.numbers('standing'), survey.numbers('leak')];
        // Of the two links that end in the site, one ends at an error.
        expect(leak[node(survey, '/')]).toBeCloseTo(standing[node(survey, '/')]! / 2, 8);
    });

    it('takes one page, no links and pages that link to themselves only', () => {
        expect([...pack(new Site().known('/', 'manual').page('/')).numbers('standing')]).toEqual([1]);
        const alone = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/' }])
                .page('/a', [{ to: '/a' }])
                .known('/a'),
        );
        expect([...alone.numbers('standing')]).toEqual([1, 1]);
        const none = siteMeasures(pack(new Site().known('/', 'manual').page('/', [], { status: 500, words: null })));
        expect(none).toMatchObject({ ranked: 0, links: 0, leak: 0, sections: [], chokePoints: [] });
    });
});

describe('measures of the site', () => {
    it('add up: shares to one, flow to the links', () => {
        const survey = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/g/1' }, { to: '/t/1' }])
                .page('/g/1', [{ to: '/g/2' }])
                .page('/g/2', [{ to: '/' }])
                .page('/t/1', [{ to: '/g/1' }]),
        );
        const { sections, flow, ranked, links, weight } = siteMeasures(survey);
        expect(sections.map(({ section, pages }) => [section, pages])).toEqual([
            ['g', 2],
            ['/', 1],
            ['t', 1],
        ]);
        expect(sections.reduce((sum, item) => sum + item.shareOfStanding, 0)).toBeCloseTo(1, 10);
        expect(sections.reduce((sum, item) => sum + item.shareOfPages, 0)).toBeCloseTo(1, 10);
        expect([ranked, links, flow.links.flat().reduce((a, b) => a + b, 0)]).toEqual([4, 5, 5]);
        expect(flow.links).toEqual([
            [1, 1, 0],
            [1, 0, 1],
            [1, 0, 0],
        ]);
        expect(flow.expected.flat().reduce((a, b) => a + b, 0)).toBeCloseTo(5, 10);
        // No block is shared: with and without menus it is the same.
        expect(weight.ownLinks.gini).toBeCloseTo(weight.all.gini, 12);
    });

    it('tell the way between any two pages, and that there is none', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/a', anchor: 'To A' }]);
        site.page('/a', [{ to: '/old', anchor: 'Older' }])
            .page('/old', [], { status: 301, redirectTo: site.id('/b') })
            .page('/b');
        const survey = pack(site);
        const steps = (from: string, to: string) =>
            pathBetween(survey, node(survey, from), node(survey, to))?.steps.map((step) => [
                step.url.replace('https://site.example', ''),
                step.by,
                step.anchor,
            ]);
        expect(steps('/a', '/b')).toEqual([
            ['/a', 'start', ''],
            ['/old', 'link', 'Older'],
            ['/b', 'redirect', ''],
        ]);
        expect(steps('/b', '/')).toBeUndefined();
        expect(steps('/a', '/a')).toEqual([['/a', 'start', '']]);
    });
});

describe('columns of lists', () => {
    const imported = (kind: EvidenceList['kind'], name: string, rows: EvidenceList['rows']): EvidenceList => ({
        id: 1,
        kind,
        name,
        at: 0,
        outcome: {
            columns: [
                { name: 'visits', type: 'number' },
                { name: 'Last seen', type: 'date' },
            ],
            lines: 0,
            rows: 0,
            bad: 0,
            notes: [],
            bare: null,
        },
        rows,
    });
    const url = (of: string): string => `https://site.example${of}`;
    const site = new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/a' }, { to: '/b' }])
        .page('/a')
        .page('/b');
    const { survey } = packSurvey(site.measure(), undefined, [
        imported('visits', 'first.csv', [
            { url: url('/a'), source: '', cells: [40, 1_000] },
            { url: url('/a'), source: '', cells: [2, 500] },
            { url: url('/b'), source: '', cells: [null, 700] },
            { url: url('/unknown'), source: '', cells: [9, 9] },
        ]),
        imported('visits', 'second.csv', [{ url: url('/b'), source: '', cells: [7, null] }]),
        imported('external', 'links.csv', [{ url: url('/b'), source: 'https://other.example/', cells: [7, null] }]),
    ]);

    it('are called by kind and column, add up counts and keep the last date', () => {
        const columns = pageColumns(survey);
        const values = (id: string) => [0, 1, 2].map((of) => columns.get(id)!.value(of));
        expect(survey.head.given.map(({ name, list }) => [name, list])).toEqual([
            ['visits', 'first.csv'],
            ['visits last seen', 'first.csv'],
            ['visits 2', 'second.csv'],
        ]);
        expect(values('visits')).toEqual([null, 42, null]);
        expect(values('visits_last_seen')).toEqual([null, 1_000, 700]);
        expect(values('visits_2')).toEqual([null, null, 7]);
    });

    it('give priorities; a set counts before them, a hand before both', () => {
        const said = (more: Parameters<typeof prioritiesOf>[0]) =>
            prioritiesOf([{ by: 'column', subject: 'visits', value: 1 }, ...more], { survey });
        expect([...said([]).priority]).toEqual([0, 1, 0]);
        expect([...said([{ by: 'set', subject: 'depth = 1', value: 3 }]).priority]).toEqual([0, 3, 3]);
        const both = said([
            { by: 'page', subject: url('/b'), value: 2 },
            { by: 'set', subject: 'depth = 1', value: 3 },
            { by: 'set', subject: 'no such thing', value: 3 },
            { by: 'set', subject: 'set "gone"', value: 3 },
            { by: 'column', subject: 'hits', value: 1 },
        ]);
        expect([...both.priority]).toEqual([0, 3, 2]);
        expect(both.troubles).toHaveLength(3);
    });
});

describe('GraphML', () => {
    it('holds the pages of a set and the links among them, well-formed whatever the texts', () => {
        const survey = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a' }, { to: '/b' }], { title: 'A < B & "C" \u0001 \u{1F600}' })
                .page('/a', [{ to: '/', rel: 'nofollow' }, { to: '/b' }])
                .page('/b', [{ to: '/' }]),
        );
        const columns = ['url', 'title', 'depth'].map((id) => pageColumns(survey).get(id)!);
        const text = [...graphmlOf(survey, Bits.of(3, [0, 1]), columns)].join('');
        const tags: { name: string; attributes: Record<string, unknown> }[] = [];
        const said: string[] = [];
        const parser = new SaxesParser();
        parser.on('opentag', ({ name, attributes }) => tags.push({ name, attributes }));
        parser.on('text', (piece) => said.push(piece));
        parser.on('error', (error) => {
            throw error;
        });
        parser.write(text).close();
        expect(tags.filter(({ name }) => name === 'node').map(({ attributes }) => attributes.id)).toEqual(['n0', 'n1']);
        expect(
            tags.filter(({ name }) => name === 'edge').map(({ attributes }) => [attributes.source, attributes.target]),
        ).toEqual([
            ['n0', 'n1'],
            ['n1', 'n0'],
        ]);
        expect(said).toContain('A < B & "C" ? \u{1F600}');
        expect(said.filter((piece) => piece === 'true' || piece === 'false')).toEqual(['true', 'false']);
        expect(xmlText('\uD800')).toBe('?');
    });
});
