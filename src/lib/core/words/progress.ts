/** What a running survey tells of itself, in English. */
import type { CrawlStep, CrawlWait, SlowReason, SpaceWarning } from '../survey/progress.ts';
import { megabytes } from './numbers.ts';

/** Fit to stand after "Now:". */
export const STEP_WORDS: Record<CrawlStep, string> = {
    starting: 'starting',
    robots: 'reading robots.txt',
    sitemaps: 'reading sitemaps',
    pages: 'reading pages',
    evidence: 'reading what only other evidence knows',
    elsewhere: 'asking for link targets elsewhere',
    paused: 'paused',
    done: 'done',
};

/** Fit to stand after the name of a host. */
export function slowWords(reason: SlowReason): string {
    return reason.code === 'answered'
        ? `answered ${reason.status}`
        : `takes ${reason.times} times as long to answer as at first`;
}

export function waitWords(wait: CrawlWait): string {
    const why = wait.why === null ? 'rests' : slowWords(wait.why);
    return wait.code === 'rest'
        ? `${wait.host} ${why}; going on in ${wait.seconds} s`
        : `${wait.host} ${why}: ${wait.allowed} of ${wait.of} connections`;
}

/** Whole sentences. */
export function spaceWords({ free, need }: SpaceWarning): string {
    const more = need > 0 ? ` What is known so far takes about ${megabytes(need)} more.` : '';
    return `The disk with the data folder has ${megabytes(free)} left.${more} The survey is laid aside when it is full; nothing is lost then.`;
}
