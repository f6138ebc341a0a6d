import { goto } from '$app/navigation';
import { answer, api, type Draft } from '$lib/api/client';
import type { Desk } from './desk.svelte';
import { withDraft } from './editor/commands';

/** The page as the server keeps it: opened, addressed, and brought together with what other windows do to it. */
export class Session {
  draft = $state.raw<Draft | null>(null);
  /** Addresses that the page had before, which lead on to it. */
  oldPaths = $state.raw<string[]>([]);

  constructor(private readonly desk: Desk) {}

  async load() {
    this.draft = await this.ask();
    this.oldPaths = this.draft.oldPaths;
    await this.desk.autosave.open(this.draft);
  }

  async rename(path: string) {
    await this.desk.autosave.rename(path);
    this.desk.setPage({ path });
    this.oldPaths = (await this.ask()).oldPaths;
  }

  /** Visitors who come by an old address meet nothing from then on. */
  async forget(path: string) {
    await answer(
      api.DELETE('/api/pages/{id}/old-addresses', { params: { path: { id: this.desk.id }, query: { path } } }),
    );
    this.oldPaths = (await this.ask()).oldPaths;
  }

  private ask() {
    return answer(api.GET('/api/pages/{id}/draft', { params: { path: { id: this.desk.id } } }));
  }

  /** All widths side by side, of the page as it stands now. */
  async toProofs() {
    await this.desk.autosave.now();
    await goto(`/pages/${this.desk.id}/proofs`);
  }

  /** Every state the page was kept in, beside how it stands now. */
  async toHistory() {
    await this.desk.autosave.now();
    await goto(`/pages/${this.desk.id}/history`);
  }

  /** To the picture room and, from there, back to this page. */
  toRoom(asset: string) {
    void goto(`/library/room/${asset}?from=${encodeURIComponent(this.desk.id)}`);
  }

  /** Events may have been missed: how the page is kept now is asked for. */
  async heardAgain() {
    await this.heard((await this.ask()).version);
    await this.desk.preview.ask();
  }

  /** Another window kept this page: shown at once where nothing here waits to be kept. */
  async heard(version: number) {
    const { autosave } = this.desk;
    if (version <= autosave.version || autosave.state !== 'kept') return;
    const now = await this.ask();
    if (now.version > autosave.version && autosave.state === 'kept') this.show(now);
  }

  takeTheirs() {
    const { theirs } = this.desk.autosave;
    if (theirs) this.show(theirs);
  }

  /** Joined with what the other window kept, with these or with their pieces where both changed the same. */
  takeJoined(which: 'withYours' | 'withTheirs') {
    const { joined, theirs } = this.desk.autosave;
    if (!joined || !theirs) return;
    const { path, summary, ...rest } = joined[which];
    this.put({ ...theirs, ...rest, path: path ?? '', summary: summary ?? '' } as Draft);
    this.desk.autosave.keepMine();
  }

  show(draft: Draft) {
    this.put(draft);
    this.desk.autosave.tookTheirs(draft);
  }

  private put(draft: Draft) {
    const { editor } = this.desk;
    editor?.view.dispatch(withDraft(editor.state, draft));
  }
}
