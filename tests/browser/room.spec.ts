import { readFileSync } from 'node:fs';
import { expect, makePage, openDesk, passesAxe, takeIn, test } from './dekoro';

type Library = {
  items: {
    id: string;
    picture: string;
    width: number;
    height: number;
    keep: { x: number; y: number; byHand: boolean };
  }[];
};
const library = async (url: string) => (await (await fetch(`${url}/api/files`)).json()) as Library;

test('A picture is turned, cut and lit in the room; all its places follow, and the original is a click away', async ({
  page,
  own,
}) => {
  const [file] = await takeIn(own.url, ['the-kite-hall.jpg']);
  const id = await makePage(own.url, 'Hall', [
    { type: 'figure', attrs: { asset: file!.id, size: 'column', shape: '3:2' } },
  ]);
  const frame = await openDesk(page, own.url, id);
  await frame.locator('figure').click();
  await page.getByRole('link', { name: /^Room/ }).click();
  await expect(page.getByRole('heading', { name: 'The kite hall' })).toBeVisible();
  await expect(page.getByText('2240 × 2800')).toBeVisible();
  const versions = page.getByRole('region', { name: 'Versions' }).getByRole('listitem');
  await expect(versions).toHaveCount(1);

  await page.getByRole('button', { name: 'where is it sharpest?' }).click();
  await expect(page.getByText(/^Here its edges are [\d.]+ px wide: .* px count\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'hide it' }).click();
  await expect(page.getByText(/px count/)).toHaveCount(0);

  await page.getByRole('button', { name: 'Turn right' }).click();
  await expect(page.getByText('2800 × 2240, saved')).toBeVisible();
  await page.getByRole('button', { name: '1:1', exact: true }).click();
  await expect(page.getByText('2240 × 2240, saved')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('slider', { name: 'Light' }).fill('30');
  await page.getByRole('slider', { name: 'Straighten' }).fill('-2.5');
  await expect(versions).toHaveCount(2);
  await expect(versions.nth(1)).toContainText('Cut, turned, straightened −2.5°, lighter');
  const now = (await library(own.url)).items[0]!;
  expect(Math.abs(now.width - now.height)).toBeLessThanOrEqual(1);

  // Undo goes back through all of it, redo forward.
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z');
  await expect(page.getByText('2240 × 2800')).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByText('2800 × 2240')).toBeVisible();
  await expect(versions.nth(1)).toContainText('Turned');
  await page.getByRole('link', { name: 'Desk' }).click();
  await expect(frame.locator('figure img')).toHaveAttribute('src', new RegExp(`/media/proof/${file!.id}\\.[1-9]`));

  await page.goBack();
  await versions.first().getByRole('button').click();
  await expect(versions.first().getByRole('button')).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('2240 × 2800')).toBeVisible();
  expect((await library(own.url)).items[0]).toMatchObject({ width: 2240, height: 2800, picture: `${file!.id}.0` });
});

test('What the room shows while a scale is moved is what is made of it', async ({ page, own }) => {
  const [file] = await takeIn(own.url, ['delta-close-up.jpg']);
  await page.goto(`${own.url}/library/room/${file!.id}`);
  for (const [name, value] of [
    ['Light', '40'],
    ['Contrast', '35'],
    ['Shadows', '-30'],
    ['Colour', '45'],
    ['Warmth', '-40'],
    ['Straighten', '6.4'],
  ] as const) {
    await page.getByRole('slider', { name }).fill(value);
  }
  await page.getByRole('button', { name: 'Mirror' }).click();
  await expect(page.getByText(', saved ')).toBeVisible();
  const versions = page.getByRole('region', { name: 'Versions' }).getByRole('listitem');
  await expect(versions.nth(1)).toContainText('irrored');
  const picture = (await library(own.url)).items[0]!.picture;
  expect(picture).not.toBe(`${file!.id}.0`);
  const window = page.locator('[style*="room-light"]').first();
  const box = (await window.boundingBox())!;
  // The box of the keep area is not part of the picture.
  await page.addStyleTag({
    content:
      '[role=slider][aria-label^="Keep area"], .dk-grip, [role=slider] ~ button { visibility: hidden !important }',
  });
  const seen = (await page.screenshot({ clip: box })).toString('base64');
  const apart = await page.evaluate(
    async ({ seen, made, width, height }) => {
      const pixels = async (src: string) => {
        const image = new Image();
        image.src = src;
        await image.decode();
        const canvas = new OffscreenCanvas(width, height);
        const context = canvas.getContext('2d')!;
        context.drawImage(image, 0, 0, width, height);
        return context.getImageData(0, 0, width, height).data;
      };
      const [a, b] = [await pixels(`data:image/png;base64,${seen}`), await pixels(made)];
      const by = [0, 0, 0];
      for (let i = 0; i < a.length; i++) if (i % 4 < 3) by[i % 4]! += Math.abs(a[i]! - b[i]!);
      return by.map((sum) => sum / (a.length / 4));
    },
    { seen, made: `/media/proof/${picture}/whole/640`, width: Math.round(box.width), height: Math.round(box.height) },
  );
  console.log(
    `Room against file: channels apart by ${apart.map((value) => value.toFixed(2)).join(', ')} of 255 on the mean`,
  );
  for (const channel of apart) expect(channel).toBeLessThan(6);
});

test('The room is worked by keys alone, and the keep area steers every cut while it moves', async ({ page, own }) => {
  const [file] = await takeIn(own.url, ['windle-sands-june-morning.jpg']);
  await makePage(own.url, 'Front', [{ type: 'figure', attrs: { asset: file!.id, size: 'column', shape: '1:1' } }]);
  await page.goto(`${own.url}/library`);
  await page.getByRole('button', { name: /^Windle sands/i }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('f');
  await expect(page.getByRole('heading', { name: /^Windle sands/i })).toBeVisible();
  const cut = page.getByRole('complementary', { name: 'Every cut it is used in' }).locator('figure img').first();
  const before = await cut.getAttribute('style');
  await page.getByRole('slider', { name: /^Keep area:/ }).focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText('set by hand')).toBeVisible();
  await expect(cut).not.toHaveAttribute('style', before!);
  const kept = (await library(own.url)).items[0]!.keep;
  expect(kept.byHand).toBe(true);
  // As far to the right as it goes, however wide it was suggested.
  expect(kept.x + kept.width).toBeCloseTo(1, 3);
  await page.getByRole('slider', { name: 'Contrast' }).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Versions' }).getByRole('listitem')).toHaveCount(2);
  await expect(page.getByRole('status').getByText(/saved/)).toBeVisible();
  // Held down, the original is shown.
  const light = page.locator('[style*="room-light"]');
  expect(await light.count()).toBeGreaterThan(0);
  await page.keyboard.down('o');
  await expect(light).toHaveCount(0);
  await page.keyboard.up('o');
  await expect(light.first()).toBeVisible();
  await page.getByRole('button', { name: 'Download' }).click();
  await page.getByLabel('Width, px').fill('640');
  const downloading = page.waitForEvent('download');
  await page.getByRole('dialog').getByRole('button', { name: 'Download' }).click();
  expect((await downloading).suggestedFilename()).toBe('windle-sands-june-morning-640.jpg');
});

test('The room passes axe, and says what it cannot edit', async ({ page, own }) => {
  const [photo, drawing] = await takeIn(own.url, ['box-kite.jpg', 'bunting.svg']);
  await page.goto(`${own.url}/library/room/${photo!.id}`);
  await expect(page.getByRole('slider', { name: 'Light' })).toBeVisible();
  await passesAxe(page, 'room');
  await page.getByRole('button', { name: 'Cut free' }).click();
  await passesAxe(page, 'room, cutting');
  await page.goto(`${own.url}/library/room/${drawing!.id}`);
  await expect(page.getByText('it is kept as it is')).toBeVisible();
  await expect(page.getByRole('slider', { name: 'Light' })).toHaveCount(0);
});

test('Evening out moves the scales and can be taken back, a guess of the keep area too, and a download can be stretched', async ({
  page,
  own,
}) => {
  const [file] = await takeIn(own.url, ['wave-rokkaku-grey-day.jpg']);
  await page.goto(`${own.url}/library/room/${file!.id}`);
  const scales = page.getByRole('slider').and(page.locator('input[type=range]'));
  const values = () => scales.evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value));
  await expect(page.getByRole('slider', { name: 'Light' })).toBeVisible();
  const before = await values();
  await page.getByRole('button', { name: 'Even out' }).click();
  await expect.poll(values).not.toEqual(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(values).toEqual(before);

  const keep = async () => (await library(own.url)).items[0]!.keep;
  const guessed = await keep();
  await page.getByRole('slider', { name: /^Keep area:/ }).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowDown');
  await expect.poll(async () => (await keep()).y).toBeGreaterThan(guessed.y + 0.05);
  await page.getByRole('button', { name: 'guess again' }).click();
  await expect.poll(async () => Math.abs((await keep()).y - guessed.y)).toBeLessThan(0.02);

  // A number is typed where the scale is too small for the hand.
  const warmth = page.getByLabel('Warmth as a number');
  await warmth.fill('-37');
  await warmth.press('Enter');
  await expect(page.getByRole('slider', { name: 'Warmth' })).toHaveValue('-37');
  await warmth.fill('much');
  await warmth.press('Tab');
  await expect(warmth).toHaveValue('−37');

  await page.getByRole('button', { name: 'Download' }).click();
  await page.getByLabel('proportions kept').uncheck();
  await page.getByLabel('Width, px').fill('400');
  await page.getByLabel('Height, px').fill('100');
  await page.getByRole('button', { name: 'stretch', exact: true }).click();
  await page.getByRole('button', { name: 'PNG', exact: true }).click();
  const downloading = page.waitForEvent('download');
  await page.getByRole('dialog').getByRole('button', { name: 'Download' }).click();
  const png = readFileSync(await (await downloading).path());
  // PNG, third edition: width and height stand after the first chunk's name.
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([400, 100]);
  // More px than there are would only be blown up: it says so, and gives nothing out.
  await page.getByLabel('Width, px').fill('5000');
  await expect(page.getByText(/There are \d+ px: a larger file would only be blown up\./)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Download' }).last()).toBeDisabled();
});
