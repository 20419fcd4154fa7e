import type { ProsePage } from './prose.ts';

export const BRANCHES: ProsePage[] = [
    {
        slug: 'mill-lane',
        title: 'Mill Lane',
        lead: 'The first of our six places, and still the noisiest.',
        text: `The library began here in 2009 with eleven drills and a borrowed shed. The shed is gone; the drills, rewound twice, are on the top shelf.

Open Tuesday to Saturday from nine to six. The ramp is at the back, past the water butt, and there is a bell for when your hands are full.`,
    },
    {
        slug: 'station-yard',
        title: 'Station Yard',
        lead: 'Everything that needs a forklift, and the van.',
        text: `Towers, mixers, the mini excavator and anything on wheels live in the old goods shed. Come with a tow bar and somebody who can reverse.

Open from seven, because builders are, and closed from twelve to one, because builders are. Ask about [delivery](/help/delivery/) if you have no car.`,
    },
    {
        slug: 'old-bakery',
        title: 'The Old Bakery',
        lead: 'Benches by the hour, and the repair evening.',
        text: `Four benches, two vices each, a lathe that belonged to a clockmaker, and still a smell of bread when the sun is on the wall. Benches are booked by the hour and swept by whoever used them.

Evenings only, Monday to Friday. On the last Friday the tables are full of toasters.`,
    },
    {
        slug: 'top-meadow',
        title: 'Top Meadow',
        lead: 'Garden tools, scythes and the seed drawer.',
        text: `A hut with a stove at the allotments. Here are the scythes, the hedge tools, the apple press in autumn, and a drawer of seeds where one takes a packet and leaves another.

Open at weekends from March to November. In winter, garden tools are kept at [Mill Lane](/branches/mill-lane/).`,
    },
    {
        slug: 'harbour-steps',
        title: 'Harbour Steps',
        lead: 'Ropes, pumps and things that float.',
        text: `The smallest branch, under the arches, where the tide comes to the second step. We keep pumps, ropes, waders and two rowing boats that are lent by the half day.

Opening hours follow the tide table on the door. Parking does not.`,
    },
    {
        slug: 'school-road',
        title: 'School Road',
        lead: 'Small hands, light hammers, real tools.',
        text: `A branch inside the primary school, for children and for those who come with them. Everything is real, only lighter: hammers of two hundred grams, saws with short blades, goggles in four sizes.

Wednesday afternoons in term time, and the whole of the first holiday week.`,
    },
];
