/** What a thread that makes words is told: the survey has ended, its texts can be taken in; and it is packed. */
export const WORDS_STEPS = ['closed', 'packed'] as const;
export type WordsStep = (typeof WORDS_STEPS)[number];
