/** What *How it was read* makes of what a crawl tells of itself: how much is left, and what of it is shown. */
import type { CutReason } from '../survey/survey-rows.ts';
import type { SurveyProgress } from '../survey/progress.ts';

const MOST_HOSTS = 12;
/** All that were kept are in their CSV. */
const MOST_FAMILIES = 50;
const MOST_FAILURES = 8;

export interface ProgressView {
    progress: SurveyProgress;
    /** Found, and neither read nor left alone. */
    unread: number;
    /** Seconds for what is found so far, at the pace of now; null where nothing is read now. */
    secondsLeft: number | null;
    /** URLs of the widest row of levels, at least 1. */
    widest: number;
    hosts: SurveyProgress['hosts'];
    families: SurveyProgress['families'];
    moreFamilies: number;
    failures: SurveyProgress['recentFailures'];
}

export function progressView(progress: SurveyProgress): ProgressView {
    const left = progress.closedByRobots + progress.actions + progress.trapped;
    const unread = Math.max(0, progress.found - progress.read - progress.unanswered - left);
    return {
        progress,
        unread,
        secondsLeft: progress.rate > 0 ? Math.ceil(unread / progress.rate) : null,
        widest: progress.levels.reduce((most, { seen }) => Math.max(most, seen), 1),
        hosts: progress.hosts.slice(0, MOST_HOSTS),
        families: progress.families.slice(0, MOST_FAMILIES),
        moreFamilies: Math.max(0, progress.families.length - MOST_FAMILIES),
        failures: progress.recentFailures.slice(0, MOST_FAILURES),
    };
}

/** Whether a survey in that state has something left to read; what a spot survey was made for, it has read. */
export function canGoOn(state: string, cut: readonly CutReason[]): boolean {
    if (state === 'waiting' || state === 'running') return false;
    return state !== 'finished' || cut.some((reason) => reason !== 'spot');
}
