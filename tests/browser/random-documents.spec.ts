import { type Page } from '@playwright/test';
import { expect, makePage, openDesk, takeIn, test } from './dekoro';
import { mulberry, piecesFrom, type Piece } from './random-site';
import type { Server } from './server';

const all = Boolean(process.env.DEKORO_ALL);
const files = [
  'line-reel.jpg',
  'bunting.svg',
  'kite-cut-out.png',
  'serpent-small.jpg',
  'box-kite-winter.webp',
  'museum-door.jpg',
];
const widths = [320, 390, 412, 599, 699, 700, 820, 1024, 1183, 1184, 1440, 1920];

/** Documents drawn from a number, three to eight pieces long. */
function documents(count: number, assets: string[]) {
  const seed = Number(process.env.DEKORO_SEED || 20261127);
  return Array.from({ length: count }, (_, i) => {
    const random = mulberry(seed + i);
    const { figure, piece } = piecesFrom(random, assets);
    return [
      figure(`d${i}first`),
      ...Array.from({ length: 2 + Math.floor(random() * 6) }, (_, j) => piece(`d${i}p${j}`)),
    ];
  });
}

const draft = async (url: string, id: string) =>
  (await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as { version: number };

async function write(url: string, id: string, content: Piece[]) {
  const put = await fetch(`${url}/api/pages/${id}/draft`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${(await draft(url, id)).version}"` },
    body: JSON.stringify({ title: 'Drawn', path: null, summary: null, document: { type: 'doc', content } }),
  });
  expect(put.ok, await put.text()).toBe(true);
}

/** Pictures never come: where things stand may not depend on them. */
const withoutPictures = (page: Page) => page.route('**/media/**', () => {});

/** How far predicted and drawn widths are apart, at the worst of the widths. */
async function worstOf(page: Page, url: string, id: string) {
  await page.goto(`${url}/proof/${id}`, { waitUntil: 'domcontentloaded' });
  await page.waitForFunction(() => getComputedStyle(document.querySelector('.page')!).containerType === 'inline-size');
  let [px, where, count] = [0, '', 0];
  const forecasts = await Promise.all(
    widths.map(
      async (width) =>
        (await fetch(`${url}/api/pages/${id}/forecast?viewportPx=${width}&pixelRatio=1`)).json() as Promise<
          { blockId: string; slotCssPx: number }[]
        >,
    ),
  );
  for (const [i, width] of widths.entries()) {
    const told = forecasts[i]!;
    await page.setViewportSize({ width, height: 900 });
    const drawn = await page.locator(':is(figure, .in-line) img').evaluateAll((images) =>
      images.map((image) => {
        const { paddingLeft, borderLeftWidth } = getComputedStyle(image);
        // What stands round a picture is not the picture.
        return {
          id: image.closest<HTMLElement>('[data-block]')!.dataset.block!,
          px: Math.max(
            0,
            image.getBoundingClientRect().width - 2 * (parseFloat(paddingLeft) + parseFloat(borderLeftWidth)),
          ),
        };
      }),
    );
    for (const one of drawn) {
      count++;
      const off = Math.abs(one.px - told.find((t) => t.blockId === one.id)!.slotCssPx);
      if (off > px) [px, where] = [off, `${one.id} at ${width} px`];
    }
  }
  return { px, where, count };
}

/** The smallest document that still fails: pieces are taken out one by one for as long as it does. */
async function shrunk(content: Piece[], fails: (content: Piece[]) => Promise<boolean>): Promise<Piece[]> {
  for (let i = 0; i < content.length; i++) {
    const less = content.filter((_, j) => j !== i);
    if (less.length > 0 && (await fails(less))) return shrunk(less, fails);
  }
  return content;
}

/** The document of one page after another, each held to a law; what breaks it is shown as small as can be. */
async function hold(own: Server, count: number, law: (id: string) => Promise<string | null>) {
  const assets = (await takeIn(own.url, files)).map((file) => file.id!);
  const id = await makePage(own.url, 'Drawn');
  const broken = async (content: Piece[]) => {
    await write(own.url, id, content);
    return law(id);
  };
  for (const [i, content] of documents(count, assets).entries()) {
    const said = await broken(content);
    if (said === null) continue;
    const least = await shrunk(content, async (less) => (await broken(less)) !== null);
    expect(
      (await broken(least)) ?? said,
      `document ${i}, at its smallest:\n${JSON.stringify(least, null, 1)}`,
    ).toBeNull();
  }
}

test('Random documents: every picture is as wide as predicted at twelve widths', async ({ browser, own }) => {
  test.setTimeout(all ? 1_200_000 : 240_000);
  let [count, worst] = [0, 0];
  await hold(own, all ? 500 : 24, async (id) => {
    // A page of its own, for pictures that never come are asked for again at each width.
    const page = await browser.newPage();
    await withoutPictures(page);
    const found = await worstOf(page, own.url, id);
    await page.close();
    count += found.count;
    worst = Math.max(worst, found.px);
    return found.px <= 1 ? null : `${found.where}: ${found.px.toFixed(2)} px apart`;
  });
  console.log(`Random documents: ${count} widths of pictures compared, worst ${worst.toFixed(2)} px`);
  expect(count).toBeGreaterThan(1000);
});

/** Left edge, top and size of every piece, from the top of the column. */
const standing = (frame: { locator: Page['locator'] }) =>
  frame.locator('#content > .column').evaluate((column) => {
    const top = column.getBoundingClientRect().top;
    return Object.fromEntries(
      [...column.querySelectorAll<HTMLElement>('[data-block]')].map((piece) => {
        const box = piece.getBoundingClientRect();
        return [piece.dataset.block!, [box.left, box.top - top, box.width, box.height]];
      }),
    );
  });

test('Random documents stand on the desk as they are published, at three widths', async ({ page, context, own }) => {
  test.setTimeout(all ? 1_800_000 : 240_000);
  const proof = await context.newPage();
  await withoutPictures(proof);
  let [count, worst] = [0, 0];
  await hold(own, all ? 500 : 3, async (id) => {
    const frame = await openDesk(page, own.url, id);
    await expect(frame.locator('.dk-waiting')).toHaveCount(0);
    for (const width of [390, 820, 1280]) {
      await page.getByLabel('Width of the page in px').fill(String(width));
      await page.keyboard.press('Enter');
      await proof.setViewportSize({ width, height: 900 });
      // A page that is made wider keeps the shape of the source it has until the next one is there; a visitor's begins
      // as it is.
      await proof.goto(`${own.url}/proof/${id}`, { waitUntil: 'domcontentloaded' });
      await proof.waitForFunction(
        () => getComputedStyle(document.querySelector('.page')!).containerType === 'inline-size',
      );
      await proof.evaluate(() => document.fonts.ready);
      await expect.poll(() => frame.locator('html').evaluate(() => innerWidth)).toBe(width);
      await expect
        .poll(() =>
          frame
            .locator(':is(figure, .in-line) img')
            .evaluateAll((images) => (images as HTMLImageElement[]).every((image) => image.complete)),
        )
        .toBe(true);
      const [desk, published] = [await standing(frame as never), await standing(proof)];
      for (const [block, box] of Object.entries(published)) {
        if (!desk[block]) return `${block} is not on the desk`;
        const off = Math.max(...box.map((px, i) => Math.abs(px - desk[block]![i]!)));
        count++;
        worst = Math.max(worst, off);
        if (off > 1)
          return `${block} at ${width} px: ${JSON.stringify(box)} published, ${JSON.stringify(desk[block])} on the desk`;
      }
    }
    return null;
  });
  console.log(`Desk and published page: ${count} places of pieces compared, worst ${worst.toFixed(2)} px`);
  expect(count).toBeGreaterThan(100);
});
