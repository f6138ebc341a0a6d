import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { png, zip } from './bad-files';
import { deafen, expect, makePage, openDesk, publish, takeIn, test, text } from './dekoro';
import { root, serve } from './server';

const json = { 'Content-Type': 'application/json' };
type Draft = { version: number; title: string; document: { content: { content?: { text: string }[] }[] } };
const draftOf = async (url: string, id: string) =>
  (await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as Draft;
const words = async (url: string, id: string) =>
  (await draftOf(url, id)).document.content.map((piece) => piece.content?.map((run) => run.text).join('') ?? '');
const put = (url: string, id: string, version: number, title: string) =>
  fetch(`${url}/api/pages/${id}/draft`, {
    method: 'PUT',
    headers: { ...json, 'If-Match': `"${version}"` },
    body: JSON.stringify({ title, document: { type: 'doc', content: [text(title)] } }),
  });

test(
  'Killed at random moments of uploads, drafts and publishing, the program loses nothing that it had ' +
    'acknowledged, and the site is whole',
  async () => {
    const rounds = process.env.DEKORO_ALL ? 200 : 20;
    test.setTimeout(rounds * 15_000);
    const data = mkdtempSync(join(tmpdir(), 'dekoro-killed-'));
    const acknowledged = { files: new Map<string, string>(), title: '', version: 0, release: '' };
    let page = '';
    for (let round = 0; round < rounds; round++) {
      const server = await serve({ data, keep: true });
      // All that was acknowledged before is there.
      if (page) {
        const now = await draftOf(server.url, page);
        expect(now.version, `round ${round}`).toBeGreaterThanOrEqual(acknowledged.version);
        if (now.version === acknowledged.version) expect(now.title).toBe(acknowledged.title);
        for (const [id, sha] of acknowledged.files) {
          const original = Buffer.from(await (await fetch(`${server.url}/media/original/${id}`)).arrayBuffer());
          expect(createHash('sha256').update(original).digest('hex'), `round ${round}, ${id}`).toBe(sha);
        }
        const live = await fetch(`${server.url}/live/`);
        if (acknowledged.release) expect(live.status).toBe(200);
        const html = live.status === 200 ? await live.text() : '';
        if (html) expect(html).toContain('</html>');
        for (const [, address] of html.matchAll(/(?:src|href)="((?:media|assets)\/[^"?]+)/g))
          expect((await fetch(`${server.url}/live/${address}`)).status, address).toBe(200);
      } else {
        const bytes = png(90, 60, 9999);
        const form = new FormData();
        form.append('file', new Blob([new Uint8Array(bytes)]), 'first.png');
        const first = (
          (await (await fetch(`${server.url}/api/files`, { method: 'POST', body: form })).json()) as {
            files: { id: string }[];
          }
        ).files[0]!.id;
        page = await makePage(server.url, 'Home', [text('Home'), { type: 'figure', attrs: { asset: first } }]);
      }
      // Three kinds of work at once, and the end somewhere among them.
      let stopped = false;
      const busy = [
        (async () => {
          for (let i = 0; !stopped; i++) {
            const bytes = png(100 + (i % 50), 70, round * 1000 + i);
            const form = new FormData();
            form.append('file', new Blob([new Uint8Array(bytes)]), `sail-${round}-${i}.png`);
            const answer = (await (await fetch(`${server.url}/api/files`, { method: 'POST', body: form })).json()) as {
              files: { id: string | null }[];
            };
            if (answer.files[0]!.id)
              acknowledged.files.set(answer.files[0]!.id, createHash('sha256').update(bytes).digest('hex'));
          }
        })(),
        (async () => {
          let { version } = await draftOf(server.url, page);
          for (let i = 0; !stopped; i++) {
            const answer = await put(server.url, page, version, `Home ${round} ${i}`);
            if (!answer.ok) continue;
            version = ((await answer.json()) as { version: number }).version;
            [acknowledged.version, acknowledged.title] = [version, `Home ${round} ${i}`];
          }
        })(),
        (async () => {
          while (!stopped)
            if ((await fetch(`${server.url}/api/publish`, { method: 'POST' })).ok) acknowledged.release = 'there';
        })(),
      ];
      busy.forEach((work) => work.catch(() => {}));
      await new Promise((done) => setTimeout(done, 60 + Math.random() * 900));
      server.process.kill('SIGKILL');
      stopped = true;
      await Promise.allSettled(busy);
      // Only the last few are looked at each time: the others were.
      if (acknowledged.files.size > 12) acknowledged.files = new Map([...acknowledged.files].slice(-12));
    }
    const quarantined = readdirSync(data).includes('quarantine') ? readdirSync(join(data, 'quarantine')).length : 0;
    console.log(
      `${rounds} kills: version ${acknowledged.version} of the draft, ${quarantined} files without a record in quarantine`,
    );
    rmSync(data, { recursive: true });
  },
);

test(
  'Told to stop, or killed, while it publishes with eight windows open, it ends at once, goes on with that at the ' +
    'next start, and the windows go on by themselves',
  async ({ browser }) => {
    const data = mkdtempSync(join(tmpdir(), 'dekoro-stopped-'));
    let server = await serve({ data, keep: true });
    const files = await takeIn(server.url, [
      'museum-door.jpg',
      'the-long-workshop.jpg',
      'marram-grass.jpg',
      'silk-on-the-shelf.jpg',
    ]);
    const id = await makePage(server.url, 'Home', [
      text('Here.'),
      ...files.map((file) => ({ type: 'figure', attrs: { asset: file.id, size: 'edge' } })),
    ]);
    const contexts = await Promise.all(Array.from({ length: 4 }, () => browser.newContext()));
    const windows = (
      await Promise.all(contexts.map((context) => Promise.all([context.newPage(), context.newPage()])))
    ).flat();
    for (const window of windows) await openDesk(window, server.url, id);
    let isPublic = false;
    for (const [signal, afterMs] of [
      ['SIGTERM', 0],
      ['SIGKILL', 0],
      ['SIGTERM', 300],
      ['SIGKILL', 300],
    ] as const) {
      const { id: job } = (await (
        await fetch(`${server.url}/api/publish`, { method: 'POST', headers: { Prefer: 'respond-async' } })
      ).json()) as { id: string };
      await new Promise((done) => setTimeout(done, afterMs));
      const ended = new Promise((done) => server.process.once('exit', done));
      server.process.kill(signal);
      await ended;
      const port = new URL(server.url).port;
      server = await serve({ data, keep: true, port: Number(port) });
      // Whatever was done of it, it goes on; until it is public, visitors meet what they met before.
      const before = (await fetch(`${server.url}/live/`)).status;
      expect([isPublic ? 200 : 404, 200], `${signal} after ${afterMs} ms`).toContain(before);
      const stateNow = async () =>
        ((await (await fetch(`${server.url}/api/jobs/${job}`)).json()) as { state: string }).state;
      await expect.poll(stateNow, { timeout: 60_000 }).toBe('done');
      isPublic = true;
      expect((await fetch(`${server.url}/live/`)).status).toBe(200);
    }
    // A window that was open all the time is written in, and kept.
    const frame = windows[0]!.frameLocator('iframe[title^="The page at"]');
    await frame.getByText('Here.').click();
    await windows[0]!.keyboard.press('End');
    await windows[0]!.keyboard.type(' Still.');
    await expect.poll(async () => (await words(server.url, id))[0]).toBe('Here. Still.');
    // What one window keeps the others show, though every line had been cut twice.
    await expect(windows[7]!.frameLocator('iframe[title^="The page at"]').getByText('Here. Still.')).toBeVisible({
      timeout: 40_000,
    });
    await Promise.all(contexts.map((context) => context.close()));
    await publish(server.url);
    await server.stop();
    rmSync(data, { recursive: true });
  },
);

test(
  'What was typed without a line in a window that is gone is joined with what others kept meanwhile; two ' +
    'windows lose nothing of each other',
  async ({ context, own }) => {
    const paragraph = (id: string, said: string) => ({ ...text(said), attrs: { id } });
    const id = await makePage(own.url, 'Storm', [
      paragraph('one', 'First.'),
      paragraph('two', 'Second.'),
      paragraph('three', 'Third.'),
    ]);
    const write = async (
      frame: Awaited<ReturnType<typeof openDesk>>,
      page: import('@playwright/test').Page,
      after: string,
      more: string,
    ) => {
      await frame.getByText(after, { exact: true }).click();
      await page.keyboard.press('End');
      await page.keyboard.type(more);
    };
    // Two windows without a line, each with words of its own; then both are gone.
    for (const [after, more] of [
      ['First.', ' Mine.'],
      ['Second.', ' Mine too.'],
    ] as const) {
      const page = await context.newPage();
      await deafen(page);
      const frame = await openDesk(page, own.url, id);
      await page.route('**/draft', (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()));
      await write(frame, page, after, more);
      await expect(page.getByText('Dekoro cannot be reached just now').first()).toBeVisible();
      // No hand closes a window within a moment of the last letter.
      await page.waitForTimeout(300);
      await page.close({ runBeforeUnload: false });
    }
    const { version } = await draftOf(own.url, id);
    const theirs = await fetch(`${own.url}/api/pages/${id}/draft`, {
      method: 'PUT',
      headers: { ...json, 'If-Match': `"${version}"` },
      body: JSON.stringify({
        title: 'Storm',
        document: {
          type: 'doc',
          content: [paragraph('one', 'First.'), paragraph('two', 'Second.'), paragraph('three', 'Third. Theirs.')],
        },
      }),
    });
    expect(theirs.ok).toBe(true);
    const page = await context.newPage();
    await openDesk(page, own.url, id);
    await expect.poll(() => words(own.url, id)).toEqual(['First. Mine.', 'Second. Mine too.', 'Third. Theirs.']);
  },
);

test(
  'A full disk is said in words and takes nothing: at a draft, at publishing and at a backup; with room again ' +
    'what was typed is kept',
  async ({ page }) => {
    test.skip(process.getuid?.() !== 0, 'Only root can make a small disk to fill.');
    const disk = mkdtempSync(join(tmpdir(), 'dekoro-small-'));
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=24m', 'tmpfs', disk]);
    const data = join(disk, 'data');
    const fill = () =>
      spawnSync('dd', ['if=/dev/zero', `of=${join(disk, 'filler')}`, 'bs=4k', 'oflag=append', 'conv=notrunc']);
    let filling: NodeJS.Timeout | undefined;
    try {
      let server = await serve({ data, keep: true });
      const [reel] = await takeIn(server.url, ['line-reel.jpg']);
      const id = await makePage(server.url, 'Home', [
        text('Here.'),
        { type: 'figure', attrs: { asset: reel!.id, size: 'wide' } },
      ]);
      const frame = await openDesk(page, server.url, id);
      await frame.getByText('Here.').click();
      await page.keyboard.press('End');
      // What the program lets go of meanwhile is taken again: the disk stays full.
      filling = setInterval(fill, 500);
      fill();
      await page.keyboard.type(' Typed on a full disk. '.repeat(40));
      await expect(page.getByText('The disk is full, so this was not kept').first()).toBeVisible();
      const published = await fetch(`${server.url}/api/publish`, { method: 'POST' });
      expect(published.ok).toBe(false);
      expect(((await published.json()) as { detail: string }).detail).toMatch(/disk is full/);
      // Room again: what was typed is kept by itself.
      clearInterval(filling);
      rmSync(join(disk, 'filler'));
      await expect
        .poll(async () => (await words(server.url, id))[0], { timeout: 40_000 })
        .toContain('Typed on a full disk.');
      await publish(server.url);
      await server.stop();
      // A stop in the midst of work leaves a log beside the database, whose room the next start could use.
      for (let stops = 0; stops < 5 && existsSync(join(data, 'dekoro.db-wal')); stops++)
        await (await serve({ data, keep: true })).stop();
      fill();
      const refused = spawnSync(
        'dotnet',
        [join(root, 'build/server/Dekoro.Server.dll'), 'backup', join(disk, 'backup'), '--data', data],
        { encoding: 'utf8' },
      );
      expect(refused.status).toBe(1);
      expect(refused.stderr).toMatch(/^The disk is full, so nothing was done/);
      await expect(serve({ data, keep: true })).rejects.toThrow(
        /did not start: The disk is full, so nothing was done, .* free some space, then start again\.\n$/,
      );
      rmSync(join(disk, 'filler'));
      server = await serve({ data, keep: true });
      expect((await words(server.url, id))[0]).toContain('Typed on a full disk.');
      expect((await fetch(`${server.url}/live/`)).status).toBe(200);
      await server.stop();
    } finally {
      clearInterval(filling);
      execFileSync('umount', ['-l', disk]);
      rmSync(disk, { recursive: true });
    }
  },
);

test(
  'Bundles, changes, bodies, mails and archives that are made to fill the memory are refused in words, and the ' +
    'program stays under 512 MB',
  async () => {
    // An archive without an end: each answer names more of the same, 400 kB at a time.
    const archive = createServer((request, response) => {
      const here = `http://${request.headers.host}${request.url}`;
      const items = Array.from({ length: 40 }, (_, i) => ({
        id: `${here}/${i}`,
        type: 'Collection',
        label: { en: [String(i)] },
      }));
      response.end(
        JSON.stringify({
          id: here,
          type: 'Collection',
          label: { en: ['Kites'] },
          summary: { en: ['x'.repeat(400_000)] },
          items,
        }),
      );
    });
    await new Promise<void>((done) => archive.listen(0, '127.0.0.1', done));
    const host = `127.0.0.1:${(archive.address() as AddressInfo).port}`;
    const server = await serve({ env: { DEKORO_FETCH_FROM: host } });
    const peakMb = () =>
      Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${server.process.pid}/status`, 'utf8'))![1]) / 1024;
    const sentence = async (answer: Response) => ((await answer.json()) as { detail: string }).detail;
    const give = (bytes: Buffer, name: string, path = '/api/intake/file') => {
      const form = new FormData();
      form.append('file', new Blob([new Uint8Array(bytes)]), name);
      return fetch(server.url + path, { method: 'POST', body: form });
    };
    const zeros = Buffer.alloc(190 << 20);
    // Packed a thousandfold it is refused by what it says of itself; a little less, and each entry has to be opened.
    expect(await sentence(await give(zip(['a.jpg', 'b.jpg'], zeros), 'kites.zip'))).toMatch(
      /unpacks to far more than it says.*nothing of it was read\.$/,
    );
    for (let i = 0; i < zeros.length; i += 40_000) zeros.writeUInt32LE((i * 2654435761) >>> 0, i);
    const names = Array.from({ length: 12 }, (_, i) => `sail-${i}.jpg`);
    const { leftOut } = (await (await give(zip(names, zeros), 'kites.zip')).json()) as {
      leftOut: { sentence: string }[];
    };
    expect(leftOut).toHaveLength(names.length);
    for (const left of leftOut) expect(left.sentence).toContain('not a picture');

    const page = await makePage(server.url, 'Home', [text('Here.')]);
    const { version } = await draftOf(server.url, page);
    const patch = (operations: object[]) =>
      fetch(`${server.url}/api/pages/${page}/draft`, {
        method: 'PATCH',
        headers: { 'Content-Type': 'application/json-patch+json', 'If-Match': `"${version}"` },
        body: JSON.stringify(operations),
      });
    // Doubling by copies, forty times over; and as many operations as fit.
    expect(
      (
        await patch(
          Array.from({ length: 40 }, () => ({ op: 'copy', from: '/document/content', path: '/document/content/-' })),
        )
      ).status,
    ).toBe(400);
    expect(
      (await patch(Array.from({ length: 150_000 }, () => ({ op: 'replace', path: '/title', value: 'x'.repeat(60) }))))
        .status,
    ).toBe(413);
    const chunk = Buffer.alloc(1 << 20, 0x78);
    async function* endless() {
      yield Buffer.from('{"ids":["');
      for (let i = 0; i < 2048; i++) yield chunk;
    }
    const long = await fetch(`${server.url}/api/files/these`, {
      method: 'POST',
      headers: json,
      body: ReadableStream.from(endless()),
      duplex: 'half',
    } as RequestInit).catch(() => null);
    // The answer may come while it is still being sent; then the line is cut.
    if (long) expect(long.status).toBe(413);

    const nested = `<!doctype html><body>${'<div>'.repeat(1_500_000)}x`;
    expect((await give(Buffer.from(nested), 'kites.html')).status).toBeLessThan(500);
    const all = await fetch(`${server.url}/api/archive?address=${encodeURIComponent(`http://${host}/`)}`);
    expect(JSON.stringify(await all.json())).toContain('of descriptions that are read at once');
    expect(peakMb()).toBeLessThan(512);
    expect((await fetch(`${server.url}/health`)).status).toBe(200);
    console.log(`${Math.round(peakMb())} MB at the worst`);
    archive.close();
    await server.stop();
  },
);

test('The tool keeps to what its policy lets it load, on every screen', async ({ page, own }) => {
  const files = await takeIn(own.url, ['line-reel.jpg', 'two-lanterns.jpg']);
  await takeIn(own.url, ['flying-days-programme.pdf']);
  const id = await makePage(own.url, 'Home', [text('Here.'), { type: 'figure', attrs: { asset: files[0]!.id } }]);
  await publish(own.url);
  const refused: string[] = [];
  page.on(
    'console',
    (message) => /Content Security Policy|Refused to/.test(message.text()) && refused.push(message.text()),
  );
  const { items } = (await (await fetch(`${own.url}/api/downloads`)).json()) as { items: { id: string }[] };
  for (const path of [
    '/',
    `/pages/${id}`,
    `/pages/${id}/proofs`,
    `/pages/${id}/history`,
    '/library',
    '/library/in',
    `/library/room/${files[0]!.id}`,
    `/library/files/${items[0]!.id}`,
    '/library/shelf',
    '/arrangements',
    '/site',
    '/live/',
  ]) {
    const answer = await page.goto(own.url + path);
    expect(answer!.headers()['content-security-policy'], path).toContain('frame-ancestors');
    await expect(page.locator('main, #content').first()).toBeVisible();
  }
  expect(refused).toEqual([]);
});
