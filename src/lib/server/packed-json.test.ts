import { describe, expect, it } from 'vitest';
import type { PageFactsRecord } from '../core/survey/page-details.ts';
import { packBytes, packFacts, packJson, packSource, unpackBytes, unpackJson } from './packed-json.ts';

const RECORD: PageFactsRecord = {
    document: {
        headings: [
            { level: 1, text: 'Ladder hire' },
            { level: 2, text: 'Prices – and “terms”' },
        ],
        social: [],
        structured: [],
        dates: [],
        ids: ['hire'],
        noscriptLinks: 0,
        robotsInBody: [],
        canonicalsInBody: [],
    },
    sentType: 'text/html; charset=utf-8',
    charset: 'UTF-8',
    charsetFrom: 'header',
    headers: [
        ['server', 'made up'],
        ['etag', '"x"'],
    ],
    cookieNames: [],
};

describe('what is packed', () => {
    it.each([0, 1, 159, 160, 2_047, 2_048, 70_000])('comes back byte for byte, %i bytes', (length) => {
        const bytes = Uint8Array.from({ length }, (_, at) => (at * at * 31) >> 5);
        for (const pack of [packBytes, packSource]) expect([...unpackBytes(pack(bytes))]).toEqual([...bytes]);
    });

    it('is JSON again', () => {
        expect(unpackJson(packJson([1, 'ä', null]))).toEqual([1, 'ä', null]);
        expect(unpackJson(packFacts(RECORD))).toEqual(RECORD);
    });

    it('costs a page of which little is its own a third of what it takes by itself', () => {
        expect(packFacts(RECORD).length * 3).toBeLessThan(packJson(RECORD).length);
    });

    it('is facts that no page had before, too', () => {
        const ids = Array.from({ length: 9_000 }, (_, at) => `${(at * 7_919).toString(36)}-${'x'.repeat(at % 9)}`);
        const record = { ...RECORD, document: { ...RECORD.document!, ids } };
        expect(unpackJson(packFacts(record))).toEqual(record);
        expect(unpackJson(packFacts({ ...RECORD, document: null }))).toEqual({ ...RECORD, document: null });
    });

    it('says so where it is damaged', () => {
        const damaged = packFacts(RECORD);
        damaged.fill(0xff, 1, 20);
        expect(() => unpackBytes(damaged)).toThrow();
    });

    /** Rows that lie in databases: what they were packed with may never change. */
    it.each([
        [
            'deflated',
            '014d504b6ac33014bc8a99b54a3faba2d24d178142085da42b470b557a8d452cc948cf21c1187c876edbcbf924c57608d9cd0cf39837d3c146d37a0a0cd9a1226d5dd867c8b2434d47aa211f05984e0c89b5b6965251b944e8c5d5f074357c24672817e3f053e8608b71f8654a3e8fc31f7a2590a371ba862c27cca935dc26b20bb79a698a5502ce4e00738c1208319be41a5ebb70c8900f02297e45ceefe12ddaf372627488c1195ddfa8bd40a6c0db7343907385fb8a7dfd52984aa74cfcdaf2f7dd33042e1c129fdbd5adb24ad143cea35082b880e9b91299d27116bdb654b40d942841acf710d8e1b403941230311e1c6db45fbaf5ff',
        ],
        [
            'facts',
            '0223255e7c125352528b1432328b52b10776405166726ab1c2a386c90a8979290a8f1ae694a416e5163f6a984b463480ad19b4810bcfafb98929a90aa590520f9e612b6294b0863600',
        ],
    ])('is read for ever: %s', (_, hex) => {
        expect(unpackJson(Buffer.from(hex, 'hex'))).toEqual(RECORD);
    });
});
