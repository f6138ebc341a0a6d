import type { Node as PmNode } from '@tiptap/pm/model';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { newId } from './schema';

type At = { node: PmNode; pos: number };

const pictureIn = (cell: PmNode): { node: PmNode; offset: number } | null => {
  let found: { node: PmNode; offset: number } | null = null;
  cell.forEach((node, offset) => {
    if (node.type.name === 'figure') found ??= { node, offset };
  });
  return found;
};

/** One step that puts pictures into cells: the cell named first, then those without a picture, then new cells at the end. */
export function fillCells(
  state: EditorState,
  columns: At,
  {
    assets,
    fromCell,
    mostCells,
    shape,
  }: { assets: string[]; fromCell: string | null; mostCells: number; shape: string | null },
): Transaction {
  const { schema } = state;
  const cells: { cell: PmNode; pos: number }[] = [];
  columns.node.forEach((cell, offset) => cells.push({ cell, pos: columns.pos + 1 + offset }));
  const first = cells.findIndex(({ cell }) => cell.attrs.id === fromCell);
  const named = first >= 0 ? [cells[first]!] : [];
  const after = [...cells.slice(Math.max(0, first + 1)), ...cells.slice(0, Math.max(0, first))];
  const targets = [...named, ...after.filter(({ cell }) => !pictureIn(cell))].slice(0, assets.length);
  // All pictures of columns stand in one shape, the one that is there already.
  const shown = cells.map(({ cell }) => pictureIn(cell)?.node).find((figure) => figure !== undefined);
  const shapeNow = shown ? (shown.attrs.shape as string | null) : shape;
  const figure = (asset: string) =>
    schema.node('figure', { id: newId(), asset, size: 'cell', shape: shapeNow, captionSource: 'none' });
  const tr = state.tr;
  targets.forEach(({ cell, pos }, i) => {
    const was = pictureIn(cell);
    const at = tr.mapping.map(pos + 1 + (was?.offset ?? 0));
    if (was) tr.setNodeAttribute(at, 'asset', assets[i]).setNodeAttribute(at, 'alt', null);
    else tr.insert(at, figure(assets[i]!));
  });
  const more = assets.slice(targets.length, targets.length + Math.max(0, mostCells - cells.length));
  const end = tr.mapping.map(columns.pos + columns.node.nodeSize - 1);
  tr.insert(
    end,
    more.map((asset) => schema.node('cell', { id: newId() }, [figure(asset), schema.node('paragraph')])),
  );
  return tr;
}

/** A piece taken out; a cell that would be left with nothing keeps an empty line. */
export function takenOut(state: EditorState, { node, pos }: At): Transaction {
  const parent = state.doc.resolve(pos).parent;
  return parent.type.name === 'cell' && parent.childCount === 1
    ? state.tr.replaceWith(pos, pos + node.nodeSize, state.schema.node('paragraph'))
    : state.tr.delete(pos, pos + node.nodeSize);
}
