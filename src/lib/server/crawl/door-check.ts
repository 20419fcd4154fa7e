/**
 * The door check: the short look at a site before it is surveyed. It asks for a bounded handful of URLs, one after the
 * other for each host, and keeps nothing but what it says. Nothing that robots.txt closes is asked for, but for the
 * start page itself, which the user typed in; told to keep out, not even that.
 */
import { hostOf, originOf, pathOf, readAddress } from '../../core/address/address.ts';
import { belongingOf, standsAlone, twinOf, type Belonging } from '../../core/scope/belonging.ts';
import { sectionOf } from '../../core/address/section.ts';
import { judgeDoor } from '../../core/door/judge-door.ts';
import type {
    DifferenceKind,
    DoorDifference,
    DoorFacts,
    DoorNeighbour,
    DoorPage,
    DoorReport,
    DoorRobots,
    DoorSitemap,
    DoorStep,
    DoorVariant,
    SitemapFound,
} from '../../core/door/door-report.ts';
import { isHtmlType, isRedirectStatus } from '../../core/gates/gates.ts';
import { problem, writeProblem } from '../../core/problems/problem.ts';
import { quoteRule } from '../../core/robots/decide.ts';
import { rulesFor } from '../../core/robots/read-robots.ts';
import { bareKnock, sitemapSteps, type SitemapKnock } from '../../core/sitemap/judge-sitemap.ts';
import { MAX_SITEMAP_BYTES, readSitemap } from '../../core/sitemap/read-sitemap.ts';
import type { SurveySecrets, SurveySettings } from '../../core/survey/settings.ts';
import { certificateOf } from './certificate.ts';
import { isPrivateAddress } from './connect.ts';
import { readDoorPage, type PageAsRead } from './door-page.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { ParsePool } from './parse-pool.ts';
import { PatientClient } from './patient-client.ts';
import { pinsOf } from './pins.ts';
import { NO_RULE, RobotsFiles, type OriginRobots } from './robots-files.ts';
import { USUAL_PLACES } from './sitemap-files.ts';
import { sitemapText } from './sitemap-text.ts';

export interface DoorInput {
    settings: SurveySettings;
    secrets: SurveySecrets;
    /** Not even the start page is asked for where robots.txt closes it. */
    keepsOut: boolean;
    /** User-Agent of the other agent. */
    otherAgent: string;
    stop: AbortSignal;
    onStep?: (step: DoorStep) => void;
}

/** What a visitor's browser might call itself; made up, so that it tells agents apart without posing as one. */
export const OTHER_AGENT = 'Mozilla/5.0 (compatible; AnyVisitor/1.0)';

/** A door check is short; what takes longer than these milliseconds is given up, and what was found is told. */
export const KNOCK_PATIENCE = 120_000;

const SAMPLES = 9;
const MAX_HOPS = 10;
const MOST_SITEMAPS = 20;
const MOST_NEIGHBOURS = 50;
/** Differences in counts below this share, or below so many, are the usual noise of dates and counters. */
const NOISE_SHARE = 0.2;
const NOISE_COUNT = 20;

export async function checkDoor(input: DoorInput): Promise<DoorReport> {
    const check = new DoorCheck(input);
    try {
        const facts = await check.run();
        return { facts, verdict: judgeDoor(facts) };
    } finally {
        await check.close();
    }
}

/** A sitemap to be looked at, and the index that names it; empty for none. */
interface SitemapLead {
    url: string;
    found: SitemapFound;
    in: string;
}

class DoorCheck {
    readonly #input: DoorInput;
    readonly #belonging: Belonging;
    readonly #ours: PatientClient;
    readonly #other: PatientClient;
    readonly #robots: RobotsFiles;
    readonly #pool = new ParsePool({ threads: 1 });
    readonly #files = new Map<string, number>();

    constructor(input: DoorInput) {
        const { settings, secrets, stop } = input;
        this.#input = input;
        const pins = pinsOf(settings.pins);
        this.#belonging = belongingOf(settings.start, pins, settings);
        const client = { secrets, belonging: this.#belonging, pins, stop };
        const gentle = { ...settings, concurrency: Math.min(2, settings.concurrency), maxBytes: 3_000_000 };
        this.#ours = new PatientClient({ ...client, settings: gentle });
        this.#other = new PatientClient({ ...client, settings: { ...gentle, agent: input.otherAgent } });
        this.#robots = new RobotsFiles(
            async (url) => {
                const answer = await this.#ours.fetchFile(url);
                if (answer.ok) this.#files.set(url, answer.body.length);
                return answer;
            },
            settings.token,
            () => undefined,
        );
    }

    async close(): Promise<void> {
        await Promise.allSettled([this.#ours.close(), this.#other.close(), this.#pool.close()]);
    }

    async run(): Promise<DoorFacts> {
        const { settings, keepsOut, otherAgent } = this.#input;
        const url = settings.start;
        const at = Date.now();
        this.#say('robots');
        const robotsFile = await this.#robots.of(originOf(url));
        const robots = this.#describeRobots(robotsFile, url);
        this.#say('start');
        const start = await this.#page(url, this.#ours, keepsOut);
        this.#say('other-agent');
        const startAsOther = start.page.isLeft ? null : await this.#page(url, this.#other, false);
        this.#say('variants');
        const variants = await this.#variants(url, start);
        this.#say('sitemaps');
        const { sitemaps, listed } = await this.#sitemaps(robotsFile, url);
        this.#say('samples');
        const samples: DoorPage[] = [];
        const differences = startAsOther ? differencesOf(start.page, startAsOther.page) : [];
        for (const sample of await this.#chooseSamples(start, [...listed])) {
            if (this.#input.stop.aborted) break;
            const ours = await this.#page(sample, this.#ours, true);
            samples.push(ours.page);
            const theirs = await this.#page(sample, this.#other, true);
            differences.push(...differencesOf(ours.page, theirs.page));
        }
        const isRead = sitemaps.some((item) => item.entries !== null && item.kind !== 'sitemapindex');
        return {
            url,
            at,
            agent: settings.agent,
            token: settings.token,
            otherAgent,
            keepsOut,
            variants,
            robots,
            start: start.page,
            startAsOther: startAsOther?.page ?? null,
            samples,
            differences,
            sitemaps,
            expected: isRead ? listed.size : null,
            neighbours: this.#neighbours(start),
        };
    }

    #say(step: DoorStep): void {
        this.#input.onStep?.(step);
    }

    #describeRobots(robots: OriginRobots, url: string): DoorRobots {
        const { token } = this.#input.settings;
        const { file, row } = robots;
        const rules = rulesFor(file, token);
        const named = file.groups.some((group) => group.agents.includes(token.toLowerCase()));
        const verdict = robots.decide(url);
        const closesAll = rules.some((rule) => !rule.allow && /^[/*]+$/.test(rule.pattern));
        const opensSome = rules.some((rule) => rule.allow && !/^\/?\$?$/.test(rule.pattern));
        let closes: DoorRobots['closes'] = rules.some((rule) => !rule.allow) ? 'some' : 'nothing';
        if (robots.unreachable !== null) closes = 'unreachable';
        else if (!verdict.allowed) closes = closesAll && !opensSome ? 'site' : 'start';
        return {
            url: row.url,
            status: row.status,
            bytes: this.#files.get(row.url) ?? null,
            note: row.note,
            closes,
            rule: verdict.rule ? quoteRule(verdict.rule) : '',
            line: verdict.rule?.line ?? 0,
            group: rules.length === 0 && !named ? '' : named ? token : '*',
            rules: rules.length,
            sitemaps: file.sitemaps.map(({ href, line }) => ({ href: href.slice(0, 2_000), line })).slice(0, 200),
            crawlDelay: robots.crawlDelay,
        };
    }

    /** A page and where it leads, hop by hop, as one agent is answered. */
    async #page(url: string, client: PatientClient, keepsOut: boolean): Promise<PageAsRead> {
        const { token } = this.#input.settings;
        return readDoorPage(url, {
            token,
            pool: this.#pool,
            fetch: (at) => client.fetchPage(at),
            closedBy: async (at) => {
                const verdict = await this.#robots.verdict(at);
                return verdict.allowed ? null : (verdict.rule ?? NO_RULE);
            },
            belongs: (at) => this.#belonging.belongs(at),
            // The first page was typed in; what it leads to was not.
            keepsOut,
            mostHops: MAX_HOPS,
        });
    }

    async #variants(url: string, start: PageAsRead): Promise<DoorVariant[]> {
        const { settings } = this.#input;
        const parsed = new URL(url);
        const pins = pinsOf(settings.pins);
        const hosts = standsAlone(parsed.hostname) ? [] : [parsed.hostname, twinOf(parsed.hostname)].sort();
        const isUsual = !this.#belonging.alone && hosts.length > 0;
        const origins = isUsual ? hosts.flatMap((host) => [`https://${host}`, `http://${host}`]) : [originOf(url)];
        const variants: DoorVariant[] = [];
        for (const origin of origins) {
            const read =
                origin === originOf(url) && pathOf(url) === '/' && !start.page.isLeft
                    ? start
                    : await this.#page(`${origin}/`, this.#ours, this.#input.keepsOut);
            const at = new URL(origin);
            const isPrivate = isPrivateAddress(at.hostname) || at.hostname === 'localhost';
            const last = read.page.hops.at(-1);
            variants.push({
                origin,
                hops: read.page.hops,
                lands: last?.status === 200 && last.to === '' ? originOf(last.url) : '',
                canonical: read.canonicals.length === 1 ? (read.canonicals[0] ?? '') : '',
                certificate:
                    at.protocol === 'https:'
                        ? await certificateOf(
                              at.hostname,
                              Number(at.port || 443),
                              pins,
                              settings.allowPrivate || isPrivate,
                          )
                        : null,
            });
        }
        return variants;
    }

    /** The sitemaps one by one, indexes opened once, and every address they list on the site. */
    async #sitemaps(robots: OriginRobots, url: string): Promise<{ sitemaps: DoorSitemap[]; listed: Set<string> }> {
        const origin = originOf(url);
        const sitemaps: DoorSitemap[] = [];
        const listed = new Set<string>();
        const queue = robots.file.sitemaps.flatMap(({ href, line }): SitemapLead[] => {
            const target = readAddress(href, robots.row.url);
            if (!target.ok) return [];
            return [{ url: target.address.url, found: { by: 'line', file: robots.row.url, line }, in: '' }];
        });
        const isNamed = queue.length > 0;
        for (const place of USUAL_PLACES) {
            queue.push({
                url: `${origin}${place}`,
                found: { by: 'usual', others: isNamed },
                in: '',
            });
        }
        const seen = new Set<string>();
        for (let index = 0; index < queue.length && sitemaps.length < MOST_SITEMAPS; index++) {
            const source = queue[index]!;
            if (seen.has(source.url) || this.#input.stop.aborted) continue;
            seen.add(source.url);
            const knock = await this.#knockAtSitemap(source.url, source.found);
            const status = knock.hops.at(-1)?.status ?? null;
            // A usual place where nothing stands is no trouble.
            const isGuess = source.in === '' && source.found.by === 'usual';
            if (isGuess && knock.belongs && (status === null || status === 404 || status === 410) && isNamed) continue;
            const file = knock.file;
            const isUsable = file !== null && file.entries.length > 0;
            sitemaps.push({
                url: source.url,
                found: source.found,
                kind: isGuess && status !== 200 ? 'missing' : (file?.kind ?? 'unknown'),
                entries: isUsable ? file.entries.length : null,
                bytes: knock.bytes,
                steps: sitemapSteps(knock),
            });
            if (!file) continue;
            if (file.kind === 'sitemapindex') {
                if (source.in !== '') continue;
                for (const entry of file.entries) {
                    queue.push({
                        url: entry.url,
                        found: { by: 'line', file: source.url, line: entry.line },
                        in: source.url,
                    });
                }
            } else for (const entry of file.entries) if (this.#belonging.isInternal(entry.url)) listed.add(entry.url);
        }
        return { sitemaps, listed };
    }

    async #knockAtSitemap(url: string, found: SitemapFound): Promise<SitemapKnock> {
        const knock = { ...bareKnock(url, found), belongs: this.#belonging.belongs(url) };
        if (!knock.belongs) return knock;
        let at = url;
        let answer: Answer | NoAnswer | null = null;
        while (knock.hops.length <= MAX_HOPS) {
            const verdict = await this.#robots.verdict(at);
            if (!verdict.allowed) {
                if (knock.hops.length === 0) knock.closedBy = verdict.rule ?? NO_RULE;
                else
                    knock.hops.push({
                        url: at,
                        status: null,
                        failure: writeProblem(problem('leads-to-closed', { to: at, why: verdict.rule ?? NO_RULE })),
                    });
                return knock;
            }
            answer = await this.#ours.fetchFile(at, MAX_SITEMAP_BYTES);
            knock.hops.push({
                url: at,
                status: answer.ok ? answer.status : null,
                failure: answer.ok ? '' : writeProblem(answer.problem),
            });
            if (!answer.ok || !isRedirectStatus(answer.status)) break;
            const target = readAddress(answer.headers.get('location')?.[0] ?? '', at);
            if (!target.ok || !this.#belonging.belongs(target.address.url)) {
                knock.hops.push({
                    url: target.ok ? target.address.url : at,
                    status: null,
                    failure: writeProblem(
                        target.ok
                            ? problem('leads-elsewhere', { to: target.address.url })
                            : problem('redirect-unusable', { written: '' }),
                    ),
                });
                return knock;
            }
            at = target.address.url;
        }
        if (!answer?.ok || answer.status !== 200) return knock;
        knock.contentType = answer.headers.get('content-type')?.[0] ?? '';
        knock.caching = staleCaching(answer.headers);
        const text = await sitemapText(answer);
        if (!text.ok) {
            knock.bodyTrouble = text.problem;
            return knock;
        }
        knock.bytes = text.bytes;
        knock.file = readSitemap(text.text, at);
        knock.file.troubles.unshift(...text.troubles);
        return knock;
    }

    /** Up to nine open pages: one of each section first, as the start page links them; then what sitemaps list. */
    async #chooseSamples(start: PageAsRead, listed: string[]): Promise<string[]> {
        const landed = start.page.hops.at(-1)?.url ?? start.page.url;
        const linked = start.links.filter(
            (url) => url !== landed && url !== start.page.url && this.#belonging.isInternal(url),
        );
        const bySection = new Map<string, string[]>();
        for (const url of [...new Set([...linked, ...spread(listed, 40)])]) {
            const section = sectionOf(url);
            const list = bySection.get(section);
            if (list) list.push(url);
            else bySection.set(section, [url]);
        }
        const chosen: string[] = [];
        for (let round = 0; chosen.length < SAMPLES && round < 200; round++) {
            const before = chosen.length;
            for (const urls of bySection.values()) {
                const url = urls[round];
                if (url === undefined || chosen.length >= SAMPLES) continue;
                if (url !== landed && (await this.#robots.verdict(url)).allowed) chosen.push(url);
            }
            if (chosen.length === before && [...bySection.values()].every((urls) => urls.length <= round)) break;
        }
        return chosen;
    }

    /** Hosts of the same domain that the start page links to and that are not part of the site. */
    #neighbours(start: PageAsRead): DoorNeighbour[] {
        const own = new URL(this.#input.settings.start).hostname.replace(/^www\./, '');
        if (standsAlone(own)) return [];
        const found = new Map<string, DoorNeighbour>();
        for (const url of start.links) {
            const host = hostOf(url);
            const name = host.replace(/:\d+$/, '');
            if (this.#belonging.belongs(url) || (name !== own && !name.endsWith(`.${own}`))) continue;
            const known = found.get(host);
            if (known) known.links++;
            else if (found.size < MOST_NEIGHBOURS) found.set(host, { host, links: 1, example: url });
        }
        return [...found.values()].sort((a, b) => b.links - a.links);
    }
}

/** Some of a list, evenly taken from its whole length. */
function spread(list: string[], most: number): string[] {
    if (list.length <= most) return list;
    return Array.from({ length: most }, (_, index) => list[Math.floor((index * list.length) / most)] ?? '');
}

/** Caching headers that keep an old sitemap alive for more than a day. */
function staleCaching(headers: Map<string, string[]>): string {
    const control = (headers.get('cache-control') ?? []).join(', ');
    const age = /(?:^|[\s,])(?:s-maxage|max-age)\s*=\s*"?(\d+)/i.exec(control)?.[1];
    if (age !== undefined) return Number(age) > 86_400 ? `Cache-Control: ${control.slice(0, 200)}` : '';
    const expires = Date.parse(headers.get('expires')?.[0] ?? '');
    return expires > Date.now() + 86_400_000 ? `Expires: ${headers.get('expires')?.[0]?.slice(0, 100)}` : '';
}

/** What differs between two agents' answers to one URL. */
function differencesOf(ours: DoorPage, other: DoorPage): DoorDifference[] {
    const differences: DoorDifference[] = [];
    const compare = (what: DifferenceKind, a: string, b: string): void => {
        if (a !== b) differences.push({ url: ours.url, what, ours: a, other: b });
    };
    const answerOf = (page: DoorPage): string => (page.status === null ? page.failure : String(page.status));
    compare('status', answerOf(ours), answerOf(other));
    compare('landing', ours.hops.at(-1)?.url ?? '', other.hops.at(-1)?.url ?? '');
    if (ours.status !== other.status || !isHtmlType(ours.contentType) || !isHtmlType(other.contentType))
        return differences;
    compare('noindex', ours.noindex?.say ?? '', other.noindex?.say ?? '');
    compare('canonical', ours.canonical?.say ?? '', other.canonical?.say ?? '');
    compare('title', ours.title, other.title);
    const counts = (what: DifferenceKind, a: number | null, b: number | null): void => {
        const apart = Math.abs((a ?? 0) - (b ?? 0));
        if (apart > NOISE_COUNT && apart > NOISE_SHARE * Math.max(a ?? 0, b ?? 0))
            compare(what, String(a ?? 0), String(b ?? 0));
    };
    counts('words', ours.words, other.words);
    counts('links', ours.links, other.links);
    return differences;
}
