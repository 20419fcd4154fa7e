/** The sentences of causes, in English: what is edited, where, and what follows. Complete by type. */
import type { CauseParams, Spread } from './cause-params.ts';
import type { FileParams, FindingParams } from './finding-params.ts';
import type { VariantKind } from '../address/variants.ts';
import type { Gate } from '../gates/gates.ts';
import { by, counted } from './numbers.ts';

/** An edit: what is done, and where. */
export interface CauseWords {
    /** A sentence without its full stop. */
    say: string;
    where: string;
}

const OWN_PLACES = 'sentences and lists';

/** "/events/", "the root folder". */
const folder = (section: string): string => (section === '/' ? 'the root folder' : `/${section}/`);

/** Checks that find something of addresses that are no pages, or need be none. */
const ADDRESSES: ReadonlySet<keyof FindingParams> = new Set([
    'action-open',
    'link-scheme-down',
    'link-to-closed',
    'link-to-error',
    'link-to-redirect',
    'redirect-chain',
    'redirect-loop',
    'redirect-out',
    'redirect-to-closed',
    'redirect-to-error',
    'redirect-to-start',
    'redirect-unusable',
    'server-error',
    'type-lies',
    'variant-doubles',
    'body-trouble',
]);

/** The URLs an edit is about: how many, and where it is one that one. */
interface About {
    urls: number;
    only: string | null;
}

/** Those as words: "12 pages of /events/", or the one by its address. */
function pagesOf(spread: Spread, { urls, only }: About, check?: keyof FindingParams): string {
    if (only !== null) return only;
    const isAddress = check !== undefined && ADDRESSES.has(check);
    const pages = isAddress ? counted(urls, 'address', 'addresses') : counted(urls, 'page');
    return spread.of === 'section' ? `${pages} of ${folder(spread.section)}` : pages;
}

/** Where what is so of pages is mended: once, where nearly all of them are alike. */
function placeOf(spread: Spread, { only }: About): string {
    if (only !== null) return 'that page';
    if (spread.of === 'site') return 'nearly every page of the site';
    return spread.of === 'section' ? `nearly every page of ${folder(spread.section)}` : 'pages here and there';
}

const answer = (status: number): string => (status === 0 ? 'which does not answer' : `which answers ${status}`);
const answers = (status: number): string => (status === 0 ? 'that do not answer' : `that answer ${status}`);

const STOPS: Record<Gate, (pages: string, isOne: boolean) => string> = {
    scope: (pages) => `Take what lies outside the site out of the sitemap: ${pages}`,
    robots: (pages, isOne) =>
        `Open ${pages}, which robots.txt closes, or take ${isOne ? 'it' : 'them'} out of the sitemap`,
    response: (pages, isOne) => `Mend ${pages}, or take ${isOne ? 'it' : 'them'} out of the sitemap`,
    redirect: (pages, isOne) => `List in the sitemap what ${pages} ${isOne ? 'redirects' : 'redirect'} to`,
    type: (pages) => `Take what is no HTML out of the sitemap: ${pages}`,
    noindex: (pages, isOne) => `Take noindex off ${pages}, or take ${isOne ? 'it' : 'them'} out of the sitemap`,
    canonical: (pages, isOne) =>
        `Let ${pages} name ${isOne ? 'itself' : 'themselves'} as canonical, or list and link what ${isOne ? 'it names' : 'they name'}`,
};

/** What is done to pages, by what is found of them. */
const AT_PAGES: { [I in keyof FindingParams]: (pages: string, isOne: boolean) => string } = {
    'orphan-strict': (pages) => `Link to ${pages}`,
    'orphan-adrift': (pages) => `Link to ${pages}`,
    'thin-hold': (pages) => `Link to ${pages} from a second page`,
    'decline-only': (pages) => `Take nofollow off a link to ${pages}`,
    'listing-only': (pages) => `Link to ${pages} from pages that are no listings`,
    'deeper-than-goal': (pages) => `Bring ${pages} within the depth goal`,
    'dead-end': (pages) => `Give ${pages} links that lead on`,
    'link-to-error': (pages) => `Mend links to ${pages}`,
    'link-to-redirect': (pages) => `Point links to ${pages} at the end of the redirect`,
    'link-to-closed': (pages) => `Open ${pages}, or take the links there away`,
    'noindex-unseen': (pages) => `Open ${pages} until the noindex has been read`,
    'sitemap-lists-stopped': (pages) => `Take ${pages} out of the sitemap`,
    'sitemap-lacks': (pages) => `List ${pages} in the sitemap`,
    'server-error': (pages) => `Mend the server errors of ${pages}`,
    'type-lies': (pages) => `Send the right content type with ${pages}`,
    'body-trouble': (pages) => `Send the bodies of ${pages} whole`,
    'canonical-several': (pages) => `Leave one canonical on ${pages}`,
    'canonical-to-error': (pages) => `Let ${pages} name a canonical that answers`,
    'canonical-to-redirect': (pages) => `Let the canonical of ${pages} name the end of the redirect`,
    'canonical-to-closed': (pages) => `Let ${pages} name a canonical that is open`,
    'canonical-to-noindexed': (pages) => `Let ${pages} name a canonical that may be indexed`,
    'canonical-chain': (pages) => `Let ${pages} name the end of the canonical chain`,
    'canonical-loop': (pages, isOne) => `Settle on one canonical ${isOne ? 'for' : 'among'} ${pages}`,
    'canonical-out': (pages) => `Let ${pages} name a canonical of this site`,
    'noindex-and-canonical': (pages) => `Keep one of noindex and canonical on ${pages}`,
    'link-to-noncanonical': (pages) => `Link to the canonical of ${pages}`,
    'redirect-chain': (pages) => `Lead ${pages} to the end in one hop`,
    'redirect-loop': (pages) => `Lead ${pages} out of the circle`,
    'redirect-to-error': (pages) => `Lead ${pages} to what answers`,
    'redirect-to-closed': (pages) => `Lead ${pages} to what is open`,
    'redirect-to-start': (pages, isOne) =>
        `Lead ${pages} to what took ${isOne ? 'its' : 'their'} place, not to the start page`,
    'same-h1': (pages, isOne) =>
        `Tell the main ${isOne ? 'heading' : 'headings'} of ${pages} apart${isOne ? ' from others' : ''}`,
    'title-long': (pages, isOne) => `Shorten the ${isOne ? 'title' : 'titles'} of ${pages}`,
    'description-missing': (pages) => `Describe ${pages}`,
    'language-missing': (pages, isOne) => `Let ${pages} say ${isOne ? 'its' : 'their'} language`,
    'title-missing': (pages) => `Give ${pages} a title`,
    'h1-missing': (pages) => `Give ${pages} a main heading`,
    'few-words': (pages, isOne) =>
        `Say more on ${pages}, or make ${isOne ? 'it part of another' : 'them part of others'}`,
    'same-title': (pages, isOne) =>
        `Tell the ${isOne ? 'title' : 'titles'} of ${pages} apart${isOne ? ' from others' : ''}`,
    'same-body': (pages) => `Let one of each body answer for the others, on ${pages}`,
    'same-text': (pages) => `Let one of each text answer for the others, on ${pages}`,
    'near-text': (pages) => `Tell the texts of ${pages} apart`,
    'link-to-noindexed': (pages) => `Take noindex off ${pages}, or the links there away`,
    'link-scheme-down': (pages) => `Write https in links to ${pages}`,
    'nofollow-inside': (pages) => `Take nofollow off links to ${pages}`,
    'action-open': (pages) => `Close ${pages} to robots`,
    'mixed-follow': (pages) => `Let links to ${pages} be followed, all or none`,
    'many-own-links': (pages, isOne) => `Part the ${isOne ? 'list' : 'lists'} of links on ${pages}`,
    'redirect-out': (pages) => `Lead ${pages} to pages of the site`,
    'redirect-unusable': (pages) => `Let ${pages} say where to`,
    'refresh-instant': (pages, isOne) => `Redirect ${pages} in place of ${isOne ? 'its refresh' : 'refreshes'}`,
    'weak-choke': (pages) => `Hold ${pages} by a second link`,
    'stopped-but-wanted': (pages) => `Open ${pages}, which matter`,
    'noindex-section': (pages) => `Take noindex off ${pages}, or take the section out of links and listings`,
    'directive-conflict': (pages) => `Say one thing to robots on ${pages}`,
    'sitemap-lists-orphan': (pages) => `Link to ${pages}`,
    'soft-404': (pages) => `Answer 404 or 410 for ${pages}`,
    'link-malformed': (pages) => `Write whole addresses in links of ${pages}`,
    'link-to-private': (pages) => `Link from ${pages} to what readers can reach`,
    'fragment-missing': (pages) => `Mend the fragments of links on ${pages}`,
    'external-error': (pages) => `Mend links out of the site on ${pages}`,
    'resource-error': (pages) => `Restore what ${pages} load`,
    'resource-insecure': (pages) => `Load over https what is loaded over http on ${pages}`,
    frame: (pages) => `Link to what is shown in frames on ${pages}`,
    'title-several': (pages) => `Leave one title on ${pages}`,
    'h1-several': (pages) => `Leave one h1 on ${pages}`,
    'head-broken': (pages) => `Move what ends the head early out of the head of ${pages}`,
    'directive-in-body': (pages) => `Move the robots meta into the head of ${pages}`,
    'directive-unknown': (pages) => `Write the robots directives of ${pages} as they are known`,
    'canonical-ignored': (pages) => `Write the canonical where and as it counts on ${pages}`,
    'structured-data-broken': (pages) => `Mend the structured data of ${pages}`,
    'refresh-delayed': (pages, isOne) => `Redirect ${pages} in place of ${isOne ? 'its refresh' : 'refreshes'}`,
    'canonical-unlike': (pages, isOne) => `Let ${pages} name ${isOne ? 'itself' : 'themselves'} as canonical`,
    'canonical-of-sequence': (pages, isOne) => `Let ${pages} name ${isOne ? 'itself' : 'themselves'} as canonical`,
    'variant-doubles': (pages) => `Redirect ${pages} to the address that is meant`,
    'hreflang-code': (pages) => `Name languages by their codes on ${pages}`,
    'hreflang-no-return': (pages) => `Let the alternates of ${pages} name each other`,
    'hreflang-to-stopped': (pages) => `Name alternates that may be indexed on ${pages}`,
    'hreflang-several': (pages) => `Leave one alternate for each language on ${pages}`,
    'hreflang-no-self': (pages, isOne) => `Let ${pages} name ${isOne ? 'itself' : 'themselves'} among the alternates`,
    'language-differs': (pages) => `Say one language on ${pages}`,
    'sequence-one-way': (pages) => `Let the sequence of ${pages} run both ways`,
    'sequence-broken': (pages) => `Lead the sequence of ${pages} past what stops`,
    'anchor-empty': (pages) => `Put words into the empty links of ${pages}`,
    'image-without-alt': (pages) => `Say in the alt of linked pictures where they lead, on ${pages}`,
    'name-only': (pages) => `Show the words of named links on ${pages}`,
    'anchor-generic': (pages) => `Name in links of ${pages} what they lead to`,
    'anchor-url': (pages) => `Put words in place of addresses in links of ${pages}`,
    'anchor-long': (pages) => `Shorten the long links of ${pages}`,
    'anchor-off-subject': (pages) => `Name in links of ${pages} what the page they lead to is about`,
    'same-words': (pages) => `Give different pages different words in links of ${pages}`,
    'many-names': (pages) => `Settle on two or three names for ${pages}`,
    'self-link': (pages) => `Take links to itself off ${pages}`,
    'twin-links': (pages) => `Make one link of two side by side on ${pages}`,
    'external-new': (pages) => `Look at the new links out of the site on ${pages}`,
    'external-hidden': (pages) => `Take hidden links out of the site off ${pages}`,
    'noscript-only': (pages) => `Link outside noscript what ${pages} link within it`,
    'lost-section': (pages) => `Link to ${pages}`,
    'design-apart': (pages) => `Take ${pages} over into the design of the site, or redirect them`,
    'trap-family': (pages) => `Give the families of ${pages} an end, or close them to robots`,
    'intended-parts': (pages) => `Link ${pages} as the intended structure has it`,
};

const AT_FILES: { [I in keyof FileParams]: string } = {
    'robots-unreachable': 'Let robots.txt answer',
    'robots-html': 'Serve rules as robots.txt, not HTML',
    'robots-too-large': 'Say the rules of robots.txt in less than 500 KiB',
    'robots-redirect': 'Serve robots.txt where it is asked for',
    'robots-closes-resources': 'Open the scripts and styles that robots.txt closes',
    'robots-line-unread': 'Write the lines of robots.txt that nobody reads as rules',
    'robots-no-slash': 'Begin the rules of robots.txt with a slash',
    'robots-rule-idle': 'Take out of robots.txt the rules that decide nothing known',
    'robots-rule-hidden': 'Mend the rules of robots.txt that never win',
    'robots-closes-wanted': 'Narrow the rules of robots.txt that close what is listed',
    'robots-noindex-line': 'Say noindex on the pages, not in robots.txt',
    'robots-sitemap-dead': 'Mend the Sitemap lines of robots.txt that lead nowhere',
    'robots-variants-differ': 'Serve one robots.txt on all forms of the host, or redirect them',
    'errors-answer-200': 'Answer 404 for what is not there',
    'sitemap-none': 'List the indexable pages in a sitemap',
    'sitemap-not-announced': 'Name the sitemap in robots.txt',
    'sitemap-unreadable': 'Let the sitemap be read, or take away what names it',
    'sitemap-malformed': 'Write the sitemap well-formed',
    'sitemap-too-large': 'Split the sitemap, and name the parts in an index',
    'sitemap-nested-index': 'Name the lists themselves in one index',
    'sitemap-entry-invalid': 'Write each entry as one whole address',
    'sitemap-place': 'Put the sitemap above what it lists, on its host',
    'sitemap-double': 'List each address once',
    'sitemap-lastmod': 'Write the day of the last change, or no date',
    'sitemap-values': 'Write in the sitemap the values of the protocol, or none',
    'sitemap-alternates': 'Name languages in the sitemap as the pages do, or in one of the two',
    'host-variants-open': 'Redirect all forms of the host to one',
};

/** What the redirect of one kind of variants is, behind how many addresses it takes: `to` is what the meant ones have. */
const VARIANT_RULES: Record<VariantKind, (to: string) => string> = {
    scheme: (to) => `to ${to}`,
    host: (to) => `to ${to}`,
    index: (to) => (to === '/' ? 'with an index document to their folders' : 'to the index documents they stand for'),
    slash: (to) => (to === '/' ? 'to the same with a slash at the end' : 'to the same without the slash at the end'),
    slashes: () => 'to the same with single slashes',
    case: () => 'to the same in the letters that are linked',
    order: () => 'to the same with their parameters in one order',
};

const CAUSES: { [K in keyof CauseParams]: (params: CauseParams[K], about: About) => CauseWords } = {
    answers: ({ url, isFolder, status }, { urls }) => {
        const address = counted(urls, 'address', 'addresses');
        const what = isFolder ? `${address} below ${url.slice(0, -1)} ${answers(status)}` : `${url}, ${answer(status)}`;
        return { say: `${status >= 500 || status === 0 ? 'Mend' : 'Restore or redirect'} ${what}`, where: 'server' };
    },
    moved: ({ url, isFolder, end }, { urls }) => ({
        say: isFolder
            ? end !== null
                ? `Write ${end} in links to ${counted(urls, 'address', 'addresses')} of ${url.slice(0, -1)}`
                : `Point links to ${counted(urls, 'address', 'addresses')} below ${url.slice(0, -1)} at where they have moved`
            : `Point links to ${url} at ${end ?? 'where it has moved'}`,
        where: OWN_PLACES,
    }),
    template: ({ words, to, link }, { urls }) => ({
        say:
            link === null
                ? `Mend the ${urls} links that lead to ${to}`
                : `Mend the link ${link.anchor === '' ? '' : `“${link.anchor}” `}to ${link.url}`,
        where: words,
    }),
    'link-in': ({ check, words }, { urls }) => ({
        say: AT_PAGES[check](counted(urls, 'page'), urls === 1),
        where: words,
    }),
    outside: ({ url, status }) => ({
        say: `Replace ${url}, ${answer(status)}, or take it away`,
        where: OWN_PLACES,
    }),
    rule: ({ file, line, rule, isWanted }) => ({
        say: isWanted
            ? `Narrow the rule “${rule}”, or take what it closes out of the sitemap`
            : `Take links to what “${rule}” closes away, or open it`,
        where: `${fileName(file)}, line ${line}`,
    }),
    file: ({ file, check }) => ({
        say: AT_FILES[check],
        where: check === 'errors-answer-200' || check === 'host-variants-open' ? 'server' : fileName(file),
    }),
    stops: ({ gate, spread }, about) => ({
        say: STOPS[gate](pagesOf(spread, about), about.only !== null),
        where: placeOf(spread, about),
    }),
    variants: ({ by: kind, to }, { urls }) => ({
        say: `Redirect ${counted(urls, 'address', 'addresses')} ${VARIANT_RULES[kind](to)}`,
        where: 'server',
    }),
    'cut-off': ({ section }) => ({ say: `Link to what is cut off in ${folder(section)}`, where: OWN_PLACES }),
    island: ({ url }) => ({ say: `Link to ${url}, which an island hangs from`, where: OWN_PLACES }),
    pages: ({ check, spread }, about) => ({
        say: AT_PAGES[check](pagesOf(spread, about, check), about.only !== null),
        where: check === 'sitemap-lacks' ? 'sitemap' : placeOf(spread, about),
    }),
};

/** A file of the start page's host by its name, one of another by its address. */
const fileName = (url: string): string => (url.startsWith('/') ? url.slice(1) : url);

export function causeWords({ kind, params }: { kind: keyof CauseParams; params: object }, about: About): CauseWords {
    return (CAUSES[kind] as (params: unknown, about: About) => CauseWords)(params, about);
}

/** What is so of pages, behind their number: "pages link to an error". */
const FOLLOWS: { [I in keyof FindingParams | keyof FileParams]: readonly [one: string, many: string] } = {
    'orphan-strict': ['page that no page links to', 'pages that no page links to'],
    'orphan-adrift': ['page adrift', 'pages adrift'],
    'thin-hold': ['page that one page alone links to', 'pages that one page alone links to'],
    'decline-only': ['page behind declined links only', 'pages behind declined links only'],
    'listing-only': ['page that listings alone link to', 'pages that listings alone link to'],
    'deeper-than-goal': ['page deeper than its goal', 'pages deeper than their goal'],
    'dead-end': ['page without links', 'pages without links'],
    'link-to-error': ['page links to an error', 'pages link to an error'],
    'link-to-redirect': ['page links to a redirect', 'pages link to a redirect'],
    'link-to-closed': ['page links to what is closed', 'pages link to what is closed'],
    'noindex-unseen': ['page with a noindex nobody reads', 'pages with a noindex nobody reads'],
    'sitemap-lists-stopped': ['listed page that stops at a gate', 'listed pages that stop at a gate'],
    'sitemap-lacks': ['page that no sitemap lists', 'pages that no sitemap lists'],
    'server-error': ['server error', 'server errors'],
    'type-lies': ['page with an odd content type', 'pages with an odd content type'],
    'body-trouble': ['body that is not whole', 'bodies that are not whole'],
    'canonical-several': ['page with several canonicals', 'pages with several canonicals'],
    'canonical-to-error': ['canonical leads to an error', 'canonicals lead to an error'],
    'canonical-to-redirect': ['canonical redirects', 'canonicals redirect'],
    'canonical-to-closed': ['canonical is closed', 'canonicals are closed'],
    'canonical-to-noindexed': ['canonical says noindex', 'canonicals say noindex'],
    'canonical-chain': ['canonical names another in turn', 'canonicals name another in turn'],
    'canonical-loop': ['canonical comes back', 'canonicals come back'],
    'canonical-out': ['canonical lies on another site', 'canonicals lie on another site'],
    'noindex-and-canonical': ['page says noindex and canonical', 'pages say noindex and canonical'],
    'link-to-noncanonical': ['page links to what is not canonical', 'pages link to what is not canonical'],
    'redirect-chain': ['redirect of several hops', 'redirects of several hops'],
    'redirect-loop': ['redirect in a circle', 'redirects in a circle'],
    'redirect-to-error': ['redirect to an error', 'redirects to an error'],
    'redirect-to-closed': ['redirect into what is closed', 'redirects into what is closed'],
    'redirect-to-start': ['redirect to the start page', 'redirects to the start page'],
    'same-h1': ['page shares its h1', 'pages share their h1'],
    'title-long': ['page with a long title', 'pages with a long title'],
    'description-missing': ['page without a description', 'pages without a description'],
    'language-missing': ['page that does not say its language', 'pages that do not say their language'],
    'title-missing': ['page without a title', 'pages without a title'],
    'h1-missing': ['page without an h1', 'pages without an h1'],
    'few-words': ['page with few words', 'pages with few words'],
    'same-title': ['page shares its title', 'pages share their title'],
    'same-body': ['page has the body of another', 'pages have the body of another'],
    'same-text': ['page has the text of another', 'pages have the text of another'],
    'near-text': ['page has nearly the text of another', 'pages have nearly the text of another'],
    'link-to-noindexed': ['page links to a noindex', 'pages link to a noindex'],
    'link-scheme-down': ['page links down to http', 'pages link down to http'],
    'nofollow-inside': ['page declines its link', 'pages decline their link'],
    'action-open': ['page links to an action', 'pages link to an action'],
    'mixed-follow': ['page followed here and declined there', 'pages followed here and declined there'],
    'many-own-links': ['page with many links of its own', 'pages with many links of their own'],
    'redirect-out': ['redirect out of the site', 'redirects out of the site'],
    'redirect-unusable': ['redirect to nowhere', 'redirects to nowhere'],
    'refresh-instant': ['page refreshes at once', 'pages refresh at once'],
    'weak-choke': ['page that much hangs from', 'pages that much hangs from'],
    'stopped-but-wanted': ['page that matters and stops', 'pages that matter and stop'],
    'noindex-section': ['page of a section without an index', 'pages of a section without an index'],
    'directive-conflict': ['page says both', 'pages say both'],
    'sitemap-lists-orphan': ['listed page without a link', 'listed pages without a link'],
    'soft-404': ['error that answers 200', 'errors that answer 200'],
    'link-malformed': ['page with a malformed link', 'pages with a malformed link'],
    'link-to-private': ['page links to a private address', 'pages link to a private address'],
    'fragment-missing': ['page links to a lost fragment', 'pages link to a lost fragment'],
    'external-error': ['page links out to an error', 'pages link out to an error'],
    'resource-error': ['page loads what fails', 'pages load what fails'],
    'resource-insecure': ['page loads over http', 'pages load over http'],
    frame: ['page with a page in a frame', 'pages with a page in a frame'],
    'title-several': ['page with several titles', 'pages with several titles'],
    'h1-several': ['page with several h1', 'pages with several h1'],
    'head-broken': ['page whose head ends early', 'pages whose head ends early'],
    'directive-in-body': ['page with a robots meta in the body', 'pages with a robots meta in the body'],
    'directive-unknown': ['page with an unknown directive', 'pages with an unknown directive'],
    'canonical-ignored': ['canonical that does not count', 'canonicals that do not count'],
    'structured-data-broken': ['page with data nobody reads', 'pages with data nobody reads'],
    'refresh-delayed': ['page sends on after a while', 'pages send on after a while'],
    'canonical-unlike': ['canonical of another text', 'canonicals of another text'],
    'canonical-of-sequence': ['later page gives itself up', 'later pages give themselves up'],
    'variant-doubles': ['address is one page with another', 'addresses are one page with another'],
    'hreflang-code': ['page names no language', 'pages name no language'],
    'hreflang-no-return': ['page is not named back', 'pages are not named back'],
    'hreflang-to-stopped': ['page names an alternate that stops', 'pages name an alternate that stops'],
    'hreflang-several': ['page names one language twice', 'pages name one language twice'],
    'hreflang-no-self': ['page does not name itself', 'pages do not name themselves'],
    'language-differs': ['page says two languages', 'pages say two languages'],
    'sequence-one-way': ['sequence runs one way', 'sequences run one way'],
    'sequence-broken': ['sequence breaks off', 'sequences break off'],
    'anchor-empty': ['page with an empty link', 'pages with an empty link'],
    'image-without-alt': [
        'page with a picture without words as a link',
        'pages with a picture without words as a link',
    ],
    'name-only': ['page with a link without words', 'pages with a link without words'],
    'anchor-generic': ['page with a link that says nothing', 'pages with a link that says nothing'],
    'anchor-url': ['page with an address for words', 'pages with an address for words'],
    'anchor-long': ['page with a long link', 'pages with a long link'],
    'anchor-off-subject': ['page with a link off its subject', 'pages with a link off its subject'],
    'same-words': ['page calls two pages alike', 'pages call two pages alike'],
    'many-names': ['page called by many names', 'pages called by many names'],
    'self-link': ['page links to itself', 'pages link to themselves'],
    'twin-links': ['page with two links side by side', 'pages with two links side by side'],
    'external-new': ['page links to a new host', 'pages link to a new host'],
    'external-hidden': ['page hides a link out of the site', 'pages hide a link out of the site'],
    'noscript-only': ['page links in a noscript alone', 'pages link in a noscript alone'],
    'lost-section': ['page of a lost section', 'pages of a lost section'],
    'design-apart': ['page outside the design', 'pages outside the design'],
    'trap-family': ['family without an end', 'families without an end'],
    'intended-parts': ['page elsewhere than intended', 'pages elsewhere than intended'],
    'robots-unreachable': ['file out of reach', 'files out of reach'],
    'robots-html': ['file of HTML', 'files of HTML'],
    'robots-too-large': ['file too large', 'files too large'],
    'robots-redirect': ['file that redirects', 'files that redirect'],
    'robots-closes-resources': ['rule that closes what pages load', 'rules that close what pages load'],
    'robots-line-unread': ['line that nobody reads', 'lines that nobody reads'],
    'robots-no-slash': ['rule without a slash', 'rules without a slash'],
    'robots-rule-idle': ['rule that decides nothing known', 'rules that decide nothing known'],
    'robots-rule-hidden': ['rule that never wins', 'rules that never win'],
    'robots-closes-wanted': ['rule that closes what is listed', 'rules that close what is listed'],
    'robots-noindex-line': ['line that nobody keeps to', 'lines that nobody keeps to'],
    'robots-sitemap-dead': ['line that leads nowhere', 'lines that lead nowhere'],
    'robots-variants-differ': ['file with other rules', 'files with other rules'],
    'errors-answer-200': ['made-up address that answers 200', 'made-up addresses that answer 200'],
    'sitemap-none': ['sitemap missing', 'sitemaps missing'],
    'sitemap-not-announced': ['file that nobody names', 'files that nobody names'],
    'sitemap-unreadable': ['file that cannot be read', 'files that cannot be read'],
    'sitemap-malformed': ['place that is malformed', 'places that are malformed'],
    'sitemap-too-large': ['file too large', 'files too large'],
    'sitemap-nested-index': ['index within an index', 'indexes within an index'],
    'sitemap-entry-invalid': ['entry that is no address', 'entries that are no address'],
    'sitemap-place': ['entry that lies elsewhere', 'entries that lie elsewhere'],
    'sitemap-double': ['address listed again', 'addresses listed again'],
    'sitemap-lastmod': ['date that says nothing', 'dates that say nothing'],
    'sitemap-values': ['value that nobody takes', 'values that nobody takes'],
    'sitemap-alternates': ['entry names another page for a language', 'entries name another page for a language'],
    'host-variants-open': ['form of the host that answers by itself', 'forms of the host that answer by themselves'],
};

/** Behind the number of pages, or of lines of a file. */
export function followsWords(check: keyof FindingParams | keyof FileParams, pages: number): string {
    const [one, many] = FOLLOWS[check];
    return by(pages, one, many);
}
