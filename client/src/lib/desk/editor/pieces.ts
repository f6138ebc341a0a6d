import type { JSONContent } from '@tiptap/core';
import type { Node as PmNode } from '@tiptap/pm/model';
import { NodeSelection, type Selection } from '@tiptap/pm/state';
import { isWhole } from './nodes';
import type {
  ArrangementAttrs,
  BandAttrs,
  CellAttrs,
  ColumnsAttrs,
  FigureAttrs,
  FilesAttrs,
  LinePictureAttrs,
} from '$lib/model/attrs';

/** A piece of the page, for the page map and for what is chosen. */
export type Piece = {
  id: string;
  kind: string;
  text: string;
  figure: FigureAttrs | null;
  /** Of columns: their attributes and, for each cell, the picture in it. */
  columns:
    | (ColumnsAttrs & {
        cells: { id: string; figure: string | null; ground: CellAttrs }[];
        /** The one shape of all its pictures; undefined where they differ or there are none. */
        shape: string | null | undefined;
      })
    | null;
  band: BandAttrs | null;
  /** Of a picture in a line. */
  inLine: LinePictureAttrs | null;
  /** Of a table of files. */
  files: FilesAttrs | null;
  arrangement: ArrangementAttrs | null;
  /** The columns or band that it stands in. */
  within: string | null;
};

/** What may hold pieces inside a piece of the page. */
const holds = (node: PmNode) => ['columns', 'cell', 'band'].includes(node.type.name);
const isPiece = (node: PmNode, parent: PmNode) => isWhole(node) || parent.type.name === 'doc';

/**
 * The piece that is chosen or holds the caret, and the words in it that do: a caret in a cell or band chooses the columns or
 * the band round it, and says what its own words are.
 */
export function chosenIn(selection: Selection) {
  const caret = selection.$from;
  const around = Array.from({ length: caret.depth }, (_, i) => caret.node(i + 1));
  const node = selection instanceof NodeSelection && isPiece(selection.node, caret.parent) ? selection.node : null;
  const top = node ?? around.findLast((one) => ['columns', 'band'].includes(one.type.name)) ?? around[0] ?? null;
  const words = node ?? around.findLast((one, i) => i > 0 && holds(around[i - 1]!)) ?? around[0] ?? null;
  return { caret, top, words };
}

/**
 * The pieces of a page; those that stand in cells and bands; and, in the order of the page, every picture and every band that
 * may have one behind it.
 */
export function piecesOf(doc: PmNode): { pieces: Piece[]; inner: Piece[]; pictures: Piece[] } {
  const [pieces, inner, pictures] = [[] as Piece[], [] as Piece[], [] as Piece[]];
  doc.forEach((node) => node.type.name !== 'title' && pieces.push(read(node, null)));
  return { pieces, inner, pictures };

  function read(node: PmNode, within: string | null): Piece {
    const id = node.attrs.id as string;
    const piece: Piece = {
      id,
      kind: node.type.name,
      text: node.textContent.slice(0, 80),
      figure: node.type.name === 'figure' ? (node.attrs as FigureAttrs) : null,
      columns: null,
      band: node.type.name === 'band' ? (node.attrs as BandAttrs) : null,
      inLine: node.type.name === 'linePicture' ? (node.attrs as LinePictureAttrs) : null,
      files: node.type.name === 'files' ? (node.attrs as FilesAttrs) : null,
      arrangement: node.type.name === 'arrangement' ? (node.attrs as ArrangementAttrs) : null,
      within,
    };
    if (piece.figure || piece.band || piece.inLine) pictures.push(piece);
    if (piece.band) node.forEach((one) => inner.push(...innerOf(one, id)));
    else if (!piece.columns && within === null) inner.push(...inLines(node, id));
    if (node.type.name === 'columns') piece.columns = readColumns(node, id);
    return piece;
  }

  /** Of what stands in a cell or band that which can be chosen by itself. */
  function innerOf(node: PmNode, within: string): Piece[] {
    return ['figure', 'files', 'arrangement', 'columns'].includes(node.type.name)
      ? [read(node, within)]
      : inLines(node, within);
  }

  /** The pictures in the lines of a piece of words. */
  function inLines(node: PmNode, within: string) {
    const found: Piece[] = [];
    node.descendants((one) => {
      if (one.type.name === 'linePicture') found.push(read(one, within));
    });
    return found;
  }

  function readColumns(node: PmNode, id: string) {
    const cells: { id: string; figure: string | null; ground: CellAttrs }[] = [];
    const shapes: (string | null)[] = [];
    node.forEach((cell) => {
      const within: Piece[] = [];
      cell.forEach((one) => within.push(...innerOf(one, id)));
      inner.push(...within);
      const figures = within.filter((one) => one.figure);
      shapes.push(...figures.map((one) => one.figure!.shape));
      cells.push({ id: cell.attrs.id as string, figure: figures[0]?.id ?? null, ground: cell.attrs as CellAttrs });
    });
    return { ...(node.attrs as ColumnsAttrs), cells, shape: onlyOne(shapes) };
  }
}

const onlyOne = <T>(all: T[]) => (all.every((one) => one === all[0]) ? all[0] : undefined);

/** A draft as the editor's document: title and what belongs to the page as a whole, then its pieces. */
export function contentOf(draft: { title: string; path: string; summary: string; document: unknown }): JSONContent {
  const document = draft.document as JSONContent;
  const pieces = document.content?.length ? document.content : [{ type: 'paragraph' }];
  return {
    type: 'doc',
    content: [
      {
        type: 'title',
        attrs: { path: draft.path, summary: draft.summary },
        content: draft.title ? [{ type: 'text', text: draft.title }] : [],
      },
      ...pieces.map(withCarets),
    ],
  };
}

/**
 * A cell or band without anything has no place for a caret: on the desk it holds an empty line, which is never kept.
 */
const withCarets = (node: JSONContent): JSONContent =>
  ['cell', 'band'].includes(node.type ?? '') && !node.content?.length
    ? { ...node, content: [{ type: 'paragraph' }] }
    : ['columns', 'band'].includes(node.type ?? '')
      ? { ...node, content: node.content?.map(withCarets) }
      : node;
