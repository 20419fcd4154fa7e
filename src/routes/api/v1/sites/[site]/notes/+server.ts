import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { addNote, dropNote, listNotes } from '$lib/server/store/note-store.ts';
import { NewNote } from '$lib/wire/notes.ts';

/** All notes of the site: about pages, sets and sections. */
export async function GET({ locals }) {
    const { site } = locals;
    return json(await listNotes(appStore().db, site.id));
}

/** Writes a note down: `{ about, subject, text }`. */
export async function POST({ request, locals }) {
    const { site } = locals;
    const asked = NewNote.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Say what the note is about, and what it says.');
    const { db } = appStore();
    await addNote(db, site.id, asked.data);
    return json(await listNotes(db, site.id));
}

/** Takes the note `?id=…` away. */
export async function DELETE({ url, locals }) {
    const { site } = locals;
    const id = Number(url.searchParams.get('id'));
    if (!Number.isInteger(id)) error(400, 'Say which note, by its number.');
    const { db } = appStore();
    await dropNote(db, site.id, id);
    return json(await listNotes(db, site.id));
}
