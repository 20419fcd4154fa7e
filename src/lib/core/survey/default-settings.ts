/** Settings nobody chose, and the presets: plain names for the three usual intentions. */
import { defaultActionWords } from '../traps/actions.ts';
import type { SurveySettings } from './settings.ts';

export const AGENT = 'EdgeMap/0.1';
export const TOKEN = 'edgemap';

export type SettingsWithoutStart = Omit<SurveySettings, 'start'>;

export const DEFAULT_SETTINGS: SettingsWithoutStart = {
    starts: [],
    hosts: [],
    subdomains: false,
    only: [],
    not: [],
    dropParameters: [],
    sortParameters: false,
    trailingSlash: 'keep',
    lowerCasePath: false,
    indexDocuments: [],
    pins: [],
    allowPrivate: false,
    onward: ['a', 'redirect', 'meta-refresh', 'canonical', 'hreflang', 'sitemap'],
    robots: 'obey',
    madeUp: true,
    followActions: false,
    actionWords: defaultActionWords(),
    concurrency: 4,
    delay: 0,
    useCrawlDelay: false,
    agent: AGENT,
    token: TOKEN,
    sends: [],
    keepSource: true,
    externals: 'leave',
    resources: 'leave',
    maxPages: 50_000,
    maxDepth: null,
    maxMinutes: null,
    maxBytes: 20 * 1024 * 1024,
    familyLimit: 200,
    growthLimit: 2_000,
    spot: null,
};

export interface Preset {
    id: string;
    name: string;
    /** What it is for, as a sentence. */
    purpose: string;
    change: Partial<SettingsWithoutStart>;
}

export const PRESETS: readonly Preset[] = [
    {
        id: 'usual',
        name: 'The usual survey',
        purpose: 'The whole site as links and sitemaps show it, at a pace that bothers nobody.',
        change: {},
    },
    {
        id: 'careful',
        name: 'A careful first look',
        purpose:
            'A site that is not yours, or a weak server: one request at a time, a pause between, 2,000 pages at most.',
        change: { concurrency: 1, delay: 1_000, useCrawlDelay: true, maxPages: 2_000, keepSource: true },
    },
    {
        id: 'own',
        name: 'My own site, everything',
        purpose:
            'Rules of robots.txt are recorded and not kept to; external links, images, scripts and styles are asked too.',
        change: {
            robots: 'record',
            concurrency: 8,
            externals: 'check',
            resources: 'check',
            maxPages: 200_000,
            onward: [...DEFAULT_SETTINGS.onward, 'alternate', 'prev', 'next', 'iframe', 'amphtml', 'noscript'],
        },
    },
];
