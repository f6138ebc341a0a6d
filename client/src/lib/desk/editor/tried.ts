import { Extension, type JSONContent } from '@tiptap/core';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import type { Gap } from './commands';

/** The name of a picture that is tried between two pieces: it is drawn there and is in no draft. */
export const triedId = 'tried-here';

/** A document with a piece put into a gap. */
export function withPieceIn(content: JSONContent[], gap: Gap, piece: JSONContent): JSONContent[] {
  const at = gap.after === null ? -1 : content.findIndex(({ attrs }) => attrs?.id === gap.after);
  if (at >= 0 || (gap.after === null && gap.inside === undefined)) return content.toSpliced(at + 1, 0, piece);
  return content.map((one) =>
    one.type === 'band' && (gap.inside === undefined || one.attrs?.id === gap.inside)
      ? {
          ...one,
          content: gap.after === null ? [piece, ...(one.content ?? [])] : withPieceIn(one.content ?? [], gap, piece),
        }
      : one,
  );
}

type Shown = { pos: number; element: HTMLElement } | null;
const key = new PluginKey<DecorationSet>('tried');

/** Shows an element between two pieces without its being a part of the document. */
export const Tried = Extension.create({
  name: 'tried',
  addProseMirrorPlugins: () => [
    new Plugin({
      key,
      state: {
        init: () => DecorationSet.empty,
        apply: (transaction, before) => {
          const shown = transaction.getMeta(key) as Shown | undefined;
          if (shown === undefined) return before.map(transaction.mapping, transaction.doc);
          return shown
            ? DecorationSet.create(transaction.doc, [
                Decoration.widget(shown.pos, shown.element, { side: -1, ignoreSelection: true }),
              ])
            : DecorationSet.empty;
        },
      },
      props: { decorations: (state) => key.getState(state) },
    }),
  ],
});

export const tried = {
  key,
  isShown: (state: Parameters<typeof key.getState>[0]) => key.getState(state)?.find().length !== 0,
};
