import type { Choosing } from './choosing.svelte';

/** A box drawn from an empty spot takes all it touches: what has data-picture, in the order in which it stands. */
export class Boxing {
  /** In px of what is scrolled. */
  box = $state.raw<{ left: number; top: number; width: number; height: number } | null>(null);

  constructor(
    private readonly choosing: () => Choosing,
    private readonly scroller: () => HTMLElement | undefined,
    /** Whether what was chosen before stays so without a key. */
    private readonly adds = false,
  ) {}

  draw = (event: PointerEvent) => {
    const area = this.scroller();
    if (event.button !== 0 || !area || (event.target as Element).closest('button')) return;
    const choosing = this.choosing();
    const start = { x: event.clientX + area.scrollLeft, y: event.clientY + area.scrollTop };
    const before = this.adds || event.ctrlKey || event.shiftKey ? [...choosing.ids] : [];
    const move = (now: PointerEvent) => {
      const [x, y] = [now.clientX + area.scrollLeft, now.clientY + area.scrollTop];
      const bounds = area.getBoundingClientRect();
      const [left, right] = [Math.min(start.x, x) - area.scrollLeft, Math.max(start.x, x) - area.scrollLeft];
      const [top, bottom] = [Math.min(start.y, y) - area.scrollTop, Math.max(start.y, y) - area.scrollTop];
      if (right - left < 5 && bottom - top < 5) return;
      this.box = {
        left: left - bounds.left + area.scrollLeft,
        top: top - bounds.top + area.scrollTop,
        width: right - left,
        height: bottom - top,
      };
      const touched = [...area.querySelectorAll<HTMLElement>('[data-picture]')].filter((one) => {
        const at = one.getBoundingClientRect();
        return at.left < right && at.right > left && at.top < bottom && at.bottom > top;
      });
      choosing.only([...before, ...touched.map((one) => one.dataset.picture ?? '')]);
    };
    const stop = (end: PointerEvent) => {
      removeEventListener('pointermove', move);
      removeEventListener('pointerup', stop);
      removeEventListener('pointercancel', stop);
      // A press beside all chooses none; a finger that scrolls has pressed nothing.
      if (end.type === 'pointerup' && !this.box && !this.adds && before.length === 0) choosing.clear();
      this.box = null;
    };
    addEventListener('pointermove', move);
    addEventListener('pointerup', stop);
    addEventListener('pointercancel', stop);
  };
}
