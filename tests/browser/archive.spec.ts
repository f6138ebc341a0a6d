import { Validator } from '@hyperion-framework/validator';
import { choose, demoFile, expect, makePage, openDesk, passesAxe, takeIn, test, text } from './dekoro';
import { freePort, serve } from './server';

/** An archive of another house: a program of its own, whose stand-in takes deposits over the wire. */
const collection = 'standins/archive/collection.json';
const service = 'standins/archive/sword/service';
const json = async <T = unknown>(url: string) => (await (await fetch(url)).json()) as T;

test('A picture brought in at a page goes to the archive too, is found there by its words, and waits while the archive is away', async ({
  page,
}) => {
  const port = await freePort();
  let theirs = await serve({ port, keep: true });
  const env = { DEKORO_FETCH_FROM: `127.0.0.1:${port}` };
  const ownPort = await freePort();
  let own = await serve({ env, port: ownPort, keep: true });
  try {
    // Which archive it is, is set in Site.
    await page.goto(`${own.url}/site`);
    await page.getByRole('button', { name: /^Archive/ }).click();
    for (const [label, value] of [
      ['Address of its collection (IIIF)', `${theirs.url}/${collection}`],
      ['Address for deposits (SWORD 3.0)', `${theirs.url}/${service}`],
    ] as const) {
      await page.getByLabel(label).click();
      await page.keyboard.press('ControlOrMeta+a');
      await page.keyboard.type(value);
      await page.keyboard.press('Tab');
    }
    await page.getByRole('button', { name: 'Ask what it takes' }).click();
    await expect(page.getByRole('alert')).toContainText('does not take the token');
    await page.getByLabel('Token').click();
    await page.keyboard.type('kites-for-the-archive');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Ask what it takes' }).click();
    await expect(page.getByText('Windle Sands Archive takes pictures of up to')).toBeVisible();
    await passesAxe(page, 'the archive in Site');

    const id = await makePage(own.url, 'New from the loft', [text('Two finds.')]);
    await openDesk(page, own.url, id);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Library/ }).click();
    const drawer = page.getByRole('region', { name: 'Library' });
    await choose(page, drawer.getByRole('button', { name: 'From this computer' }), [demoFile('box-kite.jpg')]);
    const coming = page.getByRole('region', { name: 'Files coming in' });
    await coming.getByRole('checkbox', { name: 'Hand to the archive too' }).check();
    await page.getByRole('button', { name: 'Write the words now' }).click();
    await expect(page.getByRole('dialog').getByLabel('Alt text')).toBeFocused();
    await page.keyboard.type('Zephyr hangs from a beam');
    await page.keyboard.press('Control+Enter');
    await expect(coming.getByText('1 of 1 there')).toBeVisible({ timeout: 30_000 });
    await drawer.getByRole('button', { name: 'the archive', exact: true }).click();
    await drawer.getByRole('searchbox', { name: 'Search the archive' }).fill('zephyr');
    await expect(drawer.getByText('1 of 201', { exact: true })).toBeVisible();

    // The archive is away: what is handed over then waits, says so, and goes when it is back.
    await theirs.stop();
    await drawer.getByRole('button', { name: 'the library', exact: true }).click();
    await choose(page, drawer.getByRole('button', { name: 'From this computer' }), [demoFile('two-lanterns.jpg')]);
    await expect(coming.getByText('1 of 2 there, 1 on the way')).toBeVisible();
    await page.goto(`${own.url}/library`);
    await page
      .getByRole('button', { name: /Two lanterns/ })
      .first()
      .click();
    await page.getByRole('button', { name: /^Archive/ }).click();
    const sheet = page.getByRole('complementary', { name: 'Picture' });
    await expect(sheet.getByText('It waits, and nothing is lost.')).toBeVisible({ timeout: 30_000 });
    await expect(sheet.getByText('cannot be reached')).toBeVisible();
    await passesAxe(page, 'a picture that waits for the archive');
    // A killed program forgets nothing of it.
    own.process.kill('SIGKILL');
    await own.stop();
    own = await serve({ env, port: ownPort, data: own.data });
    await page.reload();
    theirs = await serve({ port, data: theirs.data });
    await page
      .getByRole('button', { name: /Two lanterns/ })
      .first()
      .click();
    await page.getByRole('button', { name: /^Archive/ }).click();
    await expect(sheet.getByText('It is in the archive')).toBeVisible({ timeout: 60_000 });
    const found = await fetch(`${theirs.url}/${collection}`);
    const { items } = (await found.json()) as { items: unknown[] };
    expect(items).toHaveLength(202);
  } finally {
    await own.stop();
    await theirs.stop();
  }
});

test('The public site’s pictures are switched on for viewers of other houses, and our own reader finds them there', async ({
  page,
}) => {
  const port = await freePort();
  const own = await serve({ port, env: { DEKORO_FETCH_FROM: `127.0.0.1:${port}` } });
  try {
    // The other stays in the library: no page shows it.
    const [light] = await takeIn(own.url, ['skerry-light.jpg', 'museum-door.jpg']);
    await makePage(own.url, 'The light', [
      { type: 'figure', attrs: { asset: light!.id } },
      text('It was lit in 1901.'),
    ]);
    await page.goto(`${own.url}/site`);
    await page.getByRole('button', { name: /^Pictures for others/ }).click();
    const others = page.getByRole('checkbox', { name: 'Give out the public site’s pictures as IIIF too' });
    await others.click();
    await expect(page.getByRole('alert')).toContainText('at which address visitors find the site');
    await expect(others).not.toBeChecked();
    await page.getByLabel('Address of the public site').click();
    await page.keyboard.type(`${own.url}/live`);
    await page.keyboard.press('Tab');
    await others.click();
    await expect(page.getByText(`${own.url}/live/iiif/collection.json`)).toBeVisible();
    await passesAxe(page, 'pictures for others in Site');
    await page.getByRole('button', { name: 'Publish', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'Publish' });
    await expect(dialog.getByText('iiif/collection.json')).toBeVisible();
    await dialog.getByRole('button', { name: 'Publish now' }).click();
    await expect(dialog.getByText('1 page is on the public site')).toBeVisible({ timeout: 60_000 });

    // Valid by a schema of the standard that others wrote, beside the one after its tables that the C# tests use.
    const standard = new Validator();
    const given = await json<{ items: { id: string }[] }>(`${own.url}/live/iiif/collection.json`);
    expect(standard.validateCollection(given), JSON.stringify(standard.validators.collection?.errors)).toBe(true);
    const manifest = await json<{ label?: unknown }>(given.items[0]!.id);
    expect(standard.validateManifest(manifest), JSON.stringify(standard.validators.manifest?.errors)).toBe(true);
    expect(standard.validateManifest({ ...manifest, label: 'Skerry light' })).toBe(false);
    const theirs = await json(`${own.url}/${collection}`);
    expect(standard.validateCollection(theirs), JSON.stringify(standard.validators.collection?.errors)).toBe(true);

    await page.goto(`${own.url}/library/archive?address=${own.url}/live/iiif/collection.json`);
    const pictures = page.getByRole('list', { name: 'The archive’s pictures' }).getByRole('button');
    await expect(pictures).toHaveCount(1);
    await expect(pictures.first()).toContainText('Skerry light');
  } finally {
    await own.stop();
  }
});
