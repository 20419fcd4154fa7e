import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ACTS, authorize, OWNER, type Act } from './authorize.ts';
import { actOf, ROUTE_ACTS, type RouteActs } from './route-acts.ts';

const routes = join(import.meta.dirname, '../../../routes');

/** The methods each route of the tree answers. */
function methodsInTree(): Map<string, Set<string>> {
    const found = new Map<string, Set<string>>();
    for (const entry of readdirSync(routes, { recursive: true, encoding: 'utf8' })) {
        const [name = ''] = entry.split('/').slice(-1);
        if (!/^\+(?:page\.svelte|page\.server\.ts|server\.ts)$/.test(name)) continue;
        const route = `/${relative(routes, dirname(join(routes, entry)))}`;
        const text = readFileSync(join(routes, entry), 'utf8');
        const methods = found.get(route) ?? new Set();
        found.set(route, methods);
        if (name !== '+server.ts') methods.add('GET');
        if (/export const actions\b/.test(text)) methods.add('POST');
        for (const [, method] of text.matchAll(/export (?:async )?(?:function|const) (GET|POST|PUT|PATCH|DELETE)\b/g)) {
            methods.add(method!);
        }
    }
    return found;
}

describe('what routes do', () => {
    it('is said of every route and every method of the tree, and of no other', () => {
        const there = [...methodsInTree()].map(([route, methods]) => [route, [...methods].sort()]);
        const said = Object.entries(ROUTE_ACTS).map(([route, acts]: [string, RouteActs]) => [
            route,
            Object.keys(acts).sort(),
        ]);
        const byRoute = (a: unknown[], b: unknown[]): number => (String(a[0]) < String(b[0]) ? -1 : 1);
        expect(said.sort(byRoute)).toEqual(there.sort(byRoute));
    });

    it('is made again for another survey or set: a load that takes them from `locals` says so', () => {
        const entries = readdirSync(routes, { recursive: true, encoding: 'utf8' });
        const loads = entries.filter((entry) => /\[site\].*\+(?:page|layout)\.server\.ts$/.test(entry));
        expect(loads.length).toBeGreaterThan(15);
        for (const entry of loads) {
            const text = readFileSync(join(routes, entry), 'utf8');
            const load = text.split('export const actions')[0]!;
            if (/\blocals\b/.test(load)) expect(load, entry).toMatch(/export const load = lookedAt\(/);
        }
    });

    it('is looking, for whatever is had by GET', () => {
        for (const [route, { GET }] of Object.entries(ROUTE_ACTS)) if (GET) expect(GET, route).toBe('see');
    });

    it('is told by route and method, HEAD as GET', () => {
        const survey = '/api/v1/sites/[site]/surveys/[survey]';
        expect(actOf(`${survey}/delete`, 'POST')).toBe('remove');
        expect(actOf(`${survey}/pages.csv`, 'HEAD')).toBe('see');
        expect(actOf(`${survey}/pages.csv`, 'PATCH')).toBeNull();
        expect(() => actOf('/new', 'GET')).toThrow('is not in ROUTE_ACTS');
    });

    it('is all allowed to the owner', () => {
        for (const act of Object.keys(ACTS) as Act[]) expect(authorize(OWNER, act, 1)).toBe(true);
    });
});
