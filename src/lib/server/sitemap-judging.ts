/** A sitemap that is not part of a survey, judged beside it: a file, a text, or what an address answers. */
import { entriesJudged, type EntriesJudged } from '../core/areas/entries-judged.ts';
import { readAddress } from '../core/address/address.ts';
import { belongingOf } from '../core/scope/belonging.ts';
import type { SitemapKnock } from '../core/sitemap/judge-sitemap.ts';
import { NO_SECRETS } from '../core/survey/settings.ts';
import { SITEMAP_KINDS, type ToldStep } from '../core/words/sitemap-steps.ts';
import { readSettings } from './access/settings.ts';
import { PatientClient } from './crawl/patient-client.ts';
import { pinsOf } from './crawl/pins.ts';
import { knockOfBytes, knockOfUrl, stepsOfFile } from './crawl/sitemap-knock.ts';
import type { RequestContext } from './request-context.ts';

export interface SitemapJudged {
    /** The address it is judged at; null where nobody said. */
    at: string | null;
    kind: string;
    bytes: number | null;
    steps: ToldStep[];
    /** What it lists, against the survey; null where it lists no pages. */
    against: EntriesJudged | null;
}

export type Judging = { ok: true; judged: SitemapJudged } | { ok: false; say: string };

type Context = Pick<RequestContext, 'site' | 'packed'>;

/** @param at where it stands or would, as written; empty where nobody says */
export async function judgeBytes(context: Context, body: Uint8Array, at: string): Promise<Judging> {
    const { site } = context;
    if (body.length === 0) return { ok: false, say: 'The file is empty.' };
    const address = at.trim() === '' ? null : readAddress(at.trim(), site.start);
    if (address?.ok === false) return { ok: false, say: `"${at}" is no address. It begins with https://` };
    const place = address?.ok ? address.address.url : null;
    const knock = await knockOfBytes(body, place ?? new URL('/sitemap.xml', site.start).href);
    return { ok: true, judged: await judged(context, knock, place) };
}

/** Asks for it once, by the settings of the site; none of its secrets go along where the address is of another. */
export async function judgeUrl(context: Context, written: string): Promise<Judging> {
    const { site } = context;
    const address = readAddress(written.trim(), site.start);
    if (!address.ok) return { ok: false, say: `"${written}" is no address. It begins with https://` };
    const { url } = address.address;
    const read = readSettings({ start: url, pins: site.settings.pins });
    if (!read.ok) return { ok: false, say: read.troubles[0]?.say ?? 'That address cannot be asked for.' };
    const settings = { ...read.settings, allowPrivate: site.settings.allowPrivate };
    const pins = pinsOf(settings.pins);
    const belonging = belongingOf(settings.start, pins, settings);
    const stop = new AbortController();
    const client = new PatientClient({ settings, secrets: NO_SECRETS, belonging, pins, stop: stop.signal });
    try {
        return { ok: true, judged: await judged(context, await knockOfUrl(client, url), url) };
    } finally {
        await client.close();
    }
}

async function judged({ packed }: Context, knock: SitemapKnock, at: string | null): Promise<SitemapJudged> {
    const { file } = knock;
    const isList = file !== null && file.kind !== 'sitemapindex' && file.entries.length > 0;
    return {
        at,
        kind: SITEMAP_KINDS[file?.kind ?? 'missing'],
        bytes: knock.bytes,
        steps: stepsOfFile(knock, at !== null),
        against: isList ? entriesJudged(await packed(), file.entries) : null,
    };
}
