import { describe, expect, it } from 'vitest';
import { deciderOf } from './decide.ts';
import { crawlDelayFor, MAX_ROBOTS_BYTES, readRobots, robotsText, rulesFor } from './read-robots.ts';

const isOpen = (robots: string, path: string, agent: string): boolean =>
    deciderOf(rulesFor(readRobots(robots), agent))(`https://site.example${path}`).allowed;

describe('a robots.txt beyond the limit', () => {
    it.each([
        ['LF', '\n'],
        ['CR', '\r'],
    ])('is read to its last whole line, with lines ended by %s', (_, end) => {
        const rule = `Disallow: /closed${end}`;
        const head = `User-agent: *${end}${rule}`;
        // The limit falls into the middle of a line that would close everything.
        const filler = `# ${'x'.repeat(MAX_ROBOTS_BYTES - head.length - 2 - 14)}${end}`;
        const bytes = Buffer.from(`${head}${filler}Disallow: /open-by-the-cut`);
        const text = robotsText(bytes, (kept) => Buffer.from(kept).toString());
        expect(text.endsWith(end)).toBe(true);
        expect(isOpen(text, '/open-by-the-cut', 'edgemap')).toBe(true);
        expect(isOpen(text, '/closed', 'edgemap')).toBe(false);
    });

    it('of one line without an end counts for nothing', () => {
        const bytes = Buffer.from(`Disallow: /${'x'.repeat(MAX_ROBOTS_BYTES)}`);
        expect(robotsText(bytes, (kept) => Buffer.from(kept).toString())).toBe('');
    });
});

describe('product tokens (RFC 9309 2.2.1: letters, "_" and "-")', () => {
    it.each([
        ['edge-map', 'edge-map', false],
        ['edge_map', 'edge_map', false],
        ['edge-map', 'edge', true],
        ['edge', 'edge-map', true],
        ['Edge-Map/2.0', 'edge-map', false],
        ['edge2', 'edge', false],
    ])('a group for %s and the agent %s: open %s', (group, agent, open) => {
        expect(isOpen(`User-agent: ${group}\nDisallow: /`, '/a', agent)).toBe(open);
    });
});

describe('Crawl-delay', () => {
    it('is kept to a day, whatever is asked for', () => {
        const delay = (value: string): number | null =>
            crawlDelayFor(readRobots(`User-agent: *\nCrawl-delay: ${value}\nDisallow: /x`), 'edgemap');
        expect(delay('7')).toBe(7);
        expect(delay('86400')).toBe(86_400);
        expect(delay('99999999')).toBe(86_400);
        expect(delay('soon')).toBeNull();
    });
});
