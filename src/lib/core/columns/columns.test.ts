import { describe, expect, it } from 'vitest';
import { PAGE_COLUMNS } from '../../../../tests/support/reference/page-record.ts';
import { DERIVED_FIELDS } from '../sets/derived-fields.ts';
import { fieldsOf } from '../sets/fields.ts';
import { FLAGS, OUTER_FLAGS } from '../sets/flags.ts';
import { PAGE_FILE_COLUMNS } from '../sets/page-columns.ts';
import { parseSet } from '../sets/parse-set.ts';
import { FACT_COLUMNS } from './fact-columns.ts';
import { MEASURE_COLUMNS } from './measure-columns.ts';

const declared = [...FACT_COLUMNS, ...MEASURE_COLUMNS];
const fields = fieldsOf(null);

describe('the declarations of columns', () => {
    it('give no two columns, fields or flags one name', () => {
        for (const names of [
            declared.map(({ id }) => id),
            fields.map(({ name }) => name),
            fields.map(({ id }) => id),
            [...FLAGS, ...OUTER_FLAGS].map(({ name }) => name),
        ]) {
            expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([]);
        }
    });

    it('keep the columns of pages.csv in their order: those there are, and only then what came later', () => {
        expect(PAGE_FILE_COLUMNS.slice(0, PAGE_COLUMNS.length + 3)).toEqual([
            ...PAGE_COLUMNS,
            'leak',
            'load',
            'main_words',
        ]);
        expect(new Set(PAGE_FILE_COLUMNS).size).toBe(PAGE_FILE_COLUMNS.length);
    });

    it('say what each is, in a sentence, under a name that can be written in a set', () => {
        for (const { name, what } of [...fields, ...FLAGS]) {
            expect(name, name).toMatch(/^[a-z0-9]+( [a-z0-9]+)*$/);
            expect(what, name).toMatch(/[.")]$/);
        }
        for (const { name, kind } of fields) {
            const line = kind === 'number' ? `${name} > 1` : kind === 'date' ? `${name} = 2026-03-31` : `${name} is x`;
            expect(parseSet(line, fields).ok, line).toBe(true);
        }
        for (const { name } of FLAGS) expect(parseSet(name, fields).ok, name).toBe(true);
    });

    it('become fields and flags, every one', () => {
        const shaped = declared.flatMap(({ field }) => (field ? [field.name] : []));
        expect(fields.map(({ name }) => name)).toEqual([
            ...shaped,
            ...DERIVED_FIELDS.map(({ name }) => name),
            'priority',
        ]);
        const flags = declared.flatMap(({ flags: own = [] }) => own.map(({ name }) => name));
        expect(FLAGS.map(({ name }) => name)).toEqual(expect.arrayContaining(flags));
    });
});
