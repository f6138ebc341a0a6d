import { answer, api, outlives, Problem, sentenceOf, type Draft, type Schemas } from '$lib/api/client';
import { Copies, type Copy } from '$lib/model/copies';
import { patchOf } from './patch';

/** Comes with a refusal, which the description of the interface leaves open. */
type JoinedDrafts = {
  clashes: { blockId: string | null; what: string; yours: string; theirs: string }[];
  withYours: Schemas['DraftChange'];
  withTheirs: Schemas['DraftChange'];
};
export type KeepState = 'kept' | 'waiting' | 'sending' | 'refused' | 'split';

const restMs = 700;
const againMs = 3_000;
/** A tab that dies without a word loses no more than what was typed in this time. */
const storeMs = 250;

/**
 * Keeps a draft: a moment after each change, one call at a time, from the version it knows. What could not be sent stays in
 * this browser until it could.
 */
export class Autosave {
  state = $state<KeepState>('kept');
  keptAt = $state('');
  problem = $state('');
  /** The state of the page on the site, as the server last said. */
  page = $state('');
  /** What another window kept meanwhile; then a person decides. */
  theirs = $state.raw<Draft | null>(null);
  /** Where both changed the same pieces: those pieces, and the page joined in both ways. */
  joined = $state.raw<JoinedDrafts | null>(null);
  version = 0;
  private timer = 0;
  private storeTimer = 0;
  private changedSince = false;
  /** As the server has it: the next is told by what changed. */
  private sent: Schemas['DraftChange'] | null = null;
  /** On its way to the server. */
  private sending: Schemas['DraftChange'] | null = null;
  /** What was sent from here and never answered: it may have arrived all the same. */
  private unanswered: Schemas['DraftChange'][] = [];
  private readonly copies: Copies;
  /** What a window that closed without a line had left here. */
  private left: Copy | null = null;

  constructor(
    private id: string,
    private body: () => Schemas['DraftChange'],
    /** Another window's changes were joined with those that were just sent. */
    private onjoined: (draft: Draft) => void,
  ) {
    this.copies = new Copies(id);
  }

  /** The page is opened: what was left of it here is found. */
  async open(draft: Draft) {
    this.begin(draft);
    const [newest, ...older] = await this.copies.left();
    this.copies.hold();
    // What was on its way as the window went may have arrived, or still arrives: what was left here comes after it.
    if (newest) this.unanswered = [newest.body, ...(newest.sending ? [newest.sending] : [])];
    if (newest && newest.version < draft.version && this.unanswered.some((one) => saysSame(one, draft)))
      newest.version = draft.version;
    this.left = newest ?? null;
    // Of several windows that are gone each is joined by itself; what cannot be joined stays for the next time.
    for (const copy of older) void this.sendLeft(copy);
  }

  private begin(draft: Draft) {
    this.version = draft.version;
    this.keptAt = draft.changedAt;
    this.page = draft.state;
  }

  private async sendLeft({ key, version, body }: Copy) {
    const headers = { 'If-Match': `"${version}"` };
    try {
      await answer(api.PUT('/api/pages/{id}/draft', { params: this.at.params, headers, body }));
      this.copies.remove(key);
    } catch {
      // It lies where it lay.
    }
  }

  changed() {
    this.storeSoon();
    if (this.state === 'split') return;
    if (this.state === 'sending') this.changedSince = true;
    else this.later(restMs);
  }

  /** Sends what waits now. */
  async now() {
    clearTimeout(this.timer);
    if (this.storeTimer) this.store();
    if (this.state !== 'waiting' && this.state !== 'refused') return;
    this.state = 'sending';
    this.changedSince = false;
    try {
      const joined = await this.send(this.body());
      this.state = 'kept';
      this.problem = '';
      if (this.changedSince) {
        // The copy here is of a version that is past now: it would not be taken up again.
        this.store();
        this.later(restMs);
      } else {
        this.unstore();
        if (joined) this.onjoined(joined);
      }
    } catch (error) {
      this.fail(error);
    }
  }

  /** Tries another address for the page; the draft stays as it is where it is refused. */
  async rename(path: string) {
    await this.now();
    await this.send({ ...this.body(), path });
  }

  keepMine() {
    if (!this.theirs) return;
    this.goOnFrom(this.theirs);
  }

  /** What is on the desk now, perhaps joined, is kept in place of what the other window kept. */
  private goOnFrom(theirs: Draft) {
    this.version = theirs.version;
    [this.theirs, this.joined, this.sent, this.unanswered] = [null, null, null, []];
    this.state = 'waiting';
    void this.now();
  }

  tookTheirs(draft: Draft) {
    clearTimeout(this.timer);
    this.begin(draft);
    [this.theirs, this.joined, this.sent] = [null, null, null];
    this.state = 'kept';
    this.problem = '';
    this.unstore();
  }

  private unstore() {
    clearTimeout(this.storeTimer);
    this.storeTimer = 0;
    this.copies.remove();
  }

  /** What had been left here: it goes on from the version it began from, and is joined with what was kept since. */
  takeLeft(): Schemas['DraftChange'] | null {
    const left = this.left;
    this.left = null;
    if (!left) return null;
    this.version = left.version;
    this.copies.put(left.version, left.body);
    if (left.key !== this.copies.own) this.copies.remove(left.key);
    return left.body;
  }

  /** Writing the whole draft with every key would be felt on a long page. */
  private storeSoon() {
    this.storeTimer ||= window.setTimeout(() => this.store(), storeMs);
  }

  private store() {
    clearTimeout(this.storeTimer);
    this.storeTimer = 0;
    this.copies.put(this.version, this.body(), this.sending);
  }

  private later(ms: number) {
    clearTimeout(this.timer);
    if (this.state !== 'refused') this.state = 'waiting';
    this.timer = window.setTimeout(() => void this.now(), ms);
  }

  /** @returns the page as it is kept, where that is not what was sent alone. */
  private async send(body: Schemas['DraftChange']) {
    this.sending = body;
    this.unanswered = [...this.unanswered, body];
    const kept =
      (await this.sendChange(body)) ??
      (await answer(api.PUT('/api/pages/{id}/draft', { ...this.at, body, keepalive: outlives(body) })));
    [this.sending, this.unanswered] = [null, []];
    this.sent = body;
    this.version = kept.version;
    this.keptAt = kept.changedAt;
    this.page = kept.state;
    return kept.joined ?? null;
  }

  /** Only what changed; null where the server asks for the whole. */
  private async sendChange(body: Schemas['DraftChange']) {
    if (!this.sent) return null;
    try {
      return await answer(
        api.PATCH('/api/pages/{id}/draft', {
          params: this.at.params,
          headers: { ...this.at.headers, 'Content-Type': 'application/json-patch+json' },
          body: patchOf(this.sent, body) as never,
          keepalive: outlives(patchOf(this.sent, body)),
        }),
      );
    } catch (error) {
      if (error instanceof Problem && [400, 412, 413].includes(error.status)) return null;
      throw error;
    }
  }

  private get at() {
    return { params: { path: { id: this.id } }, headers: { 'If-Match': `"${this.version}"` } };
  }

  private fail(error: unknown) {
    this.sending = null;
    this.problem = sentenceOf(error);
    if (error instanceof Problem && error.status === 409 && error.more.now) {
      const now = error.more.now as Draft;
      // Nobody else's: it is what was sent from here before.
      if (this.unanswered.some((one) => saysSame(one, now))) return this.goOnFrom(now);
      this.state = 'split';
      this.theirs = now;
      this.joined = (error.more.joined as JoinedDrafts | null | undefined) ?? null;
      return;
    }
    this.state = 'refused';
    if (!(error instanceof Problem) || error.status === 0 || error.status >= 500) this.later(againMs);
  }
}

/** Whether two drafts hold the same words and pictures, however each is written down. */
function saysSame(one: Schemas['DraftChange'], other: Schemas['DraftChange']): boolean {
  const words = ({ title, summary, document }: Schemas['DraftChange']) => {
    const said = [title, summary ?? ''];
    JSON.stringify(document, (key, value: unknown) => {
      if ((key === 'text' || key === 'asset') && typeof value === 'string') said.push(value);
      return value;
    });
    return said.join('\n');
  };
  return words(one) === words(other);
}
