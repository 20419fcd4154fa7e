/**
 * What every route does, method by method: what `authorize` is asked before the route answers. `docs/routes.md` is made of
 * it; a test holds it against the tree of routes, so that no route can be added without saying what it does.
 */
import type { Act } from './authorize.ts';

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';
export type RouteActs = Partial<Record<Method, Act>>;

const SEE: RouteActs = { GET: 'see' };
const SITE = '/api/v1/sites/[site]';
const SURVEY = `${SITE}/surveys/[survey]`;
const VIEW = '/sites/[site]/[survey]';

export const ROUTE_ACTS: Readonly<Record<string, RouteActs>> = {
    '/': SEE,
    '/door': { GET: 'see', POST: 'knock' },
    '/sites': SEE,
    '/sites/new': { GET: 'see', POST: 'add' },
    '/sites/[site]': SEE,
    '/sites/[site]/door': { GET: 'see', POST: 'knock' },
    '/sites/[site]/new-survey': { GET: 'see', POST: 'survey' },

    [`${VIEW}/brief`]: SEE,
    [`${VIEW}/reach`]: SEE,
    [`${VIEW}/orphans`]: SEE,
    [`${VIEW}/templates`]: SEE,
    [`${VIEW}/structure`]: { GET: 'see', POST: 'say' },
    [`${VIEW}/weight`]: SEE,
    [`${VIEW}/anchors`]: SEE,
    [`${VIEW}/same-words`]: SEE,
    [`${VIEW}/map`]: SEE,
    [`${VIEW}/around`]: SEE,
    [`${VIEW}/journey`]: SEE,
    [`${VIEW}/proposals`]: SEE,
    [`${VIEW}/wording`]: SEE,
    [`${VIEW}/laid-aside`]: SEE,
    [`${VIEW}/pages`]: SEE,
    [`${VIEW}/links`]: SEE,
    [`${VIEW}/progress`]: SEE,
    [`${VIEW}/completeness`]: SEE,
    [`${VIEW}/evidence`]: { GET: 'see', POST: 'bring' },
    [`${VIEW}/canonicals`]: SEE,
    [`${VIEW}/variants`]: SEE,
    [`${VIEW}/languages`]: SEE,
    [`${VIEW}/spent`]: SEE,
    [`${VIEW}/causes`]: SEE,
    [`${VIEW}/checks`]: SEE,
    [`${VIEW}/gates`]: SEE,
    [`${VIEW}/robots`]: SEE,
    [`${VIEW}/sitemaps`]: SEE,
    [`${VIEW}/links-in`]: SEE,
    [`${VIEW}/hosts`]: SEE,
    [`${VIEW}/source`]: SEE,

    [`${SITE}/acceptances`]: { GET: 'see', POST: 'say', DELETE: 'say' },
    [`${SITE}/checks`]: { GET: 'see', PUT: 'say' },
    [`${SITE}/robots-proposals`]: { GET: 'see', PUT: 'say', DELETE: 'say' },
    [`${SITE}/laid-changes`]: { GET: 'see', POST: 'say', DELETE: 'say' },
    [`${SITE}/laid-changes.csv`]: SEE,
    [`${SITE}/proposal-answers`]: { GET: 'see', POST: 'say' },
    // Asks for an address of somebody's choice, or takes a file: nothing is kept.
    [`${SITE}/robots-live`]: { POST: 'knock' },
    [`${SITE}/sitemap-judge`]: { POST: 'knock' },
    [`${SITE}/generic-words`]: { GET: 'see', PUT: 'say' },
    [`${SITE}/subjects`]: { GET: 'see', PUT: 'say' },
    [`${SITE}/wanted-links`]: { GET: 'see', PUT: 'say' },
    [`${SITE}/goals`]: { GET: 'see', PUT: 'say' },
    [`${SITE}/notes`]: { GET: 'see', POST: 'say', DELETE: 'say' },
    [`${SITE}/priorities`]: { GET: 'see', POST: 'say' },
    [`${SITE}/sets`]: { GET: 'see', POST: 'say', DELETE: 'say' },
    // A form that is filled in and not sent yet: nothing is kept of it.
    [`${SITE}/rules-preview`]: { POST: 'see' },

    [`${SURVEY}/anchor-sentences`]: SEE,
    [`${SURVEY}/generic-words`]: SEE,
    [`${SURVEY}/proposal-run`]: { GET: 'see', POST: 'say', DELETE: 'say' },
    [`${SURVEY}/proposals`]: SEE,
    [`${SURVEY}/proposals.csv`]: SEE,
    [`${SURVEY}/proposals/other`]: SEE,
    // A text that is no page yet: nothing is kept of it.
    [`${SURVEY}/proposals/outward`]: { GET: 'see', POST: 'see' },
    [`${SURVEY}/causes`]: SEE,
    [`${SURVEY}/complete`]: SEE,
    [`${SURVEY}/families.csv`]: SEE,
    [`${SURVEY}/graph.graphml`]: SEE,
    // Sets that are longer than an address may be come as a body.
    // Asks for an address of somebody's choice, or takes a file: nothing is kept.
    [`${SURVEY}/sitemap-judge`]: { POST: 'knock' },
    [`${SURVEY}/findings.csv`]: SEE,
    [`${SURVEY}/findings.ndjson`]: SEE,
    [`${SURVEY}/links`]: { GET: 'see', POST: 'see' },
    [`${SURVEY}/links.csv`]: SEE,
    [`${SURVEY}/links.ndjson`]: SEE,
    [`${SURVEY}/measures`]: SEE,
    [`${SURVEY}/packed/[part]`]: SEE,
    [`${SURVEY}/page-classes`]: { POST: 'see' },
    [`${SURVEY}/pages`]: { GET: 'see', POST: 'see' },
    [`${SURVEY}/pages.csv`]: SEE,
    [`${SURVEY}/pages.ndjson`]: SEE,
    [`${SURVEY}/path`]: SEE,
    [`${SURVEY}/progress`]: SEE,
    [`${SURVEY}/sitemap-build`]: SEE,
    [`${SURVEY}/sitemap-build/files`]: SEE,
    [`${SURVEY}/summary.json`]: SEE,

    [`${SURVEY}/evidence`]: { GET: 'see', POST: 'bring' },
    [`${SURVEY}/evidence/[upload]`]: { POST: 'bring' },
    [`${SURVEY}/evidence/[upload]/bad.csv`]: SEE,
    [`${SURVEY}/evidence/[upload]/unmatched.csv`]: SEE,

    [`${SURVEY}/decisions`]: { POST: 'survey' },
    [`${SURVEY}/pause`]: { POST: 'survey' },
    [`${SURVEY}/resume`]: { POST: 'survey' },
    [`${SURVEY}/spot`]: { POST: 'survey' },
    [`${SURVEY}/stop`]: { POST: 'survey' },
    [`${SURVEY}/delete`]: { POST: 'remove' },
};

const isMethod = (method: string): method is Method => ['GET', 'POST', 'PUT', 'DELETE'].includes(method);

/**
 * What a request to a route does; null for a method the route has not, which is refused anyway.
 * @throws for a route that says not what it does: it has to be added above
 */
export function actOf(route: string, method: string): Act | null {
    const acts = ROUTE_ACTS[route];
    if (!acts) throw new Error(`the route ${route} is not in ROUTE_ACTS`);
    const asked = method === 'HEAD' ? 'GET' : method;
    return isMethod(asked) ? (acts[asked] ?? null) : null;
}
