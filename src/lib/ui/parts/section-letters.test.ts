import { describe, expect, it } from 'vitest';
import { sectionLetters } from './section-letters.ts';

describe('letters of sections', () => {
    it('are the first that is free', () => {
        expect(sectionLetters(['guides', 'tools', 'good-to-know', '/', 'tours'])).toEqual(['G', 'T', 'O', '·', 'U']);
        expect(sectionLetters(['section-11', 'section-12', 'section-2'])).toEqual(['S', 'E', 'C']);
    });

    it('differ for any names that leave a letter', () => {
        const marks = sectionLetters(Array.from({ length: 9 }, (_, n) => `part-${n}`));
        expect(new Set(marks).size).toBe(9);
    });

    it('are a point where none is left, a plus for what is put together, and letters of any script', () => {
        expect(sectionLetters(['a', 'aa', 'a-a', '17 others', 'straße', 'файл'])).toEqual([
            'A',
            '·',
            '·',
            '+',
            'S',
            'Ф',
        ]);
    });
});
