import { describe, expect, it } from 'vitest';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { evaluateSet } from '../sets/evaluate-set.ts';
import { fieldsOf } from '../sets/fields.ts';
import { parseSet } from '../sets/parse-set.ts';
import { shadeChoices, shadingOf, TONES, type ShadeEntry } from './shading.ts';

const SOURCES = { baseline: null, hasPriorities: true, hasIntended: false };
const INTENDED = ['/', '/p1', '/p2', '/p3'].map((label, at) => ({
    label,
    parent: at === 0 ? null : 0,
    priority: null,
}));
const NOT_READABLE = 'cannot be read';

/** Nodes of an entry, where the survey can be compared with an earlier one, number 1. */
function nodesOf({ set }: ShadeEntry, survey: PackedSurvey, baseline?: PackedSurvey): number[] {
    const parsed = parseSet(set, fieldsOf(survey));
    if (!parsed.ok) throw new Error(`${set} ${NOT_READABLE}: ${parsed.say}`);
    const context = {
        survey,
        baseline,
        surveys: () => baseline,
        priority: new Uint8Array(survey.count),
        intended: INTENDED,
    };
    return [...evaluateSet(parsed.set, context).nodes()];
}

describe('what the map is shaded by', () => {
    it('is in sets that have each page once, whatever it is shaded by, on random sites', () => {
        for (let seed = 1; seed <= 8; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const before = packSurvey(randomSite(seed + 20).measure()).survey;
            const sources = { baseline: 1, hasPriorities: true, hasIntended: false };
            const [plain] = shadeChoices(survey, sources);
            const pages = nodesIn(survey, 'page');
            for (const { by } of plain!.choices) {
                const { entries } = shadingOf(survey, by, sources);
                if (by === 'section') continue;
                const all = entries.flatMap((entry) => nodesOf(entry, survey, before));
                expect(
                    all.sort((a, b) => a - b),
                    `seed ${seed}, ${by}`,
                ).toEqual(pages);
                for (const { tone } of entries) expect(tone).toBeLessThan(TONES);
            }
        }
    });

    it('steps through a number by fifths of the pages, darker with each', () => {
        const site = new Site().known('/', 'manual').page('/', [], { words: 1 });
        for (let n = 2; n <= 100; n++) site.page(`/${n}`, [], { words: n });
        const { survey } = packSurvey(site.measure());
        const entries = shadingOf(survey, 'words', SOURCES).entries.filter(({ tone }) => tone >= 0);
        // One hundred pages of 1 to 100 words: twenty of them in each step.
        expect(entries.map((entry) => nodesOf(entry, survey).length)).toEqual([20, 20, 20, 20, 20]);
        expect(entries.map(({ tone }) => tone)).toEqual([0, 1, 2, 3, 4]);
        expect(entries[0]!.set).toBe('page and words < 21');
    });

    it('makes no step of what is the same everywhere', () => {
        const site = new Site().known('/', 'manual').page('/').page('/a').page('/b');
        const { entries } = shadingOf(packSurvey(site.measure()).survey, 'words', SOURCES);
        expect(entries.map(({ say }) => say)).toEqual(['all the same', 'not known']);
    });

    it('shows a check as those that have its finding, and the rest', () => {
        const site = new Site().known('/', 'manual').page('/').page('/alone');
        const { survey } = packSurvey(site.measure());
        const { entries, name } = shadingOf(survey, 'finding orphan-strict', SOURCES);
        expect(name).toBe('orphan-strict');
        expect(entries.map(({ set, isMarked }) => [set, isMarked])).toEqual([
            ['page and has finding "orphan-strict"', true],
            ['page and not has finding "orphan-strict"', false],
        ]);
    });

    it('tells a change once: what is new is not told as indexable now as well', () => {
        const old = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/b' }])
            .page('/a')
            .page('/b');
        const now = new Site().known('/', 'manual').page('/', [{ to: '/a' }, { to: '/new' }]);
        now.page('/a').page('/b').page('/new');
        const [before, survey] = [packSurvey(old.measure()).survey, packSurvey(now.measure()).survey];
        const told = shadingOf(survey, 'change', { baseline: 1, hasPriorities: false, hasIntended: false }).entries.map(
            (entry) => [entry.say, nodesOf(entry, survey, before).map((node) => survey.url(node).slice(ORIGIN.length))],
        );
        expect(Object.fromEntries(told)).toMatchObject({
            new: ['/new'],
            'no longer reached': ['/b'],
            'as before': ['/', '/a'],
        });
    });

    it('goes by standing for what it does not know', () => {
        const { survey } = packSurvey(new Site().known('/', 'manual').page('/').measure());
        for (const by of ['', 'no such thing', 'column visits', 'change', 'finding nothing-like-it']) {
            expect(shadingOf(survey, by, SOURCES).by).toBe('standing');
        }
    });
});
