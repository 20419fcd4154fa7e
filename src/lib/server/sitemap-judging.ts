/** A sitemap that is not part of a survey, judged beside it: a file, a text, or what an address answers. */
import { entriesJudged, type EntriesJudged } from '../core/areas/entries-judged.ts';
import { readAddress } from '../core/address/address.ts';
import type { SitemapKnock } from '../core/sitemap/judge-sitemap.ts';
import { SITEMAP_KINDS, type ToldStep } from '../core/words/sitemap-steps.ts';
import { withSiteClient } from './site-client.ts';
import { knockOfBytes, knockOfUrl, stepsOfFile } from './crawl/sitemap-knock.ts';
import { MAX_SITEMAP_BYTES } from '../core/sitemap/read-sitemap.ts';
import { SitemapAsked } from '../wire/sitemap-judging.ts';
import { bodyWithin } from './body-within.ts';
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

/** A sitemap that somebody asks about: a file as the body, or JSON `{ url }` or `{ text, at? }`. */
export async function judgeAsked(
    context: Context,
    request: Request,
    at: string,
): Promise<{ judged: SitemapJudged } | { status: 400 | 413 | 422; say: string }> {
    if (request.headers.get('content-type') === 'application/octet-stream') {
        const body = await bodyWithin(request.body, MAX_SITEMAP_BYTES);
        if (body === null) return { status: 413, say: 'The file is larger than a sitemap may be (50 MiB).' };
        return told(await judgeBytes(context, body, at));
    }
    const asked = SitemapAsked.safeParse(await request.json().catch(() => null));
    if (!asked.success) return { status: 400, say: 'Give the text of a sitemap, or its address.' };
    const { data } = asked;
    return told(
        await ('url' in data
            ? judgeUrl(context, data.url)
            : judgeBytes(context, new TextEncoder().encode(data.text), data.at)),
    );
}

const told = (judging: Judging) =>
    judging.ok ? { judged: judging.judged } : { status: 422 as const, say: judging.say };

type Judging = { ok: true; judged: SitemapJudged } | { ok: false; say: string };

/** `packed` null where it is judged by itself, beside no survey. */
type Context = Pick<RequestContext, 'site'> & { packed: RequestContext['packed'] | null };

/** @param at where it stands or would, as written; empty where nobody says */
async function judgeBytes(context: Context, body: Uint8Array, at: string): Promise<Judging> {
    const { site } = context;
    if (body.length === 0) return { ok: false, say: 'The file is empty.' };
    const address = at.trim() === '' ? null : readAddress(at.trim(), site.start);
    if (address?.ok === false) return { ok: false, say: `"${at}" is no address. It begins with https://` };
    const place = address?.ok ? address.address.url : null;
    const knock = await knockOfBytes(body, place ?? new URL('/sitemap.xml', site.start).href);
    return { ok: true, judged: await judged(context, knock, place) };
}

/** Asks for it once, by the settings of the site; none of its secrets go along where the address is of another. */
async function judgeUrl(context: Context, written: string): Promise<Judging> {
    const { site } = context;
    const address = readAddress(written.trim(), site.start);
    if (!address.ok) return { ok: false, say: `"${written}" is no address. It begins with https://` };
    const { url } = address.address;
    const asked = await withSiteClient(site, url, (client) => knockOfUrl(client, url));
    return 'say' in asked
        ? { ok: false, say: asked.say }
        : { ok: true, judged: await judged(context, asked.told, url) };
}

async function judged({ packed }: Context, knock: SitemapKnock, at: string | null): Promise<SitemapJudged> {
    const { file } = knock;
    const isList = file !== null && file.kind !== 'sitemapindex' && file.entries.length > 0;
    return {
        at,
        kind: SITEMAP_KINDS[file?.kind ?? 'missing'],
        bytes: knock.bytes,
        steps: stepsOfFile(knock, at !== null),
        against: isList && packed !== null ? entriesJudged(await packed(), file.entries) : null,
    };
}
