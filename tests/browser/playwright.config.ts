import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  outputDir: 'out/results',
  fullyParallel: false,
  // One file of tests after another on each of two processors; every test that changes anything has a server of its own.
  workers: 2,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  globalSetup: './setup.ts',
  reporter: [['list'], ['json', { outputFile: 'out/report.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-gpu-rasterization', '--disable-software-rasterizer', '--disable-background-networking'],
    },
  },
});
