import { spawn, spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoFile, dropFiles, expect, makePage, openDesk, passesAxe, takeIn, test, text } from './dekoro';
import { freePort, root, serve } from './server';

for (const theme of ['paper', 'lamp']) {
  test(`The tool passes axe and says nothing on the console, ${theme} theme${theme === 'lamp' ? ' @long' : ''}`, async ({
    page,
    demoUrl,
  }) => {
    const said: string[] = [];
    page.on('console', (message) => ['error', 'warning'].includes(message.type()) && said.push(message.text()));
    page.on('pageerror', (error) => said.push(error.message));
    await page.addInitScript((now) => localStorage.setItem('theme', now), theme);
    const check = (where: string) => passesAxe(page, where);
    await page.goto(demoUrl);
    await expect(page.getByRole('article').nth(7)).toBeVisible();
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
    for (const group of ['Shape and cut', 'Words', 'Link'])
      await page.getByRole('button', { name: new RegExp(`^${group}`) }).click();
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

test('The library finds pictures by words and their beginnings, and knows a file it has', async ({
  page,
  demoUrl,
  own,
}) => {
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

test('The search line and its switches are one search, with counts', async ({ page, demoUrl }) => {
  await page.goto(`${demoUrl}/library`);
  const search = page.getByRole('searchbox', { name: 'Search the library' });
  const mend = page.getByRole('group', { name: 'Mend' });
  await mend.getByRole('button', { name: 'no title 3' }).click();
  await expect(search).toHaveValue('no-title ');
  await expect(page.getByText('3 pictures', { exact: true })).toBeVisible();
  await search.fill('no-title shape:wide kite-colour:red');
  await expect(page.getByRole('group', { name: 'Shape' }).getByRole('button', { name: /^wide/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await search.fill('lantern wider:much');
  await expect(page.getByText('wider: takes a number of px, as in wider:1600.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Lantern kites at dusk/ })).toBeVisible();
});

test('Looking through a place draws every picture in its cut, best first, and swapping a soft one starts from there', async ({
  page,
  own,
}) => {
  const files = await takeIn(own.url, [
    'serpent-small.jpg',
    'two-lanterns.jpg',
    'line-reel.jpg',
    'windle-sands-june-morning.jpg',
    'first-flight-year-four.jpg',
  ]);
  await page.goto(`${own.url}/library`);
  await page.getByLabel('Look through').selectOption('edge to edge');
  await page.getByLabel('Shape of the place').selectOption('16:9');
  const cells = page.getByRole('listitem');
  await expect(cells.first()).toContainText('sharp');
  const ranks = await cells.evaluateAll((all) =>
    all.map((cell) =>
      Math.max(
        ...[...cell.querySelectorAll<HTMLElement>('.dk-fit')].map((fit) =>
          ['sharp', 'soft', 'coarse'].indexOf(fit.dataset.fit!),
        ),
      ),
    ),
  );
  expect(ranks).toEqual([...ranks].sort());
  expect(new Set(ranks).size).toBeGreaterThan(1);
  const shapes = await cells
    .locator('img')
    .evaluateAll((all) =>
      all.map((image) => image.getBoundingClientRect().width / image.getBoundingClientRect().height),
    );
  for (const shape of shapes) expect(shape).toBeCloseTo(16 / 9, 1);

  // On a page: the soft one is noticed, its cause named, and another chosen through its place.
  const id = await makePage(own.url, 'Serpent', [
    { type: 'figure', attrs: { id: 'f', asset: files[0]!.id, size: 'wide', shape: '3:2' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('figure').click();
  const sheet = page.getByRole('complementary', { name: 'Sheet' });
  await expect(sheet).toContainText('The file is 480 px wide');
  await sheet.getByRole('button', { name: 'Change the picture' }).click();
  const drawer = page.getByRole('region', { name: 'Library' });
  const best = drawer
    .getByRole('button')
    .filter({ has: page.locator('img') })
    .first();
  await expect(best).toContainText('sharp');
  expect(
    await best
      .locator('img')
      .evaluate((image) => image.getBoundingClientRect().width / image.getBoundingClientRect().height),
  ).toBeCloseTo(1.5, 1);
  await best.click();
  await expect(sheet.getByRole('region', { name: 'Fit at each width' }).locator('.dk-fit[data-fit=sharp]')).toHaveCount(
    3,
  );
});

test('A words round names ten pictures without a mouse', async ({ page, own }) => {
  const names = [
    'IMG_2291.jpg',
    'DSC_0457.jpg',
    'P1040223.jpg',
    'line-reel.jpg',
    'two-lanterns.jpg',
    'serpent-small.jpg',
    'bunting.svg',
    'tail-in-the-wind.gif',
    'kite-cut-out.png',
    'bridle-knots.avif',
  ];
  const taken = await takeIn(own.url, names);
  await makePage(own.url, 'Reels', [
    text('Wound in the workshop, each by its maker.'),
    { type: 'figure', attrs: { asset: taken[3]!.id } },
  ]);
  await page.goto(`${own.url}/library`);
  await expect(page.getByText('10 pictures', { exact: true })).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search the library' }).focus();
  await page.keyboard.type('no-alt');
  await expect(page.getByRole('button', { name: /^no alt 10/ })).toHaveAttribute('aria-pressed', 'true');
  const roundButton = page.getByRole('button', { name: 'Words round' });
  for (let i = 0; i < 16 && !(await roundButton.evaluate((button) => button === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await expect(roundButton).toBeFocused();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Words round' });
  for (let i = 1; i <= 10; i++) {
    await expect(dialog.getByText(`${i} of 10`)).toBeVisible();
    // Where a picture stands, the words beside it help to say what it shows; newest first, the fourth of ten is the
    // seventh.
    if (i === 7) await expect(dialog.getByText('“Wound in the workshop, each by its maker.”')).toBeVisible();
    // The round begins at what is to be mended: a title that is only the camera's, else the alt text.
    await expect(dialog.locator('input:focus, textarea:focus')).toBeVisible();
    if (await dialog.getByLabel('Title').evaluate((field) => field === document.activeElement)) {
      expect(await dialog.getByLabel('Title').inputValue()).toMatch(/^(IMG|DSC|P1)/);
      await page.keyboard.type(`Kite ${i}`);
      await page.keyboard.press('Tab');
    }
    await expect(dialog.getByLabel('Alt text')).toBeFocused();
    await page.keyboard.type(`What picture ${i} shows`);
    await page.keyboard.press('Control+Enter');
  }
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^no alt 0/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^no title 0/ })).toBeVisible();
  const items = ((await (await fetch(`${own.url}/api/files`)).json()) as { items: { words: { alt: string } }[] }).items;
  expect(items.map((item) => item.words.alt).sort()).toEqual(
    Array.from({ length: 10 }, (_, i) => `What picture ${i + 1} shows`).sort(),
  );
});

test('A swap changes three pages at once, shows before and after, and can be put back', async ({ page, own }) => {
  const [reel, lanterns] = await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg']);
  const figure = (alt: string | null = null) => ({
    type: 'figure',
    attrs: { asset: reel!.id, size: 'wide', shape: '3:2', alt },
  });
  const pages = [
    await makePage(own.url, 'One', [figure('A reel, here only')]),
    await makePage(own.url, 'Two', [figure()]),
    await makePage(own.url, 'Three', [figure(), figure()]),
  ];
  const assets = async () =>
    (
      await Promise.all(
        pages.map(
          async (id) =>
            (
              (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as {
                document: { content: { attrs: { asset: string; alt: string | null } }[] };
              }
            ).document.content,
        ),
      )
    )
      .flat()
      .map((node) => node.attrs);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^Line reel/ }).click();
  await page.getByRole('button', { name: 'Swap everywhere' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Two lanterns' }).click();
  await expect(dialog.getByRole('row')).toHaveCount(5);
  await expect(dialog.getByRole('row').nth(1)).toContainText('coarse');
  await dialog.getByRole('button', { name: 'Swap in 4 places' }).click();
  await expect(dialog.getByText('“Two lanterns” stands in 4 places on 3 pages now')).toBeVisible();
  expect((await assets()).every((one) => one.asset === lanterns!.id && one.alt === null)).toBe(true);
  await expect(page.getByText('3 changes')).toBeVisible();
  await dialog.getByRole('button', { name: 'Restore' }).click();
  await expect(dialog.getByText('All is as it was')).toBeVisible();
  expect((await assets()).map((one) => one.asset)).toEqual(Array(4).fill(reel!.id));
  expect((await assets())[0]!.alt).toBe('A reel, here only');
});

test('The contact sheet shows true shapes in flush rows, 24 px apart, and arrow keys walk it', async ({
  page,
  demoUrl,
}) => {
  await page.goto(`${demoUrl}/library`);
  const images = page.getByRole('listitem').locator('img');
  await expect(images.first()).toBeVisible();
  const boxes = await images.evaluateAll((all) =>
    all.map((image) => ({
      ...image.getBoundingClientRect().toJSON(),
      natural: (image as HTMLImageElement).naturalWidth / (image as HTMLImageElement).naturalHeight,
    })),
  );
  for (const box of boxes.filter((one) => one.natural))
    expect(Math.abs(box.width / box.height / box.natural - 1)).toBeLessThan(0.02);
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
  const port = String(await freePort());
  const start = () =>
    spawn(join(root, 'start'), ['--port', port, '--data', data, '--empty'], {
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
  expect(spawnSync(join(root, 'tools/build')).status).toBe(0);
  const began = Date.now();
  const child = start();
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part));
  await expect.poll(() => said, { intervals: [50] }).toContain(`Dekoro is ready at http://127.0.0.1:${port}`);
  const seconds = (Date.now() - began) / 1000;
  console.log(`Second start: ready after ${seconds.toFixed(1)} s`);
  expect(said.trim().split('\n')).toHaveLength(1);
  expect(await (await fetch(`http://127.0.0.1:${port}/health`)).json()).toMatchObject({ status: 'ok' });
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  process.kill(-child.pid!, 'SIGINT');
  expect(await ended).toBe(0);
  rmSync(data, { recursive: true });
});

test('On the command line a folder is imported and the site written into another, the second time nothing anew', async () => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(join(tmpdir(), 'dekoro-cli-'));
  const run = (...args: string[]) =>
    spawnSync('dotnet', [join(root, 'build/server/Dekoro.Server.dll'), ...args, '--data', join(folder, 'data')], {
      encoding: 'utf8',
    });
  mkdirSync(join(folder, 'pictures/Reels'), { recursive: true });
  copyFileSync(demoFile('line-reel.jpg'), join(folder, 'pictures/Reels/line-reel.jpg'));
  writeFileSync(join(folder, 'pictures/broken.jpg'), 'no picture');
  const imported = run('import', join(folder, 'pictures'));
  expect(imported.stdout + imported.stderr).toContain('The content of this file is not a picture');
  const server = await serve({ data: join(folder, 'data'), keep: true });
  const [reel] = (
    (await (await fetch(`${server.url}/api/files`)).json()) as { items: { id: string; words: { folder: string } }[] }
  ).items;
  expect(reel!.words.folder).toBe('Reels');
  await makePage(server.url, 'Reels', [{ type: 'figure', attrs: { asset: reel!.id } }]);
  // One data folder serves one process at a time, and says so.
  expect(run('publish', '--out', join(folder, 'out')).stderr).toContain('is in use by another Dekoro');
  await server.stop();
  expect(run('publish', '--out', join(folder, 'out')).stdout).toMatch(/^\d+ files in /);
  expect(readFileSync(join(folder, 'out/index.html'), 'utf8')).toContain('srcset="./media/');
  expect(run('publish', '--out', join(folder, 'out')).stdout).toContain(', 0 of them written now.');
  rmSync(folder, { recursive: true });
});

test('Help and keys stand on ?, Ctrl+K finds and does everything from anywhere, and single letters can be switched off', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'Home', [text('Here.')]);
  const frame = await openDesk(page, own.url, id);
  const library = page.getByRole('button', { name: /^Library L/ });
  // Nothing is chosen, and whoever types now may mean the page: no letter acts, until something of the tool has the
  // focus.
  await page.keyboard.press('l');
  await page.keyboard.press('Tab');
  await expect(library).toHaveAttribute('aria-expanded', 'false');
  await page.keyboard.press('l');
  await expect(library).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Help' });
  await expect(help.getByRole('img', { name: 'How The desk is laid out' })).toBeVisible();
  await expect(help).toContainText('picture room');
  await passesAxe(page, 'the keys');
  await page.getByLabel('Single letters and signs act as keys, where no text is being written').uncheck();
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(library).toHaveAttribute('aria-expanded', 'false');
  // In the text ? and l are a sign and a letter in any case, and Ctrl+K searches still.
  await frame.getByText('Here.').click();
  await page.keyboard.press('End');
  await page.keyboard.type(' All well?');
  await expect(frame.getByText('Here. All well?')).toBeVisible();
  await page.keyboard.press('Control+k');
  const line = page.getByRole('combobox', { name: 'Find or do anything' });
  await expect(line).toBeFocused();
  await passesAxe(page, 'the line that finds everything');
  // What the desk can do, done without its key; then a page by a part of its name.
  await page.keyboard.type('phone width');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Width of the page in px')).toHaveValue('390');
  await page.goto(own.url);
  await page.getByRole('button', { name: 'Help and keys' }).click();
  await page.getByLabel('Single letters and signs act as keys, where no text is being written').check();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Control+k');
  await expect(line).toBeFocused();
  await page.keyboard.type('hom');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/pages\/[0-9a-f]+$/);
});
