/**
 * One survey, from robots.txt to the last page. It reads, decides and makes rows; it never touches the database: rows
 * leave in batches through `onBatch`. A survey that broke off, was paused or is gone on with is run again with the rows
 * stored so far: what was read is taken from them, in the same order, and not asked for again.
 */
import { availableParallelism } from 'node:os';
import { readAddress } from '../../core/address/address.ts';
import { belongingOf, type Belonging } from '../../core/scope/belonging.ts';
import { isHtmlType } from '../../core/gates/gates.ts';
import type { LinkKind } from '../../core/page/links.ts';
import { ONWARD_KINDS } from '../../core/survey/setting-fields.ts';
import { MAX_SITEMAP_BYTES, type SitemapEntry } from '../../core/sitemap/read-sitemap.ts';
import {
    isSignedIn,
    type SurveyProgress,
    type SurveySecrets,
    type SurveySettings,
} from '../../core/survey/settings.ts';
import {
    unreadPage,
    type CutReason,
    type EvidenceRow,
    type FileRow,
    type PageRow,
    type SurveyBatch,
    type SurveyDecisions,
} from '../../core/survey/survey-rows.ts';
import { actionFinder } from '../../core/traps/actions.ts';
import { Families, type TextTraces } from '../../core/traps/families.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { isReadSitemap, type EarlierRun, type LinkLead, type SettledPage } from './earlier-run.ts';
import { Frontier, type Leads } from './frontier.ts';
import { PageReader, type ReadUrl } from './page-reader.ts';
import { PatientClient } from './patient-client.ts';
import { pinsOf } from './pins.ts';
import { RobotsFiles, type OriginRobots } from './robots-files.ts';
import { RowMaker } from './row-maker.ts';
import { readSitemaps, USUAL_PLACES, type SitemapSource } from './sitemap-files.ts';
import { TargetChecks } from './target-checks.ts';

/** A URL that is known from elsewhere, and where it is named. */
export type KnownUrl = Pick<EvidenceRow, 'evidence' | 'source' | 'line'> & { url: string };

export interface SurveyRunInput {
    settings: SurveySettings;
    secrets: SurveySecrets;
    decisions: SurveyDecisions;
    /** What earlier runs of this survey left; new for a new one. */
    earlier: EarlierRun;
    /** URLs known from elsewhere: imports that were given to the survey. */
    known: () => AsyncIterable<KnownUrl>;
    /** Milliseconds of reading that earlier runs have used of the time limit. */
    elapsed: number;
    /** Stores a batch; resolves when it lasts. */
    onBatch: (batch: SurveyBatch) => Promise<void>;
    onProgress: (progress: SurveyProgress) => void;
    /** Aborted to end early and keep what was read; with the reason `pause` it can be gone on with as it is. */
    stop: AbortSignal;
}

export interface SurveyOutcome {
    /** `no-start`: the start page could not be surveyed; `trouble` says why. */
    result: 'finished' | 'stopped' | 'paused' | 'no-start';
    trouble: string;
    cut: CutReason[];
}

/** Families told of at the end of a run, and several times a second while it lasts. */
const MOST_FAMILIES = 1_000;
const FAMILIES_MEANWHILE = 50;
const PROGRESS_EVERY = 300;
const BATCH_EVERY = 250;
/** Rows and bytes that may wait for the store before reading waits too. */
const MAX_WAITING_ROWS = 5_000;
/** URLs under way beyond those that hold a connection: being parsed, or waiting for a slower host. */
const MOST_BEYOND = 4;
const MOST_HOSTS_AT_ONCE = 4;
const FAILURES_TOLD = 20;

export async function runSurvey(input: SurveyRunInput): Promise<SurveyOutcome> {
    const run = new SurveyRun(input);
    try {
        return await run.run();
    } finally {
        await run.close();
    }
}

/** Kinds of links that only make their targets known, and give no depth: all but clicks and hops. */
const KNOWN_ONLY: readonly LinkKind[] = ONWARD_KINDS.filter((kind) => kind !== 'a' && kind !== 'redirect');
/** A settled URL, read now or by an earlier run: what its leads depend on. */
interface Settled {
    page: SettledPage;
    links: LinkLead[];
    traces: TextTraces | null;
}

const RESOURCES: readonly LinkKind[] = ['img', 'script', 'style'];

class SurveyRun {
    readonly #input: SurveyRunInput;
    readonly #settings: SurveySettings;
    readonly #belonging: Belonging;
    readonly #rows: RowMaker;
    readonly #frontier: Frontier;
    readonly #client: PatientClient;
    readonly #reader: PageReader;
    readonly #robots: RobotsFiles;
    readonly #families: Families;
    readonly #checks: TargetChecks;
    readonly #actionOf: (url: string) => string | null;
    readonly #onward: ReadonlySet<LinkKind>;
    /** Aborted by the user, or by the time limit. */
    readonly #end = new AbortController();
    readonly #timer: NodeJS.Timeout | null;
    readonly #earlier: EarlierRun;
    readonly #knownFiles: Set<string>;
    /** What is told of the texts of read pages, until the frontier has absorbed them. */
    readonly #unabsorbed = new Map<number, TextTraces | null>();
    /** Answers to sitemap URLs that are pages of the record too; null where an earlier run had it. */
    readonly #sitemapAnswers = new Map<number, Answer | NoAnswer | null>();
    readonly #finishTimes: number[] = [];
    readonly #hosts = new Set<string>();
    readonly #recentFailures: SurveyProgress['recentFailures'] = [];
    #isOutOfTime = false;
    #seq = 0;
    #asked = 0;
    #doing = 'starting';
    #closedByRobots = 0;
    #actions = 0;
    #trapped = 0;
    #failures = 0;
    #read = 0;
    #unanswered = 0;
    #lastProgress = 0;
    #lastBatch = 0;
    #storing: Promise<void> | null = null;
    #storeError: unknown = null;

    constructor(input: SurveyRunInput) {
        const { settings, earlier } = input;
        this.#input = input;
        this.#earlier = earlier;
        this.#settings = settings;
        const pins = pinsOf(settings.pins);
        this.#belonging = belongingOf(settings.start, pins, settings);
        this.#rows = new RowMaker(this.#belonging, settings, earlier);
        this.#families = new Families(settings.familyLimit, input.decisions, settings.growthLimit);
        this.#frontier = new Frontier(settings.maxDepth ?? Infinity, (id, fresh) => this.#absorbed(id, fresh));
        input.stop.addEventListener('abort', () => this.#end.abort(), { once: true });
        if (input.stop.aborted) this.#end.abort();
        this.#timer = this.#startClock();
        const { signal } = this.#end;
        this.#client = new PatientClient({
            settings,
            secrets: input.secrets,
            belonging: this.#belonging,
            pins,
            stop: signal,
        });
        this.#reader = new PageReader(this.#client, this.#rows, settings);
        this.#knownFiles = new Set(earlier.files.keys());
        this.#robots = new RobotsFiles(
            (url) => this.#client.fetchFile(url),
            settings.token,
            (robots) => this.#gotRobots(robots),
        );
        this.#checks = new TargetChecks({
            settings,
            client: this.#client,
            robots: this.#robots,
            rows: this.#rows,
            belongs: (url) => this.#belonging.belongs(url),
            done: earlier.checked,
        });
        const isAction = actionFinder(settings.actionWords);
        const openedActions = new Set(isSignedIn(settings) ? [] : input.decisions.actions);
        const followAll = settings.followActions && !isSignedIn(settings);
        this.#actionOf = (url) => (followAll || openedActions.has(url) ? null : isAction(url));
        this.#onward = new Set(settings.onward);
    }

    async run(): Promise<SurveyOutcome> {
        const { spot } = this.#settings;
        const trouble = spot === null ? await this.#begin() : this.#beginSpot(spot.urls);
        if (trouble === null) {
            this.#say('reading pages');
            await this.#readPages();
            if (!this.#stopped) await this.#checkTargets();
        }
        // Behind a batch that could not be stored nothing may be: its numbers are missing.
        await this.#storing;
        if (this.#storeError !== null) throw this.#storeError;
        const outcome = this.#outcome(trouble);
        if (outcome.result !== 'paused') await this.#addUnread(outcome);
        await this.#flush();
        this.#say(outcome.result === 'paused' ? 'paused' : 'done', true);
        return outcome;
    }

    async close(): Promise<void> {
        if (this.#timer) clearTimeout(this.#timer);
        await Promise.allSettled([this.#reader.close(), this.#client.close()]);
    }

    get #stopped(): boolean {
        return this.#end.signal.aborted;
    }

    #startClock(): NodeJS.Timeout | null {
        const { maxMinutes } = this.#settings;
        if (maxMinutes === null) return null;
        const left = Math.max(0, maxMinutes * 60_000 - this.#input.elapsed);
        // A timer counts in 31 bits; a longer survey than that is no case for a limit in minutes.
        return setTimeout(
            () => {
                this.#isOutOfTime = true;
                this.#end.abort();
            },
            Math.min(left, 2 ** 31 - 1),
        );
    }

    /** Reads robots.txt, the start page and the sitemaps; says why the survey cannot go on, or null when it can. */
    async #begin(): Promise<string | null> {
        const starts = [this.#settings.start, ...this.#settings.starts].map((url) => this.#rows.address(url));
        for (const start of starts) {
            this.#families.seen(this.#rows.urlOf(start));
            this.#rows.addEvidence({ address: start, evidence: 'manual', source: '', line: 0, lastmod: '' });
        }
        // The first start page is read alone, so that a site that cannot be read is told before anything else.
        this.#frontier.start(...starts);
        this.#say('reading robots.txt');
        const robots = await this.#robots.of(new URL(this.#settings.start).origin);
        const trouble = await this.#readStart();
        if (trouble !== null) return trouble;
        this.#say('reading sitemaps');
        await this.#readSitemaps(robots.file.sitemaps.map((item) => ({ ...item, namedBy: robots.row.url })));
        await this.#takeKnown();
        return null;
    }

    /** A spot survey reads what it was given, and where that redirects to. */
    #beginSpot(urls: string[]): null {
        for (const url of urls) {
            const address = this.#rows.address(url);
            this.#rows.addEvidence({ address, evidence: 'manual', source: '', line: 0, lastmod: '' });
            this.#frontier.addOther(address);
        }
        return null;
    }

    /** Reads the start page and where it redirects to; says why the survey cannot go on, or null when it can. */
    async #readStart(): Promise<string | null> {
        const first = this.#rows.address(this.#settings.start);
        let wanted = first;
        for (;;) {
            if (this.#stopped || this.#asked >= this.#settings.maxPages) return null;
            const next = this.#frontier.next();
            if (!next) return 'The start page redirects in a circle.';
            const { page } = await this.#settle(next.id, next.slot);
            // Further start pages come in between: they may fail, the survey goes on without them.
            if (page.address !== wanted) continue;
            const url = this.#rows.urlOf(page.address);
            const called = page.address === first ? `The start page ${url}` : `The start page leads to ${url}, which`;
            if (page.notRead === 'robots') {
                return `robots.txt closes ${url} for ${this.#agentName()}: ${page.robotsRule}. If this is your own site, survey it with robots set to "record".`;
            }
            if (page.notRead === 'action' || page.notRead === 'trap') {
                return `${called} looks like an action or belongs to a family that is closed, so it was not asked for. Open it in the settings.`;
            }
            if (page.failure !== '' && page.status === null) {
                return `${called} could not be read: ${page.failure}. Check the address; a staging copy may need a pin.`;
            }
            if (page.redirectTo !== null) {
                const target = this.#rows.urlOf(page.redirectTo);
                if (this.#rows.isInternal(page.redirectTo)) {
                    wanted = page.redirectTo;
                    continue;
                }
                return `${called} redirects to ${target}, which does not belong to this site. Survey ${target} instead, if that is the site you mean.`;
            }
            if (page.status !== 200) {
                const help =
                    page.status === 401
                        ? 'It asks for a sign-in: give one under "As whom?".'
                        : 'Check the address, or start at another page of the site.';
                return `${called} answered ${page.status}. ${help}`;
            }
            if (!isHtmlType(page.mediaType)) {
                return `${called} is ${page.mediaType === '' ? 'of no known type' : page.mediaType}, not HTML: there are no links to follow. Start at a page.`;
            }
            if (page.failure !== '') return `${called} could not be read: ${page.failure}.`;
            return null;
        }
    }

    #agentName(): string {
        return this.#settings.token === 'edgemap' ? 'EdgeMap' : this.#settings.token;
    }

    #gotRobots(robots: OriginRobots): void {
        // A file that was given up on because everything stops says nothing about the site.
        if (this.#stopped) return;
        const origin = new URL(robots.row.url);
        this.#client.paces.setCrawlDelay(origin.host, robots.crawlDelay);
        if (this.#belonging.belongs(robots.row.url)) this.#addFile(robots.row);
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
            if (!this.#belonging.isInternal(source.url)) continue;
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
            stored: (url: string) => this.#storedSitemap(url),
        };
        const leadsOn = this.#onward.has('sitemap');
        for await (const file of readSitemaps(sources, access)) {
            if (this.#stopped) return;
            if ((file.answer || file.row.status !== null) && this.#belonging.isInternal(file.row.url)) {
                this.#sitemapAnswers.set(this.#rows.address(file.row.url), file.answer);
            }
            for (const entry of file.entries) {
                if (!this.#belonging.isInternal(entry.url)) continue;
                const address = this.#rows.address(entry.url);
                this.#rows.addEvidence({
                    address,
                    evidence: 'sitemap',
                    source: file.row.url,
                    line: entry.line,
                    lastmod: entry.lastmod,
                });
                if (!leadsOn) continue;
                this.#families.seen(this.#rows.urlOf(address));
                this.#frontier.addOther(address);
            }
            // After its entries: a file that is stored has all its entries stored, and need not be read again.
            this.#addFile(file.row);
            await this.#flushIfDue();
        }
    }

    /** Takes in what imports know: read after the link crawl, unless links reach it before. */
    async #takeKnown(): Promise<void> {
        for await (const { url, evidence, source, line } of this.#input.known()) {
            if (this.#stopped) return;
            if (!this.#belonging.isInternal(url)) continue;
            const address = this.#rows.address(url);
            this.#rows.addEvidence({ address, evidence, source, line, lastmod: '' });
            this.#families.seen(this.#rows.urlOf(address));
            this.#frontier.addOther(address);
            await this.#flushIfDue();
        }
    }

    async #readPages(): Promise<void> {
        // What was read is stored in time even where nothing more is answered for long.
        const timer = setInterval(() => void this.#flushIfDue(), BATCH_EVERY);
        try {
            await this.#readQueued();
        } finally {
            clearInterval(timer);
        }
    }

    async #readQueued(): Promise<void> {
        const running = new Set<Promise<unknown>>();
        while (!this.#stopped && this.#storeError === null) {
            while (running.size < this.#mostUnderWay() && this.#asked < this.#settings.maxPages) {
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

    /** Connections of the hosts met so far, and some URLs more that are being parsed meanwhile. */
    #mostUnderWay(): number {
        const hosts = Math.max(1, Math.min(MOST_HOSTS_AT_ONCE, this.#hosts.size));
        return this.#settings.concurrency * hosts + Math.min(MOST_BEYOND, availableParallelism());
    }

    async #checkTargets(): Promise<void> {
        this.#say('asking for link targets elsewhere');
        await this.#checks.run(this.#end.signal, async () => {
            await this.#flushIfDue();
            this.#say('asking for link targets elsewhere');
            return this.#storeError === null;
        });
    }

    /** Settles one URL: from the stored rows, by its robots verdict, or by asking for it. */
    async #settle(id: number, slot: number): Promise<Settled> {
        const url = this.#rows.urlOf(id);
        this.#hosts.add(new URL(url).host);
        const stored = this.#earlier.settled(id);
        // Judged before anything is waited for: the order of these decisions is that of the frontier.
        const counts = !this.#sitemapAnswers.has(id);
        const action = this.#actionOf(url);
        const closed = action === null && counts ? this.#families.take(url) : null;
        const isLeft = action !== null || closed !== null;
        // The count is taken now too: the limit is never overrun by answers under way.
        const seq = isLeft ? -1 : this.#seq++;
        if (counts && !isLeft) this.#asked++;
        let settled: Settled;
        if (stored) {
            settled = stored;
            if (stored.page.notRead === 'robots' && counts && !isLeft) this.#asked--;
        } else {
            const verdict = await this.#robots.verdict(url);
            let read: ReadUrl;
            const robots = { robotsAllowed: verdict.allowed, robotsRule: verdict.rule };
            const unread = (why: Partial<PageRow>): ReadUrl => {
                if (counts && !isLeft) this.#asked--;
                const page = { ...unreadPage(id), ...why, ...robots };
                // The frontier keeps what was stopped as open: it is known, and was not read.
                if (page.notRead !== 'stopped') this.#rows.addPage(page);
                return { page, links: [], traces: null };
            };
            if (this.#stopped && !verdict.allowed) read = unread({ notRead: 'stopped' });
            else if (!verdict.allowed && this.#settings.robots === 'obey') {
                // A host that does not even answer for its robots.txt is told as such, not as closed by a rule.
                read = unread(
                    verdict.noAnswer
                        ? { notRead: verdict.noAnswer.code, failure: verdict.noAnswer.say.slice(0, 500) }
                        : { notRead: 'robots' },
                );
            } else if (action !== null) read = unread({ notRead: 'action' });
            else if (closed !== null) read = unread({ notRead: 'trap' });
            else read = await this.#reader.read(id, url, { seq, ...robots }, this.#sitemapAnswers.get(id) ?? undefined);
            if (read.page.notRead === 'stopped') return read;
            settled = read;
        }
        this.#count(settled.page, url, stored === undefined);
        if (settled.page.status !== null) this.#unabsorbed.set(id, settled.traces);
        this.#frontier.settle(slot, this.#leadsOf(settled), settled.page.status !== null);
        return settled;
    }

    #count(page: SettledPage, url: string, isNew: boolean): void {
        if (page.notRead === 'robots') this.#closedByRobots++;
        else if (page.notRead === 'action') this.#actions++;
        else if (page.notRead === 'trap') this.#trapped++;
        else {
            if (page.status === null) this.#unanswered++;
            else this.#read++;
            if (page.failure !== '') {
                this.#failures++;
                this.#recentFailures.unshift({ url, say: page.failure, at: page.readAt ?? Date.now() });
                this.#recentFailures.length = Math.min(this.#recentFailures.length, FAILURES_TOLD);
            }
            if (isNew) this.#finishTimes.push(Date.now());
        }
    }

    /** The frontier has taken in what a URL led to; told in the same order in every run. */
    #absorbed(id: number, fresh: number[]): void {
        const traces = this.#unabsorbed.get(id);
        if (traces === undefined) return;
        this.#unabsorbed.delete(id);
        this.#families.settled(
            this.#rows.urlOf(id),
            fresh.map((item) => this.#rows.urlOf(item)),
            traces,
        );
    }

    /** Where a settled URL leads; only internal targets, and nothing from a page that answered other than 200. */
    #leadsOf({ page, links }: Settled): Leads {
        const leads: Leads = { clicks: [], free: [], others: [] };
        const put = (into: number[], target: number): void => {
            if (target !== page.address && this.#rows.isInternal(target)) into.push(target);
        };
        if (page.redirectTo !== null && this.#onward.has('redirect')) put(leads.free, page.redirectTo);
        if (page.status === 200 && isHtmlType(page.mediaType)) {
            if (page.instantRefresh !== null && this.#onward.has('meta-refresh')) put(leads.free, page.instantRefresh);
            for (const link of links) {
                if (link.target === null) continue;
                if (RESOURCES.includes(link.kind)) this.#checks.add(link.target, 'resource');
                else if (!this.#rows.isInternal(link.target)) {
                    if (link.kind === 'a') this.#checks.add(link.target, 'external');
                } else if (!this.#onward.has(link.kind)) continue;
                else if (link.kind === 'a') put(leads.clicks, link.target);
                else if (KNOWN_ONLY.includes(link.kind)) put(leads.others, link.target);
            }
        }
        if (this.#settings.spot !== null) {
            leads.clicks = [];
            leads.others = [];
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
        if (this.#input.stop.aborted) {
            const isPause = this.#input.stop.reason === 'pause';
            return { result: isPause ? 'paused' : 'stopped', trouble: '', cut: ['stopped'] };
        }
        if (this.#isOutOfTime) return { result: 'finished', trouble: '', cut: ['max-minutes'] };
        if (trouble !== null) return { result: 'no-start', trouble, cut: ['failed'] };
        const cut: CutReason[] = [];
        if (this.#settings.spot !== null) cut.push('spot');
        if (this.#frontier.cutByDepth) cut.push('max-depth');
        else if (this.#frontier.unsettled().some((id) => this.#rows.isInternal(id))) cut.push('max-pages');
        return { result: 'finished', trouble: '', cut };
    }

    /** Every known URL has a status or a reason: the rest gets its reason now. */
    async #addUnread(outcome: SurveyOutcome): Promise<void> {
        const isLimit = outcome.result === 'finished';
        for (const id of this.#frontier.unsettled()) {
            if (this.#earlier.isSettled(id) || !this.#rows.isInternal(id)) continue;
            const page: PageRow = { ...unreadPage(id), notRead: isLimit ? 'limit' : 'stopped' };
            if (isLimit && !this.#stopped) {
                const verdict = await this.#robots.verdict(this.#rows.urlOf(id));
                page.robotsAllowed = verdict.allowed;
                page.robotsRule = verdict.rule;
                if (!verdict.allowed && this.#settings.robots === 'obey') page.notRead = 'robots';
            }
            this.#rows.addPage(page);
            await this.#flushIfDue();
        }
    }

    /** What an earlier run stored of a sitemap: its row and entries; null when it is to be asked for. */
    async #storedSitemap(url: string): Promise<{ row: FileRow; entries: SitemapEntry[] } | null> {
        const row = this.#earlier.files.get(url);
        // Surveys of an older version kept no list of an index's files.
        if (row?.kind !== 'sitemap' || (row.note.startsWith('index of') && row.text === '')) return null;
        return { row, entries: isReadSitemap(row) ? await this.#earlier.sitemapEntries(url) : [] };
    }

    #addFile(row: Parameters<RowMaker['addFile']>[0]): void {
        if (this.#knownFiles.has(row.url)) return;
        this.#knownFiles.add(row.url);
        this.#rows.addFile(row);
    }

    async #flushIfDue(): Promise<void> {
        if (this.#rows.size > MAX_WAITING_ROWS && this.#storing) await this.#storing;
        if (this.#storing || this.#rows.size === 0 || Date.now() - this.#lastBatch < BATCH_EVERY) return;
        if (this.#storeError !== null) return;
        this.#lastBatch = Date.now();
        this.#storing = this.#input
            .onBatch(this.#rows.take())
            .catch((error: unknown) => {
                this.#storeError = error;
                // Nothing more is asked for: it could not be kept.
                this.#end.abort();
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
        const hosts = this.#client.paces.progress();
        const slowed = hosts.find((host) => host.slowed !== '');
        const paused = this.#client.paces.pausedFor();
        this.#input.onProgress({
            doing,
            read: this.#read,
            unanswered: this.#unanswered,
            found: this.#frontier.known,
            rate: Math.round((this.#finishTimes.length / span) * 10) / 10,
            level: this.#frontier.level === -1 ? null : this.#frontier.level,
            levels: this.#frontier.levels(),
            closedByRobots: this.#closedByRobots,
            failures: this.#failures,
            waiting:
                paused.milliseconds > 0
                    ? paused.say
                    : slowed
                      ? `${slowed.host} ${slowed.slowed}: ${slowed.allowed} of ${this.#settings.concurrency} connections`
                      : '',
            warning: '',
            hosts,
            recentFailures: [...this.#recentFailures],
            families: this.#families.list(always ? MOST_FAMILIES : FAMILIES_MEANWHILE),
            actions: this.#actions,
            trapped: this.#trapped,
            checks: this.#checks.progress(),
        });
    }
}
