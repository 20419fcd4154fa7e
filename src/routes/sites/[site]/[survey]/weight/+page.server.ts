import { lostTargets, misfitList, standingAgainst } from '$lib/core/areas/weight.ts';
import { siteMeasures, type SiteMeasures } from '$lib/core/areas/site-measures.ts';
import { templateWords } from '$lib/core/areas/template-list.ts';
import { evaluateSet } from '$lib/core/sets/evaluate-set.ts';
import { parseSet } from '$lib/core/sets/parse-set.ts';
import { appStore } from '$lib/server/app.ts';
import { openArea, sectionsOf } from '$lib/server/areas.ts';
import { listIntended } from '$lib/server/store/intended-store.ts';
import { listPriorities } from '$lib/server/store/set-store.ts';

const MOST_SECTIONS = 9;
const MOST_LOST = 8;
/** Links outside shared blocks from which a page is said to have many. */
const MANY_LINKS = 100;
const TOP = 0.9;

export async function load({ url, depends, locals }) {
    depends('edgemap:survey');
    const { current, packed, within } = await openArea(locals, ['links']);
    const measures = siteMeasures(packed);
    const sizeOf = (line: string): number => {
        const parsed = parseSet(line);
        return parsed.ok ? evaluateSet(parsed.set, { survey: packed }).count() : 0;
    };
    const lost = lostTargets(packed);
    const columns = packed.head.given.filter(({ type }) => type === 'number');
    const asked = columns.find(({ name }) => name === url.searchParams.get('against')) ?? columns[0] ?? null;
    const points = asked ? standingAgainst(packed, packed.given(asked.column)) : [];
    const hasPriorities = current.priority.some((value) => value > 0);
    const { curve } = measures.weight.all;
    const lower = curve.findLast((point) => point.pages <= TOP + 1e-9) ?? { pages: 0, weight: 0 };
    return {
        ranked: measures.ranked,
        components: measures.components,
        curve,
        ownCurve: measures.weight.ownLinks.curve,
        gini: measures.weight.all.gini,
        ownGini: measures.weight.ownLinks.gini,
        top: { pages: Math.round(measures.ranked * (1 - lower.pages)), share: 1 - lower.weight },
        /** Standing from which a page is among the top: they are a set. */
        topFrom: standingAt(packed.numbers('standing'), TOP),
        ...fewerSections(measures),
        inSet: within ? shareOfSet(packed.numbers('standing'), within.nodes(), measures.ranked) : null,
        leak: measures.leak,
        leaking: sizeOf('leak > 0'),
        lost: lost.slice(0, MOST_LOST).map((target) => ({
            url: target.url,
            status: target.status,
            closed: target.closed,
            cost: target.cost,
            pages: target.pages,
            template: target.templates[0] === undefined ? null : templateWords(packed, target.templates[0]),
        })),
        lostTotal: lost.length,
        noWayOut: sizeOf('page and outgoing links = 0'),
        many: { limit: MANY_LINKS, pages: sizeOf(`own links > ${MANY_LINKS}`) },
        misfits: hasPriorities ? misfitList(packed, current.priority) : null,
        prioritised: current.priority.reduce((sum, value) => sum + (value > 0 ? 1 : 0), 0),
        rules: await listPriorities(appStore().db, locals.site.id),
        intended: (await listIntended(appStore().db, locals.site.id)).filter(({ priority }) => priority !== null)
            .length,
        marked: await sectionsOf(locals.survey, packed),
        columns: columns.map(({ name }) => name),
        against: asked && {
            name: asked.name,
            points: points.map(({ node, standing, value }) => ({
                standing,
                value,
                url: packed.url(node),
                own: within?.has(node) ?? true,
            })),
        },
    };
}

/** The value that a share of all known ones lies below. */
function standingAt(standing: ArrayLike<number>, share: number): number | null {
    const known = Float64Array.from(standing)
        .filter((value) => !Number.isNaN(value))
        .sort();
    return known.length === 0 ? null : known[Math.min(known.length - 1, Math.floor(known.length * share))]!;
}

function shareOfSet(standing: ArrayLike<number>, nodes: Uint32Array, ranked: number) {
    let pages = 0;
    let sum = 0;
    for (const node of nodes) {
        if (Number.isNaN(standing[node]!)) continue;
        pages++;
        sum += standing[node]!;
    }
    return { pages, shareOfPages: pages / Math.max(1, ranked), shareOfStanding: sum / Math.max(1, ranked) };
}

/** Sections and their links, the smaller ones together. */
function fewerSections({ sections, sectionCount, flow }: SiteMeasures) {
    if (sections.length <= MOST_SECTIONS) return { sections, flow, together: 0 };
    const kept = MOST_SECTIONS - 1;
    const rest = { section: `${sectionCount - kept} others`, pages: 0, shareOfPages: 0, shareOfStanding: 0 };
    for (const section of sections.slice(kept)) {
        rest.pages += section.pages;
        rest.shareOfPages += section.shareOfPages;
        rest.shareOfStanding += section.shareOfStanding;
    }
    const fold = (square: number[][]): number[][] => {
        const folded = Array.from({ length: MOST_SECTIONS }, () => new Array<number>(MOST_SECTIONS).fill(0));
        square.forEach((row, from) =>
            row.forEach((value, to) => (folded[Math.min(from, kept)]![Math.min(to, kept)]! += value)),
        );
        return folded;
    };
    return {
        sections: [...sections.slice(0, kept), rest],
        flow: { links: fold(flow.links), expected: fold(flow.expected) },
        together: sectionCount - kept,
    };
}
