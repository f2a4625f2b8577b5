import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
    { ignores: ['resources/js/generated', 'vendor', 'public', 'node_modules', 'e2e/results'] },
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
    {
        files: ['resources/js/pages/**'],
        rules: {
            'no-restricted-imports': [
                'error',
                { patterns: [{ group: ['@/pages/*', './*.svelte'], message: 'A page imports no page.' }] },
            ],
        },
    },
);
