/**
 * The jobs of a survey: the edits that the register finds, those that change most first. Every job has a set of the pages
 * it concerns, told in the set language, so that the number beside it is the size of that set.
 */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isKnown, SEVERITIES, type Edit } from './check.ts';
import { CHECKS } from './register.ts';
import { sizeOf } from './set-size.ts';

export type Job = Edit & {
    /** Size of its set. */
    pages: number;
};

/**
 * Needs all parts of the survey. O(links) once, then a set for each job that is told.
 * @param goal depth goal of the site; null for none
 * @returns the jobs to tell, and how many more there are
 */
export function jobsOf(survey: PackedSurvey, goal: number | null, most = 10): { jobs: Job[]; more: number } {
    const edits = CHECKS.filter((check) => isKnown(check, survey))
        .flatMap((check) => check.edits({ survey, robots: [], goal, goalOf: () => goal }))
        .filter(({ about }) => about > 0);
    edits.sort(
        (a, b) =>
            SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) ||
            b.about - a.about ||
            (a.set < b.set ? -1 : 1),
    );
    const jobs: Job[] = [];
    let more = 0;
    for (const edit of edits) {
        if (jobs.length >= most) {
            more++;
            continue;
        }
        const pages = sizeOf(survey, edit.set);
        if (pages > 0) jobs.push({ ...edit, pages });
    }
    return { jobs, more };
}
