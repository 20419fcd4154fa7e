import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { limitSentence, limitWords } from '../words/limits.ts';
import { caveatsOf as caveats, limitsOf } from './limits.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { told } from '../../../../tests/support/problems.ts';
import { problem, writeProblems } from '../problems/problem.ts';

const caveatsOf = (survey: PackedSurvey): string[] => caveats(survey).map(limitWords);

const site = (): Site =>
    new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/slow' }, { to: '/large' }, { to: '/gone' }, { to: '/dead' }])
        .page('/slow', [], { failure: told('the document took more than 30 seconds of computing to read') })
        .page('/large', [], { bodyTrouble: told('the body is longer than 10 bytes; the rest was not read') })
        .page('/gone', [], { status: 404 })
        // No answer is no document that was given up: it has its own reason.
        .page('/dead', [], { status: null, notRead: 'timeout', failure: told('no answer') });

describe('caveatsOf', () => {
    it('counts documents that were given up and bodies that were cut, and nothing else', () => {
        const packed = packSurvey(site().measure()).survey;
        expect(packed.head.complete).toBe(true);
        expect(caveatsOf(packed)).toEqual([
            '1 document was given up, because reading took too long or broke off: links on it are not known',
            '1 body did not arrive whole, or was longer than the limit: what stood behind the cut is not known',
        ]);
    });

    it('tells of sitemaps beyond the limit', () => {
        const url = `${ORIGIN}/map-2001.xml`;
        const packed = packSurvey(site().measure()).survey;
        packed.head.files.push({
            kind: 'sitemap',
            url,
            status: null,
            note: writeProblems([problem('sitemaps-left', { left: 7, most: 2_000 })]),
            entries: null,
        });
        packed.head.files.push({
            kind: 'sitemap',
            url: `${ORIGIN}/map.xml`,
            status: 200,
            note: writeProblems([problem('sitemap-read', { form: 'urlset', entries: 3 })]),
            entries: 3,
        });
        expect(caveatsOf(packed).slice(2)).toEqual([
            `sitemaps from ${url} on were not read, as one of 7 beyond the 2,000 that one survey reads`,
        ]);
    });

    it('says nothing where all was read whole, and is among what a survey cannot claim', () => {
        const whole = packSurvey(new Site().known('/', 'manual').page('/').measure()).survey;
        expect(caveatsOf(whole)).toEqual([]);
        const said = limitsOf(packSurvey(site().measure()).survey, [], []).map(limitSentence);
        expect(said.join(' ')).toContain('1 document was given up');
    });
});
