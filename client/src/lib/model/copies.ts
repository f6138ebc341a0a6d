import type { Schemas } from '$lib/api/client';

/** What a window had not sent yet, with the version it began from. */
export type Copy = {
  key: string;
  version: number;
  at: number;
  body: Schemas['DraftChange'];
  /** What was on its way to the server, if anything was. */
  sending?: Schemas['DraftChange'] | null;
};

const tabKey = 'dekoro-tab';

/** Names this window through reloads. */
function tabName() {
  const name = sessionStorage.getItem(tabKey) ?? newName();
  sessionStorage.setItem(tabKey, name);
  return name;
}

/** Also where the page is no secure context, and crypto.randomUUID is missing. */
export const newName = () =>
  [...crypto.getRandomValues(new Uint8Array(8))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * The second net under a page's text: each window keeps what it has not sent under a key of its own. What a window that is gone
 * had left is found by whoever opens the page next.
 */
export class Copies {
  private key: string;

  constructor(private readonly pageId: string) {
    this.key = `draft:${pageId}:${tabName()}`;
  }

  get own() {
    return this.key;
  }

  /** Other windows know by this lock that what is kept here has somebody who looks after it. */
  hold() {
    void navigator.locks?.request(this.key, { ifAvailable: true }, (lock) => {
      if (lock) return new Promise(() => {});
      // A window that was duplicated comes with the name of the first, which holds it: it takes another.
      sessionStorage.removeItem(tabKey);
      this.key = `draft:${this.pageId}:${tabName()}`;
      this.hold();
    });
  }

  put(version: number, body: Schemas['DraftChange'], sending: Schemas['DraftChange'] | null = null) {
    try {
      localStorage.setItem(this.key, JSON.stringify({ version, at: Date.now(), body, sending }));
    } catch {
      // A full store only takes away the second net.
    }
  }

  remove(key = this.key) {
    localStorage.removeItem(key);
  }

  /** What this window, or one that is gone, had left of the page; the newest first. */
  left = () => leftUnder(`draft:${this.pageId}`, this.key);
}

/** What stands under keys that begin like this and nobody looks after any more; the newest first. */
async function leftUnder(begin: string, own: string): Promise<Copy[]> {
  const held = new Set(((await navigator.locks?.query())?.held ?? []).map((lock) => lock.name));
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(begin) && (key === own || !held.has(key)))
    .flatMap((key) => {
      const copy = read(localStorage.getItem(key));
      return copy ? [{ ...copy, key }] : [];
    })
    .sort((a, b) => b.at - a.at);
}

/** Of all pages, with the page's id. */
export const leftDrafts = async () =>
  (await leftUnder('draft:', '')).map((copy) => ({ ...copy, pageId: copy.key.split(':')[1] ?? '' }));

export const forgetLeft = (key: string) => localStorage.removeItem(key);

function read(text: string | null): Omit<Copy, 'key'> | null {
  try {
    const copy = JSON.parse(text ?? '') as Omit<Copy, 'key'>;
    return copy.body && typeof copy.version === 'number' ? { ...copy, at: copy.at ?? 0 } : null;
  } catch {
    return null;
  }
}
