/** How far each row of slides is scrolled, by the set it belongs to. */
export const rowsOf = (inside: Document) =>
  new Map(
    [...inside.querySelectorAll<HTMLElement>('[data-block] > .slides')].map((row) => [
      row.parentElement!.dataset.block,
      row.scrollLeft,
    ]),
  );

export function putRows(inside: Document, stood: ReturnType<typeof rowsOf>) {
  for (const [set, left] of stood) {
    const row = inside.querySelector(`[data-block="${set}"] > .slides`);
    if (row) row.scrollLeft = left;
  }
}

/**
 * Brings a piece of a page, or what stands in its stead, into view, also within its row; nothing round the page moves.
 */
export function bring(inside: Document, piece: string) {
  const found = [...inside.querySelectorAll(`[data-block="${piece}"], [data-block^="${piece}-"]`)].find(
    (one) => one.getClientRects().length > 0,
  );
  const slide = found?.closest('.slides > *');
  if (slide) {
    const row = slide.parentElement!;
    row.scrollLeft += slide.getBoundingClientRect().left - row.getBoundingClientRect().left;
  }
  const { top = 0, bottom = 0 } = (slide ?? found)?.getBoundingClientRect() ?? {};
  const view = inside.defaultView!;
  if (top < 0 || bottom > view.innerHeight) view.scrollBy(0, Math.min(top, bottom - view.innerHeight));
}
