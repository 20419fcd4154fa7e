import { randomBytes } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { NO_SECRETS } from '../core/survey/settings.ts';
import { openSecrets, sealSecrets } from './access/secret-box.ts';
import { formToBegin, readSurveyForm, type ReadSurveyForm } from './survey-form.ts';

const key = randomBytes(32);
const kept = sealSecrets(key, { ...NO_SECRETS, headers: [['X-Gate', 'oak-and-elm']] });

function form(fields: Record<string, string>): FormData {
    const data = new FormData();
    for (const [name, value] of Object.entries({ start: 'https://www.site.example/', ...fields }))
        data.set(name, value);
    return data;
}

/** What would be sent with every request. */
function sent(read: ReadSurveyForm): unknown {
    if (!read.ok || read.sealed === null) return null;
    const opened = openSecrets(key, read.sealed);
    return opened.ok ? opened.secrets.headers : null;
}

describe('secrets of the settings form', () => {
    it('are used again where none are typed, and named in the settings', () => {
        const read = readSurveyForm(form({}), key, kept);
        expect(sent(read)).toEqual([['X-Gate', 'oak-and-elm']]);
        expect(JSON.stringify(read.ok && read.settings.sends)).toContain('X-Gate');
        expect(JSON.stringify(read.ok && read.settings)).not.toContain('oak-and-elm');
    });

    it('are forgotten when that is asked', () => {
        const read = readSurveyForm(form({ forget: 'yes' }), key, kept);
        expect(read.ok && read.sealed).toBeNull();
        expect(JSON.stringify(read)).not.toContain('X-Gate');
    });

    it('give way to others that are typed', () => {
        const read = readSurveyForm(form({ headers: 'X-Other: yew' }), key, kept);
        expect(sent(read)).toEqual([['X-Other', 'yew']]);
    });

    it('are not used where their key is gone', () => {
        const read = readSurveyForm(form({}), randomBytes(32), kept);
        expect(read.ok && read.sealed).toBeNull();
    });

    it('are not shown again with a form that has faults', () => {
        const read = readSurveyForm(form({ start: 'no address', headers: 'X-Gate: oak-and-elm' }), key, null);
        expect(read.ok).toBe(false);
        expect(JSON.stringify(read)).not.toContain('oak-and-elm');
    });
});

describe('the form to begin with', () => {
    it('keeps the start and the hosts of a site whatever preset is chosen', () => {
        const first = formToBegin(null, null);
        expect(first.preset).toBe('usual');
        const read = readSurveyForm(form({ hosts: 'shop.site.example', maxPages: '77' }), key, null);
        if (!read.ok) throw new Error('the form should be right');
        const careful = formToBegin(read.settings, 'careful');
        expect(careful.values.start).toBe('https://www.site.example/');
        expect(careful.values.hosts).toBe('shop.site.example');
        expect(careful.values.maxPages).not.toBe('77');
        expect(formToBegin(read.settings, null).values.maxPages).toBe('77');
    });
});
