/** Whether a survey sees that a change to a link was made. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export interface SoughtChange {
    kind: 'add' | 'reword' | 'retarget' | 'remove';
    page: string;
    oldAnchor: string;
    newAnchor: string;
    oldTarget: string;
    newTarget: string;
}

const A = 0;

/**
 * A new link is seen where its page links to the target, a new wording where it links there by those words, a removal or
 * another target where no link of the old words leads to the old target. On a page that was not read nothing is seen.
 */
export function changesSeen(survey: PackedSurvey): (change: SoughtChange) => boolean {
    const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const anchor = survey.numbers('link_anchor');
    const words = survey.texts('link_anchor_words');
    const has = (page: number, url: string, text: string | null): boolean => {
        const node = survey.nodeOf(url);
        for (let at = pageStart[page]!; at < pageStart[page + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                if (kind[link] !== A || target[link]! < 0) continue;
                const isThere = node === -1 ? survey.addressUrl(target[link]!) === url : target[link] === node;
                if (isThere && (text === null || words.at(anchor[link]!) === text)) return true;
            }
        }
        return false;
    };
    return (change) => {
        const page = survey.nodeOf(change.page);
        if (page === -1 || isPage[page] !== 1) return false;
        switch (change.kind) {
            case 'add':
                return has(page, change.newTarget, null);
            case 'reword':
                return has(page, change.oldTarget, change.newAnchor) && !has(page, change.oldTarget, change.oldAnchor);
            case 'retarget':
                return has(page, change.newTarget, null) && !has(page, change.oldTarget, change.oldAnchor);
            case 'remove':
                return !has(page, change.oldTarget, change.oldAnchor);
        }
    };
}
