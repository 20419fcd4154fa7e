/** Is the markup in order? What stands twice, stands where it does not count, or cannot be read. */
import { markupProblems } from '../packed/gate-reason.ts';
import type { Problem, ProblemCode, ProblemParams } from '../problems/problem.ts';
import { defineCheck, type Check, type CheckView, type Told } from './check.ts';

type MarkupCode = 'titles' | 'h1s' | 'head-closed' | 'robots-in-body' | 'directive-unknown';

/** The first problem of one of these kinds in a page's markup. */
const first =
    (...codes: ProblemCode[]) =>
    ({ survey }: CheckView): ((node: number) => Problem | null) => {
        const [page, markup] = [survey.numbers('page'), survey.numbers('markup')];
        const found = markupProblems(survey).map((all) => all.find(({ code }) => codes.includes(code)) ?? null);
        return (node) => (page[node] === 1 ? (found[markup[node]!] ?? null) : null);
    };

/** What one carries, at its line. */
const told =
    <C extends MarkupCode>(code: C) =>
    (view: CheckView): ((node: number) => Told<ProblemParams[C]> | null) => {
        const problemOf = first(code)(view);
        return (node) => {
            const found = problemOf(node);
            // Found by its code, which says what it carries.
            return found && { params: found.params as ProblemParams[C], ...lineOf(found) };
        };
    };

const lineOf = ({ line }: Problem): { line?: number } => (line === undefined ? {} : { line });

const KNOWS = { looks: 'page', needsFact: 'markup' } as const;

export const MARKUP_CHECKS: readonly Check[] = [
    defineCheck({
        ...KNOWS,
        id: 'head-broken',
        severity: 'risk',
        name: 'Head that ends early',
        fires: 'A page in whose head something stands that belongs into the body, with a title, a canonical, a robots meta or a description behind it.',
        quiet: 'Heads whose stray element stands behind all of these.',
        why: 'Whoever reads the page takes what follows for its body, where canonicals and robots metas do not count.',
        advice: 'Move the element into the body, or to the end of the head.',
        example: '`<head><div></div><link rel="canonical" href="/a"></head>`',
        ofPage: told('head-closed'),
    }),
    defineCheck({
        ...KNOWS,
        id: 'directive-in-body',
        severity: 'risk',
        name: 'Robots meta in the body',
        fires: 'A page with a robots meta in its body.',
        quiet: 'Robots metas in the head.',
        why: 'It counts for nothing: what it asks for does not happen.',
        advice: 'Move it into the head.',
        example: '`<body><meta name="robots" content="noindex">`',
        ofPage: told('robots-in-body'),
    }),
    defineCheck({
        ...KNOWS,
        id: 'directive-unknown',
        severity: 'remark',
        name: 'Unknown directive',
        fires: 'A robots meta, or an X-Robots-Tag header, for our agent that says a word nobody knows.',
        quiet: 'What is said to other agents by their names.',
        why: 'It does nothing, and whoever wrote it thinks it does.',
        advice: 'Write it as it is known, without a hyphen, or take it away.',
        example: '`<meta name="robots" content="no-index">`',
        ofPage: told('directive-unknown'),
    }),
    defineCheck({
        ...KNOWS,
        id: 'canonical-ignored',
        severity: 'fault',
        name: 'Canonical that does not count',
        fires: 'A page whose canonical stands in the body, or is no address on the web; with a fragment, it is a remark.',
        quiet: 'Relative addresses, and the same canonical twice.',
        why: 'It is passed over, and others choose for the page.',
        advice: 'Put it into the head, as a whole address without a fragment.',
        example: '`<link rel="canonical" href="file:///srv/fees.html">`',
        ofPage: (view) => {
            const problemOf = first('canonical-in-body', 'canonical-unreadable', 'canonical-fragment')(view);
            return (node) => {
                const why = problemOf(node);
                if (why === null) return null;
                return {
                    params: { why },
                    ...lineOf(why),
                    severity: why.code === 'canonical-fragment' ? 'remark' : 'fault',
                };
            };
        },
    }),
    defineCheck({
        ...KNOWS,
        id: 'structured-data-broken',
        severity: 'risk',
        name: 'Structured data nobody can read',
        fires: 'A page with JSON-LD that cannot be parsed, or has no type.',
        quiet: 'Data that can be read, whatever it says.',
        why: 'All of it is passed over.',
        advice: 'Mend the JSON at that line, or name its type.',
        example: '`<script type="application/ld+json">{"@type": "Event",}</script>`',
        ofPage: (view) => {
            const problemOf = first('data-broken', 'data-untyped')(view);
            return (node) => {
                const why = problemOf(node);
                return why && { params: { why }, ...lineOf(why) };
            };
        },
    }),
    defineCheck({
        ...KNOWS,
        id: 'title-several',
        severity: 'remark',
        name: 'Several titles',
        fires: 'A page with more than one title element in its head.',
        quiet: 'Titles of pictures in SVG.',
        why: 'The first counts, and another may have been meant.',
        advice: 'Leave one.',
        example: '`<title>Fees</title><title>Site</title>`',
        ofPage: told('titles'),
    }),
    defineCheck({
        ...KNOWS,
        id: 'h1-several',
        severity: 'remark',
        name: 'Several h1',
        fires: 'A page with more than one h1, hidden ones included.',
        quiet: 'Pages with just one.',
        why: 'None of them says what the page as a whole is about.',
        advice: 'Keep the one that names the page; the others head its parts.',
        example: '`<h1>Site</h1><h1>Fees</h1>`',
        ofPage: told('h1s'),
    }),
];
