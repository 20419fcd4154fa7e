/** Settings at the boundary: what a form, a command line or the database says becomes a `SurveySettings`, or a sentence. */
import { z } from 'zod';
import { readAddress } from '../../core/address/address.ts';
import { DEFAULT_SETTINGS, type SurveySettings } from '../../core/survey/settings.ts';
import { readPin } from '../crawl/pins.ts';

export const LIMITS = { maxPages: 1_000_000, maxDepth: 1_000, concurrency: 32, pins: 50 } as const;

function wholeNumber(what: string, least: number, most: number) {
    const say = `${what} is a whole number from ${least.toLocaleString('en')} to ${most.toLocaleString('en')}.`;
    return z.coerce.number({ error: say }).int({ error: say }).min(least, { error: say }).max(most, { error: say });
}

/** Text as typed; without a scheme it is read as https. */
export const StartUrl = z
    .string()
    .trim()
    .min(1, { error: 'Type the address of the start page, for example https://www.site.example/.' })
    .transform((text, context) => {
        const typed = /^[a-z][a-z0-9+.-]*:\/\//i.test(text) ? text : `https://${text}`;
        const found = readAddress(typed);
        const host = found.ok ? new URL(found.address.url).hostname : '';
        if (!found.ok || host === '' || /\s/.test(text)) {
            const say =
                !found.ok && found.code === 'not-http'
                    ? `"${text}" is no web address: only http and https can be surveyed.`
                    : `"${text}" is no web address. It looks like https://www.site.example/.`;
            context.addIssue({ code: 'custom', message: say });
            return z.NEVER;
        }
        return found.address.url;
    });

const PinText = z
    .string()
    .trim()
    .superRefine((text, context) => {
        const read = readPin(text);
        if (!read.ok) context.addIssue({ code: 'custom', message: read.say });
    });

/** The fields a person gives; each message stands by its field. */
export const SettingsInput = z.object({
    start: StartUrl,
    pins: z
        .array(PinText)
        .max(LIMITS.pins, { error: `At most ${LIMITS.pins} pins.` })
        .default([]),
    maxPages: wholeNumber('The page limit', 1, LIMITS.maxPages).default(DEFAULT_SETTINGS.maxPages),
    maxDepth: wholeNumber('The depth limit', 0, LIMITS.maxDepth).nullable().default(null),
    concurrency: wholeNumber('Connections at a time', 1, LIMITS.concurrency).default(DEFAULT_SETTINGS.concurrency),
    robots: z.enum(['obey', 'record'], { error: 'Robots is "obey" or "record".' }).default('obey'),
    allowPrivate: z.boolean().default(false),
});

/** Settings as stored. */
export const StoredSettings: z.ZodType<SurveySettings> = z.object({
    start: z.string(),
    pins: z.array(z.string()),
    maxPages: z.number(),
    maxDepth: z.number().nullable(),
    concurrency: z.number(),
    robots: z.enum(['obey', 'record']),
    allowPrivate: z.boolean(),
});

export type SettingsResult =
    { ok: true; settings: SurveySettings } | { ok: false; troubles: { field: string; say: string }[] };

/** Reads settings; every trouble comes with the field it stands at. */
export function readSettings(input: unknown): SettingsResult {
    const read = SettingsInput.safeParse(input);
    if (read.success) return { ok: true, settings: read.data };
    return {
        ok: false,
        troubles: read.error.issues.map((issue) => ({ field: String(issue.path[0] ?? ''), say: issue.message })),
    };
}

/** A name for a site made from its address. */
export function nameOfSite(start: string): string {
    return new URL(start).host.replace(/^www\./, '').slice(0, 200);
}
