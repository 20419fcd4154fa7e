import type { RequestEvent } from '@sveltejs/kit';
import { describe, expect, it, vi } from 'vitest';
import { log, SurveyGone } from '$lib/server/app.ts';
import { handle, handleError } from './hooks.server.ts';

/** A request whose answer fails with an error, as the framework has it. */
async function failing(error: Error): Promise<{ status: number; body: string; logged: number }> {
    const logged = vi.spyOn(log, 'error').mockReturnValue(undefined);
    const event = {
        locals: {},
        params: {},
        route: { id: '/sites/[site]/[survey]/brief' },
        url: new URL('http://127.0.0.1:4300/sites/1/1/brief'),
        request: new Request('http://127.0.0.1:4300/sites/1/1/brief'),
    } as unknown as RequestEvent;
    const response = await handle({
        event,
        resolve: async () => {
            const said = await handleError({ error, event, status: 500, message: 'Internal Error' });
            return new Response(said?.message ?? '', { status: 500, headers: { 'x-kept': 'yes' } });
        },
    });
    const calls = logged.mock.calls.length;
    logged.mockRestore();
    expect(response.headers.get('x-kept')).toBe('yes');
    return { status: response.status, body: await response.text(), logged: calls };
}

describe('an answer that fails', () => {
    it('because the survey was deleted meanwhile is a 404, and no fault of ours', async () => {
        expect(await failing(new SurveyGone('It was deleted.'))).toEqual({
            status: 404,
            body: 'It was deleted.',
            logged: 0,
        });
    });

    it('for another reason is a 500 that goes into the log, and tells nothing of the inside', async () => {
        const { status, body, logged } = await failing(new Error('inside words'));
        expect({ status, logged }).toEqual({ status: 500, logged: 1 });
        expect(body).not.toContain('inside words');
    });
});
