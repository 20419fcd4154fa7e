/** One sitemap put to the test by itself: the bytes of a file, or what an address answers. */
import { readAddress } from '../../core/address/address.ts';
import { isRedirectStatus } from '../../core/gates/gates.ts';
import { writeProblem } from '../../core/problems/problem.ts';
import { bareKnock, sitemapSteps, type SitemapKnock } from '../../core/sitemap/judge-sitemap.ts';
import { MAX_SITEMAP_BYTES, readSitemap } from '../../core/sitemap/read-sitemap.ts';
import { toldStep, type ToldStep } from '../../core/words/sitemap-steps.ts';
import type { PatientClient } from './patient-client.ts';
import { sitemapText } from './sitemap-text.ts';

const MAX_HOPS = 5;
/** What is said of a knock at a door, and not of one file. */
const NOT_OF_A_FILE: readonly string[] = ['found', 'host', 'robots'];

const knockAt = (url: string): SitemapKnock => bareKnock(url, { by: 'usual', others: false });

async function take(knock: SitemapKnock, answer: Parameters<typeof sitemapText>[0]): Promise<void> {
    const text = await sitemapText(answer);
    if (!text.ok) {
        knock.bodyTrouble = text.problem;
        return;
    }
    knock.bytes = text.bytes;
    knock.file = readSitemap(text.text, knock.hops.at(-1)?.url ?? knock.url);
    knock.file.troubles.unshift(...text.troubles);
}

/** @param url where it stands, or would */
export async function knockOfBytes(body: Uint8Array, url: string): Promise<SitemapKnock> {
    const knock = knockAt(url);
    knock.hops.push({ url, status: 200, failure: '' });
    await take(knock, { body, headers: new Map<string, string[]>(), bodyTrouble: null });
    return knock;
}

/** Follows redirects, five at most. */
export async function knockOfUrl(client: PatientClient, url: string): Promise<SitemapKnock> {
    const knock = knockAt(url);
    for (let at = url; knock.hops.length <= MAX_HOPS;) {
        const answer = await client.fetchFile(at, MAX_SITEMAP_BYTES);
        const failure = answer.ok ? '' : writeProblem(answer.problem);
        knock.hops.push({ url: at, status: answer.ok ? answer.status : null, failure });
        if (!answer.ok) return knock;
        if (!isRedirectStatus(answer.status)) {
            knock.contentType = answer.headers.get('content-type')?.[0] ?? '';
            if (answer.status === 200) await take(knock, answer);
            return knock;
        }
        const target = readAddress(answer.headers.get('location')?.[0] ?? '', at);
        if (!target.ok) return knock;
        at = target.address.url;
    }
    return knock;
}

/** What was tried and seen. @param isPlaced whether it is known where it stands */
export function stepsOfFile(knock: SitemapKnock, isPlaced: boolean): ToldStep[] {
    return sitemapSteps(knock)
        .map(toldStep)
        .filter(({ test }) => !NOT_OF_A_FILE.includes(test) && (isPlaced || (test !== 'place' && test !== 'answer')));
}
