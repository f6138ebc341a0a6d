import { expect, makePage, openDesk, passesAxe, test, text, takeIn } from './dekoro';

async function keep(url: string, id: string, by: string, title: string, words: string) {
  const { version } = (await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as { version: number };
  const put = await fetch(`${url}/api/pages/${id}/draft`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${version}"`, Cookie: `person=${by}` },
    body: JSON.stringify({ title, path: null, summary: null, document: { type: 'doc', content: [text(words)] } }),
  });
  expect(put.ok).toBe(true);
}

test('How a page stood is seen beside how it stands now, with who and when, and is had back; nothing is lost by it', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'Days', [text('First words.')]);
  await keep(own.url, id, 'Ana', 'Days', 'Words of Ana.');
  await keep(own.url, id, 'Ben', 'Flying days', 'Words of Ben.');
  await openDesk(page, own.url, id);
  await page.getByRole('button', { name: 'History' }).click();
  const states = page.getByRole('navigation', { name: 'States' });
  await expect(states.getByRole('button').first()).toContainText('as it stands now');
  await expect(states.getByRole('button').first()).toContainText('Ben');
  await states.getByRole('button', { name: /Ana/ }).click();
  await expect(page.frameLocator('iframe[title="Days as it stood then"]').getByText('Words of Ana.')).toBeVisible();
  await expect(
    page.frameLocator('iframe[title="Flying days as it stands now"]').getByText('Words of Ben.'),
  ).toBeVisible();
  const then = page.getByRole('region', { name: 'As it stood then' });
  await expect(then.getByRole('listitem')).toHaveText([
    'Its title was “Days” and is “Flying days”.',
    'Text “Words of Ben.” was changed.',
  ]);
  await passesAxe(page, 'history');
  await page.getByRole('button', { name: 'Restore this state' }).click();
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.getByText('Words of Ana.')).toBeVisible();
  await expect(frame.getByRole('heading', { level: 1 })).toHaveText('Days');
  // What Ben wrote is a state of its own by now.
  const all = (await (await fetch(`${own.url}/api/pages/${id}/states`)).json()) as { by: string; title: string }[];
  expect(all.map((state) => state.title)).toEqual(['Days', 'Flying days', 'Days', 'Days', 'Days']);
});

test('By keys alone a state is chosen, looked at on a desktop and had back; a picture that was taken out is there again', async ({
  page,
  own,
}) => {
  const [door] = (await takeIn(own.url, ['museum-door.jpg'])).map((file) => file.id!);
  const id = await makePage(own.url, 'Doors', [{ type: 'figure', attrs: { id: 'pic', asset: door, size: 'column' } }]);
  await keep(own.url, id, 'Ben', 'Doors', 'No door any more.');
  await page.goto(`${own.url}/pages/${id}/history`);
  const states = page.getByRole('navigation', { name: 'States' }).getByRole('button');
  await expect(states).toHaveCount(3);
  await states.nth(1).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'desktop', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect
    .poll(() =>
      page
        .frameLocator('iframe[title$="as it stood then"]')
        .locator('figure img')
        .evaluate((image) => image.getBoundingClientRect().width),
    )
    .toBe(720);
  await page.getByRole('button', { name: 'Restore this state' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.frameLocator('iframe[title^="The page at"]').locator('figure img')).toBeVisible();
  await page.goto(`${own.url}/pages/${id}/history`);
  await expect(states).toHaveCount(4);
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(`${own.url}/pages/${id}`);
});

test('How an arrangement stood is seen beside how it stands now, and is had back on every page that shows it', async ({
  page,
  own,
}) => {
  const pictures = (await takeIn(own.url, ['museum-door.jpg', 'bridle-ring.jpg'])).map((file) => file.id!);
  const json = { 'Content-Type': 'application/json' };
  type Look = { id: string; version: number; values: { name: string; items: { id: string }[] } };
  const made = (await (
    await fetch(`${own.url}/api/arrangements`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ name: 'Kites', pictures }),
    })
  ).json()) as Look;
  const home = await makePage(own.url, 'Home', [
    { type: 'arrangement', attrs: { id: 'set', arrangement: made.id, reach: 'wide' } },
  ]);
  const put = await fetch(`${own.url}/api/arrangements/${made.id}`, {
    method: 'PUT',
    headers: { ...json, 'If-Match': `"${made.version}"`, Cookie: 'person=Ben' },
    body: JSON.stringify({ ...made.values, name: 'Only doors', items: made.values.items.slice(0, 1) }),
  });
  expect(put.ok).toBe(true);
  await page.goto(`${own.url}/arrangements/${made.id}`);
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByRole('navigation', { name: 'States' }).getByRole('button').first()).toContainText('Ben');
  await expect(page.frameLocator('iframe[title="Kites as it stood then"]').locator('.set img')).toHaveCount(2);
  await expect(page.frameLocator('iframe[title="Only doors as it stands now"]').locator('.set img')).toHaveCount(1);
  await passesAxe(page, 'history of an arrangement');
  await page.getByRole('button', { name: 'Restore this state' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Kites');
  const frame = await openDesk(page, own.url, home);
  await expect(frame.locator('.set img')).toHaveCount(2);
  const all = (await (await fetch(`${own.url}/api/arrangements/${made.id}/states`)).json()) as { title: string }[];
  expect(all.map((state) => state.title)).toEqual(['Kites', 'Only doors', 'Kites']);
});
