import { fail, redirect } from '@sveltejs/kit';
import { appStore } from '$lib/server/app.ts';
import { readIntended } from '$lib/server/intended-form.ts';
import { saveIntended } from '$lib/server/store/intended-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showStructure } from '$lib/server/views/reach-parts.ts';

export const load = lookedAt(({ locals, url }) => showStructure(locals, url));

export const actions = {
    keep: async ({ request, locals }) => {
        const text = String((await request.formData()).get('outline') ?? '');
        const read = readIntended(text);
        if (!read.ok) return fail(400, { say: read.say, text });
        await saveIntended(appStore().db, locals.site.id, read.pages);
        redirect(303, '?kept');
    },
};
