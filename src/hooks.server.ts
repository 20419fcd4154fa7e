import type { Handle, HandleServerError } from '@sveltejs/kit';
import { isOwnOrigin } from '$lib/server/access/guard.ts';

const CHANGING = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

export const handle: Handle = async ({ event, resolve }) => {
    const { request } = event;
    if (CHANGING.has(request.method) && !isOwnOrigin(request.headers.get('origin'), request.headers.get('host'))) {
        return new Response('This change was asked for by another site and was not made.\n', { status: 403 });
    }
    return resolve(event);
};

export const handleError: HandleServerError = ({ error, status }) => {
    if (status === 404) return { message: 'There is nothing at this address.' };
    console.error(error);
    return {
        message:
            'Something failed on our side; nothing that was stored is lost. Try again, and look into the log folder if it fails again.',
    };
};
