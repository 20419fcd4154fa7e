/** The course of a survey as the page follows it: what the server tells while it runs, and what it is asked for. */
import { canGoOn } from '../../core/views/progress.ts';
import type { CutReason } from '../../core/survey/survey-rows.ts';
import type { SurveyProgress } from '../../core/survey/progress.ts';
import { tell } from '../../wire/client.ts';
import { ProgressEvent } from '../../wire/progress.ts';

/** What the server said of the survey when the view was opened, or looked at last. */
export interface SurveySaid {
    state: string;
    isKnocking: boolean;
    trouble: string;
    cut: readonly CutReason[];
    progress: SurveyProgress | null;
}

export class SurveyCourse {
    #live: ProgressEvent | null = $state(null);
    /** The connection to the server is lost for now. */
    isLost = $state(false);
    /** What was asked for and has not happened yet; empty for nothing. */
    asking = $state('');
    /** Why the last thing asked for was refused; empty for no refusal. */
    refusal = $state('');
    readonly #said: () => SurveySaid;
    readonly #api: () => string;
    readonly #lookAgain: () => Promise<void>;

    /**
     * @param said what the server said last
     * @param api address of the survey in the API
     * @param lookAgain loads the view anew
     */
    constructor(said: () => SurveySaid, api: () => string, lookAgain: () => Promise<void>) {
        this.#said = said;
        this.#api = api;
        this.#lookAgain = lookAgain;
    }

    readonly #path = $derived.by(() => this.#api());
    readonly #isSaidToRun = $derived.by(() => ['waiting', 'running'].includes(this.#said().state));

    get phase(): string {
        return this.#live?.state ?? this.#said().state;
    }

    get isRunning(): boolean {
        return this.phase === 'waiting' || this.phase === 'running';
    }

    get isKnocking(): boolean {
        return this.phase === 'running' && (this.#live?.isKnocking ?? this.#said().isKnocking);
    }

    get canGoOn(): boolean {
        return canGoOn(this.phase, this.#said().cut);
    }

    get progress(): SurveyProgress | null {
        return this.#live?.progress ?? this.#said().progress;
    }

    /** Why it is laid aside, or could not be made. */
    get trouble(): string {
        return this.#live?.trouble || this.#said().trouble;
    }

    get isPausing(): boolean {
        return this.#live?.pauseAsked === true || this.asking === 'pause';
    }

    get isStopping(): boolean {
        return this.#live?.stopAsked === true || this.asking === 'stop';
    }

    /**
     * Follows the survey while it runs; as an effect, it begins anew when the survey is gone on with, not at every look.
     * @returns ends the following; nothing where the survey rests
     */
    follow(): (() => void) | undefined {
        this.#live = null;
        if (!this.#isSaidToRun) return undefined;
        const source = new EventSource(`${this.#path}/progress`);
        source.addEventListener('progress', (event) => {
            const read = ProgressEvent.safeParse(JSON.parse(event.data as string));
            if (!read.success) return;
            const hasKnocked = this.#live?.isKnocking === true && !read.data.isKnocking;
            this.#live = read.data;
            this.isLost = false;
            if (!this.isRunning) {
                source.close();
                this.asking = '';
            }
            if (hasKnocked || !this.isRunning) void this.#lookAgain();
        });
        source.onerror = () => (this.isLost = true);
        return () => source.close();
    }

    /** @param what the last part of the address that is asked. @returns whether it was done */
    async ask(what: string, body: unknown = {}): Promise<boolean> {
        this.asking = what;
        this.refusal = await tell(`${this.#api()}/${what}`, { method: 'POST', body });
        if (this.refusal === '') return true;
        this.asking = '';
        return false;
    }

    /** The same, and looks at what became of it. Pausing and stopping go on until the survey says that it has. */
    async askAndLook(what: string, body: unknown = {}): Promise<void> {
        if (await this.ask(what, body)) await this.#lookAgain();
        if (what !== 'stop' && what !== 'pause') this.asking = '';
    }
}
