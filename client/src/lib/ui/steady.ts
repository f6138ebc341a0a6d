import { holdAnchor, letScrollGo, scrollerOf, scrollOn } from './scrolling';

/**
 * What tells an answer above controls: as the answer comes, the controls below stay where the hand finds them. While
 * the pointer is over the sheet, what has become shorter stays as high as it was, and what has become higher is
 * scrolled by, before either is drawn. (What is pressed already is held by shell/underPress.)
 */
export function steady(answer: HTMLElement) {
  const sheet = scrollerOf(answer);
  if (!sheet) return;
  let pointerPx: number | null = null;
  let isPressed = false;
  let heightPx: number | null = null;
  const watching = new ResizeObserver(() => {
    const [before, now] = [heightPx, answer.offsetHeight];
    heightPx = now;
    if (before === null || before === now || pointerPx === null || isPressed) return;
    if (answer.getBoundingClientRect().top + before > pointerPx) return;
    if (now > before) scrollOn(sheet, now - before);
    else answer.style.minHeight = `${before}px`;
  });
  const over = (event: PointerEvent) => {
    pointerPx = event.clientY;
    isPressed = event.buttons !== 0;
    holdAnchor(sheet);
  };
  const away = () => {
    pointerPx = null;
    answer.style.minHeight = '';
    letScrollGo(sheet);
  };
  watching.observe(answer);
  const events = ['pointermove', 'pointerdown', 'pointerup'] as const;
  for (const one of events) sheet.addEventListener(one, over);
  sheet.addEventListener('pointerleave', away);
  return () => {
    watching.disconnect();
    for (const one of events) sheet.removeEventListener(one, over);
    sheet.removeEventListener('pointerleave', away);
  };
}
