import { expect, test } from './dekoro';

test('A stranger is led from an empty site to a published page by three steps, each done with samples, and may leave them', async ({
  page,
  own,
}) => {
  await page.goto(own.url);
  await page.getByRole('button', { name: 'Begin the first steps' }).click();
  const steps = page.getByRole('region', { name: 'First steps' });
  await steps.getByRole('button', { name: 'Make a page' }).click();
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror')).toBeFocused();
  await page.keyboard.type('Kites over Windle Sands.');
  await steps.getByRole('button', { name: 'Use sample pictures' }).click();
  await expect(frame.locator('figure img')).toHaveCount(3);
  // A reload in the middle goes on where it was.
  await page.reload();
  await steps.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('button', { name: 'Publish now' }).click();
  await expect(page.getByRole('dialog').getByRole('button', { name: 'Done' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(steps.getByRole('link', { name: 'See it' })).toBeVisible();
  await steps.getByRole('button', { name: 'Done' }).click();
  await expect(steps).toHaveCount(0);
  expect(await (await fetch(`${own.url}/live/`)).text()).toContain('Kites over Windle Sands.');
});

test('The help of every place says what it is for, with a drawing, and where there are pages leads through the steps on a copy', async ({
  page,
  demoUrl,
}) => {
  for (const [path, name] of [
    ['/', 'Pages'],
    ['/library', 'The library'],
    ['/arrangements', 'An arrangement'],
    ['/site', 'The site'],
    ['/library/in', 'From elsewhere'],
  ] as const) {
    await page.goto(demoUrl + path);
    await page.getByRole('button', { name: 'Help and keys' }).click();
    const help = page.getByRole('dialog', { name: 'Help' });
    await expect(help.getByRole('heading', { name, exact: true })).toBeVisible();
    await expect(help.getByRole('img', { name: `How ${name} is laid out` })).toBeVisible();
    await expect(help.getByRole('button', { name: 'Show me the first steps' })).toBeVisible();
  }
});
