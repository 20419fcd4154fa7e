/** What a survey was asked to do; kept with it, so that two surveys can be compared honestly. */
export interface SurveySettings {
    /** Start page, in our spelling. */
    start: string;
    /** Host pins as written: `HOST[:PORT]=IP:PORT`. */
    pins: string[];
    /** The most responses, redirects and errors included. */
    maxPages: number;
    /** The deepest level that is read; null for no limit. */
    maxDepth: number | null;
    /** Connections at a time. */
    concurrency: number;
    robots: 'obey' | 'record';
    /** Private and loopback addresses may be asked even without a pin. */
    allowPrivate: boolean;
}

/** Settings as a person types them. */
export interface SettingsForm {
    start: string;
    /** One pin to a line. */
    pins: string;
    maxPages: string;
    maxDepth: string;
    concurrency: string;
    robots: string;
    allowPrivate: boolean;
}

export const DEFAULT_SETTINGS: Omit<SurveySettings, 'start'> = {
    pins: [],
    maxPages: 50_000,
    maxDepth: null,
    concurrency: 4,
    robots: 'obey',
    allowPrivate: false,
};

/** How far a running survey has come. */
export interface SurveyProgress {
    /** What it is doing now, as a sentence part. */
    doing: string;
    /** URLs settled with a status or a failure. */
    read: number;
    /** Known internal URLs so far. */
    found: number;
    /** Pages per second over the last ten seconds. */
    rate: number;
    /** Level being read; null after the link crawl. */
    level: number | null;
    /** Per level: read, and seen so far. */
    levels: { level: number; read: number; seen: number }[];
    closedByRobots: number;
    failures: number;
    /** What slows it, empty when nothing does. */
    waiting: string;
}
