/** The sentences of findings, in English: every id of the register has its own, which the types hold complete. */
import type { FileParams, FindingParams } from './finding-params.ts';
import { problemWords, problemWordsOrNone } from './problems.ts';
import type { VariantKind } from '../address/variants.ts';
import { by, counted, number } from './numbers.ts';

const answers = (status: number): string => (status === 0 ? 'does not answer' : `answers ${status}`);

const VARIANTS: Record<VariantKind, string> = {
    scheme: 'their scheme',
    host: '“www.”',
    index: 'the name of the index document',
    slash: 'a slash at the end',
    slashes: 'doubled slashes',
    case: 'capital letters',
    order: 'the order of their parameters',
};

const FINDINGS: { [I in keyof FindingParams]: (params: FindingParams[I]) => string } = {
    'orphan-strict': () => 'No other page that was read links here.',
    'orphan-adrift': () => 'Only pages that links do not reach link here.',
    'thin-hold': () => 'One reached page alone links here with a followed link.',
    'decline-only': () => 'Reached by links that say nofollow only.',
    'listing-only': () => 'Linked from paginated lists and archives only.',
    'deeper-than-goal': ({ depth, goal }) => `Lies ${counted(depth, 'click')} deep; the goal is ${goal}.`,
    'dead-end': () => 'Has no links: whoever comes here has to go back.',
    'link-to-error': ({ url, status }) => `Links to ${url}, which ${answers(status)}.`,
    'link-to-redirect': ({ url }) => `Links to ${url}, which redirects.`,
    'link-to-closed': ({ url }) => `Links to ${url}, which robots.txt closes.`,
    'noindex-unseen': () => 'Closed by robots.txt and marked noindex: while it is closed, nobody reads the noindex.',
    'sitemap-lists-stopped': ({ gate }) => `Listed in a sitemap, and stops at ${gate}.`,
    'sitemap-lacks': () => 'Indexable, and in no sitemap.',
    'server-error': ({ status }) => `Answers ${status}.`,
    'type-lies': ({ why }) => `${capital(problemWordsOrNone(why))}.`,
    'body-trouble': ({ why }) => `${capital(problemWordsOrNone(why))}.`,
    'canonical-several': ({ canonicals }) => `Names ${canonicals} different canonicals: none counts.`,
    'canonical-to-error': ({ url }) => `Its canonical ${url} answers with an error, or not at all.`,
    'canonical-to-redirect': ({ url }) => `Its canonical ${url} redirects.`,
    'canonical-to-closed': ({ url }) => `Its canonical ${url} is closed by robots.txt.`,
    'canonical-to-noindexed': ({ url }) => `Its canonical ${url} says noindex.`,
    'canonical-chain': ({ url }) => `Its canonical ${url} names another page in turn.`,
    'canonical-loop': ({ url }) => `Its canonical ${url} leads back to it.`,
    'canonical-out': ({ url }) => `Its canonical ${url} lies outside the site.`,
    'noindex-and-canonical': () => 'Says noindex, and names another page as its canonical.',
    'link-to-noncanonical': ({ url }) => `Links to ${url}, which names another page as its canonical.`,
    'redirect-chain': ({ hops, end }) => `Redirects to ${end} in ${hops} hops.`,
    'redirect-loop': () => 'Redirects in a circle.',
    'redirect-to-error': ({ end, status }) => `Redirects to ${end}, which ${answers(status)}.`,
    'redirect-to-closed': ({ url }) => `Redirects by way of ${url}, which robots.txt closes.`,
    'redirect-to-start': () => 'Redirects to the start page, as many others do.',
    'same-h1': () => 'Another page has the same h1.',
    'title-long': ({ characters }) => `Its title has ${characters} characters.`,
    'description-missing': () => 'Has no description.',
    'language-missing': () => 'Does not say its language.',
    'title-missing': () => 'Has no title.',
    'h1-missing': () => 'Has no h1.',
    'few-words': ({ words }) => `Its main text has ${words} words.`,
    'same-title': () => 'Another page has the same title.',
    'same-body': () => 'Another page has the very same body.',
    'same-text': () => 'Another page has the same main text.',
    'near-text': () => 'Another page has nearly the same main text.',
    'link-to-noindexed': ({ url }) => `Links to ${url}, which says noindex.`,
    'link-scheme-down': ({ url }) => `Links to ${url}, by http from an https page.`,
    'nofollow-inside': ({ url }) => `Declines its link to ${url}, a page of the site.`,
    'action-open': ({ url }) => `Links to ${url}, which does something, and robots may follow it.`,
    'mixed-follow': ({ followed, declined }) =>
        `${counted(followed, 'link')} to it ${by(followed, 'is', 'are')} followed, ${number(declined)} declined.`,
    'many-own-links': ({ links }) => `Has ${counted(links, 'link')} of its own.`,
    'redirect-out': ({ end }) => `Redirects to ${end}, out of the site.`,
    'redirect-unusable': ({ status }) => `Answers ${status} without an address it leads to.`,
    'refresh-instant': ({ end }) => `Refreshes at once to ${end}.`,
    'weak-choke': ({ pages }) => `${counted(pages, 'page')} hang from it, and it holds badly itself.`,
    'stopped-but-wanted': ({ gate }) => `Matters to somebody, and stops at ${gate}.`,
    'noindex-section': ({ noindexed, pages }) =>
        `Says noindex, as ${number(noindexed)} of ${counted(pages, 'page')} of its section do.`,
    'directive-conflict': ({ both }) => `Says both ${both} and no${both}.`,
    'sitemap-lists-orphan': () => 'Listed in a sitemap, and no path of links leads to it.',
    'soft-404': ({ says }) =>
        says === null
            ? 'Answers 200 with what its host answers for what is not there.'
            : `Answers 200, and says “${says}”.`,
    'link-malformed': ({ written }) => `Has a link to “${written}”, which is no address.`,
    'link-to-private': ({ url }) => `Links to ${url}, which only its own network can reach.`,
    'fragment-missing': ({ url, fragment }) => `Links to “#${fragment}” of ${url}, which has no such id.`,
    'external-error': ({ url, status }) => `Links to ${url}, which ${answers(status)}.`,
    'resource-error': ({ url, status }) => `Loads ${url}, which ${answers(status)}.`,
    'resource-insecure': ({ url }) => `Loads ${url} by http, on an https page.`,
    frame: ({ url }) => `Shows ${url} in a frame.`,
    'title-several': ({ titles }) => `Has ${counted(titles, 'title')} in its head.`,
    'h1-several': ({ h1s }) => `Has ${number(h1s)} h1.`,
    'head-broken': ({ tag, lost }) => `A ${tag} element ends its head early: the ${lost} behind it stands in the body.`,
    'directive-in-body': ({ says }) => `Says “${says}” in a robots meta in its body, where it does not count.`,
    'directive-unknown': ({ token }) => `Says “${token}” to robots, which no standard knows.`,
    'canonical-ignored': ({ why }) => `${capital(problemWords(why))}.`,
    'structured-data-broken': ({ why }) => `${capital(problemWords(why))}.`,
    'refresh-delayed': ({ end }) => `Sends its readers on to ${end} after a while.`,
    'canonical-unlike': ({ url, likeness }) =>
        `Its canonical ${url} says something else: ${likeness} in a hundred of their main texts are alike.`,
    'canonical-of-sequence': ({ url }) => `Names ${url}, the first page of its sequence, as its canonical.`,
    'variant-doubles': ({ url, by: kind }) => `Answers as ${url} does; they differ by ${VARIANTS[kind]}.`,
    'hreflang-code': ({ code }) => `Names an alternate for “${code}”, which is no language.`,
    'hreflang-no-return': ({ url, code, others }) =>
        `Names ${url} as its alternate ${code === '' ? '' : `for “${code}” `}and is not named back${others === 0 ? '' : `, nor by ${counted(others, 'other')}`}.`,
    'hreflang-to-stopped': ({ url, code, gate }) =>
        `Names ${url} as its alternate${code === '' ? '' : ` for “${code}”`}, which stops at ${gate}.`,
    'hreflang-several': ({ code }) => `Names different alternates for “${code}”.`,
    'hreflang-no-self': () => 'Names alternates, and not itself among them.',
    'language-differs': ({ says, named }) => `Says that it is in “${says}”, and names itself for “${named}”.`,
    'sequence-one-way': ({ url, as }) =>
        `Names ${url} as the ${as} page, which does not name it as the ${as === 'next' ? 'previous' : 'next'}.`,
    'sequence-broken': ({ url, gate }) => `Its sequence leads to ${url}, which stops at ${gate}.`,
    'anchor-empty': ({ url }) => `Has a link to ${url} without words, picture or name.`,
    'image-without-alt': ({ url }) => `Has a picture as a link to ${url}, and no alt says where it leads.`,
    'name-only': ({ url, name }) => `Has a link to ${url} without words; it is named “${name}”.`,
    'anchor-generic': ({ url, anchor }) => `Links to ${url} by “${anchor}”.`,
    'anchor-url': ({ anchor }) => `Has a link whose words are the address ${anchor}.`,
    'anchor-long': ({ url, characters, isCard }) =>
        isCard
            ? `A whole card is the link to ${url}: ${number(characters)} characters, with a heading among them.`
            : `Links to ${url} by ${number(characters)} characters.`,
    'anchor-off-subject': ({ url, anchor }) => `Links to ${url} by “${anchor}”, of which that page says nothing.`,
    'same-words': ({ anchor, url, other, pages, links }) => {
        const besides = pages === 2 ? '' : `, and to ${number(pages - 2)} ${pages >= 100 ? 'or more besides' : 'more'}`;
        const more = links === 1 ? '' : `; so with ${counted(links - 1, 'more link', 'more links')} of it`;
        return `Links to ${url} by “${anchor}”, which elsewhere leads to ${other}${besides}${more}.`;
    },
    'many-names': ({ names }) => `Links call it by ${number(names)} different texts.`,
    'self-link': ({ anchor }) => (anchor === '' ? 'Links to itself.' : `Links to itself by “${anchor}”.`),
    'twin-links': ({ url }) => `Has two links to ${url} side by side.`,
    'external-new': ({ url, host }) => `Links to ${url}; the survey before had no link to ${host}.`,
    'external-hidden': ({ url }) => `Has a link to ${url}, out of the site, in markup that is hidden.`,
    'noscript-only': ({ url }) => `Links to ${url} in a noscript, and nothing else links there.`,
    'lost-section': ({ folder, urls }) =>
        `Lies in ${folder}, of which ${counted(urls, 'URL')} are known and links reach none.`,
    'design-apart': ({ pages }) =>
        `Has none of the blocks of nearly all other pages, as ${counted(pages - 1, 'other')}.`,
    'trap-family': ({ pattern, read }) =>
        `The first of the family ${pattern}, which was closed after ${counted(read, 'page')} because it has no end.`,
    'intended-parts': ({ as }) =>
        as === 'not reached'
            ? 'Is part of the intended structure, and links do not reach it.'
            : as === 'deeper'
              ? 'Lies deeper than the intended structure has it.'
              : 'Is not linked from the page the intended structure has above it.',
};

const FILE_FINDINGS: { [I in keyof FileParams]: (params: FileParams[I]) => string } = {
    'robots-unreachable': ({ why }) => `Cannot be had, so everything counts as closed: ${problemWordsOrNone(why)}.`,
    'robots-html': () => 'Holds HTML where rules are due.',
    'robots-too-large': () => 'Is larger than 500 KiB: what stands behind that is not read.',
    'robots-redirect': ({ to }) => `Redirects to ${to}.`,
    'robots-closes-resources': ({ rule, resources }) =>
        `“${rule}” closes ${counted(resources, 'file')} that indexable pages load to be shown.`,
    'robots-line-unread': ({ text }) => `No parser takes “${text}”.`,
    'robots-no-slash': ({ rule, meant }) =>
        `“${rule}” decides nothing, because a pattern starts with / or *; ${meant} was probably meant.`,
    'robots-rule-idle': ({ rule }) => `“${rule}” decides no known URL.`,
    'robots-rule-hidden': ({ rule, by: line }) => `“${rule}” never decides: line ${line} wins wherever it fits.`,
    'robots-closes-wanted': ({ rule, pages }) => `“${rule}” closes ${counted(pages, 'page')} that a sitemap lists.`,
    'robots-noindex-line': ({ text }) => `“${text}” is in no standard, and nobody keeps to it.`,
    'robots-sitemap-dead': ({ named }) => `Names “${named}”, where no sitemap could be read.`,
    'robots-variants-differ': ({ other }) => `Has other rules than ${other}.`,
    'errors-answer-200': () => 'Nobody can have made this address, and it answers 200.',
    'sitemap-none': () => 'No sitemap could be read, here or anywhere else.',
    'sitemap-not-announced': () => 'Is named in no robots.txt.',
    'sitemap-unreadable': ({ why }) => `Could not be read: ${problemWords(why)}.`,
    'sitemap-malformed': ({ why }) => `${capital(problemWords(why))}.`,
    'sitemap-too-large': ({ why }) => `${capital(problemWords(why))}.`,
    'sitemap-nested-index': ({ why }) => `${capital(problemWords(why))}.`,
    'sitemap-entry-invalid': ({ why }) => `${capital(problemWords(why))}.`,
    'sitemap-place': ({ url }) => `Lists ${url}, which does not lie below this file.`,
    'sitemap-double': ({ url, file, line }) => `Lists ${url} again, after line ${line} of ${file}.`,
    'sitemap-lastmod': ({ lastmod, entries }) =>
        entries > 1
            ? `Gives all of its ${number(entries)} entries the date ${lastmod}.`
            : `Gives an entry the date “${lastmod}”, which says nothing.`,
    'sitemap-values': ({ why }) => `${capital(problemWords(why))}.`,
    'sitemap-alternates': ({ url, code, listed, named }) =>
        `Names ${listed} for “${code}” of ${url}; the page itself names ${named}.`,
    'host-variants-open': ({ other, by: how }) =>
        how === 'door' ? `Answers 200 by itself, as ${other} does.` : `Answers with the pages of ${other}.`,
};

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A finding as a sentence. */
export function findingSentence({ check, params }: { check: keyof FindingParams; params: object }): string {
    return (FINDINGS[check] as (params: unknown) => string)(params);
}

export function fileFindingSentence({ check, params }: { check: keyof FileParams; params: object }): string {
    return (FILE_FINDINGS[check] as (params: unknown) => string)(params);
}

export function moreLinksSentence(links: number): string {
    return `Something was found of ${number(links)} more of its links.`;
}
