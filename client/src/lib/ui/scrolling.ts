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

/** Takes the room back that was given. */
export const takeRoomBack = (scroller: HTMLElement) => (scroller.style.paddingBottom = scroller.style.paddingTop = '');
