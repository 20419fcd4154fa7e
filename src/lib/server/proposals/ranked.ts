/** Sentences of other pages for one target: pages ranked by the word index, the texts of the first of them read. */
import { landings } from '../../core/model/landings.ts';
import { modelOf } from '../../core/packed/model-of.ts';
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { Proposer, leadersTo, speaksOfIt, type Proposal, type Target } from '../../core/proposals/proposer.ts';
import type { GenericWords } from '../../core/text/generic-words.ts';
import type { WordIndex } from '../../core/text/word-index.ts';
import type { Database } from '../store/connect.ts';
import { SourceTexts } from './source-texts.ts';

/** What proposals in one survey are made with. */
export interface OpenTexts {
    words: WordIndex;
    texts: SourceTexts;
    proposer: Proposer;
    /** Of the words that say nothing, as `proposer` has them. */
    generic: string;
}

/** Needs `text` and `links`. @param texts those of the survey, where they are there already */
export function textsOf(
    survey: PackedSurvey,
    surveyId: number,
    words: WordIndex,
    generic: GenericWords,
    texts = new SourceTexts(survey, surveyId),
): OpenTexts {
    return { words, texts, proposer: new Proposer(survey, words, texts.stems, generic), generic: generic.key };
}

/** Pages whose texts are read for one target: at first, so that the best are there at once, and in all. */
export const FIRST_READ = 40;
export const MOST_READ = 160;

export interface RankedProposals {
    target: Target;
    /** One a page, the best first. */
    found: Proposal[];
    /** Sources of pages were there to be read. */
    isRead: boolean;
    /** No further page could have one. */
    isWhole: boolean;
}

/** The target, and whatever leads to it by redirects or says it is its canonical: a link there is a link to it. */
function sameAs(survey: PackedSurvey, node: number): Set<number> {
    const same = new Set([node]);
    landings(modelOf(survey)).forEach((end, other) => {
        if (end === node) same.add(other);
    });
    const [start, canonical] = [survey.numbers('canonical_start'), survey.numbers('canonical')];
    for (let other = 0; other < survey.count; other++) {
        for (let at = start[other]!; at < start[other + 1]!; at++) if (canonical[at] === node) same.add(other);
    }
    return same;
}

/** @param said the subject of the target as the architect says it @param most pages whose texts are read */
export async function rankedProposals(
    db: Database,
    { proposer, texts }: OpenTexts,
    survey: PackedSurvey,
    node: number,
    said: readonly string[],
    most: number,
): Promise<RankedProposals> {
    const own = (await texts.of(db, [node])).get(node) ?? null;
    const target = proposer.target(node, own, said);
    const leads = leadersTo(survey, sameAs(survey, node));
    const ranked = proposer.ranked(target, (other) => leads[other] === 1, most);
    const read = await texts.of(
        db,
        ranked.map((page) => page.node),
    );
    const found = ranked.flatMap((page) => {
        const text = read.get(page.node);
        return text ? proposer.ofPage(target, page, text) : [];
    });
    return {
        target,
        isRead: own !== null || [...read.values()].some((text) => text !== null),
        isWhole: most === MOST_READ || ranked.length < most,
        found: found.filter(speaksOfIt).sort((a, b) => b.score - a.score || a.source - b.source),
    };
}
