import { describe, expect, it } from 'vitest';
import { checkView } from '../../../../tests/support/checks.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { problem, writeProblems, type Problem } from '../problems/problem.ts';
import { fileFindingSentence } from '../words/checks.ts';
import type { FileParams } from '../words/finding-params.ts';
import type { RobotsText } from './check.ts';
import { fileFindings } from './file-findings.ts';

const MAP = `${ORIGIN}/sitemap.xml`;
const DEEP = `${ORIGIN}/maps/list.xml`;
const READ = (entries: number): Problem => problem('sitemap-read', { form: 'urlset', entries });

/** A sitemap as it was received: what was noted of it, and its entries. */
interface Received {
    url?: string;
    status?: number | null;
    notes?: Problem[];
    entries?: { path: string; line?: number; lastmod?: string }[];
    /** Languages named for entries. */
    text?: string;
}

interface Made {
    files: Received[];
    /** Addresses on the Sitemap lines of robots.txt, by its host; null for no robots.txt. */
    named?: Record<string, string[]>;
}

function found({ files, named = { [ORIGIN]: [] } }: Made): string[] {
    const site = new Site().known('/', 'manual').page('/', [{ to: '/fr/', kind: 'hreflang', name: 'fr' }]);
    site.rows.pages[0]!.readAt = Date.UTC(2026, 2, 16, 12);
    for (const { url = MAP, status = 200, notes, entries = [{ path: '/' }], text = '' } of files) {
        const isRead = notes === undefined || notes.some(({ code }) => code === 'sitemap-read');
        entries.forEach(({ path, line = 3, lastmod = '' }) => {
            const address = site.id(path);
            site.rows.addresses[address]!.internal = true;
            site.rows.evidence.push({ address, evidence: 'sitemap', source: url, line, lastmod });
        });
        site.rows.files.push({
            kind: 'sitemap',
            url,
            status,
            note: writeProblems(notes ?? [READ(entries.length)]),
            entries: isRead ? entries.length : null,
            text,
        });
    }
    const robots = Object.entries(named).map(([origin, urls]): RobotsText => ({
        url: `${origin}/robots.txt`,
        status: 200,
        problems: [],
        text: ['User-agent: *', ...urls.map((url) => `Sitemap: ${url}`), ''].join('\n'),
    }));
    const { survey } = packSurvey(site.measure());
    const listed = files.flatMap(({ url = MAP, text }) => (text === undefined ? [] : [{ url, text }]));
    return fileFindings(checkView(survey, { robots, listed })).flatMap((finding) => {
        if (!finding.check.startsWith('sitemap-')) return [];
        expect(fileFindingSentence(finding)).toMatch(/^[A-Z"“].*\.$/);
        return [`${finding.check} ${finding.file.replace(ORIGIN, '')} ${finding.line} ${finding.severity}`];
    });
}

const of = (...notes: Problem[]): Made => ({ files: [{ notes: [READ(1), ...notes] }] });
const named = { [ORIGIN]: [MAP, DEEP] };
const HTTP = ORIGIN.replace('https:', 'http:');

/** For each check what is found of its planted fault, and near misses of which nothing is. */
const PLANTED: Record<keyof FileParams & `sitemap-${string}`, { at: Made; told: string; not: Made[] }> = {
    'sitemap-none': {
        at: { files: [{ status: 404, notes: [problem('answered', { status: 404 })], entries: [] }] },
        told: '/sitemap.xml null remark',
        not: [{ files: [{}] }, { files: [{ notes: [problem('sitemap-index', { files: 3 })], entries: [] }] }],
    },
    'sitemap-not-announced': {
        at: { files: [{}] },
        told: '/sitemap.xml null remark',
        // An index elsewhere may name it; without a robots.txt nobody knows.
        not: [
            { files: [{}], named: { [ORIGIN]: [`${ORIGIN}/other.xml`] } },
            { files: [{}], named: {} },
        ],
    },
    'sitemap-unreadable': {
        at: { files: [{ status: 404, notes: [problem('answered', { status: 404 })], entries: [] }], named },
        told: '/sitemap.xml null fault',
        not: [{ files: [{ status: 404, notes: [problem('answered', { status: 404 })], entries: [] }] }],
    },
    'sitemap-malformed': {
        at: of(problem('not-xml', { cause: 'unclosed tag', isReadOn: true }, 7)),
        told: '/sitemap.xml 7 fault',
        not: [of(problem('too-long', {}, 4))],
    },
    'sitemap-too-large': {
        at: of(problem('too-many', {})),
        told: '/sitemap.xml null fault',
        not: [of(problem('cut', { of: 'gzip' })), { files: [{ notes: [READ(50_000)] }] }],
    },
    'sitemap-nested-index': {
        at: of(problem('nested', { by: DEEP, most: 5, isFollowed: true })),
        told: '/sitemap.xml null fault',
        not: [{ files: [{ notes: [problem('sitemap-index', { files: 3 })], entries: [] }] }],
    },
    'sitemap-entry-invalid': {
        at: of(problem('relative', { written: '/a', readAs: `${ORIGIN}/a` }, 12)),
        told: '/sitemap.xml 12 fault',
        not: [of(problem('bare-ampersand', { text: '&b' }, 12))],
    },
    'sitemap-place': {
        at: { files: [{ url: DEEP, entries: [{ path: '/maps/a' }, { path: '/b', line: 9 }] }] },
        told: '/maps/list.xml 9 fault',
        not: [{ files: [{ url: DEEP, entries: [{ path: '/maps/a' }, { path: '/maps/b/c?d=/', line: 9 }] }] }],
    },
    'sitemap-double': {
        at: {
            files: [
                {
                    entries: [
                        { path: '/a', line: 3 },
                        { path: '/a?b', line: 4 },
                        { path: '/a', line: 5 },
                    ],
                },
            ],
        },
        told: '/sitemap.xml 5 remark',
        not: [
            {
                files: [
                    {
                        entries: [
                            { path: '/a', line: 3 },
                            { path: '/a/', line: 4 },
                        ],
                    },
                ],
            },
        ],
    },
    'sitemap-lastmod': {
        at: { files: [{ entries: [{ path: '/a', line: 4, lastmod: '2026-02-30' }] }] },
        told: '/sitemap.xml 4 remark',
        // The site was read on 16 March at noon: a day on from there is no future.
        not: [
            {
                files: [
                    {
                        entries: [
                            { path: '/a', lastmod: '2026-03-17' },
                            { path: '/b', lastmod: '' },
                        ],
                    },
                ],
            },
        ],
    },
    'sitemap-values': {
        at: of(problem('odd-values', { tag: 'priority', written: '10', entries: 3 }, 8)),
        told: '/sitemap.xml 8 remark',
        not: [of()],
    },
    'sitemap-alternates': {
        at: { files: [{ text: `6 ${ORIGIN}/ de ${ORIGIN}/de/ fr ${ORIGIN}/fr/b` }] },
        told: '/sitemap.xml 6 risk',
        // The page names the same for French, and nothing for German.
        not: [{ files: [{ text: `6 ${ORIGIN}/ de ${ORIGIN}/de/ fr ${ORIGIN}/fr/` }] }],
    },
};

describe.each(Object.keys(PLANTED) as (keyof typeof PLANTED)[])('the check %s', (check) => {
    const { at, told, not } = PLANTED[check];
    it('fires where its fault was planted, and not at its near misses', () => {
        expect(found(at)).toContain(`${check} ${told}`);
        for (const near of not) expect(found(near).filter((line) => line.startsWith(check))).toEqual([]);
    });
});

describe('what is odd about a file, and no hindrance', () => {
    it.each([
        [problem('doctype', {}, 2), 'sitemap-malformed /sitemap.xml 2 remark'],
        [problem('with-fragment', { written: '/a#b' }, 5), 'sitemap-entry-invalid /sitemap.xml 5 remark'],
        [problem('blank', { written: '/a b' }, 5), 'sitemap-entry-invalid /sitemap.xml 5 fault'],
    ])('%j', (note, told) => {
        expect(found(of(note))).toContain(told);
    });
});

describe('entries of another scheme', () => {
    const files = [{ entries: [{ path: `${HTTP}/a`, line: 8 }] }];
    it('are a fault, unless the robots.txt of their host names the file', () => {
        expect(found({ files })).toContain('sitemap-place /sitemap.xml 8 fault');
        expect(found({ files, named: { [ORIGIN]: [], [HTTP]: [MAP] } })).toContain(
            'sitemap-place /sitemap.xml 8 remark',
        );
    });
});

describe('dates', () => {
    const entries = (count: number, lastmod: string) =>
        Array.from({ length: count }, (_, number) => ({ path: `/p/${number}`, line: 10 + number, lastmod }));
    const told = (files: Received[]): string[] => found({ files }).filter((line) => line.startsWith('sitemap-lastmod'));

    it('that are the same on all of twenty entries are told once, those of nineteen are not', () => {
        expect(told([{ entries: entries(20, '2026-01-01') }])).toEqual(['sitemap-lastmod /sitemap.xml 10 remark']);
        expect(told([{ entries: entries(19, '2026-01-01') }])).toEqual([]);
        expect(
            told([{ entries: [...entries(20, '2026-01-01'), { path: '/q', line: 40, lastmod: '2026-01-02' }] }]),
        ).toEqual([]);
        expect(told([{ entries: entries(20, '') }])).toEqual([]);
    });

    it('of the day after tomorrow lie in the future', () => {
        expect(told([{ entries: entries(1, '2026-03-19') }])).toHaveLength(1);
    });

    it('are told of a hundred lines at most', () => {
        expect(
            told([{ entries: [...entries(150, 'soon'), { path: '/q', line: 999, lastmod: '2026-01-02' }] }]),
        ).toHaveLength(100);
    });
});
