/** Reads one URL: asks for it, has the document parsed, makes its row and the rows of its links. */
import { readAddress } from '../../core/address/address.ts';
import { isHtmlType, isRedirectStatus } from '../../core/gates/gates.ts';
import { readDirectives } from '../../core/page/directives.ts';
import type { PageFacts } from '../../core/page/read-page.ts';
import { unreadPage, type ListedLink, type PageRow } from '../../core/survey/survey-rows.ts';
import { sniffedType, type Answer, type NoAnswer } from './fetch-url.ts';
import { ParsePool, type ParseResult } from './parse-pool.ts';
import type { PatientClient } from './patient-client.ts';
import type { RowMaker } from './row-maker.ts';

/** What was found at a URL, as far as going on needs it. */
export interface ReadUrl {
    page: PageRow;
    links: ListedLink[];
}

export class PageReader {
    readonly #client: PatientClient;
    readonly #rows: RowMaker;
    readonly #pool = new ParsePool();

    constructor(client: PatientClient, rows: RowMaker) {
        this.#client = client;
        this.#rows = rows;
    }

    /** @param known an answer that was already had (a sitemap that is a URL of the record too) */
    async read(id: number, url: string, seq: number, known?: Answer | NoAnswer): Promise<ReadUrl> {
        const answer = known ?? (await this.#client.fetchPage(url));
        const page: PageRow = { ...unreadPage(id), seq, readAt: Date.now() };
        if (!answer.ok) {
            page.notRead = this.#client.isStopped ? 'stopped' : answer.code;
            page.failure = answer.say.slice(0, 500);
            return { page, links: [] };
        }
        page.status = answer.status;
        page.bytes = answer.bodyRead ? answer.body.length : null;
        page.milliseconds = answer.milliseconds;
        page.mediaType = sniffedType(answer.sentType, answer.body);
        const xRobotsTag = answer.headers.get('x-robots-tag') ?? [];
        page.xRobotsTag = xRobotsTag.join(' ').slice(0, 2_000);
        const location = answer.headers.get('location')?.[0];
        if (isRedirectStatus(answer.status) && location !== undefined) {
            const target = readAddress(headerText(location), url);
            if (target.ok) page.redirectTo = this.#rows.address(target.address.url);
        }
        let facts: PageFacts | null = null;
        if (answer.bodyRead && isHtmlType(page.mediaType)) {
            const read = await this.#parse(url, answer, xRobotsTag);
            if (read.ok) facts = read.facts;
            // Answered, but not understood: said, never taken for a page without links.
            else page.failure = read.say.slice(0, 500);
        }
        const directives = facts?.directives ?? readDirectives([], xRobotsTag);
        page.noindex = directives.noindex;
        page.noindexReason = directives.noindexReason.slice(0, 200);
        page.nofollow = directives.nofollow;
        return { page, links: facts ? this.#addFacts(page, facts) : [] };
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
            },
        });
    }

    #addFacts(page: PageRow, facts: PageFacts): ListedLink[] {
        page.title = facts.title;
        page.h1 = facts.h1;
        page.description = facts.description;
        page.language = facts.language;
        page.words = facts.words;
        page.credentialsRemoved = facts.credentialsRemoved;
        const metas = facts.metaRobots.map((meta) => meta.content);
        page.metaRobots = metas.join(' ').slice(0, 2_000);
        page.canonicals = facts.canonicals.slice(0, 50).map((target) => this.#rows.address(target));
        if (facts.instantRefresh !== '') page.instantRefresh = this.#rows.address(facts.instantRefresh);
        return this.#rows.addBlocks(page.address, facts.blocks);
    }
}

/** Header values arrive as Latin-1; a site that sends UTF-8 means UTF-8. */
function headerText(value: string): string {
    const text = Buffer.from(value, 'latin1').toString('utf8');
    return text.includes('\ufffd') ? value : text;
}
