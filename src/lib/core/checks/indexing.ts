/** What may be indexed? Gates, rules of robots.txt, sitemaps and canonicals. */
import { GATE_INDEXABLE, gateOf } from '../columns/gate-facts.ts';
import { evidenceBit } from '../evidence/evidence.ts';
import type { Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { problemAt } from '../packed/gate-reason.ts';
import { quoteRule } from '../robots/decide.ts';
import { defineCheck, when, type Cause, type Check, type CheckView } from './check.ts';
import { answersRoot, isListed, isWanted, ruleRoot, STOPS } from './roots.ts';

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

/** Hops of a redirect that are looked at for its end. */
const MOST_HOPS = 20;

/** What mends a page that stops: the rule that closes it, the address, or what it says of itself. */
function stoppedRoot(view: CheckView): (node: number) => Cause | null {
    const [rule, answers] = [ruleRoot(view), answersRoot(view)];
    return (node) => {
        const gate = stopsAt(view.survey, node)!;
        if (gate === 'robots') return rule(node);
        if (gate === 'response') return answers(node);
        return STOPS[gate];
    };
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
        example: 'robots.txt: `Disallow: /members/`; /members/join: `<meta name="robots" content="noindex">`',
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
        example: 'robots.txt: `Disallow: /guides/s`; sitemap: `<loc>https://site.example/guides/shears/</loc>`',
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
        example: 'sitemap: `<loc>https://site.example/old</loc>`, which answers 301',
        ofPage:
            ({ survey }) =>
            (node) => {
                const gate = stopsAt(survey, node);
                if (gate === null || !isListed(survey, node)) return null;
                return gate === 'redirect' ? { params: { gate }, severity: 'risk' } : { params: { gate } };
            },
        cause: stoppedRoot,
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
        example: '/guides/saws/ answers 200, may be indexed, and no sitemap has it',
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
        example: '`HTTP/1.1 503 Service Unavailable`',
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
        example: '`Content-Type: text/plain`, and the body begins with `<!doctype html>`',
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
        example: '`Content-Length: 9000`, and 4,096 bytes came',
        ofPage: ({ survey }) => {
            const trouble = survey.numbers('body_trouble');
            return (node) =>
                trouble[node] === 0 ? null : { params: { why: problemAt(survey, 'body_trouble', node) } };
        },
    }),
    defineCheck({
        id: 'stopped-but-wanted',
        severity: 'fault',
        looks: 'page',
        name: 'Wanted, and stopped',
        fires: 'A page with a priority, with visits, or with links from other sites, that stops at a gate.',
        quiet: 'Redirects that end at an indexable page.',
        why: 'What matters to you or to others is not in any index.',
        advice: 'Open it, or lead to what took its place.',
        example: '/fees/ has priority 1 and says `noindex`',
        ofPage: (view) => {
            const { survey } = view;
            const [redirect, gate] = [survey.numbers('redirect'), survey.numbers('gate')];
            const wanted = isWanted(view);
            const endsWell = (node: number): boolean => {
                let at = node;
                for (let hops = 0; hops < MOST_HOPS && at >= 0 && at < survey.count; hops++) {
                    if (gate[at] === GATE_INDEXABLE) return true;
                    at = redirect[at]!;
                }
                return false;
            };
            return (node) => {
                const stops = stopsAt(survey, node);
                return stops === null || !wanted(node) || endsWell(node) ? null : { params: { gate: stops } };
            };
        },
        cause: stoppedRoot,
    }),
    defineCheck({
        id: 'noindex-section',
        severity: 'risk',
        looks: 'page',
        name: 'A section without an index',
        fires: 'A noindexed page of a section of ten pages or more, of which nine tenths are noindexed.',
        quiet: 'Sections of which no page has a priority, visits or links from other sites: a remark there.',
        why: 'A whole section is out of the index: meant for a template, or for a while, and forgotten.',
        advice: 'Take noindex out of the template, or take the section’s links and listings away.',
        example: 'nine of the ten pages of /courses/ say `noindex`',
        ofPage: (view) => {
            const { survey, priorityOf } = view;
            const [noindex, section, page, evidence] = [
                survey.numbers('noindex'),
                survey.numbers('section'),
                survey.numbers('page'),
                survey.numbers('evidence'),
            ];
            const known = new Map<number, { pages: number; noindexed: number; isWanted: boolean }>();
            const outside = evidenceBit('external') | evidenceBit('visits');
            for (let node = 0; node < survey.count; node++) {
                if (page[node] !== 1) continue;
                const own = known.get(section[node]!) ?? { pages: 0, noindexed: 0, isWanted: false };
                own.pages++;
                own.noindexed += noindex[node]!;
                own.isWanted ||= priorityOf(node) > 0 || (evidence[node]! & outside) !== 0;
                known.set(section[node]!, own);
            }
            return (node) => {
                const own = known.get(section[node]!);
                if (page[node] !== 1 || noindex[node] !== 1 || !own) return null;
                if (own.pages < 10 || own.noindexed < own.pages * 0.9) return null;
                return {
                    params: { noindexed: own.noindexed, pages: own.pages },
                    severity: own.isWanted ? 'risk' : 'remark',
                };
            };
        },
    }),
    defineCheck({
        id: 'directive-conflict',
        severity: 'risk',
        looks: 'page',
        name: 'Says both',
        fires: 'A page that says index and noindex, or follow and nofollow, to our agent, in metas or headers.',
        quiet: 'The same twice.',
        why: 'The strictest counts, and whoever wrote the other believes that it does.',
        advice: 'Say one of the two, in one place.',
        example: '`<meta name="robots" content="index">` and `X-Robots-Tag: noindex`',
        ofPage: ({ survey }) => {
            const [metas, headers] = (['meta_robots', 'x_robots_tag'] as const).map((column) => ({
                says: survey.texts(`${column}_words`).all().map(saidIn),
                of: survey.numbers(column),
            }));
            return (node) => {
                const says = metas!.says[metas!.of[node]!]! | headers!.says[headers!.of[node]!]!;
                if ((says & BOTH_INDEX) === BOTH_INDEX) return { params: { both: 'index' } };
                return (says & BOTH_FOLLOW) === BOTH_FOLLOW ? { params: { both: 'follow' } } : null;
            };
        },
    }),
];

/** Directives as bits: index, noindex, follow, nofollow. `none` is noindex and nofollow, `all` the opposite. */
const SAYS: Readonly<Record<string, number>> = { index: 1, noindex: 2, follow: 4, nofollow: 8, all: 5, none: 10 };
const BOTH_INDEX = 3;
const BOTH_FOLLOW = 12;

/** What a text of directives says, as bits. */
function saidIn(text: string): number {
    return text
        .toLowerCase()
        .split(/[\s,:]+/)
        .reduce((bits, token) => bits | (Object.hasOwn(SAYS, token) ? SAYS[token]! : 0), 0);
}
