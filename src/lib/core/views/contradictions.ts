/** Pairs of statements of the site about one URL that cannot both be meant, each with both sources of one example. */
import { evidenceRows } from '../areas/page-sheet.ts';
import { pagesOf } from '../checks/set-size.ts';
import { pagesFound } from '../checks/pages-found.ts';
import type { CheckView } from '../checks/check.ts';
import { gateReason, problemAt } from '../packed/gate-reason.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { quoteRule } from '../robots/decide.ts';
import { GATES } from '../gates/gates.ts';
import { alternatesOf } from '../checks/languages.ts';
import type { FindingId } from '../sets/set-expression.ts';
import { Bits } from '../sets/bits.ts';
import { problemWordsOrNone } from '../words/problems.ts';

/** Something the site says, as it is written, and where. */
export interface Quotation {
    source: string;
    /** From 1; null where it is not known. */
    line: number | null;
    text: string;
}

export const CONTRADICTIONS = [
    'listed-closed',
    'listed-noindexed',
    'listed-elsewhere',
    'closed-noindexed',
    'noindexed-elsewhere',
    'alternate-stopped',
    'closed-wanted',
] as const;
export type ContradictionKind = (typeof CONTRADICTIONS)[number];

export interface Contradiction {
    kind: ContradictionKind;
    /** Pages of which both are said. */
    pages: number;
    set: string;
    /** The first of them, and what is said of it. */
    url: string;
    says: [Quotation, Quotation];
}

type Quotes = (survey: PackedSurvey, node: number) => Quotation;

/** The entry of a sitemap. */
const listed: Quotes = (survey, node) => {
    const row = evidenceRows(survey, node).find(({ kind }) => kind === 'sitemap');
    const line = row && row.line > 0 ? row.line : null;
    return { source: row?.source ?? 'sitemap', line, text: `<loc>${survey.url(node)}</loc>` };
};

const closed: Quotes = (survey, node) => {
    const rule = problemAt(survey, 'robots_rule', node);
    return rule?.code === 'robots-rule'
        ? {
              source: rule.params.file,
              line: rule.params.line,
              text: quoteRule({ allow: rule.params.allows, pattern: rule.params.pattern }),
          }
        : { source: 'robots.txt', line: null, text: problemWordsOrNone(rule) };
};

const noindexed: Quotes = (survey, node) => {
    const url = survey.url(node);
    const why = problemAt(survey, 'noindex_reason', node);
    if (why?.code === 'noindex-header') return { source: url, line: null, text: `X-Robots-Tag: ${why.params.says}` };
    if (why?.code !== 'noindex-meta') return { source: url, line: null, text: problemWordsOrNone(why) };
    return { source: url, line: null, text: `<meta name="${why.params.name}" content="${why.params.says}">` };
};

const elsewhere: Quotes = (survey, node) => {
    const first = survey.numbers('canonical')[survey.numbers('canonical_start')[node]!]!;
    return { source: survey.url(node), line: null, text: `<link rel="canonical" href="${survey.addressUrl(first)}">` };
};

/** The alternate of a page that stops at a gate, and why it does. */
function stoppedAlternate(survey: PackedSurvey, node: number): { code: string; to: number } | null {
    const gate = survey.numbers('gate');
    return (
        alternatesOf(survey)(node).find(({ to }) => to < survey.count && to !== node && gate[to]! < GATES.length) ??
        null
    );
}

const alternate: Quotes = (survey, node) => {
    const own = stoppedAlternate(survey, node);
    const href = own === null ? '' : survey.url(own.to);
    const text = `<link rel="alternate" hreflang="${own?.code ?? ''}" href="${href}">`;
    return { source: survey.url(node), line: null, text };
};

const stops: Quotes = (survey, node) => {
    const own = stoppedAlternate(survey, node);
    if (own === null) return { source: '', line: null, text: '' };
    return { source: survey.url(own.to), line: null, text: problemWordsOrNone(gateReason(survey, own.to)) };
};

const wanted: Quotes = () => ({ source: 'priorities', line: null, text: 'It has a priority.' });

const KINDS: Record<ContradictionKind, { set: string; quotes: [Quotes, Quotes] }> = {
    'listed-closed': { set: 'closed by robots and in sitemap', quotes: [listed, closed] },
    'listed-noindexed': { set: 'noindex and in sitemap', quotes: [listed, noindexed] },
    'listed-elsewhere': { set: 'gate is canonical and in sitemap', quotes: [listed, elsewhere] },
    'closed-noindexed': { set: 'closed by robots and noindex', quotes: [closed, noindexed] },
    'noindexed-elsewhere': { set: 'has finding "noindex-and-canonical"', quotes: [noindexed, elsewhere] },
    'alternate-stopped': { set: 'has finding "hreflang-to-stopped"', quotes: [alternate, stops] },
    'closed-wanted': { set: 'closed by robots and priority from 1 to 3', quotes: [wanted, closed] },
};

/** Those that the site has, the most pages first. Needs all parts. O(nodes) for each kind. */
export function contradictions(view: CheckView): Contradiction[] {
    const { survey } = view;
    const foundBy = (check: FindingId): Bits => pagesFound(view, { kind: 'finding', check, cause: null });
    const nodesOf = (kind: ContradictionKind): Bits => {
        if (kind === 'noindexed-elsewhere') return foundBy('noindex-and-canonical');
        if (kind === 'alternate-stopped') return foundBy('hreflang-to-stopped');
        const bits = pagesOf(survey, kind === 'closed-wanted' ? 'closed by robots' : KINDS[kind].set);
        if (kind !== 'closed-wanted') return bits;
        return Bits.of(
            survey.count,
            [...bits.nodes()].filter((node) => view.priorityOf(node) > 0),
        );
    };
    return CONTRADICTIONS.flatMap((kind) => {
        const bits = nodesOf(kind);
        const pages = bits.count();
        if (pages === 0) return [];
        const [first] = bits.nodes();
        const { set, quotes } = KINDS[kind];
        const says: Contradiction['says'] = [quotes[0](survey, first!), quotes[1](survey, first!)];
        return [{ kind, pages, set, url: survey.url(first!), says }];
    }).sort((a, b) => b.pages - a.pages);
}
