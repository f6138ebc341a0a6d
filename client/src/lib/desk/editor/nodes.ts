import { Extension, Mark, Node, type Extensions } from '@tiptap/core';
import type { Node as PmNode, Schema } from '@tiptap/pm/model';
import { Plugin } from '@tiptap/pm/state';
import StarterKit from '@tiptap/starter-kit';
import { type FigureAttrs, groundDefaults, newId, placeDefaults } from '$lib/model/attrs';
import type { FigureViews } from './figureView';
import { Tried } from './tried';

/** A kind of piece that can be added. */
type Kind = {
  /** What it is called where it is added. */
  name: string;
  /** Chosen as one thing: no caret stands in it, or not in it alone. */
  isWhole?: boolean;
  /** What a new one is besides empty. */
  attrs?: object;
  /** What stands in a new one. */
  holds?: (schema: Schema) => PmNode | PmNode[];
};

const emptyLine = (schema: Schema) => schema.node('paragraph');
const emptyCells = (schema: Schema) =>
  Array.from({ length: 4 }, () => schema.node('cell', { id: newId() }, emptyLine(schema)));

/** In the order in which they are offered. */
export const kinds = {
  paragraph: { name: 'Text' },
  heading: { name: 'Heading', attrs: { level: 2 } },
  bulletList: { name: 'List', holds: (schema) => schema.node('listItem', null, emptyLine(schema)) },
  blockquote: { name: 'Quote', holds: emptyLine },
  horizontalRule: { name: 'Rule' },
  button: { name: 'Button' },
  figure: { name: 'Place for a picture', isWhole: true },
  files: { name: 'Table of files', isWhole: true },
  arrangement: { name: 'Arrangement', isWhole: true },
  columns: { name: 'Columns', isWhole: true, attrs: { inRow: 4 }, holds: emptyCells },
  band: { name: 'Band', isWhole: true, holds: emptyLine },
} satisfies Record<string, Kind>;

/** What can be put in by its kind. */
export type InsertedKind = keyof typeof kinds;

/** Whether a node is chosen as one thing. */
export const isWhole = ({ type }: PmNode) =>
  type.name === 'linePicture' || Boolean((kinds as Record<string, Kind>)[type.name]?.isWhole);

/** A new piece, empty and ready to be filled. */
export function newPiece(schema: Schema, kind: InsertedKind): PmNode {
  const { attrs, holds }: Kind = kinds[kind];
  return schema.node(kind, { id: newId(), ...attrs }, holds?.(schema));
}

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
  video: null,
};

const Page = Node.create({
  name: 'doc',
  topNode: true,
  content: 'title (block|figure|files|arrangement|columns|band)+',
});

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

/** Attributes that are kept in the document and not written to the page. */
const kept = (defaults: object) =>
  Object.fromEntries(
    Object.entries(defaults).map(([name, value]) => [name, { default: value as unknown, rendered: false }]),
  );

/** A piece that is wholly the server's to draw: its element, what marks it in what is copied, and its class while it waits. */
const drawn = (
  name: string,
  { tag, mark, waiting }: { tag: 'figure' | 'div' | 'span'; mark: string; waiting: string },
  defaults: object,
  views: FigureViews,
  inline = false,
) =>
  Node.create({
    name,
    ...(inline && { group: 'inline', inline }),
    atom: true,
    selectable: true,
    draggable: true,
    addAttributes: () => kept(defaults),
    parseHTML: () => [
      { tag: `${tag}[${mark}]`, getAttrs: (element) => JSON.parse(element.getAttribute(mark) ?? '{}') },
    ],
    renderHTML: ({ node }) => [tag, { [mark]: JSON.stringify({ ...node.attrs, id: null }) }],
    addNodeView: () => views.createDrawn(tag, waiting),
  });

const Figure = (views: FigureViews) =>
  drawn('figure', { tag: 'figure', mark: 'data-figure', waiting: 'fig dk-waiting' }, figureDefaults, views);
const LinePicture = (views: FigureViews) =>
  drawn(
    'linePicture',
    { tag: 'span', mark: 'data-line', waiting: 'in-line dk-waiting' },
    { id: null, asset: '', height: 'line', alt: null, decorative: false },
    views,
    true,
  );
const Files = (views: FigureViews) =>
  drawn('files', { tag: 'div', mark: 'data-files', waiting: 'files dk-no-files' }, { id: null, files: [] }, views);
const ArrangementNode = (views: FigureViews) =>
  drawn(
    'arrangement',
    { tag: 'div', mark: 'data-set', waiting: 'set dk-no-set' },
    { id: null, arrangement: '', reach: 'wide' },
    views,
  );

/** A piece that holds others: how it is drawn is the server's, what stands in it is the document's own. */
const holder = (name: 'band' | 'columns' | 'cell', content: string, defaults: object, views: FigureViews) =>
  Node.create({
    name,
    content,
    defining: name !== 'cell',
    isolating: name !== 'columns',
    addAttributes: () => kept(defaults),
    parseHTML: () => [
      { tag: `div[data-${name}]`, getAttrs: (element) => JSON.parse(element.getAttribute(`data-${name}`) ?? '{}') },
    ],
    renderHTML: ({ node }) => ['div', { [`data-${name}`]: JSON.stringify({ ...node.attrs, id: null }) }, 0],
    addNodeView: () => views.createHolder(name),
  });

/** Words that lead somewhere and look like something to press; one line of the page. */
const Button = Node.create({
  name: 'button',
  group: 'block',
  content: 'text*',
  marks: '',
  defining: true,
  addAttributes: () => ({
    link: {
      default: '',
      rendered: false,
      parseHTML: (element) => element.querySelector('a')?.getAttribute('href') ?? '',
    },
    kind: {
      default: 'filled',
      rendered: false,
      parseHTML: (element) => (element.querySelector('.button-outline') ? 'outline' : 'filled'),
    },
  }),
  parseHTML: () => [{ tag: 'p.action', contentElement: 'a', priority: 60 }],
  renderHTML: ({ node, HTMLAttributes }) => [
    'p',
    { ...HTMLAttributes, class: 'action' },
    ['a', { class: node.attrs.kind === 'outline' ? 'button button-outline' : 'button', title: node.attrs.link }, 0],
  ],
});

/** A link as it is kept in the document; it goes nowhere while the page is being worked on. */
const Link = Mark.create({
  name: 'link',
  inclusive: false,
  addAttributes: () => ({ href: { default: '', rendered: false } }),
  parseHTML: () => [{ tag: 'a[href]', getAttrs: (element) => ({ href: element.getAttribute('href') }) }],
  renderHTML: ({ mark }) => ['a', { title: mark.attrs.href }, 0],
});

const withId = ['button', 'paragraph', 'heading', 'bulletList', 'orderedList', 'blockquote', 'horizontalRule'];

/**
 * Every piece of the page, and every picture in a line, keeps one id for good; what was split or pasted gets one of its own. In a
 * cell a picture takes the size of the cell, and out of it that of the column.
 */
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
          if (node.type.name === 'title' || node.isText || !parent) return false;
          if (node.type.name === 'linePicture' || ['doc', 'columns', 'cell', 'band'].includes(parent.type.name)) {
            const id = node.attrs.id as string | null;
            if (id && !seen.has(id)) seen.add(id);
            else change.setNodeAttribute(pos, 'id', newId());
          }
          const inCell = parent.type.name === 'cell';
          if (node.type.name === 'figure' && inCell !== (node.attrs.size === 'cell'))
            change.setNodeAttribute(pos, 'size', inCell ? 'cell' : 'column');
          return true;
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
  holder('columns', 'cell+', { id: null, inRow: 3, extent: 'wide', ...placeDefaults }, views),
  holder('cell', '(block|figure|files)+', { id: null, ...groundDefaults }, views),
  holder(
    'band',
    '(block|figure|files|arrangement|columns)+',
    { id: null, ...groundDefaults, ...placeDefaults, at: null },
    views,
  ),
  Button,
  Files(views),
  LinePicture(views),
  ArrangementNode(views),
  Tried,
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
    // A day's work on one page can be gone back through.
    undoRedo: { depth: 2000 },
    heading: { levels: [2, 3, 4] },
  }),
];
