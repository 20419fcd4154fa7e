import { describe, expect, it } from 'vitest';
import { causesTold, checkView, nodesAbout } from '../../../../tests/support/checks.ts';
import { rule, told } from '../../../../tests/support/problems.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { sizeFound } from '../../../../tests/support/sets.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { ORPHAN } from '../measures/orphans.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { causesOf, pageCausesOf, type ToldCause } from './causes.ts';
import { SEVERITIES, type CheckView } from './check.ts';
import { orphanRoots } from './orphan-roots.ts';
import { siteFindings } from './site-findings.ts';

const pack = (site: Site): PackedSurvey => packSurvey(site.measure()).survey;
const said = { description: 'What is here.', language: 'en', h1: 'Own', title: 'Own', words: 80 };

/** Pages that link to each other by a menu; each with a title and a heading of its own. */
function site(paths: string[]): Site {
    const made = new Site().known('/', 'manual');
    for (const path of paths)
        made.page(path, [], { ...said, title: `Title ${path}`, h1: `Heading ${path}` }).known(path);
    return made
        .share(
            paths,
            paths.map((to) => ({ to })),
        )
        .sitemap();
}
const PATHS = ['/', '/a/one', '/a/two', '/b/three'];
const lost = { status: 404, words: null };

const accepted = (causes: [string, string][], findings: [string, string][] = []) => ({
    off: new Set<never>(),
    thresholds: new Map(),
    accepted: { causes: new Map(causes), findings: new Map(findings) },
});

/** Causes of a site, as "severity: key (URLs)" with what follows: "check on pages". */
function told_(view: CheckView): Record<string, string[]> {
    return Object.fromEntries(
        causesOf(view).open.map(({ severity, key, urls, follows }) => [
            `${severity}: ${key} (${urls})`,
            follows.map(({ check, pages }) => `${check} on ${pages}`),
        ]),
    );
}
const causes = (of: Site): Record<string, string[]> => told_(checkView(pack(of)));

describe('causes', () => {
    it('are one for a missing page, however many pages and templates link to it', () => {
        const many = Array.from({ length: 17 }, (_, number) => `/p/${number}`);
        const of = site(['/', ...many]);
        of.page('/gone', [], lost);
        of.share(many.slice(0, 9), [{ to: '/gone' }, { to: '/' }, { to: '/p/1' }], 'footer');
        of.share(many.slice(8, 16), [{ to: '/gone' }, { to: '/p/2' }, { to: '/p/3' }], 'aside');
        of.page('/p/16', [{ to: '/gone' }], { ...said, title: 'Title /p/16', h1: 'Heading /p/16' });
        expect(causes(of)).toEqual({ 'fault: 404 /gone (1)': ['link-to-error on 17'] });
    });

    it('are the template where one template alone holds the links, and name the link where it is one', () => {
        const of = site(PATHS).page('/gone', [], lost).page('/lost', [], lost);
        of.share(
            ['/a/one', '/a/two', '/b/three'],
            [{ to: '/gone', anchor: 'Book' }, { to: '/' }, { to: '/a/one' }],
            'footer',
        );
        const view = checkView(pack(of));
        const [only] = causesTold(view);
        expect([only!.cause.kind, only!.say, only!.pages, only!.effect]).toEqual([
            'template',
            'Mend the link “Book” to /gone',
            3,
            'pages link to an error',
        ]);
        of.share(['/a/one', '/a/two', '/b/three'], [{ to: '/lost' }, { to: '/' }, { to: '/a/two' }], 'aside');
        of.page('/elsewhere', [{ to: '/gone' }], { ...said, title: 'E', h1: 'E' });
        const keys = causesOf(checkView(pack(of))).open.map(({ cause }) => cause.kind);
        // Another page links to it now: the address is the one to mend; the other template has its own.
        expect(keys.filter((kind) => kind === 'template' || kind === 'answers').sort()).toEqual([
            'answers',
            'template',
        ]);
    });

    it('are the address where a sitemap lists it, or the server is at fault', () => {
        const of = site(PATHS).page('/gone', [], lost).known('/gone').page('/down', [], { status: 503, words: null });
        of.share(['/a/one', '/a/two', '/b/three'], [{ to: '/gone' }, { to: '/down' }, { to: '/' }], 'footer');
        expect(causes(of.sitemap())).toEqual({
            'fault: 404 /gone (1)': ['link-to-error on 3', 'sitemap-lists-stopped on 1'],
            'fault: 503 /down (1)': ['link-to-error on 3', 'server-error on 1'],
        });
    });

    it.each([
        [4, ['404 /old/0', '404 /old/1', '404 /old/2', '404 /old/3']],
        [5, ['404 /old/*']],
    ])('take %i missing addresses of a folder for %j', (missing, keys) => {
        const of = site(PATHS);
        const links = Array.from({ length: missing }, (_, number) => ({ to: `/old/${number}` }));
        for (const { to } of links) of.page(to, [], lost);
        of.page('/c', links, { ...said, title: 'C', h1: 'C' }).page('/', [{ to: '/c' }], said);
        const found = causesOf(checkView(pack(of))).open.filter(({ severity }) => severity === 'fault');
        expect(found.map(({ key }) => key).sort()).toEqual(keys);
    });

    it('come before what follows from them: a rule, with what is listed, linked and named as canonical', () => {
        const of = site(PATHS);
        of.page('/shut/x', [], {
            status: null,
            notRead: 'robots',
            robotsAllowed: false,
            robotsRule: rule('Disallow: /shut', `${ORIGIN}/robots.txt`, 4),
            words: null,
        }).known('/shut/x');
        of.page('/c', [{ to: '/shut/x' }], { ...said, title: 'C', h1: 'C' }).known('/c');
        of.page('/d', [{ to: '/shut/x', rel: 'nofollow' }], { ...said, title: 'D', h1: 'D' }).known('/d');
        of.page('/', [{ to: '/c' }, { to: '/d' }], said).page('/a/one', [{ to: '/c' }, { to: '/d' }], said);
        const found = causesTold(checkView(pack(of.sitemap())));
        const own = found.find(({ cause }) => cause.kind === 'rule')!;
        expect(own.key).toBe('/robots.txt Disallow: /shut');
        expect(own.follows.map(({ check, pages }) => `${check} on ${pages}`)).toEqual([
            'robots-closes-wanted on 1',
            'sitemap-lists-stopped on 1',
            // The link that says nofollow is none.
            'link-to-closed on 1',
        ]);
        expect([own.say, own.where]).toEqual([
            'Narrow the rule “Disallow: /shut”, or take what it closes out of the sitemap',
            'robots.txt, line 4',
        ]);
    });

    it('are a template of pages where nine of ten pages of a section are alike', () => {
        const sections = ['tools', 'news'].flatMap((name) => Array.from({ length: 10 }, (_, n) => `/${name}/${n}`));
        const of = new Site().known('/', 'manual').sitemap();
        const bare = new Set([...sections.slice(0, 9), ...sections.slice(10, 18)]);
        for (const path of ['/', ...sections]) {
            const language = bare.has(path) ? '' : 'en';
            of.page(path, [], { ...said, title: `T ${path}`, h1: `H ${path}`, language }).known(path);
        }
        of.share(
            ['/', ...sections],
            ['/', ...sections].map((to) => ({ to })),
        );
        expect(causes(of)).toEqual({
            'remark: language-missing in tools (9)': ['language-missing on 9'],
            'remark: language-missing (8)': ['language-missing on 8'],
        });
    });

    it('are lines of a file by what is found of them', () => {
        const robots = [
            {
                url: `${ORIGIN}/robots.txt`,
                status: 200,
                problems: [],
                text: 'User-agent: *\nDisallow: /x\nDisallow: /y\n',
            },
        ];
        const [own] = causesOf(checkView(pack(site(PATHS)), { robots })).open;
        expect([own!.key, own!.urls, own!.follows]).toEqual([
            '/robots.txt robots-rule-idle',
            0,
            [{ check: 'robots-rule-idle', severity: 'remark', pages: 2, set: null }],
        ]);
    });

    it('are the same without their files, whoever asked before', () => {
        const of = site(PATHS).page('/shut/x', [], {
            status: null,
            notRead: 'robots',
            robotsAllowed: false,
            robotsRule: rule('Disallow: /shut', `${ORIGIN}/robots.txt`, 4),
            words: null,
        });
        const survey = pack(of.known('/shut/x').page('/c', [{ to: '/shut/x' }], { ...said, title: 'C', h1: 'C' }));
        const follows = (causes: ToldCause[]): string[][] =>
            causes.filter(({ cause }) => cause.kind === 'rule').map((cause) => cause.follows.map(({ check }) => check));
        const pages = [['sitemap-lists-stopped', 'link-to-closed']];
        expect(follows(pageCausesOf(checkView(survey)).open)).toEqual(pages);
        const whole = follows(causesOf(checkView(survey)).open);
        expect(whole[0]).toContain('robots-closes-wanted');
        expect(follows(causesOf(checkView(survey)).open)).toEqual(whole);
        expect(follows(pageCausesOf(checkView(survey)).open)).toEqual(pages);
    });

    it('weigh what is thrown away by what links give, and what stands by its standing', () => {
        // The start page gives half of what it has to each of its two ends.
        const of = new Site().known('/', 'manual').page('/', [{ to: '/gone' }, { to: '/a' }], said);
        const survey = pack(of.page('/a', [{ to: '/' }], { ...said, language: '' }).page('/gone', [], lost));
        const found = causesOf(checkView(survey)).open;
        const standing = survey.numbers('standing');
        const [gone, bare] = ['404 /gone', 'language-missing'].map((key) => found.find((item) => item.key === key)!);
        expect(gone!.standing).toBeCloseTo(standing[survey.nodeOf(`${ORIGIN}/`)]! / 2, 6);
        expect(gone!.thrown).toBe(gone!.standing);
        expect([bare!.standing, bare!.thrown]).toEqual([standing[survey.nodeOf(`${ORIGIN}/a`)], 0]);
    });

    it('of links to what has moved weigh what goes that way', () => {
        const of = new Site().known('/', 'manual').page('/', [{ to: '/old' }, { to: '/b' }], said);
        of.page('/a', [], said)
            .page('/b', [], said)
            .page('/old', [], { status: 301, words: null, redirectTo: of.id('/a') });
        const survey = pack(of);
        const moved = causesOf(checkView(survey)).open.find(({ key }) => key === 'moved /old')!;
        expect(moved.standing).toBeCloseTo(survey.numbers('standing')[survey.nodeOf(`${ORIGIN}/`)]! / 2, 6);
        expect(moved.severity).toBe('risk');
    });

    it('are the host that links are written with, where the same path on another answers for it', () => {
        const of = site(PATHS);
        const old = ORIGIN.replace('https:', 'http:');
        const links = ['/a/one', '/b/three', '/b/other'].map((path) => `${old}${path}`);
        for (const url of links) of.rows.addresses[of.id(url)]!.internal = true;
        const ends = ['/a/one', '/b/three', '/a/two'];
        links.forEach((url, number) =>
            of.page(url, [], { status: 301, words: null, redirectTo: of.id(ends[number]!) }),
        );
        of.page(
            '/',
            links.map((to) => ({ to })),
            said,
        );
        const keys = causesOf(checkView(pack(of))).open.filter(({ cause }) => cause.kind === 'moved');
        expect(keys.map(({ key, urls }) => `${key} (${urls})`).sort()).toEqual([
            // Links to it lead down to http as well, wherever it redirects.
            `moved ${old}/* (3)`,
            `moved ${old}/b/other (1)`,
        ]);
    });

    it.each([
        [301, 'risk'],
        [308, 'risk'],
        [302, 'remark'],
        [307, 'remark'],
    ])('of a menu that links to a %i are a %s', (status, severity) => {
        const of = site(PATHS);
        of.page('/old', [], { status, words: null, redirectTo: of.id('/a/one') });
        of.share(PATHS, [{ to: '/' }, { to: '/a/one' }, { to: '/old', anchor: 'Old' }], 'footer');
        const [own] = causesTold(checkView(pack(of)));
        expect([own!.severity, own!.say]).toEqual([severity, 'Mend the link “Old” to /old']);
    });

    it.each([
        ['redirect', 'risk', 'List in the sitemap what /x redirects to'],
        ['noindex', 'fault', 'Take noindex off /x, or take it out of the sitemap'],
        ['canonical', 'fault', 'Let /x name itself as canonical, or list and link what it names'],
    ])('of a listed page that stops at %s are a %s', (gate, severity, say) => {
        const of = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/x' }], said)
            .page('/end', [], said);
        const facts = {
            redirect: { instantRefresh: of.id('/end') },
            noindex: { noindex: true, noindexReason: told('meta') },
            canonical: { canonicals: [of.id('/end')] },
        }[gate];
        const found = causesTold(
            checkView(
                pack(
                    of
                        .page('/x', [], { ...said, ...facts })
                        .known('/x')
                        .sitemap(),
                ),
            ),
        );
        const own = found.find(({ cause }) => cause.kind === 'stops')!;
        expect([own.severity, own.say]).toEqual([severity, say]);
    });
});

describe('causes of single links', () => {
    const bad = { to: '', kind: 'other', text: 'https://' } as const;
    /** A third page has such a link of its own. */
    const planted = (): Site =>
        site(PATHS)
            .share(['/a/one', '/a/two', '/b/three'], [bad, { to: '/' }, { to: '/a/one' }], 'footer')
            .page('/c', [bad, { to: '/' }], { ...said, title: 'C', h1: 'C' })
            .known('/c')
            .share(['/', '/a/one'], [{ to: '/c' }, { to: '/' }, { to: '/a/two' }], 'aside');

    it('are the template that alone holds them, and the pages where they stand in sentences', () => {
        const view = checkView(pack(planted()));
        expect(told_(view)).toEqual({
            'fault: link-malformed in block1 (3)': ['link-malformed on 3'],
            'fault: link-malformed (1)': ['link-malformed on 1'],
        });
        expect(causesTold(view).map(({ say }) => say)).toEqual([
            'Write whole addresses in links of 3 pages',
            'Write whole addresses in links of /c',
        ]);
        for (const { set, urls } of causesOf(view).open) expect(sizeFound(view, set!)).toBe(urls);
    });

    it('are accepted with what they lead to', () => {
        const view = checkView(pack(planted()), { settings: accepted([], [['link-malformed https://', 'soon']]) });
        expect(causesOf(view).open).toEqual([]);
        expect(
            causesOf(view)
                .accepted.map(({ key }) => key)
                .sort(),
        ).toEqual(['link-malformed', 'link-malformed in block1']);
    });

    it('are what lies outside and does not answer, wherever it is linked or loaded', () => {
        const gone = 'https://other.example/gone';
        const of = site(PATHS)
            .share(['/a/one', '/a/two'], [{ to: gone }, { to: '/' }], 'footer')
            .share(['/', '/b/three'], [{ to: gone, kind: 'img' }, { to: '/' }], 'aside');
        of.rows.checks.push({
            ...{ address: of.id(gone), kind: 'external', status: 410, notRead: '', failure: '' },
            ...{ contentType: '', redirectTo: null, milliseconds: 1, readAt: 0 },
        });
        expect(causes(of)).toEqual({
            [`fault: 410 ${gone} (4)`]: ['external-error on 2', 'resource-error on 2'],
        });
    });
});

describe('addresses that are one page', () => {
    it('are one rule of redirects for each way in which they differ', () => {
        const paths = ['/', '/a', '/a/', '/b', '/b/', '/c/', '/c/index.html'];
        const of = new Site().known('/', 'manual');
        for (const path of paths) of.page(path, [], { ...said, title: path, h1: path });
        of.share(
            paths,
            ['/', '/a/', '/b/', '/c/'].map((to) => ({ to })),
        ).share(
            ['/a', '/b'],
            ['/a', '/b', '/c/index.html'].map((to) => ({ to })),
        );
        const main = new Map(
            paths.map((path) => [
                of.id(path),
                { hash: path.replace(/(?:\/|\/index\.html)$/, ''), words: 80, signature: null },
            ]),
        );
        const view = checkView(packSurvey(of.measure(), { body: new Map(), main }).survey);
        const variants = causesTold(view).filter(({ cause }) => cause.kind === 'variants');
        expect(variants.map(({ key, urls, say }) => [key, urls, say]).sort()).toEqual([
            ['variants by index /', 1, 'Redirect 1 address with an index document to their folders'],
            ['variants by slash /', 2, 'Redirect 2 addresses to the same with a slash at the end'],
        ]);
        for (const { set, urls } of variants) expect(sizeFound(view, set!)).toBe(urls);
        // Told as variants, and not as pages with the text of another too.
        expect(causesOf(view).open.filter(({ follows }) => follows.some(({ check }) => check === 'same-text'))).toEqual(
            [],
        );
    });
});

describe('causes of random sites', () => {
    const sites = Array.from({ length: 25 }, (_, seed) => checkView(packSurvey(randomSite(seed + 1).measure()).survey));

    it('hold every finding once, with its worst severity and the URLs it is about', () => {
        for (const view of sites) {
            const wanted = new Map<string, { urls: Set<number>; severities: string[]; checks: Set<string> }>();
            for (const placed of siteFindings(view)) {
                const { finding, cause } = placed;
                const own = wanted.get(cause) ?? { urls: new Set(), severities: [], checks: new Set() };
                wanted.set(cause, own);
                for (const node of nodesAbout(view.survey, placed)) own.urls.add(node);
                own.severities.push(finding.severity);
                own.checks.add(finding.check);
            }
            const pages = causesOf(view).open.filter(({ urls }) => urls > 0);
            expect(new Set(pages.map(({ key }) => key))).toEqual(new Set(wanted.keys()));
            for (const { key, urls, severity, follows } of pages) {
                const own = wanted.get(key)!;
                expect(urls, key).toBe(own.urls.size);
                expect(severity, key).toBe(SEVERITIES.find((item) => own.severities.includes(item)));
                expect(new Set(follows.map(({ check }) => check))).toEqual(own.checks);
            }
        }
    });

    it('tell every number with the set it is the size of', () => {
        let sets = 0;
        for (const view of sites) {
            for (const { urls, set, follows } of causesOf(view).open) {
                if (urls > 0) expect(sizeFound(view, set!), set!).toBe(urls);
                for (const { pages, set: own } of follows) {
                    if (own === null) continue;
                    sets++;
                    expect(sizeFound(view, own), own).toBe(pages);
                }
            }
        }
        expect(sets).toBeGreaterThan(100);
    });

    it('stand in one order: severity, standing, visits, URLs, name', () => {
        for (const view of sites) {
            const { open } = causesOf(view);
            for (let at = 1; at < open.length; at++) {
                const [a, b] = [open[at - 1]!, open[at]!];
                const [first, second] = [SEVERITIES.indexOf(a.severity), SEVERITIES.indexOf(b.severity)];
                expect(first).toBeLessThanOrEqual(second);
                if (first < second) continue;
                expect(a.standing - b.standing).toBeGreaterThan(-1e-6);
                if (Math.abs(a.standing - b.standing) >= 1e-6) continue;
                expect(a.urls > b.urls || (a.urls === b.urls && a.key < b.key)).toBe(true);
            }
        }
    });

    it('are worded, each as a sentence without its full stop', () => {
        for (const view of sites) {
            for (const { say, where, effect, key } of causesTold(view)) {
                expect(say, key).toMatch(/^[A-Z].*[^.]$/);
                expect(say).not.toMatch(/undefined|null|NaN/);
                expect(where).not.toBe('');
                expect(effect).not.toBe('');
            }
        }
    });

    it('give each orphan the strict one that leads to it, else its island', () => {
        let islands = 0;
        for (const { survey } of sites) {
            const roots = orphanRoots(survey);
            const orphan = survey.numbers('orphan');
            for (let node = 0; node < survey.count; node++) {
                if (orphan[node] !== ORPHAN.strict && orphan[node] !== ORPHAN.adrift) {
                    expect(roots[node]).toBeUndefined();
                    continue;
                }
                const strict = [...reaching(survey, node)].filter((from) => orphan[from] === ORPHAN.strict);
                const root = roots[node]!;
                expect(root.isIsland, survey.url(node)).toBe(strict.length === 0);
                if (strict.length > 0) expect(strict).toContain(root.node);
                else {
                    islands++;
                    expect(orphan[root.node]).toBe(ORPHAN.adrift);
                }
            }
        }
        expect(islands).toBeGreaterThan(0);
    });
});

/** Pages from which links of unreached pages lead to a page, it itself among them: backwards, link by link. */
function reaching(survey: PackedSurvey, to: number): Set<number> {
    const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const orphan = survey.numbers('orphan');
    const found = new Set([to]);
    for (let grew = true; grew;) {
        grew = false;
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] !== 1 || found.has(node) || orphan[node]! <= ORPHAN.no) continue;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const list = blockList[pageBlocks[at]!]!;
                for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                    if (kind[link] !== 0 || !found.has(target[link]!) || target[link] === node) continue;
                    if (!found.has(node)) grew = true;
                    found.add(node);
                }
            }
        }
    }
    return found;
}

describe('what is accepted', () => {
    const planted = (): Site => {
        const of = site(PATHS).page('/gone', [], lost).page('/lost', [], lost);
        return of.page('/c', [{ to: '/gone' }, { to: '/lost' }], { ...said, title: 'C', h1: 'C' });
    };
    it('stands apart, is in no set but its own, and nothing else changes', () => {
        const survey = pack(planted());
        const settings = accepted([['404 /gone', 'the archive is closed']]);
        const view = checkView(survey, { settings });
        const keys = (of: CheckView): string[] => causesOf(of).open.map(({ key }) => key);
        expect(keys(checkView(survey))).toContain('404 /gone');
        expect(keys(view)).toEqual(keys(checkView(survey)).filter((key) => key !== '404 /gone'));
        expect(causesOf(view).accepted.map(({ key, urls }) => `${key} ${urls}`)).toEqual(['404 /gone 1']);
        // The page still links to the other one.
        expect(sizeFound(view, 'has finding "link-to-error"')).toBe(1);
        expect(sizeFound(view, 'cause "404 /gone"')).toBe(0);
        expect(sizeFound(view, 'accepted "404 /gone"')).toBe(1);
        expect(sizeFound(view, 'accepted "link-to-error"')).toBe(1);
    });

    it('can be a finding of one URL', () => {
        const settings = accepted([], [[`link-to-error ${ORIGIN}/lost`, 'soon']]);
        const view = checkView(pack(planted()), { settings });
        expect(causesOf(view).open.map(({ key }) => key)).toContain('404 /gone');
        expect(causesOf(view).accepted.map(({ key }) => key)).toEqual(['404 /lost']);
        const links = [...siteFindings(view)].filter(({ finding }) => finding.check === 'link-to-error');
        expect(links.map(({ to, isAccepted }) => [to, isAccepted])).toEqual([
            [`${ORIGIN}/gone`, false],
            [`${ORIGIN}/lost`, true],
        ]);
    });

    it('is the same in the next survey, whatever was read before it there', () => {
        const next = new Site().known('/', 'manual').page('/aa', [], said);
        next.page('/gone', [], lost).page('/', [{ to: '/gone' }, { to: '/aa' }], said);
        const view = checkView(pack(next), { settings: accepted([['404 /gone', 'the archive is closed']]) });
        expect(causesOf(view).accepted.map(({ key }) => key)).toEqual(['404 /gone']);
    });

    it('and what is switched off or has another threshold is told anew', () => {
        const survey = pack(planted().page('/long', [], { ...said, h1: 'L', title: 'x'.repeat(60) }));
        const has = (settings: CheckView['settings'], check: string): number =>
            sizeFound(checkView(survey, { settings }), `has finding "${check}"`);
        const plain = accepted([]);
        expect(has(plain, 'link-to-error')).toBe(1);
        expect(has({ ...plain, off: new Set(['link-to-error'] as const) }, 'link-to-error')).toBe(0);
        expect(has(plain, 'title-long')).toBe(0);
        expect(has({ ...plain, thresholds: new Map([['title-long', 59] as const]) }, 'title-long')).toBe(1);
        expect(has({ ...plain, thresholds: new Map([['title-long', 60] as const]) }, 'title-long')).toBe(0);
    });
});
