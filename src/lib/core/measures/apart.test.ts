import { describe, expect, it } from 'vitest';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { foldersOf } from '../address/folders.ts';
import { packSurvey } from '../pack/pack-survey.ts';

describe('the folders of addresses', () => {
    it('are told by their slashes, by a page without one, and by an index', () => {
        const paths = ['/', '/a/', '/a', '/a/index.html', '/a/?q=1', '/a/b', '/a/b/c', '/d?q', '/d/e.html'];
        const { within, pageOf } = foldersOf(paths.length, (node) => `${ORIGIN}${paths[node]!}`);
        const name = (number: number): string => (number < 0 ? '' : paths[pageOf.indexOf(number)]!);
        expect(paths.map((path, node) => [path, name(within[node]!), name(pageOf[node]!)])).toEqual([
            ['/', '', ''],
            ['/a/', '', '/a/'],
            ['/a', '', '/a/'],
            ['/a/index.html', '', '/a/'],
            ['/a/?q=1', '/a/', '/a/'],
            ['/a/b', '/a/', '/a/b'],
            ['/a/b/c', '/a/b', '/a/b/c'],
            ['/d?q', '/d?q', '/d?q'],
            ['/d/e.html', '/d?q', '/d/e.html'],
        ]);
    });
});

describe('pages apart from their folder', () => {
    it('are those that no page of it leads to, a listing with a query or a redirect counted in', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/guides/' }, { to: '/guides/lost' }, { to: '/x/y' }]);
        site.page('/guides/', [{ to: '/guides/near' }, { to: '/guides/?page=2' }, { to: '/guides/old' }]);
        site.page('/guides/?page=2', [{ to: '/guides/second' }]);
        site.page('/guides/old', [], { status: 301, words: null, redirectTo: site.id('/guides/moved') });
        for (const path of ['near', 'second', 'moved', 'lost']) site.page(`/guides/${path}`);
        // Its folder has no page: nothing is said of it. Nothing links to the last one, its folder either.
        site.page('/x/y').page('/guides/alone');
        const { survey } = packSurvey(site.measure());
        const told = nodesIn(survey, 'apart from its folder').map((node) => survey.url(node).slice(ORIGIN.length));
        expect(told).toEqual(['/guides/alone', '/guides/lost']);
    });
});
