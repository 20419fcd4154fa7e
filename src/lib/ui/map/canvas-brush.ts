/** A canvas of as many points as the screen has. @returns null where there is none to draw on */
export function brushOf(
    canvas: HTMLCanvasElement,
    { width, height }: { width: number; height: number },
): CanvasRenderingContext2D | null {
    const points = Math.min(2, globalThis.devicePixelRatio || 1);
    canvas.width = Math.ceil(width * points);
    canvas.height = Math.ceil(height * points);
    const brush = canvas.getContext('2d');
    brush?.scale(points, points);
    return brush;
}
