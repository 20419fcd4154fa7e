import { describe, expect, it } from 'vitest';
import type { ListedLink } from '$lib/core/survey/survey-rows.ts';
import { linksContent, placesContent } from './stored-content.ts';
import { packLinks, packPlaces, unpackLinks, unpackPlaces } from './store/packing.ts';

const link: ListedLink = {
    kind: 'a',
    target: 7,
    text: '',
    fragment: 'bark',
    anchor: 'The "oak", [1]',
    name: '',
    rel: 'nofollow',
    marks: 1,
};
const OTHERS: Partial<ListedLink>[] = [
    { kind: 'img' },
    { target: 70 },
    { target: null, text: '7' },
    { text: 'x' },
    { fragment: '' },
    { anchor: '' },
    { name: 'Oak' },
    { rel: '' },
    { marks: 0 },
    // What stands in one column, moved to the next.
    { fragment: '', anchor: 'bark' },
    { anchor: '', name: 'The "oak", [1]' },
    { name: 'nofollow', rel: '' },
];

describe('contents as they are stored', () => {
    it('are equal of equal lists, and of no others', () => {
        const lists = [[], [link], [link, link], ...OTHERS.map((other) => [{ ...link, ...other }])];
        expect(new Set(lists.map(linksContent)).size).toBe(lists.length);
        expect(linksContent(structuredClone([link, link]))).toBe(linksContent([link, link]));
        // Fields in another order, as they may come out of the database.
        const turned = Object.fromEntries(Object.entries(link).toReversed()) as unknown as ListedLink;
        expect(linksContent([turned])).toBe(linksContent([link]));
    });

    it('are what is stored, made now or before', () => {
        const links = [link, ...OTHERS.map((other) => ({ ...link, ...other }))];
        const layout = { lines: [0, 3], columns: [1, 20], hrefs: ['/oak', "\t../elm?'"] };
        for (const content of [undefined, linksContent(links)]) {
            expect(unpackLinks(packLinks({ links, ...(content && { content }) }))).toEqual(links);
        }
        for (const content of [undefined, placesContent(layout)]) {
            expect(unpackPlaces(4, packPlaces({ ...layout, ...(content && { content }) }))).toEqual({
                id: 4,
                ...layout,
            });
        }
    });
});
