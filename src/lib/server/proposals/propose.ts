/** Proposals for one target, for what one page could lead to, and for a text that is no page yet: for a request. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { NearestPages } from '../../core/areas/nearest.ts';
import { once } from '../../core/kept.ts';
import { plainText } from '../../core/page/plain-text.ts';
import { runningText } from '../../core/page/running-text.ts';
import { effectsOf } from '../../core/proposals/effect.ts';
import { pagesCalled } from '../../core/proposals/name-table.ts';
import { pagesSpokenOf, targetsOfPage } from '../../core/proposals/outward.ts';
import { namesIt, NO_PAGE, speaksOfIt } from '../../core/proposals/proposer.ts';
import { sourceText, type SourceText } from '../../core/proposals/source-text.ts';
import { needOf, type TargetNeed } from '../../core/proposals/targets.ts';
import { ownTitle } from '../../core/subjects/site-names.ts';
import { SubjectMaker } from '../../core/subjects/subject.ts';
import { shownProposal, type ShownProposal } from '../../core/views/proposals.ts';
import type { OtherTargets, OutwardProposals, TargetProposals } from '../../wire/proposals.ts';
import { appStore } from '../app.ts';
import type { RequestContext } from '../request-context.ts';
import { openTexts } from './open-words.ts';
import { FIRST_READ, MOST_READ, rankedProposals, type OpenTexts } from './ranked.ts';
import { answersOf, changesOf, genericOf, saidSubjects } from './said.ts';

/** Proposals that are shown of it. */
const MOST_SHOWN = 40;
const MOST_NEAREST = 5;
/** Targets looked at closely for one text. */
const MOST_TARGETS = 40;
const NOT_ENDED =
    'The words of this survey are not known: they are gathered when a survey ends, and were not kept of earlier revisions.';

const of = (survey: PackedSurvey, node: number) => ({
    url: survey.url(node),
    title: ownTitle(survey, node),
});

const needsOf = ({ isOrphan, has, wanted }: TargetNeed): string => {
    const links = has === 0 ? 'No page links to it' : `${has} ${has === 1 ? 'page links' : 'pages link'} to it`;
    const wish = wanted === null ? '' : `, ${wanted} ${wanted === 1 ? 'is' : 'are'} wanted`;
    return `${isOrphan ? 'Orphan: links do not reach it. ' : ''}${links}${wish}.`;
};

/** @param isFirst only the likeliest pages are read: `isWhole` tells whether there are more */
export async function proposalsFor(
    request: RequestContext,
    url: string,
    isFirst = false,
): Promise<TargetProposals | null> {
    const { site, survey } = request;
    const packed = await request.packed(['text', 'links']);
    const node = packed.nodeOf(url);
    if (node === -1) return null;
    const generic = await genericOf(site.id);
    const [open, said, changes, answers, { priority }] = await Promise.all([
        openTexts(survey, packed, generic),
        saidSubjects(request.site.id, packed),
        changesOf(site.id),
        answersOf(site.id),
        request.set(['links'], ''),
    ]);
    const need = needOf(packed, node, site.wantedLinks, priority);
    const taken = changes.filter(({ kind, newTarget }) => kind === 'add' && newTarget === url);
    const answered = new Map(
        answers.filter(({ target }) => target === url).map(({ source, answer }) => [source, answer]),
    );
    const { title } = of(packed, node);
    const told = {
        target: url,
        title,
        needs: needsOf(need),
        wanted: need.wanted,
        has: need.has,
        taken: taken.length,
        refused: [...answered.values()].filter((answer) => answer === 'refused').length,
        later: [...answered.values()].filter((answer) => answer === 'later').length,
    };
    if (open === null) {
        const nothing = {
            subject: [],
            subjectFrom: said.get(url)?.by ?? ('worked out' as const),
            proposals: [],
            effects: [],
        };
        return { ...told, ...nothing, isWhole: true, nearest: nearestOf(packed, node), note: NOT_ENDED };
    }
    const most = isFirst ? FIRST_READ : MOST_READ;
    const { target, found, isRead, isWhole } = await rankedProposals(
        appStore().db,
        open,
        packed,
        node,
        said.get(url)?.words ?? [],
        most,
    );
    const sources = new Set(taken.map(({ page }) => page));
    const free = found.filter(({ source }) => !sources.has(packed.url(source)) && !answered.has(packed.url(source)));
    // What was put off comes again behind the others.
    const later = found.filter(({ source }) => answered.get(packed.url(source)) === 'later');
    const shown = [...free, ...later].slice(0, MOST_SHOWN);
    const texts = await open.texts.of(
        appStore().db,
        shown.map(({ source }) => source),
    );
    const before = taken.map(({ page }) => packed.nodeOf(page)).filter((source) => source !== -1);
    const subject = new SubjectMaker(packed, open.words, said, generic).of(node);
    return {
        ...told,
        subject: subject.words.map(({ word }) => word),
        subjectFrom: subject.from,
        proposals: shown.map((proposal) =>
            shownProposal(packed, open.proposer, target, proposal, texts.get(proposal.source)!),
        ),
        effects: shown.map(({ source }) => effectsOf(packed, node, [...before, source]).at(-1)!),
        isWhole,
        nearest: shown.length === 0 && isWhole ? nearestOf(packed, node) : [],
        note: isRead ? '' : 'This survey did not keep the received source of pages, so sentences cannot be shown.',
    };
}

function nearestOf(survey: PackedSurvey, node: number): TargetProposals['nearest'] {
    const near = once(survey, 'nearest pages', [], () => new NearestPages(survey));
    return near.of(node, MOST_NEAREST).map(({ node: other, sameFolder, words }) => ({
        ...of(survey, other),
        why: [sameFolder ? 'same folder' : '', words.slice(0, 4).join(', ')].filter(Boolean).join('; '),
    }));
}

/** Other pages that the same words could lead to. */
export async function otherTargets(
    request: RequestContext,
    words: string,
    source: string,
    target: string,
): Promise<OtherTargets> {
    const packed = await request.packed(['text', 'links']);
    const [from, now] = [packed.nodeOf(source), packed.nodeOf(target)];
    const tag = from === -1 ? '' : packed.word('language', from);
    const led = from === -1 ? new Set<number>() : targetsOfPage(packed, from);
    return pagesCalled(packed, words, tag, MOST_TARGETS, await genericOf(request.site.id))
        .filter((node) => node !== from && node !== now && !led.has(node))
        .slice(0, 8)
        .map((node) => ({ ...of(packed, node), why: '' }));
}

/** What a page's text could lead to, to whom it would matter most first. */
export async function outwardOf(request: RequestContext, url: string): Promise<OutwardProposals | null> {
    const { survey, site } = request;
    const packed = await request.packed(['text', 'links']);
    const node = packed.nodeOf(url);
    if (node === -1) return null;
    const open = await openTexts(survey, packed, await genericOf(site.id));
    const { title } = of(packed, node);
    if (open === null) return { source: url, title, proposals: [], note: NOT_ENDED };
    const text = (await open.texts.of(appStore().db, [node])).get(node);
    if (!text) {
        return { source: url, title, proposals: [], note: 'The received source of this page was not kept.' };
    }
    const answers = await answersOf(site.id);
    const changes = await changesOf(site.id);
    const closed = new Set([
        ...answers.filter(({ source, answer }) => source === url && answer === 'refused').map(({ target }) => target),
        ...changes.filter(({ kind, page }) => kind === 'add' && page === url).map(({ newTarget }) => newTarget),
    ]);
    const led = targetsOfPage(packed, node);
    const isOpen = (other: number): boolean => other !== node && !led.has(other) && !closed.has(packed.url(other));
    return { source: url, title, proposals: await outwardIn(request, packed, open, node, text, isOpen), note: '' };
}

/** The same for a text that is typed or pasted: as HTML where it has tags. Nothing of it is kept. */
export async function outwardOfText(request: RequestContext, written: string, tag: string): Promise<OutwardProposals> {
    const { survey, site } = request;
    const packed = await request.packed(['text', 'links']);
    const open = await openTexts(survey, packed, await genericOf(site.id));
    if (open === null) return { source: '', title: '', proposals: [], note: NOT_ENDED };
    const isHtml = /<(?:p|div|h[1-6]|ul|ol|article|section|body|html)\b/i.test(written);
    const running = isHtml ? runningText(written, site.start) : plainText(written);
    const language = tag || packed.word('language', Math.max(0, packed.head.starts[0] ?? 0));
    const text = sourceText(running, () => false, language, open.texts.stems);
    return {
        source: '',
        title: '',
        proposals: await outwardIn(request, packed, open, NO_PAGE, text, () => true),
        note: text.sentences.length === 0 ? 'There is no sentence of four words or more in this text.' : '',
    };
}

async function outwardIn(
    request: RequestContext,
    packed: PackedSurvey,
    { proposer, texts }: OpenTexts,
    node: number,
    text: SourceText,
    isOpen: (other: number) => boolean,
): Promise<ShownProposal[]> {
    const { db } = appStore();
    const { priority } = await request.set(['links'], '');
    const said = await saidSubjects(request.site.id, packed);
    const targets = pagesSpokenOf(
        packed,
        text,
        texts.stems,
        (stem) => proposer.rarity(stem),
        isOpen,
        MOST_TARGETS,
        await genericOf(request.site.id),
    );
    const own = await texts.of(db, targets);
    const found = targets.flatMap((other) => {
        const target = proposer.target(other, own.get(other) ?? null, said.get(packed.url(other))?.words ?? []);
        const [best] = proposer.ofPage(target, { node, rank: 0, alike: proposer.likeness(target, text) }, text);
        if (!best || !speaksOfIt(best) || !namesIt(best)) return [];
        const { need } = needOf(packed, other, request.site.wantedLinks, priority);
        return [{ target, best, matters: best.score + 0.3 * need }];
    });
    found.sort((a, b) => b.matters - a.matters || a.target.node - b.target.node);
    return found.map(({ target, best }) => shownProposal(packed, proposer, target, best, text));
}
