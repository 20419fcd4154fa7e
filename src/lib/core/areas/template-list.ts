/** Templates as they are listed and looked at: their blocks, pages and links. */
import type { InnerName } from '../packed/column-names.ts';
import { modelOf } from '../packed/model-of.ts';
import { LINK_KINDS } from '../page/links.ts';
import { once } from '../kept.ts';
import { linkKeys } from '../measures/templates.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { TO_SELF } from '../model/graph-model.ts';
import { type PackedSurvey, type PackedTemplate } from '../packed/packed-survey.ts';

export interface TemplateLink {
    target: string;
    anchor: string;
    kind: string;
    status: number | null;
}

export interface TemplateSummary extends PackedTemplate {
    blocks: number;
    /** Different links over all its blocks. */
    links: number;
    /** Of these, links whose target answered with an error. */
    broken: number;
    /** The first anchors. */
    first: string[];
}

const MOST_FIRST = 4;

/** Blocks of each template, the one on most pages first. */
export function blocksByTemplate(survey: PackedSurvey): number[][] {
    return once(survey, 'blocks by template', [], () => {
        const { blockTemplate, blockPages } = linkGraphOf(survey);
        const blocks: number[][] = survey.measured.templates.map(() => []);
        for (let block = 0; block < blockTemplate.length; block++) blocks[blockTemplate[block]!]?.push(block);
        for (const own of blocks) own.sort((a, b) => blockPages[b]! - blockPages[a]! || a - b);
        return blocks;
    });
}

/** Different links of a template, as links of lists, in the order of its blocks. */
function linksOfTemplate(survey: PackedSurvey, template: number): number[] {
    const { blockList, listStart } = linkGraphOf(survey);
    const keys = once(survey, 'link keys', [], () => linkKeys(modelOf(survey))).of;
    const anchors = survey.numbers('link_anchor');
    const found = new Map<string, number>();
    for (const block of blocksByTemplate(survey)[template] ?? []) {
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            const key = `${keys[link]} ${anchors[link]}`;
            if (!found.has(key)) found.set(key, link);
        }
    }
    return [...found.values()];
}

function linkOf(survey: PackedSurvey, link: number): TemplateLink {
    const { target, kind } = linkGraphOf(survey);
    const word = (name: InnerName): string => survey.word(name, link);
    const to = target[link]!;
    return {
        target: to >= 0 ? survey.addressUrl(to) : to === TO_SELF ? '' : word('link_text'),
        anchor: word('link_anchor') || word('link_name'),
        kind: LINK_KINDS[kind[link]!] ?? 'other',
        status: statusOf(survey, to),
    };
}

function statusOf(survey: PackedSurvey, address: number): number | null {
    if (address < 0) return null;
    const name = address < survey.count ? 'status' : 'other_status';
    return survey.numbers(name)[address < survey.count ? address : address - survey.count]! || null;
}

/** Templates on most pages, at most so many. Needs all three parts. O(links of their blocks). */
export function templateList(survey: PackedSurvey, most: number): TemplateSummary[] {
    const { target } = linkGraphOf(survey);
    return survey.measured.templates.slice(0, most).map((template, number): TemplateSummary => {
        const links = linksOfTemplate(survey, number);
        const first: string[] = [];
        for (const link of links) {
            if (first.length === MOST_FIRST) break;
            const { anchor } = linkOf(survey, link);
            if (anchor !== '') first.push(anchor);
        }
        return {
            ...template,
            blocks: blocksByTemplate(survey)[number]!.length,
            links: links.length,
            broken: links.filter((link) => (statusOf(survey, target[link]!) ?? 0) >= 400).length,
            first,
        };
    });
}

export interface OpenTemplate {
    links: TemplateLink[];
    linkTotal: number;
    /** Nodes of the pages it stands on, ascending. */
    pages: number[];
    blocks: number;
    /** A page it stands on, and the line of its first link there; 0 where it stands in no markup. */
    example: { url: string; line: number };
}

/** One template, by its number in the head. Needs all three parts. O(page blocks + links of its blocks). */
export function openTemplate(survey: PackedSurvey, template: number, mostLinks: number): OpenTemplate {
    const { pageStart, pageBlocks, blockTemplate, isPage } = linkGraphOf(survey);
    const lines = survey.numbers('page_block_line');
    const blocks = blocksByTemplate(survey)[template] ?? [];
    const links = linksOfTemplate(survey, template);
    const pages: number[] = [];
    let example = { url: '', line: 0 };
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        let carries = false;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            if (blockTemplate[block] !== template) continue;
            carries = true;
            if (block === blocks[0] && example.url === '') example = { url: survey.url(node), line: lines[at]! };
        }
        if (carries) pages.push(node);
    }
    return {
        links: links.slice(0, mostLinks).map((link) => linkOf(survey, link)),
        linkTotal: links.length,
        pages,
        blocks: blocks.length,
        example,
    };
}
