/**
 * A field: what can be said of a page under the name that the set language, the tables and the exports have for it.
 * Numbers and dates compare, texts are looked into, choices are one of few words.
 */
import type { Overlays } from '../columns/overlay-columns.ts';
import type { Part } from '../columns/column.ts';
import type { NumberColumn } from '../number-column.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export type Value = string | number | boolean | null;

interface Common {
    /** As the set language writes it: small letters, single spaces. */
    name: string;
    /** As exports and API write it. */
    id: string;
    /** What it is, for completion and the docs. */
    what: string;
    /** Part of the packed survey it needs beside `core` and `measures`. */
    part?: Part | undefined;
    /** Place among the columns of `pages.csv`. */
    csv?: number | undefined;
}

export interface NumberField extends Common {
    kind: 'number' | 'date';
    /** The column, and the number in it that says "not known". Fractions say it by NaN. */
    numbers: (survey: PackedSurvey, overlays: Overlays) => NumberColumn;
    unknown: number;
    /** Its numbers are laid over the survey, and change without it. */
    isOverlay?: true;
}

export interface TextField extends Common {
    kind: 'text';
    /** A URL keeps its case when compared; `has` looks in any case. */
    isUrl: boolean;
    /** All texts, by node; null where nothing can be said. */
    texts: (survey: PackedSurvey) => readonly (string | null)[];
}

export interface ChoiceField extends Common {
    kind: 'choice';
    /** Number of the word of each node, and the words; an empty word says "not known". */
    choices: (survey: PackedSurvey) => { codes: NumberColumn; words: readonly string[] };
}

export type Field = NumberField | TextField | ChoiceField;

/** Value of a field at a page; null for "not known". */
export function valueAt(survey: PackedSurvey, field: Field, node: number, overlays: Overlays = {}): Value {
    if (field.kind === 'text') return field.texts(survey)[node] ?? null;
    if (field.kind === 'choice') {
        const { codes, words } = field.choices(survey);
        return words[codes[node]!] || null;
    }
    const value = field.numbers(survey, overlays)[node];
    return value === undefined || value === field.unknown || Number.isNaN(value) ? null : value;
}
