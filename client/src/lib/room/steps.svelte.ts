/** What can be gone back to, and forward again. */
export class Steps<T> {
  private before = $state.raw<T[]>([]);
  private after = $state.raw<T[]>([]);
  readonly canUndo = $derived(this.before.length > 0);
  readonly canRedo = $derived(this.after.length > 0);

  /** Something new is in the place of what was. */
  leave(was: T) {
    this.before = [...this.before, was];
    this.after = [];
  }

  /** @returns what stood there before `now`; undefined where there is no going back. */
  undo(now: T): T | undefined {
    const to = this.before.at(-1);
    if (to === undefined) return to;
    this.before = this.before.slice(0, -1);
    this.after = [...this.after, now];
    return to;
  }

  redo(now: T): T | undefined {
    const to = this.after.at(-1);
    if (to === undefined) return to;
    this.after = this.after.slice(0, -1);
    this.before = [...this.before, now];
    return to;
  }
}
