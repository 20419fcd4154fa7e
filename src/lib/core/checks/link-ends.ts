/** What do links lead to that is no page of the site, and what do pages load? Each link by itself. */
import { hostOf } from '../address/address.ts';
import { isPrivateHost } from '../address/private-host.ts';
import { CHECK } from '../pack/pack-links.ts';
import { linkEnd } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { LINK_KINDS, type LinkKind } from '../page/links.ts';
import { defineCheck, when, type Cause, type Check, type CheckView } from './check.ts';
import { siteUrl } from './site-url.ts';

const [ANCHOR, OTHER] = [LINK_KINDS.indexOf('a'), LINK_KINDS.indexOf('other')];
/** What a page loads by itself. */
const RESOURCES: readonly LinkKind[] = ['img', 'script', 'style'];

/** Statuses by which servers turn robots away, not readers (RFC 9110 15.5.2, 15.5.4; RFC 6585 4). */
const TO_ROBOTS: ReadonlySet<number> = new Set([401, 403, 429]);

/** An address that begins with the name of a scheme. */
const SCHEME = /^[a-z][a-z0-9+.-]*:/i;
/** A scheme without its colon has been read as a folder. */
const LOST_COLON = /^https?:\/\/[^?#]*\/(https?\/\/[^?#]*)/i;

/** What a page says of itself, or loads, keeps its `rel` where its end is no address: it is no link that readers follow. */
const OF_THE_HEAD = /(?:^| )(?:canonical|alternate|stylesheet|prev|previous|next|amphtml|sitemap|icon)(?: |$)/;

/** What is written in place of the address of a link that readers follow; empty for addresses and other links. */
function writtenInstead(survey: PackedSurvey): (link: number) => string {
    const [kinds, rels] = [survey.numbers('link_kind'), survey.numbers('link_rel')];
    const isOfHead = survey
        .texts('link_rel_words')
        .all()
        .map((rel) => OF_THE_HEAD.test(rel));
    return (link) => (kinds[link] === OTHER && !isOfHead[rels[link]!] ? survey.word('link_text', link) : '');
}

/** The address without its colon that an address holds as folders; empty for none. */
const lostColon = (url: string): string => LOST_COLON.exec(url)?.[1] ?? '';

/** What is wrong with how the end of a link is written; empty for nothing. */
function badlyWritten(survey: PackedSurvey): (link: number) => string {
    const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
    const instead = writtenInstead(survey);
    return (link) => {
        if (kinds[link] === ANCHOR) return targets[link]! < 0 ? '' : lostColon(survey.addressUrl(targets[link]!));
        const text = instead(link);
        return text !== '' && (!SCHEME.test(text) || /^https?:/i.test(text)) ? text : '';
    };
}

/** Addresses beyond the pages of the site that answered with 400 or above, or not at all, when they were asked. */
const toBroken =
    ({ survey }: CheckView): ((address: number) => boolean) =>
    (address) =>
        address >= survey.count && survey.numbers('other_check')[address - survey.count] === CHECK.broken;

/** Addresses of private hosts, of a site that is not at one itself. */
function toPrivate({ survey }: CheckView): (address: number) => boolean {
    const isOwn = isPrivateHost(hostOf(survey.head.start));
    return (address) => !isOwn && address >= survey.count && isPrivateHost(hostOf(survey.addressUrl(address)));
}

/** Status of what a link leads to beyond the pages of the site: 400 or above, or 0 for no answer; null for anything else. */
function badAnswer(view: CheckView): (link: number) => number | null {
    const { survey } = view;
    const [targets, statuses] = [survey.numbers('link_target'), survey.numbers('other_status')];
    const isBroken = toBroken(view);
    return (link) => (isBroken(targets[link]!) ? statuses[targets[link]! - survey.count]! : null);
}

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
        meant: {
            kinds: ['a', 'other'],
            to:
                ({ survey }) =>
                (address) =>
                    lostColon(survey.addressUrl(address)) !== '',
        },
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
        meant: { kinds: ['a', 'other'], to: toPrivate },
        ofLink: (view) => {
            const { survey } = view;
            const targets = survey.numbers('link_target');
            const [instead, isPrivate] = [writtenInstead(survey), toPrivate(view)];
            return (link) => {
                const text = instead(link);
                if (text !== '') return when(/^file:/i.test(text), { url: text });
                return isPrivate(targets[link]!) ? { params: { url: survey.addressUrl(targets[link]!) } } : null;
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
        meant: { kinds: ['a'] },
        ofLink: ({ survey }) => {
            const [targets, lost] = [survey.numbers('link_target'), survey.numbers('link_fragment_lost')];
            return (link) => {
                if (lost[link] !== 1) return null;
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
        meant: { kinds: ['a'], to: toBroken },
        ofLink: (view) => {
            const { survey } = view;
            const answer = badAnswer(view);
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
        meant: { kinds: RESOURCES, to: toBroken },
        ofLink: (view) => {
            const { survey } = view;
            const answer = badAnswer(view);
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
        meant: { kinds: [...RESOURCES, 'iframe'] },
        ofLink: ({ survey }) => {
            const targets = survey.numbers('link_target');
            return (link) => {
                if (targets[link]! < 0) return null;
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
        meant: { kinds: ['iframe'] },
        ofLink: ({ survey }) => {
            const targets = survey.numbers('link_target');
            return (link) => {
                const to = targets[link]!;
                return to >= 0 && to < survey.count ? { params: { url: siteUrl(survey, to) } } : null;
            };
        },
    }),
];
