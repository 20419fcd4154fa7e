/** Pages made from data rather than written: care sheets, monthly loans, shelves of the branches. */
import { CATALOGUE, type Tool, type ToolKind } from './catalogue.ts';
import { BRANCHES } from './prose/branches.ts';

/** What looking after a kind of tool means. */
const CARE: Record<string, { before: string; after: string; never: string }> = {
    cutting: {
        before: 'Look along the edge against the light: a bright line is a blunt one.',
        after: 'Wipe off resin with a rag and a drop of white spirit, then a film of oil.',
        never: 'Never force a cut that wanders. Stop, and look at the teeth.',
    },
    joining: {
        before: 'Try it on a piece of scrap of the same wood and thickness.',
        after: 'Scrape off glue while it is still soft, and close the jaws on a bit of card.',
        never: 'Never hold the work in the hand that is nearest to the tool.',
    },
    measuring: {
        before: 'Check it against itself: turn it round and measure again.',
        after: 'Put it back in its case, even for the walk to the counter.',
        never: 'Never drop it. If you did, tell us; we have a shelf for those.',
    },
    lifting: {
        before: 'Read the plate with the load on it, and halve what you had in mind.',
        after: 'Coil ropes loosely and hang them up; a wet rope is spread out first.',
        never: 'Never stand under it. Not for a moment, and not to look.',
    },
    cleaning: {
        before: 'Try a corner that nobody sees.',
        after: 'Empty it, rinse it, and leave the lid open until it is dry.',
        never: 'Never mix what is in two bottles.',
    },
    finishing: {
        before: 'Fresh paper, clean pads, and something over your mouth.',
        after: 'Tap out the dust outside, downwind.',
        never: 'Never stop on one spot. It remembers.',
    },
};

export function careSheet(kind: ToolKind, tool: Tool): string {
    const care = CARE[kind.slug]!;
    const branch = BRANCHES.find((item) => item.slug === tool.branch)?.title ?? '';
    return `<h1>Looking after the ${tool.name.toLowerCase()}</h1>
<p>${tool.use} It weighs ${tool.weight} and lives at <a href="/branches/${tool.branch}/">${branch}</a>, where somebody will show you how it is put away.</p>
<h2>Before</h2><p>${care.before}</p>
<h2>After</h2><p>${care.after}</p>
<h2>Never</h2><p>${care.never}</p>
<p>Back to <a href="/tools/${kind.slug}/${tool.slug}/">the ${tool.name.toLowerCase()}</a>.</p>`;
}

const MONTHS = [
    'January',
    'February',
    'March',
    'April',
    'May',
    'June',
    'July',
    'August',
    'September',
    'October',
    'November',
    'December',
];

export interface LoanNote {
    slug: string;
    title: string;
    lead: string;
    main: string;
    /** Index of its topic in `TOPICS`. */
    topic: number;
}

/** Topics of the journal; every post has one. */
export const TOPICS = ['buildings', 'people', 'loans', 'repairs', 'gardens', 'counting'];

const WEATHER = [
    'Rain filled the gutters and emptied the shelf of pumps',
    'A dry spell sent everybody up their ladders',
    'The first frost asked for lagging and heat guns',
    'Three weekends of sun, and not one sander on its hook',
    'The wind took fences down, and post drivers out',
    'Nothing happened, which is when people finally hang their shelves',
];
const TURN = [
    'The queue was longest on the second Saturday.',
    'Two tools came back cleaner than they went.',
    'One borrower brought biscuits for the counter.',
    'A first loan went to somebody aged nine, with a parent.',
    'We lent more to the far side of the river than ever.',
];

/** Thirty-six months of loans, newest first: numbers by a fixed rule, so that every start tells the same story. */
export function loanNotes(): LoanNote[] {
    const all = CATALOGUE.flatMap((kind) => kind.tools.map((tool) => ({ kind, tool })));
    return Array.from({ length: 36 }, (_, index) => {
        const month = 35 - index;
        const year = 2023 + Math.floor(month / 12);
        const name = MONTHS[month % 12]!;
        const loans = 310 + ((month * 97) % 140) + month * 3;
        const first = all[(month * 11) % all.length]!;
        const second = all[(month * 29 + 7) % all.length]!;
        const link = ({ kind, tool }: (typeof all)[number]): string =>
            `<a href="/tools/${kind.slug}/${tool.slug}/">${tool.name.toLowerCase()}</a>`;
        return {
            slug: `loans-${year}-${String((month % 12) + 1).padStart(2, '0')}`,
            title: `Loans in ${name} ${year}`,
            lead: `${loans} loans in ${name}`,
            topic: month % TOPICS.length,
            main: `<p>${WEATHER[month % WEATHER.length]!}: ${loans} loans went over six counters in ${name}.</p>
<p>Most wanted was the ${link(first)}, and the surprise of the month was the ${link(second)}. ${TURN[month % TURN.length]!}</p>`,
        };
    });
}

/** Tools kept at a branch, in the order of the catalogue. */
export function shelfOf(branch: string): { kind: ToolKind; tool: Tool }[] {
    return CATALOGUE.flatMap((kind) =>
        kind.tools.filter((tool) => tool.branch === branch).map((tool) => ({ kind, tool })),
    );
}
