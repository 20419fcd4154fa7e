/** Which of several sets each page is in, as asked of the server: one byte for each URL of the packed survey. */
import { z } from 'zod';
import { MOST_CLASSES } from '../core/sets/classes.ts';
import { MOST_CHARACTERS } from '../core/sets/tokens.ts';

export const ClassesAsked = z.object({
    sets: z.array(z.string().max(MOST_CHARACTERS)).min(1).max(MOST_CLASSES),
});

/** @param survey its address in the API @returns null where the server does not tell it */
export async function askClasses(survey: string, sets: readonly string[]): Promise<Uint8Array | null> {
    try {
        const answer = await fetch(`${survey}/page-classes`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ sets }),
        });
        return answer.ok ? new Uint8Array(await answer.arrayBuffer()) : null;
    } catch {
        return null;
    }
}
