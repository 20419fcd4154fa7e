/**
 * Reads robots.txt as RFC 9309 says: groups of user-agent lines and rules, other records kept apart, everything with
 * its line. Never fails: what cannot be read as a record is left out.
 */
import { productToken, robotsLines } from './robots-lines.ts';

/** RFC 9309 2.5 asks for at least 500 KiB; what lies beyond the last whole line within it is not parsed. */
export const MAX_ROBOTS_BYTES = 500 * 1024;

export interface RobotsRule {
    allow: boolean;
    /** As written, trimmed, without comment. */
    pattern: string;
    /** From 1. */
    line: number;
}

export interface RobotsGroup {
    /** Product tokens in lower case; `*` stands for everyone else. */
    agents: string[];
    rules: RobotsRule[];
}

export interface RobotsFile {
    groups: RobotsGroup[];
    /** Values of Sitemap lines, which belong to no group. */
    sitemaps: { href: string; line: number }[];
    /** `Crawl-delay` lines, which no standard knows, with the agents named before them. */
    crawlDelays: { agents: string[]; seconds: number }[];
}

/** The text that counts: a BOM removed, cut to the last whole line within the bound. */
export function robotsText(bytes: Uint8Array, decode: (bytes: Uint8Array) => string): string {
    let kept = bytes;
    if (bytes.length > MAX_ROBOTS_BYTES) {
        let end = MAX_ROBOTS_BYTES;
        while (end > 0 && bytes[end - 1] !== 10 && bytes[end - 1] !== 13) end--;
        kept = bytes.subarray(0, end);
    }
    return decode(kept).replace(/^\uFEFF/, '');
}

/** @param text the file, decoded, already cut to size */
export function readRobots(text: string): RobotsFile {
    const file: RobotsFile = { groups: [], sitemaps: [], crawlDelays: [] };
    /** Agents named since the last line of another kind, for `Crawl-delay`. */
    let named: string[] = [];
    let isNaming = false;
    for (const { line, kind, key, value, group } of robotsLines(text)) {
        if (kind === 'comment' || kind === 'blank' || kind === 'unread') {
            if (key !== '') isNaming = false;
            continue;
        }
        if (kind === 'agent') {
            file.groups[group] ??= { agents: [], rules: [] };
            const agent = productToken(value);
            file.groups[group].agents.push(agent);
            if (!isNaming) named = [];
            named.push(agent);
            isNaming = true;
            continue;
        }
        // Rules before any user-agent line belong to no group (RFC 9309 2.2.1); empty ones say nothing.
        if (kind === 'rule') file.groups[group]!.rules.push({ allow: key === 'allow', pattern: value, line });
        else if (kind === 'sitemap') file.sitemaps.push({ href: value, line });
        else if (key === 'crawl-delay' && named.length > 0 && /^\d+(?:\.\d+)?$/.test(value)) {
            // Not a rule: it neither ends the list of agents nor splits a group (RFC 9309 2.2.4).
            file.crawlDelays.push({ agents: named, seconds: Math.min(Number(value), 86_400) });
        }
        isNaming = false;
    }
    return file;
}

/** The groups for one agent: all that name it, else all for `*`, else none. */
function groupsFor(file: RobotsFile, token: string): RobotsGroup[] {
    const wanted = token.toLowerCase();
    const named = file.groups.filter((group) => group.agents.includes(wanted));
    return named.length > 0 ? named : file.groups.filter((group) => group.agents.includes('*'));
}

/**
 * The rules for one agent: those of its groups, merged.
 * @param token product token, any case
 */
export function rulesFor(file: RobotsFile, token: string): RobotsRule[] {
    return groupsFor(file, token).flatMap((group) => group.rules);
}

/** The pause between requests that is asked of an agent by name, else of everyone, in seconds; the longest of several. */
export function crawlDelayFor(file: RobotsFile, token: string): number | null {
    const wanted = token.toLowerCase();
    const of = (agent: string): number[] =>
        file.crawlDelays.filter((item) => item.agents.includes(agent)).map((item) => item.seconds);
    const isNamed = file.groups.some((group) => group.agents.includes(wanted));
    const asked = of(isNamed ? wanted : '*');
    return asked.length === 0 ? null : Math.max(...asked);
}
