/** The ground of the map: a band a depth, darker with each. */
import { css, mixed } from './map-colours.ts';
import type { Palette } from './map-look.ts';
import type { Pen } from './pen.ts';

const GROUND = 0.1;
const GROUND_AT_NIGHT = 0.12;

export function drawGround(
    pen: Pen,
    bands: readonly { y: number; height: number }[],
    width: number,
    { colours }: Palette,
): void {
    const { mark, ink, paper, edge, isDark } = colours;
    const ground = isDark ? GROUND_AT_NIGHT : GROUND;
    const line = css(mixed(edge, paper, 0.3));
    bands.forEach(({ y, height }, band) => {
        const share = bands.length < 2 ? 0 : band / (bands.length - 1);
        const water = mixed(mark, ink, 1 - 0.5 * share);
        pen.fill(0, y, width, height, css(mixed(water, paper, ground * (0.4 + share))));
        pen.fill(0, y + height - 0.5, width, 0.5, line);
    });
}
