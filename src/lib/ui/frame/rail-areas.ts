/** The areas as the rail and the box that finds have them: with their addresses, and the door check after them. */
import { AREAS, type AreaIcon } from '../../core/views/areas.ts';
import type { FrameLinks } from './frame-links.ts';

export interface RailArea {
    name: string;
    /** What it answers. */
    question: string;
    icon: AreaIcon;
    href: string;
    isCurrent: boolean;
}

/** @param current name of the area that is shown; null for none */
export function railAreas(to: FrameLinks, current: string | null): RailArea[] {
    const areas = AREAS.map(({ name, question, icon, views }) => ({
        name,
        question,
        icon,
        href: to.view(views[0]),
        isCurrent: name === current,
    }));
    const door = { name: 'Door check', question: 'is it open?', icon: 'door' as const, href: `${to.site}/door` };
    return [...areas, { ...door, isCurrent: false }];
}
