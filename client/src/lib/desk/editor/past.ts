import type { Editor, JSONContent } from '@tiptap/core';
import { closeHistory, undo, undoDepth } from '@tiptap/pm/history';
import type { EditorState } from '@tiptap/pm/state';
import { withDoc } from './commands';

/** So many steps outlive a walk to another screen. */
const mostSteps = 60;
const pasts = new Map<string, JSONContent[]>();

/** The page as it stood before each of its last steps, oldest first, and as it stands: undo goes on with them next time. */
export function keepPast(pageId: string, editor: Editor) {
  let state: EditorState = editor.state;
  const docs = [state.doc.toJSON() as JSONContent];
  while (docs.length <= mostSteps && undoDepth(state) > 0) {
    const was = state;
    undo(state, (tr) => (state = state.apply(tr)));
    if (state === was) break;
    docs.unshift(state.doc.toJSON() as JSONContent);
  }
  if (docs.length > 1) pasts.set(pageId, docs);
  else pasts.delete(pageId);
}

/** Brings an editor that was just mounted through the steps that were kept, to how the page stands now. */
export function takePast(pageId: string, editor: Editor): number {
  const docs = pasts.get(pageId);
  pasts.delete(pageId);
  if (!docs) return 0;
  const now = editor.state.doc;
  const { schema, view } = { schema: editor.state.schema, view: editor.view };
  for (const [i, doc] of docs.map((one) => schema.nodeFromJSON(one)).entries()) {
    const tr = withDoc(view.state, doc);
    view.dispatch(i === 0 ? tr.setMeta('addToHistory', false) : closeHistory(tr));
  }
  if (!view.state.doc.eq(now)) view.dispatch(closeHistory(withDoc(view.state, now)));
  return undoDepth(view.state);
}
