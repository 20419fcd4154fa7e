/** Settings at the boundary: what a form, a command line, a file or the database says becomes settings, or sentences. */
import { z } from 'zod';
import { readAddress } from '../../core/address/address.ts';
import { belongingOf } from '../../core/scope/belonging.ts';
import { scopePatternTrouble } from '../../core/scope/scope.ts';
import { LINK_KINDS, type LinkKind } from '../../core/page/links.ts';
import { DEFAULT_SETTINGS, PRESETS } from '../../core/survey/default-settings.ts';
import { ONWARD_KINDS, settingField, type SettingId } from '../../core/survey/setting-fields.ts';
import { isSignedIn, namesOfSecrets, type SurveySecrets, type SurveySettings } from '../../core/survey/settings.ts';
import { pinsOf, readPin } from '../crawl/pins.ts';

/** Most entries of a list setting, and the longest text of one. */
const MOST_LINES = 500;
const LONGEST = 4_000;

/** A number within the bounds its field declares; in the unit of the field, kept in the unit of the settings. */
function fieldNumber(id: SettingId, whole = true) {
    const field = settingField(id);
    if (field?.kind !== 'number') throw new Error(`${id} is no number`);
    const { least, most, label, unit } = field;
    const kind = whole ? 'a whole number' : 'a number';
    const say = `${label} is ${kind} from ${least.toLocaleString('en')} to ${most.toLocaleString('en')} (${unit}).`;
    const number = z.coerce.number({ error: say }).min(least, { error: say }).max(most, { error: say });
    return whole ? number.int({ error: say }) : number;
}

/** Text as typed; without a scheme it is read as https. */
export const StartUrl = z
    .string({ error: 'Say where the survey starts: the address of a page.' })
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

function lines<T extends z.ZodType>(item: T) {
    return z.array(item, { error: 'This is a list of texts.' }).max(MOST_LINES, {
        error: `At most ${MOST_LINES} lines.`,
    });
}

const text = z.string({ error: 'This is a text.' }).trim().max(LONGEST, { error: 'This is too long.' });

const PinText = text.superRefine((written, context) => {
    const read = readPin(written);
    if (!read.ok) context.addIssue({ code: 'custom', message: read.say });
});

const HostName = text.toLowerCase().superRefine((written, context) => {
    const found = readAddress(`http://${written}/`);
    if (!found.ok || new URL(found.address.url).host !== written || /[/@?#]/.test(written)) {
        const say = `"${written}" is no host name. It looks like shop.site.example or site.example:8080, without http:// and path.`;
        context.addIssue({ code: 'custom', message: say });
    }
});

const ScopePattern = text.superRefine((written, context) => {
    const say = scopePatternTrouble(written);
    if (say !== '') context.addIssue({ code: 'custom', message: say });
});

const plainName = (what: string) =>
    text.superRefine((written, context) => {
        if (written === '' || /[\s/?#&=]/.test(written)) {
            context.addIssue({ code: 'custom', message: `"${written}" is no ${what}.` });
        }
    });

const OnwardKind = z.enum(ONWARD_KINDS as [LinkKind, ...LinkKind[]], {
    error: `Kinds that can lead onward: ${ONWARD_KINDS.join(', ')}.`,
});

const yesNo = z.boolean({ error: 'This is true or false.' });
const choice = <const T extends [string, ...string[]]>(values: T) =>
    z.enum(values, { error: `One of: ${values.join(', ')}.` });

const HEADER_NAME = /^[!#$%&'*+.^_`|~0-9A-Za-z-]+$/;
/** Headers that the client itself must write, or that would break a request. */
const OWN_HEADERS =
    /^(?:host|connection|content-length|transfer-encoding|user-agent|accept-encoding|cookie|upgrade|te|trailer|expect|keep-alive|proxy-.*)$/i;

const HeaderLine = text.transform((written, context): [string, string] => {
    const colon = written.indexOf(':');
    const name = written.slice(0, Math.max(0, colon)).trim();
    const value = written.slice(colon + 1).trim();
    const refuse = (message: string): never => {
        context.addIssue({ code: 'custom', message });
        return z.NEVER;
    };
    // The value is a secret, so no sentence repeats it.
    if (colon < 1 || !HEADER_NAME.test(name))
        return refuse('A header is written as NAME: VALUE, for example X-Stage: letmein.');
    if (OWN_HEADERS.test(name))
        return refuse(`The header "${name}" is written by the survey itself and cannot be set here.`);
    if (/[^\t\x20-\x7e\x80-\xff]/.test(value))
        return refuse(`The value of the header "${name}" holds characters that no header can hold.`);
    return [name, value];
});

const CookieLine = text.transform((written, context): [string, string] => {
    const equals = written.indexOf('=');
    const name = written.slice(0, Math.max(0, equals)).trim();
    const value = written.slice(equals + 1).trim();
    if (equals < 1 || !HEADER_NAME.test(name) || /[^\x21\x23-\x2b\x2d-\x3a\x3c-\x5b\x5d-\x7e"]/.test(value)) {
        context.addIssue({
            code: 'custom',
            message: 'A cookie is written as NAME=VALUE, without spaces, commas and semicolons.',
        });
        return z.NEVER;
    }
    return [name, value];
});

const SignIn = text.transform((written, context) => {
    const colon = written.indexOf(':');
    if (colon < 1 || /[^\x20-\x7e\x80-\u{10ffff}]/u.test(written)) {
        context.addIssue({ code: 'custom', message: 'A basic sign-in is written as USER:PASSWORD.' });
        return z.NEVER;
    }
    return { user: written.slice(0, colon), password: written.slice(colon + 1) };
});

const D = DEFAULT_SETTINGS;

/** The fields a person gives; each message stands by its field. Secrets come in beside them and go apart. */
const SettingsShape = z.strictObject({
    start: StartUrl,
    starts: lines(StartUrl).default([]),
    hosts: lines(HostName).default([]),
    subdomains: yesNo.default(false),
    only: lines(ScopePattern).default([]),
    not: lines(ScopePattern).default([]),
    dropParameters: lines(plainName('name of a parameter')).default([]),
    sortParameters: yesNo.default(false),
    trailingSlash: choice(['keep', 'add', 'remove']).default('keep'),
    lowerCasePath: yesNo.default(false),
    indexDocuments: lines(plainName('file name')).default([]),
    pins: z.array(PinText).max(50, { error: 'At most 50 pins.' }).default([]),
    allowPrivate: yesNo.default(false),
    onward: z.array(OnwardKind, { error: 'This is a list of kinds.' }).default([...D.onward]),
    robots: z.enum(['obey', 'record'], { error: 'Robots is "obey" or "record".' }).default('obey'),
    madeUp: yesNo.default(true),
    followActions: yesNo.default(false),
    actionWords: lines(plainName('word of an action')).default([...D.actionWords]),
    concurrency: fieldNumber('concurrency').default(D.concurrency),
    /** Seconds; kept in milliseconds. */
    delay: fieldNumber('delay', false).default(D.delay / 1000),
    useCrawlDelay: yesNo.default(false),
    agent: text
        .min(1, { error: 'The agent needs a name.' })
        .max(300, { error: 'The agent name has at most 300 characters.' })
        .regex(/^[\x20-\x7e]*$/, { error: 'The agent name is plain ASCII.' })
        .default(D.agent),
    token: text
        .regex(/^[A-Za-z_-]{1,60}$/, { error: 'A product token has letters, - and _ only (RFC 9309).' })
        .toLowerCase()
        .default(D.token),
    keepSource: yesNo.default(true),
    externals: choice(['leave', 'check']).default('leave'),
    resources: choice(['leave', 'check']).default('leave'),
    maxPages: fieldNumber('maxPages').default(D.maxPages),
    maxDepth: fieldNumber('maxDepth').nullable().default(null),
    maxMinutes: fieldNumber('maxMinutes', false).nullable().default(null),
    /** MiB; kept in bytes. */
    maxSize: fieldNumber('maxBytes', false).default(D.maxBytes / 1_048_576),
    familyLimit: fieldNumber('familyLimit').default(D.familyLimit),
    growthLimit: fieldNumber('growthLimit').default(D.growthLimit),
    headers: lines(HeaderLine).default([]),
    cookies: lines(CookieLine).default([]),
    signIn: SignIn.nullable().default(null),
});

export const SettingsInput = SettingsShape.transform(
    ({ maxSize, delay, headers, cookies, signIn, ...rest }, context) => {
        const secrets: SurveySecrets = { headers, cookies, signIn };
        const settings: SurveySettings = {
            ...rest,
            onward: LINK_KINDS.filter((kind) => rest.onward.includes(kind)),
            delay: Math.round(delay * 1000),
            maxBytes: Math.round(maxSize * 1_048_576),
            sends: namesOfSecrets(secrets),
            spot: null,
        };
        const refuse = (field: SettingId, message: string): void => {
            context.addIssue({ code: 'custom', path: [field], message });
        };
        if (!settings.agent.toLowerCase().includes(settings.token)) {
            refuse('agent', `The agent name must contain the product token "${settings.token}" (RFC 9309 2.2.1).`);
        }
        const belonging = belongingOf(settings.start, pinsOf(settings.pins), settings);
        if (!belonging.isInternal(settings.start)) {
            refuse('start', 'The start page lies outside the paths that are in scope, so nothing could be read.');
        }
        for (const start of settings.starts) {
            if (!belonging.isInternal(start)) {
                refuse(
                    'starts',
                    `${start} does not belong to this site or is out of scope. Add its host, or leave it out.`,
                );
            }
        }
        if (settings.followActions && isSignedIn(settings)) {
            refuse('followActions', 'Actions stay closed while signed in: asking for one would act in your name.');
        }
        return { settings, secrets };
    },
);

/** Settings as stored; what an older version did not know has its default. */
export const StoredSettings: z.ZodType<SurveySettings> = z.object({
    start: z.string(),
    starts: z.array(z.string()).default([]),
    hosts: z.array(z.string()).default([]),
    subdomains: z.boolean().default(false),
    only: z.array(z.string()).default([]),
    not: z.array(z.string()).default([]),
    dropParameters: z.array(z.string()).default([]),
    sortParameters: z.boolean().default(false),
    trailingSlash: z.enum(['keep', 'add', 'remove']).default('keep'),
    lowerCasePath: z.boolean().default(false),
    indexDocuments: z.array(z.string()).default([]),
    pins: z.array(z.string()),
    allowPrivate: z.boolean(),
    onward: z.array(z.enum(LINK_KINDS)).default(D.onward),
    robots: z.enum(['obey', 'record']),
    madeUp: z.boolean().default(false),
    followActions: z.boolean().default(false),
    actionWords: z.array(z.string()).default(D.actionWords),
    concurrency: z.number(),
    delay: z.number().default(0),
    useCrawlDelay: z.boolean().default(false),
    agent: z.string().default(D.agent),
    token: z.string().default(D.token),
    sends: z.array(z.string()).default([]),
    keepSource: z.boolean().default(false),
    externals: z.enum(['leave', 'check']).default('leave'),
    resources: z.enum(['leave', 'check']).default('leave'),
    maxPages: z.number(),
    maxDepth: z.number().nullable(),
    maxMinutes: z.number().nullable().default(null),
    maxBytes: z.number().default(D.maxBytes),
    familyLimit: z.number().default(D.familyLimit),
    growthLimit: z.number().default(D.growthLimit),
    spot: z
        .object({ parent: z.number(), what: z.string(), urls: z.array(z.string()) })
        .nullable()
        .default(null),
});

export const StoredSecrets: z.ZodType<SurveySecrets> = z.object({
    headers: z.array(z.tuple([z.string(), z.string()])),
    cookies: z.array(z.tuple([z.string(), z.string()])),
    signIn: z.object({ user: z.string(), password: z.string() }).nullable(),
});

export interface SettingsTrouble {
    /** The field it stands at; empty where it is about the whole. */
    field: string;
    say: string;
}

export type SettingsResult =
    { ok: true; settings: SurveySettings; secrets: SurveySecrets } | { ok: false; troubles: SettingsTrouble[] };

/** Reads settings; every trouble comes with the field it stands at. */
export function readSettings(input: unknown): SettingsResult {
    const read = SettingsInput.safeParse(input);
    if (read.success) return { ok: true, ...read.data };
    return {
        ok: false,
        troubles: read.error.issues.map((issue) => {
            if (issue.code === 'unrecognized_keys') {
                return {
                    field: '',
                    say: `There is no setting called ${issue.keys.map((key) => `"${key}"`).join(', ')}. All names are in docs/settings.md.`,
                };
            }
            const field = String(issue.path[0] ?? '');
            return { field: field === 'maxSize' ? 'maxBytes' : field, say: issue.message };
        }),
    };
}

/** Settings as the input form has them (the settings file, the command line): the inverse of reading, without secrets. */
export function inputOf(settings: SurveySettings): Record<string, unknown> {
    const { sends: _sends, spot: _spot, maxBytes, delay, ...rest } = settings;
    return { ...rest, delay: delay / 1000, maxSize: maxBytes / 1_048_576 };
}

/** What a preset changes, in the form of the input; null for an unknown name. */
export function presetInput(id: string): Record<string, unknown> | null {
    const preset = PRESETS.find((item) => item.id === id);
    if (!preset) return null;
    const { delay, maxBytes, ...rest } = preset.change;
    return {
        ...rest,
        ...(delay === undefined ? {} : { delay: delay / 1000 }),
        ...(maxBytes === undefined ? {} : { maxSize: maxBytes / 1_048_576 }),
    };
}

/** A name for a site made from its address. */
export function nameOfSite(start: string): string {
    return new URL(start).host.replace(/^www\./, '').slice(0, 200);
}
