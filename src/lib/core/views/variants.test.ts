import { describe, expect, it } from 'vitest';
import { checkView } from '../../../../tests/support/checks.ts';
import { sizeFound } from '../../../../tests/support/sets.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { redirectRules } from '../areas/redirect-rules.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { variantsView } from './variants.ts';

const OLD = ORIGIN.replace('https:', 'http:');

/** Pages with one text for all that are variants of each other. */
function made() {
    const site = new Site().known('/', 'manual');
    const texts: Record<string, string> = { '/a': 'a', '/a/': 'a', [`${OLD}/`]: 'home', '/': 'home', '/b': 'b' };
    const urls = Object.keys(texts);
    for (const url of urls) {
        if (url.startsWith('http:')) site.rows.addresses[site.id(url)]!.internal = true;
        site.page(url, [], { canonicals: url === '/a' ? [site.id('/a/')] : [] });
    }
    site.share(
        urls,
        ['/', '/a/', '/b'].map((to) => ({ to })),
    );
    site.page('/c', [{ to: '/a' }])
        .known('/a')
        .known(`${OLD}/`, 'external');
    const main = new Map(
        Object.entries(texts).map(([url, hash]) => [site.id(url), { hash, words: 40, signature: null }]),
    );
    return packSurvey(site.measure(), { body: new Map(), main }).survey;
}

describe('the view of variants', () => {
    const survey = made();
    const view = variantsView(survey);

    it('tells what the last door check found of each form of the host', () => {
        const knocked = [{ origin: OLD, status: 200, lands: ORIGIN }];
        const doors = variantsView(survey, knocked).hosts.map(({ origin, door }) => [origin, door?.lands ?? null]);
        expect(Object.fromEntries(doors)).toMatchObject({ [OLD]: ORIGIN, [ORIGIN]: null });
        expect(view.hosts.every(({ door }) => door === null)).toBe(true);
    });

    it('has a group for each rule, with what speaks for the form that is meant and what for the others', () => {
        expect(view.losing).toBe(2);
        expect(
            view.groups.map(({ kind, pages, canonical, linked, listed, external }) => [
                kind,
                { pages, canonical, linked, listed, external },
            ]),
        ).toEqual([
            ['scheme', { pages: 1, canonical: 0, linked: 0, listed: 0, external: 1 }],
            ['slash', { pages: 1, canonical: 1, linked: 1, listed: 1, external: 0 }],
        ]);
        for (const { set, pages } of [...view.groups, { set: view.set, pages: view.losing }]) {
            expect(sizeFound(checkView(survey), set), set).toBe(pages);
        }
        expect(view.groups[1]!.named).toMatchObject([{ url: `${ORIGIN}/a`, meant: `${ORIGIN}/a/`, linkedFrom: 1 }]);
    });

    it('tells what each form of the host does at its root, and says of none what was not asked', () => {
        expect(view.hosts.map(({ origin, does, urls, isStart }) => [origin, does, urls, isStart])).toEqual([
            [ORIGIN, 'answers', 5, true],
            ['https://www.site.example', 'not asked', 0, false],
            [OLD, 'answers', 1, false],
            ['http://www.site.example', 'not asked', 0, false],
        ]);
        for (const { set, urls } of view.hosts) expect(sizeFound(checkView(survey), set), set).toBe(urls);
    });
});

/** What a rule makes of a path, read as its server reads it. */
function apply(rule: string, path: string): string | null {
    const [, pattern = '', to = ''] = /^(?:RewriteRule|rewrite) (\S+) (\S+)/.exec(rule) ?? [];
    const found = new RegExp(pattern).exec(path);
    return found && to.replace(/\$(\d)/g, (_, group: string) => found[Number(group)] ?? '');
}

describe('the proposed rule', () => {
    it.each([
        [
            'slash',
            '/a/',
            '/a',
            [
                ['/a', '/a/'],
                ['/x/y', '/x/y/'],
                ['/a/', null],
                ['/f.pdf', null],
            ],
        ],
        [
            'slash',
            '/a',
            '/a/',
            [
                ['/a/', '/a'],
                ['/x/y/', '/x/y'],
                ['/a', null],
                ['/', null],
            ],
        ],
        [
            'index',
            '/a/',
            '/a/index.html',
            [
                ['/a/index.html', '/a/'],
                ['/index.html', '/'],
                ['/myindex.html', null],
                ['/a/', null],
            ],
        ],
    ] as const)('%s leads to %s, on both servers', (kind, meant, losing, paths) => {
        const { apache, nginx } = redirectRules(kind, ORIGIN + meant, ORIGIN + losing);
        for (const [path, end] of paths) {
            // In the configuration of the server the path begins with a slash; in a folder's it does not.
            expect(apply(apache.at(-1)!, path), `Apache ${path}`).toBe(end);
            expect(apply(nginx.at(-1)!, path), `nginx ${path}`).toBe(end);
        }
    });

    it('names the whole origin for forms of the host, and nothing a server cannot do', () => {
        const scheme = redirectRules('scheme', `${ORIGIN}/a`, `${OLD}/a`);
        expect(scheme.nginx.join()).toContain(`return 301 ${ORIGIN}$request_uri`);
        const host = redirectRules('host', `${ORIGIN}/a`, 'https://www.site.example/a');
        expect(host.apache.join()).toContain('^www\\.site\\.example$');
        expect(redirectRules('order', `${ORIGIN}/a?a&b`, `${ORIGIN}/a?b&a`)).toMatchObject({ apache: [], nginx: [] });
    });
});
