/**
 * A column: what can be said of every page, declared once. From the declaration come its bytes in the packed survey, the
 * field and the flags of the set language, completion, the column of tables, exports and API, and its line in the docs.
 * How to add one is in `CONTRIBUTING.md`.
 */
import type { GraphModel } from '../model/graph-model.ts';
import type { ProblemText } from '../problems/problem.ts';
import type { SurveyFacts } from './survey-facts.ts';

/** Parts of the packed survey. */
export type Part = 'core' | 'text' | 'links' | 'measures';

/** How the set language and the tables take it. */
export type FieldKind =
    /** Compares. `unknown` is the number that says "not known"; fractions say it by NaN. */
    | { kind: 'number' | 'date'; unknown: number }
    /** Is looked into. A URL keeps its case when compared; of what is no document such a text is not known. */
    | { kind: 'text'; isUrl?: boolean; ofDocuments?: boolean }
    /** The address a number stands for, as a text. */
    | { kind: 'address' }
    /** One of few words; the empty word is "not known". Without `words` those that occur. */
    | { kind: 'choice'; words?: readonly string[]; wordOf?: (code: number) => string };

export type FieldShape = FieldKind & {
    /** As the set language writes it: small letters, single spaces. */
    name: string;
    /** What it is, for completion and the docs: a sentence. */
    what: string;
    /** Place among the columns of `pages.csv`, from 1: never changed once given, new ones come last. */
    csv?: number;
};

/** What is so or not of a page by this column alone. */
export interface FlagShape {
    name: string;
    what: string;
    isSo: (value: number) => boolean;
}

interface Declared<I extends string> {
    /** Name in the packed survey, and with exports and API unless `publicId` says another. */
    id: I;
    publicId?: string;
    field?: FieldShape;
    flags?: readonly FlagShape[];
}

/** Read from the rows, and kept as whole numbers, fractions, texts, texts of which many are the same, or problems. */
export type FactColumn<I extends string = string> = Declared<I> & {
    part: 'core' | 'text';
    /** False where no row tells it, as those of an earlier version: then it is not packed, and not known. */
    isKnown?: (facts: SurveyFacts) => boolean;
} & (
        | { form: 'numbers'; from: (facts: SurveyFacts) => ArrayLike<number> }
        | { form: 'fractions'; from: (facts: SurveyFacts) => ArrayLike<number> }
        | { form: 'texts'; from: (facts: SurveyFacts) => readonly string[] }
        | { form: 'choices'; from: (facts: SurveyFacts) => readonly string[] }
        /** Kept like choices; sets, tables and exports see them in words. */
        | { form: 'problems'; from: (facts: SurveyFacts) => readonly ProblemText[] }
    );

/** Worked out of the link graph: made again from kept facts when measures change. */
export interface MeasureColumn<I extends string = string> extends Declared<I> {
    form: 'numbers' | 'fractions';
    of: (model: GraphModel) => ArrayLike<number>;
}

/** What people say of pages: belongs to the site, and is laid over a survey when it is looked at. */
export type OverlayColumn<I extends string = string> = Declared<I> & {
    field: FieldShape & { kind: 'number'; unknown: number };
};

export const factColumn = <const I extends string>(column: FactColumn<I>): FactColumn<I> => column;
export const overlayColumn = <const I extends string>(column: OverlayColumn<I>): OverlayColumn<I> => column;
export const measureColumn = <const I extends string>(column: MeasureColumn<I>): MeasureColumn<I> => column;

/** So where the column says 1. */
export const marked = (name: string, what: string): FlagShape => ({ name, what, isSo: (value) => value === 1 });
/** So where the column has a group or a node. */
export const present = (name: string, what: string): FlagShape => ({ name, what, isSo: (value) => value !== -1 });

/** As exports and API call a column. */
export const publicIdOf = ({ id, publicId }: Pick<Declared<string>, 'id' | 'publicId'>): string => publicId ?? id;
