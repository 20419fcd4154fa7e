import { describe, expect, it } from 'vitest';
import { robotsLines } from './robots-lines.ts';

const kinds = (text: string): string[] => robotsLines(text).map(({ kind, group }) => `${kind} ${group}`);

describe('the lines of a robots.txt', () => {
    it('are told apart, with the group each stands in', () => {
        const text = [
            'Disallow: /early',
            '# a comment',
            'User-agent: a',
            'User-agent: b',
            'Disallow: /x # why',
            'Crawl-delay: 4',
            '',
            'User-agent: *',
            'Allow:',
            'Dissallow: /y',
            'Noindex: /z',
            'Sitemap: https://a.example/s.xml',
            'Sitemap:',
            'no colon here',
        ].join('\r\n');
        expect(kinds(text)).toEqual([
            'stray -1',
            'comment -1',
            'agent 0',
            'agent 0',
            'rule 0',
            'extra 0',
            'blank 0',
            'agent 1',
            'empty 1',
            'unread 1',
            'directive 1',
            'sitemap 1',
            'empty 1',
            'unread 1',
        ]);
        expect(robotsLines(text)[4]).toMatchObject({ line: 5, key: 'disallow', value: '/x' });
    });

    it('go on with a group where only lines that are no rules stand between its agents', () => {
        expect(kinds('User-agent: a\nSitemap: /s\nUser-agent: b\nDisallow:\nUser-agent: c')).toEqual([
            'agent 0',
            'sitemap 0',
            'agent 0',
            'empty 0',
            'agent 1',
        ]);
    });
});
