/**
 * One survey, from robots.txt to the last page. It reads, decides and makes rows; it never touches the database: rows
 * leave in batches through `onBatch`. A survey that broke off, was paused or is gone on with is run again with the rows
 * stored so far: what was read is taken from them, in the same order, and not asked for again.
 *
 * This file has the order of a run. What becomes of a URL is in `settling.ts`, what else knows URLs in
 * `other-evidence.ts`, how rows leave in `row-flow.ts`, what is told meanwhile in `run-telling.ts`.
 */
import { availableParallelism } from 'node:os';
import { belongingOf } from '../../core/scope/belonging.ts';
import { problem, writeProblem, type Problem } from '../../core/problems/problem.ts';
import type { SurveyProgress } from '../../core/survey/progress.ts';
import type { SurveySecrets, SurveySettings } from '../../core/survey/settings.ts';
import {
    unreadPage,
    type CutReason,
    type PageRow,
    type SurveyBatch,
    type SurveyDecisions,
} from '../../core/survey/survey-rows.ts';
import { Families } from '../../core/traps/families.ts';
import type { EarlierRun } from './earlier-run.ts';
import { Frontier } from './frontier.ts';
import { MadeUpAddresses } from './made-up-address.ts';
import { OtherEvidence, type KnownUrl } from './other-evidence.ts';
import { PageReader } from './page-reader.ts';
import { PatientClient } from './patient-client.ts';
import { pinsOf } from './pins.ts';
import { RobotsFiles, type OriginRobots } from './robots-files.ts';
import { RowFlow } from './row-flow.ts';
import { RowMaker } from './row-maker.ts';
import type { RunParts } from './run-parts.ts';
import { RunTelling } from './run-telling.ts';
import { LONGEST_RULE, Settling } from './settling.ts';
import { judgeStart } from './start-page.ts';
import { TargetChecks } from './target-checks.ts';

export interface SurveyRunInput {
    settings: SurveySettings;
    secrets: SurveySecrets;
    decisions: SurveyDecisions;
    /** What earlier runs of this survey left; new for a new one. */
    earlier: EarlierRun;
    /** URLs known from elsewhere: lists that were given to the survey. */
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
    trouble: Problem | null;
    cut: CutReason[];
}

/** URLs under way beyond those that hold a connection: being parsed, or waiting for a slower host. */
const MOST_BEYOND = 4;
const MOST_HOSTS_AT_ONCE = 4;
/** A timer counts in 31 bits; a longer survey than that is no case for a limit in minutes. */
const LONGEST_TIMER = 2 ** 31 - 1;

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
    readonly #parts: RunParts;
    readonly #flow: RowFlow;
    readonly #telling: RunTelling;
    readonly #settling: Settling;
    readonly #evidence: OtherEvidence;
    readonly #clock: NodeJS.Timeout | null;
    #isOutOfTime = false;

    constructor(input: SurveyRunInput) {
        const { settings, secrets, decisions, earlier, stop } = input;
        this.#input = input;
        const end = new AbortController();
        stop.addEventListener('abort', () => end.abort(), { once: true });
        if (stop.aborted) end.abort();
        const pins = pinsOf(settings.pins);
        const belonging = belongingOf(settings.start, pins, settings);
        const rows = new RowMaker(belonging, settings, earlier);
        const client = new PatientClient({ settings, secrets, belonging, pins, stop: end.signal });
        const robots = new RobotsFiles(
            (url) => client.fetchFile(url),
            settings.token,
            (file) => this.#gotRobots(file),
        );
        this.#parts = {
            settings,
            decisions,
            earlier,
            belonging,
            rows,
            client,
            robots,
            end,
            frontier: new Frontier(settings.maxDepth ?? Infinity, (id, fresh) => this.#settling.absorbed(id, fresh)),
            reader: new PageReader(client, rows, settings),
            families: new Families(settings.familyLimit, decisions, settings.growthLimit),
            checks: new TargetChecks({
                settings,
                client,
                robots,
                rows,
                belongs: (url) => belonging.belongs(url),
                done: earlier.checked,
            }),
            sitemapAnswers: new Map(),
        };
        this.#flow = new RowFlow(rows, input.onBatch, end);
        this.#telling = new RunTelling(this.#parts, input.onProgress);
        this.#settling = new Settling(this.#parts, this.#telling);
        this.#evidence = new OtherEvidence(this.#parts, this.#flow);
        this.#clock = this.#startClock();
    }

    async run(): Promise<SurveyOutcome> {
        const { settings } = this.#parts;
        const trouble = settings.spot === null ? await this.#begin() : this.#beginSpot(settings.spot.urls);
        if (trouble === null) {
            this.#telling.say('pages');
            await this.#flow.during(() => this.#readQueued());
            if (!this.#isStopped) await this.#checkTargets();
            if (!this.#isStopped && settings.madeUp && settings.spot === null) await this.#askMadeUp();
        }
        await this.#flow.settled();
        const outcome = this.#outcome(trouble);
        if (outcome.result !== 'paused') await this.#addUnread(outcome);
        await this.#flow.sendAll();
        this.#telling.say(outcome.result === 'paused' ? 'paused' : 'done', true);
        return outcome;
    }

    async close(): Promise<void> {
        if (this.#clock) clearTimeout(this.#clock);
        await Promise.allSettled([this.#parts.reader.close(), this.#parts.client.close()]);
    }

    get #isStopped(): boolean {
        return this.#parts.end.signal.aborted;
    }

    #startClock(): NodeJS.Timeout | null {
        const { maxMinutes } = this.#parts.settings;
        if (maxMinutes === null) return null;
        const left = Math.max(0, maxMinutes * 60_000 - this.#input.elapsed);
        const ring = (): void => {
            this.#isOutOfTime = true;
            this.#parts.end.abort();
        };
        return setTimeout(ring, Math.min(left, LONGEST_TIMER));
    }

    /** Reads robots.txt, the start page and the sitemaps; why the survey cannot go on, or null when it can. */
    async #begin(): Promise<Problem | null> {
        const { settings, rows, families, frontier, robots } = this.#parts;
        const starts = [settings.start, ...settings.starts].map((url) => this.#typedIn(url));
        for (const start of starts) families.seen(rows.urlOf(start));
        // The first start page is read alone, so that a site that cannot be read is told before anything else.
        frontier.start(...starts);
        this.#telling.say('robots');
        const { file, row } = await robots.of(new URL(settings.start).origin);
        const trouble = await this.#readStart();
        if (trouble !== null) return trouble;
        this.#telling.say('sitemaps');
        await this.#evidence.readSitemaps(file.sitemaps.map((item) => ({ ...item, namedBy: row.url })));
        await this.#evidence.take(this.#input.known());
        return null;
    }

    /** A spot survey reads what it was given, and where that redirects to. */
    #beginSpot(urls: string[]): null {
        for (const url of urls) this.#parts.frontier.addOther(this.#typedIn(url));
        return null;
    }

    #typedIn(url: string): number {
        const address = this.#parts.rows.address(url);
        this.#parts.rows.addEvidence({ address, evidence: 'manual', source: '', line: 0, lastmod: '' });
        return address;
    }

    /** Reads the start page and where it redirects to; why the survey cannot go on, or null when it can. */
    async #readStart(): Promise<Problem | null> {
        const { settings, rows, frontier } = this.#parts;
        const first = rows.address(settings.start);
        const site = {
            urlOf: (id: number) => rows.urlOf(id),
            isInternal: (id: number) => rows.isInternal(id),
            token: settings.token,
        };
        let wanted = first;
        for (;;) {
            if (this.#isStopped || this.#settling.asked >= settings.maxPages) return null;
            const next = frontier.next();
            if (!next) return problem('start-circle', {});
            const { page } = await this.#settling.settle(next.id, next.slot);
            // Further start pages come in between: they may fail, the survey goes on without them.
            if (page.address !== wanted) continue;
            const verdict = judgeStart(page, page.address === first, site);
            if (verdict === null || 'code' in verdict) return verdict;
            wanted = verdict.goOnAt;
        }
    }

    #gotRobots({ row, crawlDelay }: OriginRobots): void {
        // A file that was given up on because everything stops says nothing about the site.
        if (this.#isStopped) return;
        const { client, belonging } = this.#parts;
        client.paces.setCrawlDelay(new URL(row.url).host, crawlDelay);
        if (belonging.belongs(row.url)) this.#evidence.addFile(row);
    }

    async #readQueued(): Promise<void> {
        const { settings, frontier } = this.#parts;
        const running = new Set<Promise<unknown>>();
        while (!this.#isStopped && !this.#flow.hasFailed) {
            while (running.size < this.#mostUnderWay() && this.#settling.asked < settings.maxPages) {
                const next = frontier.next();
                if (!next) break;
                const work: Promise<unknown> = this.#settling
                    .settle(next.id, next.slot)
                    .finally(() => running.delete(work));
                running.add(work);
            }
            if (running.size === 0) break;
            await Promise.race(running);
            await this.#flow.sendIfDue();
            this.#telling.say(frontier.level === -1 ? 'evidence' : 'pages');
        }
        await Promise.all(running);
    }

    /** Connections of the hosts met so far, and some URLs more that are being parsed meanwhile. */
    #mostUnderWay(): number {
        const hosts = Math.max(1, Math.min(MOST_HOSTS_AT_ONCE, this.#settling.hosts.size));
        return this.#parts.settings.concurrency * hosts + Math.min(MOST_BEYOND, availableParallelism());
    }

    async #checkTargets(): Promise<void> {
        const say = (): void => this.#telling.say('elsewhere');
        say();
        await this.#parts.checks.run(this.#parts.end.signal, async () => {
            await this.#flow.sendIfDue();
            say();
            return !this.#flow.hasFailed;
        });
    }

    /** On each host of which something was asked for. */
    async #askMadeUp(): Promise<void> {
        const { earlier } = this.#parts;
        const done = [...earlier.files.values()].filter(({ kind }) => kind === 'made-up').map(({ url }) => url);
        const asked = new MadeUpAddresses(this.#parts);
        for await (const row of asked.ask(this.#settling.origins, done)) this.#evidence.addFile(row);
    }

    #outcome(trouble: Problem | null): SurveyOutcome {
        const { settings, frontier, rows } = this.#parts;
        const { stop } = this.#input;
        if (stop.aborted) {
            const isPause = stop.reason === 'pause';
            return { result: isPause ? 'paused' : 'stopped', trouble: null, cut: ['stopped'] };
        }
        if (this.#isOutOfTime) return { result: 'finished', trouble: null, cut: ['max-minutes'] };
        if (trouble !== null) return { result: 'no-start', trouble, cut: ['failed'] };
        const cut: CutReason[] = [];
        if (settings.spot !== null) cut.push('spot');
        if (frontier.cutByDepth) cut.push('max-depth');
        else if (frontier.unsettled().some((id) => rows.isInternal(id))) cut.push('max-pages');
        return { result: 'finished', trouble: null, cut };
    }

    /** Every known URL has a status or a reason: the rest gets its reason now. */
    async #addUnread(outcome: SurveyOutcome): Promise<void> {
        const { settings, frontier, earlier, rows, robots } = this.#parts;
        const isLimit = outcome.result === 'finished';
        for (const id of frontier.unsettled()) {
            if (earlier.isSettled(id) || !rows.isInternal(id)) continue;
            const page: PageRow = { ...unreadPage(id), notRead: isLimit ? 'limit' : 'stopped' };
            if (isLimit && !this.#isStopped) {
                const verdict = await robots.verdict(rows.urlOf(id));
                page.robotsAllowed = verdict.allowed;
                page.robotsRule = writeProblem(verdict.rule, LONGEST_RULE);
                if (!verdict.allowed && settings.robots === 'obey') page.notRead = 'robots';
            }
            rows.addPage(page);
            await this.#flow.sendIfDue();
        }
    }
}
