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
  swipe,
  takeIn,
  test,
  text,
} from './dekoro';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

const five = ['line-reel.jpg', 'box-kite.jpg', 'two-lanterns.jpg', 'bridle-ring.jpg', 'museum-door.jpg'];
const json = { 'Content-Type': 'application/json' };

const set = (arrangement: string) => ({ type: 'arrangement', attrs: { id: 'set', arrangement, reach: 'wide' } });

/** Which slides lie wholly in view, from the left; those that stand again after the last by their number. */
const inView = (page: Page) =>
  page.locator('.slides').evaluate((row) => {
    const { left, right } = row.getBoundingClientRect();
    const many = row.querySelectorAll(':scope > :not([inert])').length;
    return [...row.children]
      .map((one) => one.getBoundingClientRect())
      .flatMap((box, i) => (box.width > 0 && box.left > left - 1.5 && box.right < right + 1.5 ? [i % many] : []));
  });

test('Five pictures become a slider with words, right on the phone, and a gallery again with nothing lost', async ({
  page,
  browser,
  own,
}) => {
  const id = await makePage(own.url, 'Home', [text('This week.')]);
  const frame = await openDesk(page, own.url, id);
  await frame.getByText('This week.').click();
  await page.keyboard.press('Control+Enter');
  await choose(
    page,
    page.getByRole('menuitem', { name: 'Gallery of pictures from this computer' }),
    five.map(demoFile),
  );
  await page.keyboard.press('Escape');
  await expect(frame.locator('.set img')).toHaveCount(5);
  const sheet = page.getByRole('complementary', { name: 'Sheet' });
  await sheet.getByRole('group', { name: 'Kind' }).getByRole('button', { name: 'Slider' }).click();
  await expect(frame.locator('.slides img')).toHaveCount(5);
  await sheet.getByLabel('They are').selectOption("the picture's title");
  await sheet.getByLabel('autoplay').check();
  await expect(
    sheet.getByText('5 stops, each stays 6 s and takes 0.5 s to change: one round is 32.5 s.'),
  ).toBeVisible();
  await sheet.getByLabel('Stay, s').fill('1');
  await sheet.getByLabel('Stay, s').press('Enter');
  await expect(sheet.getByText(/words take 1\.6 s to read/)).toBeVisible();
  await passesAxe(page, 'desk with a slider');
  await expect(frame.locator('.slides figcaption').first()).toHaveText('Line reel');
  await publish(own.url);

  const context = await browser.newContext({ viewport: { width: 390, height: 800 }, hasTouch: true, isMobile: true });
  const hand = await context.newPage();
  await hand.goto(`${own.url}/live/`);
  expect(await inView(hand)).toEqual([0]);
  expect((await hand.locator('.slides > div').first().boundingBox())!.width).toBeCloseTo(390 - 32, 0);
  // Every dot is there and in the page, and nothing of the bar lies over anything.
  const bar = await hand.locator('.slider').evaluate((set) => {
    const parts = [...set.querySelectorAll('.slider-bar > button, .slider-told, .slider-dots button')].map((one) =>
      one.getBoundingClientRect(),
    );
    const [frame, row] = [set.getBoundingClientRect(), set.querySelector('.slides')!.getBoundingClientRect()];
    return {
      dots: set.querySelectorAll('.slider-dots button').length,
      out: parts.filter(
        (one) =>
          one.left < frame.left - 1 ||
          one.right > frame.right + 1 ||
          one.top < row.bottom - 1 ||
          one.bottom > frame.bottom + 1,
      ).length,
    };
  });
  expect(bar).toEqual({ dots: 5, out: 0 });
  await hand.getByRole('button', { name: 'Pause' }).tap();
  const slide = (await hand.locator('.slides').boundingBox())!;
  await swipe(hand, { x: slide.x + 300, y: slide.y + slide.height / 2 }, -260);
  await expect(hand.locator('.slider-told')).toHaveText('2 / 5');
  expect(
    (await new AxeBuilder({ page: hand }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze()).violations.map(
      (v) => `${v.id} ${v.nodes[0]?.html}`,
    ),
  ).toEqual([]);
  await context.close();

  // The other kind's settings and all words wait where they were.
  await sheet.getByRole('group', { name: 'Kind' }).getByRole('button', { name: 'Gallery' }).click();
  await expect(frame.locator('.set-items img')).toHaveCount(5);
  await sheet.getByRole('group', { name: 'Kind' }).getByRole('button', { name: 'Slider' }).click();
  await expect(sheet.getByLabel('Stay, s')).toHaveValue('1');

  const plain = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 1280, height: 800 } });
  const bare = await plain.newPage();
  await bare.goto(`${own.url}/live/`);
  await expect(bare.locator('.slider-bar')).toHaveCount(0);
  expect(await bare.locator('.slides').evaluate((row) => row.scrollWidth > 4 * row.clientWidth)).toBe(true);
  await plain.close();
});

test(
  'Stays and changes are those that were set; pointing, focus, use, a hidden page, being out of view and ' +
    'reduced motion stop it',
  async ({ browser, own }) => {
    const pictures = (await takeIn(own.url, five)).map((file) => file.id!);
    const made = await makeSlides(own.url, pictures, 'slider', {
      playsItself: true,
      stayMs: 1200,
      changeMs: 300,
      captions: 'none',
    });
    await makePage(own.url, 'Home', [set(made.id)]);
    await publish(own.url);
    const context = await browser.newContext({ viewport: { width: 1000, height: 900 } });
    const visit = await context.newPage();
    await visit.addInitScript(() => {
      const told: { at: number; duration: number; snap: string }[] = ((window as unknown as { told: unknown }).told =
        []);
      const { animate } = Element.prototype;
      Element.prototype.animate = function (this: Element, frames, options) {
        if (this.closest('.slides') && performance.now() - (told.at(-1)?.at ?? -1000) > 100)
          told.push({
            at: performance.now(),
            duration: (options as KeyframeAnimationOptions).duration as number,
            snap: getComputedStyle(this.closest('.slides')!).scrollSnapType,
          });
        return animate.call(this, frames, options);
      };
    });
    await visit.goto(`${own.url}/live/`);
    await visit.mouse.move(5, 5);
    const told = () =>
      visit.evaluate(() => (window as unknown as { told: { at: number; duration: number; snap: string }[] }).told);
    await expect.poll(async () => (await told()).length, { timeout: 8000 }).toBeGreaterThan(2);
    const changes = await told();
    expect(changes.map((one) => [one.duration, one.snap])).toEqual(changes.map(() => [300, 'none']));
    // From one change to the next lie the stay and the change itself.
    for (const [i, one] of changes.slice(1).entries())
      expect(Math.abs(one.at - changes[i]!.at - 1500)).toBeLessThan(350);
    const stands = async () => {
      await visit.waitForTimeout(500);
      const before = (await told()).length;
      await visit.waitForTimeout(2200);
      return (await told()).length === before;
    };
    const box = (await visit.locator('.slides').boundingBox())!;
    await visit.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    expect(await stands()).toBe(true);
    await visit.mouse.move(5, 5);
    // A page in another tab, and a slider that is scrolled out of view.
    const hide = (is: boolean) =>
      visit.evaluate((is) => {
        Object.defineProperty(document, 'hidden', { value: is, configurable: true });
        document.dispatchEvent(new Event('visibilitychange'));
      }, is);
    await hide(true);
    expect(await stands()).toBe(true);
    await hide(false);
    await visit.evaluate(() => {
      document.body.style.paddingBottom = '3000px';
      scrollTo(0, 2000);
    });
    expect(await stands()).toBe(true);
    await visit.evaluate(() => scrollTo(0, 0));
    await expect.poll(async () => (await told()).length, { timeout: 5000 }).toBeGreaterThan(changes.length);
    await visit.getByRole('button', { name: 'Next' }).focus();
    expect(await stands()).toBe(true);
    await visit.keyboard.press('Enter');
    // Used, it stays until it is asked to play.
    await visit.locator('body').click({ position: { x: 5, y: 5 } });
    expect(await stands()).toBe(true);
    await context.close();

    const calm = await browser.newContext({ viewport: { width: 1000, height: 900 }, reducedMotion: 'reduce' });
    const quiet = await calm.newPage();
    await quiet.goto(`${own.url}/live/`);
    await quiet.waitForTimeout(2500);
    expect(await inView(quiet)).toEqual([0]);
    await quiet.getByRole('button', { name: 'Next' }).click();
    expect(await inView(quiet)).toEqual([1]);
    await calm.close();
  },
);

test('Stops, dots and what is in view are as computed for every count, at every width; a change shows on the other page', async ({
  browser,
  own,
}) => {
  test.setTimeout(process.env.DEKORO_ALL ? 1_500_000 : 180_000);
  const pictures = (
    await takeIn(own.url, [...five, 'diamond-kite.jpg', 'serpent-small.jpg', 'workshop-window.jpg'])
  ).map((file) => file.id!);
  const all = [...pictures, ...pictures].slice(0, 13);
  let look = await makeSlides(own.url, [], 'carousel', { loops: false, captions: 'none' });
  const [id, other] = [
    await makePage(own.url, 'Home', [set(look.id), text('Below.')]),
    await makePage(own.url, 'Visit', [set(look.id)]),
  ];
  // Off, so that no files are made while it is looked at.
  for (const one of [id, other])
    await fetch(`${own.url}/api/pages/${one}`, {
      method: 'PATCH',
      headers: json,
      body: JSON.stringify({ isOn: false }),
    });
  const every = [1, 2, 3, 4, 5].flatMap((v) =>
    [1, 2, 3, 4, 5].filter((s) => s <= v).flatMap((s) => [[v, s, false] as const, [v, s, true] as const]),
  );
  for (const n of process.env.DEKORO_ALL ? Array.from({ length: 14 }, (_, i) => i) : [0, 1, 2, 4, 7, 13]) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 900 }, reducedMotion: 'reduce' });
    await page.route('**/media/**', () => {});
    for (const [v, s, loops] of process.env.DEKORO_ALL
      ? every
      : ([
          [1, 1, true],
          [3, 2, false],
          [3, 2, true],
          [5, 5, false],
        ] as const)) {
      const put = await fetch(`${own.url}/api/arrangements/${look.id}`, {
        method: 'PUT',
        headers: { ...json, 'If-Match': `"${look.version}"` },
        body: JSON.stringify({
          ...look.values,
          items: all.slice(0, n).map((asset, i) => ({ id: `i${i}`, asset, isOn: true })),
          slider: { ...look.values.slider, inView: [1, 2, v], advanceBy: [1, 1, s], loops },
        }),
      });
      look = (await put.json()) as SlidesLook;
      await page.goto(`${own.url}/proof/${id}`, { waitUntil: 'domcontentloaded' });
      if (n === 0) {
        await expect(page.locator('.slider')).toHaveCount(0);
        continue;
      }
      const wanted = n <= v ? 1 : loops ? Math.ceil(n / s) : Math.ceil((n - v) / s) + 1;
      await expect(page.locator('.slider-dots button')).toHaveCount(wanted);
      expect(await page.locator('.slider-bar').isVisible()).toBe(wanted > 1);
      const bar = await page.locator('.slider').evaluate((set) => {
        const [frame, slides, bar] = [set, set.querySelector('.slides')!, set.querySelector('.slider-bar')!].map(
          (one) => one.getBoundingClientRect(),
        );
        return bar!.height === 0 || (bar!.top >= slides!.bottom - 1 && bar!.bottom <= frame!.bottom + 1);
      });
      expect(bar, `the bar stands below ${n} slides and inside`).toBe(true);
      for (let stop = 0; stop < wanted; stop++) {
        if (stop > 0) await page.getByRole('button', { name: 'Next' }).click();
        const first = loops ? stop * s : Math.min(stop * s, Math.max(0, n - v));
        expect(await inView(page), `n ${n}, v ${v}, s ${s}, loops ${loops}, stop ${stop}`).toEqual(
          Array.from({ length: Math.min(v, n) }, (_, i) => (first + i) % n),
        );
        if (wanted > 1)
          await expect(page.locator('.slider-dots button').nth(stop)).toHaveAttribute('aria-current', 'true');
      }
      if (loops && wanted > 1) {
        await page.getByRole('button', { name: 'Next' }).click();
        expect(await inView(page), 'on from its end').toEqual(Array.from({ length: v }, (_, i) => i));
        await page.getByRole('button', { name: 'Previous' }).click();
        await expect(page.locator('.slider-dots button').last()).toHaveAttribute('aria-current', 'true');
      }
    }
    await page.close();
  }
  const page = await browser.newPage();
  await page.goto(`${own.url}/proof/${other}`, { waitUntil: 'domcontentloaded' });
  await expect(page.locator('.slides > div:not([inert])')).toHaveCount(look.values.items.length);
});

test(
  'Words over slides: typed by the editor, made readable with one press, over the pictures where there is room ' +
    'and below them on phones',
  async ({ page, browser, own }) => {
    const pictures = (await takeIn(own.url, five)).map((file) => file.id!);
    const made = await makeSlides(own.url, pictures, 'slider', {
      captions: 'none',
      arrows: 'inside',
      loops: true,
      words: { across: 'left', down: 'bottom', tone: 'light', tint: '#0c1016', tintStrength: [0, 0, 0] },
    });
    await makePage(own.url, 'Home', [set(made.id), text('Below.')]);
    await page.goto(`${own.url}/arrangements/${made.id}`);
    const stage = page.frameLocator('iframe[title^="The arrangement at"]');
    await page.getByRole('button', { name: /^1: / }).click();
    const sheet = page.getByRole('complementary', { name: 'Picture' });
    await sheet.getByLabel('Title over it').fill('Come and fly');
    await sheet
      .getByLabel('Words over it')
      .fill('Every Saturday on the east sand, whenever the wind is kind enough for all of them to go up at once.');
    await sheet.getByLabel('Button').fill('Come along');
    await sheet.getByLabel('Button').press('Tab');
    await sheet.getByRole('textbox', { name: 'Where it leads' }).first().fill('sands.example/week');
    await sheet.getByRole('button', { name: 'Set' }).first().click();
    await expect(stage.getByRole('heading', { name: 'Come and fly' })).toBeVisible();
    await expect(page.getByText('On phone they stand below: over the pictures they find no room.')).toBeVisible();
    await expect(page.getByText(/hard, needs/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Set the least tint' }).click();
    await expect(page.getByText(/hard, needs/)).toHaveCount(0);
    await page.getByRole('button', { name: 'top, right' }).click();
    await page.getByRole('button', { name: 'bottom, left' }).click();
    await sheet.getByLabel('Own stay, s').fill('9');
    await sheet.getByLabel('Own stay, s').press('Enter');
    await expect(page.getByText('5 stops, most stay 6 s and take 0.5 s')).toBeVisible();
    await passesAxe(page, 'an arrangement with words over slides');
    // The slide that is worked on is the one that is seen, also once it is drawn anew.
    await page.getByRole('button', { name: /^4: / }).click();
    const fourth = stage.locator('.slides > :not([inert])').nth(3);
    await expect(fourth).toBeInViewport({ ratio: 0.9 });
    await sheet.getByLabel('Title over it').fill('A ring for the bridle');
    await sheet.getByLabel('Title over it').press('Tab');
    await expect(fourth.getByRole('heading', { name: 'A ring for the bridle' })).toBeVisible();
    await expect(stage.locator('.slider-told')).toHaveText('4 / 5');
    await sheet.getByLabel('Title over it').fill('');
    await sheet.getByLabel('Title over it').press('Tab');
    await expect(fourth.getByRole('heading')).toHaveCount(0);
    await expect(fourth).toBeInViewport({ ratio: 0.9 });
    await publish(own.url);

    const visit = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
    await visit.goto(`${own.url}/live/`);
    const stands = () =>
      visit
        .locator('.slides > div')
        .first()
        .evaluate((slide) => {
          const [picture, words] = [slide.querySelector('.in-set')!, slide.lastElementChild!].map((one) =>
            one.getBoundingClientRect(),
          );
          const arrows = [...document.querySelectorAll('.slider-sides .arrow')].map((one) =>
            one.getBoundingClientRect(),
          );
          return {
            over: words!.top >= picture!.top - 1 && words!.bottom <= picture!.bottom + 1,
            below: words!.top >= picture!.bottom - 1,
            arrowsOver: arrows.every((one) => one.top > picture!.top && one.bottom < picture!.bottom),
          };
        });
    expect(await stands()).toEqual({ over: true, below: false, arrowsOver: true });
    expect(
      (await new AxeBuilder({ page: visit }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze()).violations.map(
        (v) => `${v.id} ${v.nodes[0]?.html}`,
      ),
    ).toEqual([]);
    await expect(visit.getByRole('link', { name: 'Come along' })).toHaveAttribute('href', 'https://sands.example/week');
    const opened = visit.waitForEvent('popup');
    await visit.getByRole('link', { name: 'Come along' }).click();
    await (await opened).close();
    await visit.setViewportSize({ width: 390, height: 844 });
    await visit.goto(`${own.url}/live/`);
    expect(await stands()).toEqual({ over: false, below: true, arrowsOver: true });
    await visit.close();

    // As a gallery none of these words show; as a slider they are back.
    await page.getByRole('group', { name: 'Kind' }).getByRole('button', { name: 'Gallery' }).click();
    await expect(stage.getByRole('heading', { name: 'Come and fly' })).toHaveCount(0);
    await page.getByRole('group', { name: 'Kind' }).getByRole('button', { name: 'Slider' }).click();
    await expect(stage.getByRole('heading', { name: 'Come and fly' })).toBeVisible();
  },
);

test(
  'It begins where it is told, shows some of what follows, leads by small pictures, moves up, and in ' +
    'right-to-left pages the other way',
  async ({ browser, own }) => {
    const pictures = (await takeIn(own.url, five)).map((file) => file.id!);
    const made = await makeSlides(own.url, pictures, 'carousel', {
      captions: 'none',
      inView: [1, 2, 2],
      advanceBy: [1, 1, 1],
      startsWith: 3,
      peekPx: 60,
      steps: 'pictures',
      counter: false,
      change: 'vertical',
      changeMs: 400,
      loops: true,
    });
    await makePage(own.url, 'Home', [set(made.id)]);
    await publish(own.url);
    const visit = await browser.newPage({ viewport: { width: 1280, height: 900 } });
    await visit.goto(`${own.url}/live/`);
    await expect(visit.locator('.slider-pictures button')).toHaveCount(5);
    expect(await inView(visit)).toEqual([2, 3]);
    const peeks = await visit
      .locator('.slides')
      .evaluate((row) => row.getBoundingClientRect().right - row.children[4]!.getBoundingClientRect().left);
    expect(peeks).toBeCloseTo(60, 0);
    await visit.locator('.slider-pictures button').nth(1).click();
    expect(
      await visit
        .locator('.slides > div')
        .first()
        .evaluate((one) =>
          one
            .getAnimations()
            .map((a) => [
              (a.effect as KeyframeEffect).getTiming().duration,
              (a.effect as KeyframeEffect).getKeyframes()[1]!.transform,
            ]),
        ),
    ).toEqual([[400, 'translateY(-100%)']]);
    await expect.poll(() => inView(visit)).toEqual([1, 2]);
    // Small pictures are the smallest files there are.
    await expect
      .poll(() =>
        visit
          .locator('.slider-pictures img')
          .first()
          .evaluate((image: HTMLImageElement) => image.complete && image.naturalWidth > 0),
      )
      .toBe(true);
    const bytes = await visit.locator('.slider-pictures img').evaluateAll((images) =>
      images.map((image) => {
        const i = image as HTMLImageElement;
        const set = (i.closest('picture')?.querySelector('source')?.srcset ?? i.srcset).split(', ');
        return new URL(set[0]!.split(' ')[0]!, i.baseURI).href === i.currentSrc;
      }),
    );
    expect(bytes.every(Boolean)).toBe(true);

    await visit.route('**/live/', async (route) =>
      route.fulfill({
        contentType: 'text/html',
        body: (await (await route.fetch()).text()).replace('<html ', '<html dir="rtl" '),
      }),
    );
    await visit.goto(`${own.url}/live/`);
    await visit.locator('.slider-pictures button').first().click();
    const first = () =>
      visit.locator('.slides').evaluate((row) => {
        const right = row.getBoundingClientRect().right;
        return [...row.children].findIndex((one) => Math.abs(one.getBoundingClientRect().right - right) < 2);
      });
    await expect.poll(first).toBe(0);
    await visit.locator('.slides').focus();
    await visit.keyboard.press('ArrowLeft');
    await expect.poll(first).toBe(1);
    // At 400 % everything is there and nothing is cut off sideways.
    await visit.setViewportSize({ width: 320, height: 256 });
    expect(
      await visit.evaluate(() =>
        [...document.querySelectorAll('body *')]
          .filter(
            (one) =>
              !one.closest('.slides') &&
              ((box) => box.left < -1 || box.right > innerWidth + 1)(one.getBoundingClientRect()) &&
              !one.matches('.skip'),
          )
          .map((one) => one.outerHTML.slice(0, 80)),
      ),
    ).toEqual([]);
    expect(await visit.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    // On paper each picture stands once.
    await visit.emulateMedia({ media: 'print' });
    expect(
      await visit
        .locator('.slides > div')
        .evaluateAll((all) => all.filter((one) => one.getClientRects().length > 0).length),
    ).toBe(5);
    await visit.close();
  },
);

test('The timing strip: the end of a stay is dragged, or moved by arrow keys; the HTML of a gallery made elsewhere is read in', async ({
  page,
  own,
}) => {
  const pictures = (await takeIn(own.url, five.slice(0, 3))).map((file) => file.id!);
  const made = await makeSlides(own.url, pictures, 'slider', {
    captions: 'over',
    captionsFrom: 'title',
    playsItself: true,
  });
  await page.goto(`${own.url}/arrangements/${made.id}`);
  const stays = async () =>
    (
      (await (await fetch(`${own.url}/api/arrangements/${made.id}`)).json()) as {
        values: { items: { stayMs: number | null }[] };
      }
    ).values.items.map((item) => item.stayMs ?? null);
  const second = page.getByRole('slider', { name: 'Stay at stop 2' });
  await second.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(stays).toEqual([null, 6500, null]);
  await expect(second).toHaveAttribute('aria-valuetext', '6.5 s');
  const strip = (await page.getByRole('figure', { name: 'One round' }).boundingBox())!;
  const box = (await page.getByRole('slider', { name: 'Stay at stop 1' }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + strip.width / 4, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  // A quarter of a round of 20 s is five more seconds.
  await expect.poll(async () => Math.abs(((await stays())[0] ?? 0) - 11_000)).toBeLessThan(400);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(stays).toEqual([null, 6500, null]);
  await page.getByRole('button', { name: 'One round' }).click();

  // A slide whose days are over has no place in the round: what is dragged is the slide that is seen there.
  const late = (await (await fetch(`${own.url}/api/arrangements/${made.id}`)).json()) as typeof made;
  const over = late.values.items.map((item, i) => (i === 0 ? { ...item, until: '2020-01-01' } : item));
  const dated = await fetch(`${own.url}/api/arrangements/${made.id}`, {
    method: 'PUT',
    headers: { ...json, 'If-Match': `"${late.version}"` },
    body: JSON.stringify({ ...late.values, items: over }),
  });
  expect(dated.ok, await dated.clone().text()).toBe(true);
  await expect(page.getByRole('slider', { name: /^Stay at stop/ })).toHaveCount(2);
  await page.getByRole('slider', { name: 'Stay at stop 2' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(stays).toEqual([null, 6500, 6500]);

  const data = (name: string) => `data:image/jpeg;base64,${readFileSync(demoFile(name)).toString('base64')}`;
  await page.getByRole('button', { name: 'From a gallery’s HTML' }).click();
  await page
    .getByLabel('Its HTML')
    .fill(
      `<ul><li><figure><img src="${data('diamond-kite.jpg')}" alt="A diamond kite"><figcaption>Diamond, ` +
        '1931</figcaption></figure></li><li><a href="https://sands.example/door"><img ' +
        `src="${data('serpent-small.jpg')}"></a><p>Serpent</p></li><li><img src="file:///C:/lost.jpg" ` +
        'alt="Lost"></li></ul>',
    );
  await page.getByRole('button', { name: 'Read it in' }).click();
  await expect(page.getByText('2 pictures came in. Lost: It lies on the computer')).toBeVisible();
  await page.keyboard.press('Escape');
  const look = (await (await fetch(`${own.url}/api/arrangements/${made.id}`)).json()) as {
    values: { items: Record<string, unknown>[] };
  };
  await expect.poll(async () => (await stays()).length).toBe(5);
  const items = (
    (await (await fetch(`${own.url}/api/arrangements/${made.id}`)).json()) as typeof look
  ).values.items.slice(3);
  expect(items).toMatchObject([
    { caption: 'Diamond, 1931', captionSource: 'own' },
    { caption: 'Serpent', linkKind: 'address', linkTarget: 'https://sands.example/door' },
  ]);
});

test('A slide of words alone stands among pictures; a frame shows the whole on a site elsewhere, as high as it is at every width', async ({
  page,
  own,
}) => {
  const pictures = (await takeIn(own.url, five.slice(0, 3))).map((file) => file.id!);
  const made = await makeSlides(own.url, pictures, 'slider', { captions: 'none', loops: true });
  await makePage(own.url, 'Home', [set(made.id)]);
  await page.goto(`${own.url}/arrangements/${made.id}`);
  await page.getByRole('button', { name: /^1: / }).click();
  await page.getByRole('button', { name: 'Slide of words' }).click();
  const sheet = page.getByRole('complementary', { name: 'Picture' });
  await sheet.getByLabel('Title over it').fill('Closed on Mondays');
  await sheet.getByLabel('Title over it').press('Tab');
  const stage = page.frameLocator('iframe[title^="The arrangement at"]');
  await expect(stage.locator('.slides > div:not([inert])').nth(1)).toHaveText('Closed on Mondays');
  await expect(page.getByRole('complementary', { name: 'Sheet' }).getByText('4 stops')).toBeVisible();
  await page.getByLabel('shown on sites elsewhere').check();
  await expect(page.getByLabel('For a page elsewhere')).toHaveValue(/<iframe src="http:\/\/127/);
  const snippet = await page.getByLabel('For a page elsewhere').inputValue();
  await passesAxe(page, 'an arrangement with a slide of words');
  await publish(own.url);
  const words = page.locator('.slides > div').nth(1);
  await page.goto(`${own.url}/live/`);
  await expect(words.getByRole('heading', { name: 'Closed on Mondays' })).toHaveCount(1);
  expect(
    await words.evaluate((one) =>
      [one.previousElementSibling!, one].map((slide) => Math.round(slide.getBoundingClientRect().height)),
    ),
  ).toEqual(
    await page
      .locator('.slides > div')
      .first()
      .evaluate((one) => [
        Math.round(one.getBoundingClientRect().height),
        Math.round(one.getBoundingClientRect().height),
      ]),
  );

  const other = createServer((_, answer) =>
    answer
      .setHeader('Content-Type', 'text/html')
      .end(
        `<!DOCTYPE html><html lang="en"><title>Another site</title><body style="margin: 0"><h1>Another site</h1>${snippet}`,
      ),
  ).listen(0, '127.0.0.1');
  await new Promise((ready) => other.once('listening', ready));
  const elsewhere = `http://localhost:${(other.address() as AddressInfo).port}/`;
  for (const width of [390, 820, 1280]) {
    await page.setViewportSize({ width, height: 900 });
    await page.goto(elsewhere);
    const frame = page.frameLocator('iframe');
    await expect(frame.locator('.slider-bar')).toBeVisible();
    await expect(frame.getByRole('banner')).toHaveCount(0);
    const [inside, outside] = [
      await frame.locator('html').evaluate((html) => html.scrollHeight),
      (await page.locator('iframe').boundingBox())!.height,
    ];
    expect(Math.abs(inside - outside), `at ${width}`).toBeLessThan(1.5);
    await expect
      .poll(() =>
        frame
          .locator('.slides img')
          .first()
          .evaluate((image: HTMLImageElement) => image.complete && image.naturalWidth > 0),
      )
      .toBe(true);
  }
  other.close();
});

test(
  'Buttons and steps in a size and colour of their own, over the pictures where they find room; a step with a ' +
    'picture of its own',
  async ({ page, browser, own }) => {
    const [step, ...pictures] = (await takeIn(own.url, ['kite-cut-out.png', ...five])).map((file) => file.id!);
    const made = await makeSlides(own.url, pictures, 'slider', { captions: 'none', steps: 'dots', arrows: 'inside' });
    await makePage(own.url, 'Home', [set(made.id), text('Below.')]);
    await page.goto(`${own.url}/arrangements/${made.id}`);
    const sheet = page.getByRole('complementary', { name: 'Sheet' });
    await sheet.getByRole('group', { name: 'Size of arrows and dots' }).getByRole('button', { name: 'large' }).click();
    await sheet.getByLabel('dots stand over the pictures').check();
    const colour = sheet.getByLabel('Colour of arrows and dots, another colour');
    // Half-way between black and white some picture always comes close.
    await colour.fill('#777777');
    await expect(sheet.getByText(/Over one of its pictures the buttons are hard to see: 2\.\d : 1/)).toBeVisible();
    await colour.fill('#ffffff');
    await expect(sheet.getByText(/hard to see/)).toHaveCount(0);
    await publish(own.url);
    const visit = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
    const over = async () => {
      await visit.goto(`${own.url}/live/`);
      await expect(visit.locator('.slider-dots button')).toHaveCount(5);
      return visit.locator('.slider').evaluate((slider) => {
        const box = (what: string) => slider.querySelector(what)!.getBoundingClientRect();
        const [picture, dots, arrow] = [box('.slides img'), box('.slider-dots'), box('.arrow')];
        return {
          within:
            dots.bottom <= picture.bottom &&
            dots.top >= picture.top &&
            dots.left >= picture.left &&
            dots.right <= picture.right,
          arrow: arrow.width,
          dot: box('.slider-dots button').width,
        };
      });
    };
    expect(await over()).toEqual({ within: true, arrow: 56, dot: 32 });
    await visit.setViewportSize({ width: 390, height: 844 });
    expect(await over()).toEqual({ within: true, arrow: 56, dot: 32 });
    await visit.locator('.slider-dots button').nth(3).click();
    await expect.poll(() => inView(visit)).toEqual([3]);
    expect((await new AxeBuilder({ page: visit }).analyze()).violations.map((v) => v.id)).toEqual([]);

    await sheet.getByRole('button', { name: 'thumbnails' }).click();
    await page.getByRole('list', { name: 'Running order' }).getByRole('button', { name: /^2:/ }).click();
    await page.getByRole('button', { name: 'Another', exact: true }).click();
    await page.getByRole('dialog').getByLabel('Search').fill('cut out');
    // A person looks at what the search has found before pressing it.
    await expect(page.getByRole('dialog').getByRole('button', { name: / × / })).toHaveCount(1);
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /Kite cut out/i })
      .click();
    await expect
      .poll(
        async () =>
          (
            (await (await fetch(`${own.url}/api/arrangements/${made.id}`)).json()) as {
              values: { items: { step: string | null }[] };
            }
          ).values.items[1]!.step,
      )
      .toBe(step);
    // Others come from the library too, in the order in which they are chosen.
    await page.getByRole('button', { name: 'From the library' }).click();
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Museum door/ })
      .click();
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Line reel/ })
      .click();
    // A press beside them takes nothing away.
    const door = (await page
      .getByRole('dialog')
      .getByRole('button', { name: /Museum door/ })
      .boundingBox())!;
    await page.mouse.click(door.x - 12, door.y + 20);
    await passesAxe(page, 'choosing from the library');
    await page.getByRole('button', { name: 'Add 2 pictures' }).click();
    const order = () =>
      page
        .getByRole('list', { name: 'Running order' })
        .getByRole('button', { name: /^\d+:/ })
        .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!.replace(/, (soft|coarse)$/, '')));
    await expect
      .poll(order)
      .toEqual([
        '1: Line reel',
        '2: Box kite',
        '3: Museum door',
        '4: Line reel',
        '5: Two lanterns',
        '6: Bridle ring',
        '7: Museum door',
      ]);
    await publish(own.url);
    await visit.goto(`${own.url}/live/`);
    const shown = visit.locator('.slider-pictures button').nth(1).locator('img');
    await expect
      .poll(() => shown.evaluate((image: HTMLImageElement) => image.complete && image.naturalWidth))
      .toBeGreaterThan(0);
    // As large as it has to be there, and no larger.
    expect(await shown.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeLessThanOrEqual(240);
    await visit.close();
  },
);
