import { describe, expect, it } from 'vitest';
import { DEFAULT_SETTINGS, PRESETS } from '../../core/survey/default-settings.ts';
import { SETTING_FIELDS } from '../../core/survey/setting-fields.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import { formOf, readForm, settingsOfForm, withoutSecrets } from './forms.ts';
import { inputOf, presetInput, readSettings, StoredSettings } from './settings.ts';

const START = 'https://a.example/';

/** A form as a browser sends it. */
function sent(form: ReturnType<typeof formOf>): FormData {
    const data = new FormData();
    data.set('whole-form', '1');
    for (const [name, value] of Object.entries(form)) {
        if (Array.isArray(value)) for (const item of value) data.append(name, item);
        else if (value === true) data.set(name, 'on');
        else if (typeof value === 'string') data.set(name, value);
    }
    return data;
}

const FULL: SurveySettings = {
    ...DEFAULT_SETTINGS,
    start: START,
    starts: ['https://a.example/b'],
    hosts: ['b.example:8080'],
    subdomains: true,
    only: ['/'],
    not: ['/x/', '*.pdf$'],
    dropParameters: ['utm_*'],
    sortParameters: true,
    trailingSlash: 'remove',
    lowerCasePath: true,
    indexDocuments: ['index.html'],
    onward: ['a', 'next'],
    robots: 'record',
    actionWords: ['weg'],
    delay: 250,
    useCrawlDelay: true,
    keepSource: false,
    externals: 'check',
    maxDepth: 0,
    maxMinutes: 1.5,
    maxBytes: 524_288,
    familyLimit: 0,
    growthLimit: 0,
};

describe('the settings form', () => {
    it.each([
        ['default settings', { ...DEFAULT_SETTINGS, start: START }],
        ['settings in which everything differs', FULL],
    ])('gives %s back as they were', (_, settings) => {
        const read = settingsOfForm(readForm(sent(formOf(settings))));
        expect(read.ok && read.settings).toEqual(settings);
    });

    it('takes what an incomplete form leaves out as usual, and unticked only in a whole one', () => {
        const part = new FormData();
        part.set('start', START);
        const read = settingsOfForm(readForm(part));
        expect(read.ok && read.settings).toEqual({ ...DEFAULT_SETTINGS, start: START });
        part.set('whole-form', '1');
        const whole = settingsOfForm(readForm(part));
        expect(whole.ok && whole.settings).toMatchObject({ keepSource: false, onward: [], actionWords: [] });
    });

    it('never carries secrets back into a page', () => {
        const form = formOf(FULL);
        form.headers = 'X: secret';
        form.cookies = 'c=secret';
        form.signIn = 'u:secret';
        expect(JSON.stringify(withoutSecrets(form))).not.toContain('secret');
        expect(JSON.stringify(formOf({ ...FULL, sends: ['header X'] }))).not.toContain('header X');
    });

    it('has a field for everything that is declared', () => {
        expect(Object.keys(formOf(FULL)).sort()).toEqual(SETTING_FIELDS.map((field) => field.id).sort());
    });
});

describe('settings in other forms', () => {
    it('come back from the form of the file', () => {
        const read = readSettings(inputOf(FULL));
        expect(read.ok && read.settings).toEqual(FULL);
    });

    it('come back from the store, also what an older version stored', () => {
        expect(StoredSettings.parse(JSON.parse(JSON.stringify(FULL)))).toEqual(FULL);
        const old = {
            start: START,
            pins: [],
            maxPages: 5,
            maxDepth: null,
            concurrency: 2,
            robots: 'obey',
            allowPrivate: false,
        };
        expect(StoredSettings.parse(old)).toEqual({
            ...DEFAULT_SETTINGS,
            ...old,
            // It kept no sources and made up no addresses, so its surveys have neither.
            keepSource: false,
            madeUp: false,
        });
    });

    it.each(PRESETS.map((preset) => preset.id))('the preset %s can be read as settings', (id) => {
        expect(readSettings({ start: START, ...presetInput(id) }).ok).toBe(true);
        expect(presetInput('none')).toBeNull();
    });
});
