/**
 * Every setting of a survey as one declaration: the question it belongs to, its name, what it does to the result, and
 * its option on the command line. The form, the command line, the settings file and docs/settings.md are made from it.
 */
import { LINK_KINDS, type LinkKind } from '../page/links.ts';
import type { SurveySettings } from './settings.ts';

export const SETTING_GROUPS = [
    { id: 'where', title: 'Where may it go?' },
    { id: 'onward', title: 'What leads onward?' },
    { id: 'gently', title: 'How gently?' },
    { id: 'whom', title: 'As whom?' },
    { id: 'kept', title: 'What is kept?' },
    { id: 'stop', title: 'When does it stop?' },
] as const;
export type SettingGroup = (typeof SETTING_GROUPS)[number]['id'];

/** Secrets are fields too, and never settings: their values live apart. */
export type SettingId = Exclude<keyof SurveySettings, 'sends' | 'spot'> | 'headers' | 'cookies' | 'signIn';

interface FieldBase {
    id: SettingId;
    group: SettingGroup;
    label: string;
    /** What it does to the result. */
    effect: string;
    /** Option of `./edgemap survey`; empty where there is none. */
    option: string;
    /** What the option's value is called in the help. */
    value?: string;
    /** Shown at once, not under "more". */
    first?: boolean;
}

export type SettingField = FieldBase &
    (
        | { kind: 'text'; placeholder?: string }
        | { kind: 'lines'; placeholder?: string }
        | { kind: 'secret-lines'; placeholder?: string }
        | { kind: 'number'; unit: string; least: number; most: number; scale?: number; empty?: string }
        | { kind: 'yes-no' }
        | { kind: 'choice'; choices: { value: string; label: string }[] }
        | { kind: 'kinds'; choices: { value: LinkKind; label: string }[] }
    );

/** Kinds that can lead onward; `other` is no address, resources have a setting of their own. */
const ONWARD_LABELS: Partial<Record<LinkKind, string>> = {
    a: 'links in the page',
    redirect: 'redirects',
    'meta-refresh': 'refreshes',
    canonical: 'canonicals',
    hreflang: 'hreflang',
    sitemap: 'sitemap entries',
    alternate: 'alternates by medium',
    prev: 'prev',
    next: 'next',
    iframe: 'frames',
    amphtml: 'amphtml',
    noscript: 'links in noscript',
};

export const ONWARD_KINDS = LINK_KINDS.filter((kind) => ONWARD_LABELS[kind] !== undefined);

export const SETTING_FIELDS: readonly SettingField[] = [
    {
        id: 'start',
        group: 'where',
        kind: 'text',
        label: 'Start page',
        first: true,
        option: 'URL',
        placeholder: 'https://www.site.example/',
        effect: 'Depth is counted from here. Its host with and without www, over http and https, makes up the site.',
    },
    {
        id: 'starts',
        group: 'where',
        kind: 'lines',
        label: 'Further start pages',
        option: 'start',
        value: 'URL',
        effect: 'Have depth 0 too, so what they link to comes nearer.',
    },
    {
        id: 'hosts',
        group: 'where',
        kind: 'lines',
        label: 'Further hosts',
        option: 'host',
        value: 'HOST',
        placeholder: 'shop.site.example',
        effect: 'Pages there become part of the site; otherwise links to them are external.',
    },
    {
        id: 'subdomains',
        group: 'where',
        kind: 'yes-no',
        label: 'All subdomains',
        option: 'subdomains',
        effect: 'Every host below the start host belongs, known or not yet.',
    },
    {
        id: 'only',
        group: 'where',
        kind: 'lines',
        label: 'Only these paths',
        option: 'only',
        value: 'PATTERN',
        placeholder: '/guides/',
        effect: 'Everything else counts as outside. Patterns as in robots.txt: * and $, the longest match decides.',
    },
    {
        id: 'not',
        group: 'where',
        kind: 'lines',
        label: 'Not these paths',
        option: 'not',
        value: 'PATTERN',
        placeholder: '/archive/',
        effect: 'Never asked for and not counted. Pages that only they link to are not found.',
    },
    {
        id: 'dropParameters',
        group: 'where',
        kind: 'lines',
        label: 'Leave out parameters',
        option: 'drop-parameter',
        value: 'NAME',
        placeholder: 'utm_*',
        effect: 'URLs that differ only by these become one page. Dropping one that matters hides pages.',
    },
    {
        id: 'sortParameters',
        group: 'where',
        kind: 'yes-no',
        label: 'Order of parameters means nothing',
        option: 'sort-parameters',
        effect: '?a=1&b=2 and ?b=2&a=1 become one page.',
    },
    {
        id: 'trailingSlash',
        group: 'where',
        kind: 'choice',
        label: 'Slash at the end',
        option: 'trailing-slash',
        choices: [
            { value: 'keep', label: 'as written' },
            { value: 'add', label: 'always' },
            { value: 'remove', label: 'never' },
        ],
        effect: 'As written keeps /a and /a/ apart, as the standard does, and shows doubles.',
    },
    {
        id: 'lowerCasePath',
        group: 'where',
        kind: 'yes-no',
        label: 'Letter case of paths means nothing',
        option: 'lower-case-path',
        effect: '/Tools and /tools become one page, asked for in lower case.',
    },
    {
        id: 'indexDocuments',
        group: 'where',
        kind: 'lines',
        label: 'Names of index documents',
        option: 'index-document',
        value: 'NAME',
        placeholder: 'index.html',
        effect: '/a/index.html and /a/ become one page.',
    },
    {
        id: 'pins',
        group: 'where',
        kind: 'lines',
        label: 'Pins',
        option: 'pin',
        value: 'HOST[:PORT]=IP:PORT',
        placeholder: 'www.site.example=10.0.0.5:8080',
        effect: 'Reach a host at a fixed address, for a staging copy. URLs stay those of the site.',
    },
    {
        id: 'allowPrivate',
        group: 'where',
        kind: 'yes-no',
        label: 'Private addresses may be asked',
        option: 'allow-private',
        effect: 'Off, hosts that resolve to loopback or private addresses are refused, on every hop.',
    },
    {
        id: 'onward',
        group: 'onward',
        kind: 'kinds',
        label: 'Read what these lead to',
        option: 'onward',
        value: 'KIND,...',
        choices: ONWARD_KINDS.map((value) => ({ value, label: ONWARD_LABELS[value]! })),
        effect: 'Every kind is recorded always. Links, redirects and instant refreshes give depth; the others only make pages known.',
    },
    {
        id: 'robots',
        group: 'onward',
        kind: 'choice',
        label: 'robots.txt',
        first: true,
        option: 'robots',
        choices: [
            { value: 'obey', label: 'obey' },
            { value: 'record', label: 'record only, this is my own site' },
        ],
        effect: 'Obey asks for nothing that is closed to EdgeMap. Record reads closed pages too and keeps the verdict.',
    },
    {
        id: 'madeUp',
        group: 'onward',
        kind: 'yes-no',
        label: 'One made-up address',
        option: 'made-up',
        effect: 'Asked for once on each host, to tell how it answers for what is not there. It counts as no page.',
    },
    {
        id: 'followActions',
        group: 'onward',
        kind: 'yes-no',
        label: 'Ask for URLs that look like actions',
        option: 'follow-actions',
        effect: 'Off, links like ?add=7 or /logout are recorded and never asked for. Always off while signed in.',
    },
    {
        id: 'actionWords',
        group: 'onward',
        kind: 'lines',
        label: 'Words of actions',
        option: 'action-word',
        value: 'WORD',
        effect: 'A URL looks like an action where one of these is a whole path part or parameter.',
    },
    {
        id: 'concurrency',
        group: 'gently',
        kind: 'number',
        label: 'Connections to a host',
        first: true,
        option: 'concurrency',
        value: 'N',
        unit: 'at a time',
        least: 1,
        most: 32,
        effect: 'Fewer by itself when the server answers 429 or 503, or ever more slowly.',
    },
    {
        id: 'delay',
        group: 'gently',
        kind: 'number',
        label: 'Time between requests',
        option: 'delay',
        value: 'SECONDS',
        unit: 'seconds at least, per host',
        least: 0,
        most: 600,
        scale: 1000,
        effect: 'Never faster than this, robots.txt, sitemaps and repeats included.',
    },
    {
        id: 'useCrawlDelay',
        group: 'gently',
        kind: 'yes-no',
        label: 'Keep to Crawl-delay',
        option: 'use-crawl-delay',
        effect: 'robots.txt may ask for a pause between requests. It is shown always and kept only if you say so.',
    },
    {
        id: 'agent',
        group: 'whom',
        kind: 'text',
        label: 'Agent name',
        option: 'agent',
        value: 'TEXT',
        effect: 'Sent as User-Agent; must contain the token. Sites may answer another agent differently.',
    },
    {
        id: 'token',
        group: 'whom',
        kind: 'text',
        label: 'Product token',
        option: 'token',
        value: 'TEXT',
        effect: 'The name robots.txt groups, robots metas and X-Robots-Tag are read for.',
    },
    {
        id: 'headers',
        group: 'whom',
        kind: 'secret-lines',
        label: 'Headers',
        option: 'header',
        value: 'NAME: VALUE',
        placeholder: 'X-Stage: letmein',
        effect: 'Sent to the hosts of the site only. Values are kept encrypted and shown nowhere.',
    },
    {
        id: 'cookies',
        group: 'whom',
        kind: 'secret-lines',
        label: 'Cookies',
        option: 'cookie',
        value: 'NAME=VALUE',
        placeholder: 'session=…',
        effect: 'As headers. What a signed-in person sees may differ from what is indexed.',
    },
    {
        id: 'signIn',
        group: 'whom',
        kind: 'secret-lines',
        label: 'Basic sign-in',
        option: 'sign-in',
        value: 'USER:PASSWORD',
        placeholder: 'user:password',
        effect: 'For copies behind a password. Sent to the hosts of the site only.',
    },
    {
        id: 'keepSource',
        group: 'kept',
        kind: 'yes-no',
        label: 'Received source of pages',
        option: 'keep-source',
        effect: 'Any link can be shown at its line. Off saves about four fifths of the space.',
    },
    {
        id: 'externals',
        group: 'kept',
        kind: 'choice',
        label: 'Links to other sites',
        option: 'externals',
        choices: [
            { value: 'leave', label: 'record' },
            { value: 'check', label: 'ask once for their status' },
        ],
        effect: 'Asked, broken ones show. One request a target, robots.txt of those hosts obeyed.',
    },
    {
        id: 'resources',
        group: 'kept',
        kind: 'choice',
        label: 'Images, scripts, styles',
        option: 'resources',
        choices: [
            { value: 'leave', label: 'record' },
            { value: 'check', label: 'ask once for their status' },
        ],
        effect: 'Asked, missing ones show. They are never pages and do not count toward the page limit.',
    },
    {
        id: 'maxPages',
        group: 'stop',
        kind: 'number',
        label: 'Page limit',
        first: true,
        option: 'max-pages',
        value: 'N',
        unit: 'pages',
        least: 1,
        most: 1_000_000,
        effect: 'Redirects and errors count. A survey that a limit cuts short is partial: its orphans are not known.',
    },
    {
        id: 'maxDepth',
        group: 'stop',
        kind: 'number',
        label: 'Depth limit',
        first: true,
        option: 'max-depth',
        value: 'N',
        unit: 'clicks',
        least: 0,
        most: 1_000,
        empty: 'no limit',
        effect: 'Pages of this depth are the last that are read; what they link to is known and not read.',
    },
    {
        id: 'maxMinutes',
        group: 'stop',
        kind: 'number',
        label: 'Time limit',
        option: 'max-minutes',
        value: 'N',
        unit: 'minutes',
        least: 1,
        most: 100_000,
        empty: 'no limit',
        effect: 'Reading stops then, and the survey is partial. It can be gone on with later.',
    },
    {
        id: 'maxBytes',
        group: 'stop',
        kind: 'number',
        label: 'Size of a response',
        option: 'max-size',
        value: 'MIB',
        unit: 'MiB',
        least: 0.1,
        most: 200,
        scale: 1_048_576,
        effect: 'What a page holds beyond is not read, and the page is marked as cut.',
    },
    {
        id: 'familyLimit',
        group: 'stop',
        kind: 'number',
        label: 'Members of a family',
        option: 'family-limit',
        value: 'N',
        unit: 'read before it may close',
        least: 0,
        most: 100_000,
        effect: 'URLs of one pattern that breed without end close after so many, and can be opened by hand. 0: never.',
    },
    {
        id: 'growthLimit',
        group: 'stop',
        kind: 'number',
        label: 'Members of one that grows on',
        option: 'growth-limit',
        value: 'N',
        unit: 'read before it closes',
        least: 0,
        most: 1_000_000,
        effect: 'A folder or query in which nearly each page leads to another that no sitemap lists closes after so many, even where nobody knows why. 0: never.',
    },
];

export function settingField(id: string): SettingField | undefined {
    return SETTING_FIELDS.find((field) => field.id === id);
}
