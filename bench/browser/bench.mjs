// Benchmarks of the library in a real browser, each against a stated rival in the same run.
//   node bench/browser/bench.mjs                        all
//   node bench/browser/bench.mjs sheet|many|photos|room one of them
import { execFileSync } from 'node:child_process';
import { mkdtempSync, openAsBlob, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumHere } from '../../tests/browser/browser.mjs';
import { chromium, fill, median, memoryMb, part, root, serve } from './tools.mjs';

const which = process.argv[2];
const browser = await chromium.launch(chromiumHere);

/** From the click on the address to all pictures in view being painted. */
async function firstPaint(url, path) {
  const times = [];
  for (let round = 0; round < 5; round++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(url + path, { waitUntil: 'commit' });
    times.push(
      await page.evaluate(
        () =>
          new Promise((done) => {
            const look = () => {
              const seen = [...document.images].filter((image) => {
                const box = image.getBoundingClientRect();
                return (
                  image.src.includes('/media/proof/') && box.top < innerHeight && box.bottom > 0 && box.height > 20
                );
              });
              if (seen.length > 5 && seen.every((image) => image.complete && image.naturalWidth > 0))
                requestAnimationFrame(() => done(performance.now()));
              else requestAnimationFrame(look);
            };
            look();
          }),
      ),
    );
    await context.close();
  }
  return median(times.slice(1));
}

if (!which || which === 'sheet') {
  const server = await serve('5371');
  await fill(server.url, 0, 50);
  const few = await firstPaint(server.url, '/library');
  const ids = [...(await fill(server.url, 50, 5000))];
  const many = await firstPaint(server.url, '/library');
  // The rival: the same pictures as a plain page, all of them in the document.
  const rows = ids
    .map(
      (id) =>
        `<figure style="display:inline-block"><img src="/media/proof/${id}/whole/320" height="150" ` +
        `loading="lazy"><figcaption>${id}</figcaption></figure>`,
    )
    .join('');
  const plain = [];
  for (let round = 0; round < 5; round++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.route('**/plain', (route) =>
      route.fulfill({ contentType: 'text/html', body: `<!doctype html><body>${rows}` }),
    );
    await page.goto(`${server.url}/plain`, { waitUntil: 'commit' });
    plain.push(
      await page.evaluate(
        () =>
          new Promise((done) => {
            const look = () => {
              const seen = [...document.images].filter((image) => image.getBoundingClientRect().top < innerHeight);
              if (seen.length > 5 && seen.every((image) => image.complete))
                requestAnimationFrame(() => done(performance.now()));
              else requestAnimationFrame(look);
            };
            look();
          }),
      ),
    );
    await page.close();
  }
  console.log(`Contact sheet, address to all pictures in view painted, median of 4 after one warm:`);
  console.log(
    `  5,000 pictures ${many.toFixed(0)} ms; 50 pictures ${few.toFixed(0)} ms; ratio ${(many / few).toFixed(2)}`,
  );
  console.log(
    `  a plain page of 5,000 lazy pictures ${median(plain.slice(1)).toFixed(0)} ms; ratio ${(many / median(plain.slice(1))).toFixed(2)}`,
  );
  server.stop();
}

const inBench = (...args) =>
  execFileSync(join(root, 'bench/Library/bin/Release/net10.0/Library'), args, { encoding: 'utf8' });
/** Seconds of processor that a process has used. */
const cpuSeconds = (pid) => {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return (Number(fields[11]) + Number(fields[12])) / 100;
};

if (!which || which === 'many') {
  const data = mkdtempSync(join(tmpdir(), 'dekoro-bench-'));
  process.stdout.write(inBench('rows', data));
  const server = await serve('5373', data);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  // The rows have no files: what is looked at is the sheet, not the decoding.
  await page.route('**/media/proof/**', (route) => route.fulfill({ contentType: 'image/png', body: dot }));
  await page.addInitScript(() => {
    window.longest = 0;
    new PerformanceObserver((list) =>
      list.getEntries().forEach((one) => (window.longest = Math.max(window.longest, one.duration))),
    ).observe({ entryTypes: ['longtask'] });
  });
  await page.goto(`${server.url}/library`);
  await page.locator('[data-picture]').first().waitFor();
  await page.waitForTimeout(1000);
  const opened = await page.evaluate(() => window.longest);
  const scrolled = await page.evaluate(async () => {
    window.longest = 0;
    const sheet = document.querySelector('[aria-label="Pictures"]').parentElement;
    let [nodes, still, seen] = [0, 0, 0];
    while (still < 80) {
      const before = sheet.scrollTop;
      sheet.scrollTop += 6000;
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
      // Every so often a look: whatever spot it is, the pictures come.
      for (let frames = 0; seen % 40 === 0 && !sheet.querySelector('[data-picture]'); frames++) {
        if (frames > 600) throw new Error('No pictures came at ' + sheet.scrollTop);
        await new Promise((done) => requestAnimationFrame(done));
      }
      nodes = Math.max(nodes, sheet.querySelectorAll('*').length);
      still = sheet.scrollTop === before ? still + 1 : 0;
      seen++;
    }
    return { nodes, seen, longest: window.longest, height: sheet.scrollHeight };
  });
  console.log(
    `Contact sheet of 100,000 pictures scrolled end to end (${scrolled.seen} steps, ${Math.round(scrolled.height / 1000)} thousand px):`,
  );
  console.log(
    `  at most ${scrolled.nodes} nodes in it, longest task over 50 ms ${scrolled.longest.toFixed(0)} ms ` +
      `(while it was opened ${opened.toFixed(0)}); the server holds ` +
      `${memoryMb(server.pid, 'VmRSS').toFixed(0)} MB, at most ${memoryMb(server.pid, 'VmHWM').toFixed(0)} MB`,
  );
  await page.close();
  server.stop();
}

if (!which || which === 'photos') {
  const photos = mkdtempSync(join(tmpdir(), 'dekoro-photos-'));
  inBench('photos', photos, '200');
  const server = await serve('5374');
  const json = { 'Content-Type': 'application/json' };
  const made = await (
    await fetch(`${server.url}/api/pages`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ kind: 'page', title: 'Busy' }),
    })
  ).json();
  let version = 1;
  const saveOnce = async () => {
    const start = performance.now();
    const content = [{ type: 'paragraph', content: [{ type: 'text', text: `Saved ${version} times.` }] }];
    const put = await fetch(`${server.url}/api/pages/${made.id}/draft`, {
      method: 'PUT',
      headers: { ...json, 'If-Match': `"${version}"` },
      body: JSON.stringify({ title: 'Busy', document: { type: 'doc', content } }),
    });
    version = (await put.json()).version;
    return performance.now() - start;
  };
  const idle = [];
  for (let i = 0; i < 40; i++) idle.push(await saveOnce());
  const names = readdirSync(photos);
  const [start, cpu] = [performance.now(), cpuSeconds(server.pid)];
  let [firstThumbnail, going] = [0, true];
  const load = [];
  const saving = (async () => {
    while (going) {
      load.push(await saveOnce());
      await new Promise((done) => setTimeout(done, 150));
    }
  })();
  const queue = [...names];
  const send = async () => {
    for (let name = queue.shift(); name; name = queue.shift()) {
      const form = new FormData();
      form.append('file', await openAsBlob(join(photos, name)), name);
      const { files } = await (await fetch(`${server.url}/api/files`, { method: 'POST', body: form })).json();
      if (firstThumbnail > 0) continue;
      firstThumbnail = -1;
      await (await fetch(`${server.url}/media/proof/${files[0].id}/whole/320`)).arrayBuffer();
      firstThumbnail = performance.now() - start;
    }
  };
  await Promise.all([send(), send(), send()]);
  const whole = performance.now() - start;
  going = false;
  await saving;
  const cores = (cpuSeconds(server.pid) - cpu) / (whole / 1000);
  console.log(`200 photographs of 12 megapixels taken in, three at a time, in ${(whole / 1000).toFixed(1)} s:`);
  console.log(
    `  first thumbnail after ${(firstThumbnail / 1000).toFixed(2)} s, ratio to the whole ` +
      `${(firstThumbnail / whole).toFixed(4)}; ${cores.toFixed(2)} processors busy on average; at most ` +
      `${memoryMb(server.pid, 'VmHWM').toFixed(0)} MB`,
  );
  console.log(
    `  a draft save meanwhile: median ${median(load).toFixed(1)} ms, idle ${median(idle).toFixed(1)} ms, ` +
      `ratio ${(median(load) / median(idle)).toFixed(2)}`,
  );
  server.stop();
  rmSync(photos, { recursive: true, force: true });
}

if (!which || which === 'room') {
  const server = await serve('5375');
  const form = new FormData();
  form.append('file', await openAsBlob(join(root, 'demo/files/windle-sands-june-morning.jpg')), 'june.jpg');
  const { files } = await (await fetch(`${server.url}/api/files`, { method: 'POST', body: form })).json();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.url}/library/room/${files[0].id}`);
  const scale = page.getByRole('slider', { name: 'Light' });
  await scale.waitFor();
  await page.waitForTimeout(1500);
  // From the move to the frame that shows the changed picture; and the same for a frame with nothing to change.
  const taken = await scale.evaluate(async (input) => {
    const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
    const times = async (work) => {
      const list = [];
      for (let i = 0; i < 60; i++) {
        await frame();
        const start = performance.now();
        work(i);
        await frame();
        list.push(performance.now() - start);
      }
      return list;
    };
    const moved = await times((i) => {
      input.value = String((i * 7) % 90);
      input.dispatchEvent(new Event('input', { bubbles: true }));
    });
    return { moved, idle: await times(() => {}) };
  });
  console.log(`Picture room, a scale's move to the changed picture, 60 moves on 6000 × 2000 px:`);
  console.log(
    `  median ${median(taken.moved).toFixed(1)} ms, 95th percentile ${part(taken.moved, 0.95).toFixed(1)} ms ` +
      `(two frames of 60 Hz are 33.3); a frame with nothing to change ${median(taken.idle).toFixed(1)} ms, ` +
      `ratio ${(median(taken.moved) / median(taken.idle)).toFixed(2)}`,
  );
  await page.close();
  server.stop();
}
await browser.close();
