import type { Schemas } from '$lib/api/client';
import type { FigureAttrs } from '$lib/model/attrs';
import { newName } from '$lib/model/copies';

type Item = Schemas['ItemValues'];

/** All of these one place on, each past the next that stays; those that stand together go together. */
export function movedTogether<T extends { id: string }>(
  items: readonly T[],
  ids: ReadonlySet<string>,
  by: -1 | 1,
): T[] {
  const moved = by > 0 ? items.toReversed() : [...items];
  for (let i = 1; i < moved.length; i++)
    if (ids.has(moved[i]!.id) && !ids.has(moved[i - 1]!.id)) [moved[i - 1], moved[i]] = [moved[i]!, moved[i - 1]!];
  return by > 0 ? moved.reverse() : moved;
}

/** A picture of a page as one of an arrangement. */
export const itemRead = ({ asset, caption, captionSource, linkKind, linkTarget }: FigureAttrs) =>
  ({
    id: newItemId(),
    asset,
    isOn: true,
    caption,
    captionSource: captionSource === 'own' ? 'own' : null,
    linkKind,
    linkTarget,
  }) as Item;

export const newItemId = () => newName().slice(0, 10);
