/** Settings as a form sends them, and back into the form. */
import { SETTING_FIELDS } from '../../core/survey/setting-fields.ts';
import { DEFAULT_SETTINGS, type SettingsWithoutStart } from '../../core/survey/default-settings.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import { readSettings, type SettingsResult } from './settings.ts';

/** Settings as a person types them, by field: text, several lines, a tick, or ticked kinds. */
export type SettingsForm = Record<string, string | boolean | string[]>;

const LONGEST_FIELD = 200_000;

/** @param settings secrets are no part of it: their fields stay empty, their names stand in `sends` */
export function formOf(settings: SettingsWithoutStart & { start?: string }): SettingsForm {
    const known: Partial<SurveySettings> = settings;
    const form: SettingsForm = {};
    for (const field of SETTING_FIELDS) {
        if (field.id === 'headers' || field.id === 'cookies' || field.id === 'signIn') {
            form[field.id] = '';
            continue;
        }
        const value = known[field.id];
        if (field.kind === 'lines') form[field.id] = Array.isArray(value) ? value.join('\n') : '';
        else if (field.kind === 'yes-no') form[field.id] = value === true;
        else if (field.kind === 'kinds') form[field.id] = Array.isArray(value) ? [...value] : [];
        else if (field.kind === 'number') {
            form[field.id] = typeof value === 'number' ? String(Number((value / (field.scale ?? 1)).toFixed(3))) : '';
        } else form[field.id] = typeof value === 'string' ? value : '';
    }
    return form;
}

export function emptyForm(): SettingsForm {
    return formOf(DEFAULT_SETTINGS);
}

export function readForm(data: FormData): SettingsForm {
    const form: SettingsForm = {};
    const usual = emptyForm();
    // A tick that is not set sends nothing: only the whole form says by that that it is off.
    const isWhole = data.get('whole-form') !== null;
    for (const field of SETTING_FIELDS) {
        if (!isWhole && !data.has(field.id)) {
            form[field.id] = usual[field.id]!;
            continue;
        }
        const value = data.get(field.id);
        if (field.kind === 'yes-no') form[field.id] = value !== null;
        else if (field.kind === 'kinds')
            form[field.id] = data.getAll(field.id).filter((item) => typeof item === 'string');
        else form[field.id] = typeof value === 'string' ? value.slice(0, LONGEST_FIELD) : '';
    }
    return form;
}

/** The form without its secrets, so that a page that is shown again does not carry them. */
export function withoutSecrets(form: SettingsForm): SettingsForm {
    return { ...form, headers: '', cookies: '', signIn: '' };
}

/** What was typed, as settings or as sentences by field. */
export function settingsOfForm(form: SettingsForm): SettingsResult {
    const input: Record<string, unknown> = {};
    for (const field of SETTING_FIELDS) {
        const value = form[field.id];
        const name = field.id === 'maxBytes' ? 'maxSize' : field.id;
        if (typeof value !== 'string') {
            input[name] = value;
            continue;
        }
        const typed = value.trim();
        if (field.id === 'signIn') input[name] = typed === '' ? null : typed;
        else if (field.kind === 'lines' || field.kind === 'secret-lines') {
            input[name] = typed
                .split(field.id === 'pins' ? /[\n,]/ : /\n/)
                .map((line) => line.trim())
                .filter((line) => line !== '');
        } else if (field.kind === 'number' && typed === '') input[name] = field.empty === undefined ? undefined : null;
        else if (typed === '' && field.id !== 'start') input[name] = undefined;
        else input[name] = typed;
    }
    return readSettings(input);
}
