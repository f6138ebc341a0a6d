/** What an element is scrolled within, up and down. */
export function scrollerOf(element: Element): HTMLElement | null {
  for (let one = element.parentElement; one; one = one.parentElement)
    if (/auto|scroll/.test(getComputedStyle(one).overflowY)) return one;
  return null;
}

/** Scrolls by some px, and where the content ends before that, gives it the room. */
export function scrollOn(scroller: HTMLElement, byPx: number) {
  const wantedPx = scroller.scrollTop + byPx;
  scroller.scrollTop = wantedPx;
  const lackPx = Math.round(wantedPx - scroller.scrollTop);
  if (lackPx === 0) return;
  const side = lackPx > 0 ? 'paddingBottom' : 'paddingTop';
  scroller.style[side] = `${parseFloat(getComputedStyle(scroller)[side]) + Math.abs(lackPx)}px`;
  if (lackPx > 0) scroller.scrollTop = wantedPx;
}

/**
 * The browser's own way to keep in place what is looked at begins only once a list is scrolled, and would be added to
 * ours.
 */
export const holdAnchor = (scroller: HTMLElement) => (scroller.style.overflowAnchor = 'none');

/** All is again as the sheet itself would have it. */
export const letScrollGo = (scroller: HTMLElement) =>
  (scroller.style.overflowAnchor = scroller.style.paddingBottom = scroller.style.paddingTop = '');
