/** Numbers that stand for words in the columns of a packed survey. */
import { GATES, type Gate } from '../gates/gates.ts';
import { NOT_READ_REASONS, type NotRead } from '../survey/survey-rows.ts';

/** Column `gate`: index into `GATES`, or one of these. */
export const GATE_INDEXABLE = GATES.length;
export const GATE_UNKNOWN = GATES.length + 1;

/** Column `not_read`: 0 for what was read, 1 + index into `NOT_READ_REASONS`, or this for what still waits. */
export const NOT_SETTLED = 255;

export function gateOf(code: number): Gate | 'indexable' | null {
    return code === GATE_INDEXABLE ? 'indexable' : (GATES[code] ?? null);
}

export function reasonOf(code: number): NotRead | '' | null {
    if (code === 0) return '';
    return NOT_READ_REASONS[code - 1] ?? null;
}
