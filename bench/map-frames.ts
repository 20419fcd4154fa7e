/** The map in the browser: how long its layout and a frame take, beside filling the same pixels with one colour. */
import { build } from 'vite';
import { fileURLToPath } from 'node:url';
import { openBrowser } from '../tests/support/browser.ts';
import type { frameTimes, FrameTimes } from './map-frames-page.ts';
import { line, ratio } from './measure.ts';

const ENTRY = fileURLToPath(new URL('map-frames-page.ts', import.meta.url));
const MEGABYTE = 1024 * 1024;

export async function mapFrames(counts: readonly number[]): Promise<void> {
    const script = await scriptOf();
    const browser = await openBrowser();
    try {
        for (const count of counts) {
            const page = await browser.newPage();
            await page.setContent('<!doctype html><title>frames</title>');
            await page.addScriptTag({ content: script });
            const told: FrameTimes[] = await page.evaluate(
                (pages) => (globalThis as unknown as { frameTimes: typeof frameTimes }).frameTimes(pages),
                count,
            );
            const { JSHeapUsedSize = 0 } = await page.metrics();
            await page.close();
            line(
                `the map of ${count.toLocaleString('en')} made pages in the browser`,
                `${(JSHeapUsedSize / MEGABYTE).toFixed(0)} MB of heap, what is garbage counted too`,
            );
            for (const { what, marks, layout, frame, bare, filled, way, wayFilled, hover } of told) {
                line(
                    `  ${what}`,
                    `${marks.toLocaleString('en')} marks, layout ${layout.toFixed(0)} ms, a frame ${frame.toFixed(1)} ms, pointing ${hover.toFixed(1)} ms`,
                );
                line('    a frame, to filling the same marks in one colour', ratio(frame, filled));
                line('    a frame, to filling the canvas once', ratio(frame, bare));
                line(
                    '    on the way there, a frame to filling what it fills',
                    `${way.toFixed(1)} ms, ${ratio(way, wayFilled)}`,
                );
            }
        }
    } finally {
        await browser.close();
    }
}

/** The page's code as one script. */
async function scriptOf(): Promise<string> {
    const built = await build({
        configFile: false,
        logLevel: 'silent',
        build: { write: false, lib: { entry: ENTRY, formats: ['iife'], name: 'frames' } },
    });
    const [output] = Array.isArray(built) ? built : [built];
    if (!output || !('output' in output)) throw new Error('nothing was built');
    return output.output[0].code;
}
