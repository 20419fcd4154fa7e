/** What the survey worker answers, on the very bytes the server works on; without the worker around it. */
import { hostUrls, robotsChange, type RobotsChange } from '../core/areas/robots-change.ts';
import type { Part } from '../core/columns/column.ts';
import { columnFlow, linksOfPage, linksOfSet } from '../core/map/map-links.ts';
import { siteWalks, type SiteWalks, type WalksAsked } from '../core/map/site-walks.ts';
import { mapCard, type MapCard } from '../core/views/map.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import { decodeSections } from '../core/packed/sections.ts';
import { robotsOptions, type RobotsOption } from '../core/robots/edit-robots.ts';
import type { Bits } from '../core/sets/bits.ts';
import { classesOf } from '../core/sets/classes.ts';
import { evaluateSet, partsFor } from '../core/sets/evaluate-set.ts';
import { fieldsOf } from '../core/sets/fields.ts';
import { parseSet } from '../core/sets/parse-set.ts';
import { needsMore } from '../core/sets/set-expression.ts';
import { addPart, openPacked } from '../wire/packed-head.ts';
import {
    mapAnswer,
    MOST_SET_LINKS,
    partsOfMap,
    type MapAnswer,
    type MapLinksAnswer,
    type MapLinksQuestion,
    type MapQuestion,
} from './map-answers.ts';

/** Address of a survey in the API, and what of it is meant: a later revision is another survey. */
export interface SurveyName {
    survey: string;
    revision: string;
}

/** Two texts of the robots.txt of a host, laid side by side for an agent. */
export interface RobotsQuestion {
    origin: string;
    before: string;
    after: string;
    agent: string;
    /** Whether the paths that are lost are wanted too. */
    paths: boolean;
}

/** Which pages are to be closed or opened: a set, or all below a folder, or the one at a path. */
export type ChosenPages = { by: 'set'; set: string } | { by: 'path'; path: string };

export type WalksQuestion = Omit<WalksAsked, 'goal'> & { goal: string };

export interface RobotsWishQuestion {
    origin: string;
    text: string;
    make: 'closed' | 'open';
    agent: string;
    pages: ChosenPages;
}

/** Fetches the bytes of a part. @throws Error where they cannot be had, or are too many to be held */
export type BytesOf = (survey: string, part: Part) => Promise<Uint8Array<ArrayBuffer>>;

export class SurveyAnswers {
    readonly #bytesOf: BytesOf;
    #opened: { key: string; survey: Promise<PackedSurvey> } | null = null;

    constructor(bytesOf: BytesOf) {
        this.#bytesOf = bytesOf;
    }

    /** Opens a survey in place of the one that was open; the same one stays. */
    open({ survey, revision }: SurveyName): Promise<PackedSurvey> {
        const key = `${survey} ${revision}`;
        if (this.#opened?.key === key) return this.#opened.survey;
        const opening = this.#load(survey);
        const opened = { key, survey: opening };
        this.#opened = opened;
        // One that could not be had is asked for again.
        opening.catch(() => {
            if (this.#opened === opened) this.#opened = null;
        });
        return opening;
    }

    /** Lets go of the bytes. */
    close(): void {
        this.#opened = null;
    }

    /** How many pages a set has; null for what is no set, or needs what only the server knows. @throws SetUnknown */
    async size(name: SurveyName, text: string): Promise<number | null> {
        return (await this.#evaluate(name, text))?.count() ?? null;
    }

    /**
     * What another robots.txt would change. The paths that are lost need all links, which are fetched only for them.
     * @throws Error where the bytes cannot be had
     */
    async robots(name: SurveyName, { origin, before, after, agent, paths }: RobotsQuestion): Promise<RobotsChange> {
        const survey = await this.open(name);
        await this.#have(survey, name, ['measures', 'text', ...(paths ? (['links'] as const) : [])]);
        return robotsChange(survey, origin, { before, after }, agent);
    }

    /** The edits of a robots.txt that close or open pages: a set, or an address; null for what is neither. */
    async robotsOptions(name: SurveyName, question: RobotsWishQuestion): Promise<RobotsOption[] | null> {
        const survey = await this.open(name);
        await this.#have(survey, name, ['text']);
        const { nodes, urls, matcher } = hostUrls(survey, question.origin);
        const { pages } = question;
        let isChosen: (at: number) => boolean;
        if (pages.by === 'set') {
            const bits = await this.#evaluate(name, pages.set);
            if (bits === null) return null;
            isChosen = (at) => nodes[at]! >= 0 && bits.has(nodes[at]!);
        } else {
            const address = `${question.origin}${pages.path}`;
            isChosen = (at) => (pages.path.endsWith('/') ? urls[at]!.startsWith(address) : urls[at] === address);
        }
        const chosen = Uint8Array.from(urls, (_, at) => Number(isChosen(at)));
        return robotsOptions(question.text, matcher, { make: question.make, agent: question.agent, chosen });
    }

    /** Where each page is drawn. @throws Error where the bytes cannot be had */
    async map(name: SurveyName, question: MapQuestion): Promise<MapAnswer> {
        const survey = await this.open(name);
        await this.#have(survey, name, partsOfMap(question.arrange));
        return mapAnswer(survey, question);
    }

    /**
     * For each node the number of the first of several sets that has it, `NO_CLASS` for none; null where one of them is
     * no set, or needs what only the server knows.
     */
    async classes(name: SurveyName, lines: readonly string[]): Promise<Uint8Array<ArrayBuffer> | null> {
        const sets: Bits[] = [];
        for (const line of lines) {
            const bits = await this.#evaluate(name, line);
            if (bits === null) return null;
            sets.push(bits);
        }
        return classesOf(sets, (await this.open(name)).count);
    }

    /** Links as the map draws them. */
    async mapLinks(name: SurveyName, question: MapLinksQuestion): Promise<MapLinksAnswer | null> {
        const survey = await this.open(name);
        if (question.of === 'page') {
            await this.#have(survey, name, ['measures', 'text', 'links']);
            return { of: 'page', bundles: linksOfPage(survey, question.node) };
        }
        await this.#have(survey, name, ['measures', 'text']);
        return question.of === 'set'
            ? { of: 'set', links: linksOfSet(survey, question.isIn, MOST_SET_LINKS) }
            : { of: 'sections', flow: columnFlow(survey, question.columns) };
    }

    /** Random walks; `goal` is a URL, or empty. */
    async walks(name: SurveyName, { goal, ...asked }: WalksQuestion): Promise<SiteWalks> {
        const survey = await this.open(name);
        await this.#have(survey, name, ['measures', 'text']);
        return siteWalks(survey, { ...asked, goal: goal === '' ? -1 : survey.nodeOf(goal) });
    }

    /** What is told of a page that is pointed at; null where there is none. */
    async mapCard(name: SurveyName, node: number): Promise<MapCard | null> {
        const survey = await this.open(name);
        await this.#have(survey, name, ['measures', 'text']);
        return node >= 0 && node < survey.count ? mapCard(survey, node) : null;
    }

    /** The node of a URL; -1 for none. */
    async nodeOf(name: SurveyName, url: string): Promise<number> {
        const survey = await this.open(name);
        await this.#have(survey, name, ['text']);
        return survey.nodeOf(url);
    }

    async #have(survey: PackedSurvey, name: SurveyName, parts: readonly Part[]): Promise<void> {
        for (const part of parts) {
            if (!survey.has(part)) addPart(survey, part, decodeSections(await this.#bytesOf(name.survey, part)));
        }
    }

    async #load(survey: string): Promise<PackedSurvey> {
        const packed = openPacked(decodeSections(await this.#bytesOf(survey, 'core')));
        if (!packed) throw new Error('the packed survey has another form than this page knows');
        return packed;
    }

    /** Parts are fetched when a set first needs them. */
    async #evaluate(name: SurveyName, text: string): Promise<ReturnType<typeof evaluateSet> | null> {
        const survey = await this.open(name);
        const parsed = parseSet(text, fieldsOf(survey));
        if (!parsed.ok || needsMore(parsed.set)) return null;
        await this.#have(survey, name, ['measures', ...partsFor(parsed.set, survey)]);
        return evaluateSet(parsed.set, { survey });
    }
}
