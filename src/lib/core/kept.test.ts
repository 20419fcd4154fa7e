import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../tests/support/small-site.ts';
import { countKept, keptBytes, once, sizeOf } from './kept.ts';
import { packSurvey } from './pack/pack-survey.ts';
import { evaluateSet } from './sets/evaluate-set.ts';
import { fieldsOf } from './sets/fields.ts';
import { inOrder, pageColumns, placesBy } from './sets/page-columns.ts';
import { parseSet } from './sets/parse-set.ts';

describe('what is kept of a survey', () => {
    it('is made once for each of its kind, and counted', () => {
        const survey = {};
        let made = 0;
        const places = (column: string): Uint32Array =>
            once(survey, 'places', [column], () => {
                made++;
                return new Uint32Array(1_000);
            });
        expect(keptBytes(survey)).toBe(0);
        expect(places('depth')).toBe(places('depth'));
        expect(made).toBe(1);
        const one = keptBytes(survey);
        expect(one).toBeGreaterThanOrEqual(4_000);
        places('title');
        expect(keptBytes(survey)).toBe(2 * one);
        countKept(survey, 17);
        expect(keptBytes(survey)).toBe(2 * one + 17);
        expect(keptBytes({})).toBe(0);
    });

    it('has the size of all that is in it, each thing once', () => {
        const bytes = new Uint8Array(5_000);
        const both = sizeOf({ a: bytes, b: [bytes], c: new Map([['x', bytes]]) });
        expect(both).toBeGreaterThan(5_000);
        expect(both).toBeLessThan(5_500);
        expect(sizeOf([new Float64Array(1_000), new Float64Array(1_000)])).toBeGreaterThan(16_000);
        const text = 'x'.repeat(10_000);
        expect(sizeOf([text, text, text])).toBeLessThan(11_000);
        expect(sizeOf([text, `${text}y`])).toBeGreaterThan(20_000);
        expect(sizeOf(new Set(['a'.repeat(500), 'b'.repeat(500)]))).toBeGreaterThan(1_000);
        // What keeps something to itself says how much.
        expect(sizeOf({ byteLength: 700 })).toBeGreaterThanOrEqual(700);
        // A circle ends.
        const circle: unknown[] = [];
        circle.push(circle);
        expect(sizeOf(circle)).toBeLessThan(100);
    });
});

describe('the size of a survey', () => {
    const site = new Site().known('/', 'manual').page('/', [{ to: '/a/1', anchor: 'Saws' }]);
    const paths = Array.from({ length: 60 }, (_, n) => `/a/${n}`);
    for (const path of paths) site.page(path, [{ to: '/', anchor: 'Home' }]).known(path);
    site.share(paths, [{ to: '/a/2' }, { to: '/a/3' }]).sitemap();
    const survey = packSurvey(site.measure()).survey;
    const size = (line: string): number => {
        const parsed = parseSet(line, fieldsOf(survey));
        return parsed.ok ? evaluateSet(parsed.set, { survey }).count() : 0;
    };
    const template = survey.measured.templates[0]!.name;
    /** Lines of the set language with something typed in them. */
    const lines = (template: string, sitemap: string, word: string, number: number): string[] => [
        `title contains "${word}" and url starts with "${ORIGIN}/${word}"`,
        `held by template "${template}" or sitemap is "${sitemap}" or list is "${word}.csv"`,
        `links to (url contains "${word}") via template "${template}" with anchor "${word}"`,
        `section is "${word}" and depth > ${number} and standing < ${number}.5`,
    ];
    const typed = (line: string): void => {
        for (let end = 1; end <= line.length; end++) size(line.slice(0, end));
    };

    it('grows by what is looked at, and not by 200 prefixes of a set that somebody types', () => {
        const whole = survey.bytes;
        expect(whole).toBeGreaterThan(0);
        for (const line of lines(template, `${ORIGIN}/sitemap.xml`, 'a', 1)) typed(line);
        for (const column of pageColumns(survey).values())
            inOrder(Uint32Array.of(0, 1), placesBy(survey, column), true);
        const before = survey.bytes;
        expect(before).toBeGreaterThan(whole);
        // Whatever else is typed in their place, letter by letter: names that nothing has, words, numbers.
        for (let n = 0; n < 10; n++) {
            for (const line of lines(`nobody ${n}`, `${ORIGIN}/map-${n}.xml`, `word${n}`, 100 + n)) typed(line);
        }
        expect(survey.bytes).toBe(before);
    });
});
