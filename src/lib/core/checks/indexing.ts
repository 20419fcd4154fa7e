/** What may be indexed? Gates, rules of robots.txt, sitemaps and canonicals. */
import { gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { problemAt } from '../packed/gate-reason.ts';
import { quoteRule } from '../robots/decide.ts';
import { defineCheck, when, type Check } from './check.ts';
import { answersRoot, isListed, ruleRoot } from './roots.ts';

/** The gate a page stops at; null for what passes all, or cannot be told. */
function stopsAt(survey: PackedSurvey, node: number): Gate | null {
    const gate = gateOf(survey.numbers('gate')[node]!);
    return gate === 'indexable' ? null : gate;
}

/** What closes URLs that a sitemap lists: the first of them, and how many; the most first. */
function closedAndListed(survey: PackedSurvey): { first: number; about: number }[] {
    const allowed = survey.numbers('robots_allowed');
    const codes = survey.numbers('robots_rule');
    const closed = new Map<number, { first: number; about: number }>();
    for (let node = 0; node < survey.count; node++) {
        if (allowed[node] !== 0 || !isListed(survey, node)) continue;
        const known = closed.get(codes[node]!);
        if (known) known.about++;
        else closed.set(codes[node]!, { first: node, about: 1 });
    }
    return [...closed.values()].sort((a, b) => b.about - a.about);
}

export const INDEXING_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'noindex-unseen',
        severity: 'fault',
        looks: 'page',
        name: 'A noindex nobody reads',
        fires: 'A page that robots.txt closes, and that says noindex.',
        quiet: 'Closed pages of which nothing was read: what they say is not known.',
        why: 'While it is closed nobody reads the noindex, and its address can be indexed all the same.',
        advice: 'Open it until it is gone from the index, then close it.',
        ofPage: ({ survey }) => {
            const [allowed, noindex] = [survey.numbers('robots_allowed'), survey.numbers('noindex')];
            return (node) => when(allowed[node] === 0 && noindex[node] === 1, {});
        },
        cause: ruleRoot,
    }),
    defineCheck({
        id: 'robots-closes-wanted',
        severity: 'fault',
        looks: 'file',
        name: 'A rule that closes what is listed',
        fires: 'A rule of robots.txt that closes what a sitemap lists.',
        quiet: 'Closed URLs that no sitemap lists.',
        why: 'The sitemap asks for what the rule forbids: one of the two is wrong.',
        advice: 'Narrow the rule, or take what it closes out of the sitemap.',
        needsSitemap: true,
        ofFiles: ({ survey }) =>
            closedAndListed(survey).flatMap(({ first, about }) => {
                const why = problemAt(survey, 'robots_rule', first);
                if (why?.code !== 'robots-rule') return [];
                const { file, line, allows, pattern } = why.params;
                return [{ params: { rule: quoteRule({ allow: allows, pattern }), pages: about }, file, line }];
            }),
    }),
    defineCheck({
        id: 'sitemap-lists-stopped',
        severity: 'fault',
        looks: 'page',
        name: 'Listed, and stopped',
        fires: 'A URL that a sitemap lists and that stops at a gate; at the gate redirect it is a risk.',
        quiet: 'URLs whose gates are not known.',
        why: 'A sitemap is a list of what should be indexed.',
        advice: 'Take it out of the sitemap, or mend what stops it.',
        ofPage:
            ({ survey }) =>
            (node) => {
                const gate = stopsAt(survey, node);
                if (gate === null || !isListed(survey, node)) return null;
                return gate === 'redirect' ? { params: { gate }, severity: 'risk' } : { params: { gate } };
            },
        cause: (view) => {
            const [rule, answers] = [ruleRoot(view), answersRoot(view)];
            return (node) => {
                const gate = stopsAt(view.survey, node)!;
                if (gate === 'robots') return rule(node);
                if (gate === 'response') return answers(node);
                return { kind: 'stops', params: { gate, spread: { of: 'some' } } };
            };
        },
    }),
    defineCheck({
        id: 'sitemap-lacks',
        severity: 'risk',
        looks: 'page',
        name: 'Not in a sitemap',
        fires: 'An indexable page that no sitemap lists, where one could be read.',
        quiet: 'Sites without a sitemap.',
        why: 'New and deep pages are found later.',
        advice: 'List it.',
        needsSitemap: true,
        ofPage: ({ survey }) => {
            const gate = survey.numbers('gate');
            return (node) => when(gateOf(gate[node]!) === 'indexable' && !isListed(survey, node), {});
        },
    }),
    defineCheck({
        id: 'server-error',
        severity: 'fault',
        looks: 'page',
        name: 'Server error',
        fires: 'A URL that answers with 500 or above.',
        quiet: 'Errors that say that nothing is there (404, 410).',
        why: 'Who asks is told nothing, and whoever indexes comes less often.',
        advice: 'Find the error in the log of the server.',
        ofPage: ({ survey }) => {
            const status = survey.numbers('status');
            return (node) => (status[node]! >= 500 ? { params: { status: status[node]! } } : null);
        },
        cause: answersRoot,
    }),
    defineCheck({
        id: 'type-lies',
        severity: 'risk',
        looks: 'page',
        name: 'Odd content type',
        fires: 'An answer without a content type, or with another than its first bytes show.',
        quiet: 'Types that say what is there.',
        why: 'What reads it has to guess, and guesses differ.',
        advice: 'Let the server send the type of what it sends.',
        ofPage: ({ survey }) => {
            const note = survey.numbers('type_note');
            return (node) => (note[node] === 0 ? null : { params: { why: problemAt(survey, 'type_note', node) } });
        },
    }),
    defineCheck({
        id: 'body-trouble',
        severity: 'risk',
        looks: 'page',
        name: 'Body not whole',
        fires: 'An answer whose body broke off, was badly packed, had another length than was said, or was too long.',
        quiet: 'Bodies that came whole.',
        why: 'What was not received was not read: links and text of it are not known.',
        advice: 'Let the server send the whole body in the form its headers say.',
        ofPage: ({ survey }) => {
            const trouble = survey.numbers('body_trouble');
            return (node) =>
                trouble[node] === 0 ? null : { params: { why: problemAt(survey, 'body_trouble', node) } };
        },
    }),
];
