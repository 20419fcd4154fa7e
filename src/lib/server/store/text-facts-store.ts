/** What is told of the texts of all pages at once: hashes, words and signatures, for packing a survey. */
import type { RowDataPacket } from 'mysql2/promise';
import type { TextFacts } from '../../core/columns/survey-facts.ts';
import type { Database } from './connect.ts';

/** Read as plain arrays: an object for each of 100,000 rows costs more than the query. */
export async function loadTextFacts(db: Database, surveyId: number): Promise<TextFacts> {
    const rows = async (sql: string): Promise<unknown[][]> => {
        const [found] = await db.$client.query<RowDataPacket[][]>({ sql, values: [surveyId], rowsAsArray: true });
        return found;
    };
    const hex = (value: unknown): string => (Buffer.isBuffer(value) ? value.toString('hex') : '');
    const facts: TextFacts = { body: new Map(), main: new Map() };
    for (const [page, hash] of await rows('SELECT page, body_hash FROM page_detail WHERE survey_id = ?')) {
        facts.body.set(Number(page), hex(hash));
    }
    for (const row of await rows('SELECT page, hash, words, signature FROM page_main WHERE survey_id = ?')) {
        const [page, hash, words, signature] = row;
        facts.main.set(Number(page), {
            hash: hex(hash),
            words: Number(words),
            signature:
                Buffer.isBuffer(signature) && signature.length > 0
                    ? new Uint32Array(new Uint8Array(signature).buffer)
                    : null,
        });
    }
    return facts;
}
