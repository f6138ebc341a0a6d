import { choose, expect, makePage, openDesk, publish, takeIn, test, text } from './dekoro';
import type { Server } from './server';

type Piece = { type: string; attrs: Record<string, unknown>; content?: Piece[]; text?: string };
const draft = async (own: Server, id: string) =>
  ((await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as { document: { content: Piece[] } }).document
    .content;

const programme = {
  name: 'programme.txt',
  mimeType: 'text/plain',
  buffer: Buffer.from('Kites fly at ten.\n'.repeat(200)),
};

test('A picture goes into a line at the caret, by pointer; it never makes the line higher and visitors see the same', async ({
  page,
  browser,
  own,
}) => {
  await takeIn(own.url, ['kite-cut-out.png', 'bunting.svg']);
  const id = await makePage(own.url, 'Home', [text('Follow the sign to the hall. '.repeat(12).trim()), text('Below.')]);
  const frame = await openDesk(page, own.url, id);
  const before = await frame
    .locator('p')
    .first()
    .evaluate((p) => p.getBoundingClientRect().height);
  await frame
    .locator('p')
    .first()
    .click({ position: { x: 60, y: 12 } });
  await page.getByRole('button', { name: 'Picture in the line' }).click();
  const drawer = page.getByRole('region', { name: 'Library' });
  await expect(drawer).toContainText('it goes into the line');
  await drawer.getByRole('button', { name: /Kite cut out/ }).click();
  await expect(frame.locator('p .in-line img')).toBeVisible();
  expect(
    await frame
      .locator('p')
      .first()
      .evaluate((p) => p.getBoundingClientRect().height),
  ).toBe(before);
  const height = () => frame.locator('.in-line').evaluate((one) => one.getBoundingClientRect().height);
  const line = await height();
  await page.getByRole('group', { name: 'As high as' }).getByRole('button', { name: 'its letters' }).click();
  await expect.poll(height).toBeLessThan(line);
  await page.getByLabel('Alt text').fill('The sign: a kite');
  await expect
    .poll(async () => (await draft(own, id))[0]!.content?.find((one) => one.type === 'linePicture')?.attrs)
    .toMatchObject({ height: 'letters', alt: 'The sign: a kite' });
  await page.getByRole('button', { name: 'Undo' }).click();
  await publish(own.url);
  const visit = await browser.newPage();
  await visit.goto(`${own.url}/live/`);
  const [there, here] = [visit.locator('.in-line img'), frame.locator('.in-line img')];
  await expect(there).toBeVisible();
  expect((await there.boundingBox())!.width).toBeCloseTo(
    await here.evaluate((image) => image.getBoundingClientRect().width),
    0,
  );
  // Taken away and undone: the words stay.
  await page.getByRole('button', { name: 'Remove' }).click();
  await expect(frame.locator('.in-line')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(frame.locator('.in-line')).toHaveCount(1);
  await visit.close();
});

test('By keys alone a picture goes into a line and another takes its place', async ({ page, own }) => {
  const [cut, reel] = (await takeIn(own.url, ['kite-cut-out.png', 'line-reel.jpg'])).map((file) => file.id!);
  const id = await makePage(own.url, 'Home', [text('Here.')]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('.ProseMirror').focus();
  await page.keyboard.press('Control+End');
  await page.getByRole('button', { name: 'Picture in the line' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('searchbox', { name: 'Search the library' })).toBeFocused();
  await page.keyboard.type('cut');
  const drawer = page.getByRole('region', { name: 'Library' });
  await expect(drawer.getByRole('button', { name: /Line reel/ })).toHaveCount(0);
  await drawer.getByRole('button', { name: /Kite cut out/ }).focus();
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await draft(own, id))[0]!.content?.map((one) => one.attrs?.asset ?? one.text))
    .toEqual(['Here.', cut]);
  await page.getByRole('button', { name: 'Swap' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('searchbox', { name: 'Search the library' }).fill('reel');
  await drawer.getByRole('button', { name: /Line reel/ }).focus();
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await draft(own, id))[0]!.content?.map((one) => one.attrs?.asset ?? one.text))
    .toEqual(['Here.', reel]);
  await expect(frame.locator('.in-line img')).toHaveAttribute('src', new RegExp(reel!));
});

test('A table of files is filled, put in order and published with types and sizes; a link to a file says them too', async ({
  page,
  browser,
  own,
}) => {
  const id = await makePage(own.url, 'Home', [text('Take these.'), text('The programme')]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('Take these.').click();
  await page.keyboard.press('Control+Enter');
  await page.getByRole('menuitem', { name: 'Table of files' }).focus();
  await page.keyboard.press('Enter');
  await expect(frame.getByText('A table of files: choose them')).toHaveCount(0);
  await choose(page, page.getByRole('button', { name: 'From this computer' }), [
    programme,
    { ...programme, name: 'prices.csv', buffer: Buffer.from('day,price\nMonday,4\n') },
  ]);
  const rows = frame.locator('.files tbody tr');
  await expect(rows).toHaveText([/Programme\s*TXT\s*3\.6 kB/, /Prices\s*CSV\s*19 B/]);
  await page.getByRole('button', { name: 'Move “Prices” up' }).focus();
  await page.keyboard.press('Enter');
  await expect(rows).toHaveText([/Prices/, /Programme/]);
  await page.getByLabel('What the file is called').first().fill('What it costs');
  await page.keyboard.press('Enter');
  await expect(rows.first()).toContainText('What it costs');

  // A link: chosen from the list, its facts stand after it on the desk as they will on the page.
  await frame.getByText('The programme').click();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  await page.getByLabel('or a file of the library').selectOption({ label: 'Programme (TXT, 3.6 kB)' });
  const link = frame.locator('p a');
  await expect.poll(() => link.evaluate((a) => getComputedStyle(a, '::after').content)).toBe('" (TXT, 3.6 kB)"');
  const onDesk = await link.evaluate((a) => a.getBoundingClientRect().width);
  await expect.poll(async () => (await draft(own, id)).some((one) => one.type === 'files')).toBe(true);
  await expect(page.getByText(/, saved \d/)).toBeVisible();
  await publish(own.url);
  const visit = await browser.newPage();
  await visit.goto(`${own.url}/live/`);
  await expect(visit.locator('.files tbody tr')).toHaveText([
    /What it costs\s*CSV\s*19 B/,
    /Programme\s*TXT\s*3\.6 kB/,
  ]);
  await expect(visit.locator('p a')).toHaveText('The programme (TXT, 3.6 kB)');
  expect((await visit.locator('p a').boundingBox())!.width).toBeCloseTo(onDesk, 0);
  const [taken] = await Promise.all([
    visit.waitForResponse(/files\/programme/),
    visit.locator('.files a').nth(1).click(),
  ]);
  expect(taken.ok()).toBe(true);
  await visit.close();
});
