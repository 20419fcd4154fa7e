import { describe, expect, it } from 'vitest';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { lehmer } from '../graph/graphs.fixture.ts';
import { depthLayout, type DepthLayout } from './depth-layout.ts';
import { FORM, mapFacts, type MapFacts } from './map-facts.ts';

const SIZE = { width: 900, height: 520, nameWidth: (section: string) => section.length * 7 + 24 };

/** Facts of a site that is only numbers: sections and depths at random, some stopped, unreached, unread. */
function madeFacts(count: number, sections: number, deepest: number, seed = 1): MapFacts {
    const next = lehmer(seed);
    const facts: MapFacts = {
        count,
        form: new Uint8Array(count),
        depth: new Int32Array(count),
        section: new Uint32Array(count),
        sections: Array.from({ length: sections }, (_, n) => `section-${n}`),
        standing: new Float64Array(count),
        load: new Uint32Array(count),
        gate: new Uint8Array(count),
        island: new Int32Array(count).fill(-1),
        apart: new Uint8Array(count),
    };
    for (let node = 0; node < count; node++) {
        facts.form[node] = node === 0 ? FORM.indexable : [0, 0, 0, 0, 0, 1, 2, 3, 4, 0][next(10)]!;
        facts.depth[node] = node === 0 ? 0 : facts.form[node]! >= FORM.unreached ? -1 : 1 + next(deepest);
        if (facts.form[node] === FORM.aside) facts.depth[node] = next(deepest);
        facts.section[node] = next(sections);
        facts.standing[node] = next(1_000) / 100;
        facts.load[node] = next(50) === 0 ? next(200) : 0;
    }
    return facts;
}

/** Nodes that are drawn, as cells and as bars. */
function drawn({ order, bars }: DepthLayout): number[] {
    return [...order, ...bars.map(({ node }) => node)].sort((a, b) => a - b);
}

function isSound(facts: MapFacts, layout: DepthLayout): void {
    const pages = [...facts.form.keys()].filter((node) => facts.form[node]! <= FORM.unreached);
    expect(drawn(layout)).toEqual(pages);
    const { cells, columns, bands, pitch, perCell, bars } = layout;
    const taken = new Set<string>();
    for (let cell = 0; cell < cells.x.length; cell++) {
        const [column, band] = [columns[cells.column[cell]!]!, bands[cells.band[cell]!]!];
        const [x, y] = [cells.x[cell]!, cells.y[cell]!];
        expect(x).toBeGreaterThanOrEqual(column.x - 0.01);
        expect(x + pitch).toBeLessThanOrEqual(column.x + column.width + 0.01);
        expect(y).toBeGreaterThanOrEqual(band.y);
        expect(y + pitch).toBeLessThanOrEqual(band.y + band.height + 0.01);
        const key = `${x.toFixed(2)} ${y.toFixed(2)}`;
        expect(taken.has(key)).toBe(false);
        taken.add(key);
        const [from, to] = [cells.start[cell]!, cells.start[cell + 1]!];
        expect(to - from).toBeGreaterThan(0);
        expect(to - from).toBeLessThanOrEqual(perCell);
        for (let at = from; at < to; at++) {
            const node = layout.order[at]!;
            expect(facts.form[node]).toBe(cells.form[cell]);
            const depth = facts.depth[node]!;
            expect(depth >= band.from && depth <= band.to).toBe(true);
        }
    }
    for (const { x, y, width, height, band } of bars) {
        expect(y).toBeGreaterThanOrEqual(bands[band]!.y);
        expect(y + height).toBeLessThanOrEqual(bands[band]!.y + bands[band]!.height + 0.01);
        expect(x + width).toBeLessThanOrEqual(layout.width + 0.01);
        // No cell under a bar.
        for (let cell = 0; cell < cells.x.length; cell++) {
            const isOver =
                cells.x[cell]! < x + width &&
                cells.x[cell]! + pitch > x &&
                cells.y[cell]! < y + height &&
                cells.y[cell]! + pitch > y + 0.01;
            expect(isOver).toBe(false);
        }
    }
    for (const [at, band] of bands.entries())
        if (at > 0) expect(band.y).toBeCloseTo(bands[at - 1]!.y + bands[at - 1]!.height);
    const aside = [...facts.form].filter((form) => form === FORM.aside).length;
    expect(bands.reduce((sum, band) => sum + band.aside.reduce((own, urls) => own + (urls ?? 0), 0), 0)).toBe(aside);
    const unread = [...facts.form].filter((form) => form === FORM.unread).length;
    expect(layout.unread.reduce((sum, { urls }) => sum + urls, 0)).toBe(unread);
    expect(layout.width).toBeGreaterThan(0);
}

describe('the map by depth', () => {
    it.each([
        [300, 6, 7],
        [1_000, 12, 14],
        [3_000, 3, 5],
    ])('draws each page once, within its column and band, of %i pages', (count, sections, deepest) => {
        const facts = madeFacts(count, sections, deepest);
        const layout = depthLayout(facts, SIZE);
        isSound(facts, layout);
        expect(layout.height).toBeLessThanOrEqual(SIZE.height + 0.01);
    });

    it('is that of packed surveys, on random sites', () => {
        for (let seed = 1; seed <= 8; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const facts = mapFacts(survey, []);
            const layout = depthLayout(facts, SIZE);
            isSound(facts, layout);
            const reached = [...survey.numbers('page').keys()].filter(
                (node) => survey.numbers('page')[node] === 1 && survey.numbers('depth')[node]! >= 0,
            );
            const told = layout.bands.filter(({ from }) => from >= 0).reduce((sum, { pages }) => sum + pages, 0);
            expect(told).toBe(reached.length);
        }
    });

    it('is the same picture for the same facts, and cells as large as fit', () => {
        const facts = madeFacts(500, 8, 9);
        expect(depthLayout(madeFacts(500, 8, 9), SIZE)).toEqual(depthLayout(facts, SIZE));
        const [small, large] = [
            depthLayout(facts, { ...SIZE, height: 300 }),
            depthLayout(facts, { ...SIZE, height: 1_400 }),
        ];
        expect(large.pitch).toBeGreaterThan(small.pitch);
    });

    it('puts several pages into a cell where they do not fit, and says how many', () => {
        const facts = madeFacts(60_000, 10, 12);
        const layout = depthLayout(facts, SIZE);
        expect(layout.perCell).toBeGreaterThan(1);
        expect(layout.height).toBeLessThanOrEqual(SIZE.height + 0.01);
        expect(drawn(layout)).toHaveLength([...facts.form].filter((form) => form <= FORM.unreached).length);
    });

    it('orders a block by standing, what is stopped behind', () => {
        const facts = madeFacts(400, 2, 2);
        const { cells, order } = depthLayout(facts, SIZE);
        for (let cell = 1; cell < cells.x.length; cell++) {
            if (cells.column[cell] !== cells.column[cell - 1] || cells.band[cell] !== cells.band[cell - 1]) continue;
            expect(cells.form[cell]!).toBeGreaterThanOrEqual(cells.form[cell - 1]!);
            if (cells.form[cell] !== cells.form[cell - 1]) continue;
            const [before, own] = [order[cells.start[cell - 1]!]!, order[cells.start[cell]!]!];
            expect(facts.standing[own]!).toBeLessThanOrEqual(facts.standing[before]!);
        }
    });

    it('holds what holds most as bars, the start page across all', () => {
        const { survey } = packSurvey(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a/' }, { to: '/b/' }])
                .page('/a/', [{ to: '/a/1' }, { to: '/a/2' }, { to: '/a/3' }])
                .page('/a/1')
                .page('/a/2')
                .page('/a/3')
                .page('/b/')
                .measure(),
        );
        const layout = depthLayout(mapFacts(survey, []), SIZE);
        const told = layout.bars.map(({ node, share }) => [
            survey.url(node).slice('https://site.example'.length),
            share,
        ]);
        expect(told).toEqual([
            ['/', 1],
            ['/a/', 3 / 4],
        ]);
        const last = layout.columns.at(-1)!;
        expect(layout.bars[0]!.width).toBeCloseTo(last.x + last.width);
    });

    it('has one start page across all of it, also where there are several', () => {
        const facts = madeFacts(300, 5, 6);
        for (const node of [1, 2, 3]) [facts.form[node], facts.depth[node], facts.load[node]] = [FORM.indexable, 0, 90];
        const layout = depthLayout(facts, SIZE);
        isSound(facts, layout);
        expect(layout.bars.filter(({ isStart }) => isStart).map(({ node }) => node)).toEqual([0]);
    });

    it.each([
        ['one page', madeFacts(1, 1, 1)],
        ['one level', { ...madeFacts(800, 5, 1), depth: new Int32Array(800).fill(1) }],
        ['four hundred sections', madeFacts(2_000, 400, 6)],
        ['no page at all', { ...madeFacts(50, 3, 3), form: new Uint8Array(50).fill(FORM.unread) }],
        [
            'orphans alone',
            {
                ...madeFacts(700, 4, 3),
                form: new Uint8Array(700).fill(FORM.unreached),
                depth: new Int32Array(700).fill(-1),
            },
        ],
    ])('stands for a site of %s', (_, facts) => {
        const layout = depthLayout(facts, SIZE);
        isSound(facts, layout);
        expect(layout.columns.length).toBeLessThanOrEqual(10);
    });

    it('stands for a chain of 70,000 steps: some bands are several depths', () => {
        const facts = madeFacts(70_000, 1, 1);
        facts.form.fill(FORM.indexable);
        facts.load.fill(0);
        facts.depth.forEach((_, node) => (facts.depth[node] = node));
        const layout = depthLayout(facts, SIZE);
        expect(layout.bands.length).toBeLessThanOrEqual(41);
        expect(layout.bands.at(-1)!.to).toBe(69_999);
        expect(layout.bands.reduce((sum, { from, to }) => sum + to - from + 1, 0)).toBe(70_000);
        expect(drawn(layout)).toHaveLength(70_000);
    });

    it('has the pages of a block by standing, or by their addresses', () => {
        const facts = madeFacts(400, 3, 4);
        for (const order of ['standing', 'url'] as const) {
            const { cells, order: nodes } = depthLayout(facts, { ...SIZE, order });
            for (let cell = 1; cell < cells.x.length; cell++) {
                const isOne = (['column', 'band', 'form'] as const).every(
                    (of) => cells[of][cell] === cells[of][cell - 1],
                );
                const [before, own] = [nodes[cells.start[cell]! - 1]!, nodes[cells.start[cell]!]!];
                if (!isOne) continue;
                if (order === 'url') expect(before).toBeLessThan(own);
                else expect(facts.standing[before]).toBeGreaterThanOrEqual(facts.standing[own]!);
            }
        }
    });

    it('has no column for a section of which there are only redirects, errors and files', () => {
        const facts = madeFacts(60, 3, 3);
        for (let node = 1; node < 60; node++) if (facts.section[node] === 1) facts.form[node] = FORM.aside;
        facts.section[0] = 0;
        const { columns } = depthLayout(facts, SIZE);
        expect(columns.map(({ section }) => section).sort()).toEqual(['section-0', 'section-2']);
    });
});
