import { readFileSync } from 'node:fs';
import type { FrameLocator } from '@playwright/test';
import { demoFile, expect, makePage, openDesk, pasteCopied, publish, takeIn, test, text } from './dekoro';

type Draft = {
  document: { content: { type: string; attrs: Record<string, unknown>; content?: { text?: string }[] }[] };
};
const contentOf = async (url: string, id: string) =>
  ((await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as Draft).document.content;

/** What no browser would put on the clipboard, but another program can: a browser takes out by itself what acts. */
const pasteHostile = (frame: FrameLocator, html: string) =>
  frame.locator('.ProseMirror').evaluate((editor, html) => {
    const data = new DataTransfer();
    data.setData('text/html', html);
    editor.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, html);

test('A part of another page is pasted with its picture after the piece that holds the caret, and nothing that acts comes with it', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'Home', [text('Above.'), text('Below.')]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('Above.').click();
  const picture = `data:image/png;base64,${readFileSync(demoFile('kite-cut-out.png')).toString('base64')}`;
  await pasteHostile(
    frame,
    '<h2 onclick="x()">Pasted</h2><script>window.ran = 1</script><p>Words <a href="javascript:x()">here</a>' +
      `</p><img src="${picture}" alt="A kite" onerror="x()"><iframe src="https://other.example"></iframe><img ` +
      'src="file:///me.jpg" alt="Mine">',
  );
  await expect
    .poll(async () => (await contentOf(own.url, id)).map((piece) => piece.type))
    .toEqual(['paragraph', 'heading', 'paragraph', 'figure', 'paragraph']);
  await expect(frame.locator('figure img')).toHaveAttribute('alt', 'A kite');
  await expect(page.getByText('Mine: It lies on the computer the text was copied from')).toBeVisible();
  expect(await frame.locator('body').evaluate((body) => 'ran' in body.ownerDocument.defaultView!)).toBe(false);
  expect(
    await frame.locator('#content a[href^="javascript"], #content iframe, #content script, #content [onclick]').count(),
  ).toBe(0);
  await page.getByRole('button', { name: 'Put this away' }).click();
  await page.keyboard.press('Control+z');
  await expect(frame.locator('figure')).toHaveCount(0);
});

test(
  'A page of five megabytes with scripts, styles, tables, comments and data addresses is pasted, and its words ' +
    'and picture come',
  async ({ page, own }) => {
    const id = await makePage(own.url, 'Home', [text('Above.')]);
    const frame = await openDesk(page, own.url, id);
    await frame.getByText('Above.').click();
    const picture = `data:image/png;base64,${readFileSync(demoFile('kite-cut-out.png')).toString('base64')}`;
    const noise =
      `<!--${'comment '.repeat(2000)}--><style>${'.a{color:red}'.repeat(2000)}</style><script>` +
      `${'window.ran=1;'.repeat(2000)}</script>`;
    const table = `<table><tr><td>Monday</td><td>ten</td></tr></table>`;
    const html = `<h2>Far</h2>${noise.repeat(60)}${table.repeat(200)}<img src="${picture}" alt="A kite"><p>The last line.</p>`;
    expect(html.length).toBeGreaterThan(4_000_000);
    await pasteHostile(frame, html);
    await expect(frame.getByText('The last line.')).toBeVisible({ timeout: 60_000 });
    await expect(frame.locator('figure img')).toHaveAttribute('alt', 'A kite');
    expect(await frame.locator('body').evaluate((body) => 'ran' in body.ownerDocument.defaultView!)).toBe(false);
    await expect.poll(async () => JSON.stringify(await contentOf(own.url, id))).toContain('The last line.');
    expect(JSON.stringify(await contentOf(own.url, id))).not.toContain('comment');
    // And by the keys, what a browser had copied.
    await frame.getByText('The last line.').click();
    await pasteCopied(page, { html: `<p>From elsewhere</p><img src="${picture}" alt="Another kite">` });
    await expect(frame.locator('figure img')).toHaveCount(2);
    await expect(frame.getByText('From elsewhere')).toBeVisible();
  },
);

test('Pieces are copied from one page to another by keys, with all that was set, and each has a name of its own', async ({
  page,
  own,
}) => {
  const [file] = await takeIn(own.url, ['museum-door.jpg']);
  const cell = (name: string) => ({
    type: 'cell',
    attrs: { id: name, colour: '#143c58', words: 'light' },
    content: [text(`In ${name}`)],
  });
  const from = await makePage(own.url, 'From', [
    text('First.'),
    { type: 'figure', attrs: { id: 'pic', asset: file!.id, size: 'half', side: 'right', beside: true, shape: '1:1' } },
    {
      type: 'columns',
      attrs: { id: 'cols', inRow: 2, extent: 'wide', leastHeight: [100, 200, 300] },
      content: [cell('one'), cell('two')],
    },
  ]);
  const to = await makePage(own.url, 'To', [text('There.')]);
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  const source = await openDesk(page, own.url, from);
  await source.getByText('First.').click();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+c');
  const target = await openDesk(page, own.url, to);
  await target.getByText('There.').click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+v');
  await expect(target.locator('.cell.over')).toHaveCount(2);
  await expect
    .poll(async () => (await contentOf(own.url, to)).map((piece) => piece.type))
    .toEqual(expect.arrayContaining(['figure', 'columns']));
  const [was, now] = [await contentOf(own.url, from), await contentOf(own.url, to)];
  for (const kind of ['figure', 'columns']) {
    const [a, b] = [was, now].map((pieces) => pieces.find((piece) => piece.type === kind)!.attrs);
    expect(b!.id).not.toBe(a!.id);
    expect({ ...b, id: '' }).toEqual({ ...a, id: '' });
  }
  await publish(own.url);
});
