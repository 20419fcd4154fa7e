import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = { $lib: fileURLToPath(new URL('src/lib', import.meta.url)) };

export default defineConfig({
    resolve: { alias },
    test: {
        projects: [
            {
                resolve: { alias },
                test: {
                    name: 'unit',
                    include: ['src/**/*.test.ts', 'cli/**/*.test.ts', 'demo/**/*.test.ts'],
                    environment: 'node',
                    // One process reads every module once: half of the time. No unit test leaves anything behind.
                    isolate: false,
                    // Machines are shared: a time limit is there to end what hangs, not to judge what is slow.
                    testTimeout: 400_000,
                    hookTimeout: 400_000,
                },
            },
            {
                resolve: { alias },
                test: {
                    name: 'walls',
                    include: ['tests/walls/**/*.test.ts'],
                    environment: 'node',
                    isolate: false,
                    testTimeout: 400_000,
                    hookTimeout: 400_000,
                },
            },
            {
                resolve: { alias },
                test: {
                    name: 'integration',
                    include: ['tests/integration/**/*.test.ts'],
                    environment: 'node',
                    testTimeout: 400_000,
                    hookTimeout: 400_000,
                    // Each file has a database, folders and ports of its own; what waits for one leaves time for another.
                    maxWorkers: 2,
                },
            },
            {
                resolve: { alias },
                test: {
                    name: 'browser',
                    globalSetup: ['tests/support/made-site.ts'],
                    include: ['tests/browser/**/*.test.ts'],
                    environment: 'node',
                    testTimeout: 400_000,
                    hookTimeout: 400_000,
                    fileParallelism: false,
                },
            },
        ],
    },
});
