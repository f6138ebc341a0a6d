import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** What of the client is pure is tried without a browser; the rest is driven by hands in tests/browser. */
export default defineConfig({
  resolve: { alias: { $lib: fileURLToPath(new URL('src/lib', import.meta.url)) } },
  test: { include: ['src/**/*.test.ts'], environment: 'node', reporters: ['default'] },
});
