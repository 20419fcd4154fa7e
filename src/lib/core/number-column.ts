/** Columns of numbers: typed arrays, one entry per node, link or block. */
export type NumberColumn =
    Uint8Array | Int8Array | Uint16Array | Int16Array | Uint32Array | Int32Array | Float32Array | Float64Array;

/** Numbers in the narrowest kind of column that holds them all; whole numbers only. O(length). */
export function narrowed(values: ArrayLike<number>): NumberColumn {
    let least = 0;
    let most = 0;
    for (let at = 0; at < values.length; at++) {
        const value = values[at]!;
        if (value < least) least = value;
        if (value > most) most = value;
    }
    if (least < 0) {
        if (least >= -0x80 && most <= 0x7f) return new Int8Array(values);
        if (least >= -0x8000 && most <= 0x7fff) return new Int16Array(values);
        return new Int32Array(values);
    }
    if (most <= 0xff) return new Uint8Array(values);
    return most <= 0xffff ? new Uint16Array(values) : new Uint32Array(values);
}
