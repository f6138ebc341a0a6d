import { replaceEqualDeep } from '@tanstack/svelte-query';
import type { FigureAttrs } from '$lib/model/attrs';
import { keepAll } from '$lib/model/keepAll';
import { Choosing } from '$lib/ui/choosing.svelte';
import { uploads } from '$lib/media/uploads.svelte';
import { answer, api, Problem, sentenceOf, type Schemas } from '$lib/api/client';
import { itemRead, movedTogether, newItemId } from './items';
import { withKept } from './withKept';
import { holds } from '$lib/keeping/holds';
import { goesOnFrom, sets, type LeftWish } from '$lib/keeping/wishes';

type Values = Schemas['ArrangementValues'];
export type GalleryValues = Schemas['GalleryValues'];
export type SliderValues = Schemas['SliderValues'];
export type Item = Schemas['ItemValues'];

const restMs = 250;
const mostSteps = 200;
const undecided = -1;
const oneStepMs = 600;
/** What did not reach the server is sent again after this time. */
const againMs = 3_000;

/** An arrangement that is worked on: what is wished for shows at once and is kept after a moment's rest. */
export class Opened {
  look = $state.raw<Schemas['ArrangementResponse'] | null>(null);
  wish = $state.raw<Values | null>(null);
  problem = $state('');
  /** Counts up whenever the server has kept a change. */
  kept = $state(0);
  /** What another window kept meanwhile; nothing is kept here until it is chosen. */
  theirs = $state.raw<Schemas['ArrangementResponse'] | null>(null);
  /** Told of every step that can be taken back. */
  onstep: (() => void) | null = null;
  /** Items that are chosen together, by id. */
  readonly choosing = new Choosing();
  private before = $state.raw<Values[]>([]);
  private after = $state.raw<Values[]>([]);
  private last = { of: '', at: 0 };
  private timer = 0;
  private sending = false;
  private sentAt = 0;
  private sent: Values | undefined;
  private shown = 0;
  readonly canUndo = $derived(this.before.length > 0);
  readonly canRedo = $derived(this.after.length > 0);

  constructor(readonly id: string) {}

  async load() {
    const was = this.wish;
    const now = await answer(api.GET('/api/arrangements/{id}', { params: { path: { id: this.id } } }));
    // What was wished for while this was on its way stays: keeping it says so, if the two have met.
    if (this.wish !== was || this.waits) return;
    this.take(now);
    const left = was === null ? await sets.left(this.id) : null;
    if (left && this.wish === now.values) this.takeUp(left, now);
  }

  /** What a window that is gone had wished for; where somebody else changed it since, a person decides. */
  private takeUp(left: LeftWish<Values>, now: Schemas['ArrangementResponse']) {
    if (holds(now.values, left.value)) return sets.done(this.id);
    this.wish = left.value;
    if (goesOnFrom(left, now)) void this.keep();
    else [this.theirs, this.problem] = [now, 'This arrangement was changed elsewhere after you had left it.'];
  }

  /**
   * Kept as this version: by another window, and then shown where nothing here waits to be kept; or what is on its way
   * from here, and then it can be seen already.
   */
  async heard(version: number) {
    if (version <= (this.look?.version ?? 0)) return;
    if (!this.waits) await this.load();
    else if (this.sending) this.shows(version);
  }

  /** Events may have been missed: how it is kept now is shown, where nothing here waits to be kept. */
  async heardAgain() {
    if (!this.isUnkept) await this.load().catch(() => {});
  }

  private shows(version: number) {
    if (version !== this.shown) this.kept++;
    this.shown = version;
  }

  titleOf = (item: Item) => (item.asset ? this.libraryTitleOf(item) : item.title || 'Words alone');

  /** One that was just added is not known before the server has answered. */
  private libraryTitleOf = (item: Item) =>
    this.look?.words[item.asset]?.title ??
    (this.look?.values.items.some(({ id }) => id === item.id) ? 'no longer in the library' : 'being added');

  setGallery(change: Partial<GalleryValues>) {
    if (this.wish) this.set({ ...this.wish, gallery: { ...this.wish.gallery, ...change } }, Object.keys(change).join());
  }

  setSlider(change: Partial<SliderValues>) {
    if (this.wish?.slider)
      this.set({ ...this.wish, slider: { ...this.wish.slider, ...change } }, Object.keys(change).join());
  }

  setItems(items: Item[]) {
    if (this.wish) this.set({ ...this.wish, items });
  }

  setItem(id: string, change: Partial<Item>) {
    if (!this.wish) return;
    const items = this.wish.items.map((item) => (item.id === id ? { ...item, ...change } : item));
    this.set({ ...this.wish, items }, `${id} ${Object.keys(change).join()}`);
  }

  setName(name: string) {
    if (this.wish) this.set({ ...this.wish, name }, 'name');
  }

  /** A slide of words alone. */
  addWords() {
    const item = { id: newItemId(), asset: '', isOn: true, title: 'A title' } as Item;
    const at = this.end;
    this.setItems((this.wish?.items ?? []).toSpliced(at, 0, item));
    this.choosing.only([item.id]);
  }

  /** The same picture once more, right after it, with all that was said of it. */
  twice(id: string) {
    const items = this.wish?.items ?? [];
    const at = items.findIndex((item) => item.id === id);
    if (at >= 0) this.setItems(items.toSpliced(at + 1, 0, { ...items[at]!, id: newItemId() }));
  }

  move(from: number, by: -1 | 1) {
    const items = [...(this.wish?.items ?? [])];
    items.splice(from + by, 0, ...items.splice(from, 1));
    this.setItems(items);
  }

  moveAll(ids: ReadonlySet<string>, by: -1 | 1) {
    this.setItems(movedTogether(this.wish?.items ?? [], ids, by));
  }

  /** The same for all of these. */
  setAll(ids: ReadonlySet<string>, change: Partial<Item>) {
    this.setItems((this.wish?.items ?? []).map((item) => (ids.has(item.id) ? { ...item, ...change } : item)));
  }

  takeOut(ids: ReadonlySet<string>) {
    this.setItems((this.wish?.items ?? []).filter((item) => !ids.has(item.id)));
    this.choosing.clear();
  }

  /** In another order, as the server has worked it out; what came since goes to the end. */
  sort(ids: string[]) {
    const place = Object.fromEntries(ids.map((id, i) => [id, i]));
    this.setItems(
      [...(this.wish?.items ?? [])].sort((a, b) => (place[a.id] ?? ids.length) - (place[b.id] ?? ids.length)),
    );
  }

  /** Where what is added goes: after the one that is chosen, or to the end. */
  get end() {
    const [one, ...more] = this.choosing.ids;
    const at = one && more.length === 0 ? (this.wish?.items.findIndex((item) => item.id === one) ?? -1) : -1;
    return at < 0 ? (this.wish?.items.length ?? 0) : at + 1;
  }

  /** Puts pictures of the library in, before the one with this number. */
  add(assets: string[], at = this.end) {
    const fresh = assets.map((asset) => ({ id: newItemId(), asset, isOn: true })) as Item[];
    this.setItems((this.wish?.items ?? []).toSpliced(at, 0, ...fresh));
  }

  /** Files into the library, and those that are pictures to the end. */
  async addFiles(files: File[]) {
    const ids = (await uploads.add(files)).filter((id) => id !== null);
    if (ids.length > 0) this.add(ids);
  }

  /**
   * Reads the HTML of a gallery made elsewhere: its pictures into the library, and after the one chosen or to the end.
   */
  async readIn(html: string, address: string | null) {
    const found = await answer(api.POST('/api/intake/gallery', { body: { html, address } }));
    const kept = await keepAll(found);
    const pieces = (kept.words?.content ?? []) as { attrs: FigureAttrs }[];
    const fresh = pieces.map(({ attrs }) => itemRead(attrs));
    if (fresh.length > 0) this.setItems((this.wish?.items ?? []).toSpliced(this.end, 0, ...fresh));
    return { count: fresh.length, left: kept.leftOut };
  }

  /** @param of What is changed: while one thing is dragged along, it is one step. */
  set(values: Values, of = '') {
    if (!this.wish) return;
    const goesOn = of !== '' && of === this.last.of && Date.now() - this.last.at < oneStepMs;
    this.last = { of, at: Date.now() };
    if (!goesOn) this.before = [...this.before, this.wish].slice(-mostSteps);
    if (!goesOn) this.onstep?.();
    this.after = [];
    this.wants(values);
  }

  undo = () => this.step('before', 'after');
  redo = () => this.step('after', 'before');

  private step(from: 'before' | 'after', to: 'before' | 'after') {
    const values = this[from].at(-1);
    if (!values || !this.wish) return;
    this.last.of = '';
    this[from] = this[from].slice(0, -1);
    this[to] = [...this[to], this.wish];
    this.wants(values);
  }

  private get waits() {
    return this.timer !== 0 || this.sending;
  }

  /** What is wished for and not kept: a window that closes would take it along. */
  get isUnkept() {
    return this.waits || this.theirs !== null || (this.look !== null && this.wish !== this.look.values);
  }

  private wants(values: Values) {
    this.wish = values;
    this.store();
    clearTimeout(this.timer);
    // The first change goes at once; while more come, they are kept now and then.
    const rests = this.sentAt + restMs - Date.now();
    this.timer = window.setTimeout(() => void this.keep(), Math.max(0, rests));
  }

  /** Stored here until it has got through: a window may go at any moment. */
  private store() {
    if (!this.wish || !this.look) return;
    // While a person has not decided, it goes on from nothing that is kept.
    const base = this.theirs ? undecided : this.look.version;
    sets.put(this.id, { value: this.wish, base, sent: this.theirs ? undefined : this.sent });
  }

  /** Keeps what is wished for now; called when leaving too. */
  async keep() {
    clearTimeout(this.timer);
    this.timer = 0;
    if (this.sending || this.theirs || !this.wish || !this.look || this.wish === this.look.values) return;
    this.sending = true;
    this.sentAt = Date.now();
    const sent = (this.sent = this.wish);
    this.store();
    try {
      const [look, refused] = await this.send(sent, this.look);
      // What is as it was stays the same object, so that only what is another is drawn anew.
      const values = replaceEqualDeep(sent, look.values);
      this.look = { ...replaceEqualDeep(this.look, look), values };
      this.problem = refused;
      if (this.wish === sent && !refused) this.wish = values;
      this.sent = undefined;
      if (this.wish === values) sets.done(this.id);
      else this.store();
      this.shows(look.version);
    } catch (error) {
      this.problem = sentenceOf(error);
      if (error instanceof Problem && error.more.now) this.theirs = error.more.now as Schemas['ArrangementResponse'];
      else if (!(error instanceof Problem) || error.status === 0 || error.status >= 500)
        this.timer = window.setTimeout(() => void this.keep(), againMs);
    }
    this.sending = false;
    if (this.wish !== sent && !this.problem) await this.keep();
  }

  /** What is refused stays out, as it is kept, and the rest goes without it. @returns the answer, and why it was refused. */
  private async send(wish: Values, from: Schemas['ArrangementResponse']) {
    let [body, refused]: [Values, string] = [wish, ''];
    for (;;) {
      try {
        const put = api.PUT('/api/arrangements/{id}', {
          params: { path: { id: this.id } },
          headers: { 'If-Match': `"${from.version}"` },
          body,
        });
        return [await answer(put), refused] as const;
      } catch (error) {
        const rest =
          error instanceof Problem && error.status === 400 && error.field
            ? withKept(body, from.values, error.field)
            : null;
        if (!rest) throw error;
        [body, refused] = [rest, refused || sentenceOf(error)];
      }
    }
  }

  keepMine() {
    if (this.theirs) this.look = this.theirs;
    [this.theirs, this.problem] = [null, ''];
    void this.keep();
  }

  takeTheirs() {
    const theirs = this.theirs;
    [this.theirs, this.problem] = [null, ''];
    if (!theirs || !this.wish) return;
    sets.done(this.id);
    // Undo brings mine back.
    this.before = [...this.before, this.wish].slice(-mostSteps);
    this.take(theirs);
  }

  private take(look: Schemas['ArrangementResponse']) {
    this.look = look;
    this.wish = look.values;
    this.shows(look.version);
  }
}
