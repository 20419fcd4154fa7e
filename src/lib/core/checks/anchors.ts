/** What do links say? Each link by its words, its markup, and where else the same words lead. */
import { meantPage } from '../areas/meant-page.ts';
import { once } from '../kept.ts';
import { linkEnd, linkGraphOf, listOfLink } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { LINK_MARK } from '../page/links.ts';
import { countWords } from '../page/word-breaks.ts';
import { FIT } from '../subjects/anchor-fit.ts';
import type { FindingParams } from '../words/finding-params.ts';
import {
    defineCheck,
    thresholdOf,
    when,
    type Check,
    type CheckView,
    type FindingPlace,
    type Threshold,
    type Told,
} from './check.ts';
import { listPlaces, saysNothing } from '../text/link-words.ts';
import { siteUrl } from './site-url.ts';

const LONG_ANCHOR: Threshold = { value: 100, min: 10, max: 4_000, unit: 'characters' };
/** Words beyond which an anchor is long, whatever its characters. */
const MANY_WORDS = 15;
const MANY_NAMES: Threshold = { value: 12, min: 1, max: 1_000, unit: 'names' };

const IS_URL = /^(?:https?:\/\/|www\.)\S+$/i;

const A = 0;

/** A link without words and without a name: what is left to tell it by. */
function without(survey: PackedSurvey, what: 'picture' | 'nothing'): (link: number) => Told<{ url: string }> | null {
    const [anchor, name, marks] = [
        survey.numbers('link_anchor'),
        survey.numbers('link_name'),
        survey.numbers('link_marks'),
    ];
    const noAnchor = survey.texts('link_anchor_words').all().indexOf('');
    const noName = survey.texts('link_name_words').all().indexOf('');
    return (link) => {
        if (anchor[link] !== noAnchor || name[link] !== noName) return null;
        const own = marks[link]!;
        if (!(own & LINK_MARK.looked) || own & LINK_MARK.hidden) return null;
        const hasPicture = (own & LINK_MARK.picture) !== 0;
        return when(hasPicture === (what === 'picture'), { url: linkEnd(survey, link) });
    };
}

/** 1 for each different text of links of which something is so. */
const textsThat = (survey: PackedSurvey, isSo: (text: string) => boolean): Uint8Array =>
    Uint8Array.from(survey.texts('link_anchor_words').all(), (text) => (text !== '' && isSo(text) ? 1 : 0));

const isLong = (text: string, most: number): boolean =>
    text.length > MANY_WORDS && ([...text].length > most || countWords(text) > MANY_WORDS);

/** Pages of one wording that are counted; beyond, nobody looks at their number. */
const MOST_TARGETS = 100;

/**
 * By the number of a text of links: how many different pages the links in texts of pages lead to that say it, and the
 * first two of those. Texts without a letter (numbers of pages) name nothing. O(links), once for each survey.
 */
function targetsBySay(survey: PackedSurvey): { count: Uint32Array; first: Int32Array; other: Int32Array } {
    return once(survey, 'targets by words', [], () => {
        const { listStart, kind, target } = linkGraphOf(survey);
        const anchor = survey.numbers('link_anchor');
        const { inText, page } = listPlaces(survey);
        const texts = survey.texts('link_anchor_words').all();
        const names = Uint8Array.from(texts, (text) => (/\p{L}/u.test(text) ? 1 : 0));
        const meant = meantPage(survey);
        const [first, other] = [new Int32Array(texts.length).fill(-1), new Int32Array(texts.length).fill(-1)];
        // Lists are met in the order of answers: what is told of the targets is the first two of the site.
        const [low, high] = [first.slice(), other.slice()];
        const isBefore = inOrderOfUrls(survey);
        const count = new Uint32Array(texts.length);
        const further = new Map<number, Set<number>>();
        for (let list = 0; list + 1 < listStart.length; list++) {
            if (inText[list] !== 1) continue;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const own = anchor[link]!;
                // A link of a page to a place on it is called as the place is.
                if (kind[link] !== A || target[link]! < 0 || target[link] === page[list] || names[own] !== 1) continue;
                const to = meant(target[link]!);
                if (to !== low[own] && isBefore(to, low[own]!)) [low[own], high[own]] = [to, low[own]!];
                else if (to !== low[own] && isBefore(to, high[own]!)) high[own] = to;
                if (to === first[own] || to === other[own]) continue;
                if (first[own] === -1) [first[own], count[own]] = [to, 1];
                else if (other[own] === -1) [other[own], count[own]] = [to, 2];
                else if (count[own]! < MOST_TARGETS) {
                    const more = further.get(own) ?? new Set<number>();
                    further.set(own, more.add(to));
                    count[own] = 2 + more.size;
                }
            }
        }
        return { count, first: low, other: high };
    });
}

/**
 * Whether an address comes before another, -1 for none: nodes by their numbers, then others by their URLs, for those have
 * numbers by which answer came first.
 */
function inOrderOfUrls(survey: PackedSurvey): (address: number, other: number) => boolean {
    let rank: Uint32Array | null = null;
    const rankOf = (address: number): number => {
        if (rank === null) {
            const urls = survey.texts('other_url').all();
            const order = urls.map((_, at) => at).sort((a, b) => (urls[a]! < urls[b]! ? -1 : 1));
            rank = new Uint32Array(urls.length);
            for (const [place, at] of order.entries()) rank[at] = place;
        }
        return rank[address - survey.count]!;
    };
    return (address, other) => {
        if (other === -1) return true;
        const isNode = address < survey.count || other < survey.count;
        return isNode ? address < other : rankOf(address) < rankOf(other);
    };
}

/** Of a page the first link in its text whose words lead elsewhere too, and how many there are. O(links of the page) */
function sharedWords({ survey, beside }: CheckView): (node: number) => Told<FindingParams['same-words']> | null {
    const { isPage, pageStart, pageBlocks, blockList, listStart, kind, target } = linkGraphOf(survey);
    const anchor = survey.numbers('link_anchor');
    const { count, first, other } = targetsBySay(survey);
    const { inText } = listPlaces(survey);
    const [isNothing, meant] = [saysNothing(survey, beside.generic), meantPage(survey)];
    return (node) => {
        if (isPage[node] !== 1) return null;
        let [links, found] = [0, -1];
        let place: FindingPlace | undefined;
        for (let pageBlock = pageStart[node]!; pageBlock < pageStart[node + 1]!; pageBlock++) {
            const list = blockList[pageBlocks[pageBlock]!]!;
            if (inText[list] !== 1) continue;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (count[anchor[link]!]! < 2 || kind[link] !== A || target[link]! < 0 || target[link] === node)
                    continue;
                if (isNothing(link, list)) continue;
                links++;
                if (found !== -1) continue;
                found = link;
                place = { pageBlock, at: link - listStart[list]! };
            }
        }
        if (found === -1 || place === undefined) return null;
        const own = anchor[found]!;
        const elsewhere = first[own] === meant(target[found]!) ? other[own]! : first[own]!;
        return {
            params: {
                anchor: survey.word('link_anchor', found),
                url: linkEnd(survey, found),
                other: elsewhere < survey.count ? siteUrl(survey, elsewhere) : survey.addressUrl(elsewhere),
                pages: count[own]!,
                links,
            },
            place,
        };
    };
}

/** Different texts of links by which pages of the site are called; counted where it can be many. O(links) */
function namesOf({ survey }: CheckView, most: number): (node: number) => number {
    const { listStart, kind, target, isPage, pageStart, pageBlocks, blockList } = linkGraphOf(survey);
    const [anchor, incoming] = [survey.numbers('link_anchor'), survey.numbers('incoming_links')];
    const noAnchor = survey.texts('link_anchor_words').all().indexOf('');
    const held = new Uint8Array(listStart.length);
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) held[blockList[pageBlocks[at]!]!] = 1;
    }
    const eachLink = (tell: (to: number, link: number) => void): void => {
        for (let list = 0; list + 1 < listStart.length; list++) {
            if (held[list] !== 1) continue;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || to < 0 || to >= survey.count || incoming[to]! <= most) continue;
                if (anchor[link] !== noAnchor) tell(to, link);
            }
        }
    };
    // Texts by the page they call, side by side.
    const start = new Uint32Array(survey.count + 1);
    eachLink((to) => start[to + 1]!++);
    for (let node = 0; node < survey.count; node++) start[node + 1]! += start[node]!;
    const texts = new Uint32Array(start[survey.count]!);
    const next = start.slice();
    eachLink((to, link) => (texts[next[to]!++] = anchor[link]!));
    /** The last page that each text was counted for. */
    const last = new Int32Array(survey.texts('link_anchor_words').length).fill(-1);
    const counts = new Uint32Array(survey.count);
    for (let node = 0; node < survey.count; node++) {
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            if (last[texts[at]!] === node) continue;
            last[texts[at]!] = node;
            counts[node]!++;
        }
    }
    return (node) => counts[node]!;
}

export const ANCHOR_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'anchor-empty',
        severity: 'fault',
        looks: 'link',
        name: 'Link without words',
        fires: 'A link that holds neither words nor a picture, and has no name.',
        quiet: 'Links with a picture (told as such), with an `aria-label` or a `title`; links that are hidden from everybody.',
        why: 'Nobody sees it, who hears the page is told “link” alone, and it says nothing of where it leads.',
        advice: 'Put words into it, or take it away.',
        example: '`<a href="/fees/"></a>`',
        mended: '`<a href="/fees/">Fees</a>`',
        needsMarks: true,
        meant: { kinds: ['a'] },
        ofLink: ({ survey }) => without(survey, 'nothing'),
    }),
    defineCheck({
        id: 'image-without-alt',
        severity: 'fault',
        looks: 'link',
        name: 'Picture without words as a link',
        fires: 'A link that holds pictures alone, none with an `alt`, and has no name.',
        quiet: 'Links with words beside the picture, an `aria-label` or a `title`.',
        why: 'The `alt` of the picture is what the link says: without it, it says nothing.',
        advice: 'Say in the `alt` where the link leads.',
        example: '`<a href="/"><img src="/logo.svg"></a>`',
        mended: '`<a href="/"><img src="/logo.svg" alt="Fernhollow, start page"></a>`',
        needsMarks: true,
        meant: { kinds: ['a'] },
        ofLink: ({ survey }) => without(survey, 'picture'),
    }),
    defineCheck({
        id: 'name-only',
        severity: 'remark',
        looks: 'link',
        name: 'Named, and without words',
        fires: 'A link without words whose name stands in an `aria-label` or a `title` alone.',
        quiet: 'Links with words of their own, or with the `alt` of a picture.',
        why: 'Readers do not see the name, and whoever weighs links may not count it.',
        advice: 'Show the words, or give the picture an `alt`.',
        example: '`<a href="/search/" aria-label="Search"><svg>…</svg></a>`',
        mended: '`<a href="/search/"><svg aria-hidden="true">…</svg> Search</a>`',
        meant: { kinds: ['a'] },
        ofLink: ({ survey }) => {
            const [anchor, name] = [survey.numbers('link_anchor'), survey.numbers('link_name')];
            const noAnchor = survey.texts('link_anchor_words').all().indexOf('');
            const noName = survey.texts('link_name_words').all().indexOf('');
            return (link) =>
                anchor[link] === noAnchor && name[link] !== noName
                    ? { params: { url: linkEnd(survey, link), name: survey.word('link_name', link) } }
                    : null;
        },
    }),
    defineCheck({
        id: 'anchor-generic',
        severity: 'risk',
        looks: 'link',
        name: 'Words that say nothing',
        fires: 'A link whose words are, in the language of its page, such as stand for any page: “read more”, “here”.',
        quiet: 'The same words within a longer text.',
        why: 'Who looks through the links of a page learns nothing, and nor does whoever weighs them.',
        advice: 'Name what is found there.',
        example: '`<a href="/guides/saws/">Read more</a>`',
        mended: '`<a href="/guides/saws/">Choosing a saw</a>`',
        meant: { kinds: ['a'] },
        ofLink: ({ survey, beside }) => {
            const isNothing = saysNothing(survey, beside.generic);
            return (link) =>
                isNothing(link, listOfLink(survey, link))
                    ? { params: { url: linkEnd(survey, link), anchor: survey.word('link_anchor', link) } }
                    : null;
        },
    }),
    defineCheck({
        id: 'anchor-url',
        severity: 'remark',
        looks: 'link',
        name: 'An address for words',
        fires: 'A link whose words are an address.',
        quiet: 'Addresses within a longer text.',
        why: 'An address is read out letter by letter, and seldom says what is found there.',
        advice: 'Name what is found there.',
        example: '`<a href="https://site.example/fees/">https://site.example/fees/</a>`',
        mended: '`<a href="https://site.example/fees/">What borrowing costs</a>`',
        meant: { kinds: ['a'] },
        ofLink: ({ survey }) => {
            const anchor = survey.numbers('link_anchor');
            const isUrl = textsThat(survey, (text) => IS_URL.test(text));
            return (link) => when(isUrl[anchor[link]!] === 1, { anchor: survey.word('link_anchor', link) });
        },
    }),
    defineCheck({
        id: 'anchor-long',
        severity: 'remark',
        looks: 'link',
        name: 'Long words of a link',
        fires: `A link of more than ${LONG_ANCHOR.value} characters or ${MANY_WORDS} words; of a card that holds a heading, this is said.`,
        quiet: 'Links of just that many.',
        why: 'What it is about is lost among the rest, and who hears the page hears all of it.',
        advice: 'Make the heading of a card the link; of a sentence the words that name the page.',
        example: '`<a href="/fees/">A whole sentence about what it costs …</a>`',
        mended: '`A whole sentence about <a href="/fees/">what it costs</a> …`',
        threshold: LONG_ANCHOR,
        meant: { kinds: ['a'] },
        ofLink: (view) => {
            const { survey } = view;
            const [anchor, marks] = [survey.numbers('link_anchor'), survey.numbers('link_marks')];
            const most = thresholdOf(view, 'anchor-long', LONG_ANCHOR);
            const long = textsThat(survey, (text) => isLong(text, most));
            return (link) => {
                if (long[anchor[link]!] !== 1) return null;
                const characters = [...survey.word('link_anchor', link)].length;
                const isCard = (marks[link]! & LINK_MARK.heading) !== 0;
                return { params: { url: linkEnd(survey, link), characters, isCard } };
            };
        },
    }),
    defineCheck({
        id: 'anchor-off-subject',
        severity: 'risk',
        looks: 'link',
        name: 'Words off the subject',
        fires: 'A link in the text of a page of whose words none is in the subject or in the main text of the page it leads to.',
        quiet: 'Menus and other blocks that pages share; links that say nothing; pages of another language; surveys whose words are not known.',
        why: 'Who follows the words finds something else, and the page is called by what it is not about.',
        advice: 'Use a word of the page it leads to, or lead it to the page that the words mean.',
        example: '“the stone-age method” leads to /guides/whetstones/, which speaks of no stone age',
        mended: '“sharpening on a whetstone” leads to /guides/whetstones/',
        meant: { kinds: ['a'] },
        ofLink: ({ survey, beside }) => {
            const anchor = survey.numbers('link_anchor');
            const words = survey.texts('link_anchor_words');
            const fits = beside.anchorFits?.(survey) ?? null;
            return (link) =>
                fits === null || fits[link] !== FIT.off
                    ? null
                    : { params: { url: linkEnd(survey, link), anchor: words.at(anchor[link]!) } };
        },
    }),
    defineCheck({
        id: 'same-words',
        severity: 'risk',
        looks: 'page',
        name: 'One wording, several pages',
        fires: 'A page with a link in its text whose words lead to another page elsewhere in a text.',
        quiet: 'Menus and other blocks that pages share; words that say nothing; numbers; several addresses of one page; links of a page to a place on it.',
        why: 'Neither readers nor whoever weighs links can tell which page is meant by them.',
        advice: 'Give each page words of its own.',
        example: '“Fees” leads to /fees/ on one page, to /fees-2019/ on another',
        mended: '“Fees” leads to /fees/ everywhere, “Fees of 2019” to /fees-2019/',
        ofPage: sharedWords,
    }),
    defineCheck({
        id: 'many-names',
        severity: 'remark',
        looks: 'page',
        name: 'Called by many names',
        fires: `A page that links call by more than ${MANY_NAMES.value} different texts.`,
        quiet: 'Pages of just that many names; links without words.',
        why: 'What it is about is said a little differently each time, and no wording stands for it.',
        advice: 'Choose two or three, by the words of its title.',
        example: '/fees/ is called “Fees”, “Prices”, “What it costs” and ten other things',
        mended: '/fees/ is called “Fees” or “What it costs”',
        threshold: MANY_NAMES,
        ofPage: (view) => {
            const most = thresholdOf(view, 'many-names', MANY_NAMES);
            const names = namesOf(view, most);
            return (node) => (names(node) > most ? { params: { names: names(node) } } : null);
        },
    }),
    defineCheck({
        id: 'self-link',
        severity: 'remark',
        looks: 'page',
        name: 'Link to itself',
        fires: 'A page whose text links to that page.',
        quiet: 'Menus and other blocks that pages share; links to a place on the page, such as skip links.',
        why: 'Who follows it is where they were.',
        advice: 'Take the link away, or lead it to where its words promise.',
        example: '`<a href="/fees/">our fees</a>` on /fees/',
        mended: '`our fees`, without a link',
        ofPage: ({ survey }) => {
            const { isPage, pageStart, pageBlocks, blockList, listStart, kind, target } = linkGraphOf(survey);
            const fragment = survey.numbers('link_fragment');
            const noFragment = survey.texts('link_fragment_words').all().indexOf('');
            const { inText } = listPlaces(survey);
            return (node) => {
                if (isPage[node] !== 1) return null;
                for (let pageBlock = pageStart[node]!; pageBlock < pageStart[node + 1]!; pageBlock++) {
                    const list = blockList[pageBlocks[pageBlock]!]!;
                    if (inText[list] !== 1) continue;
                    for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                        if (kind[link] !== A || target[link] !== node || fragment[link] !== noFragment) continue;
                        const params = { anchor: survey.word('link_anchor', link) };
                        return { params, place: { pageBlock, at: link - listStart[list]! } };
                    }
                }
                return null;
            };
        },
    }),
    defineCheck({
        id: 'twin-links',
        severity: 'remark',
        looks: 'link',
        name: 'Two links side by side',
        fires: 'A link that stands beside another one to the same place, nothing but white space between them.',
        quiet: 'Links to one place with text between them.',
        why: 'Who goes from link to link meets each page twice.',
        advice: 'Put picture and words into one link.',
        example: '`<a href="/saws/"><img alt="A saw" src="/saw.jpg"></a> <a href="/saws/">Saws</a>`',
        mended: '`<a href="/saws/"><img alt="" src="/saw.jpg"> Saws</a>`',
        needsMarks: true,
        meant: { kinds: ['a'] },
        ofLink: ({ survey }) => {
            const marks = survey.numbers('link_marks');
            return (link) => when((marks[link]! & LINK_MARK.twin) !== 0, { url: linkEnd(survey, link) });
        },
    }),
];
