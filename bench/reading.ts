/** Reading documents: our reader on its lean tree against the same reader on parse5's own tree with locations. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readDocument, readPage } from '../src/lib/core/page/read-page.ts';
import { bigSite } from '../demo/big-site.ts';
import type { BenchOptions } from './bench.ts';
import { fastest, line, perSecond, ratio } from './measure.ts';
import { leanOf, parsePlain } from './plain-tree.ts';

const HEADERS = { link: [], refresh: '', xRobotsTag: [] };

function documents({ pages, folder }: BenchOptions): string[] {
    const count = pages ?? 300;
    if (folder === null) {
        const site = bigSite({ pages: 30_000 });
        return Array.from({ length: count }, (_, index) => site.page(index * 97));
    }
    return readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((name) => /\.x?html?$/.test(name))
        .slice(0, count)
        .map((name) => readFileSync(join(folder, name), 'utf8'));
}

export async function readingBench(options: BenchOptions): Promise<void> {
    const texts = documents(options);
    const bytes = texts.reduce((sum, text) => sum + text.length, 0);
    const url = 'https://big.example/section-1/page-1/';
    let different = 0;
    for (const text of texts) {
        const ours = JSON.stringify(readPage(text, url, HEADERS));
        if (ours !== JSON.stringify(readDocument(leanOf(parsePlain(text)), text, url, HEADERS))) different++;
    }
    const each = (work: (text: string) => unknown) => () => {
        for (const text of texts) work(text);
    };
    const ours = await fastest(
        5,
        each((text) => readPage(text, url, HEADERS)),
    );
    const plain = await fastest(
        5,
        each((text) => readDocument(leanOf(parsePlain(text)), text, url, HEADERS)),
    );
    const tree = await fastest(5, each(parsePlain));
    line('documents', `${texts.length}, ${Math.round(bytes / texts.length / 1000)} kB each`);
    line('reader on the lean tree', perSecond(texts.length, ours));
    line('the same reader on a plain tree with locations', perSecond(texts.length, plain));
    line('a plain tree with locations alone, nothing read', perSecond(texts.length, tree));
    line('ratio, the same output from both trees', ratio(plain, ours));
    line('ratio, against the plain tree alone', ratio(tree, ours));
    line('documents with another output', String(different));
}
