/** One wording that calls several pages, and pages that many wordings call: links of running text. */
import { meantPage } from '../areas/meant-page.ts';
import { latest } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { FITS, fitOfLink, type Fit } from '../subjects/anchor-fit.ts';
import { ownTitle } from '../subjects/site-names.ts';
import { calledBy } from '../text/called.ts';
import type { GenericWords } from '../text/generic-words.ts';
import { emptyAnchors } from '../text/link-words.ts';

export interface SameWords {
    text: string;
    links: number;
    /** Pages it leads to, those of most links first. */
    targets: { url: string; links: number; fit: Fit }[];
    moreTargets: number;
}

/** How many wordings call more than one page. O(links of running text), once. */
export function sharedWordings(survey: PackedSurvey, generic: GenericWords): number {
    return latest(survey, 'shared wordings', generic.key, () => {
        const { start, links } = calledBy(survey);
        const anchor = survey.numbers('link_anchor');
        const [isEmpty, meant] = [emptyAnchors(survey, generic), meantPage(survey)];
        const first = new Int32Array(isEmpty.length).fill(-1);
        const isShared = new Uint8Array(isEmpty.length);
        for (let node = 0; node < survey.count; node++) {
            const to = meant(node);
            for (let at = start[node]!; at < start[node + 1]!; at++) {
                const own = anchor[links[at]!]!;
                if (isEmpty[own] === 1) continue;
                if (first[own] === -1) first[own] = to;
                else if (first[own] !== to) isShared[own] = 1;
            }
        }
        return isShared.reduce((sum, one) => sum + one, 0);
    });
}

/** Numbers of the anchors of running text that call more than one page and say something, with links by target. */
function sameWords(
    survey: PackedSurvey,
    generic: GenericWords,
): { anchor: number; links: number; targets: Map<number, { links: number; link: number }> }[] {
    const { start, links, pages } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const isNothing = emptyAnchors(survey, generic);
    const meant = meantPage(survey);
    const found = new Map<number, Map<number, { links: number; link: number }>>();
    for (let node = 0; node < survey.count; node++) {
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const link = links[at]!;
            const own = anchor[link]!;
            if (isNothing[own] === 1) continue;
            const targets = found.get(own) ?? new Map<number, { links: number; link: number }>();
            found.set(own, targets);
            const to = meant(node);
            const known = targets.get(to);
            if (known) known.links += pages[at]!;
            else targets.set(to, { links: pages[at]!, link });
        }
    }
    return (
        [...found]
            .filter(([, targets]) => targets.size > 1)
            .map(([own, targets]) => ({
                anchor: own,
                targets,
                links: [...targets.values()].reduce((sum, { links: all }) => sum + all, 0),
            }))
            // Where each page is called so once, it is the pattern of a template and not a doubt: those come last.
            .sort((a, b) => Number(isSeries(a)) - Number(isSeries(b)) || b.links - a.links || a.anchor - b.anchor)
    );
}

const isSeries = ({ links, targets }: { links: number; targets: { size: number } }): boolean => links === targets.size;

export interface SameWordsView {
    total: number;
    from: number;
    most: number;
    wordings: SameWords[];
    /** One target, many wordings. */
    many: { url: string; title: string; names: number; links: number; some: string[] }[];
}

const MOST_WORDINGS = 25;
const MOST_TARGETS = 8;
const MOST_MANY = 25;

export function sameWordsView(
    survey: PackedSurvey,
    fits: ArrayLike<number> | null,
    from: number,
    generic: GenericWords,
): SameWordsView {
    const all = sameWords(survey, generic);
    const texts = survey.texts('link_anchor_words');
    const wordings = all.slice(from, from + MOST_WORDINGS).map(({ anchor, links, targets }): SameWords => {
        const ordered = [...targets].sort(([a, x], [b, y]) => y.links - x.links || a - b);
        return {
            text: texts.at(anchor),
            links,
            targets: ordered.slice(0, MOST_TARGETS).map(([node, own]) => ({
                url: survey.addressUrl(node),
                links: own.links,
                fit: FITS[fitOfLink(fits, own.link, false)]!,
            })),
            moreTargets: Math.max(0, ordered.length - MOST_TARGETS),
        };
    });
    return { total: all.length, from, most: MOST_WORDINGS, wordings, many: manyNames(survey, generic) };
}

/** Pages by how many different wordings call them in running text. */
function manyNames(survey: PackedSurvey, generic: GenericWords): SameWordsView['many'] {
    const { start, links, pages } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const texts = survey.texts('link_anchor_words');
    const isNothing = emptyAnchors(survey, generic);
    const rows: { node: number; names: Map<number, number>; links: number }[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (start[node + 1]! - start[node]! < 2) continue;
        const names = new Map<number, number>();
        let all = 0;
        for (let at = start[node]!; at < start[node + 1]!; at++) {
            const own = anchor[links[at]!]!;
            const times = pages[at]!;
            all += times;
            if (isNothing[own] !== 1) names.set(own, (names.get(own) ?? 0) + times);
        }
        if (names.size > 1) rows.push({ node, names, links: all });
    }
    rows.sort((a, b) => b.names.size - a.names.size || b.links - a.links || a.node - b.node);
    return rows.slice(0, MOST_MANY).map(({ node, names, links: all }) => ({
        url: survey.url(node),
        title: ownTitle(survey, node),
        names: names.size,
        links: all,
        some: [...names]
            .sort(([a, x], [b, y]) => y - x || a - b)
            .slice(0, 4)
            .map(([own]) => texts.at(own)),
    }));
}
