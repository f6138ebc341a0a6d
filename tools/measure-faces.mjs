// Measures the faces that sites ship, in the browser that draws them: advance widths, kerning of pairs and line
// metrics,
// in thousandths of an em. Run it when a face is added or renewed:  node tools/measure-faces.mjs
import { createRequire } from 'node:module';
import { chromiumHere } from '../tests/browser/browser.mjs';
import { readFileSync, writeFileSync } from 'node:fs';

const { chromium } = createRequire(new URL('../tests/browser/package.json', import.meta.url))('@playwright/test');
const folder = new URL('../src/Dekoro.Publishing/Assets/', import.meta.url);
const slopes = { upright: 'normal', italic: 'italic' };
const faces = ['newsreader', 'source-sans-3', 'figtree'];
const weights = [400, 500, 700];
const pairing = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789 .,;:-!?()’‘“”';

const browser = await chromium.launch(chromiumHere);
const page = await browser.newPage();
for (const face of faces) {
  const measured = {};
  for (const [style, slope] of Object.entries(slopes)) {
    const data = readFileSync(new URL(`${face}-latin-wght-${slope}.woff2`, folder)).toString('base64');
    measured[style] = await page.evaluate(
      async ({ data, weights, pairing }) => {
        const face = new FontFace('Measured', `url(data:font/woff2;base64,${data})`, { weight: '200 900' });
        document.fonts.add(await face.load());
        const context = document.createElement('canvas').getContext('2d');
        // In the document and not on a canvas: only there do spaces kern with their neighbours.
        const widthsOf = (texts, weight) => {
          const holder = document.createElement('div');
          holder.style.cssText = `font: ${weight} 1000px Measured; white-space: pre; position: absolute`;
          const spans = texts.map((text) =>
            holder.appendChild(
              Object.assign(document.createElement('span'), { textContent: text, style: 'display: inline-block' }),
            ),
          );
          document.body.append(holder);
          const widths = new Map(spans.map((span, i) => [texts[i], span.getBoundingClientRect().width]));
          holder.remove();
          return widths;
        };
        const result = {};
        for (const weight of weights) {
          context.font = `${weight} 1000px Measured`;
          const { fontBoundingBoxAscent: ascent, fontBoundingBoxDescent: descent } = context.measureText('x');
          const letters = [...Array(0x17f).keys()]
            .slice(0x20)
            .filter((c) => c < 0x7f || c >= 0xa0)
            .map((c) => String.fromCharCode(c));
          letters.push(...'–—‘’‚“”„†•…‰‹›€™−');
          const pairs = {};
          const couples = [...pairing].flatMap((a) => [...pairing].map((b) => a + b));
          const widths = widthsOf([...letters, ...couples], weight);
          const advances = Object.fromEntries(letters.map((letter) => [letter, Math.round(widths.get(letter))]));
          for (const couple of couples) {
            const kern = Math.round(widths.get(couple) - widths.get(couple[0]) - widths.get(couple[1]));
            if (Math.abs(kern) >= 2) pairs[couple] = kern;
          }
          result[weight] = { ascent: Math.round(ascent), descent: Math.round(descent), advances, pairs };
        }
        return result;
      },
      { data, weights, pairing },
    );
  }
  writeFileSync(new URL(`${face}-metrics.json`, folder), JSON.stringify(measured));
}
await browser.close();
