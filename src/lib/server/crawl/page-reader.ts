/** Reads one URL: asks for it, has the document parsed, makes its row and the rows of its links. */
import { createHash } from 'node:crypto';
import { readAddress } from '../../core/address/address.ts';
import { lastModified } from '../../core/page/page-date.ts';
import type { TextTraces } from '../../core/traps/families.ts';
import { isHtmlType, isRedirectStatus } from '../../core/gates/gates.ts';
import { writeProblem, writeProblems } from '../../core/problems/problem.ts';
import { readDirectives } from '../../core/page/directives.ts';
import type { PageFactsRecord } from '../../core/survey/page-details.ts';
import { unreadPage, type ListedLink, type PageRow } from '../../core/survey/survey-rows.ts';
import { packFacts } from '../packed-json.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { headerText } from './header-text.ts';
import { mediaTypeOf } from './media-type.ts';
import { ParsePool, type FactsToGoOn, type ParseResult } from './parse-pool.ts';
import type { TextTraits } from '../../core/columns/survey-facts.ts';
import { unpackOutline } from '../../core/page/main-text.ts';
import { tracesOf } from './text-traces.ts';
import type { PatientClient } from './patient-client.ts';
import type { RowMaker } from './row-maker.ts';

/** What was found at a URL. */
export interface ReadUrl {
    page: PageRow;
    links: ListedLink[];
    /** Of its text; null where it is no document. */
    traces: TextTraces | null;
}

export interface ReaderSettings {
    /** Product token the directives are read for. */
    token: string;
    keepSource: boolean;
}

const MOST_HEADERS = 100;
const LONGEST_VALUE = 500;
const NOTHING = new Uint8Array(0);
/** Headers that speak of the connection, not of the page (RFC 9110 7.6.1), and the type, which is kept by itself. */
const OF_THE_CONNECTION = new Set(['connection', 'keep-alive', 'transfer-encoding', 'date', 'content-type']);

export class PageReader {
    readonly #client: PatientClient;
    readonly #rows: RowMaker;
    readonly #settings: ReaderSettings;
    readonly #pool = new ParsePool();

    constructor(client: PatientClient, rows: RowMaker, settings: ReaderSettings) {
        this.#client = client;
        this.#rows = rows;
        this.#settings = settings;
    }

    /**
     * Reads a URL and adds all its rows at one go, with nothing waited for in between: they are of one batch, stored
     * together or not at all. Nothing is added of a URL that a stop kept from being read.
     * @param of what is known of its row already
     * @param known an answer that was already had (a sitemap that is a URL of the record too)
     */
    async read(
        id: number,
        url: string,
        of: Pick<PageRow, 'orderRead' | 'robotsAllowed' | 'robotsRule'>,
        known?: Answer | NoAnswer,
    ): Promise<ReadUrl> {
        const answer = known ?? (await this.#client.fetchPage(url));
        const page: PageRow = { ...unreadPage(id), ...of, readAt: Date.now() };
        if (!answer.ok) {
            page.notRead = this.#client.isStopped ? 'stopped' : answer.code;
            page.failure = writeProblem(answer.problem);
            if (page.notRead !== 'stopped') this.#rows.addPage(page);
            return { page, links: [], traces: null };
        }
        const media = mediaTypeOf(answer.sentType, answer.body);
        page.status = answer.status;
        page.bytes = sizeOf(answer);
        page.lastModified = lastModified(headerText(answer.headers.get('last-modified')?.[0] ?? ''));
        page.milliseconds = answer.milliseconds;
        page.contentType = media.type;
        page.typeNote = writeProblem(media.note);
        page.bodyTrouble = answer.bodyRead === 'all' ? writeProblem(answer.bodyTrouble) : '';
        const xRobotsTag = answer.headers.get('x-robots-tag') ?? [];
        page.xRobotsTag = xRobotsTag.join(' ').slice(0, 2_000);
        const location = answer.headers.get('location')?.[0];
        if (isRedirectStatus(answer.status) && location !== undefined) {
            const target = readAddress(headerText(location), url);
            if (target.ok) page.redirectTo = this.#rows.address(target.address.url);
        }
        let facts: FactsToGoOn | null = null;
        let traces: TextTraces | null = null;
        if (page.bodyTrouble !== '' && answer.body.length === 0) {
            // Nothing of it could be read: no page without links, but one that is not known.
            page.failure = page.bodyTrouble;
        } else if (answer.bodyRead === 'all' && isHtmlType(page.contentType)) {
            const read = await this.#parse(url, answer, xRobotsTag);
            if (read.ok) {
                facts = read.facts;
                traces = tracesOf(read.details);
                this.#rows.addDetail({ page: id, ...read.details });
            } else {
                // Answered, but not understood: said, never taken for a page without links.
                page.failure = writeProblem(read.problem);
            }
        }
        if (facts === null) this.#addAnswer(id, answer);
        const directives = facts?.directives ?? readDirectives([], xRobotsTag, this.#settings.token);
        page.noindex = directives.noindex;
        page.noindexReason = writeProblem(directives.noindexReason);
        page.nofollow = directives.nofollow;
        const links = facts ? this.#addFacts(page, facts) : [];
        this.#rows.addPage(page);
        return { page, links, traces };
    }

    /** By what the text of an answer is told that is no page of the survey; null where it has none, or cannot be read. */
    async traitsOf(url: string, answer: Answer): Promise<TextTraits | null> {
        const read = await this.#parse(url, answer, []);
        const outline = read.ok ? unpackOutline(read.details.outline) : null;
        if (!read.ok || outline === null) return null;
        return { hash: Buffer.from(outline.hash).toString('hex'), signature: tracesOf(read.details).signature };
    }

    async close(): Promise<void> {
        await this.#pool.close();
    }

    #parse(url: string, answer: Answer, xRobotsTag: string[]): Promise<ParseResult> {
        return this.#pool.read({
            url,
            bytes: answer.body,
            contentType: answer.headers.get('content-type')?.[0] ?? '',
            headers: {
                link: (answer.headers.get('link') ?? []).map(headerText),
                refresh: headerText(answer.headers.get('refresh')?.[0] ?? ''),
                xRobotsTag,
                token: this.#settings.token,
            },
            answer: headersToKeep(answer),
            // An error page is the same text again and again, and its links count for nothing.
            keepSource: this.#settings.keepSource,
        });
    }

    #addFacts(page: PageRow, facts: FactsToGoOn): ListedLink[] {
        page.title = facts.title;
        page.h1 = facts.h1;
        page.description = facts.description;
        page.language = facts.language;
        page.words = facts.words;
        page.markup = writeProblems(facts.markup);
        page.credentialsRemoved = facts.credentialsRemoved;
        page.changedAt = facts.changedAt;
        const metas = facts.metaRobots.map((meta) => meta.content);
        page.metaRobots = metas.join(' ').slice(0, 2_000);
        page.canonicals = facts.canonicals.slice(0, 50).map((target) => this.#rows.address(target));
        if (facts.instantRefresh !== '') {
            const target = this.#rows.address(facts.instantRefresh);
            if (target !== page.address) page.instantRefresh = target;
        }
        return this.#rows.addBlocks(page.address, facts.blocks);
    }

    /** What is kept of an answer that was no document. */
    #addAnswer(id: number, answer: Answer): void {
        const record: PageFactsRecord = {
            document: null,
            sentType: (answer.headers.get('content-type')?.[0] ?? '').slice(0, 500),
            charset: '',
            charsetFrom: '',
            ...headersToKeep(answer),
        };
        const whole = answer.bodyRead === 'all' && answer.bodyTrouble === null && answer.body.length > 0;
        this.#rows.addDetail({
            page: id,
            facts: packFacts(record),
            text: NOTHING,
            bodyHash: whole ? createHash('sha256').update(answer.body).digest().subarray(0, 8) : NOTHING,
            signature: NOTHING,
            sketch: null,
            ids: null,
            outline: NOTHING,
            source: NOTHING,
        });
    }
}

/** Bytes of the body: as read, or as its header says where it was not read whole. */
function sizeOf(answer: Answer): number | null {
    if (answer.bodyRead === 'all') return answer.body.length;
    const said = Number(answer.headers.get('content-length')?.[0] ?? NaN);
    return answer.bodyRead === 'head' && Number.isSafeInteger(said) && said >= 0 ? Math.min(said, 2 ** 31 - 1) : null;
}

function headersToKeep(answer: Answer): Pick<PageFactsRecord, 'headers' | 'cookieNames'> {
    const headers: [string, string][] = [];
    const cookieNames: string[] = [];
    for (const [name, values] of answer.headers) {
        for (const value of values) {
            if (name === 'set-cookie') cookieNames.push((value.split('=', 1)[0] ?? '').trim().slice(0, 200));
            else if (headers.length < MOST_HEADERS && !OF_THE_CONNECTION.has(name))
                headers.push([name, headerText(value).slice(0, LONGEST_VALUE)]);
        }
    }
    return { headers, cookieNames: cookieNames.slice(0, MOST_HEADERS) };
}
