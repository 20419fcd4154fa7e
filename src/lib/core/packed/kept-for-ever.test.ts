import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { packedOf } from '../../wire/packed-head.ts';
import type { Part } from '../columns/column.ts';
import { measureSurvey } from '../pack/measure-survey.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { evaluateSet } from '../sets/evaluate-set.ts';
import { fieldsOf } from '../sets/fields.ts';
import { pageColumns } from '../sets/page-columns.ts';
import { parseSet } from '../sets/parse-set.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { FACTS_VERSION, MEASURES_VERSION, PackedSurvey } from './packed-survey.ts';
import { decodeSections, encodeSections, type Sections } from './sections.ts';

/** The parts of a survey as some version of the program packed it: bytes that are never made again. */
function fixture(name: string, parts: readonly Part[]): Map<Part, Sections> {
    const folder = join(import.meta.dirname, '../../../../tests/fixtures', name);
    return new Map(
        parts.map((part) => [part, decodeSections(new Uint8Array(readFileSync(join(folder, `${part}.bin`))))]),
    );
}

function setOf(survey: PackedSurvey, line: string): string[] {
    const parsed = parseSet(line, fieldsOf(survey));
    if (!parsed.ok) throw new Error(parsed.say);
    return Array.from(evaluateSet(parsed.set, { survey }).nodes(), (node) => survey.url(node).replace(ORIGIN, ''));
}

/**
 * / links to /guides/, to /old, which redirects to /new, and out of the site; /guides/ to /guides/saw and to /gone (404);
 * /guides/saw to /deep, declined; /tools/ to /guides/saw, with its canonical at /guides/; /left and /right to each other.
 * /shut is closed by robots.txt. A menu on four pages leads to / and /tools/. Visits: 7 of /tools/.
 */
describe('a survey that was packed when facts and measures were one part', () => {
    const parts = fixture('packed-survey-2', ['core', 'text', 'links']);
    const survey = packedOf(parts)!;
    const { head } = measureSurvey(survey);

    it('opens, with its measures made from its facts', () => {
        expect(survey.head.facts).toBe(1);
        expect(head).toMatchObject({ measures: MEASURES_VERSION });
        expect(
            survey
                .texts('url')
                .all()
                .map((url) => url.replace(ORIGIN, '')),
        ).toEqual([
            '/',
            '/deep',
            '/gone',
            '/guides/',
            '/guides/saw',
            '/left',
            '/new',
            '/old',
            '/right',
            '/shut',
            '/tools/',
        ]);
    });

    it('tells of its pages what is so', () => {
        expect(setOf(survey, 'depth = 0')).toEqual(['/']);
        expect(setOf(survey, 'depth = 1')).toEqual(['/guides/', '/new', '/old', '/tools/']);
        expect(setOf(survey, 'depth = 2')).toEqual(['/gone', '/guides/saw']);
        expect(setOf(survey, 'depth = 3')).toEqual(['/deep']);
        expect(setOf(survey, 'adrift')).toEqual(['/left', '/right']);
        expect(setOf(survey, 'in an island')).toEqual(['/left', '/right']);
        expect(setOf(survey, 'decline only')).toEqual(['/deep']);
        expect(setOf(survey, 'closed by robots')).toEqual(['/shut']);
        expect(setOf(survey, 'in sitemap')).toEqual(['/guides/saw', '/left', '/shut']);
        expect(setOf(survey, 'gate is canonical')).toEqual(['/tools/']);
        expect(setOf(survey, 'description is "All of it"')).toEqual(['/']);
        expect(setOf(survey, 'visits = 7')).toEqual(['/tools/']);
        expect(setOf(survey, 'linked from (path is /guides/) with anchor "saws"')).toEqual(['/guides/saw']);
        expect(setOf(survey, 'held by template nav')).toEqual(['/tools/']);
        // The one link of /tools/ is one of the two of /guides/: one template, on which /guides/saw and /deep hang.
        expect(survey.measured.templates).toMatchObject([
            { region: 'nav', pages: 4, holds: 1 },
            { region: 'main', pages: 2, holds: 2 },
        ]);
        // Two of three followed links of /guides/ lead on; the third is lost.
        expect(setOf(survey, 'leak > 0')).toEqual(['/guides/']);
    });
});

describe('facts that were not read when a survey was packed', () => {
    const { parts } = packSurvey(
        new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }], { description: 'x', language: 'en', noindex: true, bytes: 3, readAt: 5 })
            .page('/a')
            .measure(),
    );
    const left = ['description:bytes', 'description:ends', 'language', 'language_words:bytes', 'language_words:ends'];
    const missing = new Set([...left, 'noindex', 'bytes', 'read_at', 'meta_robots']);
    const older = new Map(
        [...parts].map(([part, { head, columns }]) => [
            part,
            decodeSections(
                encodeSections({ head, columns: new Map([...columns].filter(([name]) => !missing.has(name))) }),
            ),
        ]),
    );
    const survey = packedOf(older)!;

    it('are not known, in every kind of column, and nothing is said to be so', () => {
        const columns = pageColumns(survey);
        for (const id of ['description', 'description_length', 'language', 'bytes', 'read_at', 'meta_robots']) {
            expect(
                [0, 1].map((node) => columns.get(id)!.value(node)),
                id,
            ).toEqual([null, null]);
        }
        expect(setOf(survey, 'noindex')).toEqual([]);
        expect(setOf(survey, 'description is unknown')).toEqual(['/', '/a']);
        expect(setOf(survey, 'bytes is unknown and language is unknown')).toEqual(['/', '/a']);
        // All else is as it was.
        expect(setOf(survey, 'depth = 1')).toEqual(['/a']);
        expect(survey.lacks('title')).toBe(false);
    });
});

describe('the versions of a packed survey', () => {
    const { parts, survey } = packSurvey(new Site().known('/', 'manual').page('/').measure());

    it('stand in the heads of its parts', () => {
        expect(parts.get('core')!.head).toMatchObject({ facts: FACTS_VERSION });
        expect(parts.get('measures')!.head).toMatchObject({ measures: MEASURES_VERSION });
        expect(survey.measured.measures).toBe(MEASURES_VERSION);
    });

    it('make no survey of parts whose heads are none of ours', () => {
        const columns = parts.get('core')!.columns;
        expect(packedOf(new Map([['core', { head: { count: 'x' }, columns }]]))).toBeNull();
        expect(packedOf(new Map([['text', parts.get('text')!]]))).toBeNull();
        const wrong = new Map(parts).set('measures', { head: null, columns: parts.get('measures')!.columns });
        expect(packedOf(wrong)).toBeNull();
    });

    it('say so when measures are asked for before they are there', () => {
        const bare = new PackedSurvey(survey.head);
        bare.add('core', parts.get('core')!);
        expect(() => bare.measured).toThrow('no measures');
        expect(() => bare.numbers('depth')).toThrow('no column depth');
    });
});
