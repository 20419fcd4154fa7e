/** Texts of pages as places for links, cut from their received sources when they are asked for, and kept for a while. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { linkGraphOf } from '../../core/packed/link-graph.ts';
import { runningText } from '../../core/page/running-text.ts';
import { sourceText, type SourceText } from '../../core/proposals/source-text.ts';
import { StemNumbers } from '../../core/proposals/stem-numbers.ts';
import { decodeDocument, queryEncoderOf } from '../crawl/charset.ts';
import type { Database } from '../store/connect.ts';
import { loadSources } from '../store/rows-store.ts';

/** Bytes of all texts that stay. */
const MOST_BYTES = 128 * 1024 * 1024;
/** Sources held at once; between them others have their turn. */
const AT_ONCE = 8;
/** Of a character of text: itself, its word and its place, near enough. */
const BYTES_PER_CHARACTER = 8;

export class SourceTexts {
    readonly stems = new StemNumbers();
    readonly #survey: PackedSurvey;
    readonly #surveyId: number;
    readonly #most: number;
    /** The last asked for last; null for pages without a source. */
    readonly #kept = new Map<number, { text: SourceText | null; bytes: number }>();
    #bytes = 0;

    constructor(survey: PackedSurvey, surveyId: number, most = MOST_BYTES) {
        this.#survey = survey;
        this.#surveyId = surveyId;
        this.#most = most;
    }

    /** Those of nodes; null where the survey kept no source of a page. */
    async of(db: Database, nodes: readonly number[]): Promise<Map<number, SourceText | null>> {
        const found = new Map<number, SourceText | null>();
        const addresses = this.#survey.numbers('address');
        const nodeOf = new Map<number, number>();
        for (const node of nodes) {
            const known = this.#kept.get(node);
            if (known) {
                this.#kept.delete(node);
                this.#kept.set(node, known);
                found.set(node, known.text);
            } else nodeOf.set(addresses[node]!, node);
        }
        const pages = [...nodeOf.keys()];
        // Sources may be large, and cutting them takes computing.
        for (let at = 0; at < pages.length; at += AT_ONCE) {
            for (const { page, source, sentType } of await loadSources(
                db,
                this.#surveyId,
                pages.slice(at, at + AT_ONCE),
            )) {
                const node = nodeOf.get(page)!;
                found.set(node, this.#keep(node, this.#cut(node, source, sentType), source.length));
            }
        }
        for (const node of nodeOf.values()) if (!found.has(node)) found.set(node, this.#keep(node, null, 0));
        return found;
    }

    #cut(node: number, source: Buffer, sentType: string): SourceText {
        const { text, encoding } = decodeDocument(source, sentType);
        const running = runningText(text, this.#survey.url(node), queryEncoderOf(encoding));
        const { pageStart, pageBlocks, blockPages } = linkGraphOf(this.#survey);
        const from = pageStart[node]!;
        const end = pageStart[node + 1]!;
        const isShared = (block: number): boolean => from + block < end && blockPages[pageBlocks[from + block]!]! > 1;
        return sourceText(running, isShared, this.#survey.word('language', node), this.stems);
    }

    #keep(node: number, text: SourceText | null, characters: number): SourceText | null {
        const bytes = 200 + characters * BYTES_PER_CHARACTER;
        this.#kept.set(node, { text, bytes });
        this.#bytes += bytes;
        for (const [other, { bytes: freed }] of this.#kept) {
            if (this.#bytes <= this.#most || other === node) break;
            this.#kept.delete(other);
            this.#bytes -= freed;
        }
        return text;
    }
}
