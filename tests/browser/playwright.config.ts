import { defineConfig } from '@playwright/test';
import { chromiumHere } from './browser.mjs';

export default defineConfig({
  testDir: '.',
  outputDir: 'out/results',
  fullyParallel: false,
  // What takes long and seldom changes is drawn by ./test --all alone.
  grepInvert: process.env.DEKORO_ALL ? undefined : /@long/,
  // One file of tests after another on each of two processors; every test that changes anything has a server of its
  // own.
  workers: 2,
  timeout: 180_000,
  // Whatever a slow machine takes: how long things take is measured in bench/, not here.
  expect: { timeout: 40_000 },
  globalSetup: './setup.ts',
  reporter: [['list'], ['json', { outputFile: 'out/report.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: chromiumHere,
  },
});
