/**
 * What stands nearest to a page that nothing links to: the natural places for a link. Nearness is the same folder, and
 * words of title, h1 and URL in common, weighed by how rare they are on this site.
 */
import { sizeOf } from '../kept.ts';
import { folderOf } from '../address/section.ts';
import { UNREACHED } from '../graph/depth.ts';
import { GATE_INDEXABLE } from '../columns/gate-facts.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isListing } from '../evidence/listing.ts';
import { addressWords } from '../subjects/page-names.ts';
import { ownParts, siteNames } from '../subjects/site-names.ts';
import { eachContentWord } from '../text/content-words.ts';

export interface NearPage {
    node: number;
    sameFolder: boolean;
    /** Words in common, rarest first. */
    words: string[];
}

/** Shared by more pages than this share of the site, a word tells nothing of any of them. */
const COMMON_SHARE = 0.2;
/** A folder in common counts as much as one rare word. */
const FOLDER_WEIGHT = 3;
const MOST_WORDS = 5;

/** The folder a page stands in: that above its own, where its URL ends with a slash. */
function placeOf(url: string): string {
    return folderOf(url.split('?', 1)[0]!.replace(/\/$/, ''));
}

/** Words of a page that say something: of its title, h1 and the last part of its path, three letters and more, by their stems. */
export function subjectWords(survey: PackedSurvey, node: number): Map<string, string> {
    const words = new Map<string, string>();
    const title = ownParts(survey.texts('title').at(node), siteNames(survey)).join(' ');
    const all = `${title} ${survey.texts('h1').at(node)} ${addressWords(survey.url(node))}`;
    eachContentWord(all, survey.word('language', node), (stem, word) => {
        if (/\p{L}{3}|[\p{Lo}]{2}/u.test(word) && !words.has(stem)) words.set(stem, word.toLowerCase());
    });
    return words;
}

/** An index over the pages that links reach and that may be indexed: only they are places for a link. Needs `core` and `text`. */
export class NearestPages {
    readonly #survey: PackedSurvey;
    readonly #byWord = new Map<string, number[]>();
    readonly #byFolder = new Map<string, number[]>();
    #pages = 0;

    constructor(survey: PackedSurvey) {
        this.#survey = survey;
        const isPage = survey.numbers('page');
        const depth = survey.numbers('depth');
        const gate = survey.numbers('gate');
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] !== 1 || depth[node] === UNREACHED || gate[node] !== GATE_INDEXABLE) continue;
            const url = survey.url(node);
            // A page of a list shows other things next week: no place for a link that is to stay.
            if (isListing(url)) continue;
            this.#pages++;
            put(this.#byFolder, placeOf(url), node);
            for (const word of subjectWords(survey, node).keys()) put(this.#byWord, word, node);
        }
    }

    /** Bytes it takes, near enough. */
    get byteLength(): number {
        return sizeOf([this.#byWord, this.#byFolder]);
    }

    /** The nearest pages of one, nearest first. */
    of(node: number, most = 3): NearPage[] {
        const scores = new Map<number, number>();
        const shared = new Map<number, { word: string; weight: number }[]>();
        for (const [stem, word] of subjectWords(this.#survey, node)) {
            const pages = this.#byWord.get(stem);
            if (!pages || pages.length > Math.max(2, this.#pages * COMMON_SHARE)) continue;
            const weight = Math.log(1 + this.#pages / pages.length);
            for (const page of pages) {
                scores.set(page, (scores.get(page) ?? 0) + weight);
                const words = shared.get(page);
                if (words) words.push({ word, weight });
                else shared.set(page, [{ word, weight }]);
            }
        }
        const folder = this.#byFolder.get(placeOf(this.#survey.url(node))) ?? [];
        const inFolder = new Set(folder);
        // Of a large folder with nothing else in common, its first pages by depth do.
        const nearHome = folder.length <= 200 ? folder : folder.slice(0, 200);
        for (const page of nearHome) scores.set(page, (scores.get(page) ?? 0) + FOLDER_WEIGHT);
        const depth = this.#survey.numbers('depth');
        return [...scores]
            .filter(([page]) => page !== node)
            .sort(([a, x], [b, y]) => y - x || depth[a]! - depth[b]! || a - b)
            .slice(0, most)
            .map(([page]) => ({
                node: page,
                sameFolder: inFolder.has(page),
                words: (shared.get(page) ?? [])
                    .sort((a, b) => b.weight - a.weight)
                    .slice(0, MOST_WORDS)
                    .map(({ word }) => word),
            }));
    }
}

function put(into: Map<string, number[]>, key: string, node: number): void {
    const list = into.get(key);
    if (list) list.push(node);
    else into.set(key, [node]);
}
