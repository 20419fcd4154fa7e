import { describe, expect, it } from 'vitest';
import { linkColumns, pageColumns, windowColumns } from './table-columns.ts';

const KNOWN = ['url', 'title', 'words', 'depth', 'gate'];

describe('columns of the pages', () => {
    it('are those asked for, in that order, the address first and each once', () => {
        expect(pageColumns('words,url,depth,words', KNOWN)).toEqual(['url', 'words', 'depth']);
    });

    it('leave out what no column is called', () => {
        expect(pageColumns('words,__proto__,toString,shoe', KNOWN)).toEqual(['url', 'words']);
        expect(pageColumns('', KNOWN)).toEqual(['url']);
    });

    it('are a few that this survey knows where none were ever chosen', () => {
        expect(pageColumns(null, KNOWN)).toEqual(['url', 'title', 'depth', 'gate', 'words']);
    });
});

describe('columns of the links', () => {
    it('begin with the page that a link stands on', () => {
        expect(linkColumns('line,anchor,shoe')).toEqual(['source', 'line', 'anchor']);
        expect(linkColumns(null)[0]).toBe('source');
    });
});

describe('a window', () => {
    it('is asked for with what rows are drawn with beside their columns', () => {
        expect(windowColumns(['url', 'words']).split(',').sort()).toEqual(
            ['gate', 'gate_reason', 'reached', 'status', 'url', 'words'].sort(),
        );
    });
});
