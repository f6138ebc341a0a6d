import { Opened } from '$lib/arrangements/opened.svelte';
import type { Deeds } from './deeds.svelte';

/** The arrangements of a page, each opened once: what is done to them is one history with what is done to the page. */
export class Sets {
  private readonly all = new Map<string, Opened>();

  constructor(private readonly deeds: Deeds) {}

  of(id: string): Opened {
    const found = this.all.get(id) ?? new Opened(id);
    this.all.set(id, found);
    found.onstep = () => this.deeds.add({ undo: found.undo, redo: found.redo });
    return found;
  }
}
