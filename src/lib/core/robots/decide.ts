/** Which robots rule decides for a URL (RFC 9309 2.2.2): the longest match in octets, allow winning ties. */
import { pathOf } from '../address/address.ts';
import type { RobotsRule } from './read-robots.ts';

export interface RobotsVerdict {
    allowed: boolean;
    /** The rule that decided; null when none matches (then all is allowed). */
    rule: RobotsRule | null;
}

const encoder = new TextEncoder();

function percent(byte: number): string {
    return `%${byte.toString(16).toUpperCase().padStart(2, '0')}`;
}

/**
 * A path or pattern in the form in which octets are compared: everything outside ASCII percent-encoded, encoded
 * unreserved characters decoded, hex digits in upper case.
 * @param isPattern `*` and a final `$` keep their meaning; in a path they are plain characters
 */
function comparable(text: string, isPattern: boolean): string {
    // Most paths hold nothing that has two spellings.
    if (/^[A-Za-z0-9\-._~/?=&+,;:@!'()]*$/.test(text)) return text;
    let out = '';
    for (let index = 0; index < text.length; index++) {
        const char = text[index] ?? '';
        const triplet = char === '%' && /^[0-9A-Fa-f]{2}$/.test(text.slice(index + 1, index + 3));
        if (triplet) {
            const byte = parseInt(text.slice(index + 1, index + 3), 16);
            const decoded = String.fromCharCode(byte);
            out += /[A-Za-z0-9\-._~]/.test(decoded) ? decoded : percent(byte);
            index += 2;
        } else if (char === '*') out += isPattern ? '*' : '%2A';
        else if (char === '$') out += isPattern && index === text.length - 1 ? '$' : '%24';
        else if (char <= '\x20' || char === '\x7f') out += percent(char.charCodeAt(0));
        else if (char > '\x7f') {
            const point = String.fromCodePoint(text.codePointAt(index) ?? 0xfffd);
            if (point.length === 2) index++;
            for (const byte of encoder.encode(point)) out += percent(byte);
        } else out += char;
    }
    return out;
}

/** RFC 9309's own example encodes the delimiters of a URL that stands inside a query: both spellings are equal. */
function encodeQueryDelimiters(text: string): string {
    const mark = text.indexOf('?');
    if (mark === -1) return text;
    return text.slice(0, mark + 1) + text.slice(mark + 1).replace(/[:/?#[\]@]/g, (char) => percent(char.charCodeAt(0)));
}

/**
 * Prefix match with wildcards. Greedy from the left is right for `*`, because only the first place where a piece can
 * stand matters; linear in path and pattern for all practical patterns, never exponential.
 */
function matches({ pieces, isAnchored }: Pattern, path: string): boolean {
    const first = pieces[0]!;
    if (!path.startsWith(first)) return false;
    let at = first.length;
    for (let index = 1; index < pieces.length; index++) {
        const piece = pieces[index]!;
        if (isAnchored && index === pieces.length - 1) {
            return path.length - piece.length >= at && path.endsWith(piece);
        }
        const found = path.indexOf(piece, at);
        if (found === -1) return false;
        at = found + piece.length;
    }
    return !isAnchored || at === path.length;
}

/** A pattern taken apart at its wildcards. */
interface Pattern {
    pieces: string[];
    isAnchored: boolean;
}

function patternOf(text: string): Pattern {
    const isAnchored = text.endsWith('$');
    return { pieces: (isAnchored ? text.slice(0, -1) : text).split('*'), isAnchored };
}

/** A rule made ready for many questions. */
export interface PreparedRule {
    rule: RobotsRule;
    /** Octets of the pattern: the longest that fits decides. */
    length: number;
    pattern: Pattern;
    queryPattern: Pattern | null;
}

/** The path of a URL in the two spellings in which it is compared. */
export interface PathForms {
    path: string;
    query: string;
}

/** What a rule is compared with. A hundred thousand of them are made once and asked again with every edit. */
export function pathForms(url: string): PathForms {
    const path = comparable(pathOf(url), false);
    return { path, query: encodeQueryDelimiters(path) };
}

/** By the grammar of RFC 9309 (2.2) a pattern starts with a slash or a wildcard; others decide nothing. */
export const isPattern = (pattern: string): boolean => /^[/*]/.test(pattern);

/** In the order in which they decide: longest first, allow before disallow among equals. */
export function prepareRules(rules: readonly RobotsRule[]): PreparedRule[] {
    return rules
        .filter(({ pattern }) => isPattern(pattern))
        .map((rule) => {
            const text = comparable(rule.pattern, true);
            const encoded = encodeQueryDelimiters(text);
            return {
                rule,
                length: text.length,
                pattern: patternOf(text),
                queryPattern: encoded === text ? null : patternOf(encoded),
            };
        })
        .sort((a, b) => b.length - a.length || Number(b.rule.allow) - Number(a.rule.allow));
}

/** Whether a rule speaks of a path, though a longer one may decide. Nothing speaks of /robots.txt itself. */
export function fits({ pattern, queryPattern }: PreparedRule, { path, query }: PathForms): boolean {
    if (path === '/robots.txt') return false;
    return matches(pattern, path) || (queryPattern !== null && matches(queryPattern, query));
}

/** Rules made ready for many questions. */
export type RobotsDecider = (url: string) => RobotsVerdict;

/** @param rules the merged rules for our agent */
export function deciderOf(rules: readonly RobotsRule[]): RobotsDecider {
    const prepared = prepareRules(rules);
    return (url) => {
        const forms = pathForms(url);
        const decides = prepared.find((item) => fits(item, forms));
        return decides ? { allowed: decides.rule.allow, rule: decides.rule } : { allowed: true, rule: null };
    };
}

/** A rule as a person would quote it. */
export function quoteRule(rule: Pick<RobotsRule, 'allow' | 'pattern'>): string {
    return `${rule.allow ? 'Allow' : 'Disallow'}: ${rule.pattern}`;
}
