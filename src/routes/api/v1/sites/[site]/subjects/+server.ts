import { error, json } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { listSubjects, saveSubjects } from '$lib/server/store/subject-store.ts';
import { SaidSubjects } from '$lib/wire/subjects.ts';

/** What pages are about, as the architect said it. */
export async function GET({ locals }) {
    return json(await listSubjects(appStore().db, locals.site.id));
}

/** Says it: `{ subjects: [{ by, subject, words }] }`, each in place of what was said of that page or set. */
export async function PUT({ request, locals }) {
    const asked = SaidSubjects.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Give subjects.');
    const { db } = appStore();
    await saveSubjects(db, locals.site.id, asked.data.subjects);
    return json(await listSubjects(db, locals.site.id));
}
