import type { Locator, Page } from '@playwright/test';
import {
  deafen,
  dropFiles,
  expect,
  makePage,
  openDesk,
  passesAxe,
  publish,
  takeIn,
  telling,
  test,
  text,
} from './dekoro';

const boxesOf = (blocks: Locator) =>
  blocks.evaluateAll((elements) =>
    Object.fromEntries(
      elements.map((element) => {
        const box = element.getBoundingClientRect();
        return [
          (element as HTMLElement).dataset.block!,
          [box.x, box.y + element.ownerDocument.defaultView!.scrollY, box.width, box.height],
        ];
      }),
    ),
  );

const draftOf = async (url: string, id: string) =>
  (await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as {
    title: string;
    version: number;
    document: {
      content: { type: string; attrs: Record<string, unknown>; content?: { text: string; marks?: unknown[] }[] }[];
    };
  };

const kept = (page: Page) => expect(page.getByText(/, saved \d/)).toBeVisible();

/** Fonts and pictures are in, so that nothing will move any more. */
const settled = (body: Locator) =>
  body.evaluate(async (element) => {
    await element.ownerDocument.fonts.ready;
    for (const image of element.querySelectorAll('img')) {
      image.loading = 'eager';
      await image.decode().catch(() => {});
    }
  });

/** As a hand does it: the pointer travels. */
/** @param lies Says whether it lies where it is held over: on a slow machine that takes a while to show. */
async function dragSlowly(
  page: Page,
  from: Locator,
  to: Locator,
  hold = { x: 60, y: 60 },
  lies: () => Promise<boolean> = async () => true,
) {
  // What is still on its way to its place is not there to be taken hold of.
  await from.hover({ position: hold });
  const [a, b] = [(await from.boundingBox())!, (await to.boundingBox())!];
  await page.mouse.move(a.x + hold.x, a.y + hold.y);
  await page.mouse.down();
  await page.mouse.move(a.x + hold.x - 20, a.y + hold.y, { steps: 5 });
  await page.mouse.move(b.x + hold.x, b.y + hold.y, { steps: 15 });
  await expect(to).toBeVisible();
  await page.mouse.move(b.x + hold.x - 2, b.y + hold.y + 2, { steps: 5 });
  // Where it is held over is looked at five times a second.
  await page.waitForTimeout(300);
  for (let i = 0; i < 30 && !(await lies()); i++) {
    await page.mouse.move(b.x + hold.x - (i % 2), b.y + hold.y);
    await page.waitForTimeout(200);
  }
  await page.mouse.up();
}

test('Desk and published page put every block in the same place at three widths', async ({
  page,
  browser,
  demoUrl,
}) => {
  const pages = telling((await (await fetch(`${demoUrl}/api/pages`)).json()) as { id: string; path: string }[]);
  let [compared, worst, where] = [0, 0, ''];
  for (const item of pages) {
    const frame = await openDesk(page, demoUrl, item.id);
    for (const width of [390, 820, 1280]) {
      await page.getByLabel('Width of the page in px').fill(String(width));
      await page.keyboard.press('Enter');
      await settled(frame.locator('body'));
      const visit = await browser.newPage({ viewport: { width, height: 900 } });
      // A visitor's first page may keep a fallback face; compared is what it is with the site's own.
      await visit.route('**/site.css*', async (route) => {
        const css = await (await route.fetch()).text();
        await route.fulfill({
          contentType: 'text/css',
          body: css.replaceAll('font-display: optional', 'font-display: block'),
        });
      });
      await visit.goto(`${demoUrl}/live/${item.path}${item.path ? '/' : ''}`);
      await settled(visit.locator('body'));
      const live = await boxesOf(visit.locator('#content [data-block]'));
      // What the server draws comes to the desk a moment after the words.
      await expect
        .poll(async () => Object.keys(await boxesOf(frame.locator('#content [data-block]'))).sort())
        .toEqual(Object.keys(live).sort());
      await settled(frame.locator('body'));
      const desk = await boxesOf(frame.locator('#content [data-block]'));
      for (const [id, box] of Object.entries(live)) {
        for (const [i, value] of box.entries()) {
          const off = Math.abs(value - desk[id]![i]!);
          compared++;
          if (off > worst) [worst, where] = [off, `${id} of /${item.path} at ${width}`];
        }
      }
      await visit.close();
    }
  }
  console.log(`Desk against published: ${compared} edges of blocks compared; worst ${worst.toFixed(2)} px, ${where}`);
  expect(worst, where).toBeLessThanOrEqual(1);
});

test('What is typed keeps itself, and undo and redo cover words, titles, pictures and order', async ({ page, own }) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Reels', [
    text('One.'),
    { type: 'figure', attrs: { id: 'f', asset: reel!.id, size: 'third' } },
    text('Three.'),
  ]);
  const frame = await openDesk(page, own.url, id);
  const order = () =>
    frame.locator('#content > .column > *').evaluateAll((all) => all.map((element) => element.tagName));
  await frame.getByText('One.').click();
  await page.keyboard.press('End');
  await page.keyboard.type(' And a half.');
  await kept(page);
  expect((await draftOf(own.url, id)).document.content[0]!.content![0]!.text).toBe('One. And a half.');

  await page.keyboard.press('Escape');
  await page.getByLabel('Title', { exact: true }).fill('Reels and lines');
  await frame.locator('figure').click();
  await page.keyboard.press('+');
  await expect(frame.locator('figure')).toHaveClass(/fig-half/);
  await page.keyboard.press('Alt+ArrowUp');
  expect(await order()).toEqual(['H1', 'FIGURE', 'P', 'P']);

  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(frame.locator('h1')).toHaveText('Reels');
  await expect(frame.locator('figure')).toHaveClass(/fig-third/);
  expect(await order()).toEqual(['H1', 'P', 'FIGURE', 'P']);
  await expect(frame.locator('p').first()).toHaveText('One.');
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Redo' }).click();
  await expect(frame.locator('h1')).toHaveText('Reels and lines');
  expect(await order()).toEqual(['H1', 'FIGURE', 'P', 'P']);
  await kept(page);
  const draft = await draftOf(own.url, id);
  expect(draft.title).toBe('Reels and lines');
  expect(draft.document.content[0]).toMatchObject({ type: 'figure', attrs: { id: 'f', size: 'half' } });
});

test('A picture is placed and set by keys alone', async ({ page, own }) => {
  await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Keys', [text('Before.'), text('After.')]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('.ProseMirror').focus();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('complementary', { name: 'Sheet' }).getByRole('heading', { level: 2 })).toHaveText(
    'Before.',
  );
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('menuitem', { name: 'Picture from the library' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('searchbox', { name: 'Search the library' })).toBeFocused();
  await page.keyboard.type('reel');
  await expect(page.getByText('Click a picture: it goes where the line stands.')).toBeVisible();
  await page
    .getByRole('region', { name: 'Library' })
    .getByRole('button', { name: /^Line reel/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(frame.locator('figure img')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('a');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('-');
  await page.keyboard.press('-');
  await expect(frame.locator('figure')).toHaveClass(/fig-third fig-right/);
  await page.keyboard.press('t');
  await page.keyboard.type('A reel of line');
  await page.keyboard.press('Escape');
  await page.keyboard.press('1');
  await expect(page.getByLabel('Width of the page in px')).toHaveValue('390');
  await kept(page);
  const content = (await draftOf(own.url, id)).document.content;
  expect(content.map((node) => node.type)).toEqual(['paragraph', 'figure', 'paragraph']);
  expect(content[1]!.attrs).toMatchObject({ size: 'third', side: 'right', alt: 'A reel of line' });
});

test('Files dropped into the page, a swap and a drag land where the line shows', async ({ page, own }) => {
  await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Drops', [text('Before.'), text('After.')]);
  const frame = await openDesk(page, own.url, id);
  await dropFiles(page, frame.getByText('After.'), ['two-lanterns.jpg', 'tail-in-the-wind.gif'], { x: 40, y: 1 });
  await expect(frame.locator('figure img')).toHaveCount(2);
  const order = () =>
    frame.locator('#content > .column > *').evaluateAll((all) => all.map((element) => element.tagName).join(' '));
  expect(await order()).toBe('H1 P FIGURE FIGURE P');
  await frame.locator('figure').first().click();
  await page.getByRole('button', { name: 'Change the picture' }).click();
  const before = await frame.locator('figure img').first().getAttribute('src');
  await page
    .getByRole('region', { name: 'Library' })
    .getByRole('button', { name: /^Line reel/ })
    .click();
  await expect(frame.locator('figure img').first()).not.toHaveAttribute('src', before!);
  await expect(frame.locator('figure img')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await frame
    .locator('figure')
    .nth(1)
    .dragTo(frame.getByText('Before.'), { targetPosition: { x: 30, y: 0 } });
  expect(await order()).toBe('H1 FIGURE P FIGURE P');
});

/** A page with one picture, which is chosen. */
async function chooseReel(page: Page, url: string, attrs: object = {}) {
  const [reel] = await takeIn(url, ['line-reel.jpg']);
  const id = await makePage(url, 'Reel', [
    { type: 'figure', attrs: { id: 'f', asset: reel!.id, ...attrs } },
    text('After.'),
  ]);
  const frame = await openDesk(page, url, id);
  await frame.locator('figure').click();
  return { frame, sheet: page.getByRole('complementary', { name: 'Sheet' }) };
}

/** What is said of the page as it stands waits until it is let come. */
async function holdAnswers(page: Page) {
  const held: (() => void)[] = [];
  await page.route('**/look*', async (route) => {
    await new Promise<void>((go) => held.push(go));
    await route.continue();
  });
  return { waiting: () => held.length, come: () => held.splice(0).forEach((go) => go()) };
}

test('A picture that is let go at the moment the page moves under it still comes onto the page', async ({
  page,
  own,
}) => {
  await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(
    own.url,
    'Moving',
    Array.from({ length: 30 }, (_, i) => text(`Paragraph ${i}.`)),
  );
  const frame = await openDesk(page, own.url, id);
  await page.getByRole('button', { name: /^Library L/ }).click();
  // As when an answer comes late: what stands above is another height from one moment to the next.
  await frame.locator('body').evaluate((body) => {
    const inside = body.ownerDocument;
    inside.defaultView!.scrollTo(0, 200);
    inside.addEventListener('dragenter', () => inside.defaultView!.scrollTo(0, 0), { once: true, capture: true });
  });
  const picture = (await page
    .getByRole('region', { name: 'Library' })
    .getByRole('button', { name: /^Line reel/ })
    .boundingBox())!;
  const words = (await frame.getByText('Paragraph 1.').boundingBox())!;
  await page.mouse.move(picture.x + 40, picture.y + 40);
  await page.mouse.down();
  await page.mouse.move(words.x + 60, words.y + 4);
  await page.mouse.up();
  await expect(frame.locator('figure')).toHaveCount(1);
});

test('A picture that is pressed, and held before it is dragged, tries nothing that moves the page', async ({
  page,
  own,
}) => {
  const { frame } = await chooseReel(page, own.url);
  await page.getByRole('button', { name: /^Library L/ }).click();
  const drawer = page.getByRole('region', { name: 'Library' });
  await drawer.getByRole('button', { name: /^Line reel/ }).hover();
  await page.mouse.down();
  await page.waitForTimeout(600);
  await expect(drawer.getByText('As it would stand there')).toHaveCount(0);
  const paper = (await page.locator('iframe[title^="The page at"]').boundingBox())!;
  await page.mouse.move(paper.x + 200, paper.y + 100);
  await page.mouse.up();
  await expect(frame.locator('figure')).toHaveCount(2);
});

test('What is about to be pressed in the sheet stays under the hand while answers come', async ({ page, own }) => {
  const { frame, sheet } = await chooseReel(page, own.url, { size: 200, side: 'right' });
  const fit = sheet.getByRole('region', { name: 'Fit at each width' });
  const beside = sheet.getByRole('switch', { name: 'text beside' });
  await expect(fit).toContainText('sharp');
  const answers = await holdAnswers(page);
  const heightOf = async () => (await fit.boundingBox())!.height;
  const yOf = async () => (await beside.boundingBox())!.y;
  /** Gives a size and goes to the switch, maybe presses it, and then the answer comes. */
  const comes = async (size: number, presses: boolean) => {
    const before = await fit.textContent();
    await sheet.getByLabel('Size in px').fill(String(size));
    await sheet.getByLabel('Size in px').press('Enter');
    const [y, height] = [await yOf(), await heightOf()];
    await beside.hover();
    if (presses) await page.mouse.down();
    await expect
      .poll(() => {
        answers.come();
        return fit.textContent();
      })
      .not.toBe(before);
    expect(Math.abs((await yOf()) - y)).toBeLessThan(1.5);
    await page.mouse.up();
    return (await heightOf()) - height;
  };
  // A sentence comes above it and is scrolled by; it goes again, and its room stays until the pointer has left.
  expect(await comes(300, false)).toBeGreaterThan(20);
  expect(Math.abs(await comes(200, false))).toBeLessThan(1);
  const high = await heightOf();
  await frame.getByText('After.').hover();
  await expect.poll(heightOf).toBeLessThan(high - 20);
  // The same where it is scrolled already, and the browser keeps things in place in its own way.
  await sheet.getByRole('button', { name: /^Words/ }).click();
  await beside.hover();
  await page.mouse.wheel(0, 20);
  await expect.poll(() => sheet.evaluate((element) => element.scrollTop)).toBeGreaterThan(10);
  await comes(300, false);
  await comes(200, false);
  await frame.getByText('After.').hover();
  await comes(300, true);
  await expect(beside).toBeChecked();
  await comes(200, true);
  await expect(beside).not.toBeChecked();
});

test('What a place allowed before refuses no press while its new answer is on the way', async ({ page, own }) => {
  const { frame, sheet } = await chooseReel(page, own.url, { size: 'column' });
  const beside = sheet.getByRole('switch', { name: 'text beside' });
  await expect(beside).toBeDisabled();
  const answers = await holdAnswers(page);
  await sheet.getByRole('button', { name: 'right', exact: true }).click();
  await sheet.getByRole('button', { name: 'third', exact: true }).click();
  await beside.hover();
  await page.mouse.down();
  // The answer that comes now is of the column's width, whose text stands beside nothing.
  await expect.poll(answers.waiting).toBe(1);
  answers.come();
  await expect.poll(answers.waiting).toBe(1);
  await page.mouse.up();
  await expect(beside).toBeChecked();
  const shown = () => {
    answers.come();
    return frame.locator('figure').getAttribute('class');
  };
  await expect.poll(shown).toMatch(/fig-third fig-right beside-tablet/);
});

test('What is pressed on leaving a field is pressed, though what is said of the field moves it', async ({
  page,
  own,
}) => {
  const { sheet } = await chooseReel(page, own.url);
  await sheet.getByRole('button', { name: /^Link/ }).click();
  await sheet.getByLabel('A click leads to').selectOption('a page or an address');
  const look = sheet.getByRole('button', { name: /^Look/ });
  const yOf = async () => (await look.boundingBox())!.y;
  // Said above what is pressed it would be pushed down, and taken away again it would come up.
  for (const [typed, says] of [
    ['kites.example/reels', 'Added https:// in front.'],
    ['https://kites.example/reel', ''],
  ] as const) {
    const open = await look.getAttribute('aria-expanded');
    await sheet.getByLabel('Where it leads').fill(typed);
    await look.scrollIntoViewIfNeeded();
    await look.hover();
    const y = await yOf();
    await page.mouse.down();
    await expect(sheet.getByText('Added https:// in front.')).toHaveCount(says ? 1 : 0);
    expect(Math.abs((await yOf()) - y)).toBeLessThan(1.5);
    await page.mouse.up();
    await expect(look).not.toHaveAttribute('aria-expanded', open!);
  }
});

test('A grip keeps proportions, Alt makes them a cut, Escape leaves all as it was', async ({ page, own }) => {
  const [reel] = await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Grips', [
    { type: 'figure', attrs: { id: 'f', asset: reel!.id, size: 'half' } },
    text('After.'),
  ]);
  const frame = await openDesk(page, own.url, id);
  const figure = frame.locator('figure');
  // A grip is taken where it stays: once the picture is there and its tag says what it is.
  await figure.locator('img').evaluate((image: HTMLImageElement) => image.decode());
  await figure.click();
  await expect(page.getByTestId('tag')).toContainText('half');
  const scale = 686 / 1280;
  const drag = async (corner: string, dx: number, dy: number, release = true) => {
    const box = (await page.getByTestId('trim-marks').locator(`[data-corner=${corner}]`).boundingBox())!;
    await page.mouse.move(box.x + 12, box.y + 12);
    await page.mouse.down();
    await page.mouse.move(box.x + 12 + dx * scale, box.y + 12 + dy * scale, { steps: 6 });
    if (release) await page.mouse.up();
  };
  // Centred, it grows to both sides: 30 px at a corner are 60 px of width.
  await drag('ne', 30, -4);
  await expect(figure).toHaveClass(/fig-px/);
  await kept(page);
  const px = (await draftOf(own.url, id)).document.content[0]!.attrs.size as number;
  expect(Math.abs(px - 408)).toBeLessThanOrEqual(2);
  const shape = () =>
    figure
      .locator('img')
      .evaluate((image) => image.getBoundingClientRect().width / image.getBoundingClientRect().height);
  expect(await shape()).toBeCloseTo(560 / 700, 2);

  await drag('nw', 40, 10, false);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(page.getByTestId('tag')).toContainText(`${px} px`);
  await expect(page.getByTestId('trim-marks')).toBeVisible();

  await page.keyboard.down('Alt');
  await drag('ne', 0, 120);
  await page.keyboard.up('Alt');
  await expect.poll(async () => (await draftOf(own.url, id)).document.content[0]!.attrs.shape).toMatch(/^\d+:\d+$/);
  await expect(figure.locator('img')).toHaveAttribute('src', /\/0-\d+-560-/);
  expect(await shape()).toBeGreaterThan(560 / 700 + 0.1);

  // On a phone third, half and column are equally wide: the size stays what it was called.
  await page.getByRole('button', { name: 'third', exact: true }).click();
  await page.keyboard.press('1');
  await expect(page.getByTestId('tag')).toContainText('358 px, a third');
});

test('The page map puts pieces in another order by drag and by button', async ({ page, own }) => {
  const id = await makePage(own.url, 'Map', [text('First.'), text('Second.'), text('Third.')]);
  const frame = await openDesk(page, own.url, id);
  const sheet = page.getByRole('complementary', { name: 'Sheet' });
  const row = (name: string) => sheet.getByRole('listitem').filter({ hasText: name });
  await row('Third.').hover();
  await row('Third.').getByRole('button', { name: 'Move up' }).click();
  await expect(frame.locator('p')).toHaveText(['First.', 'Third.', 'Second.']);
  await page.keyboard.press('Escape');
  await dragSlowly(page, row('Second.'), row('First.'), { x: 40, y: 12 });
  await expect(frame.locator('p')).toHaveText(['Second.', 'First.', 'Third.']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(frame.locator('p')).toHaveText(['First.', 'Third.', 'Second.']);
});

test('Kinds of text, marked words and links come through to the published page', async ({ page, own }) => {
  const id = await makePage(own.url, 'Visit', [
    text('Opening times'),
    text('We open at ten, see the museum.'),
    text('Bring a coat.'),
  ]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('Opening times').click();
  await page.getByRole('button', { name: 'Heading', exact: true }).click();
  await expect(frame.locator('h2')).toHaveText('Opening times');
  await frame.getByText('Bring a coat.').click();
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await expect(frame.locator('ul li')).toHaveText('Bring a coat.');
  await frame.getByText('We open').click();
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  for (let i = 0; i < 'the museum'.length; i++) await page.keyboard.press('Shift+ArrowLeft');
  await page.getByRole('button', { name: 'Bold' }).click();
  await page.getByLabel('Where it leads').fill('javascript:alert(1)');
  await page.getByRole('button', { name: 'Set' }).click();
  await expect(page.getByText('An address that begins with “javascript:” cannot be used as a link')).toBeVisible();
  await page.getByLabel('Where it leads').fill('museum.example/plan');
  await page.getByRole('button', { name: 'Set' }).click();
  await expect(page.getByText('Added https:// in front.')).toBeVisible();
  await kept(page);
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Opening times');
  await expect(page.locator('li > p')).toHaveText('Bring a coat.');
  const link = page.getByRole('link', { name: 'the museum' });
  await expect(link).toHaveAttribute('href', 'https://museum.example/plan');
  await expect(link.locator('strong')).toHaveText('the museum');
});

test('Two tabs on one draft: neither loses a word', async ({ page, context, own }) => {
  const id = await makePage(own.url, 'Shared', [text('First words.')]);
  const mine = await openDesk(page, own.url, id);
  const other = await context.newPage();
  const theirs = await openDesk(other, own.url, id);
  // A window with nothing unsaved follows the other.
  await mine.getByText('First words.').click();
  await page.keyboard.press('End');
  await page.keyboard.type(' Mine.');
  await kept(page);
  await expect(theirs.locator('p')).toHaveText('First words. Mine.');

  // Both type before either hears of the other.
  await other.route('**/api/pages/*/draft', (route) =>
    route.request().method().startsWith('P')
      ? new Promise((go) => setTimeout(() => go(route.continue()), 2500))
      : route.continue(),
  );
  await theirs.getByText('First words.').click();
  await other.keyboard.press('Home');
  await other.keyboard.type('Theirs. ');
  await mine.getByText('First words.').click();
  await page.keyboard.press('End');
  await page.keyboard.type(' More of mine.');
  await kept(page);
  await expect(other.getByText('This page was changed in another window')).toBeVisible();
  await expect(theirs.locator('p')).toHaveText('Theirs. First words. Mine.');
  await other.getByRole('button', { name: 'Take theirs (undo brings mine back)' }).click();
  await expect(theirs.locator('p')).toHaveText('First words. Mine. More of mine.');
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect(theirs.locator('p')).toHaveText('Theirs. First words. Mine.');
});

test(
  'What two people change in different pieces is joined as they go on; where both changed one, both are shown ' +
    'and joined as chosen',
  async ({ page, context, own }) => {
    const paragraph = (id: string, words: string) => ({ ...text(words), attrs: { id } });
    const id = await makePage(own.url, 'Shared', [
      paragraph('one', 'First.'),
      paragraph('two', 'Second.'),
      paragraph('three', 'Third.'),
    ]);
    const mine = await openDesk(page, own.url, id);
    const other = await context.newPage();
    const theirs = await openDesk(other, own.url, id);
    // Neither hears of the other while both write.
    for (const window of [page, other]) await deafen(window);
    await page.reload();
    await other.reload();
    const writes = async (window: typeof page, frame: typeof mine, after: string, words: string) => {
      await frame.getByText(after).click();
      await window.keyboard.press('End');
      await window.keyboard.type(words);
    };
    await writes(page, mine, 'First.', ' Mine.');
    await kept(page);
    const sent: string[] = [];
    other.on(
      'request',
      (request) => request.method().startsWith('P') && request.url().endsWith('/draft') && sent.push(request.method()),
    );
    await writes(other, theirs, 'Third.', ' Theirs.');
    await expect(theirs.locator('p')).toHaveText(['First. Mine.', 'Second.', 'Third. Theirs.']);
    await kept(other);
    // What is typed further on goes as what changed.
    await writes(other, theirs, 'Third. Theirs.', ' On');
    await expect.poll(() => sent.length).toBe(2);
    await kept(other);
    await writes(other, theirs, 'Third. Theirs. On', '.');
    await expect.poll(() => sent).toEqual(['PUT', 'PUT', 'PATCH']);
    await kept(other);
    await writes(page, mine, 'Second.', ' Of mine.');
    await writes(page, mine, 'Third.', ' And mine.');
    await expect(page.getByText('This page was changed in another window')).toBeVisible();
    const both = page.getByRole('list', { name: 'Changed on both sides' });
    await expect(both.getByRole('listitem')).toHaveText('text Mine: Third. And mine. Theirs: Third. Theirs. On.');
    await passesAxe(page, 'two people on one page');
    await page.getByRole('button', { name: 'Join both, theirs where we differ' }).click();
    await expect(mine.locator('p')).toHaveText(['First. Mine.', 'Second. Of mine.', 'Third. Theirs. On.']);
    await kept(page);
    expect((await draftOf(own.url, id)).document.content.map((piece) => piece.content![0]!.text)).toEqual([
      'First. Mine.',
      'Second. Of mine.',
      'Third. Theirs. On.',
    ]);
  },
);

test('Typing goes on while the line is down, and is caught up by itself', async ({ page, own }) => {
  const id = await makePage(own.url, 'Storm', [text('Before the storm.')]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('Before the storm.').click();
  await page.keyboard.press('End');
  await page.context().setOffline(true);
  await page.keyboard.type(' The line is down.');
  await expect(page.getByText('Dekoro cannot be reached just now').first()).toBeVisible();
  await page.context().setOffline(false);
  await kept(page);
  expect((await draftOf(own.url, id)).document.content[0]!.content![0]!.text).toBe(
    'Before the storm. The line is down.',
  );
});

test('Leaving the desk in the middle of a word keeps the word, also while an earlier save is still on its way', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'Tides', [text('High water.')]);
  const frame = await openDesk(page, own.url, id);
  await page.route('**/api/pages/*/draft', async (route) => {
    if (route.request().method().startsWith('P')) await new Promise((go) => setTimeout(go, 1500));
    await route.continue();
  });
  await frame.getByText('High water.').click();
  await page.keyboard.press('End');
  const sent = page.waitForRequest((request) => request.method() === 'PUT');
  await page.keyboard.type(' At ten.');
  await sent;
  await page.keyboard.type(' And again at half past ten.');
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await expect(page.getByRole('searchbox', { name: 'Search the library' })).toBeVisible();
  await expect
    .poll(async () => (await draftOf(own.url, id)).document.content[0]!.content![0]!.text, { timeout: 15_000 })
    .toBe('High water. At ten. And again at half past ten.');
});

test('What a closed tab could not send is there when the page is opened again', async ({ page, context, own }) => {
  const id = await makePage(own.url, 'Fog', [text('Clear.')]);
  const frame = await openDesk(page, own.url, id);
  let puts = 0;
  // The first save comes through, slowly; all later ones never arrive.
  await page.route('**/api/pages/*/draft', async (route) => {
    if (!route.request().method().startsWith('P')) return route.continue();
    if (++puts > 1) return route.abort();
    await new Promise((go) => setTimeout(go, 1200));
    return route.continue();
  });
  await frame.getByText('Clear.').click();
  await page.keyboard.press('End');
  const sent = page.waitForRequest((request) => request.method() === 'PUT');
  await page.keyboard.type(' Then fog.');
  await sent;
  await page.keyboard.type(' Then nothing to be seen.');
  await expect(page.getByText('Dekoro cannot be reached just now').first()).toBeVisible();
  expect((await draftOf(own.url, id)).document.content[0]!.content![0]!.text).toBe('Clear. Then fog.');
  await page.close({ runBeforeUnload: false });
  const again = await context.newPage();
  const reopened = await openDesk(again, own.url, id);
  await expect(reopened.locator('p').first()).toHaveText('Clear. Then fog. Then nothing to be seen.');
  await kept(again);
  expect((await draftOf(own.url, id)).document.content[0]!.content![0]!.text).toBe(
    'Clear. Then fog. Then nothing to be seen.',
  );
});

test('Pages are made, ordered, switched off and readdressed without losing anything', async ({ page, own }) => {
  await makePage(own.url, 'Home', [text('Welcome.')]);
  await makePage(own.url, 'Visit', [text('Come by.')]);
  await makePage(own.url, 'Shop', [text('Buy a kite.')]);
  await publish(own.url);
  await page.goto(own.url);
  const cards = page.getByRole('article');
  await expect(cards).toHaveCount(3);
  // What the server says of the last change comes while the next card is in the hand: the hand keeps it.
  await page.route('**/api/pages', async (route) => {
    const answer = await route.fetch();
    await new Promise((later) => setTimeout(later, 900));
    await route.fulfill({ response: answer });
  });
  await page.getByRole('button', { name: 'Move Shop earlier' }).click();
  await expect(cards.nth(1)).toHaveAccessibleName('Shop');
  await dragSlowly(
    page,
    cards.nth(2),
    cards.nth(1),
    { x: 60, y: 60 },
    async () => (await cards.nth(1).getAttribute('aria-label')) === 'Visit',
  );
  await expect(cards.nth(1)).toHaveAccessibleName('Visit');
  const shop = async (what: string) => {
    await cards.filter({ hasText: 'Shop' }).getByRole('button', { name: 'More for' }).click();
    await page.getByRole('menuitem', { name: what }).click();
  };
  await shop('Switch off');
  await expect(cards.filter({ hasText: 'Shop' })).toContainText('switched off');
  await publish(own.url);
  expect((await fetch(`${own.url}/live/shop/`)).status).toBe(404);
  await page.reload();
  await shop('Switch on');
  await expect(cards.filter({ hasText: 'Shop' }).getByText('switched off')).toHaveCount(0);
  await publish(own.url);
  expect(await (await fetch(`${own.url}/live/shop/`)).text()).toContain('Buy a kite.');

  await cards.filter({ hasText: 'Shop' }).getByRole('link', { name: 'Shop', exact: true }).click();
  await expect(page.frameLocator('iframe').first().locator('.ProseMirror')).toBeVisible();
  await page.getByLabel('Address').fill('visit');
  await page.getByLabel('Address').blur();
  await expect(page.getByText('Another page has this address already: choose another.')).toBeVisible();
  await page.getByLabel('Address').fill('kites/for-sale');
  await page.getByLabel('Address').blur();
  await expect(page.getByText('/shop leads on to this page.')).toBeVisible();
  await kept(page);
  await publish(own.url);
  expect((await fetch(`${own.url}/live/kites/for-sale/`)).status).toBe(200);
});

test('Another picture is tried in its place on the page and on the phone before it is kept, by pointer and by keys', async ({
  page,
  own,
}) => {
  const [large, small] = (await takeIn(own.url, ['the-kite-hall.jpg', 'serpent-small.jpg'])).map(
    (file) => file.id!,
  ) as [string, string];
  const id = await makePage(own.url, 'Home', [
    text('Above.'),
    { type: 'figure', attrs: { id: 'hall', asset: large, size: 'column', alt: 'The hall' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  const [shown, phone] = [
    frame.locator('[data-block=hall] img'),
    page.frameLocator('iframe[title="The page on a phone"]').locator('[data-block=hall] img'),
  ];
  const standing = async () => (await draftOf(own.url, id)).document.content[1]!.attrs.asset;
  await frame.locator('[data-block=hall]').click();
  const fits = page.getByRole('region', { name: 'Fit at each width' });
  await expect(fits.getByRole('table')).toContainText('sharp');
  const before = await fits.innerText();
  expect(before).not.toMatch(/soft|coarse/);
  await page.getByRole('button', { name: 'Change the picture' }).click();
  const pictures = page.getByRole('region', { name: 'Library' }).getByRole('listitem').getByRole('button');
  await pictures
    .filter({ hasText: 'serpent' })
    .or(pictures.filter({ hasText: 'Serpent' }))
    .hover();
  await expect(shown).toHaveAttribute('src', new RegExp(small));
  await expect(phone).toHaveAttribute('src', new RegExp(small));
  // Too small for the column, and said so before it is placed.
  await expect(fits).toContainText(/soft|coarse/);
  expect(await standing()).toBe(large);
  await page.keyboard.press('Escape');
  await expect(shown).toHaveAttribute('src', new RegExp(large));
  await expect(fits).toHaveText(before, { useInnerText: true });
  await expect(frame.locator('[data-block=hall] img')).toHaveAttribute('alt', 'The hall');

  await page.getByRole('button', { name: 'Change the picture' }).focus();
  await page.keyboard.press('Enter');
  await pictures.filter({ hasText: /serpent/i }).focus();
  await expect(shown).toHaveAttribute('src', new RegExp(small));
  expect(await standing()).toBe(large);
  await page.keyboard.press('Enter');
  await expect.poll(standing).toBe(small);
  await expect(shown).toHaveAttribute('src', new RegExp(small));
});

test(
  'A first-time editor sets a picture beside text and links it: to a mended address, a mail, a telephone, a ' +
    'page, a file, the large picture',
  async ({ page, own }) => {
    await takeIn(own.url, ['line-reel.jpg', 'care-of-lines.txt']);
    await makePage(own.url, 'Home', [text('Welcome.')]);
    await makePage(own.url, 'Visit', [text('Come by.')]);
    const words = 'The reel holds two hundred metres of line, and a brake that a child can work with one hand. '.repeat(
      4,
    );
    const id = await makePage(own.url, 'Reels', [text(words), text('More below.')]);
    const frame = await openDesk(page, own.url, id);
    await frame.locator('p').first().click();
    await page.keyboard.press('Control+Home');
    await page.getByRole('button', { name: /^Library L/ }).click();
    await page
      .getByRole('region', { name: 'Library' })
      .getByRole('button', { name: /Line reel/ })
      .click();
    await page.getByRole('button', { name: /^Library L/ }).click();
    const sheet = page.getByRole('complementary', { name: 'Sheet' });
    await sheet.getByRole('group', { name: 'Side' }).getByRole('button', { name: 'right' }).click();
    await sheet.getByRole('group', { name: 'Size' }).getByRole('button', { name: 'third' }).click();
    await sheet.getByRole('switch', { name: 'text beside' }).check();
    await sheet.getByRole('button', { name: /^Words/ }).click();
    await sheet.getByLabel('Alt text').fill('A wooden reel with red line');
    await sheet.getByRole('button', { name: /^Link/ }).click();
    await sheet.getByLabel('A click leads to').selectOption('a page or an address');
    const where = sheet.getByLabel('Where it leads');
    const live = async () => {
      await kept(page);
      await publish(own.url);
      return /<a href="([^"]+)"[^>]*>\s*<picture/
        .exec(await (await fetch(`${own.url}/live/reels/`)).text())?.[1]
        ?.replaceAll('&#x2B;', '+');
    };
    for (const [typed, says, href] of [
      ['kites.example/reels', 'Added https:// in front.', 'https://kites.example/reels'],
      ['reels@kites.example', 'Read as a mail address', 'mailto:reels@kites.example'],
      ['+44 1632 960 001', 'Read as a telephone number', 'tel:+441632960001'],
      ['/visit', 'Read as a page of this site.', '../visit/'],
    ] as const) {
      await where.fill(typed);
      await where.press('Enter');
      await expect(sheet.getByText(says)).toBeVisible();
      expect(await live()).toBe(href);
    }
    // What leads nowhere is said at once, and what was there stays.
    await where.fill('javascript:alert(1)');
    await where.press('Enter');
    await expect(sheet.getByRole('alert').filter({ hasText: 'cannot be used as a link' })).toBeVisible();
    expect(await live()).toBe('../visit/');
    await sheet.getByLabel('or a file of the library').selectOption({ index: 1 });
    await expect(where).toHaveValue('/files/care-of-lines.txt');
    expect(await live()).toBe('../files/care-of-lines.txt');
    await sheet.getByLabel('A click leads to').selectOption('the larger view');
    expect(await live()).toMatch(/^\.\.\/media\/.+\.jpg$/);
    const html = await (await fetch(`${own.url}/live/reels/`)).text();
    expect(html).toContain('alt="A wooden reel with red line"');
    expect(html).toMatch(/class="fig fig-third fig-right beside-tablet beside-desktop"/);
  },
);

test(
  'A picture that is pointed at is shown where it would go, on the page and on the phone, and is in no draft ' +
    'until it is clicked',
  async ({ page, own }) => {
    await takeIn(own.url, ['line-reel.jpg', 'museum-door.jpg']);
    const id = await makePage(own.url, 'Home', [text('Above.'), text('Below.')]);
    const frame = await openDesk(page, own.url, id);
    const phone = page.frameLocator('iframe[title="The page on a phone"]');
    await frame.getByText('Above.').click();
    await page.getByRole('button', { name: /^Library L/ }).click();
    const drawer = page.getByRole('region', { name: 'Library' });
    const door = drawer.getByRole('button', { name: /^Museum door/i });
    await door.hover();
    for (const shown of [frame, phone])
      await expect(shown.locator('#content p:has-text("Above.") + figure img')).toBeVisible();
    await expect(drawer).toContainText(
      /As it would stand there: phone \w+, tablet \w+, desktop \w+\. A click keeps it\./,
    );
    expect((await draftOf(own.url, id)).document.content.map((piece) => piece.type)).toEqual([
      'paragraph',
      'paragraph',
    ]);
    // By keys: the next one is tried as it gets the focus; Escape leaves all as it was.
    await door.focus();
    await expect(frame.locator('#content figure')).toHaveCount(1);
    await page.keyboard.press('Escape');
    for (const shown of [frame, phone]) await expect(shown.locator('#content figure')).toHaveCount(0);
    await page.getByRole('button', { name: /^Library L/ }).click();
    await drawer.getByRole('button', { name: /^Line reel/i }).hover();
    await expect(frame.locator('#content p:has-text("Above.") + figure img')).toBeVisible();
    await drawer.getByRole('button', { name: /^Line reel/i }).click();
    await expect
      .poll(async () => (await draftOf(own.url, id)).document.content.map((piece) => piece.type))
      .toEqual(['paragraph', 'figure', 'paragraph']);
    await expect(frame.locator('#content figure')).toHaveCount(1);
  },
);

test('Two hundred steps are undone and done again across the taking away of a picture @long', async ({ page, own }) => {
  const files = await takeIn(own.url, ['line-reel.jpg', 'museum-door.jpg']);
  const figure = (id: string, asset: string) => ({ type: 'figure', attrs: { id, asset, size: 'half' } });
  const id = await makePage(own.url, 'Home', [
    figure('a', files[0]!.id!),
    text('Between.'),
    figure('b', files[1]!.id!),
  ]);
  const frame = await openDesk(page, own.url, id);
  const sizes = async () =>
    (await draftOf(own.url, id)).document.content
      .filter((piece) => piece.type === 'figure')
      .map((piece) => (piece as { attrs?: { size: string } }).attrs!.size);
  await frame.locator('[data-block=a]').click();
  // First one, then the other, so that no two steps are one; in the middle one is taken out and had back.
  const step = async (i: number) => {
    await page.keyboard.press(i % 2 ? '[' : ']');
    await page.keyboard.press(i % 4 < 2 ? '-' : '+');
  };
  for (let i = 0; i < 100; i++) await step(i);
  const middle = await frame.locator('#content figure').evaluateAll((all) => all.map((one) => one.className));
  await page.getByRole('button', { name: 'Remove' }).click();
  await expect(frame.locator('#content figure')).toHaveCount(1);
  await page.keyboard.press(']');
  for (let i = 0; i < 100; i++) {
    await page.keyboard.press(i % 2 ? '+' : '-');
    await page.waitForTimeout(8);
  }
  const undo = page.getByRole('button', { name: 'Undo' });
  let undone = 0;
  while (await undo.isEnabled()) {
    await page.keyboard.press('Control+z');
    undone++;
    if ((await frame.locator('#content figure').count()) === 2 && undone > 0) break;
  }
  await expect
    .poll(() => frame.locator('#content figure').evaluateAll((all) => all.map((one) => one.className)))
    .toEqual(middle);
  while (await undo.isEnabled()) {
    await page.keyboard.press('Control+z');
    undone++;
  }
  expect(undone).toBeGreaterThan(100);
  await expect.poll(sizes).toEqual(['half', 'half']);
  for (let i = 0; i < undone; i++) await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('button', { name: 'Redo' })).toBeDisabled();
  await expect(frame.locator('#content figure')).toHaveCount(1);
});
