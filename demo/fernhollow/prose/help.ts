import type { ProsePage } from './prose.ts';

export const HELP: ProsePage[] = [
    {
        slug: 'first-visit',
        title: 'Your first visit',
        lead: 'What to bring, and what happens.',
        text: `Bring something with your name on it and something with your address. We make a card while you look round, which takes as long as a cup of tea.

Tell whoever is at the counter what you want to do, rather than what you want to borrow. Half of all first loans turn out to be something else.`,
    },
    {
        slug: 'fees',
        title: 'Fees',
        lead: 'What borrowing costs.',
        text: `Membership is twelve a year, or whatever you can manage. Hand tools cost nothing; machines cost between one and six for each day, and consumables are charged as used.

A tool that comes back late costs its daily fee again, and a note in green ink.`,
    },
    {
        slug: 'rules',
        title: 'The rules',
        lead: 'There are five.',
        text: `Bring it back clean. Bring it back on the day, or ring. Say so if something broke: nobody has ever been scolded for the truth.

Do not lend it on. And do not borrow what frightens you until somebody has shown you how it works; that is what [workshops](/workshops/) are for.`,
    },
    {
        slug: 'damage',
        title: 'When something breaks',
        lead: 'Wear is ours, dropping is shared.',
        text: `Things wear out, and that is our affair. Things that are dropped from ladders we mend together, at a repair evening, and you pay for the part.

Never tape over a damaged cable. Tie a red ribbon round it, from the box by the door, and it goes straight to the bench.`,
    },
    {
        slug: 'delivery',
        title: 'Delivery',
        lead: 'The van, the bicycle and the boat.',
        text: `The van goes round on Mondays and Thursdays and takes anything that two people can lift. Inside the ring road the cargo bicycle is quicker, and free.

Ring before ten for the same day. On the islands, ask at [Harbour Steps](/branches/harbour-steps/).`,
    },
    {
        slug: 'safety-sheets',
        title: 'Safety sheets',
        lead: 'One page for each machine, to read before you start.',
        text: `Every machine leaves with a laminated sheet in its case. It says what the machine does to wood, and what it does to hands, in that order.

If the sheet is missing, the machine stays. The person at the counter will print another, and will ask you one question from it.`,
    },
    {
        slug: 'lending-to-groups',
        title: 'Lending to groups',
        lead: 'Schools, choirs, building sites.',
        text: `A group needs one person whose name is on the card and whose telephone is switched on. With that, you may take up to twenty things at once.

Schools pay nothing. Firms pay the full price and may not come on Saturdays, when everyone else does.`,
    },
    {
        slug: 'giving-us-tools',
        title: 'Giving us tools',
        lead: 'What we take, and what we send on.',
        text: `We take hand tools in any state, and machines that start. We do not take paint, asbestos, or anything with somebody else's name on it.

What we have too many of goes to a sister library over the hill. There are now more of our planes there than here, and they are better looked after.`,
    },
];
