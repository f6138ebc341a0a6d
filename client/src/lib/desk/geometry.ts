import type { Schemas } from '$lib/api/client';
import type { Gap } from './desk.svelte';

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
    const next = children[i + 1]?.getBoundingClientRect();
    const box = child.getBoundingClientRect();
    if (i > 0 && !child.dataset.block) return [];
    // Beside a floating picture the next piece begins at its top, not below it.
    const y = next ? Math.max(next.top - 10, Math.min(box.bottom + 12, next.top - 4)) : box.bottom + 12;
    return [{ after: i === 0 ? null : (child.dataset.block ?? null), y }];
  });
}

export const nearest = (gaps: (Gap & { y: number })[], y: number) =>
  gaps.reduce<(Gap & { y: number }) | null>(
    (best, gap) => (!best || Math.abs(gap.y - y) < Math.abs(best.y - y) ? gap : best),
    null,
  );
