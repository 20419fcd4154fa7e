/** Where do redirects end? */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { hostOf } from '../address/address.ts';
import { pointedWays, type PointedWay } from '../graph/pointers.ts';
import { once } from '../kept.ts';
import { defineCheck, thresholdOf, type Check, type Threshold, when } from './check.ts';
import { headLinksOf } from '../packed/head-links.ts';
import { answersBadly, answersRoot, ruleRoot } from './roots.ts';
import { siteUrl } from './site-url.ts';

/** URLs that lead to the start page before it looks like lost content. */
const MANY_TO_START: Threshold = { value: 10, min: 2, max: 1_000_000, unit: 'URLs' };

const REDIRECTS: ReadonlySet<number> = new Set([301, 302, 303, 307, 308]);

/** Every redirect by its way to the end; marked is what robots.txt closes. O(nodes) */
function waysOf(survey: PackedSurvey): ReadonlyMap<number, PointedWay> {
    return once(survey, 'redirect ways', [], () => {
        const [redirect, allowed] = [survey.numbers('redirect'), survey.numbers('robots_allowed')];
        return pointedWays(
            survey.count,
            (node) => redirect[node]!,
            (node) => allowed[node] === 0,
        );
    });
}

const urlOf = (survey: PackedSurvey, address: number): string =>
    address < survey.count ? siteUrl(survey, address) : survey.addressUrl(address);

export const REDIRECT_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'redirect-chain',
        severity: 'risk',
        looks: 'page',
        name: 'Redirect chain',
        fires: 'A redirect that takes two hops or more to where it ends.',
        quiet: 'One hop, and redirects that come back to themselves, which are told as such.',
        why: 'Each hop costs a request, and some give up on the way.',
        advice: 'Let it lead to the end at once.',
        example: '/a leads to /b, and /b to /c',
        ofPage: ({ survey }) => {
            const ways = waysOf(survey);
            return (node) => {
                const way = ways.get(node);
                if (!way || way.isLoop || way.hops < 2) return null;
                return { params: { hops: way.hops, end: urlOf(survey, way.end) } };
            };
        },
    }),
    defineCheck({
        id: 'redirect-loop',
        severity: 'fault',
        looks: 'page',
        name: 'Redirect loop',
        fires: 'A redirect that comes back to where it has been.',
        quiet: 'Chains that end.',
        why: 'Nobody who asks for it gets anything.',
        advice: 'Let one of them answer, or lead out of the circle.',
        example: '/a leads to /b, and /b to /a',
        ofPage: ({ survey }) => {
            const ways = waysOf(survey);
            return (node) => when(ways.get(node)?.isLoop === true, {});
        },
    }),
    defineCheck({
        id: 'redirect-to-error',
        severity: 'fault',
        looks: 'page',
        name: 'Redirect to an error',
        fires: 'A redirect that ends at an answer of 400 or above, or at none.',
        quiet: 'Ends outside the site, and ends that were not asked for.',
        why: 'What the old address had is lost all the same.',
        advice: 'Lead to a page that answers, or let the old address say 404 or 410 itself.',
        example: '/a leads to /b, which answers 404',
        ofPage: ({ survey }) => {
            const [ways, isBad, status] = [waysOf(survey), answersBadly(survey), survey.numbers('status')];
            return (node) => {
                const way = ways.get(node);
                if (!way || way.isLoop || way.end >= survey.count || !isBad(way.end)) return null;
                return { params: { end: urlOf(survey, way.end), status: status[way.end]! } };
            };
        },
        cause: (view) => {
            const [ways, answers] = [waysOf(view.survey), answersRoot(view)];
            return (node) => answers(ways.get(node)!.end);
        },
    }),
    defineCheck({
        id: 'redirect-to-closed',
        severity: 'risk',
        looks: 'page',
        name: 'Redirect into what is closed',
        fires: 'A redirect of which a hop, or the end, is closed by robots.txt.',
        quiet: 'Hops outside the site.',
        why: 'What keeps to robots.txt does not see where it leads.',
        advice: 'Open the end, or lead elsewhere.',
        example: '/a leads to /members/, which robots.txt closes',
        ofPage: ({ survey }) => {
            const ways = waysOf(survey);
            return (node) => {
                const closed = ways.get(node)?.marked ?? -1;
                return closed === -1 ? null : { params: { url: siteUrl(survey, closed) } };
            };
        },
        cause: (view) => {
            const [ways, rule] = [waysOf(view.survey), ruleRoot(view)];
            return (node) => rule(ways.get(node)!.marked);
        },
    }),
    defineCheck({
        id: 'redirect-to-start',
        severity: 'risk',
        looks: 'page',
        name: 'Redirected to the start page',
        fires: `A redirect that ends at the start page, where ${MANY_TO_START.value} URLs of the same origin or more do.`,
        quiet: 'Fewer of them, and other ways to write the host.',
        why: 'Content that went was led to where it is not; readers search again, and indexes take it for gone.',
        advice: 'Lead each to the page that took its place, or let it say 410.',
        example: 'ten old addresses of /courses/ all lead to /',
        threshold: MANY_TO_START,
        ofPage: (view) => {
            const { survey } = view;
            const ways = waysOf(survey);
            const start = survey.head.starts[0] ?? -1;
            const origin = (node: number): string => survey.url(node).split('/', 3).join('/');
            const own = start === -1 ? '' : origin(start);
            const led = [...ways].filter(([node, { end, isLoop }]) => !isLoop && end === start && origin(node) === own);
            const isMany = led.length >= thresholdOf(view, 'redirect-to-start', MANY_TO_START);
            const nodes = new Set(isMany ? led.map(([node]) => node) : []);
            return (node) => when(nodes.has(node), {});
        },
    }),
    defineCheck({
        id: 'redirect-out',
        severity: 'remark',
        looks: 'page',
        name: 'Redirect out of the site',
        fires: 'A redirect that ends outside the site.',
        quiet: 'The same host with or without www.',
        why: 'Readers who meant to stay are somewhere else, and what links give goes there.',
        advice: 'Fine where content has moved there; else lead to a page of the site.',
        example: '/shop leads to https://other.example/',
        ofPage: ({ survey }) => {
            const ways = waysOf(survey);
            const bare = (url: string): string => hostOf(url).replace(/^www\./, '');
            return (node) => {
                const way = ways.get(node);
                if (!way || way.isLoop || way.end < survey.count) return null;
                const end = survey.addressUrl(way.end);
                return bare(end) === bare(survey.url(node)) ? null : { params: { end } };
            };
        },
    }),
    defineCheck({
        id: 'redirect-unusable',
        severity: 'fault',
        looks: 'page',
        name: 'Redirect to nowhere',
        fires: 'An answer of 301, 302, 303, 307 or 308 without a Location that can be used.',
        quiet: '300, 304, 305 and 306, which are no such redirects.',
        why: 'Nobody who asks for it gets anything.',
        advice: 'Send the address it leads to, or answer.',
        example: '`HTTP/1.1 302 Found` without a `Location`',
        ofPage: ({ survey }) => {
            const [status, redirect] = [survey.numbers('status'), survey.numbers('redirect')];
            return (node) =>
                REDIRECTS.has(status[node]!) && redirect[node] === -1 ? { params: { status: status[node]! } } : null;
        },
    }),
    defineCheck({
        id: 'refresh-instant',
        severity: 'risk',
        looks: 'page',
        name: 'Refresh in place of a redirect',
        fires: 'A page that refreshes at once to another address.',
        quiet: 'Refreshes to the page itself.',
        why: 'Some take it for a redirect and some for a page; readers cannot go back.',
        advice: 'Answer 301 with that address.',
        example: '`<meta http-equiv="refresh" content="0; url=/new">`',
        ofPage: ({ survey }) => {
            const [refresh, page] = [survey.numbers('refresh'), survey.numbers('page')];
            return (node) =>
                page[node] === 1 && refresh[node]! >= 0 && refresh[node] !== node
                    ? { params: { end: urlOf(survey, refresh[node]!) } }
                    : null;
        },
    }),
    defineCheck({
        id: 'refresh-delayed',
        severity: 'remark',
        looks: 'page',
        name: 'Refresh after a while',
        fires: 'A page that sends its readers on to another address after a delay.',
        quiet: 'Pages that load themselves again, and refreshes at once, which are told as such.',
        why: 'Readers are moved while they read, and nobody can tell whether the page is still meant.',
        advice: 'Redirect it, or leave it to readers to follow a link.',
        example: '`<meta http-equiv="refresh" content="5; url=/new">`',
        ofPage: ({ survey }) => {
            const { start, link } = headLinksOf(survey, 'meta-refresh');
            const [target, atOnce] = [survey.numbers('link_target'), survey.numbers('refresh')];
            return (node) => {
                const to = start[node] === start[node + 1] ? -1 : target[link[start[node]!]!]!;
                return to < 0 || to === node || atOnce[node] !== -1 ? null : { params: { end: urlOf(survey, to) } };
            };
        },
    }),
];
