/** What is known of a site beside its survey, as far as checks ask for it. */
import type { IntendedPage } from '../compare/intended.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { GENERIC_WORDS, type GenericWords } from '../text/generic-words.ts';

/** A family of URLs that was closed while the survey ran. */
export interface ClosedFamily {
    pattern: string;
    /** A member that was read. */
    example: string;
    read: number;
    /** Why it closed, as a word of `core/traps/families.ts`. */
    reason: string;
    byHand: boolean;
}

/** How one of the ways to write the host of the site answered at its door. */
export interface DoorForm {
    origin: string;
    /** Of the last answer; null where there was none. */
    status: number | null;
    /** Origin at which it ended; empty for none. */
    lands: string;
}

export interface Beside {
    families: readonly ClosedFamily[];
    intended: readonly IntendedPage[];
    /** At the last door check until the survey ended, else the first after it; empty where there was none. */
    hostForms: readonly DoorForm[];
    /** Other hosts that the whole survey before links to; null where there is none. */
    hostsBefore: ReadonlySet<string> | null;
    /** Of each link how its words stand to its target (`FITS`); null where the words of the survey are not known. */
    anchorFits: ((survey: PackedSurvey) => ArrayLike<number>) | null;
    /** What was said of subjects, as text: fits go by it. */
    subjectsSaid: string;
    /** Which words of links say nothing. */
    generic: GenericWords;
}

export const NOTHING_BESIDE: Beside = {
    families: [],
    intended: [],
    hostForms: [],
    hostsBefore: null,
    anchorFits: null,
    subjectsSaid: '',
    generic: GENERIC_WORDS,
};

/** The same text for the same. */
export function besideText(beside: Beside): string {
    const { families, intended, hostForms, hostsBefore, anchorFits, subjectsSaid, generic } = beside;
    const hosts = hostsBefore === null ? null : [...hostsBefore].sort().join(' ');
    return JSON.stringify([families, intended, hostForms, hosts, anchorFits !== null, subjectsSaid, generic.key]);
}
