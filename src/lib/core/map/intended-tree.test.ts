import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { readOutline } from '../compare/intended.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { intendedTree } from './intended-tree.ts';
import { mapFacts } from './map-facts.ts';
import { treeLayout } from './tree-layout.ts';

describe('the intended structure as a tree', () => {
    it('has every page that is meant, there or not, marks what its parent does not link to, and keeps the rest at the foot', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/tools/' }, { to: '/far' }]);
        site.page('/tools/', [{ to: '/tools/saw' }])
            .page('/tools/saw')
            .page('/far')
            .page('/more');
        const { survey } = packSurvey(site.measure());
        const outline = readOutline('/\n  /tools/\n    /tools/saw\n    /far\n  /planned/\n');
        if (!outline.ok) throw new Error(outline.say);
        const facts = mapFacts(survey, []);
        const { boxes, loose } = treeLayout(
            intendedTree(survey, outline.pages),
            facts,
            { width: 500, height: 300 },
            null,
        );
        expect(boxes.map(({ name, pages, cuts, level, kind }) => [name, pages, cuts, level, kind])).toEqual([
            ['/', 5, 0, 0, 'page'],
            ['tools/', 3, 0, 1, 'page'],
            ['planned/', 1, 0, 1, 'missing'],
            ['saw', 1, 0, 2, 'page'],
            ['far', 1, 1, 2, 'page'],
        ]);
        expect([...loose!.order].map((node) => survey.url(node))).toEqual([`${ORIGIN}/more`]);
    });

    it('stands for a list that names pages before those they lie below, and one page twice', () => {
        const { survey } = packSurvey(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a' }])
                .page('/a')
                .measure(),
        );
        const pages = [
            { label: '/a', parent: 1, priority: null },
            { label: '/', parent: null, priority: null },
            { label: `${ORIGIN}/a`, parent: 1, priority: null },
        ];
        const { parent, node } = intendedTree(survey, pages);
        expect([...parent]).toEqual([-1, 0, 0]);
        expect([...node].filter((own) => own === survey.nodeOf(`${ORIGIN}/a`))).toHaveLength(1);
    });
});
