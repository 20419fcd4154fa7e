import { appStore } from '$lib/server/app.ts';
import { csvAnswer } from '$lib/server/export/downloads.ts';
import { CHANGE_COLUMNS, changeRecords } from '$lib/server/export/laid-changes.ts';
import { listChanges } from '$lib/server/store/laid-change-store.ts';

/** The changes that are laid aside, for whoever edits the pages (`docs/formats.md`). */
export async function GET({ locals }) {
    const changes = await listChanges(appStore().db, locals.site.id);
    return csvAnswer(`${locals.site.name}-changes.csv`, CHANGE_COLUMNS, [changeRecords(changes)]);
}
