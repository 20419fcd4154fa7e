/** What the architect says of subjects, links that are wanted, changes laid aside and answers to proposals. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import type { SaidSubjects } from '../../core/subjects/subject.ts';
import type { KeptChange } from '../../wire/laid-change.ts';
import { appStore } from '../app.ts';
import { askedOnce } from '../request-memo.ts';
import type { RequestContext } from '../request-context.ts';
import { listAnswers, listChanges, type Answered } from '../store/laid-change-store.ts';
import { listSubjects } from '../store/subject-store.ts';

export const changesOf = (siteId: number): Promise<KeptChange[]> =>
    askedOnce(`laid changes ${siteId}`, () => listChanges(appStore().db, siteId));

export const answersOf = (siteId: number): Promise<Answered[]> =>
    askedOnce(`proposal answers ${siteId}`, () => listAnswers(appStore().db, siteId));

/** Subjects that were said, by URL: of a page before those of sets, of several sets the last. */
export async function saidSubjects(request: RequestContext, packed: PackedSurvey): Promise<SaidSubjects> {
    const said = await askedOnce(`subjects ${request.site.id}`, () => listSubjects(appStore().db, request.site.id));
    const byUrl = new Map<string, readonly string[]>();
    for (const { by, subject, words } of said) {
        if (by !== 'set') continue;
        const { bits, trouble } = await request.set(['links'], subject);
        if (trouble === null) for (const node of bits.nodes()) byUrl.set(packed.url(node), words);
    }
    for (const { by, subject, words } of said) if (by === 'page') byUrl.set(subject, words);
    return byUrl;
}
