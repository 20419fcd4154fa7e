/** One page of a door check: asked for hop by hop, parsed in its own thread, told as what it says and where. */
import { readAddress } from '../../core/address/address.ts';
import type { CanonicalPlace, DoorHop, DoorPage, DoorPlace, SourceMark } from '../../core/door/door-report.ts';
import { acceptedCanonical, isHtmlType, isRedirectStatus } from '../../core/gates/gates.ts';
import { problem, writeProblem, type Problem } from '../../core/problems/problem.ts';
import type { FoundLink } from '../../core/page/links.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { mediaTypeOf } from './media-type.ts';
import type { FactsToGoOn, ParsePool } from './parse-pool.ts';
import { unpackJson } from '../packed-json.ts';
import { z } from 'zod';

export interface DoorPageAccess {
    /** Product token directives are read for. */
    token: string;
    pool: ParsePool;
    fetch: (url: string) => Promise<Answer | NoAnswer>;
    /** The rule that closes a URL; null when it is open. */
    closedBy: (url: string) => Promise<Problem | null>;
    belongs: (url: string) => boolean;
    /** The first URL is left alone too where it is closed; what it leads to always is. */
    keepsOut: boolean;
    mostHops: number;
}

export interface PageAsRead {
    page: DoorPage;
    /** Distinct link targets of the page (`a`), in order. */
    links: string[];
    canonicals: string[];
}

/** Only what stands in the body where it counts for nothing is needed of the packed facts. */
const InBody = z.object({ document: z.object({ robotsInBody: z.array(z.string()) }).nullable() });

export async function readDoorPage(url: string, access: DoorPageAccess): Promise<PageAsRead> {
    const hops: DoorHop[] = [];
    const page: DoorPage = {
        url,
        hops,
        status: null,
        failure: '',
        contentType: '',
        title: '',
        language: '',
        words: null,
        links: null,
        scripts: 0,
        noindex: null,
        noindexInBody: null,
        canonical: null,
        refresh: null,
        closedBy: writeProblem(await access.closedBy(url)),
        isLeft: false,
    };
    const result: PageAsRead = { page, links: [], canonicals: [] };
    if (page.closedBy !== '' && access.keepsOut) {
        page.isLeft = true;
        return result;
    }
    const seen = new Set<string>();
    for (let at = url; ;) {
        seen.add(at);
        const answer = await access.fetch(at);
        const hop: DoorHop = { url: at, status: answer.ok ? answer.status : null, to: '', by: '', failure: '' };
        hops.push(hop);
        if (!answer.ok) {
            hop.failure = writeProblem(answer.problem);
            page.failure = hop.failure;
            return result;
        }
        page.status = answer.status;
        const location = isRedirectStatus(answer.status) ? answer.headers.get('location')?.[0] : undefined;
        let to = '';
        if (location !== undefined) {
            const target = readAddress(location, at);
            if (target.ok) to = target.address.url;
            else page.failure = writeProblem(problem('redirect-unusable', { written: location }));
            hop.by = to === '' ? '' : 'location';
        } else {
            const facts = await readBody(at, answer, page, access, result);
            if (facts && facts.instantRefresh !== '') {
                to = facts.instantRefresh;
                hop.by = 'refresh';
            }
        }
        if (to === '') return result;
        hop.to = to;
        // Where it leads elsewhere the way ends: what is shown is that it does.
        if (!access.belongs(to)) return result;
        if (seen.has(to) || hops.length > access.mostHops) {
            page.failure = seen.has(to)
                ? writeProblem(problem('redirect-circle', { to }))
                : writeProblem(problem('redirects-on', { most: access.mostHops }));
            page.status = null;
            hop.to = '';
            hop.by = '';
            return result;
        }
        const closed = await access.closedBy(to);
        if (closed !== null && access.keepsOut) {
            page.failure = writeProblem(problem('leads-to-closed', { to, why: closed }));
            page.status = null;
            hop.to = '';
            return result;
        }
        Object.assign(page, { failure: '', noindex: null, canonical: null, refresh: null, noindexInBody: null });
        result.links = [];
        at = to;
    }
}

async function readBody(
    at: string,
    answer: Answer,
    page: DoorPage,
    access: DoorPageAccess,
    result: PageAsRead,
): Promise<FactsToGoOn | null> {
    page.contentType = mediaTypeOf(answer.sentType, answer.body).type;
    const xRobotsTag = answer.headers.get('x-robots-tag') ?? [];
    if (answer.bodyRead !== 'all' || !isHtmlType(page.contentType)) return null;
    if (answer.bodyTrouble !== null && answer.body.length === 0) {
        page.failure = writeProblem(answer.bodyTrouble);
        return null;
    }
    const read = await access.pool.read({
        url: at,
        bytes: answer.body,
        contentType: answer.headers.get('content-type')?.[0] ?? '',
        headers: {
            link: answer.headers.get('link') ?? [],
            refresh: answer.headers.get('refresh')?.[0] ?? '',
            xRobotsTag,
            token: access.token,
        },
        answer: { headers: [], cookieNames: [] },
        keepSource: false,
    });
    if (!read.ok) {
        page.failure = writeProblem(read.problem);
        return null;
    }
    const { facts } = read;
    const all = facts.blocks.flatMap(({ block }) => block.links);
    const clicks = all.filter((link) => link.kind === 'a' && link.isAddress);
    result.links = [...new Set(clicks.map((link) => link.target))];
    result.canonicals = facts.canonicals;
    page.title = facts.title.slice(0, 300);
    page.language = facts.language.slice(0, 50);
    page.words = facts.words;
    page.links = clicks.filter((link) => access.belongs(link.target)).length;
    page.scripts = all.filter((link) => link.kind === 'script').length;
    page.noindex = noindexOf(facts, xRobotsTag);
    page.canonical = canonicalOf(facts, all, at);
    page.refresh = refreshOf(all, facts);
    const details = InBody.parse(unpackJson(read.details.facts));
    const [inBody] = details.document?.robotsInBody ?? [];
    if (inBody !== undefined && /noindex|none/i.test(inBody)) {
        page.noindexInBody = {
            say: writeProblem(problem('noindex-ignored', { written: inBody.slice(0, 100) })),
            where: [{ in: 'page', url: at }],
        };
    }
    return facts;
}

/** What asks for noindex, and the header or the meta with its line it stands in. */
function noindexOf(facts: FactsToGoOn, xRobotsTag: string[]): DoorPlace | null {
    if (!facts.directives.noindex) return null;
    const asks = (content: string): boolean => /(?:^|[\s,:])(?:noindex|none)(?:$|[\s,])/i.test(content);
    const where: SourceMark[] = [];
    for (const meta of facts.metaRobots) {
        if (asks(meta.content)) {
            const content = meta.content.slice(0, 200);
            where.push({ in: 'meta', name: meta.name, content, line: meta.line ?? 0 });
        }
    }
    for (const value of xRobotsTag) {
        if (asks(value)) where.push({ in: 'header', name: 'X-Robots-Tag', value: value.slice(0, 200) });
    }
    return {
        say: writeProblem(facts.directives.noindexReason ?? problem('told', { say: 'noindex' })),
        where,
    };
}

function canonicalOf(facts: FactsToGoOn, links: FoundLink[], at: string): CanonicalPlace | null {
    const accepted = acceptedCanonical(facts.canonicals);
    if (accepted === null || accepted === at) return null;
    const link = links.find((item) => item.kind === 'canonical' && item.target === accepted);
    return {
        say: accepted,
        where: [
            link && link.line > 0 ? { in: 'canonical', line: link.line } : { in: 'header', name: 'Link', value: '' },
        ],
    };
}

function refreshOf(links: FoundLink[], facts: FactsToGoOn): DoorPlace | null {
    const link = links.find((item) => item.kind === 'meta-refresh');
    if (!link || facts.instantRefresh !== '') return null;
    return {
        say: writeProblem(problem('refresh-later', { to: link.target })),
        where: [link.line > 0 ? { in: 'refresh', line: link.line } : { in: 'header', name: 'Refresh', value: '' }],
    };
}
