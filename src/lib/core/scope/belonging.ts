/**
 * Which URLs belong to a site. Belonging is by origin: the start host and its bare/www twin, over http and https, on
 * default or pinned ports. An IP address, `localhost`, or a port that is neither stands alone: exactly that origin.
 * Subdomains and more hosts belong where the settings say so. Internal = belongs and is in scope.
 */
import { hostOf, originOf } from '../address/address.ts';
import { scopeOf } from './scope.ts';

/** A host and port of the site, as a pin names it. */
export interface PinnedHost {
    /** Host name in lower case. */
    host: string;
    /** Port; undefined stands for both default ports. */
    port?: number;
}

/** What of the settings decides where a site ends. */
export interface BelongingRules {
    /** Further hosts, `host` or `host:port`, in lower case. */
    hosts: string[];
    /** Every host below the start host (without its `www.`) belongs. */
    subdomains: boolean;
    /** Scope patterns; both empty: all paths. */
    only: string[];
    not: string[];
}

export interface Belonging {
    /** True for a URL (already in our spelling) whose host is one of the site's. */
    belongs(url: string): boolean;
    /** True for a URL that belongs and is in scope. */
    isInternal(url: string): boolean;
    /** The origins that belong by themselves, for showing; exact when `alone` and no subdomains are taken in. */
    origins: string[];
    /** Of the start host, only the start URL's own origin belongs. */
    alone: boolean;
}

const IPV4 = /^\d{1,3}(\.\d{1,3}){3}$/;

/** True for a host that cannot have a www twin: an address or the local machine. */
export function standsAlone(hostname: string): boolean {
    return hostname === 'localhost' || hostname.startsWith('[') || IPV4.test(hostname);
}

/** `www.a.example` for `a.example` and the other way round. */
export function twinOf(hostname: string): string {
    return hostname.startsWith('www.') ? hostname.slice(4) : `www.${hostname}`;
}

const WHOLE_SITE: BelongingRules = { hosts: [], subdomains: false, only: [], not: [] };

/**
 * @param start the site's start URL, in our spelling
 * @param pins hosts mapped to fixed addresses; a pinned port counts as a port of its host
 */
export function belongingOf(start: string, pins: PinnedHost[] = [], rules: BelongingRules = WHOLE_SITE): Belonging {
    const [hostname = '', port] = splitPort(hostOf(start));
    const hosts = [hostname, twinOf(hostname)];
    const portsOf = (names: string[]): number[] =>
        pins.flatMap((pin) => (pin.port !== undefined && names.includes(pin.host) ? [pin.port] : []));
    const alone = standsAlone(hostname) || (port !== undefined && !portsOf(hosts).includes(port));
    const origins = new Set<string>();
    const addHost = (name: string, ports: number[]): void => {
        for (const scheme of ['https', 'http']) {
            origins.add(`${scheme}://${name}`);
            for (const pinned of ports) origins.add(`${scheme}://${name}:${pinned}`);
        }
    };
    if (alone) origins.add(originOf(start));
    else for (const name of hosts) addHost(name, portsOf(hosts));
    for (const more of rules.hosts) {
        const [name = '', morePort] = splitPort(more);
        if (morePort === undefined) addHost(name, portsOf([name]));
        else for (const scheme of ['https', 'http']) origins.add(`${scheme}://${more}`);
    }
    const below = rules.subdomains && !standsAlone(hostname) ? `.${hostname.replace(/^www\./, '')}` : null;
    const isBelow = (url: string): boolean => {
        if (below === null) return false;
        const [name = '', otherPort] = splitPort(hostOf(url));
        return name.endsWith(below) && (otherPort === undefined || portsOf([name]).includes(otherPort));
    };
    const belongs = (url: string): boolean => origins.has(originOf(url)) || isBelow(url);
    const isInScope = scopeOf(rules.only, rules.not);
    return { belongs, isInternal: (url) => belongs(url) && isInScope(url), origins: [...origins], alone };
}

function splitPort(host: string): [string, number | undefined] {
    const match = /^(.*?)(?::(\d+))?$/.exec(host);
    return [match?.[1] ?? host, match?.[2] === undefined ? undefined : Number(match[2])];
}
