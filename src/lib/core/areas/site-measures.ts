/** Measures of the whole link graph of a survey: what the areas tell, and the API gives. */
import type { MeasureName } from '../packed/column-names.ts';
import { modelOf } from '../packed/model-of.ts';
import { concentration, type Concentration } from '../graph/concentration.ts';
import { sectionFlow } from '../graph/flow.ts';
import { once } from '../kept.ts';
import type { PackedSurvey, PackedTemplate } from '../packed/packed-survey.ts';
import { rankedGraph } from '../measures/standing.ts';

export interface SectionShare {
    section: string;
    /** Ranked pages. */
    pages: number;
    /** Share of all ranked pages, and of all standing. */
    shareOfPages: number;
    shareOfStanding: number;
}

export interface ChokePoint {
    url: string;
    title: string;
    /** Pages behind it. */
    load: number;
}

export interface SiteMeasures {
    /** Pages that are ranked: 200, HTML, not closed by robots. */
    ranked: number;
    /** Distinct followed links among them. */
    links: number;
    /** Strong components of two or more pages, and pages in the largest. */
    components: { count: number; largest: number };
    leak: number;
    /** With menus and without: what all links give, and what the text gives. */
    weight: { all: Concentration; ownLinks: Concentration };
    /** The largest, and the smaller ones together as the last where there are more. */
    sections: SectionShare[];
    /** How many sections there are. */
    sectionCount: number;
    /** Distinct followed links from section to section, and as if spread evenly; rows and columns as `sections`. */
    flow: { links: number[][]; expected: number[][] };
    chokePoints: ChokePoint[];
    /** Templates without which pages would not be reached, by how many. */
    templates: PackedTemplate[];
    /** Pages that hang from one single link. */
    heldByOneLink: number;
    thinHolds: number;
}

/** Sections listed apart; the others are together. */
const MOST_SECTIONS = 24;
const MOST_CHOKE_POINTS = 100;

/** O(links), once for each survey. */
export function siteMeasures(survey: PackedSurvey): SiteMeasures {
    return once(survey, 'site measures', [], () => measure(survey));
}

function measure(survey: PackedSurvey): SiteMeasures {
    const graph = rankedGraph(modelOf(survey));
    const standing = survey.numbers('standing');
    const ranked = graph.nodes.length;
    const own = survey.numbers('own_standing');
    const of = (values: ArrayLike<number>): Float64Array => Float64Array.from(graph.nodes, (node) => values[node]!);

    const codes = survey.numbers('section');
    const words = survey.texts('section_words').all();
    const pages = new Map<number, number>();
    for (const node of graph.nodes) pages.set(codes[node]!, (pages.get(codes[node]!) ?? 0) + 1);
    const largest = [...pages].sort((a, b) => b[1] - a[1] || (words[a[0]]! < words[b[0]]! ? -1 : 1));
    const listed = largest.slice(0, MOST_SECTIONS).map(([code]) => code);
    const names = listed.map((code) => words[code]!);
    if (largest.length > MOST_SECTIONS) names.push(`${largest.length - MOST_SECTIONS} smaller sections`);
    const place = new Map(listed.map((code, index) => [code, index]));
    const sectionOf = Int32Array.from(graph.nodes, (node) => place.get(codes[node]!) ?? listed.length);
    const shares = names.map((section): SectionShare => ({ section, pages: 0, shareOfPages: 0, shareOfStanding: 0 }));
    graph.nodes.forEach((node, number) => {
        const share = shares[sectionOf[number]!]!;
        share.pages++;
        share.shareOfStanding += standing[node]! / ranked;
    });
    for (const share of shares) share.shareOfPages = share.pages / Math.max(1, ranked);
    const flow = sectionFlow(graph.out, sectionOf, names.length);
    const square = (values: ArrayLike<number>): number[][] =>
        names.map((_, from) => names.map((__, to) => values[from * names.length + to]!));

    const load = survey.numbers('load');
    const starts = new Set(survey.head.starts);
    const choke: number[] = [];
    for (let node = 0; node < survey.count; node++) if (load[node]! > 0 && !starts.has(node)) choke.push(node);
    choke.sort((a, b) => load[b]! - load[a]! || a - b);

    const isPage = survey.numbers('page');
    const pagesWith = (column: MeasureName, is: (value: number) => boolean): number => {
        const values = survey.numbers(column);
        let found = 0;
        for (let node = 0; node < survey.count; node++) if (isPage[node] === 1 && is(values[node]!)) found++;
        return found;
    };
    const component = survey.numbers('component');
    const sizes = new Map<number, number>();
    for (const node of graph.nodes) sizes.set(component[node]!, (sizes.get(component[node]!) ?? 0) + 1);
    const several = [...sizes.values()].filter((size) => size > 1);
    return {
        ranked,
        links: graph.out.targets.length,
        components: { count: several.length, largest: several.reduce((most, size) => Math.max(most, size), 0) },
        leak: survey.measured.leak,
        weight: { all: concentration(of(standing)), ownLinks: concentration(of(own)) },
        sections: shares,
        sectionCount: largest.length,
        flow: { links: square(flow.links), expected: square(flow.expected) },
        chokePoints: choke.slice(0, MOST_CHOKE_POINTS).map((node) => ({
            url: survey.url(node),
            title: survey.texts('title').at(node),
            load: load[node]!,
        })),
        templates: survey.measured.templates.filter((item) => item.holds > 0).sort((a, b) => b.holds - a.holds),
        heldByOneLink: pagesWith('held_by', (value) => value !== -1),
        thinHolds: pagesWith('thin', (value) => value === 1),
    };
}
