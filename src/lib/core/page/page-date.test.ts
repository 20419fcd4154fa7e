import { describe, expect, it } from 'vitest';
import { lastModified, pageDate } from './page-date.ts';
import { readPage } from './read-page.ts';

const date = (what: string, value: string) => ({ from: 'meta' as const, what, value });

describe('the date of a page', () => {
    it.each([
        [[date('dateModified', '2026-03-02')], '2026-03-02T00:00:00.000Z'],
        [[date('article:modified_time', '2026-03-02T10:30:00+02:00')], '2026-03-02T08:30:00.000Z'],
        // What was changed counts before what was published, the latest of several.
        [
            [date('datePublished', '2026-05-01'), date('dateModified', '2026-03-02'), date('revised', '2026-03-09')],
            '2026-03-09T00:00:00.000Z',
        ],
        [[date('datePublished', '2026-05-01')], '2026-05-01T00:00:00.000Z'],
        // A time without its zone may be a day off: the day counts.
        [[date('dateModified', '2026-03-02 23:30')], '2026-03-02T00:00:00.000Z'],
        [[date('dateModified', '2026-02-30')], null],
        [[date('dateModified', 'last Tuesday')], null],
        [[date('startDate', '2026-03-02')], null],
        [[], null],
    ])('%j: %s', (dates, wanted) => {
        const at = pageDate(dates);
        expect(at === null ? null : new Date(at).toISOString()).toBe(wanted);
    });

    it('is read from metas, structured data and times alike', () => {
        const { changedAt } = readPage(
            '<!doctype html><head><meta property="article:modified_time" content="2026-01-02"></head><body><time itemprop="dateModified" datetime="2026-01-05">x</time>',
            'https://site.example/',
            { link: [], refresh: '', xRobotsTag: [] },
        );
        expect(changedAt).toBe(Date.UTC(2026, 0, 5));
    });
});

describe('Last-Modified', () => {
    it.each([
        ['Sun, 06 Nov 1994 08:49:37 GMT', Date.UTC(1994, 10, 6, 8, 49, 37)],
        ['Sunday, 06-Nov-94 08:49:37 GMT', Date.UTC(1994, 10, 6, 8, 49, 37)],
        ['', null],
        ['yesterday', null],
        ['1994', null],
    ])('%s: %s', (header, wanted) => {
        expect(lastModified(header)).toBe(wanted);
    });
});
