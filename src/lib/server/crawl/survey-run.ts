/**
 * One survey, from robots.txt to the last page. It reads, decides and makes rows; it never touches the database: rows
 * leave in batches through `onBatch`. A survey that broke off is run again with the rows stored so far: what was read
 * is taken from them, in the same order, and not asked for again.
 */
import { readAddress } from '../../core/address/address.ts';
import { belongingOf, type Belonging } from '../../core/address/belonging.ts';
import { isHtmlType } from '../../core/gates/gates.ts';
import { MAX_SITEMAP_BYTES } from '../../core/sitemap/read-sitemap.ts';
import type { SurveyProgress, SurveySettings } from '../../core/survey/settings.ts';
import {
    unreadPage,
    type BlockRow,
    type CutReason,
    type ListedLink,
    type PageRow,
    type SurveyBatch,
    type SurveyRows,
} from '../../core/survey/survey-rows.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { Frontier, type Leads } from './frontier.ts';
import { PageReader, type ReadUrl } from './page-reader.ts';
import { PatientClient } from './patient-client.ts';
import { pinsOf } from './pins.ts';
import { RobotsFiles } from './robots-files.ts';
import { RowMaker } from './row-maker.ts';
import { readSitemaps, USUAL_PLACES, type SitemapSource } from './sitemap-files.ts';

export interface SurveyRunInput {
    settings: SurveySettings;
    /** Rows stored by an earlier run of this survey; empty for a new one. */
    stored: SurveyRows;
    /** Stores a batch; resolves when it lasts. */
    onBatch: (batch: SurveyBatch) => Promise<void>;
    onProgress: (progress: SurveyProgress) => void;
    /** Aborted to stop early and keep what was read. */
    stop: AbortSignal;
}

export interface SurveyOutcome {
    /** `no-start`: the start page could not be surveyed; `trouble` says why. */
    result: 'finished' | 'stopped' | 'no-start';
    trouble: string;
    cut: CutReason[];
}

const PROGRESS_EVERY = 300;
const BATCH_EVERY = 250;
/** Rows that may wait for the store before reading waits too. */
const MAX_WAITING_ROWS = 5_000;

export async function runSurvey(input: SurveyRunInput): Promise<SurveyOutcome> {
    const run = new SurveyRun(input);
    try {
        return await run.run();
    } finally {
        await run.close();
    }
}

class SurveyRun {
    readonly #input: SurveyRunInput;
    readonly #settings: SurveySettings;
    readonly #belonging: Belonging;
    readonly #rows: RowMaker;
    readonly #frontier: Frontier;
    readonly #client: PatientClient;
    readonly #reader: PageReader;
    readonly #robots: RobotsFiles;
    readonly #storedPages = new Map<number, PageRow>();
    readonly #storedLinks: (page: number) => ListedLink[];
    readonly #knownFiles: Set<string>;
    readonly #settledIds = new Set<number>();
    /** Answers to sitemap URLs that are pages of the record too. */
    readonly #sitemapAnswers = new Map<number, Answer | NoAnswer>();
    readonly #finishTimes: number[] = [];
    #seq = 0;
    #asked = 0;
    #doing = 'starting';
    #closedByRobots = 0;
    #failures = 0;
    #read = 0;
    #lastProgress = 0;
    #lastBatch = 0;
    #storing: Promise<void> | null = null;
    #storeError: unknown = null;

    constructor(input: SurveyRunInput) {
        this.#input = input;
        this.#settings = input.settings;
        const pins = pinsOf(input.settings.pins);
        this.#belonging = belongingOf(input.settings.start, pins);
        this.#rows = new RowMaker(this.#belonging, input.stored);
        this.#frontier = new Frontier(input.settings.maxDepth ?? Infinity);
        this.#client = new PatientClient(input.settings, pins, input.stop);
        this.#reader = new PageReader(this.#client, this.#rows);
        this.#knownFiles = new Set(input.stored.files.map((file) => file.url));
        this.#robots = new RobotsFiles(
            (url) => this.#client.fetchFile(url),
            (row) => this.#addFile(row),
        );
        for (const page of input.stored.pages) this.#storedPages.set(page.address, page);
        this.#storedLinks = linksOfStoredPages(input.stored);
    }

    async run(): Promise<SurveyOutcome> {
        const start = this.#rows.address(this.#settings.start);
        this.#rows.addEvidence({ address: start, evidence: 'manual', source: '', line: 0, lastmod: '' });
        this.#frontier.start(start);

        this.#say('reading robots.txt');
        const robots = await this.#robots.of(new URL(this.#settings.start).origin);
        const trouble = await this.#readStart();
        if (trouble === null) {
            this.#say('reading sitemaps');
            await this.#readSitemaps(robots.file.sitemaps.map((item) => ({ ...item, namedBy: robots.row.url })));
            this.#say('reading pages');
            await this.#readPages();
        }
        const outcome = this.#outcome(trouble);
        await this.#addUnread(outcome);
        await this.#flush();
        this.#say('done', true);
        return outcome;
    }

    async close(): Promise<void> {
        await Promise.allSettled([this.#reader.close(), this.#client.close()]);
    }

    get #stopped(): boolean {
        return this.#input.stop.aborted;
    }

    /** Reads the start page and where it redirects to; says why the survey cannot go on, or null when it can. */
    async #readStart(): Promise<string | null> {
        for (;;) {
            if (this.#stopped || this.#asked >= this.#settings.maxPages) return null;
            const next = this.#frontier.next();
            if (!next) return 'The start page redirects in a circle.';
            const { page } = await this.#settle(next.id, next.slot);
            const url = this.#rows.urlOf(page.address);
            const called =
                url === this.#settings.start ? `The start page ${url}` : `The start page leads to ${url}, which`;
            if (page.notRead === 'robots') {
                return `robots.txt closes ${url} for EdgeMap: ${page.robotsRule}. If this is your own site, survey it with robots set to "record".`;
            }
            if (page.failure !== '') {
                return `${called} could not be read: ${page.failure}. Check the address; a staging copy may need a pin.`;
            }
            if (page.redirectTo !== null) {
                const target = this.#rows.urlOf(page.redirectTo);
                if (this.#rows.isInternal(page.redirectTo)) continue;
                return `${called} redirects to ${target}, which does not belong to this site. Survey ${target} instead, if that is the site you mean.`;
            }
            if (page.status !== 200) {
                return `${called} answered ${page.status}. Check the address, or start at another page of the site.`;
            }
            if (!isHtmlType(page.mediaType)) {
                return `${called} is ${page.mediaType === '' ? 'of no known type' : page.mediaType}, not HTML: there are no links to follow. Start at a page.`;
            }
            return null;
        }
    }

    async #readSitemaps(named: { href: string; line: number; namedBy: string }[]): Promise<void> {
        const { start } = this.#settings;
        const sources: SitemapSource[] = [];
        for (const item of named) {
            const target = readAddress(item.href, start);
            if (target.ok) sources.push({ url: target.address.url, namedBy: item.namedBy, line: item.line });
        }
        const robotsSources = sources.length;
        for (const place of USUAL_PLACES) {
            const target = readAddress(place, start);
            if (target.ok) sources.push({ url: target.address.url, namedBy: '', line: 0 });
        }
        for (const source of sources.slice(0, robotsSources)) {
            if (!this.#belonging.belongs(source.url)) continue;
            const address = this.#rows.address(source.url);
            this.#rows.addEvidence({
                address,
                evidence: 'robots',
                source: source.namedBy,
                line: source.line,
                lastmod: '',
            });
            this.#frontier.addOther(address);
        }
        const access = {
            fetch: (url: string) => this.#client.fetchFile(url, MAX_SITEMAP_BYTES),
            belongs: (url: string) => this.#belonging.belongs(url),
            closed: async (url: string) => {
                if (this.#settings.robots === 'record') return '';
                const verdict = await this.#robots.verdict(url);
                return verdict.allowed ? '' : verdict.rule;
            },
            stopped: () => this.#stopped,
        };
        for await (const file of readSitemaps(sources, access)) {
            this.#addFile(file.row);
            if (file.answer && this.#belonging.belongs(file.row.url)) {
                this.#sitemapAnswers.set(this.#rows.address(file.row.url), file.answer);
            }
            for (const entry of file.entries) {
                if (!this.#belonging.belongs(entry.url)) continue;
                const address = this.#rows.address(entry.url);
                this.#rows.addEvidence({
                    address,
                    evidence: 'sitemap',
                    source: file.row.url,
                    line: entry.line,
                    lastmod: entry.lastmod,
                });
                this.#frontier.addOther(address);
            }
            await this.#flushIfDue();
        }
    }

    async #readPages(): Promise<void> {
        const running = new Set<Promise<unknown>>();
        while (!this.#stopped && this.#storeError === null) {
            while (running.size < this.#settings.concurrency && this.#asked < this.#settings.maxPages) {
                const next = this.#frontier.next();
                if (!next) break;
                const work: Promise<unknown> = this.#settle(next.id, next.slot).finally(() => running.delete(work));
                running.add(work);
            }
            if (running.size === 0) break;
            await Promise.race(running);
            await this.#flushIfDue();
            this.#say(this.#frontier.level === -1 ? 'reading what only other evidence knows' : 'reading pages');
        }
        await Promise.all(running);
    }

    /** Settles one URL: from the stored rows, by its robots verdict, or by asking for it. */
    async #settle(id: number, slot: number): Promise<ReadUrl> {
        this.#settledIds.add(id);
        const url = this.#rows.urlOf(id);
        const stored = this.#storedPages.get(id);
        const counts = !this.#sitemapAnswers.has(id);
        // The count is taken before anything is waited for: the limit is never overrun by answers under way.
        const seq = this.#seq++;
        if (counts) this.#asked++;
        let settled: ReadUrl;
        if (stored) {
            settled = { page: stored, links: this.#storedLinks(id) };
            if (stored.notRead === 'robots' && counts) this.#asked--;
        } else {
            const verdict = await this.#robots.verdict(url);
            if (!verdict.allowed && this.#settings.robots === 'obey') {
                if (counts) this.#asked--;
                // A host that does not even answer for its robots.txt is told as such, not as closed by a rule.
                const page: PageRow = verdict.noAnswer
                    ? { ...unreadPage(id), notRead: verdict.noAnswer.code, failure: verdict.noAnswer.say.slice(0, 500) }
                    : { ...unreadPage(id), notRead: 'robots' };
                settled = { page, links: [] };
            } else settled = await this.#reader.read(id, url, seq, this.#sitemapAnswers.get(id));
            settled.page.robotsAllowed = verdict.allowed;
            settled.page.robotsRule = verdict.rule;
            if (this.#stopped && settled.page.notRead === 'stopped') {
                // The frontier keeps it as open: it is known, and was not read.
                this.#settledIds.delete(id);
                return settled;
            }
            this.#rows.addPage(settled.page);
        }
        const { page } = settled;
        if (page.notRead === 'robots') this.#closedByRobots++;
        else {
            this.#read++;
            if (page.failure !== '') this.#failures++;
            if (!stored) this.#finishTimes.push(Date.now());
        }
        this.#frontier.settle(slot, this.#leadsOf(settled));
        return settled;
    }

    /** Where a settled URL leads; only internal targets, and nothing from a page that answered other than 200. */
    #leadsOf({ page, links }: ReadUrl): Leads {
        const leads: Leads = { clicks: [], free: [], others: [] };
        const put = (into: number[], target: number): void => {
            if (target !== page.address && this.#rows.isInternal(target)) into.push(target);
        };
        if (page.redirectTo !== null) put(leads.free, page.redirectTo);
        if (page.status === 200 && isHtmlType(page.mediaType)) {
            if (page.instantRefresh !== null) put(leads.free, page.instantRefresh);
            for (const link of links) {
                if (link.target === null) continue;
                if (link.kind === 'a') put(leads.clicks, link.target);
                else if (link.kind === 'canonical' || link.kind === 'hreflang' || link.kind === 'meta-refresh') {
                    put(leads.others, link.target);
                }
            }
        }
        if (page.robotsAllowed === false) {
            // Read all the same (record): what a closed page links to is known, but is not reached through it.
            leads.others.unshift(...leads.free, ...leads.clicks);
            leads.free = [];
            leads.clicks = [];
        }
        return leads;
    }

    #outcome(trouble: string | null): SurveyOutcome {
        if (this.#stopped) return { result: 'stopped', trouble: '', cut: ['stopped'] };
        if (trouble !== null) return { result: 'no-start', trouble, cut: ['failed'] };
        const cut: CutReason[] = [];
        if (this.#frontier.cutByDepth) cut.push('max-depth');
        else if (this.#frontier.unsettled().some((id) => this.#rows.isInternal(id))) cut.push('max-pages');
        return { result: 'finished', trouble: '', cut };
    }

    /** Every known URL has a status or a reason: the rest gets its reason now. */
    async #addUnread(outcome: SurveyOutcome): Promise<void> {
        const notRead = outcome.result === 'finished' ? 'limit' : 'stopped';
        for (const id of this.#frontier.unsettled()) {
            if (this.#settledIds.has(id) || this.#storedPages.has(id) || !this.#rows.isInternal(id)) continue;
            this.#settledIds.add(id);
            const page: PageRow = { ...unreadPage(id), notRead };
            if (outcome.result === 'finished') {
                const verdict = await this.#robots.verdict(this.#rows.urlOf(id));
                page.robotsAllowed = verdict.allowed;
                page.robotsRule = verdict.rule;
                if (!verdict.allowed && this.#settings.robots === 'obey') page.notRead = 'robots';
            }
            this.#rows.addPage(page);
        }
    }

    #addFile(row: Parameters<RowMaker['addFile']>[0]): void {
        if (this.#knownFiles.has(row.url)) return;
        this.#knownFiles.add(row.url);
        this.#rows.addFile(row);
    }

    async #flushIfDue(): Promise<void> {
        if (this.#rows.size > MAX_WAITING_ROWS && this.#storing) await this.#storing;
        if (this.#storing || this.#rows.size === 0 || Date.now() - this.#lastBatch < BATCH_EVERY) return;
        this.#lastBatch = Date.now();
        this.#storing = this.#input
            .onBatch(this.#rows.take())
            .catch((error: unknown) => {
                this.#storeError = error;
            })
            .finally(() => (this.#storing = null));
    }

    async #flush(): Promise<void> {
        await this.#storing;
        if (this.#storeError !== null) throw this.#storeError;
        if (this.#rows.size > 0) await this.#input.onBatch(this.#rows.take());
    }

    #say(doing: string, always = false): void {
        const now = Date.now();
        const changed = doing !== this.#doing;
        this.#doing = doing;
        if (!always && !changed && now - this.#lastProgress < PROGRESS_EVERY) return;
        this.#lastProgress = now;
        while ((this.#finishTimes[0] ?? now) < now - 10_000) this.#finishTimes.shift();
        const span = Math.max(1, (now - (this.#finishTimes[0] ?? now)) / 1000);
        const levels = this.#frontier.levels();
        this.#input.onProgress({
            doing,
            read: this.#read,
            found: this.#settledIds.size + this.#frontier.unsettled().filter((id) => !this.#settledIds.has(id)).length,
            rate: Math.round((this.#finishTimes.length / span) * 10) / 10,
            level: this.#frontier.level === -1 ? null : this.#frontier.level,
            levels,
            closedByRobots: this.#closedByRobots,
            failures: this.#failures,
            waiting: this.#client.isWaiting ? 'the server asked to wait' : '',
        });
    }
}

/** Links of a page as stored, in the order of its blocks. */
function linksOfStoredPages(stored: SurveyRows): (page: number) => ListedLink[] {
    const lists = new Map(stored.lists.map((list) => [list.id, list.links]));
    const blocks = new Map<number, BlockRow>(stored.blocks.map((block) => [block.id, block]));
    const byPage = new Map<number, { ordinal: number; block: number }[]>();
    for (const item of stored.pageBlocks) {
        const items = byPage.get(item.page);
        if (items) items.push(item);
        else byPage.set(item.page, [item]);
    }
    return (page) =>
        (byPage.get(page) ?? [])
            .sort((a, b) => a.ordinal - b.ordinal)
            .flatMap((item) => lists.get(blocks.get(item.block)?.list ?? -1) ?? []);
}
