/** The colours of the map, taken from the theme: hues of sections in steps of lightness, the ground by depth. */
import { HUES } from '../parts/section-letters.ts';

export type Rgb = readonly [red: number, green: number, blue: number];

export interface MapColours {
    paper: Rgb;
    ink: Rgb;
    faint: Rgb;
    edge: Rgb;
    mark: Rgb;
    /** By place among the site's sections; the last for those without a hue. */
    hues: readonly Rgb[];
    isDark: boolean;
}

/** Reads what the theme says. @param element within it */
export function mapColours(element: Element): MapColours {
    const style = getComputedStyle(element);
    const brush = new OffscreenCanvas(1, 1).getContext('2d', { willReadFrequently: true });
    const of = (name: string): Rgb => {
        if (!brush) return [0, 0, 0];
        brush.clearRect(0, 0, 1, 1);
        brush.fillStyle = style.getPropertyValue(name).trim() || '#777';
        brush.fillRect(0, 0, 1, 1);
        const [red = 0, green = 0, blue = 0] = brush.getImageData(0, 0, 1, 1).data;
        return [red, green, blue];
    };
    const paper = of('--color-base-100');
    return {
        paper,
        ink: of('--color-base-content'),
        faint: of('--ink3'),
        edge: of('--edge'),
        mark: of('--color-primary'),
        hues: [...Array.from({ length: HUES }, (_, place) => of(`--s${place + 1}`)), of('--ink3')],
        isDark: paper[0] + paper[1] + paper[2] < 380,
    };
}

/** So much of one colour over another. */
export const mixed = (over: Rgb, under: Rgb, share: number): Rgb => [
    Math.round(under[0] + (over[0] - under[0]) * share),
    Math.round(under[1] + (over[1] - under[1]) * share),
    Math.round(under[2] + (over[2] - under[2]) * share),
];

export const css = ([red, green, blue]: Rgb): string => `rgb(${red} ${green} ${blue})`;
