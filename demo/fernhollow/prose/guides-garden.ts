import type { ProsePage } from './prose.ts';

/** Guides about gardens, engines and moving heavy things. */
export const GARDEN_GUIDES: ProsePage[] = [
    {
        slug: 'laying-a-hedge',
        title: 'Laying a hedge',
        lead: 'Cut almost through, bend uphill, and stop in March.',
        text: `A hedge that has grown into a row of trees can be made into a wall again. Each stem is cut almost through near the ground, and what is left of it bends like a hinge.

Lay the stems uphill and all to the same side. Stakes go in every forearm's length; the tops are woven with hazel, which looks like basketry and holds like wire.

The [billhook](/tools/cutting/billhook/) must be sharp enough to frighten you a little. Stop when the birds begin, which in Fernhollow is the second week of March. Nothing is lent to a neighbour as often as a billhook, and nothing comes back as blunt.`,
    },
    {
        slug: 'pruning-an-apple-tree',
        title: 'Pruning an apple tree',
        lead: 'Dead, crossing, crowded: then put the saw away.',
        text: `Begin with what is dead, go on to what rubs, and finish with what shades. After that, stand ten paces off and look for longer than you sawed.

Take no more than a fifth of the tree in one winter. A tree that is cut hard answers with a forest of upright shoots, and those bear nothing but leaves.

Cut just outside the collar, the wrinkled ring where a branch meets the trunk. The [pole pruner](/tools/cutting/pole-pruner/) reaches four metres; beyond that, leave the apples to the blackbirds.`,
    },
    {
        slug: 'small-engines-over-winter',
        title: 'Small engines over winter',
        lead: 'Empty the tank or fill it, but do not leave it half.',
        text: `Petrol goes stale in about the time it takes to forget the mower. What is left turns to varnish in the carburettor, and in April you pull the cord forty times.

Either run the tank dry in October, or fill it to the brim with fresh fuel and a stabiliser. Half-full tanks breathe, and what they breathe is water.

Take out the plug, put a spoon of oil down the hole, turn the engine over twice by hand, and screw the plug back. Your [spark plug wrench](/tools/joining/spark-plug-wrench/) is behind the counter, third drawer. The months without mowing are for mending the wheel of the bicycle that stands in front of it. Saws want storing for the winter too, hung up and dry.`,
    },
    {
        slug: 'packing-a-van-with-ladders',
        title: 'Packing a van with ladders',
        lead: 'Heavy low, long straight, soft last.',
        text: `Whatever is heaviest goes on the floor against the bulkhead, where it cannot gather speed. Long things lie along the side, tied at both ends, and not across the seats.

Two [ratchet straps](/tools/lifting/ratchet-strap/) crossed hold better than four that run the same way. Twist each strap once so that it does not hum.

Drive round the corner, stop, and tighten everything again. Loads settle in the first five minutes and surprises happen in the sixth. A buckled bicycle wheel is mended at home in an evening, so it need not ride along. Whoever lends ladders to a neighbour should see the roof rack first.`,
    },
    {
        slug: 'how-a-chain-hoist-works',
        title: 'How a chain hoist works',
        lead: 'Why one hand can lift an engine, and what must never be under it.',
        text: `Two wheels of nearly the same size are joined on one axle, and the chain runs over both. One turn draws in a little more than it lets out, and the load rises by half the difference.

So the hand pulls thirty metres for each metre of lift, and feels a thirtieth of the weight. Nothing is won; it is merely paid in instalments.

Look at the hook before each lift, and at the beam above it. Below the load there is nobody, ever, not for a second and not to fetch a washer. The [chain hoist](/tools/lifting/chain-hoist/) is lent only after the [lifting workshop](/workshops/safe-lifting/).`,
    },
    {
        slug: 'scaffold-towers-for-two',
        title: 'Scaffold towers for two people',
        lead: 'Build from inside, brace as you go, lock every wheel.',
        text: `A tower is put up from inside, one platform at a time, and the person on it is always behind a rail. That is what the advance guardrail is for, and why it goes up first.

Count the braces against the sheet in the bag. A tower with one missing stands, sways, and waits for wind.

Nobody rides it when it is moved, however short the way. Height may be three times the narrow side indoors; outdoors take less than that, or tie it to the house. Lending it on to a neighbour ends the cover that came with it.`,
    },
    {
        slug: 'splitting-logs',
        title: 'Splitting logs',
        lead: 'Read the cracks, aim at the block, not at the log.',
        text: `Every log tells you where it wants to part. Look at the end grain: the widest crack runs from the heart to the bark, and the axe should land in line with it.

Aim for the chopping block, through the log, so that the stroke is still going when it arrives. Knots go downwards, big rounds are taken off in slices from the rim.

The hydraulic [log splitter](/tools/cutting/log-splitter/) is dull, slow and safe. Most people who borrow it come back the year after for the axe.`,
    },
    {
        slug: 'digging-a-pond',
        title: 'Digging a pond',
        lead: 'A shelf, a deep place, and a way out for hedgehogs.',
        text: `Ponds fail at the edge. Make the rim level all the way round, for water shows a difference of one finger as a bare bank of liner.

Give it a shelf for plants, a deep place for winter, and one side as flat as a beach, where hedgehogs and toddlers can walk out again.

The [mini excavator](/tools/lifting/mini-excavator/) does in a morning what two people do in a wet fortnight, but it needs a gate of one metre ten. Measure the gate before you come. A cut glass bottle, turned over, makes a cloche for the first water plant.`,
    },
    {
        slug: 'mowing-a-meadow',
        title: 'Mowing a meadow with a scythe',
        lead: 'Peen, hone, and let the blade stay on the ground.',
        text: `Scything is not swinging. The blade never leaves the ground: it slides round you in an arc, and the grass falls to the left in a neat row.

Mow before the dew is off, when the stems are stiff with water. Hone every few minutes with the [scythe stone](/tools/finishing/scythe-stone/), wet, from heel to tip.

If you are out of breath, the edge is blunt; if your back hurts, the handles are set wrong. Both are mended quicker than they are endured.`,
    },
    {
        slug: 'keeping-a-chainsaw-honest',
        title: 'Keeping a chainsaw honest',
        lead: 'Chips, not dust: how to see that a chain is dull.',
        text: `A sharp chain throws chips; a dull one makes flour. If the saw pulls to one side, the teeth on the other side are longer, and no amount of leaning will help.

File each tooth with the same number of strokes, from the inside outwards, at the angle that is stamped on it. Every third time take the depth gauges down a little as well.

We lend the [chainsaw sharpening jig](/tools/finishing/chainsaw-jig/) to anyone, but the saw itself only to people with a certificate. As with mending a bicycle wheel, small turns and a rest between them do more than one great effort.`,
    },
    {
        slug: 'bees-under-the-floorboards',
        title: 'Bees under the floorboards',
        lead: 'Whom to call, what to borrow, and why to leave the spray at home.',
        text: `A hum beneath the hall in May is seldom the boiler. Put an ear to the boards in the evening: bees sound like a distant motorway, wasps like paper being torn.

Call the beekeepers before you call anybody else; the number is on the board at Mill Lane. They bring the box, we lend the [endoscope camera](/tools/measuring/endoscope-camera/) and the pry bar, and you make the tea.

Close the way in only after the last of them has left. Otherwise the next swarm finds the smell and moves in before June is out.`,
    },
];
