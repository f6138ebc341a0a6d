import { scrollerOf, scrollOn, takeRoomBack } from '$lib/ui/scrolling';

/** Moved further than this, CSS px, a press is a drag. */
const dragPx = 2;

const left = (event: PointerEvent) => takeRoomBack(event.currentTarget as HTMLElement);

/**
 * What is pressed stays under the hand until it is let go. Leaving a field keeps what was typed, and what is said of
 * that comes while the next control is pressed already: if it went from under the pointer, the press would do nothing.
 */
export function holdUnderPress() {
  let letGo = () => {};
  const press = (event: PointerEvent) => {
    letGo();
    const target = event.target as Element;
    const pressed = target.closest<HTMLElement>('button, a, label, input, [role=option]');
    const scroller = pressed && scrollerOf(pressed);
    if (!scroller || event.button !== 0) return;
    const pressedPx = pressed.getBoundingClientRect().top;
    const isDragged = () => target.hasPointerCapture(event.pointerId) || pressed.hasPointerCapture(event.pointerId);
    const movedPx = () => (pressed.isConnected ? pressed.getBoundingClientRect().top - pressedPx : 0);
    const watching = new MutationObserver(() => {
      if (isDragged() || Math.abs(movedPx()) < 1) return;
      const stoodPx = scroller.scrollTop;
      scrollOn(scroller, movedPx());
      if (Math.abs(movedPx()) < 1) return;
      // What scrolling does not bring back moves by itself, and is left to.
      letGo();
      takeRoomBack(scroller);
      scroller.scrollTop = stoodPx;
    });
    const move = ({ clientX, clientY }: PointerEvent) =>
      Math.hypot(clientX - event.clientX, clientY - event.clientY) > dragPx && letGo();
    letGo = () => {
      letGo = () => {};
      watching.disconnect();
      removeEventListener('pointermove', move, true);
    };
    addEventListener('pointermove', move, true);
    scroller.addEventListener('pointerleave', left, { once: true });
    watching.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
  };
  const release = () => letGo();
  addEventListener('pointerdown', press, true);
  addEventListener('pointerup', release, true);
  addEventListener('pointercancel', release, true);
  return () => {
    letGo();
    removeEventListener('pointerdown', press, true);
    removeEventListener('pointerup', release, true);
    removeEventListener('pointercancel', release, true);
  };
}
