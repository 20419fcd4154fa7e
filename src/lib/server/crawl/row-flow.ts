/** Rows on their way to the store, in batches: a few times a second, one at a time, and none behind one that failed. */
import type { SurveyBatch } from '../../core/survey/survey-rows.ts';
import type { RowMaker } from './row-maker.ts';

const BATCH_EVERY = 250;
/** Rows that may wait for the store before reading waits too. */
const MAX_WAITING_ROWS = 5_000;

export class RowFlow {
    readonly #rows: RowMaker;
    readonly #onBatch: (batch: SurveyBatch) => Promise<void>;
    readonly #end: AbortController;
    #last = 0;
    #storing: Promise<void> | null = null;
    #error: unknown = null;

    /**
     * @param onBatch stores a batch; resolves when it lasts
     * @param end aborted when a batch could not be stored: nothing more is asked for then, it could not be kept
     */
    constructor(rows: RowMaker, onBatch: (batch: SurveyBatch) => Promise<void>, end: AbortController) {
        this.#rows = rows;
        this.#onBatch = onBatch;
        this.#end = end;
    }

    get hasFailed(): boolean {
        return this.#error !== null;
    }

    /** Sends what waits while something else is done, so that it is stored in time even where nothing is answered for long. */
    async during<T>(work: () => Promise<T>): Promise<T> {
        const timer = setInterval(() => void this.sendIfDue(), BATCH_EVERY);
        try {
            return await work();
        } finally {
            clearInterval(timer);
        }
    }

    async sendIfDue(): Promise<void> {
        if (this.#rows.size > MAX_WAITING_ROWS && this.#storing) await this.#storing;
        if (this.#storing || this.#rows.size === 0 || Date.now() - this.#last < BATCH_EVERY) return;
        if (this.hasFailed) return;
        this.#last = Date.now();
        this.#storing = this.#onBatch(this.#rows.take())
            .catch((error: unknown) => {
                this.#error = error;
                this.#end.abort();
            })
            .finally(() => (this.#storing = null));
    }

    /**
     * Waits for the batch under way.
     * @throws what a batch failed by: behind it nothing may be stored, for its numbers are missing
     */
    async settled(): Promise<void> {
        await this.#storing;
        if (this.hasFailed) throw this.#error;
    }

    /** Sends all that waits. */
    async sendAll(): Promise<void> {
        await this.settled();
        if (this.#rows.size > 0) await this.#onBatch(this.#rows.take());
    }
}
