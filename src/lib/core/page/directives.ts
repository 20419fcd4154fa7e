/**
 * What a page asks of those who read it: robots metas, `X-Robots-Tag`, `Link` headers, refreshes. Each function reads
 * one form; `readDirectives` puts robots directives together for our agent, the strictest winning.
 */
import { problem, type Problem } from '../problems/problem.ts';
import { foldSpace } from './white-space.ts';

/** The product token of our agent unless a site's settings choose another (RFC 9309 2.2.1). */
export const PRODUCT_TOKEN = 'edgemap';

/** One robots meta of the head: `name` in lower case, content as written. */
export interface RobotsMeta {
    name: string;
    content: string;
    /** Line it stands on, from 1. */
    line?: number;
}

export interface RobotsDirectives {
    noindex: boolean;
    nofollow: boolean;
    /** What asks for it; null when nothing does. */
    noindexReason: Problem<'noindex-meta' | 'noindex-header'> | null;
}

/** Directives that take a value after a colon, so that their colon is not read as "agent: directive". */
const WITH_VALUE = new Set(['max-snippet', 'max-image-preview', 'max-video-preview', 'unavailable_after']);

/** Directives of one robots meta, lower case, in order. */
export function tokensOf(content: string): string[] {
    return content
        .toLowerCase()
        .split(',')
        .map((token) => token.trim())
        .filter((token) => token !== '');
}

/**
 * The directives of one `X-Robots-Tag` line that concern our agent. A line may open with an agent's name and a colon;
 * the name holds for the rest of that line, until another name takes over.
 */
export function tokensForAgent(line: string, agentToken: string): string[] {
    const mine: string[] = [];
    let agent = '';
    for (const part of tokensOf(line)) {
        let token = part;
        const colon = part.indexOf(':');
        if (colon > 0) {
            const before = part.slice(0, colon).trim();
            if (!WITH_VALUE.has(before)) {
                agent = before;
                token = part.slice(colon + 1).trim();
            }
        }
        if (agent === '' || agent === agentToken) mine.push(token);
    }
    return mine;
}

/** Robots directives for our agent from the metas of the head and every `X-Robots-Tag` line; `none` is both. */
export function readDirectives(
    metas: RobotsMeta[],
    xRobotsTag: string[],
    agentToken: string = PRODUCT_TOKEN,
): RobotsDirectives {
    const found: RobotsDirectives = { noindex: false, nofollow: false, noindexReason: null };
    const take = (tokens: string[], reason: (says: string) => RobotsDirectives['noindexReason']): void => {
        for (const token of tokens) {
            if (token === 'nofollow' || token === 'none') found.nofollow = true;
            if (token === 'noindex' || token === 'none') {
                if (!found.noindex) found.noindexReason = reason(token);
                found.noindex = true;
            }
        }
    };
    for (const meta of metas) {
        if (meta.name === 'robots' || meta.name === agentToken) {
            take(tokensOf(meta.content), (says) => problem('noindex-meta', { name: meta.name, says }));
        }
    }
    for (const line of xRobotsTag) {
        take(tokensForAgent(line, agentToken), (says) => problem('noindex-header', { says }));
    }
    return found;
}

export interface Refresh {
    /** Seconds, whole. */
    delay: number;
    /** Target as written; empty when the page refreshes itself. */
    href: string;
}

/**
 * A refresh as the HTML standard's "shared declarative refresh steps" read it (meta and `Refresh` header alike).
 * @returns null where a browser would ignore it
 */
export function readRefresh(content: string): Refresh | null {
    const match = /^[\t\n\f\r ]*(?:(\d+)[\d.]*|\.[\d.]*)/.exec(content);
    if (!match) return null;
    const delay = Math.min(Number(match[1] ?? 0), 1e9);
    const rest = content.slice(match[0].length);
    if (rest === '') return { delay, href: '' };
    if (!/^[;,\t\n\f\r ]/.test(rest)) return null;
    const afterMark = rest.replace(/^[\t\n\f\r ]*[;,]?[\t\n\f\r ]*/, '');
    if (afterMark === '') return { delay, href: '' };
    const named = /^url[\t\n\f\r ]*=[\t\n\f\r ]*/i.exec(afterMark);
    let href = named ? afterMark.slice(named[0].length) : afterMark;
    const quote = href[0];
    if (named && (quote === '"' || quote === "'")) {
        const end = href.indexOf(quote, 1);
        href = href.slice(1, end === -1 ? undefined : end);
    }
    return { delay, href: href.trim() };
}

/** One target of a `Link` header field (RFC 8288). */
export interface HeaderLink {
    href: string;
    rels: string[];
    hreflang: string;
    media: string;
}

/** Reads one `Link` field value; links with `anchor=` speak of another context and are left out (RFC 8288 3.2). */
export function readLinkHeader(value: string): HeaderLink[] {
    const links: HeaderLink[] = [];
    const link = /<([^>]*)>((?:\s*;\s*[^\s=;,]+(?:\s*=\s*(?:"(?:[^"\\]|\\.)*"|[^\s";,]*))?)*)/g;
    for (let match = link.exec(value); match; match = link.exec(value)) {
        const parameters = new Map<string, string>();
        const parameter = /;\s*([^\s=;,]+)(?:\s*=\s*(?:"((?:[^"\\]|\\.)*)"|([^\s";,]*)))?/g;
        const text = match[2] ?? '';
        for (let item = parameter.exec(text); item; item = parameter.exec(text)) {
            const name = (item[1] ?? '').toLowerCase();
            if (!parameters.has(name)) parameters.set(name, item[2]?.replace(/\\(.)/g, '$1') ?? item[3] ?? '');
        }
        if (parameters.has('anchor')) continue;
        const rels = foldSpace(parameters.get('rel') ?? '').toLowerCase();
        links.push({
            href: (match[1] ?? '').trim(),
            rels: rels === '' ? [] : rels.split(' '),
            hreflang: parameters.get('hreflang') ?? '',
            media: parameters.get('media') ?? '',
        });
    }
    return links;
}
