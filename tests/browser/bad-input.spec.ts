import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, truncateSync, unlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { empty, letter, png, program, renamed, scripted, truncated, type GivenFile } from './bad-files';
import { choose, expect, makePage, openDesk, publish, takeIn, test, text } from './dekoro';
import { serve } from './server';

type Taken = { name: string; id: string | null; wasThere: boolean; note?: string; error?: string };

async function give(url: string, files: GivenFile[]) {
  const form = new FormData();
  for (const file of files) form.append('file', new Blob([new Uint8Array(file.bytes)]), file.name);
  return ((await (await fetch(`${url}/api/files`, { method: 'POST', body: form })).json()) as { files: Taken[] }).files;
}

/** The most memory the server has held so far, MB. */
const peakMb = (pid: number) => Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;

test('Each bad file gets a sentence of its own and the good ones beside it are taken', async ({ own }) => {
  const bomb = { name: 'wall.png', bytes: png(30_000, 30_000) };
  const good = { name: 'reel.jpg', bytes: readFileSync(new URL('../../demo/files/line-reel.jpg', import.meta.url)) };
  const taken = await give(own.url, [truncated(), empty, program, letter, bomb, renamed(), scripted, good, good]);
  const sentence = (name: string) => taken.find((file) => file.name === name)!.error;
  expect(sentence('half-a-reel.jpg')).toMatch(
    /^This JPEG is cut short or damaged and does not decode to the end: copy it again/,
  );
  expect(sentence('nothing.png')).toMatch(/^This file is empty \(0 bytes\)/);
  expect(sentence('kite.jpg')).toMatch(/^This is a program, not a picture\./);
  expect(sentence('letter.webp')).toMatch(/^The content of this file is not a picture/);
  expect(sentence('wall.png')).toMatch(
    /^This picture has 900 million pixels \(30000 × 30000\); at most 150 million are taken\./,
  );
  // A name that is wrong does no harm: the content says what it is.
  expect(taken.find((file) => file.name === 'really-a-png.jpg')).toMatchObject({ id: expect.any(String) });
  expect(taken.filter((file) => file.name === 'reel.jpg')).toMatchObject([{ wasThere: false }, { wasThere: true }]);
  const svg = taken.find((file) => file.name === 'badge.svg')!;
  expect(svg.note).toContain('taken out of this SVG');
  const kept = await (await fetch(`${own.url}/media/original/${svg.id}`)).text();
  expect(kept).toContain('<circle');
  expect(kept).not.toMatch(/script|onload|onclick|elsewhere|foreignObject|iframe/i);
  expect(peakMb(own.process.pid!)).toBeLessThan(700);
});

test('Three hundred files at once with three bad ones among them: 297 come in, three say why @long', async ({
  page,
  own,
}) => {
  test.setTimeout(240_000);
  await page.goto(`${own.url}/library`);
  const files = Array.from({ length: 297 }, (_, i) => ({
    name: `sail-${i}.png`,
    mimeType: 'image/png',
    buffer: png(96 + (i % 40), 64, i + 1),
  }));
  const bad = [truncated(), empty, program].map((file) => ({
    name: file.name,
    mimeType: 'image/jpeg',
    buffer: file.bytes,
  }));
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await choose(page, page.getByRole('menuitem', { name: 'Pictures and files' }), [
    ...files.slice(0, 100),
    ...bad,
    ...files.slice(100),
  ]);
  const list = page.getByRole('region', { name: 'Files coming in' });
  await expect(list.getByText('All files are through')).toBeVisible({ timeout: 200_000 });
  await expect(list.getByText('297 files in, 3 refused')).toBeVisible();
  await expect(list.getByText('This JPEG is cut short or damaged')).toBeVisible();
  await expect(list.getByText('This file is empty (0 bytes)')).toBeVisible();
  await expect(list.getByRole('button', { name: 'Try again' })).toHaveCount(3);
  await expect(page.getByText('297 pictures')).toBeVisible();
  const peak = peakMb(own.process.pid!);
  console.log(`300 files at once: the server held at most ${Math.round(peak)} MB`);
  expect(peak).toBeLessThan(700);

  // More than are ever loaded at once: the far end is a jump away, and a range reaches over what was never in view.
  await list.getByRole('button', { name: 'Clear the list' }).click();
  const pictures = page.locator('[data-picture]');
  await pictures.first().click();
  await page
    .getByRole('list', { name: 'Pictures' })
    .evaluate((sheet) => sheet.parentElement!.scrollTo({ top: sheet.scrollHeight }));
  await pictures.last().click({ modifiers: ['Shift'] });
  await expect(page.getByText('297 pictures chosen.')).toBeVisible();
});

test('On a full disk a file is refused in words, and what was there before is safe', async () => {
  test.skip(process.getuid?.() !== 0, 'Only root can make a small disk to fill.');
  const disk = mkdtempSync(join(tmpdir(), 'dekoro-small-'));
  execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=6m', 'tmpfs', disk]);
  const server = await serve({ data: join(disk, 'data'), keep: true });
  try {
    const [before] = await takeIn(server.url, ['serpent-small.jpg']);
    expect(before!.id).toBeTruthy();
    const id = await makePage(server.url, 'Serpent', [{ type: 'figure', attrs: { asset: before!.id } }]);
    const [large, small] = await takeIn(server.url, ['eighteen-metre-serpent.jpg', 'bunting.svg']).then(
      async (taken) => [taken[0]!, taken[1]!],
    );
    const filled = await give(server.url, [
      { name: 'large.png', bytes: Buffer.concat([png(200, 200, 9), Buffer.alloc(7 << 20, 1)]) },
    ]);
    expect(filled[0]!.error).toMatch(/^The disk is full, so this file was not kept; everything added before is safe\./);
    expect(
      [large.error ?? '', small.error ?? ''].every((said) => said === '' || said.startsWith('The disk is full')),
    ).toBe(true);
    expect((await fetch(`${server.url}/media/proof/${before!.id}/whole/160`)).status).toBe(200);
    // Not even a draft can be kept then: it is said in words, and what was kept stays.
    spawnSync('dd', ['if=/dev/zero', `of=${join(disk, 'filler')}`, 'bs=4k']);
    const refused = await fetch(`${server.url}/api/pages/${id}/draft`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': '"2"' },
      body: JSON.stringify({
        title: 'Serpent',
        document: { type: 'doc', content: [text('A long story. '.repeat(40_000))] },
      }),
    });
    expect(refused.status).toBe(507);
    expect(((await refused.json()) as { detail: string }).detail).toMatch(
      /^The disk is full, so this was not kept; all that was kept before is safe/,
    );
    rmSync(join(disk, 'filler'));
    const draft = (await (await fetch(`${server.url}/api/pages/${id}/draft`)).json()) as {
      document: { content: unknown[] };
    };
    expect(draft.document.content).toHaveLength(1);
    expect((await fetch(`${server.url}/health`)).status).toBe(200);
  } finally {
    await server.stop();
    execFileSync('umount', [disk]);
    rmSync(disk, { recursive: true });
  }
});

test('A video of more than two gigabytes is refused in words at once, without being sent', async ({
  page,
  own,
}, info) => {
  const large = info.outputPath('a-whole-summer.webm');
  mkdirSync(dirname(large), { recursive: true });
  writeFileSync(large, '');
  truncateSync(large, 2 * 1024 ** 3 + 1);
  const id = await makePage(own.url, 'Home', [text('Here.')]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('Here.').click();
  await page.getByRole('button', { name: /^Library/ }).click();
  const sent = page.waitForRequest('**/api/files', { timeout: 3000 }).catch(() => null);
  await choose(page, page.getByRole('button', { name: 'From this computer' }), large);
  const coming = page.getByRole('region', { name: 'Files coming in' }).getByRole('listitem');
  await expect(coming).toContainText('a-whole-summer.webm');
  await expect(coming).toContainText('This file is larger than 2 GB: put it where large files are kept');
  expect(await sent).toBeNull();
  unlinkSync(large);
  await expect(frame.getByText('Here.')).toBeVisible();
});

test('A page that names a picture that is gone says so, and the rest of it is published', async ({ page, own }) => {
  const id = await makePage(own.url, 'Gone', [
    text('Still here.'),
    { type: 'figure', attrs: { id: 'lost', asset: 'no-such-picture' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  await expect(
    page.getByText('The picture that stood here is no longer in the library: choose another, or take the place out.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'go there' }).click();
  await expect(page.getByRole('button', { name: 'Change the picture' })).toBeVisible();
  await expect(frame.getByText('Still here.')).toBeVisible();
  await publish(own.url);
  const html = await (await fetch(`${own.url}/live/`)).text();
  expect(html).toContain('Still here.');
  expect(html).not.toContain('<figure');
});

test('Addresses that act never reach a page, by whatever way they came', async ({ own }) => {
  const marks = [{ type: 'link', attrs: { href: 'java\tscript:alert(1)' } }];
  const [kite] = await takeIn(own.url, ['serpent-small.jpg']);
  await makePage(own.url, '<script>alert(1)</script>', [
    { type: 'paragraph', content: [{ type: 'text', text: '<img src=x onerror=alert(1)>', marks }] },
    {
      type: 'figure',
      attrs: {
        asset: kite!.id,
        linkKind: 'address',
        linkTarget: 'data:text/html,<script>',
        captionSource: 'own',
        caption: '"><script>',
      },
    },
  ]);
  await publish(own.url);
  const html = await (await fetch(`${own.url}/live/`)).text();
  expect(html).not.toMatch(/<script|<[^>]*onerror|href="(java|data:text)/i);
  expect(html).toContain('&lt;img src=x');
});

test('Other sites cannot change anything, and proofs are made at the fixed widths only', async ({ own }) => {
  const refused = await fetch(`${own.url}/api/pages`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: 'https://elsewhere.example' },
    body: JSON.stringify({ kind: 'page', title: 'Theirs' }),
  });
  expect(refused.status).toBe(403);
  const [kite] = await takeIn(own.url, ['serpent-small.jpg']);
  expect((await fetch(`${own.url}/media/proof/${kite!.id}/whole/161`)).status).toBe(404);
  expect((await fetch(`${own.url}/media/proof/${kite!.id}/0-0-9999-9999/160`)).status).toBe(404);
  expect((await fetch(`${own.url}/live/..%2f..%2fdekoro.db`)).status).toBe(404);
});

test('The same thing to mend, twice on a page or in a search line, is told and stops neither publishing nor searching', async ({
  page,
  own,
}) => {
  const taken = await takeIn(own.url, ['box-kite.jpg', 'line-reel.jpg']);
  await makePage(
    own.url,
    'Reels',
    taken.map((file, i) => ({ type: 'figure', attrs: { id: `f${i}`, asset: file.id } })),
  );
  await page.goto(`${own.url}/library`);
  await page.getByRole('searchbox').fill('shape:odd shape:odd');
  await expect(page.getByRole('status').filter({ hasText: 'wide, tall' })).toHaveCount(1);
  await expect(page.getByText('2 pictures')).toBeVisible();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Publish' });
  await expect(sheet).toContainText('This picture has no alt text');
  await expect(sheet).toContainText('(2 pieces)');
  await sheet.getByRole('button', { name: 'Publish now' }).click();
  await expect(sheet.getByText('1 page is on the public site')).toBeVisible({ timeout: 60_000 });
});
