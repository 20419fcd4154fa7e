/** All checks of the register over the packed survey of a large site: time of one core, and memory while they run. */
import { causesOf } from '../src/lib/core/checks/causes.ts';
import { foundOf } from '../src/lib/core/checks/found.ts';
import { CHECKS } from '../src/lib/core/checks/register.ts';
import { siteFindings, siteView } from '../src/lib/core/checks/site-findings.ts';
import { hostUrls, judgedUrls, robotsChange } from '../src/lib/core/areas/robots-change.ts';
import { packRows } from '../src/lib/core/pack/pack-survey.ts';
import { buildSitemap } from '../src/lib/core/sitemap/build-sitemap.ts';
import { readSitemap } from '../src/lib/core/sitemap/read-sitemap.ts';
import type { PackedSurvey } from '../src/lib/core/packed/packed-survey.ts';
import type { BenchOptions } from './bench.ts';
import { OWN, rowsOf } from './made-columns.ts';
import { MADE_ORIGIN, occurrencesOf } from './made-rows.ts';
import { fastest, line, ratio } from './measure.ts';

const RUNS = 3;
const GOALS = { all: 4, first: null, second: null, third: null };
/** Findings between two looks at the memory. */
const LOOK = 50_000;

export async function checksBench({ pages }: BenchOptions): Promise<void> {
    const count = pages ?? 100_000;
    const began = performance.now();
    const { survey } = packRows({ start: `${MADE_ORIGIN}/`, state: 'finished', cut: [] }, rowsOf(count));
    const packing = performance.now() - began;
    const view = siteView(survey, { goals: GOALS, priority: new Uint8Array(survey.count) });
    let findings = 0;
    let most = 0;
    // What making the rows left behind is not theirs.
    const base = heapAfterCollecting();
    const first = performance.now();
    foundOf(view);
    const finding = performance.now() - first;
    most = process.memoryUsage().heapUsed;
    for (const _ of siteFindings(view)) {
        if (++findings % LOOK === 0) most = Math.max(most, process.memoryUsage().heapUsed);
    }
    const took = performance.now() - first;
    const occurrences = count * occurrencesOf(OWN);
    line(
        `${CHECKS.length} checks, ${count.toLocaleString('en')} pages, ${occurrences.toLocaleString('en')} occurrences`,
        `${finding.toFixed(0)} ms; ${took.toFixed(0)} ms with telling ${findings.toLocaleString('en')} findings`,
    );
    const telling = await fastest(RUNS, () => {
        for (const _ of siteFindings(view));
    });
    line('  telling them again, once they are found', `${telling.toFixed(0)} ms`);
    const causing = performance.now();
    const { open } = causesOf(view);
    line(`  ${open.length.toLocaleString('en')} causes, at first`, `${(performance.now() - causing).toFixed(0)} ms`);
    const { check, severity, subject, cause, accepted, start } = foundOf(view);
    const bytes = [check, severity, subject, cause, accepted, start].reduce(
        (sum, column) => sum + column.byteLength,
        0,
    );
    line('  the findings as columns', `${(bytes / 1e6).toFixed(1)} MB, ${subject.length.toLocaleString('en')} rows`);
    line('  ratio, checking to making and packing the rows', ratio(finding, packing));
    line('  more heap while they run, at most', `${((most - base) / 1e6).toFixed(0)} MB`);
    line('  of that kept', `${((heapAfterCollecting() - base) / 1e6).toFixed(0)} MB`);
    await robotsEdit(survey);
    await sitemapOf(survey);
}

/** A sitemap of 50,000 entries, with dates, and the reading of it. */
async function sitemapOf(survey: PackedSurvey): Promise<void> {
    const entries = Array.from({ length: Math.min(50_000, survey.count) }, (_, node) => ({
        url: survey.url(node),
        lastmod: '2026-03-16',
    }));
    const plan = { at: `${MADE_ORIGIN}/`, split: 'size', gzip: false } as const;
    const building = await fastest(RUNS, () => void buildSitemap(entries, plan));
    const [file] = buildSitemap(entries, plan).files;
    const reading = await fastest(RUNS, () => void readSitemap(file!.text, `${MADE_ORIGIN}/sitemap.xml`));
    line(`a sitemap of ${entries.length.toLocaleString('en')} entries built`, `${building.toFixed(0)} ms`);
    line('  ratio, building to reading it', ratio(building, reading));
}

/** A robots.txt of twenty rules that a letter is typed into, judged anew over all known URLs; and the paths that are lost. */
async function robotsEdit(survey: PackedSurvey): Promise<void> {
    const rules = Array.from({ length: 20 }, (_, rule) =>
        rule % 4 === 0 ? `Disallow: /*?p${rule}=` : `Disallow: /section-${rule}/folder/`,
    );
    const before = `User-agent: *\n${rules.join('\n')}\n`;
    let after = `${before}Disallow: /a\n`;
    const began = performance.now();
    const { urls } = hostUrls(survey, MADE_ORIGIN);
    const ready = performance.now() - began;
    const plain = await fastest(RUNS, () => {
        let length = 0;
        for (const url of urls) length += encodeURI(url).length;
        if (length < urls.length) throw new Error('no address is empty');
    });
    const judging = await fastest(RUNS, () => {
        // A letter more each time: a pattern that was not met before.
        after = `${after.trimEnd()}b\n`;
        judgedUrls(survey, MADE_ORIGIN, { before, after }, 'edgemap');
    });
    line(
        `a robots.txt of ${rules.length} rules edited, ${urls.length.toLocaleString('en')} URLs`,
        `${judging.toFixed(0)} ms`,
    );
    line('  ratio, to writing each URL in octets once', ratio(judging, plain));
    line('  making the URLs ready, once', `${ready.toFixed(0)} ms`);
    const paths = await fastest(RUNS, () => {
        robotsChange(survey, MADE_ORIGIN, { before, after }, 'edgemap');
    });
    line('  with the paths that are lost', `${paths.toFixed(0)} ms`);
}

/** Bytes of the heap once what nothing refers to has been collected. */
function heapAfterCollecting(): number {
    (globalThis as { gc?: () => void }).gc?.();
    return process.memoryUsage().heapUsed;
}
