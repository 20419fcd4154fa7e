/** A range of rows chosen by dragging over them, or by pressing its two ends with the keyboard. */
export class RowRange {
    /** The row where it began, and the one where it is; null where nothing is being chosen. */
    ends: { from: number; to: number } | null = $state(null);
    #isDragging = false;
    readonly #onChosen: (first: number, last: number) => void;

    /** @param onChosen is told the first row and the last, in the order of the rows */
    constructor(onChosen: (first: number, last: number) => void) {
        this.#onChosen = onChosen;
    }

    /** The rows of it, first and last; null for none. */
    get rows(): { first: number; last: number } | null {
        if (!this.ends) return null;
        return { first: Math.min(this.ends.from, this.ends.to), last: Math.max(this.ends.from, this.ends.to) };
    }

    /** A row is pressed with the keyboard: the second one ends the range. */
    press(row: number): void {
        if (this.ends === null) {
            this.ends = { from: row, to: row };
            return;
        }
        this.ends = { ...this.ends, to: row };
        this.#end();
    }

    grab(row: number): void {
        this.#isDragging = true;
        this.ends = { from: row, to: row };
    }

    drag(row: number): void {
        if (this.#isDragging && this.ends) this.ends = { ...this.ends, to: row };
    }

    drop(): void {
        if (this.#isDragging) this.#end();
    }

    callOff(): void {
        this.#isDragging = false;
        this.ends = null;
    }

    #end(): void {
        const { rows } = this;
        this.callOff();
        if (rows) this.#onChosen(rows.first, rows.last);
    }
}
