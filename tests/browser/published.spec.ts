import AxeBuilder from '@axe-core/playwright';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, telling, test } from './dekoro';

type PageItem = { id: string; path: string; title: string };
const require = createRequire(import.meta.url);

const published = async (url: string) => (await (await fetch(`${url}/api/pages`)).json()) as PageItem[];
const addressOf = (url: string, page: PageItem) => `${url}/live/${page.path}${page.path ? '/' : ''}`;

test('Published pages say nothing on the console, need no script, and every picture loads', async ({
  browser,
  demoUrl,
}) => {
  for (const javaScriptEnabled of [true, false]) {
    const context = await browser.newContext({ javaScriptEnabled });
    const page = await context.newPage();
    const said: string[] = [];
    const failed: string[] = [];
    page.on('console', (message) => said.push(message.text()));
    page.on('pageerror', (error) => said.push(error.message));
    page.on('response', (response) => response.status() >= 400 && failed.push(response.url()));
    for (const item of javaScriptEnabled ? await published(demoUrl) : telling(await published(demoUrl))) {
      await page.goto(addressOf(demoUrl, item), { waitUntil: 'networkidle' });
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(item.title);
      // Only what moves on request, may be paused, or opens larger brings a script of its own; and nothing is missing
      // without it.
      const wanted = await Promise.all(
        ['[data-player], [data-behind]', '[data-larger]', '[data-stops]'].map(async (one) =>
          Number((await page.locator(one).count()) > 0),
        ),
      );
      await expect(page.locator('script')).toHaveCount(wanted.reduce((sum, one) => sum + one, 0));
      if (!javaScriptEnabled) continue;
      // Scrolled to, every picture is there and drawn at its own proportions.
      const broken = await page.locator('img').evaluateAll(async (images) => {
        const bad = [];
        // Columns that end level are written for each screen on which they differ: those of the others are not drawn.
        for (const image of (images as HTMLImageElement[]).filter(
          (one) => !one.closest('.set-columns') || one.getClientRects().length > 0,
        )) {
          image.scrollIntoView();
          image.loading = 'eager';
          await image.decode().catch(() => {});
          const box = image.getBoundingClientRect();
          const style = getComputedStyle(image);
          // What a look sets round a picture is not the picture.
          const round = 2 * (parseFloat(style.paddingLeft) + parseFloat(style.borderLeftWidth));
          const stretched = ((box.width - round) / (box.height - round)) * (image.naturalHeight / image.naturalWidth);
          if (
            image.naturalWidth === 0 ||
            (style.objectFit !== 'cover' &&
              Math.abs(stretched - 1) > Math.max(0.01, 1.5 / Math.min(box.width, box.height)))
          )
            bad.push(image.outerHTML);
        }
        return bad;
      });
      expect(broken).toEqual([]);
    }
    expect(said).toEqual([]);
    expect(failed).toEqual([]);
    await context.close();
  }
});

test('Published pages pass axe at phone and desktop width', async ({ browser, demoUrl }) => {
  for (const width of [390, 1280]) {
    const context = await browser.newContext({ viewport: { width, height: 800 } });
    const page = await context.newPage();
    for (const item of telling(await published(demoUrl))) {
      await page.goto(addressOf(demoUrl, item));
      const { violations } = await new AxeBuilder({ page })
        .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'])
        .analyze();
      expect(violations.map((v) => `${item.path}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
    }
    await context.close();
  }
});

test('Nothing on a published page moves while it loads and is scrolled', async ({ browser, demoUrl }) => {
  for (const width of [390, 820, 1280]) {
    const context = await browser.newContext({ viewport: { width, height: 800 } });
    const page = await context.newPage();
    await page.addInitScript(() => {
      const shifts: number[] = ((window as unknown as { shifts: number[] }).shifts = []);
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) shifts.push((entry as unknown as { value: number }).value);
      }).observe({ type: 'layout-shift', buffered: true });
    });
    for (const item of telling(await published(demoUrl))) {
      await page.goto(addressOf(demoUrl, item), { waitUntil: 'networkidle' });
      const height = await page.evaluate(() => document.documentElement.scrollHeight);
      for (let y = 0; y < height; y += 600) {
        await page.mouse.wheel(0, 600);
        await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      }
      await page.waitForLoadState('networkidle');
      expect(await page.evaluate(() => (window as unknown as { shifts: number[] }).shifts), item.path).toEqual([]);
    }
    await context.close();
  }
});

test('The written site is valid HTML', async ({ demoUrl }) => {
  const folder = mkdtempSync(join(tmpdir(), 'dekoro-html-'));
  const { writeFileSync } = await import('node:fs');
  const pages = await published(demoUrl);
  for (const [i, item] of pages.entries())
    writeFileSync(join(folder, `${i}.html`), await (await fetch(addressOf(demoUrl, item))).text());
  expect(readdirSync(folder)).toHaveLength(pages.length);
  const jar = require.resolve('vnu-jar/build/dist/vnu.jar');
  let said = '';
  try {
    execFileSync('java', ['-Xss1m', '-jar', jar, '--format', 'text', folder], { stdio: ['ignore', 'ignore', 'pipe'] });
  } catch (error) {
    said = String((error as { stderr: Buffer }).stderr);
  }
  rmSync(folder, { recursive: true });
  expect(said).toBe('');
});

test('The first picture is asked for before anything else and what lies below waits', async ({ browser, demoUrl }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 700 } });
  const page = await context.newPage();
  const pictures: string[] = [];
  page.on('request', (request) => request.resourceType() === 'image' && pictures.push(request.url()));
  await page.goto(`${demoUrl}/live/`, { waitUntil: 'networkidle' });
  const first = await page.locator('img[fetchpriority=high]').evaluate((image: HTMLImageElement) => image.currentSrc);
  expect(pictures[0]).toBe(first);
  expect(new Set(pictures).size, 'no picture twice').toBe(pictures.length);
  const waiting = await page.locator('img[loading=lazy]').count();
  expect(waiting).toBeGreaterThan(0);
  await context.close();
});
