/** What do links lead to that is no page of the site, and what do pages load? Each link by itself. */
import { hostOf } from '../address/address.ts';
import { isPrivateHost } from '../address/private-host.ts';
import { CHECK } from '../pack/pack-links.ts';
import { externalHosts } from '../areas/external-hosts.ts';
import { linkEnd, linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { LINK_KINDS, LINK_MARK, type LinkKind } from '../page/links.ts';
import { defineCheck, thresholdOf, when, type Cause, type Check, type CheckView, type Threshold } from './check.ts';
import { siteUrl } from './site-url.ts';

const [ANCHOR, OTHER] = [LINK_KINDS.indexOf('a'), LINK_KINDS.indexOf('other')];
/** Pages up to which a host that was not linked to before stands out. */
const FEW_PAGES: Threshold = { value: 5, min: 1, max: 1_000, unit: 'pages' };
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

/** Addresses out of the site. */
const leadsOut =
    ({ survey }: CheckView): ((address: number) => boolean) =>
    (address) =>
        address >= survey.count && survey.numbers('other_internal')[address - survey.count] !== 1;

/** Addresses of hosts that the survey before did not link to, on few pages, and in no block that pages share. */
function newHosts(view: CheckView): (address: number) => boolean {
    const { survey, beside } = view;
    const { hostsBefore } = beside;
    if (hostsBefore === null) return () => false;
    const few = thresholdOf(view, 'external-new', FEW_PAGES);
    const shared = hostsInTemplates(survey);
    const hosts = new Set(
        externalHosts(survey)
            .filter(({ host, pages }) => pages <= few && !hostsBefore.has(host) && !shared.has(host))
            .map(({ host }) => host),
    );
    const isOut = leadsOut(view);
    return (address) => hosts.size > 0 && isOut(address) && hosts.has(hostOf(survey.addressUrl(address)));
}

/** Hosts elsewhere to which a block leads that several pages have. O(links of templates) */
function hostsInTemplates(survey: PackedSurvey): Set<string> {
    const { blockTemplate, blockList, listStart, target } = linkGraphOf(survey);
    const hosts = new Set<string>();
    for (let block = 0; block < blockList.length; block++) {
        if (blockTemplate[block] === -1) continue;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (target[link]! >= survey.count) hosts.add(hostOf(survey.addressUrl(target[link]!)));
        }
    }
    return hosts;
}

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
        id: 'external-new',
        severity: 'remark',
        looks: 'link',
        name: 'New host elsewhere',
        fires: `A link to a host elsewhere to which the whole survey before had no link, from ${FEW_PAGES.value} pages at most.`,
        quiet: 'Hosts in blocks that pages share. Without a whole survey before, and in a partial one, it is not known.',
        why: 'Links that nobody meant to set come in with comments, with pages that were broken into, or with an expired host.',
        advice: 'Look at the page, and take the link away if nobody knows it.',
        example: '`<a href="https://pills.other.example/">`, first seen in this survey, on one page',
        threshold: FEW_PAGES,
        needsWhole: true,
        meant: { kinds: ['a'], to: newHosts },
        ofLink: (view) => {
            const { survey } = view;
            const targets = survey.numbers('link_target');
            return (link) => ({
                params: { url: linkEnd(survey, link), host: hostOf(survey.addressUrl(targets[link]!)) },
            });
        },
    }),
    defineCheck({
        id: 'external-hidden',
        severity: 'risk',
        looks: 'link',
        name: 'Hidden link out of the site',
        fires: 'A link out of the site in markup that `hidden` or an inline style hides.',
        quiet: 'Links inside the site, such as skip links; menus; what a style sheet hides.',
        why: 'Readers never see it: it is left over, or somebody else put it there.',
        advice: 'Take it away, or show it.',
        example: '`<div style="display:none"><a href="https://pills.other.example/">`',
        needsMarks: true,
        meant: { kinds: ['a'], to: leadsOut },
        ofLink: ({ survey }) => {
            const marks = survey.numbers('link_marks');
            return (link) => when((marks[link]! & LINK_MARK.hidden) !== 0, { url: linkEnd(survey, link) });
        },
    }),
    defineCheck({
        id: 'noscript-only',
        severity: 'remark',
        looks: 'link',
        name: 'Linked from noscript only',
        fires: 'A link within `noscript` to a page of the site to which no other link leads.',
        quiet: 'Pages that another page links to outside `noscript`.',
        why: 'Whoever runs scripts, readers and most robots alike, never meets it.',
        advice: 'Link to it in the page itself.',
        example: '`<noscript><a href="/plain/">Plain version</a></noscript>`',
        meant: { kinds: ['noscript'] },
        ofLink: ({ survey }) => {
            const [targets, incoming] = [survey.numbers('link_target'), survey.numbers('incoming_links')];
            const internal = survey.numbers('other_internal');
            return (link) => {
                const to = targets[link]!;
                if (to < 0) return null;
                const isAlone = to < survey.count ? incoming[to] === 0 : internal[to - survey.count] === 1;
                return when(isAlone, { url: to < survey.count ? siteUrl(survey, to) : linkEnd(survey, link) });
            };
        },
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
