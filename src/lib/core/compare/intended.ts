/**
 * An intended structure: the pages an architect wants, each below another, as an outline or as CSV; and where the
 * surveyed site parts from it.
 */
import { UNREACHED } from '../graph/depth.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { once } from '../kept.ts';

export interface IntendedPage {
    /** Title, path or URL, as written. */
    label: string;
    /** Place of the page above it in the list; null at the top. */
    parent: number | null;
    /** 1 to 3; null for none. */
    priority: number | null;
}

export type ReadIntended =
    | { ok: true; pages: IntendedPage[] }
    | {
          ok: false;
          /** What is wrong, where, and what to do. */
          say: string;
      };

export const MOST_INTENDED = 5_000;
const MOST_LABEL = 1_000;
/** Two blanks are a step in; a tab is one as well. */
const STEP = 2;

/**
 * Reads an outline (a page a line, deeper ones indented by two blanks or a tab, a priority at the end as `!1` to `!3`),
 * or rows of CSV under the head `page,parent,priority`, cells already parted.
 */
export function readOutline(text: string): ReadIntended {
    const pages: IntendedPage[] = [];
    /** The last page at each level of the outline. */
    const above: number[] = [];
    const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/);
    for (const [index, line] of lines.entries()) {
        if (line.trim() === '') continue;
        const indent = /^[\t ]*/.exec(line)![0].replaceAll('\t', ' '.repeat(STEP)).length;
        const level = Math.floor(indent / STEP);
        if (level > above.length) {
            return {
                ok: false,
                say: `Line ${index + 1} is indented by more than one step below the line before it. Indent by two blanks, or one tab, for each level.`,
            };
        }
        // A leading dash or star of a list is no part of the name.
        const words = line.trim().replace(/^[-*•]\s+/, '');
        const marked = /^(.*?)\s*!([1-3])$/.exec(words);
        const label = (marked?.[1] ?? words).trim();
        if (label === '')
            return { ok: false, say: `Line ${index + 1} has no page in it. Write a title, a path or a URL.` };
        const trouble = troubleOf(label, pages.length, index + 1);
        if (trouble !== null) return { ok: false, say: trouble };
        above.length = level;
        above.push(pages.length);
        pages.push({
            label,
            parent: level === 0 ? null : above[level - 1]!,
            priority: marked ? Number(marked[2]) : null,
        });
    }
    return { ok: true, pages };
}

/** @param rows cells under the head; a parent is the page cell of another row, empty at the top */
export function readIntendedRows(rows: readonly { page: string; parent: string; priority: string }[]): ReadIntended {
    const placeOf = new Map<string, number>();
    for (const [index, { page }] of rows.entries()) {
        const label = page.trim();
        if (label === '') return { ok: false, say: `Row ${index + 2} has no page. Write a title, a path or a URL.` };
        const trouble = troubleOf(label, index, index + 2);
        if (trouble !== null) return { ok: false, say: trouble };
        if (placeOf.has(label))
            return { ok: false, say: `Row ${index + 2} names the page "${label}" a second time. Name each page once.` };
        placeOf.set(label, index);
    }
    const pages: IntendedPage[] = [];
    for (const [index, row] of rows.entries()) {
        const parent = row.parent.trim();
        const above = parent === '' ? null : placeOf.get(parent);
        if (above === undefined)
            return {
                ok: false,
                say: `Row ${index + 2}: the parent "${parent}" is no page of the list. Write it as its own row has it.`,
            };
        const said = row.priority.trim();
        if (said !== '' && !/^[1-3]$/.test(said))
            return { ok: false, say: `Row ${index + 2}: the priority "${said}" is none. Write 1, 2, 3 or nothing.` };
        pages.push({ label: row.page.trim(), parent: above, priority: said === '' ? null : Number(said) });
    }
    for (let index = 0; index < pages.length; index++) {
        let steps = 0;
        for (let at = pages[index]!.parent; at !== null; at = pages[at]!.parent) {
            if (++steps > pages.length)
                return {
                    ok: false,
                    say: `The page "${pages[index]!.label}" lies below itself. Break the circle of parents.`,
                };
        }
    }
    return { ok: true, pages };
}

function troubleOf(label: string, place: number, line: number): string | null {
    if (place >= MOST_INTENDED)
        return `There are more than ${MOST_INTENDED.toLocaleString('en')} pages. Keep to the upper levels.`;
    return label.length > MOST_LABEL
        ? `Line ${line} is longer than ${MOST_LABEL.toLocaleString('en')} characters.`
        : null;
}

/** The outline as it would be written again. */
export function printOutline(pages: readonly IntendedPage[]): string {
    return pages
        .map(({ label, priority }, index) => {
            let level = 0;
            for (let at = pages[index]!.parent; at !== null; at = pages[at]!.parent) level++;
            return `${' '.repeat(STEP * level)}${label}${priority === null ? '' : ` !${priority}`}`;
        })
        .join('\n');
}

/** How a surveyed page stands to the intended one. */
export type Parting = 'as intended' | 'missing' | 'several' | 'not reached' | 'not linked from its parent' | 'deeper';

export interface IntendedAgainst extends IntendedPage {
    /** Level in the outline, from 0. */
    level: number;
    /** The page it is taken to be; null where none or several could be. */
    node: number | null;
    url: string;
    depth: number | null;
    /** What parts first, in the order of the type. */
    parting: Parting;
}

/**
 * Each intended page beside the surveyed one: found by its URL, by its path, else by its title or h1 in any case. Pages
 * at the top are expected at depth 0 if they are the start page, else within one click; each level one click more.
 * O(pages + links of the parents).
 */
export function againstIntended(survey: PackedSurvey, pages: readonly IntendedPage[]): IntendedAgainst[] {
    const found = pages.map(({ label }) => nodesFor(survey, label));
    const depth = survey.numbers('depth');
    const levels: number[] = [];
    // A list under one start page counts from it; a list without it begins a click below.
    const startsAtTop = pages.some(
        (page, index) => page.parent === null && found[index]!.some((node) => survey.head.starts.includes(node)),
    );
    return pages.map((page, index) => {
        levels[index] = levelOf(pages, index);
        const nodes = found[index]!;
        const node = nodes.length === 1 ? nodes[0]! : null;
        const own = node === null || depth[node] === UNREACHED ? null : depth[node]!;
        let parting: Parting = 'as intended';
        if (nodes.length === 0) parting = 'missing';
        else if (node === null) parting = 'several';
        else if (own === null) parting = 'not reached';
        else {
            const above = page.parent === null ? null : found[page.parent]!;
            if (above?.length === 1 && !hasLink(survey, above[0]!, node)) parting = 'not linked from its parent';
            else if (own > levels[index] + (startsAtTop ? 0 : 1)) parting = 'deeper';
        }
        return { ...page, level: levels[index], node, url: node === null ? '' : survey.url(node), depth: own, parting };
    });
}

function levelOf(pages: readonly IntendedPage[], index: number): number {
    let level = 0;
    for (let at = pages[index]!.parent; at !== null; at = pages[at]!.parent) level++;
    return level;
}

/** Pages that a label may mean, read ones only. */
function nodesFor(survey: PackedSurvey, label: string): number[] {
    const isPage = survey.numbers('page');
    const origin = survey.head.start.replace(/^([a-z]+:\/\/[^/]*).*$/i, '$1');
    for (const url of [label, label.startsWith('/') ? origin + label : '']) {
        const node = url === '' ? -1 : survey.nodeOf(url);
        if (node !== -1) return isPage[node] === 1 ? [node] : [];
    }
    if (/^(?:\/|https?:\/\/)/i.test(label)) return [];
    return namesOf(survey).get(label.toLowerCase()) ?? [];
}

/** Pages by title and by h1, in small letters; a title with the site's name behind a bar counts by its first part too. */
function namesOf(survey: PackedSurvey): Map<string, number[]> {
    return once(survey, 'nodes by name', [], () => {
        const isPage = survey.numbers('page');
        const [titles, h1s] = [survey.texts('title').lower(), survey.texts('h1').lower()];
        const names = new Map<string, number[]>();
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] !== 1) continue;
            const title = titles[node]!.trim();
            for (const name of new Set([title, title.split(/\s+[|–—·]\s+/)[0]!, h1s[node]!.trim()])) {
                if (name === '') continue;
                const own = names.get(name);
                if (own) own.push(node);
                else names.set(name, [node]);
            }
        }
        return names;
    });
}

function hasLink(survey: PackedSurvey, from: number, to: number): boolean {
    const graph = linkGraphOf(survey);
    const redirect = survey.numbers('redirect');
    for (let at = graph.pageStart[from]!; at < graph.pageStart[from + 1]!; at++) {
        const list = graph.blockList[graph.pageBlocks[at]!]!;
        for (let link = graph.listStart[list]!; link < graph.listStart[list + 1]!; link++) {
            const target = graph.target[link]!;
            if (graph.kind[link] === 0 && (target === to || (target >= 0 && redirect[target] === to))) return true;
        }
    }
    return false;
}
