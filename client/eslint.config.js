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
  { ignores: ['.svelte-kit/', 'build/', 'src/lib/api/schema.ts'] },
);
