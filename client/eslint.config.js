import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
  ts.configs.recommended,
  svelte.configs.recommended,
  { languageOptions: { globals: globals.browser } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } },
    // Every address here is of our own making, below the root the tool is served from.
    rules: { 'svelte/no-navigation-without-resolve': 'off' },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.svelte'],
    rules: {
      'max-lines': ['error', { max: 250, skipBlankLines: true, skipComments: true }],
      // Optional chains count here, which they do not in C#.
      complexity: ['error', 20],
    },
  },
  { ignores: ['.svelte-kit/', 'build/', 'src/lib/api/schema.ts', '*.cjs'] },
);
