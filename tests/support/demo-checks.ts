/** One check per planted fault of the demo: passes while the fault is there, fails when it is taken away. */
import { expect } from 'vitest';
import type { LinkRecord } from '$lib/core/survey/link-records.ts';
import { allLinks, linksOfPage } from './reference/link-records.ts';
import type { MeasuredSurvey } from './reference/measured-survey.ts';
import type { PageRecord } from './reference/page-record.ts';
import { pageRecord } from './reference/page-record.ts';
import { packSurvey } from '$lib/core/pack/pack-survey.ts';
import { pageSheet } from '$lib/core/areas/page-sheet.ts';
import { nodeOfUrl } from './reference/node-of-url.ts';
import * as answers from '../../demo/answers.ts';
import type { Fault, MarchFault } from '../../demo/fernhollow/editions.ts';

const ORIGIN = answers.START.slice(0, -1);

function nodeOf(survey: MeasuredSurvey, path: string): number {
    const node = nodeOfUrl(survey, ORIGIN + path);
    expect(node, `${path} is known`).not.toBeNull();
    return node!;
}

function recordOf(survey: MeasuredSurvey, path: string): PageRecord {
    return pageRecord(survey, nodeOf(survey, path));
}

/** The links to a path, over all pages. */
function linksTo(survey: MeasuredSurvey, target: string): LinkRecord[] {
    return [...allLinks(survey)].filter((link) => link.target === ORIGIN + target);
}

function familyMembers(survey: MeasuredSurvey, pattern: RegExp): { read: number; closed: number } {
    const members = survey.urls.flatMap((url, node) => (pattern.test(url) ? [survey.pages[node]] : []));
    return {
        read: members.filter((page) => page?.status === 200).length,
        closed: members.filter((page) => page?.notRead === 'trap').length,
    };
}

export const CHECKS: Record<MarchFault, (survey: MeasuredSurvey) => void> = {
    'orphan-guides': (survey) => {
        for (const path of answers.ORPHAN_GUIDES) {
            expect(recordOf(survey, path)).toMatchObject({
                orphan: true,
                evidence: 'sitemap',
                depth: null,
                status: 200,
                incoming_pages: 0,
            });
        }
    },
    'old-section': (survey) => {
        for (const path of answers.OLD_SECTION) {
            expect(recordOf(survey, path)).toMatchObject({
                orphan: true,
                depth: null,
                status: 200,
                incoming_pages: answers.OLD_SECTION.length - 1,
            });
        }
        expect(recordOf(survey, '/2016/').evidence).toBe('link sitemap');
        expect(recordOf(survey, '/2016/tools.html').evidence).toBe('link');
    },
    'nine-clicks': (survey) => {
        for (const path of answers.NINE_CLICKS_DEEP) expect(recordOf(survey, path).depth).toBe(9);
        const { way } = pageSheet(packSurvey(survey).survey, nodeOf(survey, '/guides/planing-end-grain/'));
        expect(way.map((step) => [step.url.slice(ORIGIN.length), step.anchor])).toEqual(answers.WAY_TO_PLANING);
    },
    'redirect-chain': (survey) => {
        for (const [first = '', second = '', last = ''] of answers.REDIRECT_CHAINS) {
            expect(recordOf(survey, first)).toMatchObject({
                status: 301,
                gate: 'redirect',
                redirect_to: ORIGIN + second,
            });
            expect(recordOf(survey, second)).toMatchObject({
                status: 301,
                gate: 'redirect',
                redirect_to: ORIGIN + last,
            });
            expect(recordOf(survey, last)).toMatchObject({ status: 200, depth: recordOf(survey, first).depth });
        }
    },
    'broken-menu-link': (survey) => {
        const { target, status, anchor, pages } = answers.BROKEN_MENU_LINK;
        expect(recordOf(survey, target)).toMatchObject({ status, gate: 'response', incoming_pages: pages });
        const links = linksOfPage(survey, nodeOf(survey, '/workshops/repair-evening/')).filter(
            (link) => link.target === ORIGIN + target,
        );
        expect(links).toEqual([expect.objectContaining({ anchor, region: 'nav', target_status: status })]);
        // One block, the same on every workshop page but those whose own entry is plain text.
        const blocks = new Set<unknown>();
        for (let node = 0; node < survey.count; node++)
            for (const link of linksOfPage(survey, node)) if (link.target === ORIGIN + target) blocks.add(link.block);
        expect(blocks.size).toBe(3);
    },
    'noindexed-hub': (survey) => {
        expect(recordOf(survey, answers.NOINDEXED_HUB)).toMatchObject({
            gate: 'noindex',
            indexable: false,
            status: 200,
        });
    },
    'closed-folder': (survey) => {
        for (const path of answers.CLOSED_FOLDER.paths) {
            const record = recordOf(survey, path);
            expect(record).toMatchObject({ gate: 'robots', robots_allowed: false, status: null, not_read: 'robots' });
            expect(record.gate_reason).toBe(
                `${answers.CLOSED_FOLDER.rule} (${ORIGIN}/robots.txt, line ${answers.CLOSED_FOLDER.line})`,
            );
        }
    },
    'canonical-elsewhere': (survey) => {
        const { page, canonical } = answers.CANONICAL_ELSEWHERE;
        expect(recordOf(survey, page)).toMatchObject({
            gate: 'canonical',
            canonical: ORIGIN + canonical,
            gate_reason: `points at ${ORIGIN}${canonical}`,
        });
    },
    'endless-calendar': (survey) => {
        const { read, closed } = familyMembers(survey, /\/workshops\/calendar\/\d+\/\d+\/$/);
        expect(read).toBe(answers.FAMILY_LIMIT);
        expect(closed).toBeGreaterThan(0);
    },
    'filters-multiply': (survey) => {
        const { read, closed } = familyMembers(survey, /\/tools\/\?/);
        expect(read).toBe(answers.FAMILY_LIMIT);
        expect(closed).toBeGreaterThan(0);
    },
    'reserve-links': (survey) => {
        expect(recordOf(survey, answers.RESERVE_LINK)).toMatchObject({ not_read: 'action', status: null, gate: null });
    },
    'nameless-link': (survey) => {
        const { target, pages } = answers.NAMELESS_LINK;
        const nameless = linksTo(survey, target).filter(
            (link) =>
                link.kind === 'a' &&
                link.anchor === '' &&
                link.name === '' &&
                // Two branches are closed to us by another fault.
                !answers.CLOSED_TOO_MUCH.paths.includes(String(link.source).slice(ORIGIN.length)),
        );
        expect(nameless).toHaveLength(pages);
    },
    'click-here': (survey) => {
        const { target, pages } = answers.CLICK_HERE;
        expect(linksTo(survey, target).filter((link) => link.anchor === 'click here')).toHaveLength(pages);
    },
    'same-words': (survey) => {
        const targets = [...allLinks(survey)]
            .filter((link) => link.anchor === 'Opening hours' && !/\/2016\/|^http:/.test(String(link.target)))
            .map((link) => link.target);
        expect(new Set(targets)).toEqual(new Set(answers.SAME_WORDS.map((path) => ORIGIN + path)));
    },
    'host-doubles': (survey) => {
        const node = nodeOfUrl(survey, answers.HOST_DOUBLE);
        expect(node).not.toBeNull();
        const double = pageRecord(survey, node!);
        expect(double).toMatchObject({ status: 200, gate: 'indexable', canonical: answers.HOST_DOUBLE });
        expect(double.title).toBe(recordOf(survey, '/visit/').title);
    },
    'canonical-chain': (survey) => {
        const [first = '', second = '', last = ''] = answers.CANONICAL_CHAIN;
        expect(recordOf(survey, first)).toMatchObject({ gate: 'canonical', canonical: ORIGIN + second });
        expect(recordOf(survey, second)).toMatchObject({ gate: 'canonical', canonical: ORIGIN + last });
        expect(recordOf(survey, last)).toMatchObject({ gate: 'indexable' });
    },
    'canonical-in-body': (survey) => {
        const { page, ignored } = answers.CANONICAL_IN_BODY;
        expect(recordOf(survey, page)).toMatchObject({ gate: 'indexable', canonical: '' });
        const links = linksOfPage(survey, nodeOf(survey, page)).filter((link) => link.kind === 'canonical');
        expect(links).toEqual([expect.objectContaining({ target: ORIGIN + ignored, region: 'main' })]);
    },
    'closed-too-much': (survey) => {
        const { rule, line, paths } = answers.CLOSED_TOO_MUCH;
        for (const path of paths) {
            expect(recordOf(survey, path)).toMatchObject({
                gate: 'robots',
                gate_reason: `${rule} (${ORIGIN}/robots.txt, line ${line})`,
            });
        }
    },
    'sitemap-trouble': (survey) => {
        const stale = survey.rows.files.find((file) => file.url === ORIGIN + answers.STALE_SITEMAP);
        expect(stale).toMatchObject({ kind: 'sitemap', status: 404 });
        const wrong = nodeOfUrl(survey, answers.WRONG_SCHEME);
        expect(wrong).not.toBeNull();
        expect(pageRecord(survey, wrong!)).toMatchObject({ status: 301, evidence: 'sitemap', gate: 'redirect' });
        expect(String(recordOf(survey, '/members/').evidence)).toContain('sitemap');
    },
    'soft-404': (survey) => {
        expect(recordOf(survey, answers.SOFT_404.page)).toMatchObject({ status: 200, title: answers.SOFT_404.title });
    },
    'missing-fragment': (survey) => {
        const { source, target, fragment } = answers.MISSING_FRAGMENT;
        const links = linksOfPage(survey, nodeOf(survey, source)).filter((link) => link.target === ORIGIN + target);
        expect(links.map((link) => link.fragment)).toContain(fragment);
    },
};

/** The same for the faults that came later. */
export const LATER_CHECKS: Record<Exclude<Fault, MarchFault>, (survey: MeasuredSurvey) => void> = {
    'redirect-loop': (survey) => {
        expect(recordOf(survey, '/help/charges/').redirect_to).toBe(`${ORIGIN}/help/costs/`);
    },
    'renamed-section': (survey) => {
        const { page, chain, listedUnderOldNames } = answers.RENAMED;
        expect(recordOf(survey, page[0]!).redirect_to).toBe(ORIGIN + page[1]!);
        expect(recordOf(survey, page[1]!)).toMatchObject({ status: 200, gate: 'indexable', depth: 2 });
        expect(chain.slice(0, -1).map((path) => recordOf(survey, path).redirect_to)).toEqual(
            chain.slice(1).map((path) => ORIGIN + path),
        );
        const listed = survey.urls.filter(
            (url, node) =>
                url.startsWith(`${ORIGIN}/workshops/`) &&
                !url.includes('/calendar/') &&
                String(pageRecord(survey, node).evidence).includes('sitemap'),
        );
        expect(listed).toHaveLength(listedUnderOldNames);
    },
    'lost-canonical': (survey) => {
        const { page, double } = answers.LOST_CANONICAL;
        for (const path of [page, double]) {
            expect(recordOf(survey, path)).toMatchObject({ status: 200, canonical: '', gate: 'indexable' });
        }
    },
    'unlinked-guides': (survey) => {
        for (const path of answers.UNLINKED_GUIDES) {
            expect(recordOf(survey, path)).toMatchObject({ orphan: true, incoming_pages: 0, evidence: 'sitemap' });
        }
    },
    'behind-pages': (survey) => {
        const { guides, depth } = answers.BEHIND_PAGES;
        for (const path of guides) expect(recordOf(survey, path).depth).toBe(depth);
    },
    'closed-kind': (survey) => {
        const { page, rule, line } = answers.CLOSED_KIND;
        const record = recordOf(survey, page);
        expect(record).toMatchObject({ not_read: 'robots', gate: 'robots' });
        expect(record.gate_reason).toContain(rule);
        expect(record.gate_reason).toContain(`line ${line}`);
    },
    'generic-anchors': (survey) => {
        const { anchor, links } = answers.READ_MORE;
        expect([...allLinks(survey)].filter((link) => link.anchor === anchor)).toHaveLength(links);
    },
};
