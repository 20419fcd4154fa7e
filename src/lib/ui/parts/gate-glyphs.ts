/** The glyph of each gate, drawn on 12 x 12 with a stroke. */
import type { Gate } from '$lib/core/gates/gates.ts';

export const GATE_GLYPHS: Record<Gate, string> = {
    scope: 'M1.5 4V1.5H4M8 1.5h2.5V4M10.5 8v2.5H8M4 10.5H1.5V8',
    robots: 'M2.5 10.5V3.5M1 10.5h3M2.5 4.5H11M5.5 4.5v3M8.5 4.5v3',
    response: 'M1.5 3.5H10M8 1.5l2 2-2 2M10.5 8.5H2M4 6.5l-2 2 2 2',
    redirect: 'M2 10.5V6a2.5 2.5 0 0 1 2.5-2.5H10M7.5 1L10 3.5 7.5 6',
    type: 'M2.5 1.5H7L9.5 4v6.5h-7zM7 1.5V4h2.5',
    noindex: 'M1 4.5c2 3.4 8 3.4 10 0M6 7.2v2.6M2.8 6.6L1.5 8.8M9.2 6.6l1.3 2.2',
    canonical: 'M2 4.5h8M2 7.5h8',
};
