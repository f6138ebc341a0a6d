import type { Schemas, SiteLook } from '$lib/api/client';
import type { WidthClass } from '$lib/model/attrs';
import type { Gap } from './editor/commands';

export type Box = { left: number; top: number; width: number; height: number };

/** Core's slot width, read off its pieces at one viewport width. */
export function slotAt(segments: Schemas['Segment'][], viewport: number) {
  const piece = segments.findLast((segment) => segment.fromPx <= viewport) ?? segments[0]!;
  return Math.max(0, piece.length.a * viewport + piece.length.b);
}

/** Every line between two pieces, in px of the frame's own viewport, from above the first to below the last. */
export function gapsOf(column: Element): (Gap & { y: number })[] {
  const children = [...column.children] as HTMLElement[];
  return children.flatMap((child, i) => {
    const words = child.matches('.band') ? child.querySelector(':scope > .band-words') : null;
    return [...(words ? gapsInBand(words, child.dataset.block ?? '') : []), ...gapAfter(children, i)];
  });
}

function gapsInBand(words: Element, inside: string): (Gap & { y: number })[] {
  const children = [...words.children] as HTMLElement[];
  const top = words.getBoundingClientRect().top;
  return [
    { after: null, inside, y: top - 10 },
    ...children.flatMap((child, i) => (child.dataset.block ? [gapBelow(child, children[i + 1])] : [])),
  ];
}

const gapAfter = (children: HTMLElement[], i: number): (Gap & { y: number })[] =>
  i === 0
    ? [{ ...gapBelow(children[0]!, children[1]), after: null }]
    : children[i]!.dataset.block
      ? [gapBelow(children[i]!, children[i + 1])]
      : [];

function gapBelow(child: HTMLElement, following: HTMLElement | undefined): Gap & { y: number } {
  const next = following?.getBoundingClientRect();
  const box = child.getBoundingClientRect();
  // Beside a floating picture the next piece begins at its top, not below it.
  const y = next ? Math.max(next.top - 10, Math.min(box.bottom + 12, next.top - 4)) : box.bottom + 12;
  return { after: child.dataset.block ?? null, y };
}

export const nearest = (gaps: (Gap & { y: number })[], y: number) =>
  gaps.reduce<(Gap & { y: number }) | null>(
    (best, gap) => (!best || Math.abs(gap.y - y) < Math.abs(best.y - y) ? gap : best),
    null,
  );

/** The class of screens that a width belongs to. */
export const classAt = (width: number, { desktopFromPx, tabletFromPx }: SiteLook['classes']): WidthClass =>
  width >= desktopFromPx ? 'desktop' : width >= tabletFromPx ? 'tablet' : 'phone';
