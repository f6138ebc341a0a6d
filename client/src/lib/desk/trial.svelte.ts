import type { JSONContent } from '@tiptap/core';
import type { Schemas } from '$lib/api/client';
import type { BandAttrs, FigureAttrs, WidthClass } from '$lib/model/attrs';
import type { Desk } from './desk.svelte';
import { posOf, withPicture, withPictureIn, type Gap } from './editor/commands';
import { tried, triedId, withPieceIn } from './editor/tried';

/** A picture that is looked at in a place before it is kept there: drawn on the desk and the phone, and in no draft. */
export class Trial {
  /** The figure whose picture the next click in the drawer changes. */
  swapping = $state<string | null>(null);
  /** The only width at which it changes; null for all. */
  swappingAt = $state<WidthClass | null>(null);
  /** The picture that is tried. */
  asset = $state<string | null>(null);
  /** Where, if not in a place that has a picture. */
  private gap: Gap | null = null;
  /** How far the page was scrolled before anything was tried. */
  private lookedAt: number | null = null;

  constructor(private readonly desk: Desk) {}

  /** Opens the library to choose another picture for a place, or ends that. */
  begin(id: string, at: WidthClass | null = null) {
    const ends = this.swapping === id && this.swappingAt === at;
    this.end(null);
    if (!ends) [this.swapping, this.swappingAt] = [id, at];
    this.desk.drawerOpen = this.swapping !== null;
  }

  /** Ends the choosing of another picture: the one that stood there stays, or another is kept. */
  end(asset: string | null) {
    const place = this.swapping;
    this.swapping = null;
    const attrs = place ? (this.desk.at(place)?.node.attrs as FigureAttrs | BandAttrs | undefined) : null;
    if (place && asset && attrs) this.desk.set(place, withPicture(attrs, asset, this.swappingAt));
    this.swappingAt = null;
    this.on(null);
  }

  /** Shows a picture in the place that is to change, without changing it; null shows what stands there. */
  on(asset: string | null) {
    const { desk } = this;
    // Cells are filled in their order, and show their pictures when they have them.
    const fills = desk.openedSet !== null || desk.chosenColumns !== null;
    const noGap = this.swapping || desk.media.inLine || (fills && !desk.gap);
    const gap = noGap ? null : (desk.gap ?? desk.caretGap());
    const now = this.swapping || gap ? asset : null;
    if (this.asset === now) return;
    const view = desk.frame?.contentWindow;
    if (this.asset === null) this.lookedAt = view?.scrollY ?? null;
    this.asset = now;
    // Nothing was kept: the page stands again where one looked at it.
    if (now === null && this.lookedAt !== null) {
      view?.scrollTo(0, this.lookedAt);
      this.lookedAt = null;
    }
    this.gap = now === null ? null : gap;
    void desk.preview.ask();
  }

  /** The figure that is tried: the place that is to change, or one between two pieces. */
  get figure() {
    return this.asset ? (this.desk.preview.look?.figures[this.swapping ?? triedId] ?? null) : null;
  }

  /** Draws what is tried between two pieces. */
  show() {
    if (!this.desk.editor) return;
    const { state, view } = this.desk.editor;
    const element = this.asset && this.gap ? this.desk.views.copyOf(triedId) : null;
    if (!element && !tried.isShown(state)) return;
    view.dispatch(state.tr.setMeta(tried.key, element && { pos: posOf(state.doc, this.gap!), element }));
    if (element) this.desk.reveal(triedId);
  }

  /** The draft with what is tried in it. */
  body(): Schemas['DraftChange'] {
    const body = this.desk.body();
    const { swapping: place, asset } = this;
    const document = body.document as JSONContent;
    if (asset && this.gap) {
      const piece = { type: 'figure', attrs: { id: triedId, asset, decorative: true } };
      return { ...body, document: { ...document, content: withPieceIn(document.content ?? [], this.gap, piece) } };
    }
    return place && asset ? { ...body, document: withPictureIn(document, place, asset, this.swappingAt) } : body;
  }
}
