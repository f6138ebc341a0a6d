import {
  choose,
  deafen,
  demoFile,
  expect,
  forecast,
  makePage,
  openDesk,
  passesAxe,
  publish,
  swipe,
  takeIn,
  test,
  text,
} from './dekoro';
import { mulberry } from './random-site';
import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import type { Server } from './server';

const all = Boolean(process.env.DEKORO_ALL);
const ten = [
  'line-reel.jpg',
  'box-kite.jpg',
  'two-lanterns.jpg',
  'bridle-ring.jpg',
  'museum-door.jpg',
  'diamond-kite.jpg',
  'serpent-small.jpg',
  'workshop-window.jpg',
  'box-kite-winter.webp',
  'lighthouse-turned.jpg',
];

type Gallery = Record<string, unknown>;
type Look = {
  id: string;
  version: number;
  values: { name: string; gallery: Gallery; items: { id: string; asset: string }[] };
  notices: string[];
};
const json = { 'Content-Type': 'application/json' };
const arrangements = async (own: Server) =>
  (await (await fetch(`${own.url}/api/arrangements`)).json()) as {
    arrangements: { id: string; name: string; count: number; usedIn: { title: string }[] }[];
  };
const lookOf = async (own: Server, id: string) =>
  (await (await fetch(`${own.url}/api/arrangements/${id}`)).json()) as Look;
async function make(own: Server, name: string, pictures: string[], gallery: Gallery = {}) {
  const made = (await (
    await fetch(`${own.url}/api/arrangements`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ name, pictures }),
    })
  ).json()) as Look;
  return change(own, made, gallery);
}
async function change(own: Server, look: Look, gallery: Gallery) {
  const put = await fetch(`${own.url}/api/arrangements/${look.id}`, {
    method: 'PUT',
    headers: { ...json, 'If-Match': `"${look.version}"` },
    body: JSON.stringify({ ...look.values, gallery: { ...look.values.gallery, ...gallery } }),
  });
  expect(put.ok, await put.clone().text()).toBe(true);
  return (await put.json()) as Look;
}
const set = (arrangement: string, reach = 'wide') => ({
  type: 'arrangement',
  attrs: { id: 'set', arrangement, reach },
});

test(
  'Ten pictures of this computer become a gallery with larger view, and visitors go through it by mouse, keys, ' +
    'touch and without script',
  async ({ page, browser, own }) => {
    const id = await makePage(own.url, 'Home', [text('Come and see.'), text('Below.')]);
    const frame = await openDesk(page, own.url, id);
    await frame.getByText('Come and see.').click();
    await page.keyboard.press('Control+Enter');
    const menu = page.getByRole('menuitem', { name: 'Gallery of pictures from this computer' });
    await expect(menu).toBeVisible();
    await choose(page, menu, ten.map(demoFile));
    await page.keyboard.press('Escape');
    await expect(frame.locator('.set img')).toHaveCount(10);
    const sheet = page.getByRole('complementary', { name: 'Sheet' });
    await sheet.getByRole('button', { name: 'rows at true shapes' }).click();
    await expect(frame.locator('.set-rows img')).toHaveCount(10);
    await sheet.getByRole('group', { name: 'Captions' }).getByRole('button', { name: 'below' }).click();
    await sheet.getByLabel('They are').selectOption("the picture's title");
    await expect(frame.locator('.set figcaption').first()).toHaveText('Line reel');
    await sheet.getByRole('button', { name: /^1: / }).click();
    await sheet.getByLabel('Caption', { exact: true }).fill('The first reel of all');
    await page.keyboard.press('Enter');
    await expect(frame.locator('.set figcaption').first()).toHaveText('The first reel of all');
    await sheet.getByRole('button', { name: /Move “Box kite” earlier/ }).click();
    await expect(frame.locator('.set figcaption').first()).toHaveText('Box kite');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(frame.locator('.set figcaption').first()).toHaveText('The first reel of all');
    await passesAxe(page, 'desk with an arrangement');
    await expect
      .poll(async () =>
        (await arrangements(own)).arrangements.map((one) => [
          one.name,
          one.count,
          one.usedIn.map((p) => p.title).join(),
        ]),
      )
      .toEqual([['Gallery on Home', 10, 'Home']]);
    await publish(own.url);

    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const visit = await context.newPage();
    const wrong: string[] = [];
    visit.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
    await visit.goto(`${own.url}/live/`);
    const links = visit.locator('.set a');
    await expect(links).toHaveCount(10);
    expect(
      (await new AxeBuilder({ page: visit }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze()).violations.map(
        (v) => v.id,
      ),
    ).toEqual([]);
    await links.nth(1).click();
    const view = visit.getByRole('dialog');
    await expect(view).toHaveAccessibleName('Box kite');
    await expect(view.locator('.larger-count')).toHaveText('2 / 10');
    await expect
      .poll(() => view.locator('img').evaluate((image: HTMLImageElement) => image.complete && image.naturalWidth))
      .toBeGreaterThan(600);
    expect((await new AxeBuilder({ page: visit }).include('dialog').analyze()).violations.map((v) => v.id)).toEqual([]);
    await view.getByRole('button', { name: 'Next' }).click();
    await expect(view.locator('.larger-count')).toHaveText('3 / 10');
    await visit.keyboard.press('ArrowLeft');
    await visit.keyboard.press('ArrowLeft');
    await visit.keyboard.press('ArrowLeft');
    await expect(view.locator('.larger-count')).toHaveText('10 / 10');
    await visit.keyboard.press('Home');
    await expect(view).toHaveAccessibleName('The first reel of all');
    await visit.keyboard.press('Escape');
    await expect(view).toBeHidden();
    await expect(links.first()).toBeFocused();
    // The way back of the browser closes it and leaves the page where it is.
    await visit.keyboard.press('Enter');
    await expect(view).toBeVisible();
    await visit.goBack();
    await expect(view).toBeHidden();
    expect(visit.url()).toBe(`${own.url}/live/`);
    expect(wrong).toEqual([]);
    await context.close();

    const hand = await browser.newPage({ viewport: { width: 390, height: 800 }, hasTouch: true, isMobile: true });
    await hand.goto(`${own.url}/live/`);
    await hand.locator('.set a').nth(4).tap();
    await expect(hand.locator('.larger-count')).toHaveText('5 / 10');
    await swipe(hand, { x: 300, y: 360 }, -200);
    await expect(hand.locator('.larger-count')).toHaveText('6 / 10');
    await swipe(hand, { x: 100, y: 360 }, 200);
    await expect(hand.locator('.larger-count')).toHaveText('5 / 10');
    await hand.close();

    const plain = await browser.newContext({ javaScriptEnabled: false });
    const bare = await plain.newPage();
    await bare.goto(`${own.url}/live/`);
    const opened = await bare.request.get(
      new URL((await bare.locator('.set a').first().getAttribute('href'))!, bare.url()).href,
    );
    expect(opened.headers()['content-type']).toMatch(/^image\//);
    await plain.close();
  },
);

test('By keys alone pictures are chosen in the drawer, placed as a gallery, put in order and laid out', async ({
  page,
  own,
}) => {
  const [reel, box, lanterns] = (await takeIn(own.url, ten.slice(0, 3))).map((file) => file.id!);
  const id = await makePage(own.url, 'Home', [text('Here.')]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('.ProseMirror').focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('open the library');
  await page.keyboard.press('Enter');
  const drawer = page.getByRole('region', { name: 'Library' });
  for (const title of ['Two lanterns', 'Line reel', 'Box kite']) {
    await drawer.getByRole('button', { name: new RegExp(title) }).focus();
    await page.keyboard.press('Space');
  }
  await drawer.getByRole('button', { name: 'As a gallery' }).focus();
  await page.keyboard.press('Enter');
  await expect(frame.locator('.set img')).toHaveCount(3);
  const [made] = (await arrangements(own)).arrangements;
  const order = async () => (await lookOf(own, made!.id)).values.items.map((item) => item.asset);
  expect(await order()).toEqual([lanterns, reel, box]);
  const sheet = page.getByRole('complementary', { name: 'Sheet' });
  await sheet.getByRole('button', { name: 'Move “Box kite” earlier' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(order).toEqual([lanterns, box, reel]);
  await sheet.getByRole('button', { name: 'Remove “Two lanterns”' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(order).toEqual([box, reel]);
  await sheet.getByLabel('Side by side, desktop').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('2');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await lookOf(own, made!.id)).values.gallery.columns).toEqual([2, 3, 2]);
});

test('An arrangement changed by itself shows on both pages that have it; one that stands on a page is not taken away', async ({
  page,
  own,
}) => {
  const pictures = (await takeIn(own.url, ten.slice(0, 4))).map((file) => file.id!);
  const made = await make(own, 'Kites of the hall', pictures, { shape: '1:1' });
  const one = await makePage(own.url, 'Home', [set(made.id)]);
  await makePage(own.url, 'Visit', [set(made.id, 'column')]);
  await publish(own.url);
  await page.goto(`${own.url}/arrangements`);
  await expect(page.getByRole('listitem').filter({ hasText: 'Kites of the hall' })).toContainText('on Home, Visit');
  await expect(page.getByRole('button', { name: 'Remove “Kites of the hall”' })).toBeDisabled();
  await passesAxe(page, 'arrangements');
  await page.getByRole('link', { name: /Kites of the hall/ }).click();
  const stage = page.frameLocator('iframe[title^="The arrangement at"]');
  await expect(stage.locator('.set img')).toHaveCount(4);
  await passesAxe(page, 'an arrangement');
  await page.getByRole('button', { name: /^2: / }).click();
  await page.getByRole('switch', { name: 'shown' }).uncheck();
  await expect(stage.locator('.set img')).toHaveCount(3);
  await page.getByLabel('Name', { exact: true }).fill('');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: /./ })).toContainText('Give it a name');
  await page.getByLabel('Name', { exact: true }).fill('Kites');
  await page.keyboard.press('Tab');
  await expect.poll(async () => (await lookOf(own, made.id)).values.name).toBe('Kites');
  // Both pages have changed, and both show it once they are published.
  const states = async () =>
    ((await (await fetch(`${own.url}/api/pages`)).json()) as { title: string; state: string }[]).map((p) => [
      p.title,
      p.state,
    ]);
  await expect.poll(states).toEqual([
    ['Home', 'changed'],
    ['Visit', 'changed'],
  ]);
  await publish(own.url);
  for (const path of ['', 'visit/']) {
    await page.goto(`${own.url}/live/${path}`);
    await expect(page.locator('.set img')).toHaveCount(3);
  }
  expect((await fetch(`${own.url}/api/arrangements/${made.id}`, { method: 'DELETE' })).status).toBe(409);
  // One that is no more leaves its page whole, and says so at the desk.
  const put = await fetch(`${own.url}/api/pages/${one}/draft`, {
    method: 'PUT',
    headers: {
      ...json,
      'If-Match': `"${((await (await fetch(`${own.url}/api/pages/${one}/draft`)).json()) as { version: number }).version}"`,
    },
    body: JSON.stringify({
      title: 'Home',
      path: null,
      summary: null,
      document: { type: 'doc', content: [text('Words.'), set('gone')] },
    }),
  });
  expect(put.ok).toBe(true);
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  await expect(page.getByText('Words.')).toBeVisible();
});

/** Boxes of the pictures of each set as they are drawn, and how wide the pictures in them are without their frames. */
const standing = (page: Pick<Page, 'locator'>) =>
  page.locator('.set').evaluateAll((sets) =>
    sets.map((set) => {
      const room = set.getBoundingClientRect();
      const figures = [...set.querySelectorAll<HTMLElement>('figure[data-block]')].filter(
        (one) => one.getClientRects().length > 0,
      );
      return {
        width: room.width,
        boxes: figures.map((one) => {
          const box = one.querySelector('.in-set')!.getBoundingClientRect();
          return {
            id: one.dataset.block!,
            left: box.left - room.left,
            top: box.top - room.top,
            right: box.right - room.left,
            bottom: box.bottom - room.top,
          };
        }),
        pictures: figures.map((one) => {
          const image = one.querySelector('img')!;
          const style = getComputedStyle(image);
          const frame =
            style.boxSizing === 'border-box'
              ? parseFloat(style.paddingLeft) * 2 + parseFloat(style.borderLeftWidth) * 2
              : 0;
          return { id: one.dataset.block!, px: image.getBoundingClientRect().width - frame };
        }),
      };
    }),
  );

/** What a gallery with these boxes does wrong, in words. */
function wrongs(
  kind: string,
  boxes: Awaited<ReturnType<typeof standing>>[number]['boxes'],
  room: number,
  calledLevel: boolean,
) {
  const found = boxes.flatMap((a, k) =>
    boxes
      .slice(k + 1)
      .filter(
        (b) => a.right > b.left + 0.5 && b.right > a.left + 0.5 && a.bottom > b.top + 0.5 && b.bottom > a.top + 0.5,
      )
      .map((b) => `${a.id} over ${b.id}`),
  );
  found.push(...boxes.filter((box) => box.left < -1 || box.right > room + 1).map((box) => `${box.id} out`));
  const apart = (px: number[]) => Math.max(...px) - Math.min(...px);
  if (kind === 'rows') {
    const tops = [...new Set(boxes.map((box) => Math.round(box.top)))].sort((x, y) => x - y);
    for (const top of tops.slice(0, -1)) {
      const row = boxes.filter((box) => Math.abs(box.top - top) < 2);
      if (Math.abs(Math.max(...row.map((box) => box.right)) - room) >= 1) found.push(`the row at ${top} is not flush`);
      if (apart(row.map((box) => box.bottom)) >= 1) found.push(`the row at ${top} is not level`);
    }
  }
  if (calledLevel) {
    const ends = [...new Set(boxes.map((box) => Math.round(box.left)))].map((left) =>
      Math.max(...boxes.filter((box) => Math.abs(box.left - left) < 2).map((box) => box.bottom)),
    );
    if (apart(ends) >= 1) found.push(`columns end ${apart(ends).toFixed(1)} px apart`);
  }
  return found;
}

test('Random galleries: pictures are as wide as predicted, rows end flush, level columns end level, nothing overlaps', async ({
  browser,
  own,
}) => {
  test.setTimeout(all ? 3_000_000 : 180_000);
  const pictures = (await takeIn(own.url, [...ten, 'bunting.svg', 'kite-cut-out.png'])).map((file) => file.id!);
  const seed = Number(process.env.DEKORO_SEED || 20261128);
  const atOnce = 10;
  const looks: Look[] = [];
  for (let i = 0; i < atOnce; i++) looks.push(await make(own, `Drawn ${i}`, pictures));
  const id = await makePage(
    own.url,
    'Home',
    looks.map((look, k) => ({ type: 'arrangement', attrs: { id: `set${k}`, arrangement: look.id, reach: 'wide' } })),
  );
  // Off, so that no files are made while it is looked at.
  await fetch(`${own.url}/api/pages/${id}`, { method: 'PATCH', headers: json, body: JSON.stringify({ isOn: false }) });
  let [compared, worst, level] = [0, 0, 0];
  for (let i = 0; i < (all ? 500 : 30); i += atOnce) {
    for (const [k, look] of looks.entries()) {
      const random = mulberry(seed + i + k);
      const int = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
      const one = <T>(list: T[]) => list[int(0, list.length - 1)]!;
      const kind = one(['grid', 'rows', 'level', 'even']);
      look.values.items = Array.from({ length: int(1, 14) }, (_, k) => ({ id: `i${k}`, asset: one(pictures) }));
      // Some stand in frames: as wide as what the frame leaves, in boxes that are as they were.
      Object.assign(look.values, {
        ownLook:
          random() < 0.3 ? { line: 'solid', linePx: int(1, 5), paddingPx: int(0, 40), roundPx: [0, 0, 0, 0] } : null,
      });
      looks[k] = await change(own, look, {
        kind,
        columns: [int(1, 3), int(1, 4), int(1, 6)],
        targetHeightPx: [int(60, 200), int(100, 260), int(100, 320)],
        gutterPx: int(0, 60),
        shape: one(['', '1:1', '3:2', '4:5']),
        whole: random() < 0.4,
        align: one(['top', 'middle', 'bottom']),
        captions: one(['none', 'over', 'pointing']),
        captionsFrom: 'title',
      });
    }
    // A page of its own, for pictures that never come are asked for again at each width.
    const page = await browser.newPage();
    await page.route('**/media/**', () => {});
    await page.goto(`${own.url}/proof/${id}`, { waitUntil: 'domcontentloaded' });
    await page.waitForFunction(
      () => getComputedStyle(document.querySelector('.page')!).containerType === 'inline-size',
    );
    await page.addStyleTag({ content: 'body { visibility: hidden }' });
    // Boxes keep their shapes whatever file comes: without other files to choose from nothing is asked for anew at each
    // width.
    await page.evaluate(() => {
      for (const source of document.querySelectorAll('source')) source.remove();
      for (const image of document.images) image.removeAttribute('srcset');
    });
    const calledLevel = looks.map(
      (look) =>
        look.values.gallery.kind === 'level' &&
        !look.notices.some((notice) => notice.includes('cannot be made to end level')),
    );
    level += calledLevel.filter(Boolean).length;
    for (const width of all
      ? [...Array.from({ length: 57 }, (_, k) => 320 + 40 * k), 699, 1183]
      : [390, 820, 1280, [320, 699, 700, 1183, 1184, 1920][(seed + i / atOnce) % 6]!]) {
      await page.setViewportSize({ width, height: 900 });
      const sets = await standing(page);
      const told = new Map((await forecast(own.url, id, width, 1)).map((one) => [one.blockId, one.slotCssPx]));
      expect(sets).toHaveLength(atOnce);
      for (const [k, { width: room, boxes, pictures: drawn }] of sets.entries()) {
        const where = `gallery ${i + k} at ${width}: ${JSON.stringify(looks[k]!.values.gallery)}`;
        expect(drawn, where).toHaveLength(looks[k]!.values.items.length);
        for (const { id: block, px } of drawn) {
          compared++;
          const off = Math.abs(px - told.get(block)!);
          worst = Math.max(worst, off);
          if (off >= 1) throw new Error(`${block} is ${off.toFixed(2)} px off in ${where}`);
        }
        expect(wrongs(looks[k]!.values.gallery.kind, boxes, room, calledLevel[k]!), where).toEqual([]);
      }
    }
    await page.close();
  }
  console.log(
    `Random galleries: ${compared} widths of pictures compared, worst ${worst.toFixed(2)} px; ${level} sets of columns level`,
  );
  expect(compared).toBeGreaterThan(400);
  expect(level).toBeGreaterThan(all ? 20 : 0);
});

test('Pictures that stand out by shape or size are named, and one press makes all alike; taken out, it says what is missing', async ({
  page,
  own,
}) => {
  const pictures = (
    await takeIn(own.url, [
      'line-reel.jpg',
      'box-kite.jpg',
      'museum-door.jpg',
      'two-lanterns.jpg',
      'sands-at-dusk-tall.jpg',
      'serpent-small.jpg',
    ])
  ).map((file) => file.id!);
  const boxes = async () =>
    (await standing(page.frameLocator('iframe[title^="The arrangement at"]')))[0]?.boxes.map((box) =>
      [box.right - box.left, box.bottom - box.top].map(Math.round).join(' × '),
    );
  const made = await make(own, 'Kites', pictures, { kind: 'grid', shape: '' });
  await page.goto(`${own.url}/arrangements/${made.id}`);
  await expect(
    page.getByText('2 pictures of another shape than the others: Sands at dusk tall, Serpent.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'evenly spaced' }).click();
  await expect(page.getByText(/of another size than the others: .*Serpent/)).toBeVisible();
  // However large the files are, none stands wider than is wanted.
  const widest = async () => Math.max(...((await boxes()) ?? []).map((box) => parseFloat(box)));
  await page.getByLabel('Widest, px').fill('200');
  await page.keyboard.press('Enter');
  await expect.poll(widest).toBe(200);
  await page.getByLabel('Widest, px').fill('');
  await page.keyboard.press('Enter');
  await expect.poll(widest).toBeGreaterThan(600);
  await page.getByRole('button', { name: 'One shape for all' }).click();
  await expect(page.getByText('than the others')).toHaveCount(0);
  await expect.poll(async () => new Set(await boxes()).size).toBe(1);
  await page.getByRole('button', { name: 'HTML', exact: true }).click();
  await expect(page.getByText('put it on a page and publish that first')).toBeVisible();
  await makePage(own.url, 'Home', [{ type: 'arrangement', attrs: { id: 'set', arrangement: made.id } }]);
  await publish(own.url);
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'HTML', exact: true }).click(),
  ]);
  expect(saved.suggestedFilename()).toBe('arrangement.html');
  // Opened from a folder it looks as on the site.
  const file = test.info().outputPath('arrangement.html');
  await saved.saveAs(file);
  await page.goto(`file://${file}`);
  const tops = await page.locator('.set img').evaluateAll((all) => all.map((one) => one.getBoundingClientRect().top));
  expect([tops.length, new Set(tops.slice(0, 4)).size]).toEqual([6, 1]);
});

test('Two windows change one arrangement: nothing is written over unasked, and a gutter dragged along is one step back', async ({
  page,
  own,
}) => {
  const pictures = (await takeIn(own.url, ten.slice(0, 3))).map((file) => file.id!);
  const made = await make(own, 'Kites', pictures);
  await deafen(page);
  await page.goto(`${own.url}/arrangements/${made.id}`);
  const gutter = page.getByLabel('Gutter, px');
  const gutterKept = async () => (await lookOf(own, made.id)).values.gallery.gutterPx;
  for (const px of ['20', '28', '36']) await gutter.fill(px);
  await expect.poll(gutterKept).toBe(36);
  await page.keyboard.press('Control+z');
  await expect.poll(gutterKept).toBe(12);
  await change(own, await lookOf(own, made.id), { gutterPx: 50 });
  await page.getByRole('group', { name: 'Pictures stand in' }).getByRole('button', { name: 'level columns' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'changed in another window' })).toBeVisible();
  expect(await gutterKept()).toBe(50);
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(gutter).toHaveValue('50');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect
    .poll(async () => (await lookOf(own, made.id)).values.gallery)
    .toMatchObject({ kind: 'level', gutterPx: 12 });
});

test('Captions over the pictures are read by visitors: white on their dark strip', async ({ page, own }) => {
  const pictures = (await takeIn(own.url, ten.slice(0, 2))).map((file) => file.id!);
  const made = await make(own, 'Kites', pictures, { captions: 'over', captionsFrom: 'title' });
  await makePage(own.url, 'Home', [set(made.id)]);
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  await expect(page.locator('.set figcaption').first()).toHaveCSS('color', 'rgb(255, 255, 255)');
});

test('What is changed while another window’s change is still on its way here is not lost: both are shown, and one is chosen', async ({
  page,
  own,
}) => {
  const pictures = (await takeIn(own.url, ten.slice(0, 3))).map((file) => file.id!);
  const made = await make(own, 'Kites', pictures);
  await page.goto(`${own.url}/arrangements/${made.id}`);
  await expect(page.getByLabel('Gutter, px')).toHaveValue('12');
  // A slow line: what another window kept is asked for, and comes late.
  let [asked, answer] = [() => {}, () => {}];
  const isAsked = new Promise<void>((done) => (asked = done));
  const mayAnswer = new Promise<void>((done) => (answer = done));
  await page.route(`**/api/arrangements/${made.id}`, async (route) => {
    if (route.request().method() !== 'GET') return route.continue();
    const now = await route.fetch();
    asked();
    await mayAnswer;
    await route.fulfill({ response: now });
  });
  await change(own, await lookOf(own, made.id), { gutterPx: 50 });
  await isAsked;
  const level = page.getByRole('group', { name: 'Pictures stand in' }).getByRole('button', { name: 'level columns' });
  await level.click();
  answer();
  await expect(page.getByRole('alert').filter({ hasText: 'changed in another window' })).toBeVisible();
  await expect(level).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Go on with mine' }).click();
  await expect
    .poll(async () => (await lookOf(own, made.id)).values.gallery)
    .toMatchObject({ kind: 'level', gutterPx: 12 });
});

test(
  'A gallery in parts: each at an address of its own with links that need no script, every picture on one of ' +
    'them, with its files',
  async ({ page, browser, own }) => {
    const pictures = (await takeIn(own.url, ten.slice(0, 7))).map((file) => file.id!);
    const made = await make(own, 'Kites of the hall', pictures, { kind: 'rows' });
    await makePage(own.url, 'Home', [text('Words.')]);
    await makePage(own.url, 'Hall', [set(made.id)]);
    await page.goto(`${own.url}/arrangements/${made.id}`);
    await page.getByLabel('so many pictures at a time').check();
    await page.getByLabel('Pictures at a time', { exact: true }).fill('3');
    await page.getByLabel('Pictures at a time', { exact: true }).press('Enter');
    await page.getByRole('group', { name: 'Links stand' }).getByRole('button', { name: 'both' }).click();
    const stage = page.frameLocator('iframe[title^="The arrangement at"]');
    await expect(stage.locator('.sheets')).toHaveCount(2);
    await stage.getByRole('link', { name: 'Next' }).first().click();
    await expect(stage.getByRole('link', { name: 'Previous' }).first()).toBeVisible();
    // All of them are used on the page, with files for their places.
    for (const asset of pictures) {
      const { standsIn } = (await (await fetch(`${own.url}/api/files/${asset}`)).json()) as { standsIn: unknown[] };
      expect(standsIn).toHaveLength(1);
    }
    await publish(own.url);
    const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await plain.goto(`${own.url}/live/hall/`);
    const seen: string[] = [];
    for (let n = 1; ; n++) {
      expect(await plain.locator('.sheets [aria-current]').first().textContent()).toBe(String(n));
      for (const image of await plain.locator('.set img').all()) {
        const [src, alt] = [
          await image.getAttribute('src'),
          (await image.locator('xpath=ancestor::figure').getAttribute('data-block'))!,
        ];
        expect((await plain.request.get(new URL(src!, plain.url()).href)).status()).toBe(200);
        seen.push(alt);
      }
      const next = plain.getByRole('link', { name: 'Next' }).first();
      if ((await next.count()) === 0) break;
      await next.click();
    }
    expect(plain.url()).toBe(`${own.url}/live/hall/kites-of-the-hall_3/#set`);
    expect(new Set(seen).size).toBe(7);
    expect(seen).toHaveLength(7);
    await expect(plain).toHaveTitle(/Kites of the hall 3 \/ 3/);
    await plain.getByRole('link', { name: '1 / 3' }).first().click();
    expect(plain.url()).toBe(`${own.url}/live/hall/#set`);
    await plain.context().close();

    // The larger view goes on from part to part, and the way back of the browser leads to the part where it began, not
    // through each.
    const visit = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await visit.goto(`${own.url}/live/hall/`);
    await visit.locator('.set figure a').nth(1).click();
    const count = visit.locator('.larger-count');
    await expect(count).toHaveText('2 / 7');
    await visit.getByRole('button', { name: 'Next' }).click();
    await visit.getByRole('button', { name: 'Next' }).click();
    await expect(count).toHaveText('4 / 7');
    expect(visit.url()).toBe(`${own.url}/live/hall/kites-of-the-hall_2/`);
    await visit.keyboard.press('ArrowLeft');
    await expect(count).toHaveText('3 / 7');
    for (let i = 0; i < 3; i++) await visit.keyboard.press('ArrowLeft');
    await expect(count).toHaveText('7 / 7');
    await visit.goBack();
    await expect(visit.getByRole('dialog')).toHaveCount(0);
    await expect(visit).toHaveURL(`${own.url}/live/hall/kites-of-the-hall_3/`);
    await visit.goBack();
    await expect(visit).toHaveURL(`${own.url}/live/hall/`);
    await expect(visit.getByRole('dialog')).toHaveCount(0);
    await visit.context().close();
  },
);

test(
  'Words table, sorting and taking several out by keys; a picture with a link of its own and one that plays a ' +
    'film in the larger view',
  async ({ page, browser, own }) => {
    const pictures = (await takeIn(own.url, ten.slice(0, 5))).map((file) => file.id!);
    const film = new FormData();
    film.append('file', new Blob([readFileSync(demoFile('kites-in-the-wind.webm'))]), 'kites-in-the-wind.webm');
    const other = await fetch(`${own.url}/api/files`, { method: 'POST', body: film });
    expect(other.ok, await other.clone().text()).toBe(true);
    const made = await make(own, 'Kites', pictures, { captions: 'below', captionsFrom: 'title' });
    await makePage(own.url, 'Home', [set(made.id), text('Below.')]);
    await page.goto(`${own.url}/arrangements/${made.id}`);
    const items = async () => (await lookOf(own, made.id)).values.items as unknown as Record<string, unknown>[];
    const order = page.getByRole('list', { name: 'Running order' });
    await page.getByRole('group', { name: 'Sort by' }).getByRole('button', { name: 'name' }).click();
    const titles = () =>
      order
        .getByRole('button', { name: /^\d+:/ })
        .evaluateAll((all) =>
          all.map((one) => one.getAttribute('aria-label')!.replace(/^\d+: |, (soft|coarse)$/g, '')),
        );
    await expect.poll(titles).toEqual(['Box kite', 'Bridle ring', 'Line reel', 'Museum door', 'Two lanterns']);
    // Two are chosen together and taken out; undo brings them back.
    await order.getByRole('button', { name: /^4:/ }).focus();
    await page.keyboard.press('Space');
    await order.getByRole('button', { name: /^5:/ }).focus();
    await page.keyboard.press('Space');
    await expect(page.getByRole('button', { name: 'Remove 2' })).toBeVisible();
    await page.keyboard.press('Delete');
    await expect.poll(async () => (await items()).length).toBe(3);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await items()).length).toBe(5);
    // A box drawn from beside them takes those it touches.
    const [third, last] = [
      (await order.getByRole('button', { name: /^3:/ }).boundingBox())!,
      (await order.getByRole('button', { name: /^5:/ }).boundingBox())!,
    ];
    await page.mouse.move(last.x + last.width + 60, last.y + 5);
    await page.mouse.down();
    await page.mouse.move(third.x + third.width - 10, third.y + 30, { steps: 4 });
    await page.mouse.up();
    await expect(order.getByRole('button', { pressed: true })).toHaveCount(3);
    await expect(page.getByRole('button', { name: 'Remove 3' })).toBeVisible();
    await page.mouse.click(last.x + last.width + 60, last.y + 5);
    await expect(order.getByRole('button', { pressed: true })).toHaveCount(0);

    await page.getByRole('button', { name: 'Words table' }).click();
    await expect(page.getByLabel('Alt text of “Bridle ring”')).toHaveAttribute('placeholder', 'none');
    await page.getByLabel('Alt text of “Bridle ring”').fill('A brass ring on five lines');
    await page.keyboard.press('ArrowDown');
    await expect(page.getByLabel('Alt text of “Line reel”')).toBeFocused();
    await page.getByLabel('Caption of “Line reel”').fill('The first reel of all');
    await page.getByLabel('Link of “Bridle ring”').fill('sands.example/rings');
    await page.keyboard.press('Tab');
    await page.getByLabel('Link of “Box kite”').fill('javascript:alert(1)');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('alert').filter({ hasText: /./ })).toBeVisible();
    await page.getByLabel('Title of “Museum door”').fill('The museum’s door');
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('Alt text of “The museum’s door”')).toBeVisible();
    await passesAxe(page, 'words table');
    await expect
      .poll(items)
      .toMatchObject([
        { linkKind: 'none' },
        { alt: 'A brass ring on five lines', linkKind: 'address', linkTarget: 'https://sands.example/rings' },
        { caption: 'The first reel of all', captionSource: 'own' },
        {},
        {},
      ]);
    await page.getByRole('button', { name: 'Words table' }).click();

    await order.getByRole('button', { name: /^5:/ }).click();
    await page
      .getByRole('complementary', { name: 'Picture' })
      .getByLabel('In its place a press shows')
      .selectOption('a film of the library');
    await page
      .getByRole('complementary', { name: 'Picture' })
      .getByLabel('Film', { exact: true })
      .selectOption({ index: 1 });
    await page.getByLabel('File it opens').selectOption('lean');
    for (const offer of ['goes on by itself', 'hands on its address', 'lets the file be kept'])
      await page.getByLabel(offer).check();
    await expect
      .poll(async () => ((await lookOf(own, made.id)).values as unknown as { larger: unknown }).larger)
      .toEqual({ size: 'lean', credit: true, zooms: true, plays: true, shares: true, downloads: true });
    await publish(own.url);
    const visit = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await visit.goto(`${own.url}/live/`);
    await expect(visit.locator('.set a').nth(1)).toHaveAttribute('href', 'https://sands.example/rings');
    await visit.locator('.set a').first().click();
    const view = visit.getByRole('dialog');
    // The one with a link of its own is none of them.
    await expect(view.locator('.larger-count')).toHaveText('1 / 4');
    await expect
      .poll(() => view.locator('img').evaluate((image: HTMLImageElement) => image.complete && image.naturalWidth))
      .toBeGreaterThan(0);
    expect(await view.locator('img').evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeLessThanOrEqual(
      1280,
    );
    await view.getByRole('button', { name: 'Zoom' }).click();
    await expect(view.getByRole('button', { name: 'Zoom' })).toHaveAttribute('aria-pressed', 'true');
    expect((await new AxeBuilder({ page: visit }).include('dialog').analyze()).violations.map((v) => v.id)).toEqual([]);
    // What is zoomed is dragged about.
    const zoomed = view.locator('figure');
    const over = (await zoomed.boundingBox())!;
    await visit.mouse.move(over.x + over.width / 2, over.y + over.height / 2);
    await visit.mouse.down();
    await visit.mouse.move(over.x + over.width / 2 - 40, over.y + over.height / 2 - 60, { steps: 4 });
    await visit.mouse.up();
    expect(await zoomed.evaluate(({ scrollTop }) => scrollTop)).toBe(60);
    await view.getByRole('button', { name: 'Zoom' }).click();
    // Enlarged to 400 % the picture has the window, and what is offered is reached below it.
    const size = visit.viewportSize()!;
    await visit.setViewportSize({ width: 320, height: 200 });
    expect((await view.locator('img').boundingBox())!.height).toBeGreaterThan(150);
    await visit.setViewportSize(size);
    const kept = visit.waitForEvent('download');
    await view.getByRole('link', { name: 'Download' }).click();
    expect((await kept).suggestedFilename()).toMatch(/\.(jpg|jpeg|png|webp|avif)$/);
    await view.getByRole('button', { name: 'Play' }).click();
    await expect(view.locator('.larger-count')).toHaveText('2 / 4', { timeout: 8000 });
    await view.getByRole('button', { name: 'Pause' }).click();
    await visit.keyboard.press('End');
    await expect(view.locator('video')).toBeVisible();
    await view.locator('video').evaluate((one: HTMLVideoElement) => void ((one.muted = true), one.play()));
    await expect
      .poll(() => view.locator('video').evaluate((one: HTMLVideoElement) => one.currentTime))
      .toBeGreaterThan(0);
    await visit.keyboard.press('Escape');
    expect(await visit.locator('dialog video').evaluate((one: HTMLVideoElement) => one.paused)).toBe(true);
    // An address that was handed on opens it again.
    const block = await visit.locator('.set figure').nth(2).getAttribute('data-block');
    await visit.goto(`${own.url}/live/#view-${block}`);
    await visit.reload();
    await expect(visit.getByRole('dialog')).toHaveAccessibleName(/The first reel of all/);
    await visit.close();
  },
);

test('The larger view shows words, a page in a frame and a video of another site, and each is reached without script', async ({
  page,
  browser,
  own,
}) => {
  const pictures = (await takeIn(own.url, ten.slice(0, 4))).map((file) => file.id!);
  const made = await make(own, 'Kites', pictures);
  await makePage(own.url, 'Home', [set(made.id), text('Below.')]);
  await makePage(own.url, 'Visit', [text('Open every day.')]);
  await page.goto(`${own.url}/arrangements/${made.id}`);
  const order = page.getByRole('list', { name: 'Running order' });
  const shows = page.getByLabel('In its place a press shows');
  await order.getByRole('button', { name: /^1:/ }).click();
  await shows.selectOption('words');
  await page.getByLabel('Words', { exact: true }).fill('The reel was wound in 1911.\n\nIts line is 300 m long.');
  await page.keyboard.press('Tab');
  await order.getByRole('button', { name: /^2:/ }).click();
  await shows.selectOption('a page in a frame');
  await page.getByLabel('or a page of this site').selectOption('Visit');
  await order.getByRole('button', { name: /^3:/ }).click();
  await shows.selectOption('a video of another site');
  await page.getByLabel('Address of the video’s page').fill('/standins/video/watch/no-such-video');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.getByRole('complementary', { name: 'Picture' }).getByRole('alert')).toHaveText(/\.$/);
  await page.getByLabel('Address of the video’s page').fill('/standins/video/watch/kites-over-the-dunes');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.getByText('“Kites over the dunes”')).toBeVisible();
  await passesAxe(page, 'what stands in a picture’s stead');
  await expect
    .poll(async () => (await lookOf(own, made.id)).values.items)
    .toMatchObject([
      { instead: { kind: 'words' } },
      { instead: { kind: 'page' } },
      { instead: { kind: 'hosted' } },
      { instead: null },
    ]);
  await publish(own.url);

  const visit = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await visit.goto(`${own.url}/live/`);
  const view = visit.getByRole('dialog');
  await visit.locator('.set a').first().click();
  await expect(view.getByText('Its line is 300 m long.')).toBeVisible();
  expect((await new AxeBuilder({ page: visit }).include('dialog').analyze()).violations.map((v) => v.id)).toEqual([]);
  await view.getByRole('button', { name: 'Next' }).click();
  await expect(view.frameLocator('iframe').getByText('Open every day.')).toBeVisible();
  await expect(view.getByText('Its line is 300 m long.')).toBeHidden();
  await view.getByRole('button', { name: 'Next' }).click();
  await expect(view.frameLocator('iframe').getByRole('checkbox')).toBeVisible();
  await visit.keyboard.press('ArrowRight');
  await expect(view.locator('img')).toBeVisible();
  await expect(view.locator('iframe')).toHaveCount(0);
  // One step back closes it, whatever was shown meanwhile.
  await visit.goBack();
  await expect(view).toBeHidden();
  expect(visit.url()).toBe(`${own.url}/live/`);
  await visit.context().close();

  const plain = await (
    await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false })
  ).newPage();
  await plain.goto(`${own.url}/live/`);
  await expect(plain.getByText('Its line is 300 m long.')).toBeHidden();
  await plain.locator('.set a').first().click();
  await expect(plain.getByText('Its line is 300 m long.')).toBeVisible();
  await plain.getByRole('link', { name: 'Close' }).click();
  await expect(plain.getByText('Its line is 300 m long.')).toBeHidden();
  await expect(plain.locator('.set a[data-larger]').nth(2)).toHaveAttribute(
    'href',
    '/standins/video/watch/kites-over-the-dunes',
  );
  await plain.locator('.set a[data-larger]').nth(1).click();
  await expect(plain.getByText('Open every day.')).toBeVisible();
  await plain.context().close();
});
