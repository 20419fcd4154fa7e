/** Rarer rules of sets, against what the definitions say. */
import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { refreshTargets } from '../packed/link-graph.ts';
import { evaluateSet, SetUnknown, type SetContext } from './evaluate-set.ts';
import { fieldsOf } from './fields.ts';
import { misfits } from './misfits.ts';
import { parseSet } from './parse-set.ts';
import type { SetExpression } from './set-expression.ts';

const pack = (site: Site): PackedSurvey => packSurvey(site.measure()).survey;

function read(line: string, survey: PackedSurvey): SetExpression {
    const parsed = parseSet(line, fieldsOf(survey));
    if (!parsed.ok) throw new Error(parsed.say);
    return parsed.set;
}

function paths(survey: PackedSurvey, line: string, context: Partial<SetContext> = {}): string[] {
    return [...evaluateSet(read(line, survey), { survey, ...context }).nodes()].map((node) =>
        survey.url(node).replace(ORIGIN, ''),
    );
}

describe('what is not known', () => {
    const site = (): Site =>
        new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/de' }, { to: '/none' }], { language: 'en' })
            .page('/de', [], { language: 'de' })
            .page('/none', [], { language: '' })
            .page('/gone', [], { status: 404, words: null });

    it('is in no comparison, "is not" and "!=" included', () => {
        const survey = pack(site());
        expect(paths(survey, 'language is not "de"')).toEqual(['/']);
        expect(paths(survey, 'not language is "de"')).toEqual(['/', '/gone', '/none']);
        // Standing is a fraction, not known of an error page.
        expect(paths(survey, 'standing != 99')).not.toContain('/gone');
        expect(paths(survey, 'standing is unknown')).toEqual(['/gone']);
    });
});

describe('origin and host', () => {
    it('are scheme with host, and host', () => {
        const survey = pack(site('https://site.example', 'http://site.example'));
        expect(paths(survey, 'host is "site.example"')).toHaveLength(2);
        expect(paths(survey, 'origin is "http://site.example"')).toEqual(['http://site.example/b']);
        expect(paths(survey, 'host is "https://site.example"')).toEqual([]);
    });
    function site(a: string, b: string): Site {
        const made = new Site()
            .known('/', 'manual')
            .page(`${a}/`, [{ to: `${b}/b` }])
            .page(`${b}/b`);
        for (const row of made.rows.addresses) row.internal = true;
        return made;
    }
});

describe('other surveys', () => {
    it('have no priorities of this one: a number of its nodes means another page there', () => {
        const now = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a' }, { to: '/b' }])
                .page('/a')
                .page('/b'),
        );
        const then = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/b' }])
                .page('/b'),
        );
        // Node 1 is /a here and /b there.
        const priority = Uint8Array.from([0, 1, 0]);
        expect(paths(now, 'priority = 1', { priority })).toEqual(['/a']);
        expect(() => paths(now, 'in survey 1 (priority = 1)', { priority, surveys: () => then })).not.toThrow();
        expect(paths(now, 'in survey 1 (priority = 1)', { priority, surveys: () => then })).toEqual([]);
    });
});

describe('relations', () => {
    it('go through no redirect that robots.txt closes', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/shut' }, { to: '/open' }]);
        site.page('/shut', [], { status: 301, robotsAllowed: false, redirectTo: site.id('/behind-shut') });
        site.page('/open', [], { status: 301, redirectTo: site.id('/behind-open') });
        site.page('/behind-shut').page('/behind-open');
        const survey = pack(site);
        const within = paths(survey, 'within 1 clicks of (path is "/")');
        expect(within).toContain('/behind-open');
        expect(within).not.toContain('/behind-shut');
    });

    it('leave out a canonical to the page itself', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/a' }, { to: '/b' }]);
        site.page('/a', [], { canonicals: [site.id('/a')] }).page('/b', [], { canonicals: [site.id('/a')] });
        expect(paths(pack(site), 'canonical to (path is "/a")')).toEqual(['/b']);
    });

    it('follow redirects over several hops, and come out of a loop', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/1' }, { to: '/l' }]);
        for (let n = 1; n < 6; n++) site.page(`/${n}`, [], { status: 301, redirectTo: site.id(`/${n + 1}`) });
        site.page('/6').page('/l', [], { status: 301, redirectTo: site.id('/m') });
        site.page('/m', [], { status: 301, redirectTo: site.id('/l') });
        const survey = pack(site);
        expect(paths(survey, 'redirects to (path is "/6")')).toEqual(['/1', '/2', '/3', '/4', '/5']);
        expect(paths(survey, 'redirects to (path is "/m")')).toEqual(['/l', '/m']);
    });
});

describe('a delayed refresh', () => {
    it('leads to orphans that are told as such, and not from pages that did not answer', () => {
        const site = new Site().known('/', 'manual');
        site.page('/', [
            { to: '/waits', kind: 'meta-refresh' },
            { to: '/reached' },
            { to: '/reached', kind: 'meta-refresh' },
        ]);
        site.page('/waits').page('/reached').page('/lone').known('/lone').known('/waits');
        site.page('/error', [{ to: '/lone', kind: 'meta-refresh' }], { status: 404 });
        const survey = pack(site);
        expect(paths(survey, 'behind a refresh')).toEqual(['/waits']);
        expect(refreshTargets(survey)[survey.nodeOf(`${ORIGIN}/lone`)]).toBe(0);
    });
});

describe('misfits', () => {
    /** `/` links to all; each other page is linked from so many others. */
    function site(links: Record<string, number>): PackedSurvey {
        const names = Object.keys(links);
        const made = new Site().known('/', 'manual').page(
            '/',
            names.map((to) => ({ to })),
        );
        const extra: string[] = [];
        for (const [path, more] of Object.entries(links)) {
            made.page(path);
            for (let n = 0; n < more; n++) {
                const from = `${path}-from-${n}`;
                extra.push(from);
                made.page(from, [{ to: path }]).known(from);
            }
        }
        return pack(made);
    }

    it('of priority 3 and of none may be overfed, of 2 and 1 never', () => {
        const survey = site({ '/first': 0, '/second': 8, '/third': 8, '/none': 8 });
        const priority = new Uint8Array(survey.count);
        const node = (path: string): number => survey.nodeOf(ORIGIN + path);
        priority[node('/first')] = 1;
        priority[node('/second')] = 2;
        priority[node('/third')] = 3;
        const { overfed } = misfits(survey, priority);
        expect(overfed).toContain(node('/third'));
        expect(overfed).toContain(node('/none'));
        expect(overfed).not.toContain(node('/second'));
        expect(overfed).not.toContain(node('/first'));
        // The start page is above all of them, and never overfed.
        expect(overfed).not.toContain(node('/'));
    });
});

describe('saved sets', () => {
    /** `set "1"` names `set "2"`, and so on; the last is what is said. */
    const chain = (survey: PackedSurvey, length: number, last: string) => ({
        saved: (name: string): SetExpression | undefined =>
            read(Number(name) < length ? `set "${Number(name) + 1}"` : last, survey),
    });
    const survey = pack(new Site().known('/', 'manual').page('/'));

    it('may name one another, 200 deep', () => {
        expect(paths(survey, 'set "1"', chain(survey, 150, 'page'))).toEqual(['/']);
        expect(() => paths(survey, 'set "1"', chain(survey, 250, 'page'))).toThrow('more than 200 saved sets');
    });

    it('that come back to themselves have no meaning', () => {
        expect(() => paths(survey, 'set "1"', chain(survey, 3, 'set "1"'))).toThrow(SetUnknown);
        expect(() => paths(survey, 'set "1"', chain(survey, 3, 'set "1"'))).toThrow('comes back to itself');
    });
});

describe('troubles', () => {
    it.each([
        ['visits > 100', 'unknown-name'],
        ['nonsense', 'unknown-name'],
        ['page and (', 'form'],
        ['page )', 'form'],
        ['"open', 'form'],
        ['depth >', 'form'],
        ['page nonsense', 'form'],
    ])('%s is told as %s', (line, code) => {
        expect(parseSet(line)).toMatchObject({ ok: false, code });
    });
});
