/** Draws on a canvas of as many points as the screen has. */
import type { Pen, Point, Stroke, TextWeight } from './pen.ts';

const FONTS: Record<TextWeight, string> = { plain: '11px sans-serif', bold: '600 11px sans-serif' };

export class CanvasPen implements Pen {
    readonly #brush: CanvasRenderingContext2D;
    readonly #hatches = new Map<string, CanvasPattern | null>();
    readonly #glyphs = new Map<string, Path2D>();
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

    outline(x: number, y: number, width: number, height: number, stroke: Stroke): void {
        this.#as(stroke, () =>
            this.#brush.strokeRect(x + 0.5, y + 0.5, Math.max(0, width - 1), Math.max(0, height - 1)),
        );
    }

    hatch(x: number, y: number, width: number, height: number, colour: string, step: number): void {
        const key = `${colour} ${step}`;
        if (!this.#hatches.has(key)) this.#hatches.set(key, this.#hatchOf(colour, step));
        const pattern = this.#hatches.get(key);
        if (pattern) {
            this.#fillWith(pattern);
            this.#brush.fillRect(x, y, width, height);
        }
    }

    glyph(path: string, x: number, y: number, size: number, colour: string): void {
        let known = this.#glyphs.get(path);
        if (!known) this.#glyphs.set(path, (known = new Path2D(path)));
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
        this.#write(weight);
        return this.#brush.measureText(words).width;
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
        const tile = new OffscreenCanvas(step * 2, step * 2);
        const brush = tile.getContext('2d');
        if (!brush) return null;
        brush.strokeStyle = colour;
        brush.lineWidth = 0.9;
        brush.beginPath();
        for (let at = -step * 2; at < step * 2; at += step) {
            brush.moveTo(at - 1, step * 2 + 1);
            brush.lineTo(at + step * 2 + 1, -1);
        }
        brush.stroke();
        return this.#brush.createPattern(tile, 'repeat');
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
