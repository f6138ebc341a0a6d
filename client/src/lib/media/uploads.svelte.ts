import { queryClient, sitePlan } from '$lib/api/queries';
import type { Schemas } from '$lib/api/client';

type Upload = {
  key: number;
  file: File;
  state: 'waiting' | 'sending' | 'done' | 'refused';
  /** Share that has been sent, 0 to 1. */
  sent: number;
  id: string | null;
  /** The id of a file that is no picture. */
  otherId: string | null;
  /** What the person should know: that it was there already, what was taken out, or why it was refused. */
  sentence: string;
  /** The file on the computer is another than the one that was chosen: it has to be chosen again. */
  isChanged: boolean;
};

const atOnce = 3;
const changed = 'This file was changed or moved on the computer after it was chosen: choose it again.';
const stopped = 'Stopped before it was through.';
const broken = 'The line broke off while this file was on its way: try it again.';

/** The queue of files on their way in. Each has its own outcome; one that fails holds up no other. */
class Uploads {
  list = $state<Upload[]>([]);
  /** Told the id of each picture that is in. */
  onpicture: ((id: string) => void) | null = null;
  private next = 1;
  private running = 0;
  private late = new Map<number, (id: string) => void>();
  private requests = new Set<XMLHttpRequest>();
  private ended = new Map<number, (id: string | null) => void>();
  readonly going = $derived(this.list.filter((u) => u.state === 'waiting' || u.state === 'sending').length);

  /**
   * Resolves, for each file in the order given, to the picture's id or null.
   * @param onlate Told of one that gets through when it is tried again.
   */
  add(files: Iterable<File>, onlate?: (id: string) => void): Promise<(string | null)[]> {
    const all = [...files].map((file) => {
      const key = this.next++;
      this.list.push({ key, file, state: 'waiting', sent: 0, id: null, otherId: null, sentence: '', isChanged: false });
      if (onlate) this.late.set(key, onlate);
      return new Promise<string | null>((resolve) => this.ended.set(key, resolve));
    });
    this.pump();
    return Promise.all(all);
  }

  /** The same for files that are no pictures: their ids, and why one was refused. */
  async addOthers(files: Iterable<File>): Promise<{ ids: string[]; refused: string | null }> {
    const from = this.next;
    await this.add(files);
    const mine = this.list.filter(({ key }) => key >= from && key < this.next);
    return {
      ids: mine.flatMap(({ otherId }) => otherId ?? []),
      refused: mine.find(({ state }) => state === 'refused')?.sentence ?? null,
    };
  }

  retry(upload: Upload, file = upload.file) {
    Object.assign(upload, { file, state: 'waiting', sent: 0, sentence: '', isChanged: false });
    this.pump();
  }

  /** All that is not through stays out; each can still be tried again. */
  stop() {
    for (const upload of this.list)
      if (upload.state === 'waiting') {
        Object.assign(upload, { state: 'refused', sentence: stopped });
        this.ended.get(upload.key)?.(null);
        this.ended.delete(upload.key);
      }
    for (const request of this.requests) request.abort();
  }

  clear() {
    this.list = this.list.filter((u) => u.state === 'waiting' || u.state === 'sending');
  }

  private pump() {
    while (this.running < atOnce) {
      const upload = this.list.find((u) => u.state === 'waiting');
      if (!upload) return;
      this.running++;
      upload.state = 'sending';
      void this.send(upload);
    }
  }

  private async send(upload: Upload) {
    const refuse = (error: string) => this.end(upload, { name: upload.file.name, id: null, wasThere: false, error });
    try {
      // What is too large to be kept need not be sent first.
      const { largestFile } = await queryClient.fetchQuery(sitePlan());
      if (upload.file.size > largestFile.bytes) return refuse(largestFile.sentence);
      // The bytes of a file that was changed since cannot be read any more.
      const isThere = await upload.file
        .slice(0, 1)
        .arrayBuffer()
        .then(
          () => true,
          () => false,
        );
      if (!isThere) {
        upload.isChanged = true;
        return refuse(changed);
      }
      // fetch tells nothing of how much has been sent; XMLHttpRequest does.
      const request = new XMLHttpRequest();
      request.open('POST', '/api/files');
      request.upload.onprogress = (event) => (upload.sent = event.loaded / Math.max(1, event.total));
      request.onload = () => this.end(upload, taken(request));
      request.onerror = () => refuse(broken);
      request.onabort = () => refuse(stopped);
      request.onloadend = () => this.requests.delete(request);
      this.requests.add(request);
      const form = new FormData();
      form.append('file', upload.file, upload.file.name);
      request.send(form);
    } catch {
      refuse(broken);
    }
  }

  private end(upload: Upload, taken: Schemas['Taken']) {
    this.running--;
    upload.state = taken.id || taken.downloadId ? 'done' : 'refused';
    upload.id = taken.id;
    upload.otherId = taken.downloadId ?? null;
    upload.sentence = taken.error ?? (taken.wasThere ? 'was in the library already' : (taken.note ?? ''));
    const first = this.ended.get(upload.key);
    if (first) first(taken.id);
    else if (taken.id) this.late.get(upload.key)?.(taken.id);
    this.ended.delete(upload.key);
    if (taken.id) this.late.delete(upload.key);
    if (taken.id) this.onpicture?.(taken.id);
    if (this.going === 0 || this.list.length < 12) void queryClient.invalidateQueries({ queryKey: ['files'] });
    this.pump();
  }
}

function taken(request: XMLHttpRequest): Schemas['Taken'] {
  try {
    const answer = JSON.parse(request.responseText);
    return answer.files?.[0] ?? { name: '', id: null, error: answer.detail ?? broken };
  } catch {
    return { name: '', id: null, wasThere: false, error: broken };
  }
}

export const uploads = new Uploads();

/** Whether files are what is dragged. */
export const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;

/** Files of a drop or a paste, with those in dropped folders. */
export async function filesOf(data: DataTransfer | null): Promise<File[]> {
  if (!data) return [];
  const entries = [...data.items]
    .map((item) => item.webkitGetAsEntry?.())
    .filter((entry) => entry !== null && entry !== undefined);
  if (!entries.some((entry) => entry.isDirectory)) return [...data.files];
  return (await Promise.all(entries.map(within))).flat();
}

/** The name of the folder that is dropped, where it is one folder alone. */
export function folderOf(data: DataTransfer) {
  const entry = data.items.length === 1 ? data.items[0]?.webkitGetAsEntry?.() : null;
  return entry?.isDirectory ? entry.name : null;
}

async function within(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    // As where a folder is chosen: whoever takes it knows the folder it came in.
    if (entry.fullPath.lastIndexOf('/') > 0)
      Object.defineProperty(file, 'webkitRelativePath', { value: entry.fullPath.slice(1) });
    return [file];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const found: File[] = [];
  // A reader gives a hundred at a time, until it gives none.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) return found;
    found.push(...(await Promise.all(some.map(within))).flat());
  }
}
