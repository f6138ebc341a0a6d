import { expect, makePage, passesAxe, takeIn, test } from './dekoro';

const names = ['line-reel.jpg', 'two-lanterns.jpg', 'box-kite.jpg', 'bridle-ring.jpg', 'diamond-kite.jpg', 'skerry-light.jpg'];

test('Pictures are chosen one by one, in a range and in a box, changed together and taken away, and come back', async ({ page, own }) => {
  const files = await takeIn(own.url, names);
  await makePage(own.url, 'Hall', [{ type: 'figure', attrs: { asset: files[0]!.id, size: 'column' } }]);
  await page.goto(`${own.url}/library`);
  const picture = (name: RegExp) => page.getByRole('button', { name });
  const line = page.getByRole('region', { name: 'Chosen pictures' });
  // Newest first: Skerry light, Diamond kite, Bridle ring, Box kite, Two lanterns, Line reel.
  await picture(/^Skerry light/).click({ modifiers: ['Control'] });
  await picture(/Box kite/).click({ modifiers: ['Shift'] });
  await expect(line.getByText('4 pictures chosen.')).toBeVisible();
  await picture(/Bridle ring/).click({ modifiers: ['Control'] });
  await expect(line.getByText('3 pictures chosen.')).toBeVisible();
  // The order of choosing is written on them.
  expect(await page.locator('[data-picture][aria-pressed=true] .dk-tabular.absolute').allTextContents()).toEqual(['1', '2', '3']);
  await passesAxe(page, 'library with pictures chosen');

  await line.getByRole('button', { name: 'Change words' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Folder from now on').fill('Shed');
  await expect(dialog.getByText('3 pictures will change:')).toBeVisible();
  await expect(dialog.getByRole('row').nth(1)).toContainText('Shed');
  await dialog.getByRole('button', { name: 'Change 3' }).click();
  await expect(line.getByText('Folder of 3 pictures changed.')).toBeVisible();
  await page.keyboard.press('Escape');

  // A box from an empty spot takes all it touches.
  const sheet = (await page.getByRole('list', { name: 'Pictures' }).boundingBox())!;
  await page.mouse.move(sheet.x + 4, sheet.y + 4);
  await page.mouse.down();
  await page.mouse.move(sheet.x + 400, sheet.y + 60, { steps: 5 });
  await page.mouse.move(sheet.x + sheet.width - 4, sheet.y + 520, { steps: 5 });
  await page.mouse.up();
  await expect(line.getByText('6 pictures chosen.')).toBeVisible();
  await line.getByRole('button', { name: 'Take away' }).click();
  await expect(line).toContainText('5 pictures taken away; they wait 30 days.');
  await expect(line).toContainText('“Line reel” stays: it stands on Hall.');
  await expect(page.getByText('1 picture', { exact: true })).toBeVisible();
  await line.getByRole('button', { name: 'Put back' }).click();
  await expect(page.getByText('6 pictures', { exact: true })).toBeVisible();
});

test('By keys alone a range is chosen, taken away, found where it waits and put back', async ({ page, own }) => {
  await takeIn(own.url, names);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^Skerry light/ }).focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText('3 pictures chosen.')).toBeVisible();
  await page.getByRole('button', { name: 'Take away' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('3 pictures taken away')).toBeVisible();
  await page.getByRole('button', { name: 'taken away 3' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('searchbox', { name: 'Search the library' })).toHaveValue('taken-away');
  await page.getByRole('button', { name: /^Skerry light/ }).focus();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  await expect(sheet.getByText('it goes for good on')).toBeVisible();
  await sheet.getByRole('button', { name: 'Put back' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 pictures', { exact: true })).toBeVisible();
});

test('Two pictures that look the same are pointed out and made one, with the places of both', async ({ page, own }) => {
  const [first] = await takeIn(own.url, ['museum-from-the-path.jpg']);
  const [second] = await takeIn(own.url, ['museum-with-location.jpg']);
  const id = await makePage(own.url, 'Visit', [{ type: 'figure', attrs: { asset: second!.id, size: 'half' } }]);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^twin 2/ }).click();
  await page.locator(`[data-picture="${first!.id}"]`).click();
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  await sheet.getByRole('button', { name: 'keep this one for both' }).click();
  await expect(page.getByRole('button', { name: /^twin 0/ })).toBeVisible();
  const draft = (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as { document: { content: { attrs: { asset: string } }[] } };
  expect(draft.document.content[0]!.attrs.asset).toBe(first!.id);
});

test('A soft picture is noticed where it stands, its cause is named, and it is replaced', async ({ page, own }) => {
  const [soft] = await takeIn(own.url, ['storm-kite-shaken.jpg', 'box-kite.jpg']);
  const id = await makePage(own.url, 'Storm', [{ type: 'figure', attrs: { asset: soft!.id, size: 'wide', shape: '16:9' } }]);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^soft 1/ }).click();
  await page.locator(`[data-picture="${soft!.id}"]`).click();
  await page.keyboard.press('f');
  const cuts = page.getByRole('complementary', { name: 'Every cut it is used in' });
  await expect(cuts.getByText('The picture itself is blurred')).toBeVisible();
  await page.getByRole('link', { name: 'Library' }).first().click();
  await page.locator(`[data-picture="${soft!.id}"]`).click();
  await page.getByRole('button', { name: 'Swap everywhere' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /^Box kite/ }).click();
  await dialog.getByRole('button', { name: 'Swap in 1 place' }).click();
  const draft = async () => ((await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as { document: { content: { attrs: { asset: string } }[] } }).document.content[0]!.attrs.asset;
  await expect.poll(draft).not.toBe(soft!.id);
});
