/** `edgemap door URL`: the door check on the command line. Needs no database and stores nothing. */
import { foundWords, toldStep } from '../src/lib/core/words/sitemap-steps.ts';
import { DOOR_STEPS, robotsNote, toldDifference, toldVerdict, whereWords } from '../src/lib/core/words/door.ts';
import { parseArgs } from 'node:util';
import { storedWords } from '../src/lib/core/words/problems.ts';
import type { DoorFacts, DoorPage, DoorReport, DoorSitemap } from '../src/lib/core/door/door-report.ts';
import { toldReport } from '../src/lib/core/formats/told-report.ts';
import { realOrigin } from '../src/lib/core/door/judge-door.ts';
import { checkDoor, OTHER_AGENT } from '../src/lib/server/crawl/door-check.ts';
import { rewriteLine } from '../src/lib/server/process/clean-output.ts';
import { settingOptions, settingsOfCommand } from './survey-options.ts';
import { EXIT, UsageError } from './usage.ts';

export async function doorCommand(words: string[]): Promise<number> {
    let parsed;
    try {
        parsed = parseArgs({
            args: words,
            allowPositionals: true,
            options: {
                data: { type: 'string' },
                json: { type: 'boolean' },
                'keep-out': { type: 'boolean' },
                'other-agent': { type: 'string' },
                settings: { type: 'string' },
                preset: { type: 'string' },
                ...settingOptions(),
            },
        });
    } catch (error) {
        throw new UsageError((error as Error).message);
    }
    const { values, positionals } = parsed;
    const [start, ...more] = positionals;
    if (more.length > 0) throw new UsageError(`One URL at a time; "${more[0]}" is one too many.`);
    if (start === undefined && values.settings === undefined)
        throw new UsageError('Say at which door: ./edgemap door https://www.site.example/');
    const { settings, secrets } = settingsOfCommand({
        start,
        file: values.settings,
        preset: values.preset,
        options: values,
    });
    const otherAgent = values['other-agent'] ?? OTHER_AGENT;
    if (!/^[\x20-\x7e]{1,500}$/.test(otherAgent)) {
        throw new UsageError(
            '--other-agent takes up to 500 characters of plain ASCII, as a User-Agent header may hold.',
        );
    }
    const stop = new AbortController();
    const onSignal = (): void => stop.abort();
    process.on('SIGINT', onSignal);
    process.on('SIGTERM', onSignal);
    const isTerminal = process.stderr.isTTY;
    const report = await checkDoor({
        settings,
        secrets,
        keepsOut: values['keep-out'] === true,
        otherAgent,
        stop: stop.signal,
        onStep: (step) => isTerminal && rewriteLine(DOOR_STEPS[step]),
    });
    if (isTerminal) rewriteLine('');
    if (stop.signal.aborted) return EXIT.interrupted;
    console.log(values.json === true ? JSON.stringify(toldReport(report), null, 2) : doorText(report));
    return report.verdict.state === 'shut' ? EXIT.shut : EXIT.done;
}

/** The report as text: the sentence, what shuts, then what was found. */
export function doorText(report: DoorReport): string {
    const { facts } = report;
    const verdict = toldVerdict(report);
    const lines = [verdict.say];
    for (const bolt of verdict.bolts) {
        lines.push('', `${capital(bolt.by)}${bolt.isHidden ? ' (hidden behind robots.txt)' : ''}`);
        lines.push(`  ${bolt.say}`, `  where: ${bolt.where}`, `  opens: ${bolt.opens}`);
    }
    if (verdict.remarks.length > 0) lines.push('', 'Remarks', ...verdict.remarks.map((say) => `  ${say}`));
    lines.push('', 'Ways to write the host', ...variantLines(facts));
    const { robots } = facts;
    const size = robots.bytes === null ? '' : `, ${robots.bytes.toLocaleString('en')} bytes`;
    lines.push('', 'robots.txt', `  ${robots.url}: ${robots.status ?? 'no answer'}${size}; ${robotsNote(robots)}`);
    if (robots.rule !== '') lines.push(`  decides for the start page: ${robots.rule} (line ${robots.line})`);
    lines.push('', 'Start page', ...pageLines(facts.start));
    lines.push(
        '',
        `Sitemaps${facts.expected === null ? '' : `: ${facts.expected.toLocaleString('en')} addresses to expect`}`,
    );
    if (facts.sitemaps.length === 0) lines.push('  none found');
    for (const sitemap of facts.sitemaps) lines.push(...sitemapLines(sitemap));
    const open = facts.samples.filter((page) => page.status === 200 && page.failure === '').length;
    lines.push('', `Pages tried behind it: ${open} of ${facts.samples.length} answer 200`);
    for (const page of facts.samples) {
        if (page.status !== 200 || page.noindex) {
            lines.push(
                `  ${page.url}: ${page.status ?? storedWords(page.failure)}${page.noindex ? `, ${storedWords(page.noindex.say)}` : ''}`,
            );
        }
    }
    lines.push(
        '',
        `Asked again as “${facts.otherAgent}”: ${facts.differences.length === 0 ? 'no difference' : `${facts.differences.length} ${facts.differences.length === 1 ? 'difference' : 'differences'}`}`,
    );
    for (const item of facts.differences.map(toldDifference))
        lines.push(`  ${item.url}: ${item.what}: “${item.ours}” to us, “${item.other}” to it`);
    if (facts.neighbours.length > 0) {
        lines.push(
            '',
            'Neighbour hosts',
            ...facts.neighbours.map(
                (item) => `  ${item.host}: ${item.links} ${item.links === 1 ? 'link' : 'links'} from the start page`,
            ),
        );
    }
    return lines.join('\n');
}

function variantLines(facts: DoorFacts): string[] {
    const real = realOrigin(facts);
    return facts.variants.map((variant) => {
        const way = variant.hops
            .map((hop) => (hop.status === null ? storedWords(hop.failure) : String(hop.status)))
            .join(' → ');
        const lands =
            variant.lands === ''
                ? ''
                : variant.lands === variant.origin
                  ? ', answers itself'
                  : `, lands at ${variant.lands}`;
        const { certificate } = variant;
        const tls =
            certificate === null
                ? ''
                : certificate.isTrusted
                  ? ', certificate in order'
                  : `, certificate: ${storedWords(certificate.trouble)}${certificate.isPinned ? ' (taken, because the host is pinned)' : ''}`;
        return `  ${variant.origin}: ${way || 'not asked'}${lands}${tls}${variant.origin === real ? ' (the real one)' : ''}`;
    });
}

function pageLines(page: DoorPage): string[] {
    if (page.isLeft) return [`  not asked for: ${storedWords(page.closedBy)}`];
    const lines = page.hops.map(
        (hop) => `  ${hop.url}: ${hop.status ?? storedWords(hop.failure)}${hop.to === '' ? '' : ` → ${hop.to}`}`,
    );
    if (page.words !== null) {
        lines.push(
            `  “${page.title}”, ${page.language === '' ? 'no language said' : `language ${page.language}`}, ${page.words.toLocaleString('en')} words, ${page.links ?? 0} links into the site`,
        );
    }
    if (page.noindex) lines.push(`  ${storedWords(page.noindex.say)}: ${whereWords(page.noindex.where)}`);
    return lines;
}

function sitemapLines(sitemap: DoorSitemap): string[] {
    const entries =
        sitemap.entries === null
            ? ''
            : `, ${sitemap.entries.toLocaleString('en')} ${sitemap.kind === 'sitemapindex' ? 'files' : 'addresses'}`;
    return [
        `  ${sitemap.url} (${foundWords(sitemap.found)})${entries}`,
        ...sitemap.steps
            .map(toldStep)
            .filter((step) => step.ok !== true || step.test === 'all')
            .map(
                (step) =>
                    `    ${step.ok === false ? 'fails' : step.ok === null ? 'odd' : 'fine'}: ${step.tried}: ${step.seen}`,
            ),
    ];
}

function capital(text: string): string {
    return text.charAt(0).toUpperCase() + text.slice(1);
}
