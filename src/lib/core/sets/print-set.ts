/** Writes an expression of the set language; what it writes reads back as the same expression. */
import type { Field } from './field.ts';
import { fieldsOf } from './fields.ts';
import type { Narrowing, SetExpression } from './set-expression.ts';
import { quoted } from './tokens.ts';

/** @param fields of the survey, so that dates are written as days */
export function printSet(set: SetExpression, fields: readonly Field[] = fieldsOf(null)): string {
    const dates = new Set(fields.filter((field) => field.kind === 'date').map((field) => field.name));
    const value = (field: string, of: string | number): string =>
        typeof of === 'string' ? quoted(of) : dates.has(field) ? new Date(of).toISOString().slice(0, 10) : String(of);
    const inside = (of: SetExpression): string => `(${print(of)})`;
    const print = (of: SetExpression): string => {
        switch (of.kind) {
            case 'all':
                return 'all';
            case 'flag':
                return of.name;
            case 'known':
                return `known from ${of.evidence}`;
            case 'listed':
                return `${of.by} is ${quoted(of.name)}`;
            case 'held':
                return `held by template ${quoted(of.template, true)}`;
            case 'finding':
                return `has finding ${quoted(of.check, true)}${of.cause === null ? '' : ` of ${quoted(of.cause, true)}`}`;
            case 'cause':
                return `cause ${quoted(of.key, true)}`;
            case 'agent':
                return `differs for agent ${quoted(of.token, true)}`;
            case 'accepted':
                return `accepted ${quoted(of.what, true)}`;
            case 'found':
                return `has ${of.severity}`;
            case 'number':
                return `${of.field} ${of.test} ${value(of.field, of.value)}`;
            case 'range':
                return `${of.field} from ${value(of.field, of.from)} to ${value(of.field, of.to)}`;
            case 'text': {
                const always = of.test === 'has' || of.test === 'begins' || of.test === 'ends';
                // A value that reads like a word of the test itself would be taken for it.
                return `${of.field} ${of.test} ${quoted(of.value, always || of.value === 'not' || of.value === 'known')}`;
            }
            case 'any':
                return `${of.field} is one of ${of.values.map((item) => value(of.field, item)).join(', ')}`;
            case 'unknown':
                return `${of.field} is unknown`;
            case 'empty':
                return `${of.field} is empty`;
            case 'search':
                return quoted(of.text, true);
            case 'not':
                if (of.of.kind === 'unknown') return `${of.of.field} is known`;
                if (of.of.kind === 'empty') return `${of.of.field} is not empty`;
                if (of.of.kind === 'any') return `${of.of.field} is not ${print(of.of).slice(of.of.field.length + 4)}`;
                return of.of.kind === 'and' || of.of.kind === 'or' ? `not ${inside(of.of)}` : `not ${print(of.of)}`;
            case 'and':
                return of.parts
                    .map((part) => (part.kind === 'or' || part.kind === 'and' ? inside(part) : print(part)))
                    .join(' and ');
            case 'or':
                return of.parts.map((part) => (part.kind === 'or' ? inside(part) : print(part))).join(' or ');
            case 'relation':
                return `${of.relation} ${inside(of.of)}${narrowed(of.narrow)}`;
            case 'within':
                return `within ${of.clicks} clicks of ${inside(of.of)}${narrowed(of.narrow)}`;
            case 'survey':
                return `in survey ${of.number} ${inside(of.of)}`;
            case 'saved':
                return `set ${quoted(of.name, true)}`;
        }
    };
    return print(set);
}

function narrowed({ region, template, followed, anchor }: Narrowing): string {
    return [
        region === undefined ? '' : ` via ${region}`,
        template === undefined ? '' : ` via template ${quoted(template, true)}`,
        followed ? ' followed' : '',
        anchor === undefined ? '' : ` with anchor ${quoted(anchor, true)}`,
    ].join('');
}
