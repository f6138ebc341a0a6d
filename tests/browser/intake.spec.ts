import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  choose,
  demoFile,
  dropFiles,
  expect,
  makePage,
  openDesk,
  passesAxe,
  pasteCopied,
  takeIn,
  test,
  text,
} from './dekoro';
import { serve } from './server';

const archive = '/standins/archive/collection.json';

test('A mail with two pictures becomes a post with both in place and named', async ({ page, own }) => {
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('menuitem', { name: 'From elsewhere' }).click();
  await page.getByRole('button', { name: /^Sixty-one lanterns/ }).click();
  await expect(page.getByRole('heading', { name: '2 pictures' })).toBeVisible();
  // The page it goes to is drawn before anything is kept.
  const preview = page.frameLocator('iframe[title="The page as it would be"]');
  await expect(preview.locator('figure img')).toHaveCount(2);
  await expect(preview.locator('h1')).toHaveText('Sixty-one lanterns');
  expect(((await (await fetch(`${own.url}/api/files`)).json()) as { total: number }).total).toBe(0);
  await page.getByRole('textbox', { name: 'Title of the new page' }).fill('Lantern night');
  await expect(preview.locator('h1')).toHaveText('Lantern night');
  const asked = [
    ['Title of IMG_4471', 'Lanterns over the sea'],
    ['Alt text of IMG_4471', 'Seven paper lanterns over a violet sea at dusk'],
    ['Title of IMG_4478', 'Lanterns and moon'],
    ['Alt text of IMG_4478', 'Four lanterns under a full moon'],
    ['Folder for all', 'Lantern nights'],
  ];
  for (const [label, words] of asked) await page.getByLabel(label!).fill(words!);
  await page.getByRole('button', { name: 'Take in 2 pictures, make the post' }).click();
  await page.waitForURL(/\/pages\/\w+$/);
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror > :not(h1)')).toHaveCount(6);
  await expect(frame.locator('figure img')).toHaveCount(2);
  expect(
    await frame
      .locator('.ProseMirror > :not(h1)')
      .evaluateAll((all) => all.map((one) => one.querySelector('img')?.getAttribute('alt') ?? one.tagName)),
  ).toEqual(['P', 'Seven paper lanterns over a violet sea at dusk', 'H2', 'P', 'Four lanterns under a full moon', 'P']);
  await expect(frame.locator('.ProseMirror a')).toHaveAttribute('title', /^mailto:lanterns@/);
  const files = (
    (await (await fetch(`${own.url}/api/files?query=folder:"Lantern nights"`)).json()) as {
      items: { words: { title: string; source: string } }[];
    }
  ).items;
  expect(files.map((file) => file.words.title).sort()).toEqual(['Lanterns and moon', 'Lanterns over the sea']);
  expect(files[0]!.words.source).toBe('Mail from Idris Moult, 22 November 2026');
  // The mailbox knows it, and no other mail.
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('menuitem', { name: 'From elsewhere' }).click();
  await expect(page.getByRole('button', { name: /^Sixty-one lanterns/ })).toContainText('taken in on');
  await expect(page.getByText('taken in on')).toHaveCount(1);
});

test('A mail dropped on the library goes into a page that stands, at the place chosen, without what was refused', async ({
  page,
  own,
}) => {
  const made = await fetch(`${own.url}/api/pages`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: '{"kind":"page","title":"News"}',
  });
  const { id } = (await made.json()) as { id: string };
  await fetch(`${own.url}/api/pages/${id}/draft`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': '"1"' },
    body: JSON.stringify({
      title: 'News',
      path: null,
      summary: null,
      document: {
        type: 'doc',
        content: ['First', 'Last'].map((words) => ({ type: 'paragraph', content: [{ type: 'text', text: words }] })),
      },
    }),
  });
  await page.goto(`${own.url}/library`);
  await dropFiles(page, page.getByRole('region', { name: 'Library' }), ['../mailbox/school-flight.eml']);
  await expect(page.getByRole('heading', { name: 'Left out' })).toBeVisible();
  await expect(page.getByText('It is not a picture (application/pdf)')).toBeVisible();
  await expect(page.getByText('neither fetched nor taken')).toBeVisible();
  // What the mail only names is fetched when a person asks, and not before.
  await expect(page.getByRole('heading', { name: '1 picture', exact: true })).toBeVisible();
  await expect(
    page.getByText('1 picture of this mail lies at localhost. Fetching it tells that server that the mail was read.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Fetch it' }).click();
  await page.getByRole('checkbox', { name: 'Take A sled kite from the archive' }).uncheck();
  await page.getByRole('combobox', { name: 'Goes to' }).selectOption({ label: 'News' });
  await page.getByRole('combobox', { name: 'After which piece' }).selectOption({ label: 'after: First' });
  const preview = page.frameLocator('iframe[title="The page as it would be"]');
  await expect(preview.locator('#content p').first()).toHaveText('First');
  await expect(preview.locator('figure')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take in 1 picture, place them' }).click();
  await page.waitForURL(`${own.url}/pages/${id}`);
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror > :not(h1)').first()).toHaveText('First');
  await expect(frame.locator('.ProseMirror > :not(h1)').last()).toHaveText('Last');
  await expect(frame.locator('figure')).toHaveCount(1);
});

test('Text pasted with pictures brings them home, and a proposal let go leaves nothing', async ({ page, own }) => {
  await page.goto(`${own.url}/library/in`);
  await expect(page.getByRole('button', { name: /^Year 4/ })).toBeVisible();
  await pasteCopied(page, {
    html:
      '<h1>Kites</h1><p>One <script>alert(1)</script>word</p><img ' +
      'src="http://localhost/standins/archive/image/8/full/max/0/default.jpg" alt="Old kite"><img ' +
      'src="http://127.0.0.1:1/x.png" alt="Inside">',
  });
  await expect(page.getByRole('heading', { name: '1 picture' })).toBeVisible();
  await expect(page.getByText("this machine's own network")).toBeVisible();
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(page.getByRole('heading', { name: 'From elsewhere' })).toBeVisible();
  expect(((await (await fetch(`${own.url}/api/files`)).json()) as { total: number }).total).toBe(0);
  await page.getByRole('textbox', { name: 'Address', exact: true }).fill('http://127.0.0.1:22/');
  await page.getByRole('button', { name: 'Fetch' }).click();
  await expect(page.getByRole('alert')).toContainText("lies on this machine's own network");
});

test('Ten files come from the archive with their credits, by keys alone', async ({ page, own }) => {
  await page.goto(`${own.url}/library/archive?address=${archive}`);
  await expect(page.getByText('200 of 200')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search the archive' }).focus();
  await page.keyboard.type('rokkaku');
  await expect(page.getByText('25 of 200')).toBeVisible();
  const pictures = page.getByRole('list', { name: 'The archive’s pictures' }).getByRole('button');
  await pictures.first().focus();
  for (let i = 0; i < 10; i++) {
    await page.keyboard.press('Space');
    await page.keyboard.press('Tab');
  }
  await expect(page.getByText('10 pictures chosen.')).toBeVisible();
  await page.getByRole('button', { name: 'Look at what comes' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: '10 pictures' })).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Folder for all').fill('From the archive');
  await page.getByRole('button', { name: 'Take in 10 pictures' }).focus();
  await page.keyboard.press('Enter');
  await page.waitForURL(`${own.url}/library`);
  const { items } = (await (await fetch(`${own.url}/api/files?query=folder:"From the archive"`)).json()) as {
    items: { words: Record<string, string> }[];
  };
  expect(items).toHaveLength(10);
  for (const { words } of items) {
    expect(words.title).toMatch(/rokkaku/);
    expect(words.credit).toMatch(/^Windle Sands Archive, /);
    expect(words.rights).toMatch(/^http:\/\/creativecommons/);
    expect(words.source).toMatch(/\/standins\/archive\/manifest\/\d+\.json$/);
  }
});

for (const theme of ['paper', 'lamp']) {
  test(`The ways in, a proposal and an archive pass axe, ${theme} theme${theme === 'lamp' ? ' @long' : ''}`, async ({
    page,
    own,
  }) => {
    await page.addInitScript((now) => localStorage.setItem('theme', now), theme);
    await page.goto(`${own.url}/library/in`);
    await expect(page.getByRole('button', { name: /^Year 4/ })).toBeVisible();
    await passesAxe(page, 'ways in');
    await page.getByRole('button', { name: /^Year 4/ }).click();
    await expect(page.getByRole('button', { name: 'Fetch it' })).toBeVisible();
    await passesAxe(page, 'proposal');
    await page.goto(`${own.url}/library/archive?address=${archive}`);
    await expect(page.getByText('200 of 200')).toBeVisible();
    await page.getByRole('group', { name: 'Maker' }).getByRole('button').first().click();
    await passesAxe(page, 'archive');
    await page.getByRole('button', { name: 'a list' }).click();
    await expect(page.getByRole('columnheader', { name: 'Maker' })).toBeVisible();
    await passesAxe(page, 'archive as a list');
  });
}

test(
  'The library goes out as a table, is worked on elsewhere, and comes back with what changes shown first; a ' +
    'bundle comes with its words',
  async ({ page, own }) => {
    await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg']);
    await page.goto(`${own.url}/library/in`);
    const table = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Export words (CSV)' }).click();
    const text = readFileSync(await (await table).path(), 'utf8');
    expect(text).toContain('file,id,title,alt text');
    await choose(page, page.getByRole('button', { name: 'Import words (CSV)' }), {
      name: 'words.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(text.replace('Two lanterns', 'A pair of lanterns')),
    });
    const dialog = page.getByRole('dialog', { name: 'words.csv' });
    await expect(dialog.getByText('1 change to 1 picture:')).toBeVisible();
    await expect(dialog.getByRole('row').nth(1)).toContainText('A pair of lanterns');
    await passesAxe(page, 'a table read');
    await dialog.getByRole('button', { name: 'Change 1' }).click();
    await expect(dialog.getByText('1 word of 1 picture changed.')).toBeVisible();
    await page.keyboard.press('Escape');
    await choose(page, page.getByRole('button', { name: 'Import words (CSV)' }), {
      name: 'wrong.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('a,b\n1,2'),
    });
    await expect(page.getByRole('alert')).toContainText('head a column “file”');

    const bundle = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Export everything (.zip)' }).click();
    const zip = await (await bundle).path();
    const other = await serve();
    try {
      await page.goto(`${other.url}/library/in`);
      await choose(page, page.getByRole('button', { name: 'Choose a file' }), {
        name: 'library.zip',
        mimeType: 'application/zip',
        buffer: readFileSync(zip),
      });
      await expect(page.getByRole('heading', { name: '2 pictures' })).toBeVisible();
      await expect(page.getByLabel('Title of A pair of lanterns')).toHaveValue('A pair of lanterns');
      await page.getByRole('button', { name: 'Take in 2 pictures' }).click();
      await page.waitForURL(`${other.url}/library`);
      await expect(page.getByText('2 pictures', { exact: true })).toBeVisible();
    } finally {
      await other.stop();
    }
  },
);

test('A folder with a table and a sidecar in it comes with its words, looked at first', async ({ page, own }) => {
  const folder = mkdtempSync(join(tmpdir(), 'dekoro-folder-'));
  const within = join(folder, 'Museum walk');
  mkdirSync(join(within, 'Hall'), { recursive: true });
  copyFileSync(demoFile('line-reel.jpg'), join(within, 'line-reel.jpg'));
  copyFileSync(demoFile('two-lanterns.jpg'), join(within, 'Hall/two-lanterns.jpg'));
  writeFileSync(
    join(within, 'words.csv'),
    'file;alt text;credit\nline-reel.jpg;A wooden reel on a bench;Hana Okafor\ngone.jpg;Nothing;Nobody\n',
  );
  writeFileSync(
    join(within, 'Hall/two-lanterns.xmp'),
    '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">' +
      '<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title><rdf:Alt><rdf:li ' +
      'xml:lang="x-default">Two lanterns, lit</rdf:li></rdf:Alt></dc:title><dc:subject><rdf:Bag><rdf:li>' +
      'lantern</rdf:li><rdf:li>evening</rdf:li></rdf:Bag></dc:subject></rdf:Description></rdf:RDF></x:xmpmeta>',
  );
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await choose(page, page.getByRole('menuitem', { name: 'A folder' }), within);
  await expect(page.getByText('2 pictures', { exact: true })).toBeVisible();
  await expect(page.getByText('The table names it, but the bundle does not hold it.')).toBeVisible();
  await page.getByRole('button', { name: /^Take in 2 pictures/ }).click();
  await expect
    .poll(async () =>
      (
        (await (await fetch(`${own.url}/api/files`)).json()) as {
          items: { fileName: string; words: Record<string, string> }[];
        }
      ).items
        .map(
          ({ fileName, words }) =>
            `${fileName}: ${words.title}, ${words.alt}, ${words.credit}, ${words.folder}, ${words.keywords}`,
        )
        .sort(),
    )
    // Neither says who drew the lanterns: that stands inside the file.
    .toEqual([
      'line-reel.jpg: Line reel, A wooden reel on a bench, Hana Okafor, , ',
      'two-lanterns.jpg: Two lanterns, lit, , Idris Moult, Hall, lantern, evening',
    ]);
  rmSync(folder, { recursive: true });
});

test('The archive is read as a list too, searched in it, and what is chosen there stays chosen among the pictures', async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/library/archive?address=/standins/archive/collection.json`);
  await page.getByRole('button', { name: 'a list', exact: true }).click();
  await page.getByRole('searchbox').fill('maker:renn');
  await expect(page.getByText('18 of 200', { exact: true })).toBeVisible();
  const lines = page.getByRole('row').filter({ has: page.getByRole('checkbox') });
  await expect(lines).toHaveCount(18);
  for (const words of await lines.allTextContents()) expect(words).toContain('Renn');
  await lines.nth(1).getByRole('checkbox').check();
  await expect(page.getByText('1 picture chosen.')).toBeVisible();
  await page.getByRole('button', { name: 'pictures', exact: true }).click();
  await expect(
    page.getByRole('list', { name: 'The archive’s pictures' }).getByRole('button', { pressed: true }),
  ).toHaveCount(1);
  await passesAxe(page, 'the archive');
});

test('At the desk the archive is searched in the drawer, and three of it stand on the page with their credits', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'From the stores', [text('Three of two hundred.')]);
  // Which archive it is, is set in Site; what is no address is refused with a sentence.
  await page.goto(`${own.url}/site`);
  await page.getByRole('button', { name: /^Archive/ }).click();
  const address = page.getByLabel('Address of its collection (IIIF)');
  await expect(address).toHaveValue(archive);
  await address.fill('the stores');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert')).toBeVisible();
  await address.fill(archive);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert')).toHaveCount(0);
  const frame = await openDesk(page, own.url, id);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Library/ }).click();
  await page.getByRole('button', { name: 'the archive', exact: true }).click();
  const drawer = page.getByRole('region', { name: 'Library' });
  await expect(drawer.getByText('200 of 200', { exact: true })).toBeVisible();
  await drawer.getByLabel('Maker').selectOption('Hattie Bloom');
  await expect(drawer.getByRole('searchbox', { name: 'Search the archive' })).toHaveValue('maker:"Hattie Bloom" ');
  await expect(drawer.getByText('200 of 200', { exact: true })).toHaveCount(0);
  const shown = drawer.getByRole('list', { name: 'The archive’s pictures' }).getByRole('button');
  await drawer.getByRole('searchbox', { name: 'Search the archive' }).fill('maker:renn');
  await expect(drawer.getByText('18 of 200', { exact: true })).toBeVisible();
  await expect(shown).toHaveCount(18);
  for (const at of [0, 1, 2]) await shown.nth(at).click();
  await passesAxe(page, 'the archive in the drawer');
  await drawer.getByRole('button', { name: 'Place 3 pictures' }).click();
  await expect(frame.locator('figure img')).toHaveCount(3);
  await expect(frame.getByText('Windle Sands Archive, Tobias Renn')).toHaveCount(3);
  const kept = (await (await fetch(`${own.url}/api/files`)).json()) as {
    items: { words: { credit: string; rights: string; source: string } }[];
  };
  for (const { words } of kept.items) {
    expect(words.credit).toBe('Windle Sands Archive, Tobias Renn');
    expect(words.rights).toContain('creativecommons.org/licenses/by/4.0');
    expect(words.source).toContain('/standins/archive/manifest/');
  }
});
