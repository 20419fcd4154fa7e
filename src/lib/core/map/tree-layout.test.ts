import { describe, expect, it } from 'vitest';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { addressTree, addressWords, GROUPINGS } from './address-tree.ts';
import { FORM, mapFacts, type MapFacts } from './map-facts.ts';
import { branchTree, HANGINGS, type MapTree } from './map-tree.ts';
import { treeLayout, type TreeBox, type TreeLayout } from './tree-layout.ts';

const SIZE = { width: 900, height: 520 };
const packed = (site: Site) => {
    const { survey } = packSurvey(site.measure());
    return { survey, facts: mapFacts(survey, []) };
};
const boxNamed = ({ boxes }: TreeLayout, name: string): TreeBox => boxes.find((box) => box.name === name)!;

/** What is so of every icicle, whatever the tree. */
function isSound(tree: MapTree, facts: MapFacts, layout: TreeLayout, from: 'whole' | 'part'): void {
    const { boxes, boxOf, levels, loose, width } = layout;
    const inTree = new Set([...tree.node].filter((node) => node >= 0));
    const pages = [...facts.form.keys()].filter((node) => facts.form[node]! <= FORM.unreached);
    if (from === 'whole') {
        // Each page is in one box, or at the foot: nothing is lost, and nothing there twice.
        const drawn = pages.filter((node) => boxOf[node]! >= 0);
        expect(drawn).toEqual(pages.filter((node) => inTree.has(node)));
        expect([...(loose?.order ?? [])].sort((a, b) => a - b)).toEqual(pages.filter((node) => !inTree.has(node)));
    }
    const inside = new Uint32Array(boxes.length);
    for (const box of boxOf) if (box >= 0) inside[box]!++;
    const below = boxes.map((_, box) => inside[box]!);
    for (let box = boxes.length - 1; box >= 0; box--) {
        const { above } = boxes[box]!;
        expect(above).toBeLessThan(box);
        if (above >= 0) below[above]! += below[box]!;
    }
    boxes.forEach((box, number) => {
        expect(box.pages, box.key).toBe(below[number]);
        expect(box.x).toBeGreaterThanOrEqual(-1e-6);
        expect(box.x + box.width).toBeLessThanOrEqual(width + 1e-6);
        expect(box.y).toBe(levels[box.level]!.y);
        if (box.kind === 'page') expect(boxOf[box.node]).toBe(number);
        if (box.above < 0) return;
        const above = boxes[box.above]!;
        expect(box.level).toBe(above.level + 1);
        expect(box.x).toBeGreaterThanOrEqual(above.x - 1e-6);
        expect(box.x + box.width).toBeLessThanOrEqual(above.x + above.width + 1e-6);
        // One scale for all.
        expect(box.width / box.pages).toBeCloseTo(above.width / above.pages, 6);
    });
    for (const level of levels.keys()) {
        const own = boxes.filter((box) => box.level === level).sort((a, b) => a.x - b.x);
        own.forEach((box, place) => {
            if (place > 0) expect(box.x).toBeGreaterThanOrEqual(own[place - 1]!.x + own[place - 1]!.width - 1e-6);
        });
    }
}

describe('a tree as an icicle', () => {
    it('has every page of random sites once, whatever hangs by what', () => {
        for (let seed = 1; seed <= 12; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const facts = mapFacts(survey, []);
            const trees = [
                ...HANGINGS.map((by) => branchTree(survey, facts, by)),
                ...GROUPINGS.map((by) => addressTree(survey, facts, by)),
            ];
            for (const tree of trees) {
                const onLevels = treeLayout(tree, facts, { width: 900, height: 9_000 }, null).levels;
                expect(onLevels.reduce((sum, { pages }) => sum + pages, 0)).toBe(
                    tree.node.reduce((sum, node) => sum + Number(node >= 0), 0),
                );
                for (const width of [900, 120]) {
                    const layout = treeLayout(tree, facts, { ...SIZE, width }, null);
                    isSound(tree, facts, layout, 'whole');
                    expect(treeLayout(tree, facts, { ...SIZE, width }, null)).toEqual(layout);
                    const inner = layout.boxes.find(({ level, kind }) => level === 1 && kind === 'page');
                    if (inner) isSound(tree, facts, treeLayout(tree, facts, { ...SIZE, width }, inner.key), 'part');
                }
            }
        }
    });

    it('hangs by shortest paths at the depth of each page, and by what holds with its load behind', () => {
        for (let seed = 1; seed <= 12; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const facts = mapFacts(survey, []);
            const wide = { width: 90_000, height: 90_000 };
            const byWay = treeLayout(branchTree(survey, facts, 'way'), facts, wide, null);
            for (const box of byWay.boxes) {
                if (box.kind === 'page') expect(facts.depth[box.node]).toBe(box.level);
            }
            byWay.levels.forEach(({ pages }, depth) => {
                const there = [...facts.depth].filter(
                    (own, node) => own === depth && facts.form[node]! <= FORM.stopped,
                );
                expect(pages).toBe(there.length);
            });
            for (const box of treeLayout(branchTree(survey, facts, 'hold'), facts, wide, null).boxes) {
                // The load is worked out by the measures: pages that are reached through it alone.
                if (box.kind === 'page') expect(box.pages - 1, box.key).toBe(facts.load[box.node]);
            }
        }
    });

    it('gathers what is too narrow, and opens it on going in', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/big/' }, { to: '/small/' }]);
        const many = Array.from({ length: 300 }, (_, n) => ({ to: `/big/${n}` }));
        site.page('/big/', many)
            .page('/small/', [{ to: '/small/x' }])
            .page('/small/x');
        for (const { to } of many) site.page(to);
        const { survey, facts } = packed(site);
        const tree = branchTree(survey, facts, 'way');
        const whole = treeLayout(tree, facts, SIZE, null);
        expect(boxNamed(whole, 'big/').pages).toBe(301);
        // /small/ and the page below it are 2 of 304 pages: 6 of 900 points, less than a box needs.
        const gathered = whole.boxes.filter(({ kind }) => kind === 'gathered');
        expect(gathered.map(({ pages, level }) => [level, pages])).toEqual([
            [1, 2],
            [2, 300],
        ]);
        const inside = treeLayout(tree, facts, SIZE, `${ORIGIN}/small/`);
        expect(inside.boxes.map(({ name, pages }) => [name, pages])).toEqual([
            ['small/', 2],
            ['x', 1],
        ]);
        expect(inside.trail.map(({ key }) => key)).toEqual([`${ORIGIN}/`, `${ORIGIN}/small/`]);
        // A key that is of another revision: all of it.
        expect(treeLayout(tree, facts, SIZE, `${ORIGIN}/gone`).boxes).toEqual(whole.boxes);
    });

    it('passes over redirects, and over pages that lead on at once', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/old' }, { to: '/turn' }]);
        site.page('/old', [], { status: 301, words: null, redirectTo: site.id('/new') });
        site.page('/new', [{ to: '/below' }]).page('/below');
        site.page('/turn', [], { instantRefresh: site.id('/turned') }).page('/turned');
        const { survey, facts } = packed(site);
        const { boxes } = treeLayout(branchTree(survey, facts, 'way'), facts, SIZE, null);
        const at = (name: string) => {
            const box = boxes.find((own) => own.name === name)!;
            return [box.level, box.above === -1 ? '' : boxes[box.above]!.key];
        };
        expect(at('new')).toEqual([1, `${ORIGIN}/`]);
        expect(at('below')).toEqual([2, `${ORIGIN}/new`]);
        expect(at('turned')).toEqual([1, `${ORIGIN}/`]);
    });

    it('holds at its last level what a chain of 70,000 steps has below it, and goes on from there', () => {
        const count = 70_000;
        const facts: MapFacts = {
            count,
            form: new Uint8Array(count),
            depth: Int32Array.from({ length: count }, (_, node) => node),
            section: new Uint32Array(count),
            sections: ['/'],
            standing: new Float64Array(count),
            load: new Uint32Array(count),
            gate: new Uint8Array(count),
            island: new Int32Array(count).fill(-1),
            apart: new Uint8Array(count),
        };
        const tree: MapTree = {
            parent: Int32Array.from({ length: count }, (_, item) => item - 1),
            node: Int32Array.from({ length: count }, (_, item) => item),
            nameOf: String,
            keyOf: String,
        };
        const { boxes, height, boxOf } = treeLayout(tree, facts, SIZE, null);
        expect(height).toBeLessThanOrEqual(SIZE.height);
        const last = boxes.at(-1)!;
        expect([last.kind, last.pages]).toEqual(['rest', count - last.level]);
        expect(boxOf[69_999]).toBe(boxes.length - 1);
        const on = treeLayout(tree, facts, SIZE, '60000');
        expect(on.boxes[0]!.pages).toBe(10_000);
        expect(on.trail.length).toBeLessThan(10);
        expect([on.trail[0]!.key, on.trail.at(-1)!.key]).toEqual(['0', '60000']);
    });

    it('has what is not reached at its foot, islands side by side', () => {
        const site = new Site().known('/', 'manual').page('/', []);
        site.page('/b-lone')
            .page('/c1', [{ to: '/a2' }])
            .page('/a2', [{ to: '/c1' }]);
        const { survey, facts } = packed(site);
        const { loose } = treeLayout(branchTree(survey, facts, 'way'), facts, SIZE, null);
        const paths = [...loose!.order].map((node) => survey.url(node).slice(ORIGIN.length));
        expect(paths).toEqual(['/b-lone', '/a2', '/c1']);
        expect(loose!.groups).toEqual([
            { from: 0, to: 1, isIsland: false },
            { from: 1, to: 3, isIsland: true },
        ]);
    });
});

describe('pages by their addresses', () => {
    it('lie in their folders, several folders in one are one box, and queries lie in what they ask', () => {
        const site = new Site().known('/', 'manual').page('/', []);
        for (const path of ['/docs/', '/docs/1.0/api/a', '/docs/1.0/api/b', '/docs/?page=2', '/x/y/z/only'])
            site.page(path);
        const { survey, facts } = packed(site);
        const { boxes } = treeLayout(addressTree(survey, facts, 'folders'), facts, SIZE, null);
        const told = boxes.map(({ name, kind, pages, above }) => [
            name,
            kind,
            pages,
            above < 0 ? '' : boxes[above]!.name,
        ]);
        const host = new URL(ORIGIN).host;
        expect(told).toEqual([
            [`${host}/`, 'page', 6, ''],
            ['docs/', 'page', 4, `${host}/`],
            ['x/y/z/', 'folder', 1, `${host}/`],
            ['1.0/api/', 'folder', 2, 'docs/'],
            ['?page=2', 'page', 1, 'docs/'],
            ['only', 'page', 1, 'x/y/z/'],
            ['a', 'page', 1, '1.0/api/'],
            ['b', 'page', 1, '1.0/api/'],
        ]);
    });

    it('stand with the word that most others have, of flat addresses', () => {
        expect(addressWords('https://x.example/guides/How_to-sharpen-a-Hand.Saw.html?a=hook')).toEqual([
            'how',
            'sharpen',
            'hand',
            'saw',
        ]);
        const site = new Site().known('/', 'manual').page('/', []);
        const flat = ['/saw-hand', '/saw-tenon', '/saw-dove', '/drill-hand', '/drill-bit', '/drill-bow', '/lone'];
        for (const path of flat) site.page(path);
        const { survey, facts } = packed(site);
        const { boxes } = treeLayout(addressTree(survey, facts, 'words'), facts, SIZE, null);
        const groups = boxes.filter(({ level }) => level === 1).map(({ name, pages }) => [name, pages]);
        expect(groups).toEqual([
            ['drill', 3],
            ['saw', 3],
            ['no word in common', 2],
        ]);
    });

    it('stand with those in the same language, or with the same shared blocks', () => {
        const menu = (to: string) => ({ to, region: 'nav' as const });
        const site = new Site().known('/', 'manual').page('/', [menu('/a'), menu('/b')], { language: 'en' });
        site.page('/a', [menu('/a'), menu('/b')], { language: 'en' });
        site.page('/b', [menu('/a'), menu('/b')], { language: 'cy' }).page('/c', [], { language: '' });
        const { survey, facts } = packed(site);
        const groupsOf = (by: 'language' | 'templates') =>
            treeLayout(addressTree(survey, facts, by), facts, SIZE, null)
                .boxes.filter(({ level }) => level === 1)
                .map(({ name, pages }) => [name, pages]);
        expect(groupsOf('language')).toEqual([
            ['en', 2],
            ['cy', 1],
            ['says no language', 1],
        ]);
        const templates = groupsOf('templates');
        expect(templates.map(([, pages]) => pages)).toEqual([3, 1]);
        expect(templates[1]![0]).toBe('no shared block');
    });
});
