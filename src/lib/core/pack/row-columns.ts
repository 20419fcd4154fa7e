/**
 * The rows of a survey on their way into the packed survey: taken one by one, in the order of their keys, and kept as
 * columns. A link takes 27 bytes and its texts are kept once each, so that five million links fit where objects would
 * not.
 */
import { LINK_KINDS, REGIONS } from '../page/links.ts';
import type {
    AddressRow,
    BlockRow,
    CheckRow,
    EvidenceRow,
    FileRow,
    LinkListRow,
    PageBlockRow,
    PageRow,
    SurveyRows,
} from '../survey/survey-rows.ts';
import { bytesColumn, signedColumn, wholeColumn } from '../growing-column.ts';
import { TextNumbers } from '../packed/text-table.ts';

/** Target of a link that is no address. */
export const NO_TARGET = -2;

const KIND_CODES = new Map<string, number>(LINK_KINDS.map((kind, code) => [kind, code]));
const REGION_CODES = new Map<string, number>(REGIONS.map((region, code) => [region, code]));

export class RowColumns {
    /** Address numbers in the order they came. */
    readonly addresses = wholeColumn();
    /** By address number; a number that was never given has no URL. */
    readonly urls: (string | undefined)[] = [];
    readonly internal = bytesColumn();
    /** By address number. */
    readonly pages: (PageRow | undefined)[] = [];

    /** First link of each list, and the end of the last. */
    readonly listStart = wholeColumn();
    /** Address number, `SELF` or `NO_TARGET`. */
    readonly linkTarget = signedColumn();
    readonly linkKind = bytesColumn();
    readonly linkAnchor = wholeColumn();
    readonly linkName = wholeColumn();
    readonly linkRel = wholeColumn();
    readonly linkFragment = wholeColumn();
    readonly linkText = wholeColumn();
    readonly linkMarks = bytesColumn();
    readonly anchors = new TextNumbers();
    readonly names = new TextNumbers();
    readonly rels = new TextNumbers();
    readonly fragments = new TextNumbers();
    readonly texts = new TextNumbers();

    readonly blockRegion = bytesColumn();
    readonly blockPlace = wholeColumn();
    readonly places = new TextNumbers();
    /** Index of its list. */
    readonly blockList = wholeColumn();
    readonly blockNames: string[] = [];

    /** Address number of the page; page by page, in the order the blocks stand on each. */
    readonly onPage = wholeColumn();
    /** Index of the block. */
    readonly onPageBlock = wholeColumn();
    readonly onPageLayout = wholeColumn();
    readonly onPageLine = wholeColumn();

    readonly evidence: EvidenceRow[] = [];
    readonly files: FileRow[] = [];
    readonly checks: CheckRow[] = [];

    /** Index of a list, and of a block, by its number; 1 more, so that 0 is "none". */
    readonly #lists = wholeColumn();
    readonly #blocks = wholeColumn();
    #lastOrdinal = -1;

    constructor() {
        this.listStart.push(0);
    }

    address({ id, url, internal }: AddressRow): void {
        this.addresses.push(id);
        this.urls[id] = url;
        this.internal.set(id, internal ? 1 : 0);
    }

    page(row: PageRow): void {
        this.pages[row.address] = row;
    }

    list({ id, links }: LinkListRow): void {
        for (const link of links) {
            this.linkTarget.push(link.target ?? NO_TARGET);
            this.linkKind.push(KIND_CODES.get(link.kind)!);
            this.linkAnchor.push(this.anchors.of(link.anchor));
            this.linkName.push(this.names.of(link.name));
            this.linkRel.push(this.rels.of(link.rel));
            this.linkFragment.push(this.fragments.of(link.fragment));
            this.linkText.push(this.texts.of(link.text));
            this.linkMarks.push(link.marks);
        }
        this.#lists.set(id, this.listStart.length);
        this.listStart.push(this.linkTarget.length);
    }

    /** After the list it holds. */
    block({ id, region, place, list, name }: BlockRow): void {
        this.blockRegion.push(REGION_CODES.get(region)!);
        this.blockPlace.push(this.places.of(place));
        this.blockList.push(Math.max(0, this.#lists.at(list) - 1));
        this.blockNames.push(name);
        this.#blocks.set(id, this.blockNames.length);
    }

    /** After its block; page by page and in the order of its ordinals. */
    pageBlock({ page, ordinal, block, layout, line }: PageBlockRow): void {
        const before = this.onPage.at(this.onPage.length - 1);
        if (this.onPage.length > 0 && (page < before || (page === before && ordinal <= this.#lastOrdinal))) {
            throw new Error(`the blocks of page ${page} are not in order`);
        }
        this.#lastOrdinal = ordinal;
        const index = this.#blocks.at(block) - 1;
        if (index === -1) return;
        this.onPage.push(page);
        this.onPageBlock.push(index);
        this.onPageLayout.push(layout);
        this.onPageLine.push(line);
    }
}

/** Rows that are all there, as columns; the order of page blocks is made. */
export function columnsOf(rows: SurveyRows): RowColumns {
    const columns = new RowColumns();
    for (const row of rows.addresses) columns.address(row);
    for (const row of rows.pages) columns.page(row);
    for (const row of rows.lists) columns.list(row);
    for (const row of rows.blocks) columns.block(row);
    const onPages = [...rows.pageBlocks].sort((a, b) => a.page - b.page || a.ordinal - b.ordinal);
    for (const row of onPages) columns.pageBlock(row);
    columns.evidence.push(...rows.evidence);
    columns.files.push(...rows.files);
    columns.checks.push(...rows.checks);
    return columns;
}
