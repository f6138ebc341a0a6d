import {
  demoFile,
  choose,
  dropFiles,
  expect,
  makePage,
  makeSlides,
  openDesk,
  pasteCopied,
  publish,
  swipe,
  takeIn,
  test,
  text,
} from './dekoro';

type Piece = { type: string; content?: Piece[]; text?: string; attrs?: Record<string, unknown>; marks?: unknown[] };
const draftOf = async (url: string, id: string) =>
  ((await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as { document: { content: Piece[] } }).document.content;

test('One undo takes back the last thing done: a switch, typed words, the shape of an arrangement, also after a walk to the room', async ({
  page,
  own,
}) => {
  const ids = (await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg'])).map((file) => file.id!);
  const set = await makeSlides(own.url, ids, 'slider', { shape: '3:2' });
  const id = await makePage(own.url, 'Home', [
    text('Here.'),
    { type: 'figure', attrs: { id: 'reel', asset: ids[0], size: 'half', side: 'left' } },
    { type: 'arrangement', attrs: { id: 'set', arrangement: set.id, reach: 'column' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('figure[data-block=reel]').click();
  const beside = page.getByRole('switch', { name: 'text beside' });
  await beside.check();
  // The focus is still on the switch.
  await page.keyboard.press('Control+z');
  await expect(beside).not.toBeChecked();
  await page.getByRole('button', { name: /^Words/ }).click();
  await page.getByLabel('Caption', { exact: true }).selectOption('own');
  await page.getByLabel('Own words for the caption').click();
  await page.keyboard.type('A reel');
  await frame.locator('[data-block=set]').click();
  await page.getByRole('group', { name: 'Shape of all slides' }).getByRole('button', { name: '1:1' }).click();
  await expect(page.getByRole('list', { name: 'Running order' }).locator('[data-picture]')).toHaveCount(2);
  const shape = async () =>
    ((await (await fetch(`${own.url}/api/arrangements/${set.id}`)).json()) as { values: { slider: { shape: string } } })
      .values.slider.shape;
  await expect.poll(shape).toBe('1:1');
  await page.keyboard.press('Control+z');
  await expect.poll(shape).toBe('3:2');
  // The words were typed as one: one more press takes all of them, and the next the choice before.
  await page.keyboard.press('Control+z');
  const caption = async () => (await draftOf(own.url, id)).find((piece) => piece.type === 'figure')!.attrs!;
  await expect.poll(async () => (await caption()).caption ?? '').toBe('');
  await expect.poll(async () => (await caption()).captionSource).toBe('own');
  await frame.locator('figure[data-block=reel]').click();
  await page.keyboard.press('f');
  await page.waitForURL(/\/library\/room\//);
  await page.goBack();
  await expect(frame.locator('.ProseMirror')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(async () => (await caption()).captionSource ?? 'none').toBe('none');
});

test('On the desk the map keeps the focus, a link is of the words it was typed for, sizes and tables are read as meant', async ({
  page,
  own,
}) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Home', [
    text('First words. '),
    { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'How to come' }] },
    { type: 'paragraph' },
    text('Last words.'),
    { type: 'figure', attrs: { asset: reel!.id, size: 'half' } },
    { type: 'figure', attrs: { asset: '', size: 'half' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  const sheet = page.getByRole('complementary', { name: 'Sheet' });
  // The map keeps the focus on the button that was pressed.
  const move = sheet.getByRole('listitem').filter({ hasText: 'Last words.' }).getByRole('button', { name: 'Move up' });
  await move.focus();
  await page.keyboard.press('Enter');
  await expect(
    sheet.getByRole('listitem').filter({ hasText: 'Last words.' }).getByRole('button', { name: 'Move up' }),
  ).toBeFocused();

  const field = page.getByLabel('Where it leads');
  await frame.getByText('First words.').dblclick({ position: { x: 20, y: 12 } });
  await field.fill('https://');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'The name of the site is missing' })).toBeVisible();
  await frame.getByText('Last words.').dblclick({ position: { x: 20, y: 12 } });
  await expect(field).toHaveValue('');
  await expect(page.getByText('The name of the site is missing')).toHaveCount(0);
  // Typed and left is set, for the words that were marked then.
  await field.fill('example.org/kites');
  await frame.getByText('First words.').dblclick({ position: { x: 20, y: 12 } });
  const links = async () => JSON.stringify(await draftOf(own.url, id)).match(/"href":"[^"]*"/g) ?? [];
  await expect.poll(links).toEqual(['"href":"https://example.org/kites"']);
  await page.getByLabel('or a heading of this page').selectOption({ label: 'How to come' });
  await expect.poll(async () => (await links()).length).toBe(2);
  await expect(field).toHaveValue(/^#/);
  await field.fill('');
  await page.keyboard.press('Enter');
  await expect.poll(links).toEqual(['"href":"https://example.org/kites"']);

  await frame.locator('figure img').first().click();
  await page.getByLabel('Size in px').fill('50%');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'A width in px' })).toBeVisible();
  await expect(page.getByLabel('Size in px')).toHaveValue('50%');
  await dropFiles(page, frame.locator('figure.dk-waiting, figure .stand-in').first(), ['two-lanterns.jpg']);
  await expect.poll(async () => (await draftOf(own.url, id)).filter((piece) => piece.attrs?.asset).length).toBe(2);
  expect((await draftOf(own.url, id)).filter((piece) => piece.type === 'figure')).toHaveLength(2);

  await frame.getByText('Last words.').click();
  await pasteCopied(page, {
    html: '<table><tr><td>Room</td><td>Price</td></tr><tr><td>Large</td><td>40</td></tr></table>',
  });
  await expect(frame.locator('.ProseMirror')).toContainText('Room');
  await expect(frame.locator('.ProseMirror')).not.toContainText('RoomPrice');
});

test('In the library a refusal stands beside its button, a switch ends its word, a repeat is led to, a reading goes on', async ({
  page,
  own,
}) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg']);
  await makePage(own.url, 'Home', [text('Here.'), { type: 'figure', attrs: { id: 'there', asset: reel!.id } }]);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^no alt/ }).click();
  await page.getByRole('searchbox', { name: 'Search the library' }).click();
  await page.keyboard.press('End');
  await page.keyboard.type('reel');
  await expect(page).toHaveURL(/q=no-alt\+reel/);
  await page.locator(`[data-picture="${reel!.id}"]`).click();
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  await sheet.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(sheet.getByRole('alert')).toBeInViewport();
  await expect(sheet.getByRole('alert')).toContainText('It stands on Home');
  await sheet.getByRole('link', { name: 'Home' }).click();
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Line reel', exact: true })).toBeVisible();
  await page.goBack();
  await expect(sheet.getByRole('heading', { name: 'Line reel', exact: true })).toBeVisible();
  await expect(page.getByRole('searchbox', { name: 'Search the library' })).toHaveValue('no-alt reel');

  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await choose(page, page.getByRole('menuitem', { name: 'Pictures and files' }), [demoFile('two-lanterns.jpg')]);
  const coming = page.getByRole('region', { name: 'Files coming in' });
  await expect(coming).toContainText('was in the library already');
  await page.getByRole('link', { name: 'Arrangements' }).click();
  await coming.getByRole('link', { name: 'show it' }).click();
  await expect(sheet.getByRole('heading', { name: 'Two lanterns', exact: true })).toBeVisible();

  await page.goto(`${own.url}/library/in`);
  await choose(page, page.getByRole('button', { name: 'Choose a file' }), [demoFile('../mailbox/lantern-evening.eml')]);
  const alt = page.getByRole('textbox', { name: /^Alt text of/ }).first();
  await alt.fill('Lanterns over the water');
  await page.reload();
  await expect(alt).toHaveValue('Lanterns over the water');
  await page.goto(`${own.url}/library/in`);
  const waiting = page.getByRole('region', { name: 'Not finished' });
  await waiting.getByRole('link').click();
  await expect(alt).toHaveValue('Lanterns over the water');
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(page.getByRole('heading', { name: 'From elsewhere' })).toBeVisible();
  await expect(waiting).toHaveCount(0);
});

test('A number that cannot be stays in its field and stops nothing, quick keys all count, autoplay that has ended plays again', async ({
  page,
  own,
}) => {
  const ids = (await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg'])).map((file) => file.id!);
  const set = await makeSlides(own.url, ids, 'slider', { stayMs: 2000, playsItself: true, loops: false, changeMs: 0 });
  await page.goto(`${own.url}/arrangements/${set.id}`);
  type Values = { items: { title?: string; stayMs?: number | null }[]; slider: { stayMs: number } };
  const values = async () =>
    ((await (await fetch(`${own.url}/api/arrangements/${set.id}`)).json()) as { values: Values }).values;
  const stay = page.getByLabel('Stay, s', { exact: true });
  await stay.fill('100');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: 'Type a number from' })).toBeVisible();
  await page.getByRole('button', { name: /^1: / }).click();
  await page.getByLabel('Title over it').fill('Kept all the same');
  await expect.poll(async () => (await values()).items[0]!.title).toBe('Kept all the same');
  await expect(stay).toHaveValue('100');
  await stay.fill('');
  await page.keyboard.press('Tab');
  await expect(stay).toHaveValue('2');
  const start = page.getByLabel('Starts with picture');
  await start.fill('9');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: 'Type a number from 1 to 2' })).toBeVisible();
  await start.fill('1');
  await page.getByRole('slider', { name: 'Stay at stop 1' }).focus();
  for (let i = 0; i < 6; i++) {
    await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(60);
  }
  await expect.poll(async () => (await values()).items[0]!.stayMs).toBe(5000);

  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(async () => (await values()).items[0]!.stayMs ?? 2000).toBeLessThan(5000);
  await makePage(own.url, 'Home', [{ type: 'arrangement', attrs: { arrangement: set.id, reach: 'column' } }]);
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  const play = page.getByRole('button', { name: 'Play' });
  await expect(play).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('.slider-told')).toHaveText('2 / 2');
  await play.click();
  await expect(page.locator('.slider-told')).toHaveText('1 / 2');
  // A finger or wheel that goes on over its end does not leave the page.
  expect(await page.locator('.slides').evaluate((row) => getComputedStyle(row).overscrollBehaviorX)).toBe('contain');
});

test('Several slides are moved, hidden and timed as one; a swipe stops where the arrows do; Arabic runs from the right', async ({
  page,
  own,
  browser,
}) => {
  const names = ['line-reel.jpg', 'two-lanterns.jpg', 'box-kite.jpg', 'diamond-kite.jpg', 'three-kites-up.jpg'];
  const ids = (await takeIn(own.url, names)).map((file) => file.id!);
  const set = await makeSlides(own.url, ids, 'carousel', { inView: [1, 2, 2], advanceBy: [1, 2, 2], shape: '1:1' });
  const id = await makePage(own.url, 'Home', [
    text('طائرات ورقية فوق البحر'),
    { type: 'figure', attrs: { id: 'reel', asset: ids[0], size: 'half', side: 'left' } },
    { type: 'arrangement', attrs: { id: 'set', arrangement: set.id, reach: 'column' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  // On a phone three sizes are one, and that is said.
  await frame.locator('figure[data-block=reel]').click();
  await expect(page.getByText('are as wide as one another')).toHaveCount(0);
  await page.getByRole('button', { name: /^phone/ }).click();
  await expect(page.getByText('On phone third, half and column are as wide as one another.')).toBeVisible();

  await page.goto(`${own.url}/arrangements/${set.id}`);
  const order = page.getByRole('list', { name: 'Running order' }).locator('[data-picture]');
  await order.nth(1).click();
  await order.nth(2).click({ modifiers: ['Control'] });
  const chosen = page.getByRole('group', { name: 'The 2 chosen' });
  await chosen.getByRole('button', { name: 'Later' }).click();
  await chosen.getByLabel('Stay of each, s').fill('8');
  await chosen.getByRole('button', { name: 'Hide' }).click();
  const kept = async () =>
    ((await (await fetch(`${own.url}/api/arrangements/${set.id}`)).json()) as typeof set).values.items.map(
      ({ asset, stayMs, isOn }) => `${ids.indexOf(asset)} ${String(stayMs ?? '')} ${String(isOn)}`,
    );
  await expect.poll(kept).toEqual(['0  true', '3  true', '1 8000 false', '2 8000 false', '4  true']);
  await chosen.getByRole('button', { name: 'Show' }).click();
  await expect.poll(async () => (await kept())[2]).toBe('1 8000 true');

  await publish(own.url);
  const hand = await browser.newPage({ viewport: { width: 800, height: 900 }, hasTouch: true });
  await hand.goto(`${own.url}/live/`);
  const words = hand.locator('p', { hasText: 'طائرات' });
  const [line, box] = await words.evaluate((p) => {
    const range = document.createRange();
    range.selectNodeContents(p);
    return [range.getBoundingClientRect(), p.getBoundingClientRect()].map(({ right }) => right);
  });
  expect(Math.abs(line! - box!)).toBeLessThan(1);
  const slides = hand.locator('.slides');
  await slides.scrollIntoViewIfNeeded();
  await expect(hand.locator('.slider-told')).toHaveText(/^1 \//);
  const at = (await slides.boundingBox())!;
  await swipe(hand, { x: at.x + at.width * 0.85, y: at.y + at.height / 2 }, -at.width * 0.7);
  await expect(hand.locator('.slider-told')).toHaveText(/^2 \//);
  const left = await slides.evaluate((row) => row.scrollLeft);
  await hand.getByRole('button', { name: 'Previous' }).click();
  await expect(hand.locator('.slider-told')).toHaveText(/^1 \//);
  await hand.getByRole('button', { name: 'Next' }).click();
  await expect.poll(() => slides.evaluate((row) => row.scrollLeft)).toBeCloseTo(left, 0);
  await hand.close();
});
