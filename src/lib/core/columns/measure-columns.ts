/** The measures of the link graph, column by column (`docs/measures.md`). How one is declared: `column.ts`. */
import { UNREACHED } from '../graph/depth.ts';
import { apart } from '../measures/apart.ts';
import { component } from '../measures/component.ts';
import { dominator, heldBy, load } from '../measures/dominated.ts';
import { declineOnly, followedDepth } from '../measures/followed-depth.ts';
import { islands } from '../measures/islands.ts';
import { linkCounts } from '../measures/link-counts.ts';
import { listingOnly } from '../measures/listing-only.ts';
import { ORPHAN, orphans } from '../measures/orphans.ts';
import { leak, ownStanding, standing } from '../measures/standing.ts';
import { thinHolds } from '../measures/thin-holds.ts';
import { ways } from '../measures/ways.ts';
import { marked, measureColumn, present } from './column.ts';

const ORPHAN_WORDS = ['', 'no', 'strict', 'adrift'];
const isOrphan = (kind: number): boolean => kind === ORPHAN.strict || kind === ORPHAN.adrift;

export const MEASURE_COLUMNS = [
    measureColumn({
        id: 'depth',
        form: 'numbers',
        of: (model) => ways(model).depth,
        field: {
            kind: 'number',
            unknown: UNREACHED,
            name: 'depth',
            what: 'Least number of clicks from the start page; unknown for what links do not reach.',
            csv: 5,
        },
        flags: [
            { name: 'reached', what: 'Links lead there from the start page.', isSo: (depth) => depth !== UNREACHED },
        ],
    }),
    /** The node before it on the shortest path, the block and the link it ends with. */
    measureColumn({ id: 'parent', form: 'numbers', of: (model) => ways(model).parent }),
    measureColumn({ id: 'way_block', form: 'numbers', of: (model) => ways(model).wayBlock }),
    measureColumn({ id: 'way_link', form: 'numbers', of: (model) => ways(model).wayLink }),
    measureColumn({ id: 'followed_depth', form: 'numbers', of: followedDepth }),
    measureColumn({
        id: 'orphan',
        publicId: 'orphan_kind',
        form: 'numbers',
        of: orphans,
        field: {
            kind: 'choice',
            words: ORPHAN_WORDS,
            wordOf: (code) => (code === ORPHAN.unknown ? '' : ORPHAN_WORDS[code + 1]!),
            name: 'orphan kind',
            what: 'no, strict or adrift; unknown in a partial survey.',
        },
        flags: [
            { name: 'orphan', what: 'Was read and is not reached, strict or adrift.', isSo: isOrphan },
            { name: 'strict orphan', what: 'No page read links to it.', isSo: (kind) => kind === ORPHAN.strict },
            {
                name: 'adrift',
                what: 'Only pages that are not reached link to it.',
                isSo: (kind) => kind === ORPHAN.adrift,
            },
        ],
    }),
    measureColumn({
        id: 'island',
        form: 'numbers',
        of: islands,
        flags: [present('in an island', 'In a group of two or more orphans that links hold together.')],
    }),
    measureColumn({
        id: 'thin',
        form: 'numbers',
        of: thinHolds,
        flags: [marked('thin hold', 'Reached, and one reached page alone links to it with a followed link.')],
    }),
    measureColumn({
        id: 'listing_only',
        form: 'numbers',
        of: listingOnly,
        flags: [marked('listing only', 'Reached by paginated lists and archives only.')],
    }),
    measureColumn({
        id: 'apart',
        form: 'numbers',
        of: apart,
        flags: [marked('apart from its folder', 'No page of the folder it lies in leads to it.')],
    }),
    measureColumn({
        id: 'decline_only',
        form: 'numbers',
        of: declineOnly,
        flags: [marked('decline only', 'Reached by nofollow links only.')],
    }),
    measureColumn({
        id: 'held_by',
        form: 'numbers',
        of: heldBy,
        flags: [present('held by one link', 'Without one single link it would not be reached.')],
    }),
    measureColumn({ id: 'dominator', form: 'numbers', of: dominator }),
    measureColumn({ id: 'component', form: 'numbers', of: component }),
    measureColumn({
        id: 'standing',
        form: 'fractions',
        of: standing,
        field: {
            kind: 'number',
            unknown: NaN,
            name: 'standing',
            what: 'Share of internal PageRank times the number of ranked pages; 1 is the average.',
            csv: 11,
        },
    }),
    measureColumn({ id: 'own_standing', form: 'fractions', of: ownStanding }),
    measureColumn({
        id: 'leak',
        form: 'fractions',
        of: leak,
        field: {
            kind: 'number',
            unknown: NaN,
            name: 'leak',
            what: 'Standing that goes to errors and closed pages.',
            csv: 34,
        },
    }),
    measureColumn({
        id: 'load',
        form: 'numbers',
        of: load,
        field: {
            kind: 'number',
            unknown: -1,
            name: 'load',
            what: 'Pages that are reached through this one only.',
            csv: 35,
        },
    }),
    measureColumn({
        id: 'incoming_links',
        form: 'numbers',
        of: (model) => linkCounts(model).incomingLinks,
        field: {
            kind: 'number',
            unknown: -1,
            name: 'incoming links',
            what: 'Links from other pages, each occurrence.',
            csv: 8,
        },
    }),
    measureColumn({
        id: 'incoming_followed',
        form: 'numbers',
        of: (model) => linkCounts(model).incomingFollowed,
        field: {
            kind: 'number',
            unknown: -1,
            name: 'incoming followed',
            what: 'Followed links from other pages, each occurrence.',
            csv: 25,
        },
    }),
    measureColumn({
        id: 'incoming_pages',
        form: 'numbers',
        of: (model) => linkCounts(model).incomingPages,
        field: {
            kind: 'number',
            unknown: -1,
            name: 'incoming pages',
            what: 'Other pages that link here.',
            csv: 9,
        },
    }),
    /** Of pages that were not read as well: how many are known is `outgoing links` of `derived-columns.ts`. */
    measureColumn({ id: 'outgoing_links', form: 'numbers', of: (model) => linkCounts(model).outgoingLinks }),
] as const;
