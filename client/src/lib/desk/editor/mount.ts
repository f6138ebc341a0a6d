import { Editor } from '@tiptap/core';
import { NodeSelection, Selection, TextSelection } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import { caretAtEnd } from './commands';
import type { FigureViews } from './figureView';
import { frameStyle } from './frameStyle';
import { extensions } from './nodes';
import { contentOf } from './pieces';

/** Mounts the editor into the page in the frame: its column becomes the text that is worked on. */
export function mount(
  inside: Document,
  column: HTMLElement,
  views: FigureViews,
  draft: Parameters<typeof contentOf>[0],
  onchange: (docChanged: boolean) => void,
): Editor {
  const style = inside.createElement('style');
  style.textContent = frameStyle;
  inside.head.append(style);
  const editor = new Editor({
    element: { mount: column },
    injectCSS: false,
    extensions: extensions(views),
    content: contentOf(draft),
    onTransaction: ({ transaction }) => onchange(transaction.docChanged),
    editorProps: {
      transformPastedHTML: withoutOwnLinks,
      // The editor reads the caret from the browser a moment after a click. On a slow machine it puts a chosen
      // picture back before that, or pastes where the caret stood: a click on words moves it at once.
      handleClick: (view, pos, event) => {
        const { doc, selection } = view.state;
        const at = doc.resolve(pos);
        // Chosen columns hold the words in them; a picture in a line, or marked words, are what is clicked again.
        const holds = selection instanceof NodeSelection && !selection.node.isLeaf;
        const isOnIt = !holds && pos >= selection.from && pos <= selection.to;
        if (!at.parent.inlineContent || event.shiftKey || isOnIt) return false;
        view.dispatch(view.state.tr.setSelection(TextSelection.near(at)));
        return false;
      },
    },
  });
  column.setAttribute('role', 'textbox');
  column.setAttribute('aria-multiline', 'true');
  column.setAttribute('aria-label', 'The page');
  return editor;
}

/** A page on which nothing stands yet: whoever opens it means to write. */
export const isBlank = ({ state: { doc } }: Editor) =>
  doc.childCount === 2 && doc.child(1).type.name === 'paragraph' && doc.child(1).content.size === 0;

/**
 * Puts the caret where the paper was pressed beside the words; below the last piece, or for null, on the last line.
 */
export function writeAt(view: EditorView, point: { left: number; top: number } | null) {
  const boxes = [...view.dom.children].map((piece) => piece.getBoundingClientRect());
  const beside = point ? boxes.find((box) => point.top < box.bottom) : undefined;
  // As if the line were pressed that stands at that height: its end from the right, its beginning from the left.
  const at =
    point && beside
      ? view.posAtCoords({
          left: Math.min(Math.max(point.left, beside.left + 1), beside.right - 1),
          top: Math.max(point.top, beside.top + 1),
        })
      : null;
  const pos = at && view.state.doc.resolve(at.pos);
  const selection = pos && (Selection.findFrom(pos, -1, true) ?? Selection.findFrom(pos, 1, true));
  if (pos?.parent.inlineContent) view.dispatch(view.state.tr.setSelection(TextSelection.create(pos.doc, pos.pos)));
  else if (selection) view.dispatch(view.state.tr.setSelection(selection));
  else view.dispatch(caretAtEnd(view.state));
  view.focus();
}

/** Copied from a page of the tool, a link without a site became an address of the tool, where no visitor can go. */
function withoutOwnLinks(html: string): string {
  const copied = new DOMParser().parseFromString(html, 'text/html');
  for (const link of copied.querySelectorAll<HTMLAnchorElement>('a[href]'))
    if (link.href.startsWith(`${location.origin}/`)) link.replaceWith(...link.childNodes);
  return copied.body.innerHTML;
}
