import { createServer, type Server } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { ask, siteApi, surveyApi, tell } from './client.ts';

const Number = z.object({ number: z.number() });
let server: Server;
let at = '';

beforeAll(async () => {
    server = createServer((request, response) => {
        const chunks: Buffer[] = [];
        request.on('data', (chunk: Buffer) => chunks.push(chunk));
        request.on('end', () => {
            const { url = '' } = request;
            const [status, body] =
                url === '/fine'
                    ? [200, '{"number":7}']
                    : url === '/refused'
                      ? [409, '{"message":"The survey runs.","doubt":true}']
                      : url === '/broken'
                        ? [500, '<h1>no</h1>']
                        : url === '/odd'
                          ? [200, '{"letter":"a"}']
                          : url === '/empty'
                            ? [204, '']
                            : [
                                  200,
                                  JSON.stringify([
                                      request.method,
                                      request.headers['content-type'],
                                      `${Buffer.concat(chunks)}`,
                                  ]),
                              ];
            if (url === '/slow') return;
            response.writeHead(status).end(body);
        });
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = server.address();
    at = `http://127.0.0.1:${typeof address === 'object' ? address?.port : 0}`;
});
afterAll(() => {
    server.closeAllConnections();
    server.close();
});

describe('asking the server', () => {
    it('gives what was asked for, checked', async () => {
        expect(await ask(Number, `${at}/fine`)).toEqual({ ok: true, data: { number: 7 } });
        expect(await ask(null, `${at}/empty`)).toEqual({ ok: true, data: null });
    });

    it('says why it was refused, in the words of the server where it has some', async () => {
        expect(await ask(Number, `${at}/refused`)).toMatchObject({ ok: false, say: 'The survey runs.', doubt: true });
        expect(await tell(`${at}/broken`, { method: 'POST' })).toBe('That did not work (status 500). Try again.');
        expect(await tell(`${at}/fine`, { method: 'POST' })).toBe('');
    });

    it('says so where there is no answer, or none it knows', async () => {
        expect(await tell('http://127.0.0.1:1/', {})).toBe('The server did not answer. Try again.');
        expect(await ask(Number, `${at}/odd`)).toMatchObject({
            ok: false,
            say: 'The answer was none that this page knows. Load it again.',
        });
    });

    it('says nothing where the page itself called it off', async () => {
        const stop = new AbortController();
        const waiting = ask(Number, `${at}/slow`, { signal: stop.signal });
        stop.abort();
        expect(await waiting).toEqual({ ok: false, say: '', doubt: false, isCalledOff: true });
    });

    it('sends what it is given: data as JSON, a file as bytes, a form as a form', async () => {
        const Echo = z.tuple([z.string(), z.string(), z.string()]);
        const sent = async (body: unknown): Promise<string[]> => {
            const answer = await ask(Echo, `${at}/echo`, { method: 'PUT', body });
            return answer.ok ? answer.data : [];
        };
        expect(await sent({ a: 1 })).toEqual(['PUT', 'application/json', '{"a":1}']);
        expect(await sent(new Blob(['bytes']))).toEqual(['PUT', 'application/octet-stream', 'bytes']);
        const form = new FormData();
        form.set('name', 'value');
        expect((await sent(form))[1]).toMatch(/^multipart\/form-data; boundary=/);
    });

    it('knows where the API has a site and a survey', () => {
        expect(siteApi(3)).toBe('/api/v1/sites/3');
        expect(surveyApi(3, '2.1')).toBe('/api/v1/sites/3/surveys/2.1');
    });
});
