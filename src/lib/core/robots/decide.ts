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
function matches(pattern: string, path: string): boolean {
    const anchored = pattern.endsWith('$');
    const pieces = (anchored ? pattern.slice(0, -1) : pattern).split('*');
    const first = pieces[0] ?? '';
    if (!path.startsWith(first)) return false;
    let at = first.length;
    for (let index = 1; index < pieces.length; index++) {
        const piece = pieces[index] ?? '';
        if (anchored && index === pieces.length - 1) {
            return path.length - piece.length >= at && path.endsWith(piece);
        }
        const found = path.indexOf(piece, at);
        if (found === -1) return false;
        at = found + piece.length;
    }
    return !anchored || at === path.length;
}

interface PreparedRule {
    rule: RobotsRule;
    pattern: string;
    queryPattern: string | null;
}

/** Rules made ready for many questions. */
export type RobotsDecider = (url: string) => RobotsVerdict;

/** @param rules the merged rules for our agent; a pattern that starts with neither `/` nor `*` is read as if it did */
export function deciderOf(rules: RobotsRule[]): RobotsDecider {
    const prepared: PreparedRule[] = rules
        .map((rule) => {
            const rooted = /^[/*]/.test(rule.pattern) ? rule.pattern : `/${rule.pattern}`;
            const pattern = comparable(rooted, true);
            const encoded = encodeQueryDelimiters(pattern);
            return { rule, pattern, queryPattern: encoded === pattern ? null : encoded };
        })
        // Longest first, allow before disallow among equals: the first match decides.
        .sort((a, b) => b.pattern.length - a.pattern.length || Number(b.rule.allow) - Number(a.rule.allow));
    return (url) => {
        const path = comparable(pathOf(url), false);
        if (path === '/robots.txt') return { allowed: true, rule: null };
        let queryPath: string | null = null;
        for (const item of prepared) {
            if (matches(item.pattern, path)) return { allowed: item.rule.allow, rule: item.rule };
            if (item.queryPattern !== null) {
                queryPath ??= encodeQueryDelimiters(path);
                if (matches(item.queryPattern, queryPath)) return { allowed: item.rule.allow, rule: item.rule };
            }
        }
        return { allowed: true, rule: null };
    };
}

/** A rule as a person would quote it. */
export function quoteRule(rule: Pick<RobotsRule, 'allow' | 'pattern'>): string {
    return `${rule.allow ? 'Allow' : 'Disallow'}: ${rule.pattern}`;
}
