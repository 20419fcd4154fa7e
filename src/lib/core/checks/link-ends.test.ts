import { describe, expect, it } from 'vitest';
import { checkView } from '../../../../tests/support/checks.ts';
import { Site, type SmallLink } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { siteFindings } from './site-findings.ts';

/** Checks and severities of what is found of the one link of a page; external ends answered with a status. */
function found(link: SmallLink, status: number | null = 200): string[] {
    const site = new Site()
        .known('/', 'manual')
        .page('/', [link, { to: '/b' }])
        .page('/b', [{ to: '/' }]);
    if (link.to.startsWith('https://other.')) {
        site.rows.checks.push({
            ...{ address: site.id(link.to), kind: 'external', status, notRead: status === null ? 'timeout' : '' },
            ...{ failure: '', contentType: '', redirectTo: null, milliseconds: 1, readAt: 0 },
        });
    }
    const view = checkView(packSurvey(site.measure()).survey);
    return [...siteFindings(view)].flatMap(({ finding }) =>
        finding.place === null ? [] : [`${finding.check} ${finding.severity}`],
    );
}

describe('a link with a scheme that lost its colon', () => {
    it.each([
        ['/a/http//site.example/fees', ['link-malformed fault']],
        ['/https//site.example/', ['link-malformed fault']],
        // An archive keeps the colon; and a folder may be called so.
        ['/web/2001/http://other.example/', []],
        ['/http/spec', []],
        ['/a?next=/http//b', []],
    ])('%s: %j', (to, wanted) => {
        expect(found({ to })).toEqual(wanted);
    });
});

describe('a link out of the site', () => {
    it.each([
        [404, ['external-error fault']],
        [503, ['external-error fault']],
        [null, ['external-error fault']],
        [403, ['external-error remark']],
        [429, ['external-error remark']],
        [200, []],
        [301, []],
    ])('that answers %s: %j', (status, wanted) => {
        expect(found({ to: 'https://other.example/x' }, status)).toEqual(wanted);
    });
});
