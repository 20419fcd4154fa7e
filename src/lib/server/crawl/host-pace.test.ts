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

/** Does something in simulated time: nothing waits, and every clock says what was waited for. */
async function simulated<T>(work: () => Promise<T>): Promise<T> {
    vi.useFakeTimers();
    try {
        const done = work();
        done.catch(() => undefined);
        let isOver = false;
        void done.finally(() => (isOver = true)).catch(() => undefined);
        while (!isOver) await vi.advanceTimersByTimeAsync(1_000);
        return await done;
    } finally {
        vi.useRealTimers();
    }
}
/** The longest Crawl-delay that is kept to, milliseconds. */
const MOST_KEPT = 60_000;

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
        const began = await simulated(async () => {
            const paces = new HostPaces({ concurrency: 4, delay: 40, useCrawlDelay: false });
            return (await busy(paces, 5, 1)).began;
        });
        for (let index = 1; index < began.length; index++)
            expect(began[index]! - began[index - 1]!).toBeGreaterThanOrEqual(40);
    });

    it('counts that time from the answer, the later one of two', async () => {
        const began = await simulated(async () => {
            const paces = new HostPaces({ concurrency: 2, delay: 100, useCrawlDelay: false });
            return (await busy(paces, 3, 1_000)).began;
        });
        // The second begins a tenth behind the first, the third a tenth behind the first answer, which takes a second.
        expect(began[1]! - began[0]!).toBeGreaterThanOrEqual(100);
        expect(began[2]! - began[0]!).toBeGreaterThanOrEqual(1_100);
    });

    it.each([
        // A delay of the settings, one of robots.txt in seconds, whether it is kept to, and the time between requests.
        [0, 5, true, 5_000],
        [0, 5, false, 0],
        [7_000, 5, true, 7_000],
        [0, null, true, 0],
        [0, 86_400, true, MOST_KEPT],
        [90_000, 86_400, true, 90_000],
    ])('a delay of %i and a Crawl-delay of %s kept %s make %i', async (delay, crawlDelay, useCrawlDelay, between) => {
        const told = await simulated(async () => {
            const paces = new HostPaces({ concurrency: 4, delay, useCrawlDelay });
            paces.setCrawlDelay('a.example', crawlDelay);
            const { began } = await busy(paces, 3, 1);
            return { began, host: paces.progress()[0] };
        });
        expect(told.host).toMatchObject({ crawlDelay, delay: between, asked: 3 });
        expect(told.began[2]! - told.began[1]!).toBeGreaterThanOrEqual(between);
        expect(told.began[2]! - told.began[1]!).toBeLessThanOrEqual(between + 10);
    });

    it('rests when it is told to, has fewer connections then, and more again after good answers', async () => {
        await simulated(async () => {
            const paces = new HostPaces({ concurrency: 4, delay: 0, useCrawlDelay: false });
            await busy(paces, 4, 1);
            const paused = Date.now();
            paces.pause(URL_A, 80, { code: 'answered', status: 503 });
            expect(paces.longestRest()).toMatchObject({ host: 'a.example', why: { code: 'answered', status: 503 } });
            const { began, most } = await busy(paces, 10, 2);
            expect(began[0]! - paused).toBeGreaterThanOrEqual(80);
            expect(most).toBe(2);
            await busy(paces, 60, 1);
            expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: null });
        });
    });

    it('rests for the longer of two pauses, whichever came first', async () => {
        for (const pauses of [
            [10_000, 100],
            [100, 10_000],
        ]) {
            await simulated(async () => {
                const paces = new HostPaces({ concurrency: 4, delay: 0, useCrawlDelay: false });
                const paused = Date.now();
                for (const milliseconds of pauses) paces.pause(URL_A, milliseconds, { code: 'answered', status: 429 });
                const { began } = await busy(paces, 1, 1);
                expect(began[0]! - paused).toBeGreaterThanOrEqual(10_000);
            });
        }
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
            expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: null });
            // Ten times as long as at first, and longer than anybody likes to wait.
            await answers(60, 1000);
            const slowed = paces.progress()[0]!;
            expect(slowed.allowed).toBeLessThan(4);
            expect(slowed.slowed?.code).toBe('slower');
            await answers(200, 100);
            expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: null });
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
            expect(paces.progress()[0]).toMatchObject({ allowed: 4, slowed: null });
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
