/** Proposals looked for, for all targets of a set: how far it is, and what was found. */
import { z } from 'zod';

/** Targets of one run. */
export const MOST_RUN_TARGETS = 20_000;

/** A sentence that speaks of a target. */
export const FoundSentence = z.object({
    source: z.string(),
    /** In the received source, from 1. */
    line: z.number().int(),
    sentence: z.string(),
    /** The words that would be the link. */
    anchor: z.string(),
    /** 0 to 1. */
    score: z.number(),
});
export type FoundSentence = z.infer<typeof FoundSentence>;
export const FoundSentences = z.array(FoundSentence);

export const RUN_STATES = ['waiting', 'running', 'done', 'stopped', 'failed'] as const;

export const ProposalRun = z.object({
    id: z.number().int(),
    /** The set, in the set language; empty for whatever lacks links. */
    line: z.string(),
    state: z.enum(RUN_STATES),
    /** Why it failed, as a sentence; empty where it did not. */
    trouble: z.string(),
    targets: z.number().int(),
    /** Targets that were looked at, those that a sentence speaks of, and the sentences, one a page and target. */
    done: z.number().int(),
    withSentences: z.number().int(),
    sentences: z.number().int(),
    /** UTC, milliseconds since 1970. */
    createdAt: z.number(),
    endedAt: z.number().nullable(),
});
export type ProposalRun = z.infer<typeof ProposalRun>;

/** Which targets are looked for: those of a set, or whatever lacks links. */
export const StartRun = z.object({ set: z.string().max(20_000).default('') });
export const MaybeRun = ProposalRun.nullable();

export const isLive = ({ state }: Pick<ProposalRun, 'state'>): boolean => state === 'waiting' || state === 'running';
