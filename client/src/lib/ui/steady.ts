import { scrollerOf, scrollOn, takeRoomBack } from './scrolling';

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
  /** Where it ended when it was last looked at, and how high it was. */
  let [endPx, heightPx] = [0, 0];
  const look = () => ([endPx, heightPx] = [answer.getBoundingClientRect().bottom, answer.offsetHeight]);
  /** Where it is another height already, that is still to be seen to. */
  const lookAgain = () => answer.offsetHeight === heightPx && look();
  const watching = new ResizeObserver(() => {
    const isBelow = pointerPx !== null && endPx <= pointerPx;
    if (isBelow && !isPressed && answer.offsetHeight !== heightPx) {
      if (answer.offsetHeight < heightPx) answer.style.minHeight = `${heightPx}px`;
      // A sheet that became shorter may have been scrolled back by that.
      scrollOn(sheet, answer.getBoundingClientRect().bottom - endPx);
    }
    look();
  });
  const over = (event: PointerEvent) => {
    pointerPx = event.clientY;
    isPressed = event.buttons !== 0;
    lookAgain();
  };
  const away = () => {
    pointerPx = null;
    answer.style.minHeight = '';
    takeRoomBack(sheet);
  };
  const ways = [
    ['pointermove', over],
    ['pointerdown', over],
    ['pointerup', over],
    ['pointerleave', away],
    ['scroll', lookAgain],
  ] as const;
  watching.observe(answer);
  for (const [event, heard] of ways) sheet.addEventListener(event, heard as EventListener);
  return () => {
    watching.disconnect();
    for (const [event, heard] of ways) sheet.removeEventListener(event, heard as EventListener);
  };
}
