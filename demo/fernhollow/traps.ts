/** What never ends on the demo site: the calendar of workshops, and the filters of the catalogue. */
import { CATALOGUE } from './catalogue.ts';
import { escapeHtml } from './layout.ts';
import { BRANCHES } from './prose/branches.ts';
import { WORKSHOPS } from './prose/workshops.ts';

const MONTHS = 'January February March April May June July August September October November December'.split(' ');

export interface MadePage {
    title: string;
    main: string;
}

/** The first month with workshops, and the last of those that have any. */
const FIRST = 2026 * 12 + 2;
const LAST = FIRST + 8;

/**
 * A month of the calendar: `/workshops/calendar/2026/03/`.
 * @param isEndless whether a month after the last workshop still leads on
 */
export function calendarPage(path: string, isEndless: boolean): MadePage | null {
    const match = /^\/workshops\/calendar\/(\d{4})\/(\d{2})\/$/.exec(path);
    if (!match) return null;
    const month = Number(match[1]) * 12 + Number(match[2]) - 1;
    if (Number(match[2]) < 1 || Number(match[2]) > 12 || month < FIRST || (!isEndless && month > LAST)) return null;
    const pathOf = (at: number): string =>
        `/workshops/calendar/${Math.floor(at / 12)}/${String((at % 12) + 1).padStart(2, '0')}/`;
    const name = `${MONTHS[month % 12]} ${Math.floor(month / 12)}`;
    const on = month > LAST ? [] : WORKSHOPS.filter((_, index) => (index + month) % 3 === 0);
    const events =
        on.length === 0
            ? '<p>Nothing is planned for this month yet. Look at another month, or ask at the counter of your branch.</p>'
            : `<ul>${on.map((item, index) => `<li>${index * 9 + 3} ${MONTHS[month % 12]}: <a href="/workshops/${item.slug}/">${escapeHtml(item.title)}</a></li>`).join('')}</ul>`;
    const first = Math.floor(month / 12) * 12;
    const shown = [...Array.from({ length: 12 }, (_, index) => first + index), month + 12].filter(
        (at) => at >= FIRST && at !== month && (isEndless || at <= LAST),
    );
    const grid = shown
        .map(
            (at) => `<a href="${pathOf(at)}">${MONTHS[at % 12]}${at < first + 12 ? '' : ` ${Math.floor(at / 12)}`}</a>`,
        )
        .join(' ');
    return { title: `Calendar, ${name}`, main: `<h1>Workshops in ${name}</h1>${events}<p class="months">${grid}</p>` };
}

export const FIRST_MONTH = '/workshops/calendar/2026/03/';

/** Filters of the catalogue: name and values. */
const FILTERS: [string, string[]][] = [
    ['branch', BRANCHES.map((branch) => branch.slug)],
    ['fee', ['free', 'low', 'high']],
    ['kind', CATALOGUE.map((kind) => kind.slug)],
    ['sort', ['fee', 'name', 'weight']],
    ['weight', ['light', 'heavy']],
];

/** `/tools/?kind=cutting&sort=fee`: any combination, parameters in the order of their names; null for other queries. */
export function filterPage(path: string): MadePage | null {
    if (!path.startsWith('/tools/?')) return null;
    const chosen = new URLSearchParams(path.slice('/tools/?'.length));
    for (const [name, value] of chosen) {
        if (!FILTERS.some(([known, values]) => known === name && values.includes(value))) return null;
    }
    const found = CATALOGUE.flatMap((kind) => kind.tools.map((tool) => ({ kind, tool }))).filter(
        ({ kind, tool }) =>
            (!chosen.has('kind') || chosen.get('kind') === kind.slug) &&
            (!chosen.has('branch') || chosen.get('branch') === tool.branch) &&
            (!chosen.has('fee') || chosen.get('fee') === (tool.fee === 0 ? 'free' : tool.fee < 3 ? 'low' : 'high')) &&
            (!chosen.has('weight') || chosen.get('weight') === (parseFloat(tool.weight) < 5 ? 'light' : 'heavy')),
    );
    const words = [...chosen].map(([name, value]) => `${name} ${value.replace(/-/g, ' ')}`).join(', ');
    return {
        title: `Tools: ${words}`,
        main: `<h1>${found.length} tools</h1><p>Chosen by ${words}.</p>${filterLinks(chosen)}
<ul>${found.map(({ kind, tool }) => `<li><a href="/tools/${kind.slug}/${tool.slug}/">${escapeHtml(tool.name)}</a></li>`).join('')}</ul>`,
    };
}

/** Links that set one filter more. */
export function filterLinks(chosen: URLSearchParams): string {
    const groups = FILTERS.filter(([name]) => !chosen.has(name)).map(([name, values]) => {
        const links = values.map((value) => {
            const next = new URLSearchParams(chosen);
            next.set(name, value);
            next.sort();
            return `<a href="/tools/?${next.toString().replace(/&/g, '&amp;')}">${value.replace(/-/g, ' ')}</a>`;
        });
        return `<p>${name}: ${links.join(' ')}</p>`;
    });
    return `<div class="filters">${groups.join('')}</div>`;
}
