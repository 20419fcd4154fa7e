/**
 * The register of checks: what can be wrong with a site, each declared once. The findings of the page sheet, the causes
 * (*Fix once*), what a survey cannot claim, the docs page (`docs/checks.md`) and its place in Find are views of it. Nothing
 * else says that something is wrong. How one is added is in `CONTRIBUTING.md`.
 */
import type { FactName } from '../packed/column-names.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { LinkKind } from '../page/links.ts';
import type { Problem } from '../problems/problem.ts';
import type { CauseParams } from '../words/cause-params.ts';
import { SEVERITIES, type FileParams, type FindingParams, type Severity } from '../words/finding-params.ts';
import type { Beside } from './beside.ts';
import { hasMarks } from '../text/link-words.ts';
import type { CheckSettings } from './settings.ts';

export { SEVERITIES, type Severity };

export type CheckId = keyof FindingParams | keyof FileParams;

/** What a check looks at. */
export type Looks = 'page' | 'link' | 'template' | 'file' | 'folder';

/** A robots.txt of the site as it was received: the packed survey does not hold its text. */
export interface RobotsText {
    url: string;
    status: number | null;
    /** What was found of it. */
    problems: readonly Problem[];
    /** Empty where there is none. */
    text: string;
}

export interface CheckView {
    survey: PackedSurvey;
    /** Of every origin that was asked for one. */
    robots: readonly RobotsText[];
    /** Sitemaps that name languages for their entries, with the text in which those are kept. */
    listed: readonly { url: string; text: string }[];
    /** Depth goal of a page, the strictest that holds for it; null for none. */
    goalOf: (node: number) => number | null;
    /** Priority of a page, 1 to 3; 0 for none. */
    priorityOf: (node: number) => number;
    settings: CheckSettings;
    /** What is known of the site beside the survey. */
    beside: Beside;
    /** All that findings go by beside the survey, as text: the same for the same. */
    basis: string;
}

/** A link of a page: its place in the page's blocks. */
export interface FindingPlace {
    pageBlock: number;
    at: number;
}

/** Something that is so of one page. */
export type Finding<I extends keyof FindingParams = keyof FindingParams> = {
    [K in I]: {
        check: K;
        severity: Severity;
        params: FindingParams[K];
        /** Where the link stands that it is about; null for what is no link. */
        place: FindingPlace | null;
        /** Line of the page's source it rests on, where that is known of what is no link. */
        line?: number;
    };
}[I];

/** Something that is so of a file, at a line where there is one. */
export type FileFinding<I extends keyof FileParams = keyof FileParams> = {
    [K in I]: { check: K; severity: Severity; params: FileParams[K]; file: string; line: number | null };
}[I];

/** What a finding follows from: the one edit that mends it (`docs/measures.md`, "Causes"). */
export type Cause<K extends keyof CauseParams = keyof CauseParams> = {
    [I in K]: { kind: I; params: CauseParams[I] };
}[K];

/** A number from which on a check fires, or up to which it is quiet: a setting of the site. */
export interface Threshold {
    value: number;
    min: number;
    max: number;
    /** What is counted: "words". */
    unit: string;
}

/** What one check tells of a page or of a target of links; its severity only where that is another than the check's. */
export interface Told<P> {
    params: P;
    severity?: Severity;
    /** Line of the page's source it rests on. */
    line?: number;
    /** The link it rests on, of a finding of a page. */
    place?: FindingPlace;
}

/** The same of a file. */
export interface ToldOfFile<P> extends Omit<Told<P>, 'line' | 'place'> {
    file: string;
    line: number | null;
}

interface Described {
    severity: Severity;
    looks: Looks;
    /** What it is, as a heading. */
    name: string;
    /** When it fires, and when it stays quiet although it looks like it: sentences for the docs. */
    fires: string;
    quiet: string;
    /** Why it matters, and what to do about it. */
    why: string;
    advice: string;
    /** What it looks like: a line of markup, of a file, or of an answer. */
    example: string;
    /** The same once it is mended; of checks that tell it by a wrong and a right one. */
    mended?: string;
    threshold?: Threshold;
    /** Not known, and so never told, where a limit or a stop left something unread. */
    needsWhole?: boolean;
    /** Not known where no made-up address was asked for. */
    needsMadeUp?: boolean;
    /** A fact that surveys of earlier versions do not have: not known without it. */
    needsFact?: FactName;
    /** Not known where no sitemap could be read. */
    needsSitemap?: boolean;
    /** Not known in surveys of versions that did not look at the markup around links. */
    needsMarks?: boolean;
}

/** Links by whether they are followed, and by the page they stand on. */
export interface LinkSort {
    /** `declined`: they say nofollow, or stand on a page that does. */
    takes: 'any' | 'followed' | 'declined';
    from: 'any page' | 'indexable' | 'https';
}

/** Kinds of links that a check can find something of. */
export interface MeantLinks {
    kinds: readonly LinkKind[];
    /** Whether it can find something of links to an address: asked once for each. Links that lead to none are asked about all. */
    to?: (view: CheckView) => (address: number) => boolean;
}

export const ANY_LINK: LinkSort = { takes: 'any', from: 'any page' };
export const FOLLOWED: LinkSort = { takes: 'followed', from: 'any page' };
export const isSameSort = (a: LinkSort, b: LinkSort): boolean => a.takes === b.takes && a.from === b.from;

/** A check as its file declares it: what is so of a page, and the edits that mend it, with the params of its id. */
interface Declaration<I extends CheckId> extends Described {
    id: I;
    /** Made ready for a survey once: what is so of a page; null for nothing. O(1). */
    ofPage?: (
        view: CheckView,
    ) => (node: number) => Told<I extends keyof FindingParams ? FindingParams[I] : never> | null;
    /** The same of links, by the page of the site they lead to: links of pages that count, none to the page itself. */
    ofTarget?: (
        view: CheckView,
    ) => (target: number) => Told<I extends keyof FindingParams ? FindingParams[I] : never> | null;
    /** The same of single links, by their number among all links of lists: of those on pages that count. */
    ofLink?: (
        view: CheckView,
    ) => (link: number) => Told<I extends keyof FindingParams ? FindingParams[I] : never> | null;
    /** Which links `ofLink` is asked about: a million need not be, where a few kinds can be meant. */
    meant?: MeantLinks;
    /** What is so of files of the site, in the order of their lines. */
    ofFiles?: (view: CheckView) => ToldOfFile<I extends keyof FileParams ? FileParams[I] : never>[];
    /** Which links `ofTarget` is about, or on which pages those of `ofLink` stand; any where it is left out. */
    links?: LinkSort;
    /**
     * What a finding of that page, target or link follows from; null for the template that alone holds the link, else the
     * pages it is found of, as is taken when left out.
     */
    cause?: (view: CheckView) => (subject: number) => Cause | null;
}

/** A check as the views of the register take it. */
export interface Check extends Described {
    id: CheckId;
    ofPage: Tells | null;
    ofTarget: Tells | null;
    ofLink: Tells | null;
    meant: MeantLinks | null;
    ofFiles: ((view: CheckView) => FileFinding[]) | null;
    links: LinkSort;
    cause: ((view: CheckView) => (subject: number) => Cause | null) | null;
}

/** What a check tells of a page, target or link, made ready for a survey; without its place. */
export type Tells = (view: CheckView) => (subject: number) => Finding | null;

export function defineCheck<const I extends CheckId>({
    ofPage,
    ofTarget,
    ofLink,
    meant,
    ofFiles,
    links,
    cause,
    ...check
}: Declaration<I>): Check {
    const { id, severity } = check;
    const told = (make: Declaration<I>['ofPage']): Tells | null =>
        make === undefined
            ? null
            : (view) => {
                  const tells = make(view);
                  return (node) => {
                      const one = tells(node);
                      // Each id has its params by `Declaration`; that the pair belongs together is lost in the union.
                      return one && ({ check: id, severity, place: null, ...one } as unknown as Finding);
                  };
              };
    return {
        ...check,
        ofPage: told(ofPage),
        ofTarget: told(ofTarget),
        ofLink: told(ofLink),
        meant: meant ?? null,
        ofFiles:
            ofFiles === undefined
                ? null
                : (view) => ofFiles(view).map((one) => ({ check: id, severity, ...one }) as unknown as FileFinding),
        links: links ?? ANY_LINK,
        cause: cause ?? null,
    };
}

/** Whether a check can be told of a survey: what it needs is there. */
export function isKnown(check: Check, survey: PackedSurvey): boolean {
    const { needsWhole, needsSitemap, needsMadeUp, needsFact, needsMarks } = check;
    const { complete, hasSitemap, files } = survey.head;
    if (needsMadeUp && !files.some(({ kind }) => kind === 'made-up')) return false;
    if (needsMarks && !hasMarks(survey)) return false;
    const hasFact = needsFact === undefined || !survey.lacks(needsFact);
    return hasFact && (!needsWhole || complete) && (!needsSitemap || hasSitemap);
}

/** Told where something is so; nothing where it is not. */
export const when = <P>(isSo: boolean, params: P, severity?: Severity): Told<P> | null => {
    if (!isSo) return null;
    return severity === undefined ? { params } : { params, severity };
};

/** The threshold of a check: the site's, else the register's. */
export function thresholdOf({ settings }: CheckView, id: CheckId, { value }: Threshold): number {
    return settings.thresholds.get(id) ?? value;
}
