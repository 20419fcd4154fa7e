/** The body of a request in memory, bounded. */

/** @returns null where it is longer than that; the rest is not read */
export async function bodyWithin(body: ReadableStream<Uint8Array> | null, most: number): Promise<Uint8Array | null> {
    if (body === null) return new Uint8Array(0);
    const pieces: Uint8Array[] = [];
    let length = 0;
    const reader = body.getReader();
    for (let next = await reader.read(); !next.done; next = await reader.read()) {
        length += next.value.length;
        if (length > most) {
            await reader.cancel();
            return null;
        }
        pieces.push(next.value);
    }
    const whole = new Uint8Array(length);
    let at = 0;
    for (const piece of pieces) {
        whole.set(piece, at);
        at += piece.length;
    }
    return whole;
}
