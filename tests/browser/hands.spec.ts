import { choose, demoFile, expect, makePage, makeSlides, openDesk, publish, takeIn, test, text } from './dekoro';

type Piece = { type: string; content?: { text?: string }[]; attrs?: Record<string, unknown> };
const draft = async (url: string, id: string) =>
  ((await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as { document: { content: Piece[] } }).document.content;
const words = async (url: string, id: string) =>
  (await draft(url, id)).map((piece) => piece.content?.map((run) => run.text).join('') ?? piece.type);

test('From the plus between two pieces a picture, and then several as a gallery, come from this computer to that very place', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'Home', [text('Above.'), text('Below.')]);
  const frame = await openDesk(page, own.url, id);
  const add = async (what: string, files: string[]) => {
    const above = (await frame.getByText('Above.').boundingBox())!;
    await page.mouse.move(above.x + above.width / 2, above.y + above.height + 10);
    await page.getByRole('button', { name: 'Add here' }).click();
    await choose(page, page.getByRole('menuitem', { name: what, exact: true }), files.map(demoFile));
  };
  await add('Picture from this computer', ['line-reel.jpg']);
  await expect(frame.locator('figure img')).toBeVisible();
  await expect.poll(() => words(own.url, id)).toEqual(['Above.', 'figure', 'Below.']);
  await add('Gallery of pictures from this computer', ['two-lanterns.jpg', 'bridle-ring.jpg']);
  await expect.poll(() => words(own.url, id)).toEqual(['Above.', 'arrangement', 'figure', 'Below.']);
  // They are asked for their words, and get them there.
  await expect(page.getByText('3 pictures came in without alt text')).toBeVisible();
  await page.getByRole('button', { name: 'Write the words now' }).click();
  const round = page.getByRole('dialog');
  for (const alt of ['A reel', 'Lanterns', 'A ring']) {
    await expect(round.getByLabel('Alt text')).toBeFocused();
    await page.keyboard.type(alt);
    await page.keyboard.press('Control+Enter');
  }
  await expect(round).toHaveCount(0);
  await expect(page.getByText('came in without alt text')).toHaveCount(0);
});

test('What is added by the plus takes the next words that are typed, and after Escape the caret is where it was', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'Home', [text('Above.'), text('Below.')]);
  const frame = await openDesk(page, own.url, id);
  const plus = async () => {
    const above = (await frame.getByText('Above.').boundingBox())!;
    await page.mouse.move(above.x + above.width / 2, above.y + above.height + 10);
    await page.getByRole('button', { name: 'Add here' }).click();
  };
  for (const [kind, said] of [
    ['Text', 'lines one'],
    ['Heading', 'all lines'],
    ['Quote', 'said of lines'],
  ] as const) {
    await plus();
    await page.getByRole('menuitem', { name: kind, exact: true }).click();
    await page.keyboard.type(said);
    await expect(frame.getByText(said)).toBeVisible();
  }
  await frame.getByText('Below.').click();
  await page.keyboard.press('End');
  await plus();
  await page.keyboard.press('Escape');
  await page.keyboard.type(' Still here.');
  await expect(frame.getByText('Below. Still here.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Library L/ })).toHaveAttribute('aria-expanded', 'false');
});

test('A new page takes what is typed at once, and no letter of it acts as a key', async ({ page, own }) => {
  await page.goto(own.url);
  await page.getByRole('button', { name: 'New page' }).click();
  await page.keyboard.type('Lantern night');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/pages\/[0-9a-f]+$/);
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror')).toBeFocused();
  await page.keyboard.type('lanterns fly at 3, pilots at 1');
  await expect(frame.locator('.ProseMirror p')).toHaveText('lanterns fly at 3, pilots at 1');
  await expect(page.getByRole('button', { name: /^Library L/ })).toHaveAttribute('aria-expanded', 'false');
  await expect(page.getByLabel('Width of the page in px')).toHaveValue('1280');
});

test('A press on the empty paper below the last piece, or beside the words, puts the caret there', async ({
  page,
  own,
}) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Home', [
    text('First line.'),
    { type: 'figure', attrs: { asset: reel!.id, size: 'third' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  const paper = (await page.locator('iframe[title^="The page at"]').boundingBox())!;
  await page.mouse.click(paper.x + paper.width / 2, paper.y + paper.height - 20);
  await page.keyboard.type('lines at the end');
  await expect.poll(() => words(own.url, id)).toEqual(['First line.', 'figure', 'lines at the end']);
  const first = (await frame.getByText('First line.').boundingBox())!;
  await page.mouse.click(paper.x + paper.width - 12, first.y + first.height / 2);
  await page.keyboard.type(' Goes on.');
  await expect.poll(() => words(own.url, id)).toEqual(['First line. Goes on.', 'figure', 'lines at the end']);
});

test('A dialog begins in its first field, and one without fields on what it is for', async ({ page, own }) => {
  await makePage(own.url, 'Home', [text('Here.')]);
  await page.goto(own.url);
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Publish now' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Publish', exact: true })).toBeFocused();
  await page.getByRole('button', { name: 'New page' }).click();
  await expect(page.getByRole('dialog').getByRole('textbox').first()).toBeFocused();
});

test('Delete with a picture of a running order chosen takes that picture out, and the arrangement stays on the page', async ({
  page,
  own,
}) => {
  const pictures = (await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg', 'bridle-ring.jpg'])).map(
    (file) => file.id!,
  );
  const set = await makeSlides(own.url, pictures, 'slider', {});
  const id = await makePage(own.url, 'Home', [
    text('Here.'),
    { type: 'arrangement', attrs: { arrangement: set.id, reach: 'column' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('[data-block].set, .set').first().click();
  const order = page.getByRole('list', { name: 'Running order' });
  await order.getByRole('button', { name: /^2:/ }).click();
  await page.keyboard.press('Delete');
  await expect(order.locator('[data-picture]')).toHaveCount(2);
  await expect(frame.locator('.set')).toBeVisible();
  // The focus went on to the next: the same key again means that one, and never the arrangement.
  await page.keyboard.press('Delete');
  await expect(order.locator('[data-picture]')).toHaveCount(1);
  expect((await words(own.url, id)).at(-1)).toBe('arrangement');
});

test('An arrangement that is taken away by one press is back by another, as it was', async ({ page, own }) => {
  const pictures = (await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg'])).map((file) => file.id!);
  const set = await makeSlides(own.url, pictures, 'slider', { stayMs: 7000 });
  await page.goto(`${own.url}/arrangements`);
  await page.getByRole('button', { name: 'Remove “Kites of the week”' }).click();
  await expect(page.getByText('“Kites of the week” is removed.')).toBeVisible();
  await expect(page.getByRole('link', { name: /Kites of the week/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('link', { name: /Kites of the week/ }).click();
  await expect(page.getByRole('list', { name: 'Running order' }).locator('[data-picture]')).toHaveCount(2);
  expect(
    (
      (await (await fetch(`${own.url}/api/arrangements/${set.id}`)).json()) as {
        values: { slider: { stayMs: number } };
      }
    ).values.slider.stayMs,
  ).toBe(7000);
});

test('Publish opens its sheet whenever it is pressed, also while what is to be published is being asked for', async ({
  page,
  own,
}) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Home', [
    text('Here.'),
    { type: 'figure', attrs: { asset: reel!.id, alt: null } },
    { type: 'figure', attrs: { asset: reel!.id, alt: null } },
  ]);
  await publish(own.url);
  await page.goto(own.url);
  const button = page.getByRole('button', { name: 'Publish', exact: true });
  const sheet = page.getByRole('dialog', { name: 'Publish' });
  let waitMs = 0;
  await page.route('**/api/publish', async (route) => {
    if (route.request().method() !== 'GET') return route.continue();
    await new Promise((done) => setTimeout(done, waitMs));
    await route.continue();
  });
  for (let i = 0; i < 16; i++) {
    waitMs = (i % 4) * 60;
    const version = ((await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as { version: number }).version;
    const body = JSON.stringify({
      title: 'Home',
      document: {
        type: 'doc',
        content: [
          text(`Here ${i}.`),
          { type: 'figure', attrs: { asset: reel!.id } },
          { type: 'figure', attrs: { asset: reel!.id } },
        ],
      },
    });
    const put = await fetch(`${own.url}/api/pages/${id}/draft`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${version}"` },
      body,
    });
    expect(put.ok).toBe(true);
    // The event comes, the answer is on its way, and at some moment between the button is pressed.
    await page.waitForTimeout(380 + i * 12);
    await button.click();
    await expect(sheet).toBeVisible({ timeout: 3000 });
    await expect(sheet.getByText('Home changes')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(sheet).toHaveCount(0);
  }
});
