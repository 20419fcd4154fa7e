/** What the box that finds looks through beside the pages: views, saved sets, notes, actions. */
import { AREAS } from '../../core/views/areas.ts';
import type { Found } from './Find.svelte';
import type { FrameLinks } from './frame-links.ts';
import type { RailArea } from './rail-areas.ts';

export interface Findable {
    areas: readonly RailArea[];
    saved: readonly { name: string; expression: string }[];
    notes: readonly { about: string; subject: string; text: string }[];
    to: FrameLinks;
    /** Goes to an address. */
    go: (href: string) => void;
    onTheme: () => void;
    onKeys: () => void;
}

export function findThings({ areas, saved, notes, to, go, onTheme, onKeys }: Findable): Found[] {
    const leads = (kind: Found['kind'], name: string, note: string, href: string): Found => ({
        kind,
        name,
        note,
        go: () => go(href),
    });
    return [
        ...areas.map(({ name, question, href }) => leads('area', name, question, href)),
        ...AREAS.flatMap(({ name, views }) =>
            views.slice(1).map((view) => leads('area', view.name, `in ${name}`, to.view(view))),
        ),
        ...saved.map(({ name, expression }) => leads('set', name, expression, to.set(`set ${JSON.stringify(name)}`))),
        ...notes.map(({ about, subject, text }) =>
            leads('note', text, subject === '' ? 'the whole site' : subject, to.note(about, subject)),
        ),
        leads('action', 'Start a new survey', '', `${to.site}/new-survey`),
        leads('action', 'Show all pages', 'clears the set', to.set('')),
        { kind: 'action', name: 'Switch between light and dark', note: '', go: onTheme },
        leads('action', 'All sites', '', '/sites'),
        { kind: 'action', name: 'List of keys', note: '?', go: onKeys },
    ];
}
