import type { Node as PmNode } from '@tiptap/pm/model';
import { answer, api, sentenceOf } from '$lib/api/client';
import { askAnew, thesePictures } from '$lib/api/queries';
import { stillOf } from '$lib/media/film';
import { uploads } from '$lib/media/uploads.svelte';
import { newId, ownVideo, type FigureAttrs } from '$lib/model/attrs';
import { keepAll } from '$lib/model/keepAll';
import type { Desk } from './desk.svelte';
import { posOf, type Gap } from './editor/commands';

/** Puts pictures, films and what was pasted into the page, from the library and from the computer. */
export class InsertMedia {
  /** What became of something that was pasted or dropped; empty where all of it came. */
  said = $state('');
  /** Pictures that came from the computer onto this page and have no words yet. */
  fresh = $state.raw<string[]>([]);
  /** The next picture from the drawer goes into the line at the caret. */
  inLine = $state(false);
  /** Where a video is to be put that is being chosen. */
  addingVideo = $state.raw<Gap | null>(null);

  constructor(private readonly desk: Desk) {}

  /** Puts pictures in, one after the other, and chooses the last; with columns chosen they go into the empty cells. */
  place(assets: string[], gap: Gap | null = this.desk.gap, attrs: Partial<FigureAttrs> = {}) {
    const { desk } = this;
    if (this.inLine) return this.placeInLine(assets);
    if (!gap && desk.openedSet) return desk.openedSet.add(assets);
    if (!gap && desk.chosenPiece?.figure?.asset === '' && assets[0]) {
      // A place that waits takes the first.
      desk.set(desk.chosenPiece.id, { ...attrs, asset: assets[0] });
      assets = assets.slice(1);
    }
    if (!gap && desk.chosenColumns && assets.length > 0) return desk.cells.fill(desk.chosenColumns.id, assets);
    gap ??= desk.caretGap();
    desk.trial.on(null);
    if (!desk.editor || assets.length === 0) return;
    const { schema } = desk.editor.state;
    this.insert(
      assets.map((asset) => schema.node('figure', { ...attrs, id: newId(), asset })),
      gap,
    );
  }

  /** The same with words of each below it; where a picture is to be swapped, the first takes its place. */
  placeCaptioned(assets: string[], captionSource: FigureAttrs['captionSource']) {
    const { desk } = this;
    if (desk.trial.swapping && assets[0]) {
      desk.trial.end(assets[0]);
      assets = assets.slice(1);
    }
    this.place(assets, desk.gap, { captionSource });
  }

  /** Opens the library to choose a picture for the line at the caret. */
  beginInLine() {
    this.desk.trial.end(null);
    this.desk.gap = null;
    this.inLine = true;
    this.desk.drawerOpen = true;
  }

  private placeInLine(assets: string[]) {
    this.inLine = false;
    if (!this.desk.editor || assets.length === 0) return;
    const { state, view } = this.desk.editor;
    const nodes = assets.map((asset) => state.schema.node('linePicture', { id: newId(), asset }));
    view.dispatch(state.tr.insert(state.selection.from, nodes));
    this.desk.choose(nodes.at(-1)!.attrs.id as string, false);
  }

  /** Several pictures as one arrangement, where the next piece would go. */
  async placeTogether(assets: string[], name = this.galleryName, gap: Gap = this.nextGap) {
    this.desk.trial.on(null);
    try {
      const made = await answer(api.POST('/api/arrangements', { body: { name, pictures: assets } }));
      if (!this.desk.editor) return;
      const { schema } = this.desk.editor.state;
      this.insert([schema.node('arrangement', { id: newId(), arrangement: made.id })], gap);
    } catch (error) {
      this.said = sentenceOf(error);
    }
  }

  /** Files into the library, and all of them that are pictures as one arrangement. */
  async placeFilesTogether(files: File[], name?: string, gap: Gap = this.nextGap) {
    const ids = (await uploads.add(files)).filter((id) => id !== null);
    if (ids.length > 0) await this.placeTogether(ids, name, gap);
    await this.askForWords(ids);
  }

  /**
   * Takes files into the library and then into the page; the place is held by the piece before it, or by the columns.
   */
  async placeFiles(files: File[], gap: Gap | null = this.desk.gap) {
    const { desk } = this;
    if (!gap && desk.chosenColumns) return desk.cells.fillFiles(desk.chosenColumns.id, files);
    if (!gap && desk.openedSet) return desk.openedSet.addFiles(files);
    gap ??= desk.caretGap();
    const videos = files.filter((file) => file.type.startsWith('video/'));
    if (videos.length > 0) {
      await this.placeVideoFiles(videos, gap);
      files = files.filter((file) => !videos.includes(file));
    }
    const at = gap;
    const ids = (await uploads.add(files, (id) => this.place([id], at))).filter((id) => id !== null);
    this.place(ids, at);
    this.placeOthers(
      uploads.list.flatMap(({ file, otherId }) => (files.includes(file) && otherId ? otherId : [])),
      at,
    );
    await this.askForWords(ids);
  }

  /** Pictures that came from the computer without alt text are asked for it, with the way to write it. */
  askForWords(ids: string[]) {
    this.fresh = [...this.fresh, ...ids.filter((id) => !this.fresh.includes(id))];
    return this.heardOfWords();
  }

  /** Words were written somewhere: what has its alt text now is not asked about any more. */
  async heardOfWords() {
    const asked = this.fresh;
    if (asked.length === 0) return;
    const items = await askAnew(thesePictures([...asked])).catch(() => null);
    // Without an answer they go on being asked about.
    if (!items) return;
    const silent = items.filter((item) => item.words.alt === '').map((item) => item.id);
    this.fresh = this.fresh.filter((id) => !asked.includes(id) || silent.includes(id));
  }

  /** The first picture fills a place that waits; what comes besides goes after it. */
  async fillPlace(id: string, files: File[]) {
    const fill = ([first, ...rest]: string[]) => {
      if (first) this.desk.set(id, { asset: first });
      if (rest.length > 0) this.place(rest, { after: id });
    };
    const ids = (await uploads.add(files, (late) => fill([late]))).filter((one) => one !== null);
    fill(ids);
    await this.askForWords(ids);
  }

  /** Documents and the like stand on a page as a table of files. */
  private placeOthers(files: string[], gap: Gap) {
    if (files.length === 0 || !this.desk.editor) return;
    const { schema } = this.desk.editor.state;
    this.insert([schema.node('files', { id: newId(), files: files.map((file) => ({ file, words: null })) })], gap);
  }

  /** Words with pictures from elsewhere: read and cleaned by the server, the pictures taken into the library. */
  async placePasted(html: string, gap: Gap = this.desk.caretGap()) {
    this.said = 'What you pasted is being read.';
    try {
      const found = await answer(api.POST('/api/intake/pasted', { body: { html, address: null } }));
      const kept = await keepAll(found);
      if (!this.desk.editor) return;
      const { state, view } = this.desk.editor;
      const nodes = (kept.words?.content ?? []).map((piece) => state.schema.nodeFromJSON(piece));
      view.dispatch(state.tr.insert(posOf(state.doc, gap), nodes));
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
    const gap = this.addingVideo ?? this.desk.caretGap();
    this.addingVideo = null;
    if (!this.desk.editor) return;
    this.insert([this.desk.editor.state.schema.node('figure', { id: newId(), asset: still, video })], gap);
  }

  private get galleryName() {
    return `Gallery on ${this.desk.title}`;
  }

  private get nextGap() {
    return this.desk.gap ?? this.desk.caretGap();
  }

  private insert(nodes: PmNode[], gap: Gap) {
    const { state, view } = this.desk.editor!;
    view.dispatch(state.tr.insert(posOf(state.doc, gap), nodes));
    this.desk.gap = null;
    this.desk.choose(nodes.at(-1)!.attrs.id as string, false);
  }
}
