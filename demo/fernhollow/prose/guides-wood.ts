import type { ProsePage } from './prose.ts';

/** Guides about wood, newest first. */
export const WOOD_GUIDES: ProsePage[] = [
    {
        slug: 'choosing-a-hand-saw',
        title: 'Choosing a hand saw',
        lead: 'Teeth, length and handle: how to borrow the right saw the first time.',
        text: `A saw is chosen by the cut you want to make, not by the wood you happen to own. Along the grain you want few, large teeth that plane the fibres away; across it you want many small ones that score before they clear.

The [panel saw](/tools/cutting/panel-saw/) on our wall has ten teeth to the inch, which is a fair compromise for shelves and fences. For joints that must close without a gap, ask for the [tenon saw](/tools/cutting/tenon-saw/) and its brass back.

Try the handle before you sign anything out. If three fingers do not fit comfortably, your wrist will tell you about it by the fourth cut. And read [how to mark a true line](/guides/marking-out-square/) first, because no saw corrects a crooked pencil. Think of how you will store saws over winter before you buy a third. A whetstone with oil is of no use to any of them: saws are filed.`,
    },
    {
        slug: 'marking-out-square',
        title: 'Marking out square',
        lead: 'A knife line, a face edge and one good square are worth more than a machine.',
        text: `Every square piece begins with one flat face and one straight edge, and everything else is measured from those two. Mark them with a scribble so that nobody measures from the wrong side after lunch.

A knife leaves a line with no width, and the saw can sit in it. Pencils are for carpenters who intend to plane afterwards. Hold the [engineer's square](/tools/measuring/engineers-square/) hard against the face edge, and strike once.

To find out whether your square is honest, draw a line, turn the square over, and draw again from the same point. Two lines mean the square lies by half the gap between them.`,
    },
    {
        slug: 'sharpening-a-plane-iron',
        title: 'Sharpening a plane iron',
        lead: 'Ten minutes with two stones, and shavings you can read through.',
        text: `Blunt irons do not cut badly, they do not cut at all: they bruise the wood and skid. The cure is dull, wet and quick.

Flatten the back once in the iron's life, the last finger's breadth only. Then hone the bevel at about thirty degrees on the coarse side of the [combination stone](/tools/finishing/combination-stone/) until a wire edge can be felt along the whole width, and chase it away on the fine side.

Strop on leather or on the palm of an old glove. A sharp iron takes the hair off a forearm; a very sharp one takes it off somebody else's. When you return the [smoothing plane](/tools/finishing/smoothing-plane/), return it sharp: the next borrower has a door that sticks. Spread light oil on the whetstone before the first stroke, then again whenever the paste turns thick and the stone stops biting.`,
    },
    {
        slug: 'hanging-a-door',
        title: 'Hanging a door',
        lead: 'Two people, three wedges and a patient afternoon.',
        text: `Doors are heavy in a way that only becomes clear when one is leaning on you. Borrow a second pair of hands, and stand the door on wedges in its opening before you think about hinges.

Leave the thickness of a coin at the top and sides, twice that at the floor. Scribe the hinge positions on door and frame at the same time, so that any mistake is at least made in both.

Cut the recesses with a [bevel-edged chisel](/tools/cutting/bevel-chisel/) and a mallet, working from the middle outwards. If the door binds on the lock side, it is nearly always the top hinge that sits too proud.`,
    },
    {
        slug: 'building-a-raised-bed',
        title: 'Building a raised bed',
        lead: 'Four boards, eight posts and a Saturday.',
        text: `Larch lasts ten years in wet ground without any help from chemistry, and looks better each year. Four boards of it, two metres long, make a bed that can be weeded from both sides.

Dig the corner posts in first and screw the boards to them with the [impact driver](/tools/joining/impact-driver/), not the other way round. A bed that is level along its length keeps its water; one that is not grows a swamp and a desert.

Line the sides, never the bottom. Worms are the cheapest staff you will ever employ. Half a glass bottle, cut clean, keeps slugs off a seedling better than any advice.`,
    },
    {
        slug: 'a-shelf-that-stays-up',
        title: 'A shelf that stays up',
        lead: 'What the wall is made of decides everything.',
        text: `Knock on the wall before you buy a single bracket. A dull answer is brick, a bright one is plasterboard, and a crumbling one means the landlord should be there.

In brick, the [hammer drill](/tools/cutting/hammer-drill/) and a seven millimetre bit will do. In board, find the studs with the [stud finder](/tools/measuring/stud-finder/) or with a magnet that finds the screws, and hang the shelf from those and nothing else.

Books weigh about thirty kilograms to the metre. Most of them will never be read again, but they will still be pulling at those screws.`,
    },
    {
        slug: 'gluing-up-a-table-top',
        title: 'Gluing up a table top',
        lead: 'Dry run, clamps alternating, and a wet rag within reach.',
        text: `Nobody has ever regretted the dry run. Lay the boards, close the clamps, look along the surface, and only then reach for the glue.

Alternate the [sash clamps](/tools/joining/sash-clamp/) above and below, so that one bends what the other straightens. Three above and two below are enough for a kitchen table. Squeeze until a thin bead appears along every joint, then stop; more pressure only starves it.

Wipe with a damp rag while it is still wet, or plane for an hour when it is not. Tops move with the seasons, so fix them to the frame with buttons rather than with screws through the rail.`,
    },
    {
        slug: 'repairing-a-wobbly-chair',
        title: 'Repairing a wobbly chair',
        lead: 'Take it apart further than feels sensible.',
        text: `A chair that wobbles in one joint is loose in three. Glue squirted into the gap holds until the next uncle sits down.

Knock the loose joints fully apart with a rubber mallet, scrape off every trace of the old glue, and warm the new one so that it runs. A [band clamp](/tools/joining/band-clamp/) pulls the whole seat frame together at once, which no number of straight clamps can do.

Stand it on a flat floor to dry. Chairs set in whatever shape they were left, and a twist set in glue is yours for good.`,
    },
    {
        slug: 'sanding-a-floor',
        title: 'Sanding a floor',
        lead: 'Nails first, dust second, three grits and no shortcuts.',
        text: `Walk the room on your knees before the machine comes up the stairs. Every nail head that stands proud will tear a belt that costs more than a lunch, so punch them two millimetres down.

Sand with the boards, never across them, except for the very first pass on a floor that is badly cupped. The [drum sander](/tools/finishing/drum-sander/) does the field and the [edge sander](/tools/finishing/edge-sander/) does the border, and each needs the same three grits in the same order.

Vacuum between grits. One stray grain of forty among the hundreds draws a spiral that only shows once the oil is on. Wear the mask; see [dust and your lungs](/guides/dust-and-your-lungs/).`,
    },
    {
        slug: 'dust-and-your-lungs',
        title: 'Dust and your lungs',
        lead: 'What the mask stops, what it does not, and when to open a window.',
        text: `The dust that you can see is not the dust that harms you. What settles on the bench was too heavy to reach the bottom of a lung; what hangs in the sunlight is on its way.

A paper mask is for pollen. For sanding and for old plaster take a [half-mask respirator](/tools/cleaning/half-mask-respirator/) from the counter: they are lent free, with fresh filters, to anyone who borrows something that makes dust.

Beards and masks are enemies. If you will not shave, work outside, stand upwind, and keep it short.`,
    },
    {
        slug: 'oiling-a-worktop',
        title: 'Oiling a worktop',
        lead: 'Thin coats, clean rags, and where to put those rags afterwards.',
        text: `Three thin coats are dry by Monday; one thick coat is sticky until spring. Pour, spread, wait a quarter of an hour and then wipe off everything that will come off.

The oil that matters has already gone in. What is left on top only collects fingerprints.

Lay used rags flat outdoors, over a fence or a line. Crumpled in a bin they warm themselves until they burn, which sounds like a tale told to apprentices and is not.`,
    },
    {
        slug: 'which-screw-for-which-job',
        title: 'Which screw for which job',
        lead: 'Length, thread and head, in the order in which they matter.',
        text: `Two thirds of a screw should end up in the piece that is being held to, one third in the piece that is being held. From that rule the length follows, and the rest is a matter of rust.

Inside the house, plain steel is fine. Oak and western cedar eat it, so use stainless there, and outdoors everywhere.

A hole drilled first costs a minute. The split that it prevents costs a board, and usually the last one.`,
    },
];
