/** What Anchors shows: by which words links of running text call each page, and how these stand to what it is about. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { REGIONS, type Region } from '../page/links.ts';
import { FIT, FITS, FitJudge, fitOfLink, type Fit } from '../subjects/anchor-fit.ts';
import { SubjectMaker, type SaidSubjects, type SubjectOrigin } from '../subjects/subject.ts';
import { ownTitle } from '../subjects/site-names.ts';
import { calledBy, eachCall } from '../text/called.ts';
import type { GenericWords } from '../text/generic-words.ts';
import { emptyAnchors, listPlaces } from '../text/link-words.ts';
import type { WordIndex } from '../text/word-index.ts';
import { sharedWordings } from './same-words.ts';
import { sharedAnchors, type SharedAnchor } from './shared-anchors.ts';

export const PROFILE_ORDERS = ['trouble', 'standing', 'links'] as const;
export type ProfileOrder = (typeof PROFILE_ORDERS)[number];

/** Links of each fit, by its number. */
export type FitCounts = readonly number[];

export interface ProfileRow {
    url: string;
    title: string;
    /** Links to it in the text of other pages, page by page. */
    links: number;
    /** Share of its judged links that fit; null where none could be judged. */
    fits: number | null;
    /** Its anchors: the fit and the links of each, those that fit first. */
    segments: { fit: Fit; links: number }[];
}

export interface ProfileAnchor {
    /** Words of the link; empty for none. */
    text: string;
    /** The accessible name of a link without words; empty for none. */
    name: string;
    fit: Fit;
    /** What it shares with the subject, and what of it is in the target's text only. */
    shared: string[];
    inText: string[];
    /** Links, page by page, and the places of the first of them. */
    links: number;
    places: { url: string; region: Region; pageBlock: number; at: number }[];
}

export interface PageProfile {
    url: string;
    title: string;
    /** Place in the order, from 1; null where it is not in it. */
    rank: number | null;
    before: string | null;
    next: string | null;
    subject: string[];
    subjectFrom: SubjectOrigin;
    links: number;
    fitting: number;
    segments: ProfileRow['segments'];
    /** Worst first. */
    anchors: ProfileAnchor[];
    moreAnchors: number;
    /** Anchors that the page itself uses in its text, the commonest first. */
    own: { text: string; links: number; targets: number; fit: Fit }[];
}

export interface AnchorsView {
    /** Whether anchors could be held against subjects: the words of the survey are known. */
    isJudged: boolean;
    counts: {
        /** Links in running text. */
        links: number;
        /** Of them: say nothing; could be judged; of those, fit. */
        nothing: number;
        judged: number;
        fits: number;
        /** Wordings that call more than one page. */
        shared: number;
    };
    order: ProfileOrder;
    total: number;
    from: number;
    most: number;
    rows: ProfileRow[];
    chosen: PageProfile | null;
    shared: SharedAnchor[];
    moreShared: number;
}

const MOST_ROWS = 60;
const MOST_ANCHORS = 60;
const MOST_PLACES = 3;
const MOST_SHARED = 24;
const MOST_SEGMENTS = 24;
const MOST_OWN = 30;
/** The order in which segments of a strip stand. */
const STRIP: readonly Fit[] = ['fits', 'loose', 'off', 'nothing', 'unknown', 'unjudged'];
/** Worst first. */
const WORST: readonly Fit[] = ['nothing', 'off', 'loose', 'unknown', 'unjudged', 'fits'];

export interface AnchorsAsked {
    survey: PackedSurvey;
    words: WordIndex | null;
    /** Of each link its fit, with what the architect says; null where the words are not known. */
    fits: ArrayLike<number> | null;
    said: SaidSubjects;
    generic: GenericWords;
    within: { has(node: number): boolean } | null;
    order: ProfileOrder;
    from: number;
    /** Node of the page whose profile is shown; -1 for the first. */
    of: number;
}

/** How links are judged. */
type Judged = Pick<AnchorsAsked, 'survey' | 'fits' | 'generic'>;

/** Sums by target. */
interface Sums {
    links: Uint32Array;
    byFit: Uint32Array[];
}

/** O(links of running text + page blocks). */
export function anchorsView(asked: AnchorsAsked): AnchorsView {
    const { survey, fits, generic, within, order, from } = asked;
    const sums = sumsOf(asked);
    const nodes: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (sums.links[node]! > 0 && (within?.has(node) ?? true)) nodes.push(node);
    }
    nodes.sort(orderBy(survey, sums, order));
    const total = (fit: Fit): number => nodes.reduce((sum, node) => sum + sums.byFit[FIT[fit]]![node]!, 0);
    const [fitting, loose, off] = [total('fits'), total('loose'), total('off')];
    const shared = sharedAnchors(survey, generic);
    const chosen = asked.of !== -1 ? asked.of : (nodes[0] ?? -1);
    return {
        isJudged: fits !== null,
        counts: {
            links: nodes.reduce((sum, node) => sum + sums.links[node]!, 0),
            nothing: total('nothing'),
            judged: fitting + loose + off + total('nothing'),
            fits: fitting,
            shared: sharedWordings(survey, generic),
        },
        order,
        total: nodes.length,
        from,
        most: MOST_ROWS,
        rows: nodes.slice(from, from + MOST_ROWS).map((node) => rowOf(asked, sums, node)),
        chosen: chosen === -1 ? null : profileOf(asked, nodes, chosen),
        shared: shared.slice(0, MOST_SHARED),
        moreShared: Math.max(0, shared.length - MOST_SHARED),
    };
}

function sumsOf({ survey, fits, generic }: Judged): Sums {
    const { start, links, pages } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const isNothing = emptyAnchors(survey, generic);
    const sums: Sums = {
        links: new Uint32Array(survey.count),
        byFit: FITS.map(() => new Uint32Array(survey.count)),
    };
    for (let node = 0; node < survey.count; node++) {
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const link = links[at]!;
            const times = pages[at]!;
            sums.links[node]! += times;
            sums.byFit[fitOfLink(fits, link, isNothing[anchor[link]!] === 1)]![node]! += times;
        }
    }
    return sums;
}

function orderBy(survey: PackedSurvey, { links, byFit }: Sums, order: ProfileOrder): (a: number, b: number) => number {
    const standing = survey.numbers('standing');
    const bad = (node: number): number => byFit[FIT.off]![node]! + byFit[FIT.nothing]![node]!;
    const byLinks = (a: number, b: number): number => links[b]! - links[a]! || a - b;
    const byStanding = (a: number, b: number): number => (standing[b] || 0) - (standing[a] || 0) || byLinks(a, b);
    const byTrouble = (a: number, b: number): number =>
        bad(b) - bad(a) || byFit[FIT.loose]![b]! - byFit[FIT.loose]![a]! || byLinks(a, b);
    return { trouble: byTrouble, standing: byStanding, links: byLinks }[order];
}

/** Anchors of a page: the numbers of their texts, with their links. */
function anchorsTo(survey: PackedSurvey, node: number): Map<string, { link: number; at: number[]; links: number }> {
    const { start, links, pages } = calledBy(survey);
    const [anchor, name] = [survey.numbers('link_anchor'), survey.numbers('link_name')];
    const noAnchor = survey.texts('link_anchor_words').all().indexOf('');
    const found = new Map<string, { link: number; at: number[]; links: number }>();
    for (let at = start[node]!; at < start[node + 1]!; at++) {
        const link = links[at]!;
        const key = anchor[link] === noAnchor ? `name ${name[link]}` : `${anchor[link]}`;
        const known = found.get(key);
        if (known) {
            known.at.push(at);
            known.links += pages[at]!;
        } else found.set(key, { link, at: [at], links: pages[at]! });
    }
    return found;
}

function segmentsOf({ survey, fits, generic }: Judged, node: number): ProfileRow['segments'] {
    const isNothing = emptyAnchors(survey, generic);
    const anchor = survey.numbers('link_anchor');
    const all = [...anchorsTo(survey, node).values()].map(({ link, links }) => ({
        fit: FITS[fitOfLink(fits, link, isNothing[anchor[link]!] === 1)]!,
        links,
    }));
    all.sort((a, b) => STRIP.indexOf(a.fit) - STRIP.indexOf(b.fit) || b.links - a.links);
    if (all.length <= MOST_SEGMENTS) return all;
    // Beyond what can be told apart, one segment a fit.
    return STRIP.map((fit) => ({
        fit,
        links: all.filter((segment) => segment.fit === fit).reduce((sum, segment) => sum + segment.links, 0),
    })).filter(({ links }) => links > 0);
}

function rowOf(asked: Judged, sums: Sums, node: number): ProfileRow {
    const { survey, fits } = asked;
    const count = (fit: Fit): number => sums.byFit[FIT[fit]]![node]!;
    const judged = count('fits') + count('loose') + count('off') + count('nothing');
    return {
        url: survey.url(node),
        title: ownTitle(survey, node),
        links: sums.links[node]!,
        fits: fits === null || judged === 0 ? null : count('fits') / judged,
        segments: segmentsOf(asked, node),
    };
}

function profileOf(asked: AnchorsAsked, nodes: readonly number[], node: number): PageProfile {
    const { survey, words, fits, said, generic } = asked;
    const subject = words ? new SubjectMaker(survey, words, said, generic).of(node) : null;
    const judge = words && subject ? new FitJudge(survey, words, node, subject, generic) : null;
    const { language, languages } = listPlaces(survey);
    const { lists } = calledBy(survey);
    const [anchor, name] = [survey.texts('link_anchor_words'), survey.texts('link_name_words')];
    const isNothing = emptyAnchors(survey, generic);
    const places = placesOfLists(survey, node);
    const anchors = [...anchorsTo(survey, node).values()].map(({ link, at, links }): ProfileAnchor => {
        const text = anchor.at(survey.numbers('link_anchor')[link]!);
        const told = judge?.of(text, languages[language[lists[at[0]!]!]!]!);
        const plain = isNothing[survey.numbers('link_anchor')[link]!] === 1;
        return {
            text,
            name: text === '' ? name.at(survey.numbers('link_name')[link]!) : '',
            fit: told?.fit ?? FITS[fitOfLink(fits, link, plain)]!,
            shared: told?.shared ?? [],
            inText: told?.inText ?? [],
            links,
            places: at.flatMap((place) => places.get(place) ?? []).slice(0, MOST_PLACES),
        };
    });
    anchors.sort(
        (a, b) => WORST.indexOf(a.fit) - WORST.indexOf(b.fit) || b.links - a.links || (a.text < b.text ? -1 : 1),
    );
    const rank = nodes.indexOf(node);
    const links = anchors.reduce((sum, item) => sum + item.links, 0);
    return {
        url: survey.url(node),
        title: ownTitle(survey, node),
        rank: rank === -1 ? null : rank + 1,
        before: rank > 0 ? survey.url(nodes[rank - 1]!) : null,
        next: rank !== -1 && rank + 1 < nodes.length ? survey.url(nodes[rank + 1]!) : null,
        subject: subject?.words.map(({ word }) => word) ?? [],
        subjectFrom: subject?.from ?? 'worked out',
        links,
        fitting: anchors.filter(({ fit }) => fit === 'fits').reduce((sum, item) => sum + item.links, 0),
        segments: segmentsOf(asked, node),
        anchors: anchors.slice(0, MOST_ANCHORS),
        moreAnchors: Math.max(0, anchors.length - MOST_ANCHORS),
        own: ownAnchors(asked, node),
    };
}

/** Of each link to a page (by its place among those) where it stands: the first pages that hold it. O(page blocks). */
function placesOfLists(survey: PackedSurvey, node: number): Map<number, ProfileAnchor['places']> {
    const { pageBlocks, blockRegion } = linkGraphOf(survey);
    const found = new Map<number, ProfileAnchor['places']>();
    eachCall(
        survey,
        node,
        () => true,
        (index, { page, pageBlock, at }) => {
            const known = found.get(index) ?? [];
            if (known.length >= MOST_PLACES) return;
            const region = REGIONS[blockRegion[pageBlocks[pageBlock]!]!]!;
            known.push({ url: survey.url(page), region, pageBlock, at });
            found.set(index, known);
        },
    );
    return found;
}

/** Anchors that a page uses in its own text. */
function ownAnchors({ survey, fits, generic }: Judged, node: number): PageProfile['own'] {
    const { pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const { inText } = listPlaces(survey);
    const anchor = survey.numbers('link_anchor');
    const texts = survey.texts('link_anchor_words');
    const isNothing = emptyAnchors(survey, generic);
    const found = new Map<number, { links: number; targets: Set<number>; fit: Fit }>();
    for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
        const list = blockList[pageBlocks[at]!]!;
        if (inText[list] !== 1) continue;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] !== 0) continue;
            const text = anchor[link]!;
            const known = found.get(text) ?? { links: 0, targets: new Set<number>(), fit: 'fits' };
            known.links++;
            known.targets.add(target[link]!);
            const fit = FITS[fitOfLink(fits, link, isNothing[text] === 1)]!;
            if (WORST.indexOf(fit) < WORST.indexOf(known.fit)) known.fit = fit;
            found.set(text, known);
        }
    }
    return [...found]
        .sort(([a, x], [b, y]) => y.links - x.links || a - b)
        .slice(0, MOST_OWN)
        .map(([text, { links, targets, fit }]) => ({ text: texts.at(text), links, targets: targets.size, fit }));
}
