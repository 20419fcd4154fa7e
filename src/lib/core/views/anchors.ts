/** What Anchors shows: by which words links of running text call each page, and how these stand to what it is about. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { REGIONS, type Region } from '../page/links.ts';
import { FIT, FITS, FitJudge, type Fit } from '../subjects/anchor-fit.ts';
import { SubjectMaker, type SaidSubjects } from '../subjects/subject.ts';
import { ownTitle } from '../subjects/site-names.ts';
import { calledBy } from '../text/called.ts';
import { genericIn } from '../text/generic-words.ts';
import { listPlaces } from '../text/link-words.ts';
import type { WordIndex } from '../text/word-index.ts';

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
    isSubjectSaid: boolean;
    links: number;
    fitting: number;
    segments: ProfileRow['segments'];
    /** Worst first. */
    anchors: ProfileAnchor[];
    moreAnchors: number;
    /** Anchors that the page itself uses in its text, the commonest first. */
    own: { text: string; links: number; targets: number; fit: Fit }[];
}

export interface SharedAnchor {
    /** Words of the link, or its name; empty for neither. */
    text: string;
    isName: boolean;
    says: 'nothing' | 'little' | 'something';
    targets: number;
    /** The one target where there is only one. */
    url: string;
    template: number;
    templateName: string;
    region: Region;
    pages: number;
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
    within: { has(node: number): boolean } | null;
    order: ProfileOrder;
    from: number;
    /** Node of the page whose profile is shown; -1 for the first. */
    of: number;
}

/** Sums by target. */
interface Sums {
    links: Uint32Array;
    byFit: Uint32Array[];
}

const fitOf = (fits: ArrayLike<number> | null, link: number, isNothing: boolean): number =>
    fits ? fits[link]! : isNothing ? FIT.nothing : FIT.unknown;

/** O(links of running text + page blocks). */
export function anchorsView(asked: AnchorsAsked): AnchorsView {
    const { survey, fits, within, order, from } = asked;
    const sums = sumsOf(survey, fits);
    const nodes: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (sums.links[node]! > 0 && (within?.has(node) ?? true)) nodes.push(node);
    }
    nodes.sort(orderBy(survey, sums, order));
    const total = (fit: Fit): number => nodes.reduce((sum, node) => sum + sums.byFit[FIT[fit]]![node]!, 0);
    const [fitting, loose, off] = [total('fits'), total('loose'), total('off')];
    const shared = sharedAnchors(survey);
    const chosen = asked.of !== -1 ? asked.of : (nodes[0] ?? -1);
    return {
        isJudged: fits !== null,
        counts: {
            links: nodes.reduce((sum, node) => sum + sums.links[node]!, 0),
            nothing: total('nothing'),
            judged: fitting + loose + off + total('nothing'),
            fits: fitting,
            shared: sameWords(survey).length,
        },
        order,
        total: nodes.length,
        from,
        most: MOST_ROWS,
        rows: nodes.slice(from, from + MOST_ROWS).map((node) => rowOf(survey, fits, sums, node)),
        chosen: chosen === -1 ? null : profileOf(asked, nodes, chosen),
        shared: shared.slice(0, MOST_SHARED),
        moreShared: Math.max(0, shared.length - MOST_SHARED),
    };
}

function nothingOf(survey: PackedSurvey): Uint8Array {
    return Uint8Array.from(survey.texts('link_anchor_words').all(), (text) =>
        text === '' || genericIn(text).length > 0 ? 1 : 0,
    );
}

function sumsOf(survey: PackedSurvey, fits: ArrayLike<number> | null): Sums {
    const { start, links, lists, pages } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const isNothing = nothingOf(survey);
    const sums: Sums = {
        links: new Uint32Array(survey.count),
        byFit: FITS.map(() => new Uint32Array(survey.count)),
    };
    for (let node = 0; node < survey.count; node++) {
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const link = links[at]!;
            const times = pages[lists[at]!]!;
            sums.links[node]! += times;
            sums.byFit[fitOf(fits, link, isNothing[anchor[link]!] === 1)]![node]! += times;
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
    const { start, links, lists, pages } = calledBy(survey);
    const [anchor, name] = [survey.numbers('link_anchor'), survey.numbers('link_name')];
    const noAnchor = survey.texts('link_anchor_words').all().indexOf('');
    const found = new Map<string, { link: number; at: number[]; links: number }>();
    for (let at = start[node]!; at < start[node + 1]!; at++) {
        const link = links[at]!;
        const key = anchor[link] === noAnchor ? `name ${name[link]}` : `${anchor[link]}`;
        const known = found.get(key);
        if (known) {
            known.at.push(at);
            known.links += pages[lists[at]!]!;
        } else found.set(key, { link, at: [at], links: pages[lists[at]!]! });
    }
    return found;
}

function segmentsOf(survey: PackedSurvey, fits: ArrayLike<number> | null, node: number): ProfileRow['segments'] {
    const isNothing = nothingOf(survey);
    const anchor = survey.numbers('link_anchor');
    const all = [...anchorsTo(survey, node).values()].map(({ link, links }) => ({
        fit: FITS[fitOf(fits, link, isNothing[anchor[link]!] === 1)]!,
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

function rowOf(survey: PackedSurvey, fits: ArrayLike<number> | null, sums: Sums, node: number): ProfileRow {
    const count = (fit: Fit): number => sums.byFit[FIT[fit]]![node]!;
    const judged = count('fits') + count('loose') + count('off') + count('nothing');
    return {
        url: survey.url(node),
        title: ownTitle(survey, node),
        links: sums.links[node]!,
        fits: fits === null || judged === 0 ? null : count('fits') / judged,
        segments: segmentsOf(survey, fits, node),
    };
}

function profileOf(asked: AnchorsAsked, nodes: readonly number[], node: number): PageProfile {
    const { survey, words, fits, said } = asked;
    const subject = words ? new SubjectMaker(survey, words, said).of(node) : null;
    const judge = words && subject ? new FitJudge(survey, words, node, subject) : null;
    const { language, languages } = listPlaces(survey);
    const { lists } = calledBy(survey);
    const [anchor, name] = [survey.texts('link_anchor_words'), survey.texts('link_name_words')];
    const isNothing = nothingOf(survey);
    const places = placesOfLists(survey, node);
    const anchors = [...anchorsTo(survey, node).values()].map(({ link, at, links }): ProfileAnchor => {
        const text = anchor.at(survey.numbers('link_anchor')[link]!);
        const told = judge?.of(text, languages[language[lists[at[0]!]!]!]!);
        const plain = isNothing[survey.numbers('link_anchor')[link]!] === 1;
        return {
            text,
            name: text === '' ? name.at(survey.numbers('link_name')[link]!) : '',
            fit: told?.fit ?? FITS[fitOf(fits, link, plain)]!,
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
        isSubjectSaid: subject?.isSaid ?? false,
        links,
        fitting: anchors.filter(({ fit }) => fit === 'fits').reduce((sum, item) => sum + item.links, 0),
        segments: segmentsOf(survey, fits, node),
        anchors: anchors.slice(0, MOST_ANCHORS),
        moreAnchors: Math.max(0, anchors.length - MOST_ANCHORS),
        own: ownAnchors(survey, fits, node),
    };
}

/** Of each link to a page (by its place among those) where it stands: the first pages that hold it. O(page blocks). */
function placesOfLists(survey: PackedSurvey, node: number): Map<number, ProfileAnchor['places']> {
    const { start, links, lists } = calledBy(survey);
    const { isPage, pageStart, pageBlocks, blockList, blockRegion, listStart } = linkGraphOf(survey);
    const wanted = new Map<number, number[]>();
    for (let at = start[node]!; at < start[node + 1]!; at++) {
        const own = wanted.get(lists[at]!);
        if (own) own.push(at);
        else wanted.set(lists[at]!, [at]);
    }
    const found = new Map<number, ProfileAnchor['places']>();
    if (wanted.size === 0) return found;
    for (let page = 0; page < survey.count; page++) {
        if (isPage[page] !== 1) continue;
        for (let pageBlock = pageStart[page]!; pageBlock < pageStart[page + 1]!; pageBlock++) {
            const block = pageBlocks[pageBlock]!;
            const list = blockList[block]!;
            for (const at of wanted.get(list) ?? []) {
                const known = found.get(at) ?? [];
                if (known.length >= MOST_PLACES) continue;
                const place = { pageBlock, at: links[at]! - listStart[list]! };
                known.push({ url: survey.url(page), region: REGIONS[blockRegion[block]!]!, ...place });
                found.set(at, known);
            }
        }
    }
    return found;
}

/** Anchors that a page uses in its own text. */
function ownAnchors(survey: PackedSurvey, fits: ArrayLike<number> | null, node: number): PageProfile['own'] {
    const { pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const { inText } = listPlaces(survey);
    const anchor = survey.numbers('link_anchor');
    const texts = survey.texts('link_anchor_words');
    const isNothing = nothingOf(survey);
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
            const fit = FITS[fitOf(fits, link, isNothing[text] === 1)]!;
            if (WORST.indexOf(fit) < WORST.indexOf(known.fit)) known.fit = fit;
            found.set(text, known);
        }
    }
    return [...found]
        .sort(([a, x], [b, y]) => y.links - x.links || a - b)
        .slice(0, MOST_OWN)
        .map(([text, { links, targets, fit }]) => ({ text: texts.at(text), links, targets: targets.size, fit }));
}

/** Anchors of menus and shared blocks, each once for its template: those that say nothing first, then by pages. */
function sharedAnchors(survey: PackedSurvey): SharedAnchor[] {
    const {
        isPage,
        pageStart,
        pageBlocks,
        blockList,
        blockTemplate,
        blockRegion,
        blockPages,
        listStart,
        target,
        kind,
    } = linkGraphOf(survey);
    const [anchor, name] = [survey.numbers('link_anchor'), survey.numbers('link_name')];
    const [words, names] = [survey.texts('link_anchor_words'), survey.texts('link_name_words')];
    const { inText } = listPlaces(survey);
    const isNothing = nothingOf(survey);
    const seen = new Set<number>();
    const found = new Map<string, SharedAnchor & { to: Set<number>; blocks: Set<number> }>();
    const { templates } = survey.measured;
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            const template = blockTemplate[block]!;
            if (template === -1 || inText[blockList[block]!] === 1 || seen.has(block)) continue;
            seen.add(block);
            const list = blockList[block]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (kind[link] !== 0 || target[link]! < 0 || target[link]! >= survey.count) continue;
                const plain = words.at(anchor[link]!);
                const called = plain === '' ? names.at(name[link]!) : '';
                const says =
                    plain === '' && called === ''
                        ? 'nothing'
                        : plain === '' || isNothing[anchor[link]!] === 1
                          ? 'little'
                          : 'something';
                if (says === 'something') continue;
                const key = `${template} ${plain} ${called}`;
                let row = found.get(key);
                if (!row) {
                    row = {
                        text: plain || called,
                        isName: plain === '' && called !== '',
                        says,
                        targets: 0,
                        url: survey.addressUrl(target[link]!),
                        template,
                        templateName: templates[template]?.name ?? '',
                        region: REGIONS[blockRegion[block]!]!,
                        pages: 0,
                        to: new Set(),
                        blocks: new Set(),
                    };
                    found.set(key, row);
                }
                row.to.add(target[link]!);
                if (!row.blocks.has(block)) {
                    row.blocks.add(block);
                    row.pages += blockPages[block]!;
                }
            }
        }
    }
    return [...found.values()]
        .map(({ to, blocks: _, ...row }) => ({ ...row, targets: to.size, url: to.size === 1 ? row.url : '' }))
        .sort(
            (a, b) =>
                Number(b.says === 'nothing') - Number(a.says === 'nothing') ||
                b.pages - a.pages ||
                (a.text < b.text ? -1 : 1),
        );
}

export interface SameWords {
    text: string;
    links: number;
    /** Pages it leads to, those of most links first. */
    targets: { url: string; links: number; fit: Fit }[];
    moreTargets: number;
}

/** Numbers of the anchors of running text that call more than one page and say something, with links by target. */
function sameWords(
    survey: PackedSurvey,
): { anchor: number; links: number; targets: Map<number, { links: number; link: number }> }[] {
    const { start, links, lists, pages } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const isNothing = nothingOf(survey);
    const canonical = survey.numbers('canonical_start');
    const canonicals = survey.numbers('canonical');
    const meant = (node: number): number =>
        canonical[node + 1]! - canonical[node]! === 1 ? canonicals[canonical[node]!]! : node;
    const found = new Map<number, Map<number, { links: number; link: number }>>();
    for (let node = 0; node < survey.count; node++) {
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const link = links[at]!;
            const own = anchor[link]!;
            if (isNothing[own] === 1) continue;
            const targets = found.get(own) ?? new Map<number, { links: number; link: number }>();
            found.set(own, targets);
            const to = meant(node);
            const known = targets.get(to);
            if (known) known.links += pages[lists[at]!]!;
            else targets.set(to, { links: pages[lists[at]!]!, link });
        }
    }
    return (
        [...found]
            .filter(([, targets]) => targets.size > 1)
            .map(([own, targets]) => ({
                anchor: own,
                targets,
                links: [...targets.values()].reduce((sum, { links: all }) => sum + all, 0),
            }))
            // Where each page is called so once, it is the pattern of a template and not a doubt: those come last.
            .sort((a, b) => Number(isSeries(a)) - Number(isSeries(b)) || b.links - a.links || a.anchor - b.anchor)
    );
}

const isSeries = ({ links, targets }: { links: number; targets: { size: number } }): boolean => links === targets.size;

export interface SameWordsView {
    total: number;
    from: number;
    most: number;
    wordings: SameWords[];
    /** One target, many wordings. */
    many: { url: string; title: string; names: number; links: number; some: string[] }[];
}

const MOST_WORDINGS = 25;
const MOST_TARGETS = 8;
const MOST_MANY = 25;

export function sameWordsView(survey: PackedSurvey, fits: ArrayLike<number> | null, from: number): SameWordsView {
    const all = sameWords(survey);
    const texts = survey.texts('link_anchor_words');
    const wordings = all.slice(from, from + MOST_WORDINGS).map(({ anchor, links, targets }): SameWords => {
        const ordered = [...targets].sort(([a, x], [b, y]) => y.links - x.links || a - b);
        return {
            text: texts.at(anchor),
            links,
            targets: ordered.slice(0, MOST_TARGETS).map(([node, own]) => ({
                url: survey.addressUrl(node),
                links: own.links,
                fit: FITS[fitOf(fits, own.link, false)]!,
            })),
            moreTargets: Math.max(0, ordered.length - MOST_TARGETS),
        };
    });
    return { total: all.length, from, most: MOST_WORDINGS, wordings, many: manyNames(survey) };
}

/** Pages by how many different wordings call them in running text. */
function manyNames(survey: PackedSurvey): SameWordsView['many'] {
    const { start, links, lists, pages } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const texts = survey.texts('link_anchor_words');
    const isNothing = nothingOf(survey);
    const rows: { node: number; names: Map<number, number>; links: number }[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (start[node + 1]! - start[node]! < 2) continue;
        const names = new Map<number, number>();
        let all = 0;
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const own = anchor[links[at]!]!;
            const times = pages[lists[at]!]!;
            all += times;
            if (isNothing[own] !== 1) names.set(own, (names.get(own) ?? 0) + times);
        }
        if (names.size > 1) rows.push({ node, names, links: all });
    }
    rows.sort((a, b) => b.names.size - a.names.size || b.links - a.links || a.node - b.node);
    return rows.slice(0, MOST_MANY).map(({ node, names, links: all }) => ({
        url: survey.url(node),
        title: ownTitle(survey, node),
        names: names.size,
        links: all,
        some: [...names]
            .sort(([a, x], [b, y]) => y - x || a - b)
            .slice(0, 4)
            .map(([own]) => texts.at(own)),
    }));
}
