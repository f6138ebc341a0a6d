import type { Node as PmNode } from '@tiptap/pm/model';
import type { Editor } from '@tiptap/core';
import { NodeSelection, TextSelection } from '@tiptap/pm/state';
import type { Schemas, SiteLook } from '$lib/api/client';
import type { Opened } from '$lib/arrangements/opened.svelte';
import type { ButtonAttrs, ColumnsAttrs, FigureException, WidthClass } from '$lib/model/attrs';
import { Autosave } from './autosave.svelte';
import { Cells } from './cells.svelte';
import { Deeds } from './deeds.svelte';
import { at, choiceOf, holdsPicture, withAttributes, withException, withPage, type Gap } from './editor/commands';
import { classAt } from './geometry';
import { FigureViews } from './editor/figureView';
import { marksOf, noMarks } from './editor/marks';
import { isBlank, mount, writeAt } from './editor/mount';
import { keepPast, takePast } from './editor/past';
import { Runs } from './runs';
import { chosenIn, piecesOf, type Piece } from './editor/pieces';
import { InsertMedia } from './insertMedia.svelte';
import { Moves } from './moves';
import { Preview } from './preview.svelte';
import { Session } from './session.svelte';
import { Sets } from './sets';
import { Trial } from './trial.svelte';

/** A page opened on the desk: its document and what is chosen in it; what is done with it has a part of its own. */
export class Desk {
  /** What holds for the whole site; it may be changed here or in another window. */
  site: SiteLook = $state.raw(null!);
  /** Counts up whenever the site's style sheet is another. */
  styled = $state(0);
  title = $state('');
  path = $state('');
  summary = $state('');
  pieces = $state.raw<Piece[]>([]);
  /** Pictures that stand in cells, and pictures and columns that stand in bands. */
  inner = $state.raw<Piece[]>([]);
  /** Every picture, and every band that may have one behind it, in the order of the page. */
  pictures = $state.raw<Piece[]>([]);
  /** Id of the chosen piece; null shows the page's own sheet. */
  chosen = $state<string | null>(null);
  /** The button whose words hold the caret. */
  button = $state.raw<ButtonAttrs | null>(null);
  marks = $state.raw(noMarks);
  width = $state(1280);
  proofOn = $state(true);
  drawerOpen = $state(false);
  /** Where the next picture from the drawer goes; null follows the caret. */
  gap = $state.raw<Gap | null>(null);
  /** The arrangement whose sheet is open: pictures from the drawer go into it. */
  openedSet = $state.raw<Opened | null>(null);
  /** Counts up whenever something on the page may have moved. */
  moved = $state(0);
  readonly autosave: Autosave;
  readonly deeds = new Deeds();
  readonly sets = new Sets(this.deeds);
  readonly session = new Session(this);
  readonly preview = new Preview(this);
  readonly trial = new Trial(this);
  readonly media = new InsertMedia(this);
  readonly moves = new Moves(this);
  readonly cells = new Cells(this);
  readonly views: FigureViews;
  editor: Editor | null = null;
  frame: HTMLIFrameElement | null = null;
  /** The piece that the address names: chosen as the page opens. */
  wanted: string | null = null;
  private following = false;
  private readonly runs = new Runs();
  /** The words that hold the caret, inside a cell or band. */
  private caretIn: string | null = null;
  private lastBody: Schemas['DraftChange'] | null = null;

  constructor(
    readonly id: string,
    site: SiteLook,
  ) {
    this.site = site;
    this.views = new FigureViews(() => this.frame!.contentDocument!);
    this.autosave = new Autosave(
      id,
      () => this.body(),
      (draft) => this.session.show(draft),
    );
  }

  readonly chosenPiece = $derived(this.pieceOf(this.chosen));
  /** The columns that are chosen, or that hold what is. */
  readonly chosenColumns = $derived(this.chosenPiece?.columns ? this.chosenPiece : this.columnsOf(this.chosenPiece));

  pieceOf(id: string | null) {
    return id === null ? null : ([...this.pieces, ...this.inner].find((piece) => piece.id === id) ?? null);
  }

  columnsOf(piece: Piece | null) {
    const holder = this.pieceOf(piece?.within ?? null);
    return holder?.columns ? holder : null;
  }

  get widthClass(): WidthClass {
    return classAt(this.width, this.site.classes);
  }

  /** Mounts the editor into the page in the frame: its column becomes the text that is worked on. */
  mount(frame: HTMLIFrameElement) {
    const inside = frame.contentDocument;
    const column = inside?.querySelector<HTMLElement>('#content > .column');
    const { draft } = this.session;
    if (!draft || !inside || !column) return;
    this.editor?.destroy();
    this.frame = frame;
    const left = this.autosave.takeLeft();
    const begun = left ? { ...left, path: left.path ?? '', summary: left.summary ?? '' } : draft;
    let isReady = false;
    this.editor = mount(inside, column, this.views, begun, (docChanged) => isReady && this.follow(docChanged));
    this.deeds.begin(this.editor, takePast(this.id, this.editor));
    isReady = true;
    this.read(this.editor.state.doc);
    this.follow(false);
    void this.preview.ask();
    if (left) this.autosave.changed();
    if (this.wanted && this.at(this.wanted)) this.choose(this.wanted);
    else if (isBlank(this.editor)) this.writeAt(null);
    this.wanted = null;
  }

  /** Puts the caret where the paper was pressed; for null on the last line. */
  writeAt(point: { left: number; top: number } | null) {
    if (!this.editor || !this.frame) return;
    this.frame.contentWindow?.focus();
    writeAt(this.editor.view, point);
  }

  destroy() {
    this.preview.end();
    if (this.editor) this.lastBody = this.body();
    if (this.editor) keepPast(this.id, this.editor);
    void this.autosave.now();
    this.editor?.destroy();
    this.editor = null;
  }

  // What is chosen

  choose(id: string | null, focus = true) {
    this.gap = null;
    if (id === null) return this.chooseNothing();
    const piece = this.at(id);
    if (!this.editor || !piece) return;
    const { state, view } = this.editor;
    view.dispatch(state.tr.setSelection(choiceOf(state.doc, piece)));
    this.chosen = id;
    if (focus) view.focus();
    this.reveal(id);
  }

  private chooseNothing() {
    const view = this.editor?.view;
    if (view && view.state.selection instanceof NodeSelection)
      view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(view.state.selection.to), 1)));
    view?.dom.blur();
    this.chosen = null;
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

  /** A cell of columns as a place: its name to look through, and its width. */
  cellOf = ({ inRow, extent }: ColumnsAttrs) =>
    this.site.rows.find((row) => row.cells === inRow)?.reaches.find((reach) => reach.extent === extent);

  /** Columns or a band chosen as one thing, and not by a caret in their words. */
  get chosenWhole() {
    const piece = this.chosenPiece;
    return piece && (piece.columns || piece.band) && this.marks.kind === piece.kind ? piece : null;
  }

  /** The caret goes into a piece, to its first words. */
  enter(id: string) {
    const piece = this.at(id);
    if (!this.editor || !piece) return;
    const { state, view } = this.editor;
    view.dispatch(state.tr.setSelection(TextSelection.near(state.doc.resolve(piece.pos + 1))).scrollIntoView());
    view.focus();
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

  // Changing the page

  /** Decisions of a piece, by its id. */
  set(id: string, change: object) {
    const piece = this.at(id);
    if (!this.editor || !piece) return;
    const run = this.runs.of(`${id} ${Object.keys(change).join()}`);
    this.editor.view.dispatch(withAttributes(this.editor.state, piece.pos, change, run));
  }

  /** Changes what a figure has of its own at one width; undefined takes an exception back, null all of them. */
  setException(id: string, c: WidthClass, change: FigureException | null) {
    const figure = this.pieceOf(id)?.figure;
    if (figure) this.set(id, { at: withException(figure.at, c, change) });
  }

  setPage(change: { title?: string; path?: string; summary?: string }) {
    this.editor?.view.dispatch(withPage(this.editor.state, change));
  }

  /** Arrangements may follow the library. */
  get hasSets() {
    return [...this.pieces, ...this.inner].some((piece) => piece.arrangement);
  }

  /** Whether a picture stands anywhere on the page, at whatever width, or behind words. */
  holds(asset: string) {
    return this.editor !== null && holdsPicture(this.editor.state.doc, asset);
  }

  /** The site has another style: the page is drawn by it, here and on the phone. */
  async restyled(site: SiteLook) {
    this.site = site;
    this.styled++;
    await this.preview.ask();
  }

  undo = () => this.deeds.undo();
  redo = () => this.deeds.redo();

  private follow(docChanged: boolean) {
    const editor = this.editor;
    if (!editor) return;
    const { doc, selection } = editor.state;
    this.deeds.follow(editor);
    if (docChanged || this.pieces.length === 0) this.read(doc);
    this.followChoice(editor);
    if (docChanged && !(selection instanceof NodeSelection)) this.followAfterPaint();
    else this.moved++;
    if (!docChanged) return;
    this.autosave.changed();
    this.preview.changed();
  }

  /** What the caret or the chosen piece says: the sheet shows it, and the bar its marks. */
  private followChoice(editor: Editor) {
    const { selection } = editor.state;
    const { caret, top, words } = chosenIn(selection);
    if (editor.isFocused || selection instanceof NodeSelection)
      this.chosen = (top?.attrs.id as string | undefined) ?? null;
    this.button = caret.parent.type.name === 'button' ? (caret.parent.attrs as ButtonAttrs) : null;
    this.caretIn = words && words !== top ? (words.attrs.id as string | null) : null;
    this.marks = (words && marksOf(editor, words)) ?? this.marks;
  }

  /**
   * While someone types, the letter comes first: what is drawn round the page and the proof follow it a frame later.
   */
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
    return this.editor ? at(this.editor.state.doc, id) : null;
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
