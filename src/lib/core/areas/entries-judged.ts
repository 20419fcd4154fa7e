/** Entries of a sitemap, wherever they are from, against what a survey knows of them. */
import { GATE_INDEXABLE, GATE_UNKNOWN, gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export interface EntriesJudged {
    /** Different URLs. */
    entries: number;
    indexable: number;
    /** Entries that stop at a gate, and the first of each. */
    stopped: { gate: Gate; entries: number; first: { url: string; line: number } }[];
    /** Known, and not read. */
    notRead: number;
    /** The survey does not know them. */
    unheard: { entries: number; first: { url: string; line: number } | null };
    /** Indexable pages that are not among them. */
    lacking: number;
}

/** O(entries log nodes + nodes). */
export function entriesJudged(survey: PackedSurvey, entries: readonly { url: string; line: number }[]): EntriesJudged {
    const gate = survey.numbers('gate');
    const listed = new Uint8Array(survey.count);
    const seen = new Set<string>();
    const stopped = new Map<number, EntriesJudged['stopped'][number]>();
    const unheard: EntriesJudged['unheard'] = { entries: 0, first: null };
    let [indexable, notRead] = [0, 0];
    for (const { url, line } of entries) {
        if (seen.has(url)) continue;
        seen.add(url);
        const node = survey.nodeOf(url);
        if (node === -1) {
            unheard.entries++;
            unheard.first ??= { url, line };
            continue;
        }
        listed[node] = 1;
        const code = gate[node]!;
        if (code === GATE_INDEXABLE) indexable++;
        else if (code === GATE_UNKNOWN) notRead++;
        else {
            const own = stopped.get(code);
            if (own) own.entries++;
            else stopped.set(code, { gate: gateOf(code) as Gate, entries: 1, first: { url, line } });
        }
    }
    let lacking = 0;
    for (let node = 0; node < survey.count; node++) if (gate[node] === GATE_INDEXABLE && listed[node] === 0) lacking++;
    return {
        entries: seen.size,
        indexable,
        stopped: [...stopped.entries()].sort(([a], [b]) => a - b).map(([, own]) => own),
        notRead,
        unheard,
        lacking,
    };
}
