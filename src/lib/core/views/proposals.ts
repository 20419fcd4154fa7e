/** What a proposal shows: its sentence on its page, the words within reach, and why it is proposed. */
import { UNREACHED } from '../graph/depth.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { NO_PAGE, type Proposal, type Proposer, type Target } from '../proposals/proposer.ts';
import { PARTS, type ScorePart } from '../proposals/score.ts';
import type { SourceText } from '../proposals/source-text.ts';
import { NOTHING } from '../proposals/stem-numbers.ts';
import { ownTitle } from '../subjects/site-names.ts';
import { textLinks } from '../proposals/neighbours.ts';
import { aboutOf, alikeOf, briefOf, companyOf, highOf, nearOf, rareOf, speaksOf } from '../words/proposals.ts';

export type { Effect } from '../proposals/effect.ts';

export interface ShownWord {
    /** Characters of the passage. */
    from: number;
    to: number;
    /** A link or a quotation holds it. */
    isTaken: boolean;
    /** The run of words it belongs to: an anchor does not reach from one to another. */
    run: number;
}

export interface ShownProposal {
    source: string;
    sourceTitle: string;
    sourceDepth: number;
    sourceStanding: number;
    target: string;
    targetTitle: string;
    /** Line in the received source, from 1. */
    line: number;
    /** Heading it stands under; empty for none. */
    heading: string;
    /** The passages before and behind its own; empty for none. */
    before: string;
    after: string;
    /** Its own passage, and where the sentence stands in it. */
    passage: string;
    from: number;
    to: number;
    words: ShownWord[];
    /** Words of the anchor: indexes among those of the sentence, the second behind the last. */
    anchor: [number, number];
    /** 0 to 1. */
    score: number;
    /** Each part of the score, and why. */
    parts: { part: ScorePart; value: number; why: string }[];
}

/** What ends a run of words. */
const PARTING = /[.!?;:()[\]{}“”"«»—–|]/u;
/** Parts that speak of where the source stands. */
const OF_PLACE: readonly ScorePart[] = ['near', 'high', 'brief'];
const MOST_CONTEXT = 500;
const MOST_TOLD = 5;
const MOST_COMPANIONS = 3;

export function shownProposal(
    survey: PackedSurvey,
    proposer: Proposer,
    target: Target,
    proposal: Proposal,
    text: SourceText,
): ShownProposal {
    const { source, sentence, match } = proposal;
    const { passages, placeOf } = text.running;
    const passage = passages[sentence.passage]!;
    const words: ShownWord[] = [];
    let run = 0;
    for (let at = sentence.first; at < sentence.last; at++) {
        const [from, to] = [text.from[at]!, text.to[at]!];
        const isTaken = text.isTaken[at] === 1;
        const last = words[words.length - 1];
        if (last && (PARTING.test(passage.text.slice(last.to, from)) || last.isTaken !== isTaken)) run++;
        words.push({ from, to, isTaken, run });
    }
    return {
        source: source === NO_PAGE ? '' : survey.url(source),
        sourceTitle: source === NO_PAGE ? '' : ownTitle(survey, source),
        sourceDepth: source === NO_PAGE ? -1 : survey.numbers('depth')[source]!,
        sourceStanding: source === NO_PAGE ? 0 : survey.numbers('standing')[source]!,
        target: survey.url(target.node),
        targetTitle: ownTitle(survey, target.node),
        line: placeOf(passage, text.from[match.first]!).line,
        heading: passages[passage.under]?.text ?? '',
        before: contextOf(passages[sentence.passage - 1]),
        after: contextOf(passages[sentence.passage + 1]),
        passage: passage.text,
        from: sentence.from,
        to: sentence.to,
        words,
        anchor: [match.first - sentence.first, match.last - sentence.first],
        score: proposal.score,
        parts: PARTS.filter((part) => source !== NO_PAGE || !OF_PLACE.includes(part)).map((part) => ({
            part,
            value: proposal.parts[part],
            why: whyOf(part, survey, proposer, target, proposal, text),
        })),
    };
}

function contextOf(passage: { kind: string; text: string } | undefined): string {
    if (!passage || (passage.kind !== 'prose' && passage.kind !== 'cell')) return '';
    const { text } = passage;
    return text.length > MOST_CONTEXT ? `${text.slice(0, MOST_CONTEXT)} …` : text;
}

function whyOf(
    part: ScorePart,
    survey: PackedSurvey,
    proposer: Proposer,
    target: Target,
    { source, sentence, match, name, parts }: Proposal,
    text: SourceText,
): string {
    const passage = text.running.passages[sentence.passage]!.text;
    const wordAt = (at: number): string => passage.slice(text.from[at]!, text.to[at]!);
    switch (part) {
        case 'speaks': {
            const stems = new Set(name.stems);
            const words: string[] = [];
            for (let at = match.first; at < match.last; at++) if (stems.has(text.stem[at]!)) words.push(wordAt(at));
            const isWhole = match.coverage > 0.999;
            return speaksOf({ words, from: name.from, name: name.text, links: name.links, isWhole });
        }
        case 'rare': {
            let [rarest, pages] = ['', Infinity];
            for (let at = match.first; at < match.last; at++) {
                if (text.stem[at] === NOTHING) continue;
                const on = proposer.pagesWith(text.stem[at]!);
                if (on < pages) [rarest, pages] = [wordAt(at), on];
            }
            return rareOf(rarest, pages, proposer.pages);
        }
        case 'about': {
            const words: string[] = [];
            for (let at = sentence.first; at < sentence.last; at++) {
                const isOwn = at >= match.first && at < match.last;
                if (!isOwn && target.subject.has(text.stem[at]!)) words.push(wordAt(at));
            }
            return aboutOf([...new Set(words)].slice(0, MOST_TOLD));
        }
        case 'alike':
            return alikeOf(proposer.commonWords(target, text, MOST_TOLD));
        case 'near': {
            const { same, led, beside } = target.nearness;
            return nearOf({
                same: same.get(source) ?? 0,
                isLed: led.has(source),
                beside: (beside.get(source) ?? 0) > 0,
            });
        }
        case 'company': {
            const nodes = proposer.companions(target, text, sentence).slice(0, MOST_COMPANIONS);
            const titles = nodes.map((node) => ownTitle(survey, node) || survey.url(node));
            return companyOf(titles, target.company.size > 0);
        }
        case 'high': {
            const depth = survey.numbers('depth')[source]!;
            return highOf(survey.numbers('standing')[source]!.toFixed(1), depth === UNREACHED ? 0 : depth);
        }
        case 'brief': {
            const { start } = textLinks(survey);
            return parts.brief === 1 ? briefOf(0) : briefOf(start[source + 1]! - start[source]!);
        }
    }
}
