import { error, json } from '@sveltejs/kit';
import { CHECKS } from '$lib/core/checks/register.ts';
import { changed } from '$lib/core/checks/settings.ts';
import { appStore } from '$lib/server/app.ts';
import { checkSettingsOf, saveCheckSettings } from '$lib/server/store/check-store.ts';
import { CheckChange } from '$lib/wire/checks.ts';

/** Checks that are off on the site, and thresholds of its own. */
export async function GET({ locals }) {
    return json(await checkSettingsOf(appStore().db, locals.site.id));
}

/** Switches a check off or on, or sets its threshold: `{ check, isOff?, threshold? }`; a threshold of null is the register's. */
export async function PUT({ request, locals }) {
    const asked = CheckChange.safeParse(await request.json().catch(() => null));
    if (!asked.success) error(400, asked.error.issues[0]?.message ?? 'Say which check, and what becomes of it.');
    const check = CHECKS.find(({ id }) => id === asked.data.check);
    if (!check) error(400, `There is no check "${asked.data.check}".`);
    const { db } = appStore();
    const next = changed(await checkSettingsOf(db, locals.site.id), check, asked.data);
    if (typeof next === 'string') error(400, next);
    await saveCheckSettings(db, locals.site.id, next);
    return json(next);
}
