import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
    preprocess: vitePreprocess(),
    compilerOptions: { runes: true },
    kit: {
        adapter: adapter({ out: 'build/web', precompress: false }),
        csp: {
            mode: 'nonce',
            directives: {
                'default-src': ['none'],
                'script-src': ['self'],
                // Svelte's style: directives and the charts set style attributes; style elements stay forbidden.
                'style-src': ['self'],
                'style-src-attr': ['unsafe-inline'],
                'img-src': ['self', 'data:'],
                'font-src': ['self'],
                'connect-src': ['self'],
                'worker-src': ['self'],
                'form-action': ['self'],
                'base-uri': ['none'],
                'frame-ancestors': ['none'],
            },
        },
        typescript: {
            config: (config) => {
                config.include.push(
                    '../cli/**/*.ts',
                    '../demo/**/*.ts',
                    '../tests/**/*.ts',
                    '../bench/**/*.ts',
                    '../*.config.ts',
                    '../types/html-encoding-sniffer.d.ts',
                    '../types/language-tags.d.ts',
                    '../types/snowball-stemmers.d.ts',
                    '../types/stopword.d.ts',
                );
                return config;
            },
        },
    },
};
