/**
 * The site's own rules for when two URLs are one page. All are off by default: each merges what the URL standard keeps
 * apart, so each is shown with what it would merge before it is switched on.
 */
export interface UrlRules {
    /** Query parameters to leave out, by name; a name may end in `*`. */
    dropParameters: string[];
    /** Parameters in the order of their names, so that their order makes no difference. */
    sortParameters: boolean;
    trailingSlash: 'keep' | 'add' | 'remove';
    /** Letters of the path in lower case. */
    lowerCasePath: boolean;
    /** File names that stand for their folder, for example `index.html`. */
    indexDocuments: string[];
}

export const NO_URL_RULES: UrlRules = {
    dropParameters: [],
    sortParameters: false,
    trailingSlash: 'keep',
    lowerCasePath: false,
    indexDocuments: [],
};

/** The parts of a URL of ours (which has no fragment). */
function split(url: string): { origin: string; path: string; query: string | null } {
    const start = url.indexOf('/', url.indexOf('//') + 2);
    const mark = url.indexOf('?', start);
    return {
        origin: url.slice(0, start),
        path: url.slice(start, mark === -1 ? undefined : mark),
        query: mark === -1 ? null : url.slice(mark + 1),
    };
}

/** Name of a raw `name=value` piece, decoded as far as it can be. */
function nameOf(piece: string): string {
    const raw = piece.split('=', 1)[0] ?? '';
    try {
        return decodeURIComponent(raw.replace(/\+/g, ' '));
    } catch {
        return raw;
    }
}

function isDropped(name: string, patterns: string[]): boolean {
    return patterns.some((pattern) =>
        pattern.endsWith('*') ? name.startsWith(pattern.slice(0, -1)) : name === pattern,
    );
}

export function hasUrlRules(rules: UrlRules): boolean {
    return (
        rules.dropParameters.length > 0 ||
        rules.sortParameters ||
        rules.trailingSlash !== 'keep' ||
        rules.lowerCasePath ||
        rules.indexDocuments.length > 0
    );
}

/** The URL that stands for a page under the rules; applying it twice changes nothing more. O(length). */
export function applyUrlRules(url: string, rules: UrlRules): string {
    if (!hasUrlRules(rules)) return url;
    let { path } = split(url);
    const { origin, query } = split(url);
    // Percent-encoded bytes keep their capital hex digits, whatever the case of the letters.
    if (rules.lowerCasePath) {
        path = path.replace(/%[0-9A-F]{2}|[A-Z]/g, (part) => (part[0] === '%' ? part : part.toLowerCase()));
    }
    const slash = path.lastIndexOf('/');
    const last = path.slice(slash + 1);
    const wanted = rules.lowerCasePath ? rules.indexDocuments.map((name) => name.toLowerCase()) : rules.indexDocuments;
    if (last !== '' && wanted.includes(last)) path = path.slice(0, slash + 1);
    if (rules.trailingSlash === 'remove') path = path.replace(/\/+$/, '') || '/';
    // A last part with a dot is a file: a slash behind it would name another thing.
    else if (rules.trailingSlash === 'add' && !/\/[^/]*\.[^/]*$/.test(path) && !path.endsWith('/')) path += '/';
    let pieces = query === null ? null : query.split('&');
    if (pieces && rules.dropParameters.length > 0) {
        const kept = pieces.filter((piece) => !isDropped(nameOf(piece), rules.dropParameters));
        pieces = kept.length === 0 && pieces.length > 0 && query !== '' ? null : kept;
    }
    if (pieces && rules.sortParameters) {
        // By name only, equal names in the order written: their order can carry meaning.
        pieces = pieces
            .map((piece, index) => ({ piece, index, name: nameOf(piece) }))
            .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.index - b.index))
            .map((item) => item.piece);
    }
    return `${origin}${path}${pieces === null ? '' : `?${pieces.join('&')}`}`;
}

/** What one rule, or all together, would do to a list of known URLs. */
export interface RulePreview {
    /** Name of the rule as a field of `UrlRules`; `all` for all together. */
    rule: keyof UrlRules | 'all';
    /** URLs that would no longer stand for themselves because another takes them in. */
    merged: number;
    /** URLs that would be written differently. */
    rewritten: number;
    /** The largest groups that would become one: the URL that stands, and those it takes in. */
    examples: { url: string; of: string[] }[];
}

const MOST_EXAMPLES = 3;
const MOST_MEMBERS = 4;

/** Previews each rule that is switched on, and all together. O(rules x URLs). */
export function previewUrlRules(urls: Iterable<string>, rules: UrlRules): RulePreview[] {
    const known = [...urls];
    const one = (rule: RulePreview['rule'], chosen: UrlRules): RulePreview => {
        const groups = new Map<string, string[]>();
        let rewritten = 0;
        for (const url of known) {
            const to = applyUrlRules(url, chosen);
            if (to !== url) rewritten++;
            const group = groups.get(to);
            if (group) group.push(url);
            else groups.set(to, [url]);
        }
        const merging = [...groups].filter(([, of]) => of.length > 1).sort((a, b) => b[1].length - a[1].length);
        return {
            rule,
            merged: known.length - groups.size,
            rewritten,
            examples: merging.slice(0, MOST_EXAMPLES).map(([url, of]) => ({ url, of: of.slice(0, MOST_MEMBERS) })),
        };
    };
    const previews: RulePreview[] = [];
    for (const rule of Object.keys(NO_URL_RULES) as (keyof UrlRules)[]) {
        const chosen = { ...NO_URL_RULES, [rule]: rules[rule] };
        if (hasUrlRules(chosen)) previews.push(one(rule, chosen));
    }
    if (previews.length > 1) previews.push(one('all', rules));
    return previews;
}
