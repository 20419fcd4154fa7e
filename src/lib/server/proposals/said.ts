/** What the architect says of subjects, links that are wanted, changes laid aside and answers to proposals. */
import { subjectsByUrl } from '../../core/areas/said-subjects.ts';
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import type { SaidSubjects } from '../../core/subjects/subject.ts';
import type { SaidSubject } from '../../wire/subjects.ts';
import type { KeptChange } from '../../wire/laid-change.ts';
import { appStore } from '../app.ts';
import { askedOnce } from '../request-memo.ts';
import { GenericWords } from '../../core/text/generic-words.ts';
import { listGenericWords } from '../store/generic-word-store.ts';
import { listAnswers, listChanges, type Answered } from '../store/laid-change-store.ts';
import { listSubjects } from '../store/subject-store.ts';

export const changesOf = (siteId: number): Promise<KeptChange[]> =>
    askedOnce(`laid changes ${siteId}`, () => listChanges(appStore().db, siteId));

export const answersOf = (siteId: number): Promise<Answered[]> =>
    askedOnce(`proposal answers ${siteId}`, () => listAnswers(appStore().db, siteId));

/** Which words of links say nothing, as the site has it. */
export async function genericOf(siteId: number): Promise<GenericWords> {
    return new GenericWords(await askedOnce(`generic words ${siteId}`, () => listGenericWords(appStore().db, siteId)));
}

export const subjectsOf = (siteId: number): Promise<SaidSubject[]> =>
    askedOnce(`subjects ${siteId}`, () => listSubjects(appStore().db, siteId));

/** Subjects that were said, by URL. */
export const saidSubjects = async (siteId: number, packed: PackedSurvey): Promise<SaidSubjects> =>
    subjectsByUrl(packed, await subjectsOf(siteId));
