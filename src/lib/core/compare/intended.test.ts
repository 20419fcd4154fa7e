import { describe, expect, it } from 'vitest';
import { packSurvey } from '../pack/pack-survey.ts';
import { evaluateSet } from '../sets/evaluate-set.ts';
import { fieldsOf } from '../sets/fields.ts';
import { parseSet } from '../sets/parse-set.ts';
import { prioritiesOf, type SaidPriority } from '../sets/priorities.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { againstIntended, MOST_INTENDED, printOutline, readIntendedRows, readOutline } from './intended.ts';

const read = (text: string) => {
    const found = readOutline(text);
    if (!found.ok) throw new Error(found.say);
    return found.pages;
};
const trouble = (text: string): string => {
    const found = readOutline(text);
    return found.ok ? '' : found.say;
};

describe('an outline', () => {
    it('is read by its indents, with blanks or tabs, list marks and priorities', () => {
        expect(read('Home\n  Tools !1\n    /tools/saws/\n\n\t- Guides !3\r\nAbout')).toEqual([
            { label: 'Home', parent: null, priority: null },
            { label: 'Tools', parent: 0, priority: 1 },
            { label: '/tools/saws/', parent: 1, priority: null },
            { label: 'Guides', parent: 0, priority: 3 },
            { label: 'About', parent: null, priority: null },
        ]);
    });

    it('reads as it prints', () => {
        const text = '/\n  Tools !1\n    /tools/saws/\n      Deep\n  Guides !3\nAbout';
        expect(printOutline(read(text))).toBe(text);
    });

    it('says where it cannot be read', () => {
        expect(trouble('Home\n    Tools')).toMatch(/^Line 2 is indented by more than one step/);
        expect(trouble('  Home')).toMatch(/^Line 1 is indented/);
        expect(trouble('Home\n  !2')).toMatch(/^Line 2 has no page/);
        expect(trouble(`Home\n${'x'.repeat(1_001)}`)).toMatch(/^Line 2 is longer/);
        expect(trouble(Array.from({ length: MOST_INTENDED + 1 }, (_, n) => `p${n}`).join('\n'))).toMatch(
            /more than 5,000/,
        );
        expect(read('')).toEqual([]);
    });
});

describe('rows of an intended structure', () => {
    const row = (page: string, parent = '', priority = '') => ({ page, parent, priority });
    const say = (rows: ReturnType<typeof row>[]): string => {
        const found = readIntendedRows(rows);
        return found.ok ? '' : found.say;
    };

    it('name their parents in any order', () => {
        expect(readIntendedRows([row('Saws', 'Tools', '2'), row('Tools', 'Home'), row('Home')])).toEqual({
            ok: true,
            pages: [
                { label: 'Saws', parent: 1, priority: 2 },
                { label: 'Tools', parent: 2, priority: null },
                { label: 'Home', parent: null, priority: null },
            ],
        });
    });

    it('are refused with the row that is wrong', () => {
        expect(say([row('A'), row('B', 'C')])).toBe(
            'Row 3: the parent "C" is no page of the list. Write it as its own row has it.',
        );
        expect(say([row('A'), row('A')])).toMatch(/^Row 3 names the page "A" a second time/);
        expect(say([row('A', 'B'), row('B', 'A')])).toMatch(/lies below itself/);
        expect(say([row('A', '', '4')])).toMatch(/^Row 2: the priority "4"/);
        expect(say([row(' ')])).toMatch(/^Row 2 has no page/);
    });
});

describe('the surveyed site beside it', () => {
    const survey = packSurvey(
        new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/tools/' }, { to: '/guides/' }], { title: 'Home | Site' })
            .page('/tools/', [{ to: '/tools/saws/' }], { title: 'Tools | Site', h1: 'All tools' })
            .page('/tools/saws/', [{ to: '/tools/saws/old/' }], { title: 'Saws | Site' })
            .page('/tools/saws/old/', [], { title: 'Same' })
            .page('/guides/', [], { title: 'Same' })
            .page('/lost/', [], { title: 'Lost | Site' })
            .page('/gone/', [], { status: 404, words: null, title: '' })
            .measure(),
    ).survey;
    const partings = (text: string) =>
        againstIntended(survey, read(text)).map(({ label, parting }) => `${label}: ${parting}`);

    it('is found by path, URL, title and h1, and parts where it does', () => {
        expect(
            partings(
                '/\n  all tools\n    Saws\n  Guides page\n  /guides/\n    /tools/saws/old/\n  Lost\n  /gone/\n  same\n  https://site.example/tools/saws/',
            ),
        ).toEqual([
            '/: as intended',
            'all tools: as intended',
            'Saws: as intended',
            'Guides page: missing',
            '/guides/: as intended',
            '/tools/saws/old/: not linked from its parent',
            'Lost: not reached',
            '/gone/: missing',
            'same: several',
            'https://site.example/tools/saws/: not linked from its parent',
        ]);
    });

    it('may be a click deeper where the list begins below the start page', () => {
        expect(partings('Tools\n  Saws')).toEqual(['Tools: as intended', 'Saws: as intended']);
        expect(partings('Saws')).toEqual(['Saws: deeper']);
    });

    it('is in sets, and gives priorities that only a page by hand overrules', () => {
        const intended = read(
            '/ !1\n  all tools\n    Saws !2\n  /guides/ !2\n    /tools/saws/old/ !3\n  Lost\n  Nowhere !1',
        );
        const paths = (line: string): string[] => {
            const parsed = parseSet(line, fieldsOf(survey));
            if (!parsed.ok) throw new Error(parsed.say);
            const said: SaidPriority[] = [
                { by: 'set', subject: 'path begins "/tools/"', value: 1 },
                { by: 'page', subject: 'https://site.example/guides/', value: 1 },
            ];
            const { priority } = prioritiesOf(said, { survey, intended });
            const nodes = evaluateSet(parsed.set, { survey, intended, priority }).nodes();
            return Array.from(nodes, (node) => survey.url(node).replace('https://site.example', ''));
        };
        expect(paths('intended')).toEqual(['/', '/guides/', '/lost/', '/tools/', '/tools/saws/', '/tools/saws/old/']);
        expect(paths('intended but not reached')).toEqual(['/lost/']);
        expect(paths('intended but not linked')).toEqual(['/tools/saws/old/']);
        expect(paths('intended but deeper')).toEqual([]);
        expect(paths('priority = 1')).toEqual(['/', '/guides/', '/tools/']);
        expect(paths('priority = 2')).toEqual(['/tools/saws/']);
        expect(paths('priority = 3')).toEqual(['/tools/saws/old/']);
        expect(() => evaluateSet({ kind: 'flag', name: 'intended' }, { survey })).toThrow(/Nothing says yet/);
    });
});
