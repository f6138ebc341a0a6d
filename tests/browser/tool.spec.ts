import AxeBuilder from '@axe-core/playwright';
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { dropFiles, expect, takeIn, test } from './dekoro';
import { root } from './server';

for (const theme of ['paper', 'lamp']) {
  test(`The tool passes axe and says nothing on the console, ${theme} theme`, async ({ page, demoUrl }) => {
    const said: string[] = [];
    page.on('console', (message) => ['error', 'warning'].includes(message.type()) && said.push(message.text()));
    page.on('pageerror', (error) => said.push(error.message));
    await page.addInitScript((now) => localStorage.setItem('theme', now), theme);
    const check = async (where: string) => {
      const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).exclude('iframe').analyze();
      expect(violations.map((v) => `${where}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
    };
    await page.goto(demoUrl);
    await expect(page.getByRole('article')).toHaveCount(5);
    await check('pages');
    await page.goto(`${demoUrl}/library`);
    await page.getByRole('searchbox', { name: 'Search the library' }).fill('delta dunes');
    await page.getByRole('button', { name: /^Delta over the dunes/ }).click();
    await expect(page.getByLabel('Alt text')).toHaveValue(/delta kite/);
    await check('library');
    await page.goto(`${demoUrl}/pages/workshop`);
    const frame = page.frameLocator('iframe[title^="The page at"]');
    await expect(frame.locator('figure img').first()).toBeVisible();
    await check('desk, the page');
    await frame.locator('figure').nth(1).click();
    for (const group of ['Shape and cut', 'Words', 'Link']) await page.getByRole('button', { name: new RegExp(`^${group}`) }).click();
    await expect(page.getByRole('slider', { name: /Keep area/ })).toBeVisible();
    await check('desk, a picture');
    await page.getByRole('button', { name: /^Library L/ }).click();
    await frame.locator('p').first().click();
    await expect(page.getByRole('group', { name: 'Kind of text' })).toBeVisible();
    await check('desk, text and drawer');
    await page.getByRole('button', { name: 'Publish', exact: true }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await check('publish');
    expect(said).toEqual([]);
  });
}

test('The library finds pictures by words and their beginnings, and knows a file it has', async ({ page, demoUrl, own }) => {
  await page.goto(`${demoUrl}/library`);
  const search = page.getByRole('searchbox', { name: 'Search the library' });
  await search.fill('lant');
  await expect(page.getByRole('button', { name: /^Lantern kites at dusk/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Line reel/ })).toHaveCount(0);
  await search.fill('zeppelin');
  await expect(page.getByText('No picture answers to “zeppelin”.')).toBeVisible();

  await takeIn(own.url, ['line-reel.jpg']);
  await page.goto(`${own.url}/library`);
  await dropFiles(page, page.getByRole('region', { name: 'Library' }), ['line-reel.jpg']);
  await expect(page.getByText('was in the library already')).toBeVisible();
  await expect(page.getByText('1 picture', { exact: true })).toBeVisible();
});

test('The contact sheet shows true shapes in flush rows, 24 px apart, and arrow keys walk it', async ({ page, demoUrl }) => {
  await page.goto(`${demoUrl}/library`);
  const images = page.getByRole('listitem').locator('img');
  await expect(images.first()).toBeVisible();
  const boxes = await images.evaluateAll((all) => all.map((image) => ({ ...image.getBoundingClientRect().toJSON(), natural: (image as HTMLImageElement).naturalWidth / (image as HTMLImageElement).naturalHeight })));
  for (const box of boxes.filter((one) => one.natural)) expect(Math.abs(box.width / box.height / box.natural - 1)).toBeLessThan(0.02);
  const row = boxes.filter((box) => Math.abs(box.y - boxes[0]!.y) < 2);
  for (let i = 1; i < row.length; i++) expect(row[i]!.x - row[i - 1]!.x - row[i - 1]!.width).toBeCloseTo(24, 0);
  expect(row.at(-1)!.x + row.at(-1)!.width).toBeCloseTo(1260, 0);
  const buttons = page.getByRole('listitem').getByRole('button');
  await buttons.first().click();
  await page.keyboard.press('ArrowRight');
  await expect(buttons.nth(1)).toBeFocused();
  await expect(buttons.nth(1)).toHaveAttribute('aria-pressed', 'true');
});

test('A second start builds nothing, is ready within three seconds, and Ctrl+C ends it', async () => {
  const data = mkdtempSync(join(tmpdir(), 'dekoro-start-'));
  const start = () => spawn(join(root, 'start'), ['--port', '5377', '--data', data, '--empty'], { detached: true, stdio: ['ignore', 'pipe', 'pipe'] });
  expect(spawnSync(join(root, 'tools/build')).status).toBe(0);
  const began = Date.now();
  const child = start();
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part));
  await expect.poll(() => said, { intervals: [50] }).toContain('Dekoro is ready at http://127.0.0.1:5377');
  const seconds = (Date.now() - began) / 1000;
  console.log(`Second start: ready after ${seconds.toFixed(1)} s`);
  expect(said.trim().split('\n')).toHaveLength(1);
  expect(await (await fetch('http://127.0.0.1:5377/health')).json()).toMatchObject({ status: 'ok' });
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  process.kill(-child.pid!, 'SIGINT');
  expect(await ended).toBe(0);
  rmSync(data, { recursive: true });
});
