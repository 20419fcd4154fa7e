import { describe, expect, it } from 'vitest';
import { checkView } from '../../../../tests/support/checks.ts';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { plain, whole } from '../../../../tests/support/planted-site.ts';
import { ORIGIN } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { problem, writeProblems, type Problem } from '../problems/problem.ts';
import { sitemapsView } from './sitemaps.ts';

const file = (path: string, entries: number | null, ...notes: Problem[]) => ({
    kind: 'sitemap' as const,
    url: ORIGIN + path,
    status: 200,
    note: writeProblems(notes),
    entries,
    text: '',
});
const site = whole()
    .page('/c', [], { ...plain, noindex: true })
    .known('/c')
    .page('/d', [], plain);
site.rows.files.push(
    file('/guides.xml', 2, problem('not-xml', { cause: 'x', isReadOn: true }, 4)),
    file('/index.xml', null, problem('sitemap-index', { files: 3 })),
    file('/deeper.xml', null, problem('sitemap-index', { files: 1 })),
    file('/one.xml', 1),
    file('/two.xml', 1),
);
const { survey } = packSurvey(site.measure());
const view = sitemapsView(
    checkView(survey),
    new Map([
        [`${ORIGIN}/index.xml`, [`${ORIGIN}/two.xml`, `${ORIGIN}/deeper.xml`, `${ORIGIN}/never-asked.xml`]],
        // It names one above it as well: each file stands once.
        [`${ORIGIN}/deeper.xml`, [`${ORIGIN}/one.xml`, `${ORIGIN}/two.xml`]],
    ]),
);

describe('the view model of Sitemaps', () => {
    it('has each file once, below the index that names it first', () => {
        expect(view.files.map(({ url, level, isIndex }) => [url.slice(ORIGIN.length), level, isIndex])).toEqual([
            ['/sitemap.xml', 0, false],
            ['/guides.xml', 0, false],
            ['/index.xml', 0, true],
            ['/two.xml', 1, false],
            ['/deeper.xml', 1, true],
            ['/one.xml', 2, false],
        ]);
    });

    it('leaves out no file, though indexes name each other in a circle', () => {
        const circle = sitemapsView(
            checkView(survey),
            new Map([
                [`${ORIGIN}/index.xml`, [`${ORIGIN}/deeper.xml`]],
                [`${ORIGIN}/deeper.xml`, [`${ORIGIN}/index.xml`]],
            ]),
        );
        expect(circle.files.map(({ url }) => url).sort()).toEqual(view.files.map(({ url }) => url).sort());
    });

    it('shows some of very many files: indexes, and those with the worst findings', () => {
        const many = whole();
        many.rows.files.push(
            ...Array.from({ length: 500 }, (_, n) => file(`/map-${n}.xml`, 1)),
            file('/broken.xml', 2, problem('not-xml', { cause: 'x', isReadOn: true }, 4)),
            file('/index.xml', null, problem('sitemap-index', { files: 500 })),
        );
        const named = Array.from({ length: 500 }, (_, n) => `${ORIGIN}/map-${n}.xml`);
        const { files, moreFiles } = sitemapsView(
            checkView(packSurvey(many.measure()).survey),
            new Map([[`${ORIGIN}/index.xml`, named]]),
        );
        const urls = files.map(({ url }) => url.slice(ORIGIN.length));
        // One more is that of the site itself.
        expect([files.length, moreFiles]).toEqual([300, 203]);
        expect(urls).toEqual(expect.arrayContaining(['/broken.xml', '/index.xml', '/map-0.xml']));
        expect(urls.indexOf('/map-0.xml')).toBeGreaterThan(urls.indexOf('/index.xml'));
    });

    it('tells the state of each file by the worst that is found of it', () => {
        const state = Object.fromEntries(
            view.files.map(({ url, worst, findings }) => [url.slice(ORIGIN.length), [worst, findings]]),
        );
        expect(state).toMatchObject({ '/guides.xml': ['fault', 1], '/two.xml': [null, 0] });
    });

    it('tells what is listed and what is not, gate by gate, each number the size of its set', () => {
        const row = (gate: string) => view.listing.find((own) => own.gate === gate)!;
        expect([row('indexable').listed.pages, row('indexable').notListed.pages]).toEqual([4, 1]);
        expect([row('noindex').listed.pages, row('noindex').notListed.pages]).toEqual([1, 0]);
        const all = view.listing.flatMap(({ listed, notListed }) => [listed, notListed]);
        expect(all.reduce((sum, { pages }) => sum + pages, 0)).toBe(survey.count);
        for (const { pages, set } of all) if (set !== null) expect(nodesIn(survey, set).length, set).toBe(pages);
    });
});
