import { describe, expect, it } from 'vitest';
import { checksum, decodeSections, encodeSections, NotPacked } from './sections.ts';
import { narrowed, type NumberColumn } from '../number-column.ts';
import { packTexts, TextNumbers, TextTable } from './text-table.ts';

const COLUMNS: [string, NumberColumn][] = [
    ['status', Uint16Array.of(200, 404, 0)],
    ['depth', Int32Array.of(0, -1, 70_000)],
    ['standing', Float64Array.of(0.1, NaN, 12.5)],
    ['flags', Uint8Array.of(1, 0, 1)],
    ['none', new Uint32Array(0)],
];

const packed = (): Uint8Array<ArrayBuffer> => encodeSections({ head: { start: 'x', n: 3 }, columns: new Map(COLUMNS) });

describe('a packed part', () => {
    it('reads back as it was written, in place', () => {
        const bytes = packed();
        const { head, columns } = decodeSections(bytes);
        expect(head).toEqual({ start: 'x', n: 3 });
        expect([...columns]).toEqual(COLUMNS);
        expect(columns.get('depth')!.buffer).toBe(bytes.buffer);
        expect(bytes.length % 8).toBe(0);
    });

    it('tells of every single damaged byte', () => {
        const bytes = packed();
        // Padding between columns says nothing and is not guarded.
        const guarded: number[] = [];
        const { columns } = decodeSections(bytes);
        for (const column of columns.values()) {
            for (let at = 0; at < column.byteLength; at++) guarded.push(column.byteOffset + at);
        }
        const directoryEnd = Math.min(...[...columns.values()].map((column) => column.byteOffset));
        for (let at = 0; at < directoryEnd; at++) guarded.push(at);
        for (const at of guarded) {
            const harmed = bytes.slice();
            harmed[at]! ^= 0x10;
            expect(() => decodeSections(harmed), `byte ${at}`).toThrow(NotPacked);
        }
    });

    it('refuses what is cut, empty or of another version', () => {
        const bytes = packed();
        expect(() => decodeSections(bytes.slice(0, bytes.length - 8))).toThrow('cut');
        expect(() => decodeSections(new Uint8Array(0))).toThrow(NotPacked);
        const newer = bytes.slice();
        new DataView(newer.buffer).setUint32(8, 99, true);
        expect(() => decodeSections(newer)).toThrow('version 99');
        const older = bytes.slice();
        new DataView(older.buffer).setUint32(8, 1, true);
        expect(() => decodeSections(older)).toThrow('version 1,');
    });

    it.each<[string, object]>([
        ['a name that is no text', { name: 7 }],
        ['a kind nobody knows', { kind: 'u64' }],
        ['a kind every object has', { kind: 'constructor' }],
        ['a length below nothing', { length: -1 }],
        ['a place that is no number', { at: '0' }],
        ['a place between two columns', { at: 4 }],
        ['no checksum', { sum: undefined }],
    ])('refuses a directory with %s, though its checksum is right', (_, wrong) => {
        // The directory alone, with its own checksum: what a program that writes nonsense would make.
        const right = { name: 'status', kind: 'u16', length: 0, at: 0, sum: checksum(new Uint8Array(0)) };
        const made = (entry: object): Uint8Array<ArrayBuffer> => {
            const told = new TextEncoder().encode(JSON.stringify({ head: {}, columns: [entry] }));
            const size = Math.ceil(told.length / 8) * 8;
            const head = packed().slice(0, 24);
            const bytes = new Uint8Array(24 + size).fill(32);
            bytes.set(head);
            bytes.set(told, 24);
            const view = new DataView(bytes.buffer);
            view.setUint32(12, size, true);
            view.setUint32(16, checksum(bytes.subarray(24)), true);
            view.setUint32(20, bytes.length, true);
            return bytes;
        };
        expect(decodeSections(made(right)).columns.has('status')).toBe(true);
        expect(() => decodeSections(made({ ...right, ...wrong }))).toThrow('damaged directory');
    });

    it('has a checksum that depends on every byte and on their order', () => {
        const bytes = Uint8Array.from({ length: 61 }, (_, index) => index * 7);
        const sums = new Set([checksum(bytes)]);
        for (let at = 0; at < bytes.length; at++) {
            const other = bytes.slice();
            other[at]! += 1;
            sums.add(checksum(other));
        }
        sums.add(checksum(bytes.slice().reverse()));
        expect(sums.size).toBe(63);
    });
});

describe('narrowed', () => {
    it('takes the narrowest kind that holds all numbers', () => {
        expect(narrowed([0, 255])).toEqual(Uint8Array.of(0, 255));
        expect(narrowed([256])).toBeInstanceOf(Uint16Array);
        expect(narrowed([65_536])).toEqual(Uint32Array.of(65_536));
        expect(narrowed([-1, 127])).toEqual(Int8Array.of(-1, 127));
        expect(narrowed([-1, 128])).toBeInstanceOf(Int16Array);
        expect(narrowed([-2, 40_000])).toEqual(Int32Array.of(-2, 40_000));
        expect(narrowed([])).toHaveLength(0);
    });
});

describe('text tables', () => {
    const TEXTS = ['', 'Mend a chair', 'Säge', '日本語', '', '🪚 saw'];

    it('give back every text, one by one and all at once', () => {
        for (const texts of [TEXTS, TEXTS.map((text) => text.replace(/[^ -~]/gu, '?')), []]) {
            const { bytes, ends } = packTexts(texts);
            const table = new TextTable(bytes, ends);
            expect(texts.map((_, index) => table.at(index))).toEqual(texts);
            expect(table.at(-1)).toBe('');
            expect(table.at(texts.length)).toBe('');
            expect(table.all()).toEqual(texts);
            expect(table.lower()).toEqual(texts.map((text) => text.toLowerCase()));
        }
    });

    it('grow for texts longer than any guess', () => {
        const texts = ['ü'.repeat(5_000), 'x'];
        const { bytes, ends } = packTexts(texts);
        expect(new TextTable(bytes, ends).all()).toEqual(texts);
    });

    it('number equal texts alike, the empty one 0', () => {
        const numbers = new TextNumbers();
        expect(['b', '', 'a', 'b'].map((text) => numbers.of(text))).toEqual([1, 0, 2, 1]);
        expect(numbers.texts).toEqual(['', 'b', 'a']);
    });
});
