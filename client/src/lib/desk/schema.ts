import { Extension, Mark, Node, type Extensions } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import StarterKit from '@tiptap/starter-kit';
import type { Schemas } from '$lib/api/client';
import type { FigureViews } from './figureView';

/** A window drawn by hand on one picture, in fractions of it. */
export type DrawnCut = { of: string; x: number; y: number; width: number; height: number };

/** What a figure has of its own on one class of screen; what is not given is as everywhere. */
export type FigureException = {
  hidden?: boolean;
  asset?: string;
  size?: FigureAttrs['size'];
  side?: FigureAttrs['side'];
  beside?: boolean;
  /** “as is” where it stands whole. */
  shape?: string;
  cut?: DrawnCut;
};
/** What stands round a picture, as it is written out. */
export type LookAttrs = Schemas['LookValues'];
export type WidthClass = 'phone' | 'tablet' | 'desktop';

/** What a figure holds: decisions only, as Core's reader takes them. */
export type FigureAttrs = {
  id: string | null;
  asset: string;
  /** “cell” in a cell of columns, which gives the size. */
  size: 'third' | 'half' | 'column' | 'wide' | 'edge' | 'cell' | number;
  side: 'left' | 'centre' | 'right';
  beside: boolean;
  shape: string | null;
  alt: string | null;
  decorative: boolean;
  captionSource: 'none' | 'title' | 'caption' | 'description' | 'own';
  caption: string;
  linkKind: 'none' | 'largeFile' | 'page' | 'address';
  linkTarget: string;
  cut: DrawnCut | null;
  at: Partial<Record<WidthClass, FigureException>> | null;
  /** One of the site's looks by its id, or one of its own. */
  look: string | LookAttrs | null;
};

export type ColumnsAttrs = { id: string | null; inRow: number; extent: 'column' | 'wide' };

/** One number for each class of screen, phone first. */
export type Each = [number, number, number];
export type BandAttrs = {
  id: string | null;
  colour: string | null;
  picture: string | null;
  repeats: boolean;
  tint: string;
  tintStrength: Each;
  words: 'dark' | 'light';
  leastHeight: Each;
  across: 'left' | 'centre' | 'right';
  down: 'top' | 'middle' | 'bottom';
};

const bandDefaults: BandAttrs = {
  id: null,
  colour: null,
  picture: null,
  repeats: false,
  tint: '#000000',
  tintStrength: [0, 0, 0],
  words: 'dark',
  leastHeight: [0, 0, 0],
  across: 'left',
  down: 'middle',
};

const figureDefaults: FigureAttrs = {
  id: null,
  asset: '',
  size: 'column',
  side: 'centre',
  beside: false,
  shape: null,
  alt: null,
  decorative: false,
  captionSource: 'none',
  caption: '',
  linkKind: 'none',
  linkTarget: '',
  cut: null,
  at: null,
  look: null,
};

const Page = Node.create({ name: 'doc', topNode: true, content: 'title (block|figure|columns|band)+' });

/** The page's title, and with it what belongs to the page as a whole, so that one undo covers all of it. */
const Title = Node.create({
  name: 'title',
  content: 'text*',
  marks: '',
  defining: true,
  addAttributes: () => ({
    path: { default: '', rendered: false },
    summary: { default: '', rendered: false },
  }),
  renderHTML: () => ['h1', 0],
  addKeyboardShortcuts() {
    return {
      // A title is one line: Enter goes on into the text below it.
      Enter: ({ editor }) => {
        const { $from } = editor.state.selection;
        if ($from.parent.type.name !== 'title') return false;
        const after = $from.after();
        return editor
          .chain()
          .insertContentAt(after, { type: 'paragraph' })
          .setTextSelection(after + 1)
          .run();
      },
    };
  },
});

const Figure = (views: FigureViews) =>
  Node.create({
    name: 'figure',
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () =>
      Object.fromEntries(
        Object.entries(figureDefaults).map(([name, value]) => [name, { default: value, rendered: false }]),
      ),
    parseHTML: () => [
      { tag: 'figure[data-figure]', getAttrs: (element) => JSON.parse(element.getAttribute('data-figure') ?? '{}') },
    ],
    renderHTML: ({ node }) => ['figure', { 'data-figure': JSON.stringify({ ...node.attrs, id: null }) }],
    addNodeView: () => views.create,
  });

const Columns = Node.create({
  name: 'columns',
  content: 'cell+',
  defining: true,
  addAttributes: () => ({
    inRow: {
      default: 3,
      parseHTML: (element) => Number(/cells-(\d)/.exec(element.className)?.[1] ?? 3),
      renderHTML: ({ inRow, extent }) => ({
        class: `cells cells-${inRow as number}${extent === 'wide' ? ' cells-wide' : ''}`,
      }),
    },
    extent: {
      default: 'wide',
      parseHTML: (element) => (element.classList.contains('cells-wide') ? 'wide' : 'column'),
      rendered: false,
    },
  }),
  parseHTML: () => [{ tag: 'div.cells' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes, 0],
});

const Cell = Node.create({
  name: 'cell',
  content: '(block|figure)+',
  isolating: true,
  parseHTML: () => [{ tag: 'div.cell' }],
  renderHTML: ({ HTMLAttributes }) => ['div', { ...HTMLAttributes, class: 'cell' }, 0],
});

/** A strip from edge to edge: what stands behind it is drawn by the server, what stands in it is text and pictures. */
const Band = (views: FigureViews) =>
  Node.create({
    name: 'band',
    content: '(block|figure|columns)+',
    defining: true,
    isolating: true,
    addAttributes: () =>
      Object.fromEntries(
        Object.entries(bandDefaults).map(([name, value]) => [name, { default: value, rendered: false }]),
      ),
    parseHTML: () => [
      { tag: 'div[data-band]', getAttrs: (element) => JSON.parse(element.getAttribute('data-band') ?? '{}') },
    ],
    renderHTML: ({ node }) => ['div', { 'data-band': JSON.stringify({ ...node.attrs, id: null }) }, 0],
    addNodeView: () => views.createBand,
  });

/** A link as it is kept in the document; it goes nowhere while the page is being worked on. */
const Link = Mark.create({
  name: 'link',
  inclusive: false,
  addAttributes: () => ({ href: { default: '', rendered: false } }),
  parseHTML: () => [{ tag: 'a[href]', getAttrs: (element) => ({ href: element.getAttribute('href') }) }],
  renderHTML: ({ mark }) => ['a', { title: mark.attrs.href }, 0],
});

const withId = ['paragraph', 'heading', 'bulletList', 'orderedList', 'blockquote', 'horizontalRule', 'columns', 'cell'];
export const newId = () => crypto.randomUUID().replaceAll('-', '').slice(0, 10);

/** Every piece of the page keeps one id for good; a piece that was split or pasted gets one of its own. */
const Ids = Extension.create({
  name: 'ids',
  addGlobalAttributes: () => [
    {
      types: withId,
      attributes: {
        id: {
          default: null,
          keepOnSplit: false,
          parseHTML: () => null,
          renderHTML: (attrs) => (attrs.id ? { 'data-block': attrs.id } : {}),
        },
      },
    },
  ],
  addProseMirrorPlugins: () => [
    new Plugin({
      appendTransaction: (transactions, _, state) => {
        if (!transactions.some((transaction) => transaction.docChanged)) return null;
        const seen = new Set<string>();
        const change = state.tr;
        // The page's own pieces, its cells, and what stands in them; not what stands in lists and quotes.
        state.doc.descendants((node, pos, parent) => {
          if (node.type.name === 'title' || !parent || !['doc', 'columns', 'cell', 'band'].includes(parent.type.name))
            return false;
          const id = node.attrs.id as string | null;
          if (id && !seen.has(id)) seen.add(id);
          else change.setNodeAttribute(pos, 'id', newId());
          return ['columns', 'cell', 'band'].includes(node.type.name);
        });
        return change.docChanged ? change : null;
      },
    }),
  ],
});

export const extensions = (views: FigureViews): Extensions => [
  Page,
  Title,
  Figure(views),
  Columns,
  Cell,
  Band(views),
  Link,
  Ids,
  StarterKit.configure({
    document: false,
    link: false,
    code: false,
    codeBlock: false,
    strike: false,
    underline: false,
    trailingNode: false,
    dropcursor: false,
    heading: { levels: [2, 3, 4] },
  }),
];
