/** Something that can be done here and now, by its name; `keys` as they are written beside it. */
export type Act = { name: string; keys?: string; run: () => void };

/** What the place that is open can do: the line that finds everything lists it. */
class Acts {
  here = $state.raw<readonly Act[]>([]);

  /** Offers what a place can do until the returned function is called. */
  offer(acts: readonly Act[]) {
    this.here = acts;
    return () => {
      if (this.here === acts) this.here = [];
    };
  }
}

export const acts = new Acts();

/** Asked for from wherever the key was pressed, also inside a page on the desk. */
export const askToFind = () => dispatchEvent(new Event('find-asked'));
export const askToPublish = () => dispatchEvent(new Event('publish-asked'));
