import { describe, expect, it } from 'vitest';
import { enteredSince } from './entered-since.ts';
import { fieldsOf } from './fields.ts';

const fields = fieldsOf(null);

describe('enteredSince', () => {
    it.each([
        ['', 'new'],
        [' all ', 'new'],
        ['orphan', 'orphan and not in survey 3 (orphan)'],
        ['depth > 2 or error', '(depth > 2 or error) and not in survey 3 (depth > 2 or error)'],
    ])('%j: in it now, and not in it then: %s', (text, line) => expect(enteredSince(text, 3, fields)).toBe(line));

    it.each(['new', 'in survey 1 (orphan)', 'orphan and (', 'page and in survey 2 (error)'])(
        '%s is not asked of another survey',
        (text) => expect(enteredSince(text, 3, fields)).toBeNull(),
    );
});
