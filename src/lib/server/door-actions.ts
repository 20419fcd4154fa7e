/** Knocking from the application: with a site's settings, or at an address typed in. */
import { doorSentence } from '../core/words/door.ts';
import { NO_SECRETS, type SurveySecrets, type SurveySettings } from '../core/survey/settings.ts';
import type { DoorState } from '../core/door/door-report.ts';
import { compareKnocks, type KnockChange } from '../core/compare/compare-knocks.ts';
import { openSecrets } from './access/secret-box.ts';
import { readSettings } from './access/settings.ts';
import { appKey, appStore } from './app.ts';
import { checkDoor, KNOCK_PATIENCE, OTHER_AGENT } from './crawl/door-check.ts';
import { knocksIn } from './knocks.ts';
import { addKnock, getKnock, knockBefore, listKnocks, type StoredKnock } from './store/door-store.ts';
import type { Site } from './store/site-store.ts';

export type KnockResult = { ok: true; id: number } | { ok: false; troubles: { field: string; say: string }[] };

async function knock(
    siteId: number | null,
    settings: SurveySettings,
    secrets: SurveySecrets,
    keepsOut: boolean,
): Promise<number> {
    const report = await checkDoor({
        settings,
        secrets,
        keepsOut,
        otherAgent: OTHER_AGENT,
        stop: AbortSignal.timeout(KNOCK_PATIENCE),
    });
    return addKnock(appStore().db, siteId, report);
}

/** @param at a neighbour host to be looked at with the same settings; empty for the site's own door */
export async function knockAtSite(site: Site, at: string, keepsOut: boolean): Promise<KnockResult> {
    const opened = site.secrets === null ? null : openSecrets(appKey(), site.secrets);
    const secrets = opened?.ok ? opened.secrets : NO_SECRETS;
    if (at === '') return { ok: true, id: await knock(site.id, site.settings, secrets, keepsOut) };
    const read = readSettings({ start: at, pins: site.settings.pins });
    if (!read.ok) return { ok: false, troubles: read.troubles };
    // A neighbour is not the site: none of its secrets go there.
    const settings = { ...read.settings, allowPrivate: site.settings.allowPrivate };
    return { ok: true, id: await knock(site.id, settings, NO_SECRETS, keepsOut) };
}

export async function knockAnywhere(form: { url: string; pins: string; keepsOut: boolean }): Promise<KnockResult> {
    const pins = form.pins.split(/\r?\n/).filter((line) => line.trim() !== '');
    const read = readSettings({ start: form.url, pins });
    if (!read.ok) return { ok: false, troubles: read.troubles };
    return { ok: true, id: await knock(null, read.settings, NO_SECRETS, form.keepsOut) };
}

export interface ShownKnock {
    knock: StoredKnock | null;
    /** The knock before it at the same URL, with what changed since. */
    before: { at: number; say: string; changes: KnockChange[] } | null;
    list: { id: number; url: string; at: number; state: string }[];
}

/** The knock that is asked for, else the newest, with the one before it. */
export async function shownKnock(siteId: number | null, asked: string | null): Promise<ShownKnock> {
    const { db } = appStore();
    const knocks = await listKnocks(db, siteId);
    const id = Number(asked ?? NaN);
    const shown = Number.isInteger(id) ? await getKnock(db, siteId, id) : (knocks[0] ?? null);
    const earlier = shown && (await knockBefore(db, shown));
    return {
        knock: shown,
        before: earlier && {
            at: earlier.at,
            say: doorSentence(earlier.report),
            changes: shown ? compareKnocks(earlier.report, shown.report) : [],
        },
        list: knocks.map(({ id: number, url, at, report }) => ({ id: number, url, at, state: report.verdict.state })),
    };
}

export interface KnockInShort {
    id: number;
    at: number;
    say: string;
    state: DoorState;
}

/** What the newest knock at a site's door said, until a moment; null where nobody had knocked. */
export async function lastKnock(siteId: number, until = Infinity): Promise<KnockInShort | null> {
    const knocks = await knocksIn(appStore().db, siteId);
    const last = knocks.find((item) => item.at <= until);
    return last ? { id: last.id, at: last.at, say: doorSentence(last.report), state: last.report.verdict.state } : null;
}
