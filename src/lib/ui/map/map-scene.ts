/** A picture of the map, whatever it is arranged by: what stands where, and how it is drawn. */
import type { MapAnswer } from '../../workers/map-answers.ts';
import { drawDepth } from './draw-depth.ts';
import { drawTree } from './draw-tree.ts';
import { DepthPlaces } from './hit-depth.ts';
import { TreePlaces } from './hit-tree.ts';
import type { MapLook, Palette } from './map-look.ts';
import type { MapPlaces } from './map-place.ts';
import type { Pen } from './pen.ts';

export interface MapScene {
    width: number;
    height: number;
    places: MapPlaces;
    draw: (pen: Pen, palette: Palette, look: MapLook) => void;
}

export function sceneOf(map: MapAnswer): MapScene {
    const { width, height } = map.layout;
    return map.by === 'depth'
        ? {
              width,
              height,
              places: new DepthPlaces(map.layout),
              draw: (pen, palette, look) => drawDepth(pen, map, palette, look),
          }
        : {
              width,
              height,
              places: new TreePlaces(map.layout),
              draw: (pen, palette, look) => drawTree(pen, map, palette, look),
          };
}
