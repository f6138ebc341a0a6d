import type { Page } from '@playwright/test';
import { expect, makePage, takeIn, test, text } from './dekoro';

/** Tab, as often as it takes, until the focus stands on what is looked for. */
async function tabTo(page: Page, name: RegExp | string, most = 60, key = 'Tab') {
  const is = (label: string) => (typeof name === 'string' ? label === name : name.test(label));
  const passed: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press(key);
    const label = await page.evaluate(() => {
      const now = document.activeElement as HTMLElement | null;
      const of = (now as HTMLInputElement | null)?.labels?.[0]?.textContent;
      return (now?.getAttribute('aria-label') ?? of ?? now?.textContent ?? '').trim();
    });
    if (is(label)) return;
    passed.push(label.slice(0, 30));
  }
  throw new Error(`${String(name)} is not reached by ${most} presses of ${key}: ${passed.join(' | ')}`);
}
/** By the one line that does everything. */
async function ask(page: Page, words: string) {
  await expect(page.getByRole('button', { name: 'Find or do anything' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: 'Find or do anything' })).toBeFocused();
  await page.keyboard.type(words);
  await page.waitForTimeout(400);
  await page.keyboard.press('Enter');
}

test('By the keyboard alone a page is made, a picture stands beside its text, a gallery follows, and it is published', async ({
  page,
  own,
}) => {
  await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg', 'bridle-ring.jpg']);
  await page.goto(own.url);
  await tabTo(page, 'New page');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Lines and lanterns');
  await page.keyboard.press('Enter');
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror')).toBeFocused();
  await page.keyboard.type('A line must run free, and a reel must turn.');
  await ask(page, 'open the library');
  const drawer = page.getByRole('region', { name: 'Library' });
  await expect(drawer.getByRole('searchbox', { name: 'Search the library' })).toBeFocused();
  await page.keyboard.type('reel');
  await expect(drawer.getByRole('listitem')).toHaveCount(1);
  await tabTo(page, /^Line reel/);
  await page.keyboard.press('Enter');
  await expect(frame.locator('figure img')).toBeVisible();
  await page.keyboard.press('Escape');
  // The picture is chosen: its keys act.
  for (const key of ['-', '-', 'a', 'ArrowRight']) await page.keyboard.press(key);
  await expect(page.getByRole('group', { name: 'Side' }).getByRole('button', { name: 'right' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('t');
  await page.keyboard.type('A reel of line');
  await tabTo(page, 'text beside', 40, 'Shift+Tab');
  await page.keyboard.press('Space');
  await ask(page, 'open the library');
  await expect(drawer.getByRole('listitem')).toHaveCount(3);
  await tabTo(page, /^(Line reel|Two lanterns|Bridle ring)/);
  for (const key of ['Space', 'Tab', 'Space', 'Tab', 'Space']) await page.keyboard.press(key);
  await tabTo(page, 'As a gallery', 20, 'Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(frame.locator('.set img')).toHaveCount(3);
  await page.keyboard.press('Escape');
  await ask(page, 'publish');
  await page.getByRole('button', { name: 'Publish now' }).waitFor();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').getByRole('button', { name: 'Done' })).toBeVisible();
  const live = await (await fetch(`${own.url}/live/`)).text();
  expect(live).toContain('alt="A reel of line"');
  expect(live.match(/<img/g)!.length).toBeGreaterThanOrEqual(4);
});

test('By the keyboard alone a slider gets its words and its order, and stands on a published page', async ({
  page,
  own,
}) => {
  await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg']);
  await makePage(own.url, 'Home', [text('Here.')]);
  await page.goto(own.url);
  await ask(page, 'arrangements');
  await page.waitForURL(/\/arrangements$/);
  await tabTo(page, 'Name of a new one');
  await page.keyboard.type('Two evenings');
  await tabTo(page, 'Empty');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/arrangements\/\w+$/);
  await tabTo(page, /^Slider/);
  await page.keyboard.press('Enter');
  await tabTo(page, 'From the library');
  await page.keyboard.press('Enter');
  const choice = page.getByRole('dialog');
  await expect(choice.getByRole('button', { name: /^Two lanterns/ })).toBeVisible();
  for (const name of [/^Two lanterns/, /^Line reel/]) {
    await tabTo(page, name);
    await page.keyboard.press('Enter');
  }
  await tabTo(page, /^(Add|Take) 2/, 30);
  await page.keyboard.press('Enter');
  const order = page.getByRole('list', { name: 'Running order' });
  await expect(order.locator('[data-picture]')).toHaveCount(2);
  await expect(order.getByRole('button', { name: /^1: Two lanterns/ })).toBeVisible();
  await tabTo(page, /^1: Two lanterns/, 30);
  await page.keyboard.press('Enter');
  await tabTo(page, 'Title over it');
  await page.keyboard.type('Lanterns at dusk');
  await tabTo(page, 'Words over it');
  await page.keyboard.type('Every Friday in June');
  // Later keeps its focus: the same key again would bring it on.
  await tabTo(page, 'Move “Two lanterns” later', 80, 'Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(order.getByRole('button', { name: /^1: Line reel/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Move “Two lanterns” earlier' })).toBeFocused();
  await ask(page, 'home');
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror')).toBeVisible();
  await ask(page, 'add here');
  await expect(page.getByRole('menu')).toBeVisible();
  await page.keyboard.type('arr');
  await page.keyboard.press('Enter');
  await tabTo(page, 'Shown here', 80);
  await page.keyboard.press('ArrowDown');
  await expect(frame.locator('.set')).toContainText('Lanterns at dusk');
  await ask(page, 'publish');
  await page.getByRole('button', { name: 'Publish now' }).waitFor();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').getByRole('button', { name: 'Done' })).toBeVisible();
  expect(await (await fetch(`${own.url}/live/`)).text()).toContain('Every Friday in June');
});

test('By the keyboard alone pictures are found, chosen, given their words one after the other, and the way back is a way back', async ({
  page,
  own,
}) => {
  const files = await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg', 'bridle-ring.jpg']);
  await page.goto(own.url);
  await ask(page, 'library as a list');
  await page.waitForURL(/list=1/);
  // Alt and the arrow are the browser's own keys, which one without a window does not have.
  await page.goBack();
  await ask(page, 'two lant');
  await page.waitForURL(/at=/);
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  await expect(sheet.getByRole('heading', { name: 'Two lanterns', exact: true })).toBeVisible();
  const tile = page.locator(`[data-picture="${files[1]!.id}"]`);
  // From the tile the arrows go on, T leads to the alt text, Escape back to the tile, and once more out of the sheet.
  await tabTo(page, /^Two lanterns/);
  await page.keyboard.press('t');
  await expect(sheet.getByLabel('Alt text')).toBeFocused();
  await page.keyboard.type('Two paper lanterns');
  await page.keyboard.press('Escape');
  await expect(tile).toBeFocused();
  await page.keyboard.press('f');
  await page.waitForURL(/\/library\/room\//);
  await page.goBack();
  await expect(sheet.getByLabel('Alt text')).toHaveValue('Two paper lanterns');
  await tabTo(page, /^Two lanterns/);
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await expect(tile).toBeFocused();
  await page.keyboard.press('Control+a');
  await expect(page.getByText('3 pictures chosen.')).toBeVisible();
  await tabTo(page, 'Words round');
  await page.keyboard.press('Enter');
  for (const words of ['One', 'Two', 'Three']) {
    await page.getByRole('dialog').getByLabel('Alt text').waitFor();
    const field = page.getByRole('dialog').getByLabel('Caption');
    await tabTo(page, 'Caption', 12);
    await expect(field).toBeFocused();
    await page.keyboard.type(words);
    await page.keyboard.press('Control+Enter');
  }
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const captions = async () =>
    Promise.all(
      files.map(
        async ({ id }) =>
          ((await (await fetch(`${own.url}/api/files/${id}`)).json()) as { file: { words: { caption: string } } }).file
            .words.caption,
      ),
    );
  await expect.poll(async () => (await captions()).sort()).toEqual(['One', 'Three', 'Two']);
});
