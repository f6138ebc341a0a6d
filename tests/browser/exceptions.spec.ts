import { expect, makePage, openDesk, passesAxe, publish, takeIn, test } from './dekoro';

const figure = (asset: string) => ({
  type: 'figure',
  attrs: { id: 'pic', asset, size: 'column', captionSource: 'none' },
});

test('At one width a picture is another, at one it is hidden: visitors get just that, and fetch nothing else', async ({
  page,
  own,
  browser,
}) => {
  const [door, reel] = (await takeIn(own.url, ['museum-door.jpg', 'line-reel.jpg'])).map((file) => file.id!);
  const id = await makePage(own.url, 'Doors', [figure(door!)]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('figure').click();
  const sheet = page.getByRole('complementary').first();
  await sheet.getByRole('button', { name: /^Exceptions at a width/ }).click();

  await sheet.getByRole('button', { name: 'Set for tablet' }).click();
  await expect(page.getByLabel('Width of the page in px')).toHaveValue('820');
  await sheet.getByRole('button', { name: 'Another picture' }).click();
  await page
    .getByRole('region', { name: 'Library' })
    .getByRole('button', { name: /Line reel/ })
    .click();
  await expect(sheet.getByRole('table', { name: 'Exceptions at a width' })).toContainText('another picture');
  await expect
    .poll(() => frame.locator('figure img').evaluate((image) => (image as HTMLImageElement).currentSrc))
    .toContain(reel);

  await sheet.getByRole('button', { name: 'Set for phone' }).click();
  await sheet.getByRole('checkbox', { name: 'hidden on phone' }).check();
  await expect(sheet.getByRole('table', { name: 'Fit at each width' })).toContainText('hidden, nothing is fetched');
  const onPhone = page.frameLocator('iframe[title*="phone" i]').locator('figure');
  await expect(onPhone).toHaveCount(1);
  await expect(onPhone).toBeHidden();
  await expect
    .poll(async () => JSON.stringify(await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()))
    .toContain('"hidden":true');
  await passesAxe(page, 'exceptions');
  await publish(own.url);

  for (const [width, count] of [
    [390, 0],
    [820, 1],
    [1280, 1],
  ] as const) {
    const visitor = await browser.newPage({ viewport: { width, height: 900 } });
    const fetched: string[] = [];
    visitor.on('request', (request) => request.url().includes('/media/') && fetched.push(request.url()));
    await visitor.goto(`${own.url}/live/`, { waitUntil: 'networkidle' });
    expect(fetched.length, `at ${width} px: ${fetched.join()}`).toBe(count);
    if (count === 0) await expect(visitor.locator('figure')).toBeHidden();
    else {
      const { width: w, height: h } = (await visitor.locator('figure img').boundingBox())!;
      // The reel stands upright, the door is what it is everywhere else.
      expect(w / h).toBeCloseTo(width === 820 ? 560 / 700 : await shapeOf(own.url, door!), 1);
    }
    await visitor.close();
  }
});

const shapeOf = async (url: string, id: string) => {
  const { file } = (await (await fetch(`${url}/api/files/${id}`)).json()) as {
    file: { width: number; height: number };
  };
  return file.width / file.height;
};

test('By keys alone a picture gets a size, a side and a cut by hand at one width, and one undo after the other takes them back', async ({
  page,
  own,
}) => {
  const [door] = (await takeIn(own.url, ['museum-door.jpg'])).map((file) => file.id!);
  const id = await makePage(own.url, 'Doors', [
    { type: 'paragraph', content: [{ type: 'text', text: 'Before the door.' }] },
    figure(door!),
  ]);
  const frame = await openDesk(page, own.url, id);
  await page.keyboard.press('Tab');
  await page.keyboard.press(']');
  const sheet = page.getByRole('complementary').first();
  const press = async (name: string | RegExp) => {
    await sheet.getByRole('button', { name }).first().focus();
    await page.keyboard.press('Enter');
  };
  await press(/^Exceptions at a width/);
  await press('Set for tablet');
  const onTablet = sheet.getByRole('group', { name: 'Only on tablet' });
  await onTablet.getByLabel('Size').focus();
  await page.keyboard.type('half');
  await onTablet.getByLabel('Side').focus();
  await page.keyboard.type('left');
  await expect(frame.locator('figure')).toHaveClass(/phone-column.*tablet-half tablet-left.*desktop-column/);
  await expect.poll(async () => (await frame.locator('figure').boundingBox())!.width).toBeLessThan(400);

  await sheet.getByRole('group', { name: 'Shape on tablet' }).getByRole('button', { name: 'by hand' }).focus();
  await page.keyboard.press('Enter');
  const corner = sheet.getByRole('button', { name: /Cut.*bottom right/ });
  await corner.focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  const at = async () =>
    (
      (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as {
        document: {
          content: { attrs: { at: { tablet: { size: string; side: string; cut: { height: number } } } | null } }[];
        };
      }
    ).document.content[1]!.attrs.at?.tablet;
  await expect.poll(async () => (await at())?.cut?.height ?? 1).toBeLessThan(1);
  expect(await at()).toMatchObject({ size: 'half', side: 'left' });
  await expect(sheet.getByRole('table', { name: 'Exceptions at a width' })).toContainText('half, left, cut by hand');

  await onTablet.getByRole('button', { name: 'as everywhere' }).first().focus();
  await page.keyboard.press('Enter');
  await expect(frame.locator('figure')).toHaveClass(/^fig fig-column/);
  await page.keyboard.press('Control+z');
  await expect(sheet.getByRole('table', { name: 'Exceptions at a width' })).toContainText('half, left, cut by hand');
});

test('A picture that stands in two cuts at one place is one place: it is swapped everywhere and put back whole', async ({
  own,
}) => {
  const [door, reel] = (await takeIn(own.url, ['museum-door.jpg', 'line-reel.jpg'])).map((file) => file.id!);
  const cut = { of: door, x: 0.25, y: 0.25, width: 0.5, height: 0.5 };
  const id = await makePage(own.url, 'Doors', [
    {
      type: 'figure',
      attrs: {
        id: 'pic',
        asset: door,
        size: 'column',
        alt: 'The door',
        at: { phone: { cut }, tablet: { shape: '1:1' } },
      },
    },
  ]);
  const attrs = async () =>
    (
      (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as {
        document: { content: { attrs: { asset: string; alt: string; at: unknown } }[] };
      }
    ).document.content[0]!.attrs;
  const before = await attrs();
  const swap = async (from: string, body: object) => {
    const answer = await fetch(`${own.url}/api/files/${from}/swap`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect(answer.ok, await answer.clone().text()).toBe(true);
    return (await answer.json()) as { places: number; undo: object };
  };
  const swapped = await swap(door!, { with: reel });
  expect(swapped.places).toBe(1);
  expect((await attrs()).asset).toBe(reel);
  await swap(reel!, swapped.undo);
  expect(await attrs()).toEqual(before);
});
