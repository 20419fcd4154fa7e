/** Looks for proposals for each target of a run, one after the other, under its lease; what is found is kept at once. */
import { subjectsByUrl } from '../../core/areas/said-subjects.ts';
import { problem, writeProblem, type Problem } from '../../core/problems/problem.ts';
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import type { Proposal } from '../../core/proposals/proposer.ts';
import type { SourceText } from '../../core/proposals/source-text.ts';
import { GenericWords } from '../../core/text/generic-words.ts';
import { WordIndex } from '../../core/text/word-index.ts';
import type { FoundSentence } from '../../wire/proposal-run.ts';
import { OpenSurveys, RevisionLost, SurveyGone } from '../open/open-surveys.ts';
import { MOST_READ, rankedProposals, textsOf, type OpenTexts } from '../proposals/ranked.ts';
import { isPassing, reasonOf, type Database, type Store } from '../store/connect.ts';
import { listGenericWords } from '../store/generic-word-store.ts';
import { listAnswers, listChanges } from '../store/laid-change-store.ts';
import {
    endProposalRun,
    openTargets,
    renewProposalRun,
    saveFound,
    type TakenRun,
} from '../store/proposal-run-store.ts';
import { listSubjects } from '../store/subject-store.ts';
import { getSurvey, type Survey } from '../store/survey-store.ts';

/** Targets read from the database at a time, and sentences kept of each. */
const AT_ONCE = 50;
const MOST_KEPT = 5;

/**
 * Does a run from where it was left until it is done, stopped, or another's.
 * @throws what the database throws while it is away: whoever takes the run next goes on
 */
export async function doProposalRun(store: Store, run: TakenRun, owner: string): Promise<void> {
    const { db } = store;
    const fail = (why: Problem): Promise<void> =>
        endProposalRun(db, run.id, owner, { state: 'failed', trouble: writeProblem(why) });
    if (run.isGivenUp)
        return fail(problem('proposals-failed', { cause: 'it was begun several times, and ended each time' }));
    const survey = await getSurvey(db, run.surveyId);
    if (!survey) return;
    try {
        const open = await openedFor(store, { ...survey, revision: run.revision });
        if (open === null) return await fail(problem('proposals-no-words', {}));
        for (;;) {
            const next = await openTargets(db, run.id, AT_ONCE);
            if (next.length === 0) break;
            for (const { place, target } of next) {
                if (!(await renewProposalRun(db, run.id, owner))) return;
                await saveFound(db, run.id, place, await open.foundFor(target));
            }
        }
        await endProposalRun(db, run.id, owner, { state: 'done', trouble: '' });
    } catch (failure) {
        if (failure instanceof SurveyGone) return;
        if (isPassing(failure)) throw failure;
        const isLost = failure instanceof RevisionLost;
        await fail(
            isLost ? problem('proposals-no-words', {}) : problem('proposals-failed', { cause: reasonOf(failure) }),
        );
    }
}

interface Opened {
    /** Sentences that speak of a page, by its URL: how many pages have one, and the best of them. */
    foundFor(url: string): Promise<{ sentences: number; best: FoundSentence[] }>;
}

/** The survey with its words, and what the site says; null where its words are not known. */
async function openedFor(store: Store, survey: Survey): Promise<Opened | null> {
    const { db } = store;
    const surveys = new OpenSurveys(() => store);
    const packed = await surveys.open(survey, ['text', 'links']);
    const sections = await surveys.words(survey);
    if (sections === null) return null;
    const { siteId } = survey;
    const generic = new GenericWords(await listGenericWords(db, siteId));
    const said = subjectsByUrl(packed, await listSubjects(db, siteId));
    const open = textsOf(packed, survey.id, new WordIndex(sections), generic);
    const closed = await closedSources(db, siteId);
    return {
        foundFor: async (url) => {
            const node = packed.nodeOf(url);
            // A page of the set that the survey knows no more: nothing speaks of it.
            if (node === -1) return { sentences: 0, best: [] };
            const { found } = await rankedProposals(db, open, packed, node, said.get(url)?.words ?? [], MOST_READ);
            const free = found.filter(({ source }) => closed.get(url)?.has(packed.url(source)) !== true);
            return { sentences: free.length, best: await toldOf(db, open, packed, free.slice(0, MOST_KEPT)) };
        },
    };
}

/** Of each target the pages of which nothing is proposed any more: taken, refused or put off. */
async function closedSources(db: Database, siteId: number): Promise<Map<string, Set<string>>> {
    const closed = new Map<string, Set<string>>();
    const close = (target: string, source: string): void => {
        closed.set(target, (closed.get(target) ?? new Set<string>()).add(source));
    };
    for (const { source, target } of await listAnswers(db, siteId)) close(target, source);
    for (const { kind, page, newTarget } of await listChanges(db, siteId)) if (kind === 'add') close(newTarget, page);
    return closed;
}

async function toldOf(
    db: Database,
    { texts }: OpenTexts,
    packed: PackedSurvey,
    proposals: readonly Proposal[],
): Promise<FoundSentence[]> {
    const read = await texts.of(
        db,
        proposals.map(({ source }) => source),
    );
    return proposals.flatMap((proposal) => {
        const text = read.get(proposal.source);
        return text ? [sentenceOf(packed, proposal, text)] : [];
    });
}

function sentenceOf(
    packed: PackedSurvey,
    { source, sentence, match, score }: Proposal,
    text: SourceText,
): FoundSentence {
    const passage = text.running.passages[sentence.passage]!;
    const [from, to] = [text.from[match.first]!, text.to[match.last - 1]!];
    return {
        source: packed.url(source),
        line: text.running.placeOf(passage, from).line,
        sentence: passage.text.slice(sentence.from, sentence.to),
        anchor: passage.text.slice(from, to),
        score,
    };
}
