import { describe, expect, it } from 'vitest';
import { linksOf, type Links } from './distinct.ts';
import { lehmer } from './graphs.fixture.ts';
import { shortestPaths } from './shortest-paths.ts';

const none = (nodes: number): Links => linksOf(nodes, [], []);

/** All shortest paths, found by walking every one: the plain way. */
function walked(links: Links, from: number, to: number, without: number): number[][] {
    let paths: number[][] = [[from]];
    const seen = new Set([from]);
    while (paths.length > 0) {
        const there = paths.filter((path) => path.at(-1) === to);
        if (there.length > 0) return there;
        paths = paths.flatMap((path) => {
            const at = path.at(-1)!;
            return Array.from(links.targets.slice(links.start[at], links.start[at + 1]))
                .filter((next) => next !== without && !seen.has(next))
                .map((next) => [...path, next]);
        });
        for (const path of paths) seen.add(path.at(-1)!);
    }
    return [];
}

describe('the shortest paths between two pages', () => {
    it('are as many as walking every one of them finds, through the same pages, with and without one', () => {
        for (let seed = 1; seed <= 40; seed++) {
            const next = lehmer(seed);
            const nodes = 12;
            const edges = new Set(Array.from({ length: 30 }, () => next(nodes) * nodes + next(nodes)));
            const pairs = [...edges].filter((edge) => Math.floor(edge / nodes) !== edge % nodes);
            const links = linksOf(
                nodes,
                pairs.map((edge) => Math.floor(edge / nodes)),
                pairs.map((edge) => edge % nodes),
            );
            for (const without of [-1, 3]) {
                const all = without === 0 || without === 11 ? [] : walked(links, 0, 11, without);
                const told = shortestPaths(links, none(nodes), 0, 11, without);
                if (all.length === 0) {
                    expect(told).toBeNull();
                    continue;
                }
                expect(told, `seed ${seed}`).toMatchObject({ clicks: all[0]!.length - 1, paths: all.length });
                for (const { node, paths } of told!.through) {
                    expect(paths).toBe(all.filter((path) => path.slice(1, -1).includes(node)).length);
                }
            }
        }
    });

    it('pay nothing for redirects', () => {
        // 0 clicks to 1, which redirects to 2, and to 3; both click to 4.
        const clicks = linksOf(5, [0, 0, 2, 3], [1, 3, 4, 4]);
        const free = linksOf(5, [1], [2]);
        expect(shortestPaths(clicks, free, 0, 4)).toMatchObject({ clicks: 2, paths: 2 });
        expect(shortestPaths(clicks, free, 0, 4, 3)).toMatchObject({ clicks: 2, paths: 1 });
        expect(shortestPaths(clicks, free, 0, 2)).toMatchObject({ clicks: 1, paths: 1 });
    });

    it('are one of no click from a page to itself, and none where a way leads through what is left out', () => {
        const chain = linksOf(3, [0, 1], [1, 2]);
        expect(shortestPaths(chain, none(3), 1, 1)).toEqual({ clicks: 0, paths: 1, through: [] });
        expect(shortestPaths(chain, none(3), 0, 2, 1)).toBeNull();
        expect(shortestPaths(chain, none(3), 2, 0)).toBeNull();
    });
});
