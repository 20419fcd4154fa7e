import { log } from '$lib/server/process/log.ts';
import { error, type Handle, type HandleServerError } from '@sveltejs/kit';
import { appFolder, RevisionLost, SurveyGone } from '$lib/server/app.ts';
import { authorize } from '$lib/server/access/authorize.ts';
import { actOf } from '$lib/server/access/route-acts.ts';
import { contextOf, named } from '$lib/server/request-context.ts';
import { noteQuery, queriesAsked, withMemo } from '$lib/server/request-memo.ts';
import { isFull, sayFull } from '$lib/server/process/disk-space.ts';
import { watchQueries } from '$lib/server/store/connect.ts';
import { isOwnOrigin } from '$lib/server/access/guard.ts';

// Who looks into what requests ask of the database sees it in the log.
if (process.env.EDGEMAP_LOG === 'debug') watchQueries(noteQuery);

const CHANGING = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

export const handle: Handle = async ({ event, resolve }) => {
    const { request } = event;
    if (CHANGING.has(request.method) && !isOwnOrigin(request.headers.get('origin'), request.headers.get('host'))) {
        const message = 'This change was asked for by another site and was not made.';
        return event.url.pathname.startsWith('/api/')
            ? Response.json({ message }, { status: 403 })
            : new Response(`${message}\n`, { status: 403 });
    }
    if (CHANGING.has(request.method) && /^\d+\.\d+$/.test(event.params.survey ?? '')) {
        const message = 'An earlier revision can be looked at and not changed; leave out what stands after the point.';
        return Response.json({ message }, { status: 409 });
    }
    if (event.route.id === null && event.url.pathname.startsWith('/api/')) {
        return Response.json({ message: 'There is nothing at this address.' }, { status: 404 });
    }
    /** The answer of the route, once it is known what is asked about, and that whoever asks may. */
    async function answer(): Promise<Response> {
        const about = await named(event.params);
        const context = contextOf(about, event.url, (say) => error(404, say));
        Object.defineProperties(event.locals, Object.getOwnPropertyDescriptors(context));
        const act = event.route.id === null ? null : actOf(event.route.id, request.method);
        if (act !== null && !authorize(context.actor, act, about.site?.id ?? null)) {
            return Response.json({ message: 'You may not do that here.' }, { status: 403 });
        }
        const response = await resolve(event);
        log.debug('answered', { route: event.route.id, ...queriesAsked() });
        return response;
    }
    // What a form changed must be asked for again.
    const response = await (request.method === 'GET' ? withMemo(() => answer()) : answer());
    if (!event.locals.isGone || response.status !== 500) return response;
    return new Response(response.body, { status: 404, headers: response.headers });
};

export const handleError: HandleServerError = ({ error, event, status }) => {
    if (status === 404) return { message: 'There is nothing at this address.' };
    if (error instanceof SurveyGone) {
        event.locals.isGone = true;
        return { message: error.message };
    }
    log.error('a request failed', { error, route: event.route.id });
    if (error instanceof RevisionLost) return { message: error.message };
    if (isFull(error)) return { message: `${sayFull(appFolder())} Nothing that was stored is lost.` };
    return {
        message:
            'Something failed on our side; nothing that was stored is lost. Try again, and look into the log folder if it fails again.',
    };
};
