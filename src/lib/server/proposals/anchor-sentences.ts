/** The links that call a page by certain words, each in the sentence it stands in. */
import { linkGraphOf } from '../../core/packed/link-graph.ts';
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { eachCall, type CallPlace } from '../../core/text/called.ts';
import { sentencesOf } from '../../core/text/sentences.ts';
import type { SourceText } from '../../core/proposals/source-text.ts';
import type { LinkInSentence, LinksInSentences } from '../../wire/proposals.ts';
import { appStore } from '../app.ts';
import { linkMarks } from '../link-marks.ts';
import type { RequestContext } from '../request-context.ts';
import { openTexts } from './open-words.ts';
import { genericOf } from './said.ts';

/** Links that are told with their sentences. */
const MOST = 200;

export async function anchorSentences(
    request: RequestContext,
    url: string,
    anchor: string,
): Promise<LinksInSentences | null> {
    const { survey } = request;
    const packed = await request.packed(['text', 'links']);
    const node = packed.nodeOf(url);
    if (node === -1) return null;
    const places = placesOf(packed, node, anchor);
    const shown = places.slice(0, MOST);
    const { db } = appStore();
    const marks = await linkMarks(db, survey.id, packed, shown);
    const open = await openTexts(survey, packed, await genericOf(request.site.id));
    const texts = open
        ? await open.texts.of(db, [...new Set(shown.map(({ page }) => page))])
        : new Map<number, SourceText | null>();
    const names = packed.texts('block_name');
    const { pageBlocks } = linkGraphOf(packed);
    const links = shown.map(({ page, pageBlock }, index): LinkInSentence => {
        const line = marks[index]?.line ?? 0;
        const text = texts.get(page) ?? null;
        const found = text && sentenceAt(text, url, anchor, line);
        return {
            page: packed.url(page),
            line,
            block: names.at(pageBlocks[pageBlock]!),
            ...(found ?? { sentence: '', from: 0, to: 0 }),
        };
    });
    return { links, more: places.length - shown.length };
}

/** Where links of running text call a page by certain words. O(page blocks). */
function placesOf(survey: PackedSurvey, node: number, text: string): CallPlace[] {
    const anchor = survey.numbers('link_anchor');
    const words = survey.texts('link_anchor_words');
    const places: CallPlace[] = [];
    eachCall(
        survey,
        node,
        (link) => words.at(anchor[link]!) === text,
        (_, place) => places.push(place),
    );
    return places;
}

/** The sentence of the link to a page that stands in a line of the source; the first such link where none does. */
function sentenceAt(
    { running, tag }: SourceText,
    url: string,
    anchor: string,
    line: number,
): Pick<LinkInSentence, 'sentence' | 'from' | 'to'> | null {
    let best: { distance: number; found: Pick<LinkInSentence, 'sentence' | 'from' | 'to'> } | null = null;
    for (const passage of running.passages) {
        for (const taken of passage.taken) {
            if (taken.target !== url) continue;
            const isSame = passage.text.slice(taken.from, taken.to) === anchor;
            const distance = Math.abs(running.placeOf(passage, taken.from).line - line) + (isSame ? 0 : 0.5);
            if (best && best.distance <= distance) continue;
            const spans = sentencesOf(passage.text, tag);
            const own = spans.find(({ from, to }) => from <= taken.from && taken.from < to);
            if (!own) continue;
            const sentence = passage.text.slice(own.from, own.to);
            best = {
                distance,
                found: { sentence, from: taken.from - own.from, to: Math.min(taken.to, own.to) - own.from },
            };
        }
    }
    return best?.found ?? null;
}
