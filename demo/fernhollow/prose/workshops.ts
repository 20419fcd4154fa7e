import type { ProsePage } from './prose.ts';

export const WORKSHOPS: ProsePage[] = [
    {
        slug: 'first-cuts',
        title: 'First cuts',
        lead: 'Saturday 14 March, ten to one, Mill Lane.',
        text: `Three hours with a saw, a square and a piece of pine that nobody will miss. You go home with a box whose corners nearly close, and with the knowledge of why they do not.

Read [choosing a hand saw](/guides/choosing-a-hand-saw/) on the bus. Aprons are here; bring sleeves that can be rolled up.`,
    },
    {
        slug: 'safe-lifting',
        title: 'Safe lifting',
        lead: 'Thursday 19 March, six to eight, Station Yard.',
        text: `Hoists, straps and trolleys, and above all where not to stand. At the end there is a card with your name on it, and with that card we lend you anything in [lifting](/tools/lifting/).

The hall is cold, the lecture is short, and most of the evening is spent raising and lowering an old printing press called Agatha.`,
    },
    {
        slug: 'sharp-by-teatime',
        title: 'Sharp by teatime',
        lead: 'Sunday 22 March, two to four, Mill Lane.',
        text: `Bring whatever is blunt. Kitchen knives, chisels, a plane, one pair of scissors each: we set up six stones and a grinder and nobody leaves before something has shaved an arm.

The method is the one in [sharpening a plane iron](/guides/sharpening-a-plane-iron/), with more jokes.`,
    },
    {
        slug: 'wire-a-plug',
        title: 'Wire a plug, and stop there',
        lead: 'Tuesday 24 March, seven to nine, the Old Bakery.',
        text: `What a person may do to the electricity in their own house, and where the electrician begins. We wire plugs, change fuses, test sockets, and open one scorched junction box as a warning.

Places are few, because everybody gets a tester in the hand.`,
    },
    {
        slug: 'repair-evening',
        title: 'Repair evening',
        lead: 'Every last Friday, six to nine, the Old Bakery.',
        text: `You bring the toaster, somebody else brings the patience. Five menders sit at long tables, and you sit beside them, because the point is that next time you will not need to.

About two things in three leave in working order. The others leave with a diagnosis, which is also worth the walk.`,
    },
    {
        slug: 'hedges-by-hand',
        title: 'Hedges by hand',
        lead: 'Sunday 8 March, nine to noon, Top Meadow.',
        text: `The last hedge of the winter, forty metres of it, along the footpath above Top Meadow. Billhooks are lent, thorns are free.

If you would like to know what you are in for, see [laying a hedge](/guides/laying-a-hedge/). Soup afterwards, at the gate.`,
    },
    {
        slug: 'tiles-without-tears',
        title: 'Tiles without tears',
        lead: 'Saturday 28 March, ten to four, Station Yard.',
        text: `A whole day and a whole wall: setting out, cutting, bedding, grouting, and the hole round the pipe that everyone is afraid of. At four o'clock the wall comes down again and goes into the skip.

Lunch is included. So is the knowledge of how long adhesive stays open, which no packet tells you truthfully.`,
    },
    {
        slug: 'toolmakers-tea',
        title: "Toolmakers' tea",
        lead: 'First Sunday, three o’clock, Mill Lane.',
        text: `People who make, mend or collect hand tools, and a large pot. Last month it was a box of moulding planes out of a barn; the month before, an argument about rivets.

No programme and no booking. Children are welcome and are usually put in charge of the vice.`,
    },
];
