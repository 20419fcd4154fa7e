/**
 * The parts of the docs that are made from declarations: the whole of `docs/checks.md`, and the lists of fields, flags and
 * file columns where other pages hold them between marks. `npm run docs` writes them; a test holds them current.
 */
import { CHECK_FAMILIES } from '../src/lib/core/checks/register.ts';
import type { Field } from '../src/lib/core/sets/field.ts';
import { fieldsOf } from '../src/lib/core/sets/fields.ts';
import { FLAGS, OUTER_FLAGS } from '../src/lib/core/sets/flags.ts';
import { ACTS } from '../src/lib/server/access/authorize.ts';
import { ROUTE_ACTS } from '../src/lib/server/access/route-acts.ts';

const table = (heads: string[], rows: string[][]): string =>
    [heads, heads.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n');

const code = (text: string): string => `\`${text}\``;

const KINDS: Record<Field['kind'], string> = { number: 'number', date: 'date', choice: 'choice', text: 'text' };

/** The list of fields of the set language, as `docs/set-language.md` holds it. */
function fieldTable(): string {
    const rows = fieldsOf(null).map((field) => [code(field.name), KINDS[field.kind], code(field.id), field.what]);
    return table(['field', 'kind', 'in exports and the API', 'what it is'], rows);
}

function flagTable(): string {
    return table(
        ['flag', 'so where'],
        [...FLAGS, ...OUTER_FLAGS].map(({ name, what }) => [code(name), what]),
    );
}

/** `docs/checks.md`. */
function checksPage(): string {
    const families = CHECK_FAMILIES.map(({ question, checks }) => {
        const told = checks.map((check) => {
            const needs = [
                ...(check.needsWhole ? ['In a partial survey it is not known.'] : []),
                ...(check.needsFact ? ['Of surveys of earlier versions it is not known.'] : []),
                ...(check.needsMadeUp ? ['Where no made-up address was asked for it is not known.'] : []),
                ...(check.needsSitemap ? ['Without a sitemap that could be read it is not known.'] : []),
            ];
            return [
                `### ${check.name}`,
                `${code(check.id)}, a ${check.severity}, of a ${check.looks}. ${check.fires}`,
                `*Quiet:* ${[check.quiet, ...needs].join(' ')}`,
                `*Why:* ${check.why} *What to do:* ${check.advice}`,
                `*Example:* ${check.example}.${check.mended ? ` *Better:* ${check.mended}.` : ''}`,
                ...(check.threshold
                    ? [`*Threshold:* ${check.threshold.value} ${check.threshold.unit}, a setting of the site.`]
                    : []),
            ].join('\n\n');
        });
        return [`## ${question}`, ...told].join('\n\n');
    });
    return `${[
        '# Checks',
        'Made from the register in `src/lib/core/checks` (`npm run docs`); edit it there. Each check is declared once: the findings of the page sheet, *Fix once* of the Brief and this page are views of it. A fault is wrong, a risk is likely to cost something, a remark is worth knowing.',
        ...families,
    ].join('\n\n')}\n`;
}

/** `docs/routes.md`. */
function routesPage(): string {
    const rows = Object.entries(ROUTE_ACTS).map(([route, acts]) => [
        code(route),
        Object.entries(acts)
            .map(([method, act]) => `${method} ${act}`)
            .join(', '),
    ]);
    const acts = Object.entries(ACTS).map(([act, what]) => [code(act), what]);
    return `${[
        '# Routes, and what each asks for',
        'Made from `src/lib/server/access` (`npm run docs`); edit it there. Before a route answers, `authorize` is asked whether the actor may do what the route does to the site of the address. Today there is one actor, the owner of the instance, who may do everything.',
        table(['act', 'what it does'], acts),
        table(['route', 'what it asks for'], rows),
    ].join('\n\n')}\n`;
}

/** Pages that are made as a whole. */
export const MADE_PAGES: Readonly<Record<string, () => string>> = {
    'docs/checks.md': checksPage,
    'docs/routes.md': routesPage,
};

/** Pieces between `<!-- made: NAME -->` and `<!-- end -->`, by page and name. */
export const MADE_PIECES: Readonly<Record<string, Readonly<Record<string, () => string>>>> = {
    'docs/set-language.md': { fields: fieldTable, flags: flagTable },
};

/**
 * A page with its pieces made anew.
 * @throws where a piece has no marks in the page
 */
export function withPieces(page: string, text: string): string {
    let made = text;
    for (const [name, make] of Object.entries(MADE_PIECES[page] ?? {})) {
        const [begin, end] = [`<!-- made: ${name} -->`, '<!-- end -->'];
        const from = made.indexOf(begin);
        const to = made.indexOf(end, from);
        if (from === -1 || to === -1) throw new Error(`${page} has no marks ${begin} and ${end}`);
        made = `${made.slice(0, from + begin.length)}\n${make()}\n${made.slice(to)}`;
    }
    return made;
}
