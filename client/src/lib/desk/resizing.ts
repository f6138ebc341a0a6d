import type { Schemas } from '$lib/api/client';
import type { FigureAttrs } from '$lib/model/attrs';

type Role = Exclude<FigureAttrs['size'], number>;
export type Resizing = { px: number; role: Role | null; shape: string | null };

type Grab = {
  event: PointerEvent;
  corner: 'nw' | 'ne' | 'sw' | 'se';
  element: HTMLElement;
  scale: number;
  viewport: number;
  side: FigureAttrs['side'];
  /** The size it has; of sizes that are equally wide here, it keeps this one. */
  size: FigureAttrs['size'];
  /** The site's sizes at this viewport, in px: a width that comes near one takes it. */
  sizes: { role: Role; px: number }[];
  column: number;
  limits: Schemas['FigureLimits'];
  show: (now: Resizing) => void;
  done: (change: Partial<FigureAttrs> | null) => void;
};

const snapPx = 12;
/** Below this a hand cannot see what it does. */
const leastHeightPx = 20;

/**
 * Resizes a figure by one of its corners: its proportions stay unless Alt is held, its width snaps to the site's sizes. It is
 * drawn so while the pointer moves; the document changes once, at the end. Escape leaves it as it was.
 */
export function resize(grab: Grab) {
  const { event, corner, element, scale } = grab;
  const image = element.querySelector<HTMLElement>('img, video, .stand-in')!;
  const start = image.getBoundingClientRect();
  const was = { figure: element.style.cssText, image: image.style.cssText };
  let now: Resizing | null = null;
  // The key may come to the page in the frame or to the tool round it.
  const views = [window, element.ownerDocument.defaultView!];
  const outward = corner.includes('e') ? 1 : -1;
  // A centred figure grows to both sides, one that breaks out of the column is centred too.
  const both = grab.side === 'centre' || start.width > grab.column + 1 ? 2 : 1;

  const move = (moved: PointerEvent) => {
    const dx = ((moved.clientX - event.clientX) / scale) * outward * both;
    const dy = ((moved.clientY - event.clientY) / scale) * (corner.includes('s') ? 1 : -1);
    // With proportions kept, whichever way the pointer went farther leads.
    const byHeight = Math.abs(dy) * (start.width / start.height) > Math.abs(dx) && !moved.altKey;
    const wished = start.width + (byHeight ? dy * (start.width / start.height) : dx);
    const px = Math.round(Math.min(grab.viewport, Math.max(grab.limits.leastPx, wished)));
    const snapped = nearest(grab, px);
    const width = snapped ? Math.round(snapped.px) : px;
    const height = Math.max(leastHeightPx, Math.round(start.height + dy));
    now = { px: width, role: snapped?.role ?? null, shape: moved.altKey ? shapeOf(width, height, grab.limits) : null };
    element.style.width = `${width}px`;
    if (both === 2 || width > grab.column) element.style.marginInline = `calc((100% - ${width}px) / 2)`;
    image.style.aspectRatio = now.shape ? now.shape.replace(':', '/') : `${start.width}/${start.height}`;
    image.style.objectFit = 'cover';
    grab.show(now);
  };
  const end = (change: Partial<FigureAttrs> | null) => {
    removeEventListener('pointermove', move);
    removeEventListener('pointerup', drop);
    for (const view of views) view.removeEventListener('keydown', escape, true);
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
  for (const view of views) view.addEventListener('keydown', escape, true);
}

/**
 * The site's size that a width snaps to. On a phone several are as wide as the column: then the one it has, or the
 * column.
 */
function nearest({ sizes, size }: Grab, px: number) {
  const rank = (one: { role: Role; px: number }) =>
    Math.abs(one.px - px) + (one.role === size ? 0 : one.role === 'column' ? 0.1 : 0.2);
  return sizes.filter((one) => Math.abs(one.px - px) <= snapPx).sort((a, b) => rank(a) - rank(b))[0] ?? null;
}

/** In whole numbers, within the shapes that a figure may have. */
function shapeOf(width: number, height: number, { narrowestShape, widestShape }: Schemas['FigureLimits']) {
  const ratio = Math.min(widestShape, Math.max(narrowestShape, width / height));
  return ratio >= 1 ? `${Math.round(ratio * 100)}:100` : `100:${Math.round(100 / ratio)}`;
}
