/** Subjects as a list: a line a page, its address and the words it is about. */
import { readAddress } from '../address/address.ts';
import { urlOfKey } from '../address/page-key.ts';

export interface ListedSubject {
    url: string;
    words: string[];
}

export interface SubjectList {
    subjects: ListedSubject[];
    /** Lines that could not be read, from 1, and why. */
    troubles: { line: number; why: 'no address' | 'no words' | 'too many words' }[];
}

const MOST_WORDS = 50;
const LONGEST_WORD = 200;

/**
 * `/path/` or a whole URL, then a comma, a semicolon or a tab, then words and phrases with semicolons, tabs or commas
 * between; empty lines and lines that begin with `#` are passed over. Of several lines of one page the last counts.
 * @param start URL of the start page
 */
export function readSubjectList(text: string, start: string): SubjectList {
    const found = new Map<string, string[]>();
    const troubles: SubjectList['troubles'] = [];
    text.split(/\r\n?|\n/).forEach((line, index) => {
        const trimmed = line.trim();
        if (trimmed === '' || trimmed.startsWith('#')) return;
        const parts = trimmed.split(/[,;\t]/).map((part) =>
            part
                .trim()
                .replace(/^"(.*)"$/, '$1')
                .trim(),
        );
        const address = /^(?:\/|https?:)/i.test(parts[0]!) ? readAddress(urlOfKey(parts[0]!, start), start) : null;
        const words = [...new Set(parts.slice(1).filter((word) => word !== ''))];
        const trouble = (why: SubjectList['troubles'][number]['why']): void => {
            troubles.push({ line: index + 1, why });
        };
        if (!address?.ok) trouble('no address');
        else if (words.length === 0) trouble('no words');
        else if (words.length > MOST_WORDS || words.some((word) => word.length > LONGEST_WORD))
            trouble('too many words');
        else found.set(address.address.url, words);
    });
    return { subjects: [...found].map(([url, words]) => ({ url, words })), troubles };
}
