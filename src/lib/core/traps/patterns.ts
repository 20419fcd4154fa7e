/**
 * The families a URL belongs to: patterns that many URLs can share. A pattern is written as a URL with the varying
 * parts in braces, and is equal for exactly the URLs of one family.
 */
import { hostOf, pathOf } from '../address/address.ts';

/** What makes a pattern, in the order in which it is looked for. */
export const FAMILY_SHAPES = ['repeat', 'session', 'query', 'number', 'folder', 'subtree'] as const;
export type FamilyShape = (typeof FAMILY_SHAPES)[number];

export interface FamilyPattern {
    shape: FamilyShape;
    /** For example `www.site.example/tools/?{kind,sort}` or `www.site.example/calendar/{n}/{n}/`. */
    pattern: string;
    /** The varying parts in order, so that one member can be told from the next. */
    values: string[];
}

const SESSION_NAMES =
    /^(?:(?:php|asp|j)?sess(?:ion)?(?:_?id)?|sid|s_?id|phpsessid|jsessionid|aspsessionid\w*|cfid|cftoken|zenid|oscsid)$/i;
/** A value no person wrote: long, and of hex digits, or of letters and digits thoroughly mixed. */
const SESSION_VALUE =
    /^(?:[0-9a-f]{24,}|(?=(?:[^0-9]*[0-9]){4})(?=(?:[^a-z]*[a-z]){4})(?=(?:[^A-Z]*[A-Z]){4})[0-9A-Za-z_-]{20,})$/;

/** Digits that stand alone or are parted by - . _ : are one number, so that 2027-04-01 varies as one date. */
const NUMBERS = /\d+(?:[-._:]\d+)*/g;

function numbered(text: string, values: string[]): string {
    return text.replace(NUMBERS, (found) => {
        values.push(found);
        return '{n}';
    });
}

/** The shortest sequence of segments that is repeated three times or more in a row, with where it begins; or null. */
function repetition(segments: string[]): { from: number; length: number } | null {
    for (let length = 1; length <= 4 && length * 3 <= segments.length; length++) {
        for (let from = 0; from + length * 3 <= segments.length; from++) {
            let same = true;
            for (let at = 0; same && at < length * 2; at++) {
                same = segments[from + at] === segments[from + at + length];
            }
            // Pure numbers repeat by chance (/2026/11/11/11/): they are counters, not repeated segments.
            if (same && segments.slice(from, from + length).some((segment) => !/^\d*$/.test(segment))) {
                return { from, length };
            }
        }
    }
    return null;
}

/** Folders deeper than this have no subtree of their own: what breeds there breeds below one of these as well. */
const DEEPEST_SUBTREE = 6;

/** All families a URL belongs to, the most telling first; empty for a page at the root. O(length). */
export function familyPatterns(url: string): FamilyPattern[] {
    const found: FamilyPattern[] = [];
    const host = hostOf(url);
    const full = pathOf(url);
    const mark = full.indexOf('?');
    const path = mark === -1 ? full : full.slice(0, mark);
    const query = mark === -1 ? null : full.slice(mark + 1);
    const segments = path.split('/').slice(1);

    const repeat = repetition(segments.filter((segment) => segment !== ''));
    if (repeat) {
        const plain = segments.filter((segment) => segment !== '');
        const head = plain.slice(0, repeat.from);
        const again = plain.slice(repeat.from, repeat.from + repeat.length).join('/');
        found.push({
            shape: 'repeat',
            pattern: `${host}/${[...head, `{${again} repeated}`].join('/')}/{any}`,
            values: [full],
        });
    }

    const parameters = query === null ? [] : query.split('&').filter((piece) => piece !== '');
    const names = parameters.map((piece) => piece.split('=', 1)[0] ?? '');
    const valueOf = (piece: string): string => piece.slice((piece.split('=', 1)[0] ?? '').length + 1);
    const session = parameters.find(
        (piece, index) => SESSION_NAMES.test(names[index]!) || SESSION_VALUE.test(valueOf(piece)),
    );
    const inPath = /;(?:jsessionid|sid|session)=([^/;]*)/i.exec(path);
    if (session !== undefined || inPath) {
        const rest = parameters.filter((piece) => piece !== session).sort();
        const plainPath = path.replace(/;(?:jsessionid|sid|session)=[^/;]*/i, ';{session}');
        // The page behind the session varies as well: what is one family is the whole host with a session in the URL.
        found.push({
            shape: 'session',
            pattern: `${host}/{any}${inPath ? ';' : '?'}${session === undefined ? '{session}' : `${session.split('=', 1)[0]}={session}`}`,
            values: [session === undefined ? (inPath?.[1] ?? '') : valueOf(session), `${plainPath}?${rest.join('&')}`],
        });
    }

    const pathValues: string[] = [];
    const numberedPath = numbered(path, pathValues);
    if (parameters.length > 0) {
        // One family however many of the parameters are set: filters are switched on and off.
        found.push({
            shape: 'query',
            pattern: `${host}${numberedPath}?{query}`,
            values: [...parameters].sort(),
        });
    }
    if (pathValues.length > 0) {
        found.push({
            shape: 'number',
            pattern: `${host}${numberedPath}${query === null ? '' : '?{query}'}`,
            values: pathValues,
        });
    }
    const slash = path.replace(/\/$/, '').lastIndexOf('/');
    if (slash >= 0 && path !== '/')
        found.push({ shape: 'folder', pattern: `${host}${path.slice(0, slash + 1)}{any}`, values: [full] });
    // Everything below a folder, however deep; the root is the site itself and no family.
    for (let end = path.indexOf('/', 1), depth = 0; end !== -1 && depth < DEEPEST_SUBTREE; depth++) {
        const next = path.indexOf('/', end + 1);
        const below = path.slice(end + 1, next === -1 ? undefined : next);
        found.push({ shape: 'subtree', pattern: `${host}${path.slice(0, end + 1)}{below}`, values: [below] });
        end = next;
    }
    return found;
}
