import { describe, expect, it } from 'vitest';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { siteMeasures } from '../areas/site-measures.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { quoted } from '../sets/tokens.ts';
import { columnFlow, linksOfPage, linksOfSet } from './map-links.ts';

describe('the links of a page on the map', () => {
    it('are those that the set language tells, both ways, on random sites', () => {
        for (let seed = 1; seed <= 8; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            for (const node of nodesIn(survey, 'page').slice(0, 12)) {
                const bundles = linksOfPage(survey, node);
                const all = (direction: 'in' | 'out'): number[] =>
                    [
                        ...new Set(
                            bundles.filter((own) => own.direction === direction).flatMap(({ nodes }) => [...nodes]),
                        ),
                    ].sort((a, b) => a - b);
                const page = `url is ${quoted(survey.url(node), true)}`;
                expect(all('in'), `seed ${seed}`).toEqual(nodesIn(survey, `links to (${page}) and not (${page})`));
                expect(all('out'), `seed ${seed}`).toEqual(nodesIn(survey, `linked from (${page}) and not (${page})`));
            }
        }
    });

    it('are bundled by template, and those of the page alone are one bundle', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }])
            .page('/a', [{ to: '/b' }])
            .page('/b')
            .page('/c');
        site.share(['/', '/b', '/c'], [{ to: '/a' }, { to: '/c' }]);
        const { survey } = packSurvey(site.measure());
        const told = linksOfPage(survey, survey.nodeOf(`${ORIGIN}/a`)).map(({ direction, nodes, template, region }) => [
            direction,
            [...nodes].map((node) => survey.url(node).slice(ORIGIN.length)),
            template !== null,
            region,
        ]);
        expect(told).toEqual([
            ['in', ['/'], false, 'main'],
            ['in', ['/', '/b', '/c'], true, 'nav'],
            ['out', ['/b'], false, 'main'],
        ]);
    });
});

describe('the links of a set on the map', () => {
    const site = new Site().known('/', 'manual').page('/', [{ to: '/a' }, { to: '/a' }, { to: '/' }]);
    site.page('/a', [{ to: '/b' }])
        .page('/b', [{ to: '/c' }])
        .page('/c');
    site.share(['/', '/a', '/b', '/c'], [{ to: '/c' }]);
    const { survey } = packSurvey(site.measure());
    const isIn = (...paths: string[]): Uint8Array =>
        Uint8Array.from({ length: survey.count }, (_, node) =>
            Number(paths.includes(survey.url(node).slice(ORIGIN.length))),
        );
    const told = (most: number, ...paths: string[]): string[] => {
        const { from, to } = linksOfSet(survey, isIn(...paths), most);
        return [...from].map((source, at) => `${survey.url(source)} ${survey.url(to[at]!)}`.replaceAll(ORIGIN, ''));
    };

    it('are those of the pages’ own with an end in it, each once', () => {
        expect(told(50, '/a')).toEqual(['/ /a', '/a /b']);
        expect(told(50, '/c')).toEqual(['/b /c']);
    });

    it('are cut where they are too many, and that is told', () => {
        expect(told(1, '/a')).toEqual(['/ /a']);
        expect(linksOfSet(survey, isIn('/a'), 1).isCut).toBe(true);
        expect(linksOfSet(survey, isIn('/a'), 2).isCut).toBe(false);
    });
});

describe('links from column to column', () => {
    it('are those from section to section, and the columns of none together have all others', () => {
        for (let seed = 1; seed <= 6; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const { sections, flow } = siteMeasures(survey);
            const names = sections.map(({ section }) => section);
            const all = columnFlow(survey, names);
            names.forEach((_, from) =>
                names.forEach((__, to) => expect(all.links[from * names.length + to]).toBe(flow.links[from]![to])),
            );
            const sum = (values: Iterable<number>): number => [...values].reduce((a, b) => a + b, 0);
            const two = columnFlow(survey, [names[0]!, null]);
            expect(sum(two.links)).toBe(sum(all.links));
            expect(two.links[0]).toBe(flow.links[0]![0]);
        }
    });
});
