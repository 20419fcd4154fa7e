import { describe, expect, it } from 'vitest';
import { agentDirectives, isAgentMeta, noindexFor } from './agent-directives.ts';
import { readPage } from './read-page.ts';

describe('a meta that speaks to an agent', () => {
    it.each([
        ['otterbot', 'noindex', true],
        ['otter-news', 'noindex, max-snippet:20', true],
        ['otterbot', 'noarchive', false],
        ['robots', 'noindex', false],
        // Words of people, by whatever name.
        ['keywords', 'index, saws', false],
        ['description', 'follow the river', false],
        ['og:follow', 'follow', false],
    ])('%s: %s', (name, content, wanted) => {
        expect(isAgentMeta(name, content)).toBe(wanted);
    });
});

describe('what a page says to agents by name', () => {
    const metas = [
        { name: 'robots', content: 'nofollow' },
        { name: 'otterbot', content: 'NOINDEX' },
    ];
    const said = (found: ReturnType<typeof agentDirectives>) =>
        Object.fromEntries(
            found.flatMap((one) => (one.code === 'agent-directives' ? [[one.params.agent, one.params.says]] : [])),
        );

    it('is nothing where all are told the same', () => {
        expect(agentDirectives([metas[0]!], ['noindex', 'max-snippet: 20'])).toEqual([]);
    });

    it('is kept beside what is said to all', () => {
        expect(said(agentDirectives(metas, []))).toEqual({ '*': 'nofollow', otterbot: 'noindex' });
        expect(said(agentDirectives([], ['noarchive', 'badger: noindex, nofollow']))).toEqual({
            '*': 'noarchive',
            badger: 'noindex, nofollow',
        });
    });

    it('holds for an agent together with what is said to all', () => {
        const named = agentDirectives(metas, []);
        expect(noindexFor(named, 'otterbot')).toEqual({ noindex: true, by: 'otterbot' });
        expect(noindexFor(named, 'edgemap')).toEqual({ noindex: false, by: '' });
        const all = agentDirectives([{ name: 'robots', content: 'none' }, metas[1]!], []);
        expect(noindexFor(all, 'edgemap')).toEqual({ noindex: true, by: '*' });
        expect(noindexFor([], 'edgemap')).toBeNull();
    });

    it('is read from the head of a page and its headers, and from no body', () => {
        const html =
            '<!doctype html><head><title>x</title><meta name=OtterBot content=noindex></head><body><meta name=badger content=noindex>';
        const { markup, directives } = readPage(html, 'https://site.example/', {
            link: [],
            refresh: '',
            xRobotsTag: ['heron: nofollow'],
        });
        expect(said(markup)).toEqual({ '*': '', otterbot: 'noindex', heron: 'nofollow' });
        expect(directives.noindex).toBe(false);
    });
});
