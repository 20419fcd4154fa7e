import { error } from '@sveltejs/kit';
import { evidenceNames } from '$lib/core/evidence/evidence.ts';
import { NearestPages } from '$lib/core/evidence/nearest.ts';
import { orphanKinds } from '$lib/core/evidence/orphans.ts';
import type { MeasuredSurvey } from '$lib/core/survey/measured-survey.ts';
import { findRoute, isEarlier, NEEDS_ROWS, openSurvey } from '$lib/server/app.ts';

const MOST_SHOWN = 200;

const nearestOf = new WeakMap<MeasuredSurvey, NearestPages>();

export async function load({ params, url, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isEarlier(found.survey)) error(404, NEEDS_ROWS);
    const { measured } = await openSurvey(found.survey);
    const kinds = orphanKinds(measured);
    let nearest = nearestOf.get(measured);
    if (!nearest) nearestOf.set(measured, (nearest = new NearestPages(measured)));
    const near = nearest;
    const strict = new Set(kinds.strict);
    const islandOf = new Map(kinds.islands.flatMap((nodes, index) => nodes.map((node) => [node, index + 1] as const)));
    const orphans = [...kinds.strict, ...kinds.adrift].sort((a, b) => a - b);
    const from = Math.max(0, Number(url.searchParams.get('from') ?? 0) || 0);
    return {
        complete: measured.complete,
        counts: {
            all: orphans.length,
            strict: kinds.strict.length,
            adrift: kinds.adrift.length,
            islands: kinds.islands.length,
            inIslands: islandOf.size,
            listing: kinds.listingOnly.length,
            decline: kinds.declineOnly.length,
            indexable: orphans.filter((node) => measured.gates[node]?.gate === 'indexable').length,
        },
        islands: kinds.islands.slice(0, 20).map((nodes) => ({
            size: nodes.length,
            node: nodes[0] ?? -1,
            url: measured.urls[nodes[0] ?? -1] ?? '',
        })),
        from,
        orphans: orphans.slice(from, from + MOST_SHOWN).map((node) => ({
            node,
            url: measured.urls[node] ?? '',
            title: measured.pages[node]?.title ?? '',
            kind: strict.has(node) ? 'strict' : 'adrift',
            island: islandOf.get(node) ?? null,
            evidence: evidenceNames(measured.evidence[node] ?? 0),
            gate: measured.gates[node]?.gate ?? null,
            near: near.of(node, 2).map((item) => ({
                node: item.node,
                url: measured.urls[item.node] ?? '',
                why: [item.sameFolder ? 'same folder' : '', item.words.slice(0, 3).join(', ')]
                    .filter(Boolean)
                    .join('; '),
            })),
        })),
        most: MOST_SHOWN,
    };
}
