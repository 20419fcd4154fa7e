import { describe, expect, it } from 'vitest';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { RobotsFiles, type OriginRobots } from './robots-files.ts';
import { problem } from '../../core/problems/problem.ts';

const O = 'https://a.example';

function answer(status: number, body = '', headers: Record<string, string> = {}): Answer {
    return {
        ok: true,
        status,
        headers: new Map(Object.entries(headers).map(([name, value]) => [name, [value]])),
        sentType: 'text/plain',
        body: Buffer.from(body),
        bodyRead: 'all',
        bodyTrouble: null,
        milliseconds: 1,
    };
}

function files(answers: (url: string, time: number) => Answer | NoAnswer): {
    robots: RobotsFiles;
    asked: string[];
    got: OriginRobots[];
} {
    const asked: string[] = [];
    const got: OriginRobots[] = [];
    const robots = new RobotsFiles(
        (url) => {
            asked.push(url);
            return Promise.resolve(answers(url, asked.length));
        },
        'edgemap',
        (found) => got.push(found),
    );
    return { robots, asked, got };
}
const RULES = 'User-agent: *\nDisallow: /shut';

describe('RobotsFiles', () => {
    it('asks for each origin once, however many ask at the same time', async () => {
        const { robots, asked, got } = files(() => answer(200, RULES));
        const verdicts = await Promise.all(['/a', '/shut/x', '/b'].map((path) => robots.verdict(O + path)));
        expect(verdicts.map(({ allowed }) => allowed)).toEqual([true, false, true]);
        expect(verdicts[1]?.rule).toEqual(
            problem('robots-rule', { allows: false, pattern: '/shut', file: `${O}/robots.txt`, line: 2 }),
        );
        expect(asked).toEqual([`${O}/robots.txt`]);
        expect(got).toHaveLength(1);
    });

    it('follows five redirects and no sixth (RFC 9309 2.3.1.2), which counts as no rules', async () => {
        const chain = (length: number) =>
            files((url) => {
                const n = Number(/hop-(\d)/.exec(url)?.[1] ?? 0);
                return n < length ? answer(301, '', { location: `/hop-${n + 1}` }) : answer(200, RULES);
            });
        const five = chain(5);
        expect((await five.robots.verdict(`${O}/shut`)).allowed).toBe(false);
        expect(five.asked).toHaveLength(6);
        const six = chain(6);
        expect((await six.robots.verdict(`${O}/shut`)).allowed).toBe(true);
        expect(six.asked).toHaveLength(6);
    });

    it('asks a busy server three times, then takes it for no rules', async () => {
        const busy = (times: number) =>
            files((_, time) => (time <= times ? answer(429, '', { 'retry-after': '0' }) : answer(200, RULES)));
        const twice = busy(2);
        expect((await twice.robots.verdict(`${O}/shut`)).allowed).toBe(false);
        expect(twice.asked).toHaveLength(3);
        const always = busy(99);
        expect((await always.robots.verdict(`${O}/shut`)).allowed).toBe(true);
        expect(always.asked).toHaveLength(3);
    });

    it.each([
        [200, false],
        [404, true],
        [401, true],
        [410, true],
        [500, false],
        [503, false],
    ])('that answers %i opens what a rule would close: %s', async (status, open) => {
        const { robots } = files(() => answer(status, RULES));
        expect((await robots.verdict(`${O}/shut`)).allowed).toBe(open);
    });

    it('closes all where nobody answers, and says why', async () => {
        const { robots } = files(() => ({
            ok: false,
            code: 'refused',
            problem: problem('refused', { host: 'a.example' }),
        }));
        const verdict = await robots.verdict(`${O}/a`);
        expect(verdict.allowed).toBe(false);
        expect(verdict.noAnswer?.code).toBe('refused');
    });
});
