/** Where do links lead? */
import { originOf } from '../address/address.ts';
import { reasonOf } from '../columns/reason-codes.ts';
import { fieldsOf } from '../sets/fields.ts';
import { defineCheck, FOLLOWED, thresholdOf, type Check, type Threshold } from './check.ts';
import { answersBadly, brokenLinkRoot, movedLinkRoot, ruleRoot, stopsWhereListed } from './roots.ts';
import { siteUrl } from './site-url.ts';

const MANY_LINKS: Threshold = { value: 100, min: 1, max: 100_000, unit: 'links' };

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
        example: '`<a href="/gone">`, which answers 404',
        ofTarget: ({ survey }) => {
            const [isBad, status] = [answersBadly(survey), survey.numbers('status')];
            return (to) => (isBad(to) ? { params: { url: siteUrl(survey, to), status: status[to]! } } : null);
        },
        cause: brokenLinkRoot,
    }),
    defineCheck({
        id: 'link-to-redirect',
        severity: 'risk',
        looks: 'link',
        name: 'Link to a redirect',
        fires: 'A link whose target has moved for good (301, 308); where it redirects otherwise, a remark.',
        quiet: 'Refreshes after a delay.',
        why: 'Every reader and every visit pays the detour.',
        advice: 'Point the link at where the redirect ends.',
        example: '`<a href="/old">`, which answers 301',
        ofTarget: ({ survey }) => {
            const [status, allowed] = [survey.numbers('status'), survey.numbers('robots_allowed')];
            return (to) => {
                const own = status[to]!;
                if (!(own >= 300 && own < 400) || allowed[to] === 0) return null;
                return {
                    params: { url: siteUrl(survey, to) },
                    severity: own === 301 || own === 308 ? 'risk' : 'remark',
                };
            };
        },
        cause: movedLinkRoot,
    }),
    defineCheck({
        id: 'link-to-closed',
        severity: 'risk',
        looks: 'link',
        name: 'Link to what is closed',
        fires: 'A followed link whose target robots.txt closes to our agent.',
        quiet: 'Links that say nofollow, or stand on a page that does. Targets outside the site.',
        why: 'What the link gives ends there.',
        advice: 'Open the target, or link to what is open.',
        example: '`<a href="/members/">`, which robots.txt closes',
        links: FOLLOWED,
        ofTarget: ({ survey }) => {
            const allowed = survey.numbers('robots_allowed');
            return (to) => (allowed[to] === 0 ? { params: { url: siteUrl(survey, to) } } : null);
        },
        cause: ruleRoot,
    }),
    defineCheck({
        id: 'link-to-noindexed',
        severity: 'remark',
        looks: 'link',
        name: 'Link to a noindex',
        fires: 'A followed link from an indexable page to a page that says noindex.',
        quiet: 'Links from pages that may not be indexed themselves; links that say nofollow.',
        why: 'What it gives goes to a page that is in no index.',
        advice: 'Fine where readers need the page; else link to one that may be indexed.',
        example: '`<a href="/quiet">`, which says `noindex`',
        links: { takes: 'followed', from: 'indexable' },
        ofTarget: ({ survey }) => {
            const noindex = survey.numbers('noindex');
            return (to) => (noindex[to] === 1 ? { params: { url: siteUrl(survey, to) } } : null);
        },
        cause: stopsWhereListed('noindex'),
    }),
    defineCheck({
        id: 'link-scheme-down',
        severity: 'risk',
        looks: 'link',
        name: 'Link down to http',
        fires: 'A link from an https page to an http address of the site.',
        quiet: 'Links from http pages, and links out of the site.',
        why: 'The first request of every such visit goes unprotected, and most are redirected back.',
        advice: 'Write https in the link, or leave scheme and host out.',
        example: '`<a href="http://site.example/fees/">` on an https page',
        links: { takes: 'any', from: 'https' },
        ofTarget: ({ survey }) => {
            return (to) => (survey.url(to).startsWith('http:') ? { params: { url: survey.url(to) } } : null);
        },
        cause: ({ survey }) => {
            const ends = survey.numbers('redirect');
            return (to) => {
                const origin = originOf(survey.url(to));
                // Where it redirects to the same path, links are to be written as that has it.
                const end = ends[to]! < 0 ? '' : originOf(survey.addressUrl(ends[to]!));
                const secure = end.startsWith('https:') ? end : origin.replace(/^http:/, 'https:');
                return { kind: 'moved', params: { url: `${origin}/*`, isFolder: true, end: `${secure}/` } };
            };
        },
    }),
    defineCheck({
        id: 'nofollow-inside',
        severity: 'risk',
        looks: 'link',
        name: 'Declined link inside the site',
        fires: 'A link to a page of the site that says nofollow, or stands on a page that does.',
        quiet: 'Links to actions, and to what robots.txt closes.',
        why: 'What it would give is lost; it goes to no other link in its place.',
        advice: 'Take nofollow away; what nobody should read is closed, or says noindex.',
        example: '`<a rel="nofollow" href="/fees/">`',
        links: { takes: 'declined', from: 'any page' },
        ofTarget: ({ survey }) => {
            const [allowed, left] = [survey.numbers('robots_allowed'), survey.numbers('not_read')];
            return (to) =>
                allowed[to] === 0 || reasonOf(left[to]!) === 'action' ? null : { params: { url: siteUrl(survey, to) } };
        },
    }),
    defineCheck({
        id: 'action-open',
        severity: 'risk',
        looks: 'link',
        name: 'Action that robots may follow',
        fires: 'A followed link to an address that does something (puts into a basket, signs out), open to robots.',
        quiet: 'Links that say nofollow, and addresses that robots.txt closes.',
        why: 'Robots follow it, again and again, and do what it does.',
        advice: 'Close it in robots.txt, or make it a form.',
        example: '`<a href="/basket?add=12">`',
        links: FOLLOWED,
        ofTarget: ({ survey }) => {
            const [allowed, left] = [survey.numbers('robots_allowed'), survey.numbers('not_read')];
            return (to) =>
                reasonOf(left[to]!) === 'action' && allowed[to] !== 0 ? { params: { url: siteUrl(survey, to) } } : null;
        },
    }),
    defineCheck({
        id: 'mixed-follow',
        severity: 'remark',
        looks: 'page',
        name: 'Followed here, declined there',
        fires: 'A page that some links of other pages follow and some decline.',
        quiet: 'Pages that all links follow, or all decline.',
        why: 'One of the two is an oversight.',
        advice: 'Let all links to it say the same.',
        example: 'nine links to /fees/ are followed, one says `nofollow`',
        ofPage: ({ survey }) => {
            const [links, followed] = [survey.numbers('incoming_links'), survey.numbers('incoming_followed')];
            return (node) => {
                const declined = links[node]! - followed[node]!;
                return declined > 0 && followed[node]! > 0 ? { params: { followed: followed[node]!, declined } } : null;
            };
        },
    }),
    defineCheck({
        id: 'many-own-links',
        severity: 'remark',
        looks: 'page',
        name: 'Many links of its own',
        fires: `A page with more than ${MANY_LINKS.value} links outside blocks that other pages have too.`,
        quiet: 'Links of menus and other shared blocks.',
        why: 'Each gives little, and readers do not look through them.',
        advice: 'Part the list, or group it by what readers look for.',
        example: 'an index of 400 links in one list',
        threshold: MANY_LINKS,
        ofPage: (view) => {
            const field = fieldsOf(view.survey).find(({ name }) => name === 'own links');
            const own = field?.kind === 'number' ? field.numbers(view.survey, {}) : new Int32Array(view.survey.count);
            const most = thresholdOf(view, 'many-own-links', MANY_LINKS);
            return (node) => (own[node]! > most ? { params: { links: own[node]! } } : null);
        },
    }),
];
