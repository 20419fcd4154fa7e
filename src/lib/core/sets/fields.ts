/** The fields of a survey: made from the declarations of columns, and what is told from them. */
import { publicIdOf, type FactColumn, type FieldShape, type MeasureColumn, type Part } from '../columns/column.ts';
import { FACT_COLUMNS } from '../columns/fact-columns.ts';
import { MEASURE_COLUMNS } from '../columns/measure-columns.ts';
import { OVERLAY_COLUMNS } from '../columns/overlay-columns.ts';
import { once } from '../kept.ts';
import type { FactName, MeasureName } from '../packed/column-names.ts';
import type { GivenColumn, PackedSurvey } from '../packed/packed-survey.ts';
import { storedWords } from '../words/problems.ts';
import { DERIVED_FIELDS } from './derived-fields.ts';
import type { ChoiceField, Field, NumberField, TextField } from './field.ts';

type Column = FactColumn<FactName> | MeasureColumn<MeasureName>;

/** What the set language and the tables make of a column. */
function fieldOf(column: Column, field: FieldShape): Field {
    const { name, what, csv } = field;
    const id = publicIdOf(column);
    const part: Part | undefined = 'part' in column && column.part === 'text' ? 'text' : undefined;
    switch (field.kind) {
        case 'number':
        case 'date':
            return {
                kind: field.kind,
                name,
                id,
                what,
                csv,
                part,
                unknown: field.unknown,
                numbers: (survey) => survey.numbers(column.id),
            };
        case 'address':
            return {
                kind: 'text',
                name,
                id,
                what,
                csv,
                part: 'text',
                isUrl: true,
                texts: (survey) =>
                    once(survey, 'texts', [name], () =>
                        Array.from(survey.numbers(column.id), (to) => (to < 0 ? null : survey.addressUrl(to))),
                    ),
            };
        case 'text': {
            const { isUrl = false, ofDocuments = false } = field;
            const texts = textsOf(column as FactColumn<FactName>, ofDocuments);
            return { kind: 'text', name, id, what, csv, part, isUrl, texts };
        }
        case 'choice':
            return { kind: 'choice', name, id, what, csv, part, choices: choicesOf(column, field) };
    }
}

/** Texts of which many are the same are decoded once each; of what is no document a text of documents is not known. */
function textsOf({ id, form }: FactColumn<FactName>, ofDocuments: boolean): TextField['texts'] {
    const make = (survey: PackedSurvey): readonly (string | null)[] => {
        if (survey.lacks(id)) return Array<null>(survey.count).fill(null);
        if (form === 'texts') return survey.texts(id).all();
        const kept = survey.texts(`${id}_words`).all();
        const words = form === 'problems' ? kept.map(storedWords) : kept;
        return Array.from(survey.numbers(id), (code) => words[code]!);
    };
    if (!ofDocuments) {
        return (survey) =>
            form === 'texts' && !survey.lacks(id)
                ? survey.texts(id).all()
                : once(survey, 'texts', [id], () => make(survey));
    }
    return (survey) =>
        once(survey, 'texts', [id], () => {
            const words = survey.numbers('words');
            return make(survey).map((value, node) => (words[node] === -1 ? null : value));
        });
}

/** Words for codes that are no texts of the survey are made once, in the order of the codes. */
function choicesOf(
    { id }: Column,
    { words, wordOf }: { words?: readonly string[]; wordOf?: (code: number) => string },
) {
    if (!words || !wordOf) {
        return (survey: PackedSurvey): ReturnType<ChoiceField['choices']> => ({
            codes: survey.numbers(id),
            words: survey.texts(`${id as FactName}_words`).all(),
        });
    }
    return (survey: PackedSurvey): ReturnType<ChoiceField['choices']> => ({
        codes: once(survey, 'codes', [id], () =>
            Uint8Array.from(survey.numbers(id), (code) => words.indexOf(wordOf(code))),
        ),
        words,
    });
}

/** What the site says of pages. */
function overlayField({ id, field: { name, what, unknown } }: (typeof OVERLAY_COLUMNS)[number]): NumberField {
    return {
        kind: 'number',
        name,
        id,
        what,
        unknown,
        isOverlay: true,
        numbers: (survey, overlays) =>
            overlays[id] ?? once(survey, 'no overlay', [], () => new Uint8Array(survey.count)),
    };
}

/** All fields that every survey has. */
const FIELDS: readonly Field[] = [
    ...[...FACT_COLUMNS, ...MEASURE_COLUMNS].flatMap((column) => (column.field ? [fieldOf(column, column.field)] : [])),
    ...DERIVED_FIELDS,
    ...OVERLAY_COLUMNS.map(overlayField),
];

const givenField = ({ name, list, type, column }: GivenColumn): NumberField => ({
    name,
    id: name.replaceAll(' ', '_'),
    what: `From the list ${list}.`,
    kind: type,
    numbers: (of) => of.given(column),
    unknown: NaN,
});

/** The fields of a survey: those all surveys have, and the columns its imports brought. */
export function fieldsOf(survey: { head: { given: readonly GivenColumn[] } } | null): Field[] {
    const given = (survey?.head.given ?? []).map(givenField);
    return [...FIELDS, ...given.filter(({ name }) => !FIELDS.some((field) => field.name === name))];
}

/** The texts of a text field, page by page; null where they are not known. */
export function textField(survey: PackedSurvey, name: string): readonly (string | null)[] {
    const field = fieldsOf(survey).find((item) => item.name === name);
    if (field?.kind !== 'text') throw new Error(`no text field is called ${name}`);
    return field.texts(survey);
}
