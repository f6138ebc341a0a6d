// What every benchmark of the tool in a browser begins with.
import '../../tests/browser/origin.mjs';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { deflateSync } from 'node:zlib';

export const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
export const { chromium } = createRequire(join(root, 'tests/browser/package.json'))('@playwright/test');
export const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
export const part = (list, share) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))];
/** A line of /proc/PID/status in MB. */
export const memoryMb = (pid, line) =>
  Number(new RegExp(`${line}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

/** Waits until a process has done what it does while nobody waits: files made ahead are not what is measured. */
export async function atRest(pid) {
  const ticks = () =>
    readFileSync(`/proc/${pid}/stat`, 'utf8')
      .split(') ')[1]
      .split(' ')
      .slice(11, 13)
      .reduce((sum, part) => sum + Number(part), 0);
  for (let [quiet, before] = [0, ticks()]; quiet < 4;) {
    await new Promise((done) => setTimeout(done, 1000));
    const now = ticks();
    quiet = now - before < 5 ? quiet + 1 : 0;
    before = now;
  }
}

export async function serve(port, data = mkdtempSync(join(tmpdir(), 'dekoro-bench-'))) {
  const child = spawn(
    'dotnet',
    [join(root, 'build/server/Dekoro.Server.dll'), 'serve', '--empty', '--port', port, '--data', data],
    {
      env: { ...process.env, DEKORO_CLIENT: join(root, 'client/build') },
    },
  );
  await new Promise((resolve) => child.stdout.on('data', (said) => String(said).includes('ready') && resolve()));
  return {
    url: `http://127.0.0.1:${port}`,
    pid: child.pid,
    stop: () => (child.kill(), rmSync(data, { recursive: true, force: true })),
  };
}

/** A picture of its own colours and shape, small enough that five thousand come in within minutes. */
function picture(i) {
  const [width, height] = [120 + (i % 7) * 24, 120 + (i % 5) * 18];
  const rows = Buffer.alloc((width * 3 + 1) * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      rows.set([(i * 37 + x) & 255, (i * 91 + y) & 255, (i >> 4) & 255], y * (width * 3 + 1) + 1 + x * 3);
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2], 8);
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows, { level: 1 })),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
function chunk(type, data) {
  const body = Buffer.concat([Buffer.from(type), data]);
  let sum = ~0;
  for (const byte of body) {
    sum ^= byte;
    for (let k = 0; k < 8; k++) sum = (sum >>> 1) ^ (0xedb88320 & -(sum & 1));
  }
  const out = Buffer.alloc(body.length + 8);
  out.writeUInt32BE(data.length);
  body.copy(out, 4);
  out.writeUInt32BE(~sum >>> 0, out.length - 4);
  return out;
}

export async function fill(url, from, to) {
  const ids = [];
  for (let i = from; i < to; i += 100) {
    const form = new FormData();
    for (let k = i; k < Math.min(to, i + 100); k++)
      form.append('file', new Blob([picture(k)]), `bench picture ${k}.png`);
    const answer = await (await fetch(`${url}/api/files`, { method: 'POST', body: form })).json();
    ids.push(...answer.files.map((file) => file.id));
  }
  return ids;
}
