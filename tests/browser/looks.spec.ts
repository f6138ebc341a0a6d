import { expect, makePage, openDesk, passesAxe, publish, takeIn, test } from './dekoro';

const figure = (id: string, asset: string) => ({
  type: 'figure',
  attrs: { id, asset, size: 'half', captionSource: 'none' },
});

test('A look is made by pointer, shared under a name, taken by another picture and changed once for both; visitors see it', async ({
  page,
  own,
}) => {
  const [door] = (await takeIn(own.url, ['museum-door.jpg'])).map((file) => file.id!);
  const id = await makePage(own.url, 'Doors', [figure('one', door!), figure('two', door!)]);
  const frame = await openDesk(page, own.url, id);
  const sheet = page.getByRole('complementary').first();
  await frame.locator('figure').first().click();
  await sheet.getByRole('button', { name: /^Look/ }).click();
  await sheet.getByLabel('Look', { exact: true }).selectOption('a look of its own');
  await sheet.getByLabel('Width of the border in px').fill('3');
  await sheet.getByLabel('Padding round the picture in px').fill('8');
  await sheet.getByRole('group', { name: 'Colour round the picture' }).getByRole('button', { name: 'white' }).click();
  await sheet.getByLabel('How round the corners are in px').fill('6');
  await sheet.getByLabel('Shadow', { exact: true }).check();
  const innerWidth = (at: number) =>
    frame
      .locator('figure img')
      .nth(at)
      .evaluate((image) => image.clientWidth - parseFloat(getComputedStyle(image).paddingLeft) * 2);
  await expect.poll(() => innerWidth(0)).toBe(348 - 22);
  // The picture is smaller by what stands round it, and its fit is that of what is left.
  await expect(sheet.getByRole('table', { name: 'Fit at each width' })).toContainText('326 px');
  await passesAxe(page, 'look');

  await sheet.getByLabel('Share it under a name').fill('Print on the wall');
  await sheet.getByRole('button', { name: 'Share' }).click();
  await expect(frame.locator('figure').first()).toHaveClass(/framed look-/);
  await frame.locator('figure').nth(1).click();
  await sheet.getByLabel('Look', { exact: true }).selectOption('Print on the wall');
  await expect.poll(() => innerWidth(1)).toBe(326);
  await sheet.getByRole('button', { name: 'change it for all' }).click();
  await sheet.getByLabel('Padding round the picture in px').fill('20');
  await sheet.getByLabel('Padding round the picture in px').press('Tab');
  await expect.poll(() => innerWidth(0)).toBe(348 - 46);
  await expect.poll(() => innerWidth(1)).toBe(348 - 46);
  await expect
    .poll(() =>
      page
        .frameLocator('iframe[title*="phone" i]')
        .locator('figure img')
        .first()
        .evaluate((image) => getComputedStyle(image).paddingLeft),
    )
    .toBe('20px');
  // What was changed for all is taken back like anything else.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => innerWidth(0)).toBe(348 - 22);
  await expect.poll(() => innerWidth(1)).toBe(348 - 22);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(() => innerWidth(1)).toBe(348 - 46);

  await expect
    .poll(async () => JSON.stringify(await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()))
    .toMatch(/"look":"[^"]+".*"look":"[^"]+"/);
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  const box = await page
    .locator('figure img')
    .nth(1)
    .evaluate((image) => {
      const { borderTopWidth, paddingTop, borderTopLeftRadius, boxShadow } = getComputedStyle(image);
      return { borderTopWidth, paddingTop, borderTopLeftRadius, shadow: boxShadow !== 'none' };
    });
  expect(box).toEqual({ borderTopWidth: '3px', paddingTop: '20px', borderTopLeftRadius: '6px', shadow: true });
});

test('By keys alone a look is set, undone and taken back; one that is in use is not taken out, one that is not is', async ({
  page,
  own,
}) => {
  const [door] = (await takeIn(own.url, ['museum-door.jpg'])).map((file) => file.id!);
  const put = (id: string, name: string) =>
    fetch(`${own.url}/api/site/looks/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
      body: JSON.stringify({ name, look: { line: 'solid', linePx: 4, lineColour: '#143c58', paddingPx: 0 } }),
    });
  expect((await put('frame', 'Frame')).ok).toBe(true);
  expect((await put('spare', 'Spare')).ok).toBe(true);
  expect((await (await put('again', 'frame')).json()).detail).toBe(
    'There is a look called frame already: choose another name.',
  );
  const id = await makePage(own.url, 'Doors', [figure('one', door!)]);
  const frame = await openDesk(page, own.url, id);
  await page.keyboard.press('Tab');
  await page.keyboard.press(']');
  const sheet = page.getByRole('complementary').first();
  await sheet.getByRole('button', { name: /^Look/ }).focus();
  await page.keyboard.press('Enter');
  await sheet.getByLabel('Look', { exact: true }).focus();
  await page.keyboard.type('Frame');
  await expect(frame.locator('figure')).toHaveClass(/look-frame/);
  await sheet.getByRole('button', { name: /^Look/ }).focus();
  await page.keyboard.press('Control+z');
  await expect(frame.locator('figure')).not.toHaveClass(/framed/);
  await page.keyboard.press('Control+Shift+z');
  await expect(frame.locator('figure')).toHaveClass(/look-frame/);

  await expect
    .poll(async () => JSON.stringify(await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()))
    .toContain('"look":"frame"');
  const refused = await fetch(`${own.url}/api/site/looks/frame`, { method: 'DELETE' });
  expect((await refused.json()).detail).toContain('give them another look first');
  await sheet.getByText('Spare is on no picture.').getByRole('button', { name: 'take it out' }).focus();
  await page.keyboard.press('Enter');
  await expect(sheet.getByLabel('Look', { exact: true }).locator('option')).toHaveText([
    'plain',
    'Frame',
    'a look of its own',
  ]);
});
