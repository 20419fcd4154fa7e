/** What of the map is called how, and which set it is. */
import type { MapBand, MapColumn } from '../../core/map/depth-layout.ts';
import { quoted } from '../../core/sets/tokens.ts';
import { count } from '../parts/format.ts';

type Depths = Pick<MapBand, 'from' | 'to'>;
type Section = Pick<MapColumn, 'section' | 'sections'>;

export const columnName = ({ section, sections }: Section): string => section ?? `${count(sections)} others`;

/** @param all columns of the map: what the last of them leaves out */
export function columnSet({ section }: Section, all: readonly Section[]): string {
    if (section !== null) return `section is ${quoted(section)}`;
    const named = all.flatMap((own) => (own.section === null ? [] : [own.section]));
    return `section is not one of ${named.map((own) => quoted(own)).join(', ')}`;
}

/** Depths of a band; what links do not reach has none. */
export const depthSet = ({ from, to }: Depths): string =>
    from < 0 ? 'depth is unknown' : from === to ? `depth = ${from}` : `depth from ${from} to ${to}`;

export const bandSet = (band: Depths): string =>
    band.from < 0 ? 'page and not reached' : `page and ${depthSet(band)}`;

export const depthName = ({ from, to }: Depths): string => (from < 0 ? '' : from === to ? `${from}` : `${from}–${to}`);

/** The last part of an address: what a bar is called. */
export function tailOf(url: string, origin: string): string {
    const path = url.slice(origin.length);
    if (path.includes('?')) return path.slice(path.lastIndexOf('?'));
    return `${path.split('/').filter(Boolean).at(-1) ?? ''}${path.endsWith('/') ? '/' : ''}`;
}
