/** What a survey tells of itself while it runs, and what it told last: codes and counts, which `core/words/progress.ts` has words for. */
import type { ProblemText } from '../problems/problem.ts';
import type { LevelRange } from './level-ranges.ts';

/** What a running survey does, in the order it does it; the last two are no work. */
export const CRAWL_STEPS = [
    'starting',
    'robots',
    'sitemaps',
    'pages',
    /** URLs that no link but other evidence knows. */
    'evidence',
    /** Link targets on other sites, and resources. */
    'elsewhere',
    'paused',
    'done',
] as const;
export type CrawlStep = (typeof CRAWL_STEPS)[number];

/** Why a host is asked more slowly than the settings say. */
export type SlowReason =
    /** It answered with a status that asks for less. */
    | { code: 'answered'; status: number }
    /** It takes so many times as long to answer as at first. */
    | { code: 'slower'; times: number };

/** What a survey waits for: a host that rests for so many seconds, or one with so many of the connections it might have. */
export type CrawlWait =
    | { code: 'rest'; host: string; why: SlowReason | null; seconds: number }
    | { code: 'slowed'; host: string; why: SlowReason; allowed: number; of: number };

/** The disk will be full before the survey ends: bytes free, and bytes that what is known so far will take (0: not known). */
export interface SpaceWarning {
    free: number;
    need: number;
}

/** How far a running survey has come. */
export interface SurveyProgress {
    doing: CrawlStep;
    /** URLs that answered. */
    read: number;
    /** URLs that were asked for and gave no answer. */
    unanswered: number;
    /** Known internal URLs so far. */
    found: number;
    /** Pages per second over the last ten seconds. */
    rate: number;
    /** Level being read; null after the link crawl. */
    level: number | null;
    /** By level: read, and seen so far; deep ones together. */
    levels: LevelRange[];
    closedByRobots: number;
    failures: number;
    /** What slows it; null when nothing does. */
    waiting: CrawlWait | null;
    /** What will stop it soon unless something is done; null when nothing will. */
    warning: SpaceWarning | null;
    /** Per host that was asked, the busiest first. */
    hosts: HostProgress[];
    /** The last failures, newest first. */
    recentFailures: { url: string; failure: ProblemText; at: number }[];
    /** Families that grow or are closed. */
    families: ProgressFamily[];
    /** URLs left alone because they look like actions. */
    actions: number;
    /** URLs left alone because their family is closed. */
    trapped: number;
    /** External targets and resources: asked, and still to ask. */
    checks: { done: number; open: number };
}

export interface HostProgress {
    host: string;
    asked: number;
    /** Mean time of the last answers, milliseconds. */
    milliseconds: number;
    /** Connections in use now, of those allowed now. */
    inUse: number;
    allowed: number;
    /** Time kept between requests, milliseconds. */
    delay: number;
    /** A Crawl-delay robots.txt asks for, seconds; null when it asks for none. */
    crawlDelay: number | null;
    /** Why it is slower than the settings; null when it is not. */
    slowed: SlowReason | null;
}

export interface ProgressFamily {
    pattern: string;
    example: string;
    read: number;
    seen: number;
    state: 'open' | 'closed';
    reason: string;
    byHand: boolean;
}
