import { Problem, sentenceOf } from '$lib/api/client';
import { putLeft, removeLeft, type Left } from './left';

/** What a kind of thing says of itself, so that its fields can keep themselves. */
export type Source<T> = {
  /** Names the kind where what was typed is stored in this browser. */
  kind: string;
  load: (id: string) => Promise<T>;
  read: (item: T, field: string) => unknown;
  send: (item: T, change: Record<string, unknown>) => Promise<T>;
  /** The answer to a change, so that whatever shows the thing knows it. */
  kept: (item: T) => void;
};

type Stand = 'waiting' | 'kept' | 'refused' | 'split';
/** What stands in a field: over what it was typed, and how far it got. */
export type Typed = {
  value: unknown;
  base: unknown;
  stand: Stand;
  isLeft: boolean;
  sentence: string;
  theirs?: unknown;
  /** Sent from here and not answered yet: it may have arrived though the window went before the answer. */
  sent?: unknown;
};

const restMs = 600;
/** What did not reach the server is sent again after this time. */
const againMs = 3_000;
const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);
/** What stands round words is no other value: the server may trim it. */
const trimmed = (value: unknown) => (typeof value === 'string' ? value.trim() : value);
const sameWords = (one: unknown, other: unknown) => same(trimmed(one), trimmed(other));

/**
 * The fields of one thing, wherever they stand. What is typed is stored in this browser at once and sent after a moment's
 * rest: one save after the other, each from the version that the one before was answered with. A refused value stays in
 * its field and holds up no other; where another window changed the same field, both are shown and a person decides.
 */
export class Fields<T extends { version: number }> {
  private typed = $state<Record<string, Typed>>({});
  /** As the server has it, as far as this window knows. */
  private known = $state.raw<T | null>(null);
  /** Why nothing gets through just now. */
  offline = $state('');
  private isSending = $state(false);
  private timer = 0;
  private going: Promise<void> = Promise.resolve();

  constructor(
    readonly id: string,
    private readonly source: Source<T>,
  ) {}

  /** What a field shows: what is typed there, else what is kept. */
  value<V>(item: T, field: string): V {
    const known = this.known && this.known.version > item.version ? this.known : item;
    return (this.typed[field] ? this.typed[field].value : this.source.read(known, field)) as V;
  }

  at = (field: string): Typed | undefined => this.typed[field];

  /** In one word; empty where nothing was typed. */
  get state(): '' | 'keeping' | 'kept' | 'offline' | 'refused' | 'split' {
    const all = Object.values(this.typed);
    const is = (stand: Stand) => all.some((one) => one.stand === stand);
    if (is('split')) return 'split';
    if (is('refused')) return 'refused';
    if (this.offline) return 'offline';
    if (this.isSending || is('waiting')) return 'keeping';
    return this.known ? 'kept' : '';
  }

  type(item: T, field: string, value: unknown) {
    this.see(item);
    const was = this.typed[field];
    const base = was && was.stand !== 'kept' ? was.base : this.source.read(this.known!, field);
    this.typed[field] = { value, base, sent: was?.sent, stand: 'waiting', isLeft: false, sentence: '' };
    this.store();
    this.later(restMs);
  }

  /** Typed and left in one: a switch that was turned. */
  set(item: T, field: string, value: unknown) {
    this.type(item, field, value);
    return this.leave(field);
  }

  /** The same of what may go on moving: a box under held keys is kept where it rests. */
  move(item: T, field: string, value: unknown) {
    this.type(item, field, value);
    this.typed[field]!.isLeft = true;
  }

  /** The field is left: what waits goes now. */
  leave(field: string) {
    const typed = this.typed[field];
    if (!typed) return this.going;
    typed.isLeft = true;
    if (typed.stand === 'kept') delete this.typed[field];
    else if (typed.stand === 'waiting') return this.now();
    return this.going;
  }

  /** The thing itself is left, with whatever field has the caret. */
  leaveAll() {
    for (const field of Object.keys(this.typed)) void this.leave(field);
    return this.now();
  }

  /** Sends what waits; resolves when all that is typed now has got as far as it gets. */
  now(): Promise<void> {
    clearTimeout(this.timer);
    this.going = this.going.then(() => this.send());
    return this.going;
  }

  /** Both are known: mine takes the place of the other's, or the other's stays. */
  decide(field: string, which: 'mine' | 'theirs') {
    const typed = this.typed[field];
    if (!typed) return;
    if (which === 'theirs') delete this.typed[field];
    else Object.assign(typed, { base: typed.theirs, stand: 'waiting', isLeft: true, sentence: '' });
    this.store();
    void this.now();
  }

  /** What a window that is gone had left of it; it stays stored until it has got through. */
  async restore(left: Left['typed']) {
    for (const [field, { value, base, sent }] of Object.entries(left))
      this.typed[field] ??= { value, base, sent, stand: 'waiting', isLeft: true, sentence: '' };
    this.store();
    try {
      this.see(await this.source.load(this.id));
    } catch (error) {
      if (!(error instanceof Problem) || error.status !== 404) {
        this.offline = sentenceOf(error);
        setTimeout(() => void this.restore(left), againMs);
        return;
      }
      // The thing is gone, and the words with it.
      this.typed = {};
      this.store();
      return;
    }
    await this.now();
  }

  private see(item: T) {
    if (!this.known || item.version > this.known.version) this.known = item;
  }

  private later(ms: number) {
    clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.now(), ms);
  }

  private store() {
    const open = Object.entries(this.typed).filter(([, one]) => one.stand !== 'kept');
    const name = `${this.source.kind}:${this.id}`;
    if (open.length === 0) removeLeft(name);
    else
      putLeft(name, Object.fromEntries(open.map(([field, { value, base, sent }]) => [field, { value, base, sent }])));
  }

  private async send() {
    this.isSending = true;
    let alone = false;
    // Each round settles a field or learns a newer version: it ends.
    for (let round = 0; round < 40; round++) {
      this.meet();
      const waiting = Object.keys(this.typed).filter((field) => this.typed[field]!.stand === 'waiting');
      if (waiting.length === 0 || !this.known) break;
      const some = alone ? waiting.slice(0, 1) : waiting;
      const sent = Object.fromEntries(some.map((field) => [field, this.typed[field]!.value]));
      for (const field of some) this.typed[field]!.sent = sent[field];
      this.store();
      try {
        this.known = await this.source.send(this.known, sent);
        this.offline = '';
        this.source.kept(this.known);
        for (const field of some) this.settle(field, sent[field]);
      } catch (error) {
        const now = error instanceof Problem ? (error.more.now as T | undefined) : undefined;
        if (now) this.see(now);
        else if (!(error instanceof Problem) || error.status === 0 || error.status >= 500) {
          this.offline = sentenceOf(error);
          this.later(againMs);
          break;
        } else if (some.length > 1) alone = true;
        else this.refuse(some[0]!, sent[some[0]!], sentenceOf(error));
      }
    }
    this.store();
    this.isSending = false;
  }

  /** What is kept already needs no call; what another changed meanwhile is not written over. */
  private meet() {
    for (const [field, typed] of Object.entries(this.typed)) {
      if (typed.stand !== 'waiting' || !this.known) continue;
      const theirs = this.source.read(this.known, field);
      if (sameWords(typed.value, theirs)) this.settle(field, typed.value);
      else if (!sameWords(typed.base, theirs) && !sameWords(typed.sent, theirs))
        Object.assign(typed, { stand: 'split', theirs });
    }
  }

  private settle(field: string, sent: unknown) {
    const typed = this.typed[field];
    if (!typed) return;
    typed.base = this.source.read(this.known!, field);
    delete typed.sent;
    // Typed on meanwhile: that goes next.
    if (!same(typed.value, sent)) return;
    if (typed.isLeft) delete this.typed[field];
    else typed.stand = 'kept';
  }

  private refuse(field: string, sent: unknown, sentence: string) {
    const typed = this.typed[field];
    if (typed && same(typed.value, sent)) Object.assign(typed, { stand: 'refused', sentence });
  }
}
