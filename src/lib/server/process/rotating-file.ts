/** A log file of bounded size: past its bound it is set aside, with so many older ones kept beside it. */
import { appendFileSync, renameSync, statSync } from 'node:fs';

export interface RotationBounds {
    /** Bytes at which the file is set aside. */
    most: number;
    /** Files set aside that are kept: `NAME.1` is the youngest. */
    kept: number;
}

/**
 * Lines are rare and matter, so each is appended by itself: several threads and processes may write to one file, and
 * nothing is lost when one of them dies. A line that cannot be written (a full disk) is dropped: a log must not bring
 * down what it tells of.
 */
export class RotatingFile {
    readonly #path: string;
    readonly #bounds: RotationBounds;

    constructor(path: string, bounds: RotationBounds) {
        this.#path = path;
        this.#bounds = bounds;
    }

    write(line: string): void {
        try {
            this.#setAside();
            appendFileSync(this.#path, line, { mode: 0o600 });
        } catch {
            // Nowhere to tell it.
        }
    }

    #setAside(): void {
        const size = statSync(this.#path, { throwIfNoEntry: false })?.size ?? 0;
        if (size < this.#bounds.most) return;
        for (let n = this.#bounds.kept - 1; n >= 0; n--) {
            const from = n === 0 ? this.#path : `${this.#path}.${n}`;
            if (statSync(from, { throwIfNoEntry: false })) renameSync(from, `${this.#path}.${n + 1}`);
        }
    }
}
