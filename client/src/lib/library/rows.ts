import type { FileItem } from '$lib/api/client';

export type Row<T> = { items: { item: T; width: number }[]; height: number };

/**
 * Rows of one height each at true shapes, filled from left to right; the last row keeps the wished height. Items that
 * are added at the end are laid on from where the last full row ended, so that a long library is not laid anew each time.
 */
export class GrowingRows<T> {
  private full: Row<T>[] = [];
  private laid: T[] = [];
  private width = 0;

  constructor(
    private readonly shapeOf: (item: T) => number,
    private readonly wishedHeight: number,
    private readonly gap: number,
  ) {}

  of(items: T[], width: number): Row<T>[] {
    if (!this.continues(items, width)) [this.full, this.laid, this.width] = [[], [], width];
    let row: T[] = [];
    let shapes = 0;
    for (let i = this.laid.length; i < items.length; i++) {
      row.push(items[i]!);
      shapes += clamped(this.shapeOf(items[i]!));
      const height = (width - (row.length - 1) * this.gap) / shapes;
      if (height > this.wishedHeight) continue;
      this.full.push(rowOf(row, this.shapeOf, height));
      this.laid.push(...row);
      [row, shapes] = [[], 0];
    }
    return row.length > 0 ? [...this.full, rowOf(row, this.shapeOf, this.wishedHeight)] : [...this.full];
  }

  private continues(items: T[], width: number) {
    return width === this.width && this.laid.length <= items.length && this.laid.every((item, i) => item === items[i]);
  }
}

/** A very wide panorama would leave its row a mere line. */
const clamped = (shape: number) => Math.min(4.5, Math.max(0.4, shape));

function rowOf<T>(items: T[], shapeOf: (item: T) => number, height: number): Row<T> {
  return {
    height,
    items: items.map((item) => ({ item, width: height * clamped(shapeOf(item)) })),
  };
}

/** Width over height as it is drawn: through a place in the place's cut, else the picture's own. */
export const shapeOf = (item: FileItem) =>
  item.through ? item.through.cut.width / item.through.cut.height : item.width / item.height;
