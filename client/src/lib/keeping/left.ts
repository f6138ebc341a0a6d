import { newName } from '$lib/model/copies';

/** What was typed into the fields of one thing and is not kept yet. */
export type Left = { name: string; typed: Record<string, { value: unknown; base: unknown; sent?: unknown }> };

const prefix = 'typed:';
const tabKey = 'dekoro-typed-tab';
let tab = sessionStorage.getItem(tabKey) ?? newName();
sessionStorage.setItem(tabKey, tab);

const keyOf = (name: string) => `${prefix}${tab}:${name}`;
/** By this lock other windows know that somebody looks after what is stored under the name of this one. */
const lockOf = (of: string) => `${prefix}${of}`;

export function putLeft(name: string, typed: Left['typed']) {
  try {
    localStorage.setItem(keyOf(name), JSON.stringify(typed));
  } catch {
    // A full store only takes away the second net.
  }
}

export const removeLeft = (name: string) => localStorage.removeItem(keyOf(name));

/** What this window had left before it was loaded anew, and what windows left that are gone. */
export async function takeLeft(): Promise<Left[]> {
  const held = await locksHeld();
  // A window that was duplicated comes with the name of the first, which holds it.
  if (held.has(lockOf(tab))) sessionStorage.setItem(tabKey, (tab = newName()));
  void navigator.locks?.request(lockOf(tab), () => new Promise(() => {}));
  return [...stored((of) => of === tab), ...takeFrom(held)];
}

/** What windows left that are gone: it is this one's from then on. */
export const takeGone = async () => takeFrom(await locksHeld());

const locksHeld = async () => new Set(((await navigator.locks?.query())?.held ?? []).map((lock) => lock.name));

function takeFrom(held: Set<string | undefined>): Left[] {
  return stored((of) => of !== tab && !held.has(lockOf(of)), true);
}

function stored(isWanted: (of: string) => boolean, moves = false): Left[] {
  const found: Left[] = [];
  for (const key of Object.keys(localStorage).filter((one) => one.startsWith(prefix))) {
    const [, of, ...rest] = key.split(':');
    if (!isWanted(of!)) continue;
    const [name, typed] = [rest.join(':'), read(localStorage.getItem(key))];
    // Stored under the name of this window before it is let go under the other.
    if (typed && moves) putLeft(name, typed);
    if (moves) localStorage.removeItem(key);
    if (typed) found.push({ name, typed });
  }
  return found;
}

function read(text: string | null): Left['typed'] | null {
  try {
    return JSON.parse(text ?? '') as Left['typed'];
  } catch {
    return null;
  }
}
