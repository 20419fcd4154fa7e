/** Do the languages of a page fit together? Alternates named by hreflang, in the head or in `Link` headers. */
import { GATE_INDEXABLE, gateOf } from '../columns/gate-facts.ts';
import { once } from '../kept.ts';
import { isLanguageTag, languageOfTag } from '../page/language-tag.ts';
import { headLinksOf } from '../packed/head-links.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { defineCheck, when, type Check } from './check.ts';
import { siteUrl } from './site-url.ts';

/** What is meant by no language: the page for all others. */
const DEFAULT = 'x-default';

export interface Alternate {
    /** As written, in small letters; empty in surveys of a version that did not read it. */
    code: string;
    /** The address it names: a page of the site where it is below their number. */
    to: number;
}

const NONE: readonly Alternate[] = [];

/** What each page names, in the order it stands; a page and language named twice, once. O(1) a page, once made ready. */
export function alternatesOf(survey: PackedSurvey): (node: number) => readonly Alternate[] {
    const { start, link } = headLinksOf(survey, 'hreflang');
    const [target, name] = [survey.numbers('link_target'), survey.numbers('link_name')];
    const codes = once(survey, 'language codes', [], () =>
        survey
            .texts('link_name_words')
            .all()
            .map((word) => word.toLowerCase()),
    );
    return (node) => {
        if (start[node] === start[node + 1]) return NONE;
        const own: Alternate[] = [];
        const before = new Set<string>();
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const [code, to] = [codes[name[link[at]!]!]!, target[link[at]!]!];
            if (to < 0 || before.has(`${to} ${code}`)) continue;
            before.add(`${to} ${code}`);
            own.push({ code, to });
        }
        return own;
    };
}

/** Whether a page names another as an alternate. O(log alternates), once made ready. */
function namesOf(survey: PackedSurvey): (node: number, other: number) => boolean {
    const { start, link } = headLinksOf(survey, 'hreflang');
    const target = survey.numbers('link_target');
    // Of each page what it names, in order: groups of hundreds ask each of its pages about each other.
    const named = once(survey, 'alternates in order', [], () => {
        const all = Int32Array.from(link, (own) => target[own]!);
        for (let node = 0; node < survey.count; node++) all.subarray(start[node], start[node + 1]).sort();
        return all;
    });
    return (node, other) => {
        let [low, high] = [start[node]!, start[node + 1]!];
        while (low < high) {
            const middle = (low + high) >> 1;
            if (named[middle]! < other) low = middle + 1;
            else high = middle;
        }
        return low < start[node + 1]! && named[low] === other;
    };
}

export const LANGUAGE_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'hreflang-code',
        severity: 'fault',
        looks: 'page',
        name: 'No language',
        fires: 'A page that names an alternate by what is no language: not written as BCP 47 has it, or a language or region that its registry does not have.',
        quiet: '`x-default`, and codes in any case, such as `en-gb`.',
        why: 'The alternate is passed over.',
        advice: 'Write a language, and a region where it matters: `en`, `en-GB`, `zh-Hant`.',
        example: '`<link rel="alternate" hreflang="english" href="/en/">`',
        ofPage: ({ survey }) => {
            const alternates = alternatesOf(survey);
            const known = new Map<string, boolean>([
                ['', true],
                [DEFAULT, true],
            ]);
            const isKnown = (code: string): boolean => {
                let own = known.get(code);
                if (own === undefined) known.set(code, (own = isLanguageTag(code)));
                return own;
            };
            return (node) => {
                const wrong = alternates(node).find(({ code }) => !isKnown(code));
                return wrong === undefined ? null : { params: { code: wrong.code } };
            };
        },
    }),
    defineCheck({
        id: 'hreflang-no-return',
        severity: 'risk',
        looks: 'page',
        name: 'Alternate that does not name it back',
        fires: 'A page whose alternate, a page of the site, names alternates without it, or none.',
        quiet: 'Alternates that were not read, or lie on other sites; those that stop at a gate are told as such.',
        why: 'What only one of the two says is not believed.',
        advice: 'Let every page of a group name all of them.',
        example: '/en/fees names /fr/frais as `fr`, which names no /en/fees',
        ofPage: ({ survey }) => {
            const [alternates, names] = [alternatesOf(survey), namesOf(survey)];
            const gate = survey.numbers('gate');
            return (node) => {
                const one = alternates(node).filter(
                    ({ to }) => to !== node && to < survey.count && gate[to] === GATE_INDEXABLE && !names(to, node),
                );
                const urls = new Set(one.map(({ to }) => to));
                if (one.length === 0) return null;
                return { params: { url: siteUrl(survey, one[0]!.to), code: one[0]!.code, others: urls.size - 1 } };
            };
        },
    }),
    defineCheck({
        id: 'hreflang-to-stopped',
        severity: 'risk',
        looks: 'page',
        name: 'Alternate that stops',
        fires: 'A page that names an alternate which stops at a gate.',
        quiet: 'Alternates whose gates are not known.',
        why: 'Readers of that language are sent to what is in no index.',
        advice: 'Name the page that may be indexed, or mend what stops it.',
        example: '`<link rel="alternate" hreflang="fr" href="/fr/old">`, which answers 301',
        ofPage: ({ survey }) => {
            const alternates = alternatesOf(survey);
            const gate = survey.numbers('gate');
            return (node) => {
                for (const { to, code } of alternates(node)) {
                    // What the page itself stops at is told of it.
                    if (to === node || to >= survey.count) continue;
                    const at = gateOf(gate[to]!);
                    if (at !== null && at !== 'indexable') {
                        return { params: { url: siteUrl(survey, to), code, gate: at } };
                    }
                }
                return null;
            };
        },
    }),
    defineCheck({
        id: 'hreflang-several',
        severity: 'risk',
        looks: 'page',
        name: 'One language, several alternates',
        fires: 'A page that names different addresses for one language.',
        quiet: 'The same address twice.',
        why: 'Nobody can tell which one is meant.',
        advice: 'Leave one for each language.',
        example: '`hreflang="fr"` of /fr/ and of /france/',
        ofPage: ({ survey }) => {
            const alternates = alternatesOf(survey);
            return (node) => {
                const seen = new Set<string>();
                for (const { code } of alternates(node)) {
                    if (code !== '' && seen.has(code)) return { params: { code } };
                    seen.add(code);
                }
                return null;
            };
        },
    }),
    defineCheck({
        id: 'hreflang-no-self',
        severity: 'remark',
        looks: 'page',
        name: 'Group without the page itself',
        fires: 'A page that names alternates in other languages, and not itself in its own.',
        quiet: 'Pages that name none.',
        why: 'Which language the page itself stands for is left to be guessed.',
        advice: 'Let it name itself too.',
        example: '/en/ names /fr/ and /cy/, and not /en/',
        ofPage: ({ survey }) => {
            const alternates = alternatesOf(survey);
            return (node) => {
                const own = alternates(node);
                return when(own.length > 0 && !own.some(({ to }) => to === node), {});
            };
        },
    }),
    defineCheck({
        id: 'language-differs',
        severity: 'remark',
        looks: 'page',
        name: 'Two languages for one page',
        fires: 'A page that names itself for one language, and says in its html element that it is in another.',
        quiet: 'Other regions of one language, and pages that do not say theirs.',
        why: 'What reads aloud or translates goes by one, what lists pages by language by the other.',
        advice: 'Let both say the same.',
        example: '`<html lang="en">`, and `hreflang="cy"` of the page itself',
        ofPage: ({ survey }) => {
            const alternates = alternatesOf(survey);
            return (node) => {
                const says = survey.word('language', node);
                if (says === '') return null;
                const own = alternates(node).filter(({ code, to }) => to === node && code !== '' && code !== DEFAULT);
                const isSame = own.some(({ code }) => languageOfTag(code) === languageOfTag(says));
                return own.length === 0 || isSame ? null : { params: { says, named: own[0]!.code } };
            };
        },
    }),
];
