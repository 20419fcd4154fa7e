/**
 * What the reference needs of graphs, gates and links, written once more from docs/measures.md: plain lists and maps, one
 * thing after the other, so that a mistake in the product is none here.
 */
import type { GateResult } from '$lib/core/gates/gates.ts';
import type { Gate } from '$lib/core/gates/gates.ts';
import { storedWords } from '../../../src/lib/core/words/problems.ts';

/** Edges by their source, as `compressRows` gives them: in the order in which they were given. */
export function plainRows(
    nodes: number,
    from: ArrayLike<number>,
    to: ArrayLike<number>,
): { nodes: number; start: Uint32Array; targets: Uint32Array; edges: Uint32Array } {
    const bySource: number[][] = Array.from({ length: nodes }, () => []);
    Array.from(from).forEach((source, edge) => bySource[source]!.push(edge));
    const edges = bySource.flat();
    const start = [0];
    for (const own of bySource) start.push(start[start.length - 1]! + own.length);
    return {
        nodes,
        start: Uint32Array.from(start),
        targets: Uint32Array.from(edges, (edge) => to[edge]!),
        edges: Uint32Array.from(edges),
    };
}

/**
 * Depths as defined: the least number of clicks, redirects and instant refreshes free. Worked level by level: who is
 * there, where redirects lead on from there, then one click further; the first way found is the way.
 */
export function plainDepths(
    clicks: { nodes: number; start: Uint32Array; targets: Uint32Array },
    free: { start: Uint32Array; targets: Uint32Array },
    starts: readonly number[],
): { depth: Int32Array; parent: Int32Array; enteredBy: Int32Array } {
    const known = new Map<number, { depth: number; parent: number; slot: number }>();
    let level = [...new Set(starts)];
    for (const node of level) known.set(node, { depth: 0, parent: -1, slot: -1 });
    for (let depth = 0; level.length > 0; depth++) {
        const here = [...level];
        for (let at = 0; at < here.length; at++) {
            const node = here[at]!;
            for (let slot = free.start[node]!; slot < free.start[node + 1]!; slot++) {
                const to = free.targets[slot]!;
                if (known.has(to)) continue;
                known.set(to, { depth, parent: node, slot });
                here.push(to);
            }
        }
        level = [];
        for (const node of here) {
            for (let slot = clicks.start[node]!; slot < clicks.start[node + 1]!; slot++) {
                const to = clicks.targets[slot]!;
                if (known.has(to)) continue;
                known.set(to, { depth: depth + 1, parent: node, slot });
                level.push(to);
            }
        }
    }
    const all = Array.from({ length: clicks.nodes }, (_, node) => known.get(node));
    return {
        depth: Int32Array.from(all, (found) => found?.depth ?? -1),
        parent: Int32Array.from(all, (found) => found?.parent ?? -1),
        enteredBy: Int32Array.from(all, (found) => found?.slot ?? -1),
    };
}

/** A link is followed where neither it nor its page says nofollow; ugc and sponsored say the same. */
export function plainFollowed(rel: string, pageNofollow: boolean): boolean {
    if (pageNofollow) return false;
    return !rel.split(' ').some((word) => word === 'nofollow' || word === 'ugc' || word === 'sponsored');
}

export interface PlainFacts {
    url: string;
    robotsAllowed: boolean | null;
    robotsRule: string;
    status: number | null;
    failure: string;
    redirectTo: string;
    instantRefresh: string;
    contentType: string;
    noindex: boolean;
    noindexReason: string;
    canonicals: string[];
}

export interface PlainGates {
    gate: GateResult['gate'];
    /** In words. */
    reason: string;
    failed: { gate: Gate; reason: string }[];
}

/** The seven gates, each by its own sentence of the definition. What has no answer has no gate, unless it is closed. */
export function plainGates(facts: PlainFacts): PlainGates {
    const { status } = facts;
    const isRedirect = status !== null && [301, 302, 303, 307, 308].includes(status);
    const isPage = status === 200;
    const onlyCanonical = facts.canonicals.length === 1 ? facts.canonicals[0]! : facts.url;
    const reasons: [Gate, string | null][] = [
        ['robots', facts.robotsAllowed === false ? storedWords(facts.robotsRule) : null],
        ['response', facts.failure !== '' ? storedWords(facts.failure) : null],
        ['response', isRedirect && facts.redirectTo === '' ? `status ${status} without a usable Location` : null],
        ['response', status !== null && !isRedirect && !isPage ? `status ${status}` : null],
        ['redirect', isRedirect && facts.redirectTo !== '' ? `${status} to ${facts.redirectTo}` : null],
        ['redirect', isPage && facts.instantRefresh !== '' ? `refresh without delay to ${facts.instantRefresh}` : null],
        [
            'type',
            isPage && facts.contentType !== 'text/html' && facts.contentType !== 'application/xhtml+xml'
                ? facts.contentType || 'no content type'
                : null,
        ],
        ['noindex', isPage && facts.noindex ? storedWords(facts.noindexReason) : null],
        ['canonical', isPage && onlyCanonical !== facts.url ? `points at ${onlyCanonical}` : null],
    ];
    const failed = reasons.flatMap(([gate, reason]) => (reason === null ? [] : [{ gate, reason }]));
    if (failed.length > 0) return { gate: failed[0]!.gate, reason: failed[0]!.reason, failed };
    return { gate: status === null || facts.robotsAllowed === null ? null : 'indexable', reason: '', failed };
}
