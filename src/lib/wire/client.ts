/** How a page asks the server: one way, every refusal and every silence worded once. */
import type { z } from 'zod';
import { Refusal } from './survey-requests.ts';

export type Answer<T> =
    | { ok: true; data: T }
    /** Why not, as a sentence. `isCalledOff` where the page itself did not want it any more. */
    | { ok: false; say: string; doubt: boolean; isCalledOff: boolean };

export interface Asked {
    method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
    /** Goes as JSON; a file or a form as it is. */
    body?: unknown;
    signal?: AbortSignal;
}

const refused = (say: string, doubt = false): Answer<never> => ({ ok: false, say, doubt, isCalledOff: false });

/**
 * @param schema what the answer has to be; null where only its success matters
 * @param path below our own server
 */
export async function ask<T>(schema: z.ZodType<T>, path: string, asked?: Asked): Promise<Answer<T>>;
export async function ask(schema: null, path: string, asked?: Asked): Promise<Answer<null>>;
export async function ask<T>(
    schema: z.ZodType<T> | null,
    path: string,
    { method = 'GET', body, signal }: Asked = {},
): Promise<Answer<T | null>> {
    let answer: Response;
    try {
        answer = await fetch(path, { method, ...bodyOf(body), ...(signal ? { signal } : {}) });
    } catch {
        if (signal?.aborted) return { ok: false, say: '', doubt: false, isCalledOff: true };
        return refused('The server did not answer. Try again.');
    }
    if (answer.ok && schema === null) return { ok: true, data: null };
    const said: unknown = await answer.json().catch(() => null);
    if (!answer.ok) {
        const refusal = Refusal.safeParse(said);
        return refusal.success
            ? refused(refusal.data.message, refusal.data.doubt ?? false)
            : refused(`That did not work (status ${answer.status}). Try again.`);
    }
    const read = schema!.safeParse(said);
    return read.success
        ? { ok: true, data: read.data }
        : refused('The answer was none that this page knows. Load it again.');
}

/** The same for what only has to be done. @returns why it was not, or nothing */
export async function tell(path: string, asked: Asked): Promise<string> {
    const answer = await ask(null, path, asked);
    return answer.ok ? '' : answer.say;
}

function bodyOf(body: unknown): RequestInit {
    if (body === undefined) return {};
    if (body instanceof FormData) return { body };
    if (body instanceof Blob) return { body, headers: { 'content-type': 'application/octet-stream' } };
    return { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } };
}

/** Where the API has a site, and a survey of it: its number, or number and revision. */
export const siteApi = (site: number): string => `/api/v1/sites/${site}`;
export const surveyApi = (site: number, survey: string | number): string => `${siteApi(site)}/surveys/${survey}`;
