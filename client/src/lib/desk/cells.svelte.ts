import type { Node as PmNode } from '@tiptap/pm/model';
import { NodeSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { uploads } from '$lib/media/uploads.svelte';
import { count } from '$lib/model/words';
import type { Desk } from './desk.svelte';
import { takenOut, type At } from './editor/commands';
import type { Piece } from './editor/pieces';
import { newId, type ColumnsAttrs } from '$lib/model/attrs';

/** What is done to columns and their cells; each is one step of the page's own undo. */
export class Cells {
  /** What the last filling could not do; empty where it did all. */
  said = $state('');

  constructor(private readonly desk: Desk) {}

  /** Several pictures into cells, in their order: first the cell named, then the empty ones, then new ones. */
  fill(columns: string, assets: string[], fromCell: string | null = null) {
    const most = this.desk.site.mostCells;
    let left = 0;
    this.change(columns, (state, at) => {
      const [filled, without] = filledWith(state, at, assets, fromCell, most, this.desk.site.cellShape);
      left = without;
      return filled;
    });
    this.said =
      left > 0 ? `${count(left, 'picture')} found no cell: columns hold at most ${most}. They are in the library.` : '';
    this.desk.gap = null;
    this.desk.choose(columns, false);
  }

  async fillFiles(columns: string, files: File[], fromCell: string | null = null) {
    const ids = (await uploads.add(files, (id) => this.fill(columns, [id]))).filter((id) => id !== null);
    if (ids.length > 0) this.fill(columns, ids, fromCell);
    await this.desk.media.askForWords(ids);
  }

  set(columns: string, change: Partial<ColumnsAttrs>) {
    this.change(columns, ({ tr }, { pos }) => {
      for (const [name, value] of Object.entries(change)) tr.setNodeAttribute(pos, name, value);
      return tr.setSelection(NodeSelection.create(tr.doc, pos));
    });
  }

  /** The same shape for all pictures of columns. */
  setShape(columns: string, shape: string | null) {
    this.change(columns, ({ tr }, { node, pos }) => {
      node.descendants((one, offset) => {
        if (one.type.name === 'figure') tr.setNodeAttribute(pos + 1 + offset, 'shape', shape);
      });
      return tr;
    });
  }

  add(columns: string) {
    this.change(columns, ({ tr, schema }, { node, pos }) =>
      tr.insert(pos + node.nodeSize - 1, schema.node('cell', { id: newId() }, schema.node('paragraph'))),
    );
    this.desk.choose(columns, false);
  }

  /** A cell with all in it; the last one goes with its columns. */
  takeOut(columns: Piece, cell: string) {
    if ((columns.columns?.cells.length ?? 0) < 2) return this.desk.moves.takeOut(columns.id);
    this.change(cell, ({ tr }, { node, pos }) => tr.delete(pos, pos + node.nodeSize));
    this.desk.choose(columns.id, false);
  }

  /** A cell with all in it changes places with its neighbour. */
  move(cell: string, by: -1 | 1) {
    const chosen = this.desk.chosen;
    this.change(cell, ({ tr, doc }, { node, pos }) => {
      const place = doc.resolve(pos);
      const other = place.parent.maybeChild(place.index() + by);
      if (!other) return tr;
      const from = by < 0 ? pos - other.nodeSize : pos;
      return tr.replaceWith(from, from + node.nodeSize + other.nodeSize, by < 0 ? [node, other] : [other, node]);
    });
    if (chosen) this.desk.choose(chosen, false);
  }

  /** A picture of the page goes into a cell; the one that stood there takes its place. */
  moveInto(columns: string, cell: string, figure: string) {
    const [from, to] = [this.desk.at(figure), this.desk.at(cell)];
    if (!this.desk.editor || from?.node.type.name !== 'figure' || !to) return;
    const { state, view } = this.desk.editor;
    const was = pictureIn(to.node);
    if (was?.node === from.node) return;
    const shape = shapeOf(this.desk.at(columns)!.node) ?? (from.node.attrs.shape as string | null);
    const tr = was ? state.tr.replaceWith(from.pos, from.pos + from.node.nodeSize, was.node) : takenOut(state, from);
    const at = tr.mapping.map(to.pos + 1 + (was?.offset ?? 0), 1);
    const moved = from.node.type.create({ ...from.node.attrs, size: 'cell', shape });
    if (was) tr.replaceWith(at, at + was.node.nodeSize, moved);
    else tr.insert(at, moved);
    view.dispatch(tr);
    this.desk.choose(figure, false);
  }

  private change(id: string, step: (state: EditorState, at: At) => Transaction) {
    const at = this.desk.at(id);
    if (this.desk.editor && at) this.desk.editor.view.dispatch(step(this.desk.editor.state, at));
  }
}

/** That of the pictures of columns; undefined where there are none. */
const shapeOf = (columns: PmNode) => {
  let shape: string | null | undefined;
  columns.forEach((cell) => (shape ??= pictureIn(cell)?.node.attrs.shape as string | null | undefined));
  return shape;
};

const pictureIn = (cell: PmNode): { node: PmNode; offset: number } | null => {
  let found: { node: PmNode; offset: number } | null = null;
  cell.forEach((node, offset) => {
    if (node.type.name === 'figure') found ??= { node, offset };
  });
  return found;
};

/** Neither picture nor words. */
const isEmpty = (cell: PmNode) => !pictureIn(cell) && cell.textContent.trim() === '';

/** @returns the step, and how many pictures found no cell. */
function filledWith(
  { tr, schema }: EditorState,
  columns: At,
  assets: string[],
  fromCell: string | null,
  mostCells: number,
  firstShape: string | null,
): [Transaction, number] {
  const cells: { cell: PmNode; pos: number }[] = [];
  columns.node.forEach((cell, offset) => cells.push({ cell, pos: columns.pos + 1 + offset }));
  const named = cells.findIndex(({ cell }) => cell.attrs.id === fromCell);
  const inOrder = named < 0 ? cells : [...cells.slice(named), ...cells.slice(0, named)];
  const targets = inOrder.filter(({ cell }, i) => (named >= 0 && i === 0) || isEmpty(cell)).slice(0, assets.length);
  // All pictures of columns stand in one shape, the one that is there already.
  const shown = cells.map(({ cell }) => pictureIn(cell)?.node).find((figure) => figure !== undefined);
  const shape = shown ? (shown.attrs.shape as string | null) : firstShape;
  const figure = (asset: string) => schema.node('figure', { id: newId(), asset, size: 'cell', shape });
  targets.forEach(({ cell, pos }, i) => {
    const was = pictureIn(cell);
    const at = tr.mapping.map(pos + 1 + (was?.offset ?? 0));
    if (was) tr.setNodeAttribute(at, 'asset', assets[i]).setNodeAttribute(at, 'alt', null);
    else tr.insert(at, figure(assets[i]!));
  });
  const more = assets.slice(targets.length, targets.length + mostCells - cells.length);
  tr.insert(
    tr.mapping.map(columns.pos + columns.node.nodeSize - 1),
    more.map((asset) => schema.node('cell', { id: newId() }, [figure(asset), schema.node('paragraph')])),
  );
  return [tr, assets.length - targets.length - more.length];
}
