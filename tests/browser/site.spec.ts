import { expect, makePage, passesAxe, publish, takeIn, test, text } from './dekoro';

test(
  'A change to the whole site shows at once on the page beside it, says which pictures need new files, and ' +
    'goes public by publishing',
  async ({ page, own }) => {
    const [reel] = (await takeIn(own.url, ['museum-door.jpg'])).map((file) => file.id!);
    const id = await makePage(own.url, 'Doors', [
      text('Before the door.'),
      { type: 'figure', attrs: { id: 'pic', asset: reel, size: 'column' } },
    ]);
    await publish(own.url);
    await page.goto(own.url);
    await page.getByRole('banner').getByRole('link', { name: 'New site' }).click();
    const site = page.getByRole('complementary', { name: 'Site' });
    const shown = page.frameLocator('iframe[title^="Doors at"]');
    // Asked again where the page is just being drawn anew.
    const pictureWidth = () =>
      shown
        .locator('figure img')
        .evaluate((image) => image.getBoundingClientRect().width, undefined, { timeout: 5000 })
        .catch(() => 0);
    await expect.poll(pictureWidth).toBe(720);
    const status = page.getByRole('status').filter({ hasText: 'new file' });
    await expect(status).toHaveText('No picture needs new files');

    await site.getByLabel('Column of text').fill('610');
    await site.getByLabel('Column of text').press('Enter');
    await expect.poll(pictureWidth).toBe(610);
    await expect(status).toHaveText(/^1 picture needs \d+ new files, made on publishing$/);
    await expect(page.getByRole('banner')).toContainText('1 change');
    expect(await (await fetch(`${own.url}/live/assets/site.css`)).text()).toContain('720px');

    // Another typeface comes at once, by its own file, and is taken back like anything else.
    await site.getByRole('button', { name: /^Type/ }).click();
    const typeface = site.getByLabel('Typeface');
    const face = () =>
      shown
        .locator('p')
        .first()
        .evaluate((one) => getComputedStyle(one).fontFamily, undefined, { timeout: 5000 })
        .catch(() => '');
    await typeface.selectOption('Figtree, round');
    await expect.poll(face).toMatch(/^"Figtree Variable"/);
    await page.keyboard.press('Control+z');
    await expect.poll(face).toMatch(/^"Newsreader Variable"/);
    await typeface.selectOption('Source Sans, plain');
    await expect.poll(face).toMatch(/^"Source Sans 3 Variable"/);

    await page.getByRole('button', { name: 'phone', exact: true }).click();
    await expect(page.locator('iframe[title="Doors at 390 px"]')).toBeVisible();
    await site.getByRole('button', { name: /^Colours/ }).click();
    await site.getByLabel('links').fill('#c0b8a0');
    await expect(site.getByRole('table', { name: 'Contrast' })).toContainText(/links on paper\s*1\.\d : 1\s*needs 4.5/);
    await page.keyboard.press('Control+z');
    await expect(site.getByRole('button', { name: /^Colours/ })).toContainText('all readable');
    await passesAxe(page, 'site');

    await publish(own.url);
    await page.reload();
    await expect(status).toHaveText('No picture needs new files');
    const css = await (await fetch(`${own.url}/live/assets/site.css`)).text();
    expect(css).toContain('610px');
    expect(css).not.toContain('720px');
    expect(css).toContain('source-sans-3-latin-wght-normal.woff2');
    const fonts = ['source-sans-3', 'newsreader'].map((name) =>
      fetch(`${own.url}/live/assets/${name}-latin-wght-normal.woff2`),
    );
    expect((await Promise.all(fonts)).map((answer) => answer.status)).toEqual([200, 404]);
    // The desk of the page goes by it too.
    await page.goto(`${own.url}/pages/${id}`);
    const onDesk = page.frameLocator('iframe[title^="The page at"]').locator('figure img');
    await expect
      .poll(() =>
        onDesk.evaluate((image) => image.getBoundingClientRect().width, undefined, { timeout: 5000 }).catch(() => 0),
      )
      .toBe(610);
  },
);

test(
  'By keys alone: classes that cross are refused in a sentence, what was typed stays, undo goes back, and ' +
    'another window is not written over',
  async ({ page, own, context }) => {
    await makePage(own.url, 'Doors', [text('Before the door.')]);
    await page.goto(`${own.url}/site`);
    const desktop = page.getByLabel('Desktops begin at');
    await desktop.focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('650');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('alert')).toHaveText(
      'Desktops begin after tablets: wider than 700 px, and at 2560 px at most.',
    );
    await expect(desktop).toHaveValue('650');
    await expect(desktop).toHaveAttribute('aria-invalid', 'true');

    // What was refused becomes good with the next change.
    const tablet = page.getByLabel('Tablets begin at');
    await tablet.focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('500');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('alert')).toHaveText('A tablet is looked at between 500 and 649 px.');
    await page.getByLabel('A tablet is looked at in').fill('600');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).focus();
    await page.keyboard.press('Enter');
    await expect(desktop).toHaveValue('1184');
    await page.getByRole('button', { name: 'Redo' }).focus();
    await page.keyboard.press('Enter');
    await expect(desktop).toHaveValue('650');

    const other = await context.newPage();
    await other.goto(`${own.url}/site`);
    await other.getByLabel('Gutter').fill('40');
    await other.getByLabel('Gutter').press('Enter');
    await expect.poll(async () => (await (await fetch(`${own.url}/api/site/style`)).json()).values.gutterPx).toBe(40);
    await page.getByLabel('Gutter').fill('10');
    await page.getByLabel('Gutter').press('Enter');
    await expect(page.getByRole('alert')).toContainText('changed in another window');
    await expect(page.getByLabel('Gutter')).toHaveValue('40');
    // What was set here is not lost: it comes back on top of theirs.
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(page.getByLabel('Gutter')).toHaveValue('10');
    const kept = async () => (await (await fetch(`${own.url}/api/site/style`)).json()).values;
    await expect.poll(async () => (await kept()).gutterPx).toBe(10);
    // Two fields in two windows are both kept.
    await page.getByLabel('Column of text').fill('700');
    await page.getByLabel('Column of text').press('Enter');
    await expect.poll(async () => (await kept()).columnPx).toBe(700);
    await other.getByLabel('Wide', { exact: true }).fill('1100');
    await other.getByLabel('Wide', { exact: true }).press('Enter');
    await expect.poll(async () => (await kept()).widePx).toBe(1100);
    expect((await kept()).columnPx).toBe(700);
  },
);
