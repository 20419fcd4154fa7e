/** What is known of the words of links, made ready once: which say nothing, and in which language and part of a page they stand. */
import { latest, once } from '../kept.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { LINK_MARK, REGIONS } from '../page/links.ts';
import type { GenericWords } from './generic-words.ts';

/** The place of a block that is no list and no run of alike elements: links in sentences. */
const RUNNING = /(?:(?:^|>)(?:main|body)(?:#[^>[]*)?|\[main\])$/;

const [MAIN, OTHER] = [REGIONS.indexOf('main'), REGIONS.indexOf('other')];

/** False for a survey of a version that did not look at the markup around links. */
export function hasMarks(survey: PackedSurvey): boolean {
    return once(survey, 'has marks', [], () => {
        const marks = survey.numbers('link_marks');
        for (let link = 0; link < marks.length; link++) if (marks[link]! & LINK_MARK.looked) return true;
        return !survey.numbers('link_kind').includes(0);
    });
}

/** Of each list where it stands. */
interface ListPlaces {
    /** First subtag of the language of the first page that holds it, as a number among `languages`. */
    language: Uint8Array;
    languages: readonly string[];
    /** 1 for lists in the text of pages: the running text of main or body, or a list there that no other page shares. */
    inText: Uint8Array;
    /** The first page that holds it; -1 for none. */
    page: Int32Array;
}

/** O(page blocks), once for each survey. */
export function listPlaces(survey: PackedSurvey): ListPlaces {
    return once(survey, 'places of lists', [], () => {
        const { isPage, pageStart, pageBlocks, blockList, blockRegion, blockTemplate, listStart } = linkGraphOf(survey);
        const codes = survey.numbers('language');
        const words = survey.texts('language_words').all();
        const languages: string[] = [''];
        const numbers = words.map((word) => {
            const own = word.trim().toLowerCase().split(/[-_]/, 1)[0]!;
            const known = languages.indexOf(own);
            // No site has as many languages; a hostile one gets the place of none.
            return known !== -1 || languages.length > 250 ? Math.max(0, known) : languages.push(own) - 1;
        });
        const places = survey.numbers('block_place');
        const running = Uint8Array.from(survey.texts('block_place_words').all(), (place) =>
            RUNNING.test(place) ? 1 : 0,
        );
        const language = new Uint8Array(listStart.length);
        const inText = new Uint8Array(listStart.length);
        const page = new Int32Array(listStart.length).fill(-1);
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] !== 1) continue;
            const own = numbers[codes[node]!]!;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const block = pageBlocks[at]!;
                const list = blockList[block]!;
                const region = blockRegion[block]!;
                const isAlone = blockTemplate[block] === -1 || running[places[block]!] === 1;
                if (isAlone && (region === MAIN || region === OTHER)) inText[list] = 1;
                if (page[list] !== -1) continue;
                page[list] = node;
                language[list] = own;
            }
        }
        return { language, languages, inText, page };
    });
}

/** 1 for each different anchor that is empty, or says nothing in some language. O(different anchors), once. */
export function emptyAnchors(survey: PackedSurvey, generic: GenericWords): Uint8Array {
    return latest(survey, 'empty anchors', generic.key, () =>
        Uint8Array.from(survey.texts('link_anchor_words').all(), (words) =>
            words === '' || generic.in(words).length > 0 ? 1 : 0,
        ),
    );
}

/** Whether the words of the links of a list say nothing, in the language of its page. O(different words), then O(1). */
export function saysNothing(survey: PackedSurvey, generic: GenericWords): (link: number, list: number) => boolean {
    const anchors = survey.texts('link_anchor_words').all();
    const anchor = survey.numbers('link_anchor');
    const { language, languages } = listPlaces(survey);
    const isEmpty = emptyAnchors(survey, generic);
    return (link, list) =>
        isEmpty[anchor[link]!] === 1 && generic.has(anchors[anchor[link]!]!, languages[language[list]!]!);
}
