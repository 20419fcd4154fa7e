import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { MAX_SITEMAP_BYTES } from '../../core/sitemap/read-sitemap.ts';
import type { Answer } from './fetch-url.ts';
import { problem } from '../../core/problems/problem.ts';
import { sitemapText } from './sitemap-text.ts';

function answer(body: Uint8Array, type = 'application/xml', bodyTrouble: Answer['bodyTrouble'] = null): Answer {
    return {
        ok: true,
        status: 200,
        headers: new Map([['content-type', [type]]]),
        sentType: type,
        body,
        bodyRead: 'all',
        bodyTrouble,
        milliseconds: 1,
    };
}

const XML = '<?xml version="1.0"?><urlset><url><loc>https://site.example/café</loc></url></urlset>';
const codes = async (given: Answer): Promise<string[]> => {
    const text = await sitemapText(given);
    return text.ok ? text.troubles.map(({ code }) => code) : [text.problem.code];
};

describe('sitemapText', () => {
    it('reads UTF-8 with and without a mark, packed and not, and has nothing to say of it', async () => {
        for (const body of [Buffer.from(XML), Buffer.from(`\ufeff${XML}`), gzipSync(XML)]) {
            const text = await sitemapText(answer(body));
            expect(text).toMatchObject({ ok: true, troubles: [] });
            expect(text.ok && text.text.replace('\ufeff', '')).toBe(XML);
        }
    });

    it.each([
        ['UTF-16LE', Buffer.from(`\ufeff${XML}`, 'utf16le')],
        ['UTF-16BE', Buffer.from(`\ufeff${XML}`, 'utf16le').swap16()],
        ['UTF-16LE', Buffer.from(XML, 'utf16le')],
        ['UTF-16BE', Buffer.from(XML, 'utf16le').swap16()],
    ])('reads %s and says that it is not UTF-8', async (name, body) => {
        const text = await sitemapText(answer(body));
        expect(text.ok && text.text.replace('\ufeff', '')).toBe(XML);
        expect(text).toMatchObject({
            troubles: [{ code: 'encoding', params: { encoding: name } }],
        });
    });

    it('reads a declared or sent ISO-8859-1 and says so; what is sent wins over what is declared', async () => {
        const declared = XML.replace('?>', ' encoding="ISO-8859-1"?>');
        const text = await sitemapText(answer(Buffer.from(declared, 'latin1')));
        expect(text.ok && text.text).toBe(declared);
        expect(text).toMatchObject({ troubles: [{ code: 'encoding' }] });
        expect(await codes(answer(Buffer.from(XML, 'latin1'), 'text/xml; charset=iso-8859-1'))).toEqual(['encoding']);
        expect(await codes(answer(Buffer.from(declared), 'text/xml; charset=utf-8'))).toEqual([]);
    });

    it('tells of bytes that are no UTF-8, with their line', async () => {
        const body = Buffer.concat([Buffer.from('<urlset>\n\n'), Buffer.from('caf\xe9', 'latin1')]);
        expect(await sitemapText(answer(body))).toMatchObject({
            ok: true,
            troubles: [{ code: 'broken-text', line: 3 }],
        });
    });

    it('takes what nobody knows, or what cannot be, for UTF-8', async () => {
        const text = await sitemapText(answer(Buffer.from(XML), 'text/xml; charset=utf-16'));
        expect(text.ok && text.text).toBe(XML);
        const strange = await sitemapText(answer(Buffer.from(XML), 'text/xml; charset=klingon'));
        expect(strange.ok && strange.text).toBe(XML);
    });

    it('tells a gzip file that ends too early from one that is too large', async () => {
        const large = Buffer.alloc(MAX_SITEMAP_BYTES + 1, 'a');
        const packed = gzipSync(large);
        const early = await sitemapText(answer(gzipSync(Buffer.from('a'.repeat(500_000))).subarray(0, 400)));
        expect(early).toMatchObject({ ok: true, troubles: [{ code: 'cut' }] });
        expect(early.ok && early.troubles[0]?.params).toEqual({ of: 'gzip' });
        const full = await sitemapText(answer(packed));
        expect(full).toMatchObject({ ok: true, bytes: MAX_SITEMAP_BYTES });
        expect(full.ok && full.troubles.map(({ params }) => params)).toEqual([{ of: 'size' }]);
        expect(await codes(answer(gzipSync(large.subarray(1))))).toEqual([]);
    });

    it('refuses gzip of which nothing can be unpacked, and tells of a body that was cut on the way', async () => {
        expect(await sitemapText(answer(Buffer.from([0x1f, 0x8b, 1, 2, 3])))).toMatchObject({ ok: false });
        expect(await codes(answer(Buffer.from(XML), 'text/xml', problem('body-broken-off', { bytes: 3 })))).toEqual([
            'cut',
        ]);
    });
});
