import { expect, makePage, openDesk, passesAxe, publish, takeIn, test, text } from './dekoro';

const long = (words: string) => text(`${words} `.repeat(300));

test('Proofs stand side by side at all widths, scroll in step, and say how pictures fit; Escape leads back', async ({
  page,
  own,
}) => {
  const [file] = await takeIn(own.url, ['serpent-small.jpg']);
  const id = await makePage(own.url, 'Serpent', [
    long('First.'),
    { type: 'figure', attrs: { id: 'snake', asset: file!.id, size: 'wide', alt: 'A serpent kite' } },
    long('Last.'),
    long('End.'),
  ]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('First.').first().click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Shift+P');
  await page.waitForURL(/proofs$/);
  const proofs = ['phone', 'tablet', 'desktop'].map((c) => page.frameLocator(`iframe[title="The page on ${c}"]`));
  for (const [i, width] of [390, 820, 1280].entries()) {
    await expect(proofs[i]!.locator('figure img')).toBeVisible();
    // A frame that is still loading changes its document once.
    await expect
      .poll(() => proofs[i]!.locator('html').evaluate((html) => html.ownerDocument.defaultView?.innerWidth ?? 0))
      .toBe(width);
  }
  await expect(page.getByText('first screen')).toHaveCount(3);

  await proofs[2]!.locator('figure').evaluate((figure) => window.scrollTo(0, figure.getBoundingClientRect().top));
  // The picture stands at the top of all three.
  for (const proof of proofs)
    await expect
      .poll(async () =>
        Math.abs(await proof.locator('figure').evaluate((figure) => figure.getBoundingClientRect().top)),
      )
      .toBeLessThan(60);
  await page.getByRole('switch', { name: 'fit of the pictures' }).check();
  await expect(page.getByRole('region', { name: 'On phone' }).getByText('soft')).toBeVisible();
  await expect(page.getByRole('region', { name: 'On desktop' }).getByText('coarse')).toBeVisible();
  await passesAxe(page, 'proofs');
  await page.keyboard.press('Escape');
  await expect(page.frameLocator('iframe[title^="The page at"]').locator('.ProseMirror')).toBeVisible();
});

test('The markup of what is chosen is that of the public page, to read and copy', async ({ page, own }) => {
  const [file] = await takeIn(own.url, ['line-reel.jpg']);
  const id = await makePage(own.url, 'Reel', [
    { type: 'figure', attrs: { id: 'reel', asset: file!.id, size: 'half', alt: 'A reel of “fine” line' } },
    text('Words.'),
  ]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('figure').click();
  await page.getByRole('button', { name: /^Markup/ }).click();
  const markup = page.getByLabel('Markup of this piece');
  await expect(markup).toContainText('<picture>');
  await expect(markup).toContainText('alt="A reel of “fine” line"');
  await publish(own.url);
  const live = await page.context().newPage();
  await live.goto(`${own.url}/live/`);
  const same = await live.evaluate(
    async (html) => {
      const parsed = new DOMParser().parseFromString(html, 'text/html').querySelector('figure')!;
      const shown = document.querySelector('figure')!;
      const parts = (figure: Element) =>
        [...figure.querySelectorAll('img')].map((image) =>
          [image.getAttribute('srcset'), image.sizes, image.alt, image.getAttribute('width')].join(),
        );
      return [parts(parsed), parts(shown), parsed.className, shown.className];
    },
    await markup.innerText(),
  );
  expect(same[0]).toEqual(same[1]);
  expect(same[2]).toEqual(same[3]);
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByText('Copied.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('<picture>');
  // It follows what is changed.
  await page.getByRole('group', { name: 'Size' }).getByRole('button', { name: 'third' }).click();
  await expect(markup).toContainText('fig-third');
});

test('A page with another address keeps every link to it, and its old address leads on until it is let go', async ({
  page,
  own,
}) => {
  await makePage(own.url, 'Home');
  const visit = await makePage(own.url, 'Visit');
  await makePage(own.url, 'Days', [
    {
      type: 'paragraph',
      content: [{ type: 'text', text: 'Come and see', marks: [{ type: 'link', attrs: { href: `page:${visit}` } }] }],
    },
  ]);
  await publish(own.url);
  const before = `${own.url}/live/visit/`;
  expect((await fetch(before)).status).toBe(200);
  await openDesk(page, own.url, visit);
  await page.getByLabel('Address').fill('coming-here');
  await page.keyboard.press('Tab');
  await expect(page.getByText('leads on to this page')).toBeVisible();
  await publish(own.url);

  const visitor = await page.context().newPage();
  await visitor.goto(before);
  await visitor.waitForURL(/live\/coming-here\/$/);
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText('Visit');
  await visitor.goto(`${own.url}/live/days/`);
  await visitor.getByRole('link', { name: 'Come and see' }).click();
  await visitor.waitForURL(/live\/coming-here\/$/);

  await page.getByRole('button', { name: 'forget it' }).click();
  await expect(page.getByText('leads on to this page')).toHaveCount(0);
  await publish(own.url);
  expect((await fetch(before)).status).toBe(404);
});

test('On a slow line the page is rehearsed: nothing, then words, then one picture after the other, at the times that are told', async ({
  page,
  own,
}) => {
  const files = await takeIn(own.url, ['museum-door.jpg', 'line-reel.jpg']);
  const id = await makePage(own.url, 'Home', [
    { type: 'figure', attrs: { id: 'first', asset: files[0]!.id } },
    text('Words of the page.'),
    { type: 'figure', attrs: { id: 'second', asset: files[1]!.id } },
  ]);
  await page.goto(`${own.url}/pages/${id}/proofs`);
  const desktop = page.frameLocator('iframe[title="The page on desktop"]');
  await expect(desktop.locator('[data-block=second] img')).toBeVisible();
  await page.getByRole('combobox', { name: 'Line' }).selectOption('a slow line');
  const rehearse = page.getByRole('button', { name: 'Rehearse' });
  await rehearse.focus();
  const begun = Date.now();
  await page.keyboard.press('Enter');
  await expect(desktop.getByText('Words of the page.')).toBeHidden();
  const said = page.getByRole('region', { name: 'On desktop' }).getByText(/^Words after/);
  const told = (await said.textContent())!.match(/[\d.]+/g)!.map(Number);
  expect(told[0]!).toBeLessThan(told[1]!);
  expect(told[1]!).toBeLessThanOrEqual(told[2]!);
  await expect(desktop.getByText('Words of the page.')).toBeVisible();
  expect((Date.now() - begun) / 1000).toBeGreaterThan(told[0]! - 0.3);
  await expect(desktop.locator('[data-block=first] img')).toBeHidden();
  await expect(desktop.locator('[data-block=first] img')).toBeVisible();
  expect((Date.now() - begun) / 1000).toBeGreaterThan(told[1]! - 1);
  await passesAxe(page, 'the rehearsal');
  await page.getByRole('button', { name: 'End the rehearsal' }).click();
  await expect(desktop.locator('[data-block=second] img')).toBeVisible();
});
