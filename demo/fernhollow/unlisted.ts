/** Guides that no page links to and no sitemap lists until September: only those who were sent there know them. */
import type { ProsePage } from './prose/prose.ts';

export const UNLISTED_GUIDES: ProsePage[] = [
    {
        slug: 'oiling-a-whetstone',
        title: 'Oiling a whetstone',
        lead: 'A stone that drinks oil is a stone that has never been fed.',
        text: `Put the stone in a tray and pour thin oil over it until it stops sinking in. A new stone takes three rounds and a night; one that has lain in a shed takes more. Wipe it, and it will float the swarf from then on in place of packing it into its pores.

Mark one side and keep it for chisels. The other may go hollow under pocket knives, and nobody need be told off for it. When a blade skates without biting, the stone is glazed: rub it flat on wet sandpaper laid on glass.`,
    },
    {
        slug: 'storing-saws-over-winter',
        title: 'Storing saws over winter',
        lead: 'Rust comes in November and is found in April.',
        text: `Hang saws by the handle, teeth away from the wall, where air moves. A saw in a closed box beside a damp brick wall will be orange by spring, however well it was oiled, because the oil creeps and the damp stays.

Wipe the plate with camellia oil, and push a strip of split hose over the teeth: it saves the set, and the fingers of whoever reaches in first. Write the date on a tag. In April the tag tells you which saws to look at, and which to trust.`,
    },
    {
        slug: 'lending-to-a-neighbour',
        title: 'Lending to a neighbour without losing the neighbour',
        lead: 'Six sentences that settle most of it before the tool leaves the house.',
        text: `Say when you need it back, and name a day, not a week. Say what it costs if it breaks, and what breaks first. Show the one thing that goes wrong, and let them do it once while you stand there.

Take the blade out if they have no use for it. Ask what it is for, because half the time there is a better tool on the shelf. And when it comes back late, say so the first time, kindly: the second time it will be a habit.`,
    },
];
