/** Settings as a form sends them, and back into the form. */
import { readSettings, type SettingsResult } from './settings.ts';
import type { SettingsForm, SurveySettings } from '../../core/survey/settings.ts';

export function formOf(settings: Omit<SurveySettings, 'start'> & { start?: string }): SettingsForm {
    return {
        start: settings.start ?? '',
        pins: settings.pins.join('\n'),
        maxPages: String(settings.maxPages),
        maxDepth: settings.maxDepth === null ? '' : String(settings.maxDepth),
        concurrency: String(settings.concurrency),
        robots: settings.robots,
        allowPrivate: settings.allowPrivate,
    };
}

export function readForm(data: FormData): SettingsForm {
    const text = (name: string): string => {
        const value = data.get(name);
        return typeof value === 'string' ? value.slice(0, 20_000) : '';
    };
    return {
        start: text('start'),
        pins: text('pins'),
        maxPages: text('maxPages'),
        maxDepth: text('maxDepth'),
        concurrency: text('concurrency'),
        robots: text('robots'),
        allowPrivate: data.get('allowPrivate') !== null,
    };
}

/** What was typed, as settings or as sentences by field. */
export function settingsOfForm(form: SettingsForm): SettingsResult {
    const orDefault = (text: string): string | undefined => (text.trim() === '' ? undefined : text.trim());
    return readSettings({
        start: form.start,
        pins: form.pins
            .split(/[\n,]/)
            .map((line) => line.trim())
            .filter((line) => line !== ''),
        maxPages: orDefault(form.maxPages),
        maxDepth: orDefault(form.maxDepth) ?? null,
        concurrency: orDefault(form.concurrency),
        robots: orDefault(form.robots),
        allowPrivate: form.allowPrivate,
    });
}
