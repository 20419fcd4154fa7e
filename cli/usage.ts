/** The command line's words, in one place; the launcher prints the same help without Node. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { projectRoot } from '../src/lib/server/process/data-folder.ts';

export const EXIT = { done: 0, noSurvey: 1, usage: 2, shut: 3, found: 3, endedEarly: 4, interrupted: 130 } as const;

/** Wrong words on the command line. */
export class UsageError extends Error {}

export function helpText(): string {
    return readFileSync(join(projectRoot(), 'cli/help.txt'), 'utf8');
}
