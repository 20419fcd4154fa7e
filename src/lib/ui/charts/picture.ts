/**
 * A picture of a chart as it stands on the screen, as SVG: texts, lines and fills of its elements at their places, and
 * drawings copied with their colours told, so that the file stands alone.
 */
const NAMESPACE = 'http://www.w3.org/2000/svg';
const PAINT = [
    'fill',
    'stroke',
    'stroke-width',
    'stroke-dasharray',
    'opacity',
    'font-family',
    'font-size',
    'font-weight',
];

function escaped(text: string): string {
    return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
}

/** A drawing with what its styles say written into its elements. */
function told(drawing: Element): Element {
    const copy = drawing.cloneNode(true) as Element;
    const from = [drawing, ...drawing.querySelectorAll('*')];
    const to = [copy, ...copy.querySelectorAll('*')];
    from.forEach((element, index) => {
        const style = getComputedStyle(element);
        const target = to[index]!;
        for (const name of PAINT) {
            const value = style.getPropertyValue(name);
            if (value !== '')
                target.setAttribute(name, value.replaceAll('"', "'").replace(/url\('?[^#)]*(#[^')]+)'?\)/g, 'url($1)'));
        }
        target.removeAttribute('class');
        target.removeAttribute('style');
        target.removeAttribute('href');
    });
    return copy;
}

/** Words of a text node, those of one line together. */
function linesOf(node: Text): { text: string; box: DOMRect }[] {
    const lines: { text: string; box: DOMRect }[] = [];
    const range = document.createRange();
    for (const match of node.data.matchAll(/\S+\s?/g)) {
        range.setStart(node, match.index);
        range.setEnd(node, match.index + match[0].trimEnd().length);
        const box = range.getBoundingClientRect();
        if (box.width === 0) continue;
        const last = lines.at(-1);
        if (last && Math.abs(last.box.top - box.top) < 2) last.text += ` ${match[0].trim()}`;
        else lines.push({ text: match[0].trim(), box });
    }
    return lines;
}

/** @returns a whole SVG document */
export function pictureOf(root: HTMLElement): string {
    const frame = root.getBoundingClientRect();
    const parts: string[] = [];
    const ground = getComputedStyle(document.body).backgroundColor;
    const line = (x1: number, y1: number, x2: number, y2: number, width: string, colour: string): void => {
        parts.push(`<path d="M${x1} ${y1}L${x2} ${y2}" stroke="${colour}" stroke-width="${parseFloat(width)}"/>`);
    };
    const walk = (element: Element): void => {
        const style = getComputedStyle(element);
        if (style.display === 'none' || style.visibility === 'hidden') return;
        if (element.matches('.visually-hidden, [data-no-picture]')) return;
        const box = element.getBoundingClientRect();
        const [x, y] = [box.left - frame.left, box.top - frame.top];
        if (element instanceof SVGSVGElement) {
            const copy = told(element);
            copy.setAttribute('x', String(x));
            copy.setAttribute('y', String(y));
            copy.setAttribute('width', String(box.width));
            copy.setAttribute('height', String(box.height));
            parts.push(new XMLSerializer().serializeToString(copy));
            return;
        }
        if (!/^(transparent|rgba\(0, 0, 0, 0\))$/.test(style.backgroundColor)) {
            parts.push(
                `<rect x="${x}" y="${y}" width="${box.width}" height="${box.height}" fill="${style.backgroundColor}"/>`,
            );
        }
        if (style.borderTopStyle === 'solid' && parseFloat(style.borderTopWidth) > 0)
            line(x, y, x + box.width, y, style.borderTopWidth, style.borderTopColor);
        if (style.borderBottomStyle === 'solid' && parseFloat(style.borderBottomWidth) > 0)
            line(x, y + box.height, x + box.width, y + box.height, style.borderBottomWidth, style.borderBottomColor);
        for (const child of element.childNodes) {
            if (child instanceof Element) walk(child);
            else if (child instanceof Text) {
                const turn = style.transform === 'none' ? null : new DOMMatrix(style.transform);
                for (const { text, box: at } of linesOf(child)) {
                    const paint = `fill="${style.color}" font-family="${escaped(style.fontFamily)}" font-size="${style.fontSize}" font-weight="${style.fontWeight}" font-style="${style.fontStyle}"`;
                    const [left, top] = [at.left - frame.left, at.top - frame.top];
                    if (turn) {
                        const degrees = (Math.atan2(turn.b, turn.a) * 180) / Math.PI;
                        const [cx, cy] = [left + at.width / 2, top + at.height / 2];
                        parts.push(
                            `<text x="${cx}" y="${cy}" transform="rotate(${degrees} ${cx} ${cy})" text-anchor="middle" dominant-baseline="central" ${paint}>${escaped(text)}</text>`,
                        );
                    } else
                        parts.push(`<text x="${left}" y="${top + at.height * 0.78}" ${paint}>${escaped(text)}</text>`);
                }
            }
        }
    };
    walk(root);
    const patterns = [...document.querySelectorAll('pattern')]
        .map((pattern) => new XMLSerializer().serializeToString(told(pattern)))
        .join('');
    return (
        `<svg xmlns="${NAMESPACE}" width="${frame.width}" height="${frame.height}" viewBox="0 0 ${frame.width} ${frame.height}">` +
        `<defs>${patterns}</defs><rect width="100%" height="100%" fill="${ground}"/>${parts.join('')}</svg>`
    );
}

/** The picture as PNG, at twice its size. */
export async function pngOf(svg: string): Promise<Blob> {
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = image.width * 2;
    canvas.height = image.height * 2;
    const context = canvas.getContext('2d');
    if (!context) throw new Error('no canvas');
    context.scale(2, 2);
    context.drawImage(image, 0, 0);
    return new Promise((resolve, reject) =>
        canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png'),
    );
}

/** Hands a file to the reader of the page. */
export function saveFile(name: string, content: Blob): void {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(content);
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 1_000);
}

/** Cells as CSV (RFC 4180); what a spreadsheet would take for a formula is kept a text. */
export function csvOf(rows: readonly (readonly (string | number | null)[])[]): string {
    const cell = (value: string | number | null): string => {
        if (value === null) return '';
        const text = typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : String(value);
        return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
    };
    return rows.map((row) => `${row.map(cell).join(',')}\r\n`).join('');
}
