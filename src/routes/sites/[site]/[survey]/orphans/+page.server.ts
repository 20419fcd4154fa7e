import type { MeasureName } from '$lib/core/packed/column-names.ts';
import { islandsOf } from '$lib/core/areas/reach.ts';
import { evidenceNames } from '$lib/core/evidence/evidence.ts';
import { NearestPages } from '$lib/core/areas/nearest.ts';
import { once } from '$lib/core/kept.ts';
import { gateOf } from '$lib/core/columns/gate-facts.ts';
import { flagNamed } from '$lib/core/sets/flags.ts';
import { ORPHAN } from '$lib/core/measures/orphans.ts';
import { openArea } from '$lib/server/areas.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

const MOST_SHOWN = 200;
const MOST_ISLANDS = 20;
const MOST_SECTIONS = 24;

export const load = lookedAt(async ({ url, locals }) => {
    const { packed, counts } = await openArea(locals);
    const near = once(packed, 'nearest pages', [], () => new NearestPages(packed));
    const kind = packed.numbers('orphan');
    const island = packed.numbers('island');
    const gate = packed.numbers('gate');
    const evidence = packed.numbers('evidence');
    const flagged = (column: MeasureName): number => {
        let pages = 0;
        for (const flag of packed.numbers(column)) pages += flag;
        return pages;
    };
    const orphans: number[] = [];
    for (let node = 0; node < packed.count; node++) {
        if (kind[node] === ORPHAN.strict || kind[node] === ORPHAN.adrift) orphans.push(node);
    }
    const codes = packed.numbers('section');
    const words = packed.texts('section_words').all();
    const perSection = new Map<string, number>();
    for (const node of orphans) {
        const section = words[codes[node]!]!;
        perSection.set(section, (perSection.get(section) ?? 0) + 1);
    }
    const bySection = [...perSection]
        .map(([section, pages]) => ({ section, pages }))
        .sort((a, b) => b.pages - a.pages || (a.section < b.section ? -1 : 1));
    const isBehindRefresh = flagNamed('behind a refresh')!.test(packed);
    const islands = islandsOf(packed);
    const from = Math.max(0, Number(url.searchParams.get('from') ?? 0) || 0);
    return {
        complete: packed.head.complete,
        counts: {
            all: orphans.length,
            strict: counts.orphans?.strict ?? 0,
            adrift: counts.orphans?.adrift ?? 0,
            islands: islands.length,
            inIslands: orphans.filter((node) => island[node] !== -1).length,
            listing: flagged('listing_only'),
            decline: flagged('decline_only'),
            indexable: counts.orphans?.indexable ?? 0,
            behindRefresh: orphans.filter(isBehindRefresh).length,
            actions: counts.byNotRead.action ?? 0,
        },
        islands: islands.slice(0, MOST_ISLANDS).map(({ url: address, pages }) => ({ size: pages, url: address })),
        bySection: bySection.slice(0, MOST_SECTIONS),
        moreSections: Math.max(0, bySection.length - MOST_SECTIONS),
        from,
        orphans: orphans.slice(from, from + MOST_SHOWN).map((node) => ({
            url: packed.url(node),
            title: packed.texts('title').at(node),
            kind: kind[node] === ORPHAN.strict ? 'strict' : 'adrift',
            behindRefresh: isBehindRefresh(node),
            island: island[node] === -1 ? null : island[node]! + 1,
            evidence: evidenceNames(evidence[node]!),
            gate: gateOf(gate[node]!),
            near: near.of(node, 2).map((item) => ({
                url: packed.url(item.node),
                why: [item.sameFolder ? 'same folder' : '', item.words.slice(0, 3).join(', ')]
                    .filter(Boolean)
                    .join('; '),
            })),
        })),
        most: MOST_SHOWN,
    };
});
