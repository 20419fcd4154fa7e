/**
 * The jobs of a survey: what to mend, one edit each where one edit does it, those that change most first. Every job has a
 * set of the pages it concerns, told in the set language, so that the number beside it is the size of that set.
 */
import { GATES } from '../gates/gates.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { templateWords } from '../packed/template-list.ts';
import { evaluateSet } from '../sets/evaluate-set.ts';
import { fieldsOf } from '../sets/fields.ts';
import { parseSet } from '../sets/parse-set.ts';
import { quoted } from '../sets/tokens.ts';
import { lostTargets, templatesTo } from './weight.ts';

export type Severity = 'fault' | 'risk' | 'remark';
const ORDER: Record<Severity, number> = { fault: 0, risk: 1, remark: 2 };

export interface Job {
    severity: Severity;
    /** The edit, as a sentence without a full stop. */
    say: string;
    /** Where it is made: a template, a file, sentences. */
    where: string;
    /** What changes, to follow the number: "pages stop linking to an error". */
    effect: string;
    /** Pages concerned, in the set language, and how many they are. */
    set: string;
    pages: number;
    /** Standing that is lost as it is, in average pages; null where that is not the point. */
    cost: number | null;
}

/** A job before its set is evaluated: `about` is what its effect is taken to be, for choosing. */
interface Candidate extends Omit<Job, 'pages' | 'effect'> {
    about: number;
    /** The effect behind the number 1, and behind any other. */
    effect: readonly [string, string];
}

/** Templates, targets and rules looked at for jobs of each kind. */
const MOST_OF_A_KIND = 12;

/**
 * Needs all three parts of the survey. O(links) once, then a set for each job that is told.
 * @param goal depth goal of the site; null for none
 * @returns the jobs to tell, and how many more there are
 */
export function jobsOf(survey: PackedSurvey, goal: number | null, most = 10): { jobs: Job[]; more: number } {
    const candidates = [
        ...brokenLinks(survey),
        ...movedLinks(survey),
        ...closedByRules(survey),
        ...listedAndStopped(survey),
        ...notListed(survey),
        ...lostPages(survey),
        ...strayCanonicals(survey),
        ...deepPages(survey, goal),
        ...sameTitles(survey),
    ].sort((a, b) => ORDER[a.severity] - ORDER[b.severity] || b.about - a.about || (a.set < b.set ? -1 : 1));
    const jobs: Job[] = [];
    let more = 0;
    for (const { about: _, effect, ...candidate } of candidates) {
        if (jobs.length >= most) {
            more++;
            continue;
        }
        const pages = sizeOf(survey, candidate.set);
        if (pages > 0) jobs.push({ ...candidate, pages, effect: effect[pages === 1 ? 0 : 1] });
    }
    return { jobs, more };
}

function sizeOf(survey: PackedSurvey, line: string): number {
    const parsed = parseSet(line, fieldsOf(survey));
    return parsed.ok ? evaluateSet(parsed.set, { survey }).count() : 0;
}

const url = (survey: PackedSurvey, node: number): string => `url is ${quoted(survey.url(node), true)}`;
/** A URL as the reader of this site knows it: without scheme and host where they are the start page's. */
export const pathOf = (survey: PackedSurvey, node: number): string => {
    const whole = survey.url(node);
    const origin = survey.head.start.replace(/^([a-z]+:\/\/[^/]*).*$/i, '$1');
    return whole.startsWith(`${origin}/`) ? whole.slice(origin.length) : whole;
};

/** Anchor of the first link of a template to a page; its name where it has none; empty for neither. */
function anchorTo(survey: PackedSurvey, template: number, node: number): string {
    const { blockList, blockTemplate, listStart, target, kind } = linkGraphOf(survey);
    for (let block = 0; block < blockList.length; block++) {
        if (blockTemplate[block] !== template) continue;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] !== 0 || target[link] !== node) continue;
            for (const column of ['link_anchor', 'link_name'] as const) {
                const word = survey.word(column, link);
                if (word !== '') return word;
            }
        }
    }
    return '';
}

function answer(status: number): string {
    return status === 0 ? 'which does not answer' : `which answers ${status}`;
}

/** Links to errors: of templates, each mended once; and of the text, by what they lead to. */
function brokenLinks(survey: PackedSurvey): Candidate[] {
    const found: Candidate[] = [];
    const broken = lostTargets(survey).filter(({ closed }) => !closed);
    for (const target of broken) {
        for (const number of target.templates.slice(0, 2)) {
            const template = survey.measured.templates[number]!;
            const anchor = anchorTo(survey, number, target.node);
            found.push({
                severity: 'fault',
                say: `Mend the link ${anchor === '' ? '' : `“${anchor}” `}to ${pathOf(survey, target.node)}, ${answer(target.status)}`,
                where: templateWords(survey, number),
                effect: ['page stops linking to an error', 'pages stop linking to an error'],
                set: `links to (${url(survey, target.node)}) via template ${quoted(template.name, true)}`,
                cost: target.cost,
                about: template.pages,
            });
        }
        if (target.templates.length === 0) {
            found.push({
                severity: 'fault',
                say: `Mend the links to ${pathOf(survey, target.node)}, ${answer(target.status)}`,
                where: 'sentences and lists of their own',
                effect: ['page stops linking to an error', 'pages stop linking to an error'],
                set: `links to (${url(survey, target.node)})`,
                cost: target.cost,
                about: target.pages,
            });
        }
    }
    return found.sort((a, b) => b.about - a.about).slice(0, MOST_OF_A_KIND);
}

/** Links of templates to what has moved for good. */
function movedLinks(survey: PackedSurvey): Candidate[] {
    const status = survey.numbers('status');
    const redirect = survey.numbers('redirect');
    const moved = templatesTo(survey, (node) => status[node] === 301 || status[node] === 308);
    const found: Candidate[] = [];
    for (const [node, templates] of moved) {
        const to = redirect[node]!;
        if (to < 0) continue;
        for (const number of templates.slice(0, 2)) {
            const template = survey.measured.templates[number]!;
            const anchor = anchorTo(survey, number, node);
            const end = to < survey.count ? pathOf(survey, to) : survey.addressUrl(to);
            found.push({
                severity: 'risk',
                say: `Point the link ${anchor === '' ? '' : `“${anchor}” `}to ${pathOf(survey, node)} at ${end}`,
                where: templateWords(survey, number),
                effect: ['page saves a redirect', 'pages save a redirect'],
                set: `links to (${url(survey, node)}) via template ${quoted(template.name, true)}`,
                cost: null,
                about: template.pages,
            });
        }
    }
    return found.sort((a, b) => b.about - a.about).slice(0, MOST_OF_A_KIND);
}

/** Rules of robots.txt that close what a sitemap lists: one of the two is wrong. */
function closedByRules(survey: PackedSurvey): Candidate[] {
    if (!survey.head.hasSitemap) return [];
    const allowed = survey.numbers('robots_allowed');
    const codes = survey.numbers('robots_rule');
    const start = survey.numbers('sitemap_start');
    const urls = new Map<number, number>();
    for (let node = 0; node < survey.count; node++) {
        if (allowed[node] !== 0 || start[node] === start[node + 1]) continue;
        urls.set(codes[node]!, (urls.get(codes[node]!) ?? 0) + 1);
    }
    return [...urls]
        .sort((a, b) => b[1] - a[1])
        .slice(0, MOST_OF_A_KIND)
        .map(([code, about]) => {
            const rule = survey.texts('robots_rule_words').at(code);
            // "Disallow: /x (https://…/robots.txt, line 4)": the place is told apart.
            const [, written = rule, place = ''] = /^(.*?)\s*\(\S+?(?:, (line \d+))?\)$/.exec(rule) ?? [];
            return {
                severity: 'fault',
                say: `Narrow the rule “${written}”, or take what it closes out of the sitemap`,
                where: place === '' ? 'robots.txt' : `robots.txt, ${place}`,
                effect: ['listed page is closed by it', 'listed pages are closed by it'],
                set: `closed by robots and in sitemap and robots rule is ${quoted(rule, true)}`,
                cost: null,
                about,
            };
        });
}

const STOPPED: Record<string, string> = {
    scope: 'lie outside the site',
    response: 'answer with an error',
    redirect: 'redirect',
    type: 'are no HTML',
    noindex: 'say noindex',
    canonical: 'name another page as their canonical',
};

/** What a sitemap lists and a gate stops, by gate; robots.txt has jobs of its own. */
function listedAndStopped(survey: PackedSurvey): Candidate[] {
    if (!survey.head.hasSitemap) return [];
    const gate = survey.numbers('gate');
    const start = survey.numbers('sitemap_start');
    const urls = new Map<string, number>();
    for (let node = 0; node < survey.count; node++) {
        if (start[node] === start[node + 1]) continue;
        const own = gateOf(gate[node]!);
        if (own !== null && own !== 'indexable') urls.set(own, (urls.get(own) ?? 0) + 1);
    }
    return GATES.filter((name) => name !== 'robots' && urls.has(name)).map((name) => ({
        severity: name === 'redirect' ? 'risk' : 'fault',
        say: `Take out of the sitemap, or mend, the pages that ${STOPPED[name] ?? 'stop'}`,
        where: 'sitemap',
        effect: [`listed page stops at ${name}`, `listed pages stop at ${name}`],
        set: `in sitemap and gate is ${name}`,
        cost: null,
        about: urls.get(name)!,
    }));
}

/** Indexable pages that no sitemap lists, where there is one. */
function notListed(survey: PackedSurvey): Candidate[] {
    if (!survey.head.hasSitemap) return [];
    const set = 'indexable and not in sitemap';
    const about = sizeOf(survey, set);
    if (about === 0) return [];
    return [
        {
            severity: 'risk',
            say: 'List the indexable pages that are missing',
            where: 'sitemap',
            effect: ['page is listed', 'pages are listed'],
            set,
            cost: null,
            about,
        },
    ];
}

/** Indexable orphans, by section. */
function lostPages(survey: PackedSurvey): Candidate[] {
    if (!survey.head.complete) return [];
    const codes = survey.numbers('section');
    const words = survey.texts('section_words').all();
    const parsed = parseSet('orphan and indexable');
    if (!parsed.ok) return [];
    const pages = new Map<number, number>();
    for (const node of evaluateSet(parsed.set, { survey }).nodes()) {
        pages.set(codes[node]!, (pages.get(codes[node]!) ?? 0) + 1);
    }
    return [...pages]
        .sort((a, b) => b[1] - a[1])
        .slice(0, MOST_OF_A_KIND)
        .map(([code, about]) => ({
            severity: 'fault',
            say: `Link to what is cut off in ${words[code] === '/' ? 'the root folder' : `/${words[code]}/`}`,
            where: 'sentences and lists',
            effect: ['orphan is reached', 'orphans are reached'],
            set: `orphan and indexable and section is ${quoted(words[code]!)}`,
            cost: null,
            about,
        }));
}

/** Canonicals that lead to an error or on to a redirect. */
function strayCanonicals(survey: PackedSurvey): Candidate[] {
    return [
        {
            to: 'error',
            severity: 'fault',
            effect: ['canonical leads to an error', 'canonicals lead to an error'] as const,
        },
        {
            to: 'redirect',
            severity: 'risk',
            effect: ['canonical leads to a redirect', 'canonicals lead to a redirect'] as const,
        },
    ].flatMap(({ to, severity, effect }): Candidate[] => {
        const set = `canonical to (${to})`;
        const about = sizeOf(survey, set);
        if (about === 0) return [];
        return [
            {
                severity: severity as Severity,
                say: 'Let canonicals name the page itself, or one that answers',
                where: 'head',
                effect,
                set,
                cost: null,
                about,
            },
        ];
    });
}

function deepPages(survey: PackedSurvey, goal: number | null): Candidate[] {
    if (goal === null) return [];
    const set = `page and depth > ${goal}`;
    const about = sizeOf(survey, set);
    if (about === 0) return [];
    return [
        {
            severity: 'risk',
            say: `Bring pages within ${goal} ${goal === 1 ? 'click' : 'clicks'}`,
            where: 'menus and lists',
            effect: ['page lies deeper than the goal', 'pages lie deeper than the goal'],
            set,
            cost: null,
            about,
        },
    ];
}

function sameTitles(survey: PackedSurvey): Candidate[] {
    const set = 'indexable and same title';
    const about = sizeOf(survey, set);
    if (about === 0) return [];
    return [
        {
            severity: 'remark',
            say: 'Tell pages with the same title apart',
            where: 'head, title',
            effect: ['page shares its title', 'pages share their title'],
            set,
            cost: null,
            about,
        },
    ];
}
