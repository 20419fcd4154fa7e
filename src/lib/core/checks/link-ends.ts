/** What do links lead to that is no page of the site, and what do pages load? Each link by itself. */
import { hostOf } from '../address/address.ts';
import { isPrivateHost } from '../address/private-host.ts';
import { CHECK } from '../pack/pack-links.ts';
import { linkEnd } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { LINK_KINDS, type LinkKind } from '../page/links.ts';
import { defineCheck, when, type Cause, type Check, type CheckView } from './check.ts';
import { siteUrl } from './site-url.ts';

const [ANCHOR, OTHER, FRAME] = [LINK_KINDS.indexOf('a'), LINK_KINDS.indexOf('other'), LINK_KINDS.indexOf('iframe')];
/** What a page loads by itself. */
const RESOURCES: readonly LinkKind[] = ['img', 'script', 'style'];

/** Statuses by which servers turn robots away, not readers (RFC 9110 15.5.2, 15.5.4; RFC 6585 4). */
const TO_ROBOTS: ReadonlySet<number> = new Set([401, 403, 429]);

/** An address that begins with the name of a scheme. */
const SCHEME = /^[a-z][a-z0-9+.-]*:/i;
/** A scheme without its colon has been read as a folder. */
const LOST_COLON = /^https?:\/\/[^?#]*\/(https?\/\/[^?#]*)/i;

/** What is wrong with how the end of a link is written; empty for nothing. */
function badlyWritten(survey: PackedSurvey): (link: number) => string {
    const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
    return (link) => {
        if (kinds[link] === OTHER) {
            const text = survey.word('link_text', link);
            return text !== '' && (!SCHEME.test(text) || /^https?:/i.test(text)) ? text : '';
        }
        if (kinds[link] !== ANCHOR || targets[link]! < 0) return '';
        return LOST_COLON.exec(survey.addressUrl(targets[link]!))?.[1] ?? '';
    };
}

/** Of what lies outside the pages of the site and was asked for: its status where it is 400 or above, or 0 for no answer. */
function badAnswer(survey: PackedSurvey, isMeant: (kind: number) => boolean): (link: number) => number | null {
    const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
    const [checks, statuses] = [survey.numbers('other_check'), survey.numbers('other_status')];
    return (link) => {
        const other = targets[link]! - survey.count;
        if (!isMeant(kinds[link]!) || other < 0 || checks[other] !== CHECK.broken) return null;
        return statuses[other]!;
    };
}

const isResource = (kind: number): boolean => RESOURCES.includes(LINK_KINDS[kind]!);

/** What is led to, or loaded, and does not answer. */
const outsideRoot = ({ survey }: CheckView): ((link: number) => Cause) => {
    const [targets, statuses] = [survey.numbers('link_target'), survey.numbers('other_status')];
    return (link) => ({
        kind: 'outside',
        params: { url: linkEnd(survey, link), status: statuses[targets[link]! - survey.count]! },
    });
};

export const LINK_END_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'link-malformed',
        severity: 'fault',
        looks: 'link',
        name: 'Malformed link',
        fires: 'A link whose href is no URL, or holds a scheme without its colon, which makes a folder of it.',
        quiet: 'Other schemes, such as `tel:` and `mailto:`.',
        why: 'Browsers do nothing, or ask for a page that nobody made.',
        advice: 'Write the whole address, or one below the site.',
        example: '`<a href="http//site.example/fees/">`',
        ofLink: ({ survey }) => {
            const badly = badlyWritten(survey);
            return (link) => {
                const written = badly(link);
                return when(written !== '', { written });
            };
        },
    }),
    defineCheck({
        id: 'link-to-private',
        severity: 'fault',
        looks: 'link',
        name: 'Link to a private address',
        fires: 'A link to `localhost`, to an address of a private network, or to a file of the own machine.',
        quiet: 'Sites that stand at such an address themselves.',
        why: 'It works for whoever wrote it, and for nobody else.',
        advice: 'Link to where readers can get it.',
        example: '`<a href="http://192.168.1.20/plan.pdf">`',
        ofLink: ({ survey }) => {
            const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
            const isOwn = isPrivateHost(hostOf(survey.head.start));
            /** By address: hosts of many links are the same. */
            const known = new Map<number, boolean>();
            const isPrivate = (to: number): boolean => {
                let own = known.get(to);
                if (own === undefined) known.set(to, (own = isPrivateHost(hostOf(survey.addressUrl(to)))));
                return own;
            };
            return (link) => {
                const [kind, to] = [kinds[link]!, targets[link]!];
                if (kind === OTHER) {
                    const text = survey.word('link_text', link);
                    return when(/^file:/i.test(text), { url: text });
                }
                if (isOwn || kind !== ANCHOR || to < survey.count || !isPrivate(to)) return null;
                return { params: { url: survey.addressUrl(to) } };
            };
        },
    }),
    defineCheck({
        id: 'fragment-missing',
        severity: 'remark',
        looks: 'link',
        name: 'Fragment that leads nowhere',
        fires: 'A link with a fragment for which its target, as it was read, has no id and no name.',
        quiet: 'Empty fragments, `top`, text directives, and targets that were not read whole.',
        why: 'Readers land at the top of the page and look for what was meant.',
        advice: 'Name an id that is there, or give the target that id.',
        example: '`<a href="/fees/#members">`, and /fees/ has no `id="members"`',
        needsFact: 'markup',
        ofLink: ({ survey }) => {
            const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
            const lost = survey.numbers('link_fragment_lost');
            return (link) => {
                if (lost[link] !== 1 || kinds[link] !== ANCHOR) return null;
                const fragment = survey.word('link_fragment', link);
                return { params: { url: siteUrl(survey, targets[link]!), fragment } };
            };
        },
    }),
    defineCheck({
        id: 'external-error',
        severity: 'fault',
        looks: 'link',
        name: 'External link to an error',
        fires: 'A link out of the site whose target answered with 400 or above, or not at all.',
        quiet: 'Targets that were not asked for. 401, 403 and 429, by which many turn robots away alone, are remarks.',
        why: 'Readers end at an error.',
        advice: 'Link to where it has gone, or take the link away.',
        example: '`<a href="https://other.example/gone">`, which answers 404',
        ofLink: ({ survey }) => {
            const answer = badAnswer(survey, (kind) => kind === ANCHOR);
            return (link) => {
                const status = answer(link);
                if (status === null) return null;
                return {
                    params: { url: linkEnd(survey, link), status },
                    severity: TO_ROBOTS.has(status) ? 'remark' : 'fault',
                };
            };
        },
        cause: outsideRoot,
    }),
    defineCheck({
        id: 'resource-error',
        severity: 'fault',
        looks: 'link',
        name: 'Image, script or style that fails',
        fires: 'An image, a script or a style sheet that answered with 400 or above, or not at all.',
        quiet: 'What was not asked for.',
        why: 'The page does not look or work as it was meant.',
        advice: 'Restore the file, or take away what loads it.',
        example: '`<img src="/img/saw.jpg">`, which answers 404',
        ofLink: ({ survey }) => {
            const answer = badAnswer(survey, isResource);
            return (link) => {
                const status = answer(link);
                return status === null ? null : { params: { url: linkEnd(survey, link), status } };
            };
        },
        cause: outsideRoot,
    }),
    defineCheck({
        id: 'resource-insecure',
        severity: 'fault',
        looks: 'link',
        name: 'Loaded over http',
        fires: 'An https page that loads an image, a script, a style sheet or a frame over http.',
        quiet: 'Links that readers follow; pages over http.',
        why: 'Browsers refuse it, or warn of the page.',
        advice: 'Load it over https.',
        example: '`<script src="http://site.example/app.js">` on an https page',
        links: { takes: 'any', from: 'https' },
        ofLink: ({ survey }) => {
            const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
            return (link) => {
                if ((!isResource(kinds[link]!) && kinds[link] !== FRAME) || targets[link]! < 0) return null;
                const url = survey.addressUrl(targets[link]!);
                return when(url.startsWith('http:'), { url });
            };
        },
    }),
    defineCheck({
        id: 'frame',
        severity: 'remark',
        looks: 'link',
        name: 'Page within a page',
        fires: 'A frame that shows a page of the site.',
        quiet: 'Frames of other sites.',
        why: 'What it shows is found by itself, without the page around it, and gives it nothing.',
        advice: 'Say it on the page, or link to it.',
        example: '`<iframe src="/opening-hours">`',
        ofLink: ({ survey }) => {
            const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
            return (link) => {
                const to = targets[link]!;
                return kinds[link] === FRAME && to >= 0 && to < survey.count
                    ? { params: { url: siteUrl(survey, to) } }
                    : null;
            };
        },
    }),
];
