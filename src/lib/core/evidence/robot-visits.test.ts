import { describe, expect, it } from 'vitest';
import { robotFinder } from './robot-agents.ts';
import { AccessLogReader } from '../formats/access-log.ts';
import { robotName } from './robot-visits.ts';

describe('the name of a robot', () => {
    it.each([
        ['AnyBrowser/5.0 (compatible; OtterBot/2.1; +https://otter.example/bot)', 'OtterBot'],
        ['CountyCrawler/3.1 (+https://crawler.example/about)', 'CountyCrawler'],
        ['FeedFetch/1.1', 'FeedFetch'],
        ['curl/8.1', 'curl'],
        ['uptime-monitor/2 (watch.example)', 'uptime-monitor'],
        ['-', 'without a name'],
        ['', 'without a name'],
    ])('%s: %s', (agent, name) => {
        expect(robotName(agent)).toBe(name);
    });
});

describe('what robots asked for', () => {
    const line = (request: string, status: number, agent: string, second = 0): string =>
        `198.51.100.7 - - [10/Mar/2026:13:55:${String(10 + second)} +0000] "${request}" ${status} 1 "-" "${agent}"\n`;
    const BOT = 'OtterBot/2';
    function visitsOf(text: string, mostVisits?: number) {
        const log = new AccessLogReader({
            isRobot: robotFinder(),
            ...(mostVisits === undefined ? {} : { mostVisits }),
        });
        log.push(new TextEncoder().encode(text));
        log.end();
        return { visits: [...log.visits()], log };
    }

    it('is counted by robot and URL, whatever the answer; people are not', () => {
        const { visits, log } = visitsOf(
            line('GET /a HTTP/1.1', 200, BOT) +
                line('GET /a HTTP/1.1', 304, BOT, 1) +
                line('HEAD /a HTTP/1.1', 206, BOT, 2) +
                line('GET /a HTTP/1.1', 301, BOT, 3) +
                line('GET /a HTTP/1.1', 404, BOT, 4) +
                line('GET /a HTTP/1.1', 503, BOT, 5) +
                line('GET /a HTTP/1.1', 200, 'FeedFetch/1', 6) +
                line('POST /a HTTP/1.1', 200, BOT, 7) +
                line('GET /a HTTP/1.1', 200, 'AnyBrowser/14 (desk; en)', 8) +
                line('GET /b?x="1" HTTP/1.1', 404, BOT).replace('"1"', '\\"1\\"'),
        );
        expect(visits).toEqual([
            { agent: BOT, host: '', target: '/a', fine: 3, redirect: 1, error: 2 },
            { agent: 'FeedFetch/1', host: '', target: '/a', fine: 1, redirect: 0, error: 0 },
            { agent: BOT, host: '', target: '/b?x="1"', fine: 0, redirect: 0, error: 1 },
        ]);
        expect(log.robots.first).toBe(Date.UTC(2026, 2, 10, 13, 55, 10));
        expect(log.robots.last).toBe(Date.UTC(2026, 2, 10, 13, 55, 16));
        // Hits are counted as before: GET with 200.
        expect([...log.targets()].map(({ hits, robotHits }) => [hits, robotHits])).toEqual([[1, 2]]);
    });

    it('is bounded, and what is left out is counted', () => {
        const text = Array.from({ length: 3_000 }, (_, n) => line(`GET /${n} HTTP/1.1`, 200, BOT)).join('');
        expect(visitsOf(text).visits).toHaveLength(3_000);
        const { visits, log } = visitsOf(text, 1_000);
        expect([visits.length, log.robots.left]).toEqual([1_000, 2_000]);
    });

    it('is nothing in a log that does not tell who asked', () => {
        expect(visitsOf('198.51.100.7 - - [10/Mar/2026:13:55:36 +0000] "GET /a HTTP/1.1" 200 1\n').visits).toEqual([]);
    });
});
