/**
 * Scope patterns: which paths of a site are part of it. The syntax is that of robots rules (RFC 9309: `*`, `$`, the
 * longest match wins, inclusion wins ties), because the trade knows it and it cannot take long.
 */
import { deciderOf } from '../robots/decide.ts';
import type { RobotsRule } from '../robots/read-robots.ts';

/**
 * @param only patterns of what is in; empty stands for everything
 * @param not patterns of what is out
 * @returns a function that tells for a URL of ours whether its path is in scope
 */
export function scopeOf(only: string[], not: string[]): (url: string) => boolean {
    if (only.length === 0 && not.length === 0) return () => true;
    const rule = (pattern: string, allow: boolean): RobotsRule => ({ allow, pattern, line: 0 });
    const decide = deciderOf([
        ...(only.length === 0 ? [] : [rule('/', false)]),
        ...only.map((pattern) => rule(pattern, true)),
        ...not.map((pattern) => rule(pattern, false)),
    ]);
    return (url) => decide(url).allowed;
}

/** Why a text is no scope pattern, as a sentence; empty when it is one. */
export function scopePatternTrouble(text: string): string {
    if (/^[/*]/.test(text) && !/\s/.test(text) && text.length <= 2_000) return '';
    return `"${text.slice(0, 100)}" is no path pattern. It starts with / or *, for example /guides/ or /*.pdf$.`;
}
