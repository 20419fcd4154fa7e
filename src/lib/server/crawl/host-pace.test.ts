import { describe, expect, it, vi } from 'vitest';
import { HostPaces } from './host-pace.ts';

const wait = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds));
const NEVER = new AbortController().signal;
const URL_A = 'https://a.example/x';

/** Does requests of the given time and tells the most that were under way at once, and when each began. */
async function busy(
    paces: HostPaces,
    count: number,
    milliseconds: number,
    url = URL_A,
): Promise<{ most: number; began: number[] }> {
    let now = 0;
    let most = 0;
    const began: number[] = [];
    await Promise.all(
        Array.from({ length: count }, () =>
            paces.take(url, NEVER, async (onHead) => {
                began.push(Date.now());
                most = Math.max(most, ++now);
                await wait(milliseconds);
                onHead();
                now--;
            }),
        ),
    );
    return { most, began };
}

describe('HostPaces', () => {
    it('never has more connections to a host than allowed, and uses what is allowed', async () => {
        const paces = new HostPaces({ concurrency: 3, delay: 0, useCrawlDelay: false });
        expect((await busy(paces, 20, 5)).most).toBe(3);
    });

    it('gives up the turn of work that failed', async () => {
        const paces = new HostPaces({ concurrency: 1, delay: 0, useCrawlDelay: false });
        const failing = paces.take(URL_A, NEVER, () => Promise.reject(new Error('broke off')));
        await expect(failing).rejects.toThrow('broke off');
        expect(await paces.take(URL_A, NEVER, async () => 'next')).toBe('next');
    });

    it('counts each host by itself', async () => {
        const paces = new HostPaces({ concurrency: 1, delay: 0, useCrawlDelay: false });
        const hosts = ['a', 'b', 'c', 'd'];
        // Each request ends only when all four hosts are being asked: were they counted together, none ever would.
        let under = 0;
        let allUnder = (): void => undefined;
        const together = new Promise<void>((resolve) => (allUnder = resolve));
        await Promise.all(
            hosts.map((name) =>
                paces.take(`https://${name}.example/`, NEVER, async () => {
                    if (++under === hosts.length) allUnder();
                    await together;
                }),
            ),
        );
        expect(under).toBe(4);
    });

    it('keeps the time between requests, also with many connections', async () => {
        const paces = new HostPaces({ concurrency: 4, delay: 40, useCrawlDelay: false });
        const { began } = await busy(paces, 5, 1);
        for (let index = 1; index < began.length; index++) {
            // Timers count in whole milliseconds.
            expect(began[index]! - began[index - 1]!).toBeGreaterThanOrEqual(39);
        }
    });

    it('keeps to a Crawl-delay only where it is told to', async () => {
        const keeping = new HostPaces({ concurrency: 4, delay: 0, useCrawlDelay: true });
        keeping.setCrawlDelay('a.example', 0.05);
        const { began } = await busy(keeping, 3, 1);
        expect(began[2]! - began[0]!).toBeGreaterThanOrEqual(98);
        const showing = new HostPaces({ concurrency: 4, delay: 0, useCrawlDelay: false });
        showing.setCrawlDelay('a.example', 5);
        await busy(showing, 3, 1);
        expect(showing.progress()[0]).toMatchObject({ crawlDelay: 5, delay: 0, asked: 3 });
    });

    it('rests when it is told to, has fewer connections then, and more again after good answers', async () => {
        const paces = new HostPaces({ concurrency: 4, delay: 0, useCrawlDelay: false });
        await busy(paces, 4, 1);
        const paused = Date.now();
        paces.pause(URL_A, 80, 'answered 503');
        expect(paces.pausedFor().say).toMatch(/^a\.example answered 503; going on in 1 s$/);
        const { began, most } = await busy(paces, 10, 2);
        expect(began[0]! - paused).toBeGreaterThanOrEqual(78);
        expect(most).toBe(2);
        await busy(paces, 60, 1);
        expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: '' });
    });

    it('has fewer connections to a host that takes ever longer to answer, and says so', async () => {
        vi.useFakeTimers();
        try {
            const paces = new HostPaces({ concurrency: 4, delay: 0, useCrawlDelay: false });
            const answers = async (count: number, milliseconds: number): Promise<void> => {
                const all = busy(paces, count, milliseconds);
                await vi.runAllTimersAsync();
                await all;
            };
            await answers(40, 100);
            expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: '' });
            // Ten times as long as at first, and longer than anybody likes to wait.
            await answers(60, 1000);
            const slowed = paces.progress()[0]!;
            expect(slowed.allowed).toBeLessThan(4);
            expect(slowed.slowed).toMatch(/^takes \d+ times as long to answer as at first$/);
            await answers(200, 100);
            expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: '' });
        } finally {
            vi.useRealTimers();
        }
    });

    it('does not mind a host that is slow from the first answer on', async () => {
        vi.useFakeTimers();
        try {
            const paces = new HostPaces({ concurrency: 4, delay: 0, useCrawlDelay: false });
            const all = busy(paces, 100, 2000);
            await vi.runAllTimersAsync();
            await all;
            expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: '' });
        } finally {
            vi.useRealTimers();
        }
    });

    it('gives up waiting when everything stops', async () => {
        const paces = new HostPaces({ concurrency: 1, delay: 60_000, useCrawlDelay: false });
        const stop = new AbortController();
        await paces.take(URL_A, stop.signal, async () => undefined);
        const second = paces.take(URL_A, stop.signal, async () => 'done');
        stop.abort();
        expect(await second).toBeNull();
        expect(await paces.take(URL_A, stop.signal, async () => 'done')).toBeNull();
        paces.close();
    });
});
