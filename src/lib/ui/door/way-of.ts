/** The answers along a way, first to last: statuses, and a sentence where none came. */
import type { DoorPage } from '../../core/door/door-report.ts';
import { storedWords } from '../../core/words/problems.ts';

export function wayOf(hops: DoorPage['hops']): string {
    return hops.map(({ status, failure }) => (status === null ? storedWords(failure) : String(status))).join(' → ');
}
