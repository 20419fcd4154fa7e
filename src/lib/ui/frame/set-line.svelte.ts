/** The line of the current set as it is typed: what is wrong with it, what may stand at the cursor, how large it would be. */
import { choiceIn, narrowed, type Completion } from '../../core/sets/complete-set.ts';
import type { Field } from '../../core/sets/field.ts';
import { parseSet } from '../../core/sets/parse-set.ts';

export interface SetTrouble {
    at: number;
    length: number;
    say: string;
}

interface Asking {
    /** Null where nothing can be told: no completion is no harm, the line can be typed without. */
    complete: (text: string, cursor: number, signal: AbortSignal) => Promise<Completion | null>;
    /** Size of what is typed and not shown yet; null where it cannot be told. */
    sizeOf: (text: string) => Promise<number | null>;
}

/** What the address says: the set that is shown, and what the server found wrong with it. */
interface ShownSet {
    text: string;
    trouble: SetTrouble | null;
}

/** Letters that follow each other this quickly are one question, milliseconds. */
const PAUSE = 120;

export class SetLine {
    // What is typed, until the address says something else.
    text = $derived.by(() => this.#shown().text);
    wrong: SetTrouble | null = $derived.by(() => this.#shown().trouble);
    options: Completion['options'] = $state([]);
    isOpen = $state(false);
    /** Place of the option that is chosen; -1 for none. */
    active = $state(-1);
    /** Size of the typed line, for as long as that is the line. */
    #weighed: { text: string; size: number } | null = $state(null);
    #completion: Completion = { from: 0, to: 0, options: [] };
    /** The line that the options shown were made for. */
    #offeredFor = '';
    #request: AbortController | null = null;
    #soon: ReturnType<typeof setTimeout> | undefined;
    readonly #shown: () => ShownSet;
    readonly #fields: () => readonly Field[];
    readonly #asking: () => Asking;

    constructor(shown: () => ShownSet, fields: () => readonly Field[], asking: () => Asking) {
        this.#shown = shown;
        this.#fields = fields;
        this.#asking = asking;
    }

    /** How many pages the typed line would show; null where it is the one that is shown, or nothing is known yet. */
    get wouldBe(): number | null {
        const isOther = this.text.trim() !== this.#shown().text.trim();
        return isOther && this.#weighed?.text === this.text ? this.#weighed.size : null;
    }

    /** Letters came in, or went. */
    typed(cursor: number): void {
        this.wrong = null;
        // Until the answer for this line is there, the options are those of the last that still fit.
        if (this.isOpen) this.#offer(narrowed(this.#completion, this.#offeredFor, this.text, cursor), this.text);
        void this.ask(cursor);
        this.#weigh();
    }

    async ask(cursor: number): Promise<void> {
        this.callOff();
        this.#request = new AbortController();
        const { signal } = this.#request;
        const of = this.text;
        const found = await this.#asking().complete(of, cursor, signal);
        if (found !== null && !signal.aborted) this.#offer(found, of);
    }

    /** An answer under way does not open again what was closed. */
    callOff(): void {
        this.#request?.abort();
    }

    close(): void {
        this.callOff();
        this.isOpen = false;
    }

    /** Chooses the option after or before; from none, the first or the last. */
    step(by: 1 | -1): void {
        const { length } = this.options;
        this.active = this.active === -1 && by === -1 ? length - 1 : (this.active + by + length) % length;
    }

    /** Puts an option into the line. @returns where the cursor belongs now; null for no such option */
    take(index: number): number | null {
        const option = this.options[index];
        if (!option) return null;
        const { from, to } = this.#completion;
        // A name is followed by a space, an opening parenthesis by the set within.
        const before = this.text.slice(0, from) + option.insert + (option.insert.endsWith('(') ? '' : ' ');
        this.text = before + this.text.slice(to).replace(/^ /, '');
        this.isOpen = false;
        this.active = -1;
        this.#weigh();
        return before.length;
    }

    /** The line to be shown; null where something is wrong with it, which is said then. */
    finish(): string | null {
        const parsed = parseSet(this.text, this.#fields());
        this.close();
        this.wrong = parsed.ok ? null : parsed;
        return parsed.ok ? this.text.trim() : null;
    }

    /** Shows options for a line; an answer that comes late does not move what the reader has chosen meanwhile. */
    #offer(found: Completion, of: string): void {
        this.active = choiceIn(found.options, this.options[this.active]);
        this.#completion = found;
        this.options = found.options;
        this.#offeredFor = of;
        this.isOpen = found.options.length > 0;
    }

    #weigh(): void {
        clearTimeout(this.#soon);
        this.#soon = setTimeout(async () => {
            const { text } = this;
            if (text.trim() === this.#shown().text.trim() || !parseSet(text, this.#fields()).ok) return;
            const size = await this.#asking().sizeOf(text.trim());
            if (size !== null) this.#weighed = { text, size };
        }, PAUSE);
    }
}
