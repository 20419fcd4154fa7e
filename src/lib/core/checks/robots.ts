/** What does robots.txt say? Its lines, read as RFC 9309 has them, and what each rule does to known URLs. */
import { hostOf, originOf, readAddress } from '../address/address.ts';
import { variantKey } from '../address/variants.ts';
import { hostUrls } from '../areas/robots-change.ts';
import { known, readProblems } from '../problems/problem.ts';
import { deciderOf, isPattern, quoteRule } from '../robots/decide.ts';
import { readRobots, rulesFor, type RobotsRule } from '../robots/read-robots.ts';
import { robotsLines, type RobotsLineKind } from '../robots/robots-lines.ts';
import { robotsEffects, type RuleEffect } from '../robots/rule-effects.ts';
import { HeldLinks } from './held-links.ts';
import { defineCheck, type Check, type CheckView, type RobotsText, type ToldOfFile } from './check.ts';

/** Groups of different rules that are judged in one file: each is asked about every known URL. */
const MOST_GROUPS = 20;
const MOST_QUOTED = 100;

const quoted = (text: string): string => text.trim().slice(0, MOST_QUOTED);

/** The files that could be read. */
const readable = ({ robots }: CheckView): RobotsText[] => robots.filter(({ text }) => text !== '');

/** One finding for each line of some kind. */
function ofLines<P>(view: CheckView, kind: RobotsLineKind, params: (text: string) => P): ToldOfFile<P>[] {
    return readable(view).flatMap(({ url, text }) =>
        isHtml(text)
            ? []
            : robotsLines(text)
                  .filter((line) => line.kind === kind)
                  .map((line) => ({ params: params(quoted(line.text)), file: url, line: line.line })),
    );
}

const isHtml = (text: string): boolean => /^\s*(?:<!doctype html|<html|<head|<body)/i.test(text);

/** What each rule does for the agents it speaks to: of several the most. By line. */
function effectsOf(view: CheckView, file: RobotsText): RuleEffect[] {
    const { matcher } = hostUrls(view.survey, originOf(file.url));
    const read = readRobots(file.text);
    const tokens = [...new Set(read.groups.flatMap(({ agents }) => agents))];
    const judged = new Map<string, RobotsRule[]>();
    for (const token of tokens) {
        const rules = rulesFor(read, token);
        judged.set(rules.map(({ line }) => line).join(' '), rules);
    }
    const byLine = new Map<number, RuleEffect>();
    for (const rules of [...judged.values()].slice(0, MOST_GROUPS)) {
        for (const effect of robotsEffects(rules, matcher).rules) {
            const before = byLine.get(effect.rule.line);
            if (!before || effect.decides > before.decides) byLine.set(effect.rule.line, effect);
        }
    }
    return [...byLine.values()].sort((a, b) => a.rule.line - b.rule.line);
}

/** One finding for each rule that could decide, and does so nowhere. */
function ofRules<P>(view: CheckView, params: (effect: RuleEffect) => P | null): ToldOfFile<P>[] {
    return readable(view).flatMap((file) =>
        effectsOf(view, file).flatMap((effect) => {
            if (!isPattern(effect.rule.pattern) || effect.decides > 0) return [];
            const told = params(effect);
            return told === null ? [] : [{ params: told, file: file.url, line: effect.rule.line }];
        }),
    );
}

export const ROBOTS_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'robots-unreachable',
        severity: 'fault',
        looks: 'file',
        name: 'robots.txt out of reach',
        fires: 'A robots.txt that answers with 500 or above, or not at all.',
        quiet: 'One that answers with 400 to 499: there are no rules.',
        why: 'Until it can be had again everything counts as closed (RFC 9309 2.3.1.4).',
        advice: 'Let it answer 200 with its rules, or 404 if there are none.',
        example: '/robots.txt answers 503',
        ofFiles: ({ robots }) =>
            robots.flatMap(({ url, problems }) => {
                const closed = problems.find(({ code }) => code === 'all-closed');
                if (closed?.code !== 'all-closed') return [];
                return [{ params: { why: known(closed.params.why) }, file: url, line: null }];
            }),
    }),
    defineCheck({
        id: 'robots-html',
        severity: 'fault',
        looks: 'file',
        name: 'HTML in place of robots.txt',
        fires: 'A robots.txt that begins as HTML does.',
        quiet: 'Lines of rules with a stray tag below them.',
        why: 'Whatever was to be closed is open: no line of it is a rule.',
        advice: 'Serve the file itself; often an error page or the start page answers in its place with 200.',
        example: '/robots.txt: `<!doctype html><title>Not found</title>`',
        ofFiles: (view) =>
            readable(view)
                .filter(({ text }) => isHtml(text))
                .map(({ url }) => ({ params: {}, file: url, line: 1 })),
    }),
    defineCheck({
        id: 'robots-redirect',
        severity: 'remark',
        looks: 'file',
        name: 'robots.txt that redirects',
        fires: 'A robots.txt that leads to another address; on another host, it is a risk.',
        quiet: 'Forms of the host that redirect to the one that is meant, their robots.txt to its robots.txt.',
        why: 'Five redirects must be followed, and not all who ask do so (RFC 9309 2.3.1.2).',
        advice: 'Answer with the rules where they are asked for.',
        example: '/robots.txt, which answers 301 to /rules/robots.txt',
        ofFiles: ({ robots }) =>
            robots.flatMap(({ url, problems }) =>
                problems.flatMap((item) => {
                    if (item.code !== 'robots-redirected') return [];
                    const { from } = item.params;
                    if (variantKey(from) === variantKey(url)) return [];
                    const severity = hostOf(from) === hostOf(url) ? 'remark' : 'risk';
                    return [{ params: { to: url }, severity, file: from, line: null } as const];
                }),
            ),
    }),
    defineCheck({
        id: 'robots-too-large',
        severity: 'risk',
        looks: 'file',
        name: 'robots.txt too large',
        fires: 'A robots.txt of more than 500 KiB.',
        quiet: 'One of exactly 500 KiB.',
        why: 'Nobody has to read further (RFC 9309 2.5): rules behind that hold for some and not for others.',
        advice: 'Say the same with fewer rules: a folder, or a pattern with a wildcard, in place of single addresses.',
        example: '/robots.txt of 600 KiB, a line for each address that is closed',
        ofFiles: ({ robots }) =>
            robots
                .filter(({ problems }) => problems.some((item) => item.code === 'robots-read' && item.params.isCut))
                .map(({ url }) => ({ params: {}, file: url, line: null })),
    }),
    defineCheck({
        id: 'robots-line-unread',
        severity: 'risk',
        looks: 'file',
        name: 'Line that nobody reads',
        fires: 'A line of robots.txt that no parser takes: a misspelt name, or no colon.',
        quiet: 'Comments, blank lines, and names that are usual though in no standard, such as Crawl-delay.',
        why: 'It looks like a rule and is none.',
        advice: 'Write it as User-agent, Allow, Disallow or Sitemap, or take it out.',
        example: '`Dissallow: /members/`',
        ofFiles: (view) => ofLines(view, 'unread', (text) => ({ text })),
    }),
    defineCheck({
        id: 'robots-no-slash',
        severity: 'risk',
        looks: 'file',
        name: 'Rule without a slash',
        fires: 'A rule whose pattern starts with neither / nor *.',
        quiet: 'A rule without a pattern, which says nothing on purpose.',
        why: 'By the grammar of RFC 9309 it decides nothing; some agents read it as if it began with a slash.',
        advice: 'Write the slash.',
        example: '`Disallow: members/`',
        ofFiles: (view) =>
            readable(view).flatMap(({ url, text }) =>
                readRobots(text)
                    .groups.flatMap(({ rules }) => rules)
                    .filter(({ pattern }) => !isPattern(pattern))
                    .map((rule) => ({
                        params: { rule: quoted(quoteRule(rule)), meant: quoted(`/${rule.pattern}`) },
                        file: url,
                        line: rule.line,
                    })),
            ),
    }),
    defineCheck({
        id: 'robots-rule-hidden',
        severity: 'risk',
        looks: 'file',
        name: 'Rule that never wins',
        fires: 'A rule that fits known URLs, of which another rule decides every one.',
        quiet: 'A rule that decides one of them.',
        why: 'Whoever wrote it believes that it does something.',
        advice: 'Take it out, or make its pattern longer than that of the rule that wins.',
        example: '`Disallow: /a` beside `Allow: /a/`, where all known addresses lie below /a/',
        ofFiles: (view) =>
            ofRules(view, ({ rule, hiddenBy }) =>
                hiddenBy === null ? null : { rule: quoted(quoteRule(rule)), by: hiddenBy },
            ),
    }),
    defineCheck({
        id: 'robots-rule-idle',
        severity: 'remark',
        looks: 'file',
        name: 'Rule that decides nothing known',
        fires: 'A rule that fits no known URL.',
        quiet: 'A rule that fits URLs another rule decides: that one is hidden.',
        why: 'What it was for may be gone, or may be written otherwise today.',
        advice: 'Look whether its folder has moved; take it out where it is not needed any more.',
        example: '`Disallow: /cgi-bin/`, and no known address begins so',
        ofFiles: (view) =>
            ofRules(view, ({ rule, hiddenBy }) => (hiddenBy === null ? { rule: quoted(quoteRule(rule)) } : null)),
    }),
    defineCheck({
        id: 'robots-noindex-line',
        severity: 'remark',
        looks: 'file',
        name: 'Noindex in robots.txt',
        fires: 'A line such as Noindex in robots.txt.',
        quiet: 'noindex in a meta or a header.',
        why: 'No standard knows it and nobody keeps to it: the pages are indexed all the same.',
        advice: 'Say noindex on the page or in its header, and leave the page open to be read.',
        example: '`Noindex: /members/`',
        ofFiles: (view) => ofLines(view, 'directive', (text) => ({ text })),
    }),
    defineCheck({
        id: 'robots-sitemap-dead',
        severity: 'fault',
        looks: 'file',
        name: 'Sitemap line that leads nowhere',
        fires: 'A Sitemap line of robots.txt that is not absolute, or names what is out of reach or no sitemap.',
        quiet: 'Lines that name a sitemap of another site, which was not asked for.',
        why: 'Who looks for the sitemap there finds none.',
        advice: 'Write the whole address of the sitemap, or take the line out.',
        example: '`Sitemap: /sitemap.xml`',
        ofFiles: (view) =>
            readable(view).flatMap(({ url, text }) =>
                robotsLines(text)
                    .filter(({ kind, value }) => kind === 'sitemap' && isDeadSitemap(view, value))
                    .map(({ value, line }) => ({ params: { named: quoted(value) }, file: url, line })),
            ),
    }),
    defineCheck({
        id: 'robots-closes-resources',
        severity: 'risk',
        looks: 'file',
        name: 'A rule that closes what pages load',
        fires: 'A rule of robots.txt that closes, to our agent, a script or a style sheet of an indexable page.',
        quiet: 'Images; what only pages load that may not be indexed; hosts of others.',
        why: 'Who may not load it does not see the page as readers do, and may take it for another.',
        advice: 'Open scripts and styles.',
        example: '`Disallow: /assets/`, and `<link rel="stylesheet" href="/assets/site.css">`',
        ofFiles: (view) => {
            const loaded = loadedByIndexable(view);
            return readable(view).flatMap((file) => closedResources(file, loaded));
        },
    }),
    defineCheck({
        id: 'robots-variants-differ',
        severity: 'risk',
        looks: 'file',
        name: 'Other rules on another form of the host',
        fires: 'A robots.txt whose rules differ from those of the same host with or without www, or with the other scheme.',
        quiet: 'Forms of the host that redirect to the one the site starts at.',
        why: 'Which rules hold goes by how somebody came in.',
        advice: 'Redirect the other forms, or serve the same file on all.',
        example: '`Disallow: /` on http://site.example, and nothing closed on https://www.site.example',
        ofFiles: (view) => {
            const { survey } = view;
            const [redirect, start] = [survey.numbers('redirect'), originOf(survey.head.start)];
            const bare = (url: string): string => hostOf(url).replace(/^www\./, '');
            const own = readable(view).find(({ url }) => originOf(url) === start);
            if (!own) return [];
            return readable(view).flatMap(({ url, text }) => {
                const origin = originOf(url);
                const page = survey.nodeOf(`${origin}/`);
                const isSame = rulesText(text) === rulesText(own.text);
                if (origin === start || bare(url) !== bare(own.url) || isSame) return [];
                return page !== -1 && redirect[page] !== -1
                    ? []
                    : [{ params: { other: own.url }, file: url, line: null }];
            });
        },
    }),
];

/** True where the survey asked for it and found no sitemap, or where it is no whole address. */
function isDeadSitemap({ survey }: CheckView, named: string): boolean {
    if (!/^https?:\/\/[^/]/i.test(named)) return true;
    const address = readAddress(named);
    const url = address.ok ? address.address.url : named;
    const file = survey.head.files.find((item) => item.kind === 'sitemap' && item.url === url);
    if (!file || file.entries !== null) return false;
    const codes = readProblems(file.note).map(({ code }) => code);
    return !codes.includes('sitemap-index') && !codes.includes('sitemap-elsewhere') && !codes.includes('sitemaps-left');
}

/** The groups of a robots.txt as text: the same for files that say the same. */
const rulesText = (text: string): string =>
    JSON.stringify(
        readRobots(text).groups.map(({ agents, rules }) => [
            [...agents].sort(),
            rules.map(({ allow, pattern }) => `${allow} ${pattern}`).sort(),
        ]),
    );

/** Scripts and style sheets that indexable pages load: their URLs, each once. */
function loadedByIndexable(view: CheckView): string[] {
    const { survey } = view;
    const target = survey.numbers('link_target');
    const addresses = new Set<number>();
    const links = { takes: 'any', from: 'indexable' } as const;
    new HeldLinks(survey).each(view, { links, meant: { kinds: ['script', 'style'] } }, (link) => {
        if (target[link]! >= 0) addresses.add(target[link]!);
    });
    return [...addresses].map((address) => survey.addressUrl(address));
}

/** Rules of a file that close some of them on its host, in the order of their lines. */
function closedResources({ url, text, problems }: RobotsText, loaded: readonly string[]) {
    const read = problems.find((item) => item.code === 'robots-read');
    if (read?.code !== 'robots-read') return [];
    const decide = deciderOf(rulesFor(readRobots(text), read.params.token));
    const origin = `${originOf(url)}/`;
    const closed = new Map<RobotsRule, number>();
    for (const own of loaded) {
        const { allowed, rule } = own.startsWith(origin) ? decide(own) : { allowed: true, rule: null };
        if (!allowed && rule) closed.set(rule, (closed.get(rule) ?? 0) + 1);
    }
    return [...closed]
        .sort(([a], [b]) => a.line - b.line)
        .map(([rule, resources]) => ({ params: { rule: quoteRule(rule), resources }, file: url, line: rule.line }));
}
