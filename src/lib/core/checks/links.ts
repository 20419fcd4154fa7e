/** Where do links lead? */
import { defineCheck, type Check } from './check.ts';
import { answersBadly, brokenLinkRoot, movedLinkRoot, ruleRoot } from './roots.ts';
import { siteUrl } from './site-url.ts';

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
        followedOnly: true,
        ofTarget: ({ survey }) => {
            const allowed = survey.numbers('robots_allowed');
            return (to) => (allowed[to] === 0 ? { params: { url: siteUrl(survey, to) } } : null);
        },
        cause: ruleRoot,
    }),
];
