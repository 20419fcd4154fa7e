/** What a survey cannot claim, as codes with what their sentences need (`limits.ts` here). */
import type { Evidence } from '../evidence/evidence.ts';
import type { CutReason, SurveyState } from '../survey/survey-rows.ts';

export interface LimitParams {
    /** It ended before all was read. */
    'cut-short': { cut: CutReason[]; state: SurveyState };
    'closed-by-robots': { urls: number };
    'families-closed': { urls: number };
    'actions-left': { urls: number };
    'known-later': { urls: number };
    'no-answer': { urls: number };
    /** Of a survey in which nothing was left out: what of it could not be taken in whole. */
    'documents-given-up': { documents: number };
    'bodies-cut': { bodies: number };
    'sitemaps-left': { from: string; left: number; most: number };
    'no-sitemap': Record<string, never>;
    'not-given': { evidence: Evidence[] };
}

export type LimitCode = keyof LimitParams;
export type Limit<C extends LimitCode = LimitCode> = { [K in C]: { code: K; params: LimitParams[K] } }[C];
