/** One check per planted fault of the demo: passes while the fault is there, fails when it is taken away. */
import { expect } from 'vitest';
import { linksOfPage } from '$lib/core/survey/link-records.ts';
import type { MeasuredSurvey } from '$lib/core/survey/measured-survey.ts';
import { pageRecord, type PageRecord } from '$lib/core/survey/page-record.ts';
import { nodeOfUrl, pageSheet } from '$lib/core/survey/page-sheet.ts';
import * as answers from '../../demo/answers.ts';
import type { Fault } from '../../demo/fernhollow/site.ts';

const ORIGIN = answers.START.slice(0, -1);

function nodeOf(survey: MeasuredSurvey, path: string): number {
    const node = nodeOfUrl(survey, ORIGIN + path);
    expect(node, `${path} is known`).not.toBeNull();
    return node!;
}

function recordOf(survey: MeasuredSurvey, path: string): PageRecord {
    return pageRecord(survey, nodeOf(survey, path));
}

export const CHECKS: Record<Fault, (survey: MeasuredSurvey) => void> = {
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
        const { way } = pageSheet(survey, nodeOf(survey, '/guides/planing-end-grain/'));
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
};
