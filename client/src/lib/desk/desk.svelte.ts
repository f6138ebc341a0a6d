import { goto } from '$app/navigation';
import { Editor, type JSONContent } from '@tiptap/core';
import type { Node as PmNode } from '@tiptap/pm/model';
import { NodeSelection, Selection, TextSelection } from '@tiptap/pm/state';
import { answer, api, sentenceOf, type Draft, type Look, type Schemas, type SiteLook } from '$lib/api/client';
import type { Opened } from '$lib/arrangements/opened.svelte';
import { keepAll } from '$lib/intake/keepAll';
import { stillOf } from '$lib/library/film';
import { uploads } from '$lib/library/uploads.svelte';
import { FigureViews, frameStyle } from './figureView';
import { slotAt } from './geometry';
import { Keeping } from './keeping.svelte';
import { Cells, takenOut, type At } from './cells.svelte';
import { tried, triedId, withPieceIn } from './tried';
import { contentOf, holds, isPiece, piecesOf, type Piece } from './pieces';
import {
  extensions,
  newId,
  ownVideo,
  type BandAttrs,
  type ButtonAttrs,
  type ColumnsAttrs,
  type FigureAttrs,
  type FigureException,
  type FilesAttrs,
  type ArrangementAttrs,
  type LinePictureAttrs,
  type WidthClass,
} from './schema';

/** Where something new would stand: after the piece with this id, or first of all, in the page or inside a band. */
export type Gap = { after: string | null; inside?: string };
export type Marks = { kind: string; bold: boolean; italic: boolean; link: string | null };

const lookRestMs = 300;

/** A page opened on the desk: its document, what the server says of it, and what is chosen. */
export class Desk {
  /** What holds for the whole site; it may be changed here or in another window. */
  site: SiteLook = $state.raw(null!);
  /** Counts up whenever the site's style sheet is another. */
  styled = $state(0);
  draft = $state.raw<Draft | null>(null);
  look = $state.raw<Look | null>(null);
  problem = $state('');
  /** What became of something that was pasted or dropped; empty where all of it came. */
  said = $state('');
  title = $state('');
  path = $state('');
  summary = $state('');
  /** Addresses that the page had before, which lead on to it. */
  oldPaths = $state.raw<string[]>([]);
  pieces = $state.raw<Piece[]>([]);
  /** Pictures that stand in cells, and pictures and columns that stand in bands. */
  inner = $state.raw<Piece[]>([]);
  /** Every picture, and every band that may have one behind it, in the order of the page. */
  pictures = $state.raw<Piece[]>([]);
  /** Id of the chosen piece; null shows the page's own sheet. */
  chosen = $state<string | null>(null);
  /** The button whose words hold the caret. */
  button = $state.raw<ButtonAttrs | null>(null);
  marks = $state.raw<Marks>({ kind: 'paragraph', bold: false, italic: false, link: null });
  width = $state(1280);
  proofOn = $state(true);
  drawerOpen = $state(false);
  /** The figure whose picture the next click in the drawer changes. */
  swapping = $state<string | null>(null);
  /** The only width at which it changes; null for all. */
  swappingAt = $state<WidthClass | null>(null);
  /** A picture that is tried in that place: drawn there and on the phone proof, and not in the draft. */
  tried = $state<string | null>(null);
  /** Where, if not in a place that has a picture. */
  private triedGap: Gap | null = null;
  /** Where the next picture from the drawer goes; null follows the caret. */
  gap = $state.raw<Gap | null>(null);
  /** The next picture from the drawer goes into the line at the caret. */
  inLine = $state(false);
  /** The arrangement whose sheet is open: pictures from the drawer go into it. */
  openedSet = $state.raw<Opened | null>(null);
  /** Where a video is to be put that is being chosen. */
  addingVideo = $state.raw<Gap | null>(null);
  canUndo = $state(false);
  canRedo = $state(false);
  /** Counts up whenever something on the page may have moved. */
  moved = $state(0);
  readonly keeping: Keeping;
  readonly cells = new Cells(this);
  editor: Editor | null = null;
  frame: HTMLIFrameElement | null = null;
  private views: FigureViews;
  private wants: HTMLStyleElement | null = null;
  private lookTimer = 0;
  private looking = false;
  private following = false;
  private lookAgain = false;
  private figuresSeen = '';
  /** The words that hold the caret, inside a cell or band. */
  private caretIn: string | null = null;
  private lastBody: Schemas['DraftChange'] | null = null;

  constructor(
    readonly id: string,
    site: SiteLook,
  ) {
    this.site = site;
    this.views = new FigureViews(() => this.frame!.contentDocument!);
    this.keeping = new Keeping(
      id,
      () => this.body(),
      (draft) => this.show(draft),
    );
  }

  readonly chosenPiece = $derived(this.pieceOf(this.chosen));
  /** The columns that are chosen, or that hold what is. */
  readonly chosenColumns = $derived(this.chosenPiece?.columns ? this.chosenPiece : this.columnsOf(this.chosenPiece));

  private pieceOf(id: string | null) {
    return id === null ? null : ([...this.pieces, ...this.inner].find((piece) => piece.id === id) ?? null);
  }

  private columnsOf(piece: Piece | null) {
    const holder = this.pieceOf(piece?.within ?? null);
    return holder?.columns ? holder : null;
  }

  get widthClass(): WidthClass {
    const { desktopFromPx, tabletFromPx } = this.site.classes;
    return this.width >= desktopFromPx ? 'desktop' : this.width >= tabletFromPx ? 'tablet' : 'phone';
  }

  async load() {
    this.draft = await answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: this.id } } }));
    this.oldPaths = this.draft.oldPaths;
    await this.keeping.open(this.draft);
  }

  async rename(path: string) {
    await this.keeping.rename(path);
    this.setPage({ path });
    await this.readOldPaths();
  }

  /** Visitors who come by an old address meet nothing from then on. */
  async forget(path: string) {
    await answer(api.DELETE('/api/pages/{id}/old-addresses', { params: { path: { id: this.id }, query: { path } } }));
    await this.readOldPaths();
  }

  private async readOldPaths() {
    this.oldPaths = (await answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: this.id } } }))).oldPaths;
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
    const left = this.keeping.takeLeft();
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
      editorProps: {
        // The editor reads the caret from the browser a moment after a click. On a slow machine it puts
        // the chosen picture back before that: a click on words leaves a chosen picture at once.
        handleClick: (view, pos, event) => {
          const { doc, selection } = view.state;
          const at = doc.resolve(pos);
          if (!(selection instanceof NodeSelection) || !at.parent.inlineContent || event.shiftKey) return false;
          if (pos >= selection.from && pos <= selection.to) return false;
          view.dispatch(view.state.tr.setSelection(TextSelection.near(at)));
          return false;
        },
      },
    });
    column.setAttribute('role', 'textbox');
    column.setAttribute('aria-multiline', 'true');
    column.setAttribute('aria-label', 'The page');
    this.follow(false);
    void this.askLook();
    if (left) this.keeping.changed();
    if (this.isBlank) this.writeAt(null);
  }

  /** A page on which nothing stands yet: whoever opens it means to write. */
  private get isBlank() {
    const { doc } = this.editor!.state;
    return doc.childCount === 2 && doc.child(1).type.name === 'paragraph' && doc.child(1).content.size === 0;
  }

  /** Puts the caret where the paper was pressed beside the words; below the last piece, or for null, on the last line. */
  writeAt(point: { left: number; top: number } | null) {
    if (!this.editor || !this.frame) return;
    const { view } = this.editor;
    const boxes = [...view.dom.children].map((piece) => piece.getBoundingClientRect());
    this.frame.contentWindow?.focus();
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
    else this.writeAtEnd();
    view.focus();
  }

  /** An empty line where the page does not end with one: it is never kept. */
  private writeAtEnd() {
    const { state, view } = this.editor!;
    const { tr } = state;
    if (state.doc.lastChild?.type.name !== 'paragraph')
      tr.insert(tr.doc.content.size, state.schema.node('paragraph', { id: newId() }));
    view.dispatch(tr.setSelection(TextSelection.atEnd(tr.doc)));
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
    const selection = ['figure', 'linePicture', 'files', 'arrangement', 'columns', 'band'].includes(at.node.type.name)
      ? NodeSelection.create(state.doc, at.pos)
      : TextSelection.near(state.doc.resolve(at.pos + 1));
    view.dispatch(state.tr.setSelection(selection));
    this.chosen = id;
    if (focus) view.focus();
    this.reveal(id);
  }

  elementOf(id: string | null): HTMLElement | null {
    return id
      ? (this.frame?.contentDocument?.querySelector<HTMLElement>(`#content [data-block="${CSS.escape(id)}"]`) ?? null)
      : null;
  }

  /** Brings a piece into view by scrolling the page alone, never what lies around it. */
  reveal(id: string | null) {
    const view = this.frame?.contentWindow;
    const box = this.elementOf(id)?.getBoundingClientRect();
    if (!view || !box) return;
    const marginPx = 16;
    if (box.top < marginPx || box.height > view.innerHeight - 2 * marginPx) view.scrollBy(0, box.top - marginPx);
    else if (box.bottom > view.innerHeight - marginPx) view.scrollBy(0, box.bottom - view.innerHeight + marginPx);
  }

  /** Empty cells say how wide a picture would stand in them at this width; links to files say what they lead to. */
  nameThings() {
    const inside = this.frame?.contentDocument;
    if (!inside) return;
    const rules = [...this.pieces, ...this.inner].flatMap(({ id, columns }) => {
      const cell = columns && this.cellOf(columns);
      return cell
        ? `[data-block="${CSS.escape(id)}"] { --wants: "${Math.round(slotAt(cell.width, this.width))} px wide"; }`
        : [];
    });
    for (const [link, facts] of Object.entries(this.look?.files ?? {}))
      rules.push(`.ProseMirror a[title="${CSS.escape(link)}"]::after { content: "${facts}"; }`);
    if (this.wants?.ownerDocument !== inside) this.wants = inside.head.appendChild(inside.createElement('style'));
    if (this.wants.textContent !== rules.join('\n')) this.wants.textContent = rules.join('\n');
  }

  /** A cell of columns as a place: its name to look through, and its width. */
  cellOf({ inRow, extent }: ColumnsAttrs) {
    return this.site.rows.find((row) => row.cells === inRow)?.reaches.find((reach) => reach.extent === extent);
  }

  // Changing the page

  setFigure(id: string, change: Partial<FigureAttrs>) {
    this.setAttributes(id, change);
  }

  /** Changes what a figure has of its own at one width; undefined takes an exception back, null all of them. */
  setException(id: string, c: WidthClass, change: FigureException | null) {
    const figure = this.pieceOf(id)?.figure;
    if (figure) this.setAttributes(id, { at: withException(figure.at, c, change) });
  }

  /** Of a band or a cell. */
  setGround(id: string, change: Partial<BandAttrs>) {
    this.setAttributes(id, change);
  }

  setButton(id: string, change: Partial<ButtonAttrs>) {
    this.setAttributes(id, change);
  }

  /** Arrangements may follow the library. */
  get hasSets() {
    return [...this.pieces, ...this.inner].some((piece) => piece.arrangement);
  }

  /** Whether a picture stands anywhere on the page, at whatever width, or behind words. */
  holds(asset: string) {
    let found = false;
    this.editor?.state.doc.descendants(({ attrs }) => {
      found ||= attrs.asset === asset || attrs.picture === asset;
      found ||= Object.values((attrs as FigureAttrs).at ?? {}).some((own) => own.asset === asset);
    });
    return found;
  }

  private setAttributes(id: string, change: object) {
    const at = this.at(id);
    if (!this.editor || !at) return;
    const { state, view } = this.editor;
    const tr = state.tr;
    for (const [name, value] of Object.entries(change)) tr.setNodeAttribute(at.pos, name, value);
    if (state.selection instanceof NodeSelection)
      tr.setSelection(NodeSelection.create(tr.doc, tr.mapping.map(state.selection.from)));
    view.dispatch(tr);
  }

  /** Opens the library to choose another picture for a place, or ends that. */
  beginSwap(id: string, at: WidthClass | null = null) {
    const ends = this.swapping === id && this.swappingAt === at;
    this.endSwap(null);
    if (!ends) [this.swapping, this.swappingAt] = [id, at];
    this.drawerOpen = this.swapping !== null;
  }

  /** The site has another style: the page is drawn by it, here and on the phone. */
  async restyled(site: SiteLook) {
    this.site = site;
    this.styled++;
    await this.askLook();
  }

  /** Shows a picture in the place that is to change, without changing it; null shows what stands there. */
  tryOn(asset: string | null) {
    // Cells are filled in their order, and show their pictures when they have them.
    const noGap = this.swapping || this.inLine || (this.openedSet && !this.gap) || (this.chosenColumns && !this.gap);
    const gap = noGap ? null : (this.gap ?? this.caretGap());
    const now = this.swapping || gap ? asset : null;
    if (this.tried === now) return;
    this.tried = now;
    this.triedGap = now === null ? null : gap;
    void this.askLook();
  }

  /** The figure that is tried: the place that is to change, or one between two pieces. */
  get triedFigure() {
    return this.tried ? (this.look?.figures[this.swapping ?? triedId] ?? null) : null;
  }

  private showTried() {
    if (!this.editor) return;
    const { state, view } = this.editor;
    const element = this.tried && this.triedGap ? this.views.copyOf(triedId) : null;
    if (!element && !tried.isShown(state)) return;
    view.dispatch(state.tr.setMeta(tried.key, element && { pos: this.posOf(this.triedGap!), element }));
    if (element) this.reveal(triedId);
  }

  /** Ends the choosing of another picture: the one that stood there stays, or another is kept. */
  endSwap(asset: string | null) {
    const place = this.swapping;
    this.swapping = null;
    const attrs = place ? (this.at(place)?.node.attrs as FigureAttrs | BandAttrs | undefined) : null;
    if (place && asset && attrs) this.setAttributes(place, pictureAttrs(attrs, asset, this.swappingAt));
    this.swappingAt = null;
    this.tryOn(null);
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

  /** Puts pictures in, one after the other, and chooses the last; with columns chosen they go into the empty cells. */
  place(assets: string[], gap: Gap | null = this.gap) {
    if (this.inLine) return this.placeInLine(assets);
    if (!gap && this.openedSet) return this.openedSet.add(assets);
    if (!gap && this.chosenPiece?.figure?.asset === '' && assets[0]) {
      // A place that waits takes the first.
      this.setFigure(this.chosenPiece.id, { asset: assets[0] });
      assets = assets.slice(1);
    }
    if (!gap && this.chosenColumns && assets.length > 0) return this.cells.fill(this.chosenColumns.id, assets);
    gap ??= this.caretGap();
    this.tryOn(null);
    if (!this.editor || assets.length === 0) return;
    const { state, view } = this.editor;
    const nodes = assets.map((asset) => state.schema.node('figure', { id: newId(), asset }));
    const tr = state.tr.insert(this.posOf(gap), nodes);
    view.dispatch(tr);
    this.gap = null;
    this.choose(nodes.at(-1)!.attrs.id as string, false);
  }

  /** Opens the library to choose a picture for the line at the caret. */
  beginInLine() {
    this.endSwap(null);
    this.gap = null;
    this.inLine = true;
    this.drawerOpen = true;
  }

  private placeInLine(assets: string[]) {
    this.inLine = false;
    if (!this.editor || assets.length === 0) return;
    const { state, view } = this.editor;
    const nodes = assets.map((asset) => state.schema.node('linePicture', { id: newId(), asset }));
    view.dispatch(state.tr.insert(state.selection.from, nodes));
    this.choose(nodes.at(-1)!.attrs.id as string, false);
  }

  /** Several pictures as one arrangement, where the next piece would go. */
  async placeTogether(assets: string[], name = `Gallery on ${this.title}`, gap: Gap = this.gap ?? this.caretGap()) {
    this.tryOn(null);
    try {
      const made = await answer(api.POST('/api/arrangements', { body: { name, pictures: assets } }));
      this.insertSet(made.id, gap);
    } catch (error) {
      this.said = sentenceOf(error);
    }
  }

  /** Files into the library, and all of them that are pictures as one arrangement. */
  async placeFilesTogether(files: File[], name?: string, gap: Gap = this.gap ?? this.caretGap()) {
    const ids = (await uploads.add(files)).filter((id) => id !== null);
    if (ids.length > 0) await this.placeTogether(ids, name, gap);
  }

  private insertSet(arrangement: string, gap: Gap) {
    if (!this.editor) return;
    const { state, view } = this.editor;
    const node = state.schema.node('arrangement', { id: newId(), arrangement });
    view.dispatch(state.tr.insert(this.posOf(gap), node));
    this.gap = null;
    this.choose(node.attrs.id as string, false);
  }

  /** Of a picture in a line, a table of files or an arrangement. */
  setPiece(id: string, change: Partial<LinePictureAttrs> | Partial<FilesAttrs> | Partial<ArrangementAttrs>) {
    this.setAttributes(id, change);
  }

  /** Takes files into the library and then into the page; the place is held by the piece before it, or by the columns. */
  async placeFiles(files: File[], gap: Gap | null = this.gap) {
    if (!gap && this.chosenColumns) return this.cells.fillFiles(this.chosenColumns.id, files);
    if (!gap && this.openedSet) return this.openedSet.addFiles(files);
    gap ??= this.caretGap();
    const videos = files.filter((file) => file.type.startsWith('video/'));
    if (videos.length > 0) {
      await this.placeVideoFiles(videos, gap);
      files = files.filter((file) => !videos.includes(file));
    }
    const ids = await uploads.add(files);
    this.place(
      ids.filter((id) => id !== null),
      gap,
    );
  }

  /** Words with pictures from elsewhere: read and cleaned by the server, the pictures taken into the library. */
  async placePasted(html: string, gap: Gap = this.caretGap()) {
    this.said = 'What you pasted is being read.';
    try {
      const found = await answer(api.POST('/api/intake/pasted', { body: { html, address: null } }));
      const kept = await keepAll(found);
      if (!this.editor) return;
      const { state, view } = this.editor;
      const nodes = (kept.words?.content ?? []).map((piece) => state.schema.nodeFromJSON(piece));
      view.dispatch(state.tr.insert(this.posOf(gap), nodes));
      this.said = kept.leftOut.map(({ name, sentence }) => `${name}: ${sentence}`).join(' ');
    } catch (error) {
      this.said = sentenceOf(error);
    }
  }

  private async placeVideoFiles(files: File[], gap: Gap) {
    const { ids, refused } = await uploads.addOthers(files);
    this.said = refused ?? '';
    for (const [i, file] of ids.entries()) {
      try {
        const [still] = await uploads.add([await stillOf(file, files[i]!.name.replace(/\.\w+$/, ''))]);
        this.addingVideo = gap;
        if (still) this.placeVideo(still, ownVideo(file));
      } catch (error) {
        this.said = sentenceOf(error);
      }
    }
  }

  /** Puts a video in by its still, where it was asked for. */
  placeVideo(still: string, video: NonNullable<FigureAttrs['video']>) {
    const gap = this.addingVideo ?? this.caretGap();
    this.addingVideo = null;
    if (!this.editor) return;
    const { state, view } = this.editor;
    const node = state.schema.node('figure', { id: newId(), asset: still, video });
    view.dispatch(state.tr.insert(this.posOf(gap), node));
    this.gap = null;
    this.choose(node.attrs.id as string, false);
  }

  insert(
    kind:
      | 'band'
      | 'button'
      | 'columns'
      | 'figure'
      | 'files'
      | 'arrangement'
      | 'paragraph'
      | 'heading'
      | 'bulletList'
      | 'blockquote'
      | 'horizontalRule',
    gap: Gap,
  ) {
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
      button: () => schema.node('button', { id }),
      figure: () => schema.node('figure', { id }),
      files: () => schema.node('files', { id }),
      arrangement: () => schema.node('arrangement', { id }),
      columns: () =>
        schema.node(
          'columns',
          { id, inRow: 4 },
          Array.from({ length: 4 }, () => schema.node('cell', { id: newId() }, empty())),
        ),
      band: () => schema.node('band', { id }, empty()),
    }[kind]();
    view.dispatch(state.tr.insert(this.posOf(gap), node));
    this.choose(id);
    if (kind === 'band') this.enter(id);
  }

  /** Columns or a band chosen as one thing, and not by a caret in their words. */
  get chosenWhole() {
    const piece = this.chosenPiece;
    return piece && (piece.columns || piece.band) && this.marks.kind === piece.kind ? piece : null;
  }

  /** The caret goes into a piece, to its first words. */
  enter(id: string) {
    const at = this.at(id);
    if (!this.editor || !at) return;
    const { state, view } = this.editor;
    view.dispatch(state.tr.setSelection(TextSelection.near(state.doc.resolve(at.pos + 1))).scrollIntoView());
    view.focus();
  }

  takeOut(id: string) {
    const at = this.at(id);
    if (!this.editor || !at) return;
    const { state, view } = this.editor;
    const tr = takenOut(state, at);
    if (tr.doc.childCount < 2) tr.insert(tr.doc.content.size, state.schema.node('paragraph', { id: newId() }));
    view.dispatch(tr);
    this.choose(null);
  }

  /** Moves a piece to a gap; what stands there makes room. */
  moveTo(id: string, gap: Gap) {
    const at = this.at(id);
    if (!this.editor || !at || gap.after === id || (at.node.type.name === 'band' && this.isInBand(gap))) return;
    const { state, view } = this.editor;
    const target = this.posOf(gap);
    if (target === at.pos || target === at.pos + at.node.nodeSize) return;
    const tr = takenOut(state, at);
    const pos = tr.mapping.map(target);
    tr.insert(pos, at.node);
    tr.setSelection(
      ['figure', 'files', 'arrangement'].includes(at.node.type.name)
        ? NodeSelection.create(tr.doc, pos)
        : TextSelection.near(tr.doc.resolve(pos + 1)),
    );
    view.dispatch(tr.scrollIntoView());
    this.chosen = id;
  }

  /** What a piece moves among: the pieces of the page, or the pictures of its cells. */
  private rowOf(id: string) {
    const cells = this.columnsOf(this.pieceOf(id))?.columns?.cells;
    if (cells) return { cells, ids: cells.map((cell) => cell.figure) };
    const at = this.at(id);
    const parent = at && this.editor?.state.doc.resolve(at.pos).parent;
    const ids: (string | null)[] = [];
    parent?.forEach((node) => node.type.name !== 'title' && ids.push(node.attrs.id as string | null));
    return { ids, inside: parent?.type.name === 'band' ? (parent.attrs.id as string) : undefined };
  }

  canMove(id: string, by: -1 | 1) {
    if (this.pieceOf(id)?.inLine) return false;
    const { ids } = this.rowOf(id);
    const i = ids.indexOf(id);
    return i >= 0 && ids[i + by] !== undefined;
  }

  moveBy(id: string, by: -1 | 1) {
    if (!this.canMove(id, by)) return;
    const { cells, ids, inside } = this.rowOf(id);
    const i = ids.indexOf(id);
    if (cells) this.cells.move(cells[i]!.id, by);
    else this.moveTo(id, { after: ids[by < 0 ? i - 2 : i + 1] ?? null, inside });
  }

  /** All widths side by side, of the page as it stands now. */
  async toProofs() {
    await this.keeping.now();
    await goto(`/pages/${this.id}/proofs`);
  }

  /** Every state the page was kept in, beside how it stands now. */
  async toHistory() {
    await this.keeping.now();
    await goto(`/pages/${this.id}/history`);
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

  /** Events may have been missed: how the page is kept now is asked for. */
  async heardAgain() {
    const { version } = await answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: this.id } } }));
    await this.heard(version);
    await this.askLook();
  }

  /** Another window kept this page: shown at once where nothing here waits to be kept. */
  async heard(version: number) {
    if (version <= this.keeping.version || this.keeping.state !== 'kept') return;
    const now = await answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: this.id } } }));
    if (now.version > this.keeping.version && this.keeping.state === 'kept') this.show(now);
  }

  /** Joined with what the other window kept, with these or with their pieces where both changed the same. */
  takeJoined(which: 'withYours' | 'withTheirs') {
    const { joined, theirs } = this.keeping;
    if (!joined || !theirs) return;
    this.put({
      ...theirs,
      ...joined[which],
      path: joined[which].path ?? '',
      summary: joined[which].summary ?? '',
    } as Draft);
    this.keeping.keepMine();
  }

  private show(draft: Draft) {
    this.put(draft);
    this.keeping.tookTheirs(draft);
  }

  /** One step, so that undo brings back what stood here; pieces that are the same stay, and the caret in them. */
  private put(draft: Draft) {
    if (!this.editor) return;
    const { state, view } = this.editor;
    const [was, now] = [state.doc, state.schema.nodeFromJSON(contentOf(draft))];
    const most = Math.min(was.childCount, now.childCount);
    let [head, tail] = [0, 0];
    while (head < most && was.child(head).eq(now.child(head))) head++;
    while (tail < most - head && was.child(was.childCount - 1 - tail).eq(now.child(now.childCount - 1 - tail))) tail++;
    const fresh = now.slice(posOf(now, head), posOf(now, now.childCount - tail)).content;
    view.dispatch(state.tr.replaceWith(posOf(was, head), posOf(was, was.childCount - tail), fresh));
  }

  /** After the piece that holds the caret or is chosen; at the end where nothing is. */
  caretGap(): Gap {
    const piece = this.chosenPiece;
    if (piece?.band && this.caretIn) return { after: this.caretIn };
    if (this.chosen !== null) {
      const isInside = piece?.inLine || this.columnsOf(piece);
      return { after: (isInside ? piece?.within : null) ?? this.chosen };
    }
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
        api.POST('/api/pages/{id}/look', {
          params: { path: { id: this.id }, query: { after: this.look?.mark } },
          body: this.bodyTried(),
        }),
      );
      this.look = this.completed(look);
      this.views.draw(this.look.blocks);
      this.showTried();
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

  /** A look tells only what is not as in the one before. */
  private completed({ blocks, figures, ...rest }: Schemas['Look']): Look {
    const before = Object.fromEntries(this.look?.blocks.map((block) => [block.id, block.html]) ?? []);
    return {
      ...rest,
      blocks: blocks.map(({ id, html }) => ({ id, html: html ?? before[id] ?? '' })),
      figures: { ...this.look?.figures, ...figures },
    };
  }

  private follow(docChanged: boolean) {
    const editor = this.editor;
    if (!editor) return;
    const { doc, selection } = editor.state;
    this.canUndo = editor.can().undo();
    this.canRedo = editor.can().redo();
    if (docChanged || this.pieces.length === 0) this.read(doc);
    const caret = selection.$from;
    const around = Array.from({ length: caret.depth }, (_, i) => caret.node(i + 1));
    const node = selection instanceof NodeSelection && isPiece(selection.node, caret.parent) ? selection.node : null;
    // A caret in a cell or band chooses the columns or the band round it, and says what its own words are.
    const top = node ?? around.findLast((one) => ['columns', 'band'].includes(one.type.name)) ?? around[0] ?? null;
    const words = node ?? around.findLast((one, i) => i > 0 && holds(around[i - 1]!)) ?? around[0] ?? null;
    if (editor.isFocused || selection instanceof NodeSelection)
      this.chosen = (top?.attrs.id as string | undefined) ?? null;
    this.button = caret.parent.type.name === 'button' ? (caret.parent.attrs as ButtonAttrs) : null;
    this.caretIn = words && words !== top ? (words.attrs.id as string | null) : null;
    if (words && !['figure', 'linePicture', 'files', 'arrangement'].includes(words.type.name))
      this.marks = {
        kind: words.type.name === 'heading' ? `heading${words.attrs.level}` : words.type.name,
        bold: editor.isActive('bold'),
        italic: editor.isActive('italic'),
        link: editor.isActive('link') ? (editor.getAttributes('link').href as string) : null,
      };
    if (docChanged && !(selection instanceof NodeSelection)) this.followAfterPaint();
    else this.moved++;
    if (!docChanged) return;
    this.keeping.changed();
    const figures = JSON.stringify(
      [...this.pieces, ...this.inner].map(({ figure, columns, band, inLine, files, arrangement }) => [
        figure,
        columns,
        band,
        inLine,
        files,
        arrangement,
      ]),
    );
    clearTimeout(this.lookTimer);
    // A picture that changed is redrawn at once; words are on the page already and only the figures of their weight wait.
    if (figures !== this.figuresSeen) void this.askLook();
    else this.lookTimer = window.setTimeout(() => void this.askLook(), lookRestMs);
    this.figuresSeen = figures;
  }

  /** While someone types, the letter comes first: what is drawn round the page and the proof follow it a frame later. */
  private followAfterPaint() {
    if (this.following) return;
    this.following = true;
    requestAnimationFrame(() =>
      setTimeout(() => {
        this.following = false;
        this.moved++;
      }),
    );
  }

  private read(doc: PmNode) {
    const title = doc.firstChild!;
    this.title = title.textContent;
    this.path = title.attrs.path as string;
    this.summary = title.attrs.summary as string;
    ({ pieces: this.pieces, inner: this.inner, pictures: this.pictures } = piecesOf(doc));
  }

  /** A piece of the page, a cell, a picture in one, or a picture in a line. */
  at(id: string) {
    let found: At | null = null;
    this.editor?.state.doc.descendants((node, pos) => {
      if (!found && node.attrs.id === id) found = { node, pos };
      return !found && !node.isText;
    });
    return found as At | null;
  }

  private posOf(gap: Gap) {
    const at = gap.after === null ? null : this.at(gap.after);
    if (at) return at.pos + at.node.nodeSize;
    const band = gap.inside === undefined ? null : this.at(gap.inside);
    return band ? band.pos + 1 : this.editor!.state.doc.firstChild!.nodeSize;
  }

  /** Whether what is put there stands inside a band, which holds no other band. */
  isInBand(gap: Gap) {
    const at = gap.after === null ? null : this.at(gap.after);
    return at ? this.editor?.state.doc.resolve(at.pos).parent.type.name === 'band' : gap.inside !== undefined;
  }

  private bodyTried(): Schemas['DraftChange'] {
    const body = this.body();
    const [place, asset] = [this.swapping, this.tried];
    if (asset && this.triedGap) {
      const document = body.document as JSONContent;
      const piece = { type: 'figure', attrs: { id: triedId, asset, decorative: true } };
      return { ...body, document: { ...document, content: withPieceIn(document.content ?? [], this.triedGap, piece) } };
    }
    if (!place || !asset) return body;
    const within = (node: JSONContent): JSONContent =>
      node.attrs?.id === place
        ? {
            ...node,
            attrs: { ...node.attrs, ...pictureAttrs(node.attrs as FigureAttrs | BandAttrs, asset, this.swappingAt) },
          }
        : { ...node, ...(node.content && { content: node.content.map(within) }) };
    return { ...body, document: within(body.document as JSONContent) };
  }

  /** The draft as it stands; once the desk is left, as it stood last, so that what is still on its way is whole. */
  body(): Schemas['DraftChange'] {
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

/** What was written for the picture before is not said of the next one. */
function pictureAttrs(attrs: FigureAttrs | BandAttrs, asset: string, at: WidthClass | null) {
  if (!('asset' in attrs)) return { picture: asset };
  return at ? { at: withException(attrs.at, at, { asset }) } : { asset, alt: null };
}

/** Nothing is kept of a width that is as everywhere. */
function withException(at: FigureAttrs['at'], c: WidthClass, change: FigureException | null): FigureAttrs['at'] {
  const own = Object.fromEntries(
    Object.entries(change ? { ...at?.[c], ...change } : {}).filter(([, value]) => value !== undefined),
  );
  const all = { ...at, [c]: own };
  if (Object.keys(own).length === 0) delete all[c];
  return Object.keys(all).length > 0 ? all : null;
}

/** Where the piece with this number begins. */
function posOf(doc: PmNode, number: number) {
  let pos = 0;
  for (let i = 0; i < number; i++) pos += doc.child(i).nodeSize;
  return pos;
}
