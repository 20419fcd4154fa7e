/** The word index of a survey that is under way: its thread gets ready while pages are read. */
import type { Sections } from '../../core/packed/sections.ts';
import type { DatabaseAccess } from '../process/database-process.ts';
import { packInThread } from './pack-in-thread.ts';

/** URLs read from which on a survey is long enough for a thread to get ready meanwhile. */
const WORTH_IT = 100;

export class WordsAhead {
    readonly #access: DatabaseAccess;
    readonly #surveyId: number;
    readonly #closed = later();
    readonly #packed = later();
    #made: Promise<Sections> | null = null;

    constructor(access: DatabaseAccess, surveyId: number) {
        this.#access = access;
        this.#surveyId = surveyId;
    }

    /** @param read URLs that were read so far */
    getReady(read: number): void {
        if (read >= WORTH_IT) this.#start();
    }

    /**
     * To be called when the survey is closed: texts are taken in while it is packed.
     * @throws Error with a sentence where the words cannot be made, or it is not packed
     */
    made(packing: Promise<unknown>): Promise<Sections> {
        const made = this.#start();
        this.#closed.resolve();
        packing.then(this.#packed.resolve, this.#packed.reject);
        return made;
    }

    /** The survey has not ended: nobody will ask for its words now. */
    drop(): void {
        this.#closed.reject();
    }

    #start(): Promise<Sections> {
        const after = { closed: this.#closed.promise, packed: this.#packed.promise };
        this.#made ??= packInThread(this.#access, this.#surveyId, { make: 'words', wanted: true, after }).then(
            (parts) => parts.get('words')!,
        );
        // Whoever asks for them is told of it.
        this.#made.catch(() => undefined);
        return this.#made;
    }
}

interface Later {
    promise: Promise<void>;
    resolve: () => void;
    reject: () => void;
}

function later(): Later {
    let [resolve, reject] = [(): void => undefined, (): void => undefined];
    const promise = new Promise<void>((...both) => ([resolve, reject] = both));
    // It may fail before anybody waits for it.
    promise.catch(() => undefined);
    return { promise, resolve, reject };
}
