import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** What of the client is pure is tried without a browser; the rest is driven by hands in tests/browser. */
export default defineConfig({
  resolve: {
    alias: {
      $lib: fileURLToPath(new URL('src/lib', import.meta.url)),
      // What it hands on from there; its own components need a compiler.
      '@tanstack/svelte-query': '@tanstack/query-core',
    },
  },
  test: { include: ['src/**/*.test.ts'], environment: 'node', reporters: ['default'] },
});
