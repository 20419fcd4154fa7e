import { describe, expect, it } from 'vitest';
import { unreadPage, type FileRow, type ListedLink } from '../../core/survey/survey-rows.ts';
import { EarlierRun, filesOfIndex, indexText, isReadSitemap } from './earlier-run.ts';
import { problem, writeProblems } from '../../core/problems/problem.ts';

function link(target: number | null, kind: ListedLink['kind'] = 'a'): ListedLink {
    return { kind, target, text: '', fragment: '', anchor: '', name: '', rel: '', marks: 0 };
}

describe('EarlierRun', () => {
    function small(): EarlierRun {
        const earlier = new EarlierRun();
        ['/', '/a', '/b', '/c'].forEach((path, id) =>
            earlier.addAddress({ id, url: `https://x.example${path}`, internal: true }),
        );
        earlier.addList({ id: 0, links: [link(1), link(null, 'other'), link(2, 'canonical')] });
        earlier.addList({ id: 1, links: [] });
        earlier.addList({ id: 2, links: [link(3)] });
        [0, 2, 1].forEach((list, id) => earlier.addBlock({ id, region: 'main', place: 'body', list, name: '' }));
        // Page 0 has the blocks of lists 0 and 2, page 2 that of list 2 and an empty one.
        for (const [page, block] of [
            [0, 0],
            [0, 1],
            [2, 1],
            [2, 2],
        ] as const) {
            earlier.addPageBlock(page, block);
        }
        for (const address of [0, 2, 3]) earlier.addPage({ ...unreadPage(address), status: 200 });
        earlier.addTraces(2, { signature: new Uint32Array([7]), sketch: null });
        return earlier;
    }

    it('tells where each page leads, in the order of its blocks, without what is no address', () => {
        const earlier = small();
        expect(earlier.settled(0)?.links).toEqual([
            { kind: 'a', target: 1 },
            { kind: 'canonical', target: 2 },
            { kind: 'a', target: 3 },
        ]);
        expect(earlier.settled(2)).toMatchObject({
            links: [{ kind: 'a', target: 3 }],
            traces: { signature: new Uint32Array([7]), sketch: null },
        });
        expect(earlier.settled(3)).toMatchObject({ links: [], traces: null });
        expect(earlier.settled(1)).toBeUndefined();
        expect([0, 1, 2, 3].map((id) => earlier.isSettled(id))).toEqual([true, false, true, true]);
    });

    it('gives equal contents the numbers they have, and new ones the next', () => {
        const earlier = small();
        expect(earlier.lists.size).toBe(3);
        expect(earlier.blocks.size).toBe(3);
        expect(earlier.evidence.number('manual 0 ')).toEqual({ id: 0, isNew: true });
        earlier.addEvidence({ address: 1, evidence: 'sitemap', source: 's', line: 3, lastmod: '' });
        expect(earlier.evidence.number('sitemap 1 s').isNew).toBe(false);
    });

    it('refuses rows that are out of order', () => {
        const earlier = small();
        expect(() => earlier.addPageBlock(0, 2)).toThrow('blocks of page 0 stand apart');
        expect(() => earlier.addList({ id: 3, links: [link(3)] })).toThrow();
    });

    it('keeps the files of an index in its row', () => {
        const entries = [
            { url: 'https://x.example/one.xml', line: 3, lastmod: '' },
            { url: 'https://x.example/two%20words.xml', line: 12, lastmod: '' },
        ];
        const row: FileRow = {
            kind: 'sitemap',
            url: '',
            status: 200,
            note: writeProblems([problem('sitemap-index', { files: 2 })]),
            entries: null,
            text: indexText(entries),
        };
        expect(filesOfIndex(row)).toEqual(entries.map(({ url, line }) => ({ url, line })));
        expect(filesOfIndex({ ...row, text: '' })).toEqual([]);
        expect(isReadSitemap(row)).toBe(false);
        expect(
            isReadSitemap({ ...row, note: writeProblems([problem('sitemap-read', { form: 'urlset', entries: 2 })]) }),
        ).toBe(true);
    });
});
