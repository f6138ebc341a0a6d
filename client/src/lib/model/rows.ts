import type { FileItem } from '$lib/api/client';

/** A row of the pictures from one number up to another, which is not in it. */
export type Row = { from: number; to: number; height: number };

/** A very wide panorama would leave its row a mere line. */
const clamped = (shape: number) => Math.min(4.5, Math.max(0.4, shape));

/** Rows of one height each at true shapes, filled from left to right; the last row keeps the wished height. */
export function rowsOf(shapes: readonly number[], width: number, wishedHeight: number, gap: number): Row[] {
  const rows: Row[] = [];
  let [from, sum] = [0, 0];
  for (let i = 0; i < shapes.length; i++) {
    sum += clamped(shapes[i]!);
    const height = (width - (i - from) * gap) / sum;
    if (height > wishedHeight) continue;
    rows.push({ from, to: i + 1, height });
    [from, sum] = [i + 1, 0];
  }
  if (from < shapes.length) rows.push({ from, to: shapes.length, height: wishedHeight });
  return rows;
}

export const widthIn = (row: Row, shape: number) => row.height * clamped(shape);

/** Width over height as it is drawn: through a place in the place's cut, else the picture's own. */
export const shapeOf = (item: FileItem) =>
  item.through ? item.through.cut.width / item.through.cut.height : item.width / item.height;
