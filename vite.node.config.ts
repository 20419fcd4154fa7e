import { builtinModules } from 'node:module';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

/** Everything that runs in Node outside the pages: Node 20 runs no TypeScript by itself. */
const entries = {
    edgemap: 'cli/edgemap.ts',
    web: 'cli/web.ts',
    'web-thread': 'cli/web-thread.ts',
    worker: 'cli/worker.ts',
    'stand-in': 'demo/stand-in-process.ts',
    'parse-thread': 'src/lib/server/crawl/parse-thread.ts',
    'pack-thread': 'src/lib/server/pack/pack-thread.ts',
    'proposal-thread': 'src/lib/server/jobs/proposal-thread.ts',
    bench: 'bench/bench.ts',
    'bench-site': 'bench/site-process.ts',
    'bench-folder': 'bench/folder-process.ts',
};

const FOR_BENCHES_ONLY = ['vite', 'puppeteer-core'];

export default defineConfig({
    resolve: { alias: { $lib: fileURLToPath(new URL('src/lib', import.meta.url)) } },
    // Libraries are built in, without what nobody asks of them: a process, and each of its threads, is ready in half the time.
    ssr: { noExternal: true, external: FOR_BENCHES_ONLY },
    build: {
        ssr: true,
        target: 'node20',
        outDir: 'build/node',
        emptyOutDir: true,
        minify: false,
        sourcemap: true,
        rollupOptions: {
            input: entries,
            external: [...builtinModules, /^node:/],
            output: {
                entryFileNames: '[name].js',
                chunkFileNames: 'chunks/[name]-[hash].js',
                // Lines are told by them, not code: that lies beside.
                sourcemapExcludeSources: true,
            },
        },
    },
});
