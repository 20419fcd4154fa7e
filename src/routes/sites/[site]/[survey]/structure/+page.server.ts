import { fail, redirect } from '@sveltejs/kit';
import { againstIntended, printOutline, type Parting } from '$lib/core/compare/intended.ts';
import { appStore } from '$lib/server/app.ts';
import { readIntended } from '$lib/server/intended-form.ts';
import { listIntended, saveIntended } from '$lib/server/store/intended-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

const MOST_SHOWN = 500;

const PARTED = ['intended but not reached', 'intended but not linked', 'intended but deeper'];
/** Sets of the pages that stand to the structure in each way; what has no page, or several, is none. */
const SETS: Partial<Record<Parting, string>> = {
    'as intended': `intended and not (${PARTED.join(' or ')})`,
    'not reached': PARTED[0]!,
    'not linked from its parent': PARTED[1]!,
    deeper: PARTED[2]!,
};

export const load = lookedAt(async ({ url, locals }) => {
    const pages = await listIntended(appStore().db, locals.site.id);
    const packed = await locals.packed();
    const against = againstIntended(packed, pages);
    const counts = new Map<Parting, number>();
    for (const { parting } of against) counts.set(parting, (counts.get(parting) ?? 0) + 1);
    const only = url.searchParams.get('only');
    const shown = only === null ? against : against.filter(({ parting }) => parting === only);
    return {
        total: pages.length,
        counts: [...counts].map(([parting, count]) => ({ parting, count })),
        only,
        /** The pages of the rows that are shown, as a set; null where the rows name none. */
        set: only === null ? 'intended' : (SETS[only as Parting] ?? null),
        setSize: new Set(shown.flatMap(({ node }) => (node === null ? [] : [node]))).size,
        shown: shown.slice(0, MOST_SHOWN).map(({ node: _, ...row }) => row),
        more: Math.max(0, shown.length - MOST_SHOWN),
        outline: printOutline(pages),
    };
});

export const actions = {
    keep: async ({ request, locals }) => {
        const text = String((await request.formData()).get('outline') ?? '');
        const read = readIntended(text);
        if (!read.ok) return fail(400, { say: read.say, text });
        await saveIntended(appStore().db, locals.site.id, read.pages);
        redirect(303, '?kept');
    },
};
