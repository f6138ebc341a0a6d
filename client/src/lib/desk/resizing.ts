import type { FigureAttrs } from './schema';

export type Resizing = { px: number; role: Exclude<FigureAttrs['size'], number> | null; shape: string | null };

type Grab = {
  event: PointerEvent;
  corner: 'nw' | 'ne' | 'sw' | 'se';
  element: HTMLElement;
  scale: number;
  viewport: number;
  side: FigureAttrs['side'];
  /** The site's sizes at this viewport, in px: a width that comes near one takes it. */
  sizes: { role: Exclude<FigureAttrs['size'], number>; px: number }[];
  column: number;
  show: (now: Resizing) => void;
  done: (change: Partial<FigureAttrs> | null) => void;
};

const snapPx = 12;
const leastPx = 40;

/**
 * Resizes a figure by one of its corners: its proportions stay unless Alt is held, its width snaps to the site's sizes. It is
 * drawn so while the pointer moves; the document changes once, at the end. Escape leaves it as it was.
 */
export function resize(grab: Grab) {
  const { event, corner, element, scale } = grab;
  const image = element.querySelector('img')!;
  const start = image.getBoundingClientRect();
  const was = { figure: element.style.cssText, image: image.style.cssText };
  let now: Resizing | null = null;
  const outward = corner.includes('e') ? 1 : -1;
  // A centred figure grows to both sides, one that breaks out of the column is centred too.
  const both = grab.side === 'centre' || start.width > grab.column + 1 ? 2 : 1;

  const move = (moved: PointerEvent) => {
    const dx = ((moved.clientX - event.clientX) / scale) * outward * both;
    const dy = ((moved.clientY - event.clientY) / scale) * (corner.includes('s') ? 1 : -1);
    // With proportions kept, whichever way the pointer went farther leads.
    const byHeight = Math.abs(dy) * (start.width / start.height) > Math.abs(dx) && !moved.altKey;
    const wished = start.width + (byHeight ? dy * (start.width / start.height) : dx);
    const px = Math.round(Math.min(grab.viewport, Math.max(leastPx, wished)));
    const near = grab.sizes.filter((size) => Math.abs(size.px - px) <= snapPx);
    const snapped = near.reduce<(typeof near)[0] | null>(
      (best, size) => (!best || Math.abs(size.px - px) < Math.abs(best.px - px) ? size : best),
      null,
    );
    const width = snapped ? Math.round(snapped.px) : px;
    const height = Math.max(20, Math.round(start.height + dy));
    now = { px: width, role: snapped?.role ?? null, shape: moved.altKey ? shapeOf(width, height) : null };
    element.style.width = `${width}px`;
    if (both === 2 || width > grab.column) element.style.marginInline = `calc((100% - ${width}px) / 2)`;
    image.style.aspectRatio = now.shape ? now.shape.replace(':', '/') : `${start.width}/${start.height}`;
    image.style.objectFit = 'cover';
    grab.show(now);
  };
  const end = (change: Partial<FigureAttrs> | null) => {
    removeEventListener('pointermove', move);
    removeEventListener('pointerup', drop);
    removeEventListener('keydown', escape, true);
    element.style.cssText = was.figure;
    image.style.cssText = was.image;
    grab.done(change);
  };
  const drop = () => {
    if (!now) return end(null);
    end({ size: now.role ?? now.px, ...(now.shape ? { shape: now.shape } : {}) });
  };
  const escape = (key: KeyboardEvent) => {
    if (key.key !== 'Escape') return;
    key.preventDefault();
    key.stopPropagation();
    end(null);
  };
  addEventListener('pointermove', move);
  addEventListener('pointerup', drop);
  addEventListener('keydown', escape, true);
}

/** Whole numbers within the shapes that Core reads, 1:20 to 20:1. */
function shapeOf(width: number, height: number) {
  const ratio = Math.min(20, Math.max(0.05, width / height));
  return ratio >= 1 ? `${Math.round(ratio * 100)}:100` : `100:${Math.round(100 / ratio)}`;
}
