import {
  choose,
  demoFile,
  expect,
  makePage,
  openDesk,
  passesAxe,
  pasteCopied,
  publish,
  takeIn,
  test,
  text,
} from './dekoro';

const names = [
  'line-reel.jpg',
  'two-lanterns.jpg',
  'box-kite.jpg',
  'bridle-ring.jpg',
  'diamond-kite.jpg',
  'skerry-light.jpg',
];

test('Pictures are chosen one by one, in a range and in a box, changed together and taken away, and come back', async ({
  page,
  own,
}) => {
  const files = await takeIn(own.url, names);
  await makePage(own.url, 'Hall', [{ type: 'figure', attrs: { asset: files[0]!.id, size: 'column' } }]);
  await page.goto(`${own.url}/library`);
  const picture = (name: RegExp) => page.getByRole('button', { name });
  const line = page.getByRole('region', { name: 'Chosen pictures' });
  // Newest first: Skerry light, Diamond kite, Bridle ring, Box kite, Two lanterns, Line reel.
  await picture(/^Skerry light/).click({ modifiers: ['Control'] });
  await picture(/Box kite/).click({ modifiers: ['Shift'] });
  await expect(line.getByText('4 pictures chosen.')).toBeVisible();
  await picture(/Bridle ring/).click({ modifiers: ['Control'] });
  await expect(line.getByText('3 pictures chosen.')).toBeVisible();
  // The order of choosing is written on them.
  expect(await page.locator('[data-picture][aria-pressed=true] .dk-tabular.absolute').allTextContents()).toEqual([
    '1',
    '2',
    '3',
  ]);
  await passesAxe(page, 'library with pictures chosen');

  await line.getByRole('button', { name: 'Change words' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Folder from now on').fill('Shed');
  await expect(dialog.getByText('3 pictures will change:')).toBeVisible();
  await expect(dialog.getByRole('row').nth(1)).toContainText('Shed');
  await dialog.getByRole('button', { name: 'Change 3' }).click();
  await expect(line.getByText('Folder of 3 pictures changed.')).toBeVisible();
  await page.keyboard.press('Escape');

  // A box from an empty spot takes all it touches.
  const sheet = (await page.getByRole('list', { name: 'Pictures' }).boundingBox())!;
  await page.mouse.move(sheet.x + 4, sheet.y + 4);
  await page.mouse.down();
  await page.mouse.move(sheet.x + 400, sheet.y + 60, { steps: 5 });
  await page.mouse.move(sheet.x + sheet.width - 4, sheet.y + 520, { steps: 5 });
  await page.mouse.up();
  await expect(line.getByText('6 pictures chosen.')).toBeVisible();
  await line.getByRole('button', { name: 'Remove' }).click();
  await expect(line).toContainText('5 pictures removed; they wait 30 days.');
  await expect(line).toContainText('“Line reel” stays: it stands on Hall.');
  await expect(page.getByText('1 picture', { exact: true })).toBeVisible();
  await line.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText('6 pictures', { exact: true })).toBeVisible();
});

test('By keys alone a range is chosen, taken away, found where it waits and put back', async ({ page, own }) => {
  await takeIn(own.url, names);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^Skerry light/ }).focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText('3 pictures chosen.')).toBeVisible();
  await page.getByRole('button', { name: 'Remove' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('3 pictures removed')).toBeVisible();
  await page.getByRole('button', { name: 'removed 3' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('searchbox', { name: 'Search the library' })).toHaveValue('removed ');
  await page.getByRole('button', { name: /^Skerry light/ }).focus();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  await expect(sheet.getByText('it goes for good on')).toBeVisible();
  await sheet.getByRole('button', { name: 'Restore' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 pictures', { exact: true })).toBeVisible();
});

test('Two pictures that look the same are pointed out and made one, with the places of both', async ({ page, own }) => {
  const [first] = await takeIn(own.url, ['museum-from-the-path.jpg']);
  const [second] = await takeIn(own.url, ['museum-with-location.jpg']);
  const id = await makePage(own.url, 'Visit', [{ type: 'figure', attrs: { asset: second!.id, size: 'half' } }]);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^twin 2/ }).click();
  await page.locator(`[data-picture="${first!.id}"]`).click();
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  // Beside one another; said to be two, and one again.
  await sheet.getByRole('button', { name: /^Compare with/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Is this the same picture?' });
  await expect(dialog.getByText('The other: something at its edges is missing')).toBeVisible();
  for (const name of ['The open one', 'The other', 'Where they differ'])
    await expect
      .poll(() => dialog.getByAltText(name).evaluate((img: HTMLImageElement) => img.naturalWidth))
      .toBeGreaterThan(300);
  await dialog.getByRole('button', { name: 'Not the same picture' }).click();
  await expect(sheet.getByText('is another picture')).toBeVisible();
  await expect(page.getByRole('button', { name: /^twin 0/ })).toBeVisible();
  await sheet.getByRole('button', { name: 'It is the same after all' }).click();
  await sheet.getByRole('button', { name: /^Compare with/ }).click();
  await dialog.getByRole('button', { name: 'Keep the open one' }).click();
  await expect(sheet.getByText('One picture now, in 1 more place.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^twin 0/ })).toBeVisible();
  const draft = (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as {
    document: { content: { attrs: { asset: string } }[] };
  };
  expect(draft.document.content[0]!.attrs.asset).toBe(first!.id);
});

test('A soft picture is noticed where it stands, its cause is named, and it is replaced', async ({ page, own }) => {
  const [soft] = await takeIn(own.url, ['storm-kite-shaken.jpg', 'box-kite.jpg']);
  const id = await makePage(own.url, 'Storm', [
    { type: 'figure', attrs: { asset: soft!.id, size: 'wide', shape: '16:9' } },
  ]);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^soft 1/ }).click();
  await page.locator(`[data-picture="${soft!.id}"]`).click();
  await page.keyboard.press('f');
  const cuts = page.getByRole('complementary', { name: 'Every cut it is used in' });
  await expect(cuts.getByText('The picture itself is blurred')).toBeVisible();
  await page.getByRole('link', { name: 'Library' }).first().click();
  await page.locator(`[data-picture="${soft!.id}"]`).click();
  await page.getByRole('button', { name: 'Swap everywhere' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /^Box kite/ }).click();
  await dialog.getByRole('button', { name: 'Swap in 1 place' }).click();
  const draft = async () =>
    (
      (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as {
        document: { content: { attrs: { asset: string } }[] };
      }
    ).document.content[0]!.attrs.asset;
  await expect.poll(draft).not.toBe(soft!.id);
});

test('In the list, cells copied from a spreadsheet are laid over the words, looked at, kept at once and taken back', async ({
  page,
  own,
}) => {
  await takeIn(own.url, ['box-kite.jpg', 'line-reel.jpg', 'two-lanterns.jpg']);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: 'List', exact: true }).click();
  const table = page.getByRole('table', { name: 'Pictures' });
  const cell = (column: string, file: string) => table.getByRole('textbox', { name: `${column} of ${file}` });
  await expect(table.getByRole('textbox', { name: /^Title of/ })).toHaveCount(3);
  const files = await table
    .getByRole('textbox', { name: /^Title of/ })
    .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!.slice('Title of '.length)));
  expect(files).toHaveLength(3);

  // One cell typed in is kept when it is left.
  await cell('Credit', files[2]!).fill('Ana Verhulst');
  await cell('Credit', files[2]!).press('Enter');
  await expect(page.getByText(/^Saved\./)).toBeVisible();

  // Two rows of three cells, one with a line break inside, from the second picture's title on.
  const was = await cell('Title', files[1]!).inputValue();
  await cell('Title', files[1]!).focus();
  await pasteCopied(page, {
    plain:
      'First of two\tA kite on a table\tA caption, with a comma\r\n' +
      'Second of two\t"An alt text ""in quotes"""\tLast\r\n',
  });
  await expect(page.getByText('6 cells of 2 pictures would change.')).toBeVisible();
  await expect(cell('Alt text', files[2]!)).toHaveValue('An alt text "in quotes"');
  const titleInLibrary = async (file: string) =>
    (
      (await (await page.request.get(`${own.url}/api/files`)).json()).items as {
        fileName: string;
        words: { title: string };
      }[]
    ).find((one) => one.fileName === file)!.words.title;
  expect(await titleInLibrary(files[1]!)).toBe(was);
  await page.getByRole('button', { name: 'Keep 6 changes' }).click();
  await expect(page.getByText('Words of 2 pictures changed.')).toBeVisible();
  expect(await titleInLibrary(files[1]!)).toBe('First of two');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell('Title', files[1]!)).toHaveValue(was);
  expect(await titleInLibrary(files[1]!)).toBe(was);
  await passesAxe(page, 'the library');
});

test('A search is kept under a name, found again, and filters by colour and person are a click away', async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: 'Your name' }).click();
  await page.getByLabel('Your name', { exact: true }).fill('Joan Petrie');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await choose(
    page,
    page.getByRole('menuitem', { name: 'Pictures and files' }),
    ['two-lanterns.jpg', 'dune-grass-and-sky.jpg'].map(demoFile),
  );
  await expect(page.getByText('2 pictures', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('group', { name: 'Added by' }).getByRole('button', { name: 'Joan Petrie 2' }).click();
  const search = page.getByRole('searchbox', { name: 'Search the library' });
  await expect(search).toHaveValue('by:"Joan Petrie" ');
  await page
    .getByRole('group', { name: 'Colour' })
    .getByRole('button', { name: /^violet/ })
    .click();
  await expect(page.getByText('1 picture', { exact: true })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name for this search' }).fill('Violet ones');
  await page.getByRole('button', { name: 'Save this search' }).click();
  await search.fill('');
  await expect(page.getByText('2 pictures', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Violet ones', exact: true }).click();
  await expect(page.getByText('1 picture', { exact: true })).toBeVisible();
  await passesAxe(page, 'the library');
  await page.getByRole('button', { name: 'Forget Violet ones' }).click();
  await expect(page.getByRole('button', { name: 'Violet ones', exact: true })).toHaveCount(0);
});

test('A document and a sound come in, are looked into, and a page links to one of them', async ({ page, own }) => {
  await page.goto(`${own.url}/library/files`);
  await choose(
    page,
    page.getByRole('button', { name: 'Add files' }),
    ['flying-days-programme.pdf', 'wind-in-the-lines.wav', 'care-of-lines.txt'].map(demoFile),
  );
  await expect(page.getByText('3 files', { exact: true })).toBeVisible();
  await passesAxe(page, 'other files');
  await page.getByRole('link', { name: /Wind in the lines/ }).click();
  const sound = page.locator('audio');
  await expect.poll(() => sound.evaluate((one: HTMLAudioElement) => Math.round(one.duration))).toBe(6);
  await page.getByRole('link', { name: 'Other files' }).first().click();
  await page.getByRole('link', { name: /Flying days programme/ }).click();
  await expect(page.getByText('The first of 2 pages')).toBeVisible();
  // Ink on the paper: the page is drawn, not only promised, and in its own proportions.
  const drawn = await page.locator('canvas').evaluate((canvas: HTMLCanvasElement) => {
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    let dark = 0;
    for (let i = 0; i < data.length; i += 4) if (data[i]! < 128 && data[i + 3] === 255) dark++;
    const box = canvas.getBoundingClientRect();
    return { dark, shape: canvas.width / canvas.height, fits: box.width <= innerWidth };
  });
  expect(drawn.dark).toBeGreaterThan(1000);
  expect(drawn.shape).toBeCloseTo(210 / 297, 2);
  await passesAxe(page, 'a document');
  await page.getByLabel('On the public site even where no page links to it').check();
  await expect(page.getByText('It is there once the site is published.')).toBeVisible();

  const id = await makePage(own.url, 'Days', [text('See the programme for the days.')]);
  await publish(own.url);
  const address = await page.getByLabel('Address on the public site').inputValue();
  expect((await page.request.get(address)).headers()['content-type']).toBe('application/pdf');

  const frame = await openDesk(page, own.url, id);
  await frame.getByText('See the programme').click();
  await page.keyboard.press('Home');
  for (let i = 0; i < 'See the programme'.length; i++) await page.keyboard.press('Shift+ArrowRight');
  await page.getByLabel('or a file of the library').selectOption({ label: 'Flying days programme (PDF, 29 kB)' });
  await expect(page.getByLabel('Where it leads')).toHaveValue('/files/flying-days-programme.pdf');
  await expect(page.getByText(/, saved \d/)).toBeVisible();
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  await expect(page.getByRole('link', { name: 'See the programme' })).toHaveAttribute(
    'href',
    /files\/flying-days-programme\.pdf$/,
  );
});

test('The ways a library grows are in one list, and patterns are taken from the shelf by keys alone', async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: 'Add', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem')).toHaveText([
    'Pictures and files',
    'A folder',
    'From elsewhere',
    'The shelf of patterns',
  ]);
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  const patterns = page.getByRole('list', { name: 'Patterns' }).getByRole('button');
  await expect(patterns).toHaveCount(24);
  await passesAxe(page, 'the shelf');
  for (const name of ['Waves', 'Dots, see-through']) {
    await page.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Space');
  }
  await expect(page.getByText('2 patterns chosen.')).toBeVisible();
  // Chosen by mistake, one is let go the same way.
  await page.keyboard.press('Space');
  await expect(page.getByText('1 pattern chosen.')).toBeVisible();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Take into the library' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 patterns taken into the library, in the folder Patterns.')).toBeVisible();
  await page.getByRole('link', { name: 'Look at them there' }).click();
  await page.getByRole('searchbox', { name: 'Search the library' }).fill('folder:Patterns seamless');
  await expect(page.getByText('2 pictures', { exact: true })).toBeVisible();
});

test('A column of the site’s own is added by keys, filled in the list, found by search, and a picture is given an address', async ({
  page,
  own,
}) => {
  await takeIn(own.url, ['line-reel.jpg', 'box-kite.jpg']);
  await makePage(own.url, 'Home', [text('Welcome.')]);
  await page.goto(`${own.url}/library?list`);
  await page.getByRole('button', { name: 'Own columns' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('A new column').fill('Maker');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Remove Maker' })).toBeVisible();
  await passesAxe(page, 'own columns');
  await page.keyboard.press('Escape');
  const cell = page.getByRole('textbox', { name: /^Maker of line-reel/ });
  await cell.fill('Joan Petrie');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.getByRole('searchbox').fill('petr');
  await expect(page.getByText('1 picture', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: /^Sheet of/ }).click();
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  await expect(sheet.getByLabel('Maker')).toHaveValue('Joan Petrie');
  await sheet.getByRole('button', { name: /^Address/ }).click();
  await sheet.getByLabel('On the public site even where no page shows it').check();
  const address = await sheet.getByLabel('Address on the public site').inputValue();
  await publish(own.url);
  expect((await fetch(address)).headers.get('content-type')).toBe('image/jpeg');
});

test('A film comes in, plays, and a moment of it becomes a picture to stand for it', async ({ page, own }) => {
  await page.goto(`${own.url}/library/files`);
  // A film of our own making: a red sail on blue, two thirds of a second.
  const film = await page.evaluate(async () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 320, height: 180 });
    const ink = canvas.getContext('2d')!;
    const recorder = new MediaRecorder(canvas.captureStream(25), { mimeType: 'video/webm' });
    const parts: Blob[] = [];
    recorder.ondataavailable = (event) => parts.push(event.data);
    recorder.start();
    for (let i = 0; i < 20; i++) {
      ink.fillStyle = '#2050c0';
      ink.fillRect(0, 0, 320, 180);
      ink.fillStyle = '#d02020';
      ink.fillRect(100 + i, 40, 120, 100);
      await new Promise((done) => setTimeout(done, 33));
    }
    await new Promise<unknown>((done) => ((recorder.onstop = done), recorder.stop()));
    return [...new Uint8Array(await new Blob(parts).arrayBuffer())];
  });
  await choose(page, page.getByRole('button', { name: 'Add files' }), {
    name: 'red-sail.webm',
    mimeType: 'video/webm',
    buffer: Buffer.from(film),
  });
  await page.getByRole('link', { name: /Red sail/ }).click();
  await expect
    .poll(() => page.locator('video').evaluate((one: HTMLVideoElement) => one.readyState))
    .toBeGreaterThanOrEqual(2);
  await passesAxe(page, 'a film');
  await page.getByRole('button', { name: 'Take this moment as a picture' }).click();
  await expect(page.getByText('It is in the library now.')).toBeVisible();
  const { items } = (await (await fetch(`${own.url}/api/files`)).json()) as {
    items: { width: number; height: number; colours: string[] }[];
  };
  expect(items.map((item) => [item.width, item.height])).toEqual([[320, 180]]);
  expect(items[0]!.colours).toEqual(expect.arrayContaining(['blue', 'red']));
});
