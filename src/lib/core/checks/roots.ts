/** What findings follow from: the edits that would take them away, by the rules of gates, redirects and links. */
import { lostTargets, templatesTo } from '../areas/weight.ts';
import { templateWords } from '../areas/template-words.ts';
import { problemAt } from '../packed/gate-reason.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { lostUrls } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { once } from '../kept.ts';
import { originOf } from '../address/address.ts';
import type { CauseParams } from '../words/cause-params.ts';
import { GATES, type Gate } from '../gates/gates.ts';
import { quoteRule } from '../robots/decide.ts';
import type { Cause, CheckView } from './check.ts';
import { evidenceBit } from '../evidence/evidence.ts';
import { orphanRoots } from './orphan-roots.ts';
import { siteUrl } from './site-url.ts';

/** Addresses of one folder with one answer that are told as one: a rule of redirects for the folder mends them. */
const FOLDER_ALIKE = 5;

const folderOf = (url: string): string => url.split(/[?#]/, 1)[0]!.replace(/[^/]*\/?$/, '');

/** Of each address whether it is told with its folder: enough others of the folder give the same answer. */
function alikeInFolder(survey: PackedSurvey, answer: (node: number) => string | null): (node: number) => string | null {
    const alike = new Map<string, number>();
    const keyOf = (node: number, own: string): string => `${own} ${folderOf(survey.url(node))}`;
    const links = survey.numbers('incoming_links');
    for (let node = 0; node < survey.count; node++) {
        // What nothing leads to, and no sitemap lists, is missed by nobody.
        const own = links[node] === 0 && !isListed(survey, node) ? null : answer(node);
        if (own !== null) alike.set(keyOf(node, own), (alike.get(keyOf(node, own)) ?? 0) + 1);
    }
    return (node) => {
        const own = answer(node);
        return own !== null && (alike.get(keyOf(node, own)) ?? 0) >= FOLDER_ALIKE ? folderOf(survey.url(node)) : null;
    };
}

const isMoved = (status: number): boolean => status >= 300 && status < 400;
export const isListed = (survey: PackedSurvey, node: number): boolean =>
    (survey.numbers('evidence')[node]! & evidenceBit('sitemap')) !== 0;

/** True for what has a priority, visits by the first list of them, or links from other sites. */
export function isWanted({ survey, priorityOf }: CheckView): (node: number) => boolean {
    const evidence = survey.numbers('evidence');
    const list = survey.head.given.find(({ name, type }) => type === 'number' && name.startsWith('visits'));
    const visits = list && survey.given(list.column);
    const external = evidenceBit('external');
    return (node) => priorityOf(node) > 0 || (visits?.[node] ?? 0) > 0 || (evidence[node]! & external) !== 0;
}

/** True for what answered with 400 or above, or not at all, when it was asked. */
export function answersBadly(survey: PackedSurvey): (node: number) => boolean {
    const lost = once(survey, 'lost urls', [], () => lostUrls(survey));
    const [status, allowed] = [survey.numbers('status'), survey.numbers('robots_allowed')];
    return (node) => lost[node] === 1 && allowed[node] !== 0 && !isMoved(status[node]!);
}

/** What mends an address that answers badly: the address, or its folder. */
export function answersRoot(view: CheckView): (node: number) => Cause {
    const { survey } = view;
    const [status, isBad] = [survey.numbers('status'), answersBadly(survey)];
    const inFolder = alikeInFolder(survey, (node) => (isBad(node) ? String(status[node]) : null));
    return (node) => {
        const folder = inFolder(node);
        return {
            kind: 'answers',
            params: {
                url: folder === null ? siteUrl(survey, node) : `${shortened(survey, folder)}*`,
                isFolder: folder !== null,
                status: status[node]!,
            },
        };
    };
}

export const shortened = (survey: PackedSurvey, url: string): string => {
    const origin = new URL(survey.head.start).origin;
    return url.startsWith(`${origin}/`) ? url.slice(origin.length) : url;
};

/**
 * What mends links to what answers badly: the template that alone holds them all, unless the fault is the server's or a
 * address itself is missed: a sitemap lists it, or somebody wants it; else the address.
 */
export function brokenLinkRoot(view: CheckView): (target: number) => Cause {
    const { survey } = view;
    const [answers, status] = [answersRoot(view), survey.numbers('status')];
    const template = templateAlone(survey, 'errors', answersBadly(survey));
    const wanted = isWanted(view);
    return (target) => {
        const isOfTarget = status[target]! >= 500 || status[target] === 0 || isListed(survey, target) || wanted(target);
        return (isOfTarget ? null : template(target)) ?? answers(target);
    };
}

/**
 * What mends links to what has moved: the template that alone holds them, else the host they are written with, where the
 * same path on another host of the site is the end; else the links to that address or its folder.
 */
export function movedLinkRoot(view: CheckView): (target: number) => Cause {
    const { survey } = view;
    const [status, redirect] = [survey.numbers('status'), survey.numbers('redirect')];
    const template = templateAlone(survey, 'redirects', (node) => isMoved(status[node]!));
    const inFolder = alikeInFolder(survey, (node) => (isMoved(status[node]!) ? 'moved' : null));
    const endOf = (target: number): string | null =>
        redirect[target]! < 0 ? null : survey.addressUrl(redirect[target]!);
    return (target) => {
        const own = template(target);
        if (own !== null) return own;
        const [url, end, folder] = [survey.url(target), endOf(target), inFolder(target)];
        const moved = (params: CauseParams['moved']): Cause => ({ kind: 'moved', params });
        if (
            end !== null &&
            originOf(end) !== originOf(url) &&
            end === originOf(end) + url.slice(originOf(url).length)
        ) {
            return moved({ url: `${originOf(url)}/*`, isFolder: true, end: `${originOf(end)}/` });
        }
        if (folder !== null) return moved({ url: `${shortened(survey, folder)}*`, isFolder: true, end: null });
        return moved({
            url: siteUrl(survey, target),
            isFolder: false,
            end: end === null ? null : shortened(survey, end),
        });
    };
}

/** The template that holds every link to a target, where it is one; null for several, and for links of no template. */
function templateAlone(
    survey: PackedSurvey,
    to: 'errors' | 'redirects',
    isWanted: (node: number) => boolean,
): (target: number) => Cause | null {
    const templates = templatesTo(survey, isWanted);
    const byOthers = linkedOutsideTemplates(survey);
    const alone = (target: number): number | null => {
        const own = templates.get(target) ?? [];
        return own.length === 1 && byOthers[target] === 0 ? own[0]! : null;
    };
    /** How many such targets each template has: of one the link itself is told. */
    const targets = new Map<number, number>();
    for (const target of templates.keys()) {
        const template = alone(target);
        if (template !== null) targets.set(template, (targets.get(template) ?? 0) + 1);
    }
    return (target) => {
        const template = alone(target);
        if (template === null) return null;
        const link =
            targets.get(template) === 1
                ? { url: siteUrl(survey, target), anchor: anchorTo(survey, template, target) }
                : null;
        const { name } = survey.measured.templates[template]!;
        return { kind: 'template', params: { name, words: templateWords(survey, template), to, link } };
    };
}

/** 1 for each page of the site that an `a` link outside all templates leads to. O(links). */
function linkedOutsideTemplates(survey: PackedSurvey): Uint8Array {
    const { blockList, blockTemplate, listStart, target, kind } = linkGraphOf(survey);
    const linked = new Uint8Array(survey.count);
    for (let block = 0; block < blockList.length; block++) {
        if (blockTemplate[block] !== -1) continue;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            const to = target[link]!;
            if (kind[link] === 0 && to >= 0 && to < survey.count) linked[to] = 1;
        }
    }
    return linked;
}

/** Anchor of the first link of a template to a page; its name where it has none; empty for neither. */
function anchorTo(survey: PackedSurvey, template: number, node: number): string {
    const { blockList, blockTemplate, listStart, target, kind } = linkGraphOf(survey);
    for (let block = 0; block < blockList.length; block++) {
        if (blockTemplate[block] !== template) continue;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] !== 0 || target[link] !== node) continue;
            const word = survey.word('link_anchor', link) || survey.word('link_name', link);
            if (word !== '') return word;
        }
    }
    return '';
}

/** The rule of robots.txt that closes a URL; null where no rule does (a robots.txt that cannot be had). */
export function ruleRoot({ survey }: CheckView): (node: number) => Cause | null {
    const [allowed, codes] = [survey.numbers('robots_allowed'), survey.numbers('robots_rule')];
    const wanted = new Set<number>();
    for (let node = 0; node < survey.count; node++) {
        if (allowed[node] === 0 && isListed(survey, node)) wanted.add(codes[node]!);
    }
    return (node) => {
        const why = problemAt(survey, 'robots_rule', node);
        if (why?.code !== 'robots-rule') return null;
        const { file, line, allows, pattern } = why.params;
        const rule = quoteRule({ allow: allows, pattern });
        return {
            kind: 'rule',
            params: { file: shortened(survey, file), line, rule, isWanted: wanted.has(codes[node]!) },
        };
    };
}

/** Pages that stop at a gate by what they say of themselves: one and the same for each gate. */
export const STOPS: Readonly<Record<Gate, Cause>> = Object.fromEntries(
    GATES.map((gate) => [gate, { kind: 'stops', params: { gate, spread: { of: 'some' } } }]),
) as unknown as Record<Gate, Cause>;

/** What a page says of itself, where a sitemap lists it all the same; null for others. */
export const stopsWhereListed =
    (gate: Gate) =>
    ({ survey }: CheckView) =>
    (node: number): Cause | null =>
        isListed(survey, node) ? STOPS[gate] : null;

/** What cuts an orphan off: a section whose pages nobody links to, or an island without such a page. */
export function orphanRoot({ survey }: CheckView): (node: number) => Cause {
    const roots = orphanRoots(survey);
    const codes = survey.numbers('section');
    const words = survey.texts('section_words');
    return (node) => {
        const root = roots[node]!;
        return root.isIsland
            ? { kind: 'island', params: { url: siteUrl(survey, root.node) } }
            : { kind: 'cut-off', params: { section: words.at(codes[root.node]!) } };
    };
}

/** Weight that links throw away at a URL, in average pages. */
export function thrownAway(survey: PackedSurvey): ReadonlyMap<number, number> {
    return once(survey, 'thrown away', [], () => new Map(lostTargets(survey).map(({ node, cost }) => [node, cost])));
}
