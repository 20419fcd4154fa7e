/** Writes what is drawn as vectors: a file that is sharp at any size. */
import type { Pen, Point, Stroke, TextWeight } from './pen.ts';

const escaped = (words: string): string =>
    words
        .replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!)
        // Not allowed in XML 1.0 (section 2.2), escaped or not.
        .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '');
const short = (value: number): string => String(Math.round(value * 100) / 100);

export class SvgPen implements Pen {
    readonly #width: number;
    readonly #height: number;
    readonly #measure: (words: string, weight: TextWeight) => number;
    readonly #out: string[] = [];
    readonly #hatches = new Map<string, string>();
    #cover = 1;

    /** @param measure how wide words are: told by whoever has a canvas */
    constructor(width: number, height: number, measure: (words: string, weight: TextWeight) => number) {
        this.#width = width;
        this.#height = height;
        this.#measure = measure;
    }

    fill(x: number, y: number, width: number, height: number, colour: string): void {
        this.#rect(x, y, width, height, `fill="${colour}"`);
    }

    outline(x: number, y: number, width: number, height: number, stroke: Stroke): void {
        const { wide } = stroke;
        this.#rect(
            x + wide / 2,
            y + wide / 2,
            Math.max(0, width - wide),
            Math.max(0, height - wide),
            `fill="none" ${this.#stroke(stroke)}`,
        );
    }

    hatch(x: number, y: number, width: number, height: number, colour: string, step: number): void {
        const key = `${colour} ${step}`;
        let id = this.#hatches.get(key);
        if (id === undefined) this.#hatches.set(key, (id = `hatch-${this.#hatches.size + 1}`));
        this.#rect(x, y, width, height, `fill="url(#${id})"`);
    }

    glyph(path: string, x: number, y: number, size: number, colour: string): void {
        const scale = short(size / 12);
        this.#out.push(
            `<path d="${escaped(path)}" transform="translate(${short(x)} ${short(y)}) scale(${scale})" fill="none" stroke="${colour}" stroke-width="1.8"${this.#opacity()}/>`,
        );
    }

    text(words: string, x: number, y: number, colour: string, weight: TextWeight = 'plain'): void {
        const bold = weight === 'bold' ? ' font-weight="600"' : '';
        this.#out.push(
            `<text x="${short(x)}" y="${short(y)}" dominant-baseline="central" fill="${colour}"${bold}${this.#opacity()}>${escaped(words)}</text>`,
        );
    }

    widthOf(words: string, weight: TextWeight = 'plain'): number {
        return this.#measure(words, weight);
    }

    line(points: readonly Point[], stroke: Stroke): void {
        const at = points.map(({ x, y }) => `${short(x)},${short(y)}`).join(' ');
        this.#out.push(`<polyline points="${at}" fill="none" ${this.#stroke(stroke)}/>`);
    }

    bow(from: Point, towards: Point, to: Point, stroke: Stroke): void {
        const d = `M${short(from.x)} ${short(from.y)}Q${short(towards.x)} ${short(towards.y)} ${short(to.x)} ${short(to.y)}`;
        this.#out.push(`<path d="${d}" fill="none" ${this.#stroke(stroke)}/>`);
    }

    cover(share: number): void {
        this.#cover = share;
    }

    moved(x: number, y: number, draw: () => void): void {
        this.#out.push(`<g transform="translate(${short(x)} ${short(y)})">`);
        draw();
        this.#out.push('</g>');
    }

    /** The whole file. @param title what it is of */
    file(title: string): string {
        const hatches = [...this.#hatches].map(([key, id]) => {
            const [colour, step] = [key.slice(0, key.lastIndexOf(' ')), Number(key.slice(key.lastIndexOf(' ') + 1))];
            return `<pattern id="${id}" width="${step}" height="${step}" patternUnits="userSpaceOnUse"><path d="M0 ${step}L${step} 0" stroke="${colour}" stroke-width="0.9"/></pattern>`;
        });
        const size = `width="${short(this.#width)}" height="${short(this.#height)}" viewBox="0 0 ${short(this.#width)} ${short(this.#height)}"`;
        return `<svg xmlns="http://www.w3.org/2000/svg" ${size} font-family="sans-serif" font-size="11"><title>${escaped(title)}</title><defs>${hatches.join('')}</defs>${this.#out.join('\n')}</svg>\n`;
    }

    #rect(x: number, y: number, width: number, height: number, rest: string): void {
        this.#out.push(
            `<rect x="${short(x)}" y="${short(y)}" width="${short(width)}" height="${short(height)}" ${rest}${this.#opacity()}/>`,
        );
    }

    #opacity(share = this.#cover): string {
        return share === 1 ? '' : ` opacity="${short(share)}"`;
    }

    #stroke({ colour, wide, dash, share }: Stroke): string {
        const dashes = dash ? ` stroke-dasharray="${dash.join(' ')}"` : '';
        // The cover of what is drawn is said where it is drawn, by rectangles themselves.
        const opacity = share === undefined ? '' : ` stroke-opacity="${short(share)}"`;
        return `stroke="${colour}" stroke-width="${short(wide)}" stroke-linejoin="round"${dashes}${opacity}`;
    }
}
