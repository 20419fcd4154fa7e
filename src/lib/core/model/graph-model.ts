/**
 * The link graph of a site as the measures see it: which URLs there are, which of them are pages whose links count, and
 * their links by block. Plain columns and nothing of a survey: what was read of a site is one model, and what it would be
 * after a change is another. Made of a packed survey by `packed/model-of.ts`.
 */
import type { Folders } from '../address/folders.ts';
import type { NumberColumn } from '../number-column.ts';

/** Address of a canonical to the page itself. */
export const TO_SELF = -2;
/** No address. */
export const NO_ADDRESS = -1;

/**
 * Links by block: a page has blocks, a block has a list of links, and a menu on 30,000 pages is one list. What looks at
 * links looks at each list once and at each page's blocks once.
 */
export interface LinkBlocks {
    /** Blocks of node `n`: `pageBlocks[pageStart[n]] …`. Nodes whose links do not count have theirs too. */
    pageStart: NumberColumn;
    pageBlocks: NumberColumn;
    /** Number of its region. */
    blockRegion: NumberColumn;
    /** Links of block `b`: those of list `blockList[b]`, from `listStart` of it on. */
    blockList: NumberColumn;
    listStart: NumberColumn;
    /** Address of each link: below `count` a node; `TO_SELF`, `NO_ADDRESS`. */
    target: NumberColumn;
    /** Number of its kind. */
    kind: NumberColumn;
    /** 1 unless the link itself says nofollow, ugc or sponsored. */
    follow: NumberColumn;
}

export interface GraphModel extends LinkBlocks {
    /** Known internal URLs: nodes 0 … count - 1, in the order of their URLs. */
    count: number;
    /** Nodes of the start pages. */
    starts: readonly number[];
    /** Nothing was left unread because of a limit or a stop: what no link reaches is a fact. */
    isComplete: boolean;
    /** 1 for pages whose links count: they answered 200 with HTML. */
    isPage: NumberColumn;
    /** 1 for what robots.txt closes to our agent. */
    isClosed: Uint8Array;
    /** 1 where what links give is lost: errors, failures, and what robots.txt closes. */
    isLost: Uint8Array;
    /** 1 for pages that say nofollow of all their links. */
    nofollow: NumberColumn;
    /** Address of the next hop of a redirect, and of a refresh without delay; negative for none. */
    redirect: NumberColumn;
    refresh: NumberColumn;
    /** Texts, which not every look at the graph needs: read when they are asked for. */
    texts: ModelTexts;
}

export interface ModelTexts {
    /** 1 for URLs of paginated lists and archives. */
    isListing(): Uint8Array;
    /** The folders of URLs. */
    folders(): Folders;
    /** What tells the links of blocks apart. */
    links(): LinkTexts;
}

export interface LinkTexts {
    /** Addresses there are: nodes, and behind them those of other sites. */
    addresses: number;
    /** Number of the text of each link that is no address, and how many such texts there are. */
    text: NumberColumn;
    textCount: number;
    /** Number of the fragment of each link, 0 for none, and how many there are. */
    fragment: NumberColumn;
    fragmentCount: number;
    /** Number of the place of each block: where in the markup it stands. */
    blockPlace: NumberColumn;
    placeName(block: number): string;
    blockName(block: number): string;
}
