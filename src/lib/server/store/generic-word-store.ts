/** Words of links that say nothing on a site beside those of our lists, or something after all: of the site, not of a survey. */
import { and, asc, eq } from 'drizzle-orm';
import type { GenericSaid } from '../../core/text/generic-words.ts';
import type { GenericChange } from '../../wire/generic-words.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

/** Wordings a site may say something of. */
export const MOST_SAID = 500;

export class TooManySaid extends Error {}

export async function listGenericWords(db: Database, siteId: number): Promise<GenericSaid[]> {
    const { genericWords } = schema;
    const rows = await db
        .select()
        .from(genericWords)
        .where(eq(genericWords.siteId, siteId))
        .orderBy(asc(genericWords.id));
    return rows.map(({ language, text, isGeneric }) => ({ language, text, isGeneric }));
}

/** Says it in place of what was said before of that wording in that language. @throws TooManySaid */
export async function sayGenericWord(db: Database, siteId: number, said: GenericChange): Promise<void> {
    const { genericWords } = schema;
    const { language, text, isGeneric } = said;
    const ofSite = eq(genericWords.siteId, siteId);
    await db.transaction(async (tx) => {
        await tx
            .delete(genericWords)
            .where(and(ofSite, eq(genericWords.language, language), eq(genericWords.text, text)));
        if (isGeneric === null) return;
        if ((await tx.$count(genericWords, ofSite)) >= MOST_SAID) {
            throw new TooManySaid(`A site says something of at most ${MOST_SAID} wordings: take one back first.`);
        }
        await tx.insert(genericWords).values({ siteId, language, text, isGeneric, createdAt: Date.now() });
    });
}
