import { describe, expect, it } from 'vitest';
import { readSubjectList } from './subject-list.ts';

const START = 'https://site.example/';
const read = (text: string) => readSubjectList(text, START);

describe('a list of subjects', () => {
    it('has a page a line, by path or URL, and its words in whatever parts them', () => {
        expect(
            read('/a,whetstone; oiling a stone\nhttps://site.example/b\tsaws\twinter\r\n"/c","rust","wax"').subjects,
        ).toEqual([
            { url: 'https://site.example/a', words: ['whetstone', 'oiling a stone'] },
            { url: 'https://site.example/b', words: ['saws', 'winter'] },
            { url: 'https://site.example/c', words: ['rust', 'wax'] },
        ]);
    });

    it('passes over empty lines and remarks; of one page the last line counts, each word once', () => {
        expect(read('# page, words\n\n/a,one\n/a,two,two').subjects).toEqual([
            { url: 'https://site.example/a', words: ['two'] },
        ]);
    });

    it('says of each line that cannot be read why', () => {
        const many = Array.from({ length: 51 }, (_, n) => `w${n}`).join(',');
        expect(read(`saws,winter\n/a\n/b,${many}\n/c,${'x'.repeat(201)}\n/d,fine`)).toEqual({
            subjects: [{ url: 'https://site.example/d', words: ['fine'] }],
            troubles: [
                { line: 1, why: 'no address' },
                { line: 2, why: 'no words' },
                { line: 3, why: 'too many words' },
                { line: 4, why: 'too many words' },
            ],
        });
    });
});
