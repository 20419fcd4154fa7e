import type { ProsePage } from './prose.ts';

/** The oldest guides: the last page of the list. The final one is the page nine clicks deep. */
export const LAST_GUIDES: ProsePage[] = [
    {
        slug: 'reading-a-vernier-scale',
        title: 'Reading a vernier scale',
        lead: 'Which two lines meet, and what that says.',
        text: `The upper scale counts millimetres, the lower one counts tenths of them, and the trick is to find the one line below that stands exactly under a line above. That number is the tenths.

Close the jaws first and look whether the zeros meet. If they do not, note the difference and take it off everything you measure that day.

Let the jaws of the [vernier caliper](/tools/measuring/vernier-caliper/) touch, never squeeze: brass gives way before steel does, and so do fingers.`,
    },
    {
        slug: 'planing-end-grain',
        title: 'Planing end grain without tearing it',
        lead: 'A shooting board, a low angle and a little spirit.',
        text: `End grain is a bundle of straws seen from the front, and the plane has to cut each straw instead of lifting it. Take a finer shaving than you think you can.

Damp the surface with spirit, which swells the fibres for a minute and is gone by the next. Come in from both edges towards the middle, or clamp a waste piece behind the far corner.

The [low-angle block plane](/tools/finishing/block-plane/) was made for this and for nothing else, whatever the catalogue says. An iron from a whetstone that was oiled that morning leaves it shining, and a dry stone leaves it torn.`,
    },
    {
        slug: 'rust-and-how-to-stop-it',
        title: 'Rust, and how to stop it',
        lead: 'Vinegar, wire wool, wax: in that order.',
        text: `Light rust comes off with wire wool and a drop of oil, heavy rust with a night in vinegar. Rinse afterwards with soda, or the acid goes on working in the dark.

Dry iron on the stove, not on the windowsill. While it is still warm, rub in wax until it stops drinking.

A tool chest with a stick of camphor in it stays bright for years, and so does one in a house where somebody uses the tools. Saws that are stored in a shed over winter rust from the teeth backwards.`,
    },
];

/** Guides that no page links to: only the sitemap knows them. */
export const ORPHAN_GUIDES: ProsePage[] = [
    {
        slug: 'cutting-glass-bottles',
        title: 'Cutting glass bottles',
        lead: 'Score, hot water, cold water, patience.',
        text: `Score the bottle once all the way round, without going over the line a second time. The scratch is only a suggestion; the temperature does the cutting.

Pour hot water along the line, then cold, then hot again, turning slowly. Somewhere in the third round it ticks and comes apart in your hands.

Grind the rim on wet paper laid on a pane of glass before anybody drinks from it.`,
    },
    {
        slug: 'mending-a-bicycle-wheel',
        title: 'Mending a bicycle wheel',
        lead: 'Quarter turns, opposite spokes, and a clothes peg.',
        text: `Clip a clothes peg to the frame so that its tip just touches the rim, and spin the wheel. Where it scrapes, the rim has to move away from the peg.

Loosen the spoke on that side by a quarter turn and tighten its two neighbours by an eighth. Then spin again, and resist the wish to do more.

Wheels are trued in rounds, like arguments: small corrections, everybody heard, and a rest in between.`,
    },
    {
        slug: 'soldering-copper-pipe',
        title: 'Soldering copper pipe',
        lead: 'Clean, flux, heat the fitting, not the solder.',
        text: `Copper must shine like a new coin inside and out before it will take solder. Emery for the pipe, a wire brush for the fitting, and no fingers afterwards.

Heat the fitting and let it melt the solder by itself. If you have to hold the flame to the wire, the joint is cold and will weep.

Keep a wet cloth and a bucket by you, and a mat between the flame and the wall. Houses that are two hundred years old burn as if they had been waiting.`,
    },
];
