import type { Editor } from '@tiptap/core';
import { undoDepth } from '@tiptap/pm/history';

/** Something that was done and can be taken back. */
export type Deed = { undo: () => void; redo: () => void };

/**
 * What was done at the desk in its order, wherever it was done: on the page, in an arrangement that stands on it, to a
 * picture. One undo takes back the last of it.
 */
export class Deeds {
  private done = $state.raw<Deed[]>([]);
  private undone = $state.raw<Deed[]>([]);
  private depth = 0;
  /** A deed that is being taken back, or done again, is no new one. */
  private isStepping = false;
  readonly canUndo = $derived(this.done.length > 0);
  readonly canRedo = $derived(this.undone.length > 0);

  add(deed: Deed) {
    if (this.isStepping) return;
    this.done = [...this.done, deed];
    this.undone = [];
  }

  /** The desk is opened: so many steps of the page were done before. */
  begin(editor: Editor, depth: number) {
    this.depth = depth;
    [this.done, this.undone] = [Array.from({ length: depth }, () => pageDeed(editor)), []];
  }

  /** What the editor's history has grown by is done. */
  follow(editor: Editor) {
    const depth = undoDepth(editor.state);
    if (depth > this.depth) this.add(pageDeed(editor));
    this.depth = depth;
  }

  undo = () => this.step('undo', this.done.at(-1));
  redo = () => this.step('redo', this.undone.at(-1));

  private step(which: 'undo' | 'redo', deed: Deed | undefined) {
    if (!deed) return;
    this.isStepping = true;
    deed[which]();
    this.isStepping = false;
    if (which === 'undo') [this.done, this.undone] = [this.done.slice(0, -1), [...this.undone, deed]];
    else [this.done, this.undone] = [[...this.done, deed], this.undone.slice(0, -1)];
  }
}

const pageDeed = (editor: Editor): Deed => ({
  undo: () => editor.commands.undo(),
  redo: () => editor.commands.redo(),
});
