/** What of the map is called how, and which set it is. */
import type { MapBand, MapColumn } from '../../core/map/depth-layout.ts';
import { quoted } from '../../core/sets/tokens.ts';
import type { MapCard } from '../../core/views/map.ts';
import type { BrowserSurvey } from '../frame/browser-survey.ts';
import { count } from '../parts/format.ts';
import type { MapPlace } from './map-place.ts';

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

/** What an address holds of a set beside all else in it. */
const MOST_IN_ADDRESS = 9_000;

/** Pages as a set that names each; null where that is longer than an address can be. */
export async function urlsSet(survey: BrowserSurvey, nodes: readonly number[]): Promise<string | null> {
    // Nobody's address is shorter than this, with its quotes.
    if (nodes.length * 12 > MOST_IN_ADDRESS) return null;
    const told = await Promise.all(nodes.map((node) => survey.mapCard(node)));
    const line = `url is one of ${told.flatMap((one) => (one ? [quoted(one.url, true)] : [])).join(', ')}`;
    return encodeURIComponent(line).length > MOST_IN_ADDRESS ? null : line;
}

/** What is told of the first page at a place; null for a folder, and for pages that are drawn as one. */
export async function cardOf(survey: BrowserSurvey, place: MapPlace | null): Promise<MapCard | null> {
    const node = place?.group === null ? place.nodes[0] : undefined;
    return node === undefined ? null : survey.mapCard(node);
}
