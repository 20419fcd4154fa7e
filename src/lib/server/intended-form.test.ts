import { describe, expect, it } from 'vitest';
import { MOST_CHARACTERS, readIntended } from './intended-form.ts';

const say = (text: string): string => {
    const read = readIntended(text);
    return read.ok ? '' : read.say;
};

describe('an intended structure as pasted', () => {
    it('is CSV where its first line says so, with any usual separator, quotes and a byte order mark', () => {
        const wanted = {
            ok: true,
            pages: [
                { label: 'Saws, sharp', parent: 1, priority: 2 },
                { label: 'Tools', parent: null, priority: null },
            ],
        };
        expect(readIntended('page,parent,priority\n"Saws, sharp",Tools,2\nTools,,\n')).toEqual(wanted);
        expect(readIntended('\uFEFF"Page";Parent;Priority\r\nSaws, sharp;Tools;2\r\nTools;;\r\n')).toEqual(wanted);
        expect(readIntended('PAGE\tPARENT\tPRIORITY\nSaws, sharp\tTools\t2\n\nTools')).toEqual(wanted);
    });

    it('may leave columns out', () => {
        expect(readIntended('page,parent\nA,\nB,A')).toEqual({
            ok: true,
            pages: [
                { label: 'A', parent: null, priority: null },
                { label: 'B', parent: 0, priority: null },
            ],
        });
    });

    it('is an outline otherwise, though it speaks of pages', () => {
        expect(readIntended('Pages\n  page one')).toMatchObject({ ok: true, pages: [{ parent: null }, { parent: 0 }] });
        expect(readIntended('')).toEqual({ ok: true, pages: [] });
    });

    it('is refused with a sentence where it cannot be read', () => {
        expect(say('page,parent\n"A,\nB')).toMatch(/^The CSV cannot be read.*Close every quote/);
        expect(say('page,parent\nB,A')).toMatch(/^Row 2: the parent "A"/);
        expect(say('x'.repeat(MOST_CHARACTERS + 1))).toMatch(/longer than 1,000,000 characters/);
    });
});
