import { describe, expect, it } from 'vitest';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { fieldsOf } from '../sets/fields.ts';
import { pageColumns, placesBy } from '../sets/page-columns.ts';
import { parseSet } from '../sets/parse-set.ts';
import { prioritiesOf } from '../sets/priorities.ts';
import { needsMore } from '../sets/set-expression.ts';
import { OVERLAY_COLUMNS } from './overlay-columns.ts';

const { survey } = packSurvey(
    new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/a' }, { to: '/b' }])
        .page('/a')
        .page('/b')
        .measure(),
);
const node = (path: string): number => survey.nodeOf(`https://site.example${path}`);

describe.each(OVERLAY_COLUMNS.map(({ id, field }) => ({ id, name: field.name })))(
    'the overlay $name',
    ({ id, name }) => {
        const laid = new Uint8Array(survey.count);
        laid[node('/a')] = 1;
        laid[node('/b')] = 3;

        it('is a field of sets and a column of tables like any other, once', () => {
            expect(fieldsOf(survey).filter((field) => field.name === name)).toHaveLength(1);
            expect([...pageColumns(survey).keys()].filter((column) => column === id)).toHaveLength(1);
            expect(nodesIn(survey, `${name} < 2`, laid)).toEqual([node('/a')]);
            expect(nodesIn(survey, `${name} is unknown`, laid)).toEqual([node('/')]);
            const column = pageColumns(survey, { [id]: laid }).get(id)!;
            expect(['/', '/a', '/b'].map((path) => column.value(node(path)))).toEqual([null, 1, 3]);
        });

        it('is not known of any page where it is not there', () => {
            expect(nodesIn(survey, `${name} is unknown`)).toHaveLength(survey.count);
            expect(pageColumns(survey).get(id)!.value(node('/a'))).toBeNull();
        });

        it('is asked anew each time: it changes without the survey', () => {
            const orderOf = (column: Uint8Array): Int32Array =>
                placesBy(survey, pageColumns(survey, { [id]: column }).get(id)!);
            expect(orderOf(laid)[node('/b')]).toBe(1);
            const turned = laid.map((value) => (value === 0 ? 0 : 4 - value));
            expect(orderOf(turned)[node('/b')]).toBe(0);
            expect(nodesIn(survey, `${name} is 1`, turned)).toEqual([node('/b')]);
        });

        it('cannot be told by a survey alone, nor from itself', () => {
            const parsed = parseSet(`${name} is 1`, fieldsOf(survey));
            expect(parsed.ok && needsMore(parsed.set)).toBe(true);
            const said = [{ by: 'set' as const, subject: `${name} is 1`, value: 2 }];
            expect(prioritiesOf(said, { survey }).troubles).toHaveLength(1);
        });
    },
);
