import { describe, expect, it } from 'vitest';
import { ORIGIN, Site, type SmallLink } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { languagesView } from './languages.ts';

const short = (url: string): string => url.replace(ORIGIN, '');
const hreflang = (to: string, name: string): SmallLink => ({ to, name, kind: 'hreflang' });
const view = (site: Site) => languagesView(packSurvey(site.known('/', 'manual').measure()).survey);

describe('groups of languages', () => {
    it('hold who names whom, with holes where a page that was read does not name another', () => {
        const site = new Site()
            .page('/en', [hreflang('/en', 'en'), hreflang('/fr', 'fr'), hreflang('/cy', 'CY')], { language: 'en-GB' })
            .page('/fr', [hreflang('/fr', 'fr'), hreflang('/en', 'en')])
            .page('/cy', [], { status: 404, words: null })
            .page('/de', [hreflang('/de', 'de'), hreflang('/at', 'de-AT')])
            .page('/at', [hreflang('/de', 'de'), hreflang('/at', 'de-AT')])
            .page('/alone', [hreflang('/alone', 'it')]);
        const found = view(site);
        expect(found).toMatchObject({ groupsInAll: 2, pages: 5, broken: 1 });
        const [broken, whole] = found.groups;
        expect(broken!.members.map(({ url, codes, gate, isRead }) => [short(url), codes, gate, isRead])).toEqual([
            ['/cy', ['cy'], 'response', false],
            ['/en', ['en'], 'indexable', true],
            ['/fr', ['fr'], 'indexable', true],
        ]);
        // Rows name columns: /fr does not name /cy; of /cy, which answers 404, nobody knows what it would name.
        expect(broken!.names).toEqual([
            ['itself', 'unknown', 'unknown'],
            ['named', 'itself', 'named'],
            ['hole', 'named', 'itself'],
        ]);
        expect([broken!.holes, broken!.stopped]).toEqual([1, 1]);
        expect([whole!.holes, whole!.stopped]).toEqual([0, 0]);
        expect(found.languages.map(({ code, pages, stopped }) => [code, pages, stopped])).toEqual([
            ['cy', 1, 1],
            ['de', 1, 0],
            ['de-at', 1, 0],
            ['en', 1, 0],
            ['fr', 1, 0],
            ['it', 1, 0],
        ]);
    });

    it('count the holes of all their pages, though the first alone are drawn', () => {
        const paths = Array.from({ length: 20 }, (_, number) => `/${String(number).padStart(2, '0')}`);
        const site = new Site();
        // Each names the first; nobody names another.
        for (const path of paths) site.page(path, [hreflang(paths[0]!, 'en')]);
        const [group] = view(site).groups;
        expect([group!.members.length, group!.more]).toEqual([12, 8]);
        // The first names nobody else (19 holes); the others name the first, and not the 18 beside.
        expect(group!.holes).toBe(19 + 19 * 18);
    });
});

describe('sequences', () => {
    const chain = (on: Record<string, [previous: string, next: string]>): Site => {
        const site = new Site();
        for (const [path, [previous, next]] of Object.entries(on)) {
            const links: SmallLink[] = [];
            if (previous !== '') links.push({ to: previous, kind: 'prev' });
            if (next !== '') links.push({ to: next, kind: 'next' });
            site.page(path, links);
        }
        return site;
    };
    const told = (site: Site) =>
        view(site).sequences.map(({ steps, breaks }) => [steps.map(({ url, on }) => `${short(url)} ${on}`), breaks]);

    it('run from their first page, and break where one of two does not name the other', () => {
        expect(told(chain({ '/1': ['', '/2'], '/2': ['/1', '/3'], '/3': ['/2', ''] }))).toEqual([
            [['/1 both', '/2 both', '/3 end'], 0],
        ]);
        expect(told(chain({ '/1': ['', '/2'], '/2': ['/1', '/3'], '/3': ['', '/4'], '/4': ['/3', ''] }))).toEqual([
            [['/1 both', '/2 forward only', '/3 both', '/4 end'], 1],
        ]);
        expect(told(chain({ '/1': ['', ''], '/2': ['/1', ''] }))).toEqual([[['/1 backward only', '/2 end'], 1]]);
    });

    it('break at a page that stops, and end where a circle comes back', () => {
        const site = chain({ '/1': ['', '/2'] }).page('/2', [], { status: 404, words: null });
        expect(told(site)).toEqual([[['/1 forward only', '/2 end'], 2]]);
        const circle = chain({ '/1': ['/3', '/2'], '/2': ['/1', '/3'], '/3': ['/2', '/1'] });
        expect(told(circle)).toEqual([[['/1 both', '/2 both', '/3 both'], 0]]);
    });

    it('of ten thousand pages are walked once', () => {
        const at = (number: number): string => `/${String(number).padStart(5, '0')}`;
        const site = new Site();
        for (let number = 0; number < 10_000; number++) {
            const links: SmallLink[] = number === 9_999 ? [] : [{ to: at(number + 1), kind: 'next' }];
            if (number > 0) links.push({ to: at(number - 1), kind: 'prev' });
            site.page(at(number), links);
        }
        const [only] = view(site).sequences;
        expect([only!.pages, only!.steps.length, only!.breaks]).toEqual([10_000, 60, 0]);
    });
});
