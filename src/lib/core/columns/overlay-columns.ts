/**
 * Columns that belong to the site and not to a survey: what people say of pages. They are laid over a survey when
 * somebody looks at it, so they change without it; nothing of them is packed. How one is declared: `column.ts`.
 */
import { overlayColumn } from './column.ts';

export const OVERLAY_COLUMNS = [
    overlayColumn({
        id: 'priority',
        field: {
            kind: 'number',
            unknown: 0,
            name: 'priority',
            what: 'How much the page matters: 1 (most) to 3; unknown where nothing says so.',
        },
    }),
] as const;

export type OverlayName = (typeof OVERLAY_COLUMNS)[number]['id'];

/** The overlays that are there, by their name, one small whole number for each node; one that is left out is not known of any page. */
export type Overlays = { readonly [name in OverlayName]?: Uint8Array | undefined };
