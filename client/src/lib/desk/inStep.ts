/**
 * Where a page stands in its window: the piece at the top, how much of it is past, and how far below the top it begins.
 */
export type Stand = { id: string; part: number; below: number } | 'top';

const pieces = (page: Document) => [...page.querySelectorAll<HTMLElement>('#content > .column > [data-block]')];

export function standOf(page: Document): Stand | null {
  const view = page.defaultView;
  if (!view) return null;
  if (view.scrollY < 4) return 'top';
  for (const piece of pieces(page)) {
    const box = piece.getBoundingClientRect();
    if (box.bottom > 0)
      return { id: piece.dataset.block ?? '', part: Math.max(0, -box.top / box.height), below: Math.max(0, box.top) };
  }
  return null;
}

/** Scrolls another width of the same page so that the same piece stands at the same part of the view. */
export function bringTo(page: Document, stand: Stand) {
  const view = page.defaultView;
  if (!view) return;
  if (stand === 'top') return view.scrollTo(0, 0);
  const box = page.querySelector(`#content [data-block="${CSS.escape(stand.id)}"]`)?.getBoundingClientRect();
  if (box) view.scrollTo(0, view.scrollY + box.top + stand.part * box.height - stand.below);
}
