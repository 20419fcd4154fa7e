/** Proposals of links, as they go between browser and server. */
import { z } from 'zod';
import { StoredUrl } from './laid-change.ts';
import { SUBJECT_ORIGINS } from '../core/subjects/subject.ts';
import { PARTS } from '../core/proposals/score.ts';
import type { Effect, ShownProposal } from '../core/views/proposals.ts';

const Word = z.object({
    from: z.number().int(),
    to: z.number().int(),
    /** A link or a quotation holds it. */
    isTaken: z.boolean(),
    /** The run of words it belongs to: an anchor does not reach from one to another. */
    run: z.number().int(),
});

export const ShownProposalForm: z.ZodType<ShownProposal> = z.object({
    source: z.string(),
    sourceTitle: z.string(),
    sourceDepth: z.number(),
    sourceStanding: z.number(),
    target: z.string(),
    targetTitle: z.string(),
    /** Line in the received source, from 1. */
    line: z.number().int(),
    /** Heading it stands under; empty for none. */
    heading: z.string(),
    /** The passages before and behind its own; empty for none. */
    before: z.string(),
    after: z.string(),
    /** Its own passage, and where the sentence stands in it. */
    passage: z.string(),
    from: z.number().int(),
    to: z.number().int(),
    words: z.array(Word),
    /** Words of the anchor: indexes among those of the sentence, the second behind the last. */
    anchor: z.tuple([z.number().int(), z.number().int()]),
    /** 0 to 1. */
    score: z.number(),
    /** Each part of the score, and why. */
    parts: z.array(z.object({ part: z.enum(PARTS), value: z.number(), why: z.string() })),
});

/** What one more link from a source does to its target, by the survey and what is taken so far. */
const EffectForm: z.ZodType<Effect> = z.object({
    linksIn: z.tuple([z.number(), z.number()]),
    depth: z.tuple([z.number().nullable(), z.number().nullable()]),
    isOrphan: z.boolean(),
    standing: z.tuple([z.number(), z.number()]),
});

export const TargetProposals = z.object({
    target: z.string(),
    title: z.string(),
    /** Words it is about, the heaviest first, as it writes them. */
    subject: z.array(z.string()),
    subjectFrom: z.enum(SUBJECT_ORIGINS),
    /** Why it needs links, in words. */
    needs: z.string(),
    wanted: z.number().nullable(),
    has: z.number(),
    taken: z.number(),
    proposals: z.array(ShownProposalForm),
    effects: z.array(EffectForm),
    /** There are no more than these. */
    isWhole: z.boolean(),
    /** Proposals that were refused or put off and are not shown. */
    refused: z.number(),
    later: z.number(),
    /** Where no sentence fits: related pages. */
    nearest: z.array(z.object({ url: z.string(), title: z.string(), why: z.string() })),
    /** Why there are none, or not all; empty otherwise. */
    note: z.string(),
});
export type TargetProposals = z.infer<typeof TargetProposals>;

export const ProposalAnswer = z.object({
    answer: z.enum(['refused', 'later', 'open']),
    source: StoredUrl.min(1),
    target: StoredUrl.min(1),
});
export type ProposalAnswer = z.infer<typeof ProposalAnswer>;

export const OtherTargets = z.array(z.object({ url: z.string(), title: z.string(), why: z.string() }));
export type OtherTargets = z.infer<typeof OtherTargets>;

/** What one page's text could lead to. */
export const OutwardProposals = z.object({
    source: z.string(),
    title: z.string(),
    proposals: z.array(ShownProposalForm),
    note: z.string(),
});
export type OutwardProposals = z.infer<typeof OutwardProposals>;

/** A text that is no page yet. */
export const WrittenText = z.object({
    text: z.string('Give a text.').min(1, 'Give a text.').max(200_000, 'A text may have 200,000 characters.'),
    language: z.string().max(100).default(''),
});

/** A link in running text, in its sentence. */
export const LinkInSentence = z.object({
    page: z.string(),
    line: z.number(),
    block: z.string(),
    /** The sentence, and where the link stands in it; empty where the source was not kept. */
    sentence: z.string(),
    from: z.number(),
    to: z.number(),
});
export type LinkInSentence = z.infer<typeof LinkInSentence>;
export const LinksInSentences = z.object({ links: z.array(LinkInSentence), more: z.number() });
export type LinksInSentences = z.infer<typeof LinksInSentences>;
