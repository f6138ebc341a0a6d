#!/usr/bin/env node
// Draws the demo's film in a browser: three kites over the dunes, four seconds, WebM.
//   node demo/film.mjs   (writes demo/files/kites-in-the-wind.webm)
import { writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromiumHere } from '../tests/browser/browser.mjs';

const here = dirname(fileURLToPath(import.meta.url));
const { chromium } = createRequire(join(here, '../tests/browser/package.json'))('@playwright/test');
const browser = await chromium.launch(chromiumHere);
const page = await browser.newPage();
const bytes = await page.evaluate(async () => {
  const [w, h] = [960, 540];
  const canvas = Object.assign(document.createElement('canvas'), { width: w, height: h });
  document.body.append(canvas);
  const g = canvas.getContext('2d');
  const begun = performance.now();
  const hill = (colour, left, first, second, right) => {
    g.fillStyle = colour;
    g.beginPath();
    g.moveTo(0, h * left);
    g.bezierCurveTo(w * 0.35, h * first, w * 0.58, h * second, w, h * right);
    g.lineTo(w, h);
    g.lineTo(0, h);
    g.fill();
  };
  const kite = (x, y, size, turn, colour, hand) => {
    g.strokeStyle = '#4d4438';
    g.lineWidth = 1.5;
    g.beginPath();
    g.moveTo(x, y + size);
    g.quadraticCurveTo(x - 40, h * 0.7, hand, h * 0.93);
    g.stroke();
    g.save();
    g.translate(x, y);
    g.rotate(turn);
    g.fillStyle = colour;
    g.beginPath();
    g.moveTo(0, -size * 1.3);
    g.lineTo(size, 0);
    g.lineTo(0, size * 1.4);
    g.lineTo(-size, 0);
    g.closePath();
    g.fill();
    g.stroke();
    g.restore();
  };
  const draw = () => {
    // One turn in four seconds, so that the end meets the beginning.
    const t = ((performance.now() - begun) / 4000) * 2 * Math.PI;
    const sky = g.createLinearGradient(0, 0, 0, h);
    sky.addColorStop(0, '#7fb4d6');
    sky.addColorStop(1, '#dfeaf0');
    g.fillStyle = sky;
    g.fillRect(0, 0, w, h);
    hill('#7c9a6d', 0.8, 0.68, 0.86, 0.74);
    hill('#dcc48e', 0.9, 0.8, 0.97, 0.86);
    ['#b5392f', '#2c5f8a', '#e0a92e'].forEach((colour, i) =>
      kite(
        w * (0.25 + 0.25 * i) + 60 * Math.sin(t + i),
        h * (0.34 + 0.1 * (i % 2)) + 26 * Math.cos(t + 2 * i),
        34 + 8 * i,
        0.25 * Math.sin(t + i),
        colour,
        w * (0.2 + 0.25 * i),
      ),
    );
  };
  const recorder = new MediaRecorder(canvas.captureStream(25), {
    mimeType: 'video/webm;codecs=vp8',
    videoBitsPerSecond: 500_000,
  });
  const parts = [];
  recorder.ondataavailable = (event) => parts.push(event.data);
  const stopped = new Promise((resolve) => (recorder.onstop = resolve));
  draw();
  recorder.start();
  const timer = setInterval(draw, 40);
  await new Promise((resolve) => setTimeout(resolve, 4000));
  clearInterval(timer);
  recorder.stop();
  await stopped;
  return [...new Uint8Array(await new Blob(parts).arrayBuffer())];
});
writeFileSync(join(here, 'files/kites-in-the-wind.webm'), Buffer.from(bytes));
await browser.close();
