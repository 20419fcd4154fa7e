/** A robots.txt that is being changed: its text, and what that would do, asked anew with every change. */
import { diffLines } from 'diff';
import type { RobotsChange } from '../../core/areas/robots-change.ts';
import type { RobotsOption } from '../../core/robots/edit-robots.ts';
import type { BrowserSurvey } from '../frame/browser-survey.ts';
import type { ChosenPages } from '../../workers/survey-answers.ts';

/** A line of the file or of the edited text: its number in each, null where it is not in it. */
export interface EditedLine {
    text: string;
    before: number | null;
    after: number | null;
}

interface Subject {
    origin: string;
    /** The file as it was received. */
    before: string;
}

/** Milliseconds without a letter after which a text stands. */
const PAUSE = 300;

export class RobotsEdit {
    readonly #survey: BrowserSurvey;
    readonly #subject: Subject;
    #agent: string;
    text = $state('');
    /** What the text would change; null while it says what the file says, or where that cannot be told. */
    change = $state<RobotsChange | null>(null);
    options = $state<RobotsOption[]>([]);
    /** Why nothing is offered, as a sentence; empty where something is, or nobody asked. */
    say = $state('');
    /** The browser cannot hold the survey, so what the text would change is not known. */
    isUnknown = $state(false);
    #asked = 0;

    /** @param agent product token both texts are judged for */
    constructor(survey: BrowserSurvey, subject: Subject, agent: string) {
        this.#survey = survey;
        this.#subject = subject;
        this.#agent = agent;
        this.text = subject.before;
    }

    get isChanged(): boolean {
        return this.text !== this.#subject.before;
    }

    /** Lines of both texts, those taken out before those put in their place. */
    get lines(): EditedLine[] {
        let [before, after] = [0, 0];
        return diffLines(this.#subject.before, this.text).flatMap(({ value, added, removed }) =>
            value
                .replace(/\n$/, '')
                .split('\n')
                .map((text) => ({
                    text,
                    before: added ? null : ++before,
                    after: removed ? null : ++after,
                })),
        );
    }

    /** URLs that a line of the edited text decides. */
    decides(line: number): number {
        return this.change?.decides.find(([at]) => at === line)?.[1] ?? 0;
    }

    write(text: string): void {
        this.text = text;
        this.options = [];
        this.say = '';
        void this.#look();
    }

    /** Judges both texts for another agent. */
    judge(agent: string): void {
        if (agent === this.#agent) return;
        this.#agent = agent;
        void this.#look();
    }

    back(): void {
        this.write(this.#subject.before);
    }

    take(option: RobotsOption): void {
        this.write(option.text);
    }

    /** Asks for the edits that close or open pages; one that is the only one is still to be taken by hand. */
    async offer(make: 'closed' | 'open', agent: string, pages: ChosenPages): Promise<void> {
        const { origin } = this.#subject;
        const options = await this.#survey.robotsOptions({ origin, text: this.text, make, agent, pages });
        this.options = options ?? [];
        if (options === null) this.say = 'That is no set and no path of this site.';
        else this.say = options.length > 0 ? '' : `No rule is needed: they are ${make} already, or none is known.`;
    }

    /** First what is told at once, then, once nothing more is written, the paths, for which all links are followed. */
    async #look(): Promise<void> {
        const asked = ++this.#asked;
        this.isUnknown = false;
        if (!this.isChanged) {
            this.change = null;
            return;
        }
        const { origin, before } = this.#subject;
        const question = { origin, before, after: this.text, agent: this.#agent };
        for (const paths of [false, true]) {
            // Whoever is still writing does not wait for paths of a text that is no more.
            if (paths) await new Promise((done) => setTimeout(done, PAUSE));
            if (asked !== this.#asked) return;
            const change = await this.#survey.robots({ ...question, paths });
            // What was typed meanwhile is asked for by itself.
            if (asked !== this.#asked) return;
            if (change) this.change = change;
            else if (!paths) [this.change, this.isUnknown] = [null, true];
        }
    }
}
