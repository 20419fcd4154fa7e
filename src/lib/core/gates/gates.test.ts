import { describe, expect, it } from 'vitest';
import { acceptedCanonical, GATES, passGates, type GateFacts } from './gates.ts';
import { told } from '../../../../tests/support/problems.ts';

const GOOD: GateFacts = {
    url: 'https://site.example/a',
    internal: true,
    robotsAllowed: true,
    robotsRule: '',
    status: 200,
    failure: '',
    redirectTo: '',
    instantRefresh: '',
    contentType: 'text/html',
    noindex: false,
    noindexReason: '',
    canonicals: ['https://site.example/a'],
};

const BAD: Record<(typeof GATES)[number], Partial<GateFacts>> = {
    scope: { internal: false },
    robots: { robotsAllowed: false, robotsRule: told('Disallow: /a') },
    response: { status: 404 },
    redirect: { instantRefresh: 'https://site.example/b' },
    type: { contentType: 'application/pdf' },
    noindex: { noindex: true, noindexReason: told('meta robots says noindex') },
    canonical: { canonicals: ['https://site.example/b'] },
};

describe('passGates', () => {
    it('lets a good page pass all seven', () => {
        expect(passGates(GOOD)).toEqual({ gate: 'indexable', reason: null, failed: [] });
    });

    it.each(GATES)('stops at %s, with a reason', (gate) => {
        const result = passGates({ ...GOOD, ...BAD[gate] });
        expect(result.gate).toBe(gate);
        expect(result.reason).not.toBeNull();
    });

    it('stops at the first gate failed and keeps the others', () => {
        const result = passGates({ ...GOOD, ...BAD.canonical, ...BAD.noindex, ...BAD.robots, ...BAD.type });
        expect(result.gate).toBe('robots');
        expect(result.failed.map((item) => item.gate)).toEqual(['robots', 'type', 'noindex', 'canonical']);
    });

    it.each([301, 302, 303, 307, 308])('%i with a Location stops at redirect, without one at response', (status) => {
        expect(passGates({ ...GOOD, status, redirectTo: 'https://site.example/b' }).gate).toBe('redirect');
        expect(passGates({ ...GOOD, status }).gate).toBe('response');
    });

    it.each([204, 300, 304, 400, 404, 410, 500, 503])('%i stops at response', (status) => {
        expect(passGates({ ...GOOD, status, redirectTo: 'https://site.example/b' }).gate).toBe('response');
    });

    it('passes XHTML, no canonical, and several canonicals that void each other', () => {
        expect(passGates({ ...GOOD, contentType: 'application/xhtml+xml', canonicals: [] }).gate).toBe('indexable');
        expect(passGates({ ...GOOD, canonicals: ['https://site.example/b', 'https://site.example/c'] }).gate).toBe(
            'indexable',
        );
        expect(acceptedCanonical(['https://site.example/b'])).toBe('https://site.example/b');
    });

    it('says that it does not know what was not read', () => {
        expect(passGates({ ...GOOD, status: null }).gate).toBeNull();
        expect(passGates({ ...GOOD, status: null, robotsAllowed: null }).gate).toBeNull();
        expect(passGates({ ...GOOD, status: null, failure: told('refused the connection') })).toMatchObject({
            gate: 'response',
            reason: { code: 'told', params: { say: 'refused the connection' } },
        });
        expect(passGates({ ...GOOD, status: null, ...BAD.robots }).gate).toBe('robots');
    });
});
