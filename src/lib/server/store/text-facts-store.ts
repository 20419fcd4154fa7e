/** What is told of the texts of all pages at once: hashes, words and signatures, for packing a survey. */
import type { RowDataPacket } from 'mysql2/promise';
import type { TextFacts, TextTraits } from '../../core/columns/survey-facts.ts';
import type { Signature } from '../../core/doubles/signature.ts';
import type { Database } from './connect.ts';

/** Read as plain arrays: an object for each of 100,000 rows costs more than the query. */
/** @param isHeldAgainstMadeUp texts are held against what hosts answer for what is not there */
export async function loadTextFacts(
    db: Database,
    surveyId: number,
    { isHeldAgainstMadeUp }: { isHeldAgainstMadeUp: boolean },
): Promise<TextFacts> {
    const rows = async (sql: string): Promise<unknown[][]> => {
        const [found] = await db.$client.query<RowDataPacket[][]>({ sql, values: [surveyId], rowsAsArray: true });
        return found;
    };
    const hex = (value: unknown): string => (Buffer.isBuffer(value) ? value.toString('hex') : '');
    const ids = new Map<number, Uint32Array>();
    const facts: TextFacts = { body: new Map(), main: new Map(), ids };
    for (const [page, hash, own] of await rows('SELECT page, body_hash, ids FROM page_detail WHERE survey_id = ?')) {
        facts.body.set(Number(page), hex(hash));
        if (Buffer.isBuffer(own)) ids.set(Number(page), new Uint32Array(new Uint8Array(own).buffer));
    }
    for (const row of await rows('SELECT page, hash, words, signature FROM page_main WHERE survey_id = ?')) {
        const [page, hash, words, signature] = row;
        facts.main.set(Number(page), {
            hash: hex(hash),
            words: Number(words),
            signature: signatureOf(signature),
        });
    }
    const whole = (facts.whole = new Map<number, TextTraits>());
    // What an outline begins with is the hash of the text (`packOutline`).
    const traits = `SELECT page, LEFT(outline, 8)${isHeldAgainstMadeUp ? ', signature' : ''} FROM page_detail`;
    for (const [page, hash, signature] of await rows(`${traits} WHERE survey_id = ? AND outline <> ''`)) {
        whole.set(Number(page), { hash: hex(hash), signature: signatureOf(signature) });
    }
    return facts;
}

const signatureOf = (stored: unknown): Signature | null =>
    Buffer.isBuffer(stored) && stored.length > 0 ? new Uint32Array(new Uint8Array(stored).buffer) : null;
