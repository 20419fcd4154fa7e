import { describe, expect, it } from 'vitest';
import { told } from '../../../../tests/support/problems.ts';
import { problemWords } from '../../core/words/problems.ts';
import { unreadPage, type PageRow } from '../../core/survey/survey-rows.ts';
import { judgeStart } from './start-page.ts';

const site = {
    urlOf: (id: number): string => ['https://site.example/', 'https://site.example/home', 'https://else.example/'][id]!,
    isInternal: (id: number): boolean => id < 2,
    token: 'edgemap',
};
const page = (change: Partial<PageRow>): PageRow => ({
    ...unreadPage(0),
    status: 200,
    contentType: 'text/html',
    robotsAllowed: true,
    ...change,
});
const unanswered = { status: null, contentType: '' };

describe('judgeStart', () => {
    it('begins at a page, goes on within the site, and follows no failure that is a reason of its own', () => {
        expect(judgeStart(page({}), true, site)).toBeNull();
        expect(judgeStart(page({ contentType: 'application/xhtml+xml' }), true, site)).toBeNull();
        expect(judgeStart(page({ status: 301, redirectTo: 1 }), true, site)).toEqual({ goOnAt: 1 });
    });

    it.each<[string, Partial<PageRow>, string]>([
        [
            'start-closed',
            { ...unanswered, notRead: 'robots', robotsRule: told('Disallow: /') },
            'robots.txt closes https://site.example/ for EdgeMap: Disallow: /.',
        ],
        ['start-left', { ...unanswered, notRead: 'action' }, 'looks like an action'],
        ['start-left', { ...unanswered, notRead: 'trap' }, 'looks like an action'],
        [
            'start-unanswered',
            { ...unanswered, notRead: 'refused', failure: told('nobody there') },
            'could not be read: nobody there. Check',
        ],
        [
            'start-elsewhere',
            { status: 302, redirectTo: 2 },
            'redirects to https://else.example/, which does not belong',
        ],
        ['start-status', { status: 404 }, 'answered 404. Check the address'],
        ['start-status', { status: 401 }, 'answered 401. It asks for a sign-in'],
        ['start-status', { status: 301 }, 'answered 301.'],
        ['start-type', { contentType: 'application/pdf' }, 'is application/pdf, not HTML'],
        ['start-type', { contentType: '' }, 'is of no known type, not HTML'],
        ['start-unreadable', { failure: told('it took too long') }, 'could not be read: it took too long.'],
    ])('cannot begin: %s', (code, change, words) => {
        const verdict = judgeStart(page(change), true, site);
        if (verdict === null || !('code' in verdict)) throw new Error('it could begin');
        expect(verdict.code).toBe(code);
        expect(problemWords(verdict)).toContain(words);
    });

    it('says whether it speaks of the page that was typed in or of where that leads', () => {
        const words = (isFirst: boolean): string => {
            const verdict = judgeStart(page({ status: 500 }), isFirst, site);
            return verdict !== null && 'code' in verdict ? problemWords(verdict) : '';
        };
        expect(words(true)).toMatch(/^The start page https:\/\/site\.example\/ answered 500\./);
        expect(words(false)).toMatch(/^The start page leads to https:\/\/site\.example\/, which answered 500\./);
    });
});
