// A bar of the year is dragged: how long until the row of what visitors see follows, and until the view of the day does
// once it is dropped, against a whole load of that page in a window of its own.
//   node bench/browser/banners.mjs [http://127.0.0.1:5380]   a server with the demo
import '../../tests/browser/origin.mjs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromiumHere } from '../../tests/browser/browser.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const { chromium } = createRequire(join(root, 'tests/browser/package.json'))('@playwright/test');
const [url = 'http://127.0.0.1:5380'] = process.argv.slice(2);
const browser = await chromium.launch(chromiumHere);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const at = (list, share) => list.toSorted((a, b) => a - b)[Math.floor(list.length * share)];

await page.goto(`${url}/banners?day=2026-06-20&banner=summer-sands`);
await page.frameLocator('iframe[title$="desktop"]').locator('.banner').waitFor();
await page.waitForTimeout(1500);
const bar = await page.locator('[data-bar="Summer on the sands"]').boundingBox();
const [x, y] = [bar.x + 40, bar.y + bar.height / 2];
/** Runs from when a key or the pointer is told of to when what it changes is painted. */
const watch = (what) =>
  page.evaluate((what) => {
    const changed = (node, then, deep = true) =>
      new MutationObserver(then).observe(node, { childList: true, subtree: deep, attributes: deep });
    window[what] = [];
    let begun = 0;
    addEventListener(what === 'row' ? 'pointermove' : 'pointerup', () => (begun = performance.now()), true);
    const done = () => {
      if (!begun) return;
      const from = begun;
      begun = 0;
      requestAnimationFrame(() => setTimeout(() => window[what].push(performance.now() - from)));
    };
    if (what === 'row') changed(document.querySelector('[role=list][aria-label="What visitors see"]'), done);
    else
      changed(
        document.querySelector('iframe[title$="desktop"]').contentDocument.querySelector('main').parentElement,
        done,
        false,
      );
  }, what);
await watch('row');
await page.mouse.move(x, y);
await page.mouse.down();
for (let i = 1; i <= 60; i++) {
  await page.mouse.move(x + (i % 30) * 6, y);
  await page.waitForTimeout(60);
}
const row = await page.evaluate(() => window.row);
await page.mouse.up();
await page.waitForTimeout(1500);
await watch('view');
for (let i = 0; i < 20; i++) {
  const now = await page.locator('[data-bar="Summer on the sands"]').boundingBox();
  // Over the day that is shown, and away from it.
  const by = i % 2 === 0 ? -200 : 200;
  await page.mouse.move(now.x + 30, now.y + 8);
  await page.mouse.down();
  await page.mouse.move(now.x + 30 + by, now.y + 8, { steps: 4 });
  await page.mouse.up();
  await page.waitForTimeout(900);
}
const view = await page.evaluate(() => window.view);
const other = await browser.newPage();
const loads = [];
for (let i = 0; i < 10; i++) {
  const begun = performance.now();
  await other.goto(`${url}/proof/home?desk&day=2026-06-20`);
  loads.push(performance.now() - begun);
}
const said = (list) => `${at(list, 0.5).toFixed(0)} ms (95 % within ${at(list, 0.95).toFixed(0)} of ${list.length})`;
const ratio = (at(view, 0.5) / at(loads, 0.5)).toFixed(1);
console.log(`Banners: what visitors see follows a drag after ${said(row)}; the day's view, once it is dropped, after`);
console.log(`  ${said(view)}; a load of the page ${at(loads, 0.5).toFixed(0)} ms: ${ratio} times that`);
await browser.close();
