import { describe, expect, it } from 'vitest';
import { RowWriter, type BulkValue } from './bulk-load.ts';

/** What LOAD DATA makes of it: fields parted by tabs, rows by line ends, `\N` alone NULL, a backslash before a byte. */
function loaded(bytes: Buffer): (Buffer | null)[][] {
    const rows: (Buffer | null)[][] = [];
    let row: (Buffer | null)[] = [];
    let field: number[] = [];
    let isNull = false;
    const endField = (): void => {
        row.push(isNull ? null : Buffer.from(field));
        field = [];
        isNull = false;
    };
    for (let at = 0; at < bytes.length; at++) {
        const byte = bytes[at]!;
        if (byte === 92) {
            const escaped = bytes[++at]!;
            if (escaped === 78 && field.length === 0) isNull = true;
            else field.push(escaped === 48 ? 0 : escaped);
        } else if (byte === 9) endField();
        else if (byte === 10) {
            endField();
            rows.push(row);
            row = [];
        } else field.push(byte);
    }
    return rows;
}

function written(rows: BulkValue[][]): (Buffer | null)[][] {
    const writer = new RowWriter();
    for (const row of rows) writer.row(row);
    expect(writer.rows).toBe(rows.length);
    return loaded(writer.done());
}

describe('RowWriter', () => {
    it('writes numbers, truth, text and nothing', () => {
        const numbers = [0, 7, 10, 99, 100, 12_345, 999_999_999, 1_000_000_000, 1.8e15, -1, -42, 0.5];
        const [row] = written([[...numbers, true, false, null, '', 'a\tb\nc\\d\0e', 'Ünïcödé 工具 \u{1f6e0}']]);
        expect(row!.map((field) => field?.toString('utf8') ?? null)).toEqual([
            ...numbers.map(String),
            '1',
            '0',
            null,
            '',
            'a\tb\nc\\d\0e',
            'Ünïcödé 工具 \u{1f6e0}',
        ]);
    });

    it('keeps any bytes, however often they must be escaped and wherever they lie', () => {
        let state = 5;
        const random = (): number => (state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0) >>> 8;
        const rows: Uint8Array[][] = [];
        for (let index = 0; index < 300; index++) {
            // Some of plain bytes, some of nothing but special ones, some of both, in a buffer of others.
            const kind = index % 3;
            const bytes = Buffer.from(
                Array.from({ length: random() % 700 }, () =>
                    kind === 0
                        ? random() & 255
                        : kind === 1
                          ? [0, 9, 10, 92][random() & 3]!
                          : random() % 40 === 0
                            ? 92
                            : 65,
                ),
            );
            rows.push([new Uint8Array(bytes), new Uint8Array([...bytes, 1, 2]).subarray(0, bytes.length)]);
        }
        rows.push([new Uint8Array(0), new Uint8Array(3_000_000)]);
        const read = written(rows);
        rows.forEach((row, index) => {
            row.forEach((bytes, field) => expect(read[index]![field]!.equals(bytes), `row ${index}`).toBe(true));
        });
    });
});
