/** Guides of September: written, listed in the sitemap, and linked by nobody yet. */
import type { ProsePage } from './prose.ts';

export const NEW_GUIDES: ProsePage[] = [
    {
        slug: 'choosing-a-respirator',
        title: 'Choosing a respirator',
        lead: 'A mask for dust is no mask for fumes, and a beard is no friend of either.',
        text: `Ask first what is in the air. Sawdust and plaster are particles, and a filter marked P2 or P3 holds them back. Paint strippers and two-part lacquers give off vapour, which goes through a dust filter as if it were not there; for those you want a cartridge, and the cartridge has a date on it.

Try it on before you carry it home. Cover the inlets with your hands and breathe in: it should draw in against your face and stay there. If it does not, tighten the lower strap first. We lend the mask and sell the filters, because a used filter is nobody's gift.`,
    },
    {
        slug: 'levelling-a-shed-base',
        title: 'Levelling a shed base',
        lead: 'Ten minutes with a laser save a weekend with a car jack.',
        text: `Set the laser on something that will not move, and measure down to the ground at each corner. Write the four numbers on a board. The corner with the largest number is the low one; every other corner is dug to meet it, never filled to meet the high one.

Bed the slabs on sand and cement, not on sand alone. Check each against the next with a long level, and tap down what stands proud. Leave a fall of a finger's breadth to the back, so that rain which blows under the door finds its own way out.`,
    },
];
