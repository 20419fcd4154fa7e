import { beforeEach, describe, expect, it } from 'vitest';
import { nodesIn } from '../../../tests/support/sets.ts';
import { ORIGIN, Site } from '../../../tests/support/small-site.ts';
import type { Part } from '../core/columns/column.ts';
import { packSurvey } from '../core/pack/pack-survey.ts';
import { encodeSections } from '../core/packed/sections.ts';
import { SurveyAnswers, type ChosenPages } from './survey-answers.ts';

const packed = packSurvey(
    new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/a' }, { to: '/b' }])
        .page('/a', [{ to: '/c' }], { title: 'Saws' })
        .page('/b', [], { title: 'Ladders' })
        .page('/c', [], { title: 'Saws and glue' })
        .measure(),
);

const asked: string[] = [];
let fails = false;

function bytesOf(survey: string, part: Part): Promise<Uint8Array<ArrayBuffer>> {
    asked.push(`${survey}/${part}`);
    if (fails) return Promise.reject(new Error('refused with 409'));
    return Promise.resolve(encodeSections(packed.parts.get(part)!));
}

const name = { survey: '/api/1', revision: '1' };
let answers: SurveyAnswers;
beforeEach(() => {
    asked.length = 0;
    fails = false;
    answers = new SurveyAnswers(bytesOf);
});

describe('the survey in the browser', () => {
    it('tells sizes and nodes as the server does, and fetches a part when a set first needs it', async () => {
        await answers.open(name);
        expect(asked).toEqual(['/api/1/core']);
        for (const line of [
            'depth is 1',
            'title has "saws"',
            'page and not depth > 1',
            'linked from (title has "saws")',
        ]) {
            const nodes = nodesIn(packed.survey, line);
            expect(await answers.size(name, line), line).toBe(nodes.length);
            const classes = [...(await answers.classes(name, [line]))!];
            expect(
                classes.flatMap((number, node) => (number === 0 ? [node] : [])),
                line,
            ).toEqual(nodes);
        }
        expect(asked).toEqual([...new Set(asked)]);
        expect(asked).toContain('/api/1/text');
    });

    it('answers nothing for what is no set', async () => {
        expect(await answers.size(name, 'depth is')).toBeNull();
        expect(await answers.classes(name, ['page', 'no such field is 3'])).toBeNull();
    });

    it('opens another survey, another revision, and one that was let go, anew', async () => {
        await answers.size(name, 'page');
        await answers.size(name, 'page');
        await answers.open({ ...name, revision: '2' });
        await answers.open({ survey: '/api/2', revision: '2' });
        answers.close();
        await answers.open({ survey: '/api/2', revision: '2' });
        expect(asked.filter((part) => part.endsWith('core'))).toEqual([
            '/api/1/core',
            '/api/1/core',
            '/api/2/core',
            '/api/2/core',
        ]);
    });

    it('asks again for what could not be had', async () => {
        fails = true;
        await expect(answers.size(name, 'page')).rejects.toThrow('409');
        fails = false;
        expect(await answers.size(name, 'page')).toBe(4);
    });

    it('tells what another robots.txt would change, and fetches the links only for the paths', async () => {
        const question = { origin: ORIGIN, before: '', after: 'User-agent: *\nDisallow: /a\n', agent: 'edgemap' };
        const bare = await answers.robots(name, { ...question, paths: false });
        expect(bare).toMatchObject({ closes: { count: 1, first: [`${ORIGIN}/a`] }, dropped: { count: 1 }, lost: null });
        expect(asked).not.toContain('/api/1/links');
        const whole = await answers.robots(name, { ...question, paths: true });
        expect(whole.lost).toEqual({ count: 1, first: [`${ORIGIN}/c`] });
    });

    it('tells by which rules a set, a folder or a page is closed', async () => {
        const wish = { origin: ORIGIN, text: '', make: 'closed' as const, agent: '*' };
        const rules = async (pages: ChosenPages): Promise<string[] | undefined> =>
            (await answers.robotsOptions(name, { ...wish, pages }))?.[0]?.added.map(({ pattern }) => pattern);
        expect(await rules({ by: 'set', set: 'title has "saws"' })).toEqual(['/a$', '/c$']);
        expect(await rules({ by: 'path', path: '/b' })).toEqual(['/b$']);
        expect(await rules({ by: 'path', path: '/' })).toEqual(['/']);
        expect(await answers.robotsOptions(name, { ...wish, pages: { by: 'set', set: 'depth is' } })).toBeNull();
    });
});
