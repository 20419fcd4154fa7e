import { error } from '@sveltejs/kit';
import type { Bits } from '$lib/core/sets/bits.ts';
import { classesOf, MOST_CLASSES } from '$lib/core/sets/classes.ts';
import { ClassesAsked } from '$lib/wire/page-classes.ts';

const NOT_ASKED = `Send the sets as JSON, for example {"sets": ["orphan", "page"]}: ${MOST_CLASSES} lines at most.`;

/** Which of several sets each URL is in: one byte each, in the order of the packed survey (`docs/api.md`). */
export async function POST({ request, locals }) {
    const asked = ClassesAsked.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, NOT_ASKED);
    const found: Bits[] = [];
    for (const line of asked.data.sets) {
        const current = await locals.set([], line);
        if (current.trouble) error(400, { message: current.trouble.say, trouble: current.trouble });
        found.push(current.bits);
    }
    const { count } = await locals.packed(['core']);
    return new Response(classesOf(found, count), { headers: { 'content-type': 'application/octet-stream' } });
}
