import { untrack } from 'svelte';
import { afterNavigate, goto } from '$app/navigation';
import { page } from '$app/state';
import { withParts, type Parts } from './parts';

/** What a screen's address says of it: its parts by name, each empty where it is not there. */
export const partsOf = (names: readonly string[]): Parts =>
  Object.fromEntries(names.map((name) => [name, page.url.searchParams.get(name) ?? '']));

/**
 * Keeps the address in step with what is looked at, so that a reload, a link and the browser's Back lead to the same. A
 * change of a part named in `steps` is a step to go back by; others replace what stands there. Called while a component
 * is made.
 */
export function inAddress(
  names: readonly string[],
  steps: readonly string[],
  now: () => Parts,
  take: (parts: Parts) => void,
) {
  let here = false;
  /** What is written into the address from here, as long as it is on its way. */
  let mine = 0;
  afterNavigate(() => {
    // Back and forward, and whatever leads to the same screen: the address leads.
    if (here && mine === 0) take(partsOf(names));
    here = true;
  });
  $effect(() => {
    const parts = now();
    untrack(() => {
      const was = partsOf(names);
      const changed = names.filter((name) => (parts[name] ?? '') !== was[name]);
      if (changed.length === 0) return;
      const replaceState = !changed.some((name) => steps.includes(name));
      mine++;
      void goto(withParts(page.url, Object.fromEntries(names.map((name) => [name, parts[name] ?? '']))), {
        replaceState,
        keepFocus: true,
        noScroll: true,
      }).finally(() => mine--);
    });
  });
}
