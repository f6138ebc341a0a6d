import type { WordName } from '$lib/model/wordLabels';

/** What was typed and chosen over a reading that is not finished, so that a reload or a walk elsewhere loses nothing. */
export type Begun = {
  typed: Record<string, Partial<Record<WordName, string>>>;
  without: string[];
  folder: string;
  target: string;
  after: string;
  title: string | null;
};

const keyOf = (id: string) => `reading:${id}`;
const mostKept = 20;

export function begunOf(id: string): Begun {
  const nothing: Begun = { typed: {}, without: [], folder: '', target: 'new-post', after: '', title: null };
  try {
    return { ...nothing, ...(JSON.parse(localStorage.getItem(keyOf(id)) ?? '{}') as Partial<Begun>) };
  } catch {
    return nothing;
  }
}

export function keepBegun(id: string, begun: Begun) {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(begun));
    // Readings that were never finished do not fill the store.
    const all = Object.keys(localStorage).filter((key) => key.startsWith('reading:'));
    for (const key of all.slice(0, -mostKept)) if (key !== keyOf(id)) localStorage.removeItem(key);
  } catch {
    // A full store only takes away the second net.
  }
}

export const endBegun = (id: string) => localStorage.removeItem(keyOf(id));
