import type { FileItem } from '$lib/api/client';

export type Row<T> = { items: { item: T; width: number }[]; height: number };

/** Rows of one height each at true shapes, filled from left to right; the last row keeps the wished height. */
export function rowsOf<T>(
  items: T[],
  shapeOf: (item: T) => number,
  width: number,
  wishedHeight: number,
  gap: number,
): Row<T>[] {
  const rows: Row<T>[] = [];
  let row: T[] = [];
  let shapes = 0;
  for (const item of items) {
    // A very wide panorama would leave its row a mere line.
    const shape = Math.min(4.5, Math.max(0.4, shapeOf(item)));
    row.push(item);
    shapes += shape;
    const height = (width - (row.length - 1) * gap) / shapes;
    if (height > wishedHeight) continue;
    rows.push(rowOf(row, shapeOf, height));
    [row, shapes] = [[], 0];
  }
  if (row.length > 0) rows.push(rowOf(row, shapeOf, wishedHeight));
  return rows;
}

function rowOf<T>(items: T[], shapeOf: (item: T) => number, height: number): Row<T> {
  return {
    height,
    items: items.map((item) => ({ item, width: height * Math.min(4.5, Math.max(0.4, shapeOf(item))) })),
  };
}

/** Width over height as it is drawn: through a place in the place's cut, else the picture's own. */
export const shapeOf = (item: FileItem) =>
  item.through ? item.through.cut.width / item.through.cut.height : item.width / item.height;
