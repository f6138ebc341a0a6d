// Benchmarks of the desk: a page of 200 pictures and 20,000 words against one of 10 pictures and 1,000 words in the
// same run.
//   node bench/browser/desk.mjs          all
//   node bench/browser/desk.mjs memory   3,000 edits alone
//   node bench/browser/desk.mjs speeds   all but those
import { chromiumHere } from '../../tests/browser/browser.mjs';
import { atRest, chromium, fill, median, memoryMb, part, serve } from './tools.mjs';

const which = process.argv[2];
const browser = await chromium.launch(chromiumHere);
const server = await serve('5376');
const ids = await fill(server.url, 0, 100);
const json = { 'Content-Type': 'application/json' };
const words =
  'The wind comes over the sands before noon and the kites go up one after the other while the gulls complain. '
    .repeat(5)
    .trim();

/** A hundred words go with each picture. */
async function makePage(pictures) {
  const content = [{ type: 'paragraph', attrs: { id: 'here' }, content: [{ type: 'text', text: 'Here.' }] }];
  for (let i = 0; i < pictures; i++) {
    const attrs = {
      id: `f${i}`,
      asset: ids[i % ids.length],
      size: ['column', 'half', 'third'][i % 3],
      side: 'right',
      beside: true,
      alt: 'A kite',
    };
    content.push(
      { type: 'figure', attrs },
      { type: 'paragraph', attrs: { id: `p${i}` }, content: [{ type: 'text', text: words }] },
    );
  }
  const page = await (
    await fetch(`${server.url}/api/pages`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ kind: 'page', title: `${pictures} pictures` }),
    })
  ).json();
  const put = await fetch(`${server.url}/api/pages/${page.id}/draft`, {
    method: 'PUT',
    headers: { ...json, 'If-Match': '"1"' },
    body: JSON.stringify({ title: page.title, document: { type: 'doc', content } }),
  });
  if (!put.ok) throw new Error(await put.text());
  return page.id;
}

const drawn = (tab) =>
  tab.waitForFunction(() => {
    const inside = document.querySelector('iframe[title^="The page at"]')?.contentDocument;
    return inside?.querySelector('figure.fig img') && !inside.querySelector('.dk-waiting');
  });

async function open(id) {
  const tab = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await tab.goto(`${server.url}/pages/${id}`, { waitUntil: 'commit' });
  await drawn(tab);
  const opened = await tab.evaluate(() => performance.now());
  return { tab, opened, frame: tab.frameLocator('iframe[title^="The page at"]') };
}

/** From a key going down to the frame after it being painted. */
async function keystrokes({ tab, frame }) {
  await frame.getByText('Here.').click();
  await frame.locator('body').evaluate((body) => {
    const view = body.ownerDocument.defaultView;
    view.top.taken = [];
    view.addEventListener(
      'keydown',
      () => {
        const start = view.performance.now();
        view.requestAnimationFrame(() => view.setTimeout(() => view.top.taken.push(view.performance.now() - start), 0));
      },
      true,
    );
  });
  await tab.keyboard.press('End');
  for (const letter of 'the kites go up one after the other and come down again in the evening with the tide '.repeat(
    2,
  )) {
    await tab.keyboard.press(letter === ' ' ? 'Space' : letter);
    await tab.waitForTimeout(40);
  }
  return tab.evaluate(() => window.taken);
}

/** From a press on a shape to the picture standing in it on the desk and on the phone. */
async function changes({ tab, frame }) {
  await frame.locator('figure').nth(1).click();
  const shapes = tab.getByRole('complementary', { name: 'Sheet' });
  await shapes.getByRole('button', { name: /^Shape and cut/ }).click();
  await tab.waitForTimeout(1500);
  await atRest(server.pid);
  return tab.evaluate(async () => {
    const frames = () =>
      [...document.querySelectorAll('iframe')]
        .map((one) => one.contentDocument?.querySelector('[data-block="f1"] img'))
        .filter(Boolean);
    const taken = [];
    for (let i = 0; i < 40; i++) {
      const shape = i % 2 ? '1:1' : '3:2';
      const button = [...document.querySelectorAll('[aria-label=Shape] button')].find(
        (one) => one.textContent.trim() === shape,
      );
      const wanted = i % 2 ? 1 : 1.5;
      const start = performance.now();
      button.click();
      await new Promise((done) => {
        const look = () => {
          const images = frames();
          const stands =
            images.length === 2 &&
            images.every(
              (image) =>
                Math.abs(image.getBoundingClientRect().width / image.getBoundingClientRect().height / wanted - 1) <
                0.03,
            );
          if (stands) setTimeout(done, 0);
          else requestAnimationFrame(look);
        };
        look();
      });
      taken.push(performance.now() - start);
      await new Promise((done) => setTimeout(done, 250));
    }
    return taken;
  });
}

/** Bytes of the saves while a word is typed. */
async function sent({ tab, frame }) {
  const bytes = [];
  tab.on(
    'request',
    (request) =>
      request.url().endsWith('/draft') &&
      request.method().startsWith('P') &&
      bytes.push((request.postData() ?? '').length),
  );
  for (const word of [' tide', ' gull', ' line']) {
    await frame.getByText('Here.').click();
    await tab.keyboard.press('End');
    await tab.keyboard.type(word);
    await tab.waitForTimeout(1600);
  }
  return bytes;
}

const line = (list) => `median ${median(list).toFixed(1)} ms, 95th percentile ${part(list, 0.95).toFixed(1)} ms`;
const [few, many] = [await makePage(10), await makePage(200)];

await atRest(server.pid);
if (!which || which === 'speeds') {
  const times = { few: [], many: [] };
  for (let round = 0; round < 4; round++) {
    for (const [name, id] of Object.entries({ few, many })) {
      const { tab, opened } = await open(id);
      if (round > 0) times[name].push(opened);
      await tab.close();
    }
  }
  console.log(
    `Opening a page, address to its pictures drawn: 200 pictures ${median(times.many).toFixed(0)} ms, 10 ` +
      `pictures ${median(times.few).toFixed(0)} ms; ratio ` +
      `${(median(times.many) / median(times.few)).toFixed(2)} (wanted: at most 5)`,
  );
  const [a, b] = [await open(few), await open(many)];
  const keys = [await keystrokes(a), await keystrokes(b)];
  console.log(
    `Keystroke to paint, ${keys[1].length} keys:\n  200 pictures ${line(keys[1])} (two frames are 33.3)\n  ` +
      `10 pictures ${line(keys[0])}; ratio of medians ${(median(keys[1]) / median(keys[0])).toFixed(2)}`,
  );
  const sizes = [await sent(a), await sent(b)];
  const whole = (await (await fetch(`${server.url}/api/pages/${many}/draft`)).text()).length;
  console.log(
    `Draft save after a word on the page of 200 pictures: ${sizes[1].join(', ')} bytes; the whole is ` +
      `${whole}, ratio ${(whole / sizes[1].at(-1)).toFixed(0)}`,
  );
  const shown = [await changes(a), await changes(b)];
  console.log(
    `A change of shape, shown on desk and phone:\n  200 pictures ${line(shown[1])} (wanted: 150)\n  10 ` +
      `pictures ${line(shown[0])}; ratio of 95th percentiles ` +
      `${(part(shown[1], 0.95) / part(shown[0], 0.95)).toFixed(2)} (wanted: at most 3)`,
  );
  await a.tab.close();
  await b.tab.close();
}

if (!which || which === 'memory') {
  const { tab, frame } = await open(few);
  const session = await tab.context().newCDPSession(tab);
  const heapMb = async () => {
    await session.send('HeapProfiler.collectGarbage');
    return (await session.send('Runtime.getHeapUsage')).usedSize / 2 ** 20;
  };
  const edit = async (count) => {
    for (let i = 0; i < count; i++) {
      if (i % 10 === 0) {
        await frame
          .locator('figure')
          .nth(i % 7)
          .click();
        await tab.keyboard.press(i % 20 === 0 ? '-' : '+');
        await frame.getByText('Here.').click();
        await tab.keyboard.press('End');
      } else if (i % 10 === 9) for (let k = 0; k < 8; k++) await tab.keyboard.press('Backspace');
      else await tab.keyboard.press('w');
    }
    await tab.waitForTimeout(2500);
  };
  await edit(300);
  const before = [await heapMb(), memoryMb(server.pid, 'VmRSS')];
  await edit(3000);
  const after = [await heapMb(), memoryMb(server.pid, 'VmRSS')];
  console.log(
    `3,000 edits on a page of 10 pictures: the tab holds ${before[0].toFixed(1)} MB, then ` +
      `${after[0].toFixed(1)}, ratio ${(after[0] / before[0]).toFixed(2)} (wanted: at most 1.30); the server ` +
      `${before[1].toFixed(0)} MB, then ${after[1].toFixed(0)}, ratio ${(after[1] / before[1]).toFixed(2)}`,
  );
}
server.stop();
await browser.close();
