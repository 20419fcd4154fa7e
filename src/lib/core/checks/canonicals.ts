/** What do canonicals name? One that names the page itself is in order; several different ones void each other (RFC 6596). */
import { gateOf } from '../columns/gate-facts.ts';
import { circlesOf } from '../graph/pointers.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { defineCheck, type Check, type CheckView, when } from './check.ts';
import { answersBadly, answersRoot, stopsWhereListed } from './roots.ts';
import { siteUrl } from './site-url.ts';

/** Likeness in hundredths below which two main texts say different things, and words from which on they are compared. */
const UNLIKE = 30;
const ENOUGH_WORDS = 50;

/** The canonical that counts of each page that names another URL: its address; -1 for none, or the page itself. */
export function acceptedOf(survey: PackedSurvey): (node: number) => number {
    const [start, canonical, page] = [
        survey.numbers('canonical_start'),
        survey.numbers('canonical'),
        survey.numbers('page'),
    ];
    return (node) => {
        const at = start[node]!;
        if (page[node] !== 1 || start[node + 1]! - at !== 1 || canonical[at] === node) return -1;
        return canonical[at]!;
    };
}

/** A check of pages by what their canonical, a page of the site, is. */
const whereCanonical =
    (isSo: (view: CheckView) => (to: number, node: number) => boolean) =>
    (view: CheckView): ((node: number) => { params: { url: string } } | null) => {
        const [accepted, so] = [acceptedOf(view.survey), isSo(view)];
        return (node) => {
            const to = accepted(node);
            if (to < 0 || to >= view.survey.count || !so(to, node)) return null;
            return { params: { url: siteUrl(view.survey, to) } };
        };
    };

export const CANONICAL_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'canonical-several',
        severity: 'fault',
        looks: 'page',
        name: 'Several canonicals',
        fires: 'A page that names different canonicals.',
        quiet: 'The same one twice.',
        why: 'They void each other: none counts.',
        advice: 'Leave one.',
        example: 'two `<link rel="canonical">` with different addresses',
        ofPage: ({ survey }) => {
            const [start, page] = [survey.numbers('canonical_start'), survey.numbers('page')];
            return (node) => {
                const canonicals = start[node + 1]! - start[node]!;
                return page[node] === 1 && canonicals > 1 ? { params: { canonicals } } : null;
            };
        },
    }),
    defineCheck({
        id: 'canonical-to-error',
        severity: 'fault',
        looks: 'page',
        name: 'Canonical at an error',
        fires: 'A page whose canonical answered with 400 or above, or not at all.',
        quiet: 'Canonicals that were not read.',
        why: 'It asks for a page to be indexed that is not there.',
        advice: 'Let the canonical name the page itself, or one that answers.',
        example: '`<link rel="canonical" href="/gone">`, which answers 404',
        ofPage: whereCanonical(({ survey }) => answersBadly(survey)),
        cause: (view) => {
            const [accepted, answers] = [acceptedOf(view.survey), answersRoot(view)];
            return (node) => answers(accepted(node));
        },
    }),
    defineCheck({
        id: 'canonical-to-redirect',
        severity: 'risk',
        looks: 'page',
        name: 'Canonical at a redirect',
        fires: 'A page whose canonical redirects.',
        quiet: 'Canonicals that were not read.',
        why: 'It names a page that says it is elsewhere.',
        advice: 'Let the canonical name the page itself, or one that answers.',
        example: '`<link rel="canonical" href="/old">`, which answers 301',
        ofPage: whereCanonical(({ survey }) => {
            const redirect = survey.numbers('redirect');
            return (to) => redirect[to] !== -1;
        }),
    }),
    defineCheck({
        id: 'canonical-to-closed',
        severity: 'fault',
        looks: 'page',
        name: 'Canonical at what is closed',
        fires: 'A page whose canonical robots.txt closes.',
        quiet: 'Canonicals outside the site.',
        why: 'It hands itself over to a page that nobody may read.',
        advice: 'Open the canonical, or let the page name itself.',
        example: '`<link rel="canonical" href="/members/">`, which robots.txt closes',
        ofPage: whereCanonical(({ survey }) => {
            const allowed = survey.numbers('robots_allowed');
            return (to) => allowed[to] === 0;
        }),
    }),
    defineCheck({
        id: 'canonical-to-noindexed',
        severity: 'fault',
        looks: 'page',
        name: 'Canonical at a noindex',
        fires: 'A page whose canonical says noindex.',
        quiet: 'Canonicals that were not read.',
        why: 'Neither of the two may be indexed.',
        advice: 'Take the noindex away, or let the page name itself.',
        example: '`<link rel="canonical" href="/quiet">`, which says `noindex`',
        ofPage: whereCanonical(({ survey }) => {
            const noindex = survey.numbers('noindex');
            return (to) => noindex[to] === 1;
        }),
    }),
    defineCheck({
        id: 'canonical-chain',
        severity: 'risk',
        looks: 'page',
        name: 'Canonical chain',
        fires: 'A page whose canonical names another page in turn.',
        quiet: 'Canonicals that name themselves, and two that name each other, which are told as a loop.',
        why: 'Whoever follows one step only ends at a page that does not want to be indexed.',
        advice: 'Name the last page of the chain.',
        example: '/a names /b, and /b names /c',
        ofPage: whereCanonical(({ survey }) => {
            const accepted = acceptedOf(survey);
            return (to, node) => {
                const next = accepted(to);
                return next !== -1 && next !== node;
            };
        }),
    }),
    defineCheck({
        id: 'canonical-loop',
        severity: 'fault',
        looks: 'page',
        name: 'Canonical loop',
        fires: 'A page whose canonicals, one after the other, come back to it.',
        quiet: 'A canonical that names the page itself.',
        why: 'Each says that another is meant: none is.',
        advice: 'Settle on one, and let all name it.',
        example: '/a names /b, and /b names /a',
        ofPage: whereCanonical(({ survey }) => {
            const circling = new Set(circlesOf(survey.count, acceptedOf(survey)).flat());
            return (_, node) => circling.has(node);
        }),
    }),
    defineCheck({
        id: 'canonical-out',
        severity: 'risk',
        looks: 'page',
        name: 'Canonical on another site',
        fires: 'A page whose canonical lies outside the site.',
        quiet: 'Canonicals on other hosts of the site.',
        why: 'The page gives itself up for one that is not yours.',
        advice: 'Name the page itself, unless the other is the original.',
        example: '`<link rel="canonical" href="https://other.example/a">`',
        ofPage: ({ survey }) => {
            const accepted = acceptedOf(survey);
            return (node) => {
                const to = accepted(node);
                return to >= survey.count ? { params: { url: survey.addressUrl(to) } } : null;
            };
        },
    }),
    defineCheck({
        id: 'canonical-unlike',
        severity: 'risk',
        looks: 'page',
        name: 'Canonical of another text',
        fires: `A page whose main text has little in common with that of its canonical: a likeness below ${UNLIKE} in a hundred.`,
        quiet: 'Near-doubles, main texts under 50 words, and canonicals that were not read.',
        why: 'It is not the same page: what it says is given up, or the canonical is passed over.',
        advice: 'Let the page name itself, or the one it doubles.',
        example: '/guides/saws names /guides/ as its canonical, and says something else',
        ofPage: ({ survey }) => {
            const [accepted, alike, words] = [
                acceptedOf(survey),
                survey.numbers('canonical_likeness'),
                survey.numbers('main_words'),
            ];
            return (node) => {
                const to = accepted(node);
                if (to < 0 || to >= survey.count || alike[node]! < 0 || alike[node]! >= UNLIKE) return null;
                if (words[node]! < ENOUGH_WORDS || words[to]! < ENOUGH_WORDS) return null;
                return { params: { url: siteUrl(survey, to), likeness: alike[node]! } };
            };
        },
    }),
    defineCheck({
        id: 'noindex-and-canonical',
        severity: 'risk',
        looks: 'page',
        name: 'Noindex beside a canonical',
        fires: 'A page that says noindex, and names another page as its canonical.',
        quiet: 'A canonical that names the page itself.',
        why: 'One says that the page is another, the other that neither is wanted.',
        advice: 'Keep one of the two.',
        example: '`noindex`, and a canonical to another page',
        ofPage: ({ survey }) => {
            const [accepted, noindex] = [acceptedOf(survey), survey.numbers('noindex')];
            return (node) => when(noindex[node] === 1 && accepted(node) !== -1, {});
        },
    }),
    defineCheck({
        id: 'link-to-noncanonical',
        severity: 'risk',
        looks: 'link',
        name: 'Link to what is not canonical',
        fires: 'A link whose target names another page as its canonical.',
        quiet: 'Targets that stop at an earlier gate.',
        why: 'The link gives to a page that gives itself up.',
        advice: 'Link to the canonical.',
        example: '`<a href="/tools?sort=price">`, which names /tools as its canonical',
        ofTarget: ({ survey }) => {
            const gate = survey.numbers('gate');
            return (to) => (gateOf(gate[to]!) === 'canonical' ? { params: { url: siteUrl(survey, to) } } : null);
        },
        // What is listed is mended there; what is not names another page on purpose, and the links are to be mended.
        cause: stopsWhereListed('canonical'),
    }),
];
