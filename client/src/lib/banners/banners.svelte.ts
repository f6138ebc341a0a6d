import { answer, api, Problem, sentenceOf, type Schemas } from '$lib/api/client';
import type { BandAttrs, BandException, WidthClass } from '$lib/model/attrs';
import { withException, withWords, wordsOf, type Band, type BannerWords } from './band';
import { dayIn } from './days';
import { sendBanner } from './send';
import { Steps } from './steps.svelte';
import { Times } from './times.svelte';
import { holds } from '$lib/keeping/holds';
import { bannerWishes, goesOnFrom } from '$lib/keeping/wishes';

export type Values = Schemas['BannerValues'];
type Kept = Schemas['BannerResponse'];
export type { Dates } from './times.svelte';

const restMs = 250;
const againMs = 3000;
const undecided = -1;

/** The banners of the site as they are worked on: what is wished for shows at once, and is kept after a moment's rest. */
export class Banners {
  list = $state.raw<Schemas['BannerList'] | null>(null);
  /** Of banners whose values are not kept yet. */
  wishes = $state.raw<Record<string, Values>>({});
  chosen = $state<string | null>(null);
  pageId = $state('');
  year = $state(0);
  day = $state('');
  look = $state.raw<Schemas['BannerLook'] | null>(null);
  problem = $state('');
  /** What another window made of a banner meanwhile; nothing of it is kept here until it is chosen. */
  theirs = $state.raw<Kept | null>(null);
  /** Counts up whenever what stands on pages may be another. */
  anew = $state(0);
  readonly times = new Times(() => this);
  readonly steps = new Steps();
  readonly banner = $derived(this.items.find((one) => one.id === this.chosen) ?? null);
  private timer = 0;
  /** What is on its way to the server. */
  private sent: Values | undefined;
  private keeping: Promise<void> = Promise.resolve();

  /** Each with its values as they are wished for. */
  get items() {
    return (this.list?.items ?? []).map((one) => ({ ...one, values: this.wishes[one.id] ?? one.values }));
  }

  get isUnkept() {
    return Object.keys(this.wishes).length > 0;
  }

  async load() {
    this.list = await answer(api.GET('/api/banners'));
    const { today, pages } = this.list;
    if (this.year === 0) [this.day, this.year] = [this.day || today, Number((this.day || today).slice(0, 4))];
    if (!pages.some((page) => page.id === this.pageId)) this.pageId = pages[0]?.id ?? '';
    await this.seen();
    for (const kept of this.list.items) await this.takeUp(kept);
  }

  /** What a window that is gone had wished for; where somebody else changed it since, a person decides. */
  private async takeUp(kept: Kept) {
    const left = this.wishes[kept.id] ? null : await bannerWishes.left(kept.id);
    if (!left) return;
    if (holds(kept.values, left.value)) return bannerWishes.done(kept.id);
    this.wishes = { ...this.wishes, [kept.id]: left.value };
    if (goesOnFrom(left, kept)) return void this.keep();
    this.choose(kept.id);
    [this.theirs, this.problem] = [kept, 'This banner was changed elsewhere after you had left it.'];
  }

  /** After anything changed that visitors would see. */
  async seen() {
    this.anew++;
    await Promise.all([this.times.ask().catch((error) => (this.problem = sentenceOf(error))), this.watch()]);
  }

  /** Another window changed something: what is not being worked on here is shown as it is now. */
  async heard() {
    if (this.isUnkept) return;
    const now = await answer(api.GET('/api/banners')).catch(() => null);
    if (!now || this.isUnkept) return;
    const mark = (list: Schemas['BannerList'] | null) =>
      JSON.stringify(list?.items.map(({ id, version }) => [id, version]));
    const same = mark(now) === mark(this.list);
    this.list = now;
    if (!same) await this.seen();
  }

  async watch() {
    const id = this.chosen;
    if (!id || !this.pageId) return void (this.look = null);
    const query = { page: this.pageId };
    const look = await answer(api.GET('/api/banners/{id}/look', { params: { path: { id }, query } })).catch(() => null);
    if (id === this.chosen) this.look = look;
  }

  choose(id: string | null) {
    if (id === this.chosen) return;
    this.chosen = id;
    this.look = null;
    void this.watch();
  }

  goTo(year: number) {
    this.year = year;
    this.day = dayIn(year, Math.min(364, Math.max(0, this.dayNumber)));
    void this.seen();
  }

  get dayNumber() {
    return Math.round((Date.parse(this.day) - Date.parse(`${this.day.slice(0, 4)}-01-01`)) / 86_400_000) || 0;
  }

  /** Some values of a banner are others now; of the same kind in a row, it is one step. */
  set(id: string, change: Partial<Values>) {
    const was = this.items.find((one) => one.id === id)?.values;
    if (!was) return;
    const now = { ...was, ...change };
    this.steps.done(
      () => this.put(id, was),
      () => this.put(id, now),
      `${id} ${Object.keys(change).join()}`,
    );
    this.wish(id, now);
  }

  /** What stands behind one, and where its words stand. */
  setBand(id: string, change: Partial<BandAttrs & { link: string }>) {
    const band = this.bandOf(id);
    if (band) this.set(id, { band: { ...band, attrs: { ...band.attrs, ...change } } });
  }

  /** What one has of its own on a class of screen; null takes it away. */
  setException(id: string, c: WidthClass, change: BandException | null) {
    const band = this.bandOf(id);
    if (band) this.setBand(id, { at: withException(band, c, change) });
  }

  setWords(id: string, change: Partial<BannerWords>) {
    const band = this.bandOf(id);
    if (band) this.set(id, { band: withWords(band, { ...wordsOf(band), ...change }) });
  }

  private bandOf(id: string) {
    return this.items.find((one) => one.id === id)?.values.band as Band | undefined;
  }

  private async put(id: string, values: Values) {
    this.choose(id);
    this.wish(id, values);
    await this.keep();
  }

  private wish(id: string, values: Values) {
    this.wishes = { ...this.wishes, [id]: values };
    bannerWishes.put(id, { value: values, base: this.versionOf(id), sent: this.sent });
    clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.keep(), restMs);
  }

  /** Keeps what is wished for, one after the other. */
  keep() {
    clearTimeout(this.timer);
    this.keeping = this.keeping.then(() => this.keepAll());
    return this.keeping;
  }

  private async keepAll() {
    for (const [id, values] of Object.entries(this.wishes)) {
      if (this.theirs?.id === id) continue;
      await this.keepOne(id, values);
    }
  }

  private async keepOne(id: string, values: Values) {
    const kept = this.list?.items.find((one) => one.id === id);
    if (!kept) return;
    this.sent = values;
    bannerWishes.put(id, { value: values, base: kept.version, sent: values });
    try {
      const { now, field, sentence } = await sendBanner(id, kept, values);
      this.sent = undefined;
      this.take(now);
      this.problem = sentence;
      // What is refused stays in its field with its sentence; days that were dragged go back to where they can be.
      if (this.wishes[id] === values && (field === '' || field === 'dates')) this.forget(id);
      await this.seen();
    } catch (error) {
      this.problem = sentenceOf(error);
      if (error instanceof Problem && error.more.now) this.theirs = error.more.now as Kept;
      else if (!(error instanceof Problem) || error.status === 0 || error.status >= 500)
        this.timer = window.setTimeout(() => void this.keep(), againMs);
    }
  }

  private take(kept: Kept) {
    if (!this.list) return;
    this.list = { ...this.list, items: this.list.items.map((one) => (one.id === kept.id ? kept : one)) };
  }

  private versionOf(id: string) {
    const kept = this.list?.items.find((one) => one.id === id);
    // While a person has not decided, it goes on from nothing that is kept.
    return kept && this.theirs?.id !== id ? kept.version : undecided;
  }

  private forget(id: string) {
    bannerWishes.done(id);
    this.wishes = Object.fromEntries(Object.entries(this.wishes).filter(([one]) => one !== id));
  }

  keepMine() {
    if (this.theirs) this.take(this.theirs);
    [this.theirs, this.problem] = [null, ''];
    void this.keep();
  }

  takeTheirs() {
    if (!this.theirs) return;
    const { id } = this.theirs;
    const mine = this.wishes[id];
    this.take(this.theirs);
    this.forget(id);
    [this.theirs, this.problem] = [null, ''];
    // Undo brings mine back.
    if (mine)
      this.steps.done(
        () => this.put(id, mine),
        async () => {},
      );
    void this.seen();
  }

  /** Begins one, right without touching anything. */
  begin(beginning: Omit<Partial<Schemas['BannerBeginning']>, 'pageId'>) {
    const whole = { name: '', assetId: null, from: '', until: '', yearly: false, band: null, ...beginning };
    const body = { ...whole, pageId: this.pageId || null };
    return this.made(() => answer(api.POST('/api/banners/begin', { body })));
  }

  /** Another of the same, as of last year's. */
  async duplicate(id: string) {
    await this.keep();
    await this.made(() => answer(api.POST('/api/banners/{id}/copy', { params: { path: { id } } })));
  }

  private async made(make: () => Promise<Kept>) {
    try {
      const { id } = await make();
      this.steps.done(
        () => this.remove(id),
        () => this.putBack(id),
      );
      await this.load();
      this.choose(id);
    } catch (error) {
      this.problem = sentenceOf(error);
    }
  }

  async takeAway(id: string) {
    await this.keep();
    await this.remove(id);
    this.steps.done(
      () => this.putBack(id),
      () => this.remove(id),
    );
  }

  private async remove(id: string) {
    await answer(api.DELETE('/api/banners/{id}', { params: { path: { id } } }));
    if (this.chosen === id) this.choose(null);
    await this.load();
  }

  private async putBack(id: string) {
    await answer(api.POST('/api/banners/{id}/back', { params: { path: { id } } }));
    await this.load();
    this.choose(id);
  }

  async setOrder(ids: string[]) {
    const was = this.items.map((one) => one.id);
    this.steps.done(
      () => this.order(was),
      () => this.order(ids),
    );
    await this.order(ids);
  }

  private async order(ids: string[]) {
    if (this.list)
      this.list = { ...this.list, items: ids.flatMap((id) => this.list!.items.filter((one) => one.id === id)) };
    await answer(api.POST('/api/banners/order', { body: { ids } })).catch(
      (error) => (this.problem = sentenceOf(error)),
    );
    await this.seen();
  }
}
