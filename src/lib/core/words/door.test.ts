import { describe, expect, it } from 'vitest';
import { problem, writeProblem } from '../problems/problem.ts';
import { toldDifference, whereWords } from './door.ts';

describe('whereWords', () => {
    it('names every tag with its line and every header with its value', () => {
        expect(
            whereWords([
                { in: 'meta', name: 'robots', content: 'noindex, nofollow', line: 3 },
                { in: 'header', name: 'X-Robots-Tag', value: 'none' },
            ]),
        ).toBe('<meta name="robots" content="noindex, nofollow">, line 3; and header X-Robots-Tag: none');
        expect(whereWords([{ in: 'canonical', line: 4 }])).toBe('<link rel="canonical">, line 4');
        expect(whereWords([{ in: 'header', name: 'Refresh', value: '' }])).toBe('header Refresh');
    });

    it('claims no line that is not known, and no place but the head where none is', () => {
        expect(whereWords([{ in: 'refresh', line: 0 }])).toBe('<meta http-equiv="refresh">');
        expect(whereWords([])).toBe('head of the page');
    });
});

describe('toldDifference', () => {
    const url = 'https://a.example/';

    it('has words for what says noindex, for why there is no answer, and for nothing', () => {
        const says = writeProblem(problem('noindex-meta', { name: 'robots', says: 'noindex' }));
        expect(toldDifference({ url, what: 'noindex', ours: '', other: says })).toEqual({
            url,
            what: 'noindex',
            ours: 'none',
            other: 'meta robots says noindex',
        });
        const refused = writeProblem(problem('refused', { host: 'a.example' }));
        expect(toldDifference({ url, what: 'status', ours: '200', other: refused })).toMatchObject({
            ours: '200',
            other: 'a.example refused the connection',
        });
        expect(toldDifference({ url, what: 'status', ours: '', other: '503' }).ours).toBe('no answer');
        expect(toldDifference({ url, what: 'canonical', ours: '', other: url }).ours).toBe('itself or none');
    });

    it('leaves a title as it is, an empty one too', () => {
        expect(toldDifference({ url, what: 'title', ours: 'none', other: '' })).toMatchObject({
            ours: 'none',
            other: '',
        });
    });
});
