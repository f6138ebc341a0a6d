import type { Page } from '@playwright/test';
import { dropFiles, expect, makeSlides, takeIn, test } from './dekoro';
import { serve } from './server';

type Words = Record<'title' | 'alt' | 'caption' | 'credit' | 'keywords' | 'folder', string>;
const wordsOf = async (url: string, id: string) =>
  ((await (await fetch(`${url}/api/files/${id}`)).json()) as { file: { words: Words } }).file.words;
const sheetOf = (page: Page) => page.getByRole('complementary', { name: 'Picture' });
/** The answers come later than the next key. */
const slowly = (page: Page) =>
  page.route('**/api/files/**', async (route) => {
    if (route.request().method() === 'PATCH') await new Promise((done) => setTimeout(done, 400));
    await route.continue();
  });

test('A row of the list that is typed along faster than the answers come is kept to the last cell', async ({
  page,
  own,
}) => {
  const [one, two] = await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg']);
  await page.goto(`${own.url}/library?list`);
  await slowly(page);
  for (const [round, file] of [one!, two!].entries()) {
    await page.getByLabel(`Title of ${file.name}`).click();
    await page.keyboard.press('Control+A');
    for (const word of ['title', 'alt', 'caption', 'credit', 'keywords', 'folder']) {
      await page.keyboard.type(`${word} ${round}`, { delay: 10 });
      await page.keyboard.press('Tab');
    }
  }
  for (const [round, file] of [one!, two!].entries())
    await expect
      .poll(async () => await wordsOf(own.url, file.id!))
      .toMatchObject({
        title: `title ${round}`,
        alt: `alt ${round}`,
        caption: `caption ${round}`,
        credit: `credit ${round}`,
        keywords: `keywords ${round}`,
        folder: `folder ${round}`,
      });
  await expect(page.getByText('changed elsewhere')).toHaveCount(0);
});

test('A picture that comes in while a row of the list is typed along takes no letter of it, nor the caret', async ({
  page,
  own,
}) => {
  const [reel] = (await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg', 'bridle-ring.jpg'])).map(
    (file) => file.id!,
  );
  await page.goto(`${own.url}/library?list=1`);
  const title = page.locator(`#cell-title-${reel}`);
  await title.click();
  await page.keyboard.press('Control+A');
  await dropFiles(page, page.getByRole('main'), ['diamond-kite.jpg']);
  const rows = page.getByRole('table', { name: 'Pictures' }).getByRole('row');
  let typed = '';
  for (const letter of 'a reel that was typed while another one came') {
    await page.keyboard.type(letter);
    typed += letter;
    if ((await rows.count()) < 5) await page.waitForTimeout(60);
  }
  await expect(rows).toHaveCount(5);
  await expect(title).toBeFocused();
  await expect(title).toHaveValue(typed);
  await expect.poll(async () => (await wordsOf(own.url, reel!)).title).toBe(typed);
});

test('Fields of a picture and its keep area, moved by held keys, are kept one after the other with no false alarm', async ({
  page,
  own,
}) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  await page.goto(`${own.url}/library`);
  await slowly(page);
  await page.locator(`[data-picture="${reel!.id}"]`).click();
  const sheet = sheetOf(page);
  await sheet.getByRole('slider', { name: /^Keep area/ }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  for (const [name, text] of [
    ['Title', 'Reel'],
    ['Alt text', 'A reel of line'],
    ['Caption', 'By the door'],
    ['Credit', 'Renn'],
  ] as const) {
    await sheet.getByLabel(name).click();
    await page.keyboard.press('Control+A');
    await page.keyboard.type(text);
  }
  await expect(sheet.getByText('Saved.')).toBeVisible();
  await expect
    .poll(() => wordsOf(own.url, reel!.id!))
    .toMatchObject({ title: 'Reel', alt: 'A reel of line', caption: 'By the door', credit: 'Renn' });
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('In a words round what is refused takes no words of the next picture, and a way leads back to it', async ({
  page,
  own,
}) => {
  const ids = (await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg'])).map((file) => file.id!);
  // Answers that come when the next words are being typed.
  await slowly(page);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: 'Words round' }).click();
  const round = page.getByRole('dialog', { name: 'Words round' });
  await expect(round.getByText('1 of 2')).toBeVisible();
  const title = round.getByLabel('Title');
  await title.click();
  await page.keyboard.press('Control+A');
  await page.keyboard.press('Delete');
  await page.keyboard.press('Control+Enter');
  await expect(round.getByText('2 of 2')).toBeVisible();
  await expect(round.getByLabel('Alt text')).toBeFocused();
  await page.keyboard.type('Typed while the one before was being refused', { delay: 30 });
  await expect(round.getByText('Something of 1 picture before could not be saved.')).toBeVisible();
  await expect(round.getByLabel('Alt text')).toHaveValue('Typed while the one before was being refused');
  await round.getByRole('button', { name: 'Back to it' }).click();
  await expect(round.getByText('1 of 2')).toBeVisible();
  await expect(title).toHaveValue('');
  await title.fill('A title after all');
  await page.keyboard.press('Control+Enter');
  await expect(round.getByText('2 of 2')).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(round).toHaveCount(0);
  // The newest comes first.
  await expect.poll(async () => (await wordsOf(own.url, ids[1]!)).title).toBe('A title after all');
  expect((await wordsOf(own.url, ids[0]!)).alt).toBe('Typed while the one before was being refused');
});

test('What is typed into a field outlives Escape, a reload, another picture and the way back', async ({
  page,
  own,
}) => {
  const [reel, lanterns] = await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg']);
  await page.goto(`${own.url}/library`);
  await page.locator(`[data-picture="${reel!.id}"]`).click();
  await sheetOf(page).getByLabel('Caption').fill('Reloaded at once');
  await page.reload();
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).caption).toBe('Reloaded at once');

  await page.locator(`[data-picture="${reel!.id}"]`).click();
  await sheetOf(page).getByLabel('Credit').fill('Ana Verhulst');
  await page.locator(`[data-picture="${lanterns!.id}"]`).click();
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).credit).toBe('Ana Verhulst');

  await page.getByRole('button', { name: 'Words round' }).click();
  await page.getByRole('dialog').getByLabel('Caption').fill('Escaped from');
  await page.keyboard.press('Escape');
  await expect
    .poll(async () => (await Promise.all([reel!, lanterns!].map((f) => wordsOf(own.url, f.id!)))).map((w) => w.caption))
    .toContain('Escaped from');
});

test('What was typed while the server was gone, in a window that is gone too, is kept when both are back', async ({
  browser,
}) => {
  const first = await serve({ keep: true });
  const [reel] = await takeIn(first.url, ['line-reel.jpg']);
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(`${first.url}/library`);
  await page.locator(`[data-picture="${reel!.id}"]`).click();
  await expect(sheetOf(page).getByLabel('Caption')).toBeVisible();
  await first.stop();
  await sheetOf(page).getByLabel('Caption').fill('Typed without a line');
  await expect(sheetOf(page).getByText('cannot be reached')).toBeVisible();
  await page.close();
  const second = await serve({ data: first.data, port: Number(new URL(first.url).port) });
  const again = await context.newPage();
  const one = (url: URL) => url.pathname === `/api/files/${reel!.id}`;
  await again.route(one, (route) => route.abort());
  await again.goto(`${second.url}/site`);
  await again.waitForTimeout(1500);
  expect((await wordsOf(second.url, reel!.id!)).caption).toBe('');
  await again.unroute(one);
  await expect.poll(async () => (await wordsOf(second.url, reel!.id!)).caption).toBe('Typed without a line');
  await context.close();
  await second.stop();
});

test('What was set of an arrangement in a window that went at once is kept, or asked about where another changed it', async ({
  context,
  own,
}) => {
  const ids = (await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg'])).map((file) => file.id!);
  const set = await makeSlides(own.url, ids, 'slider', {});
  const kept = async () =>
    (await (await fetch(`${own.url}/api/arrangements/${set.id}`)).json()) as {
      version: number;
      values: { name: string; items: { title: string }[] };
    };
  const arrangement = `${own.url}/arrangements/${set.id}`;
  const typeAndGo = async (words: string) => {
    const page = await context.newPage();
    await page.goto(arrangement);
    await page.locator('[data-picture]').first().click();
    await page.getByRole('complementary', { name: 'Picture' }).getByLabel('Title over it', { exact: true }).click();
    await page.keyboard.press('Control+A');
    await page.keyboard.type(words);
    await page.close();
  };
  await typeAndGo('Storm reel');
  const elsewhere = await context.newPage();
  await elsewhere.goto(`${own.url}/library`);
  await expect.poll(async () => (await kept()).values.items[0]!.title).toBe('Storm reel');
  await elsewhere.close();

  // Nothing of it gets through, and then somebody else names it.
  await context.route(/\/api\/arrangements\//, (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await typeAndGo('Calm reel');
  await context.unrouteAll();
  const now = await kept();
  await fetch(`${own.url}/api/arrangements/${set.id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${now.version}"` },
    body: JSON.stringify({ ...now.values, name: 'Reels' }),
  });
  const page = await context.newPage();
  await page.goto(arrangement);
  await expect(page.getByRole('alert').filter({ hasText: 'changed elsewhere after you had left it' })).toBeVisible();
  expect((await kept()).values).toMatchObject({ name: 'Reels', items: [{ title: 'Storm reel' }, {}] });
  await page.getByRole('button', { name: 'Go on with mine' }).click();
  await expect.poll(async () => (await kept()).values.items[0]!.title).toBe('Calm reel');
});

test('Where two windows typed into one field both texts are shown, and a person decides; other fields are not asked about', async ({
  page,
  own,
}) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  const other = await page.context().newPage();
  for (const window of [page, other]) {
    await window.goto(`${own.url}/library`);
    await window.locator(`[data-picture="${reel!.id}"]`).click();
    await expect(sheetOf(window).getByLabel('Caption')).toBeVisible();
  }
  // Both have typed before either knows of the other.
  await page.route('**/api/files/**', async (route) => {
    if (route.request().method() === 'PATCH') await new Promise((done) => setTimeout(done, 2500));
    await route.continue();
  });
  await sheetOf(page).getByLabel('Caption').fill('Mine');
  await sheetOf(page).getByLabel('Credit').fill('Renn');
  await sheetOf(other).getByLabel('Caption').fill('Theirs');
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).caption).toBe('Theirs');
  await expect(sheetOf(page).getByRole('alert')).toContainText('“Theirs”');
  await expect(sheetOf(page).getByLabel('Caption')).toHaveValue('Mine');
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).credit).toBe('Renn');
  expect((await wordsOf(own.url, reel!.id!)).caption).toBe('Theirs');
  await sheetOf(page).getByRole('button', { name: 'keep mine' }).click();
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).caption).toBe('Mine');
});

test('A value that is refused stays in its field with its sentence, and stops no other; without a line nothing is lost', async ({
  page,
  own,
}) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  await page.goto(`${own.url}/library`);
  await page.locator(`[data-picture="${reel!.id}"]`).click();
  const sheet = sheetOf(page);
  await sheet.getByLabel('Title').fill('');
  await sheet.getByLabel('Caption').fill('Goes through');
  await expect(sheet.getByRole('alert')).toContainText('title');
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).caption).toBe('Goes through');
  await sheet.getByLabel('Title').fill('A reel');
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).title).toBe('A reel');

  await page.context().setOffline(true);
  await sheet.getByLabel('Credit').fill('Renn');
  await expect(sheet.getByText('cannot be reached')).toBeVisible();
  await page.context().setOffline(false);
  await expect.poll(async () => (await wordsOf(own.url, reel!.id!)).credit).toBe('Renn');
});
