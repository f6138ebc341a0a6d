// Memory of the server over a day's work: idle with the demo, after 500 and 5,000 looks of its home page, and after
// photographs of 12 megapixels.
// node bench/browser/memory.mjs [SERVER.dll]   the rival is another build, such as the one of before:
// DEKORO_RIVAL=/path/to/Dekoro.Server.dll
import './../../tests/browser/origin.mjs';
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, openAsBlob, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { memoryMb, root } from './tools.mjs';

const [looks, photographs] = [Number(process.env.LOOKS ?? 5000), Number(process.env.PHOTOGRAPHS ?? 200)];
const folder = mkdtempSync(join(tmpdir(), 'dekoro-photographs-'));
execFileSync(join(root, 'bench/Library/bin/Release/net10.0/Library'), ['photos', folder, String(photographs)]);
const json = { 'Content-Type': 'application/json' };
const rest = (ms) => new Promise((done) => setTimeout(done, ms));

async function over(dll, port) {
  const data = mkdtempSync(join(tmpdir(), 'dekoro-memory-'));
  const child = spawn('dotnet', [dll, 'serve', '--port', port, '--data', data], {
    env: { ...process.env, DEKORO_DEMO: join(root, 'demo'), DEKORO_EFFORT: 'least' },
  });
  await new Promise((done) => child.stdout.on('data', (said) => String(said).includes('ready') && done()));
  const url = `http://127.0.0.1:${port}`;
  const rss = () => memoryMb(child.pid, 'VmRSS');
  await rest(20_000);
  const idle = rss();
  const draft = await (await fetch(`${url}/api/pages/home/draft`)).json();
  const body = JSON.stringify({
    title: draft.title,
    path: draft.path,
    summary: draft.summary,
    document: draft.document,
  });
  const at = {};
  for (let i = 1; i <= looks; i++) {
    const answer = await fetch(`${url}/api/pages/home/look`, { method: 'POST', headers: json, body });
    if (!answer.ok) throw new Error(await answer.text());
    await answer.arrayBuffer();
    if (i === looks / 10 || i === looks) at[i] = rss();
  }
  const began = performance.now();
  const names = readdirSync(folder);
  await Promise.all(
    [0, 1, 2].map(async (lane) => {
      for (let i = lane; i < names.length; i += 3) {
        const form = new FormData();
        form.append('file', await openAsBlob(join(folder, names[i])), names[i]);
        const answer = await fetch(`${url}/api/files`, { method: 'POST', body: form });
        if (!answer.ok) throw new Error(await answer.text());
      }
    }),
  );
  const seconds = (performance.now() - began) / 1000;
  const after = rss();
  const most = memoryMb(child.pid, 'VmHWM');
  child.kill();
  await new Promise((done) => child.once('exit', done));
  rmSync(data, { recursive: true });
  return { idle, few: at[looks / 10], many: at[looks], after, most, seconds };
}

const mb = (n) => `${Math.round(n)} MB`;
const ours = await over(process.argv[2] ?? join(root, 'build/server/Dekoro.Server.dll'), '5391');
const say = (name, m) =>
  console.log(
    `${name}: idle with the demo ${mb(m.idle)}; after ${looks / 10} looks ${mb(m.few)}, after ${looks} ` +
      `${mb(m.many)} (${(m.many / m.few).toFixed(2)} times); ` +
      `${photographs} photographs of 12 megapixels in ${m.seconds.toFixed(1)} s, then ${mb(m.after)}; at its worst ${mb(m.most)}`,
  );
say('This build', ours);
if (process.env.DEKORO_RIVAL) {
  const rival = await over(process.env.DEKORO_RIVAL, '5392');
  say('The rival', rival);
  console.log(
    `Ratios, this to the rival: photographs ${(ours.seconds / rival.seconds).toFixed(2)}, looks' growth ` +
      `${((ours.many - ours.few) / (rival.many - rival.few)).toFixed(2)}, worst ` +
      `${(ours.most / rival.most).toFixed(2)}`,
  );
}
rmSync(folder, { recursive: true });
