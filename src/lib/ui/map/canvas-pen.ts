/** Draws on a canvas of as many points as the screen has. */
import type { Pen, Point, Stroke, TextWeight } from './pen.ts';

const FONTS: Record<TextWeight, string> = { plain: '11px sans-serif', bold: '600 11px sans-serif' };

/** Made once for all pens, each of which draws one picture: what is drawn often is the same few. */
const PATTERNS = new Map<string, CanvasPattern | null>();
const GLYPHS = new Map<string, Path2D>();
/** Names are measured, and cut until they fit, for every picture anew; they are the same names. */
const WIDTHS: Record<TextWeight, Map<string, number>> = { plain: new Map(), bold: new Map() };
const MOST_WIDTHS = 20_000;

export class CanvasPen implements Pen {
    readonly #brush: CanvasRenderingContext2D;
    #font = '';
    /** Set anew only where they change: of cells in their order most look like the one before. */
    #filled: string | CanvasPattern = '';
    #covered = 1;

    constructor(brush: CanvasRenderingContext2D) {
        this.#brush = brush;
        brush.textBaseline = 'middle';
    }

    fill(x: number, y: number, width: number, height: number, colour: string): void {
        this.#fillWith(colour);
        this.#brush.fillRect(x, y, width, height);
    }

    /** Four bars within the rectangle; of a dashed one laid over squares that are made once. */
    outline(x: number, y: number, width: number, height: number, { colour, wide, dash, share }: Stroke): void {
        const brush = this.#brush;
        const style = dash ? this.#dashesOf(colour, dash) : colour;
        if (style === null) return;
        this.#fillWith(style);
        if (share !== undefined) brush.globalAlpha = share;
        // What is too small to have an inside is filled.
        const [across, down] = [Math.min(wide, width / 2), Math.min(wide, height / 2)];
        brush.fillRect(x, y, width, down);
        brush.fillRect(x, y + height - down, width, down);
        brush.fillRect(x, y + down, across, height - 2 * down);
        brush.fillRect(x + width - across, y + down, across, height - 2 * down);
        if (share !== undefined) brush.globalAlpha = this.#covered;
    }

    hatch(x: number, y: number, width: number, height: number, colour: string, step: number): void {
        const pattern = this.#hatchOf(colour, step);
        if (pattern) {
            this.#fillWith(pattern);
            this.#brush.fillRect(x, y, width, height);
        }
    }

    glyph(path: string, x: number, y: number, size: number, colour: string): void {
        let known = GLYPHS.get(path);
        if (!known) GLYPHS.set(path, (known = new Path2D(path)));
        const brush = this.#brush;
        brush.save();
        brush.translate(x, y);
        brush.scale(size / 12, size / 12);
        brush.strokeStyle = colour;
        brush.lineWidth = 1.8;
        brush.stroke(known);
        brush.restore();
    }

    text(words: string, x: number, y: number, colour: string, weight: TextWeight = 'plain'): void {
        this.#write(weight);
        this.#fillWith(colour);
        this.#brush.fillText(words, x, y);
    }

    widthOf(words: string, weight: TextWeight = 'plain'): number {
        const widths = WIDTHS[weight];
        let width = widths.get(words);
        if (width === undefined) {
            this.#write(weight);
            width = this.#brush.measureText(words).width;
            if (widths.size >= MOST_WIDTHS) widths.clear();
            widths.set(words, width);
        }
        return width;
    }

    line(points: readonly Point[], stroke: Stroke): void {
        this.#as(stroke, () => {
            this.#brush.beginPath();
            points.forEach(({ x, y }, at) => (at === 0 ? this.#brush.moveTo(x, y) : this.#brush.lineTo(x, y)));
            this.#brush.stroke();
        });
    }

    bow(from: Point, towards: Point, to: Point, stroke: Stroke): void {
        this.#as(stroke, () => {
            this.#brush.beginPath();
            this.#brush.moveTo(from.x, from.y);
            this.#brush.quadraticCurveTo(towards.x, towards.y, to.x, to.y);
            this.#brush.stroke();
        });
    }

    cover(share: number): void {
        if (share === this.#covered) return;
        this.#covered = share;
        this.#brush.globalAlpha = share;
    }

    moved(x: number, y: number, draw: () => void): void {
        const brush = this.#brush;
        const before = brush.getTransform();
        brush.translate(x, y);
        draw();
        brush.setTransform(before);
    }

    #as({ colour, wide, dash, share }: Stroke, draw: () => void): void {
        const brush = this.#brush;
        brush.strokeStyle = colour;
        brush.lineWidth = wide;
        brush.lineJoin = 'round';
        if (dash) brush.setLineDash([...dash]);
        if (share !== undefined) brush.globalAlpha = share;
        draw();
        if (dash) brush.setLineDash([]);
        if (share !== undefined) brush.globalAlpha = this.#covered;
    }

    #fillWith(style: string | CanvasPattern): void {
        if (style === this.#filled) return;
        this.#filled = style;
        this.#brush.fillStyle = style;
    }

    #write(weight: TextWeight): void {
        if (this.#font === FONTS[weight]) return;
        this.#font = FONTS[weight];
        this.#brush.font = this.#font;
    }

    #hatchOf(colour: string, step: number): CanvasPattern | null {
        return this.#patternOf(`${colour} ${step}`, step * 2, (brush) => {
            brush.strokeStyle = colour;
            brush.lineWidth = 0.9;
            brush.beginPath();
            for (let at = -step * 2; at < step * 2; at += step) {
                brush.moveTo(at - 1, step * 2 + 1);
                brush.lineTo(at + step * 2 + 1, -1);
            }
            brush.stroke();
        });
    }

    /** Squares in steps: a bar laid over them is dashed, whichever way it runs. */
    #dashesOf(colour: string, [dash = 1, gap = 1]: readonly number[]): CanvasPattern | null {
        const size = dash + gap;
        return this.#patternOf(`${colour} ${dash} ${gap}`, size, (brush) => {
            brush.fillStyle = colour;
            for (let row = 0; row < size; row++) {
                for (let at = 0; at < dash; at++) brush.fillRect((at + row) % size, row, 1, 1);
            }
        });
    }

    #patternOf(
        key: string,
        size: number,
        draw: (brush: OffscreenCanvasRenderingContext2D) => void,
    ): CanvasPattern | null {
        const known = PATTERNS.get(key);
        if (known !== undefined) return known;
        const tile = new OffscreenCanvas(size, size);
        const brush = tile.getContext('2d');
        if (brush) draw(brush);
        const made = brush && this.#brush.createPattern(tile, 'repeat');
        PATTERNS.set(key, made);
        return made;
    }
}

/** @returns null where there is nothing to draw on */
export function penOn(
    canvas: HTMLCanvasElement | OffscreenCanvas,
    { width, height }: { width: number; height: number },
    points = Math.min(2, globalThis.devicePixelRatio || 1),
): { pen: Pen; brush: CanvasRenderingContext2D } | null {
    const [wide, high] = [Math.ceil(width * points), Math.ceil(height * points)];
    if (canvas.width !== wide) canvas.width = wide;
    if (canvas.height !== high) canvas.height = high;
    // Both kinds of canvas have the same strokes.
    const brush = canvas.getContext('2d') as CanvasRenderingContext2D | null;
    if (!brush) return null;
    brush.setTransform(points, 0, 0, points, 0, 0);
    brush.clearRect(0, 0, width, height);
    return { pen: new CanvasPen(brush), brush };
}

/** Whether this browser has anything to draw on. */
export const canDraw = (): boolean =>
    typeof OffscreenCanvas !== 'undefined' && document.createElement('canvas').getContext('2d') !== null;
