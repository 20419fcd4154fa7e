/** The main text of a page: its pieces outside header, nav, footer and the blocks it shares with other pages. */
import type { PageText } from './read-page.ts';

/**
 * @param pieces in document order
 * @param isShared tells for the order of a block on the page whether it stands on other pages too
 * @returns the pieces that are left, one to a line
 */
export function mainTextOf(pieces: readonly PageText[], isShared: (block: number) => boolean): string {
    return pieces
        .filter((piece) => piece.text !== '' && (piece.block < 0 || !isShared(piece.block)))
        .map((piece) => piece.text)
        .join('\n');
}
