/**
 * What tells an answer above controls: as the answer comes, the controls below stay under the hand that is about to
 * press them. While the pointer is over the sheet, what has become shorter stays as high as it was, and what has
 * become higher is scrolled by, before either is drawn.
 */
export function steady(answer: HTMLElement) {
  const sheet = scrollerOf(answer);
  if (!sheet) return;
  let pointerPx: number | null = null;
  let heightPx: number | null = null;
  const watching = new ResizeObserver(() => {
    const [before, now] = [heightPx, answer.offsetHeight];
    heightPx = now;
    if (before === null || before === now || pointerPx === null) return;
    if (answer.getBoundingClientRect().top + before > pointerPx) return;
    if (now > before) scrollOn(sheet, now - before);
    else answer.style.minHeight = `${before}px`;
  });
  const over = (event: PointerEvent) => {
    pointerPx = event.clientY;
    // The browser's own way of it begins only once a sheet is scrolled, and would be added to this one.
    sheet.style.overflowAnchor = 'none';
  };
  const away = () => {
    pointerPx = null;
    sheet.style.overflowAnchor = sheet.style.paddingBottom = answer.style.minHeight = '';
  };
  watching.observe(answer);
  sheet.addEventListener('pointermove', over);
  sheet.addEventListener('pointerleave', away);
  return () => {
    watching.disconnect();
    sheet.removeEventListener('pointermove', over);
    sheet.removeEventListener('pointerleave', away);
  };
}

function scrollOn(sheet: HTMLElement, byPx: number) {
  const wantedPx = sheet.scrollTop + byPx;
  sheet.scrollTop = wantedPx;
  const lackPx = Math.ceil(wantedPx - sheet.scrollTop);
  if (lackPx <= 0) return;
  // Where the sheet ends before that, it gets the room.
  sheet.style.paddingBottom = `${parseFloat(getComputedStyle(sheet).paddingBottom) + lackPx}px`;
  sheet.scrollTop = wantedPx;
}

function scrollerOf(element: HTMLElement): HTMLElement | null {
  for (let one = element.parentElement; one; one = one.parentElement)
    if (/auto|scroll/.test(getComputedStyle(one).overflowY)) return one;
  return null;
}
