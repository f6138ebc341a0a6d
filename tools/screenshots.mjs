#!/usr/bin/env node
// Renews docs/screenshots from the demo site: each main view in both themes, 1280 × 800.
//   tools/screenshots.mjs http://127.0.0.1:5380 [view …]
import '../tests/browser/origin.mjs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromiumHere } from '../tests/browser/browser.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const { chromium } = createRequire(join(root, 'tests/browser/package.json'))('@playwright/test');
const [url = 'http://127.0.0.1:5380', ...named] = process.argv.slice(2);
const browser = await chromium.launch(chromiumHere);

const views = {
  pages: { path: '/', only: 'paper' },
  site: { path: '/site', only: 'paper', then: (page) => page.getByRole('button', { name: /^Colours/ }).click() },
  library: {
    path: '/library',
    only: 'paper',
    then: (page) => page.getByRole('button', { name: /^Windle Sands/ }).click(),
  },
  through: {
    path: '/library',
    only: 'paper',
    then: async (page) => {
      await page.getByLabel('Look through').selectOption('edge to edge');
      await page.getByLabel('Shape of the place').selectOption('16:9');
    },
  },
  list: {
    path: '/library?list',
    only: 'paper',
    then: (page) => page.getByRole('button', { name: 'More', exact: true }).click(),
  },
  arrangement: {
    path: '/arrangements/kites-of-the-hall',
    only: 'paper',
    then: (page) => page.getByRole('button', { name: /^4: / }).click(),
  },
  banners: { path: '/banners?day=2026-08-07&banner=lantern-night', only: 'paper' },
  shelf: {
    path: '/library/shelf',
    only: 'paper',
    then: (page) => page.getByRole('button', { name: 'Stars', exact: true }).click(),
  },
  mail: {
    path: '/library/in',
    only: 'paper',
    then: async (page) => {
      await page.getByRole('button', { name: /^Sixty-one lanterns/ }).click();
      await page.waitForURL(/\/in\/\w/);
    },
  },
  round: {
    path: '/library',
    only: 'paper',
    then: async (page) => {
      await page.getByRole('searchbox', { name: 'Search the library' }).fill('no-alt');
      await page.getByText(/^\d+ pictures$/).waitFor();
      await page.waitForTimeout(800);
      await page.getByRole('button', { name: 'Words round' }).click();
    },
  },
  archive: {
    only: 'paper',
    path: '/pages/home',
    then: async (page) => {
      await page.getByRole('button', { name: /^Library L/ }).click();
      await page.getByRole('button', { name: 'the archive', exact: true }).click();
      const pictures = page.getByRole('list', { name: 'The archive’s pictures' }).getByRole('button');
      await pictures.nth(1).click();
      await pictures.nth(3).click({ modifiers: ['Shift'] });
    },
  },
  desk: { path: '/pages/workshop', then: (_, frame) => frame.locator('figure').nth(1).click() },
  columns: {
    path: '/pages/flying-days',
    only: 'paper',
    then: async (page) => {
      await page.getByRole('link', { name: /cells in columns/ }).click();
      await page.getByRole('button', { name: /^Behind cell 1/ }).click();
    },
  },
  band: {
    path: '/pages/lantern-night',
    only: 'paper',
    then: (page) => page.getByRole('link', { name: /^Band/ }).click(),
  },
  proofs: {
    path: '/pages/lantern-night/proofs',
    only: 'paper',
    then: (page) => page.getByRole('switch', { name: 'fit of the pictures' }).check(),
  },
  exception: {
    path: '/pages/workshop',
    only: 'paper',
    then: async (page, frame) => {
      await frame.locator('figure').first().click();
      await page.getByRole('button', { name: /^Place/ }).click();
      await page.getByRole('button', { name: /^Exceptions at a width/ }).click();
      await page.getByRole('button', { name: 'Set for phone' }).click();
      await page.getByRole('group', { name: 'Shape on phone' }).scrollIntoViewIfNeeded();
    },
  },
  drawer: {
    path: '/pages/home',
    only: 'paper',
    then: async (page, frame) => {
      await frame.locator('[contenteditable=true] p').first().click();
      await page.getByRole('button', { name: /^Library L/ }).click();
    },
  },
  room: {
    path: '/library',
    // It is lit by the lamp whatever the theme.
    only: 'lamp',
    then: async (page) => {
      await page.getByRole('searchbox', { name: 'Search the library' }).fill('delta dunes');
      await page.getByRole('button', { name: /^Delta over the dunes/ }).click();
      await page.keyboard.press('f');
      await page.getByRole('slider', { name: 'Straighten' }).fill('1.5');
      await page.getByRole('slider', { name: 'Light' }).fill('12');
      await page.getByText(', saved ').waitFor();
      await page
        .getByRole('region', { name: 'Versions' })
        .getByRole('button', { name: /^Straightened/ })
        .waitFor();
    },
  },
};
for (const theme of ['paper', 'lamp']) {
  for (const [name, view] of Object.entries(views)) {
    if ((view.only && view.only !== theme) || (named.length > 0 && !named.includes(name))) continue;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript((now) => localStorage.setItem('theme', now), theme);
    await page.goto(url + view.path);
    await page.waitForTimeout(3000);
    await view.then?.(page, page.frameLocator('iframe[title^="The page at"]'));
    await page.waitForTimeout(2500);
    await page.screenshot({ path: join(root, `docs/screenshots/${name}-${theme}.png`) });
    await page.close();
  }
}
await browser.close();
