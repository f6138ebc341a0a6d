import { answer, api, outlives, Problem, sentenceOf, type Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';

export type Values = Schemas['StyleValues'];
const restMs = 500;
const sentKey = 'dekoro-style-sent';
const readSent = () => JSON.parse(sessionStorage.getItem(sentKey) ?? 'null') as Values | null;
type StyleError = { field: string; sentence: string };

/**
 * The site's style as it is worked on: kept at every change, undone step by step, refused with a sentence at its field.
 */
export class SiteStyle {
  /** What stands in the fields, be it good or not. */
  wish = $state.raw<Values | null>(null);
  /** What is kept. */
  look = $state.raw<Schemas['StyleResponse'] | null>(null);
  errors = $state.raw<StyleError[]>([]);
  problem = $state('');
  private undone = $state.raw<Values[]>([]);
  private done = $state.raw<Values[]>([]);
  private going: Promise<void> = Promise.resolve();
  private resting = 0;
  /** What this window sent before it was loaded anew, and was never answered: it may have arrived all the same. */
  private unanswered = readSent();

  get canUndo() {
    return this.done.length > 0;
  }
  get canRedo() {
    return this.undone.length > 0;
  }

  async load() {
    this.took(await answer(api.GET('/api/site/style')));
  }

  change(part: Partial<Values>) {
    if (!this.wish) return;
    this.wish = { ...this.wish, ...part };
    void this.keep((was) => ([this.done, this.undone] = [[...this.done, was], []]));
  }

  /** The same while it is typed: kept after a moment's rest, as one step; `flush` keeps it now. */
  type(part: Partial<Values>) {
    if (!this.wish) return;
    this.wish = { ...this.wish, ...part };
    clearTimeout(this.resting);
    this.resting = window.setTimeout(this.flush, restMs);
  }

  flush = () => {
    if (!this.resting) return;
    clearTimeout(this.resting);
    this.resting = 0;
    void this.keep((was) => ([this.done, this.undone] = [[...this.done, was], []]));
  };

  undo = () => this.step('done', 'undone');
  redo = () => this.step('undone', 'done');

  /** The step is taken at once, so that one quickly after the other finds its way; what was refused is no step. */
  private step(from: 'done' | 'undone', to: 'done' | 'undone') {
    this.flush();
    const values = this[from].at(-1);
    if (!values || !this.wish || !this.look) return;
    const was = this.errors.length > 0 ? this.look.values : this.wish;
    this[from] = this[from].slice(0, -1);
    this[to] = [...this[to], was];
    this.wish = values;
    void this.keep();
  }

  errorAt = (field: string) => this.errors.find((error) => error.field === field)?.sentence ?? '';

  /** One change after the other, each made to the style that the one before left. */
  private keep(keptOver?: (was: Values) => void) {
    this.going = this.going.then(async () => {
      const { wish, look } = this;
      if (!wish || !look) return;
      try {
        sessionStorage.setItem(sentKey, JSON.stringify(wish));
        const headers = { 'If-Match': `"${look.seen}"` };
        const now = await answer(
          api.PUT('/api/site/style', { headers, body: { values: wish }, keepalive: outlives(wish) }),
        );
        sessionStorage.removeItem(sentKey);
        if (now.seen !== look.seen) keptOver?.(look.values);
        [this.errors, this.problem, this.look] = [[], '', now];
        if (this.wish === wish) this.wish = now.values;
        void queryClient.invalidateQueries({ queryKey: ['site'] });
        void queryClient.invalidateQueries({ queryKey: ['publish'] });
      } catch (error) {
        const errors = error instanceof Problem ? (error.more.errors as StyleError[] | undefined) : undefined;
        this.errors = errors ?? [];
        this.problem = errors ? '' : sentenceOf(error);
        // Without an answer it may have arrived all the same.
        if (error instanceof Problem && error.status > 0) sessionStorage.removeItem(sentKey);
        else this.unanswered = wish;
        if (error instanceof Problem && error.status === 409) await this.meet(look.values, wish, keptOver);
      }
    });
    return this.going;
  }

  /** Another window kept something: what was changed here goes on top of it, unless it is the same field. */
  private async meet(began: Values, wish: Values, keptOver?: (was: Values) => void) {
    const differs = (one: Values, other: Values, field: keyof Values) =>
      JSON.stringify(one[field]) !== JSON.stringify(other[field]);
    const own = this.unanswered;
    const mine = (Object.keys(wish) as (keyof Values)[]).filter((field) => differs(wish, began, field));
    await this.load();
    const theirs = this.look!.values;
    const both = { ...theirs, ...Object.fromEntries(mine.map((field) => [field, wish[field]])) } as Values;
    // What arrived late from here is nobody else's.
    const isTheirs = (field: keyof Values) => differs(theirs, began, field) && !(own && !differs(theirs, own, field));
    this.unanswered = null;
    if (mine.some(isTheirs)) {
      this.undone = [...this.undone, both];
      this.problem += ' Redo sets what you had set.';
      return;
    }
    this.problem = '';
    this.wish = both;
    void this.keep(keptOver);
  }

  private took(look: Schemas['StyleResponse']) {
    [this.look, this.wish, this.errors] = [look, look.values, []];
  }
}
