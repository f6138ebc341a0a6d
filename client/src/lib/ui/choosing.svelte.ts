import { SvelteSet } from 'svelte/reactivity';

/** Which pictures are chosen together: one, a range, one more, or all in a box. The order of choosing is kept. */
export class Choosing {
  readonly ids = new SvelteSet<string>();
  private from: string | null = null;

  numberOf(id: string) {
    return [...this.ids].indexOf(id) + 1;
  }
  /** Everything up to here, from the one chosen last. */
  range(all: readonly string[], to: string) {
    const [a, b] = [all.indexOf(this.from ?? to), all.indexOf(to)];
    for (const id of all.slice(Math.min(a, b), Math.max(a, b) + 1)) this.ids.add(id);
    if (a > b) this.from = to;
  }
  turn(id: string) {
    if (!this.ids.delete(id)) this.ids.add(id);
    this.from = id;
  }
  only(ids: Iterable<string>) {
    this.ids.clear();
    for (const id of ids) this.ids.add(id);
  }
  /** Where a range would begin. */
  start(id: string) {
    this.from = id;
  }
  clear() {
    this.ids.clear();
  }
}
