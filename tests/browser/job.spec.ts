import { dropFiles, expect, test } from './dekoro';

test('An editor takes files from a disk to a published page with both pictures at the right place', async ({
  page,
  own,
  context,
}) => {
  await page.goto(`${own.url}/library`);
  await expect(page.getByText('The library is empty.')).toBeVisible();
  await dropFiles(page, page.getByRole('region', { name: 'Library' }), [
    'windle-sands-june-morning.jpg',
    'line-reel.jpg',
    'IMG_2291.jpg',
    'bridle-knots.avif',
  ]);
  await expect(page.getByText('All files are through')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('listitem').filter({ hasText: '×' })).toHaveCount(4);

  // Names one that has only the camera's name.
  await page.getByRole('button', { name: /IMG_2291.*file name as title/ }).click();
  const title = page.getByLabel('Title', { exact: true });
  await title.fill('Storm over the pier');
  await title.blur();
  await expect(page.getByRole('button', { name: /^Storm over the pier/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Storm over the pier.*file name as title/ })).toHaveCount(0);

  await page.getByRole('link', { name: 'Pages' }).click();
  await page.getByRole('button', { name: 'New page' }).click();
  await page.getByLabel('Title').fill('Flying days');
  await page.getByRole('button', { name: 'Create' }).click();
  const desk = page.frameLocator('iframe[title^="The page at"]');
  await desk.locator('.ProseMirror p').click();
  await page.keyboard.type(
    'On the first Sunday of the month the sands belong to kites. Bring one, or borrow one from the hut by the pier.',
  );
  await page.keyboard.press('Enter');
  await page.keyboard.type(
    'The wardens are there from ten; the wind is usually there before them. Children fly with a grown-up at the other end of the line. '
      .repeat(4)
      .trim(),
  );

  // Places two: one from the drawer by a click, one dragged to where it goes.
  await page.getByRole('button', { name: /^Library L/ }).click();
  const drawer = page.getByRole('region', { name: 'Library' });
  await drawer.getByRole('button', { name: /^Line reel/ }).click();
  const reel = desk.locator('figure', { has: page.locator('img[src*="/media/proof/"]') }).last();
  await expect(reel.locator('img')).toBeVisible();
  const sheet = page.getByRole('complementary', { name: 'Sheet' });
  await sheet.getByRole('button', { name: 'Move up' }).first().click();
  await sheet.getByRole('button', { name: 'right', exact: true }).click();
  await sheet.getByRole('button', { name: 'third', exact: true }).click();
  await sheet.getByRole('switch', { name: 'text beside' }).check();
  await expect(page.getByTestId('tag')).toContainText('224 px, a third');

  const sands = drawer.getByRole('button', { name: /^Windle sands june morning/i });
  await sands.dragTo(desk.locator('.ProseMirror p').first(), { targetPosition: { x: 200, y: 2 } });
  await expect(desk.locator('figure')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await desk.locator('figure').first().click();
  await sheet.getByRole('button', { name: 'edge', exact: true }).click();
  await sheet.getByRole('button', { name: /^Shape and cut/ }).click();
  await sheet.getByRole('button', { name: '16:9', exact: true }).click();
  await expect(desk.locator('figure').first()).toHaveClass(/fig-edge/);
  // Draws the keep box over to the right side; the cut follows.
  const cutBefore = await desk.locator('figure').first().locator('img').getAttribute('src');
  const keep = sheet.getByRole('slider', { name: /Keep area/ });
  // What is above it in the sheet may still be coming.
  await keep.hover();
  const box = (await keep.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 260, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(desk.locator('figure').first().locator('img')).not.toHaveAttribute('src', cutBefore!);
  await expect(desk.locator('figure').first().locator('img')).toHaveAttribute('src', /\/2444-0-3556-2000\//);
  await sheet.getByRole('button', { name: /^Words/ }).click();
  await sheet.getByLabel('Alt text').fill('Six kites over a wide beach on a clear morning');

  // Caption, alt text and link of the other.
  await desk.locator('figure').nth(1).click();
  await expect(sheet.getByRole('heading', { level: 2 })).toHaveText('Line reel');
  await sheet.getByLabel('Alt text').fill('A wooden reel wound with line');
  await sheet.getByLabel('Caption', { exact: true }).selectOption('own words');
  await sheet.getByLabel('Own words for the caption').fill('The reel that came with the first rokkaku.');
  await sheet.getByRole('button', { name: /^Link/ }).click();
  await sheet.getByLabel('A click leads to').selectOption('a page or an address');
  await sheet.getByLabel('Where it leads').fill('example.org/reels');
  await sheet.getByRole('button', { name: 'Set' }).click();
  await expect(sheet.getByText('Added https:// in front.')).toBeVisible();

  // Resizes by grip: it snaps to the site's half; undo and redo go back and forth.
  const grip = page.getByTestId('trim-marks').locator('[data-corner=nw]');
  const at = (await grip.boundingBox())!;
  const scale = 686 / 1280;
  await page.mouse.move(at.x + 12, at.y + 12);
  await page.mouse.down();
  await page.mouse.move(at.x + 12 - 118 * scale, at.y + 4, { steps: 8 });
  await expect(page.getByTestId('tag')).toContainText('348 px, half');
  await page.mouse.up();
  await expect(desk.locator('figure').nth(1)).toHaveClass(/fig-half/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(desk.locator('figure').nth(1)).toHaveClass(/fig-third/);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(desk.locator('figure').nth(1)).toHaveClass(/fig-half/);
  await page.getByRole('button', { name: 'Undo' }).click();

  // On the phone the reel fills the column and is soft there; a smaller size is sharp.
  const proof = page.getByRole('complementary', { name: 'Phone proof' });
  await expect(proof).toContainText('soft');
  await sheet.getByLabel('Size in px').fill('200');
  await sheet.getByLabel('Size in px').blur();
  await expect(proof).toContainText('sharp');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(proof).toContainText('soft');

  await expect(page.getByText(/^draft, saved/)).toBeVisible();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Publish' });
  await expect(dialog).toContainText('Flying days');
  await dialog.getByRole('button', { name: 'Publish now' }).click();
  await expect(dialog.getByText('1 page is on the public site')).toBeVisible({ timeout: 90_000 });

  const [visit] = await Promise.all([
    context.waitForEvent('page'),
    dialog.getByRole('link', { name: 'Open the public site' }).click(),
  ]);
  await visit.setViewportSize({ width: 1280, height: 800 });
  await visit.waitForLoadState('networkidle');
  const boxes = await visit
    .locator('figure img')
    .evaluateAll((images) => images.map((image) => image.getBoundingClientRect().toJSON()));
  expect(boxes[0]).toMatchObject({ x: 0, width: 1280, height: expect.closeTo(720, 0) });
  expect(boxes[1]).toMatchObject({ x: expect.closeTo(776, 0), width: expect.closeTo(224, 0) });
  const beside = await visit.locator('p').nth(1).boundingBox();
  expect(beside!.y).toBeLessThan(boxes[1].y + 30);
  await expect(visit.locator('figcaption')).toHaveText('The reel that came with the first rokkaku.');
  await expect(visit.locator('figure a')).toHaveAttribute('href', 'https://example.org/reels');
  await expect(visit.getByAltText('A wooden reel wound with line')).toBeVisible();
  expect(await visit.locator('figure img').first().getAttribute('sizes')).toBe('100vw');
});
