import { describe, expect, it } from 'vitest';
import { askedOnce, withMemo } from './request-memo.ts';

describe('askedOnce', () => {
    const counter = () => {
        let asked = 0;
        return { ask: () => Promise.resolve(++asked), count: () => asked };
    };

    it('asks once in a request, also when two ask at the same time', async () => {
        const { ask, count } = counter();
        await withMemo(async () => {
            const [a, b] = await Promise.all([askedOnce('site 1', ask), askedOnce('site 1', ask)]);
            expect([a, b, await askedOnce('site 1', ask)]).toEqual([1, 1, 1]);
        });
        expect(count()).toBe(1);
    });

    it('asks again for another question, in another request, and where there is no memory', async () => {
        const { ask, count } = counter();
        await withMemo(async () => {
            await askedOnce('site 1', ask);
            await askedOnce('site 2', ask);
        });
        await withMemo(() => askedOnce('site 1', ask));
        await askedOnce('site 1', ask);
        await askedOnce('site 1', ask);
        expect(count()).toBe(5);
    });

    it('keeps requests apart that are answered at the same time', async () => {
        const answers = await Promise.all(
            ['a', 'b'].map((name) => withMemo(() => askedOnce('who', () => Promise.resolve(name)))),
        );
        expect(answers).toEqual(['a', 'b']);
    });
});
