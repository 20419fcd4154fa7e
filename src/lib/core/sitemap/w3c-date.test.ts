import { describe, expect, it } from 'vitest';
import { isW3cDate } from './w3c-date.ts';

describe('isW3cDate', () => {
    // The six forms of NOTE-datetime, then the calendar.
    it.each([
        '1997',
        '1997-07',
        '1997-07-16',
        '1997-07-16T19:20+01:00',
        '1997-07-16T19:20:30+01:00',
        '1997-07-16T19:20:30.45Z',
        '2024-02-29',
        '2000-02-29',
        '2026-12-31',
        '2026-04-30T23:59:59Z',
    ])('%s is one', (text) => expect(isW3cDate(text)).toBe(true));

    it.each([
        '',
        '2024-02-30',
        '2023-02-29',
        '1900-02-29',
        '2026-04-31',
        '2026-13-01',
        '2026-00-10',
        '2026-01-00',
        '2026-1-1',
        '2026-01-01T24:00Z',
        '2026-01-01T10:60Z',
        '2026-01-01T10:00',
        '2026-01-01 10:00Z',
        '1 March 2026',
        '26-01-01',
    ])('%s is none', (text) => expect(isW3cDate(text)).toBe(false));
});
