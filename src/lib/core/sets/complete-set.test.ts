import { describe, expect, it } from 'vitest';
import { packSurvey } from '../pack/pack-survey.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { choiceIn, completeSet, narrowed, type Option } from './complete-set.ts';
import { fieldsOf } from './fields.ts';
import { FLAGS } from './flags.ts';
import { parseSet } from './parse-set.ts';

const SURVEY = packSurvey(
    new Site()
        .known('/', 'manual')
        .known('/guides/a', 'log', 'march.log.gz')
        .known('/tools/x', 'visits', 'visits "spring".csv')
        .page('/', [{ to: '/guides/a' }, { to: '/guides/b' }, { to: '/tools/x' }])
        .page('/guides/a')
        .page('/guides/b')
        .page('/tools/x')
        .known('/guides/a')
        .measure(),
).survey;
const CHECKS = [
    { id: 'link-to-error', name: 'Link to an error' },
    { id: 'orphan-strict', name: 'Orphan' },
];
const CONTEXT = {
    survey: SURVEY,
    saved: ['mine', 'with "quotes"'],
    surveys: [1, 2],
    checks: CHECKS,
    accepted: ['cut off in /guides/'],
};

const optionsOf = (line: string): Option[] => completeSet(line, line.length, CONTEXT).options;
const inserts = (line: string): string[] => optionsOf(line).map((option) => option.insert);

describe('completion of the set language', () => {
    it('knows every flag and field at the beginning, by what is typed of it', () => {
        const all = [...FLAGS, ...fieldsOf(SURVEY)].map((item) => item.name);
        for (const name of all) expect(inserts(name.slice(0, -1)), name).toContain(name);
        expect(inserts('xyz')).toEqual([]);
    });

    it('offers of a sitemap and of a list that it is one, and of a text how it may be', () => {
        expect(inserts('sitemap ')).toEqual(['is']);
        expect(inserts('list ')).toEqual(['is']);
        expect(inserts('title ').length).toBeGreaterThan(2);
    });

    it('offers the checks behind "has finding", and the severities', () => {
        expect(inserts('has ')).toEqual(['has finding', 'has fault', 'has risk', 'has remark']);
        expect(inserts('incoming ')).toEqual(expect.arrayContaining(['incoming pages', 'incoming followed']));
        expect(inserts('accepted ')).toEqual(['"link-to-error"', '"orphan-strict"', '"cut off in /guides/"']);
        expect(inserts('has finding ')).toEqual(['"link-to-error"', '"orphan-strict"']);
        expect(optionsOf('has finding "orph')).toMatchObject([{ insert: '"orphan-strict"', what: 'Orphan' }]);
    });

    it('takes words typed of one name together, and replaces them all', () => {
        expect(inserts('incoming pa')).toEqual(['incoming pages']);
        const line = 'depth > 2 and incoming fo';
        const { from, to, options } = completeSet(line, line.length, CONTEXT);
        expect([line.slice(from, to), options.map((option) => option.insert)]).toEqual([
            'incoming fo',
            ['incoming followed'],
        ]);
    });

    it('says what may follow a field, a comparison and a whole set', () => {
        expect(inserts('depth ')).toEqual(expect.arrayContaining(['=', '<=', 'from', 'is unknown']));
        expect(inserts('depth ')).not.toContain('has');
        expect(inserts('title ')).toEqual(expect.arrayContaining(['is', 'has', 'is empty']));
        expect(inserts('depth > 2 ')).toEqual(['and', 'or']);
        expect(inserts('links to (orphan) ')).toEqual(
            expect.arrayContaining(['and', 'via', 'followed', 'with anchor']),
        );
        expect(inserts('links to (orphan ')).toContain(')');
        expect(inserts('links to ')).toEqual(['(']);
        expect(inserts('links to (orphan) via ')).toEqual(expect.arrayContaining(['nav', 'main', 'template']));
        expect(inserts('known from ')).toContain('sitemap');
    });

    it('counts the pages of values, the most first, and finds a value by any part of it', () => {
        expect(optionsOf('section is ').map(({ insert, pages }) => [insert, pages])).toEqual([
            ['guides', 2],
            ['/', 1],
            ['tools', 1],
        ]);
        expect(inserts('section is uid')).toEqual(['guides']);
        expect(inserts('sitemap is ')).toEqual(['"https://site.example/sitemap.xml"']);
        // A sitemap is no list from elsewhere, nor is what was typed in without a name.
        expect(inserts('list is ')).toEqual(['"march.log.gz"', '"visits \\"spring\\".csv"']);
        expect(inserts('set ')).toEqual(['"mine"', '"with \\"quotes\\""']);
        expect(inserts('set "mi')).toEqual(['"mine"']);
        expect(inserts('in survey ')).toEqual(['1 (', '2 (']);
    });

    it('looks at nothing behind the cursor, and offers nothing behind a mistake', () => {
        const { options } = completeSet('sec and orphan', 3, CONTEXT);
        expect(options.map((option) => option.insert)).toEqual(['section']);
        expect(inserts('depht > 3 and sec')).toEqual([]);
        expect(inserts('depth > 3 4 and sec')).toEqual([]);
    });

    it('leads, option by option, to lines that can be read', () => {
        const lines = ['section is ', 'gate is ', 'known from ', 'language is ', 'set ', 'sitemap is ', 'list is '];
        for (const line of lines) {
            for (const insert of inserts(line)) {
                const parsed = parseSet(line + insert);
                expect(parsed.ok, line + insert).toBe(true);
            }
        }
    });
});

describe('choiceIn', () => {
    const option = (insert: string) => ({ insert, what: '', kind: 'field' }) as never;
    const now = ['section', 'same title', 'status'].map(option);

    it('keeps what was chosen, wherever it stands now', () => {
        expect(choiceIn(now, option('status'))).toBe(2);
        expect(choiceIn(now, option('section'))).toBe(0);
    });

    it('chooses nothing where nothing was chosen, or it is gone', () => {
        expect(choiceIn(now, undefined)).toBe(-1);
        expect(choiceIn(now, option('words'))).toBe(-1);
        expect(choiceIn([], option('status'))).toBe(-1);
    });
});

describe('narrowed', () => {
    const option = (insert: string): Option => ({ insert, what: '', pages: null });
    const names = ({ options }: { options: Option[] }): string[] => options.map(({ insert }) => insert);

    it('keeps the options that hold what was typed on, and lets them replace all of it', () => {
        const early = { from: 0, to: 1, options: ['section', 'status', 'same title'].map(option) };
        expect(narrowed(early, 's', 'sec', 3)).toEqual({ from: 0, to: 3, options: [option('section')] });
        expect(names(narrowed(early, 's', 's', 1))).toEqual(['section', 'status', 'same title']);
        // Names of two words, and letters taken back.
        expect(names(narrowed(early, 's', 'same t', 6))).toEqual(['same title']);
        expect(names(narrowed({ ...early, to: 4 }, 'sect', 's', 1))).toEqual(['section', 'status', 'same title']);
    });

    it('finds values by what they hold, in any case and with their opening quote', () => {
        const early = { from: 11, to: 12, options: ['"Ladder hire"', 'guides'].map(option) };
        expect(names(narrowed(early, 'section is "', 'section is "HIRE', 16))).toEqual(['"Ladder hire"']);
    });

    it('keeps what follows the cursor, and nothing where anything else has changed', () => {
        const early = { from: 0, to: 1, options: [option('section')] };
        expect(narrowed(early, 's is x', 'sec is x', 3)).toEqual({ from: 0, to: 3, options: [option('section')] });
        expect(names(narrowed(early, 's is x', 'sec is y', 3))).toEqual([]);
        expect(names(narrowed(early, 's', 'sec is gui', 10))).toEqual([]);
        const later = { from: 4, to: 5, options: [option('section')] };
        expect(names(narrowed(later, 'not s', 'nut se', 6))).toEqual([]);
        expect(names(narrowed(later, 'not s', 'no', 2))).toEqual([]);
    });
});
