/** The settings of a survey as options, file and preset of the command line; later ones win over earlier ones. */
import { readFileSync, statSync } from 'node:fs';
import { PRESETS } from '../src/lib/core/survey/default-settings.ts';
import { SETTING_FIELDS, type SettingField } from '../src/lib/core/survey/setting-fields.ts';
import type { SurveySecrets, SurveySettings } from '../src/lib/core/survey/settings.ts';
import { presetInput, readSettings } from '../src/lib/server/access/settings.ts';
import { UsageError } from './usage.ts';

type OptionValue = string | boolean | (string | boolean)[] | undefined;

const OPTION_FIELDS = SETTING_FIELDS.filter((field) => field.id !== 'start');
const MAX_FILE_BYTES = 5_000_000;

/** Options as `parseArgs` takes them. A yes-no that is on by default gets its opposite, `--no-…`. */
export function settingOptions(): Record<string, { type: 'string' | 'boolean'; multiple?: boolean }> {
    const options: Record<string, { type: 'string' | 'boolean'; multiple?: boolean }> = {};
    for (const field of OPTION_FIELDS) {
        if (field.kind === 'yes-no') {
            options[field.option] = { type: 'boolean' };
            options[`no-${field.option}`] = { type: 'boolean' };
        } else options[field.option] = { type: 'string', multiple: isList(field) };
    }
    return options;
}

function isList(field: SettingField): boolean {
    return field.kind === 'lines' || (field.kind === 'secret-lines' && field.id !== 'signIn');
}

function nameInInput(field: SettingField): string {
    return field.id === 'maxBytes' ? 'maxSize' : field.id;
}

/** What the options say, in the form of the settings input; what was not said is left out. */
function inputOfOptions(values: Record<string, OptionValue>): Record<string, unknown> {
    const input: Record<string, unknown> = {};
    for (const field of OPTION_FIELDS) {
        const value = values[field.option];
        const name = nameInInput(field);
        if (field.kind === 'yes-no') {
            if (values[`no-${field.option}`] === true) input[name] = false;
            else if (value === true) input[name] = true;
        } else if (field.kind === 'kinds' && typeof value === 'string') {
            input[name] = value.split(',').map((kind) => kind.trim());
        } else if (value !== undefined) input[name] = value;
    }
    // A password on a command line is seen by everybody on the machine: it may come from the environment instead.
    if (input.signIn === undefined && process.env.EDGEMAP_SIGN_IN) input.signIn = process.env.EDGEMAP_SIGN_IN;
    return input;
}

function inputOfFile(path: string): Record<string, unknown> {
    let text: string;
    try {
        if (statSync(path).size > MAX_FILE_BYTES) throw new Error('it is larger than 5 MB');
        text = readFileSync(path, 'utf8');
    } catch (error) {
        throw new UsageError(`The settings file ${path} cannot be read: ${(error as Error).message}`);
    }
    let read: unknown;
    try {
        read = JSON.parse(text.replace(/^\uFEFF/, ''));
    } catch (error) {
        throw new UsageError(`The settings file ${path} is no JSON: ${(error as Error).message}`);
    }
    if (typeof read !== 'object' || read === null || Array.isArray(read)) {
        throw new UsageError(`The settings file ${path} must hold one object, as in docs/settings.md.`);
    }
    return { ...read };
}

/** @throws UsageError that names the option or the file for each trouble */
export function settingsOfCommand(from: {
    start: string | undefined;
    file: string | undefined;
    preset: string | undefined;
    options: Record<string, OptionValue>;
}): { settings: SurveySettings; secrets: SurveySecrets } {
    const preset = from.preset === undefined ? {} : presetInput(from.preset);
    if (preset === null) {
        throw new UsageError(
            `There is no preset "${from.preset}". There are: ${PRESETS.map(({ id }) => id).join(', ')}.`,
        );
    }
    const file = from.file === undefined ? {} : inputOfFile(from.file);
    const typed = inputOfOptions(from.options);
    const start = from.start === undefined ? {} : { start: from.start };
    const read = readSettings({ ...preset, ...file, ...typed, ...start });
    if (read.ok) return read;
    const troubles = read.troubles.map(({ field, say }) => {
        const declared = SETTING_FIELDS.find((item) => item.id === field);
        if (!declared) return from.file === undefined ? say : `${from.file}: ${say}`;
        const name = nameInInput(declared);
        const isTyped = name in typed || (name === 'start' && from.start !== undefined);
        if (!isTyped && name in file) return `${from.file}, ${name}: ${say}`;
        return `${declared.option === 'URL' ? 'URL' : `--${declared.option}`}: ${say}`;
    });
    throw new UsageError(troubles.join('\n'));
}

/** The settings part of the help, made from the declarations. */
export function settingsHelp(): string {
    const lines: string[] = [];
    for (const field of OPTION_FIELDS) {
        const value =
            field.kind === 'choice' ? field.choices.map((choice) => choice.value).join('|') : (field.value ?? '');
        const again = isList(field) ? ' (may be given several times)' : '';
        lines.push(
            `  --${field.option}${value === '' ? '' : ` ${value}`}${again}`,
            `                     ${field.effect}`,
        );
    }
    return lines.join('\n');
}
