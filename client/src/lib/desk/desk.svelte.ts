import { goto } from '$app/navigation';
import { Editor, type JSONContent } from '@tiptap/core';
import type { Node as PmNode } from '@tiptap/pm/model';
import { NodeSelection, TextSelection } from '@tiptap/pm/state';
import { answer, api, sentenceOf, type Draft, type Look, type Schemas, type SiteLook } from '$lib/api/client';
import { uploads } from '$lib/library/uploads.svelte';
import { FigureViews, frameStyle } from './figureView';
import { Keeping } from './keeping.svelte';
import { extensions, newId, type FigureAttrs } from './schema';

/** A piece of the page, for the page map and for what is chosen. */
export type Piece = { id: string; kind: string; text: string; figure: FigureAttrs | null };
/** Where something new would stand: after the piece with this id, or first of all. */
export type Gap = { after: string | null };
export type Marks = { kind: string; bold: boolean; italic: boolean; link: string | null };

const lookRestMs = 300;

/** A page opened on the desk: its document, what the server says of it, and what is chosen. */
export class Desk {
  draft = $state.raw<Draft | null>(null);
  look = $state.raw<Look | null>(null);
  problem = $state('');
  title = $state('');
  path = $state('');
  summary = $state('');
  pieces = $state.raw<Piece[]>([]);
  /** Id of the chosen piece; null shows the page's own sheet. */
  chosen = $state<string | null>(null);
  marks = $state.raw<Marks>({ kind: 'paragraph', bold: false, italic: false, link: null });
  width = $state(1280);
  proofOn = $state(true);
  drawerOpen = $state(false);
  /** The figure whose picture the next click in the drawer changes. */
  swapping = $state<string | null>(null);
  /** Where the next picture from the drawer goes; null follows the caret. */
  gap = $state.raw<Gap | null>(null);
  canUndo = $state(false);
  canRedo = $state(false);
  /** Counts up whenever something on the page may have moved. */
  moved = $state(0);
  readonly keeping: Keeping;
  editor: Editor | null = null;
  frame: HTMLIFrameElement | null = null;
  private views: FigureViews;
  private lookTimer = 0;
  private looking = false;
  private lookAgain = false;
  private figuresSeen = '';
  private lastBody: Schemas['DraftChange'] | null = null;

  constructor(
    readonly id: string,
    readonly site: SiteLook,
  ) {
    this.views = new FigureViews(() => this.frame!.contentDocument!);
    this.keeping = new Keeping(id, () => this.body());
  }

  readonly chosenPiece = $derived(this.pieces.find((piece) => piece.id === this.chosen) ?? null);
  get widthClass(): 'phone' | 'tablet' | 'desktop' {
    const { desktopFromPx, tabletFromPx } = this.site.classes;
    return this.width >= desktopFromPx ? 'desktop' : this.width >= tabletFromPx ? 'tablet' : 'phone';
  }

  async load() {
    this.draft = await answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: this.id } } }));
    this.keeping.begin(this.draft);
  }

  /** Mounts the editor into the page in the frame: its column becomes the text that is worked on. */
  mount(frame: HTMLIFrameElement) {
    const inside = frame.contentDocument;
    const column = inside?.querySelector<HTMLElement>('#content > .column');
    if (!this.draft || !inside || !column) return;
    this.editor?.destroy();
    this.frame = frame;
    const style = inside.createElement('style');
    style.textContent = frameStyle;
    inside.head.append(style);
    const left = this.keeping.leftBehind();
    this.editor = new Editor({
      element: { mount: column },
      injectCSS: false,
      extensions: extensions(this.views),
      content: contentOf(
        left
          ? { ...this.draft, ...left, path: left.path ?? '', summary: left.summary ?? '', document: left.document }
          : this.draft,
      ),
      onTransaction: ({ transaction }) => this.follow(transaction.docChanged),
    });
    column.setAttribute('role', 'textbox');
    column.setAttribute('aria-multiline', 'true');
    column.setAttribute('aria-label', 'The page');
    this.follow(false);
    void this.askLook();
    if (left) this.keeping.changed();
  }

  destroy() {
    clearTimeout(this.lookTimer);
    if (this.editor) this.lastBody = this.body();
    void this.keeping.now();
    this.editor?.destroy();
    this.editor = null;
  }

  // What is chosen

  choose(id: string | null, focus = true) {
    this.gap = null;
    if (id === null) {
      const view = this.editor?.view;
      if (view && view.state.selection instanceof NodeSelection)
        view.dispatch(
          view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(view.state.selection.to), 1)),
        );
      view?.dom.blur();
      this.chosen = null;
      return;
    }
    const at = this.at(id);
    if (!this.editor || !at) return;
    const { state, view } = this.editor;
    const selection =
      at.node.type.name === 'figure'
        ? NodeSelection.create(state.doc, at.pos)
        : TextSelection.near(state.doc.resolve(at.pos + 1));
    view.dispatch(state.tr.setSelection(selection));
    this.chosen = id;
    if (focus) view.focus();
    this.elementOf(id)?.scrollIntoView({ block: 'nearest' });
  }

  elementOf(id: string | null): HTMLElement | null {
    return id
      ? (this.frame?.contentDocument?.querySelector<HTMLElement>(`#content [data-block="${CSS.escape(id)}"]`) ?? null)
      : null;
  }

  // Changing the page

  setFigure(id: string, change: Partial<FigureAttrs>) {
    const at = this.at(id);
    if (!this.editor || !at) return;
    const { state, view } = this.editor;
    const tr = state.tr;
    for (const [name, value] of Object.entries(change)) tr.setNodeAttribute(at.pos, name, value);
    if (state.selection instanceof NodeSelection)
      tr.setSelection(NodeSelection.create(tr.doc, tr.mapping.map(state.selection.from)));
    view.dispatch(tr);
  }

  setPage(change: { title?: string; path?: string; summary?: string }) {
    if (!this.editor) return;
    const { state, view } = this.editor;
    const title = state.doc.firstChild!;
    const tr = state.tr;
    if (change.path !== undefined) tr.setNodeAttribute(0, 'path', change.path);
    if (change.summary !== undefined) tr.setNodeAttribute(0, 'summary', change.summary);
    if (change.title !== undefined)
      tr.replaceWith(1, title.nodeSize - 1, change.title ? state.schema.text(change.title) : []);
    view.dispatch(tr);
  }

  /** Puts pictures in, one after the other, and chooses the last. */
  place(assets: string[], gap: Gap = this.gap ?? this.caretGap()) {
    if (!this.editor || assets.length === 0) return;
    const { state, view } = this.editor;
    const nodes = assets.map((asset) => state.schema.node('figure', { id: newId(), asset }));
    const tr = state.tr.insert(this.posOf(gap), nodes);
    view.dispatch(tr);
    this.gap = null;
    this.choose(nodes.at(-1)!.attrs.id as string, false);
  }

  /** Takes files into the library and then into the page; the place is held by the piece before it. */
  async placeFiles(files: File[], gap: Gap = this.gap ?? this.caretGap()) {
    const ids = await uploads.add(files);
    this.place(
      ids.filter((id) => id !== null),
      gap,
    );
  }

  insert(kind: 'paragraph' | 'heading' | 'bulletList' | 'blockquote' | 'horizontalRule', gap: Gap) {
    if (!this.editor) return;
    const { state, view } = this.editor;
    const { schema } = state;
    const id = newId();
    const empty = () => schema.node('paragraph');
    const node = {
      paragraph: () => schema.node('paragraph', { id }),
      heading: () => schema.node('heading', { id, level: 2 }),
      bulletList: () => schema.node('bulletList', { id }, schema.node('listItem', null, empty())),
      blockquote: () => schema.node('blockquote', { id }, empty()),
      horizontalRule: () => schema.node('horizontalRule', { id }),
    }[kind]();
    view.dispatch(state.tr.insert(this.posOf(gap), node));
    this.choose(id);
  }

  takeOut(id: string) {
    const at = this.at(id);
    if (!this.editor || !at) return;
    const { state, view } = this.editor;
    const tr = state.tr.delete(at.pos, at.pos + at.node.nodeSize);
    if (tr.doc.childCount < 2) tr.insert(tr.doc.content.size, state.schema.node('paragraph', { id: newId() }));
    view.dispatch(tr);
    this.choose(null);
  }

  /** Moves a piece to a gap; what stands there makes room. */
  moveTo(id: string, gap: Gap) {
    const at = this.at(id);
    if (!this.editor || !at || gap.after === id) return;
    const { state, view } = this.editor;
    const target = this.posOf(gap);
    if (target === at.pos || target === at.pos + at.node.nodeSize) return;
    const tr = state.tr.delete(at.pos, at.pos + at.node.nodeSize);
    const pos = tr.mapping.map(target);
    tr.insert(pos, at.node);
    tr.setSelection(
      at.node.type.name === 'figure' ? NodeSelection.create(tr.doc, pos) : TextSelection.near(tr.doc.resolve(pos + 1)),
    );
    view.dispatch(tr.scrollIntoView());
    this.chosen = id;
  }

  moveBy(id: string, by: -1 | 1) {
    const i = this.pieces.findIndex((piece) => piece.id === id);
    const before = this.pieces[by < 0 ? i - 2 : i + 1];
    if (i < 0 || (by > 0 && !before) || (by < 0 && i === 0)) return;
    this.moveTo(id, { after: before?.id ?? null });
  }

  /** To the picture room and, from there, back to this page. */
  toRoom(asset: string) {
    void goto(`/library/room/${asset}?from=${encodeURIComponent(this.id)}`);
  }
  undo = () => this.editor?.commands.undo();
  redo = () => this.editor?.commands.redo();

  takeTheirs() {
    const theirs = this.keeping.theirs;
    if (theirs) this.show(theirs);
  }

  /** Another window kept this page: shown at once where nothing here waits to be kept. */
  async heard(version: number) {
    if (version <= this.keeping.version || this.keeping.state !== 'kept') return;
    const now = await answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: this.id } } }));
    if (now.version > this.keeping.version && this.keeping.state === 'kept') this.show(now);
  }

  /** One step, so that undo brings back what stood here. */
  private show(draft: Draft) {
    if (!this.editor) return;
    const { state, view } = this.editor;
    const doc = state.schema.nodeFromJSON(contentOf(draft));
    view.dispatch(state.tr.replaceWith(0, state.doc.content.size, doc.content));
    this.keeping.tookTheirs(draft);
  }

  /** After the piece that holds the caret or is chosen; at the end where nothing is. */
  caretGap(): Gap {
    if (this.chosen !== null) return { after: this.chosen };
    const inTitle = this.editor?.isFocused && this.editor.state.selection.$from.parent.type.name === 'title';
    return { after: inTitle ? null : (this.pieces.at(-1)?.id ?? null) };
  }

  async askLook() {
    if (!this.editor) return;
    if (this.looking) {
      this.lookAgain = true;
      return;
    }
    this.looking = true;
    try {
      const look = await answer(
        api.POST('/api/pages/{id}/look', { params: { path: { id: this.id } }, body: this.body() }),
      );
      this.views.draw(look.blocks);
      this.look = look;
      this.moved++;
      this.problem = '';
    } catch (error) {
      this.problem = sentenceOf(error);
    }
    this.looking = false;
    if (this.lookAgain) {
      this.lookAgain = false;
      void this.askLook();
    }
  }

  private follow(docChanged: boolean) {
    const editor = this.editor;
    if (!editor) return;
    const { doc, selection } = editor.state;
    this.canUndo = editor.can().undo();
    this.canRedo = editor.can().redo();
    if (docChanged || this.pieces.length === 0) this.read(doc);
    const caret = selection.$from;
    const top =
      selection instanceof NodeSelection && caret.depth === 0 ? selection.node : caret.depth > 0 ? caret.node(1) : null;
    if (editor.isFocused || selection instanceof NodeSelection)
      this.chosen = (top?.attrs.id as string | undefined) ?? null;
    if (top && top.type.name !== 'figure')
      this.marks = {
        kind: top.type.name === 'heading' ? `heading${top.attrs.level}` : top.type.name,
        bold: editor.isActive('bold'),
        italic: editor.isActive('italic'),
        link: editor.isActive('link') ? (editor.getAttributes('link').href as string) : null,
      };
    this.moved++;
    if (!docChanged) return;
    this.keeping.changed();
    const figures = JSON.stringify(this.pieces.map((piece) => piece.figure));
    clearTimeout(this.lookTimer);
    // A picture that changed is redrawn at once; words are on the page already and only the figures of their weight wait.
    if (figures !== this.figuresSeen) void this.askLook();
    else this.lookTimer = window.setTimeout(() => void this.askLook(), lookRestMs);
    this.figuresSeen = figures;
  }

  private read(doc: PmNode) {
    const pieces: Piece[] = [];
    doc.forEach((node) => {
      if (node.type.name === 'title') {
        this.title = node.textContent;
        this.path = node.attrs.path as string;
        this.summary = node.attrs.summary as string;
      } else
        pieces.push({
          id: node.attrs.id as string,
          kind: node.type.name,
          text: node.textContent.slice(0, 80),
          figure: node.type.name === 'figure' ? (node.attrs as FigureAttrs) : null,
        });
    });
    this.pieces = pieces;
  }

  private at(id: string) {
    let found: { node: PmNode; pos: number } | null = null;
    this.editor?.state.doc.forEach((node, pos) => {
      if (node.attrs.id === id) found = { node, pos };
    });
    return found as { node: PmNode; pos: number } | null;
  }

  private posOf(gap: Gap) {
    const at = gap.after === null ? null : this.at(gap.after);
    return at ? at.pos + at.node.nodeSize : this.editor!.state.doc.firstChild!.nodeSize;
  }

  /** The draft as it stands; once the desk is left, as it stood last, so that what is still on its way is whole. */
  private body(): Schemas['DraftChange'] {
    if (!this.editor && this.lastBody) return this.lastBody;
    const [title, ...content] = this.editor?.getJSON().content ?? [];
    return {
      title: title?.content?.map((part) => ('text' in part ? part.text : '')).join('') ?? '',
      path: (title?.attrs?.path as string | undefined) ?? null,
      summary: (title?.attrs?.summary as string | undefined) ?? '',
      document: { type: 'doc', content },
    };
  }
}

function contentOf(draft: { title: string; path: string; summary: string; document: unknown }): JSONContent {
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
      ...pieces,
    ],
  };
}
