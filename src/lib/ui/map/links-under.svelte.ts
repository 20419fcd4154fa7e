/** Links of the current set, or from section to section: what is drawn of them over the map, and what is said of them. */
import { hueAt } from './draw-depth.ts';
import { drawRibbons, drawSetLinks } from './draw-links.ts';
import type { ShownLinks } from './map-address.ts';
import type { Palette } from './map-look.ts';
import type { MapScene } from './map-scene.ts';
import { newest } from './newest.ts';
import type { Pen } from './pen.ts';
import type { MapAnswer, MapLinksAnswer, MapLinksQuestion } from '../../workers/map-answers.ts';
import type { BrowserSurvey } from '../frame/browser-survey.ts';
import { counted } from '../parts/format.ts';

export interface LinksOf {
    survey: BrowserSurvey;
    map: MapAnswer | null;
    scene: MapScene | null;
    palette: Palette | null;
    lit: Uint8Array | null;
    links: ShownLinks;
}

export class LinksUnder {
    readonly #of: () => LinksOf;
    #told = $state.raw<MapLinksAnswer | null>(null);

    constructor(of: () => LinksOf) {
        this.#of = of;
        $effect(() => {
            const question = this.#question();
            if (question === null) {
                this.#told = null;
                return;
            }
            return newest(of().survey.mapLinks(question), (told) => (this.#told = told));
        });
    }

    /** Draws them; null where there are none to draw. */
    readonly draw = $derived.by<((pen: Pen) => void) | null>(() => {
        const { map, scene, palette } = this.#of();
        const told = this.#told;
        if (!map || !scene || !palette || told === null) return null;
        if (told.of === 'set') return (pen) => drawSetLinks(pen, palette, scene.places, told.links);
        if (told.of !== 'sections' || map.by !== 'depth') return null;
        const { columns } = map.layout;
        if (columns.length !== told.flow.columns) return null;
        const hues = columns.map((_, at) => hueAt(map.facts, map.layout, at));
        return (pen) => drawRibbons(pen, palette, columns, hues, told.flow, scene);
    });

    readonly say = $derived.by(() => {
        const told = this.#told;
        if (told?.of === 'sections') {
            return 'As wide as the links from section to section, followed and distinct; framed: as if the links of each section went to all pages alike.';
        }
        if (told?.of !== 'set') return '';
        const { from, isCut } = told.links;
        if (from.length === 0) return 'No link outside shared blocks leads from or to the current set.';
        return isCut
            ? `The first ${counted(from.length, 'link')} outside shared blocks, of more that lead from or to the current set.`
            : `${counted(from.length, 'link')} outside shared blocks ${from.length === 1 ? 'leads' : 'lead'} from or to the current set.`;
    });

    #question(): MapLinksQuestion | null {
        const { map, lit, links } = this.#of();
        if (map === null) return null;
        if (links === 'set' && lit !== null) return { of: 'set', isIn: lit };
        if (links !== 'sections' || map.by !== 'depth') return null;
        return { of: 'sections', columns: map.layout.columns.map(({ section }) => section) };
    }
}
