/** The hash by which main texts are told to be the same. */
import { hash } from 'node:crypto';

/** First 8 bytes of the SHA-256 of a text; none for an empty one. */
export function textHash(text: string): Uint8Array {
    return text === '' ? new Uint8Array(0) : hash('sha256', text, 'buffer').subarray(0, 8);
}
