import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Page } from '@playwright/test';
import { join } from 'node:path';
import { root, serve, type Server } from './server';

export { expect };
export const demoFile = (name: string) => join(root, 'demo/files', name);

type Fixtures = { demoUrl: string; own: Server };

export const test = base.extend<Fixtures, { spare: { take: () => Promise<Server> } }>({
  demoUrl: async ({}, use) => use(process.env.DEMO_URL!),
  /** A server without the demo, for one test alone. */
  own: async ({ spare }, use) => {
    const server = await spare.take();
    await use(server);
    await server.stop();
  },
  /** The next one starts while a test runs, so that none waits for it. */
  spare: [
    async ({}, use) => {
      let next: Promise<Server> | null = null;
      const start = async () => {
        const server = await serve();
        // What a program does once at its first request is done too.
        await fetch(`${server.url}/health`);
        return server;
      };
      await use({
        take: () => {
          const now = next ?? start();
          next = start();
          return now;
        },
      });
      await (await (next as Promise<Server> | null))?.stop();
    },
    { scope: 'worker' },
  ],
});

export type Chosen = Parameters<import('@playwright/test').FileChooser['setFiles']>[0];

/**
 * Files of the computer, as a person gives them: the control that is seen is pressed, and a while later some are
 * chosen.
 */
export async function choose(page: Page, control: import('@playwright/test').Locator, files: Chosen) {
  const asked = page.waitForEvent('filechooser');
  await control.click();
  const chooser = await asked;
  // Longer than any list takes to close, and no longer than anybody takes to find a file.
  await page.waitForTimeout(1000);
  await chooser.setFiles(files);
}

/** What was copied elsewhere lies on the clipboard, and is pasted by the keys. */
export async function pasteCopied(page: Page, copied: { html?: string; plain?: string }) {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.evaluate(async ({ html, plain }) => {
    const parts: Record<string, Blob> = {};
    if (html !== undefined) parts['text/html'] = new Blob([html], { type: 'text/html' });
    if (plain !== undefined) parts['text/plain'] = new Blob([plain], { type: 'text/plain' });
    await navigator.clipboard.write([new ClipboardItem(parts)]);
  }, copied);
  await page.keyboard.press('Control+V');
}

/** This window hears of nothing that others do. */
export async function deafen(page: Page) {
  await page.addInitScript(() => Reflect.deleteProperty(globalThis, 'SharedWorker'));
  await page.route('**/api/events', (route) => route.abort());
}

/** Takes files in by the same call a script would use. */
export async function takeIn(url: string, names: string[]) {
  const form = new FormData();
  const { readFile } = await import('node:fs/promises');
  for (const name of names) form.append('file', new Blob([await readFile(demoFile(name))]), name);
  const answer = (await (await fetch(`${url}/api/files`, { method: 'POST', body: form })).json()) as {
    files: { name: string; id: string | null; error?: string }[];
  };
  return answer.files;
}

export type SlidesLook = {
  id: string;
  version: number;
  values: {
    items: ({ id: string; asset: string } & Record<string, unknown>)[];
    kind: string;
    slider: Record<string, unknown>;
  };
};

/** A slider or carousel of pictures, with some of its settings. */
export async function makeSlides(
  url: string,
  pictures: string[],
  kind: string,
  slider: Record<string, unknown>,
  more: Record<string, unknown> = {},
) {
  const json = { 'Content-Type': 'application/json' };
  const made = (await (
    await fetch(`${url}/api/arrangements`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ name: 'Kites of the week', pictures }),
    })
  ).json()) as SlidesLook;
  const put = await fetch(`${url}/api/arrangements/${made.id}`, {
    method: 'PUT',
    headers: { ...json, 'If-Match': `"${made.version}"` },
    body: JSON.stringify({ ...made.values, ...more, kind, slider: { ...made.values.slider, ...slider } }),
  });
  expect(put.ok, await put.clone().text()).toBe(true);
  return (await put.json()) as SlidesLook;
}

export async function makePage(url: string, title: string, content: unknown[] = [], kind = 'page') {
  const post = { method: 'POST', headers: { 'Content-Type': 'application/json' } };
  const draft = (await (
    await fetch(`${url}/api/pages`, { ...post, body: JSON.stringify({ kind, title }) })
  ).json()) as { id: string; version: number };
  if (content.length > 0) {
    const put = await fetch(`${url}/api/pages/${draft.id}/draft`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${draft.version}"` },
      body: JSON.stringify({ title, path: null, summary: null, document: { type: 'doc', content } }),
    });
    if (!put.ok) throw new Error(await put.text());
  }
  return draft.id;
}

/** How wide each picture is drawn, and which file a device takes, as Core says. */
export const forecast = async (url: string, id: string, viewport: number, ratio: number) =>
  (await (await fetch(`${url}/api/pages/${id}/forecast?viewportPx=${viewport}&pixelRatio=${ratio}`)).json()) as {
    blockId: string;
    slotCssPx: number;
    widthPx: number;
  }[];

export async function publish(url: string) {
  const answer = await fetch(`${url}/api/publish`, { method: 'POST' });
  if (!answer.ok) throw new Error(await answer.text());
}

export const text = (words: string) => ({ type: 'paragraph', content: [{ type: 'text', text: words }] });

/** The page on the desk, ready to be worked on. */
export async function openDesk(page: Page, url: string, id: string) {
  await page.goto(`${url}/pages/${id}`);
  const frame = page.frameLocator('iframe[title^="The page at"]');
  await expect(frame.locator('.ProseMirror')).toBeVisible();
  return frame;
}

/** What a person would do with a file manager: files dropped onto an element, which may stand in a frame. */
export async function dropFiles(
  page: Page,
  target: import('@playwright/test').Locator,
  names: string[],
  at?: { x: number; y: number },
) {
  const { readFile } = await import('node:fs/promises');
  const files = await Promise.all(
    names.map(async (name) => ({ name, base64: (await readFile(demoFile(name))).toString('base64') })),
  );
  await target.evaluate(
    (element, { files, at }) => {
      const data = new DataTransfer();
      for (const file of files)
        data.items.add(new File([Uint8Array.from(atob(file.base64), (c) => c.charCodeAt(0))], file.name));
      const box = element.getBoundingClientRect();
      const place = {
        clientX: box.x + (at?.x ?? box.width / 2),
        clientY: box.y + (at?.y ?? box.height / 2),
        bubbles: true,
        cancelable: true,
        dataTransfer: data,
      };
      for (const kind of ['dragenter', 'dragover', 'drop']) element.dispatchEvent(new DragEvent(kind, place));
    },
    { files, at },
  );
}

/** A finger drawn sideways over a point of the page, as the screen reports it to the browser. */
export async function swipe(page: Page, at: { x: number; y: number }, byPx: number) {
  const screen = await page.context().newCDPSession(page);
  const point = (x: number) => [{ x, y: at.y, id: 1 }];
  await screen.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: point(at.x) });
  for (let step = 1; step <= 10; step++)
    await screen.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: point(at.x + (byPx * step) / 10) });
  // The finger rests before it is lifted: one that is not would throw what it holds, as far as the machine is slow.
  await page.waitForTimeout(150);
  await screen.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await screen.detach();
}

/** The tool's own part of a screen; framed pages are checked by themselves. */
export async function passesAxe(page: Page, where: string) {
  const { violations } = await new AxeBuilder({ page })
    .options({ resultTypes: ['violations'], preload: false })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .exclude('iframe')
    .analyze();
  expect(violations.map((v) => `${where}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
}

/** Of the demo's pages those that together hold every structure; all of them in ./test --all, and of other sites. */
export function telling<T extends { id: string }>(pages: T[]): T[] {
  const some = pages.filter(({ id }) => ['home', 'workshop', 'flying-days', 'schools', 'lantern-film'].includes(id));
  return process.env.DEKORO_ALL || some.length === 0 ? pages : some;
}

/** Changes the site's own style, whose values are told as they are. */
export async function setStyle(url: string, change: (now: Record<string, object>) => object) {
  const style = (await (await fetch(`${url}/api/site/style`)).json()) as {
    seen: string;
    values: Record<string, object>;
  };
  const put = await fetch(`${url}/api/site/style`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${style.seen}"` },
    body: JSON.stringify({ values: { ...style.values, ...change(style.values) } }),
  });
  if (!put.ok) throw new Error(await put.text());
}
