// How soon the archive's search shows what it finds among 200 pictures, beside reading the catalogue anew each time.
//   node bench/browser/archive.mjs   (after tools/build)
import { chromiumHere } from '../../tests/browser/browser.mjs';
import { chromium, median, part, serve } from './tools.mjs';

const own = await serve(5391);
const browser = await chromium.launch(chromiumHere);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const told = () => page.locator('body').evaluate((body) => /(\d+) of 200/.exec(body.innerText)?.[0] ?? '');
const opened = performance.now();
await page.goto(`${own.url}/library/archive?address=/standins/archive/collection.json`);
await page.waitForFunction(() => /200 of 200/.test(document.body.innerText), undefined, { polling: 'raf' });
const first = performance.now() - opened;
const field = page.getByRole('searchbox', { name: 'Search the archive' });
const times = [];
for (const words of ['lantern', 'maker:renn', 'red box', 'year:1964', 'silk sun', 'wren', 'material:nylon', 'crane']) {
  await field.fill('');
  await page.waitForFunction(() => /200 of 200/.test(document.body.innerText), undefined, { polling: 'raf' });
  const before = await told();
  const from = performance.now();
  await field.fill(words);
  await page.waitForFunction(
    (was) => !document.body.innerText.includes(was) && /\d+ of 200/.test(document.body.innerText),
    before,
    { polling: 'raf' },
  );
  times.push(performance.now() - from);
}
console.log(
  `Archive of 200: from the last letter to what is found ${median(times).toFixed(0)} ms, 95th ` +
    `${part(times, 0.95).toFixed(0)} ms (wanted 300); opened and read anew ${first.toFixed(0)} ms, ratio ` +
    `${(first / median(times)).toFixed(1)}`,
);
await browser.close();
own.stop();
