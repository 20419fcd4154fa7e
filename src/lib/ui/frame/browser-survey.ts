/** The survey as the browser holds it; given by the frame to the views in it. */
import { getContext, setContext } from 'svelte';
import type { RobotsChange } from '../../core/areas/robots-change.ts';
import type { RobotsOption } from '../../core/robots/edit-robots.ts';
import type { SiteWalks } from '../../core/map/site-walks.ts';
import type { MapCard } from '../../core/views/map.ts';
import type { MapAnswer, MapLinksAnswer, MapLinksQuestion, MapQuestion } from '../../workers/map-answers.ts';
import type { RobotsQuestion, RobotsWishQuestion, SurveyName, WalksQuestion } from '../../workers/survey-answers.ts';
import { askClasses } from '../../wire/page-classes.ts';
import { SurveyClient } from '../../workers/survey-client.ts';

/** Answers are null where the browser cannot hold the survey. */
export class BrowserSurvey {
    readonly #client = new SurveyClient();
    readonly #named: () => SurveyName & { isEnded: boolean };

    /** @param named the survey that is looked at */
    constructor(named: () => SurveyName & { isEnded: boolean }) {
        this.#named = named;
    }

    /** While a survey runs it changes all the time: nothing is told of what is typed. */
    sizeOf(text: string): Promise<number | null> {
        const { isEnded, ...name } = this.#named();
        return isEnded ? this.#client.size(name, text) : Promise.resolve(null);
    }

    robots(question: RobotsQuestion): Promise<RobotsChange | null> {
        return this.#client.robots(this.#named(), question);
    }

    robotsOptions(question: RobotsWishQuestion): Promise<RobotsOption[] | null> {
        return this.#client.robotsOptions(this.#named(), question);
    }

    /** Null too while a survey runs: it changes all the time. */
    map(question: MapQuestion): Promise<MapAnswer | null> {
        const { isEnded, ...name } = this.#named();
        return isEnded ? this.#client.map(name, question) : Promise.resolve(null);
    }

    mapLinks(question: MapLinksQuestion): Promise<MapLinksAnswer | null> {
        return this.#client.mapLinks(this.#named(), question);
    }

    /** Null too while a survey runs. */
    walks(question: WalksQuestion): Promise<SiteWalks | null> {
        const { isEnded, ...name } = this.#named();
        return isEnded ? this.#client.walks(name, question) : Promise.resolve(null);
    }

    mapCard(node: number): Promise<MapCard | null> {
        return this.#client.mapCard(this.#named(), node);
    }

    nodeOf(url: string): Promise<number | null> {
        return this.#client.nodeOf(this.#named(), url);
    }

    nodesOf(urls: readonly string[]): Promise<(number | null)[]> {
        return Promise.all(urls.map((url) => this.nodeOf(url)));
    }

    /**
     * For each node the number of the first of several sets that has it, 255 for none: told here where that can be, by
     * the server where not. Null where neither can.
     */
    async classes(sets: readonly string[]): Promise<Uint8Array | null> {
        const { survey, revision } = this.#named();
        return (await this.#client.classes({ survey, revision }, sets)) ?? (await askClasses(survey, sets));
    }

    close(): void {
        this.#client.close();
    }
}

const KEY = Symbol('browser survey');

export const giveBrowserSurvey = (survey: BrowserSurvey): BrowserSurvey => setContext(KEY, survey);
export const browserSurvey = (): BrowserSurvey => getContext<BrowserSurvey>(KEY);
