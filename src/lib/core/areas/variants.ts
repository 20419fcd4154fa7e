/** Variants that answer: URLs that differ only by the way they are written, and what each kind of difference is mended by. */
import { originOf } from '../address/address.ts';
import { variantKey, variantKind, type VariantKind } from '../address/variants.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Words of a main text below which it says too little to tell that two are the same: the bodies must be. */
const LEAST_WORDS = 8;

/**
 * Of pages that differ only by the way their URL is written, the one that is meant: what all of them name as canonical,
 * else the one that more links name; ties go to the host of the start page. By page, of those with a variant. O(pages)
 */
export function winningVariants(survey: PackedSurvey): ReadonlyMap<number, number> {
    return once(survey, 'winning variants', [], () => {
        const winners = new Map<number, number>();
        for (const group of groupsOf(survey)) {
            const winner = winnerOf(survey, group);
            for (const node of group) winners.set(node, winner);
        }
        return winners;
    });
}

/** Of each URL the first that differs from it only by the way it is written; itself where there is none. O(URLs), once */
export function firstVariants(survey: PackedSurvey): Int32Array {
    return once(survey, 'first variants', [], () => {
        const first = new Map<string, number>();
        return Int32Array.from(survey.texts('url').all(), (url, node) => {
            const key = variantKey(url);
            const known = first.get(key);
            if (known === undefined) first.set(key, node);
            return known ?? node;
        });
    });
}

/** Pages that are variants of each other. */
function groupsOf(survey: PackedSurvey): number[][] {
    const urls = survey.texts('url').all();
    const isPage = survey.numbers('page');
    /** The first page of each spelling; most have no other. */
    const first = new Map<string, number>();
    const groups = new Map<number, number[]>();
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        const key = variantKey(urls[node]!);
        const before = first.get(key);
        if (before === undefined) {
            first.set(key, node);
            continue;
        }
        const group = groups.get(before);
        if (group) group.push(node);
        else groups.set(before, [before, node]);
    }
    return [...groups.values()];
}

function winnerOf(survey: PackedSurvey, group: readonly number[]): number {
    const [start, canonical] = [survey.numbers('canonical_start'), survey.numbers('canonical')];
    const named = new Set(group.map((node) => (start[node + 1]! - start[node]! === 1 ? canonical[start[node]!]! : -1)));
    const [meant] = named;
    if (named.size === 1 && group.includes(meant!)) return meant!;
    const incoming = survey.numbers('incoming_links');
    const home = `${originOf(survey.head.start)}/`;
    const isHome = (node: number): number => Number(survey.url(node).startsWith(home));
    return [...group].sort((a, b) => incoming[b]! - incoming[a]! || isHome(b) - isHome(a) || a - b)[0]!;
}

export interface LosingVariant {
    winner: number;
    kind: VariantKind;
}

/**
 * Pages that say what another says whose URL differs only by the way it is written, and that are not the one that is
 * meant: with an equal main text, or an equal body where that has under 8 words. Once for each survey. O(pages)
 */
export function losingVariants(survey: PackedSurvey): ReadonlyMap<number, LosingVariant> {
    return once(survey, 'losing variants', [], () => {
        const [text, body, words, written] = [
            survey.numbers('same_text'),
            survey.numbers('same_body'),
            survey.numbers('main_words'),
            survey.numbers('same_variant'),
        ];
        const isSame = (a: number, b: number): boolean =>
            (words[a]! >= LEAST_WORDS && text[a] !== -1 && text[a] === text[b]) ||
            (words[a]! >= LEAST_WORDS && written[a] !== -1 && written[a] === written[b]) ||
            (body[a] !== -1 && body[a] === body[b]);
        const losing = new Map<number, LosingVariant>();
        for (const [node, winner] of winningVariants(survey)) {
            const kind = node === winner ? null : variantKind(survey.url(node), survey.url(winner));
            if (kind !== null && isSame(node, winner)) losing.set(node, { winner, kind });
        }
        return losing;
    });
}

/** What the ones that are meant have, by the kind of variants: their origin, or a slash at the end. */
export function meantForm(survey: PackedSurvey, { winner, kind }: LosingVariant): string {
    const url = survey.url(winner);
    if (kind === 'scheme' || kind === 'host') return originOf(url);
    return url.split('?', 1)[0]!.endsWith('/') ? '/' : '';
}
