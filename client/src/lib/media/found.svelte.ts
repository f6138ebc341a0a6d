import { createQueries, createQuery, keepPreviousData } from '@tanstack/svelte-query';
import type { FileItem } from '$lib/api/client';
import { outline, pageSize, picturePage, queryClient, type Through } from '$lib/api/queries';
import { shapeOf } from '$lib/model/rows';

/** While the scrollbar is dragged through a large library, pages are asked for no more often than this. */
const restMs = 100;

/**
 * What a search finds: the order and shape of all of it, and the pictures themselves only near what is in view. So the
 * scrollbar is true from the start, any spot of a hundred thousand is a jump away, and what is far from view is let go.
 * Called while a component is made.
 */
export function find(line: () => string, through: () => Through | null) {
  let from = $state(0);
  let to = $state(0);
  let shownAt = -restMs;
  let waiting: ReturnType<typeof setTimeout> | undefined;
  const head = createQuery(() => ({ ...picturePage(line(), through(), 0), placeholderData: keepPreviousData }));
  const total = $derived(head.data?.total ?? 0);
  const all = createQuery(() => ({
    ...outline(line(), through()),
    placeholderData: keepPreviousData,
    enabled: total > pageSize,
  }));
  // Until the outline of the same search is there, the first page is what there is to lay.
  const laid = $derived(total > pageSize && all.data?.of === head.data?.of ? all.data : undefined);
  const newest = $derived({
    ids: laid?.ids ?? head.data?.items.map((item) => item.id) ?? [],
    shapes: laid?.shapes.map((thousandths) => thousandths / 1000) ?? head.data?.items.map(shapeOf) ?? [],
  });
  /** What stood there when the pointer went down: nothing is moved from under a press. */
  let held = $state.raw<{ ids: string[]; shapes: number[]; loaded: ReadonlyMap<string, FileItem> } | null>(null);
  const ids: readonly string[] = $derived(held?.ids ?? newest.ids);
  const shapes: readonly number[] = $derived(held?.shapes ?? newest.shapes);

  const first = $derived(Math.max(1, Math.floor(from / pageSize)));
  const last = $derived(Math.floor((Math.min(to, ids.length) - 1) / pageSize));
  const further = createQueries(() => ({
    queries: Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => picturePage(line(), through(), first + i)),
  }));
  const pages = $derived([head.data, ...further.map((page) => page.data)]);
  const loadedNow = $derived(pages.flatMap((page) => page?.items ?? []));
  const at = (index: number): FileItem | undefined =>
    held?.loaded.get(held.ids[index] ?? '') ??
    pages.find((page) => page?.number === Math.floor(index / pageSize))?.items[index % pageSize];

  return {
    /** The first page, with what is said of the whole search; undefined until it is there. */
    get head() {
      return head.data;
    },
    /** Names the search that is shown. */
    get of() {
      return head.data?.of ?? '';
    },
    get error() {
      return head.error;
    },
    get total() {
      return total;
    },
    get ids() {
      return ids;
    },
    /** Width over height of each, as drawn. */
    get shapes() {
      return shapes;
    },
    /** Those that are loaded. */
    get loaded() {
      return loadedNow;
    },
    /** A picture by its number; undefined while it is not loaded. */
    at,
    /** Keeps all where it stands while the pointer is down. */
    hold() {
      // eslint-disable-next-line svelte/prefer-svelte-reactivity -- a picture of the moment: nothing of it changes
      held = { ...newest, loaded: new Map(loadedNow.map((item) => [item.id, item])) };
    },
    /** The press is over, and has been taken: what came meanwhile may be shown. */
    letGo() {
      if (held) setTimeout(() => (held = null));
    },
    /** Says which are in view, so that they are loaded. */
    show(begin: number, end: number) {
      clearTimeout(waiting);
      const now = () => {
        shownAt = performance.now();
        [from, to] = [begin, end];
      };
      const since = performance.now() - shownAt;
      if (since >= restMs) now();
      else waiting = setTimeout(now, restMs - since);
    },
    /** Loads some by their numbers, wherever they are. */
    async load(begin: number, count: number): Promise<FileItem[]> {
      const end = Math.min(begin + count, ids.length);
      const items: FileItem[] = [];
      for (let number = Math.floor(begin / pageSize); number * pageSize < end; number++) {
        const page = await queryClient.fetchQuery(picturePage(line(), through(), number));
        items.push(...page.items.slice(Math.max(0, begin - number * pageSize), end - number * pageSize));
      }
      return items;
    },
  };
}

export type Found = ReturnType<typeof find>;
