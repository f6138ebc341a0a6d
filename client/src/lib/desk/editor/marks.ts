import type { Editor } from '@tiptap/core';
import type { Node as PmNode } from '@tiptap/pm/model';

/** What the caret says; `from` and `to` are what is marked. */
type Marks = { kind: string; bold: boolean; italic: boolean; link: string | null; from: number; to: number };

export const noMarks: Marks = { kind: 'paragraph', bold: false, italic: false, link: null, from: 0, to: 0 };

/** Pieces that are no words: a caret in them says nothing of marks. */
const wordless = ['figure', 'linePicture', 'files', 'arrangement'];

/** Of the words that hold the caret; null where they are none. */
export function marksOf(editor: Editor, words: PmNode): Marks | null {
  if (wordless.includes(words.type.name)) return null;
  const { from, to } = editor.state.selection;
  return {
    kind: words.type.name === 'heading' ? `heading${words.attrs.level}` : words.type.name,
    bold: editor.isActive('bold'),
    italic: editor.isActive('italic'),
    link: editor.isActive('link') ? (editor.getAttributes('link').href as string) : null,
    from,
    to,
  };
}
