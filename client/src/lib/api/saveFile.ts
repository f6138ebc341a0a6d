import { busy } from './busy.svelte';
import { Problem } from './client';

/** Long enough for the browser to have taken the file over. */
const takenOverMs = 60_000;

/** Asks the server for a file that takes its time, and hands it to the browser to be kept, under the name it came with. */
export async function saveFile(address: string, usualName = '') {
  busy.begin();
  try {
    const came = await fetch(address);
    if (!came.ok) throw new Problem(came.status, ((await came.json()) as { detail: string }).detail);
    const [, name = usualName] = /filename="?([^";]+)/.exec(came.headers.get('Content-Disposition') ?? '') ?? [];
    const href = URL.createObjectURL(await came.blob());
    Object.assign(document.createElement('a'), { href, download: name }).click();
    setTimeout(() => URL.revokeObjectURL(href), takenOverMs);
  } finally {
    busy.end();
  }
}
