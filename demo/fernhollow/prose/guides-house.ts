import type { ProsePage } from './prose.ts';

/** Guides about the house. */
export const HOUSE_GUIDES: ProsePage[] = [
    {
        slug: 'bleeding-a-radiator',
        title: 'Bleeding a radiator',
        lead: 'Cold at the top, warm below: a key, a rag and five minutes.',
        text: `A radiator that is warm below and cold above has swallowed air. Turn the heating off and wait until the pipes have gone quiet, because a running pump only draws in more.

Hold a rag under the little valve and give the [radiator key](/tools/joining/radiator-key/) a quarter turn. It hisses, it spits, then it runs: close it at the first steady drop.

Work from the ground floor upwards. Afterwards look at the pressure gauge on the boiler, and top it up to the mark if it has sunk. A pipe that drips at its elbow has to be drained and soldered anew, copper to copper.`,
    },
    {
        slug: 'unblocking-a-drain',
        title: 'Unblocking a drain',
        lead: 'Plunger, then snake, then rods, and chemicals never.',
        text: `Slow water is a warning; standing water is the bill. Begin with the plunger, and stop the overflow with a wet cloth, or you will only be moving air about.

If ten strokes change nothing, feed in the [drain snake](/tools/cleaning/drain-snake/) and turn it the same way all the time. Turned back and forth, it unwinds and stays down there.

Outside, lift the cover with two keys and your back straight. We lend [drain rods](/tools/cleaning/drain-rods/) in a sack with gloves, and we would like the gloves back too.`,
    },
    {
        slug: 'drilling-into-old-brick',
        title: 'Drilling into old brick',
        lead: 'Soft brick, hard mortar, and why slower is straighter.',
        text: `Old brick is softer than the mortar that later hands put around it. A bit that starts on the joint wanders into the brick, and the hole ends up shaped like an egg.

Start without hammer action until the tip has a seat. Then let the machine do the work: leaning on it only warms the bit. Empty the hole twice on the way in, for a plug holds in brick and not in dust.

Before any of this, run the [pipe and cable detector](/tools/measuring/cable-detector/) over the wall, up, down and across.`,
    },
    {
        slug: 'lime-mortar-for-beginners',
        title: 'Lime mortar for beginners',
        lead: 'Why cement ruins old walls, and how to mix what does not.',
        text: `Walls built before the railways move, breathe and drink. Cement does none of these, so the wall cracks beside it instead of in it.

Three parts of sharp sand to one of lime putty, knocked together until it hangs from an upturned trowel, is all the recipe there is. Rake out the old joint twice as deep as it is high, wet it, and press the new mortar in firmly.

Cover the work with damp sacking for a week. Lime does not dry, it cures, and it cannot do that in the sun.`,
    },
    {
        slug: 'glazing-a-sash-window',
        title: 'Glazing a sash window',
        lead: 'Putty, sprigs and a steady thumb.',
        text: `Measure the opening in three places each way, take the least, and take off three millimetres more. Glass that fits exactly has nowhere to go in July.

Roll the putty in your hands until it no longer sticks to them. A thin bed goes behind the pane, the pane goes against it, and sprigs every hand's breadth hold it there. The outer bevel is drawn with one stroke of the [putty knife](/tools/finishing/putty-knife/), from corner to corner without stopping.

Wait a fortnight before painting, and let the paint run over onto the glass by the width of a match. Whoever has tried to cut a glass bottle knows how little the scratch does and how much the warmth.`,
    },
    {
        slug: 'painting-a-ceiling',
        title: 'Painting a ceiling',
        lead: 'Light from the window, roller on a pole, wet edge in front of you.',
        text: `Start at the window and walk away from it, so that the low light shows you what you have missed. Two people are quicker than one by more than half: one cuts in, the other rolls into that line while it is wet.

Load the roller often and lightly. A long pole spares your neck and lets you see the whole ceiling instead of the patch above your nose.

For stairwells we lend the [combination ladder](/tools/lifting/combination-ladder/), and you should read about [ladders on stairs](/guides/borrow-a-ladder/) before you put it up.`,
    },
    {
        slug: 'ladders',
        title: 'Ladders, and how not to fall off them',
        lead: 'One in four, three rungs above, and never the top step.',
        text: `For every four units up, the foot stands one unit out. Stand with your toes against the stiles and your arms straight: if your palms meet a rung, the angle is right.

The top of the ladder goes a metre above the edge you are climbing to, and is tied there. The foot stands on something that does not slide, which excludes grass, gravel and good intentions.

Most falls are short and happen on the way down with something in one hand. Put it in a bucket on a rope. Longer jobs want a [scaffold tower](/tools/lifting/scaffold-tower/) and a morning to build it.`,
    },
    {
        slug: 'draughts-and-where-they-live',
        title: 'Draughts, and where they live',
        lead: 'A candle, a windy day and a roll of felt.',
        text: `Pick a windy afternoon, light a candle, and walk it slowly round every frame. The flame leans away from the hole, and you mark the spot with tape.

Letterboxes are worse than windows, and the gap under the skirting is worse than both. Felt in the first, beading in the second, and a brush strip along the foot of the door.

Leave the airbricks alone. Somebody once bricked them all up for warmth, and we lent her the [moisture meter](/tools/measuring/moisture-meter/) the year after.`,
    },
    {
        slug: 'a-leaking-tap',
        title: 'A leaking tap',
        lead: 'Water off, plug in, parts in a row.',
        text: `Put the plug in before you unscrew anything, for the smallest part of a tap is exactly the size of a plughole. Then shut the valve under the basin and open the tap until it runs dry.

Lay each piece on a towel in the order in which it came off. The washer that failed will be obvious: hard, grooved, and slightly ashamed.

If a new one still drips, the seat below is worn. Ask for the [tap reseating tool](/tools/finishing/tap-reseater/), turn it twice, and look. If the copper pipe behind the tap weeps, it wants soldering again, and that is a job of its own.`,
    },
    {
        slug: 'tiling-behind-a-sink',
        title: 'Tiling behind a sink',
        lead: 'Find the middle, hide the cuts, keep the batten.',
        text: `Tiles are set out from the middle, so that the cut ones at both ends are equally narrow and nobody looks at them. Screw a batten along the first row and trust it more than the worktop.

Spread no more adhesive than you can cover in ten minutes. The [tile cutter](/tools/cutting/tile-cutter/) scores once and breaks once; scoring twice only makes crumbs.

Grout diagonally with a rubber float, wait until it dulls, wash, and go away. The haze that is there in the morning comes off with a dry cloth. Have every copper pipe soldered and tried under pressure before the first tile goes up.`,
    },
    {
        slug: 'small-leaks-in-flat-roofs',
        title: 'Small leaks in flat roofs',
        lead: 'Water enters in one place and drips in another.',
        text: `Where the ceiling is wet is where the water lost patience, and seldom where it came in. Follow the joists uphill from the stain, then look at the nearest upstand, outlet or nail.

Blisters may be left; cracks may not. Dry the place with patience rather than with a flame, brush it, and bed a patch a hand's breadth wider than the damage on every side.

Go up on a dry, cool morning, and tell somebody below that you are there. The [roof ladder](/tools/lifting/roof-ladder/) spreads your weight where boards may have gone soft.`,
    },
    {
        slug: 'reading-a-damp-wall',
        title: 'Reading a damp wall',
        lead: 'Three kinds of damp, and the three places they start.',
        text: `Damp that stops at knee height rises; damp in patches comes through; damp in corners and behind wardrobes was breathed out by the people who live there. Each of the three has its own cure, and the cure for one feeds another.

Take readings on a grid and write them on the wall in pencil. A map of numbers shows what a single alarming one hides.

Then wait a month and read again, in the same places. Walls answer slowly and do not like to be hurried.`,
    },
];
