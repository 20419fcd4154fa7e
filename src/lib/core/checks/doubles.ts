/** Is it said twice? Pages that say what others say, and addresses that are one page written in several ways. */
import { variantKey } from '../address/variants.ts';
import { losingVariants, meantForm } from '../areas/variants.ts';
import { GATE_INDEXABLE } from '../columns/gate-facts.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { acceptedOf } from './canonicals.ts';
import { defineCheck, when, type Cause, type Check, type CheckView } from './check.ts';
import { siteUrl } from './site-url.ts';

/** Words from which on a main text is held against others that are nearly alike. */
const ENOUGH_WORDS = 50;

/** True for indexable pages that share something with another indexable page. */
function sharedByIndexable(survey: PackedSurvey, column: 'same_title' | 'same_h1'): (node: number) => boolean {
    const [gate, same] = [survey.numbers('gate'), survey.numbers(column)];
    const pages = new Map<number, number>();
    for (let node = 0; node < survey.count; node++) {
        if (gate[node] !== GATE_INDEXABLE || same[node] === -1) continue;
        pages.set(same[node]!, (pages.get(same[node]!) ?? 0) + 1);
    }
    return (node) => gate[node] === GATE_INDEXABLE && (pages.get(same[node]!) ?? 0) > 1;
}

/** True for pages that share something with another that is not the same page by its canonical, or but for its spelling. */
function sharedByOthers(survey: PackedSurvey, column: 'same_body' | 'same_text'): (node: number) => boolean {
    const [page, same, accepted] = [survey.numbers('page'), survey.numbers(column), acceptedOf(survey)];
    /** Different pages of each group, by the spelling of what they name as canonical. */
    const pages = new Map<number, Set<string>>();
    for (let node = 0; node < survey.count; node++) {
        if (page[node] !== 1 || same[node] === -1) continue;
        const to = accepted(node);
        const key = variantKey(to < 0 ? survey.url(node) : survey.addressUrl(to));
        const own = pages.get(same[node]!);
        if (own) own.add(key);
        else pages.set(same[node]!, new Set([key]));
    }
    return (node) => page[node] === 1 && (pages.get(same[node]!)?.size ?? 0) > 1;
}

/** The rule of redirects that mends one kind of variants. */
function variantRoot({ survey }: CheckView): (node: number) => Cause | null {
    const losing = losingVariants(survey);
    return (node) => {
        const own = losing.get(node);
        return own ? { kind: 'variants', params: { by: own.kind, to: meantForm(survey, own) } } : null;
    };
}

export const DOUBLE_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'variant-doubles',
        severity: 'fault',
        looks: 'page',
        name: 'One page at several addresses',
        fires: 'A page with the main text of another whose address differs only by scheme, `www.`, a slash at the end, letter case, index document, order of parameters or doubled slashes. Under eight words the bodies must be the same.',
        quiet: 'Different texts; the address that is meant: the one that all name as canonical, else the one more links name.',
        why: 'Links and visits are parted among them, and an index picks one by itself.',
        advice: 'Redirect all of one kind to the others with one rule.',
        example: '/fees and /fees/ answer with one text',
        ofPage: ({ survey }) => {
            const losing = losingVariants(survey);
            return (node) => {
                const own = losing.get(node);
                return own ? { params: { url: siteUrl(survey, own.winner), by: own.kind } } : null;
            };
        },
        cause: variantRoot,
    }),
    defineCheck({
        id: 'same-body',
        severity: 'risk',
        looks: 'page',
        name: 'Same body',
        fires: 'A page whose body is, byte for byte, that of another page.',
        quiet: 'Bodies that differ in anything; addresses that differ only by the way they are written, which are told as such; pages that name one of the two as canonical.',
        why: 'Two addresses share what one would have.',
        advice: 'Redirect one to the other, or name one canonical.',
        example: '/fees and /2016/fees send the very same bytes',
        ofPage: ({ survey }) => {
            const isSame = sharedByOthers(survey, 'same_body');
            return (node) => when(isSame(node), {});
        },
    }),
    defineCheck({
        id: 'same-text',
        severity: 'risk',
        looks: 'page',
        name: 'Same main text',
        fires: 'A page whose main text is that of another page, whatever stands around it.',
        quiet: 'The very same body, and what else is told as such; pages that name one of the two as canonical.',
        why: 'Two addresses share what one would have.',
        advice: 'Redirect one to the other, or name one canonical.',
        example: '/print/a has the main text of /a',
        ofPage: ({ survey }) => {
            const body = survey.numbers('same_body');
            const isSame = sharedByOthers(survey, 'same_text');
            return (node) => when(isSame(node) && body[node] === -1, {});
        },
    }),
    defineCheck({
        id: 'near-text',
        severity: 'remark',
        looks: 'page',
        name: 'Nearly the same main text',
        fires: 'A page whose main text is nearly that of another, by the likeness the survey was made with.',
        quiet: 'Equal bodies and texts, which are told as such; pages of few words.',
        why: 'Readers and indexes cannot tell which of the two is meant.',
        advice: 'Say on each what the other does not, or make one of them.',
        example: '/branches/north/ and /branches/south/ differ in a name and a number',
        ofPage: ({ survey }) => {
            const [near, main, page, body, text] = [
                survey.numbers('near_text'),
                survey.numbers('main_words'),
                survey.numbers('page'),
                survey.numbers('same_body'),
                survey.numbers('same_text'),
            ];
            return (node) =>
                when(
                    page[node] === 1 &&
                        near[node]! >= 0 &&
                        main[node]! >= ENOUGH_WORDS &&
                        body[node] === -1 &&
                        text[node] === -1,
                    {},
                );
        },
    }),
    defineCheck({
        id: 'same-title',
        severity: 'remark',
        looks: 'page',
        name: 'Same title',
        fires: 'An indexable page whose title another indexable page has too, in any case.',
        quiet: 'Pages without a title; those that name the other as their canonical, and so may not be indexed.',
        why: 'Readers cannot tell them apart.',
        advice: 'Say in each title what is there and not on the other.',
        example: '`<title>Guides</title>` on two pages',
        ofPage: ({ survey }) => {
            const isShared = sharedByIndexable(survey, 'same_title');
            return (node) => when(isShared(node), {});
        },
    }),
    defineCheck({
        id: 'same-h1',
        severity: 'remark',
        looks: 'page',
        name: 'Same h1',
        fires: 'An indexable page whose h1 another indexable page has too, in any case.',
        quiet: 'Pages that may not be indexed, and those without an h1.',
        why: 'Readers cannot tell them apart.',
        advice: 'Say in each heading what is there and not on the other.',
        example: '`<h1>Opening hours</h1>` on four branches',
        ofPage: ({ survey }) => {
            const isShared = sharedByIndexable(survey, 'same_h1');
            return (node) => when(isShared(node), {});
        },
    }),
];
