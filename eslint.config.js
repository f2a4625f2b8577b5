import { readdirSync } from 'node:fs';
import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

const features = readdirSync('resources/js/features');

/** A folder may not import from these, by their alias or by steps up and down. */
function above(folder, forbidden, message) {
    const group = forbidden.flatMap((one) => [
        one,
        `@/${one}/**`,
        `@/${one}`,
        `../${one}/**`,
        `../../${one}/**`,
        `../../../${one}/**`,
    ]);
    return [
        {
            files: [`resources/js/${folder}/**`],
            rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
        },
    ];
}

export default ts.config(
    { ignores: ['.run', 'storage', 'resources/js/generated', 'vendor', 'public', 'node_modules', 'e2e/results'] },
    js.configs.recommended,
    ...ts.configs.strict,
    ...svelte.configs.recommended,
    { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
    {
        files: ['**/*.svelte', '**/*.svelte.ts'],
        languageOptions: {
            parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig },
        },
    },
    // page → feature → charts, ui → lib: an import may only go down.
    ...above('lib', ['ui', 'charts', 'features', 'pages'], 'lib stands on nothing but the generated types.'),
    ...above('ui', ['charts', 'features', 'pages'], 'ui stands on lib.'),
    ...above('charts', ['ui', 'features', 'pages'], 'Charts stand on lib.'),
    ...above('features', ['pages'], 'A feature stands on charts, ui and lib.'),
    ...above('pages', ['pages', './*.svelte'], 'A page imports no page.'),
    ...features.flatMap((one) =>
        above(
            `features/${one}`,
            [
                'pages',
                ...features.filter((other) => other !== one).flatMap((other) => [`features/${other}`, other]),
            ],
            'Features do not know each other.',
        ),
    ),
);
