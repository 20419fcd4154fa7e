/** The likeliest proposals are shown before the others are there: how these come in. */
import type { TargetProposals } from '../../wire/proposals.ts';

/**
 * All proposals behind those up to the one in hand, which stay where they are; none of a page that was answered meanwhile.
 * @param first as they are shown
 * @param index the one in hand
 * @param answered sources that were answered since
 */
export function joined(
    first: TargetProposals,
    whole: TargetProposals,
    index: number,
    answered: readonly string[],
): TargetProposals {
    const kept = first.proposals.slice(0, index + 1);
    const met = [...kept.map(({ source }) => source), ...answered];
    const behind = whole.proposals.map((_, at) => at).filter((at) => !met.includes(whole.proposals[at]!.source));
    return {
        ...first,
        proposals: [...kept, ...behind.map((at) => whole.proposals[at]!)],
        effects: [...first.effects.slice(0, index + 1), ...behind.map((at) => whole.effects[at]!)],
        nearest: whole.nearest,
        isWhole: true,
    };
}
