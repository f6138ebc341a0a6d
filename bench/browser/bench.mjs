// Benchmarks of the tool in a real browser, each against a stated rival in the same run.
//   node bench/browser/bench.mjs                             all
//   node bench/browser/bench.mjs sheet|keys|many|photos|room one of them
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, openAsBlob, readFileSync, readdirSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromiumHere } from '../../tests/browser/browser.mjs';
import { deflateSync } from 'node:zlib';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const require = createRequire(join(root, 'tests/browser/package.json'));
const { chromium } = require('@playwright/test');
const which = process.argv[2];
const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
const part = (list, share) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))];

async function serve(port, data = mkdtempSync(join(tmpdir(), 'dekoro-bench-'))) {
  const child = spawn('dotnet', [join(root, 'build/server/Dekoro.Server.dll'), 'serve', '--empty', '--port', port, '--data', data], {
    env: { ...process.env, DEKORO_CLIENT: join(root, 'client/build') },
  });
  await new Promise((resolve) => child.stdout.on('data', (said) => String(said).includes('ready') && resolve()));
  return { url: `http://127.0.0.1:${port}`, pid: child.pid, stop: () => (child.kill(), rmSync(data, { recursive: true, force: true })) };
}

/** A picture of its own colours and shape, small enough that five thousand come in within minutes. */
function picture(i) {
  const [width, height] = [120 + (i % 7) * 24, 120 + (i % 5) * 18];
  const rows = Buffer.alloc((width * 3 + 1) * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rows.set([(i * 37 + x) & 255, (i * 91 + y) & 255, (i >> 4) & 255], y * (width * 3 + 1) + 1 + x * 3);
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2], 8);
  return Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), chunk('IHDR', head), chunk('IDAT', deflateSync(rows, { level: 1 })), chunk('IEND', Buffer.alloc(0))]);
}
function chunk(type, data) {
  const body = Buffer.concat([Buffer.from(type), data]);
  let sum = ~0;
  for (const byte of body) {
    sum ^= byte;
    for (let k = 0; k < 8; k++) sum = (sum >>> 1) ^ (0xedb88320 & -(sum & 1));
  }
  const out = Buffer.alloc(body.length + 8);
  out.writeUInt32BE(data.length);
  body.copy(out, 4);
  out.writeUInt32BE(~sum >>> 0, out.length - 4);
  return out;
}

async function fill(url, from, to) {
  const ids = [];
  for (let i = from; i < to; i += 100) {
    const form = new FormData();
    for (let k = i; k < Math.min(to, i + 100); k++) form.append('file', new Blob([picture(k)]), `bench picture ${k}.png`);
    const answer = await (await fetch(`${url}/api/files`, { method: 'POST', body: form })).json();
    ids.push(...answer.files.map((file) => file.id));
  }
  return ids;
}

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
                return image.src.includes('/media/proof/') && box.top < innerHeight && box.bottom > 0 && box.height > 20;
              });
              if (seen.length > 5 && seen.every((image) => image.complete && image.naturalWidth > 0)) requestAnimationFrame(() => done(performance.now()));
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
  const rows = ids.map((id) => `<figure style="display:inline-block"><img src="/media/proof/${id}/whole/320" height="150" loading="lazy"><figcaption>${id}</figcaption></figure>`).join('');
  const plain = [];
  for (let round = 0; round < 5; round++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.route('**/plain', (route) => route.fulfill({ contentType: 'text/html', body: `<!doctype html><body>${rows}` }));
    await page.goto(`${server.url}/plain`, { waitUntil: 'commit' });
    plain.push(
      await page.evaluate(
        () =>
          new Promise((done) => {
            const look = () => {
              const seen = [...document.images].filter((image) => image.getBoundingClientRect().top < innerHeight);
              if (seen.length > 5 && seen.every((image) => image.complete)) requestAnimationFrame(() => done(performance.now()));
              else requestAnimationFrame(look);
            };
            look();
          }),
      ),
    );
    await page.close();
  }
  console.log(`Contact sheet, address to all pictures in view painted, median of 4 after one warm:`);
  console.log(`  5,000 pictures ${many.toFixed(0)} ms; 50 pictures ${few.toFixed(0)} ms; ratio ${(many / few).toFixed(2)}`);
  console.log(`  a plain page of 5,000 lazy pictures ${median(plain.slice(1)).toFixed(0)} ms; ratio ${(many / median(plain.slice(1))).toFixed(2)}`);
  server.stop();
}

/** From a key going down to the frame after it being painted. */
async function keystrokes(url, pictures) {
  const ids = (await (await fetch(`${url}/api/files?take=200`)).json()).items.map((item) => item.id);
  const words = 'The wind comes over the sands before noon and the kites go up one after the other. '.repeat(6);
  const content = [{ type: 'paragraph', content: [{ type: 'text', text: 'Here.' }] }];
  for (let i = 0; i < pictures; i++)
    content.push({ type: 'figure', attrs: { asset: ids[i % ids.length], size: ['third', 'half', 'column'][i % 3], side: 'right', beside: true } }, { type: 'paragraph', content: [{ type: 'text', text: words }] });
  const json = { 'Content-Type': 'application/json' };
  const page = await (await fetch(`${url}/api/pages`, { method: 'POST', headers: json, body: JSON.stringify({ kind: 'page', title: `${pictures} pictures` }) })).json();
  const put = await fetch(`${url}/api/pages/${page.id}/draft`, { method: 'PUT', headers: { ...json, 'If-Match': '"1"' }, body: JSON.stringify({ title: page.title, document: { type: 'doc', content } }) });
  if (!put.ok) throw new Error(await put.text());
  const tab = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await tab.goto(`${url}/pages/${page.id}`);
  const frame = tab.frameLocator('iframe[title^="The page at"]');
  await frame.getByText('Here.').click();
  await tab.waitForTimeout(4000);
  await frame.locator('body').evaluate((body) => {
    const view = body.ownerDocument.defaultView;
    view.top.taken = [];
    view.addEventListener('keydown', () => {
      const start = view.performance.now();
      view.requestAnimationFrame(() => view.setTimeout(() => view.top.taken.push(view.performance.now() - start), 0));
    }, true);
  });
  await tab.keyboard.press('End');
  for (const letter of 'the kites go up one after the other and come down again in the evening with the tide '.repeat(2)) {
    await tab.keyboard.press(letter === ' ' ? 'Space' : letter);
    await tab.waitForTimeout(40);
  }
  const taken = await tab.evaluate(() => window.taken);
  await tab.close();
  return taken;
}

if (!which || which === 'keys') {
  const server = await serve('5372');
  await fill(server.url, 0, 100);
  const one = await keystrokes(server.url, 1);
  const hundred = await keystrokes(server.url, 100);
  const line = (list) => `median ${median(list).toFixed(1)} ms, 95th percentile ${part(list, 0.95).toFixed(1)} ms`;
  console.log(`Keystroke to paint, ${hundred.length} keys:`);
  console.log(`  page of 100 pictures: ${line(hundred)}`);
  console.log(`  page of one picture: ${line(one)}; ratio of medians ${(median(hundred) / median(one)).toFixed(2)}`);
  server.stop();
}

const inBench = (...args) => execFileSync(join(root, 'bench/Library/bin/Release/net10.0/Library'), args, { encoding: 'utf8' });
/** A line of /proc/PID/status in MB. */
const memoryMb = (pid, line) => Number(new RegExp(`${line}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;
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
  const dot = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
  // The rows have no files: what is looked at is the sheet, not the decoding.
  await page.route('**/media/proof/**', (route) => route.fulfill({ contentType: 'image/png', body: dot }));
  await page.addInitScript(() => {
    window.longest = 0;
    new PerformanceObserver((list) => list.getEntries().forEach((one) => (window.longest = Math.max(window.longest, one.duration)))).observe({ entryTypes: ['longtask'] });
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
  console.log(`Contact sheet of 100,000 pictures scrolled end to end (${scrolled.seen} steps, ${Math.round(scrolled.height / 1000)} thousand px):`);
  console.log(`  at most ${scrolled.nodes} nodes in it, longest task over 50 ms ${scrolled.longest.toFixed(0)} ms (while it was opened ${opened.toFixed(0)}); the server holds ${memoryMb(server.pid, 'VmRSS').toFixed(0)} MB, at most ${memoryMb(server.pid, 'VmHWM').toFixed(0)} MB`);
  await page.close();
  server.stop();
}

if (!which || which === 'photos') {
  const photos = mkdtempSync(join(tmpdir(), 'dekoro-photos-'));
  inBench('photos', photos, '200');
  const server = await serve('5374');
  const json = { 'Content-Type': 'application/json' };
  const made = await (await fetch(`${server.url}/api/pages`, { method: 'POST', headers: json, body: JSON.stringify({ kind: 'page', title: 'Busy' }) })).json();
  let version = 1;
  const saveOnce = async () => {
    const start = performance.now();
    const content = [{ type: 'paragraph', content: [{ type: 'text', text: `Saved ${version} times.` }] }];
    const put = await fetch(`${server.url}/api/pages/${made.id}/draft`, { method: 'PUT', headers: { ...json, 'If-Match': `"${version}"` }, body: JSON.stringify({ title: 'Busy', document: { type: 'doc', content } }) });
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
  console.log(`  first thumbnail after ${(firstThumbnail / 1000).toFixed(2)} s, ratio to the whole ${(firstThumbnail / whole).toFixed(4)}; ${cores.toFixed(2)} processors busy on average; at most ${memoryMb(server.pid, 'VmHWM').toFixed(0)} MB`);
  console.log(`  a draft save meanwhile: median ${median(load).toFixed(1)} ms, idle ${median(idle).toFixed(1)} ms, ratio ${(median(load) / median(idle)).toFixed(2)}`);
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
  console.log(`  median ${median(taken.moved).toFixed(1)} ms, 95th percentile ${part(taken.moved, 0.95).toFixed(1)} ms (two frames of 60 Hz are 33.3); a frame with nothing to change ${median(taken.idle).toFixed(1)} ms, ratio ${(median(taken.moved) / median(taken.idle)).toFixed(2)}`);
  await page.close();
  server.stop();
}
await browser.close();
