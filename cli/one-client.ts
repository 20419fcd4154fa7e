/** One polite client for a command that asks for a file or two and keeps nothing. */
import { originOf } from '../src/lib/core/address/address.ts';
import { belongingOf } from '../src/lib/core/scope/belonging.ts';
import { NO_SECRETS, type SurveySettings } from '../src/lib/core/survey/settings.ts';
import { PatientClient } from '../src/lib/server/crawl/patient-client.ts';
import { pinsOf } from '../src/lib/server/crawl/pins.ts';
import { settingsOfCommand } from './survey-options.ts';

/** What such a command takes beside its own options. */
export const CLIENT_OPTIONS = {
    pin: { type: 'string', multiple: true },
    'allow-private': { type: 'boolean' },
} as const;

export interface ClientOptions {
    pin?: string[] | undefined;
    'allow-private'?: boolean | undefined;
}

/** @param work is given the client, the settings it asks by, and the origin of the URL */
export async function withClient<T>(
    url: string,
    options: ClientOptions,
    work: (client: PatientClient, settings: SurveySettings, origin: string) => Promise<T>,
): Promise<T> {
    const { settings } = settingsOfCommand({
        start: url,
        file: undefined,
        preset: undefined,
        options: { pin: options.pin, 'allow-private': options['allow-private'] },
    });
    const pins = pinsOf(settings.pins);
    const belonging = belongingOf(settings.start, pins, settings);
    const stop = new AbortController();
    const client = new PatientClient({ settings, secrets: NO_SECRETS, belonging, pins, stop: stop.signal });
    try {
        return await work(client, settings, originOf(settings.start));
    } finally {
        await client.close();
    }
}
