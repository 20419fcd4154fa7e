/** What came into a set since another survey. */
import type { Field } from './field.ts';
import { parseSet } from './parse-set.ts';
import { printSet } from './print-set.ts';
import { surveysIn } from './set-expression.ts';

/**
 * The line of what is in a set now and was not in it in an earlier survey; null where that cannot be asked: the line cannot
 * be read, or speaks of another survey already.
 */
export function enteredSince(text: string, survey: number, fields: readonly Field[]): string | null {
    const line = text.trim();
    if (line === '' || line === 'all') return 'new';
    const parsed = parseSet(line, fields);
    if (!parsed.ok || surveysIn(parsed.set).length > 0 || line === 'new') return null;
    return printSet(
        { kind: 'and', parts: [parsed.set, { kind: 'not', of: { kind: 'survey', number: survey, of: parsed.set } }] },
        fields,
    );
}
