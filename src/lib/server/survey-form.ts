/** The settings form of a new survey: what was typed, with the secrets that are kept from last time. */
import { DEFAULT_SETTINGS, PRESETS } from '../core/survey/default-settings.ts';
import { namesOfSecrets, type SurveySettings } from '../core/survey/settings.ts';
import { formOf, readForm, settingsOfForm, withoutSecrets, type SettingsForm } from './access/forms.ts';
import { openSecrets, sealSecrets } from './access/secret-box.ts';
import type { SettingsTrouble } from './access/settings.ts';

export type ReadSurveyForm =
    | { ok: true; settings: SurveySettings; sealed: Buffer | null }
    | { ok: false; values: SettingsForm; troubles: SettingsTrouble[] };

/** @param kept sealed secrets of the site: used again unless others are typed or they are to be forgotten */
export function readSurveyForm(data: FormData, key: Buffer, kept: Buffer | null): ReadSurveyForm {
    const values = readForm(data);
    const read = settingsOfForm(values);
    if (!read.ok) return { ok: false, values: withoutSecrets(values), troubles: read.troubles };
    const { settings, secrets } = read;
    const sealed = sealSecrets(key, secrets);
    if (sealed !== null || kept === null || data.get('forget') !== null) return { ok: true, settings, sealed };
    const opened = openSecrets(key, kept);
    if (!opened.ok) return { ok: true, settings, sealed: null };
    return { ok: true, settings: { ...settings, sends: namesOfSecrets(opened.secrets) }, sealed: kept };
}

/** The form to begin with: the settings last used, or those of a preset with the site's own start, hosts and pins. */
export function formToBegin(
    last: SurveySettings | null,
    presetId: string | null,
): { values: SettingsForm; preset: string } {
    const preset = PRESETS.find((item) => item.id === presetId);
    if (!preset) return { values: formOf(last ?? DEFAULT_SETTINGS), preset: last === null ? 'usual' : '' };
    if (last === null) return { values: formOf({ ...DEFAULT_SETTINGS, ...preset.change }), preset: preset.id };
    const { start, starts, hosts, subdomains, pins, allowPrivate } = last;
    const own = { start, starts, hosts, subdomains, pins, allowPrivate };
    return { values: formOf({ ...DEFAULT_SETTINGS, ...preset.change, ...own }), preset: preset.id };
}
