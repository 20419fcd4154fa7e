import type { ProsePage } from './prose.ts';

export const JOURNAL: ProsePage[] = [
    {
        slug: 'ten-thousand-loans',
        title: 'Ten thousand loans',
        lead: '2 March',
        text: `On Tuesday a pair of loppers went over the counter at Top Meadow and became loan number ten thousand. Neither the lopper nor the lender noticed; the ledger did.

Put end to end, the drills alone would have run without stopping for eleven weeks. Most of them ran for eleven minutes.`,
    },
    {
        slug: 'a-new-roof-for-station-yard',
        title: 'A new roof for Station Yard',
        lead: '24 February',
        text: `The slates are on. For four weekends thirty of you carried, passed, cut and nailed, and nobody fell off anything, which the insurers have asked us to mention.

What is left of the old roof is stacked by the gate at [Station Yard](/branches/station-yard/). Take some home for your borders.`,
    },
    {
        slug: 'what-people-borrowed-in-winter',
        title: 'What people borrowed in winter',
        lead: '10 February',
        text: `Moisture meters, dehumidifiers, drain rods: winter is a list of things that went wrong. In January the endoscope camera was never on its shelf for more than a night.

The surprise was the sewing machine, which was out for ninety days of ninety.`,
    },
    {
        slug: 'the-lathe-is-back',
        title: 'The lathe is back',
        lead: '1 February',
        text: `After nine months in pieces the clockmaker's lathe turns again. Two members cut the missing gear by hand from a drawing made with a ruler and a torch.

It hums a little flat of middle C. You can book it at [the Old Bakery](/branches/old-bakery/) from next week.`,
    },
    {
        slug: 'why-we-ask-for-a-deposit',
        title: 'Why we ask for a deposit',
        lead: '20 January',
        text: `Because of the pressure washer, mainly. It went to a christening in a neighbouring county and has since been seen in photographs.

The deposit is small, and it comes back the day the tool does. What it costs in full stands in [the list of charges](/help/charges/).`,
    },
    {
        slug: 'names-on-handles',
        title: 'Names on handles',
        lead: '11 January',
        text: `When you mend something of ours, burn your initials into the handle. Some of the spades now carry six or seven, like a family Bible.

It began as a way to find out who had fitted a wedge backwards, and turned into something kinder.`,
    },
    {
        slug: 'the-shed-that-moved',
        title: 'The shed that moved',
        lead: '3 January',
        text: `Somebody gave us a shed, on condition that it left by Sunday. Twenty people lifted, four gave directions, and one dog walked in front.

It now stands at the allotments. Nothing inside had been taken out first, a fact that we discovered half way.`,
    },
    {
        slug: 'closed-for-counting',
        title: 'Closed for counting',
        lead: '28 December',
        text: `Between the years we count. Every tool is taken down, looked at, oiled, and put back, and this time there were four thousand one hundred and six of them.

Missing: nine. Found although never lost: fourteen, among them a tuba.`,
    },
    {
        slug: 'welsh-pages-wanted',
        title: 'Translators wanted',
        lead: '15 December',
        text: `A third of our members speak something other than English at home, and our pages speak only that. We would like to change it, beginning with the rules and the safety sheets.

If you can write plainly in another language, come to any counter. There is cake in it.`,
    },
];
