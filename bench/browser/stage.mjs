// How soon a change of an arrangement of 100 pictures shows on its stage; and whether 100 slides hold up a phone.
//   node bench/browser/stage.mjs
import { chromium } from '../../tests/browser/node_modules/@playwright/test/index.mjs';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumHere } from '../../tests/browser/browser.mjs';
import { atRest, root } from './tools.mjs';

const data = mkdtempSync(join(tmpdir(), 'dekoro-stage-'));
const server = spawn(
  'dotnet',
  [join(root, 'build/server/Dekoro.Server.dll'), 'serve', '--port', '5378', '--data', data],
  {
    env: {
      ...process.env,
      DEKORO_CLIENT: join(root, 'client/build'),
      DEKORO_DEMO: join(root, 'demo'),
      DEKORO_EFFORT: 'least',
    },
  },
);
const url = 'http://127.0.0.1:5378';
await new Promise((resolve) => server.stdout.on('data', (said) => String(said).includes('ready') && resolve()));
const json = { 'Content-Type': 'application/json' };
const files = (await (await fetch(`${url}/api/files?limit=200`)).json()).items
  .filter((file) => !file.isVector)
  .map((file) => file.id);
const hundred = (many) => Array.from({ length: many }, (_, i) => files[i % files.length]);
const percentile = (list, p) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(p * list.length))];
const browser = await chromium.launch(chromiumHere);

async function shows(many) {
  const made = await (
    await fetch(`${url}/api/arrangements`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ name: `Set of ${many}`, pictures: hundred(many) }),
    })
  ).json();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/arrangements/${made.id}`);
  await page.waitForTimeout(3000);
  await atRest(server.pid);
  const times = [];
  for (let i = 0; i < 24; i++) {
    times.push(
      await page.evaluate(
        async (px) => {
          const frame = document.querySelector('iframe');
          const gutter = document.getElementById('gutter');
          const start = performance.now();
          gutter.value = String(px);
          gutter.dispatchEvent(new Event('input', { bubbles: true }));
          while (!frame.contentDocument.querySelector('.set')?.getAttribute('style')?.includes(`--gutter:${px}px`))
            await new Promise((done) => requestAnimationFrame(done));
          // Laid out and painted, too: what is sent within a frame is heard after it.
          await new Promise((done) =>
            requestAnimationFrame(() => {
              const { port1, port2 } = new MessageChannel();
              port1.onmessage = done;
              port2.postMessage(0);
            }),
          );
          return performance.now() - start;
        },
        10 + (i % 2) * 20 + i,
      ),
    );
    await page.waitForTimeout(500);
  }
  await page.close();
  return times.slice(4);
}
const [ten, full] = [await shows(10), await shows(100)];
console.log(
  `A change shows on the stage: 100 pictures median ${percentile(full, 0.5).toFixed(0)} ms, 95th percentile ` +
    `${percentile(full, 0.95).toFixed(0)} ms (wanted: 100); 10 pictures ${percentile(ten, 0.5).toFixed(0)} ms; ` +
    `ratio ${(percentile(full, 0.5) / percentile(ten, 0.5)).toFixed(2)}`,
);

async function carousel(many) {
  const made = await (
    await fetch(`${url}/api/arrangements`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ name: `Carousel of ${many}`, pictures: hundred(many) }),
    })
  ).json();
  const put = await fetch(`${url}/api/arrangements/${made.id}`, {
    method: 'PUT',
    headers: { ...json, 'If-Match': `"${made.version}"` },
    body: JSON.stringify({ ...made.values, kind: 'carousel' }),
  });
  if (!put.ok) throw new Error(await put.text());
  return `${url}/stage/${made.id}`;
}
async function longest(address) {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.addInitScript(() => {
    window.tasks = [];
    new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((one) => one.duration))).observe({
      type: 'longtask',
      buffered: true,
    });
  });
  let fetched = 0;
  page.on('request', (request) => request.resourceType() === 'image' && fetched++);
  await page.goto(address);
  await page.waitForTimeout(2500);
  const opening = Math.max(0, ...(await page.evaluate(() => window.tasks.splice(0))));
  const near = fetched;
  for (let i = 0; i < 6 && (await page.locator('.arrow.after').count()) > 0; i++) {
    await page.locator('.arrow.after').click();
    await page.waitForTimeout(900);
  }
  const moving = Math.max(0, ...(await page.evaluate(() => window.tasks)));
  await page.close();
  return { opening, moving, near };
}
async function median(address, rounds = 5) {
  const all = [];
  for (let i = 0; i < rounds; i++) all.push(await longest(address));
  return Object.fromEntries(
    ['opening', 'moving', 'near'].map((of) => [
      of,
      percentile(
        all.map((one) => one[of]),
        0.5,
      ),
    ]),
  );
}
// What the browser itself takes to open any page here.
const words = await (
  await fetch(`${url}/api/pages`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ kind: 'page', title: 'No pictures' }),
  })
).json();
const none = await median(`${url}/proof/${words.id}`);
const few = await median(await carousel(4));
const { opening, moving, near } = await median(await carousel(100));
console.log(
  `Processor 4 times slower, medians of 5: longest task while 100 slides open ${opening.toFixed(0)} ms, 4 ` +
    `slides ${few.opening.toFixed(0)} ms, a page without any ${none.opening.toFixed(0)} ms; 100 to 4, ratio ` +
    `${(opening / few.opening).toFixed(2)}; while 100 move ${moving.toFixed(0)} ms, 4 ${few.moving.toFixed(0)} ` +
    `ms (wanted: none over 50); ${near} of 100 pictures fetched before it is used`,
);
await browser.close();
server.kill();
rmSync(data, { recursive: true, force: true });
