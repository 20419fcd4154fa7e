/** The evidence matrix over many URLs, and reading a full sitemap beside the bare XML parser. */
import { SaxesParser } from 'saxes';
import { numbers } from '../demo/big-site.ts';
import { evidenceMatrix } from '../src/lib/core/areas/completeness.ts';
import { EVIDENCE } from '../src/lib/core/evidence/evidence.ts';
import { MAX_SITEMAP_ENTRIES, readSitemap, SITEMAP_NAMESPACE } from '../src/lib/core/sitemap/read-sitemap.ts';
import type { BenchOptions } from './bench.ts';
import { fastest, line, ratio } from './measure.ts';

const RUNS = 9;

export async function evidenceBench(options: BenchOptions): Promise<void> {
    const urls = options.pages ?? 100_000;
    const next = numbers(11);
    // Ten kinds of evidence, each knowing its share of the URLs.
    const masks = Uint16Array.from({ length: urls }, () => {
        let mask = 1;
        for (let kind = 1; kind < EVIDENCE.length - 1; kind++) if (next() % (kind + 1) === 0) mask |= 1 << kind;
        return mask;
    });
    let rows = 0;
    const took = await fastest(RUNS, () => {
        rows = evidenceMatrix(masks, (node) => node % 7 !== 0).length;
    });
    line(`evidence matrix over ${urls.toLocaleString('en')} URLs, ${rows} combinations`, `${took.toFixed(1)} ms`);

    const entries: string[] = [];
    for (let index = 0; index < MAX_SITEMAP_ENTRIES; index++) {
        entries.push(
            `<url><loc>https://www.site.example/section-${index % 40}/page-${index}?a=1&amp;b=${index}</loc><lastmod>2026-03-02</lastmod></url>`,
        );
    }
    const text = `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="${SITEMAP_NAMESPACE}">\n${entries.join('\n')}\n</urlset>`;
    const bare = await fastest(RUNS, () => {
        const parser = new SaxesParser({ xmlns: true });
        let tags = 0;
        parser.on('opentag', () => tags++);
        parser.on('text', () => undefined);
        for (let at = 0; at < text.length; at += 65_536) parser.write(text.slice(at, at + 65_536));
        parser.close();
        if (tags < MAX_SITEMAP_ENTRIES) throw new Error('entries are missing');
    });
    const reading = await fastest(RUNS, () => {
        const file = readSitemap(text, 'https://www.site.example/sitemap.xml');
        if (file.entries.length !== MAX_SITEMAP_ENTRIES || file.troubles.length > 0)
            throw new Error('entries are missing');
    });
    line(`bare XML parser, ${MAX_SITEMAP_ENTRIES.toLocaleString('en')} entries`, `${bare.toFixed(0)} ms`);
    line('read as a sitemap, addresses resolved', `${reading.toFixed(0)} ms`);
    line('reading to the bare parser', ratio(bare, reading));
}
