/** Each wall of docs/architecture.md: a forbidden import is written, and lint must refuse it; the honest one passes. */
import { readdirSync } from 'node:fs';
import { ESLint } from 'eslint';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { CORE_FOLDERS } from '../../eslint.config.js';

const root = join(import.meta.dirname, '../..');
const eslint = new ESLint({ cwd: root });

async function complaints(file: string, code: string, rule = 'no-restricted-imports'): Promise<string[]> {
    const [result] = await eslint.lintText(code, { filePath: join(root, file) });
    return (result?.messages ?? []).filter((message) => message.ruleId === rule).map((message) => message.message);
}

const use = (module: string): string => `import { thing } from '${module}';\nexport const it = thing;\n`;

describe('the order of the folders of core', () => {
    it('names every folder once, and no other', () => {
        const folders = readdirSync(join(root, 'src/lib/core'), { withFileTypes: true });
        const there = folders.filter((entry) => entry.isDirectory()).map(({ name }) => name);
        expect([...CORE_FOLDERS].sort()).toEqual(there.sort());
    });
});

describe.each([
    ['core imports no Node', 'src/lib/core/graph/depth.ts', 'node:fs', './rows.ts'],
    ['core imports no database', 'src/lib/core/graph/depth.ts', 'drizzle-orm', './rows.ts'],
    ['core imports no Svelte', 'src/lib/core/graph/depth.ts', 'svelte', '../address/address.ts'],
    ['core imports no server', 'src/lib/core/graph/depth.ts', '../../server/app.ts', '../gates/gates.ts'],
    ['core imports no ui', 'src/lib/core/graph/depth.ts', '../../ui/parts/format.ts', 'parse5'],
    ['core imports no alias', 'src/lib/core/graph/depth.ts', '$lib/core/graph/rows.ts', 'saxes'],
    ['a folder of core knows none behind it', 'src/lib/core/measures/ways.ts', '../sets/bits.ts', '../graph/depth.ts'],
    [
        'columns know no packed survey',
        'src/lib/core/columns/column.ts',
        '../packed/packed-survey.ts',
        '../model/graph-model.ts',
    ],
    ['checks make no sentences', 'src/lib/core/checks/reach.ts', '../words/checks.ts', '../sets/tokens.ts'],
    ['the root of core knows no folder', 'src/lib/core/kept.ts', './sets/bits.ts', './number-column.ts'],
    ['wire knows zod and core only', 'src/lib/wire/progress.ts', '../server/app.ts', 'zod'],
    ['wire imports no ui', 'src/lib/wire/progress.ts', '../ui/parts/format.ts', '../core/survey/settings.ts'],
    ['ui imports no server', 'src/lib/ui/parts/format.ts', '$lib/server/app.ts', '$lib/core/gates/gates.ts'],
    [
        'ui imports no server by a relative path',
        'src/lib/ui/parts/format.ts',
        '../../server/app.ts',
        './gate-glyphs.ts',
    ],
    ['ui does not know where it stands', 'src/lib/ui/parts/format.ts', '$app/state', 'zod'],
    ['one file knows ECharts', 'src/lib/ui/charts/tokens.ts', 'echarts/core', './picture.ts'],
    [
        'crawl touches no store',
        'src/lib/server/crawl/frontier.ts',
        '../store/survey-store.ts',
        '../../core/gates/gates.ts',
    ],
    ['crawl touches no database', 'src/lib/server/crawl/frontier.ts', 'mysql2/promise', 'undici'],
    ['crawl starts no jobs', 'src/lib/server/crawl/frontier.ts', '../jobs/worker-loop.ts', './pins.ts'],
    ['only store speaks SQL: jobs', 'src/lib/server/jobs/worker-loop.ts', 'drizzle-orm', '../store/job-store.ts'],
    ['workers know no server', 'src/lib/workers/survey-worker.ts', '../server/app.ts', '../core/sets/bits.ts'],
    ['workers know no ui', 'src/lib/workers/survey-client.ts', '../ui/parts/format.ts', '../wire/sets.ts'],
    ['only store speaks SQL: pack', 'src/lib/server/pack/pack-survey.ts', 'drizzle-orm', '../store/connect.ts'],
    ['only store speaks SQL: app', 'src/lib/server/app.ts', 'drizzle-orm', './store/connect.ts'],
    ['only store speaks SQL: command line', 'cli/survey.ts', 'mysql2', '../src/lib/server/store/connect.ts'],
    ['only store speaks SQL: demo', 'demo/seed.ts', 'drizzle-orm', '../src/lib/server/store/connect.ts'],
    ['store starts no crawl', 'src/lib/server/store/site-store.ts', '../crawl/survey-run.ts', 'drizzle-orm'],
    ['server does not know SvelteKit', 'src/lib/server/app.ts', '$env/dynamic/private', 'zod'],
    ['server does not know the app', 'src/lib/server/export/csv.ts', '$app/environment', 'csv-stringify'],
    ['server imports no ui', 'src/lib/server/export/csv.ts', '../../ui/parts/format.ts', '../../core/gates/gates.ts'],
    ['process knows no tables', 'src/lib/server/process/locks.ts', 'drizzle-orm', './liveness.ts'],
    ['routes crawl nothing', 'src/routes/+page.server.ts', '$lib/server/crawl/survey-run.ts', '$lib/server/app.ts'],
    ['routes ask no database', 'src/routes/+page.server.ts', 'drizzle-orm', '$lib/server/store/site-store.ts'],
    ['routes start no processes', 'src/routes/+page.server.ts', '$lib/server/process/locks.ts', '@sveltejs/kit'],
])('%s', (_, file, forbidden, fine) => {
    it(`refuses ${forbidden}`, async () => {
        expect(await complaints(file, use(forbidden))).toHaveLength(1);
    });
    it(`takes ${fine}`, async () => {
        expect(await complaints(file, use(fine))).toEqual([]);
    });
});

describe('nothing branches on a sentence', () => {
    const of = (code: string): Promise<string[]> =>
        complaints('src/lib/server/app.ts', `export const it = ${code};\n`, 'no-restricted-syntax');

    it.each([
        '/refused/.test(error.message)',
        '/refused/.exec(say)',
        "page.failure.includes('refused')",
        "file.note.startsWith('index of')",
        'row.robotsRule.match(/line/)',
        "answer.say === 'no answer'",
        "rows.some((note) => note.indexOf('x') === 0)",
    ])('refuses %s', async (code) => expect(await of(code)).toHaveLength(1));

    it.each([
        "page.failure === ''",
        "answer.code === 'refused'",
        "stop.reason === 'pause'",
        "page.title.includes('refused')",
        '/x/.test(page.url)',
        'list.includes(problem.code)',
    ])('takes %s', async (code) => expect(await of(code)).toEqual([]));
});
