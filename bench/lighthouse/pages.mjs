// Lighthouse, as a phone on a slow line, over every page of the published demo site.
//   npm ci && node pages.mjs
import '../../tests/browser/origin.mjs';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import lighthouse from 'lighthouse';
import { chromiumHere } from '../../tests/browser/browser.mjs';
import { root } from '../browser/tools.mjs';

const data = mkdtempSync(join(tmpdir(), 'dekoro-lighthouse-'));
const server = spawn(
  'dotnet',
  [join(root, 'build/server/Dekoro.Server.dll'), 'serve', '--port', '5379', '--data', data],
  {
    env: { ...process.env, DEKORO_CLIENT: join(root, 'client/build'), DEKORO_DEMO: join(root, 'demo') },
  },
);
const url = 'http://127.0.0.1:5379';
await new Promise((resolve) => server.stdout.on('data', (said) => String(said).includes('ready') && resolve()));
// Beside the demo's own pages one with all that moves: a slider, a carousel, three galleries and a video;
// and one with a banner with a film.
const drafts = await Promise.all(
  (await (await fetch(`${url}/api/pages`)).json()).map(async (page) =>
    (await fetch(`${url}/api/pages/${page.id}/draft`)).json(),
  ),
);
const find = (piece) => (piece?.attrs?.video?.file ? piece : (piece?.content ?? []).map(find).find(Boolean));
const video = drafts.map((draft) => find(draft.document)).find(Boolean);
const json = { 'Content-Type': 'application/json' };
const add = async (title) => {
  const body = JSON.stringify({ title, kind: 'page' });
  return (await fetch(`${url}/api/pages`, { method: 'POST', headers: json, body })).json();
};
const [made, filmed] = [await add('All that moves'), await add('A film at the top')];
const draft = await (await fetch(`${url}/api/pages/${made.id}/draft`)).json();
const content = [
  ...['this-season', 'at-work', 'at-the-bench', 'kites-of-the-hall', 'round-the-year'].map((arrangement, i) => ({
    type: 'arrangement',
    attrs: { id: `set${i}`, arrangement, reach: 'wide' },
  })),
  { ...video, attrs: { ...video.attrs, id: 'film' } },
];
const kept = await fetch(`${url}/api/pages/${made.id}/draft`, {
  method: 'PUT',
  headers: { ...json, 'If-Match': `"${draft.version}"` },
  body: JSON.stringify({
    title: 'All that moves',
    path: 'all-that-moves',
    summary: 'Everything at once.',
    document: { type: 'doc', content },
  }),
});
if (!kept.ok) throw new Error(await kept.text());
const banners = (await (await fetch(`${url}/api/banners`)).json()).items.map((one) => one.values);
const moving = banners.find((one) => one.band.attrs.video);
const banner = await fetch(`${url}/api/banners`, {
  method: 'POST',
  headers: json,
  body: JSON.stringify({
    ...moving,
    name: 'With a film',
    targets: [{ kind: 'page', name: filmed.id }],
    ...{ isOn: true, isStanding: false, from: '', until: '', yearly: false },
  }),
});
if (!banner.ok) throw new Error(await banner.text());
const published = await fetch(`${url}/api/publish`, { method: 'POST' });
await published.text();
const chrome = spawn(chromiumHere.executablePath, [
  ...(chromiumHere.args ?? []),
  '--headless',
  '--no-sandbox',
  '--remote-debugging-port=9333',
  `--user-data-dir=${join(data, 'chrome')}`,
  'about:blank',
]);
for (let i = 0; i < 100; i++) {
  const there = await fetch('http://127.0.0.1:9333/json/version').catch(() => null);
  if (there?.ok) break;
  await new Promise((done) => setTimeout(done, 100));
}
// Named on the command line, or all.
const pages = (await (await fetch(`${url}/api/pages`)).json()).filter(
  (page) => process.argv.length < 3 || process.argv.includes(`/${page.path}`),
);
let [least, access] = [100, 100];
for (const page of pages) {
  const { lhr } = await lighthouse(`${url}/live/${page.path}${page.path ? '/' : ''}`, {
    port: 9333,
    onlyCategories: ['performance', 'accessibility', 'best-practices'],
    logLevel: 'error',
  });
  const score = (name) => Math.round(100 * (lhr.categories[name]?.score ?? 0));
  const [fast, open] = [score('performance'), score('accessibility')];
  [least, access] = [Math.min(least, fast), Math.min(access, open)];
  const failed = Object.values(lhr.audits)
    .filter((audit) => audit.score !== null && audit.score < 0.9 && audit.scoreDisplayMode !== 'informative')
    .map((audit) => audit.id);
  const paint = Object.values(lhr.audits).find((audit) => /^largest-.*paint$/.test(audit.id));
  console.log(
    `${String(fast).padStart(4)} ${String(open).padStart(4)} ${String(score('best-practices')).padStart(4)}  ` +
      `shift ${lhr.audits['cumulative-layout-shift'].numericValue.toFixed(3)}  largest ` +
      `${(paint.numericValue / 1000).toFixed(1)} s  /${page.path}  ${failed.join(' ')}`,
  );
}
console.log(
  `Lighthouse mobile, ${pages.length} pages: performance at least ${least} (wanted: 95), accessibility at least ${access} (wanted: 100)`,
);
chrome.kill();
server.kill();
rmSync(data, { recursive: true, force: true });
