import type { Locator, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import {
  choose,
  demoFile,
  expect,
  makePage,
  makeSlides,
  openDesk,
  passesAxe,
  publish,
  type SlidesLook,
  takeIn,
  test,
  text,
} from './dekoro';

type Figure = { type: string; attrs: { asset: string; video: Record<string, unknown> | null } };
const figureOf = async (url: string, id: string) =>
  (
    (await (await fetch(`${url}/api/pages/${id}/draft`)).json()) as { document: { content: Figure[] } }
  ).document.content.find((piece) => piece.type === 'figure');

test('A video from this computer stands by its still, gets another, and plays for visitors from the site itself', async ({
  page,
  own,
}) => {
  const id = await makePage(own.url, 'Home', [text('Above.'), text('Below.')]);
  const frame = await openDesk(page, own.url, id);
  const above = (await frame.getByText('Above.').boundingBox())!;
  await page.mouse.move(above.x + above.width / 2, above.y + above.height + 10);
  await page.getByRole('button', { name: 'Add here' }).click();
  await page.getByRole('menuitem', { name: 'Video' }).click();
  await passesAxe(page, 'adding a video');
  await choose(page, page.getByRole('dialog').getByRole('button', { name: 'From this computer' }), [
    demoFile('museum-door.jpg'),
  ]);
  await expect(page.getByRole('dialog').getByRole('alert')).toHaveText('This is no video: choose an MP4 or WebM file.');
  await choose(page, page.getByRole('dialog').getByRole('button', { name: 'From this computer' }), [
    demoFile('kites-in-the-wind.webm'),
  ]);
  await expect(frame.locator('figure video')).toBeVisible();
  await expect.poll(() => figureOf(own.url, id)).toBeTruthy();
  const first = (await figureOf(own.url, id))!;
  // 16 : 9 as the film is, sharp up to its own 960 px.
  const box = (await frame.locator('figure video').boundingBox())!;
  expect(box.width / box.height).toBeCloseTo(16 / 9, 1);
  const sheet = page.getByRole('complementary', { name: 'Sheet' });
  await expect(sheet.getByRole('region', { name: 'Fit at each width' })).toContainText('sharp');
  await sheet.getByLabel('The video, to choose its still').evaluate((video: HTMLVideoElement) => {
    video.currentTime = 2.5;
  });
  await sheet.getByRole('button', { name: 'Take this moment as the still' }).click();
  await expect.poll(async () => (await figureOf(own.url, id))?.attrs.asset).not.toBe(first.attrs.asset);
  await sheet.getByLabel('starts by itself, without sound').check();
  await expect(sheet.getByLabel('controls', { exact: true })).toBeDisabled();
  await expect.poll(async () => (await figureOf(own.url, id))?.attrs.video?.startsItself).toBe(true);
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  const video = page.locator('figure video');
  await expect(video).toHaveAttribute('controls', '');
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.currentTime > 0 && one.muted)).toBe(true);
  expect(await video.evaluate((one: HTMLVideoElement) => one.currentSrc)).toContain('/live/files/');
  // Its still lies under it, in a file that fits, and says nothing beside it.
  const still = page.locator('.film img');
  await expect(still).toHaveAttribute('alt', '');
  expect(
    await still.evaluate(
      (one: HTMLImageElement) =>
        one.complete && one.naturalWidth > 0 && new URL(one.currentSrc).pathname.startsWith('/live/media/'),
    ),
  ).toBe(true);
  expect(await Promise.all([video, still].map((one) => one.boundingBox()))).toEqual([
    await page.locator('.film').boundingBox(),
    await page.locator('.film').boundingBox(),
  ]);
  // The library knows that it plays there, and keeps it.
  const { items } = (await (await fetch(`${own.url}/api/downloads`)).json()) as {
    items: { id: string; standsIn: { pageTitle: string }[] }[];
  };
  expect(items[0]!.standsIn.map((one) => one.pageTitle)).toEqual(['Home']);
  // Where the film does not come, its still is seen through it.
  await page.route('**/live/files/**', (route) => route.abort());
  await page.reload();
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.networkState)).toBe(3);
  await expect.poll(() => still.evaluate((one: HTMLImageElement) => one.complete)).toBe(true);
  const film = (await page.locator('.film').boundingBox())!;
  const upperHalf = async () =>
    (await page.screenshot({ clip: { ...film, height: film.height / 2 } })).toString('base64');
  const through = await upperHalf();
  await video.evaluate((one: HTMLVideoElement) => (one.style.visibility = 'hidden'));
  expect(await apart(page, through, await upperHalf())).toBeLessThan(2);
  await still.evaluate((one: HTMLImageElement) => (one.style.visibility = 'hidden'));
  expect(await apart(page, through, await upperHalf())).toBeGreaterThan(10);
});

const middleOf = async (what: Locator): Promise<[number, number]> => {
  const { x, y, width, height } = (await what.boundingBox())!;
  return [x + width / 2, y + height / 2];
};

/** How far two pictures (PNG, base64) are apart, of 255 on the mean. */
const apart = (page: Page, one: string, other: string) =>
  page.evaluate(
    async (both) => {
      const [a, b] = await Promise.all(
        both.map(async (png) => {
          const image = await createImageBitmap(new Blob([Uint8Array.from(atob(png), (c) => c.charCodeAt(0))]));
          const canvas = new OffscreenCanvas(image.width, image.height).getContext('2d')!;
          canvas.drawImage(image, 0, 0);
          return canvas.getImageData(0, 0, image.width, image.height).data;
        }),
      );
      return a!.reduce((sum, level, i) => sum + Math.abs(level - b![i]!), 0) / a!.length;
    },
    [one, other],
  );

test(
  'By keys alone a video of another site is placed by its address; its player comes only when it is asked for, ' +
    'and without script the still leads there',
  async ({ page, browser, own }) => {
    const id = await makePage(own.url, 'Home', [text('Above.')]);
    const frame = await openDesk(page, own.url, id);
    await frame.getByText('Above.').focus();
    await page.keyboard.press('Control+End');
    await page.keyboard.press('Control+Enter');
    for (let i = 0; i < 20 && (await page.evaluate(() => document.activeElement?.textContent?.trim())) !== 'Video'; i++)
      await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    const address = page.getByLabel('Address of the video’s page');
    await address.focus();
    await page.keyboard.type('/standins/video/');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText('does not say how its video can be shown');
    await address.fill('/standins/video/watch/kites-over-the-dunes');
    await page.keyboard.press('Enter');
    await expect(frame.locator('a.player img')).toBeVisible();
    await expect
      .poll(async () => (await figureOf(own.url, id))?.attrs.video?.player)
      .toBe('/standins/video/player/kites-over-the-dunes');
    await publish(own.url);
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url()));
    await page.goto(`${own.url}/live/`, { waitUntil: 'networkidle' });
    expect(asked.filter((url) => url.includes('/standins/'))).toEqual([]);
    const still = (await page.locator('a.player').boundingBox())!;
    await page.getByRole('link', { name: 'Play the video: Kites over the dunes' }).press('Enter');
    const player = page.locator('iframe[title="Kites over the dunes"]');
    await expect(player.contentFrame().getByText('play')).toBeVisible();
    expect((await player.boundingBox())!).toEqual(still);
    const plain = await browser.newPage({ javaScriptEnabled: false });
    await plain.goto(`${own.url}/live/`);
    await expect(plain.locator('a.player')).toHaveAttribute('href', '/standins/video/watch/kites-over-the-dunes');
    await plain.close();
  },
);

test('In a slider a film plays in its slide or in the larger view, with captions, and nothing moves it away meanwhile', async ({
  page,
  browser,
  own,
}) => {
  const pictures = await takeIn(own.url, ['box-kite.jpg', 'line-reel.jpg', 'museum-door.jpg', 'two-lanterns.jpg']);
  for (const [name, part] of [
    ['kites-in-the-wind.webm', readFileSync(demoFile('kites-in-the-wind.webm'))],
    ['kites-in-the-wind.vtt', 'WEBVTT\n\n00:00.000 --> 00:04.000\nThe wind is up.\n'],
  ] as const) {
    const form = new FormData();
    form.append('file', new Blob([part]), name);
    expect((await fetch(`${own.url}/api/files`, { method: 'POST', body: form })).ok).toBe(true);
  }
  const made = await makeSlides(
    own.url,
    pictures.map((one) => one.id!),
    'slider',
    { playsItself: true, stayMs: 1500, opensLarger: true },
    { ownLook: { line: 'solid', linePx: 2, paddingPx: 16, lineColour: '#123456', roundPx: [0, 0, 0, 0] } },
  );
  const dunes = '/standins/video/player/kites-over-the-dunes';
  made.values.items[3]!.instead = {
    kind: 'hosted',
    target: '/standins/video/watch/kites-over-the-dunes',
    player: dunes,
    title: 'Kites over the dunes',
    inPlace: true,
  };
  await fetch(`${own.url}/api/arrangements/${made.id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${made.version}"` },
    body: JSON.stringify(made.values),
  });
  await makePage(own.url, 'Home', [{ type: 'arrangement', attrs: { id: 'set', arrangement: made.id, reach: 'wide' } }]);
  await page.goto(`${own.url}/arrangements/${made.id}`);
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  const film = async (number: number) => {
    await page
      .getByRole('list', { name: 'Running order' })
      .getByRole('button', { name: new RegExp(`^${number}:`) })
      .click();
    await sheet.getByLabel('In its place a press shows').selectOption('a film of the library');
    await sheet.getByLabel('Film', { exact: true }).selectOption({ index: 1 });
    await sheet.getByLabel('Captions').selectOption({ index: 1 });
  };
  await film(1);
  await sheet.getByLabel('plays in the picture’s place').check();
  await sheet.getByLabel('Title over it').fill('Up it goes');
  await film(2);
  await film(3);
  await sheet.getByLabel('starts by itself').check();
  await expect(sheet.getByLabel('plays in the picture’s place')).toBeDisabled();
  await expect(page.getByText('some of them would lie over a video')).toBeVisible();
  await expect
    .poll(async () =>
      ((await (await fetch(`${own.url}/api/arrangements/${made.id}`)).json()) as SlidesLook).values.items
        .map((one) => one.instead as Record<string, unknown> | null)
        .map((instead) => [instead?.inPlace, Boolean(instead?.captions), instead?.startsItself]),
    )
    .toEqual([
      [true, true, false],
      [false, true, false],
      [false, true, true],
      [true, false, false],
    ]);
  await passesAxe(page, 'a film in a slide');
  await publish(own.url);

  const visit = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await visit.goto(`${own.url}/live/`);
  const slides = visit.locator('.slides > :not([inert])');
  const plays = (one: HTMLVideoElement) => !one.paused && one.currentTime > 0;
  const first = slides.nth(0).locator('video');
  await first.evaluate((one: HTMLVideoElement) => ((one.loop = true), (one.volume = 0)));
  // A press anywhere on its still starts it, and its own bar comes.
  await visit.mouse.click(...(await middleOf(first)));
  await expect(first).toHaveJSProperty('controls', true);
  await expect(visit.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  await expect.poll(() => first.evaluate(plays)).toBe(true);
  await expect.poll(() => first.evaluate((one: HTMLVideoElement) => one.textTracks[0]?.activeCues?.length)).toBe(1);
  // Longer than a stay, and it still stands there.
  await expect.poll(() => first.evaluate((one: HTMLVideoElement) => one.currentTime)).toBeGreaterThan(2);
  await expect(visit.locator('.slider-told')).toHaveText('1 / 4');
  // The words stand below the film, and its buttons are free.
  const [words, over] = [await slides.nth(0).locator('h2').boundingBox(), await first.boundingBox()];
  expect(words!.y).toBeGreaterThanOrEqual(over!.y + over!.height);
  await visit.getByRole('button', { name: 'Next' }).click();
  await slides.nth(1).locator('a').click();
  expect(await first.evaluate((one: HTMLVideoElement) => one.paused)).toBe(true);
  const view = visit.getByRole('dialog').locator('video');
  // In the frame that all of them have, it fills what the frame leaves, and its slide is as high as the others.
  const framed = await slides
    .nth(0)
    .locator('.film')
    .evaluate((one) =>
      [one, ...one.querySelectorAll('img, video')].map((part) =>
        (({ x, y, width, height }) => [x, y, width, height])(part.getBoundingClientRect()),
      ),
    );
  expect(framed[1]).toEqual(framed[2]);
  for (const [i, inset] of [18, 18, -36, -36].entries())
    expect(Math.abs(framed[1]![i]! - framed[0]![i]! - inset)).toBeLessThan(0.5);
  const next = (await slides.nth(1).locator('.in-set').boundingBox())!;
  expect(Math.abs(framed[0]![3]! - next.height)).toBeLessThan(0.5);
  await view.evaluate((one: HTMLVideoElement) => ((one.volume = 0), one.play()));
  await expect.poll(() => view.evaluate((one: HTMLVideoElement) => one.textTracks[0]?.activeCues?.length)).toBe(1);
  await visit.keyboard.press('Escape');
  await visit.getByRole('button', { name: 'Next' }).click();
  await expect.poll(() => slides.nth(2).locator('video').evaluate(plays)).toBe(true);
  await visit.getByRole('button', { name: 'Next' }).click();
  let asked = 0;
  visit.on('request', (request) => (asked += Number(request.url().endsWith(dunes))));
  await expect(visit.locator('.slider-told')).toHaveText('4 / 4');
  await slides.nth(3).locator('a.player').click();
  await expect(slides.nth(3).locator('iframe').contentFrame().getByText('play')).toBeVisible();
  await visit.getByRole('button', { name: 'Previous' }).click();
  await expect.poll(() => asked).toBe(2);
  await visit.close();
  const calm = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  await calm.goto(`${own.url}/live/`);
  await calm.getByRole('button', { name: 'Next' }).click();
  await calm.getByRole('button', { name: 'Next' }).click();
  await calm.waitForTimeout(500);
  expect(
    await calm
      .locator('.slides > :not([inert])')
      .nth(2)
      .locator('video')
      .evaluate((one: HTMLVideoElement) => [one.paused, one.currentTime]),
  ).toEqual([true, 0]);
  await calm.close();
});

test('A film moves behind a band, can be paused, and stays a picture for those who want no movement', async ({
  page,
  browser,
  own,
}) => {
  const taken = await takeIn(own.url, ['windle-sands-june-morning.jpg', 'kites-in-the-wind.webm']);
  const band = {
    type: 'band',
    attrs: {
      id: 'film',
      picture: taken[0]!.id,
      words: 'light',
      tint: '#000000',
      tintStrength: [160, 160, 160],
      leastHeight: [300, 300, 400],
    },
    content: [text('The wind is up')],
  };
  const id = await makePage(own.url, 'Home', [band]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('The wind is up').click();
  await page
    .getByRole('complementary', { name: 'Sheet' })
    .getByLabel('Moving picture over it')
    .selectOption('Kites in the wind');
  await expect
    .poll(
      async () =>
        (
          (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as {
            document: { content: { attrs: { video: string } }[] };
          }
        ).document.content[0]!.attrs.video,
    )
    .toBeTruthy();
  // On the desk it moves by wish.
  await expect(frame.locator('.band video')).toHaveCount(0);
  await page.getByRole('button', { name: 'Play it here' }).click();
  await expect
    .poll(() => frame.locator('.band video').evaluate((one: HTMLVideoElement) => !one.paused && one.currentTime > 0))
    .toBe(true);
  await page.getByRole('button', { name: 'Stop it here' }).click();
  await expect(frame.locator('.band video')).toHaveCount(0);
  await publish(own.url);
  await page.goto(`${own.url}/live/`);
  const video = page.locator('.band video');
  const moves = () => video.evaluate((one: HTMLVideoElement) => !one.paused && one.currentTime > 0);
  await expect.poll(moves).toBe(true);
  await passesAxe(page, 'a band with a film');
  await page.getByRole('button', { name: 'Pause the picture behind' }).click();
  expect(await moves()).toBe(false);
  await expect(page.getByRole('button', { name: 'Play the picture behind' })).toBeVisible();
  const calm = await browser.newPage({ reducedMotion: 'reduce' });
  await calm.goto(`${own.url}/live/`);
  await expect(calm.locator('.band img.ground')).toBeVisible();
  expect(
    await calm.locator('.band video').evaluate((one: HTMLVideoElement) => one.paused && getComputedStyle(one).opacity),
  ).toBe('0');
  await expect(calm.getByRole('button')).toHaveCount(0);
  await calm.close();
});

test(
  'Pictures of an arrangement follow one another behind a band, each fetched in its turn; they can be paused, ' +
    'and stand still for those who want no movement',
  async ({ page, browser, own }) => {
    const [sands, door, ring] = (
      await takeIn(own.url, ['windle-sands-june-morning.jpg', 'museum-door.jpg', 'bridle-ring.jpg'])
    ).map((file) => file.id!);
    const json = { 'Content-Type': 'application/json' };
    type Look = { id: string; version: number; values: { slider: Record<string, unknown> } };
    const made = (await (
      await fetch(`${own.url}/api/arrangements`, {
        method: 'POST',
        headers: json,
        body: JSON.stringify({ name: 'Round the house', pictures: [sands, door, ring] }),
      })
    ).json()) as Look;
    const put = await fetch(`${own.url}/api/arrangements/${made.id}`, {
      method: 'PUT',
      headers: { ...json, 'If-Match': `"${made.version}"` },
      body: JSON.stringify({ ...made.values, slider: { ...made.values.slider, stayMs: 1500, changeMs: 300 } }),
    });
    expect(put.ok).toBe(true);
    const id = await makePage(own.url, 'Home', [
      {
        type: 'band',
        attrs: {
          id: 'follow',
          picture: sands,
          words: 'light',
          tint: '#000000',
          tintStrength: [160, 160, 160],
          leastHeight: [300, 300, 400],
        },
        content: [text('Come in')],
      },
    ]);
    const frame = await openDesk(page, own.url, id);
    await frame.getByText('Come in').click();
    await page.getByLabel('Pictures that follow it').selectOption('Round the house');
    await expect
      .poll(
        async () =>
          (
            (await (await fetch(`${own.url}/api/pages/${id}/draft`)).json()) as {
              document: { content: { attrs: { set: string } }[] };
            }
          ).document.content[0]!.attrs.set,
      )
      .toBe(made.id);
    await publish(own.url);
    // What stands behind a band is in use.
    expect((await fetch(`${own.url}/api/arrangements/${made.id}`, { method: 'DELETE' })).status).toBe(409);

    const fetched: string[] = [];
    page.on('request', (request) => request.url().includes('/media/') && fetched.push(request.url()));
    await page.goto(`${own.url}/live/`);
    const pause = page.getByRole('button', { name: 'Pause the pictures behind' });
    await expect(pause).toBeVisible();
    const [first] = fetched.splice(0);
    expect(first).toBeDefined();
    const seen = () =>
      page
        .locator('.band img.ground')
        .evaluateAll((all) =>
          all
            .filter((one) => getComputedStyle(one).visibility === 'visible' && getComputedStyle(one).opacity === '1')
            .map((one) => (one as HTMLImageElement).currentSrc.split('/').pop()),
        );
    await expect.poll(async () => [(await seen()).length, fetched.length]).toEqual([1, 1]);
    await expect.poll(async () => (await seen()).join()).toBe(fetched[0]!.split('/').pop());
    await pause.click();
    await passesAxe(page, 'pictures behind a band');
    const stands = await seen();
    await page.waitForTimeout(2500);
    expect(await seen()).toEqual(stands);
    await page.getByRole('button', { name: 'Play the pictures behind' }).click();
    // After the last comes the first again.
    await expect.poll(async () => (await seen()).join(), { timeout: 30_000 }).toBe(first!.split('/').pop());
    expect(new Set(fetched).size).toBe(2);

    const calm = await browser.newPage({ reducedMotion: 'reduce' });
    await calm.goto(`${own.url}/live/`);
    await expect(calm.locator('.band img.ground')).toHaveCount(1);
    await expect(calm.getByRole('button')).toHaveCount(0);
    await calm.close();
  },
);
