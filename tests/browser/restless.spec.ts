import type { Browser } from '@playwright/test';
import { expect, test } from './dekoro';
import { Restless, actsFrom, scene, type Act } from './restless';
import { serve, type Server } from './server';

const all = Boolean(process.env.DEKORO_ALL);
/** How many users, and how many acts of each in every place: an afternoon's worth only where there is the time. */
const [seeds, inEach] = all ? [50, 300] : [5, 10];
const first = Number(process.env.DEKORO_SEED || 20261129);

/** @returns what was lost by these acts, of a user at an installation of its own. */
async function lostBy(acts: Act[], browser: Browser, server: Server): Promise<string[]> {
  const stage = await scene(server);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  page.setDefaultTimeout(8_000);
  const user = new Restless(page, server.url, stage);
  for (const [i, act] of acts.entries())
    await user.act(act).catch((error: unknown) => {
      throw new Error(`Act ${i}, ${JSON.stringify(act)}: ${String(error)}`);
    });
  // Whoever stops typing waits a little; longer than any field waits to be kept.
  let lost: string[] = [];
  for (let i = 0; i < 10; i++) {
    await page.waitForTimeout(500);
    lost = await user.lost();
    if (lost.length === 0) break;
  }
  await context.close();
  return lost;
}

/** The shortest part of the acts that still loses something, found by leaving out halves, quarters and so on. */
async function shrunk(acts: Act[], fails: (acts: Act[]) => Promise<boolean>, tries: number): Promise<Act[]> {
  for (let size = Math.ceil(acts.length / 2); size >= 1 && tries > 0; size = Math.floor(size / 2))
    for (let from = 0; from < acts.length && tries > 0; tries--) {
      const fewer = [...acts.slice(0, from), ...acts.slice(from + size)];
      if (fewer.length > 0 && (await fails(fewer))) acts = fewer;
      else from += size;
    }
  return acts;
}

for (let seed = first; seed < first + seeds; seed++)
  test(`A restless user, number ${seed}, loses nothing that was typed`, async ({ browser, own }) => {
    test.setTimeout(all ? 1_800_000 : 300_000);
    const acts = actsFrom(seed, inEach);
    const lost = await lostBy(acts, browser, own);
    if (lost.length === 0) return;
    const fails = async (fewer: Act[]) => {
      const server = await serve();
      const lostNow = await lostBy(fewer, browser, server).catch(() => []);
      await server.stop();
      return lostNow.length > 0;
    };
    const shortest = process.env.DEKORO_SHRINK === '0' ? acts : await shrunk(acts, fails, all ? 60 : 12);
    expect(lost, `Lost by these ${shortest.length} acts: ${JSON.stringify(shortest)}`).toEqual([]);
  });
