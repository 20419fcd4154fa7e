/** Where do links lead? */
import { lostTargets, templatesTo } from '../areas/weight.ts';
import { once } from '../kept.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { lostUrls } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { templateWords } from '../areas/template-words.ts';
import { quoted } from '../sets/tokens.ts';
import { defineCheck, type Check, type EditOf, MOST_OF_A_KIND } from './check.ts';
import { siteUrl } from './site-url.ts';

/** Templates of which one link is told: the more there are, the more the target is the one to mend. */
const MOST_TEMPLATES = 2;

const setOf = (survey: PackedSurvey, node: number): string => `url is ${quoted(survey.url(node), true)}`;

const lostOf = (survey: PackedSurvey): Uint8Array => once(survey, 'lost urls', [], () => lostUrls(survey));
const isMoved = (status: number): boolean => status >= 300 && status < 400;

/** Anchor of the first link of a template to a page; its name where it has none; empty for neither. */
function anchorTo(survey: PackedSurvey, template: number, node: number): string {
    const { blockList, blockTemplate, listStart, target, kind } = linkGraphOf(survey);
    for (let block = 0; block < blockList.length; block++) {
        if (blockTemplate[block] !== template) continue;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] !== 0 || target[link] !== node) continue;
            const word = survey.word('link_anchor', link) || survey.word('link_name', link);
            if (word !== '') return word;
        }
    }
    return '';
}

/** The link of a template to a page, as an edit has it. */
function templateEdit(survey: PackedSurvey, number: number, node: number) {
    const { name, pages } = survey.measured.templates[number]!;
    return {
        params: {
            url: siteUrl(survey, node),
            anchor: anchorTo(survey, number, node),
            template: templateWords(survey, number),
        },
        set: `links to (${setOf(survey, node)}) via template ${quoted(name, true)}`,
        about: pages,
    };
}

const mostFirst = <E extends { about: number }>(edits: E[]): E[] =>
    edits.sort((a, b) => b.about - a.about).slice(0, MOST_OF_A_KIND);

export const LINK_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'link-to-error',
        severity: 'fault',
        looks: 'link',
        name: 'Link to an error',
        fires: 'A link whose target answered with 400 or above, or not at all.',
        quiet: 'Targets that robots.txt closes, and those that were not asked for.',
        why: 'Readers end at an error, and what the link gives is lost.',
        advice: 'Mend it once in the template that holds it; else restore the target or redirect it.',
        ofTarget: ({ survey }) => {
            const [status, allowed, lost] = [
                survey.numbers('status'),
                survey.numbers('robots_allowed'),
                lostOf(survey),
            ];
            return (to) =>
                lost[to] === 1 && allowed[to] !== 0 && !isMoved(status[to]!)
                    ? { params: { url: siteUrl(survey, to), status: status[to]! } }
                    : null;
        },
        edits: ({ survey }) => {
            const edits = lostTargets(survey)
                .filter(({ closed }) => !closed)
                .flatMap(({ node, status, cost, pages, templates }): EditOf<'link-to-error'>[] =>
                    templates.length === 0
                        ? [
                              {
                                  severity: 'fault',
                                  params: { url: siteUrl(survey, node), anchor: '', template: null, status },
                                  set: `links to (${setOf(survey, node)})`,
                                  cost,
                                  about: pages,
                              },
                          ]
                        : templates.slice(0, MOST_TEMPLATES).map((number) => {
                              const { params, ...edit } = templateEdit(survey, number, node);
                              return { ...edit, severity: 'fault', params: { ...params, status }, cost };
                          }),
                );
            return mostFirst(edits);
        },
    }),
    defineCheck({
        id: 'link-to-redirect',
        severity: 'risk',
        looks: 'link',
        name: 'Link to a redirect',
        fires: 'A link whose target redirects; as an edit, a link of a template to what has moved for good (301, 308).',
        quiet: 'Refreshes after a delay.',
        why: 'Every reader and every visit pays the detour.',
        advice: 'Point the link at where the redirect ends.',
        ofTarget: ({ survey }) => {
            const [status, allowed] = [survey.numbers('status'), survey.numbers('robots_allowed')];
            return (to) =>
                isMoved(status[to]!) && allowed[to] !== 0
                    ? { params: { url: siteUrl(survey, to) }, severity: 'remark' }
                    : null;
        },
        edits: ({ survey }) => {
            const status = survey.numbers('status');
            const redirect = survey.numbers('redirect');
            const moved = templatesTo(survey, (node) => status[node] === 301 || status[node] === 308);
            const edits = [...moved].flatMap(([node, templates]): EditOf<'link-to-redirect'>[] => {
                const to = redirect[node]!;
                if (to < 0) return [];
                const end = to < survey.count ? siteUrl(survey, to) : survey.addressUrl(to);
                return templates.slice(0, MOST_TEMPLATES).map((number) => {
                    const { params, ...edit } = templateEdit(survey, number, node);
                    return { ...edit, severity: 'risk', params: { ...params, end }, cost: null };
                });
            });
            return mostFirst(edits);
        },
    }),
    defineCheck({
        id: 'link-to-closed',
        severity: 'risk',
        looks: 'link',
        name: 'Link to what is closed',
        fires: 'A link whose target robots.txt closes to our agent.',
        quiet: 'Targets outside the site.',
        why: 'What the link gives ends there.',
        advice: 'Open the target, or link to what is open.',
        ofTarget: ({ survey }) => {
            const allowed = survey.numbers('robots_allowed');
            return (to) => (allowed[to] === 0 ? { params: { url: siteUrl(survey, to) }, severity: 'remark' } : null);
        },
    }),
];
