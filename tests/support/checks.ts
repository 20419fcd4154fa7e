/** What the register tells of a survey and of a page, in words. */
import { jobsOf as jobs } from '$lib/core/checks/jobs.ts';
import { pageFindings as findings } from '$lib/core/checks/page-findings.ts';
import type { PackedSurvey } from '$lib/core/packed/packed-survey.ts';
import { editWords, findingSentence, moreLinksSentence } from '$lib/core/words/checks.ts';

export function jobsOf(survey: PackedSurvey, goal: number | null, most?: number) {
    const found = jobs(survey, goal, most);
    return { jobs: found.jobs.map((job) => ({ ...job, ...editWords(job, job.pages) })), more: found.more };
}

export function pageFindings(survey: PackedSurvey, node: number, goal: number | null) {
    const { findings: found, moreLinks } = findings(survey, node, goal);
    const told = found.map((finding) => ({ ...finding, say: findingSentence(finding) }));
    const more = { severity: 'remark' as const, say: moreLinksSentence(moreLinks), place: null };
    return moreLinks > 0 ? [...told, more] : told;
}
