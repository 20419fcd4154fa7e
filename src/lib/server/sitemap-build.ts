/** A sitemap of a set of a survey's pages: what it would hold, and its files. */
import { gzipSync } from 'node:zlib';
import { zipSync } from 'fflate';
import { readAddress } from '../core/address/address.ts';
import { againstListed, entriesToList } from '../core/areas/sitemap-plan.ts';
import { alternatesOf } from '../core/checks/languages.ts';
import { buildSitemap, type BuiltFile, type BuiltSitemap } from '../core/sitemap/build-sitemap.ts';
import { gateOf } from '../core/columns/gate-facts.ts';
import type { Gate } from '../core/gates/gates.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import type { Bits } from '../core/sets/bits.ts';
import { refusedWords } from '../core/words/sitemap-build.ts';
import { SitemapAsked, type SitemapBuilt } from '../wire/sitemap-build.ts';
import type { RequestContext } from './request-context.ts';

/** What cannot be built, as a sentence. */
export class NotBuilt extends Error {}

interface Built {
    asked: SitemapAsked;
    /** The set with what was chosen. */
    set: string;
    at: string;
    gates: SitemapBuilt['gates'];
    statuses: SitemapBuilt['statuses'];
    sitemap: BuiltSitemap;
    difference: { added: number; gone: number };
}

/** @throws NotBuilt */
async function build(request: Pick<RequestContext, 'site' | 'set'>, params: URLSearchParams): Promise<Built> {
    const read = SitemapAsked.safeParse(Object.fromEntries(params));
    if (!read.success) throw new NotBuilt(`That is no plan for a sitemap: ${read.error.issues[0]?.message ?? ''}`);
    const asked = read.data;
    const folder = readAddress((asked.at ?? '/').trim() || '/', request.site.start);
    if (!folder.ok || !folder.address.url.endsWith('/')) {
        throw new NotBuilt('Say the address of the folder the files will stand in, with a slash at its end.');
    }
    const hasLanguages = asked.languages === 'pages';
    const current = await request.set(hasLanguages ? ['links'] : [], asked.set);
    if (current.trouble) throw new NotBuilt(current.trouble.say);
    const set = narrowed(asked);
    const { survey, bits } = set === asked.set ? current : await request.set(hasLanguages ? ['links'] : [], set);
    const at = folder.address.url;
    const languages = hasLanguages ? alternatesOf(survey) : undefined;
    const sitemap = buildSitemap(entriesToList(survey, bits, asked.dates, languages), {
        at,
        split: asked.split,
        gzip: asked.gzip === 'yes',
    });
    return { asked, set, at, sitemap, difference: againstListed(survey, bits), ...stopsOf(survey, current.bits) };
}

/** The set with what was chosen of gates and statuses, in the set language. */
function narrowed({ set, gates, statuses }: SitemapAsked): string {
    const parts = [
        set.trim() === '' ? '' : `(${set})`,
        gates.length === 0 ? '' : `gate is one of ${gates.join(', ')}`,
        statuses.length === 0 ? '' : `(${statuses.map((status) => `status = ${status}`).join(' or ')})`,
    ].filter((part) => part !== '');
    return gates.length + statuses.length === 0 ? set : parts.join(' and ');
}

/** What the pages of a set stop at, and what they answered: the commonest first. */
function stopsOf(survey: PackedSurvey, bits: Bits): Pick<SitemapBuilt, 'gates' | 'statuses'> {
    const [gate, status] = [survey.numbers('gate'), survey.numbers('status')];
    const gates = new Map<Gate | 'indexable', number>();
    const statuses = new Map<number, number>();
    for (const node of bits.nodes()) {
        const own = gateOf(gate[node]!);
        if (own !== null) gates.set(own, (gates.get(own) ?? 0) + 1);
        statuses.set(status[node]!, (statuses.get(status[node]!) ?? 0) + 1);
    }
    return {
        gates: [...gates].map(([of, urls]) => ({ gate: of, urls })).sort((a, b) => b.urls - a.urls),
        statuses: [...statuses].map(([of, urls]) => ({ status: of, urls })).sort((a, b) => b.urls - a.urls),
    };
}

const bytesOf = ({ name, text }: BuiltFile): Uint8Array =>
    name.endsWith('.gz') ? gzipSync(text) : new TextEncoder().encode(text);

/** What would be built. @throws NotBuilt */
export async function planSitemap(
    request: Pick<RequestContext, 'site' | 'set'>,
    params: URLSearchParams,
): Promise<SitemapBuilt> {
    const { set, at, sitemap, difference, gates, statuses } = await build(request, params);
    const reasons = [...new Set(sitemap.refused.map(({ why }) => why))];
    return {
        set,
        gates,
        statuses,
        at,
        entries: sitemap.entries,
        files: sitemap.files.map((file) => ({
            name: file.name,
            entries: file.entries,
            bytes: bytesOf(file).byteLength,
        })),
        ...difference,
        refused: reasons.map((why) => {
            const own = sitemap.refused.filter((item) => item.why === why);
            return { why: refusedWords(why, at), urls: own.length, first: own[0]!.url };
        }),
    };
}

/** The files: one by itself, several as an archive. @throws NotBuilt */
export async function sitemapFiles(
    request: Pick<RequestContext, 'site' | 'set'>,
    params: URLSearchParams,
): Promise<{ name: string; type: string; bytes: Uint8Array }> {
    const { sitemap } = await build(request, params);
    const [first, ...more] = sitemap.files;
    if (!first) throw new NotBuilt('No page of the set can be listed there.');
    if (more.length === 0) {
        const type = first.name.endsWith('.gz') ? 'application/gzip' : 'application/xml; charset=utf-8';
        return { name: first.name, type, bytes: bytesOf(first) };
    }
    const files = Object.fromEntries(sitemap.files.map((file) => [file.name, bytesOf(file)]));
    return { name: 'sitemaps.zip', type: 'application/zip', bytes: zipSync(files, { level: 6 }) };
}
