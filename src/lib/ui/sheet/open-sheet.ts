/** What a page sheet is given: the page, where its links lead, and what can be done from it. */
import type { SubjectOrigin } from '../../core/subjects/subject.ts';
import type { GivenFact } from '../../core/areas/list-matches.ts';
import type { PageLinks } from '../../core/areas/page-links.ts';
import type { ToldSheet } from '../../core/areas/page-sheet.ts';
import type { Severity } from '../../core/checks/check.ts';
import type { SheetDetails } from '../../core/survey/page-details.ts';

/** Everything about one page of a survey. */
export interface OpenSheet {
    sheet: ToldSheet;
    /** Facts beside the columns; null where nothing was kept. */
    details: SheetDetails | null;
    /** What lists from elsewhere say of the page. */
    given: GivenFact[];
    /** What it is about; null where the words of the survey are not known. */
    subject: { words: string[]; from: SubjectOrigin } | null;
    /** What it is called, what feeds it and what it feeds. */
    links: PageLinks;
    findings: {
        check: string;
        severity: Severity;
        say: string;
        line: number | null;
        advice: string;
        /** What it is accepted by: of links the URL they lead to. */
        subject: string;
        /** Key of what it follows from, and the edit that mends that. */
        cause: string;
        edit: string;
        /** By itself, or with its cause; null where it is open. */
        accepted: { id: number; note: string } | null;
    }[];
    /** Links that something was found of, beyond those told. */
    moreLinks: number;
    notes: { id: number; text: string; createdAt: number }[];
}

/** Addresses that a sheet leads to. */
export interface SheetLinks {
    /** Scheme and host of the start page: what addresses may leave out. */
    origin: string;
    /** The same view with another page's sheet. */
    page: (url: string) => string;
    /** A page's source at a line. */
    source: (url: string, line: number) => string;
    set: (line: string) => string;
    /** What lies around it, and a walk from it. */
    around: (url: string) => string;
    journey: (url: string) => string;
    /** Links that others could give the page, and that its own text could give. */
    proposals: (url: string) => string;
    outward: (url: string) => string;
    /** The Links table with the links from or to a set. */
    links: (line: string, side: 'from' | 'to') => string;
}

/** What can be asked from a sheet; each says why it was not done, or nothing. */
export interface SheetActs {
    /** Lives with what a check finds at a URL. */
    accept: (what: { check: string; subject: string; note: string }) => Promise<string>;
    withdraw: (id: number) => Promise<string>;
    /** Starts a spot survey. */
    readAgain: (what: { kind: 'page' | 'folder'; url: string }) => Promise<string>;
    /** Has a URL asked for that was left alone as an action. */
    askAllTheSame: (url: string) => Promise<string>;
    /** Says how much the page matters, 1 to 3, or nothing. */
    setPriority: (url: string, value: number | null) => Promise<string>;
    /** Says what the page is about; without words that is taken back. */
    setSubject: (url: string, words: string[]) => Promise<string>;
    writeNote: (url: string, text: string) => Promise<string>;
    forgetNote: (id: number) => Promise<string>;
}

/** The source of a page at a line; null where no line or no source is kept. */
export function keptSource(
    { details }: Pick<OpenSheet, 'details'>,
    to: SheetLinks,
    url: string,
    line: number | null,
): string | null {
    return line === null || !details?.keepsSource ? null : to.source(url, line);
}
