/**
 * How good proposals are: existing links that stand in sentences are taken as not there, one at a time, and proposals
 * are asked for their target. Told is how often the page that had the link, and its very sentence, is among the first;
 * beside two plain rivals: BM25 of the target's title over pages, and the occurrence of its title or h1.
 *
 * `--folder DIR` is a data folder whose newest surveys are taken, site by site. Before that, the time of one target on a
 * made site of `--pages` pages (100,000), and the size of its word index.
 */
import type { CheckId } from '../src/lib/core/checks/check.ts';
import { ANCHOR_CHECKS } from '../src/lib/core/checks/anchors.ts';
import { NOTHING_BESIDE } from '../src/lib/core/checks/beside.ts';
import { foundOf } from '../src/lib/core/checks/found.ts';
import { CHECKS } from '../src/lib/core/checks/register.ts';
import { REGISTER_SETTINGS } from '../src/lib/core/checks/settings.ts';
import { siteView } from '../src/lib/core/checks/site-findings.ts';
import type { PackedSurvey } from '../src/lib/core/packed/packed-survey.ts';
import { deflateRawSync } from 'node:zlib';
import { packRows } from '../src/lib/core/pack/pack-survey.ts';
import { runningText } from '../src/lib/core/page/running-text.ts';
import { StemNumbers } from '../src/lib/core/proposals/stem-numbers.ts';
import { fitsOf } from '../src/lib/core/subjects/anchor-fit.ts';
import { rowsOf } from './made-columns.ts';
import { MADE_ORIGIN } from './made-rows.ts';
import { madeText, vocabulary } from './words.ts';
import { decodeSections, encodeSections } from '../src/lib/core/packed/sections.ts';
import { linkGraphOf } from '../src/lib/core/packed/link-graph.ts';
import { leadersTo, Proposer, type LeftOut } from '../src/lib/core/proposals/proposer.ts';
import { hiding, type HidableLink } from '../src/lib/core/proposals/hide-link.ts';
import { sourceText, type SourceText } from '../src/lib/core/proposals/source-text.ts';
import { ownParts, siteNames } from '../src/lib/core/subjects/site-names.ts';
import { languageOf } from '../src/lib/core/text/language.ts';
import { stemmerOf } from '../src/lib/core/text/stems.ts';
import { stopWordsOf } from '../src/lib/core/text/stop-words.ts';
import { WordIndex, WordIndexMaker } from '../src/lib/core/text/word-index.ts';
import { wordsOf } from '../src/lib/core/text/words.ts';
import { OpenSurveys } from '../src/lib/server/open/open-surveys.ts';
import { SourceTexts } from '../src/lib/server/proposals/source-texts.ts';
import { listSites } from '../src/lib/server/store/site-store.ts';
import { listSurveys } from '../src/lib/server/store/survey-store.ts';
import type { BenchOptions } from './bench.ts';
import { openBenchStore } from './made-site.ts';
import { line, ratio } from './measure.ts';

/** Links hidden of each site. */
const HIDDEN = 200;
/** Pages whose texts are read for a target. */
const READ = 200;
const AMONG = [1, 5, 20] as const;
const SEED = 20_261_129;

export async function proposalsBench(options: BenchOptions): Promise<void> {
    await latency(options.pages ?? 100_000);
    // How good they are is measured on surveys that are there.
    if (options.folder === null) return;
    const bench = await openBenchStore(options.folder);
    const { db } = bench.store;
    const open = new OpenSurveys(() => bench.store);
    for (const site of await listSites(db)) {
        const [survey] = await listSurveys(db, site.id);
        if (!survey) continue;
        const packed = await open.open(survey, ['core', 'measures', 'text', 'links']);
        const bytes = await open.bytesOf(survey, 'words');
        if (!bytes) continue;
        const words = new WordIndex(decodeSections(bytes));
        line(`\n${site.name}`, `${packed.count} URLs, ${words.pages} with text`);
        const texts = new SourceTexts(packed, survey.id, 4e9);
        const all: number[] = [];
        for (let node = 0; node < packed.count; node++) if (packed.numbers('page')[node] === 1) all.push(node);
        for (let at = 0; at < all.length; at += 500) await texts.of(db, all.slice(at, at + 500));
        const read = await texts.of(db, all);
        await quality(packed, words, texts, read, options.misses);
    }
    await bench.end();
}

/** Pages whose texts are read for one target, as the server does (`server/proposals/propose.ts`). */
const FIRST_READ = 160;
const TARGETS = 20;

/** The time of one target on a large made site: ranking its pages, cutting and reading the texts of the first of them. */
async function latency(pages: number): Promise<void> {
    const { survey } = packRows({ start: `${MADE_ORIGIN}/`, state: 'finished', cut: [] }, rowsOf(pages));
    const text = madeText(vocabulary(), 3);
    const maker = new WordIndexMaker();
    const kept = new Map<number, string>();
    const making = performance.now();
    for (let node = 0; node < survey.count; node++) {
        const own = text();
        // Enough sources are kept as HTML to be cut again; all pages are in the index.
        if (kept.size < 4_000) kept.set(node, own);
        maker.add(node, own, 'en');
    }
    const sections = maker.done(survey.count);
    const words = new WordIndex(sections);
    const made = performance.now() - making;
    const fitting = performance.now();
    sections.columns.set('fit', fitsOf(survey, words));
    const fitted = performance.now() - fitting;
    anchorChecks(survey, words);
    const bytes = encodeSections(sections);
    const packed = deflateRawSync(bytes, { level: 1 });
    line(
        `\n${pages.toLocaleString('en')} pages of 300 words, index with fits`,
        `${(made / 1000).toFixed(1)} s with making the texts, ${(fitted / 1000).toFixed(1)} s for fits; ${(bytes.length / 1e6).toFixed(1)} MB, ${(packed.length / 1e6).toFixed(1)} MB kept`,
    );
    const stems = new StemNumbers();
    const proposer = new Proposer(survey, words, stems);
    const html = [...kept.values()].map(
        (own) => `<html lang="en"><body><main><p>${own.split('. ').join('.</p><p>')}</p></main></body></html>`,
    );
    const times = { ranking: [] as number[], reading: [] as number[] };
    for (let at = 0; at < TARGETS; at++) {
        const node = Math.floor((survey.count / TARGETS) * at);
        const own = sourceText(runningText(html[at]!, survey.url(node)), () => false, 'en', stems);
        const began = performance.now();
        const said = kept.get(at)!.split(' ').slice(40, 44).join(' ');
        const target = proposer.target(node, own, [said]);
        const leads = leadersTo(survey, new Set([node]));
        const ranked = proposer.ranked(target, (other) => leads[other] === 1, FIRST_READ);
        const middle = performance.now();
        ranked.forEach((page, index) => {
            const read = sourceText(
                runningText(html[(at * FIRST_READ + index) % html.length]!, survey.url(page.node)),
                () => false,
                'en',
                stems,
            );
            proposer.ofPage(target, page, read);
        });
        times.ranking.push(middle - began);
        times.reading.push(performance.now() - middle);
    }
    const told = (all: number[]): string => {
        const sorted = all.slice(1).sort((a, b) => a - b);
        return `${sorted[sorted.length >> 1]!.toFixed(0)} ms, at most ${sorted.at(-1)!.toFixed(0)}; the first ${all[0]!.toFixed(0)}`;
    };
    line('  ranking the pages for one target, middle', told(times.ranking));
    line(`  cutting and reading ${FIRST_READ} texts`, told(times.reading));
}

/** The checks of anchors alone, over all links, with the fits that are kept; links read once beside them as the yardstick. */
function anchorChecks(survey: PackedSurvey, words: WordIndex): void {
    const own = new Set<CheckId>(ANCHOR_CHECKS.map(({ id }) => id));
    const settings = { ...REGISTER_SETTINGS, off: new Set(CHECKS.map(({ id }) => id).filter((id) => !own.has(id))) };
    const view = siteView(survey, {
        goals: { all: null, first: null, second: null, third: null },
        priority: new Uint8Array(survey.count),
        settings,
        beside: { ...NOTHING_BESIDE, anchorFits: () => words.fits! },
    });
    const { pageBlocks, blockList, listStart, target } = linkGraphOf(survey);
    const reading = performance.now();
    let [sum, occurrences] = [0, 0];
    for (const block of pageBlocks) {
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) sum += target[link]!;
        occurrences += listStart[list + 1]! - listStart[list]!;
    }
    const read = performance.now() - reading;
    const began = performance.now();
    const found = foundOf(view);
    const first = performance.now() - began;
    line(
        `  ${own.size} checks of anchors, ${occurrences.toLocaleString('en')} link occurrences`,
        `${first.toFixed(0)} ms at first, ${found.check.length.toLocaleString('en')} findings`,
    );
    line('  ratio, to reading each occurrence once', ratio(first, Math.max(read, sum === 0 ? Infinity : 0.1)));
}

/** Ranks, from 0, of the hidden page and of its sentence; -1 for none. */
interface Ranks {
    page: number;
    sentence: number;
}

async function quality(
    survey: PackedSurvey,
    words: WordIndex,
    texts: SourceTexts,
    read: ReadonlyMap<number, SourceText | null>,
    tellsMisses: boolean,
): Promise<void> {
    const proposer = new Proposer(survey, words, texts.stems);
    const cases = hidable(survey, read, proposer);
    shuffle(cases, SEED);
    const picked = cases.slice(0, HIDDEN);
    const ours: Ranks[] = [];
    const bm25: Ranks[] = [];
    const occurs: Ranks[] = [];
    let took = 0;
    for (const link of picked) {
        const text = read.get(link.page)!;
        const leads = leadersTo(survey, new Set([link.target]));
        leads[link.page] = 0;
        hiding(text, link, () => {
            const began = performance.now();
            const leftOut: LeftOut = { link: link.link, page: link.page };
            const target = proposer.target(link.target, read.get(link.target) ?? null, [], leftOut);
            const ranked = proposer.ranked(target, (node) => leads[node] === 1, READ);
            const found = ranked.flatMap((page) => {
                const source = read.get(page.node);
                return source ? proposer.ofPage(target, page, source) : [];
            });
            found.sort((a, b) => b.score - a.score || a.source - b.source);
            took += performance.now() - began;
            const page = found.findIndex(({ source }) => source === link.page);
            const { sentence } = found[page] ?? {};
            const isRight =
                sentence !== undefined &&
                sentence.passage === link.passage &&
                sentence.from <= link.from &&
                sentence.to >= link.to;
            ours.push({ page, sentence: isRight ? page : -1 });
            if (tellsMisses && (page === -1 || page >= 5)) {
                const own = found[page];
                console.log(
                    `  missed (${page}) "${text.running.passages[link.passage]!.text.slice(link.from, link.to)}" ${survey.url(link.page).slice(-50)} -> ${survey.url(link.target).slice(-50)}`,
                    own ? JSON.stringify(own.parts) : '',
                    JSON.stringify(found[0]?.parts),
                );
            }
            const rivals = rivalRanks(survey, words, read, link, (node) => leads[node] === 1, proposer);
            bm25.push(rivals.bm25);
            occurs.push(rivals.occurs);
        });
    }
    line(
        'links that stand in sentences, hidden',
        `${cases.length}, ${picked.length}; ${(took / picked.length).toFixed(0)} ms each, texts read already`,
    );
    for (const [name, ranks] of [
        ['proposals', ours],
        ['BM25 of the title', bm25],
        ['title or h1 occurs', occurs],
    ] as const) {
        const share = (what: keyof Ranks, most: number): string =>
            (ranks.filter((rank) => rank[what] !== -1 && rank[what] < most).length / ranks.length).toFixed(2);
        line(`  ${name}: pages among 1, 5, 20`, AMONG.map((most) => share('page', most)).join(' '));
        line(`  ${name}: sentences`, AMONG.map((most) => share('sentence', most)).join(' '));
    }
}

/** Links of running text that could have been proposed: the only ones of their page to their target, with words beside them. */
function hidable(
    survey: PackedSurvey,
    read: ReadonlyMap<number, SourceText | null>,
    proposer: Proposer,
): HidableLink[] {
    const { pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const cases: HidableLink[] = [];
    for (const [page, text] of read) {
        if (!text || !proposer.isSource(page)) continue;
        const links = new Map<number, number[]>();
        for (let at = pageStart[page]!; at < pageStart[page + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== 0 || to < 0 || to >= survey.count) continue;
                links.set(to, [...(links.get(to) ?? []), link]);
            }
        }
        for (const { passage, first, last, from, to } of text.sentences) {
            let free = 0;
            for (let at = first; at < last; at++) free += 1 - text.isTaken[at]!;
            if (free < 4) continue;
            for (const taken of text.running.passages[passage]!.taken) {
                if (taken.link === -1 || taken.from < from || taken.to > to) continue;
                const node = survey.nodeOf(taken.target);
                const own = links.get(node);
                if (node === -1 || node === page || own?.length !== 1 || !proposer.isSource(node)) continue;
                cases.push({ page, target: node, link: own[0]!, passage, from: taken.from, to: taken.to });
            }
        }
    }
    return cases;
}

function shuffle<T>(items: T[], seed: number): void {
    let state = seed;
    for (let at = items.length - 1; at > 0; at--) {
        state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
        const other = state % (at + 1);
        [items[at], items[other]] = [items[other]!, items[at]!];
    }
}

/** What two plain ways find, among the same pages and sentences. */
function rivalRanks(
    survey: PackedSurvey,
    words: WordIndex,
    read: ReadonlyMap<number, SourceText | null>,
    link: HidableLink,
    leads: (node: number) => boolean,
    proposer: Proposer,
): { bm25: Ranks; occurs: Ranks } {
    const tag = survey.word('language', link.target);
    const language = languageOf(tag);
    const stem = stemmerOf(language);
    const title = ownParts(survey.texts('title').at(link.target), siteNames(survey)).join(' ');
    const stems = new Set(
        wordsOf(title, tag)
            .map(({ word }) => word)
            .filter((word) => !stopWordsOf(language).has(word.toLowerCase()))
            .map(stem),
    );
    const average = [...read.keys()].reduce((sum, node) => sum + words.wordsAt(node), 0) / Math.max(1, words.pages);
    const scores = new Map<number, number>();
    for (const word of stems) {
        const { nodes, times } = words.postings(word);
        for (let at = 0; at < nodes.length; at++) {
            const node = nodes[at]!;
            const often = times[at]!;
            const score =
                (words.rarityOf(word) * often * 2.2) / (often + 1.2 * (0.25 + (0.75 * words.wordsAt(node)) / average));
            scores.set(node, (scores.get(node) ?? 0) + score);
        }
    }
    const isFree = (node: number): boolean =>
        node !== link.target && !leads(node) && proposer.isSource(node) && !!read.get(node);
    const byScore = [...scores].filter(([node]) => isFree(node)).sort(([a, x], [b, y]) => y - x || a - b);
    const isOwn = (text: SourceText, at: number): boolean => {
        const sentence = text.sentences[at];
        return !!sentence && sentence.passage === link.passage && sentence.from <= link.from && sentence.to >= link.to;
    };
    const text = read.get(link.page)!;
    const page = byScore.findIndex(([node]) => node === link.page);
    let best = -1;
    let most = 0;
    text.sentences.forEach(({ passage, from, to }, at) => {
        const own = new Set(
            wordsOf(text.running.passages[passage]!.text.slice(from, to), tag).map(({ word }) => stem(word)),
        );
        let score = 0;
        for (const word of own) if (stems.has(word)) score += words.rarityOf(word);
        if (score > most) [best, most] = [at, score];
    });
    const names = [title, survey.texts('h1').at(link.target)]
        .filter((name) => name !== '')
        .map((name) => name.toLowerCase());
    const occursIn = (source: SourceText): number =>
        source.sentences.findIndex(({ passage, from, to }) => {
            const sentence = source.running.passages[passage]!.text.slice(from, to).toLowerCase();
            return names.some((name) => sentence.includes(name));
        });
    const having = [...read]
        .filter(([node, source]) => source && isFree(node) && occursIn(source) !== -1)
        .map(([node]) => node);
    const standing = survey.numbers('standing');
    having.sort((a, b) => standing[b]! - standing[a]! || a - b);
    const at = having.indexOf(link.page);
    return {
        bm25: { page, sentence: isOwn(text, best) ? page : -1 },
        occurs: { page: at, sentence: at !== -1 && isOwn(text, occursIn(text)) ? at : -1 },
    };
}
