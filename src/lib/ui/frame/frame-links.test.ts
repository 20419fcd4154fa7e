import { describe, expect, it } from 'vitest';
import { viewNamed } from '../../core/views/areas.ts';
import { frameLinks } from './frame-links.ts';

const SITE = { id: 3, start: 'https://hire.example/' };
const SURVEY = { number: 2, path: '2.1' };
const at = (rest: string): URL => new URL(`http://127.0.0.1/sites/3/2.1/${rest}`);
const links = (rest: string, set = '') => frameLinks(at(rest), SITE, SURVEY, set);

describe('a set', () => {
    it('is shown in the view that is open where that takes sets, without the sheet', () => {
        expect(links('weight?against=depth&page=/a').set('orphan')).toBe(
            '/sites/3/2.1/weight?against=depth&set=orphan',
        );
    });

    it('is shown among the pages from any other view', () => {
        expect(links('orphans?from=200').set('orphan')).toBe('/sites/3/2.1/pages?set=orphan');
    });

    it('is left out where it is all pages', () => {
        expect(links('pages?set=orphan').set('')).toBe('/sites/3/2.1/pages');
    });

    it('goes along into views that take one, and into no other', () => {
        const { view } = links('pages?set=orphan', 'orphan');
        expect(view(viewNamed('reach')!.view)).toBe('/sites/3/2.1/reach?set=orphan');
        expect(view(viewNamed('templates')!.view)).toBe('/sites/3/2.1/templates');
    });
});

describe('another survey', () => {
    it('shows the same view with set, sheet and pinned sheet, and nothing else of the address', () => {
        expect(links('pages?set=orphan&page=/a&order=words.desc').survey(5)).toBe(
            '/sites/3/5/pages?set=orphan&page=/a',
        );
    });

    it('shows a page named there, and the Brief from what is no view', () => {
        expect(links('source?of=/a').survey(5, 'https://hire.example/b')).toBe('/sites/3/5/brief?page=/b');
    });
});

describe('a note', () => {
    it('leads to what it is about', () => {
        const { note } = links('brief');
        expect(note('page', 'https://hire.example/a')).toBe('/sites/3/2.1/brief?page=/a');
        expect(note('section', 'tools and hire')).toBe('/sites/3/2.1/brief?set=section+is+%22tools+and+hire%22');
        expect(note('set', 'orphan')).toBe('/sites/3/2.1/brief?set=orphan');
        expect(note('set', '')).toBe('/sites/3/2.1/brief');
    });
});

describe('the sheet', () => {
    it('is put beside the view and taken away, the rest of the address staying', () => {
        const { page, withoutPage, pinned, withoutPinned } = links('pages?order=words&page=/a&pin=/b');
        expect(page('https://hire.example/c')).toBe('/sites/3/2.1/pages?order=words&page=/c&pin=/b');
        expect(withoutPage).toBe('/sites/3/2.1/pages?order=words&pin=/b');
        expect(pinned('https://hire.example/a')).toBe('/sites/3/2.1/pages?order=words&page=/a&pin=/a');
        expect(withoutPinned).toBe('/sites/3/2.1/pages?order=words&page=/a');
    });
});
