import { describe, expect, it } from 'vitest';
import {
    DOOR_NOTES,
    LATER_FILE_NOTES,
    MARKUP_NOTES,
    FAILURES,
    FILE_NOTES,
    LIST_NOTES,
    NOINDEXES,
    REVISIONS,
    RULES,
    samplesOf,
    TYPE_NOTES,
} from '../../../../tests/support/every-problem.ts';
import { noteWords, placedWords, problemWords, storedWords } from '../words/problems.ts';
import { problem, readProblem, readProblems, writeProblem, writeProblems } from './problem.ts';

const SAMPLES = [
    FAILURES,
    TYPE_NOTES,
    NOINDEXES,
    RULES,
    FILE_NOTES,
    LIST_NOTES,
    REVISIONS,
    DOOR_NOTES,
    MARKUP_NOTES,
    LATER_FILE_NOTES,
].flatMap(samplesOf);

describe('problems', () => {
    it.each(SAMPLES)('are written and read again, and said as ever: $say', ({ problem: one, say }) => {
        expect(problemWords(one)).toBe(say);
        if (!say.includes('\n')) expect(readProblem(writeProblem(one))).toEqual(one);
        expect(storedWords(writeProblem(one))).toBe(say.replace('\n', ' '));
    });

    it('are nothing where there is none', () => {
        expect([writeProblem(null), readProblem(''), storedWords(''), readProblems('')]).toEqual(['', null, '', []]);
    });

    it('are told as they stand where what is kept is a sentence, or none of ours', () => {
        for (const text of [
            'a.example refused the connection',
            '{"code":',
            '{"code":"not-yet","params":{}}',
            '{}',
            '[1]',
        ])
            expect(readProblem(text)).toEqual({ code: 'told', params: { say: text } });
        // What every object has is no code.
        for (const code of ['constructor', 'toString', '__proto__'])
            expect(readProblem(JSON.stringify({ code, params: {} }))?.code).toBe('told');
    });

    it('fit their column whatever a host or a library says, and hold no control characters', () => {
        const host = `${'h'.repeat(400)}\u0000"\\`;
        const text = writeProblem(problem('tls', { host, cause: '"'.repeat(400) }));
        expect(text.length).toBeLessThanOrEqual(1_000);
        const cause = writeProblem(problem('document-failed', { cause: 'a\u001b[31m\r\nb' }));
        expect(cause).not.toMatch(/[\u0000-\u001f]|\\u001b/);
        expect(readProblem(cause)).toEqual(problem('document-failed', { cause: 'a [31m  b' }));
    });

    it('keep several in a row, with their lines', () => {
        const list = [
            problem('sitemap-index', { files: 2 }),
            problem('no-loc', { of: 'sitemap' }, 7),
            problem('loop', { to: 'https://site.example/map.xml' }, 9),
        ];
        expect(readProblems(writeProblems(list))).toEqual(list);
        expect(noteWords(list)).toBe(
            'index of 2. Line 7: An entry has no address (no <loc>). Line 9 leads back to https://site.example/map.xml',
        );
        expect(placedWords(list[1]!, 'line')).toBe('line 7: An entry has no address (no <loc>).');
    });
});
