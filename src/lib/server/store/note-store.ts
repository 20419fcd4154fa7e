/** Notes of a site: about pages, sets and sections. */
import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { NOTE_ABOUT } from '../../wire/notes.ts';
import type { Database } from './connect.ts';
import * as schema from './schema.ts';

export interface Note {
    id: number;
    about: (typeof NOTE_ABOUT)[number];
    subject: string;
    text: string;
    createdAt: number;
}

/** Notes of a site, oldest first; those about one thing only where it is named. */
export async function listNotes(
    db: Database,
    siteId: number,
    of?: { about: Note['about']; subject: string },
): Promise<Note[]> {
    const { notes } = schema;
    const rows = await db
        .select()
        .from(notes)
        .where(
            of
                ? and(eq(notes.siteId, siteId), eq(notes.about, of.about), eq(notes.subject, of.subject))
                : eq(notes.siteId, siteId),
        )
        .orderBy(asc(notes.id));
    return rows.map(({ id, about, subject, text, createdAt }) => ({
        id,
        about: z.enum(NOTE_ABOUT).parse(about),
        subject,
        text,
        createdAt,
    }));
}

export async function addNote(db: Database, siteId: number, note: Omit<Note, 'id' | 'createdAt'>): Promise<void> {
    await db.insert(schema.notes).values({ siteId, ...note, createdAt: Date.now() });
}

/** Takes a note away; one of another site stays. */
export async function dropNote(db: Database, siteId: number, id: number): Promise<void> {
    await db.delete(schema.notes).where(and(eq(schema.notes.siteId, siteId), eq(schema.notes.id, id)));
}
