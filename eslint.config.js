import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

const DATABASE = { regex: '^drizzle-orm|^mysql2', message: 'Only store speaks to the database.' };
const SVELTEKIT = {
    regex: '^\\$app|^\\$env|^@sveltejs',
    message: 'This runs outside the pages too: no $app, no $env.',
};
const UI = { regex: '(?:^|/)ui/', message: 'ui is for pages only.' };

/**
 * The folders of core, in the order the data goes through them: a folder knows those before it, and none behind it. A
 * test holds the list against the tree.
 */
const CORE_FOLDERS = [
    'address',
    'problems',
    'robots',
    'scope',
    'doubles',
    'traps',
    'page',
    'gates',
    'survey',
    'evidence',
    'door',
    'words',
    'sitemap',
    'graph',
    'model',
    'measures',
    'columns',
    'packed',
    'text',
    'subjects',
    'pack',
    'compare',
    'sets',
    'areas',
    'checks',
    'proposals',
    'map',
    'formats',
    'views',
];

const CORE = [
    {
        regex: '^(?!\\.|parse5$|saxes$|snowball-stemmers$|stopword$|language-tags$)',
        message: 'core is pure: only parse5, saxes, stemmers, stop words and language tags come from outside.',
    },
    { regex: '(?:^|/)(?:server|ui|routes|workers|cli|demo)/', message: 'core imports nothing outside core.' },
];

/** Folders that tell codes and numbers: sentences are made of them by those who show them. */
const WORDLESS = [
    'problems',
    'gates',
    'page',
    'door',
    'graph',
    'model',
    'measures',
    'columns',
    'packed',
    'subjects',
    'pack',
    'checks',
];
const SENTENCES = {
    regex: '/words/(?!cause-params|finding-params|limit-params|sitemap-params)',
    message: 'It tells codes with parameters; sentences are made at the edge.',
};

/** What a folder of core may not know: those behind it. */
function foldersBehind(at) {
    const behind = CORE_FOLDERS.slice(at + 1);
    if (behind.length === 0) return [];
    return [
        {
            regex: `^\\.\\./(?:${behind.join('|')})/`,
            message: 'A folder of core knows those before it in the order of eslint.config.js, and none behind it.',
        },
    ];
}

/**
 * The layer walls of docs/architecture.md: for each place, what may not come in. No file stands in two places, so
 * that no wall takes the place of another. A test per wall (tests/walls) writes a forbidden import and expects this
 * file to refuse it.
 */
const WALLS = [
    ...CORE_FOLDERS.map((folder, at) => ({
        files: [`src/lib/core/${folder}/**/*.ts`],
        ignores: ['**/*.test.ts'],
        patterns: [...CORE, ...foldersBehind(at), ...(WORDLESS.includes(folder) ? [SENTENCES] : [])],
    })),
    {
        files: ['src/lib/core/*.ts'],
        ignores: ['**/*.test.ts'],
        patterns: [...CORE, { regex: '^\\./.*/', message: 'What lies at the root of core knows none of its folders.' }],
    },
    {
        files: ['src/lib/wire/**/*.ts'],
        ignores: ['**/*.test.ts'],
        patterns: [{ regex: '^(?!zod$|\\.\\./core/|\\./)', message: 'wire knows zod and core only.' }],
    },
    {
        files: ['src/lib/ui/**/*.{ts,svelte}'],
        ignores: ['src/lib/ui/charts/Chart.svelte'],
        patterns: [
            { regex: '^echarts', message: 'ui/charts/Chart.svelte is the one wrapper of ECharts.' },
            { regex: '(?:^|/)(?:server|routes)/', message: 'ui takes data by props: no server, no routes.' },
            { regex: '^\\$app', message: 'ui does not know where it stands; routes tell it.' },
            DATABASE,
        ],
    },
    {
        files: ['src/lib/workers/**/*.ts'],
        patterns: [
            { regex: '(?:^|/)(?:server|routes|ui)/', message: 'workers run core on what they are given.' },
            SVELTEKIT,
            DATABASE,
        ],
    },
    {
        files: ['src/lib/server/crawl/**/*.ts'],
        patterns: [
            { regex: '(?:^|/)(?:store|jobs)/', message: 'crawl emits batches; jobs stores them.' },
            DATABASE,
            SVELTEKIT,
            UI,
        ],
    },
    {
        files: ['src/lib/server/store/**/*.ts'],
        patterns: [SVELTEKIT, UI, { regex: '(?:^|/)(?:crawl|jobs)/', message: 'store keeps rows; it starts nothing.' }],
    },
    {
        files: ['src/lib/server/{access,evidence,export,jobs,open,pack}/**/*.ts', 'src/lib/server/*.ts'],
        patterns: [DATABASE, SVELTEKIT, UI],
    },
    {
        files: ['src/lib/server/process/**/*.ts'],
        patterns: [SVELTEKIT, UI, { regex: '^drizzle-orm', message: 'Only store knows tables.' }],
    },
    {
        files: ['src/routes/**/*.{ts,svelte}'],
        patterns: [
            {
                regex: '/server/(?:crawl|process|jobs|open)/|^undici',
                message: 'routes call app, access, store and export only.',
            },
            DATABASE,
        ],
    },
    { files: ['cli/**/*.ts', 'demo/**/*.ts'], ignores: ['**/*.test.ts'], patterns: [DATABASE, SVELTEKIT, UI] },
];

/** What a variable or a property is called that holds a sentence for people. */
const SENTENCE = '/^(say|message|note|failure|trouble|reason|why|typeNote|bodyTrouble|noindexReason|robotsRule)$/';
const NO_PROSE = 'Nothing branches on a sentence: give it a code (core/problems/problem.ts).';
const SAYS = [`MemberExpression[property.name=${SENTENCE}]`, `Identifier[name=${SENTENCE}]`];
/** Looking into a sentence: by a pattern, by a part of it, by comparing it with another than the empty one. */
const PROSE = SAYS.flatMap((says) => [
    `CallExpression[callee.property.name=/^(test|exec)$/] > ${says}.arguments`,
    `CallExpression > MemberExpression.callee[property.name=/^(match|matchAll|includes|startsWith|endsWith|search|indexOf)$/] > ${says}.object`,
    `BinaryExpression[operator=/^[!=]==$/][right.type='Literal'][right.value=/ /] > ${says}.left`,
]);

export { CORE_FOLDERS };

export default ts.config(
    { ignores: ['node_modules/', 'build/', '.svelte-kit/', '.edgemap/', 'src/lib/server/store/migrations/'] },
    ...ts.configs.strict,
    ...svelte.configs.recommended,
    {
        files: ['**/*.svelte', '**/*.svelte.ts'],
        languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
    },
    {
        rules: {
            '@typescript-eslint/no-explicit-any': 'error',
            // Typed arrays are read in loops whose bounds are known; the alternative hides the loop.
            '@typescript-eslint/no-non-null-assertion': 'off',
            '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
            eqeqeq: ['error', 'always', { null: 'ignore' }],
        },
    },
    {
        files: ['**/*.svelte'],
        rules: {
            'svelte/no-at-html-tags': 'error',
            // Addresses are made from the route's own parts; there is no base path to resolve.
            'svelte/no-navigation-without-resolve': 'off',
        },
    },
    // A page arranges panes, a component has one subject: either is read in a minute.
    { files: ['src/lib/ui/**/*.svelte'], rules: { 'max-lines': ['error', 260] } },
    { files: ['src/routes/**/*.svelte'], rules: { 'max-lines': ['error', 110] } },
    // The frame around every view holds its links, its keys and its worker together.
    { files: ['src/routes/sites/?site?/?survey?/+layout.svelte'], rules: { 'max-lines': ['error', 200] } },
    {
        files: ['src/routes/**/*.svelte', 'src/lib/ui/**/*.{ts,svelte}'],
        rules: {
            'no-restricted-globals': [
                'error',
                { name: 'fetch', message: 'Pages ask by wire/client.ts: refusals are worded once.' },
            ],
        },
    },
    {
        files: ['src/**/*.{ts,svelte}', 'cli/**/*.ts', 'demo/**/*.ts'],
        ignores: ['**/*.test.ts'],
        rules: { 'no-restricted-syntax': ['error', ...PROSE.map((selector) => ({ selector, message: NO_PROSE }))] },
    },
    ...WALLS.map(({ files, ignores = [], patterns }) => ({
        files,
        ignores,
        rules: { 'no-restricted-imports': ['error', { patterns }] },
    })),
);
