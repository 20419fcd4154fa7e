/** What a survey was asked to do; kept with it, so that two surveys can be compared honestly. */
import type { LinkKind } from '../page/links.ts';

export interface SurveySettings {
    // Where may it go
    /** Start page, in our spelling. */
    start: string;
    /** Further start pages: depth 0 too. */
    starts: string[];
    /** Further hosts that belong, `host` or `host:port`, lower case. */
    hosts: string[];
    /** Every host below the start host belongs. */
    subdomains: boolean;
    /** Scope patterns of what is in; empty for all paths. */
    only: string[];
    /** Scope patterns of what is out. */
    not: string[];
    /** URL rules, see `core/address/url-rules.ts`. */
    dropParameters: string[];
    sortParameters: boolean;
    trailingSlash: 'keep' | 'add' | 'remove';
    lowerCasePath: boolean;
    indexDocuments: string[];
    /** Host pins as written: `HOST[:PORT]=IP:PORT`. */
    pins: string[];
    /** Private and loopback addresses may be asked even without a pin. */
    allowPrivate: boolean;

    // What leads onward
    /** Kinds of links whose targets are read. */
    onward: LinkKind[];
    robots: 'obey' | 'record';
    /** One made-up address of each host is asked for once. */
    madeUp: boolean;
    /** URLs that look like actions are asked for all the same. Never while signed in. */
    followActions: boolean;
    /** Words that make a URL look like an action. */
    actionWords: string[];

    // How gently
    /** Connections to one host at a time. */
    concurrency: number;
    /** Least time between two requests to one host, milliseconds. */
    delay: number;
    /** A `Crawl-delay` of robots.txt is kept to where it is longer than `delay`. */
    useCrawlDelay: boolean;

    // As whom
    /** The User-Agent sent; contains the token. */
    agent: string;
    /** Product token robots rules and metas are read for. */
    token: string;
    /** What is sent besides, by name, never with its value: `header X-Stage`, `cookie session`, `sign-in ana`. */
    sends: string[];

    // What is kept
    /** The received source of each page. */
    keepSource: boolean;
    /** External link targets: left alone, or asked for their status. */
    externals: 'leave' | 'check';
    /** Images, scripts and styles likewise. */
    resources: 'leave' | 'check';

    // When does it stop
    /** The most responses, redirects and errors included. */
    maxPages: number;
    /** The deepest level that is read; null for no limit. */
    maxDepth: number | null;
    /** Minutes of reading; null for no limit. */
    maxMinutes: number | null;
    /** Bytes of one response, unpacked. */
    maxBytes: number;
    /** Members of a family that are read before it may close as a trap; 0 for never. */
    familyLimit: number;
    /** Members of a family that are read before it closes if it grows on, whatever it is; 0 for never. */
    growthLimit: number;

    /** A spot survey: which survey it looks at again, and which URLs; null for a whole survey. */
    spot: SpotSettings | null;
}

export interface SpotSettings {
    /** Number of the parent survey within the site. */
    parent: number;
    /** What is read again, in words: a page, a set, a folder. */
    what: string;
    urls: string[];
}

/** Secrets of a survey: never part of its settings, exports or logs; kept encrypted. */
export interface SurveySecrets {
    headers: [name: string, value: string][];
    cookies: [name: string, value: string][];
    signIn: { user: string; password: string } | null;
}

export const NO_SECRETS: SurveySecrets = { headers: [], cookies: [], signIn: null };

/** The names of what is sent, fit to be shown. */
export function namesOfSecrets(secrets: SurveySecrets): string[] {
    return [
        ...secrets.headers.map(([name]) => `header ${name}`),
        ...secrets.cookies.map(([name]) => `cookie ${name}`),
        ...(secrets.signIn ? [`sign-in ${secrets.signIn.user}`] : []),
    ];
}

/** Cookies, a sign-in or an Authorization header make a survey a signed-in one: actions stay closed in it. */
export function isSignedIn(settings: Pick<SurveySettings, 'sends'>): boolean {
    return settings.sends.some((item) => /^(?:cookie|sign-in) |^header authorization$/i.test(item));
}
