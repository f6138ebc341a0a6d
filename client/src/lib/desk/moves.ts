import type { Desk } from './desk.svelte';
import { isInBand, movedTo, posOf, takenOut, type Gap } from './editor/commands';
import { newPiece, type InsertedKind } from './editor/nodes';
import { newId } from '$lib/model/attrs';

/** Pieces come, go and change places; each is one step of the page's own undo. */
export class Moves {
  constructor(private readonly desk: Desk) {}

  insert(kind: InsertedKind, gap: Gap) {
    if (!this.desk.editor) return;
    const { state, view } = this.desk.editor;
    const node = newPiece(state.schema, kind);
    const id = node.attrs.id as string;
    view.dispatch(state.tr.insert(posOf(state.doc, gap), node));
    this.desk.choose(id);
    if (kind === 'band') this.desk.enter(id);
  }

  takeOut(id: string) {
    const at = this.desk.at(id);
    if (!this.desk.editor || !at) return;
    const { state, view } = this.desk.editor;
    const tr = takenOut(state, at);
    if (tr.doc.childCount < 2) tr.insert(tr.doc.content.size, state.schema.node('paragraph', { id: newId() }));
    view.dispatch(tr);
    this.desk.choose(null);
  }

  /** Moves a piece to a gap; what stands there makes room. */
  to(id: string, gap: Gap) {
    const tr = this.desk.editor && movedTo(this.desk.editor.state, id, gap);
    if (!tr) return;
    this.desk.editor!.view.dispatch(tr);
    this.desk.chosen = id;
  }

  can(id: string, by: -1 | 1) {
    if (this.desk.pieceOf(id)?.inLine) return false;
    const { ids } = this.rowOf(id);
    const i = ids.indexOf(id);
    return i >= 0 && ids[i + by] !== undefined;
  }

  by(id: string, by: -1 | 1) {
    if (!this.can(id, by)) return;
    const { cells, ids, inside } = this.rowOf(id);
    const i = ids.indexOf(id);
    if (cells) this.desk.cells.move(cells[i]!.id, by);
    else this.to(id, { after: ids[by < 0 ? i - 2 : i + 1] ?? null, inside });
  }

  /** Whether what is put there stands inside a band, which holds no other band. */
  isInBand(gap: Gap) {
    return this.desk.editor ? isInBand(this.desk.editor.state.doc, gap) : gap.inside !== undefined;
  }

  /** What a piece moves among: the pieces of the page, or the pictures of its cells. */
  private rowOf(id: string) {
    const { desk } = this;
    const cells = desk.columnsOf(desk.pieceOf(id))?.columns?.cells;
    if (cells) return { cells, ids: cells.map((cell) => cell.figure) };
    const at = desk.at(id);
    const parent = at && desk.editor?.state.doc.resolve(at.pos).parent;
    const ids: (string | null)[] = [];
    parent?.forEach((node) => node.type.name !== 'title' && ids.push(node.attrs.id as string | null));
    return { ids, inside: parent?.type.name === 'band' ? (parent.attrs.id as string) : undefined };
  }
}
