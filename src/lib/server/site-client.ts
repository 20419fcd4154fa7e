/** A client with the settings of a site and without its secrets, for what is asked for once, beside any survey. */
import { belongingOf } from '../core/scope/belonging.ts';
import { NO_SECRETS, type SurveySettings } from '../core/survey/settings.ts';
import { readSettings } from './access/settings.ts';
import { PatientClient } from './crawl/patient-client.ts';
import { pinsOf } from './crawl/pins.ts';
import type { Site } from './store/site-store.ts';

/** @param url what the settings are for: hosts that are private are asked where the site allows it */
export async function withSiteClient<T>(
    { settings: ofSite }: Pick<Site, 'settings'>,
    url: string,
    ask: (client: PatientClient, settings: SurveySettings) => Promise<T>,
): Promise<{ told: T } | { say: string }> {
    const read = readSettings({ start: url, pins: ofSite.pins });
    if (!read.ok) return { say: read.troubles[0]?.say ?? 'That address cannot be asked for.' };
    const settings = { ...read.settings, allowPrivate: ofSite.allowPrivate };
    const pins = pinsOf(settings.pins);
    const belonging = belongingOf(settings.start, pins, settings);
    const stop = new AbortController();
    const client = new PatientClient({ settings, secrets: NO_SECRETS, belonging, pins, stop: stop.signal });
    try {
        return { told: await ask(client, settings) };
    } finally {
        await client.close();
    }
}
