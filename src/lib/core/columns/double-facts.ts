/** Pages that have a text in common with others: equal ones have the same number of a group, -1 is none. */
import { originOf } from '../address/address.ts';
import { variantKey } from '../address/variants.ts';
import { likeness } from '../doubles/signature.ts';
import { groupsOf, nearDoubles } from '../doubles/near-doubles.ts';
import type { PageRow } from '../survey/survey-rows.ts';
import type { SurveyFacts } from './survey-facts.ts';

/** Pages with an equal text, by what is asked of their address; what is no page, or has none, is in no group. */
export function sameBy(
    { addressIds, isPage }: SurveyFacts,
    of: (id: number) => string | undefined,
): ReturnType<typeof groupsOf> {
    return groupsOf(Array.from(addressIds, (id, node) => (isPage[node] === 1 ? of(id) || null : null)));
}

/** Pages with an equal text in a column, in any case and without outer space. */
export function sameText(facts: SurveyFacts, of: (page: PageRow) => string): ReturnType<typeof groupsOf> {
    const keys = facts.pages.map((page, node) =>
        facts.isPage[node] === 1 && page !== null ? of(page).trim().toLowerCase() || null : null,
    );
    return groupsOf(keys);
}

/** Pages whose main texts are nearly the same. */
export function nearText({ addressIds, isPage, texts }: SurveyFacts): ReturnType<typeof nearDoubles> {
    return nearDoubles(
        Array.from(addressIds, (id, node) => (isPage[node] === 1 ? (texts.main.get(id)?.signature ?? null) : null)),
    );
}

/**
 * Pages whose URLs differ only by the way they are written, with an equal text outside headers, menus and footers. Their
 * main texts may differ: links that are written relative to the page lead elsewhere from another form of the host, so that
 * no block is shared.
 */
export function sameVariant({ urls, addressIds, isPage, texts }: SurveyFacts): ReturnType<typeof groupsOf> {
    return groupsOf(
        Array.from(addressIds, (id, node) => {
            const hash = isPage[node] === 1 ? (texts.whole?.get(id)?.hash ?? '') : '';
            return hash === '' ? null : `${hash} ${variantKey(urls[node]!)}`;
        }),
    );
}

/** Likeness of a page to what its host answers for what is not there, in hundredths; -1 where either is not known. */
export function madeUpLikeness({ urls, addressIds, isPage, texts, madeUp }: SurveyFacts): Int16Array {
    return Int16Array.from(addressIds, (id, node) => {
        const [own, other] = [texts.whole?.get(id), madeUp.get(originOf(urls[node]!))];
        if (isPage[node] !== 1 || !own || !other) return -1;
        if (own.hash === other.hash) return 100;
        // Texts of too few words are the same, or not alike.
        return own.signature && other.signature ? Math.round(likeness(own.signature, other.signature) * 100) : 0;
    });
}

/** Likeness of a page to the one page its canonical names, in hundredths; -1 where either has no text to tell it by. */
export function canonicalLikeness({ addressIds, pages, isPage, texts }: SurveyFacts): Int16Array {
    const signatureOf = (id: number) => texts.main.get(id)?.signature ?? null;
    return Int16Array.from(addressIds, (id, node) => {
        const canonicals = pages[node]?.canonicals ?? [];
        if (isPage[node] !== 1 || canonicals.length !== 1 || canonicals[0] === id) return -1;
        const [own, other] = [signatureOf(id), signatureOf(canonicals[0]!)];
        return own && other ? Math.round(likeness(own, other) * 100) : -1;
    });
}
