import { describe, expect, it } from 'vitest';
import { checkView } from '../../../../tests/support/checks.ts';
import { plain, whole } from '../../../../tests/support/planted-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { NOTHING_BESIDE, type DoorForm } from './beside.ts';
import { fileFindings } from './file-findings.ts';

const WWW = ORIGIN.replace('https://', 'https://www.');
const HTTP = ORIGIN.replace('https:', 'http:');

function told(site: Site, hostForms: DoorForm[], texts: Record<string, string> = {}): string[] {
    const body = new Map(Object.entries(texts).map(([path, hash]) => [site.id(path), hash]));
    const { survey } = packSurvey(site.measure(), { body, main: new Map() });
    return fileFindings(checkView(survey, { beside: { ...NOTHING_BESIDE, hostForms } }))
        .filter(({ check }) => check === 'host-variants-open')
        .map(({ file, params }) => `${file} ${JSON.stringify(params)}`);
}

describe('forms of the host', () => {
    it('that answer 200 by themselves at the door are told, the one of the start page not', () => {
        expect(
            told(whole(), [
                { origin: ORIGIN, status: 200, lands: ORIGIN },
                { origin: WWW, status: 200, lands: WWW },
                { origin: HTTP, status: 200, lands: ORIGIN },
            ]),
        ).toEqual([`${WWW}/ {"other":"${ORIGIN}","by":"door"}`]);
    });

    it('that redirect to one, do not answer or answer an error are not', () => {
        expect(
            told(whole(), [
                { origin: ORIGIN, status: 200, lands: ORIGIN },
                { origin: WWW, status: 404, lands: WWW },
                { origin: HTTP, status: null, lands: '' },
            ]),
        ).toEqual([]);
    });

    it('on which one page was read twice are told without a door check; different pages say nothing', () => {
        const site = (): Site => {
            const own = whole().page(`${WWW}/a/one`, [], plain);
            own.rows.addresses[own.id(`${WWW}/a/one`)]!.internal = true;
            return own;
        };
        expect(told(site(), [], { '/a/one': 'same', [`${WWW}/a/one`]: 'same' })).toEqual([
            `${WWW}/ {"other":"${ORIGIN}","by":"pages"}`,
        ]);
        expect(told(site(), [], { '/a/one': 'one', [`${WWW}/a/one`]: 'another' })).toEqual([]);
    });
});
