/** What the rows of a survey tell of its nodes: what the columns of facts are made of. */
import type { Signature } from '../doubles/signature.ts';
import type { PageRow } from '../survey/survey-rows.ts';

/** By which a text is told to be the same as another, or like it. */
export interface TextTraits {
    hash: string;
    /** Null for a text of too few words. */
    signature: Signature | null;
}

/** What is told of the texts of pages, by address number of the rows; pages without text are missing. */
export interface TextFacts {
    /** Hash of the body as received. */
    body: Map<number, string>;
    /** Hash, words and signature of the main text. */
    main: Map<number, { hash: string; words: number; signature: Signature | null }>;
    /** Of the text of each document outside headers, menus and footers; signatures only where anything asks for them. */
    whole?: Map<number, TextTraits>;
    /** Hashes of the ids of each document (`core/page/fragments.ts`). */
    ids?: Map<number, Uint32Array>;
}

export const NO_TEXT_FACTS: TextFacts = { body: new Map(), main: new Map(), ids: new Map() };

export interface SurveyFacts {
    /** URL of each node, in order. */
    urls: readonly string[];
    /** What was settled of each; null while it waits. */
    pages: readonly (PageRow | null)[];
    /** 1 for pages whose links count: they answered 200 with HTML. */
    isPage: Uint8Array;
    /** Evidence of each, as bits. */
    evidence: Uint16Array;
    /** Address number of each in the rows. */
    addressIds: Uint32Array;
    /** Packed number of an address of the rows; `NO_ADDRESS` for none. */
    addressOf(id: number | null | undefined): number;
    /** URL of an address of the rows. */
    urlOf(id: number): string;
    texts: TextFacts;
    /** What each origin answers for what is not there, as far as it is a text. */
    madeUp: ReadonlyMap<string, TextTraits>;
}

/** One number, or one text, per page. */
export const each =
    <T>(of: (page: PageRow | null) => T) =>
    ({ pages }: SurveyFacts): T[] =>
        pages.map(of);
